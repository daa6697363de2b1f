package kilnryu.core.gating;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/**
 * How many times longer the thinnest places of a tree stay liquid than it takes to fill (handbook 10), with whatever
 * temperatures metal and mold have when they meet.
 *
 * @param fill time to fill, s; empty where nothing is built
 * @param wall modulus of the thinnest wall, mm; empty where no wall is known
 * @param gate modulus of the thinnest gate, mm
 */
public record FillMargin(GatingQuestion question, OptionalDouble fill, OptionalDouble wall, OptionalDouble gate) {
    private static final double NEARLY_LIQUID = 20;

    public static FillMargin of(GatingPlan plan) {
        Assembly assembly = plan.assembly();
        OptionalDouble fill = Filling.of(plan.question(), plan.placing()).fill().stream()
                .mapToDouble(Figure::value)
                .findFirst();
        DoubleStream walls = assembly.of(Use.PIECE).stream()
                .filter(p -> p.form() instanceof Form.Body b && b.walls().isPresent())
                .mapToDouble(
                        p -> Modulus.thinnest(p, ((Form.Body) p.form()).walls().orElseThrow())
                                .value());
        DoubleStream gates =
                assembly.of(Use.GATE).stream().mapToDouble(g -> plan.modulus(g).value());
        return new FillMargin(plan.question(), fill, walls.min(), gates.min());
    }

    /** Thinnest wall, mm; empty where none is known. */
    public OptionalDouble thinnest() {
        return question.assembly().of(Use.PIECE).stream()
                .filter(p -> p.form() instanceof Form.Body b && b.walls().isPresent())
                .mapToDouble(p -> ((Form.Body) p.form()).walls().orElseThrow().thinnest())
                .min();
    }

    /** @return empty where nothing is built, no thin place is known, or the alloy's freezing is not tabled */
    public OptionalDouble at(double metalC, double moldC) {
        if (fill.isEmpty() || !question.alloy().isTabled() || wall.isEmpty() && gate.isEmpty()) {
            return OptionalDouble.empty();
        }
        if (metalC <= question.alloy().melting().liquidus()) {
            return OptionalDouble.of(0);
        }
        if (moldC >= question.alloy().melting().liquidus() - NEARLY_LIQUID) {
            return OptionalDouble.empty();
        }
        Filling filling = Filling.freezing(at(question, metalC, moldC));
        double freezes =
                Math.min(freezes(filling, wall, Form.Likeness.PLATE), freezes(filling, gate, Form.Likeness.BAR));
        return Double.isFinite(freezes) ? OptionalDouble.of(freezes / fill.getAsDouble()) : OptionalDouble.empty();
    }

    private static double freezes(Filling filling, OptionalDouble modulus, Form.Likeness like) {
        return modulus.isEmpty()
                ? Double.POSITIVE_INFINITY
                : filling.freezes(Modulus.mm("M", "modulus", modulus.getAsDouble()), like)
                        .map(Figure::value)
                        .orElse(Double.POSITIVE_INFINITY);
    }

    private static GatingQuestion at(GatingQuestion q, double metalC, double moldC) {
        return new GatingQuestion(
                q.assembly(),
                q.alloy(),
                q.pattern(),
                Optional.of(celsius("pour", "metal at the mold", metalC)),
                Optional.of(celsius("mold", "mold when it is reached", moldC)),
                q.pourRate(),
                q.school(),
                q.factors(),
                q.in(),
                q.vacuum());
    }

    private static Figure celsius(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, Measure.DEGREE_CELSIUS, Known.COMPUTED, 0);
    }
}
