package kilnryu.app.foresight;

import static kilnryu.app.sheet.Declared.asked;

import java.util.ArrayList;
import java.util.List;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.gating.InMold;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Measure;

/** The fields of the API's question how a body of metal fills and freezes: its plan, beside the mesh. */
public final class SolidifyFields {
    private static final Range PLACE = new Range(Measure.MILLIMETRE, -5_000, 5_000);
    private static final Range BAND = new Range(Measure.MILLIMETRE, 1, 500);
    private static final Range CHOKE = new Range(Measure.SQUARE_MILLIMETRE, 1, 1_000_000);
    private static final int LEAST = 20_000;
    private static final int MOST = 8_000_000;

    static final Choice<Alloy> ALLOY =
            asked("alloy", Meaning.of(Alloy.values(), Alloy::key, Alloy::label)).needed();
    static final Quantity POUR = asked("pour_C", Range.METAL_TEMPERATURE).needed();
    static final Quantity MOLD_C = asked("mold_C", Range.MOLD_TEMPERATURE).needed();
    static final Choice<String> SYSTEM = asked("mold.system", systems()).needed();
    static final Choice<Boolean> OUTER = asked(
                    "mold.outer",
                    List.of(
                            new Meaning<>("flask", "investment in a flask or block", false),
                            new Meaning<>("shell", "a shell that stands in the air", true)))
            .needed();
    static final Quantity MARGIN = asked("mold.margin_mm", BAND).told("of investment round the metal, as followed");
    static final Quantity THICK = asked("mold.thickness_mm", BAND).told("of a shell");
    static final Quantity CHOKE_MM2 = asked("choke_mm2", CHOKE).told("narrowest section; left out: poured by hand");
    static final Declared.Flag VACUUM = Declared.flag("vacuum");
    static final Whole CELLS = asked("cells", LEAST, MOST);
    static final Declared.Flag SLEEVED = Declared.flag("feeders_insulated");
    static final Quantity VENT_X = asked("vents[].x", PLACE);
    static final Quantity VENT_Y = asked("vents[].y", PLACE);
    static final Quantity VENT_Z = asked("vents[].z", PLACE);
    static final Quantity VENT_MM = asked("vents[].diameter_mm", Range.LENGTH);

    /** How a body of metal fills and freezes. */
    public static final FieldList QUESTION = FieldList.of(ALLOY, POUR, MOLD_C)
            .and(FieldList.of(SYSTEM, OUTER, MARGIN, THICK))
            .and(FieldList.of(CHOKE_MM2, VENT_X, VENT_Y, VENT_Z, VENT_MM, VACUUM, CELLS, SLEEVED));

    private SolidifyFields() {}

    private static List<Meaning<String>> systems() {
        List<Meaning<String>> all = new ArrayList<>();
        for (InvestmentSystem system : InvestmentSystem.values()) {
            all.add(new Meaning<>(system.key(), system.label(), system.key()));
        }
        all.add(new Meaning<>("shell-silica", "a shell of silica", "shell-silica"));
        return all;
    }

    /** What the metal freezes in. */
    static InMold mold(boolean shell, double thick) {
        return shell ? InMold.shell(thick) : InMold.FLASK;
    }
}
