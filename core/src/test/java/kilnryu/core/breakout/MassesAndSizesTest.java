package kilnryu.core.breakout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Sums by hand. */
class MassesAndSizesTest {

    private static MassBalance of(double charged, double cast, double castings, double gating, double rest) {
        return MassBalance.of(
                new MassBalance.Weighed(known(charged), known(cast), known(castings), known(gating), known(rest), 2));
    }

    private static OptionalDouble known(double v) {
        return Double.isNaN(v) ? OptionalDouble.empty() : OptionalDouble.of(v);
    }

    @Test
    void theLimpetsAddUp() {
        MassBalance b = of(285, 281, 172, 107, 0);
        assertThat(b.missing().orElseThrow().value()).isEqualTo(4, within(1e-9));
        assertThat(b.sawn().orElseThrow().value()).isEqualTo(2, within(1e-9));
        assertThat(b.findings().all()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "285, 300, 172, 109, 0, more-out",
        "285, 230, 120, 109, 0, metal-missing",
        "285, 281, 200, 109, 0, more-cut",
        "285, 281, 120, 109, 0, much-sawn"
    })
    void whatDoesNotAddUpIsSaid(double charged, double cast, double castings, double gating, double rest, String id) {
        assertThat(of(charged, cast, castings, gating, rest).findings().all())
                .extracting(Finding::id)
                .containsExactly(id);
    }

    @Test
    void theRestThatWasPouredBackIsNotMissing() {
        assertThat(of(400, 281, 172, 108, 115).findings().all()).isEmpty();
        assertThat(of(400, 281, 172, 108, 0).findings().all()).isNotEmpty();
    }

    @Test
    void whatIsNotWeighedIsNotJudged() {
        MassBalance b = of(Double.NaN, 281, Double.NaN, 109, 0);
        assertThat(b.missing()).isEmpty();
        assertThat(b.sawn()).isEmpty();
    }

    private static SizePair pair(SizePair.Way way, double casting, double wanted, double tolerance, boolean hot) {
        return new SizePair(
                way,
                OptionalDouble.of(20.4),
                OptionalDouble.of(20.36),
                OptionalDouble.of(casting),
                OptionalDouble.of(wanted),
                OptionalDouble.of(tolerance),
                hot);
    }

    @ParameterizedTest
    @CsvSource({
        "OUTSIDE, 20.05, false, ACCEPT",
        "OUTSIDE, 20.30, false, REWORK",
        "OUTSIDE, 19.70, false, SCRAP",
        "BORE, 19.70, false, REWORK",
        "BORE, 20.30, false, SCRAP",
        "OUTSIDE, 20.05, true, NOT_YET"
    })
    void metalCanBeTakenOffAnOutsideAndOutOfABore(
            SizePair.Way way, double casting, boolean hot, SizePair.Judged judged) {
        assertThat(pair(way, casting, 20, 0.1, hot).judged()).isEqualTo(judged);
    }

    @Test
    void printErrorAndTheMetalsShrinkageAreToldApart() {
        SizePair p = pair(SizePair.Way.OUTSIDE, 20.0, 20, 0.1, false);
        assertThat(p.ratio().orElseThrow()).isEqualTo(20.0 / 20.36, within(1e-12));
        assertThat(p.printOff().orElseThrow()).isEqualTo((20.36 / 20.4 - 1) * 100, within(1e-9));
        assertThat(pair(SizePair.Way.OUTSIDE, 20, 20, 0.1, true).ratio()).isEmpty();
        SizePair bare = new SizePair(
                SizePair.Way.BORE,
                OptionalDouble.of(8),
                OptionalDouble.empty(),
                OptionalDouble.of(7.9),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                false);
        assertThat(bare.ratio().orElseThrow()).isEqualTo(7.9 / 8, within(1e-12));
        assertThat(bare.judged()).isEqualTo(SizePair.Judged.NOT_YET);
    }

    @Test
    void theSawTakesItsBladeTimesTheGates() {
        // 12 gates of 7 mm2, blade 0.8 mm, silver 10.36: 12 x 0.07 cm2 x 0.08 cm x 10.36
        assertThat(Sawing.chips(12, 7, 0.8, 10.36).value()).isEqualTo(12 * 0.07 * 0.08 * 10.36, within(1e-9));
        org.assertj.core.api.Assertions.assertThatThrownBy(() -> Sawing.chips(0, 7, 0.8, 10))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
