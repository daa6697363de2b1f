package kilnryu.app.logger;

import java.io.BufferedReader;
import java.io.FilterReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.PushbackReader;
import java.io.Reader;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
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
import org.springframework.web.multipart.MultipartFile;

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

    /** A heading is looked for in so much of the file, and a line that is longer is none. */
    private static final int LONGEST_LINE = 100_000;

    private final Source source;
    private final CSVFormat format;
    private final boolean commaIsPoint;

    private LoggerCsv(Source source, CSVFormat format, boolean commaIsPoint) {
        this.source = source;
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

    /** A file that can be read again and again, and is never in memory whole. */
    public interface Source {
        Reader open() throws IOException;

        /** How long it is, about, in characters. */
        long length();

        static Source of(String text) {
            return new Source() {
                @Override
                public Reader open() {
                    return new StringReader(text);
                }

                @Override
                public long length() {
                    return text.length();
                }
            };
        }

        /** A file as it was sent, UTF-8; it lies on the disk until the request ends. */
        static Source of(MultipartFile file) {
            return new Source() {
                @Override
                public Reader open() throws IOException {
                    return new InputStreamReader(file.getInputStream(), StandardCharsets.UTF_8);
                }

                @Override
                public long length() {
                    return file.getSize();
                }
            };
        }
    }

    public static LoggerCsv of(Source file) throws Unusable {
        String first = firstLine(file);
        char separator = first.contains(";") ? ';' : first.contains("\t") ? '\t' : ',';
        return new LoggerCsv(
                file,
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

    private static String firstLine(Source file) throws Unusable {
        try (Reader reader = plain(file)) {
            char[] head = new char[LONGEST_LINE];
            int size = 0;
            int more = 0;
            while (size < head.length && (more = reader.read(head, size, head.length - size)) > 0) {
                size += more;
            }
            return new String(head, 0, size)
                    .lines()
                    .filter(l -> !l.isBlank())
                    .findFirst()
                    .orElse("");
        } catch (IOException e) {
            throw new Unusable("This file cannot be read.");
        }
    }

    /** Without the mark that some programs put first. */
    private static Reader plain(Source file) throws IOException {
        PushbackReader reader = new PushbackReader(new BufferedReader(file.open(), 1 << 16));
        int first = reader.read();
        if (first >= 0 && first != '\uFEFF') {
            reader.unread(first);
        }
        return reader;
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
        try (Bounded file = new Bounded(plain(source));
                CSVParser parser = CSVParser.parse(file, format)) {
            for (CSVRecord line : parser) {
                file.line();
                reader.accept(line);
                if (line.getRecordNumber() % TELL_EVERY == 0) {
                    told.accept(Math.min(1, line.getCharacterPosition() / (double) Math.max(1, source.length())));
                }
            }
        } catch (IOException | UncheckedIOException | IllegalStateException e) {
            throw new Unusable("This is no CSV that can be read: " + e.getMessage());
        }
    }

    private CSVParser parser() throws IOException {
        return CSVParser.parse(new Bounded(plain(source)), format);
    }

    /** A file without ends of lines, or with a quote that never closes, is no CSV and does not fill the memory. */
    private static final class Bounded extends FilterReader {
        private static final int LONGEST_RECORD = 1_000_000;
        private int since;

        Bounded(Reader in) {
            super(in);
        }

        /** A line was read to its end. */
        void line() {
            since = 0;
        }

        @Override
        public int read() throws IOException {
            count(1);
            return super.read();
        }

        @Override
        public int read(char[] into, int from, int most) throws IOException {
            int got = super.read(into, from, most);
            count(Math.max(0, got));
            return got;
        }

        private void count(int more) throws IOException {
            since += more;
            if (since > LONGEST_RECORD) {
                throw new IOException("one of its lines is longer than a million letters.");
            }
        }
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
