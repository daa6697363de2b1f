package kilnryu.core.flask;

import static kilnryu.core.quantity.Measure.CUBIC_CENTIMETRE;
import static kilnryu.core.quantity.Measure.DEGREE_CELSIUS;
import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.GRAM_PER_CM3;
import static kilnryu.core.quantity.Measure.MILLIMETRE;
import static kilnryu.core.quantity.Measure.MINUTE;
import static kilnryu.core.quantity.Measure.PERCENT;
import static kilnryu.core.quantity.Measure.PER_100;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Stream;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/** Plans the mix of one flask by handbook 4: volume to fill, powder, water, working time and mass. */
public final class FlaskPlanner {
    public static final Constant OVERFILL =
            new Constant("overfill", "overfill", "overfill", 4, 3, 5, PERCENT, Mark.T, "handbook 4").asChoice();
    public static final Constant WORKING_TIME_21 = new Constant(
            "working-time.21", "at_21", "working time at 21 °C", 9.5, 8.5, 10.5, MINUTE, Mark.M, "handbook 4");
    static final Constant WORKING_TIME_PER_K = new Constant(
            "working-time.rate",
            "rate",
            "working time, share lost for each K warmer",
            0.043,
            0.03,
            0.06,
            Measure.TIMES,
            Mark.M,
            "handbook 4");
    public static final Constant TREE_IN_MOLD = new Constant(
            "tree.mean-density",
            "tree_density",
            "density of a tree, mostly wax",
            0.95,
            0.90,
            1.15,
            GRAM_PER_CM3,
            Mark.T,
            "handbook 2, waxes");
    static final Constant STAND_SMALL = new Constant(
                    "stand.small", "stand", "stand before the kiln", 120, 60, 120, MINUTE, Mark.T, "handbook 4")
            .asChoice();
    static final Constant STAND_LARGE = new Constant(
                    "stand.large",
                    "stand",
                    "stand before the kiln, over 8 cm",
                    180,
                    120,
                    180,
                    MINUTE,
                    Mark.T,
                    "handbook 4")
            .asChoice();
    /** Water as it is usually taken, C. */
    public static final double USUAL_WATER_C = 21;

    private static final double LARGE_FROM_MM = 80;

    private static final Formula CYLINDER = Formula.of("pi / 4 * D^2 * (H + collar) / 1000");
    private static final Formula OVAL = Formula.of("pi / 4 * D * D2 * (H + collar) / 1000");
    private static final Formula FILL = Formula.of("(cylinder - tree - base) * (1 + overfill / 100)");
    private static final Formula POWDER = Formula.rule("fill / (100 / d + W) * 100");
    private static final Formula WATER = Formula.of("powder * W / 100");
    private static final Formula SLURRY = Formula.of("powder + water");
    private static final Formula WORKING = Formula.rule("at_21 * exp(rate * (21 - T)) * (W / usual)^0.7");
    private static final Formula FILLED = Formula.of("powder + water + tree_density * tree");

    private final Factors factors;

    public FlaskPlanner(Factors factors) {
        this.factors = factors;
    }

    public static List<Constant> constants() {
        return Stream.concat(
                        Stream.of(
                                OVERFILL, WORKING_TIME_21, WORKING_TIME_PER_K, TREE_IN_MOLD, STAND_SMALL, STAND_LARGE),
                        MixSchool.constants().stream())
                .toList();
    }

    /** @throws ImpossibleFlask when the tree leaves no room, or the system asks for a figure only a supplier knows */
    public FlaskPlan plan(Flask flask) {
        Figure tree = volume("tree", "volume of the tree", flask.treeVolume().cubicCentimetres());
        return plan(flask, tree);
    }

