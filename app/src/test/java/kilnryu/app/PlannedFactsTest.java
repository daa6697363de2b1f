package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.diagnosis.FactSource;
import kilnryu.app.diagnosis.OnRecord;
import kilnryu.app.plan.Plans;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;

/** What the plan of a built tree, of a shell and of a block tells the diagnosis, none of it measured. */
class PlannedFactsTest extends AppTest {
    @Autowired
    List<FactSource> sources;

    @Autowired
    Plans plans;

    private Optional<Fact> fact(long tree, FactKey key) {
        OnRecord found = new OnRecord();
        sources.forEach(s -> s.tell(owner, plans.find(owner, tree), found));
        Optional<Fact> fact = found.facts().get(key);
        fact.ifPresent(f -> assertThat(f.how()).as(key.key()).isNotEqualTo(Fact.How.MEASURED));
        return fact;
    }

    private String word(long tree, FactKey key) {
        return fact(tree, key).orElseThrow().word();
    }

    private double number(long tree, FactKey key) {
        return fact(tree, key).orElseThrow().number();
    }

    private static void rod(Map<String, String> into, String key, String use, String joins, Map<String, String> more) {
        String at = "parts[" + key + "].";
        into.put(at + "name", key);
        into.put(at + "use", use);
        into.put(at + "how", "rod");
        into.put(at + "material", "sprue-wax");
        into.put(at + "joins", joins);
        more.forEach((field, text) -> into.put(at + field, text));
    }

    private static Map<String, String> vent(String at, String tilt) {
        return Map.of("rod.diameter_mm", "3", "rod.length_mm", "60", "at_mm", at, "tilt_deg", tilt);
    }

    @Test
    void aTreeWithoutVentsHasNone() throws Exception {
        long tree = tree(owner, GatingPagesTest.built());
        assertThat(word(tree, FactKey.VENTS)).isEqualTo("none");
        assertThat(word(tree, FactKey.CORE)).isEqualTo("no");
        assertThat(fact(tree, FactKey.PINS)).isEmpty();
        // gates slant down from the sprue and the leaves hang on: their metal comes from above
        assertThat(word(tree, FactKey.FILL_WAY)).isEqualTo("top");
        assertThat(fact(tree, FactKey.FEEDER_MODULUS_RATIO)).isEmpty();
        assertThat(number(tree, FactKey.HEAD_MM)).isPositive();
        assertThat(word(tree, FactKey.MODULUS_RISES)).isIn("yes", "no");
    }

    @Test
    void aVentThatEndsInTheAirIsOpen() throws Exception {
        Map<String, String> vented = GatingPagesTest.built();
        rod(vented, "vent", "vent", "leaf", vent("30", "90"));
        vented.put("parts[vent].count", "2");
        assertThat(word(tree(owner, vented), FactKey.VENTS)).isEqualTo("open");
    }

    @Test
    void aGateThatRisesToThePieceFillsItFromBelow() throws Exception {
        Map<String, String> below = GatingPagesTest.built();
        below.put("parts[gate].tilt_deg", "60");
        below.put("parts[leaf].tilt_deg", "60");
        assertThat(word(tree(owner, below), FactKey.FILL_WAY)).isEqualTo("bottom");
    }

    /** A feeder of twice the width has about twice the modulus of the narrow one. */
    @Test
    void aFeederIsHeldAgainstItsPiece() throws Exception {
        double narrow = number(tree(owner, fed("6")), FactKey.FEEDER_MODULUS_RATIO);
        double wide = number(tree(owner, fed("12")), FactKey.FEEDER_MODULUS_RATIO);
        assertThat(narrow).isPositive();
        assertThat(wide / narrow).isBetween(1.6, 2.1);
    }

    private static Map<String, String> fed(String across) {
        Map<String, String> f = GatingPagesTest.built();
        rod(
                f,
                "feeder",
                "feeder",
                "leaf",
                Map.of(
                        "count",
                        "2",
                        "rod.diameter_mm",
                        across,
                        "rod.length_mm",
                        "40",
                        "at_mm",
                        "15",
                        "tilt_deg",
                        "90"));
        return f;
    }

    private static Map<String, String> shell(String dewax) {
        Map<String, String> f = new HashMap<>(
                Map.of("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
        f.put("shell.coats", "prime, backup, wire, backup, seal");
        f.put("shell.dewax", dewax);
        return f;
    }

    @ParameterizedTest
    @CsvSource({"flash, flash", "autoclave, autoclave", "steam, steam"})
    void aShellSaysItsWallItsWireAndHowItIsDewaxed(String dewax, String word) throws Exception {
        long tree = tree(owner, WAX);
        assertThat(send(owner, "/trees/" + tree + "/mold", shell(dewax)).getStatus())
                .isEqualTo(302);
        assertThat(word(tree, FactKey.DEWAX)).isEqualTo(word);
        assertThat(word(tree, FactKey.WIRE)).isEqualTo("yes");
        assertThat(number(tree, FactKey.SHELL_MM)).isBetween(2.0, 15.0);
        assertThat(fact(tree, FactKey.WATER_PER_100)).isEmpty();
    }

    @Test
    void theHottestOfTheProgramIsItsSoak() throws Exception {
        long tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/trees/" + tree + "/firing", Map.of("version", "0", "mold_C", "480 C", "pour_C", "1120 C"));
        assertThat(number(tree, FactKey.SOAK_C)).isEqualTo(number(tree, FactKey.MOLD_MAX_C), within(1e-9));
        assertThat(number(tree, FactKey.SOAK_C)).isEqualTo(730);
        assertThat(number(tree, FactKey.SOAK_H)).isPositive();
        assertThat(number(tree, FactKey.METAL_PLANNED_C)).isEqualTo(1120);
    }

    @Test
    void aPlanWithoutAMoldTellsOnlyOfItsTree() throws Exception {
        long tree = tree(owner, WAX);
        for (FactKey unknown : List.of(
                FactKey.SHELL_MM, FactKey.WATER_PER_100, FactKey.SOAK_C, FactKey.DEWAX, FactKey.REFRACTORY_PCT)) {
            assertThat(fact(tree, unknown)).as(unknown.key()).isEmpty();
        }
    }
}
