package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Sentences of the core in the reader's units; 25.4 mm an inch, 453.6 g a pound, 9/5 and 32. */
class SpokenTest {
    private static final Units IMPERIAL = new Units(Units.System.IMPERIAL, false);

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "The room is at 8 °C. | The room is at 46 °F.",
                "Warm the room to 20 to 24 °C, day and night. | Warm the room to 68 to 75 °F, day and night.",
                "A flask of 100 × 150 mm. | A flask of 3.937 × 5.906 in.",
                "It sticks out by 12.7 mm at the open end. | It sticks out by 0.500 in at the open end.",
                "The charge weighs 25.1 kg; one person lifts 25 kg here. | The charge weighs 55 lb 5.4 oz; one person lifts 55 lb 1.8 oz here.",
                "It lags 20 K, at 300 K/h. | It lags 36 °F, at 540 °F/h.",
                "A pressure of 70 kPa. | A pressure of 10.2 psi.",
                "A block of 254 × 254 × 127 mm. | A block of 10.000 × 10.000 × 5.000 in.",
                "Ring 2 and 12.7 mm from it. | Ring 2 and 0.500 in from it.",
                "A melt of 1200 cm³. | A melt of 73.2 in³.",
                "2 m of wire | 78.740 in of wire",
                "Water 38 per 100, coat 3 of 7, 5 min | Water 38 per 100, coat 3 of 7, 5 min",
                "A fan at 1 m/s does it. | A fan at 1 m/s does it."
            })
    void imperial(String metric, String spoken) {
        assertThat(Spoken.in(metric, IMPERIAL)).isEqualTo(spoken);
    }

    @Test
    void metricStaysAsItIs() {
        assertThat(Spoken.in("100 × 150 mm at 8 °C", Units.METRIC)).isEqualTo("100 × 150 mm at 8 °C");
        assertThat(Spoken.in((String) null, IMPERIAL)).isNull();
    }
}
