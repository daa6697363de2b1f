package kilnryu.app.foresight;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.plan.LookedAhead;
import kilnryu.app.plan.Stage;
import kilnryu.app.sheet.SheetStore.Sheet;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.finding.Severity;
import kilnryu.core.sum.Factors;
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
    public Findings over(Account account, String foreseen, Map<Stage, Sheet> sheets, Factors factors, Findings simple) {
        if (foreseen == null) {
            return simple;
        }
        Held held = ForesightStore.held(foreseen);
        if (!held.state.equals(foresights.state(account, sheets, factors))) {
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
        for (Told.Mark m : told.marks()) {
            String remedy = m.helps().isEmpty()
                    ? "Try another place for gate or feeder."
                    : "Try: " + m.helps().get(0).words() + ".";
            all.add(finding(
                    m.severity(),
                    "foresight." + m.kind().toLowerCase(java.util.Locale.ROOT) + "." + m.key() + "." + m.number(),
                    "member." + m.key(),
                    List.of("Filled and frozen ahead: " + m.title() + ".", m.says(), remedy)));
        }
        for (Told.Note n : told.notes()) {
            String place =
                    List.of(".no-mesh.", ".gap.", ".lost.", ".unlike.").stream().anyMatch(n.id()::contains)
                            ? "member." + n.id().substring(n.id().lastIndexOf('.') + 1)
                            : "gating";
            all.add(finding(n.severity(), n.id(), place, List.of(n.message(), n.reason(), n.remedy())));
        }
        return new Findings(all);
    }

    private static Finding finding(String severity, String id, String place, List<String> says) {
        return switch (severity) {
            case "stop" -> Finding.stop(id, place, says.get(0), says.get(1), says.get(2));
            case "warn" -> Finding.warn(id, place, says.get(0), says.get(1), says.get(2));
            default -> Finding.note(id, place, says.get(0), says.get(1), says.get(2));
        };
    }
}
