package kilnryu.app.piece;

import static kilnryu.app.sheet.Declared.Page.PIECE;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.day;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;
import static kilnryu.app.sheet.Declared.whole;

import java.util.List;
import java.util.Locale;
import kilnryu.app.piece.PieceReader.Made;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Day;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.Declared.Whole;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.mesh.MeshUnit;
import kilnryu.core.piece.Commission;
import kilnryu.core.piece.Shrinkage.MoldKind;

/** The fields of a piece: its commission, its pattern and how that is made, its size. */
public final class PieceFields {
    private static final int LONGEST_NAME = 120;
    private static final int LONGEST_TEXT = 4000;
    private static final int MOST = 1_000_000;
    private static final List<Meaning<PatternMaterial>> MATERIALS =
            Meaning.of(PatternMaterial.values(), PatternMaterial::key, PatternMaterial::label);

    static final Text NAME = text("name", LONGEST_NAME, "Piece", "Curlew, sleeping", PIECE);
    static final Text COMMISSION = text("commission", LONGEST_TEXT, "Commission", "none", PIECE);
    static final Text CLIENT = text("client", LONGEST_TEXT, "For", "who and where", PIECE);
    static final Whole COUNT = whole("count", 1, 10_000, "Wanted", "1", PIECE);
    static final Day DUE = day("due", "Due", PIECE);
    static final Choice<Commission.Finish> FINISH = choice(
            "finish",
            Meaning.of(Commission.Finish.values(), PieceFields::key, PieceFields::key),
            "Finish out of the mold",
            "not said",
            PIECE);
    static final Choice<Alloy> ALLOY =
            choice("alloy", Meaning.of(Alloy.values(), Alloy::key, Alloy::label), "Alloy", "choose", PIECE);
    static final Choice<MoldKind> MOLD =
            choice("mold", Meaning.of(MoldKind.values(), MoldKind::key, MoldKind::label), "Mold", "", PIECE);
    static final Choice<PatternMaterial> MATERIAL = choice("material", MATERIALS, "Material", "choose", PIECE);
    static final Choice<Made> MADE =
            choice("made", Meaning.of(Made.values(), Made::key, Made::label), "Made", "not said", PIECE);
    static final Choice<Boolean> HOLLOW = choice(
            "solid",
            List.of(new Meaning<>("solid", "solid", false), new Meaning<>("hollow", "hollow", true)),
            "Inside",
            "not said",
            PIECE);
    static final Text BATCH = text("batch", LONGEST_TEXT, "Batch, colour", "none", PIECE);
    static final Quantity MASS = quantity("mass_g", Range.MASS, "On the scale", "not weighed", PIECE);

    static final Text INJECTED_WAX = text("injected.wax", LONGEST_NAME, "Injection wax", "which", PIECE);
    static final Quantity INJECTED_AT = quantity("injected.wax_C", Range.PATTERN_TEMPERATURE, "Wax at", "68 °C", PIECE);
    static final Quantity INJECTED_BY = quantity("injected.pressure", Range.PRESSURE, "Pressure", "0.6 bar", PIECE);
    static final Quantity COOLS = quantity("injected.cool_min", Range.SET_TIME, "Cools in the mold", "2 min", PIECE);
    static final Whole INJECTED = whole("injected.made", 0, MOST, "Injected so far", "0", PIECE);
    static final Whole REJECTED = whole("injected.rejects", 0, MOST, "of them rejected", "0", PIECE);
    static final Whole MOLD_USES = whole("injected.mold_uses", 0, MOST, "Uses of the rubber mold", "0", PIECE);

    static final Whole LAYERS = whole("slushed.layers", 1, 200, "Pours or layers", "3", PIECE);
    static final Quantity SLUSHED_AT = quantity("slushed.wax_C", Range.PATTERN_TEMPERATURE, "Wax at", "75 °C", PIECE);
    static final Quantity AIM = quantity("slushed.aim_mm", Range.LENGTH, "Wall aimed at", "4 to 6 mm", PIECE);
    static final Text POINTS = text("slushed.points", LONGEST_NAME, "Measured at points, mm", "4.5 5.2 3.8", PIECE);

