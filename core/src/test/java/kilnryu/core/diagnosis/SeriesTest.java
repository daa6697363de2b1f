package kilnryu.core.diagnosis;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

/** Sums by hand. */
class SeriesTest {

    @Test
    void chanceToSeeSoManyGoodOnesIfNothingHadChanged() {
        // half come good: 3 of 3 by luck is 1/8; 2 or 3 of 3 is 4/8
        assertThat(Series.atLeast(3, 3, 0.5)).isEqualTo(0.125, within(1e-12));
        assertThat(Series.atLeast(2, 3, 0.5)).isEqualTo(0.5, within(1e-12));
        assertThat(Series.atLeast(0, 3, 0.5)).isEqualTo(1, within(1e-12));
        // 2 or more of 4 at a third: 1 - (2/3)^4 - 4 (1/3)(2/3)^3 = 33/81
        assertThat(Series.atLeast(2, 4, 1.0 / 3)).isEqualTo(33.0 / 81, within(1e-12));
        assertThat(Series.atLeast(1, 5, 0)).isZero();
        assertThat(Series.atLeast(5, 5, 1)).isOne();
    }

    @Test
    void howManyInARowItTakesToKnow() {
        // 0.5^5 = 0.031, 0.5^4 = 0.063
        assertThat(Series.allGood(0.5)).hasValue(5);
        // 0.75^11 = 0.042, 0.75^10 = 0.056
        assertThat(Series.allGood(0.75)).hasValue(11);
        assertThat(Series.allGood(0)).hasValue(1);
        assertThat(Series.allGood(1)).isEmpty();
    }

    @Test
    void moreGoodOnesThanCastingsAreRefused() {
        assertThatThrownBy(() -> Series.atLeast(4, 3, 0.5)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Series.atLeast(1, 3, 1.5)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void howManyToCastForSoManyGoodOnes() {
        // half come good: one of 4 fails with 1/16, of 3 with 1/8
        assertThat(Series.needed(1, 0.5, 0.9)).hasValue(4);
        // two good: of 6 at most one fails to be 7/64 = 0.109, of 7 it is 8/128 = 0.0625
        assertThat(Series.needed(2, 0.5, 0.9)).hasValue(7);
        assertThat(Series.needed(3, 1, 0.9)).hasValue(3);
        assertThat(Series.needed(1, 0, 0.9)).isEmpty();
        assertThatThrownBy(() -> Series.needed(0, 0.5, 0.9)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Series.needed(1, 0.5, 1)).isInstanceOf(IllegalArgumentException.class);
    }
}
