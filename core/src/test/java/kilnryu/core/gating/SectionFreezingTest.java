package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Map;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.Alloy;
import kilnryu.core.solid.Radial.Shape;
import kilnryu.core.solid.Surroundings;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Replacement;
import org.junit.jupiter.api.Test;

class SectionFreezingTest {
    private static SectionFreezing.Question leaf(double thick, double moldC) {
        return new SectionFreezing.Question(
                Alloy.SI_BRONZE, 1100, moldC, Shape.PLATE, 2, Setting.GYPSUM, thick, Surroundings.INSULATED);
    }

    /** The first row of reference/freeze.csv, with the constants of the handbook. */
    @Test
    void aLeafOfBronzeInGypsum() {
        SectionFreezing freezing = SectionFreezing.of(leaf(30, 540), Factors.HANDBOOK);
        assertThat(freezing.cooled().orElseThrow().value()).isCloseTo(9.4, within(0.47));
        assertThat(freezing.middle().orElseThrow().value()).isCloseTo(364.8, within(18.2));
        assertThat(freezing.face().orElseThrow().value()).isCloseTo(364.3, within(18.2));
        assertThat(freezing.findings().all()).isEmpty();
        assertThat(freezing.middle().orElseThrow().toString()).isNotBlank();
    }

    @Test
    void whatItGoesByIsTheStudiosOwn() {
        double usual = SectionFreezing.of(leaf(30, 540), Factors.HANDBOOK)
                .cooled()
                .orElseThrow()
                .value();
        Factors tight = new Factors(Map.of("freeze.border", new Replacement(3000, "painted face")));
        assertThat(SectionFreezing.of(leaf(30, 540), tight)
                        .cooled()
                        .orElseThrow()
                        .value())
                .isLessThan(usual * 0.95);
        assertThat(SectionFreezing.constants()).extracting("key").containsExactly("freeze.border");
    }

    @Test
    void aMoldThatTakesUpTooLittleIsSaid() {
        SectionFreezing freezing = SectionFreezing.of(leaf(2, 800), Factors.HANDBOOK);
        assertThat(freezing.middle()).isEmpty();
        assertThat(freezing.findings().stops())
                .singleElement()
                .satisfies(f -> assertThat(f.message()).contains("2 mm of mold at 800 °C", "does not freeze"));
    }

    @Test
    void whatIsNotTabledIsNotGuessed() {
        assertThatThrownBy(() -> new SectionFreezing.Question(
                        Alloy.STEEL, 1600, 900, Shape.PLATE, 2, Setting.SHELL, 9, Surroundings.INSULATED))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("not tabled");
    }
}
