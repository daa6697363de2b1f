package kilnryu.app.freezing;

import static kilnryu.app.sheet.Declared.asked;

import java.util.ArrayList;
import java.util.List;
import kilnryu.app.kiln.FiredFields;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.heat.Medium;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Measure;
import kilnryu.core.solid.Radial;
import kilnryu.core.solid.Surroundings;

/** The fields of the API's question how a plate, rod or ball freezes. */
public final class FreezeFields {
    private static final Range HALF = new Range(Measure.MILLIMETRE, 0.1, 500);
    private static final Range THICKNESS = new Range(Measure.MILLIMETRE, 0.5, 500);

    /** Bare in the room: handbook 23. */
    private static final Surroundings AIR = new Surroundings(10, 0.9, 20);

    static final Choice<Alloy> ALLOY =
            asked("alloy", Meaning.of(Alloy.values(), Alloy::key, Alloy::label)).needed();
    static final Quantity POUR = asked("pour_C", Range.METAL_TEMPERATURE).needed();
    static final Quantity MOLD_C = asked("mold_C", Range.MOLD_TEMPERATURE).needed();
    static final Choice<Radial.Shape> SHAPE = asked(
                    "shape",
                    List.of(
                            new Meaning<>("plate", "a plate", Radial.Shape.PLATE),
                            new Meaning<>("cylinder", "a round bar", Radial.Shape.CYLINDER),
                            new Meaning<>("sphere", "a ball", Radial.Shape.SPHERE)))
            .needed();
    static final Quantity HALF_THICK = asked("half_thickness_mm", HALF).needed().told("or the radius");
    static final Choice<Medium> SYSTEM = asked("mold.system", systems()).told("or thermal");
    static final Quantity THICK = asked("mold.thickness_mm", THICKNESS).needed();
    static final Choice<Surroundings> OUTSIDE = asked(
            "outside",
            List.of(
                    new Meaning<>("insulated", "no heat leaves it", Surroundings.INSULATED),
                    new Meaning<>("air", "bare, in the room", AIR)));

    /** How a plain section freezes. */
    public static final FieldList QUESTION = FieldList.of(ALLOY, POUR, MOLD_C, SHAPE, HALF_THICK)
            .and(FieldList.of(SYSTEM, THICK, OUTSIDE))
            .and(FiredFields.THERMAL.under("mold."));

    private FreezeFields() {}

    /** By the dry constants of handbook 8: all investments as gypsum, which is what is tabled. */
    private static List<Meaning<Medium>> systems() {
        List<Meaning<Medium>> all = new ArrayList<>();
        for (InvestmentSystem system : InvestmentSystem.values()) {
            all.add(new Meaning<>(system.key(), system.label(), Setting.GYPSUM));
        }
        all.add(new Meaning<>("shell-silica", "a shell of silica", Setting.SHELL));
        return all;
    }
}
