package kilnryu.core.shell;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * How long a coat dries (handbook 6): its water over the constant-rate flux of an open wet face, half as much again for
 * the falling tail, longer with every coat beneath and in hollows.
 */
public final class Drying {
    static final double LATENT_J = 2.45e6;

    /** Falls slower than it began: what the dip log of a studio calibrates. */
    public static final Constant TAIL = model("tail", "tail", "falling-rate tail", 1.5, 1.3, 1.8);

    private static final Constant PER_COAT =
            model("per-coat", "per_coat", "longer for each coat beneath", 0.15, 0.08, 0.25);
    private static final Constant SOLIDS = new Constant(
            "shell.solids", "solids", "solids of the slurry", 68, 62, 76, Measure.PERCENT, Mark.T, "handbook 6");
    /** Primes may not wait longer, h (handbook 6). */
    public static final Constant PRIME_LATEST = new Constant(
                    "shell.prime.latest",
                    "latest",
                    "longest wait after a prime",
                    48,
                    24,
                    72,
                    Measure.HOUR,
                    Mark.M,
                    "handbook 6, drying")
            .asChoice();
    /** Final dry, at the least, h (handbook 6). */
    public static final Constant FINAL = new Constant(
                    "shell.final", "least", "final dry, at the least", 24, 24, 72, Measure.HOUR, Mark.M, "handbook 6")
            .asChoice();

    private static final Formula WATER = Formula.of("pickup * (1 - solids / 100)");
    private static final Formula HOURS =
            Formula.rule("tail * water * 2450000 / (transfer * (T - wet_bulb)) / 3600 * (1 + per_coat * n) * g");
    private static final Formula DOSE = Formula.of("tail * water * (1 + per_coat * n) * g");
    private static final Formula LAST = Formula.of("max(least, 3 * last)");

    private Drying() {}

    private static Constant model(String key, String symbol, String name, double value, double low, double high) {
        return new Constant(
                "shell.drying." + key,
                symbol,
                name,
                value,
                low,
                high,
                Measure.FRACTION,
                Mark.M,
                "handbook 6, drying; calibrate by the dip log");
    }

    /** How freely air reaches the wettest place. */
    public enum Openness {
        OPEN("open", "open all round", 1),
        POCKETS("pockets", "pockets and folds", 2),
        BLIND("blind", "a deep blind hollow", 3);

        private final String key;
        private final String label;
        private final double factor;

        Openness(String key, String label, double factor) {
            this.key = key;
            this.label = label;
            this.factor = factor;
        }

        public static Optional<Openness> named(String key) {
            return Arrays.stream(values()).filter(o -> o.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }

        /** A window or an open end lets air into a blind hollow. */
        public Openness windowed() {
            return this == BLIND ? POCKETS : this;
        }

        Figure figure() {
            return Figure.given("g", label, factor, Measure.TIMES, Known.CHOSEN, 0);
        }
    }

    /**
     * A coat to be dried.
     *
     * @param on coats already beneath it
     */
    public record Wet(Coat coat, int on, Openness openness, Figure solids) {}

    public static List<Constant> constants() {
        return List.of(TAIL, PER_COAT, SOLIDS, PRIME_LATEST, FINAL);
    }

    /** Solids of the slurry, % by mass. */
    public static Figure solids(Factors factors) {
        return factors.of(SOLIDS);
    }

    /** Water of a coat, kg/m2. */
    static Figure water(Wet wet, Factors factors) {
        return Figure.computed("water", "water of the coat", Measure.KG_PER_M2)
                .by(WATER, factors.of(wet.coat.slurry()), wet.solids.as("solids"));
    }

    /** Hours until it is dry; empty in air that takes up no water. */
    public static Optional<Figure> hours(Wet wet, Air air, Factors factors) {
        if (air.flux() == 0) {
            return Optional.empty();
        }
        return Optional.of(Figure.computed("drying", "drying, " + wet.coat.label(), Measure.HOUR)
                .mark(Mark.M, "handbook 6, drying")
                .by(
                        HOURS,
                        factors.of(TAIL),
                        water(wet, factors),
                        air.transfer(),
                        Figure.given("T", "air", air.celsius(), Measure.DEGREE_CELSIUS, Known.MEASURED, 0),
                        air.wetBulb(),
                        factors.of(PER_COAT),
                        coatsOn(wet),
                        wet.openness.figure()));
    }

    /**
     * What a coat asks of the air, kg/m2: it is dry when the flux of {@link Air#flux()} summed over its hours comes to
     * this. In steady air that is the time of {@link #hours}.
     */
    public static double dose(Wet wet, Factors factors) {
        return Figure.computed("dose", "water to be carried off", Measure.KG_PER_M2)
                .mark(Mark.M, "handbook 6, drying")
                .by(
                        DOSE,
                        factors.of(TAIL),
                        water(wet, factors),
                        factors.of(PER_COAT),
                        coatsOn(wet),
                        wet.openness.figure())
                .value();
    }

    private static Figure coatsOn(Wet wet) {
        return Figure.given("n", "coats beneath", wet.on, Measure.TIMES, Known.COMPUTED, 0);
    }

    /** Hours between the last coat and fire. */
    public static Figure finalDry(Figure last, Factors factors) {
        return Figure.computed("final_dry", "final dry before fire", Measure.HOUR)
                .mark(Mark.M, "handbook 6, drying")
                .by(LAST, factors.of(FINAL), last.as("last"));
    }
}
