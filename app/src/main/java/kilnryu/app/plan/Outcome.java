package kilnryu.app.plan;

import java.time.Instant;
import java.util.Optional;
import kilnryu.app.account.Account;

/**
 * What came out of a tree's mold.
 *
 * @param begun when it was first looked at; the plan as it stood then is what was cast
 * @param words such as "5 of 6 good, misrun"
 */
public record Outcome(Instant begun, String words) {

    /** Knows what came out of a tree. */
    public interface Source {
        Optional<Outcome> of(Account account, long tree);
    }
}
