package kilnryu.core.sum;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import kilnryu.core.quantity.Measure;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** How sums stand on the page: digits, powers of ten, squares, hundredths; each by hand. */
class PrintedTest {
    private static Figure given(String symbol, double value, Measure unit) {
        return Figure.given(symbol, "name of " + symbol, value, unit, Known.MEASURED, 0);
    }

    private static Figure sum(String formula, Figure... inputs) {
        return Figure.computed("x", "what follows", Measure.GRAM).by(Formula.rule(formula), inputs);
    }

    @ParameterizedTest
    @CsvSource({
        "0, 0",
        "12.34567, 12.35",
        "9999.6, 10000",
        "12345.6, 12346",
        "0.00123, 0.00123",
        "0.001, 0.001",
        "0.000123, 1.23·10⁻⁴",
        "999999, 999999",
        "1000000, 1·10⁶",
        "22000000, 2.2·10⁷",
        "3.21312e12, 3.213·10¹²",
        "-4.5, (−4.5)",
        "-22000000, (−2.2·10⁷)"
    })
    void numbers(double value, String printed) {
        assertThat(Plain.number(value, Plain.DIGITS)).isEqualTo(printed);
    }

    @Test
    void whatIsNoNumberIsAQuestion() {
        assertThat(Plain.number(Double.NaN, 4)).isEqualTo("?");
        assertThat(Plain.number(Double.POSITIVE_INFINITY, 4)).isEqualTo("?");
        assertThat(Plain.rounded(Double.NaN, 4)).isNaN();
        assertThat(Plain.rounded(12.34567, 4)).isEqualTo(12.35);
        assertThat(Plain.rounded(12345.6, 4)).isEqualTo(12346);
    }

    /** pi / 4 x 9.5^2. */
    @Test
    void squaresStandRoundValueAndUnit() {
        Figure d = given("d", 9.5, Measure.MILLIMETRE);
        assertThat(sum("pi / 4 * d^2", d).substituted()).isEqualTo("π ÷ 4 × (9.5 mm)²");
        assertThat(sum("d^3", d).substituted()).isEqualTo("(9.5 mm)³");
        assertThat(sum("d^1.5", d).substituted()).isEqualTo("(9.5 mm)^1.5");
        // a count has no unit to be squared
        assertThat(sum("n^2", given("n", 3, Measure.TIMES)).substituted()).isEqualTo("3²");
        assertThat(sum("n^k", given("n", 3, Measure.TIMES), given("k", 2.5, Measure.TIMES))
                        .substituted())
                .isEqualTo("3^2.5");
    }

    /** 10 % is a tenth already; where the hundred is another, or it stands under a line, it stays a number. */
    @Test
    void hundredths() {
        Figure share = given("share", 10, Measure.PERCENT);
        Figure mass = given("m", 302, Measure.GRAM);
        assertThat(sum("m * (1 + share / 100)", mass, share).substituted()).isEqualTo("302 g × (1 + 10 %)");
        assertThat(sum("m * share / 100", mass, share).substituted()).isEqualTo("302 g × 10 %");
        assertThat(sum("m / share / 100", mass, share).substituted()).isEqualTo("302 g ÷ 10 ÷ 100");
        assertThat(sum("m / 100", mass).substituted()).isEqualTo("302 g ÷ 100");
        assertThat(sum("share + share", share).substituted()).isEqualTo("10 + 10");
        assertThat(sum("share / 10", share).substituted()).isEqualTo("10 ÷ 10");
        assertThat(sum("m * (1 + share / 100)", mass, share).value()).isCloseTo(332.2, within(1e-9));
    }

    /** 1000.04 - 1000.01 is 0.03; with four digits it would be 1000 - 1000: as many are printed as it takes. */
    @Test
    void asManyDigitsAsTheSumNeeds() {
        Figure a = given("a", 1000.04, Measure.GRAM);
        Figure b = given("b", 1000.01, Measure.GRAM);
        assertThat(sum("a - b", a, b).substituted()).isEqualTo("1000.04 g − 1000.01 g");
        assertThat(sum("a + b", a, b).substituted()).isEqualTo("1000 g + 1000 g");
        assertThat(sum("a - b", a, a.as("b")).substituted()).isEqualTo("1000 g − 1000 g");
    }

    @Test
    void functionsAndSigns() {
        Figure a = given("a", 16, Measure.TIMES);
        Figure b = given("b", -3, Measure.TIMES);
        assertThat(sum("sqrt(a) - b", a, b).substituted()).isEqualTo("√(16) − (−3)");
        assertThat(sum("max(a, b) + min(a, b)", a, b).substituted()).isEqualTo("max(16, (−3)) + min(16, (−3))");
        assertThat(sum("ln(a) * exp(b) * atan(a)", a, b).value())
                .isCloseTo(Math.log(16) * Math.exp(-3) * Math.atan(16), within(1e-12));
        assertThat(sum("sqrt(a) - b", a, b).formula()).isEqualTo("√(a) − b");
    }

    /** Twelve terms are shown, the rest as what they come to. */
    @Test
    void longTotals() {
        List<Figure> parts = new ArrayList<>();
        for (int i = 1; i <= 12; i++) {
            parts.add(given("p" + i, 2, Measure.GRAM));
        }
        Figure twelve = Figure.computed("t", "total", Measure.GRAM).total(parts);
        assertThat(twelve.substituted()).isEqualTo("2 + 2 + 2 + 2 + 2 + 2 + 2 + 2 + 2 + 2 + 2 + 2");
        parts.add(given("p13", 3, Measure.GRAM));
        parts.add(given("p14", 4.5, Measure.GRAM));
        Figure more = Figure.computed("t", "total", Measure.GRAM).total(parts);
        assertThat(more.substituted()).endsWith(" + 2 + 7.5 of 2 more").startsWith("2 + 2 + 2");
        assertThat(more.value()).isEqualTo(31.5);
        assertThat(more.formula()).isEqualTo("sum of the parts");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "a +", "(a", "a)", "* a", "max(a", "a b", "2 ^"})
    void whatIsNoFormulaIsRefused(String text) {
        assertThatThrownBy(() -> Formula.rule(text)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aMissingInputIsNamed() {
        assertThatThrownBy(() -> sum("a + b", given("a", 1, Measure.GRAM)))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("b");
    }

    /** A figure under another symbol keeps value, unit and where it comes from. */
    @Test
    void underAnotherSymbol() {
        Figure whole = sum("a * 2", given("a", 4, Measure.GRAM));
        Figure renamed = whole.as("charge");
        assertThat(renamed.symbol()).isEqualTo("charge");
        assertThat(renamed.value()).isEqualTo(8);
        assertThat(renamed.isComputed()).isTrue();
        assertThat(renamed.inputs()).hasSize(1);
        Figure leaf = given("a", 4, Measure.GRAM).as("b");
        assertThat(leaf.isComputed()).isFalse();
        assertThat(leaf.symbol()).isEqualTo("b");
        assertThat(leaf.statedSpread()).hasValue(0);
        assertThat(whole).hasToString("x = 8.0 g");
        assertThat(whole.statedSpread()).isEmpty();
        assertThat(whole.mark()).isEqualTo(Mark.P);
    }
}
