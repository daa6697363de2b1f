package kilnryu.app.foresight;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.plan.LookedAhead;
import kilnryu.app.plan.Plan;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.finding.Severity;
import org.springframework.stereotype.Component;

/** What a look ahead found stands among the checks of the gating, as long as it is of the tree as it is. */
@Component
class Foretold implements LookedAhead {
    /** Simple checks of what a look ahead follows itself. */
    private static final List<String> BOTH_SPEAK = List.of(
            "feeder-modulus.",
            "feeder-volume.",
            "gate-thick.",
            "thick-thin-thick.",
            "unfed-wall.",
            "high-point.",
            "high-further.",
            "blind-end.");

    private final Foresights foresights;

    Foretold(Foresights foresights) {
        this.foresights = foresights;
    }

    /** What a tree's row holds of it. @param state of the sheets it was reckoned from */
    record Held(String state, Told told) {}

    @Override
    public Findings over(Account account, String foreseen, Map<String, String> tree, Plan plan) {
        Findings simple = plan.found().gating();
        if (foreseen == null) {
            return simple;
        }
        Held held = ForesightStore.held(foreseen);
        if (!held.state.equals(foresights.state(account, tree, plan))) {
            return simple.and(new Findings(List.of(Finding.note(
                    "foresight.old",
                    "gating",
                    "The tree was changed since it was filled and frozen ahead.",
                    "What was foreseen was of another tree.",
                    "Try it anew."))));
        }
        return over(simple, held.told);
    }

    static Findings over(Findings simple, Told told) {
        List<Finding> all = new ArrayList<>();
        for (Finding f : simple.all()) {
            boolean both = told.judged()
                    && f.severity() == Severity.WARN
                    && BOTH_SPEAK.stream().anyMatch(f.id()::startsWith);
            all.add(
                    both
                            ? new Finding(
                                    f.id(),
                                    Severity.NOTE,
                                    false,
                                    f.place(),
                                    "By hand: " + f.message(),
                                    f.reason(),
                                    f.remedy(),
                                    f.figure())
                            : f);
        }
        for (Told.Note n : told.notes()) {
            all.add(finding(n, n.marked() ? "Filled and frozen ahead: " + n.message() : n.message()));
        }
        return new Findings(all);
    }

    private static Finding finding(Told.Note n, String message) {
        return switch (n.severity()) {
            case "stop" -> Finding.stop(n.id(), n.place(), message, n.reason(), n.remedy());
            case "warn" -> Finding.warn(n.id(), n.place(), message, n.reason(), n.remedy());
            default -> Finding.note(n.id(), n.place(), message, n.reason(), n.remedy());
        };
    }
}
