package kilnryu.app.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import kilnryu.app.web.Units;
import org.junit.jupiter.api.Test;

/** Examples in fields: 25.4 mm to the inch, 28.35 g to the ounce, 1.8 F to the K and 32. */
class HintTest {
    private static final Units IMPERIAL = new Units(Units.System.IMPERIAL, false);

    @Test
    void metricStaysAsItIsWritten() {
        assertThat(Hint.in("76.2 mm", Units.METRIC)).isEqualTo("76.2 mm");
    }

    @Test
    void imperialIsARoundNumber() {
        assertThat(Hint.in("76.2 mm", IMPERIAL)).isEqualTo("3 in");
        assertThat(Hint.in("110 mm", IMPERIAL)).isEqualTo("4.3 in");
        assertThat(Hint.in("22.7 g", IMPERIAL)).isEqualTo("0.8 oz");
        assertThat(Hint.in("21 °C", IMPERIAL)).isEqualTo("70 °F");
    }

    @Test
    void wordsAndPlainNumbersStay() {
        assertThat(Hint.in("by the rule", IMPERIAL)).isEqualTo("by the rule");
        assertThat(Hint.in("40", IMPERIAL)).isEqualTo("40");
        assertThat(Hint.in("20 %", IMPERIAL)).isEqualTo("20 %");
        assertThat(Hint.in(null, IMPERIAL)).isNull();
    }
}
