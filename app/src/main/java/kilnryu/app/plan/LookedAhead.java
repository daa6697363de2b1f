package kilnryu.app.plan;

import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.SheetStore.Sheet;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Factors;

/** Knows what came of filling and freezing a saved tree ahead. */
public interface LookedAhead {
    /**
     * What the simple checks found, with what is known better in its place; the simple ones stay as the check by hand.
     *
     * @param foreseen as the tree's row holds it
     */
    Findings over(Account account, String foreseen, Map<Stage, Sheet> sheets, Factors factors, Findings simple);
}
