package kilnryu.app.sheet;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Units;

/** An example in an empty field, in the reader's units; a round number, since it is only an example. */
public final class Hint {
    private static final Pattern NUMBER = Pattern.compile("\\d+(\\.\\d+)?");
    private static final MathContext ROUGHLY = new MathContext(2);

    private Hint() {}

    public static String in(String hint, Units units) {
        String told = Spoken.in(hint, units);
        if (told == null || told.equals(hint)) {
            return hint;
        }
        return NUMBER.matcher(told)
                .replaceAll(m -> Matcher.quoteReplacement(new BigDecimal(m.group())
                        .round(ROUGHLY)
                        .stripTrailingZeros()
                        .toPlainString()));
    }
}
