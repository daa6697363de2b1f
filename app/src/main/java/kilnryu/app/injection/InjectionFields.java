package kilnryu.app.injection;

import static kilnryu.app.sheet.Declared.Page.ROUND;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;
import static kilnryu.app.sheet.Declared.whole;

import java.util.List;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.app.wax.WaxFields;
import kilnryu.core.quantity.Measure;
import kilnryu.core.wax.Heated;

/** The fields of a round of injections and of the molds that take their turn in it. */
public final class InjectionFields {
    private static final int LONGEST = 80;
    private static final Range SECONDS = new Range(Measure.SECONDS, 1, 3600);
    private static final Range THICK = new Range(Measure.MILLIMETRE, 0.2, 200);
    private static final Heated METAL = new Heated(120, 2700, 900);

    static final Text NAME = text("name", LONGEST, "Name", "limpets, Tuesday", ROUND);
    static final Text PIECE = text("piece", 20, "Of the piece", "none", ROUND);
    static final Text NOTE = text("note", 300, "Note", "wax, release, who presses", ROUND);
    static final Quantity WAX = quantity("wax_C", WaxFields.WAX_C, "Wax in the pot", "73 °C", ROUND);
    static final Quantity MOLDS_ARE = quantity("mold_C", WaxFields.MOLD_C, "Molds are", "22 °C", ROUND);
    static final Quantity PRESSURE = quantity("pressure", Range.PRESSURE, "Pressure", "0.4 bar", ROUND);
    static final Quantity HELD = quantity("hold", SECONDS, "Held", "5 s", ROUND);
    static final Quantity GATE = quantity("gate_mm", THICK, "Gate, thick", "2 mm", ROUND);
    static final Quantity INJECTS = quantity("inject_s", SECONDS, "Close and inject", "20 s", ROUND);
    static final Quantity PULLS = quantity("pull_s", SECONDS, "Open and pull", "30 s", ROUND);
    static final Text MOLD = text("molds[].name", LONGEST, "Mold", "name", ROUND);
    static final Quantity THICKEST = quantity("molds[].thickest_mm", THICK, "Thickest place", "4 mm", ROUND);
    static final Choice<Heated> MOLD_OF = choice(
            "molds[].of",
            List.of(
                    new Meaning<>("rubber", "rubber", Heated.SILICONE),
                    new Meaning<>("metal", "metal", METAL),
                    new Meaning<>("plaster", "plaster", Heated.PLASTER)),
            "Mold of",
            "rubber",
            ROUND);
    static final Whole WANTED = whole("molds[].wanted", 0, 1000, "Wanted", "1", ROUND);

    public static final FieldList ALL = FieldList.of(NAME, PIECE, NOTE, WAX, MOLDS_ARE, PRESSURE, HELD)
            .and(FieldList.of(GATE, INJECTS, PULLS, MOLD, THICKEST, MOLD_OF, WANTED));

    private InjectionFields() {}
}
