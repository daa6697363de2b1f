package kilnryu.core.stock;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.wax.Wax;
import org.junit.jupiter.api.Test;

/** Rods in the cold, by hand. */
class ChillingTest {
    private static Chilling of(double wide, double length, double warm, double cold, double firm) {
        return Chilling.of(new Chilling.Question(Wax.SCULPTURE, wide, OptionalDouble.of(length), warm, cold, firm));
    }

    /** 900 x 2300 x 0.01 / 32 = 646.9 s; from 40 to 15 in 5 degrees: ln(35 / 10) = 1.2528: 810 s; twice as thick twice as long. */
    @Test
    void itIsFirmAfterATime() {
        assertThat(of(10, 500, 40, 5, 15).chill().orElseThrow().value()).isEqualTo(810.4, within(0.2));
        assertThat(of(20, 500, 40, 5, 15).chill().orElseThrow().value()).isEqualTo(1620.8, within(0.4));
        assertThat(of(10, 500, 10, 5, 15).chill()).isEmpty();
    }

    @Test
    void whatDoesNotWorkIsSaid() {
        assertThat(of(10, 500, 40, 15, 15).findings().all())
                .extracting(Finding::id)
                .containsExactly("place-warm");
        assertThat(of(10, 500, 40, -18, 18).findings().all())
                .extracting(Finding::id)
                .containsExactly("place-cold");
        assertThat(of(10, 500, 40, -18, 8).findings().all()).isEmpty();
        assertThat(of(5, 300, 40, 5, 15).findings().all()).isEmpty();
        assertThat(of(5, 301, 40, 5, 15).findings().all())
                .extracting(Finding::id)
                .containsExactly("rod-slender");
        assertThatThrownBy(() -> of(0, 500, 40, 5, 15)).isInstanceOf(IllegalArgumentException.class);
    }
}
