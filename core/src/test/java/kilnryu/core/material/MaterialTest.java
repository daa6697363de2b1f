package kilnryu.core.material;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashSet;
import java.util.List;
import java.util.stream.Stream;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

class MaterialTest {

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
