package kilnryu.app.shell;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.Dewax;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.shell.ShellSchool;
import kilnryu.core.shell.Strength.Curve;
import kilnryu.core.shell.Strength.Place;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A shell as typed beside a tree, and as asked by a program. */
class ShellReaderTest {
    private static final Map<String, String> ASKED = typed(
            "area_cm2", "500",
            "curvature_cm", "0",
            "coats[0]", "prime",
            "coats[1]", "backup",
            "coats[2]", "seal",
            "climate.temperature_C", "22",
            "climate.humidity_pct", "50",
            "climate.air_m_s", "1",
            "openness", "open");

    private static Figure given(String symbol, double value, Measure unit) {
        return Figure.given(symbol, symbol, value, unit, Known.MEASURED, 0);
    }

    private static ShellReader.Tree tree(boolean plastic, double metal) {
        return new ShellReader.Tree(
                Alloy.SI_BRONZE,
                given("volume", 200, Measure.CUBIC_CENTIMETRE),
                given("area", 400, Measure.SQUARE_CENTIMETRE),
                given("wax", 190, Measure.GRAM),
                given("metal", metal, Measure.GRAM),
                List.of(new Place("foot", 150, 20, Curve.CYLINDER)),
                120,
                180,
                plastic,
                List.of());
    }

    private static ShellReader.Built built(String... pairs) {
        return read(Fields.typed(typed(pairs), Units.METRIC), tree(false, 800), Recipes.NONE)
                .orElseThrow();
    }

    private static Optional<ShellReader.Built> read(Fields fields, ShellReader.Tree tree, Recipes recipes) {
        return ShellReader.read(fields, tree, recipes, Factors.HANDBOOK);
    }

    private static Map<String, String> errors(String... pairs) {
        Fields fields = Fields.typed(typed(pairs), Units.METRIC);
        assertThat(read(fields, tree(false, 800), Recipes.NONE)).isEmpty();
        return fields.errors();
    }

