package kilnryu.app.stock;

import static kilnryu.app.sheet.Declared.Page.STOCK;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;

import java.util.Arrays;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Measure;

/** The fields of rods that are pressed or cast of wax at hand. */
public final class StockFields {
    private static final Range WARM = new Range(Measure.DEGREE_CELSIUS, 0, 100);
    private static final Range COLD = new Range(Measure.DEGREE_CELSIUS, -40, 40);

    static final Choice<PatternMaterial> MATERIAL = choice(
            "material",
            Meaning.of(
                    Arrays.stream(PatternMaterial.values())
                            .filter(m -> m.family() == PatternMaterial.Family.WAX)
                            .toArray(PatternMaterial[]::new),
                    PatternMaterial::key,
                    PatternMaterial::label),
            "Wax",
            "sprue wax",
            STOCK);
    static final Quantity DIAMETER = quantity("diameter_mm", Range.LENGTH, "Rod diameter", "6 mm", STOCK);
    static final Quantity LOST = quantity("lost_pct", Range.LOSS, "Stays in pot and press", "0 %", STOCK);
    static final Quantity AT_HAND = quantity("wax_g", Range.MASS, "Wax at hand", "100 g", STOCK);
    static final Quantity LENGTH = quantity("length_mm", Range.ROD, "Length needed", "2 m", STOCK);
    static final Quantity PRESSED_AT = quantity("warm_C", WARM, "Pressed at", "40 °C", STOCK);
    static final Quantity COLD_PLACE = quantity("cold_C", COLD, "Cold place", "5 °C", STOCK);
    static final Quantity FIRM_AT = quantity("firm_C", WARM, "Firm at", "hard 18 °C, soft 8 °C", STOCK);

    public static final FieldList ALL =
            FieldList.of(MATERIAL, DIAMETER, LOST, AT_HAND, LENGTH, PRESSED_AT, COLD_PLACE, FIRM_AT);

    private StockFields() {}
}
