package kilnryu.app.dipping;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/**
 * Reads the file of a climate logger: CSV with a line of headings; time, temperature and humidity are found by their
 * names, °F by its letter, semicolons and decimal commas by their look.
 */
final class LoggerFile {
    private static final int MOST = 20_000;
    private static final List<DateTimeFormatter> FORMATS = List.of(
            DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm[:ss]"),
            DateTimeFormatter.ofPattern("d.M.uuuu H:mm[:ss]"),
            DateTimeFormatter.ofPattern("M/d/uuuu H:mm[:ss]"));

    private LoggerFile() {}

    /** What could be read, and how many lines could not. */
    record Read(List<RoomStore.Reading> readings, int bad) {}

    /** A file that cannot be taken in, with a word for the one who tried. */
    static final class Unusable extends Exception {
        private static final long serialVersionUID = 1L;

        Unusable(String message) {
            super(message);
        }
    }

    static Read read(String text, ZoneId zone) throws Unusable {
        String first = text.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
        char separator = first.contains(";") ? ';' : first.contains("\t") ? '\t' : ',';
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(separator)
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreEmptyLines(true)
                .setTrim(true)
                .setAllowMissingColumnNames(true)
                .get();
        String plain = text.startsWith("\uFEFF") ? text.substring(1) : text;
        try (CSVParser parser = CSVParser.parse(new StringReader(plain), format)) {
            String time = heading(parser, "time", "date");
            String celsius = heading(parser, "temp");
            String humidity = heading(parser, "hum", "rh");
            boolean fahrenheit =
                    celsius.toLowerCase(Locale.ROOT).replace(" ", "").matches(".*(°f|\\(f\\)|_f|fahr).*");
            return lines(parser, List.of(time, celsius, humidity), fahrenheit, zone);
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            throw new Unusable("This is no CSV that can be read: " + e.getMessage());
        }
    }

    private static Read lines(CSVParser parser, List<String> columns, boolean fahrenheit, ZoneId zone) throws Unusable {
        List<RoomStore.Reading> readings = new ArrayList<>();
        int bad = 0;
        for (CSVRecord line : parser) {
            Optional<RoomStore.Reading> reading = line(line, columns, fahrenheit, zone);
            if (reading.isPresent()) {
                readings.add(reading.get());
            } else {
                bad++;
            }
            if (readings.size() > MOST) {
                throw new Unusable("At most " + MOST + " readings at once.");
            }
        }
        if (readings.isEmpty()) {
            throw new Unusable("No line of it holds a time, a temperature and a humidity.");
        }
        return new Read(readings, bad);
    }

    private static String heading(CSVParser parser, String... words) throws Unusable {
        for (String word : words) {
            for (String name : parser.getHeaderNames()) {
                if (name.toLowerCase(Locale.ROOT).contains(word)) {
                    return name;
                }
            }
        }
        throw new Unusable("It has no column named like " + String.join(" or ", words) + "; it has "
                + String.join(", ", parser.getHeaderNames()) + ".");
    }

    private static Optional<RoomStore.Reading> line(
            CSVRecord line, List<String> columns, boolean fahrenheit, ZoneId zone) {
        try {
            Instant at = time(line.get(columns.get(0)), zone);
            double shown = number(line.get(columns.get(1)));
            double celsius = fahrenheit ? (shown - 32) / 1.8 : shown;
            double humidity = number(line.get(columns.get(2)));
            boolean possible = celsius > -30 && celsius < 60 && humidity >= 0 && humidity <= 100;
            return possible
                    ? Optional.of(new RoomStore.Reading(at, celsius, humidity, OptionalDouble.empty()))
                    : Optional.empty();
        } catch (DateTimeException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace("%", "")
                .replace("°C", "")
                .replace("°F", "")
                .strip()
                .replace(',', '.'));
    }

    private static Instant time(String text, ZoneId zone) {
        String plain = text.strip();
        if (plain.matches(".*(Z|[+-]\\d\\d:\\d\\d)$")) {
            return OffsetDateTime.parse(plain.replace(' ', 'T')).toInstant();
        }
        String spaced = plain.replace('T', ' ');
        for (DateTimeFormatter format : FORMATS) {
            try {
                return LocalDateTime.parse(spaced, format).atZone(zone).toInstant();
            } catch (DateTimeException e) {
                // the next format may fit
            }
        }
        throw new DateTimeException(plain);
    }
}
