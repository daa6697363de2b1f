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
    private static final Constant STEPPED = minutes("stepped", "stepped hold to D 100", 120, 60, 180, Mark.T);
    private static final Constant HOT_DRAIN = minutes("hot-drain", "hold for plastics to run out", 90, 60, 180, Mark.T);
    private static final Constant CARBON = minutes("carbon", "hold to burn char with air", 60, 60, 120, Mark.T);
    private static final Constant SOAK_WAX = minutes("soak.wax", "core at heat, wax", 60, 60, 120, Mark.T);
    private static final Constant SOAK_CHAR =
            minutes("soak.char", "core at heat, resin and plastics", 150, 120, 180, Mark.T);
    private static final Constant LAG_100 = minutes("lag.100", "core behind the kiln at D 100", 60, 30, 90, Mark.M);
    private static final Constant SETTLE_100 =
            minutes("settle.100", "settling before the pour at D 100", 90, 60, 120, Mark.M);
    private static final Constant LATENT = exact("latent", "heat to evaporate water", 2.257, Measure.MEGAJOULE_PER_KG);
    private static final Constant K_DRY =
            model("k", "conductivity of dry investment", 0.45, 0.35, 0.55, Measure.WATT_PER_M_K);
    private static final Constant H_150 =
            model("h", "heat from kiln to mold at 150 °C, air and radiation", 23.9, 18, 30, Measure.WATT_PER_M2_K);

    private static final Formula FREE_WATER = Formula.of("(W - 0.186 * hemihydrate) / (100 / d + W)");
    private static final Formula ACROSS = Formula.of(
            "free_water * 1000 * latent * 1000000 / (to - 100) " + "* ((D / 2000)^2 / 4 / k + D / 2000 / 2 / h) / 60");
    private static final Formula ALONG = Formula.of(
            "free_water * 1000 * latent * 1000000 / (to - 100) " + "* ((H / 2000)^2 / 2 / k + H / 2000 / h) / 60");
    private static final Formula BOTH = Formula.of("across * along / (across + along)");
    private static final Formula BY_SIZE = Formula.of("base * max(1, (D / 100)^2)");
    private static final Formula SOAK = Formula.of("soak + lag * (D / 100)^2");
    private static final Formula SETTLE = Formula.of("max(45, settle * (D / 100)^2)");
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
                STEPPED,
                HOT_DRAIN,
                CARBON,
                SOAK_WAX,
                SOAK_CHAR,
                LAG_100,
                SETTLE_100,
                K_DRY,
                H_150);
    }

    Figure ramp() {
        double d = question.diameter();
        return factors.of(d <= 65 ? RAMP_65 : d <= 100 ? RAMP_100 : d <= 150 ? RAMP_150 : RAMP_OVER);
    }

    /** Through the cristobalite inversion at half the limit. */
    Figure slowRamp() {
        return Figure.computed("slow", "ramp through the inversion", KELVIN_PER_HOUR)
                .mark(Mark.M, "half the limit, 200 to 280 °C")
                .by(HALF, ramp());
    }

    /**
     * Minutes at 150 C until the drying front reaches the middle: quasi-steady front in a finite cylinder, heat led
     * through the dried rim, the radial and the axial front acting together. Good for the order of the time; it leaves
     * out heating up and combined water.
     */
    Figure dryOut() {
        Figure free = Figure.computed("free_water", "free water in the set mold", Measure.GRAM_PER_CM3)
                .mark(Mark.M, "handbook 8")
                .by(
                        FREE_WATER,
                        question.flask().waterPer100(),
                        question.flask().powderDensity(),
                        given(
                                "hemihydrate",
                                "hemihydrate in the powder",
                                question.flask().flask().system().hemihydratePercent(),
                                Measure.PERCENT));
        Figure to = given("to", "hold temperature", ProgramGenerator.DRY_C, Measure.DEGREE_CELSIUS);
        Figure latent = factors.of(LATENT);
        Figure k = factors.of(K_DRY);
        Figure h = factors.of(H_150);
        Figure across = Figure.computed("across", "drying from the side alone", MINUTE)
                .mark(Mark.M, "quasi-steady drying front")
                .by(ACROSS, free, latent, to, diameter(), k, h);
        Figure height = given("H", "height", question.flask().flask().height().millimetres(), MILLIMETRE);
        Figure along = Figure.computed("along", "drying from the ends alone", MINUTE)
                .mark(Mark.M, "quasi-steady drying front")
                .by(ALONG, free, latent, to, height, k, h);
        return Figure.computed("dry_hold", "dry-out hold", MINUTE)
                .mark(Mark.M, "quasi-steady drying front; the heat simulation will replace it")
                .by(BOTH, across, along);
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

    Figure soak() {
        Constant asked = question.anyChar() ? SOAK_CHAR : SOAK_WAX;
        return Figure.computed("soak_hold", "burnout hold", MINUTE)
                .mark(Mark.M, "time at the core plus its lag, by size")
                .by(SOAK, factors.of(asked).as("soak"), factors.of(LAG_100).as("lag"), diameter());
    }

    Figure settle() {
        return Figure.computed("settle_hold", "hold before the pour", MINUTE)
                .mark(Mark.M, "for the core to come within 15 K, by size")
                .by(SETTLE, factors.of(SETTLE_100).as("settle"), diameter());
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

    private static Constant model(String symbol, String name, double value, double low, double high, Measure unit) {
        return new Constant("drying." + symbol, symbol, name, value, low, high, unit, Mark.M, "handbook 8");
    }

    private static Constant exact(String symbol, String name, double value, Measure unit) {
        return Constant.exact("drying." + symbol, symbol, name, value, unit, "handbook 8");
    }
}
