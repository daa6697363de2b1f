package kilnryu.app.dipping;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.dipping.DipStore.Logged;
import kilnryu.app.dipping.DipStore.Readings;
import kilnryu.app.sheet.Fields;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Coat;

/** Reads what is typed of a dip, and of what happens to a shell after it. */
final class DipReader {
    static final List<String> EVENTS = List.of("flaw", "dewax", "look");
    private static final Duration OLDEST = Duration.ofDays(120);
    private static final Duration SLACK = Duration.ofMinutes(5);

    private DipReader() {}

    /** @param usual the air where none is typed */
    static Optional<Logged> dip(Fields fields, Air usual, Instant now, ZoneId zone) {
        Optional<Coat> coat = fields.chosen(DipFields.COAT, "Which coat is it?");
        Instant at = at(fields, now, zone).orElse(now);
        Air air = new Air(
                fields.quantity(DipFields.AIR).orElse(usual.celsius()),
                fields.quantity(DipFields.HUMID).orElse(usual.humidity()),
                fields.quantity(DipFields.BLOWS).orElse(usual.speed()));
        OptionalDouble flow = fields.quantity(DipFields.FLOW);
        OptionalDouble density = fields.quantity(DipFields.DENSITY);
        OptionalDouble thickness = fields.quantity(DipFields.THICK);
        OptionalDouble mass = fields.quantity(DipFields.MASS);
        String note = fields.text(DipFields.NOTE).orElse("");
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new Logged(
                        coat.orElseThrow(), at, air, new Readings(flow, density, thickness, mass), "", note));
    }

    /** Local day and hour; what lies in the hour that a clock change leaves out is said. */
    private static Optional<Instant> at(Fields fields, Instant now, ZoneId zone) {
        Optional<String> text = fields.text(DipFields.AT);
        if (text.isEmpty()) {
            return Optional.empty();
        }
        try {
            LocalDateTime local = LocalDateTime.parse(text.get().replace(' ', 'T'));
            ZonedDateTime zoned = local.atZone(zone);
            if (!zoned.toLocalDateTime().equals(local)) {
                fields.error(DipFields.AT, "The clocks go forward over this hour: it does not exist that night.");
            } else if (zoned.toInstant().isAfter(now.plus(SLACK))) {
                fields.error(DipFields.AT, "This lies ahead: a dip is logged when it is done.");
            } else if (zoned.toInstant().isBefore(now.minus(OLDEST))) {
                fields.error(DipFields.AT, "This is more than four months ago.");
            } else {
                return Optional.of(zoned.toInstant());
            }
        } catch (DateTimeParseException e) {
            fields.error(DipFields.AT, "Type day and hour like 2026-05-08 10:50.");
        }
        return Optional.empty();
    }

    /** What is written down of an event; a word at the field for what is missing. */
    static void event(String kind, Fields fields) {
        switch (kind) {
            case "flaw" -> {
                fields.named(DipFields.WHERE, "Where is it?");
                fields.look(DipFields.DEPTH, DipFields.FOUND, DipFields.PATCHED, DipFields.DRIED, DipFields.REFIRED);
            }
            case "dewax" -> {
                fields.required(DipFields.RECOVERED);
                fields.look(DipFields.SEEN);
            }
            default -> {
                DipFields.LOOKS.forEach(fields::look);
                fields.look(DipFields.NOTE);
            }
        }
    }
}
