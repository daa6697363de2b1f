package kilnryu.app.kiln;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Show;
import kilnryu.core.burnout.OwnProgram;
import kilnryu.core.burnout.Segment;

/** Reads the lines of a typed program: a rate, a temperature, a hold; an empty line is none. */
public final class ProgramReader {
    /** No controller takes more, and no mold needs them. */
    public static final int MOST_SEGMENTS = 200;

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
            line(fields, key).ifPresent(lines::add);
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

    private static Optional<OwnProgram.Line> line(Fields fields, String key) {
        boolean any = fields.has(ProgramFields.TARGET.in(key))
                | fields.has(ProgramFields.RATE_SAID.in(key))
                | fields.has(ProgramFields.HOLD.in(key));
        if (!any) {
            return Optional.empty();
        }
        OptionalDouble target = fields.required(ProgramFields.TARGET.in(key));
        String typed = fields.text(ProgramFields.RATE_SAID.in(key)).orElse("");
        boolean step = typed.isEmpty() || typed.toLowerCase(Locale.ROOT).matches("full|step|as fast as it can|max");
        OptionalDouble rate =
                step ? OptionalDouble.of(Double.POSITIVE_INFINITY) : fields.quantity(ProgramFields.RATE_TYPED.in(key));
        double hold = fields.quantity(ProgramFields.HOLD.in(key)).orElse(0);
        if (target.isPresent() && target.getAsDouble() < LEAST_START) {
            fields.error(ProgramFields.TARGET.in(key), "A kiln does not go below the room, 20 °C.");
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
