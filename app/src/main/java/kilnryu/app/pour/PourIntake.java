package kilnryu.app.pour;

import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.core.pour.PourMold;
import kilnryu.core.pour.PourOrder;
import kilnryu.core.pour.PourPlan;
import org.springframework.stereotype.Component;

/** Takes in pours that were planned elsewhere. */
@Component
public class PourIntake {
    private final PourStore store;
    private final PourPages pages;

    PourIntake(PourStore store, PourPages pages) {
        this.store = store;
        this.pages = pages;
    }

    /** A planned pour, its molds in the handbook's order. */
    public long pour(Account owner, Map<String, String> fields, List<Long> trees) {
        long id = store.create(owner, fields.get("name"), fields, trees);
        ordered(owner, id);
        return id;
    }

    void ordered(Account owner, long id) {
        PourSheet sheet = pages.saved(owner, pages.found(owner, id));
        sheet.plan().ifPresent(p -> store.save(sheet.row(), best(p)));
    }

    static List<Long> best(PourPlan plan) {
        return PourOrder.of(plan.legs().stream().map(PourPlan.Leg::of).toList()).stream()
                .map(PourMold::key)
                .map(Long::valueOf)
                .toList();
    }
}
