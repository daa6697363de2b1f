package kilnryu.core.piece;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/** How large a pattern has to be for a casting of a given size (handbook 3, linear size). */
public final class Shrinkage {
    private static final Constant WAX = new Constant(
            "shrink.wax", "s_pattern", "shrinkage of cast wax", 1.0, 0.5, 2, Measure.PERCENT, Mark.T, "handbook 3");
    private static final Constant PRINT = new Constant(
            "shrink.print", "s_pattern", "shrinkage of a print", 0.3, 0, 0.8, Measure.PERCENT, Mark.T, "handbook 3");
    private static final Constant NONE = Constant.exact(
            "shrink.none", "s_pattern", "the pattern is worked to its size", 0, Measure.PERCENT, "handbook 3");
    private static final Formula SCALE =
            Formula.of("1 / ((1 - s_pattern / 100) * (1 + e_mold / 100) * (1 - s_alloy / 100))");
    private static final Formula UNDER = Formula.of("size - 2 * coating");
    private static final Formula SIZE = Formula.of("target * scale");

    /** The mold the piece is cast in, with how much it grows as it is heated. */
    public enum MoldKind {
        FLASK("flask", "flask", 0.8),
        BLOCK("block", "block", 0.3),
        SHELL("shell", "ceramic shell", 0.1);

        private final String key;
        private final String label;
        private final Constant growth;

        MoldKind(String key, String label, double percent) {
            this.key = key;
            this.label = label;
            growth = new Constant(
                    "grow." + key,
                    "e_mold",
                    "growth of a " + label,
                    percent,
                    0,
                    percent * 1.6,
                    Measure.PERCENT,
                    Mark.T,
                    "handbook 3");
        }

        public static Optional<MoldKind> named(String key) {
            return Arrays.stream(values()).filter(k -> k.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }

    private Shrinkage() {}

    public static List<Constant> constants() {
        return List.of(WAX, PRINT, MoldKind.FLASK.growth, MoldKind.BLOCK.growth, MoldKind.SHELL.growth);
    }

    /** How the pattern came to its size: wax cast in a mold shrinks, a print a little, carved or found not at all. */
    public enum Origin {
        CAST_WAX,
        PRINT,
        WORKED
    }

    /**
     * Times larger the pattern's own model has to be than the casting; empty when the alloy's shrinkage is not tabled.
     */
    public static Optional<Figure> scale(Origin origin, MoldKind mold, Alloy alloy, Factors factors) {
        if (!alloy.isTabled()) {
            return Optional.empty();
        }
        Constant pattern = origin == Origin.CAST_WAX ? WAX : origin == Origin.PRINT ? PRINT : NONE;
        double shrink = alloy.melting().shrink();
        Figure metal = Figure.of(new Constant(
                "s_alloy",
                "s_alloy",
                "shrinkage of " + alloy.label(),
                shrink,
                shrink * 0.8,
                shrink * 1.2,
                Measure.PERCENT,
                Mark.T,
                "handbook 2, alloys"));
        return Optional.of(Figure.computed("scale", "pattern scale", Measure.SCALE)
                .mark(Mark.T, "handbook 3, linear size")
                .by(SCALE, factors.of(pattern), factors.of(mold.growth), metal));
    }

    /** A measure of the pattern for a measure of the casting, mm. */
    public static Figure size(String name, Length target, Figure scale) {
        return Figure.computed("pattern_" + name, "pattern " + name, Measure.MILLIMETRE)
                .by(
                        SIZE,
                        Figure.given(
                                "target", name + " wanted", target.millimetres(), Measure.MILLIMETRE, Known.CHOSEN, 0),
                        scale.as("scale"));
    }

    /** What is under a coating that makes a pattern as large as wanted: its measure less the coating on both sides, mm. */
    public static Figure under(Figure pattern, Length coating, String name) {
        return Figure.computed("under_" + pattern.symbol(), pattern.name() + ", " + name, Measure.MILLIMETRE)
                .by(
                        UNDER,
                        pattern.as("size"),
                        Figure.given(
                                "coating",
                                "wax coating",
                                coating.millimetres(),
                                Measure.MILLIMETRE,
                                Known.MEASURED,
                                0));
    }

    /** What origin a material suggests. */
    public static Origin usual(PatternMaterial material) {
        return switch (material.family()) {
            case WAX -> Origin.CAST_WAX;
            case RESIN, FILAMENT -> Origin.PRINT;
            default -> Origin.WORKED;
        };
    }
}
