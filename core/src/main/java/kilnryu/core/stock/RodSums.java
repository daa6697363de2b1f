package kilnryu.core.stock;

import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.MILLIMETRE;

import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/** Rod from wax and wax from rod, with what stays in the extruder or sticks to the mold of the rods. */
public final class RodSums {
    private static final Formula LENGTH = Formula.of("4 * mass * (1 - lost / 100) / (density * pi * d^2) * 1000");
    private static final Formula MASS = Formula.of("pi / 4 * d^2 * length / 1000 * density / (1 - lost / 100)");

    private RodSums() {}

    /** Length of rod in mm that a mass of wax makes. @param lostPercent from 0 to under 100 */
    public static Figure length(Mass wax, Length diameter, PatternMaterial of, double lostPercent, Factors factors) {
        return Figure.computed("rod_length", "rod from this wax", MILLIMETRE)
                .by(
                        LENGTH,
                        Figure.given("mass", "wax", wax.grams(), GRAM, Known.MEASURED, 0),
                        lost(lostPercent),
                        factors.of(of.density()),
                        Figure.given("d", "diameter", diameter.millimetres(), MILLIMETRE, Known.MEASURED, 0));
    }

    /** Wax to melt in g for a length of rod. @param lostPercent from 0 to under 100 */
    public static Figure mass(Length rod, Length diameter, PatternMaterial of, double lostPercent, Factors factors) {
        return Figure.computed("wax", "wax to melt", GRAM)
                .by(
                        MASS,
                        Figure.given("d", "diameter", diameter.millimetres(), MILLIMETRE, Known.MEASURED, 0),
                        Figure.given("length", "length of rod", rod.millimetres(), MILLIMETRE, Known.MEASURED, 0),
                        factors.of(of.density()),
                        lost(lostPercent));
    }

    private static Figure lost(double percent) {
        return Figure.given("lost", "stays behind", percent, Measure.PERCENT, Known.CHOSEN, 0);
    }
}
