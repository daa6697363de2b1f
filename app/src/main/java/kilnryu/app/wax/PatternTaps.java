package kilnryu.app.wax;

import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Show;
import kilnryu.core.pattern.BurnTest;
import kilnryu.core.quantity.Measure;

/** What may be tapped of a printed, carved or found pattern, and what is wrong with a tap. */
final class PatternTaps {
    private static final Range LEFT = new Range(Measure.GRAM, 0, 1000);
    private static final Range CHIP = new Range(Measure.GRAM, 0.05, 1000);

    private PatternTaps() {}

    /** @param next what is tapped next of its wash and cure */
    static String bath(String kind, String next) {
        return kind.equals(next)
                ? ""
                : switch (kind) {
                    case "washed" -> "It is in no wash.";
                    case "cured" -> "It is under no lamp.";
                    case "cure" -> "It is washed before it is cured.";
                    default -> "It is washed already, or is not of resin: say so on its sheet.";
                };
    }

    static String weighed(Fields read, Map<String, String> fields) {
        OptionalDouble grams = read.required("grams", Range.MASS);
        grams.ifPresent(g -> fields.put("grams", Show.exact(g)));
        return read.errors().getOrDefault("grams", "");
    }

    /** Each answer may be left open; what is typed is read. */
    static String burnt(Fields read, Map<String, String> form, Map<String, String> fields) {
        String green = form.getOrDefault("green", "");
        if (!green.isEmpty() && !green.equals("yes") && !green.equals("no")) {
            return "Say whether the flame was green.";
        }
        String does = form.getOrDefault("does", "");
        if (!does.isEmpty() && BurnTest.Does.named(does).isEmpty()) {
            return "Choose what it did.";
        }
        OptionalDouble chip = read.quantity("chip_g", CHIP);
        OptionalDouble left = read.quantity("left_g", LEFT);
        if (read.hasErrors()) {
            return read.errors().values().iterator().next();
        }
        if (left.isPresent() && (chip.isEmpty() || left.getAsDouble() > chip.getAsDouble())) {
            return chip.isEmpty() ? "Weigh the chip before it burns." : "More is left than the chip weighed.";
        }
        if (green.isEmpty() && does.isEmpty() && chip.isEmpty()) {
            return "Nothing was noted of the test.";
        }
        fields.put("green", green);
        fields.put("does", does);
        chip.ifPresent(g -> fields.put("chip_g", Show.exact(g)));
        left.ifPresent(g -> fields.put("left_g", Show.exact(g)));
        return "";
    }
}
