package kilnryu.core.rubber;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Frames in a hot press. */
class VulcanisingTest {
    private static Vulcanising of(double thick, double press, Boolean bears) {
        return Vulcanising.of(thick, OptionalDouble.of(press), Optional.ofNullable(bears), Factors.HANDBOOK);
    }

    /** 18 mm are six times 3 mm: 45 min. */
    @Test
    void sevenAndAHalfMinutesForEachThreeMillimetres() {
        Vulcanising v = of(18, 150, true);
        assertThat(v.minutes().value()).isEqualTo(45, within(1e-9));
        assertThat(v.findings().all()).isEmpty();
        assertThat(v.unknown()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"139, press-cold", "140, ''", "160, ''", "161, press-hot"})
    void thePressIsAboutAtItsHeat(double celsius, String id) {
        assertThat(of(18, celsius, true).findings().all())
                .extracting(Finding::id)
                .containsExactlyElementsOf(id.isEmpty() ? List.of() : List.of(id));
    }

    @Test
    void aModelThatMeltsIsAStopAndAnUnknownOneIsNotJudged() {
        assertThat(of(18, 150, false).findings().all()).extracting(Finding::id).containsExactly("model-melts");
        Vulcanising none = Vulcanising.of(18, OptionalDouble.empty(), Optional.empty(), Factors.HANDBOOK);
        assertThat(none.unknown()).hasSize(2);
        assertThatThrownBy(() -> of(0, 150, true)).isInstanceOf(IllegalArgumentException.class);
    }
}
