package kilnryu.app.plan;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.sheet.Fields;
import kilnryu.app.tree.TreeReader;
import kilnryu.app.web.Units;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

/** Parts in one line, and which of them stand open. */
class StageFormTest {
    private static StageForm form(String... pairs) {
        Map<String, String> typed = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            typed.put(pairs[i], pairs[i + 1]);
        }
        Fields fields = Fields.typed(typed, Units.METRIC);
        TreeReader.read(fields, Factors.HANDBOOK);
        return new StageForm(fields, typed, true, Stage.TREE);
    }

    @Test
    void aPartIsSaidByCountSizesAndMaterial() {
        StageForm form = form(
                "alloy",
                "si-bronze",
                "parts[a].name",
                "gate",
                "parts[a].how",
                "rod",
                "parts[a].material",
                "sprue-wax",
                "parts[a].count",
                "12",
                "parts[a].rod.diameter_mm",
                "3 mm",
                "parts[a].rod.length_mm",
                "10 mm",
                "parts[b].name",
                "leaf",
                "parts[b].how",
                "mass_g",
                "parts[b].material",
                "injection-wax",
                "parts[b].mass_g",
                "0.62 g");
        assertThat(form.line("a")).isEqualTo("× 12, 3 mm × 10 mm, sprue wax");
        assertThat(form.line("b")).isEqualTo("0.62 g, injection wax");
        assertThat(form.unfinished("a")).isFalse();
        assertThat(form.unfinished("b")).isFalse();
    }

    @Test
    void sizesOfAnotherWayOfMeasuringAreNotSaid() {
        StageForm form = form(
                "parts[a].name",
                "cup",
                "parts[a].how",
                "cone",
                "parts[a].rod.diameter_mm",
                "3 mm",
                "parts[a].cone.top_diameter_mm",
                "40 mm",
                "parts[a].material",
                "");
        assertThat(form.line("a")).isEqualTo("40 mm");
    }

    @Test
    void whatIsNewOrWrongStandsOpen() {
        StageForm form = form(
                "parts[a].name",
                "",
                "parts[a].how",
                "mass_g",
                "parts[a].mass_g",
                "3 g",
                "parts[b].name",
                "leaf",
                "parts[b].how",
                "mass_g",
                "parts[b].mass_g",
                "",
                "parts[c].name",
                "leaf",
                "parts[c].how",
                "mass_g",
                "parts[c].mass_g",
                "much");
        assertThat(form.unfinished("a")).as("no name").isTrue();
        assertThat(form.unfinished("b")).as("no size").isTrue();
        assertThat(form.unfinished("c")).as("not a mass").isTrue();
    }

    @Test
    void aFoldStandsOpenWhereSomethingIsTypedInIt() {
        StageForm form = form("collar_mm", "20 mm", "overfill_pct", "");
        assertThat(form.anyOf("collar_mm", "overfill_pct")).isTrue();
        assertThat(form.anyOf("overfill_pct", "base_volume_cm3")).isFalse();
    }

    @Test
    void fieldsOfAPictureAreADocument() {
        Map<String, String> filled = new LinkedHashMap<>();
        filled.put("mold_kind", "flask");
        filled.put("flask_name", "the \"wide\" one");
        assertThat(form().json(filled)).isEqualTo("{\"mold_kind\":\"flask\",\"flask_name\":\"the \\\"wide\\\" one\"}");
    }
}
