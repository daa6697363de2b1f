package kilnryu.app.load;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import kilnryu.app.logger.LoggerCsv;
import kilnryu.app.logger.LoggerCsv.Unusable;
import org.apache.commons.csv.CSVRecord;

/**
 * The file of a kiln's controller or logger. Which columns hold what is said once and kept for the kiln; without that they
 * are told by their names. Lines out of order are put in order, of two at one time the later line counts.
 */
record KilnLog(TreeMap<Double, Double> samples, Map<String, String> columns, int bad, Optional<Instant> first) {
    static final int MOST = 2_000_000;
    private static final double LEAST_C = -30;
    private static final double MOST_C = 1_800;

    /**
     * @param asked columns by what they hold: time, temperature, unit (C or F), clock (elapsed s, elapsed min, or clock);
     *     whatever is blank is told by the headings
     * @param start when the firing began; empty to count from the first reading
     */
    static KilnLog read(String text, Map<String, String> asked, ZoneId zone, Optional<Instant> start) throws Unusable {
        LoggerCsv csv = LoggerCsv.of(text);
        Map<String, String> columns = columns(csv.headings(), asked);
        Reading reading = new Reading(columns, zone, start);
        csv.each(reading::line);
        if (reading.samples.isEmpty()) {
            throw new Unusable("No line of it holds a time in \"" + columns.get("time") + "\" and a temperature in \""
                    + columns.get("temperature") + "\".");
        }
        if (reading.samples.size() > MOST) {
            throw new Unusable("At most " + MOST + " readings at once.");
        }
        return new KilnLog(reading.samples, columns, reading.bad, Optional.ofNullable(reading.first));
    }

    private static Map<String, String> columns(List<String> headings, Map<String, String> asked) throws Unusable {
        Map<String, String> columns = new LinkedHashMap<>();
        columns.put("time", column(headings, asked.getOrDefault("time", ""), "time", "date", "elapsed", "sec", "min"));
        columns.put(
                "temperature",
                column(
                        headings,
                        asked.getOrDefault("temperature", ""),
                        "kiln",
                        "process",
                        "temp",
                        "thermocouple",
                        "pv",
                        "°c",
                        "°f"));
        String unit = asked.getOrDefault("unit", "");
        columns.put("unit", unit.isEmpty() ? LoggerCsv.fahrenheit(columns.get("temperature")) ? "F" : "C" : unit);
        columns.put("clock", asked.getOrDefault("clock", ""));
        return columns;
    }

    private static String column(List<String> headings, String asked, String... words) throws Unusable {
        if (!asked.isEmpty()) {
            if (!headings.contains(asked)) {
                throw new Unusable("It has no column \"" + asked + "\"; it has " + String.join(", ", headings) + ".");
            }
            return asked;
        }
        return LoggerCsv.like(headings, words)
                .orElseThrow(() -> new Unusable(
                        "Say which column holds the " + words[0] + "; it has " + String.join(", ", headings) + "."));
    }

    /** Lines into samples. */
    private static final class Reading {
        private final TreeMap<Double, Double> samples = new TreeMap<>();
        private final Map<String, String> columns;
        private final ZoneId zone;
        private final boolean fahrenheit;
        private final double elapsed;
        private Instant zero;
        private Instant first;
        private Instant before;
        private int bad;

        Reading(Map<String, String> columns, ZoneId zone, Optional<Instant> start) {
            this.columns = columns;
            this.zone = zone;
            zero = start.orElse(null);
            fahrenheit = columns.get("unit").equalsIgnoreCase("F");
            String time = columns.get("time").toLowerCase(Locale.ROOT);
            boolean minutes = columns.get("clock").equals("min") || time.matches(".*\\b(min|minutes)\\b.*");
            elapsed = minutes ? 60 : 1;
        }

        void line(CSVRecord line) {
            try {
                double shown = LoggerCsv.number(line.get(columns.get("temperature")));
                double celsius = fahrenheit ? (shown - 32) / 1.8 : shown;
                double second = second(line.get(columns.get("time")));
                if (celsius < LEAST_C || celsius > MOST_C || !Double.isFinite(second)) {
                    bad++;
                } else {
                    samples.put(second, celsius);
                }
            } catch (DateTimeException | IllegalArgumentException e) {
                bad++;
            }
        }

        private double second(String text) {
            if (text.strip().matches("[\\d.,]+")) {
                return LoggerCsv.number(text) * elapsed;
            }
            Instant at = LoggerCsv.time(text, zone, Optional.ofNullable(before));
            before = at;
            first = first == null ? at : first;
            zero = zero == null ? at : zero;
            return java.time.Duration.between(zero, at).toMillis() / 1000.0;
        }
    }
}
