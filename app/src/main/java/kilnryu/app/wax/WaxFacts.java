package kilnryu.app.wax;

import java.util.List;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.diagnosis.FactSource;
import kilnryu.app.diagnosis.OnRecord;
import kilnryu.app.plan.Plans;
import kilnryu.app.rubber.TappedStore;
import kilnryu.core.diagnosis.Fact.How;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.pattern.Made;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What was found on the wax of a tree's piece: it travels with it to the break-out. */
@Component
@Order(5)
class WaxFacts implements FactSource {
    private final WaxStore store;

    WaxFacts(WaxStore store) {
        this.store = store;
    }

    @Override
    public void tell(Account account, Plans.Saved tree, OnRecord found) {
        List<TappedStore.Row> waxes = WaxFound.pieces(tree).stream()
                .flatMap(p -> store.by(account.studioId(), "piece_id", p).stream())
                .toList();
        // which of several waxes hangs on the tree is not on record: then nothing is said
        if (waxes.size() != 1) {
            return;
        }
        WaxCourse course = WaxCourse.of(store.events(waxes.get(0).id()));
        String page = "/waxes/" + waxes.get(0).id() + "/bench";
        OptionalDouble thinnest =
                course.walls().stream().mapToDouble(WaxCourse.Wall::mm).min();
        thinnest.ifPresent(mm -> found.number(FactKey.WALL_MM, mm, How.MEASURED, page));
        boolean marked = !course.repairs().isEmpty() || course.checks().containsValue(false);
        boolean whole = course.checks().keySet().size()
                == WaxCheck.of(Made.named(waxes.get(0).text("made")).orElse(Made.SLUSHED))
                        .size();
        // whether it is the same place, and how it was handled afterwards, is not on record: it speaks, and rules
        // nothing out
        if (marked || whole) {
            found.word(FactKey.MARK_ON_PATTERN, marked ? "yes" : "no", How.PLANNED, page);
        }
    }
}
