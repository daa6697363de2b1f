package kilnryu.core.shell;

import static kilnryu.core.quantity.Measure.KILOPASCAL;
import static kilnryu.core.quantity.Measure.MEGAPASCAL;
import static kilnryu.core.quantity.Measure.MILLIMETRE;

import java.util.Comparator;
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
 * Whether a fired shell bears the metal (handbook 6): membrane stress at the place where it is worst.
 *
 * @param worst the place that rules
 * @param pressure there, kPa
 * @param stress there, MPa
 * @param allowed MPa
 * @param mostHead that the planned shell bears at that place, mm
 * @param mostMass of metal of the same shape that it bears, g; empty without a mass
 * @param bedded whether it stands in a full bed of sand, which bears it from outside
 */
public record Strength(
        Place worst,
        Figure pressure,
        Figure stress,
        Figure allowed,
        Figure mostHead,
        Optional<Figure> mostMass,
        boolean bedded) {
    private static final Constant FIRED = new Constant(
            "shell.strength",
            "fired",
            "strength of a fired shell",
            5,
            3,
            8,
            MEGAPASCAL,
            Mark.T,
            "handbook 6, strength");
    private static final Constant WIRE = new Constant(
            "shell.wire.gain", "wire", "what wire adds to it", 1.5, 1.2, 2, Measure.SCALE, Mark.M, "our own estimate");
    private static final Formula PRESSURE = Formula.rule("0.90 * alloy_density * 9.81 * h / 1000");
    private static final Formula CYLINDER = Formula.of("p * r / t / 1000");
    private static final Formula SPHERE = Formula.of("p * r / (2 * t) / 1000");
    private static final Formula FLAT = Formula.of("0.5 * p * (b / t)^2 / 1000");
    private static final Formula ALLOWED = Formula.of("fired / 3");
    private static final Formula ALLOWED_WIRED = Formula.of("fired / 3 * wire");
    private static final Formula HEAD = Formula.of("h * allowed / stress");
    private static final Formula MASS = Formula.of("metal * (allowed / stress)^1.5");

    /** How a shell is curved at a place. */
    public enum Curve {
        CYLINDER,
        SPHERE,
        FLAT
    }

    /**
     * A place of the shell.
     *
     * @param depth under the rim of the cup as it is poured, mm
     * @param size radius of the wax there, of a flat face its span, mm
     */
    public record Place(String name, double depth, double size, Curve curve) {}

    /** What bears on it: the alloy's density g/cm3, the metal g, and how the shell is held. */
    public record Held(Figure density, Optional<Figure> metal, boolean wire, boolean bed) {}

    public static List<Constant> constants() {
        return List.of(FIRED, WIRE);
    }

    /**
     * The worst of some places.
     *
     * @param places at least one, each with a depth and a size over 0
     * @param thickness of the shell, mm
     */
    public static Strength of(List<Place> places, Figure thickness, Held held, Factors factors) {
        Place worst = places.stream()
                .max(Comparator.comparingDouble(
                        p -> stress(p, pressure(p, held.density), thickness).value()))
                .orElseThrow();
        Figure pressure = pressure(worst, held.density);
        Figure stress = stress(worst, pressure, thickness);
        Figure allowed = allowed(held.wire, factors);
        Figure head = Figure.given("h", "depth of " + worst.name, worst.depth, MILLIMETRE, Known.COMPUTED, 0);
        return new Strength(
                worst,
                pressure,
                stress,
                allowed,
                Figure.computed("most_head", "largest head it bears", MILLIMETRE)
                        .by(HEAD, head, allowed, stress),
                held.metal.map(m -> Figure.computed("most_mass", "largest mass of this shape it bears", Measure.GRAM)
                        .mark(Mark.M, "head and radius grow together")
                        .by(MASS, m.as("metal"), allowed, stress)),
                held.bed);
    }

    /** kPa at a place. */
    static Figure pressure(Place place, Figure density) {
        return Figure.computed("p", "pressure of the metal", KILOPASCAL)
                .mark(Mark.P, "liquid about 0.90 of the solid's density")
                .by(
                        PRESSURE,
                        density.as("alloy_density"),
                        Figure.given("h", "depth of " + place.name, place.depth, MILLIMETRE, Known.COMPUTED, 0));
    }

    private static Figure stress(Place place, Figure pressure, Figure thickness) {
        Formula formula = switch (place.curve) {
            case CYLINDER -> CYLINDER;
            case SPHERE -> SPHERE;
            case FLAT -> FLAT;
        };
        boolean flat = place.curve == Curve.FLAT;
        return Figure.computed("stress", "stress in the shell, " + place.name, MEGAPASCAL)
                .mark(Mark.P, "handbook 6, strength")
                .by(
                        formula,
                        pressure,
                        Figure.given(
                                flat ? "b" : "r", flat ? "span" : "radius", place.size, MILLIMETRE, Known.COMPUTED, 0),
                        thickness.as("t"));
    }

    static Figure allowed(boolean wire, Factors factors) {
        Figure.Computation allowed = Figure.computed("allowed", "stress allowed", MEGAPASCAL)
                .mark(wire ? Mark.M : Mark.T, "a third of the strength");
        return wire
                ? allowed.by(ALLOWED_WIRED, factors.of(FIRED), factors.of(WIRE))
                : allowed.by(ALLOWED, factors.of(FIRED));
    }

    /** Allowed over what is there: 1 is just enough. */
    public double margin() {
        return allowed.value() / stress.value();
    }

    public boolean bears() {
        return stress.value() <= allowed.value();
    }

    /** Thinnest shell that bears a place free-standing, mm. */
    static double thinnest(Place place, Figure density, boolean wire, Factors factors) {
        double p = pressure(place, density).value() / 1000;
        double allowed = allowed(wire, factors).value();
        return switch (place.curve) {
            case CYLINDER -> p * place.size / allowed;
            case SPHERE -> p * place.size / (2 * allowed);
            case FLAT -> place.size * Math.sqrt(0.5 * p / allowed);
        };
    }
}
