package kilnryu.app.melt;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.sheet.SheetForm.Option;
import kilnryu.app.web.Units;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Furnace;
import kilnryu.core.melt.PotChecks;
import kilnryu.core.melt.PotCooling;
import kilnryu.core.tree.Crucible;

/** Reads a furnace or a crucible from its fields. */
public final class MelterReader {
    private static final int LONGEST_NAME = 60;
    private static final int LONGEST_NOTE = 400;

    private MelterReader() {}

    static List<Option> families() {
        return Arrays.stream(Alloy.Family.values())
                .map(f -> new Option(key(f), f.name().toLowerCase(Locale.ROOT).replace('_', ' ')))
                .toList();
    }

    private static String key(Alloy.Family family) {
        return family.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    public static Optional<Furnace> furnace(Fields fields) {
        named(fields);
        OptionalDouble power = fields.required("power_kW", MeltQuestionReader.POWER);
        Optional<Furnace.Heating> heating = fields.choice("heating", Furnace.Heating::named);
        if (heating.isEmpty()) {
            fields.missing("heating", "Say how it heats.");
        }
        OptionalDouble share = fields.quantity("efficiency_pct", MeltQuestionReader.EFFICIENCY);
        OptionalDouble most = fields.quantity("max_C", MeltQuestionReader.MOST_C);
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new Furnace(power.getAsDouble(), heating.get(), share, most));
    }

    /**
     * A crucible with all that counts of it.
     *
     * @param cooling of its open face and wall, in a room of 20 C
     */
    public record Pot(Crucible crucible, PotCooling cooling, PotChecks.Pot kept) {}

    /** @param heats it had, besides those that are typed */
    public static Optional<Pot> crucible(Fields fields, int heats) {
        Optional<String> name = named(fields);
        OptionalDouble capacity = fields.required("capacity_cm3", Range.VOLUME);
        OptionalDouble rated = fields.quantity("rated_g", Range.MASS);
        OptionalDouble mouth = fields.quantity("mouth_mm", Range.LENGTH);
        OptionalDouble wall = fields.quantity("wall_cm2", Range.AREA);
        Optional<Alloy.Family> family = fields.choice(
                "family",
                k -> Arrays.stream(Alloy.Family.values())
                        .filter(f -> key(f).equals(k))
                        .findFirst());
        boolean iron = fields.choice("of", MelterReader::iron).orElse(false);
        boolean lead = fields.choice("held_lead", MelterReader::yes).orElse(false);
        boolean covered = fields.choice("covered", MelterReader::yes).orElse(false);
        int uses = fields.whole("uses", 0, 10_000).orElse(0) + heats;
        looked(fields);
        if (fields.hasErrors()) {
            return Optional.empty();
        }
        double cm3 = capacity.getAsDouble();
        return Optional.of(new Pot(
                new Crucible(capacity, rated),
                PotCooling.of(cm3, mouth, wall, covered),
                new PotChecks.Pot(name.get(), family, iron, lead, uses)));
    }

    private static Optional<String> named(Fields fields) {
        Optional<String> name = fields.text("name", LONGEST_NAME);
        if (name.isEmpty()) {
            fields.missing("name", "Give it a name.");
        }
        fields.text("note", LONGEST_NOTE);
        return name;
    }

    private static void looked(Fields fields) {
        fields.text("looked_on", 10).ifPresent(d -> {
            try {
                LocalDate.parse(d);
            } catch (DateTimeParseException e) {
                fields.error("looked_on", "Write the day as 2026-03-31.");
            }
        });
    }

    private static Optional<Boolean> iron(String word) {
        return switch (word) {
            case "iron" -> Optional.of(true);
            case "graphite" -> Optional.of(false);
            default -> Optional.empty();
        };
    }

    private static Optional<Boolean> yes(String word) {
        return switch (word) {
            case "yes" -> Optional.of(true);
            case "no" -> Optional.of(false);
            default -> Optional.empty();
        };
    }

    public static Optional<Furnace> furnace(Map<String, String> saved) {
        return furnace(Fields.typed(saved, Units.METRIC));
    }

    public static Optional<Pot> crucible(MelterStore.Row saved) {
        return crucible(Fields.typed(saved.fields(), Units.METRIC), saved.heats());
    }
}
