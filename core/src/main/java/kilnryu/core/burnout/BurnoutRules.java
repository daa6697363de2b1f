package kilnryu.core.burnout;

import static kilnryu.core.quantity.Measure.KELVIN_PER_HOUR;
import static kilnryu.core.quantity.Measure.MILLIMETRE;
import static kilnryu.core.quantity.Measure.MINUTE;

import java.util.List;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/** The constants and single holds of handbook 7, each a figure with its sum. */
final class BurnoutRules {
    private static final String RAMPS = "handbook 7, ramp limits";
    private static final Constant RAMP_65 = ramp("65", "fastest ramp, D to 65", 300);
    private static final Constant RAMP_100 = ramp("100", "fastest ramp, D to 100", 200);
    private static final Constant RAMP_150 = ramp("150", "fastest ramp, D to 150", 120);
    private static final Constant RAMP_OVER = ramp("over", "fastest ramp, D over 150", 60);
    private static final Constant RAMP_BLOCK = ramp("block", "fastest ramp, block", 30);
    private static final Constant RAMP_HEAVY = ramp("heavy", "fastest ramp, block over 50 kg", 18);
    private static final double HEAVY_KG = 50;
    private static final Constant LOW_HOLD = minutes("low", "low hold for an unknown material", 120, 60, 240, Mark.T);
    private static final Constant LONG_CARBON = minutes("carbon.long", "long air hold", 180, 120, 300, Mark.T);
    private static final Constant SETTLE_LEAST =
            minutes("settle.least", "hold before the pour at the least", 30, 20, 60, Mark.T);
    private static final Constant DRAIN_LEAST = minutes("drain.least", "wax runs out in", 60, 30, 120, Mark.T);
    private static final Constant BLOCK_DRY =
            minutes("block.dry", "block, hold at 250 °C at the least", 240, 120, 1440, Mark.T);
    private static final Constant HOT_DRAIN = minutes("hot-drain", "hold for plastics to run out", 90, 60, 180, Mark.T);
    private static final Constant CARBON = minutes("carbon", "hold to burn char with air", 60, 60, 120, Mark.T);
    private static final Constant SOAK_WAX = minutes("soak.wax", "core at heat, wax", 60, 60, 120, Mark.T);
    private static final Constant SOAK_CHAR =
            minutes("soak.char", "core at heat, resin and plastics", 150, 120, 180, Mark.T);

    /** The everyday programs: minutes of each level with the way to it, by the class of the largest flask. */
    private static final String[] CLASSES = {"65", "80", "100", "150"};

    private static final double[] CLASS_MM = {65, 80, 100, 150};
    private static final double[][] LEVEL_MIN = {
        {60, 60, 60, 90, 45}, {120, 90, 60, 120, 60}, {120, 120, 120, 210, 105}, {240, 240, 180, 300, 150}
    };
    private static final Constant[][] LEVELS = levelConstants();

    private static final Formula LEFT = Formula.of("max(0, level - (high - low) / ramp * 60)");
    private static final Formula LEFT_OF_HALF = Formula.of("max(0, level / 2 - (high - low) / ramp * 60)");
    private static final Formula LARGER = Formula.rule("usual * max(1, D / 150)^2");
    private static final Formula LONGER = Formula.of("usual * 1.3");
    private static final Formula BY_SIZE = Formula.rule("base * max(1, (D / 100)^2)");
    private static final Formula HALF = Formula.of("ramp / 2");

    private final BurnoutQuestion question;
    private final Factors factors;

    BurnoutRules(BurnoutQuestion question, Factors factors) {
        this.question = question;
        this.factors = factors;
    }

    /** A level of the everyday programs. */
    enum Level {
        DRAIN("150 °C"),
        STEPPED("370 °C"),
        CARBON("480 °C"),
        TOP("the top"),
        POUR("the pour");

        private final String at;

        Level(String at) {
            this.at = at;
        }
    }

    private static Constant[][] levelConstants() {
        Constant[][] all = new Constant[CLASSES.length][Level.values().length];
        for (int c = 0; c < CLASSES.length; c++) {
            for (Level l : Level.values()) {
                double minutes = LEVEL_MIN[c][l.ordinal()];
                all[c][l.ordinal()] = new Constant(
                                "level." + CLASSES[c] + "." + l.name().toLowerCase(java.util.Locale.ROOT),
                                "usual",
                                "level at " + l.at + " with the way to it, flask to " + CLASSES[c] + " mm",
                                minutes,
                                minutes / 2,
                                minutes * 2,
                                MINUTE,
                                Mark.T,
                                "handbook 7, everyday programs")
                        .asChoice();
            }
        }
        return all;
    }

    static List<Constant> constants() {
        List<Constant> all = new java.util.ArrayList<>(single());
        for (Constant[] size : LEVELS) {
            all.addAll(List.of(size));
        }
        return List.copyOf(all);
    }

    private static List<Constant> single() {
        return List.of(
                RAMP_65,
                RAMP_100,
                RAMP_150,
                RAMP_OVER,
                RAMP_BLOCK,
                RAMP_HEAVY,
                DRAIN_LEAST,
                LOW_HOLD,
                LONG_CARBON,
                SETTLE_LEAST,
                BLOCK_DRY,
                HOT_DRAIN,
                CARBON,
                SOAK_WAX,
                SOAK_CHAR);
    }

