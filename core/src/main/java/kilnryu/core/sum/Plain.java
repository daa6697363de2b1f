package kilnryu.core.sum;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import kilnryu.core.quantity.Measure;

/**
 * Values inside a sum, with the working unit: four significant digits, more where the sum needs them, powers of ten where
 * zeros would have to be counted.
 */
final class Plain {
    static final int DIGITS = 4;
    private static final double LARGE = 1e6;
    private static final double SMALL = 1e-3;

    private Plain() {}

    /** As it is printed, for a sum that is to come out by its own text. */
    static double rounded(double value, int digits) {
        return Double.isFinite(value) ? round(value, digits).doubleValue() : value;
    }

    private static BigDecimal round(double value, int digits) {
        BigDecimal exact = BigDecimal.valueOf(value);
        int whole = exact.precision() - exact.scale();
        return whole > digits && Math.abs(value) < LARGE
                ? exact.setScale(0, RoundingMode.HALF_UP)
                : exact.round(new MathContext(digits, RoundingMode.HALF_UP));
    }

    static String number(double value, int digits) {
        if (!Double.isFinite(value)) {
            return "?";
        }
        BigDecimal rounded = round(value, digits).stripTrailingZeros();
        double size = Math.abs(value);
        String text = size >= LARGE || size > 0 && size < SMALL ? powers(rounded) : rounded.toPlainString();
        return value < 0 ? "(" + text.replace('-', '−') + ")" : text;
    }

    /** As in 2.2·10⁷. */
    private static String powers(BigDecimal value) {
        int power = value.precision() - value.scale() - 1;
        String raised = Integer.toString(power)
                .chars()
                .mapToObj(c -> c == '-' ? "⁻" : String.valueOf("⁰¹²³⁴⁵⁶⁷⁸⁹".charAt(c - '0')))
                .reduce("", String::concat);
        return value.scaleByPowerOfTen(-power).stripTrailingZeros().toPlainString() + "·10" + raised;
    }

    static String withUnit(Figure figure, int digits) {
        String symbol = figure.unit().symbol();
        String number = number(figure.value(), digits);
        // per cent stands with its sign only where a hundredth is meant: there the formula takes it along
        boolean bare = symbol.isEmpty() || symbol.equals("per 100") || figure.unit() == Measure.PERCENT;
        return bare ? number : number + " " + symbol;
    }
}
