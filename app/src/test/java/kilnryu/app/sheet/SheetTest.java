package kilnryu.app.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import kilnryu.app.web.Units;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class SheetTest {
    private static final Units IMPERIAL = new Units(Units.System.IMPERIAL, false);

    private static Fields fields(String... pairs) {
        Map<String, String> typed = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            typed.put(pairs[i], pairs[i + 1]);
        }
        return Fields.typed(typed, Units.METRIC);
    }

    @Test
    void theUnitTakenIsWrittenOut() {
        Fields fields = Fields.typed(Map.of("tare_g", "4"), IMPERIAL);
        assertThat(fields.quantity("tare_g", Range.MASS)).isNotEmpty();
        assertThat(fields.written()).containsEntry("tare_g", "4 oz");
        assertThat(fields.notes().get("tare_g").echo()).isEqualTo("taken as 4 oz = 113.398 g");
    }

    @Test
    void aWordWhereTheApiAsksANumberIsRefused() {
        Fields fields = new Fields(Map.of("tare_g", "12 oz"), Set.of("tare_g"), Units.METRIC);
        assertThat(fields.quantity("tare_g", Range.MASS)).isEmpty();
        assertThat(fields.errors()).containsKey("tare_g");
    }

    @Test
    void partsKeepTheOrderInWhichTheyAreTyped() {
        Fields fields = fields("parts[z].name", "a", "parts[b].name", "b", "parts[z].count", "2");
        assertThat(fields.keys("parts")).containsExactly("z", "b");
    }

    @Test
    void whatNobodyAskedForIsKnown() {
        Fields fields = fields("tare_g", "1", "tara_g", "1");
        fields.quantity("tare_g", Range.MASS);
        assertThat(fields.unknown()).containsExactly("tara_g");
    }

    @Test
    void wholeNumbersOnlyForCounts() {
        assertThat(fields("n", "24 pcs").whole("n", 1, 100)).hasValue(24);
        for (String wrong : List.of("2.5", "0", "101", "many", "NaN", "1e9")) {
            Fields fields = fields("n", wrong);
            assertThat(fields.whole("n", 1, 100)).as(wrong).isEmpty();
            assertThat(fields.errors()).containsKey("n");
        }
    }

    @Test
    void controlCharactersInNamesAreRefused() {
        Fields fields = fields("name", "tree\u0000of keys");
        assertThat(fields.text("name", 120)).isEmpty();
        assertThat(fields.errors().get("name")).contains("cannot be written");
    }

    @Test
    void theirChangeComesInWhereIMadeNoneAndMineStaysWhereBothDid() {
        Map<String, String> base = Map.of("alloy", "copper", "name", "old", "tare_g", "1 g");
        Map<String, String> mine = Map.of("alloy", "copper", "name", "mine", "tare_g", "1 g");
        Map<String, String> theirs = Map.of("alloy", "pewter", "name", "theirs", "tare_g", "1 g");
        Merge merge = Merge.of(base, mine, theirs);
        assertThat(merge.fields()).containsEntry("alloy", "pewter").containsEntry("name", "mine");
        assertThat(merge.changes())
                .extracting(Merge.Change::path, Merge.Change::taken)
                .containsExactlyInAnyOrder(
                        org.assertj.core.groups.Tuple.tuple("alloy", true),
                        org.assertj.core.groups.Tuple.tuple("name", false));
    }

    @Test
    void aPartTheyTookOffGoesUnlessITouchedIt() {
        Map<String, String> base = Map.of("parts[a].count", "2", "parts[b].count", "3");
        Merge untouched = Merge.of(base, base, Map.of("parts[a].count", "2"));
        assertThat(untouched.fields()).containsOnlyKeys("parts[a].count");
        Merge touched =
                Merge.of(base, Map.of("parts[a].count", "2", "parts[b].count", "9"), Map.of("parts[a].count", "2"));
        assertThat(touched.fields()).containsEntry("parts[b].count", "9");
    }

    @Test
    void equalEditsAreNoConflict() {
        Merge merge = Merge.of(Map.of("x", "1"), Map.of("x", "2"), Map.of("x", "2"));
        assertThat(merge.changes()).allMatch(Merge.Change::taken);
    }

    @Test
    void jsonBecomesPathsAndBack() {
        var node = JsonMapper.builder().build().readTree("""
                {"alloy": "copper", "heel_g": null, "parts": [
                  {"material": "beeswax", "rod": {"diameter_mm": 6, "length_mm": 100.5}}, {"mass_g": "12 oz"}]}
                """);
        Paths.Flat flat = Paths.flat(node);
        assertThat(flat.texts())
                .containsEntry("parts[0].rod.length_mm", "100.5")
                .containsEntry("parts[1].mass_g", "12 oz")
                .doesNotContainKey("heel_g");
        assertThat(flat.words()).contains("parts[1].mass_g", "alloy").doesNotContain("parts[0].rod.length_mm");
        assertThat(Paths.nested(Map.of("parts[q].rod.length_mm", 5.0)))
                .isEqualTo(Map.of("parts", List.of(Map.of("rod", Map.of("length_mm", 5.0)))));
        Map<String, String> keyed = new LinkedHashMap<>();
        keyed.put("parts[q].count", "1");
        keyed.put("parts[a].count", "2");
        assertThat(Paths.numbered(keyed)).containsEntry("parts[0].count", "1").containsEntry("parts[1].count", "2");
    }
}
