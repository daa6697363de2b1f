package kilnryu.app.kiln;

import static kilnryu.app.sheet.Declared.choice;
import static kilnryu.app.sheet.Declared.quantity;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.app.sheet.Declared.Choice;
import kilnryu.app.sheet.Declared.Meaning;
import kilnryu.app.sheet.Declared.Quantity;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Range;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Measure;

/** The fields of the API's questions to the kiln: a burnout, a program, a mold that is carried to the pour. */
public final class FiredFields {
    private static final Range POWER = new Range(Measure.TIMES, 0.1, 500);
    private static final Range TRIAL = new Range(Measure.MINUTE, 1, 3000);
    private static final Range SIZE = new Range(Measure.MILLIMETRE, 10, 1500);
    private static final Range SHEET = new Range(Measure.MILLIMETRE, 0, 12);
    private static final Range ANY = new Range(Measure.TIMES, 0, 1e6);
    private static final Range OVER_NOTHING = new Range(Measure.TIMES, 1e-6, 1e6);
    private static final Range PART = new Range(Measure.TIMES, 0, 1);
    private static final Range OUT = new Range(Measure.DEGREE_CELSIUS, 20, 1400);
    private static final Range AROUND = new Range(Measure.DEGREE_CELSIUS, -40, 60);
    private static final Range HOT_SAND = new Range(Measure.DEGREE_CELSIUS, -40, 1200);
    private static final Range THICKNESS = new Range(Measure.MILLIMETRE, 1, 60);
    private static final List<String> ALIASES = List.of("filament", "unknown", "overnight", "switch");

    /** What a mold of the API is. */
    enum Kind {
        FLASK,
        BLOCK,
        SHELL
    }

    private static final Meaning<Kind> FLASK = new Meaning<>("flask", "a flask", Kind.FLASK);
    private static final Meaning<Kind> BLOCK = new Meaning<>("block", "a block", Kind.BLOCK);
    private static final Meaning<Kind> SHELL = new Meaning<>("shell", "a ceramic shell", Kind.SHELL);

    static final Choice<Kind> KIND =
            choice("mold.kind", List.of(FLASK, BLOCK), "", "").needed();
    static final Quantity INNER =
            quantity("mold.inner_diameter_mm", SIZE, "", "").told("of a flask, or of a round block");
    static final Quantity WIDTH = quantity("mold.width_mm", SIZE, "", "").told("of a block with corners");
    static final Quantity DEPTH = quantity("mold.depth_mm", SIZE, "", "").told("left out: as the width");
    static final Quantity HEIGHT = quantity("mold.height_mm", SIZE, "", "").needed();
    static final Choice<InvestmentSystem> SYSTEM = choice(
                    "mold.system",
                    Meaning.of(InvestmentSystem.values(), InvestmentSystem::key, InvestmentSystem::label),
                    "",
                    "")
            .needed();
    static final Quantity WATER = quantity("mold.water_per_100", Range.WATER_RATIO, "", "");
    static final Quantity STEEL =
            quantity("mold.wall_mm", SHEET, "", "").told("counts the steel of a flask, 0 where left out");
    static final Quantity FREE_WATER =
            quantity("mold.free_water_pct", Range.SHARE, "", "").told("of a fresh one, where it was proved drier");
    static final Quantity KILN_POWER = quantity("kiln.power_kW", POWER, "", "").needed();
    static final Quantity KILN_MAX =
            quantity("kiln.max_C", Range.PROGRAM, "", "").needed();
    static final Quantity KILN_TRIAL =
            quantity("kiln.empty_to_700_min", TRIAL, "", "").needed();

    static final Quantity START = quantity("start_C", Range.PROGRAM, "", "");
    static final Choice<PatternMaterial> PATTERN = choice(
            "pattern", Meaning.of(PatternMaterial.values(), PatternMaterial::key, PatternMaterial::label), "", "");
    static final Quantity FACE = quantity("thermal.h", ANY, "", "").told("W/(m2 K)");
    static final Quantity EMISSIVITY = quantity("thermal.emissivity", PART, "", "");
    static final Quantity RHO = thermal("rho_dry", OVER_NOTHING, "kg/m3");
    static final Quantity CP0 = thermal("cp0", OVER_NOTHING, "J/(kg K)");
    static final Quantity CP1 = thermal("cp1", ANY, "J/(kg K2)");
    static final Quantity K_WET = thermal("k_wet", OVER_NOTHING, "W/(m K)");
    static final Quantity K_DRY = thermal("k_dry", OVER_NOTHING, "W/(m K)");
    static final Quantity K_HOT =
            thermal("k_hot", OVER_NOTHING, "W/(m K) at 700 C; under k_dry it is its growth from 100 to 700 C");
    static final Quantity FREE = thermal("free_water", ANY, "kg/kg dry");
    static final Quantity BOUND = thermal("combined_water", ANY, "kg/kg dry");

