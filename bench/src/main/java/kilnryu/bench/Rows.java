package kilnryu.bench;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/** What was measured in a run, a row a line, in milliseconds. */
final class Rows {
    private static final CSVFormat FORMAT = CSVFormat.DEFAULT
            .builder()
            .setHeader("what", "median_ms", "low_ms", "high_ms", "asked_ms")
            .setSkipHeaderRecord(true)
            .setRecordSeparator('\n')
            .get();

    private final Path file;

    Rows(Path file) {
        this.file = file;
    }

    /**
     * One row.
     *
     * @param low the 5th percentile, ms
     * @param high the 95th percentile, ms
     * @param asked at most, ms; 0 where nothing is asked
     */
    record Row(String what, double median, double low, double high, double asked) {
        /** Of what was waited, ms. */
        static Row of(String what, double[] waited, double asked) {
            double[] sorted = waited.clone();
            Arrays.sort(sorted);
            return new Row(what, part(sorted, 0.5), part(sorted, 0.05), part(sorted, 0.95), asked);
        }

        boolean kept() {
            return asked == 0 || median <= asked;
        }

        private static double part(double[] sorted, double share) {
            return sorted[(int) Math.min(sorted.length - 1, Math.floor(sorted.length * share))];
        }
    }

    void add(Row row) throws IOException {
        boolean fresh = !Files.exists(file);
        try (CSVPrinter csv = new CSVPrinter(
                Files.newBufferedWriter(file, StandardOpenOption.CREATE, StandardOpenOption.APPEND), FORMAT)) {
            if (fresh) {
                csv.printRecord((Object[]) FORMAT.getHeader());
            }
            csv.printRecord(row.what, ms(row.median), ms(row.low), ms(row.high), row.asked == 0 ? "" : ms(row.asked));
        }
        System.err.printf(Locale.ROOT, "%s: %s ms (%s to %s)%n", row.what, ms(row.median), ms(row.low), ms(row.high));
    }

    List<Row> all() throws IOException {
        try (var csv = FORMAT.parse(Files.newBufferedReader(file))) {
            return csv.getRecords().stream().map(Rows::row).toList();
        }
    }

    private static Row row(CSVRecord r) {
        return new Row(
                r.get("what"),
                Double.parseDouble(r.get("median_ms")),
                Double.parseDouble(r.get("low_ms")),
                Double.parseDouble(r.get("high_ms")),
                r.get("asked_ms").isEmpty() ? 0 : Double.parseDouble(r.get("asked_ms")));
    }

    /** Three figures that count. */
    static String ms(double value) {
        return value >= 100
                ? String.format(Locale.ROOT, "%.0f", value)
                : value >= 10
                        ? String.format(Locale.ROOT, "%.1f", value)
                        : value >= 1
                                ? String.format(Locale.ROOT, "%.2f", value)
                                : String.format(Locale.ROOT, "%.4f", value);
    }
}