    static final Quantity PRINT_WALL = quantity("printed.wall_mm", Range.LENGTH, "Wall of the print", "0.8 mm", PIECE);
    static final Quantity INFILL = quantity("printed.infill_pct", Range.OVERFILL, "Infill", "15 %", PIECE);
    static final Quantity PRINTED_IN = quantity("printed.hours", Range.HOURS, "Printed in", "6 h", PIECE);

    static final Choice<PatternMaterial> SKIN =
            choice("skin.material", MATERIALS, "Wax coating of", "no coating", PIECE);
    static final Quantity SKIN_THICK = quantity("skin.thickness_mm", Range.LENGTH, "Coating thick", "none", PIECE);
    static final Choice<Boolean> BOTH_SIDES = choice(
            "skin.sides",
            List.of(new Meaning<>("one", "one side", false), new Meaning<>("both", "both sides", true)),
            "Coated, if hollow",
            "not said",
            PIECE);
    static final Quantity SKIN_AREA = quantity("skin.area_cm2", Range.AREA, "Area coated", "by the mesh", PIECE);
    static final Quantity THIN = quantity("wall.thin_mm", Range.LENGTH, "Thinnest wall", "not said", PIECE);
    static final Quantity THICK = quantity("wall.thick_mm", Range.LENGTH, "Thickest", "not said", PIECE);
    static final Text REPAIRS = text("repairs", LONGEST_TEXT, "Repairs", "what was mended, and how", PIECE);

    static final Quantity HIGH = quantity("box.height_mm", Range.LENGTH, "Pattern high", "by the mesh", PIECE);
    static final Quantity WIDE = quantity("box.width_mm", Range.LENGTH, "wide", "by the mesh", PIECE);
    static final Quantity DEEP = quantity("box.depth_mm", Range.LENGTH, "deep", "by the mesh", PIECE);
    static final Quantity CAST_HIGH = quantity("target.height_mm", Range.LENGTH, "Casting high", "not said", PIECE);
    static final Quantity CAST_WIDE = quantity("target.width_mm", Range.LENGTH, "wide", "not said", PIECE);
    static final Quantity CAST_DEEP = quantity("target.depth_mm", Range.LENGTH, "deep", "not said", PIECE);
    static final Choice<Boolean> OF_CASTING = Declared.either(
            "mesh_shows",
            new Meaning<>("pattern", "the pattern as it is", false),
            new Meaning<>("casting", "the casting: scale it up to the pattern", true),
            "Mesh shows",
            PIECE);
    static final Choice<MeshUnit> MESH_UNIT = choice(
            "mesh_unit",
            Meaning.of(MeshUnit.values(), MeshUnit::key, MeshUnit::key),
            "Mesh is in",
            "as the file says, else mm",
            PIECE);

    /** Kept of older sheets, and no longer asked. */
    static final Text MADE_NOTE = Declared.asked("made_note", LONGEST_TEXT);

    static final Text TEST_NOTE = Declared.asked("test.note", LONGEST_TEXT);

    public static final FieldList ALL = FieldList.of(NAME, COMMISSION, CLIENT, COUNT, DUE, FINISH, ALLOY, MOLD)
            .and(FieldList.of(MATERIAL, MADE, HOLLOW, BATCH, MASS))
            .and(FieldList.of(INJECTED_WAX, INJECTED_AT, INJECTED_BY, COOLS, INJECTED, REJECTED, MOLD_USES))
            .and(FieldList.of(LAYERS, SLUSHED_AT, AIM, POINTS, PRINT_WALL, INFILL, PRINTED_IN))
            .and(FieldList.of(SKIN, SKIN_THICK, BOTH_SIDES, SKIN_AREA, THIN, THICK, REPAIRS))
            .and(FieldList.of(HIGH, WIDE, DEEP, CAST_HIGH, CAST_WIDE, CAST_DEEP, OF_CASTING, MESH_UNIT))
            .and(FieldList.of(MADE_NOTE, TEST_NOTE));

    private PieceFields() {}

    private static String key(Commission.Finish finish) {
        return finish.name().toLowerCase(Locale.ROOT);
    }
}
