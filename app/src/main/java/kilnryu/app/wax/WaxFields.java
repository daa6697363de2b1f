package kilnryu.app.wax;

import static kilnryu.app.sheet.Declared.Page.WAX;
import static kilnryu.app.sheet.Declared.asked;
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
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.pattern.Made;
import kilnryu.core.pattern.Printing;
import kilnryu.core.quantity.Measure;
import kilnryu.core.wax.Heated;

/** The fields of a wax, of a pattern that comes from no mold, and of the API's question for a slushed wall. */
public final class WaxFields {
    public static final int MOST_LAYERS = 12;
    public static final Range WAX_C = new Range(Measure.DEGREE_CELSIUS, 20, 300);
    public static final Range MOLD_C = new Range(Measure.DEGREE_CELSIUS, -30, 300);
    private static final int LONGEST = 300;
    private static final Range CONDUCTS = new Range(Measure.WATT_PER_M_K, 0.01, 500);
    private static final Range DENSE = new Range(Measure.KG_PER_M3, 50, 20_000);
    private static final Range HEAT = new Range(Measure.JOULE_PER_KG_K, 100, 10_000);
    private static final Range LATENT = new Range(Measure.TIMES, 1, 2_000_000);
    private static final Range MELTS = new Range(Measure.DEGREE_CELSIUS, 20, 250);
    static final Range WALL = new Range(Measure.MILLIMETRE, 0.1, 100);
    private static final Range START = new Range(Measure.MILLIMETRE, 0, 100);
    private static final Range PAUSE = new Range(Measure.MINUTE, 0, 1440);
    private static final Range PLACE = new Range(Measure.MILLIMETRE, 0.2, 2000);
    private static final Range LAYER_MM = new Range(Measure.MILLIMETRE, 0.005, 5);
    private static final Range LAYER_TIME = new Range(Measure.SECONDS, 0.1, 3600);
    private static final Range LEAN = new Range(Measure.DEGREE, 0, 90);
    private static final Range BATH = new Range(Measure.MINUTE, 0.5, 1440);

    static final Text NAME = text("name", 80, "Name or number", "tern, body, 1", WAX);
    static final Choice<Made> MADE = choice("made", Meaning.of(Made.values(), Made::key, Made::label), "Made", "", WAX);
    static final Text PIECE = text("piece", LONGEST, "Of the piece", "none", WAX);
    static final Quantity AREA = quantity("area_cm2", Range.AREA, "Area", "of the mold or mesh", WAX);
    static final Text BATCH = text("batch", LONGEST, "Color, batch", "brown, 14", WAX);
    static final Text MOLD = text("mold", LONGEST, "In the mold", "none", WAX);
    static final Text POT = text("pot", LONGEST, "From the pot", "none", WAX);
    static final Quantity TARGET =
            quantity("target_mm", WALL, "Wall", "4 mm", WAX).needed();
    static final Whole LAYERS = whole("layers", 1, MOST_LAYERS, "In layers", "1", WAX);
    static final Quantity POUR = quantity("pour_C", WAX_C, "Wax is", "just liquid", WAX);
    static final Quantity MOLD_IS =
            quantity("mold_C", MOLD_C, "Mold is", "20 °C", WAX).needed();
    static final Quantity THERE = quantity("start_mm", START, "Wall that is there", "0 mm", WAX);
    static final Quantity PAUSE_MIN = quantity("pause_min", PAUSE, "Wait between layers", "until it is cold", WAX);
    static final Quantity THINNEST = quantity("thinnest_mm", PLACE, "Thinnest place of it", "not said", WAX);
    static final Choice<PatternMaterial> MATERIAL = choice(
            "material",
            Meaning.of(PatternMaterial.values(), PatternMaterial::key, PatternMaterial::label),
            "Material",
            "not known",
            WAX);
    static final Quantity HEIGHT = quantity("height_mm", Range.LENGTH, "Height on the plate", "90 mm", WAX);
    static final Quantity LAYER = quantity("layer_mm", LAYER_MM, "Layer", "0.05 mm", WAX);
    static final Quantity LAYER_S = quantity("layer_s", LAYER_TIME, "Time of a layer", "8 s", WAX);
    static final Quantity LEANS = quantity("lean_deg", LEAN, "Main face leans", "0 flat, 90 upright", WAX);
    static final Choice<Printing.Supports> SUPPORTS = choice(
            "supports",
            Meaning.of(Printing.Supports.values(), Printing.Supports::key, Printing.Supports::label),
            "Supports touch",
            "not said",
            WAX);
    static final Quantity INFILL = quantity("infill_pct", Range.SHARE, "Infill", "0 %", WAX);
    static final Quantity WASH = quantity("wash_min", BATH, "Wash, its sheet", "10 min", WAX);
    static final Quantity CURE = quantity("cure_min", BATH, "Cure, its sheet", "30 min", WAX);
    static final Text NOTE = text("note", LONGEST, "Note", "color, softener, spout", WAX);

    public static final FieldList ALL = FieldList.of(NAME, MADE, PIECE, AREA, BATCH, MOLD, POT)
            .and(FieldList.of(TARGET, LAYERS, POUR, MOLD_IS, THERE, PAUSE_MIN, THINNEST))
            .and(FieldList.of(MATERIAL, HEIGHT, LAYER, LAYER_S, LEANS, SUPPORTS, INFILL, WASH, CURE, NOTE));

    static final Quantity K = asked("wax.k", CONDUCTS).told("W/(m K)");
    static final Quantity RHO = asked("wax.rho", DENSE).told("kg/m3");
    static final Quantity C = asked("wax.c", HEAT).told("J/(kg K)");
    static final Quantity LATENT_HEAT = asked("wax.latent", LATENT).told("kJ/kg or J/kg");
    static final Quantity MELTS_AT = asked("wax.melt_C", MELTS);
    static final Choice<Heated> MOLD_OF = asked(
                    "mold.material",
                    List.of(
                            new Meaning<>("silicone", "silicone", Heated.SILICONE),
                            new Meaning<>("plaster", "plaster", Heated.PLASTER),
                            new Meaning<>("urethane", "urethane rubber", Heated.URETHANE)))
            .told("or its own k, rho and c");
    static final Quantity MOLD_K = asked("mold.k", CONDUCTS).told("W/(m K)");
    static final Quantity MOLD_RHO = asked("mold.rho", DENSE).told("kg/m3");
    static final Quantity MOLD_HEAT = asked("mold.c", HEAT).told("J/(kg K)");

    /** What is asked of a slushed wall: without a wax of sculpture wax, without a temperature just liquid. */
    public static final FieldList SLUSH = FieldList.of(K, RHO, C, LATENT_HEAT, MELTS_AT)
            .and(FieldList.of(POUR, MOLD_OF, MOLD_K, MOLD_RHO, MOLD_HEAT, MOLD_IS))
            .and(FieldList.of(AREA, TARGET, LAYERS, THERE))
            .demanding("mold");

    private WaxFields() {}
}