    static final Choice<Alloy> ALLOY = choice("alloy", Meaning.of(Alloy.values(), Alloy::key, Alloy::label), "", "")
            .needed();
    static final Choice<Section> SECTIONS = choice(
                    "sections", Meaning.of(Section.values(), Section::key, Section::label), "", "")
            .needed();
    static final Choice<BurnoutSchool> SCHOOL = choice("school", schools(), "", "");
    static final Quantity POUR_C = quantity("pour_C", Range.METAL_TEMPERATURE, "", "");
    static final Quantity MOLD_C = quantity("mold_C", Range.MOLD_TEMPERATURE, "", "");
    static final Quantity DRAIN_C = quantity("drain_C", Range.DRAIN_TEMPERATURE, "", "");

    static final Choice<Kind> CARRIED =
            choice("mold.kind", List.of(SHELL, FLASK, BLOCK), "", "").needed();
    static final Quantity SHELL_WALL =
            quantity("mold.thickness_mm", THICKNESS, "", "").told("of a shell");
    static final Quantity LEAVES = quantity("leaves_C", OUT, "", "").needed();
    static final Quantity LIMIT = quantity("limit_C", OUT, "", "").needed();
    static final Quantity ROOM = quantity("room_C", AROUND, "", "");
    static final Choice<Boolean> OUTSIDE = choice(
            "outside",
            List.of(new Meaning<>("air", "bare, in the room", false), new Meaning<>("hot-sand", "in hot sand", true)),
            "",
            "");
    static final Quantity SAND = quantity("sand_C", HOT_SAND, "", "");

    private static final FieldList SIZES = FieldList.of(INNER, WIDTH, DEPTH, HEIGHT, SYSTEM, WATER, FREE_WATER, STEEL);
    private static final FieldList MOLD = FieldList.of(KIND).and(SIZES).demanding("mold");
    private static final FieldList KILN = FieldList.of(KILN_POWER, KILN_MAX, KILN_TRIAL);

    /** Constants of a material, by which it is reckoned in the place of its system's. */
    public static final FieldList THERMAL = FieldList.of(RHO, CP0, CP1, K_WET, K_DRY, K_HOT, FREE, BOUND);

    /** A burnout that is simulated. */
    public static final FieldList BURNOUT = MOLD.and(FieldList.of(START))
            .and(ProgramFields.QUESTION)
            .and(KILN)
            .and(THERMAL)
            .and(FieldList.of(FACE, EMISSIVITY))
            .and(FieldList.of(PATTERN));

    /** A program that is made. */
    public static final FieldList PROGRAM = MOLD.and(FieldList.of(PATTERN.needed(), ALLOY, SECTIONS, SCHOOL))
            .and(KILN)
            .and(FieldList.of(POUR_C, MOLD_C, DRAIN_C));

    /** A mold that leaves the kiln. */
    public static final FieldList CARRY = FieldList.of(CARRIED, SHELL_WALL)
            .and(SIZES.optional())
            .and(FieldList.of(LEAVES, LIMIT, ROOM, OUTSIDE, SAND))
            .demanding("mold");

    private FiredFields() {}

    private static Quantity thermal(String name, Range range, String unit) {
        return quantity("thermal." + name, range, "", "").told(unit);
    }

    /** By their own words, and by the short ones of the API. */
    private static List<Meaning<BurnoutSchool>> schools() {
        Stream<Meaning<BurnoutSchool>> own =
                Meaning.of(BurnoutSchool.values(), BurnoutSchool::key, BurnoutSchool::label).stream();
        Stream<Meaning<BurnoutSchool>> shorter = ALIASES.stream().map(a -> {
            Optional<BurnoutSchool> school = BurnoutSchool.named(a);
            return new Meaning<>(a, school.orElseThrow().label(), school.orElseThrow());
        });
        return Stream.concat(own, shorter).toList();
    }
}
