package kilnryu.core.tree;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

class CrucibleTest {
    private static final Factors FACTORS = Factors.HANDBOOK;
    private static final Alloy BRONZE = Alloy.SI_BRONZE;

    private static Figure charge(double grams) {
        return Figure.given("charge", "charge to melt", grams, Measure.GRAM, Known.MEASURED, 0);
    }

    private static Crucible holding(double cm3) {
        return new Crucible(OptionalDouble.of(cm3), OptionalDouble.empty());
    }

    /** 8.53 g/cm3 cold, 4.5 % larger molten: 10 kg is 10000 / 8.53 / 0.955. */
    @Test
    void aMeltIsLargerThanItsCasting() {
        double density = FACTORS.value(BRONZE.density());
        double shrinks = BRONZE.volumeShrinkage();
        assertThat(Crucible.melt(BRONZE, charge(10_000), FACTORS).value())
                .isCloseTo(10_000 / density / (1 - shrinks / 100), within(1e-9))
                .isBetween(1180.0, 1300.0);
    }

    @Test
    void fullAtEightyFivePercentOfItsBrim() {
        double melt = Crucible.melt(BRONZE, charge(10_000), FACTORS).value();
        assertThat(holding(melt / 0.85)
                        .fill(BRONZE, charge(10_000), FACTORS)
                        .orElseThrow()
                        .value())
                .isCloseTo(1, within(1e-9));
        assertThat(holding(melt / 0.85).melts(BRONZE, charge(10_000), FACTORS)).hasValue(1);
        assertThat(holding(melt / 0.85).check(BRONZE, charge(10_000), FACTORS).stops())
                .isEmpty();
        assertThat(holding(melt).check(BRONZE, charge(10_000), FACTORS).stops())
                .extracting(Finding::id)
                .containsExactly("crucible");
    }

    /** Rated for 4 kg, 10 kg is three melts, however large it is. */
    @Test
    void theRatedMassCountsToo() {
        Crucible rated = new Crucible(OptionalDouble.of(100_000), OptionalDouble.of(4000));
        assertThat(rated.fill(BRONZE, charge(10_000), FACTORS).orElseThrow().value())
                .isEqualTo(2.5);
        assertThat(rated.melts(BRONZE, charge(10_000), FACTORS)).hasValue(3);
        assertThat(rated.check(BRONZE, charge(10_000), FACTORS).stops().get(0).message())
                .contains("10.0 kg", "2.5 times", "3 melts");
    }

    /** Half of a heap is air: 10 kg lie in some 2350 cm3, though they melt into 1230. */
    @Test
    void coldPiecesThatHeapOverTheRimAreChargedInTurns() {
        assertThat(holding(2000).check(BRONZE, charge(10_000), FACTORS).all())
                .extracting(Finding::id)
                .containsExactly("crucible-heap");
        assertThat(holding(2500).check(BRONZE, charge(10_000), FACTORS).all()).isEmpty();
    }

    @Test
    void withoutACrucibleNothingIsSaid() {
        Crucible none = new Crucible(OptionalDouble.empty(), OptionalDouble.empty());
        assertThat(none.known()).isFalse();
        assertThat(none.fill(BRONZE, charge(10_000), FACTORS)).isEmpty();
        assertThat(none.check(BRONZE, charge(10_000), FACTORS).all()).isEmpty();
    }

    @Test
    void moreThanOnePersonLiftsIsWarned() {
        assertThat(Lift.check(charge(25_000), "The charge", "charge", 25).all()).isEmpty();
        assertThat(Lift.check(charge(25_100), "The charge", "charge", 25)
                        .all()
                        .get(0)
                        .message())
                .isEqualTo("The charge weighs 25.1 kg; one person lifts 25 kg here.");
    }
}
