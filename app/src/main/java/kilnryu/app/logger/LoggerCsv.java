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
import java.util.function.DoubleConsumer;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;

/** A logger's file: a line of headings, then readings; separators, decimal commas and °F are told by their look. */
public final class LoggerCsv {
    private static final List<DateTimeFormatter> FORMATS = List.of(
            DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm[:ss][.SSS]"),
            DateTimeFormatter.ofPattern("d.M.uuuu H:mm[:ss]"),
            DateTimeFormatter.ofPattern("M/d/uuuu H:mm[:ss]"));

    private static final Pattern MARKS = Pattern.compile("[%'\\s]|°[CF]");
    private static final Pattern THOUSANDS = Pattern.compile("[-+]?\\d{1,3}(,\\d{3})+(\\.\\d+)?");
    private static final Pattern OFFSET = Pattern.compile(".*(Z|[+-]\\d\\d:\\d\\d)");
    private static final int TELL_EVERY = 20_000;
    private static final int LONGEST_LIST = 200;

    private final String text;
    private final CSVFormat format;
    private final boolean commaIsPoint;

    private LoggerCsv(String text, CSVFormat format, boolean commaIsPoint) {
        this.text = text;
        this.format = format;
        this.commaIsPoint = commaIsPoint;
    }

    /** A file that cannot be taken in, with a word for the one who tried. */
    public static final class Unusable extends Exception {
        private static final long serialVersionUID = 1L;

        private final String field;

        public Unusable(String message) {
            this(message, "file");
        }

        /** @param field of the form at which it is said */
        public Unusable(String message, String field) {
            super(message);
            this.field = field;
        }

        public String field() {
            return field;
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
                        .get(),
                separator == ';');
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
        each(reader, share -> {});
    }

    /** @param told the share that has been read, now and then */
    public void each(Consumer<CSVRecord> reader, DoubleConsumer told) throws Unusable {
        try (CSVParser parser = parser()) {
            for (CSVRecord line : parser) {
                reader.accept(line);
                if (line.getRecordNumber() % TELL_EVERY == 0) {
                    told.accept(line.getCharacterPosition() / (double) text.length());
                }
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw new Unusable("This is no CSV that can be read: " + e.getMessage());
        }
    }

    private CSVParser parser() throws IOException {
        Reader reader = new StringReader(text);
        return CSVParser.parse(reader, format);
    }

    /** The headings in words, for one who looks for a column; what no one can read is left out. */
    public static String listed(List<String> headings) {
        String all = String.join(", ", headings).replaceAll("[\\p{Cntrl}\\uFFFD]", "");
        return all.length() > LONGEST_LIST ? all.substring(0, LONGEST_LIST) + "…" : all;
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
     * A number with point or comma. Where semicolons part the columns a comma is the point and points part thousands, else
     * commas in their places part thousands.
     *
     * @throws NumberFormatException for anything else
     */
    public double number(String shown) {
        String plain = MARKS.matcher(shown).replaceAll("");
        if (plain.indexOf(',') < 0) {
            return Double.parseDouble(plain);
        }
        if (commaIsPoint) {
            return Double.parseDouble(plain.replace(".", "").replace(',', '.'));
        }
        return Double.parseDouble(
                THOUSANDS.matcher(plain).matches() ? plain.replace(",", "") : plain.replace(',', '.'));
    }

    /**
     * A time of day and date, with its offset or in the studio's zone; in the hour that comes twice in autumn the first
     * that is not before the reading before it.
     *
     * @throws DateTimeException when it is none
     */
    public static Instant time(String text, ZoneId zone, Optional<Instant> before) {
        String plain = text.strip();
        if (OFFSET.matcher(plain).matches()) {
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
