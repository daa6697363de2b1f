package kilnryu.app.shell;

import static kilnryu.app.sheet.Declared.Page.MOLD;
import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.either;
import static kilnryu.app.sheet.Declared.quantity;
import static kilnryu.app.sheet.Declared.text;

import java.util.stream.Stream;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.Declared.Text;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.Dewax;
import kilnryu.core.shell.Drying.Openness;
import kilnryu.core.shell.ShellSchool;

/** The fields of a ceramic shell; on the plan's page they stand under {@code shell.}. */
public final class ShellFields {
    private static final Range ROOM = new Range(Measure.DEGREE_CELSIUS, 0, 50);
    private static final Range SPEED = new Range(Measure.TIMES, 0, 20);
    private static final Range PORTION = new Range(Measure.PERCENT, 20, 95);
    private static final Range SLURRY = new Range(Measure.GRAM_PER_CM3, 1, 5);
    private static final Range GROWTH = new Range(Measure.CENTIMETRE, 0, 100_000);
    private static final Range THICKNESS = new Range(Measure.MILLIMETRE, 1, 60);
    private static final Range CARRIED = new Range(Measure.KILO, 0.1, 5000);
    private static final String AT = "shell.";
    private static final Meaning<Boolean> NO = new Meaning<>("no", "none", false);
    private static final Meaning<Boolean> CUT = new Meaning<>("yes", "cut, closed later", true);

    static final Choice<ShellSchool> RECIPE = choice(
                    "recipe",
                    Meaning.of(ShellSchool.values(), ShellSchool::key, ShellSchool::label),
                    "School of coats",
                    "as proposed",
                    MOLD)
            .andOwn();
    static final Text COATS = text("coats", 400, "or its own coats", "prime, 5 backup, seal", MOLD)
            .told("coats in words, before the recipe");
    static final Quantity TARGET = quantity("target_mm", THICKNESS, "Thickness wanted", "as proposed", MOLD);
    static final Choice<Boolean> DETAIL = either(
            "detail",
            new Meaning<>("usual", "usual", false),
            new Meaning<>("fine", "finer than usual", true),
            "Detail",
            MOLD);
    static final Quantity AREA =
            quantity("area_cm2", Range.AREA, "Area", "from the parts", MOLD).needed();
    static final Quantity CURVATURE = quantity("curvature_cm", GROWTH, "Area grows, cm² per cm", "like a ball", MOLD);
    static final Quantity FLAT = quantity("flat_mm", Range.LENGTH, "Widest flat face", "none", MOLD);
    static final Choice<Openness> OPENNESS = choice(
                    "openness", Meaning.of(Openness.values(), Openness::key, Openness::label), "It is", "", MOLD)
            .needed();
    static final Choice<Boolean> WINDOW = either("window", NO, CUT, "Window", MOLD);
    static final Choice<Boolean> BED = either(
            "bed",
            new Meaning<>("yes", "a full bed of sand", true),
            new Meaning<>("no", "the open, free-standing", false),
            "Poured in",
            MOLD);
    static final Quantity SOLIDS = quantity("solids_pct", PORTION, "Slurry, solids", "68 %", MOLD);
    static final Quantity AIR_C =
            quantity("temperature_C", ROOM, "Air", "21 °C", MOLD).needed();
    static final Quantity HUMIDITY =
            quantity("humidity_pct", Range.SHARE, "Humidity", "50 %", MOLD).needed();
    static final Quantity AIR_SPEED =
            quantity("air_m_s", SPEED, "Fan, m/s", "1", MOLD).needed();
    static final Choice<Dewax.Method> DEWAX = choice(
            "dewax",
            Meaning.of(Dewax.Method.values(), Dewax.Method::key, Dewax.Method::label),
            "Pattern out by",
            "as the pattern asks",
            MOLD);
    static final Quantity TRAY = quantity("tray_cm3", Range.VOLUME, "Tray holds", "not said", MOLD);
    static final Quantity LIFT = quantity("lift_kg", CARRIED, "Carried here", "not said", MOLD);
    static final Quantity BOX_LENGTH = quantity("box.length_mm", Range.LENGTH, "Sand box, long", "none", MOLD);
    static final Quantity BOX_WIDTH = quantity("box.width_mm", Range.LENGTH, "wide", "none", MOLD);
    static final Quantity BOX_HEIGHT = quantity("box.height_mm", Range.LENGTH, "high", "none", MOLD);

    static final Choice<Coat> COAT = choice("coats[]", Meaning.of(Coat.values(), Coat::key, Coat::label), "", "")
            .needed();
    static final Quantity SLURRY_DENSITY = quantity("slurry_density", SLURRY, "", "");
    static final Choice<Alloy> ALLOY = choice("alloy", Meaning.of(Alloy.values(), Alloy::key, Alloy::label), "", "");
    static final Quantity HEAD = quantity("head_mm", Range.LENGTH, "", "");
    static final Quantity RADIUS = quantity("radius_mm", Range.LENGTH, "", "");
    static final Quantity METAL = quantity("metal_g", Range.MASS, "", "");
    static final Choice<Boolean> WIRE =
            either("wire", new Meaning<>("false", "no", false), new Meaning<>("true", "yes", true), "");

    /** Of a tree's shell. */
    public static final FieldList ON_PAGE = FieldList.of(RECIPE, COATS, TARGET, DETAIL, AREA, CURVATURE, FLAT)
            .and(FieldList.of(OPENNESS, WINDOW, BED, SOLIDS, AIR_C, HUMIDITY, AIR_SPEED, DEWAX, TRAY, LIFT))
            .and(FieldList.of(BOX_LENGTH, BOX_WIDTH, BOX_HEIGHT));

    /** Of a shell as the API asks for it. */
    public static final FieldList QUESTION = FieldList.of(AREA, CURVATURE, COAT, SLURRY_DENSITY, SOLIDS)
            .and(FieldList.of(AIR_C, HUMIDITY, AIR_SPEED).under("climate."))
            .and(FieldList.of(OPENNESS, ALLOY, HEAD, RADIUS, METAL, WIRE))
            .demanding("climate");

    private ShellFields() {}

    /** On the plan's page. */
    static Quantity onPage(Quantity field) {
        return field.under(AT);
    }

    /** On the plan's page. */
    static <T> Choice<T> onPage(Choice<T> field) {
        return field.under(AT);
    }

    /** The three measures of the box of sand, on the plan's page. */
    static Stream<Quantity> box() {
        return Stream.of(BOX_LENGTH, BOX_WIDTH, BOX_HEIGHT).map(ShellFields::onPage);
    }
}
