package kilnryu.app.plan;

import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.core.finding.Findings;

/** Knows what came of filling and freezing a saved tree ahead. */
public interface LookedAhead {
    /**
     * What the simple checks of a plan's gating found, with what is known better in its place; the simple ones stay as the check
     * by hand.
     *
     * @param foreseen as the tree's row holds it
     * @param tree its fields as they are typed
     */
    Findings over(Account account, String foreseen, Map<String, String> tree, Plan plan);
}
