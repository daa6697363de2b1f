package kilnryu.app.tree;

import static kilnryu.app.sheet.Declared.Page.GATING;
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
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingSchool;
import kilnryu.core.gating.Use;

/** The fields of a tree's building: where each part stands, what shape it has, how it is judged. */
public final class GatingFields {
    private static final int MOST_RINGS = 200;

    static final Choice<GatingSchool> SCHOOL = choice(
                    "gating_school",
                    Meaning.of(GatingSchool.values(), GatingSchool::key, GatingSchool::label),
                    "School of gating",
                    "usual for the mold: free tree, under vacuum only in a flask",
                    GATING)
            .andOwn();
    static final Quantity POUR_RATE =
            quantity("pour_rate_kg_s", Range.POUR_RATE, "Poured at", "by what is poured", GATING);
    static final Quantity VACUUM = quantity("vacuum_kPa", Range.GAUGE, "Vacuum at the table", "not said", GATING);

    /** How long the rods are that it is cut from. */
    public static final Quantity STICK = quantity("stick_mm", Range.STICK, "Rod length", "300 mm", GATING);

    /** Whether feeders keep their heat in sleeves: it counts where the tree is filled and frozen ahead. */
    public static final Choice<Boolean> SLEEVED = choice(
            "feeders_insulated",
            List.of(new Meaning<>("bare", "bare", false), new Meaning<>("sleeved", "in sleeves", true)),
            "Feeders stand",
            "bare",
            GATING);

    static final Text CHANGE_NOTE =
            text("change_note", 400, "What changed, and why", "for the record of versions", GATING);

    /** The number of a piece of the studio; on no page, carried along. */
    static final Text PIECE = text("parts[].piece", 18, "", "").told("number of a piece of the studio");

    static final Choice<Use> USE =
            choice("parts[].use", Meaning.of(Use.values(), Use::key, Use::label), "Use", "by its shape", GATING);
    static final Text JOINS = text("parts[].joins", 60, "Joins", "nothing", GATING)
            .told("place in this list, from 0, of the part it joins");
    static final Text ENDS_AT = text("parts[].ends_at", 60, "Far end runs into", "nothing", GATING)
            .told("place in this list of the part its other end runs into");
    static final Quantity AT = quantity("parts[].at_mm", Range.LENGTH_OR_NONE, "At", "0 mm", GATING);
    static final Quantity TILT = quantity("parts[].tilt_deg", Range.TILT, "Tilt over level", "0°", GATING);
    static final Quantity ANGLE = quantity("parts[].angle_deg", Range.ANGLE, "Turned by", "0°", GATING);
    static final Whole RINGS = whole("parts[].rings", 1, MOST_RINGS, "In rings", "1", GATING);
    static final Quantity SPACING = quantity("parts[].spacing_mm", Range.LENGTH_OR_NONE, "Rings apart", "0 mm", GATING);
    static final Quantity FILLET = quantity("parts[].fillet_mm", Range.LENGTH_OR_NONE, "Fillet", "none", GATING);
    static final Quantity BOX_LENGTH =
            quantity("parts[].box.length_mm", Range.LENGTH, "Long, from its joint", "as a ball", GATING);
    static final Quantity BOX_WIDTH = quantity("parts[].box.width_mm", Range.LENGTH, "Wide", "as a ball", GATING);
    static final Quantity BOX_THICKNESS =
            quantity("parts[].box.thickness_mm", Range.LENGTH, "Thick", "as a ball", GATING);
    static final Quantity AREA = quantity("parts[].area_cm2", Range.AREA, "Face of one", "by its measures", GATING);
    static final Quantity WALL_THIN =
            quantity("parts[].wall.thin_mm", Range.LENGTH, "Thinnest wall", "not said", GATING);
    static final Quantity WALL_THICK = quantity("parts[].wall.thick_mm", Range.LENGTH, "Thickest", "not said", GATING);
    static final Choice<Form.Likeness> WALL_LIKE = choice(
            "parts[].wall.like",
            Meaning.of(Form.Likeness.values(), Form.Likeness::key, Form.Likeness::label),
            "Thickest is like",
            "by its measures",
            GATING);
    static final Text WALL_ORDER = text("parts[].wall.order", 120, "Walls from the gate, mm", "8 3 6", GATING);
    static final Quantity CORE_LENGTH =
            quantity("parts[].core.length_mm", Range.LENGTH, "Core, length", "no core", GATING);
    static final Quantity CORE_DIAMETER =
            quantity("parts[].core.diameter_mm", Range.LENGTH, "Core, thick", "no core", GATING);
    static final Whole CORE_PINS = whole("parts[].core.pins", 0, 200, "Pins", "0", GATING);
    static final Whole CORE_LEVELS = whole("parts[].core.levels", 1, 50, "on levels", "1", GATING);
    static final Whole TRAPS_HIGH = whole("parts[].traps.high", 0, 100, "High points beside its top", "0", GATING);
    static final Whole TRAPS_LOW = whole("parts[].traps.low", 0, 100, "Low points that hold wax", "0", GATING);

    static final FieldList ALL = FieldList.of(SCHOOL, POUR_RATE, VACUUM, STICK, SLEEVED, CHANGE_NOTE)
            .and(FieldList.of(PIECE, USE, JOINS, ENDS_AT, AT, TILT, ANGLE, RINGS, SPACING, FILLET))
            .and(FieldList.of(BOX_LENGTH, BOX_WIDTH, BOX_THICKNESS, AREA))
            .and(FieldList.of(WALL_THIN, WALL_THICK, WALL_LIKE, WALL_ORDER))
            .and(FieldList.of(CORE_LENGTH, CORE_DIAMETER, CORE_PINS, CORE_LEVELS, TRAPS_HIGH, TRAPS_LOW));

    private GatingFields() {}
}
