package kilnryu.app.equipment;

import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Units;
import kilnryu.core.piece.Equipment;
import kilnryu.core.quantity.Measure;

/** Reads a studio's equipment from its fields. */
public final class EquipmentReader {
    private static final Range LIFT = new Range(Measure.KILO, 0.1, 5000);

    private EquipmentReader() {}

    public static Equipment read(Fields fields) {
        return new Equipment(
                fields.quantity("flask_diameter_mm", Range.LENGTH),
                fields.quantity("flask_height_mm", Range.LENGTH),
                fields.quantity("chamber_height_mm", Range.LENGTH),
                fields.quantity("kiln_width_mm", Range.LENGTH),
                fields.quantity("kiln_height_mm", Range.LENGTH),
                fields.quantity("tank_diameter_mm", Range.LENGTH),
                fields.quantity("tank_depth_mm", Range.LENGTH),
                fields.quantity("crucible_cm3", Range.VOLUME),
                fields.quantity("lift_kg", LIFT));
    }

    /** What is saved, read in the units in which it was written out. */
    public static Equipment saved(Map<String, String> fields) {
        return read(Fields.typed(fields, Units.METRIC));
    }

    /** Nothing known. */
    public static Equipment none() {
        OptionalDouble no = OptionalDouble.empty();
        return new Equipment(no, no, no, no, no, no, no, no, no);
    }
}
