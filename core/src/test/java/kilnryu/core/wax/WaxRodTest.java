package kilnryu.core.wax;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import org.junit.jupiter.api.Test;

/** Rods by hand. */
class WaxRodTest {
    private static WaxRod of(double wide, Double mass, Double length, double warm, double cold, double firm) {
        return WaxRod.of(new WaxRod.Question(
                Wax.SCULPTURE,
                wide,
                mass == null ? OptionalDouble.empty() : OptionalDouble.of(mass),
                length == null ? OptionalDouble.empty() : OptionalDouble.of(length),
                warm,
                cold,
                firm));
    }

    /** 10 mm: 0.7854 cm2; 70.69 g at 0.9 are 78.54 cm3, 100 cm long; and back. */
    @Test
    void massAndLengthFollowFromTheNozzle() {
        assertThat(of(10, 70.686, null, 40, 5, 15).length().orElseThrow().value())
                .isEqualTo(1000, within(0.01));
        assertThat(of(10, null, 1000.0, 40, 5, 15).mass().orElseThrow().value()).isEqualTo(70.686, within(0.001));
        assertThat(of(10, null, 1000.0, 40, 5, 15).length()).isEmpty();
    }

    /** 900 x 2300 x 0.01 / 32 = 646.9 s; from 40 to 15 in 5 degrees: ln(35 / 10) = 1.2528: 810 s; twice as thick twice as long. */
    @Test
    void itIsFirmAfterATime() {
        assertThat(of(10, 50.0, null, 40, 5, 15).chill().orElseThrow().value()).isEqualTo(810.4, within(0.2));
        assertThat(of(20, 50.0, null, 40, 5, 15).chill().orElseThrow().value()).isEqualTo(1620.8, within(0.4));
        assertThat(of(10, 50.0, null, 10, 5, 15).chill()).isEmpty();
    }

    @Test
    void whatDoesNotWorkIsSaid() {
        assertThat(of(10, 50.0, null, 40, 15, 15).findings().all())
                .extracting(Finding::id)
                .containsExactly("place-warm");
        assertThat(of(10, 50.0, null, 40, -18, 18).findings().all())
                .extracting(Finding::id)
                .containsExactly("place-cold");
        assertThat(of(10, 50.0, null, 40, -18, 8).findings().all()).isEmpty();
        assertThat(of(5, null, 300.0, 40, 5, 15).findings().all()).isEmpty();
        assertThat(of(5, null, 301.0, 40, 5, 15).findings().all())
                .extracting(Finding::id)
                .containsExactly("rod-slender");
        assertThatThrownBy(() -> of(0, 50.0, null, 40, 5, 15)).isInstanceOf(IllegalArgumentException.class);
    }
}
