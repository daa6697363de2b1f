package kilnryu.app.mold;

import static kilnryu.app.sheet.Declared.Page.MOLD;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.either;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import java.util.List;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.app.shell.ShellFields;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Measure;

/** The fields of a mold: what it is, a flask's own, and the tree in it. */
public final class MoldFields {
    private static final Range LEAN = new Range(Measure.DEGREE, -60, 60);

    static final Choice<MoldReader.Kind> KIND = choice(
            "mold_kind",
            List.of(
                    new Meaning<>("flask", "a flask, filled", MoldReader.Kind.FLASK),
                    new Meaning<>("block", "a block, free-standing", MoldReader.Kind.BLOCK),
                    new Meaning<>("shell", "a ceramic shell", MoldReader.Kind.SHELL)),
            "It is",
            "",
            MOLD);
    static final Text FLASK_NAME = text("flask_name", 60, "", "", MOLD);
    static final Quantity INNER = quantity("inner_diameter_mm", Range.LENGTH, "Inner diameter", "76.2 mm", MOLD)
            .needed();
    static final Quantity HEIGHT =
            quantity("height_mm", Range.LENGTH, "Height", "145 mm", MOLD).needed();
    static final Choice<InvestmentSystem> SYSTEM = choice(
                    "system",
                    Meaning.of(InvestmentSystem.values(), InvestmentSystem::key, InvestmentSystem::label),
                    "Investment",
                    "choose",
                    MOLD)
            .needed();
    static final Quantity WATER_RATIO =
            quantity("water_per_100", Range.WATER_RATIO, "Water to 100 powder", "usual", MOLD);
    static final Quantity WATER_C = quantity("water_C", Range.WATER_TEMPERATURE, "Water is at", "21 °C", MOLD);
    static final Quantity OTHER =
            quantity("other_diameter_mm", Range.LENGTH, "Short inside width (oval)", "round", MOLD);
    static final Choice<Boolean> STEEL = either(
            "steel",
            new Meaning<>("solid", "solid", false),
            new Meaning<>("perforated", "perforated", true),
            "Steel",
            MOLD);
    static final Quantity BASE =
            quantity("base_volume_cm3", Range.VOLUME_OR_NONE, "Dome of the base inside", "none", MOLD);
    static final Quantity COLLAR = quantity("collar_mm", Range.LENGTH_OR_NONE, "Collar for the rise", "none", MOLD);
    static final Quantity DENSITY =
            quantity("powder_density", Range.POWDER_DENSITY, "Powder, true density", "usual", MOLD);
    static final Quantity OVERFILL = quantity("overfill_pct", Range.OVERFILL, "Overfill", "4 %", MOLD);
    static final Choice<MixSchool> MIX_SCHOOL = choice(
                    "mix_school",
                    Meaning.of(MixSchool.values(), MixSchool::key, MixSchool::label),
                    "School of mixing",
                    "",
                    MOLD)
            .andOwn();
    static final Quantity TREE_WIDTH = quantity("tree_width_mm", Range.LENGTH, "Widest, by ruler", "estimated", MOLD);
    static final Quantity TREE_HEIGHT = quantity("tree_height_mm", Range.LENGTH, "Its height", "estimated", MOLD);
    public static final Quantity TILT = quantity("tilt_deg", LEAN, "Leans", "0°", MOLD);
    public static final Quantity LIFT =
            quantity("lift_mm", Range.LENGTH_OR_NONE, "Height above the base", "0 mm", MOLD);

    /** The tree's volume, where no tree is planned. */
    static final Quantity TREE_VOLUME =
            quantity("tree_volume_cm3", Range.VOLUME_OR_NONE, "", "").needed();

    private static final List<Quantity> MIX = List.of(BASE, OTHER, WATER_RATIO, DENSITY, OVERFILL, COLLAR, WATER_C);

    /** Of a flask as the API asks for it. */
    public static final FieldList QUESTION =
            FieldList.of(INNER, HEIGHT, TREE_VOLUME, SYSTEM).and(FieldList.of(MIX));

    /** Of a tree's mold, whatever it is. */
    public static final FieldList ALL = FieldList.of(KIND, FLASK_NAME, INNER, HEIGHT, SYSTEM)
            .and(FieldList.of(MIX))
            .and(FieldList.of(STEEL, MIX_SCHOOL, TREE_WIDTH, TREE_HEIGHT, TILT, LIFT))
            .and(BlockFields.ON_PAGE.under("block."))
            .and(ShellFields.ON_PAGE.under("shell."));

    private MoldFields() {}
}
