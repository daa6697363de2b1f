package kilnryu.app.melt;

import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.app.melt.MetalStore.Lot;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.melt.MakeUp;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/** The store as a table of commas, out and in. */
final class MetalCsv {
    private static final List<String> COLUMNS =
            List.of("name", "kind", "make_up", "mass_g", "piece_g", "price", "got_on", "place", "of_casting", "note");
    private static final int MOST = 500;

    private MetalCsv() {}

    static void write(List<Lot> lots, Writer out) throws IOException {
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setHeader(COLUMNS.toArray(String[]::new))
                .get();
        try (CSVPrinter csv = new CSVPrinter(out, format)) {
            for (Lot lot : lots) {
                List<String> cells = new ArrayList<>();
                for (String column : COLUMNS) {
                    cells.add(cell(lot, column));
                }
                csv.printRecord(cells);
            }
        }
    }

    private static String cell(Lot lot, String column) {
        return switch (column) {
            case "name" -> lot.name();
            case "kind" -> lot.type().key();
            case "make_up" -> lot.makeUp().map(MakeUp::toString).orElse("");
            case "mass_g" -> String.format(Locale.ROOT, "%.3f", lot.remaining());
            default -> lot.fields().getOrDefault(column, "");
        };
    }

    /**
     * The lots of a table.
     *
     * @param faults by line, as "line 3, make_up: ..."; nothing is taken in where there is any
     */
    record Read(List<Map<String, String>> lots, List<String> faults) {}

    static Read read(Reader in, Units units) {
        List<Map<String, String>> lots = new ArrayList<>();
        List<String> faults = new ArrayList<>();
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setHeader()
                .setSkipHeaderRecord(true)
                .setTrim(true)
                .setIgnoreHeaderCase(true)
                .setIgnoreEmptyLines(true)
                .get();
        try (CSVParser csv = CSVParser.parse(in, format)) {
            List<String> lacking = List.of("name", "kind", "mass_g").stream()
                    .filter(c -> csv.getHeaderNames().stream().noneMatch(c::equalsIgnoreCase))
                    .toList();
            if (!lacking.isEmpty()) {
                return new Read(
                        List.of(),
                        List.of("The first line has to name the columns; it lacks " + String.join(", ", lacking)
                                + ". Known are " + String.join(", ", COLUMNS) + "."));
            }
            for (CSVRecord line : csv) {
                if (lots.size() >= MOST) {
                    faults.add("At most " + MOST + " lots at once.");
                    break;
                }
                lots.add(lot(line, units, faults));
            }
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            faults.add("It cannot be read as a table of commas.");
        }
        if (lots.isEmpty() && faults.isEmpty()) {
            faults.add("There is no line in it.");
        }
        return new Read(lots, faults);
    }

    private static Map<String, String> lot(CSVRecord line, Units units, List<String> faults) {
        Map<String, String> lot = new LinkedHashMap<>();
        for (String column : COLUMNS) {
            if (line.isMapped(column) && line.isSet(column) && !line.get(column).isBlank()) {
                lot.put(column, line.get(column));
            }
        }
        Fields fields = Fields.typed(lot, units);
        MetalReader.read(fields, true);
        fields.errors()
                .forEach((field, message) ->
                        faults.add("Line " + (line.getRecordNumber() + 1) + ", " + field + ": " + message));
        return lot;
    }
}
