package kilnryu.core.pattern;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * How a print will stand on its plate: how long it takes, how high the stairs of its layers are on its main face, what its
 * supports leave there. Sums are geometry; the limits are ours.
 *
 * @param hours of printing; empty where its height or the time of a layer is not known
 * @param step of the stairs on the main face, mm; empty where it is not known how that leans
 * @param unknown what was not judged, in words
 */
public record Printing(Optional<Figure> hours, Optional<Figure> step, List<String> unknown, Findings findings) {
    private static final Formula HOURS = Formula.of("height / layer * layer_s / 3600");
    private static final Formula STEP = Formula.of("layer * cos_lean");
    /** Stairs that are higher show in the metal once it is polished, mm. */
    private static final double SEEN = 0.05;
    /** A face closer to level than this hangs over nothing when it looks down, degrees. */
    private static final double LEVEL = 30;

    /** Where supports touch the piece. */
    public enum Supports {
        NONE("none", "none"),
        GATES("gates", "where gates go"),
        BACK("back", "on the back or inside"),
        FACE("face", "on the face that is seen");

        private final String key;
        private final String label;

        Supports(String key, String label) {
            this.key = key;
            this.label = label;
        }

        public static Optional<Supports> named(String key) {
            return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }

    /**
     * @param heightMm as it stands on the plate
     * @param layerMm of one layer, over 0
     * @param layerSeconds that one layer takes
     * @param leanDegrees of the face that matters most, from level: 0 lies flat, 90 stands upright
     * @param supports empty where it is not said
     * @param infill % inside its walls; empty for a print without infill, or not said
     */
    public record Question(
            OptionalDouble heightMm,
            OptionalDouble layerMm,
            OptionalDouble layerSeconds,
            OptionalDouble leanDegrees,
            Optional<Supports> supports,
            OptionalDouble infill) {}

    public static Printing of(Question q) {
        List<Finding> found = new ArrayList<>();
        List<String> unknown = new ArrayList<>();
        Optional<Figure> step = step(q);
        step.ifPresentOrElse(s -> stairs(s.value(), found), () -> unknown.add("the lines of its layers"));
        supports(q, found, unknown);
        infill(q, found);
        return new Printing(hours(q), step, List.copyOf(unknown), new Findings(found));
    }

    private static Figure chosen(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.CHOSEN, 0);
    }

    private static Optional<Figure> hours(Question q) {
        if (q.heightMm.isEmpty() || q.layerMm.isEmpty() || q.layerSeconds.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(Figure.computed("hours", "on the printer", Measure.HOUR)
                .mark(Mark.P, "layers one after the other")
                .by(
                        HOURS,
                        chosen("height", "height on the plate", q.heightMm.getAsDouble(), Measure.MILLIMETRE),
                        chosen("layer", "layer", q.layerMm.getAsDouble(), Measure.MILLIMETRE),
                        chosen("layer_s", "time of a layer", q.layerSeconds.getAsDouble(), Measure.SECONDS)));
    }

    private static Optional<Figure> step(Question q) {
        if (q.layerMm.isEmpty() || q.leanDegrees.isEmpty()) {
            return Optional.empty();
        }
        double cos = Math.cos(Math.toRadians(q.leanDegrees.getAsDouble()));
        return Optional.of(Figure.computed("step", "stairs on the main face", Measure.MILLIMETRE)
                .mark(Mark.P, "a layer, square to the face")
                .by(
                        STEP,
                        chosen("layer", "layer", q.layerMm.getAsDouble(), Measure.MILLIMETRE),
                        chosen(
                                "cos_lean",
                                String.format(Locale.ROOT, "cosine of its lean of %.0f°", q.leanDegrees.getAsDouble()),
                                Math.max(0, cos),
                                Measure.TIMES)));
    }

    private static void stairs(double mm, List<Finding> found) {
        if (mm > SEEN) {
            found.add(Finding.note(
                    "print-stairs",
                    "lean_deg",
                    String.format(Locale.ROOT, "Layers leave stairs of %.2f mm on the main face.", mm),
                    "Metal shows them, and bright metal shows them most.",
                    "Turn that face upright, print thinner layers, or smooth it with a wax coating."));
        }
    }

    private static void supports(Question q, List<Finding> found, List<String> unknown) {
        if (q.supports.isEmpty()) {
            unknown.add("where its supports touch");
        } else if (q.supports.get() == Supports.FACE) {
            found.add(Finding.warn(
                    "supports-on-face",
                    "supports",
                    "Supports touch the face that is seen.",
                    "Each leaves a pit or a stub that casts, and is chased by hand.",
                    "Turn it so that they touch the back, or where gates are cut off anyway."));
        } else if (q.supports.get() == Supports.NONE
                && q.leanDegrees.isPresent()
                && q.leanDegrees.getAsDouble() < LEVEL) {
            found.add(Finding.note(
                    "no-supports",
                    "supports",
                    "A face that leans less than 30° is printed without supports.",
                    "Where it looks down it sags or lets go.",
                    "Supports on the back, or stand it steeper."));
        }
    }

    private static void infill(Question q, List<Finding> found) {
        if (q.infill.isPresent() && q.infill.getAsDouble() > 0) {
            found.add(Finding.warn(
                    "print-infill",
                    "infill_pct",
                    String.format(Locale.ROOT, "It is printed with %.0f %% infill.", q.infill.getAsDouble()),
                    "It is all that has to burn or run out, it presses on the mold as it swells, and hides resin that is not"
                            + " cured.",
                    "Print a wall of 1 to 2 mm without infill and with two drain holes, or take the infill out."));
        }
    }
}
