package kilnryu.app.logger;

import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.DoubleConsumer;
import java.util.regex.Pattern;
import kilnryu.app.logger.LoggerCsv.Unusable;
import org.apache.commons.csv.CSVRecord;

/**
 * The file of a kiln's controller or logger. Which columns hold what is said once and kept for the kiln; without that they
 * are told by their names. Lines out of order are put in order, of two at one time the later line counts.
 */
public record KilnLog(Readings readings, Map<String, String> columns, int bad) {
    static final int MOST = 2_000_000;
    /** No kiln fires for thirty years. */
    private static final double MOST_SECONDS = 1e9;

    private static final double LEAST_C = -30;
    private static final double MOST_C = 1_800;
    private static final Pattern ELAPSED = Pattern.compile("[-\\d.,]+");

    /** Temperatures against seconds, in order, none twice. */
    public record Readings(double[] seconds, double[] celsius) {
        public int size() {
            return seconds.length;
        }
    }

    /**
     * How a file is to be read.
     *
     * @param columns by what they hold: time, temperature, unit (C or F), clock (elapsed s, elapsed min, or clock);
     *     whatever is blank is told by the headings
     * @param start when the firing began; empty to count from the first reading
     * @param moved seconds that every reading is moved by
     */
    public record ColumnChoice(Map<String, String> columns, ZoneId zone, Optional<Instant> start, double moved) {}

    /** @param told the share that has been read, now and then */
    public static KilnLog read(LoggerCsv.Source file, ColumnChoice asked, DoubleConsumer told) throws Unusable {
        LoggerCsv csv = LoggerCsv.of(file);
        Map<String, String> columns = columns(csv.headings(), asked.columns);
        Lines lines = new Lines(csv, columns, asked);
        csv.each(lines::line, told);
        if (lines.size == 0) {
            throw new Unusable("No line of it holds a time in \"" + columns.get("time") + "\" and a temperature in \""
                    + columns.get("temperature") + "\".");
        }
        if (lines.size > MOST) {
            throw new Unusable("At most " + MOST + " readings at once.");
        }
        return new KilnLog(lines.inOrder(), columns, lines.bad);
    }

    private static Map<String, String> columns(List<String> headings, Map<String, String> asked) throws Unusable {
        Map<String, String> columns = new LinkedHashMap<>();
        columns.put("time", column(headings, asked.getOrDefault("time", ""), "time", "date", "elapsed", "sec", "min"));
        columns.put(
                "temperature",
                column(
                        headings,
                        asked.getOrDefault("temperature", ""),
                        "temperature",
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
                throw new Unusable(
                        "It has no column \"" + asked + "\"; it has " + LoggerCsv.listed(headings) + ".",
                        "col_" + words[0]);
            }
            return asked;
        }
        return LoggerCsv.like(headings, words)
                .orElseThrow(() -> new Unusable(
                        "Say which column holds the " + words[0] + "; it has " + LoggerCsv.listed(headings) + ".",
                        "col_" + words[0]));
    }

    /** Lines into readings. */
    private static final class Lines {
        private final LoggerCsv csv;
        private final String timeColumn;
        private final String temperatureColumn;
        private final ZoneId zone;
        private final boolean fahrenheit;
        private final double elapsed;
        private final double moved;
        private double[] seconds = new double[1024];
        private double[] celsius = new double[1024];
        private int size;
        private boolean rising = true;
        private Instant zero;
        private Instant before;
        private int bad;

        Lines(LoggerCsv csv, Map<String, String> columns, ColumnChoice asked) {
            this.csv = csv;
            zone = asked.zone;
            zero = asked.start.orElse(null);
            moved = asked.moved;
            timeColumn = columns.get("time");
            temperatureColumn = columns.get("temperature");
            fahrenheit = columns.get("unit").equalsIgnoreCase("F");
            boolean minutes = columns.get("clock").equals("min")
                    || timeColumn.toLowerCase(Locale.ROOT).matches(".*\\b(min|minutes)\\b.*");
            elapsed = minutes ? 60 : 1;
        }

        void line(CSVRecord line) {
            try {
                double shown = csv.number(line.get(temperatureColumn));
                double here = fahrenheit ? (shown - 32) / 1.8 : shown;
                double second = second(line.get(timeColumn)) + moved;
                if (!(here >= LEAST_C && here <= MOST_C) || !(Math.abs(second) <= MOST_SECONDS)) {
                    bad++;
                } else if (size <= MOST) {
                    add(second, here);
                }
            } catch (DateTimeException | IllegalArgumentException e) {
                bad++;
            }
        }

        private void add(double second, double here) {
            if (size == seconds.length) {
                seconds = Arrays.copyOf(seconds, 2 * size);
                celsius = Arrays.copyOf(celsius, 2 * size);
            }
            rising &= size == 0 || second > seconds[size - 1];
            seconds[size] = second;
            celsius[size] = here;
            size++;
        }

        private double second(String text) {
            if (ELAPSED.matcher(text).matches()) {
                return csv.number(text) * elapsed;
            }
            Instant at = LoggerCsv.time(text, zone, Optional.ofNullable(before));
            before = at;
            zero = zero == null ? at : zero;
            return Duration.between(zero, at).toMillis() / 1000.0;
        }

        Readings inOrder() {
            if (rising) {
                return new Readings(Arrays.copyOf(seconds, size), Arrays.copyOf(celsius, size));
            }
            TreeMap<Double, Double> sorted = new TreeMap<>();
            for (int i = 0; i < size; i++) {
                sorted.put(seconds[i], celsius[i]);
            }
            return new Readings(
                    sorted.keySet().stream().mapToDouble(d -> d).toArray(),
                    sorted.values().stream().mapToDouble(d -> d).toArray());
        }
    }
}
