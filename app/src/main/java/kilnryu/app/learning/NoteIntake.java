package kilnryu.app.learning;

import java.util.Map;
import kilnryu.app.account.Account;
import org.springframework.stereotype.Component;

/** Takes in notes that were written down elsewhere. */
@Component
public class NoteIntake {
    private final LearningStore store;

    NoteIntake(LearningStore store) {
        this.store = store;
    }

    public void note(Account account, Map<String, String> fields) {
        store.keep(account, 0, 0, fields);
    }
}
