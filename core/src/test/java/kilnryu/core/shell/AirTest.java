package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class AirTest {
    /** Wet bulbs as psychrometric tables at sea level have them; the relation is good to 1 K. */
    @ParameterizedTest
    @CsvSource({
        "20, 50, 13.8",
        "25, 60, 19.5",
        "30, 40, 20.1",
        "10, 80, 8.2",
        "35, 20, 18.9",
        "15, 90, 14.1",
        "40, 30, 25.1"
    })
    void wetBulbOfTheTables(double celsius, double humidity, double wet) {
        assertThat(new Air(celsius, humidity, 1).wetBulb().value()).isCloseTo(wet, within(1.0));
    }

    /** The check value of the handbook. */
    @Test
    void wetBulbOfTheHandbook() {
        assertThat(new Air(21, 50, 1).wetBulb().value()).isCloseTo(14.56, within(0.005));
    }

    @Test
    void saturatedAirIsItsOwnWetBulbAndTakesUpNothing() {
        assertThat(new Air(21, 100, 3).wetBulb().value()).isEqualTo(21);
        assertThat(new Air(21, 100, 3).flux()).isZero();
        assertThat(new Air(21, 0, 1).flux()).isGreaterThan(new Air(21, 20, 1).flux());
    }

    /** Still 6 + 10 * sqrt(0.1) = 9.16, a fan 16, a strong one 23.3 W/(m2 K). */
    @Test
    void movingAirCarriesMoreHeat() {
        assertThat(new Air(21, 50, 0.1).transfer().value()).isCloseTo(9.162, within(0.001));
        assertThat(new Air(21, 50, 1).transfer().value()).isEqualTo(16);
        assertThat(new Air(21, 50, 3).transfer().value()).isCloseTo(23.32, within(0.01));
    }
}
