package kilnryu.app.plan;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;

/**
 * What the pour of a tree's mold says of it.
 *
 * @param name of the pour
 * @param state planned, running or done
 * @param lines as they stand on the card: when it comes out, what it asks, how it came
 * @param record what happened, by name, for the plan document; empty before
 */
public record PourNote(long pour, String name, String state, List<String> lines, Map<String, Object> record) {
    public PourNote {
        lines = List.copyOf(lines);
    }

    /** Knows in which pour a tree's mold is. */
    public interface Source {
        Optional<PourNote> of(Account account, long tree);
    }
}
