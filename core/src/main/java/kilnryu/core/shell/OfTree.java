package kilnryu.core.shell;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.Placing;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Strength.Curve;
import kilnryu.core.shell.Strength.Place;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.tree.Amount;
import kilnryu.core.tree.Part;
import kilnryu.core.tree.TreePlan;

/** What a shell needs to know of a tree: its area, and where the metal presses on it. */
public final class OfTree {
    /** A piece has more face than a ball of its volume, by about this much. */
    private static final double NO_BALL = 1.5;

    private static final double NO_BALL_SPREAD = 0.25;
    /** A body this much wider than thick is taken as a plate. */
    private static final double PLATE = 3;

    private static final Formula BALL = Formula.of("n * rough * (36 * pi)^third * (v / n)^twothirds");
    private static final Formula ROD = Formula.of("n * pi * d * l / 100");
    private static final Formula CONE = Formula.of("n * pi * (a + b) / 2 * sqrt(l^2 + ((a - b) / 2)^2) / 100");
    private static final Formula BAR = Formula.of("n * 2 * (w + t) * l / 100");

    private static final Formula MEASURED = Formula.of("n * one");

    private OfTree() {}

    /** Area of all parts, cm2: by their meshes where they have one; faces hidden where parts join are not taken off. */
    public static Figure area(TreePlan tree) {
        List<Figure> areas = new ArrayList<>();
        List<Part> parts = tree.tree().parts();
        for (int i = 0; i < parts.size(); i++) {
            Part part = parts.get(i);
            areas.add(
                    part.area().isPresent()
                            ? measured(part, part.area().getAsDouble())
                            : area(part, tree.partVolumes().get(i)));
        }
        return Figure.computed("area", "area of pattern and gating", Measure.SQUARE_CENTIMETRE)
                .total(areas);
    }

    private static Figure measured(Part part, double one) {
        return Figure.computed("a", "area of " + part.name(), Measure.SQUARE_CENTIMETRE)
                .by(
                        MEASURED,
                        Figure.given("n", "how many", part.count(), Measure.TIMES, Known.CHOSEN, 0),
                        Figure.given("one", "by its mesh", one, Measure.SQUARE_CENTIMETRE, Known.MEASURED, 0));
    }

    private static Figure area(Part part, Figure volume) {
        Figure n = Figure.given("n", "how many", part.count(), Measure.TIMES, Known.CHOSEN, 0);
        Figure.Computation area = Figure.computed(
                "a", "area of " + (part.name().isBlank() ? "a part" : part.name()), Measure.SQUARE_CENTIMETRE);
        if (part.amount() instanceof Amount.Rod r) {
            return area.by(
                    ROD,
                    n,
                    mm("d", r.diameter().millimetres()),
                    mm("l", r.length().millimetres()));
        }
        if (part.amount() instanceof Amount.Cone c) {
            return area.by(
                    CONE,
                    n,
                    mm("a", c.top().millimetres()),
                    mm("b", c.bottom().millimetres()),
                    mm("l", c.length().millimetres()));
        }
        if (part.amount() instanceof Amount.Bar b) {
            return area.by(
                    BAR,
                    n,
                    mm("w", b.width().millimetres()),
                    mm("t", b.thickness().millimetres()),
                    mm("l", b.length().millimetres()));
        }
        return area.by(
                BALL,
                n,
                Figure.given("rough", "more than a ball", NO_BALL, Measure.SCALE, Known.ESTIMATED, NO_BALL_SPREAD),
                Figure.given("third", "1/3", 1.0 / 3, Measure.FRACTION, Known.CHOSEN, 0),
                Figure.given("twothirds", "2/3", 2.0 / 3, Measure.FRACTION, Known.CHOSEN, 0),
                volume.as("v"));
    }

    private static Figure mm(String symbol, double value) {
        return Figure.given(symbol, "measure", value, Measure.MILLIMETRE, Known.MEASURED, 0);
    }

    /** The deepest place of each member of a built tree, cup up. */
    public static List<Place> places(GatingPlan gating) {
        Map<String, Place> deepest = new LinkedHashMap<>();
        for (Placing.Single single : gating.placing().singles()) {
            double depth = -single.bottom();
            if (depth > 0) {
                Place place =
                        place(single.member().name(), depth, single.member().form());
                deepest.merge(single.member().key(), place, (a, b) -> a.depth() >= b.depth() ? a : b);
            }
        }
        return List.copyOf(deepest.values());
    }

    private static Place place(String name, double depth, Form form) {
        if (form instanceof Form.Body b) {
            double wide = Math.max(b.width(), b.thickness());
            double thin = Math.min(b.width(), b.thickness());
            return wide > PLATE * thin
                    ? new Place(name, depth, Math.min(wide, b.length()), Curve.FLAT)
                    : new Place(name, depth, (wide + thin) / 4, Curve.CYLINDER);
        }
        if (form instanceof Form.Bar b) {
            return new Place(name, depth, Math.max(b.width(), b.thickness()), Curve.FLAT);
        }
        return new Place(name, depth, Placing.thickest(form) / 2, Curve.CYLINDER);
    }
}
