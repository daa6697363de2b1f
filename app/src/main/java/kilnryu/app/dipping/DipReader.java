package kilnryu.app.dipping;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.dipping.DipStore.Logged;
import kilnryu.app.dipping.DipStore.Readings;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Coat;

/** Reads what is typed of a dip, and of what happens to a shell after it. */
final class DipReader {
    static final List<String> EVENTS = List.of("flaw", "dewax", "look");
    private static final Range ROOM = new Range(Measure.DEGREE_CELSIUS, -10, 50);
    private static final Range HUMIDITY = new Range(Measure.PERCENT, 0, 100);
    private static final Range SPEED = new Range(Measure.TIMES, 0, 20);
    private static final Range SECONDS = new Range(Measure.SECONDS, 1, 600);
    private static final Range SLURRY = new Range(Measure.GRAM_PER_CM3, 1, 5);
    private static final Range THICKNESS = new Range(Measure.MILLIMETRE, 0.1, 100);
    private static final Duration OLDEST = Duration.ofDays(120);
    private static final Duration SLACK = Duration.ofMinutes(5);
    private static final int LONGEST = 400;

    private DipReader() {}

    /** @param usual the air where none is typed */
    static Optional<Logged> dip(Fields fields, Air usual, Instant now, ZoneId zone) {
        Optional<Coat> coat = fields.choice("coat", Coat::named);
        if (coat.isEmpty()) {
            fields.missing("coat", "Which coat is it?");
        }
        Instant at = at(fields, now, zone).orElse(now);
        Air air = new Air(
                fields.quantity("temperature_C", ROOM).orElse(usual.celsius()),
                fields.quantity("humidity_pct", HUMIDITY).orElse(usual.humidity()),
                fields.quantity("air_m_s", SPEED).orElse(usual.speed()));
        OptionalDouble flow = fields.quantity("flow_s", SECONDS);
        OptionalDouble density = fields.quantity("density", SLURRY);
        OptionalDouble thickness = fields.quantity("thickness_mm", THICKNESS);
        OptionalDouble mass = fields.quantity("mass_g", Range.MASS);
        String note = fields.text("note", LONGEST).orElse("");
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new Logged(
                        coat.orElseThrow(), at, air, new Readings(flow, density, thickness, mass), "", note));
    }

    /** Local day and hour; what lies in the hour that a clock change leaves out is said. */
    private static Optional<Instant> at(Fields fields, Instant now, ZoneId zone) {
        Optional<String> text = fields.text("at", 40);
        if (text.isEmpty()) {
            return Optional.empty();
        }
        try {
            LocalDateTime local = LocalDateTime.parse(text.get().replace(' ', 'T'));
            ZonedDateTime zoned = local.atZone(zone);
            if (!zoned.toLocalDateTime().equals(local)) {
                fields.error("at", "The clocks go forward over this hour: it does not exist that night.");
            } else if (zoned.toInstant().isAfter(now.plus(SLACK))) {
                fields.error("at", "This lies ahead: a dip is logged when it is done.");
            } else if (zoned.toInstant().isBefore(now.minus(OLDEST))) {
                fields.error("at", "This is more than four months ago.");
            } else {
                return Optional.of(zoned.toInstant());
            }
        } catch (DateTimeParseException e) {
            fields.error("at", "Type day and hour like 2026-05-08 10:50.");
        }
        return Optional.empty();
    }

    /** What is written down of an event; a word at the field for what is missing. */
    static void event(String kind, Fields fields) {
        switch (kind) {
            case "flaw" -> {
                if (fields.text("where", LONGEST).isEmpty()) {
                    fields.missing("where", "Where is it?");
                }
                fields.quantity("depth_mm", Range.LENGTH_OR_NONE);
                fields.choice("found", w -> known(FOUND, w));
                fields.text("patched", LONGEST);
                fields.quantity("dried_h", Range.HOURS);
                fields.choice("refired", w -> known(YES, w));
            }
            case "dewax" -> {
                fields.required("recovered_g", Range.MASS_OR_NONE);
                fields.text("seen", LONGEST);
            }
            default -> {
                for (String tick : LOOKS.keySet()) {
                    fields.choice(tick, w -> known(YES, w));
                }
                fields.text("note", LONGEST);
            }
        }
    }

    /** When a crack is found. */
    static final Map<String, String> FOUND = Map.of(
            "drying", "while drying",
            "dewax", "after the dewax",
            "fire", "after the fire");

    private static final Map<String, String> YES = Map.of("yes", "yes", "no", "no");

    /** What is looked at before the pour. */
    static final Map<String, String> LOOKS = looks();

    private static Map<String, String> looks() {
        Map<String, String> looks = new java.util.LinkedHashMap<>();
        looks.put("tap", "Tapped: it rings clear");
        looks.put("light", "Held against a lamp: no crack shines through");
        looks.put("ash", "Ash blown out, nothing loose inside");
        looks.put("cup", "Cup clean, its edge brushed and covered");
        return looks;
    }

    private static Optional<String> known(Map<String, String> words, String word) {
        return Optional.ofNullable(words.get(word));
    }
}
