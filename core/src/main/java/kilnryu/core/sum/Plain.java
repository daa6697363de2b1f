package kilnryu.core.sum;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/** Values inside a sum: four significant digits, never in powers of ten, with the working unit. */
final class Plain {
    private Plain() {}

    static String number(Figure figure) {
        double value = figure.value();
        if (!Double.isFinite(value)) {
            return "?";
        }
        BigDecimal exact = BigDecimal.valueOf(value);
        BigDecimal rounded = Math.abs(value) >= 1000
                ? exact.setScale(0, RoundingMode.HALF_UP)
                : exact.round(new MathContext(4, RoundingMode.HALF_UP));
        String text = rounded.stripTrailingZeros().toPlainString();
        return value < 0 ? "(" + text.replace('-', '−') + ")" : text;
    }

    static String withUnit(Figure figure) {
        String symbol = figure.unit().symbol();
        return symbol.isEmpty() || symbol.equals("per 100") ? number(figure) : number(figure) + " " + symbol;
    }
}
