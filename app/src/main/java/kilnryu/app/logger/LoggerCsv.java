package kilnryu.app.logger;

import java.io.IOException;
import java.io.Reader;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Consumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** A logger's file: a line of headings, then readings; separators, decimal commas and °F are told by their look. */
public final class LoggerCsv {
    private static final List<DateTimeFormatter> FORMATS = List.of(
            DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm[:ss][.SSS]"),
            DateTimeFormatter.ofPattern("d.M.uuuu H:mm[:ss]"),
            DateTimeFormatter.ofPattern("M/d/uuuu H:mm[:ss]"));

    private final String text;
    private final CSVFormat format;

    private LoggerCsv(String text, CSVFormat format) {
        this.text = text;
        this.format = format;
    }

    /** A file that cannot be taken in, with a word for the one who tried. */
    public static final class Unusable extends Exception {
        private static final long serialVersionUID = 1L;

        public Unusable(String message) {
            super(message);
        }
    }

    public static LoggerCsv of(String file) {
        String plain = file.startsWith("\uFEFF") ? file.substring(1) : file;
        String first = plain.lines().filter(l -> !l.isBlank()).findFirst().orElse("");
        char separator = first.contains(";") ? ';' : first.contains("\t") ? '\t' : ',';
        return new LoggerCsv(
                plain,
                CSVFormat.DEFAULT
                        .builder()
                        .setDelimiter(separator)
                        .setHeader()
                        .setSkipHeaderRecord(true)
                        .setIgnoreEmptyLines(true)
                        .setTrim(true)
                        .setAllowMissingColumnNames(true)
                        .get());
    }

    /** Its headings. */
    public List<String> headings() throws Unusable {
        try (CSVParser parser = parser()) {
            return List.copyOf(parser.getHeaderNames());
        } catch (IOException | UncheckedIOException | IllegalArgumentException | IllegalStateException e) {
            throw new Unusable("This is no CSV that can be read: " + e.getMessage());
        }
    }

    /** Line by line; a line that cannot be read is the reader's to count. */
    public void each(Consumer<CSVRecord> reader) throws Unusable {
        try (CSVParser parser = parser()) {
            parser.forEach(reader);
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw new Unusable("This is no CSV that can be read: " + e.getMessage());
        }
    }

    private CSVParser parser() throws IOException {
        Reader reader = new StringReader(text);
        return CSVParser.parse(reader, format);
    }

    /** The first heading that holds one of the words. */
    public static Optional<String> like(List<String> headings, String... words) {
        for (String word : words) {
            for (String name : headings) {
                if (name.toLowerCase(Locale.ROOT).contains(word)) {
                    return Optional.of(name);
                }
            }
        }
        return Optional.empty();
    }

    /** Whether a heading says °F. */
    public static boolean fahrenheit(String heading) {
        return heading.toLowerCase(Locale.ROOT).replace(" ", "").matches(".*(°f|\\(f\\)|\\[f\\]|_f|fahr).*");
    }

    /**
     * A number with point or comma; commas that part thousands are left out.
     *
     * @throws NumberFormatException for anything else
     */
    public static double number(String text) {
        String plain = text.replace("%", "")
                .replace("°C", "")
                .replace("°F", "")
                .replace("'", "")
                .strip();
        if (plain.matches("[-+]?\\d{1,3}(,\\d{3})+(\\.\\d+)?")) {
            return Double.parseDouble(plain.replace(",", ""));
        }
        return Double.parseDouble(plain.replace(',', '.'));
    }

    /**
     * A time of day and date, with its offset or in the studio's zone; in the hour that comes twice in autumn the first
     * that is not before the reading before it.
     *
     * @throws DateTimeException when it is none
     */
    public static Instant time(String text, ZoneId zone, Optional<Instant> before) {
        String plain = text.strip();
        if (plain.matches(".*(Z|[+-]\\d\\d:\\d\\d)$")) {
            return OffsetDateTime.parse(plain.replace(' ', 'T')).toInstant();
        }
        String spaced = plain.replace('T', ' ');
        for (DateTimeFormatter format : FORMATS) {
            try {
                ZonedDateTime at = LocalDateTime.parse(spaced, format).atZone(zone);
                boolean back = before.filter(b -> at.toInstant().isBefore(b)).isPresent();
                return back ? at.withLaterOffsetAtOverlap().toInstant() : at.toInstant();
            } catch (DateTimeException e) {
                // the next format may fit
            }
        }
        throw new DateTimeException(plain);
    }
}
