package kilnryu.app.tree;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.Amount;
import kilnryu.core.tree.Part;
import kilnryu.core.tree.TreePlan;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A tree's parts as casters give them: weighed, measured, dunked, drawn. */
class TreeReaderTest {
    private static final Map<String, String> ONE =
            typed("alloy", "si-bronze", "parts[a].name", "leaf", "parts[a].material", "injection-wax");

    private static TreePlan plan(Map<String, String> fields) {
        return TreeReader.read(Fields.typed(fields, Units.METRIC), Factors.HANDBOOK)
                .orElseThrow();
    }

    private static Map<String, String> errors(Map<String, String> typed) {
        Fields fields = Fields.typed(typed, Units.METRIC);
        assertThat(TreeReader.read(fields, Factors.HANDBOOK)).isEmpty();
        return fields.errors();
    }

    private static Map<String, String> leaf(String... pairs) {
        return over(ONE, pairs);
    }

    private static double cm3(String... pairs) {
        return plan(leaf(pairs)).treeVolume().value();
    }

    /** 10 mm across, 100 long: pi/4 x 1 x 10 = 7.854 cm3; five of them 39.27. */
    @Test
    void aRod() {
        assertThat(cm3("parts[a].rod.diameter_mm", "10", "parts[a].rod.length_mm", "100"))
                .isCloseTo(7.85398, within(1e-4));
        assertThat(cm3("parts[a].count", "5", "parts[a].rod.diameter_mm", "1 cm", "parts[a].rod.length_mm", "10 cm"))
                .isCloseTo(39.2699, within(1e-3));
    }

    /** 2 x 3 x 10 cm; a cone 40 to 20 over 60: pi x 6 / 12 x (16 + 8 + 4) = 43.98. */
    @Test
    void aBarAndACone() {
        assertThat(cm3(
                        "parts[a].bar.width_mm",
                        "20",
                        "parts[a].bar.thickness_mm",
                        "30",
                        "parts[a].bar.length_mm",
                        "100"))
                .isCloseTo(60, within(1e-9));
        assertThat(cm3(
                        "parts[a].cone.top_diameter_mm",
                        "40",
                        "parts[a].cone.bottom_diameter_mm",
                        "20",
                        "parts[a].cone.length_mm",
                        "60"))
                .isCloseTo(43.9823, within(1e-3));
        // a point at one end: pi x 6 / 12 x 16 = 25.13
        assertThat(cm3(
                        "parts[a].cone.top_diameter_mm",
                        "40",
                        "parts[a].cone.bottom_diameter_mm",
                        "0",
                        "parts[a].cone.length_mm",
                        "60"))
                .isCloseTo(25.1327, within(1e-3));
    }

    /** What is dunked lifts its volume of water, near a gram to the cm3; what is known is known. */
    @Test
    void dunkedAndKnown() {
        assertThat(cm3("parts[a].volume_cm3", "12.5")).isEqualTo(12.5);
        assertThat(cm3("parts[a].displacement_g", "12.5")).isCloseTo(12.5, within(0.05));
    }

    /** A coat of 0.5 mm over 40 cm2 adds 2 cm3. */
    @Test
    void aCoatAddsToIt() {
        assertThat(cm3(
                        "parts[a].volume_cm3", "10",
                        "parts[a].coat.material", "sculpture-wax",
                        "parts[a].coat.thickness_mm", "0.5",
                        "parts[a].coat.area_cm2", "40"))
                .isCloseTo(12, within(1e-9));
    }

    /** What hangs on the tree is a piece unless it is called gating; a use decides over the role. */
    @Test
    void whatIsAPiece() {
        Map<String, String> weighed = leaf("parts[a].mass_g", "10");
        assertThat(role(weighed)).isEqualTo(Part.Role.PIECE);
        assertThat(role(over(weighed, "parts[a].role", "gating"))).isEqualTo(Part.Role.GATING);
        assertThat(role(over(weighed, "parts[a].role", "gating", "parts[a].use", "piece")))
                .isEqualTo(Part.Role.PIECE);
        assertThat(role(over(weighed, "parts[a].use", "sprue"))).isEqualTo(Part.Role.GATING);
    }

    private static Part.Role role(Map<String, String> fields) {
        return plan(fields).tree().parts().get(0).role();
    }

    /** A part without a name is told by its place. */
    @Test
    void withoutAName() {
        TreePlan plan = plan(over(leaf("parts[a].mass_g", "10"), "parts[a].name", ""));
        assertThat(plan.tree().parts().get(0).name()).isEqualTo("part 1");
        assertThat(plan.tree().parts().get(0).amount()).isInstanceOf(Amount.Weighed.class);
    }

