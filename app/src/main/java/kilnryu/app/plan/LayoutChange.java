package kilnryu.app.plan;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.finding.Severity;
import kilnryu.core.sum.Figure;
import kilnryu.core.tree.TreePlan;

/** What a new layout would change of a tree, said before it is taken: metal, charge, yield, parts, warnings. */
final class LayoutChange {
    private LayoutChange() {}

    static String told(Plan before, Plan after, Units units) {
        if (after.tree().isEmpty()) {
            return "It cannot be laid out yet: name an alloy and a piece with its mass or measures.";
        }
        List<String> said = new ArrayList<>();
        figure("metal", before, after, t -> Optional.of(t.cavityMetal()), units).ifPresent(said::add);
        figure("charge", before, after, t -> Optional.of(t.charge()), units).ifPresent(said::add);
        figure("yield", before, after, TreePlan::yield, units).ifPresent(said::add);
        said.add(count("gating parts", gating(before), gating(after)));
        said.add(count("warnings", warnings(before), warnings(after)));
        return String.join(", ", said) + ".";
    }

    private static Optional<String> figure(
            String name, Plan before, Plan after, Function<TreePlan, Optional<Figure>> which, Units units) {
        String then = after.tree()
                .flatMap(which)
                .map(f -> Show.figure(f, units).toString())
                .orElse("");
        String now = before.tree()
                .flatMap(which)
                .map(f -> Show.figure(f, units).toString())
                .orElse("");
        return then.isEmpty()
                ? Optional.empty()
                : Optional.of(now.isEmpty() || now.equals(then) ? name + " " + then : name + " " + now + " → " + then);
    }

    private static String count(String name, long now, long then) {
        return now == then ? name + " " + then : name + " " + now + " → " + then;
    }

    private static long gating(Plan plan) {
        return plan.tree()
                .map(t -> t.tree().parts().stream()
                        .filter(p -> p.role() == kilnryu.core.tree.Part.Role.GATING)
                        .count())
                .orElse(0L);
    }

    private static long warnings(Plan plan) {
        return plan.findings().all().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .count();
    }
}
