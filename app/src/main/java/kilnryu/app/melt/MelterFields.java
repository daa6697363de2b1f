package kilnryu.app.melt;

import static kilnryu.app.sheet.Declared.Page.FURNACE;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.either;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import java.util.Locale;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Day;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.Furnace;

/** The fields of a furnace and of a crucible. */
public final class MelterFields {
    private static final Meaning<Boolean> NO = new Meaning<>("no", "no", false);
    private static final Meaning<Boolean> YES = new Meaning<>("yes", "yes", true);

    static final Text FURNACE_NAME = text("name", 60, "Name", "bench furnace", FURNACE);
    static final Quantity POWER = quantity("power_kW", MeltFields.POWER, "Rated power, kW", "3.5", FURNACE);
    static final Choice<Furnace.Heating> HEATING = choice(
            "heating",
            Meaning.of(Furnace.Heating.values(), Furnace.Heating::key, Furnace.Heating::label),
            "Heats by",
            "choose",
            FURNACE);
    static final Quantity MOST = quantity("max_C", MeltFields.MOST_C, "Gets as hot as", "1250 °C", FURNACE);
    static final Quantity EFFICIENCY = quantity(
            "efficiency_pct",
            MeltFields.SHARE_THAT_HEATS,
            "Share that reaches the metal",
            "usual of its kind",
            FURNACE);
    static final Text FURNACE_NOTE = text("note", 400, "Note", "lining, nozzle, hose", FURNACE);

    public static final FieldList OF_FURNACE =
            FieldList.of(FURNACE_NAME, POWER, HEATING, MOST, EFFICIENCY, FURNACE_NOTE);

    static final Text CRUCIBLE_NAME = text("name", 60, "Name", "bronze pot", FURNACE);
    static final Quantity CAPACITY = quantity("capacity_cm3", Range.VOLUME, "Holds to the brim", "600 cm³", FURNACE);
    static final Quantity RATED = quantity("rated_g", Range.MASS, "Rated for", "not said", FURNACE);
    static final Quantity MOUTH = quantity("mouth_mm", Range.LENGTH, "Mouth, inside", "by its volume", FURNACE);
    static final Quantity WALL = quantity("wall_cm2", Range.AREA, "Outside wall", "by its volume", FURNACE);
    static final Choice<Boolean> IRON = either(
            "of",
            new Meaning<>("graphite", "clay and graphite", false),
            new Meaning<>("iron", "iron or steel", true),
            "Of",
            FURNACE);
    static final Choice<Alloy.Family> FAMILY = choice(
            "family",
            Meaning.of(Alloy.Family.values(), f -> key(f, '-'), f -> key(f, ' ')),
            "Kept for",
            "any",
            FURNACE);
    static final Choice<Boolean> LEAD = either("held_lead", NO, YES, "Held leaded metal", FURNACE);
    static final Choice<Boolean> COVERED = either("covered", NO, YES, "Carried under a cover", FURNACE);
    static final Whole USES = Declared.whole("uses", 0, 10_000, "Heats before it came here", "0", FURNACE);
    static final Day LOOKED = Declared.day("looked_on", "Last looked at", FURNACE);
    static final Text CRUCIBLE_NOTE = text("note", 400, "Note", "glaze, cracks", FURNACE);

    public static final FieldList OF_CRUCIBLE = FieldList.of(CRUCIBLE_NAME, CAPACITY, RATED, MOUTH, WALL, IRON)
            .and(FieldList.of(FAMILY, LEAD, COVERED, USES, LOOKED, CRUCIBLE_NOTE));

    private MelterFields() {}

    private static String key(Alloy.Family family, char between) {
        return family.name().toLowerCase(Locale.ROOT).replace('_', between);
    }
}