    /** An ounce is 28.3495 g; a stone on the scale of an imperial studio is what it says. */
    @Test
    void ouncesOfAnImperialStudio() {
        Fields fields = Fields.typed(leaf("parts[a].mass_g", "2"), new Units(Units.System.IMPERIAL, false));
        Part part = TreeReader.read(fields, Factors.HANDBOOK)
                .orElseThrow()
                .tree()
                .parts()
                .get(0);
        assertThat(((Amount.Weighed) part.amount()).mass().grams()).isCloseTo(56.699, within(1e-3));
        assertThat(fields.written()).containsEntry("parts[a].mass_g", "2 oz");
        assertThat(fields.notes().get("parts[a].mass_g").echo()).startsWith("taken as 2 oz = 56.69");
    }

    @ParameterizedTest
    @CsvSource({
        "alloy, unobtainium, alloy, is not known here",
        "parts[a].material, cheese, parts[a].material, is not known here",
        "parts[a].mass_g, heavy, parts[a].mass_g, ''",
        "parts[a].mass_g, -4, parts[a].mass_g, negative",
        "parts[a].mass_g, 0, parts[a].mass_g, zero",
        "parts[a].mass_g, 9000 kg, parts[a].mass_g, at most 1000000 g",
        "parts[a].count, 0, parts[a].count, whole number from 1",
        "parts[a].count, 2.5, parts[a].count, whole number from 1",
        "parts[a].role, hero, parts[a].role, is not known here",
        "parts[a].use, hero, parts[a].use, is not known here",
        "parts[a].how, guess, parts[a].how, is not known here",
        "parts[a].area_cm2, 0, parts[a].area_cm2, zero",
        "melt_loss_pct, 60, melt_loss_pct, at most 50",
        "reserve_pct, 300, reserve_pct, at most 200",
        "tare_g, -1, tare_g, negative",
        "heel_g, some, heel_g, ''",
        "parts[a].coat.thickness_mm, 1, parts[a].coat.material, what the coating is of"
    })
    void whatCannotBeIsSaidAtItsField(String path, String text, String at, String word) {
        assertThat(errors(over(leaf("parts[a].mass_g", "10"), path, text)).get(at))
                .isNotNull()
                .contains(word);
    }

    @Test
    void whatIsMissingIsSaid() {
        assertThat(errors(typed("alloy", "si-bronze"))).containsOnlyKeys("parts");
        assertThat(errors(typed("parts[a].mass_g", "3", "parts[a].material", "injection-wax")))
                .containsOnlyKeys("alloy");
        assertThat(errors(leaf()).get("parts[a]")).startsWith("Give one of mass_g");
        assertThat(errors(leaf("parts[a].mass_g", "1", "parts[a].volume_cm3", "2"))
                        .get("parts[a]"))
                .startsWith("Give only one of");
        assertThat(errors(leaf("parts[a].how", "bar"))).containsKeys("parts[a].bar.width_mm");
        assertThat(errors(leaf("parts[a].rod.length_mm", "10"))).containsOnlyKeys("parts[a].rod.diameter_mm");
        assertThat(errors(leaf(
                        "parts[a].cone.top_diameter_mm",
                        "0",
                        "parts[a].cone.bottom_diameter_mm",
                        "0",
                        "parts[a].cone.length_mm",
                        "10")))
                .containsOnlyKeys("parts[a].cone.top_diameter_mm");
        assertThat(errors(leaf("parts[a].infilled.mass_g", "20")).get("parts[a].infilled.infill_pct"))
                .contains("hollow");
    }

    /** A tare heavier than what stands on the scale is no tree. */
    @Test
    void moreThanCanBeListed() {
        Map<String, String> many = new LinkedHashMap<>(typed("alloy", "si-bronze"));
        for (int i = 0; i < 501; i++) {
            many.put("parts[k" + i + "].mass_g", "1");
        }
        assertThat(errors(many).get("parts")).contains("Use the count.");
    }

    /** The fields of ways that were not chosen, and blank ones, do not go into an export. */
    @Test
    void onlyTheChosenWayIsKept() {
        Map<String, String> typed = typed(
                "parts[a].how", "rod",
                "parts[a].mass_g", "12",
                "parts[a].rod.diameter_mm", "6",
                "parts[a].bar.width_mm", "9",
                "parts[a].note", " ",
                "parts[b].mass_g", "3",
                "alloy", "si-bronze");
        assertThat(TreeReader.chosenOnly(typed))
                .containsOnlyKeys("parts[a].how", "parts[a].rod.diameter_mm", "parts[b].mass_g", "alloy");
        assertThat(TreeReader.chosenOrBlank(typed)).contains("parts[a].note").doesNotContain("parts[a].mass_g");
    }
}
