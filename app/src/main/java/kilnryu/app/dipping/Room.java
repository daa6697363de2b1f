package kilnryu.app.dipping;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.DipCalendar.Crew;
import kilnryu.core.shell.DipCalendar.Rack;

/**
 * The drying room: racks, hours and its usual day.
 *
 * @param day the air at each of 24 hours
 */
record Room(List<Rack> racks, Crew crew, List<Air> day) {
    private static final int MOST_RACKS = 40;
    private static final Pattern POINT =
            Pattern.compile("(\\d{1,2})\\s*h?\\s*:?\\s+?(-?[\\d.]+)\\s*/\\s*([\\d.]+)\\s*%?");

    /** What is typed when nothing is yet: two racks, a working week, a room that is kept. */
    static final Map<String, String> USUAL = usual();

    private static Map<String, String> usual() {
        Map<String, String> usual = new LinkedHashMap<>();
        usual.put("racks[k1].name", "rack A");
        usual.put("racks[k1].places", "6");
        usual.put("opens", "08:00");
        usual.put("closes", "18:00");
        usual.put("days", "mon tue wed thu fri");
        usual.put("per_dip_min", "10 min");
        usual.put("day", "0 20/52");
        usual.put("air_m_s", "1");
        return usual;
    }

    static Optional<Room> read(Fields fields, ZoneId zone) {
        List<Rack> racks = racks(fields);
        Optional<LocalTime> opens = time(fields, RoomFields.OPENS);
        Optional<LocalTime> closes = time(fields, RoomFields.CLOSES);
        Set<DayOfWeek> days = days(fields);
        double perDip = fields.quantity(RoomFields.DIP_TAKES).orElse(10);
        double speed = fields.quantity(RoomFields.AIR).orElse(1);
        List<Air> day = day(fields, speed);
        if (fields.hasErrors() || opens.isEmpty() || closes.isEmpty()) {
            return Optional.empty();
        }
        try {
            Crew crew = new Crew(zone, opens.get(), closes.get(), days, Duration.ofSeconds(Math.round(perDip * 60)));
            return Optional.of(new Room(racks, crew, day));
        } catch (IllegalArgumentException e) {
            fields.error(RoomFields.CLOSES, "Between these hours no dip can be done.");
            return Optional.empty();
        }
    }

    static Room saved(Map<String, String> fields, ZoneId zone) {
        return read(Fields.typed(fields, Units.METRIC), zone)
                .or(() -> read(Fields.typed(USUAL, Units.METRIC), zone))
                .orElseThrow();
    }

    private static List<Rack> racks(Fields fields) {
        List<Rack> racks = new ArrayList<>();
        for (String key : fields.keys("racks")) {
            Optional<String> name = fields.text(RoomFields.RACK.in(key));
            int places = fields.whole(RoomFields.PLACES.in(key)).orElse(1);
            if (name.isPresent()) {
                racks.add(new Rack(name.get(), places));
            }
        }
        if (racks.isEmpty()) {
            fields.missing("racks", "Name one rack at least.");
        }
        if (racks.size() > MOST_RACKS) {
            fields.error("racks", "At most " + MOST_RACKS + " racks.");
        }
        return racks;
    }

    private static Optional<LocalTime> time(Fields fields, Declared.Text field) {
        Optional<String> text = fields.named(field, "Type an hour like 08:00.");
        if (text.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(LocalTime.parse(text.get().length() == 4 ? "0" + text.get() : text.get()));
        } catch (DateTimeParseException e) {
            fields.error(field, "Type an hour like 08:00.");
            return Optional.empty();
        }
    }

    private static Set<DayOfWeek> days(Fields fields) {
        Set<DayOfWeek> days = EnumSet.noneOf(DayOfWeek.class);
        for (String word : fields.text(RoomFields.DAYS)
                .orElse("")
                .toLowerCase(java.util.Locale.ROOT)
                .split("[ ,]+")) {
            for (DayOfWeek day : DayOfWeek.values()) {
                if (!word.isEmpty()
                        && day.name().toLowerCase(java.util.Locale.ROOT).startsWith(word)) {
                    days.add(day);
                }
            }
        }
        if (days.isEmpty()) {
            fields.missing(RoomFields.DAYS, "Name the days on which someone dips, such as: mon tue wed thu fri.");
        }
        return days;
    }

    /** Points of the day as hour temperature/humidity, straight lines between them and round midnight. */
    private static List<Air> day(Fields fields, double speed) {
        TreeMap<Integer, double[]> points = new TreeMap<>();
        for (String item : fields.text(RoomFields.DAY).orElse("0 20/52").split("[,;]")) {
            Matcher matcher = POINT.matcher(item.strip());
            OptionalDouble[] read = matcher.matches() ? numbers(matcher) : new OptionalDouble[0];
            if (read.length == 0) {
                fields.error(
                        RoomFields.DAY,
                        "\"" + item.strip() + "\" is no point of a day: type hour, temperature and humidity"
                                + " like 8 17/65, 15 23/48.");
                return List.of();
            }
            points.put((int) read[0].getAsDouble(), new double[] {read[1].getAsDouble(), read[2].getAsDouble()});
        }
        List<Air> day = new ArrayList<>();
        for (int h = 0; h < 24; h++) {
            day.add(between(points, h, speed));
        }
        return day;
    }

    private static OptionalDouble[] numbers(Matcher matcher) {
        try {
            double hour = Double.parseDouble(matcher.group(1));
            double celsius = Double.parseDouble(matcher.group(2));
            double humidity = Double.parseDouble(matcher.group(3));
            boolean usable = hour < 24 && celsius > -10 && celsius < 50 && humidity >= 0 && humidity <= 100;
            return usable
                    ? new OptionalDouble[] {
                        OptionalDouble.of(hour), OptionalDouble.of(celsius), OptionalDouble.of(humidity)
                    }
                    : new OptionalDouble[0];
        } catch (NumberFormatException e) {
            return new OptionalDouble[0];
        }
    }

    private static Air between(TreeMap<Integer, double[]> points, int hour, double speed) {
        Map.Entry<Integer, double[]> before = points.floorEntry(hour);
        Map.Entry<Integer, double[]> after = points.ceilingEntry(hour);
        int from = before == null ? points.lastKey() - 24 : before.getKey();
        int to = after == null ? points.firstKey() + 24 : after.getKey();
        double[] a = before == null ? points.lastEntry().getValue() : before.getValue();
        double[] b = after == null ? points.firstEntry().getValue() : after.getValue();
        double share = to == from ? 0 : (double) (hour - from) / (to - from);
        return new Air(a[0] + (b[0] - a[0]) * share, a[1] + (b[1] - a[1]) * share, speed);
    }
}
