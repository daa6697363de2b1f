package kilnryu.core.block;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/**
 * A block to be built round a tree; lengths in mm.
 *
 * @param width of the tree with its gating
 * @param depth of the tree
 * @param height of the tree from the cup's rim to its far end
 * @param tree volume of wax, cm3
 * @param area outside of the pattern that the face coat covers, cm2
 * @param metal to be poured into it, g; empty when the alloy is not said
 * @param wall empty for the rule
 * @param face thickness of the face coat, empty for the usual
 * @param core of a hollow casting
 * @param fine mix of face coat and core
 * @param backup mix of the rest
 * @param roomC temperature of the room where it cures
 * @param humidity of the room, %
 * @param carried what is lifted here at most, kg
 * @param row how many of this tree stand side by side in the block
 */
public record BlockQuestion(
        Shape shape,
        double width,
        double depth,
        double height,
        Figure tree,
        Figure area,
        Optional<Figure> metal,
        OptionalDouble wall,
        OptionalDouble face,
        Optional<Core> core,
        Mix fine,
        Mix backup,
        double roomC,
        double humidity,
        OptionalDouble carried,
        Row row) {

    /** How the block is shaped outside. */
    public enum Shape {
        CYLINDER("cylinder", "cylinder"),
        BOX("box", "box"),
        WRAP("wrap", "close wrap");

        private final String key;
        private final String label;

        Shape(String key, String label) {
            this.key = key;
            this.label = label;
        }

        public static Optional<Shape> named(String key) {
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
     * Cavities side by side across the width, each with a cup of its own.
     *
     * @param cavities at least 1
     * @param between wall between two of them, mm; empty for the rule
     */
    public record Row(int cavities, OptionalDouble between) {
        public static final Row ONE = new Row(1, OptionalDouble.empty());
    }

    double largest() {
        return Math.max(height, Math.max(width, depth));
    }

    /** The same trees taken together as one that fills the whole row. */
    BlockQuestion together(Figure between) {
        int n = row.cavities;
        if (n == 1) {
            return this;
        }
        return new BlockQuestion(
                shape,
                n * width + (n - 1) * between.value(),
                depth,
                height,
                times(tree, "tree", n),
                times(area, "area", n),
                metal.map(m -> times(m, "metal", n)),
                wall,
                face,
                core.map(c -> new Core(c.length, c.diameter, c.volume * n, c.pins)),
                fine,
                backup,
                roomC,
                humidity,
                carried,
                row);
    }

    private static Figure times(Figure one, String symbol, int n) {
        return Figure.computed(symbol, one.name() + ", " + n + " of them", one.unit())
                .by(
                        Formula.of("n * one"),
                        Figure.given("n", "cavities", n, Measure.TIMES, Known.CHOSEN, 0),
                        one.as("one"));
    }

    /**
     * The investment inside a hollow casting.
     *
     * @param volume cm3
     * @param pins chaplets or pins that hold it, empty when not planned yet
     */
    public record Core(double length, double diameter, double volume, OptionalInt pins) {}

    /**
     * A mix of powder and water.
     *
     * @param density true density of the powder, g/cm3
     * @param water parts to 100 of powder by mass
     * @param hemihydrate share of the powder, %
     * @param smallOnly a hobby mix of which large pieces fail
     * @param against what stands against it whatever it is used for: its make-up, trials that failed
     */
    public record Mix(
            String name, Figure density, Figure water, double hemihydrate, boolean smallOnly, Findings against) {
        /** A mix of which nothing more is known. */
        public Mix(String name, Figure density, Figure water, double hemihydrate, boolean smallOnly) {
            this(name, density, water, hemihydrate, smallOnly, Findings.NONE);
        }
    }
}
