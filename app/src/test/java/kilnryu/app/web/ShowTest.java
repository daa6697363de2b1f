package kilnryu.app.web;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.ZonedDateTime;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.tree.TreePlanner;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class ShowTest {
    private static final Units IMPERIAL = new Units(Units.System.IMPERIAL, false);
    private static final Units TROY = new Units(Units.System.METRIC, true);

    private static String show(double value, Measure unit, Units units) {
        return Show.value(value, unit, units, false).toString();
    }

    @ParameterizedTest(name = "{0} {1} is shown {2}")
    @CsvSource({
        "0.62, GRAM, 0.62 g",
        "22.74, GRAM, 22.7 g",
        "702.4, GRAM, 702 g",
        "9999, GRAM, 9999 g",
        "12345, GRAM, 12.35 kg",
        "76.2, MILLIMETRE, 76.2 mm",
        "100, MILLIMETRE, 100 mm",
        "9, MILLIMETRE, 9 mm",
        "0.31, MILLIMETRE, 0.31 mm",
        "0.6, MILLIMETRE, 0.6 mm",
        "0.025, MILLIMETRE, 0.025 mm",
        "0, MILLIMETRE, 0 mm",
        "0.999, MILLIMETRE, 1 mm",
        "9.5, MINUTE, 9 min 30 s",
        "25, MINUTE, 25 min",
        "0.1, MINUTE, 6 s",
        "22000000, SECOND_PER_M2, 2.2·10⁷ s/m²",
        "0.00031, FRACTION, 3.1·10⁻⁴",
        "276018, GRAM, 276 kg",
        "59.999, MINUTE, 1 h 00 min",
        "1120, MINUTE, 18 h 40 min",
        "620, DEGREE_CELSIUS, 620 °C",
        "150, KELVIN_PER_HOUR, 150 K/h",
        "60.1, PERCENT, 60.1 %"
    })
    void metric(double value, Measure unit, String shown) {
        assertThat(show(value, unit, Units.METRIC)).isEqualTo(shown);
    }

    @ParameterizedTest(name = "{0} {1} is shown {2}")
    @CsvSource({
        "28.349523125, GRAM, 1.00 oz",
        "3288.5446825, GRAM, 7 lb 4.0 oz",
        "453.59, GRAM, 16.00 oz",
        "9.525, MILLIMETRE, 0.375 in",
        "16.387064, CUBIC_CENTIMETRE, 1.00 in³",
        "732.2222, DEGREE_CELSIUS, 1350 °F",
        "100, KELVIN_PER_HOUR, 180 °F/h"
    })
    void imperial(double value, Measure unit, String shown) {
        assertThat(show(value, unit, IMPERIAL)).isEqualTo(shown);
    }

    /** A doubt is written in the unit of its figure, with the digits that it has. */
    @ParameterizedTest(name = "{0} of {1} {2}")
    @CsvSource({
        "214.27, 276018, GRAM, ± 0.2 kg",
        "0.0614, 2.4, GRAM, ± 0.06 g",
        "16.4, 620, DEGREE_CELSIUS, ± 16 K",
        "12.5, 380, MINUTE, ± 12 min 30 s",
        "1300000, 22000000, SECOND_PER_M2, ± 1.3·10⁶ s/m²"
    })
    void plusMinus(double off, double value, Measure unit, String shown) {
        assertThat(Show.plusMinus(off, value, unit, Units.METRIC, false)).isEqualTo(shown);
    }

    /** 100 g of 4 lb is 3.5 oz; 9 K are 16 F. */
    @Test
    void plusMinusInTheReadersUnits() {
        assertThat(Show.plusMinus(100, 1900, Measure.GRAM, IMPERIAL, false)).isEqualTo("± 4 oz");
        assertThat(Show.plusMinus(9, 620, Measure.DEGREE_CELSIUS, IMPERIAL, false))
                .isEqualTo("± 16 °F");
    }

    @Test
    void preciousMetalInTroyOnlyWhereItIsPrecious() {
        assertThat(Show.value(62.2069536, Measure.GRAM, TROY, true).toString()).isEqualTo("2.000 ozt");
        assertThat(Show.value(15.5517384, Measure.GRAM, TROY, true).toString()).isEqualTo("10.00 dwt");
        assertThat(Show.value(62.2069536, Measure.GRAM, TROY, false).toString()).isEqualTo("62.2 g");
    }

    @Test
    void whatCannotBeSaidIsADash() {
        assertThat(show(Double.NaN, Measure.GRAM, Units.METRIC)).isEqualTo("– g");
        assertThat(show(-7.3, Measure.MILLIMETRE, Units.METRIC)).isEqualTo("−7.3 mm");
    }

    @Test
    void aReplacedConstantSaysWhatTheHandbookHas() {
        Factors own = new Factors(java.util.Map.of("reserve", new kilnryu.core.sum.Replacement(12, "own log")));
        FigureView view = new FigureView.Maker(Units.METRIC, false).of(own.of(TreePlanner.RESERVE));
        assertThat(view.isReplaced()).isTrue();
        assertThat(view.handbook()).isEqualTo("10 %");
        assertThat(view.source()).isEqualTo("own log");
    }

    @Test
    void aMeasuredInputKeepsItsWord() {
        Figure mass = Figure.given("mass", "on the scale", 96, Measure.GRAM, Known.MEASURED, 0);
        assertThat(new FigureView.Maker(IMPERIAL, false).of(mass).known()).isEqualTo("measured");
        assertThat(new FigureView.Maker(IMPERIAL, false).of(mass).isConverted()).isTrue();
    }

    /** A list that goes back ten years says which. */
    @Test
    void aDayOfAnotherYearSaysItsYear() {
        ZonedDateTime now = ZonedDateTime.parse("2026-11-30T12:00:00Z");
        assertThat(Show.dayAndClock(ZonedDateTime.parse("2026-01-02T08:05:00Z"), now))
                .isEqualTo("Fri 2 Jan, 08:05");
        assertThat(Show.dayAndClock(ZonedDateTime.parse("2017-04-26T18:39:00Z"), now))
                .isEqualTo("Wed 26 Apr 2017, 18:39");
    }
}
