package kilnryu.app.pot;

import static kilnryu.app.sheet.Declared.Page.POT;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;

/** The fields of a pot of wax. */
public final class PotFields {
    private static final Range WIDE = new Range(Measure.MILLIMETRE, 30, 2000);
    private static final Range WARM = new Range(Measure.DEGREE_CELSIUS, 20, 300);

    static final Text NAME = text("name", 80, "Name", "pot by the window", POT);
    static final Quantity KEPT = quantity("keep_C", WARM, "Kept at", "75 °C", POT);
    static final Quantity INSIDE = quantity("inside_mm", WIDE, "Inside width, round", "240 mm", POT);
    static final Quantity HIGH = quantity("high_mm", WIDE, "Height", "220 mm", POT);
    static final Text NOTE = text("note", 300, "Note", "lid, thermostat", POT);

    public static final FieldList ALL = FieldList.of(NAME, KEPT, INSIDE, HIGH, NOTE);

    private PotFields() {}
}
