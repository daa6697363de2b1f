package kilnryu.core.sum;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import kilnryu.core.quantity.Measure;
import org.junit.jupiter.api.Test;

/** How far a studio may go from a constant: a quarter of the least that is usual, four times the most, never past the whole. */
class ConstantTest {
    private static Constant of(double low, double value, double high, Measure unit) {
        return new Constant("k", "k", "a constant", value, low, high, unit, Mark.T, "here");
    }

    @Test
    void aQuarterToFourTimes() {
        Constant wall = of(30, 40, 60, Measure.MILLIMETRE);
        assertThat(wall.least()).isEqualTo(7.5);
        assertThat(wall.most()).isEqualTo(240);
        assertThat(wall.bears(7.5)).isTrue();
        assertThat(wall.bears(240)).isTrue();
        assertThat(wall.bears(7.49)).isFalse();
        assertThat(wall.bears(240.1)).isFalse();
        assertThat(wall.bears(Double.NaN)).isFalse();
        assertThat(wall.bears(Double.POSITIVE_INFINITY)).isFalse();
    }

    /** A growth that may be nothing may be nothing. */
    @Test
    void nothingWhereNothingIsUsual() {
        Constant growth = of(0, 3, 10, Measure.TIMES);
        assertThat(growth.least()).isZero();
        assertThat(growth.bears(0)).isTrue();
        assertThat(growth.bears(-0.1)).isFalse();
    }

    @Test
    void aShareIsAtMostTheWhole() {
        assertThat(of(20, 50, 60, Measure.PERCENT).most()).isEqualTo(100);
        assertThat(of(4, 5, 6, Measure.PERCENT).most()).isEqualTo(24);
        assertThat(of(0.2, 0.3, 0.6, Measure.FRACTION).most()).isEqualTo(1);
        // what is usual stays possible
        assertThat(of(50, 120, 200, Measure.PERCENT).most()).isEqualTo(200);
    }

    @Test
    void belowZero() {
        Constant cold = of(-40, -20, -10, Measure.DEGREE_CELSIUS);
        assertThat(cold.least()).isEqualTo(-160);
        assertThat(cold.most()).isEqualTo(-2.5);
    }

    @Test
    void whatIsUsual() {
        Constant wall = of(30, 40, 60, Measure.MILLIMETRE);
        assertThat(wall.usual(30)).isTrue();
        assertThat(wall.usual(60)).isTrue();
        assertThat(wall.usual(60.1)).isFalse();
        assertThat(wall.usual(29.9)).isFalse();
        assertThat(wall.replaceable()).isTrue();
        assertThat(Constant.exact("e", "e", "exact", 1, Measure.TIMES, "here").replaceable())
                .isFalse();
        assertThatThrownBy(() -> of(5, 4, 6, Measure.TIMES)).hasMessageContaining("outside its own range");
    }
}
