package kilnryu.core.breakout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;

/** Sums by hand. */
class MendOrCastTest {

    @Test
    void aWeldOnTheLegAgainstAnotherLeg() {
        MendOrCast m = MendOrCast.of(new MendOrCast.Question(3, 40, 12, 10, 260, 90, 6, 75));
        // 3 x 40 + 12 + 0.10 x 260
        assertThat(m.mend().value()).isEqualTo(158, within(1e-9));
        // (90 + 6 x 40) / 0.75
        assertThat(m.again().value()).isEqualTo(440, within(1e-9));
        // (440 - 12 - 26) / 40
        assertThat(m.breakEven().value()).isEqualTo(10.05, within(1e-9));
        assertThat(m.mendingIsCheaper()).isTrue();
    }

    @Test
    void aCufflinkIsSoonerCastAgain() {
        MendOrCast m = MendOrCast.of(new MendOrCast.Question(1.5, 40, 2, 30, 15, 4, 0.4, 80));
        // 60 + 2 + 4.5; (4 + 16) / 0.8
        assertThat(m.mend().value()).isEqualTo(66.5, within(1e-9));
        assertThat(m.again().value()).isEqualTo(25, within(1e-9));
        assertThat(m.mendingIsCheaper()).isFalse();
    }

    @Test
    void whatNeverComesGoodIsNotFree() {
        // at least one in twenty is taken: no division by nothing
        assertThat(MendOrCast.of(new MendOrCast.Question(1, 10, 0, 0, 0, 5, 0, 0))
                        .again()
                        .value())
                .isEqualTo(100, within(1e-9));
        assertThatThrownBy(() -> new MendOrCast.Question(1, 0, 0, 0, 0, 5, 0, 50))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new MendOrCast.Question(1, 10, 0, 130, 0, 5, 0, 50))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void howLateEachWouldBe() {
        assertThat(MendOrCast.late(OptionalDouble.of(4), 6.5)).hasValue(2.5);
        assertThat(MendOrCast.late(OptionalDouble.of(9), 6.5)).hasValue(0);
        assertThat(MendOrCast.late(OptionalDouble.empty(), 6.5)).isEmpty();
    }
}
