package kilnryu.core.quantity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class QuantityReaderTest {

    @ParameterizedTest(name = "{0} is {1} g")
    @CsvSource(
            delimiter = '|',
            value = {
                "22.7 g|22.7",
                "22,7 g|22.7",
                "22.7|22.7",
                "1 kg|1000",
                "12 oz|340.19427750",
                "7 lb 4 oz|3288.5446825",
                "2 ozt|62.2069536",
                "2 troy oz|62.2069536",
                "10 dwt|15.5517384",
                "1,250.5 g|1250.5",
                "1/2 lb|226.796185",
                "1 1/2 kg|1500",
                "5e2 g|500",
                ".5 kg|500"
            })
    void readsMasses(String typed, double grams) throws UnreadableQuantity {
        assertThat(QuantityReader.read(typed, Measure.GRAM, Measure.GRAM).value())
                .isCloseTo(grams, within(1e-9 * grams));
    }

    @ParameterizedTest(name = "{0} is {1} mm")
    @CsvSource(
            delimiter = '|',
            value = {"3/8 in|9.525", "3\"|76.2", "1 3/8 in|34.925", "5 ft 3 in|1600.2", "7.5 cm|75", "3 1/2″|88.9"})
    void readsLengths(String typed, double millimetres) throws UnreadableQuantity {
        assertThat(QuantityReader.read(typed, Measure.MILLIMETRE, Measure.MILLIMETRE)
                        .value())
                .isCloseTo(millimetres, within(1e-9 * millimetres));
    }

    @ParameterizedTest(name = "{0} is {1} C")
    @CsvSource({"1350 F,732.2222222222", "70°F,21.1111111111", "21 °C,21", "21,21", "-5 C,-5", "300 K,26.85"})
    void readsTemperatures(String typed, double celsius) throws UnreadableQuantity {
        assertThat(QuantityReader.read(typed, Measure.DEGREE_CELSIUS, Measure.DEGREE_CELSIUS)
                        .value())
                .isCloseTo(celsius, within(1e-9));
    }

    @ParameterizedTest(name = "{0} is {1} min")
    @CsvSource({"1:30,1.5", "2 h 30 min,150", "90 s,1.5", "2:05:00,125"})
    void readsTimes(String typed, double minutes) throws UnreadableQuantity {
        assertThat(QuantityReader.read(typed, Measure.MINUTE, Measure.MINUTE).value())
                .isCloseTo(minutes, within(1e-12));
    }

    /** A form writes out the unit that it took: what it wrote must be read again. */
    @ParameterizedTest(name = "{0}")
    @EnumSource(Measure.class)
    void whatIsWrittenOutIsReadAgain(Measure unit) throws UnreadableQuantity {
        assertThat(QuantityReader.read("21.5 " + unit.symbol(), unit, unit).value())
                .isCloseTo(21.5, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(strings = {"40", "40:100", "40 per 100", "40/100", "40 to 100"})
    void readsWaterToPowder(String typed) throws UnreadableQuantity {
        assertThat(QuantityReader.read(typed, Measure.PER_100, Measure.PER_100).value())
                .isEqualTo(40);
    }

    @ParameterizedTest
    @ValueSource(strings = {"12 cm3", "12 cm³", "12cm3", "12 cc", "12 ml", "12 cm^3"})
    void readsVolumesWithRaisedDigits(String typed) throws UnreadableQuantity {
        assertThat(QuantityReader.read(typed, Measure.CUBIC_CENTIMETRE, Measure.CUBIC_CENTIMETRE)
                        .value())
                .isCloseTo(12, within(1e-12));
    }

    @Test
    void takesTheAccountsUnitWhenNoneIsTypedAndSaysSo() throws UnreadableQuantity {
        Typed typed = QuantityReader.read("4", Measure.GRAM, Measure.OUNCE);
        assertThat(typed.unitTaken()).isTrue();
        assertThat(typed.typedIn()).isEqualTo(Measure.OUNCE);
        assertThat(typed.value()).isCloseTo(113.3980925, within(1e-9));
        assertThat(typed.valueAsTyped()).isCloseTo(4, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "NaN",
                "Infinity",
                "1e400",
                "twelve",
                "12 parsecs",
                "12 mm",
                "1.2.3",
                "1,2,3",
                "--4",
                "4-3",
                "1/0 g",
                "5 lb 3",
                "g",
                " ",
                "1 2 3 4 g",
                "12 g 3 g 4 g 5 g"
            })
    void refusesWithAWordWhatIsNoMass(String typed) {
        assertThatThrownBy(() -> QuantityReader.read(typed, Measure.GRAM, Measure.GRAM))
                .isInstanceOf(UnreadableQuantity.class)
                .message()
                .isNotBlank();
    }

    @Test
    void asksWhatACommaBeforeThreeDigitsMeans() {
        assertThatThrownBy(() -> QuantityReader.read("1,250 g", Measure.GRAM, Measure.GRAM))
                .hasMessageContaining("1250")
                .hasMessageContaining("1.250");
    }

    @Test
    void namesTheKindOfAUnitThatDoesNotFit() {
        assertThatThrownBy(() -> QuantityReader.read("12 oz", Measure.MILLIMETRE, Measure.MILLIMETRE))
                .hasMessageContaining("unit of mass")
                .hasMessageContaining("length");
    }

    static Stream<Measure> convertible() {
        return Stream.of(Measure.values()).filter(m -> m.kind() != Kind.COEFFICIENT);
    }

    @ParameterizedTest
    @MethodSource("convertible")
    void everyUnitComesBackFromEveryOtherOfItsKind(Measure unit) {
        Random random = new Random(7);
        for (Measure other : Measure.of(unit.kind())) {
            for (int i = 0; i < 50; i++) {
                double value = Math.pow(10, random.nextDouble() * 8 - 3);
                double back = other.to(unit, unit.to(other, value));
                assertThat(back).isCloseTo(value, within(1e-12 * value + 1e-9));
            }
        }
    }

    @ParameterizedTest
    @MethodSource("convertible")
    void everySymbolShownCanBeTyped(Measure unit) throws UnreadableQuantity {
        String typed = "2.5 " + unit.symbol();
        assertThat(QuantityReader.read(typed, unit, unit).value()).isCloseTo(2.5, within(1e-12));
    }

    @Test
    void gramsNeverBecomeMillimetres() {
        assertThatThrownBy(() -> Measure.GRAM.to(Measure.MILLIMETRE, 1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void typesRefuseWhatIsNoNumber() {
        assertThatThrownBy(() -> Mass.grams(Double.NaN)).isInstanceOf(IllegalArgumentException.class);
        assertThat(Mass.grams(447).grams()).isCloseTo(447, within(1e-12));
        assertThat(Volume.cubicCentimetres(347.5).cubicCentimetres()).isCloseTo(347.5, within(1e-12));
        assertThat(Temperature.celsius(21).celsius()).isCloseTo(21, within(1e-12));
    }
}
