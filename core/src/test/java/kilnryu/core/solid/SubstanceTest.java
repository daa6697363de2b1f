package kilnryu.core.solid;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SubstanceTest {
    private static final Freezable BRONZE = new Freezable(8000, 800, 1000, 200e3, 400, 500, 45, 25);
    private static final Freezable PURE = new Freezable(9000, 1085, 1085, 205e3, 430, 495, 330, 165);
    private static final Inert GYPSUM = new Inert(1290, 900, 0.25, 0.43, 0.0002);

    /** By hand: 400 x 800 = 320 kJ/kg when frozen; 200 and 450 x 200 = 90 more when melted. */
    @Test
    void theHeatOfFreezingIsLatentHeatAndTheMeanOfBothCapacities() {
        assertThat(BRONZE.frozen()).isCloseTo(8000 * 320e3, within(1e-3));
        assertThat(BRONZE.melted()).isCloseTo(8000 * 610e3, within(1e-3));
        assertThat(BRONZE.heat(1100)).isCloseTo(8000 * 660e3, within(1e-3));
        assertThat(BRONZE.celsius(8000 * 465e3)).isCloseTo(900, within(1e-9));
        assertThat(BRONZE.liquid(8000 * 465e3)).isCloseTo(0.5, within(1e-12));
        assertThat(BRONZE.conductivity(8000 * 465e3)).isCloseTo(35, within(1e-9));
        assertThat(BRONZE.conductivity(0)).isEqualTo(45);
        assertThat(BRONZE.conductivity(1e12)).isEqualTo(25);
    }

    @Test
    void onePureFreezesAtOneTemperature() {
        double half = (PURE.frozen() + PURE.melted()) / 2;
        assertThat(PURE.celsius(half)).isEqualTo(1085);
        assertThat(PURE.rise(half)).isZero();
        assertThat(PURE.liquid(half)).isCloseTo(0.5, within(1e-12));
        assertThat(PURE.melted() - PURE.frozen()).isCloseTo(9000 * 205e3, within(1e-3));
    }

    @ParameterizedTest
    @ValueSource(doubles = {20, 300, 799, 801, 950, 999, 1001, 1300})
    void heatAndTemperatureAreEachOthersInverse(double celsius) {
        for (Substance s : new Substance[] {BRONZE, GYPSUM}) {
            double heat = s.heat(celsius);
            assertThat(s.celsius(heat)).isCloseTo(celsius, within(1e-9));
            double up = (s.celsius(heat * 1.000001) - s.celsius(heat)) / (heat * 1e-6);
            assertThat(s.rise(heat)).isCloseTo(up, within(1e-4 * up));
        }
    }

    /** By hand: 1290 x (900 + 0.125 x 600) x 600 J/m3 at 600 C. */
    @Test
    void whatDoesNotFreeze() {
        assertThat(GYPSUM.heat(600)).isCloseTo(1290 * 975.0 * 600, within(1e-3));
        assertThat(GYPSUM.conductivity(GYPSUM.heat(100))).isCloseTo(0.45, within(1e-9));
        assertThat(GYPSUM.liquid(1e9)).isZero();
        Inert even = new Inert(1000, 500, 0, 1, 0);
        assertThat(even.celsius(even.heat(321))).isCloseTo(321, within(1e-9));
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatThrownBy(() -> new Freezable(8000, 900, 800, 2e5, 400, 500, 45, 25))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Freezable(8000, 800, 900, 2e5, 400, 500, 0, 25))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Inert(1000, 500, 0, 0, 0)).isInstanceOf(IllegalArgumentException.class);
    }
}
