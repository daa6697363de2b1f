package kilnryu.core.flask;

import java.util.List;
import java.util.Optional;
import kilnryu.core.quantity.Measure;

/**
 * Questions a weight whose digits only make sense in another unit (handbook 4): when the reading times that unit's
 * grams comes within a tenth of the plan, while as grams it is far off.
 */
public final class UnitGuard {
    private static final List<Measure> SUSPECTS =
            List.of(Measure.OUNCE, Measure.TROY_OUNCE, Measure.PENNYWEIGHT, Measure.POUND);
    private static final double NEAR = 0.10;

    private UnitGuard() {}

    /** The unit the scale seems to be on, when a reading taken as grams does not fit the planned grams. */
    public static Optional<Measure> suspect(double readingGrams, double plannedGrams) {
        if (near(readingGrams, plannedGrams)) {
            return Optional.empty();
        }
        return SUSPECTS.stream()
                .filter(unit -> near(unit.to(Measure.GRAM, readingGrams), plannedGrams))
                .min(java.util.Comparator.comparingDouble(
                        unit -> Math.abs(unit.to(Measure.GRAM, readingGrams) - plannedGrams)));
    }

    private static boolean near(double a, double b) {
        return Math.abs(a - b) <= NEAR * b;
    }
}
