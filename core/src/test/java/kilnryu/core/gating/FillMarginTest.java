package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class FillMarginTest {
    private final FillMargin margin = FillMargin.of(new TestTree().plan());

    /** The leaf's 3 mm freeze in 72.3 s and fill in 0.773 s (FillingTest): 93.5 times. */
    @Test
    void asPlannedItIsWhatTheGatingPageSays() {
        assertThat(margin.at(1110, 540).orElseThrow()).isCloseTo(93.5, within(0.3));
        assertThat(margin.thinnest()).hasValue(3);
    }

    @Test
    void coolerMetalAndColderMoldsLeaveLess() {
        double planned = margin.at(1110, 540).orElseThrow();
        assertThat(margin.at(1060, 540).orElseThrow()).isLessThan(planned);
        assertThat(margin.at(1110, 440).orElseThrow()).isLessThan(planned);
        assertThat(margin.at(1060, 440).orElseThrow())
                .isLessThan(margin.at(1110, 440).orElseThrow());
    }

    @Test
    void metalUnderItsLiquidusDoesNotFillAndAMoldAsHotIsNotJudged() {
        assertThat(margin.at(960, 540)).hasValue(0);
        assertThat(margin.at(1110, 960)).isEmpty();
    }
}