    /** Minutes the middle of a mold has to be at heat, by what its patterns leave. */
    static double soakOf(Subject subject, Factors factors) {
        return factors.value(subject.anyChar() ? SOAK_CHAR : SOAK_WAX);
    }

    Figure ramp() {
        Subject widest = question.widest();
        if (question.school().does(BurnoutSchool.Habit.SLOW) || widest.block()) {
            return factors.of(widest.kilograms() > HEAVY_KG ? RAMP_HEAVY : RAMP_BLOCK);
        }
        return factors.of(rampConstant(false, widest.diameter(), widest.kilograms()));
    }

    /**
     * What is left of a level for its hold: the everyday programs count the way there. Resin, plastics and plants take the next
     * larger class; over the last one by the square of the diameter.
     */
    Figure leftOf(Level level, double from, double to, double rate) {
        return leftOf(LEFT, level, from, to, rate);
    }

    /** The same of half a level, where a drain stands in the other half. */
    Figure halfOf(Level level, double from, double to, double rate) {
        return leftOf(LEFT_OF_HALF, level, from, to, rate);
    }

    private Figure leftOf(Formula left, Level level, double from, double to, double rate) {
        double d = question.diameter();
        int size = 0;
        while (size < CLASS_MM.length - 1 && d > CLASS_MM[size]) {
            size++;
        }
        boolean longer = question.anyChar() || question.school().does(BurnoutSchool.Habit.HOT_DRAIN);
        Figure usual = factors.of(LEVELS[Math.min(size + (longer ? 1 : 0), CLASS_MM.length - 1)][level.ordinal()]);
        Figure minutes = Figure.computed("level", usual.name(), MINUTE)
                .mark(Mark.T, "handbook 7, everyday programs")
                .by(LARGER, usual, diameter());
        if (longer && size == CLASS_MM.length - 1) {
            minutes = Figure.computed("level", "a class longer: resin, plastic or plants", MINUTE)
                    .mark(Mark.T, "handbook 7, everyday programs")
                    .by(LONGER, minutes.as("usual"));
        }
        return Figure.computed("level_hold", "what the way there leaves of it", MINUTE)
                .mark(Mark.T, "handbook 7, everyday programs")
                .by(
                        left,
                        minutes,
                        given("high", "higher", Math.max(from, to), Measure.DEGREE_CELSIUS),
                        given("low", "lower", Math.min(from, to), Measure.DEGREE_CELSIUS),
                        given("ramp", "rate", rate, KELVIN_PER_HOUR));
    }

    /** Fastest ramp of one mold, K/h (handbook 7). */
    static double rampOf(Subject mold, Factors factors) {
        return factors.value(rampConstant(mold.block(), mold.diameter(), mold.kilograms()));
    }

    static Constant rampConstant(boolean block, double d, double kilograms) {
        if (block) {
            return kilograms > HEAVY_KG ? RAMP_HEAVY : RAMP_BLOCK;
        }
        return d <= 65 ? RAMP_65 : d <= 100 ? RAMP_100 : d <= 150 ? RAMP_150 : RAMP_OVER;
    }

    /** Through the cristobalite inversion at half the limit. */
    Figure slowRamp() {
        return Figure.computed("slow", "ramp through the inversion", KELVIN_PER_HOUR)
                .mark(Mark.M, "half the limit, 200 to 280 °C")
                .by(HALF, ramp());
    }

    /** Wax runs out in it; the water decides the rest. */
    Figure drainLeast() {
        return factors.of(DRAIN_LEAST);
    }

    Figure blockDry() {
        return factors.of(BLOCK_DRY);
    }

    Figure lowHold() {
        return factors.of(LOW_HOLD);
    }

    Figure longCarbon() {
        return factors.of(LONG_CARBON);
    }

    Figure hotDrain() {
        return Figure.computed("drain_hold", "drain hold", MINUTE)
                .mark(Mark.T, "handbook 7, scaled by size")
                .by(BY_SIZE, factors.of(HOT_DRAIN).as("base"), diameter());
    }

    Figure carbon() {
        return Figure.computed("carbon_hold", "carbon hold", MINUTE)
                .mark(Mark.T, "handbook 7, scaled by size")
                .by(BY_SIZE, factors.of(CARBON).as("base"), diameter());
    }

    /** Time at heat of the slowest pattern; the simulation adds until the middle is there. */
    Figure soak() {
        return factors.of(question.anyChar() ? SOAK_CHAR : SOAK_WAX);
    }

    Figure settle() {
        return factors.of(SETTLE_LEAST);
    }

    private Figure diameter() {
        return given("D", "inner diameter", question.diameter(), MILLIMETRE);
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.CHOSEN, 0);
    }

    private static Constant ramp(String key, String name, double value) {
        return new Constant("ramp." + key, "ramp", name, value, value / 3, value, KELVIN_PER_HOUR, Mark.T, RAMPS);
    }

    private static Constant minutes(String key, String name, double value, double low, double high, Mark mark) {
        return new Constant("hold." + key, "hold", name, value, low, high, MINUTE, mark, "handbook 7");
    }
}
