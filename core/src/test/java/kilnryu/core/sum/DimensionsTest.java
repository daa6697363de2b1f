package kilnryu.core.sum;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import kilnryu.core.quantity.Measure;
import org.junit.jupiter.api.Test;

/** A formula holds whatever the units are, or says that it is a rule. */
class DimensionsTest {
    private static final Figure MASS = figure("m", 420, Measure.GRAM);
    private static final Figure VOLUME = figure("V", 60, Measure.CUBIC_CENTIMETRE);
    private static final Figure LENGTH = figure("L", 80, Measure.MILLIMETRE);
    private static final Figure TIME = figure("t", 900, Measure.SECONDS);
    private static final Figure ROOT = figure("k", 0.1, Measure.MM_PER_ROOT_SECOND);

    private static Figure figure(String symbol, double value, Measure unit) {
        return Figure.given(symbol, symbol, value, unit, Known.MEASURED, 0);
    }

    private static boolean agree(String formula, Measure unit, Figure... inputs) {
        return Dimensions.agree(Formula.of(formula), List.of(inputs), unit);
    }

    @Test
    void massOverVolumeIsADensityAndNothingElse() {
        assertThat(agree("m / V", Measure.GRAM_PER_CM3, MASS, VOLUME)).isTrue();
        assertThat(agree("m / V", Measure.GRAM, MASS, VOLUME)).isFalse();
        assertThat(agree("m * V", Measure.GRAM_PER_CM3, MASS, VOLUME)).isFalse();
    }

    @Test
    void aPrefixDoesNotMatterAndAnAddedNumberDoes() {
        assertThat(agree("pi / 4 * L^2 * L / 1000", Measure.CUBIC_CENTIMETRE, LENGTH))
                .isTrue();
        assertThat(agree("L + 2 * L", Measure.CENTIMETRE, LENGTH)).isTrue();
        assertThat(agree("L + 2", Measure.MILLIMETRE, LENGTH)).as("2 of what?").isFalse();
        assertThat(agree("m + L", Measure.GRAM, MASS, LENGTH)).isFalse();
    }

    /** A wall of wax grows with the root of time. */
    @Test
    void rootsAreFollowed() {
        assertThat(agree("k * sqrt(t)", Measure.MILLIMETRE, ROOT, TIME)).isTrue();
        assertThat(agree("k * t", Measure.MILLIMETRE, ROOT, TIME)).isFalse();
        assertThat(Measure.MM_PER_ROOT_SECOND.dimension()).containsExactly(0, 1, -0.5, 0);
        assertThat(Measure.WATT_PER_M2_K.dimension()).containsExactly(1, 0, -3, -1);
        assertThat(Measure.PERCENT.dimension()).containsOnly(0);
    }

    @Test
    void aFigureOfAFormulaThatDoesNotHoldIsRefusedUnlessItIsARule() {
        assertThatThrownBy(() -> Figure.computed("x", "x", Measure.GRAM).by(Formula.of("m * 9.81 + 2"), MASS))
                .isInstanceOf(AssertionError.class)
                .hasMessageContaining("is it a rule?");
        assertThat(Figure.computed("x", "x", Measure.GRAM)
                        .by(Formula.rule("m + 2"), MASS)
                        .value())
                .isCloseTo(422, within(1e-9));
    }

    /** Kilowatts are no joules: what is of no common dimension is not turned into each other. */
    @Test
    void coefficientsOfAnotherDimensionAreNotConverted() {
        assertThatThrownBy(() -> Measure.KILOWATT.to(Measure.KILOJOULE, 1))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(Measure.KILOWATT_HOUR.to(Measure.KILOJOULE, 2)).isCloseTo(7200, within(1e-9));
    }
}
