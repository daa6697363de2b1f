package kilnryu.core.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Shells beside fine 1D solutions (reference/freeze-shell.csv): fired shell 1550 kg/m3, k 0.9, cp 900 + 0.25 T. */
class LumpTest {
    private static final Medium SHELL = new Medium(1550, 900, 0.25, 0, 0, 0.9, 0.9, 0);
    private static final Face AIR = new Face(10, 0.9);
    private static final Lump.Melt TIN_BRONZE = new Lump.Melt(8780, 830, 1000, 190_000, 400, 480);
    private static final Lump.Melt SI_BRONZE = new Lump.Melt(8360, 820, 970, 205_000, 420, 500);
    private static final Lump.Melt ALUMINIUM = new Lump.Melt(2680, 557, 615, 389_000, 1050, 1180);

    @Test
    void platesAndCylindersInAShell() {
        assertThat(new Lump(0, 0.0025, 0.009).solid(TIN_BRONZE, 1180, 700, SHELL, AIR, 20))
                .isCloseTo(242.9, within(0.05 * 242.9));
        assertThat(new Lump(1, 0.010, 0.008).solid(SI_BRONZE, 1120, 850, SHELL, AIR, 20))
                .isCloseTo(339.3, within(0.05 * 339.3));
        assertThat(new Lump(0, 0.003, 0.007).solid(ALUMINIUM, 750, 300, SHELL, AIR, 20))
                .isCloseTo(196.7, within(0.05 * 196.7));
    }

    /** Thicker freezes later, a hotter wall later, a ball sooner than a cylinder and that than a plate of the same half. */
    @ParameterizedTest
    @CsvSource({"0.002", "0.006", "0.012"})
    void whatFreezesLater(double half) {
        double plate = new Lump(0, half, 0.008).solid(SI_BRONZE, 1110, 700, SHELL, AIR, 20);
        double rod = new Lump(1, half, 0.008).solid(SI_BRONZE, 1110, 700, SHELL, AIR, 20);
        double ball = new Lump(2, half, 0.008).solid(SI_BRONZE, 1110, 700, SHELL, AIR, 20);
        assertThat(plate).isGreaterThan(rod);
        assertThat(rod).isGreaterThan(ball);
        assertThat(new Lump(1, half * 1.3, 0.008).solid(SI_BRONZE, 1110, 700, SHELL, AIR, 20))
                .isGreaterThan(rod);
        assertThat(new Lump(1, half, 0.008).solid(SI_BRONZE, 1110, 800, SHELL, AIR, 20))
                .isGreaterThan(rod);
    }

    /** Insulated outside, the wall takes what it can and the rest stays molten: 2 mm of wall cannot freeze 40 mm of bronze. */
    @Test
    void aWallThatLosesNothingCannotFreezeMuch() {
        assertThat(new Lump(0, 0.02, 0.002).solid(SI_BRONZE, 1110, 700, SHELL, Face.INSULATED, 20))
                .isInfinite();
        assertThatThrownBy(() -> new Lump(3, 0.01, 0.01)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Lump(0, 0, 0.01)).isInstanceOf(IllegalArgumentException.class);
    }
}
