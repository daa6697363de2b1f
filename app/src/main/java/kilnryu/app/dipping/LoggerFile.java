package kilnryu.app.dipping;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.logger.LoggerCsv;
import kilnryu.app.logger.LoggerCsv.Unusable;
import org.apache.commons.csv.CSVRecord;

/** Reads the file of a climate logger: time, temperature and humidity are found by the names of their columns. */
final class LoggerFile {
    private static final int MOST = 20_000;

    private LoggerFile() {}

    /** What could be read, and how many lines could not. */
    record Read(List<RoomStore.Reading> readings, int bad) {}

    static Read read(LoggerCsv.Source file, ZoneId zone) throws Unusable {
        LoggerCsv csv = LoggerCsv.of(file);
        List<String> headings = csv.headings();
        List<String> columns =
                List.of(heading(headings, "time", "date"), heading(headings, "temp"), heading(headings, "hum", "rh"));
        List<RoomStore.Reading> readings = new ArrayList<>();
        int[] bad = new int[1];
        csv.each(line -> line(csv, line, columns, zone)
                .ifPresentOrElse(
                        reading -> {
                            if (readings.size() <= MOST) {
                                readings.add(reading);
                            }
                        },
                        () -> bad[0]++));
        if (readings.size() > MOST) {
            throw new Unusable("At most " + MOST + " readings at once.");
        }
        if (readings.isEmpty()) {
            throw new Unusable("No line of it holds a time, a temperature and a humidity.");
        }
        return new Read(readings, bad[0]);
    }

    private static String heading(List<String> headings, String... words) throws Unusable {
        return LoggerCsv.like(headings, words)
                .orElseThrow(() -> new Unusable("It has no column named like " + String.join(" or ", words)
                        + "; it has " + LoggerCsv.listed(headings) + "."));
    }

    private static Optional<RoomStore.Reading> line(LoggerCsv csv, CSVRecord line, List<String> columns, ZoneId zone) {
        try {
            Instant at = LoggerCsv.time(line.get(columns.get(0)), zone, Optional.empty());
            double shown = csv.number(line.get(columns.get(1)));
            double celsius = LoggerCsv.fahrenheit(columns.get(1)) ? (shown - 32) / 1.8 : shown;
            double humidity = csv.number(line.get(columns.get(2)));
            boolean possible = celsius > -30 && celsius < 60 && humidity >= 0 && humidity <= 100;
            return possible
                    ? Optional.of(new RoomStore.Reading(at, celsius, humidity, OptionalDouble.empty()))
                    : Optional.empty();
        } catch (DateTimeException | IllegalArgumentException e) {
            return Optional.empty();
        }
    }
}
