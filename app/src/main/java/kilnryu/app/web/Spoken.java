package kilnryu.app.web;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.function.DoubleUnaryOperator;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;

/**
 * What the core words in metric units, worded in the reader's: every quantity in a sentence is turned, alone or as one of
 * several ("60 × 40 × 20 mm", "20 to 24 °C").
 */
public final class Spoken {
    private static final Map<String, Measure> UNITS = units();
    private static final Map<String, DoubleUnaryOperator> TO_WORKING =
            Map.of("cm", v -> v * 10, "m", v -> v * 1000, "kg", v -> v * 1000, "l", v -> v * 1000);
    private static final String NUMBER = "[−-]?\\d+(?:\\.\\d+)?";
    private static final String BETWEEN = " × | to |–| or ";
    private static final Pattern ONE = Pattern.compile(NUMBER);
    private static final Pattern QUANTITY =
            Pattern.compile("(?<![\\w.,·])((?:" + NUMBER + "(?:" + BETWEEN + "))*)(" + NUMBER
                    + ") ?("
                    + UNITS.keySet().stream().map(Pattern::quote).collect(Collectors.joining("|"))
                    + ")(?![\\w²³/·])");

    private Spoken() {}

    private static Map<String, Measure> units() {
        Map<String, Measure> units = new LinkedHashMap<>();
        units.put("cm³", Measure.CUBIC_CENTIMETRE);
        units.put("cm²", Measure.SQUARE_CENTIMETRE);
        units.put("mm", Measure.MILLIMETRE);
        units.put("cm", Measure.MILLIMETRE);
        units.put("m", Measure.MILLIMETRE);
        units.put("kg/s", Measure.KG_PER_SECOND);
        units.put("kg", Measure.GRAM);
        units.put("kPa", Measure.KILOPASCAL);
        units.put("g", Measure.GRAM);
        units.put("l", Measure.CUBIC_CENTIMETRE);
        units.put("°C", Measure.DEGREE_CELSIUS);
        units.put("K/h", Measure.KELVIN_PER_HOUR);
        units.put("K", Measure.STEP_KELVIN);
        return units;
    }

    /** The sentence with its quantities in the reader's units. */
    public static String in(String sentence, Units units) {
        if (units.system() == Units.System.METRIC || sentence == null) {
            return sentence;
        }
        Matcher found = QUANTITY.matcher(sentence);
        return found.replaceAll(m -> Matcher.quoteReplacement(several(m.group(1), m.group(2), m.group(3), units)));
    }

    /** Numbers that share a unit, each in the reader's: the unit once where it is the same. */
    private static String several(String before, String last, String unit, Units units) {
        Show.Shown end = turned(last, unit, units);
        String first = ONE.matcher(before).replaceAll(m -> {
            Show.Shown each = turned(m.group(), unit, units);
            return Matcher.quoteReplacement(each.unit().equals(end.unit()) ? each.digits() : each.toString());
        });
        return first + end;
    }

    private static Show.Shown turned(String number, String unit, Units units) {
        double value = Double.parseDouble(number.replace('−', '-'));
        double working = TO_WORKING.getOrDefault(unit, v -> v).applyAsDouble(value);
        return Show.value(working, UNITS.get(unit), units, false);
    }

    /** A finding in the reader's units. */
    public static Finding in(Finding f, Units units) {
        return new Finding(
                f.id(),
                f.severity(),
                f.safety(),
                f.place(),
                in(f.message(), units),
                in(f.reason(), units),
                in(f.remedy(), units),
                f.figureBehind().orElse(null));
    }
}
