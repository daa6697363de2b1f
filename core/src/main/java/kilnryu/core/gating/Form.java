package kilnryu.core.gating;

import java.util.List;
import java.util.Optional;

/** The shape of a member, all measures in mm. */
public sealed interface Form {

    /** From the end at which it joins to its other end. */
    double length();

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
     */
    record Body(double length, double width, double thickness, Optional<Walls> walls, Optional<Core> core, Traps traps)
            implements Form {
        /** A piece without further high or low points. */
        public Body(double length, double width, double thickness, Optional<Walls> walls, Optional<Core> core) {
            this(length, width, thickness, walls, core, Traps.NONE);
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
