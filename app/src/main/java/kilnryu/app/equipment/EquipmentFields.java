package kilnryu.app.equipment;

import static kilnryu.app.sheet.Declared.Page.EQUIPMENT;
import static kilnryu.app.sheet.Declared.either;
import static kilnryu.app.sheet.Declared.text;

import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;

/** The fields of a studio's equipment. */
final class EquipmentFields {
    private static final Range BORNE = new Range(Measure.KILO, 0.1, 5000);
    private static final Range ON_SCALE = new Range(Measure.GRAM, 1, 1_000_000);
    private static final Range DIGIT = new Range(Measure.GRAM, 0.0001, 1000);
    private static final Range SHEET = new Range(Measure.MILLIMETRE, 0.3, 50);
    private static final Range PRICE = new Range(Measure.TIMES, 0, 100_000);

    static final Text FLASK_NAME = text("flasks[].name", 60, "Name", "by its size", EQUIPMENT);
    static final Quantity FLASK_INNER = quantity("flasks[].inner_mm", Range.LENGTH, "Inside", "mm");
    static final Quantity FLASK_OTHER =
            quantity("flasks[].other_mm", Range.LENGTH, "Short inside width (oval)", "round");
    static final Quantity FLASK_HEIGHT = quantity("flasks[].height_mm", Range.LENGTH, "High", "mm");
    static final Choice<Boolean> FLASK_STEEL = either(
            "flasks[].steel",
            new Meaning<>("solid", "solid", false),
            new Meaning<>("perforated", "perforated", true),
            "Steel",
            EQUIPMENT);
    static final Quantity FLASK_WALL = quantity("flasks[].wall_mm", SHEET, "Wall", "2 mm");
    static final Quantity FLASK_DOME = quantity("flasks[].dome_cm3", Range.VOLUME_OR_NONE, "Dome of its base", "none");
    static final Whole FLASK_COUNT = Declared.whole("flasks[].count", 1, 500, "How many", "1", EQUIPMENT);
    static final Text BOWL_NAME = text("bowls[].name", 60, "Name", "bucket", EQUIPMENT);
    static final Quantity BOWL_VOLUME = quantity("bowls[].volume_cm3", Range.VOLUME, "Holds", "5 l");
    static final Whole BOWL_COUNT = Declared.whole("bowls[].count", 1, 100, "How many", "1", EQUIPMENT);

    static final Quantity BELL_WIDTH = quantity("chamber_opening_mm", Range.LENGTH, "Bell, inside width", "300 mm");
    static final Quantity BELL_HEIGHT = quantity("chamber_height_mm", Range.LENGTH, "Bell, inside height", "320 mm");
    static final Whole BELL_PLACES = Declared.whole("bell_places", 1, 50, "Flasks under it at once", "1", EQUIPMENT);
    static final Quantity TABLE_OPENING = quantity("table_opening_mm", Range.LENGTH, "Pouring table, opening", "none");
    static final Quantity TABLE_REACH =
            quantity("table_reach_mm", Range.LENGTH, "Its reach into the mold", "not known");
    static final Quantity SCALE_MOST = quantity("scale_capacity_g", ON_SCALE, "Scale bears", "5 kg");
    static final Quantity SCALE_STEP = quantity("scale_step_g", DIGIT, "Its last digit", "0.1 g");
    static final Quantity LIFT = quantity("lift_kg", BORNE, "One person lifts", "25 kg");
    static final Quantity KILN_WIDTH = quantity("kiln_width_mm", Range.LENGTH, "Kiln, inside width", "400 mm");
    static final Quantity KILN_HEIGHT = quantity("kiln_height_mm", Range.LENGTH, "Kiln, inside height", "450 mm");
    static final Quantity CRUCIBLE = quantity("crucible_cm3", Range.VOLUME, "Crucible holds, to the brim", "1200 cm³");
    static final Quantity CRUCIBLE_RATED = quantity("crucible_rated_g", Range.MASS, "It is rated for", "not said");
    static final Quantity TANK_WIDTH = quantity("tank_diameter_mm", Range.LENGTH, "Slurry tank, width", "none");
    static final Quantity TANK_DEPTH = quantity("tank_depth_mm", Range.LENGTH, "Slurry tank, depth", "none");
    static final Text MONEY = text("money", 8, "Currency, on every price", "€", EQUIPMENT);
    static final Quantity SLURRY_PRICE = quantity("slurry_price", PRICE, "Price of 1 kg of slurry", "not known");
    static final Quantity STUCCO_PRICE = quantity("stucco_price", PRICE, "Price of 1 kg of stucco", "not known");

    /** Of a studio that named its largest flask before flasks had a list; no page asks for it any more. */
    static final Quantity LARGEST_WIDTH = Declared.quantity("flask_diameter_mm", Range.LENGTH, "", "");

    static final Quantity LARGEST_HEIGHT = Declared.quantity("flask_height_mm", Range.LENGTH, "", "");

    static final FieldList ALL = FieldList.of(FLASK_NAME, FLASK_INNER, FLASK_OTHER, FLASK_HEIGHT, FLASK_STEEL)
            .and(FieldList.of(FLASK_WALL, FLASK_DOME, FLASK_COUNT, BOWL_NAME, BOWL_VOLUME, BOWL_COUNT))
            .and(FieldList.of(BELL_WIDTH, BELL_HEIGHT, BELL_PLACES, TABLE_OPENING, TABLE_REACH))
            .and(FieldList.of(SCALE_MOST, SCALE_STEP, LIFT, KILN_WIDTH, KILN_HEIGHT, CRUCIBLE, CRUCIBLE_RATED))
            .and(FieldList.of(TANK_WIDTH, TANK_DEPTH, MONEY, SLURRY_PRICE, STUCCO_PRICE))
            .and(FieldList.of(LARGEST_WIDTH, LARGEST_HEIGHT));

    private EquipmentFields() {}

    private static Quantity quantity(String path, Range range, String label, String hint) {
        return Declared.quantity(path, range, label, hint, EQUIPMENT);
    }
}
