package kilnryu.bench;

import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/**
 * Adds the rows of a run to those of all runs before, and prints them as a table beside the run before, so that a slowdown
 * is seen: {@code History ROWS.csv HISTORY.csv DATE}.
 */
public final class History {
    private static final CSVFormat FORMAT = CSVFormat.DEFAULT
            .builder()
            .setHeader("date", "what", "median_ms", "low_ms", "high_ms", "asked_ms")
            .setSkipHeaderRecord(true)
            .setRecordSeparator('\n')
            .get();
    private static final double SLOWER = 1.3;

    private History() {}

    public static void main(String[] arguments) throws IOException {
        List<Rows.Row> rows = new Rows(Path.of(arguments[0])).all();
        Path history = Path.of(arguments[1]);
        Map<String, Double> before = before(history);
        append(history, arguments[2], rows);
        PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
        out.println("| what | median, ms | 5 to 95 %, ms | asked, ms | the run before, ms | |");
        out.println("|---|---|---|---|---|---|");
        for (Rows.Row r : rows) {
            Double was = before.get(r.what());
            out.printf(
                    Locale.ROOT,
                    "| %s | %s | %s to %s | %s | %s | %s |%n",
                    r.what(),
                    Rows.ms(r.median()),
                    Rows.ms(r.low()),
                    Rows.ms(r.high()),
                    r.asked() == 0 ? "" : Rows.ms(r.asked()),
                    was == null ? "" : Rows.ms(was),
                    told(r, was));
        }
    }

    private static String told(Rows.Row row, Double was) {
        String slower = was != null && row.median() > was * SLOWER ? "slower" : "";
        return row.kept() ? slower : ("over " + slower).strip();
    }

    private static Map<String, Double> before(Path history) throws IOException {
        Map<String, Double> last = new HashMap<>();
        if (Files.exists(history)) {
            try (var csv = FORMAT.parse(Files.newBufferedReader(history))) {
                csv.forEach(r -> last.put(r.get("what"), Double.valueOf(r.get("median_ms"))));
            }
        }
        return last;
    }

    private static void append(Path history, String date, List<Rows.Row> rows) throws IOException {
        boolean fresh = !Files.exists(history);
        try (CSVPrinter csv = new CSVPrinter(
                Files.newBufferedWriter(history, StandardOpenOption.CREATE, StandardOpenOption.APPEND), FORMAT)) {
            if (fresh) {
                csv.printRecord((Object[]) FORMAT.getHeader());
            }
            for (Rows.Row r : rows) {
                csv.printRecord(
                        date,
                        r.what(),
                        Rows.ms(r.median()),
                        Rows.ms(r.low()),
                        Rows.ms(r.high()),
                        r.asked() == 0 ? "" : Rows.ms(r.asked()));
            }
        }
    }
}
