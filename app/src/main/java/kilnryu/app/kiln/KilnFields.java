package kilnryu.app.kiln;

import static kilnryu.app.sheet.Declared.Page.KILN;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.either;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import kilnryu.app.kiln.StudioKiln.Control;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;

/** The fields of a kiln. */
public final class KilnFields {
    private static final Range INSIDE = new Range(Measure.MILLIMETRE, 80, 5_000);
    private static final Range KILOWATTS = new Range(Measure.TIMES, 0.2, 500);
    private static final Range TOP = new Range(Measure.DEGREE_CELSIUS, 620, 1_800);
    private static final Range TRIAL = new Range(Measure.MINUTE, 5, 2_880);
    private static final Range PRICE = new Range(Measure.TIMES, 0, 1_000);

    static final Text NAME = text("name", 60, "Name", "round kiln", KILN);
    static final Choice<Boolean> SQUARE = either(
            "plan",
            new Meaning<>("round", "round", false),
            new Meaning<>("square", "square", true),
            "Seen from above",
            KILN);
    static final Quantity WIDTH = quantity("width_mm", INSIDE, "Wide inside", "450 mm", KILN);
    static final Quantity DEPTH = quantity("depth_mm", INSIDE, "Deep inside, if square", "500 mm", KILN);
    static final Quantity HEIGHT = quantity("height_mm", INSIDE, "High inside", "420 mm", KILN);
    static final Text SHELVES = text("shelves_mm", 80, "Floors at, mm", "0, 220", KILN);
    static final Quantity POWER = quantity("power_kW", KILOWATTS, "Rated power, kW", "6", KILN);
    static final Quantity MOST = quantity("max_C", TOP, "Top temperature", "1100 °C", KILN);
    static final Quantity TO_700 = quantity("to_700_min", TRIAL, "Empty to 700 °C, full power", "75 min", KILN);
    static final Choice<Control> CONTROL =
            choice("control", Meaning.of(Control.values(), Control::key, Control::label), "Controller", "", KILN);
    static final Whole SEGMENTS = Declared.whole("segments", 1, 200, "Segments it takes", "any", KILN);
    static final Quantity TARIFF = quantity("tariff", PRICE, "A kWh costs", "0.24", KILN);
    static final Text MONEY = text("money", 8, "in", "€", KILN);

    public static final FieldList ALL = FieldList.of(NAME, SQUARE, WIDTH, DEPTH, HEIGHT, SHELVES)
            .and(FieldList.of(POWER, MOST, TO_700, CONTROL, SEGMENTS, TARIFF, MONEY));

    private KilnFields() {}
}
