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
    private static final double FAR = 4;

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

    /**
     * Least a studio may put in its place, in {@code unit}: a quarter of the usual. A slip of the decimal point is caught, a
     * school is not.
     */
    public double least() {
        return low < 0 ? low * FAR : low / FAR;
    }

    /** Most a studio may put in its place, in {@code unit}: four times the usual; of a share never more than the whole. */
    public double most() {
        double whole = unit == Measure.PERCENT ? 100 : unit == Measure.FRACTION ? 1 : Double.POSITIVE_INFINITY;
        return high > 0 ? Math.max(high, Math.min(high * FAR, whole)) : high / FAR;
    }

    /** Whether a studio may put a value in its place: on the page, in a document, in a program's question alike. */
    public boolean bears(double other) {
        return other >= least() && other <= most();
    }

    /** Whether a value is within the usual range. */
    public boolean usual(double other) {
        return other >= low && other <= high;
    }
}
