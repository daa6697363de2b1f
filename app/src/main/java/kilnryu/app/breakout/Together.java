package kilnryu.app.breakout;

import java.util.EnumSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plans;
import kilnryu.core.diagnosis.DefectKind;
import org.springframework.stereotype.Component;

/** Changes of a try that act on the same defect: from its result it is not learned which of them did it. */
@Component
class Together {
    private final AgainStore again;
    private final BreakOutStore store;
    private final BreakOuts breakOuts;
    private final Plans plans;

    Together(AgainStore again, BreakOutStore store, BreakOuts breakOuts, Plans plans) {
        this.again = again;
        this.store = store;
        this.breakOuts = breakOuts;
        this.plans = plans;
    }

    /** What a plan changes at once against the one it was copied from; empty where nothing stands in the way. */
    String of(Account account, Plans.Saved saved) {
        Optional<AgainStore.Row> row = again.of(saved.row().id());
        if (row.isEmpty()) {
            return "";
        }
        Plans.Saved from = plans.find(account, row.get().from());
        return words(
                from,
                saved,
                defects(store.of(account.studioId(), row.get().from()).map(breakOuts::course)));
    }

    static Set<DefectKind> defects(Optional<BreakOutCourse> course) {
        return course.stream()
                .flatMap(c -> c.castings().stream())
                .flatMap(c -> c.pins().stream())
                .map(BreakOutCourse.Pin::kind)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(DefectKind.class)));
    }

    static String words(Plans.Saved from, Plans.Saved to, Set<DefectKind> defects) {
        List<Differences.Thing> acting = Differences.between(from, to).actingOn(defects);
        return acting.size() < 2
                ? ""
                : acting.stream().map(Differences.Thing::label).collect(Collectors.joining(" and "))
                        + " were changed together, and " + (acting.size() == 2 ? "both" : "all") + " act on "
                        + defects.stream().map(DefectKind::label).collect(Collectors.joining(", "))
                        + ": if it comes good, which of them did it is not learned.";
    }
}