    /** The same with the tree's volume as a figure that brings its own sum. */
    public FlaskPlan plan(Flask flask, Figure tree) {
        Figure ratio = ratio(flask);
        Figure density = density(flask);
        Figure cylinder = cylinder(flask);
        Figure base = volume(
                "base",
                "dome or former inside",
                flask.baseVolume().map(v -> v.cubicCentimetres()).orElse(0.0));
        if (cylinder.value() - tree.value() - base.value() <= 0) {
            throw new ImpossibleFlask(
                    "tree_volume", "The tree and base are as large as the flask or larger: nothing is left to fill.");
        }
        Figure fill = Figure.computed("fill", "to fill", CUBIC_CENTIMETRE)
                .by(FILL, cylinder, tree.as("tree"), base, overfill(flask));
        Figure powder = Figure.computed("powder", "powder", GRAM).by(POWDER, fill, density, ratio);
        Figure water = Figure.computed("water", "water", GRAM).by(WATER, powder, ratio);
        Figure slurry = Figure.computed("slurry", "slurry", GRAM).by(SLURRY, powder, water);
        Figure working = workingTime(
                waterTemperature(flask),
                ratio,
                flask.system().waterPer100().map(factors::of).orElse(ratio),
                factors);
        Figure filled = Figure.computed("filled", "filled, without steel", GRAM)
                .by(FILLED, powder, water, factors.of(TREE_IN_MOLD), tree.as("tree"));
        Figure stand = factors.of(flask.innerDiameter().millimetres() > LARGE_FROM_MM ? STAND_LARGE : STAND_SMALL);
        Findings findings = MixChecks.check(flask, ratio, filled);
        return new FlaskPlan(
                flask, cylinder, fill, ratio, density, powder, water, slurry, working, filled, stand, findings);
    }

    /**
     * From powder meeting water to gloss-off, min: shorter in warm water, longer in cold and where there is more of it.
     *
     * @param water C
     * @param ratio parts of water to 100 of powder
     * @param usual ratio of the investment
     */
    public static Figure workingTime(Figure water, Figure ratio, Figure usual, Factors factors) {
        return Figure.computed("working_time", "working time", MINUTE)
                .mark(Mark.M, "handbook 4")
                .by(
                        WORKING,
                        factors.of(WORKING_TIME_21),
                        factors.of(WORKING_TIME_PER_K),
                        water.as("T"),
                        ratio.as("W"),
                        usual.as("usual"));
    }

    private Figure ratio(Flask flask) {
        if (flask.waterPer100().isPresent()) {
            return chosen("W", "water per 100 powder", flask.waterPer100(), PER_100);
        }
        return flask.system()
                .waterPer100()
                .map(factors::of)
                .orElseThrow(() -> new ImpossibleFlask(
                        "water_per_100", "The supplier's sheet gives the liquid for this system: type its ratio."));
    }

    private Figure density(Flask flask) {
        if (flask.powderDensity().isPresent()) {
            return chosen("d", "true density of the powder", flask.powderDensity(), GRAM_PER_CM3);
        }
        return flask.system()
                .density()
                .map(factors::of)
                .orElseThrow(() -> new ImpossibleFlask(
                        "powder_density", "An own recipe has no density of its own here: type that of the blend."));
    }

    private static Figure cylinder(Flask flask) {
        if (flask.otherDiameter().isPresent()) {
            return Figure.computed("cylinder", "inside of the oval flask and collar", CUBIC_CENTIMETRE)
                    .by(
                            OVAL,
                            length("D", "inner diameter, the long way", flask.innerDiameter()),
                            length("D2", "inner diameter, the short way", flask.across()),
                            length("H", "height", flask.height()),
                            length("collar", "collar", flask.collar().orElse(Length.millimetres(0))));
        }
        return Figure.computed("cylinder", "inside of flask and collar", CUBIC_CENTIMETRE)
                .by(
                        CYLINDER,
                        length("D", "inner diameter", flask.innerDiameter()),
                        length("H", "height", flask.height()),
                        length("collar", "collar", flask.collar().orElse(Length.millimetres(0))));
    }

    private Figure overfill(Flask flask) {
        return flask.overfillPercent().isPresent()
                ? chosen("overfill", "overfill", flask.overfillPercent(), PERCENT)
                : factors.of(OVERFILL);
    }

    private static Figure waterTemperature(Flask flask) {
        Optional<Double> typed = flask.water().map(Temperature::celsius);
        Known known = typed.isPresent() ? Known.MEASURED : Known.DEFAULT;
        return Figure.given("T", "water", typed.orElse(USUAL_WATER_C), DEGREE_CELSIUS, known, 0.5);
    }

    private static Figure chosen(String symbol, String name, OptionalDouble value, Measure unit) {
        return Figure.given(symbol, name, value.getAsDouble(), unit, Known.CHOSEN, 0);
    }

    private static Figure volume(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, CUBIC_CENTIMETRE, Known.MEASURED, 0);
    }

    private static Figure length(String symbol, String name, Length value) {
        return Figure.given(symbol, name, value.millimetres(), MILLIMETRE, Known.MEASURED, 0);
    }
}
