package kilnryu.app.plan;

import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZoneOffset;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import kilnryu.app.factor.Catalogue;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Units;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Replacement;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.json.JsonMapper;

/** Every constant at both its ends: what the page takes, a document takes, and what it freezes thaws with the same figures. */
class ConstantEndsTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final Map<String, String> TREE = typed(
            "name", "curlew leg",
            "alloy", "si-bronze",
            "parts[a].name", "leg",
            "parts[a].material", "injection-wax",
            "parts[a].mass_g", "96 g",
            "parts[a].box.length_mm", "120",
            "parts[a].box.width_mm", "20",
            "parts[a].box.thickness_mm", "12",
            "parts[a].joins", "s",
            "parts[a].at_mm", "60",
            "parts[c].name", "cup",
            "parts[c].use", "cup",
            "parts[c].material", "sprue-wax",
            "parts[c].cone.top_diameter_mm", "50",
            "parts[c].cone.bottom_diameter_mm", "20",
            "parts[c].cone.length_mm", "40",
            "parts[s].name", "sprue",
            "parts[s].use", "sprue",
            "parts[s].material", "sprue-wax",
            "parts[s].rod.diameter_mm", "16",
            "parts[s].rod.length_mm", "120",
            "parts[s].joins", "c",
            "parts[s].at_mm", "40");

    private static final Map<String, Map<String, String>> MOLDS = Map.of(
            "flask",
                    typed(
                            "inner_diameter_mm", "150",
                            "height_mm", "240",
                            "system", "gypsum-jewelry",
                            "tree_width_mm", "120",
                            "tree_height_mm", "180"),
            "block",
                    typed(
                            "mold_kind", "block",
                            "block.fine.mix", "plaster-silica",
                            "tree_width_mm", "120",
                            "tree_height_mm", "180"),
            "shell",
                    typed(
                            "mold_kind", "shell",
                            "shell.box.length_mm", "400",
                            "shell.box.width_mm", "400",
                            "shell.box.height_mm", "500"));

    static Stream<Constant> constants() {
        return Catalogue.all();
    }

    private static Map<Stage, Map<String, String>> stages(String mold) {
        Map<Stage, Map<String, String>> stages = new EnumMap<>(Stage.class);
        stages.put(Stage.TREE, TREE);
        stages.put(Stage.MOLD, MOLDS.get(mold));
        stages.put(Stage.FIRING, Map.of());
        return stages;
    }

    private static Plan plan(Map<Stage, Map<String, String>> stages, Factors factors) {
        return Plan.read(stages, new Plan.Reading(Units.METRIC, factors, ZoneOffset.UTC));
    }

    private static Plan.Reading reading() {
        return new Plan.Reading(Units.METRIC, Factors.HANDBOOK, ZoneOffset.UTC);
    }

    @ParameterizedTest
    @MethodSource("constants")
    void atBothItsEnds(Constant constant) throws Exception {
        for (double end : List.of(constant.least(), constant.most())) {
            String page = Fields.typed(Map.of("value", Double.toString(end)), Units.METRIC)
                            .quantity("value", Range.of(constant))
                            .isPresent()
                    ? "taken"
                    : "refused";
            assertThat(page).as("%s = %s on the page", constant.key(), end).isEqualTo("taken");
            Factors factors = new Factors(Map.of(constant.key(), new Replacement(end, "at its end")));
            String mold = mold(constant);
            frozenAndThawed(mold, factors, constant.key() + " = " + end + " in a " + mold);
        }
    }

    /** The mold in which it counts; what counts in all of them is tried in a flask. */
    private static String mold(Constant constant) {
        boolean shell = Stream.of("shell", "dewax", "slurry").anyMatch(constant.key()::startsWith);
        boolean block = Stream.of("block", "moisture", "system.plaster").anyMatch(constant.key()::startsWith);
        return shell ? "shell" : block ? "block" : "flask";
    }

    private static void frozenAndThawed(String mold, Factors factors, String which) throws Exception {
        Plan plan = plan(stages(mold), factors);
        assertThat(plan.fields().get(Stage.TREE).errors()).as(which).isEmpty();
        String document = JSON.writeValueAsString(PlanDocument.write(plan));
        PlanDocument.Content content = PlanDocument.read(document, reading());
        Map<String, Replacement> then = new java.util.HashMap<>();
        content.constants().forEach((key, value) -> then.put(key, new Replacement(value, "then")));
        Plan thawed = plan(content.stages(), new Factors(then));
        // and as a record: what was shown is read again, whatever can be reckoned
        WorkRecord record = Records.of(Records.SHELL, "curlew leg", List.of(PlanRecord.of(7, plan)), null);
        WorkRecord read = Records.read(Records.SHELL, Records.write(record));
        assertThat(read).as(which).isEqualTo(record);
        assertThat(read.plans().get(0).shown())
                .as(which)
                .hasSizeGreaterThan(4)
                .allSatisfy(f -> assertThat(f.value()).isNotBlank());
        assertThat(figures(thawed)).as(which).isEqualTo(figures(plan));
        assertThat(thawed.findings().all())
                .as(which)
                .hasSameSizeAs(plan.findings().all());
    }

    private static Map<String, Double> figures(Plan plan) {
        Map<String, Double> figures = new java.util.TreeMap<>();
        PlanDocument.figures(plan)
                .forEach((key, figure) -> figures.put(key, figure == null ? Double.NaN : figure.value()));
        return figures;
    }

    /** Beyond its ends neither takes it, and the document says which and why. */
    @Test
    void beyondItsEnds() {
        Constant constant = Catalogue.named("shell.strength").orElseThrow();
        double far = constant.most() * 1.01;
        assertThat(Fields.typed(Map.of("value", Double.toString(far)), Units.METRIC)
                        .quantity("value", Range.of(constant)))
                .isEmpty();
        Plan plan = plan(stages("shell"), new Factors(Map.of(constant.key(), new Replacement(far, "a slip"))));
        String document = JSON.writeValueAsString(PlanDocument.write(plan));
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> PlanDocument.read(document, reading()))
                .isInstanceOf(PlanDocument.Unusable.class)
                .hasMessageContaining("shell.strength")
                .hasMessageContaining("it may be 0.75 to 32");
    }
}