    private static Map<String, String> refused(Map<String, String> typed) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        assertThat(ShellReader.read(fields, Factors.HANDBOOK)).isEmpty();
        return fields.errors();
    }

    /** Without growth 500 cm2 take 25 + 35 + 20 g of slurry and 30 + 60 of stucco. */
    @Test
    void asAProgramAsks() {
        ShellPlan plan = ShellReader.read(Fields.typed(ASKED, Units.METRIC), Factors.HANDBOOK)
                .orElseThrow();
        assertThat(plan.slurry().value()).isCloseTo(500e-4 * (0.5 + 0.7 + 0.4) * 1000, within(1e-6));
        assertThat(plan.stucco().value()).isCloseTo(500e-4 * (0.6 + 1.2) * 1000, within(1e-6));
        assertThat(plan.thickness().value()).isCloseTo(2.0, within(1e-9));
        assertThat(plan.strength()).isEmpty();
        assertThat(plan.lift()).isEmpty();
    }

    /** With an alloy, a head and a radius it is judged for strength too: 29.52 kPa on 10 mm over 2 mm. */
    @Test
    void aLoadNeedsAllThree() {
        Map<String, String> loaded = over(ASKED, "alloy", "si-bronze", "head_mm", "400", "radius_mm", "10");
        ShellPlan plan = ShellReader.read(Fields.typed(loaded, Units.METRIC), Factors.HANDBOOK)
                .orElseThrow();
        assertThat(plan.strength().orElseThrow().stress().value())
                .isCloseTo(0.9 * 8.36 * 9.81 * 0.4 * 10 / 2 / 1000, within(1e-6));
        assertThat(ShellReader.read(Fields.typed(over(loaded, "radius_mm", ""), Units.METRIC), Factors.HANDBOOK)
                        .orElseThrow()
                        .strength())
                .isEmpty();
        ShellPlan metal = ShellReader.read(
                        Fields.typed(over(loaded, "metal_g", "4000"), Units.METRIC), Factors.HANDBOOK)
                .orElseThrow();
        assertThat(metal.lift().orElseThrow().value())
                .isCloseTo(4000 + metal.fired().value(), within(1e-6));
    }

    @ParameterizedTest
    @CsvSource({
        "area_cm2, '', area_cm2",
        "area_cm2, 0, area_cm2",
        "coats[1], plaster, coats[1]",
        "coats[1], '', ''",
        "climate.humidity_pct, 101, climate.humidity_pct",
        "climate.temperature_C, -5, climate.temperature_C",
        "climate.air_m_s, 25, climate.air_m_s",
        "openness, shut, openness",
        "openness, '', openness",
        "alloy, mud, alloy",
        "wire, perhaps, wire",
        "solids_pct, 10, solids_pct",
        "slurry_density, 9, slurry_density"
    })
    void whatAProgramAsksWrongly(String path, String text, String at) {
        Fields fields = Fields.typed(over(ASKED, path, text), Units.METRIC);
        Optional<ShellPlan> plan = ShellReader.read(fields, Factors.HANDBOOK);
        if (at.isEmpty()) {
            assertThat(plan).isPresent();
        } else {
            assertThat(plan).isEmpty();
            assertThat(fields.errors()).containsOnlyKeys(at);
        }
    }

    @Test
    void noCoatsAndFarTooMany() {
        Map<String, String> none = new LinkedHashMap<>(ASKED);
        none.keySet().removeIf(k -> k.startsWith("coats"));
        assertThat(refused(none)).containsOnlyKeys("coats");
        Map<String, String> many = new LinkedHashMap<>(ASKED);
        for (int i = 3; i < 100; i++) {
            many.put("coats[" + i + "]", "backup");
        }
        assertThat(refused(many).get("coats")).startsWith("At most");
    }

    /** 800 g are small: few coats to 7 mm, flash dewax, a bed of sand for what does not bear. */
    @Test
    void nothingTypedIsTheUsualShell() {
        ShellReader.Built built = built();
        assertThat(built.proposal().school()).isEqualTo(ShellSchool.FEW_COATS);
        assertThat(built.plan().recipe().coats())
                .isEqualTo(ShellSchool.FEW_COATS.recipe(7, Factors.HANDBOOK).coats());
        assertThat(built.dewax().steps()).isNotEmpty();
        assertThat(built.bed()).isEmpty();
        assertThat(built.plan().layers().get(0).area().value()).isEqualTo(400);
    }

    /** Coats as written come before the recipe that is chosen. */
    @Test
    void coatsAsWritten() {
        ShellReader.Built built = built("shell.coats", "2 prime, wire, 3 backup", "shell.recipe", "many-coats");
        assertThat(built.plan().recipe().coats())
                .containsExactly(Coat.PRIME, Coat.PRIME, Coat.BACKUP, Coat.BACKUP, Coat.BACKUP);
        assertThat(built.plan().recipe().wired()).isTrue();
        assertThat(errors("shell.coats", "2 plaster").get("shell.coats")).contains("is no coat");
        assertThat(built("shell.recipe", "many-coats").plan().recipe().coats())
                .isEqualTo(ShellSchool.MANY_COATS.recipe(7, Factors.HANDBOOK).coats());
    }

    /** A recipe of the studio's own by its key. */
    @Test
    void theStudiosOwnRecipe() {
        Recipes own = new Recipes(List.of(new Recipes.Own(7, "harbour", "prime, 2 backup, seal", "", 1, false)));
        Fields fields = Fields.typed(typed("shell.recipe", "recipe-7"), Units.METRIC);
        assertThat(read(fields, tree(false, 800), own)
                        .orElseThrow()
                        .plan()
                        .recipe()
                        .coats())
                .hasSize(4);
        assertThat(own.options("").stream().map(o -> o.key())).contains("recipe-7", "few-coats");
        assertThat(own.all(7, Factors.HANDBOOK)).hasSize(6);
        Recipes archived = new Recipes(List.of(new Recipes.Own(7, "harbour", "prime", "", 1, true)));
        assertThat(archived.all(7, Factors.HANDBOOK)).hasSize(5);
        assertThat(archived.options("").stream().map(o -> o.key())).doesNotContain("recipe-7");
        assertThat(archived.options("recipe-7").stream().map(o -> o.key())).contains("recipe-7");
    }

    /** What holds plastic is melted out slowly unless somebody chose otherwise. */
    @Test
    void plasticIsMeltedOutSlowly() {
        Fields none = Fields.typed(Map.of(), Units.METRIC);
        Dewax plastic = read(none, tree(true, 800), Recipes.NONE).orElseThrow().dewax();
        Dewax wax = built().dewax();
        assertThat(plastic.steps()).isNotEqualTo(wax.steps());
        ShellReader.Built steam = built("shell.dewax", "steam");
        assertThat(steam.dewax().steps()).isNotEqualTo(wax.steps());
    }

    /** A flat face of 120 mm at the full height is one more place, and the worst. */
    @Test
    void aFlatFace() {
        assertThat(built().plan().strength().orElseThrow().worst().name()).isEqualTo("foot");
        assertThat(built("shell.flat_mm", "120")
                        .plan()
                        .strength()
                        .orElseThrow()
                        .worst()
                        .name())
                .isEqualTo("the flat face");
    }

    /** 500 x 400 x 300 = 60 l, and the shell's width between its sides. */
    @Test
    void aBoxOfSand() {
        ShellReader.Built built =
                built("shell.box.length_mm", "500", "shell.box.width_mm", "400", "shell.box.height_mm", "300");
        double shell = built.plan().fired().value() / 1.55;
        assertThat(built.bed().orElseThrow().sand().value())
                .isCloseTo((60_000 - 200 - shell) * 1.6 / 1000, within(1e-6));
        // 400 less 120 and two walls of the shell, halved
        assertThat(built.bed().orElseThrow().room())
                .isCloseTo((400 - 120 - 2 * built.plan().thickness().value()) / 2, within(1e-9));
        assertThat(built.findings().all().size())
                .isGreaterThanOrEqualTo(built.plan().findings().all().size());
        assertThat(errors("shell.box.length_mm", "500")).containsOnlyKeys("shell.box.width_mm", "shell.box.height_mm");
    }

    @ParameterizedTest
    @CsvSource({
        "shell.detail, rough",
        "shell.area_cm2, -1",
        "shell.curvature_cm, -1",
        "shell.solids_pct, 99",
        "shell.target_mm, 0.5",
        "shell.openness, shut",
        "shell.window, maybe",
        "shell.bed, maybe",
        "shell.temperature_C, 60",
        "shell.humidity_pct, damp",
        "shell.air_m_s, -1",
        "shell.lift_kg, 0",
        "shell.recipe, recipe-99",
        "shell.dewax, sun",
        "shell.tray_cm3, 0"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text) {
        assertThat(errors(path, text)).containsOnlyKeys(path);
    }

    /** 12 mm aimed at with heavy coats: the school that builds to a thickness reaches it. */
    @Test
    void toAThickness() {
        ShellReader.Built built = built("shell.recipe", "to-thickness", "shell.target_mm", "12");
        assertThat(built.plan().thickness().value()).isGreaterThanOrEqualTo(12 - 1e-9);
        assertThat(built("shell.recipe", "to-thickness").plan().thickness().value())
                .isLessThan(built.plan().thickness().value());
    }
}
