package kilnryu.core.pour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class CarryWindowTest {
    private static final Mold FLASK = Mold.flask(0.1, 0.15, Setting.GYPSUM);

    private static CarryWindow window(Mold mold, double radius, double leaves, double limit, Outside outside) {
        return CarryWindow.of(new CarryWindow.Question(mold, radius, leaves, limit, outside));
    }

    /** The shell slabs of reference/carry.csv: to 3 % or 1 s. */
    @ParameterizedTest
    @CsvSource({
        "8,900,850,29.2",
        "8,900,700,79.0",
        "8,900,550,151.6",
        "6,900,800,28.4",
        "6,900,600,83.0",
        "12,870,800,71.1",
        "12,870,650,168.4"
    })
    void shellsInTheRoom(double millimetres, double leaves, double below, double seconds) {
        CarryWindow window = window(Mold.shell(millimetres / 1000, 0.05), 0, leaves, below, Outside.air(20));
        assertThat(window.seconds().orElseThrow()).isCloseTo(seconds, within(Math.max(1, seconds * 0.03)));
    }

    @Test
    void aFlaskStandsLongerThanAShellAndItsMiddleLongerThanItsRim() {
        double rim = window(FLASK, 0.04, 600, 570, Outside.air(20)).seconds().orElseThrow();
        double middle = window(FLASK, 0.01, 600, 570, Outside.air(20)).seconds().orElseThrow();
        double shell = window(Mold.shell(0.008, 0.05), 0, 600, 570, Outside.air(20))
                .seconds()
                .orElseThrow();
        assertThat(shell).isLessThan(rim);
        assertThat(rim).isLessThan(middle);
    }

    @Test
    void hotSandHoldsLongerThanColdSandAndSandAsHotAsTheMoldForEver() {
        Mold shell = Mold.shell(0.008, 0.05);
        double cold = window(shell, 0, 900, 700, Outside.sand(20)).seconds().orElseThrow();
        double hot = window(shell, 0, 900, 700, Outside.sand(600)).seconds().orElseThrow();
        assertThat(hot).isGreaterThan(cold * 1.5);
        assertThat(window(FLASK, 0.03, 500, 400, Outside.sand(500)).seconds()).isEmpty();
    }

    @Test
    void aMoldThatIsAlreadyTooColdHasNoWindow() {
        CarryWindow none = window(FLASK, 0.03, 500, 550, Outside.air(20));
        assertThat(none.seconds()).isEqualTo(OptionalDouble.of(0));
        assertThat(none.cavityAt(0)).isEqualTo(500);
        assertThat(none.cavityAt(60)).isLessThan(500).isGreaterThan(450);
    }

    @Test
    void betweenTwoMomentsItIsReadAlongTheLine() {
        CarryWindow window = window(FLASK, 0.04, 600, 570, Outside.air(20));
        double a = window.course().get(3).cavity();
        double b = window.course().get(4).cavity();
        assertThat(window.cavityAt((window.course().get(3).second()
                                + window.course().get(4).second())
                        / 2))
                .isCloseTo((a + b) / 2, within(1e-9));
        assertThat(window.cavityAt(1e9))
                .isEqualTo(window.course().get(window.course().size() - 1).cavity());
    }
}
