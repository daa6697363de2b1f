package kilnryu.app.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.entry;

import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.core.diagnosis.Cause;
import kilnryu.core.diagnosis.Causes;
import kilnryu.core.diagnosis.Clue;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.Fact;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Place;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** A cause that a studio wrote itself, and facts with the place they come from. */
class OwnCauseTest {
    private final Map<String, String> errors = new LinkedHashMap<>();

    private static Map<String, String> salt() {
        Map<String, String> f = new LinkedHashMap<>();
        f.put("name", "Salt in the sand");
        f.put("usual", "1.5");
        f.put("change", "Wash the sand and dry it.");
        f.put("makes-rough", "often");
        f.put("makes-inclusion", "sometimes");
        f.put("makes-of-no-kind", "often");
        f.put("prefers-outer-face", "yes");
        f.put("clue-0", "mold_kind = block");
        f.put("weight-0", "2.5");
        f.put("speaks-0", "for");
        f.put("clue-3", "mold_kind = shell");
        f.put("speaks-3", "rules-out");
        return f;
    }

    private Cause read(Map<String, String> fields) {
        errors.clear();
        return OwnCause.read("own-7", fields, errors);
    }

    @Test
    void itIsReadAsItWasTyped() {
        Cause cause = read(salt());
        assertThat(errors).isEmpty();
        assertThat(cause.id()).isEqualTo("own-7");
        assertThat(cause.name()).isEqualTo("Salt in the sand");
        assertThat(cause.usual()).isEqualTo(1.5);
        assertThat(cause.makes()).containsOnly(entry(DefectKind.ROUGH, 3), entry(DefectKind.INCLUSION, 1));
        assertThat(cause.prefers()).containsExactly(Place.OUTER_FACE);
        assertThat(cause.clues()).extracting(Clue::speaks).containsExactly(Clue.Speaks.FOR, Clue.Speaks.RULES_OUT);
        assertThat(cause.clues().get(0).weight()).isEqualTo(2.5);
        assertThat(cause.lookAt()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "name, '', Give it a name.",
        "name, '   ', Give it a name.",
        "change, '', Say the one change to try.",
        "usual, 0, A number from 0.05 to 20.0.",
        "usual, 21, A number from 0.05 to 20.0.",
        "usual, NaN, A number from 0.05 to 20.0.",
        "usual, often, A number from 0.05 to 20.0.",
        "weight-0, 6, A number from 0.0 to 5.0.",
        "weight-0, -1, A number from 0.0 to 5.0."
    })
    void whatDoesNotFitIsSaidAtItsField(String field, String typed, String word) {
        Map<String, String> fields = salt();
        fields.put(field, typed);
        assertThat(read(fields)).isNull();
        assertThat(errors).containsEntry(field, word);
        assertThat(OwnCause.read("own-7", fields)).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"the sand was salty", "mold_kind", "mold_kind = iron", "moon_C > 3", "metal_C >"})
    void aQuestionThatCannotBeReadIsRefusedInWords(String clue) {
        Map<String, String> fields = salt();
        fields.put("clue-0", clue);
        assertThat(read(fields)).isNull();
        assertThat(errors.get("clue-0")).isNotBlank().endsWith(".").doesNotContain("kilnryu", "Exception");
    }

    @Test
    void aCauseMakesSomething() {
        Map<String, String> fields = salt();
        fields.keySet().removeIf(k -> k.startsWith("makes-r") || k.startsWith("makes-i"));
        assertThat(read(fields)).isNull();
        assertThat(errors).containsKey("makes");
    }

    @Test
    void aDecimalCommaIsUnderstoodAndALongNameIsNot() {
        Map<String, String> fields = salt();
        fields.put("usual", " 1,5 ");
        assertThat(read(fields).usual()).isEqualTo(1.5);
        fields.put("name", "s".repeat(201));
        assertThat(read(fields)).isNull();
        assertThat(errors.get("name")).isEqualTo("At most 200 letters.");
    }

    /** One of the table's keeps its evidence; only how common it is becomes the studio's. */
    @Test
    void aWeightOfTheTablesOwn() {
        Cause table = Causes.handbook().named("mold-too-cold").orElseThrow();
        Cause own = OwnCause.read("mold-too-cold", Map.of("usual", "7", "name", "something else"), errors);
        assertThat(own.usual()).isEqualTo(7);
        assertThat(own.name()).isEqualTo(table.name());
        assertThat(own.clues()).isEqualTo(table.clues());
        assertThat(OwnCause.read("mold-too-cold", Map.of("usual", "none"))).isEmpty();
    }

    /** Those who know by measure come first: what was found first stays. */
    @Test
    void whatWasFoundFirstStays() {
        OnRecord found = new OnRecord()
                .number(FactKey.METAL_C, 1120, Fact.How.MEASURED, "/pours/3/day")
                .number(FactKey.METAL_C, 1180, Fact.How.PLANNED, "/trees/3/firing")
                .word(FactKey.VENTS, "none", Fact.How.PLANNED, "/trees/3/gating");
        assertThat(found.facts().get(FactKey.METAL_C).orElseThrow().number()).isEqualTo(1120);
        assertThat(found.place(FactKey.METAL_C)).isEqualTo("/pours/3/day");
        assertThat(found.place(FactKey.VENTS)).isEqualTo("/trees/3/gating");
        assertThat(found.place(FactKey.DRY)).isEmpty();
    }

    @Test
    void whatIsNoNumberIsNotKnown() {
        OnRecord found = new OnRecord()
                .number(FactKey.METAL_C, Double.NaN, Fact.How.MEASURED, "/a")
                .number(FactKey.MOLD_C, Double.POSITIVE_INFINITY, Fact.How.MEASURED, "/b");
        assertThat(found.facts().get(FactKey.METAL_C)).isEmpty();
        assertThat(found.facts().get(FactKey.MOLD_C)).isEmpty();
    }

    @Test
    void aWordThatAFactCannotHaveIsABug() {
        assertThatThrownBy(() -> new OnRecord().word(FactKey.VENTS, "many", Fact.How.PLANNED, "/a"))
                .hasMessage("vents cannot be many");
    }
}
