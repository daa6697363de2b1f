package kilnryu.core.sum;

import static kilnryu.core.quantity.Measure.CUBIC_CENTIMETRE;
import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.GRAM_PER_CM3;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import kilnryu.core.quantity.Measure;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class FigureTest {
    private static final Constant DENSITY =
            new Constant("wax", "density", "density of wax", 0.96, 0.92, 1.00, GRAM_PER_CM3, Mark.T, "handbook 2");

    private static Figure given(String symbol, double value, double spread) {
        return Figure.given(symbol, symbol, value, GRAM, Known.MEASURED, spread);
    }

    @ParameterizedTest(name = "{0} = {1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "2 + 3 * 4|14",
                "(2 + 3) * 4|20",
                "10 - 4 - 3|3",
                "24 / 4 / 2|3",
                "2 * 3^2|18",
                "max(2, 7) - min(2, 7)|5",
                "sqrt(16) + a|9",
                "a * b_2|35"
            })
    void evaluatesWhatItShows(String text, double expected) {
        Figure figure = Figure.computed("x", "x", GRAM).by(Formula.rule(text), given("a", 5, 0), given("b_2", 7, 0));
        assertThat(figure.value()).isCloseTo(expected, within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(strings = {"2 +", "(2", "2 $ 3", "2 3", "max(2", ")"})
    void refusesWhatIsNoFormula(String text) {
        assertThatThrownBy(() -> Formula.rule(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void showsFormulaValuesAndUnits() {
        Figure volume = Figure.computed("volume", "volume", CUBIC_CENTIMETRE)
                .by(Formula.rule("mass / density"), given("mass", 22.7, 0), Factors.HANDBOOK.of(DENSITY));
        assertThat(volume.formula()).isEqualTo("mass ÷ density");
        assertThat(volume.substituted()).isEqualTo("22.7 g ÷ 0.96 g/cm³");
        assertThat(volume.value()).isCloseTo(23.645833333, within(1e-9));
    }

    @Test
    void formulaWithoutItsInputIsAnError() {
        assertThatThrownBy(() -> Figure.computed("x", "x", GRAM).by(Formula.rule("a + b"), given("a", 1, 0)))
                .hasMessageContaining("b");
    }

    @Test
    void aReplacedConstantKeepsWhatTheHandbookSays() {
        Factors own = new Factors(Map.of("wax", new Replacement(0.94, "weighed under water")));
        Figure density = own.of(DENSITY);
        assertThat(density.value()).isEqualTo(0.94);
        assertThat(density.known()).isEqualTo(Known.REPLACED);
        assertThat(density.source()).isEqualTo("weighed under water");
        assertThat(density.constant()).get().extracting(Constant::value).isEqualTo(0.96);
    }

    @Test
    void spreadOfAQuotientAddsRelativeVariances() {
        // 50 g +- 1 g over 0.96 +- 0.02: relative 2 % and 2.0833 %, together 2.888 %, of 52.083 cm3: 1.504 cm3
        Figure volume = Figure.computed("volume", "volume", CUBIC_CENTIMETRE)
                .by(Formula.rule("mass / density"), given("mass", 50, 1), Factors.HANDBOOK.of(DENSITY));
        Spread spread = Spread.of(volume);
        assertThat(spread.deviation()).isCloseTo(1.504, within(0.001));
        assertThat(spread.shares().get(0).input().symbol()).isEqualTo("density");
        assertThat(spread.shares().get(0).share()).isCloseTo(0.520, within(0.001));
    }

    @Test
    void aMatterOfCustomBringsNoSpread() {
        assertThat(Figure.of(DENSITY).statedSpread().orElseThrow()).isCloseTo(0.02, within(1e-12));
        assertThat(Figure.of(DENSITY.asChoice()).statedSpread()).hasValue(0);
    }

    @Test
    void anInputUsedTwiceCountsOnce() {
        Figure mass = given("mass", 10, 1);
        Figure twice = Figure.computed("t", "t", GRAM).by(Formula.rule("mass + mass"), mass);
        Figure again = Figure.computed("u", "u", GRAM).by(Formula.rule("t - mass"), twice, mass);
        assertThat(Spread.of(again).deviation()).isCloseTo(1, within(1e-6));
    }

    @Test
    void aTotalOfManyPartsStaysReadable() {
        List<Figure> parts =
                IntStream.range(0, 40).mapToObj(i -> given("v" + i, 2, 0)).toList();
        Figure total = Figure.computed("all", "all", GRAM).total(parts);
        assertThat(total.value()).isEqualTo(80);
        assertThat(total.substituted()).endsWith("28 more");
    }

    @Test
    void aConstantOutsideItsOwnRangeIsAnError() {
        assertThatThrownBy(() -> new Constant("k", "k", "k", 5, 1, 2, Measure.TIMES, Mark.T, "none"))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
