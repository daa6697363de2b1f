package kilnryu.core.block;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

/** Dryness by weight: what a mold still holds of the water that is free to leave. */
class MoistureTest {
    private static Figure grams(double value) {
        return Figure.given("m", "mass", value, Measure.GRAM, Known.MEASURED, 0);
    }

    private static Figure per100(double value) {
        return Figure.given("W", "water", value, Measure.PER_100, Known.MEASURED, 0);
    }

    /** Plaster binds 18.6 to a hundred: 5 kg of half plaster with 55 water hold 5000 x (55 - 9.3) / 100 = 2285 g free. */
    @Test
    void freeWaterIsWhatPlasterDoesNotTake() {
        assertThat(Moisture.freeWater(grams(5000), per100(55), 50).value()).isCloseTo(2285, within(1e-9));
        assertThat(Moisture.freeWater(grams(5000), per100(55), 0).value()).isCloseTo(2750, within(1e-9));
        // drier than the plaster would take
        assertThat(Moisture.freeWater(grams(5000), per100(10), 100).value()).isZero();
    }

    /** 2000 g free, 10 kg filled. 8.4 kg: 400 g are left, a fifth, just dry enough; a gram more is not. */
    @Test
    void dryAtTheLimitAndNotBefore() {
        Moisture dry = Moisture.of(grams(2000), 10_000, 8400, Factors.HANDBOOK);
        assertThat(dry.left().value()).isEqualTo(400);
        assertThat(dry.share().value()).isCloseTo(20, within(1e-9));
        assertThat(dry.dry()).isTrue();
        assertThat(dry.findings().all()).isEmpty();
        Moisture wet = Moisture.of(grams(2000), 10_000, 8402, Factors.HANDBOOK);
        assertThat(wet.dry()).isFalse();
        assertThat(wet.findings().stops())
                .extracting(Finding::message)
                .containsExactly("20 % of the free water is still inside; at most 20.");
    }

    /** A scale may show 2 g in a kilo more; beyond that it is another mold or a board under it. */
    @Test
    void heavierThanFilledIsAWrongReading() {
        assertThat(Moisture.of(grams(2000), 10_000, 10_020, Factors.HANDBOOK)
                        .findings()
                        .has("heavier"))
                .isFalse();
        Moisture heavier = Moisture.of(grams(2000), 10_000, 10_120, Factors.HANDBOOK);
        assertThat(heavier.findings().all()).singleElement().satisfies(f -> {
            assertThat(f.id()).isEqualTo("heavier");
            assertThat(f.message()).isEqualTo("It weighs 120 g more than when it was filled.");
        });
        assertThat(heavier.dry()).isFalse();
        assertThat(Moisture.constants()).hasSize(1);
    }
}
