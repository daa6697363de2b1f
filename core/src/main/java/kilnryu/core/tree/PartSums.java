package kilnryu.core.tree;

import static kilnryu.core.quantity.Measure.CUBIC_CENTIMETRE;
import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.MILLIMETRE;
import static kilnryu.core.quantity.Measure.PERCENT;
import static kilnryu.core.quantity.Measure.SQUARE_CENTIMETRE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/** The sums of one part: its volume in cm3 and pattern mass in g, both with its count (handbook 3, exact). */
record PartSums(Part part, Figure oneVolume, Figure volume, Figure mass) {
    /** Water at room temperature, g/cm3. */
    static final Constant WATER = Constant.exact(
            "water.density",
            "water_density",
            "density of water at room temperature",
            0.998,
            Measure.GRAM_PER_CM3,
            "physics");

    private static final Formula BY_MASS = Formula.of("mass / density");
    private static final Formula BY_TARED_MASS = Formula.of("(mass - tare) / density");
    private static final Formula TARED = Formula.of("(mass - tare) * count");
    private static final Formula BY_WATER = Formula.of("water / water_density");
    private static final Formula ROD = Formula.of("pi / 4 * diameter^2 * length / 1000");
    private static final Formula BAR = Formula.of("width * thickness * length / 1000");
    private static final Formula CONE = Formula.of("pi * length * (top^2 + top * bottom + bottom^2) / 12 / 1000");
    private static final Formula INFILLED =
            Formula.of("area * wall / 10 + (mass / density - area * wall / 10) / (infill / 100)");
    private static final Formula SKIN = Formula.of("skin_area * skin / 10");
    private static final Formula COUNTED = Formula.of("one * count");
    private static final Formula COUNTED_WITH_SKIN = Formula.of("(one + skin_volume) * count");
    private static final Formula MASS_OF_VOLUME = Formula.of("one * density * count");
    private static final Formula MASS_COUNTED = Formula.of("mass * count");
    private static final Formula WITH_SKIN = Formula.of("bare + skin_volume * skin_density * count");

    static PartSums of(int index, Part part, Optional<Mass> tare, Factors factors) {
        Figure density = factors.of(part.material().density());
        Figure one = one(index, part, tare, density);
        Figure count = Figure.given("count", "how many", part.count(), Measure.TIMES, Known.MEASURED, 0);
        Figure bare = bareMass(part, tare, one, density, count);
        if (part.coat().isEmpty()) {
            Figure volume = Figure.computed("volume", "volume of " + part.name(), CUBIC_CENTIMETRE)
                    .by(COUNTED, one, count);
            return new PartSums(part, one, volume, bare);
        }
        return coated(part, part.coat().get(), one, bare, count, factors);
    }

    private static PartSums coated(Part part, Coat coat, Figure one, Figure bare, Figure count, Factors factors) {
        Figure skin = Figure.computed(
                        "skin_volume", "skin of " + coat.material().label(), CUBIC_CENTIMETRE)
                .by(
                        SKIN,
                        measured("skin_area", "area coated", coat.area().squareCentimetres(), SQUARE_CENTIMETRE),
                        measured(
                                "skin",
                                "thickness of the skin",
                                coat.thickness().millimetres(),
                                MILLIMETRE));
        Figure volume = Figure.computed("volume", "volume of " + part.name(), CUBIC_CENTIMETRE)
                .by(COUNTED_WITH_SKIN, one, skin, count);
        Figure skinDensity = factors.of(coat.material().density()).as("skin_density");
        Figure mass = Figure.computed("mass", "pattern mass of " + part.name(), GRAM)
                .by(WITH_SKIN, bare.as("bare"), skin, skinDensity, count);
        return new PartSums(part, one, volume, mass);
    }

    private static Figure one(int index, Part part, Optional<Mass> tare, Figure density) {
        Figure.Computation one = Figure.computed("one", "volume of one " + part.name(), CUBIC_CENTIMETRE);
        Amount amount = part.amount();
        if (amount instanceof Amount.Weighed weighed) {
            return tare.isPresent()
                    ? one.by(BY_TARED_MASS, weight(weighed.mass()), tareFigure(tare.get()), density)
                    : one.by(BY_MASS, weight(weighed.mass()), density);
        }
        if (amount instanceof Amount.OfVolume known) {
            return measured(
                    "one", "volume of one " + part.name(), known.volume().cubicCentimetres(), CUBIC_CENTIMETRE);
        }
        if (amount instanceof Amount.Displaced displaced) {
            Figure water = measured("water", "water lifted", displaced.water().grams(), GRAM);
            return one.by(BY_WATER, water, Figure.of(WATER));
        }
        if (amount instanceof Amount.Rod rod) {
            return one.by(
                    ROD,
                    measured("diameter", "diameter", rod.diameter().millimetres(), MILLIMETRE),
                    measured("length", "length", rod.length().millimetres(), MILLIMETRE));
        }
        if (amount instanceof Amount.Cone cone) {
            return one.by(
                    CONE,
                    measured("top", "diameter at the top", cone.top().millimetres(), MILLIMETRE),
                    measured("bottom", "diameter at the bottom", cone.bottom().millimetres(), MILLIMETRE),
                    measured("length", "length", cone.length().millimetres(), MILLIMETRE));
        }
        if (amount instanceof Amount.Bar bar) {
            return one.by(
                    BAR,
                    measured("width", "width", bar.width().millimetres(), MILLIMETRE),
                    measured("thickness", "thickness", bar.thickness().millimetres(), MILLIMETRE),
                    measured("length", "length", bar.length().millimetres(), MILLIMETRE));
        }
        return infilled(index, (Amount.Infilled) amount, one, density);
    }

    private static Figure infilled(int index, Amount.Infilled print, Figure.Computation one, Figure density) {
        List<Figure> inputs = new ArrayList<>();
        inputs.add(weight(print.mass()));
        inputs.add(measured("area", "outer area of the print", print.area().squareCentimetres(), SQUARE_CENTIMETRE));
        inputs.add(measured("wall", "wall of the print", print.wall().millimetres(), MILLIMETRE));
        inputs.add(measured("infill", "infill", print.infillPercent(), PERCENT));
        inputs.add(density);
        double solid = print.mass().grams() / density.value();
        double walls = print.area().squareCentimetres() * print.wall().millimetres() / 10;
        if (solid < walls) {
            throw new ImpossiblePart(
                    index,
                    "infilled.mass",
                    "The wall alone (area times wall) would weigh more than this print: check mass, area and wall.");
        }
        return one.by(INFILLED, inputs);
    }

    private static Figure bareMass(Part part, Optional<Mass> tare, Figure one, Figure density, Figure count) {
        Figure.Computation mass = Figure.computed("mass", "pattern mass of " + part.name(), GRAM);
        if (part.amount() instanceof Amount.Weighed weighed) {
            return tare.isPresent()
                    ? mass.by(TARED, weight(weighed.mass()), tareFigure(tare.get()), count)
                    : mass.by(MASS_COUNTED, weight(weighed.mass()), count);
        }
        if (part.amount() instanceof Amount.Infilled print) {
            return mass.by(MASS_COUNTED, weight(print.mass()), count);
        }
        return mass.by(MASS_OF_VOLUME, one.as("one"), density, count);
    }

    private static Figure weight(Mass mass) {
        return measured("mass", "on the scale", mass.grams(), GRAM);
    }

    private static Figure tareFigure(Mass tare) {
        return measured("tare", "base, hook or handle", tare.grams(), GRAM);
    }

    private static Figure measured(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.MEASURED, 0);
    }
}
