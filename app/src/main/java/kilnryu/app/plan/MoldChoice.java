package kilnryu.app.plan;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;

/**
 * A mold that could be taken for a tree, as a picture to be tapped.
 *
 * @param kind flask, block or shell
 * @param key of a flask of the studio; empty for another kind
 * @param size in the reader's units
 * @param drawing its outline with the tree in it, at a scale that all choices share
 * @param mark good, warn or stop; note where it is not judged
 * @param says one line: fits, too narrow, how many coats
 * @param chosen whether it is the mold of the plan now
 * @param fields what a tap fills in
 */
public record MoldChoice(
        String kind,
        String key,
        String name,
        String size,
        String drawing,
        String mark,
        String says,
        boolean chosen,
        Map<String, String> fields) {

    /** Knows the molds of a studio. */
    public interface Source {
        /** What could be taken, the smallest first; empty while there is no tree. */
        List<MoldChoice> of(Account account, Plan plan);

        /** The smallest flask of the studio that takes the tree; empty where none does or the mold is no flask. */
        Optional<MoldChoice> smallest(Account account, Plan plan);
    }
}
