package kilnryu.core.material;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.stream.Stream;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Blend.Ingredient;
import kilnryu.core.material.Blend.Role;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

class MaterialTest {

    @Test
    void plasterAndSilicaHalfAndHalf() {
        // 1 / (0.5 / 2.73 + 0.5 / 2.65) = 2.68940
        Blend blend = new Blend(List.of(
                new Ingredient("plaster", Role.BINDER, 50, 2.73),
                new Ingredient("silica flour", Role.REFRACTORY, 50, 2.65)));
        assertThat(blend.trueDensity()).isCloseTo(2.68940, within(1e-5));
        assertThat(blend.check().all()).isEmpty();
    }

    @Test
    void sharesMustSumToAHundred() {
        assertThatThrownBy(() -> new Blend(List.of(new Ingredient("plaster", Role.BINDER, 99.4, 2.73))))
                .hasMessageContaining("99.4");
    }

    @Test
    void warnsOfBlendsThatCrackOrCrumble() {
        Blend plaster = new Blend(List.of(
                new Ingredient("plaster", Role.BINDER, 90, 2.73), new Ingredient("cement", Role.CEMENT, 10, 3.1)));
        assertThat(plaster.check().all())
                .extracting(Finding::id)
                .containsExactly("blend-no-refractory", "blend-binder", "blend-cement");
        Blend sandy = new Blend(List.of(
                new Ingredient("plaster", Role.BINDER, 20, 2.73), new Ingredient("sand", Role.FREE_SAND, 80, 2.65)));
        assertThat(sandy.check().all()).extracting(Finding::id).containsExactly("blend-sand");
    }

    @Test
    void sterlingForThinSectionsIsPoured200OverItsLiquidus() {
        assertThat(Section.THIN
                        .pourTemperature(Alloy.AG_925, Factors.HANDBOOK)
                        .orElseThrow()
                        .value())
                .isEqualTo(1093);
    }

    @Test
    void zincBearingMetalNeverGetsMoreThan130() {
        assertThat(Section.THIN
                        .pourTemperature(Alloy.YELLOW_BRASS, Factors.HANDBOOK)
                        .orElseThrow()
                        .value())
                .isEqualTo(1060);
        assertThat(Section.HEAVY
                        .pourTemperature(Alloy.YELLOW_BRASS, Factors.HANDBOOK)
                        .orElseThrow()
                        .value())
                .isEqualTo(1030);
    }

    @Test
    void theFlaskIsHotterForFineSections() {
        assertThat(Section.THIN.flaskTemperature(Alloy.AG_925).orElseThrow().value())
                .isEqualTo(620);
        assertThat(Section.MEDIUM.flaskTemperature(Alloy.AG_925).orElseThrow().value())
                .isEqualTo(525);
        assertThat(Section.HEAVY.flaskTemperature(Alloy.AG_925).orElseThrow().value())
                .isEqualTo(430);
        assertThat(Section.HEAVY.flaskTemperature(Alloy.STEEL)).isEmpty();
    }

    @Test
    void everyConstantHasItsOwnKey() {
        List<Constant> all = Stream.of(
                        PatternMaterial.constants(),
                        Alloy.constants(),
                        InvestmentSystem.constants(),
                        Section.constants())
                .flatMap(List::stream)
                .toList();
        assertThat(new HashSet<>(all.stream().map(Constant::key).toList())).hasSameSizeAs(all);
        assertThat(Alloy.named("au-22y").orElseThrow().density().value()).isEqualTo(17.8);
        assertThat(PatternMaterial.named("nothing")).isEmpty();
    }
}
