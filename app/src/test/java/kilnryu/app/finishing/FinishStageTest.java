package kilnryu.app.finishing;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Map;
import kilnryu.core.melt.Element;
import kilnryu.core.melt.MakeUp;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class FinishStageTest {
    @ParameterizedTest
    @EnumSource(FinishStage.class)
    void eachStageIsFoundByItsKey(FinishStage stage) {
        assertThat(FinishStage.named(stage.key())).contains(stage);
        assertThat(stage.label()).isNotBlank();
    }

    /** Handbook 22: cut, blast, weld, chase before anything takes colour; wax closes the patina. */
    @Test
    void theyStandInTheOrderOfTheWork() {
        assertThat(Arrays.stream(FinishStage.values()).map(FinishStage::key))
                .containsSubsequence("cut", "blast", "weld", "chase", "mount", "patina", "wax", "photo", "pack");
        assertThat(FinishStage.named("dip")).isEmpty();
    }

    /** Where it can hurt someone, the caution is said at that step. */
    @ParameterizedTest
    @CsvSource({
        "cut, glasses",
        "blast, silica",
        "weld, extraction",
        "chase, glasses",
        "straighten, hot short",
        "mount, Balance",
        "patina, goggles",
        "wax, flame",
        "pack, limb"
    })
    void whatCanHurtIsSaidAtTheStage(String key, String word) {
        assertThat(FinishStage.named(key).orElseThrow().hazard()).contains(word);
    }

    private static MakeUp bronze(double si, double mn) {
        return new MakeUp(Map.of(Element.CU, 100 - si - mn, Element.SI, si, Element.MN, mn));
    }

    /** 4.0 and 3.4 of silicon are 0.6 apart, copper with it; manganese 1.0 and 0.8 are not seen. */
    @Test
    void heatsThatDifferAreSaidByElement() {
        assertThat(Heats.apart(bronze(4, 1), bronze(3.4, 0.8)))
                .isEqualTo("Cu 95.0 here, 95.8 there; Si 4.0 here, 3.4 there");
        assertThat(Heats.apart(bronze(4, 1), bronze(3.8, 0.9))).isEmpty();
        assertThat(Heats.apart(bronze(4, 1), bronze(4, 1))).isEmpty();
    }

    /** Tin in one alone counts as none in the other. */
    @Test
    void anElementThatIsInOneAlone() {
        MakeUp tin = new MakeUp(Map.of(Element.CU, 90.0, Element.SN, 10.0));
        assertThat(Heats.apart(tin, MakeUp.pure(Element.CU)))
                .contains("Sn 10.0 here, 0.0 there", "Cu 90.0 here, 100.0 there");
    }
}
