package kilnryu.app.kiln;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Show;
import kilnryu.core.burnout.OwnProgram;
import kilnryu.core.burnout.Segment;
import kilnryu.core.quantity.Measure;

/** Reads the lines of a typed program: a rate, a temperature, a hold; an empty line is none. */
public final class ProgramReader {
    /** No controller takes more, and no mold needs them. */
    public static final int MOST_SEGMENTS = 200;

    private static final Range RATE = new Range(Measure.KELVIN_PER_HOUR, 1, 100_000);
    private static final Range HOLD = new Range(Measure.MINUTE, 0, 20_160);
    private static final double LONGEST_MIN = 30 * 24 * 60.0;
    private static final double LEAST_START = 20;

    private ProgramReader() {}

    /** Holds typed as 2:30 are hours and minutes here, as controllers show them. */
    public static Map<String, String> spoken(Map<String, String> typed) {
        Map<String, String> spoken = new LinkedHashMap<>(typed);
        spoken.replaceAll(
                (path, value) -> path.endsWith("].hold_min") && value.strip().matches("\\d{1,3}:[0-5]\\d")
                        ? value.strip().replace(":", " h ") + " min"
                        : value);
        return spoken;
    }

    /** Empty with remarks at the lines that cannot be used, or at "program" when there is none. */
    public static Optional<List<Segment>> read(Fields fields) {
        List<OwnProgram.Line> lines = new ArrayList<>();
        List<String> keys = fields.keys("program");
        if (keys.size() > MOST_SEGMENTS) {
            fields.error("program", "At most " + MOST_SEGMENTS + " segments; this has " + keys.size() + ".");
            return Optional.empty();
        }
        for (String key : keys) {
            line(fields, "program[" + key + "].").ifPresent(lines::add);
        }
        if (lines.isEmpty() && !fields.hasErrors()) {
            fields.missing("program", "Type at least one segment.");
        }
        if (fields.hasErrors()) {
            return Optional.empty();
        }
        if (minutes(lines) > LONGEST_MIN) {
            fields.error("program", "This program takes over 30 days.");
            return Optional.empty();
        }
        return Optional.of(OwnProgram.of(lines));
    }

    private static Optional<OwnProgram.Line> line(Fields fields, String at) {
        boolean any = fields.has(at + "target_C") | fields.has(at + "rate") | fields.has(at + "hold_min");
        if (!any) {
            return Optional.empty();
        }
        OptionalDouble target = fields.required(at + "target_C", Range.PROGRAM);
        String typed = fields.text(at + "rate", 30).orElse("");
        boolean step = typed.isEmpty() || typed.toLowerCase(Locale.ROOT).matches("full|step|as fast as it can|max");
        OptionalDouble rate = step ? OptionalDouble.of(Double.POSITIVE_INFINITY) : fields.quantity(at + "rate", RATE);
        double hold = fields.quantity(at + "hold_min", HOLD).orElse(0);
        if (target.isPresent() && target.getAsDouble() < LEAST_START) {
            fields.error(at + "target_C", "A kiln does not go below the room, 20 °C.");
            return Optional.empty();
        }
        return target.isPresent() && rate.isPresent()
                ? Optional.of(new OwnProgram.Line(rate.getAsDouble(), target.getAsDouble(), hold))
                : Optional.empty();
    }

    private static double minutes(List<OwnProgram.Line> lines) {
        double from = LEAST_START;
        double minutes = 0;
        for (OwnProgram.Line line : lines) {
            minutes += Math.abs(line.target() - from) / line.rate() * 60 + line.hold();
            from = line.target();
        }
        return minutes;
    }

    /** A program as fields, in working units. */
    public static Map<String, String> fields(List<Segment> segments) {
        Map<String, String> fields = new LinkedHashMap<>();
        for (int i = 0; i < segments.size(); i++) {
            Segment s = segments.get(i);
            String at = "program[k" + (i + 1) + "].";
            fields.put(at + "rate", Double.isInfinite(s.rate()) ? "full" : Show.exact(s.rate()) + " K/h");
            fields.put(at + "target_C", Show.exact(s.target()) + " °C");
            fields.put(at + "hold_min", s.hold() + " min");
        }
        return fields;
    }
}
