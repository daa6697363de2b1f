package kilnryu.core.gating;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.mesh.Profile;

/** The shape of a member, all measures in mm. */
public sealed interface Form {

    /** From the end at which it joins to its other end. */
    double length();

    /** Face, mm2, without its ends: a body's own or that of the ellipsoid of its measures (K. Thomsen, good to 1.1 %). */
    default double surface() {
        if (this instanceof Round r) {
            return Math.PI * (r.root + r.tip) / 2 * r.length;
        }
        if (this instanceof Bar b) {
            return 2 * (b.width + b.thickness) * b.length;
        }
        Body b = (Body) this;
        if (b.area.isPresent()) {
            return b.area.getAsDouble() * 100;
        }
        double p = 1.6075;
        double x = Math.pow(b.length / 2, p);
        double y = Math.pow(b.width / 2, p);
        double z = Math.pow(b.thickness / 2, p);
        return 4 * Math.PI * Math.pow((x * y + x * z + y * z) / 3, 1 / p);
    }

    /** A rod, straight or tapered; diameters where it joins and at its other end. */
    record Round(double root, double tip, double length) implements Form {}

    /** A bar of rectangular section. */
    record Bar(double width, double thickness, double length) implements Form {}

    /**
     * A piece, or anything of free shape: its length away from the joint, width and thickness across.
     *
     * @param walls empty when nothing is known of them
     * @param core empty for a piece without one
     * @param traps further high and low points, as a mesh or the caster's eye finds them
     * @param area of its face, cm2, as its mesh has it; empty where only its measures are known
     * @param profile its shadow, for drawing it; empty where it has no mesh
     */
    record Body(
            double length,
            double width,
            double thickness,
            Optional<Walls> walls,
            Optional<Core> core,
            Traps traps,
            OptionalDouble area,
            Optional<Profile> profile)
            implements Form {
        /** One without a mesh. */
        public Body(
                double length,
                double width,
                double thickness,
                Optional<Walls> walls,
                Optional<Core> core,
                Traps traps,
                OptionalDouble area) {
            this(length, width, thickness, walls, core, traps, area, Optional.empty());
        }

        /** One whose face nobody measured. */
        public Body(
                double length,
                double width,
                double thickness,
                Optional<Walls> walls,
                Optional<Core> core,
                Traps traps) {
            this(length, width, thickness, walls, core, traps, OptionalDouble.empty());
        }

        /** A piece without further high or low points. */
        public Body(double length, double width, double thickness, Optional<Walls> walls, Optional<Core> core) {
            this(length, width, thickness, walls, core, Traps.NONE);
        }

        /** The thinner of its outer measures across, mm. */
        double across() {
            return Math.min(width, thickness);
        }
    }

    /**
     * Points of a piece, as it hangs, beside its very top and bottom.
     *
     * @param highs where rising metal shuts gas in
     * @param lows where pattern material stays when it is drained
     */
    record Traps(int highs, int lows) {
        public static final Traps NONE = new Traps(0, 0);
    }

    /**
     * Walls of a piece.
     *
     * @param thinnest mm
     * @param thickest mm
     * @param like what the thickest place is most like, which decides how fast it freezes
     * @param inOrder thicknesses met on the way from the gate, empty when not said
     */
    record Walls(double thinnest, double thickest, Likeness like, List<Double> inOrder) {
        public Walls {
            inOrder = List.copyOf(inOrder);
        }
    }

    /** What a thick place is like; its modulus is thickness over the divisor. */
    enum Likeness {
        PLATE("plate", "a plate", 2),
        BAR("bar", "a bar", 4),
        BALL("ball", "a ball", 6);

        private final String key;
        private final String label;
        private final int divisor;

        Likeness(String key, String label, int divisor) {
            this.key = key;
            this.label = label;
            this.divisor = divisor;
        }

        /** An endless plate has to be so many times as wide as thick. */
        private static final double WIDE = 5;

        private static final double BAR_LONG = 3;

        /** By its measures: a plate only where it is five times as wide as thick both ways, a bar three times as long. */
        public static Likeness of(double thick, double length, double width, double thickness) {
            double[] sides = {length, width, thickness};
            java.util.Arrays.sort(sides);
            if (sides[1] >= WIDE * thick) {
                return Likeness.PLATE;
            }
            return sides[2] >= BAR_LONG * thick ? BAR : BALL;
        }

        public static Optional<Likeness> named(String key) {
            return List.of(values()).stream().filter(l -> l.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }

        int divisor() {
            return divisor;
        }
    }

    /** A core inside a piece: mm, and how many pins or chaplets hold it, on how many levels. */
    record Core(double length, double diameter, int pins, int levels) {}
}
