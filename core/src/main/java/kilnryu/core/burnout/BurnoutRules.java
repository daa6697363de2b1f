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
    private static final Constant RAMP_65 = ramp("65", "fastest ramp, D to 65", 200);
    private static final Constant RAMP_100 = ramp("100", "fastest ramp, D to 100", 150);
    private static final Constant RAMP_150 = ramp("150", "fastest ramp, D to 150", 100);
    private static final Constant RAMP_OVER = ramp("over", "fastest ramp, D over 150", 60);
    private static final Constant RAMP_BLOCK = ramp("block", "fastest ramp, block", 30);
    private static final Constant RAMP_HEAVY = ramp("heavy", "fastest ramp, block over 50 kg", 18);
    private static final double HEAVY_KG = 50;
    private static final Constant LOW_HOLD = minutes("low", "low hold for an unknown material", 120, 60, 240, Mark.T);
    private static final Constant LONG_CARBON = minutes("carbon.long", "long air hold", 180, 120, 300, Mark.T);
    private static final Constant SETTLE_LEAST =
            minutes("settle.least", "hold before the pour at the least", 30, 20, 60, Mark.T);
    private static final Constant DRAIN_LEAST = minutes("drain.least", "wax runs out in", 60, 30, 120, Mark.T);
    private static final Constant STEPPED = minutes("stepped", "stepped hold to D 100", 120, 60, 180, Mark.T);
    private static final Constant HOT_DRAIN = minutes("hot-drain", "hold for plastics to run out", 90, 60, 180, Mark.T);
    private static final Constant CARBON = minutes("carbon", "hold to burn char with air", 60, 60, 120, Mark.T);
    private static final Constant SOAK_WAX = minutes("soak.wax", "core at heat, wax", 60, 60, 120, Mark.T);
    private static final Constant SOAK_CHAR =
            minutes("soak.char", "core at heat, resin and plastics", 150, 120, 180, Mark.T);

    private static final Formula BY_SIZE = Formula.of("base * max(1, (D / 100)^2)");
    private static final Formula HALF = Formula.of("ramp / 2");

    private final BurnoutQuestion question;
    private final Factors factors;

    BurnoutRules(BurnoutQuestion question, Factors factors) {
        this.question = question;
        this.factors = factors;
    }

    static List<Constant> constants() {
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
                STEPPED,
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
        double d = question.diameter();
        return factors.of(d <= 65 ? RAMP_65 : d <= 100 ? RAMP_100 : d <= 150 ? RAMP_150 : RAMP_OVER);
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

    Figure lowHold() {
        return factors.of(LOW_HOLD);
    }

    Figure longCarbon() {
        return factors.of(LONG_CARBON);
    }

    /** A hold of the stepped schools, longer with the square of the diameter over 100 mm. */
    Figure stepped() {
        return Figure.computed("step_hold", "stepped hold", MINUTE)
                .mark(Mark.T, "handbook 7, scaled by size")
                .by(BY_SIZE, factors.of(STEPPED).as("base"), diameter());
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
