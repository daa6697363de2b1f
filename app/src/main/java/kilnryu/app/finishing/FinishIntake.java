package kilnryu.app.finishing;

import java.util.Map;
import kilnryu.app.account.Account;
import org.springframework.stereotype.Component;

/** Takes in hours and recipes that were written down elsewhere. */
@Component
public class FinishIntake {
    private final FinishStore store;

    FinishIntake(FinishStore store) {
        this.store = store;
    }

    /** Hours of a stage on all castings of a tree. */
    public void hours(Account account, long tree, FinishStage stage, String who, double grams, double hours) {
        store.begin(account, tree, null, "", stage, who, grams, hours, Map.of());
    }

    public void patina(Account account, Map<String, String> fields) {
        store.keepPatina(account, 0, 0, fields);
    }

    public void signed(Account account, long tree, String stage, String name, String note) {
        store.sign(account, tree, stage, name, note, null);
    }
}
