package kilnryu.core.sum;

import kilnryu.core.quantity.Measure;

/**
 * A constant of the trade with its usual range and where it comes from.
 *
 * @param key stable name under which a studio replaces it
 * @param symbol the word that stands for it in formulas
 * @param value default, in {@code unit}
 * @param low lower end of the usual range, in {@code unit}
 * @param high upper end of the usual range, in {@code unit}
 * @param source handbook section or relation it is taken from
 * @param choice whether its range is a matter of custom and not of uncertainty: then it brings no spread
 */
public record Constant(
        String key,
        String symbol,
        String name,
        double value,
        double low,
        double high,
        Measure unit,
        Mark mark,
        String source,
        boolean choice) {
    public Constant {
        if (!(low <= value && value <= high)) {
            throw new IllegalArgumentException(key + " lies outside its own range");
        }
    }

    /** A figure that is uncertain within its range. */
    public Constant(
            String key,
            String symbol,
            String name,
            double value,
            double low,
            double high,
            Measure unit,
            Mark mark,
            String source) {
        this(key, symbol, name, value, low, high, unit, mark, source, false);
    }

    /** The same as a matter of custom, such as a reserve: casters choose it, nobody errs in it. */
    public Constant asChoice() {
        return new Constant(key, symbol, name, value, low, high, unit, mark, source, true);
    }

    /** An exact relation's constant, without a range. */
    public static Constant exact(String key, String symbol, String name, double value, Measure unit, String source) {
        return new Constant(key, symbol, name, value, value, value, unit, Mark.P, source);
    }

    public boolean replaceable() {
        return mark != Mark.P;
    }

    /** Whether a value is within the usual range. */
    public boolean usual(double other) {
        return other >= low && other <= high;
    }
}
