package kilnryu.core.block;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.block.SilicateSand.Hardening;
import kilnryu.core.block.SilicateSand.Question;
import kilnryu.core.finding.Finding;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

/** A box of 200 x 150 x 100 mm, 3000 cm3, round a pattern of 400. */
class SilicateSandTest {
    private static final OptionalDouble USUAL = OptionalDouble.empty();

    private static SilicateSand sand(OptionalDouble share, double spare, Hardening hardening, boolean frozen) {
        return SilicateSand.of(
                new Question(200, 150, 100, 400, share, USUAL, spare, hardening, frozen), Factors.HANDBOOK);
    }

    private static List<String> found(SilicateSand sand) {
        return sand.findings().all().stream().map(Finding::id).toList();
    }

    /** 2600 cm3 at 1.6 are 4160 g: 4000 of sand and 4 % of it, 160, of silicate; 10 % of that ester, 56 % of it water. */
    @Test
    void percentByMassToGrams() {
        SilicateSand sand = sand(USUAL, 0, Hardening.ESTER, false);
        assertThat(sand.sand().value()).isCloseTo(4000, within(1e-9));
        assertThat(sand.silicate().value()).isCloseTo(160, within(1e-9));
        assertThat(sand.hardener().orElseThrow().value()).isCloseTo(16, within(1e-9));
        assertThat(sand.packed().value()).isCloseTo(4160, within(1e-9));
        assertThat(sand.freeWater().value()).isCloseTo(89.6, within(1e-9));
        assertThat(found(sand)).isEmpty();
    }

    /** A tenth to spare on 2600 is 2860 cm3, 4576 g; with 5 % silicate 4358.1 of sand and 217.9. */
    @Test
    void withSomeToSpare() {
        SilicateSand sand = sand(OptionalDouble.of(5), 10, Hardening.WARM, false);
        assertThat(sand.sand().value()).isCloseTo(4358.10, within(0.01));
        assertThat(sand.silicate().value()).isCloseTo(217.90, within(0.01));
        assertThat(sand.hardener()).isEmpty();
    }

    /** Sand and silicate together are what the box holds, whatever the share. */
    @Test
    void nothingIsLostBetweenTheTwo() {
        for (double share = 0.5; share < 12; share += 0.5) {
            SilicateSand sand = sand(OptionalDouble.of(share), 7, Hardening.GAS, false);
            assertThat(sand.sand().value() + sand.silicate().value())
                    .isCloseTo(sand.packed().value(), within(1e-6));
        }
    }

    @Test
    void tooMuchAndTooLittleAreWarnedOf() {
        assertThat(found(sand(OptionalDouble.of(2), 0, Hardening.WARM, false))).containsExactly("silicate-share");
        assertThat(found(sand(OptionalDouble.of(8), 0, Hardening.WARM, false))).containsExactly("silicate-share");
    }

    @Test
    void gasReachesOnlySoFar() {
        assertThat(found(sand(USUAL, 0, Hardening.GAS, false))).isEmpty();
        SilicateSand thick = SilicateSand.of(
                new Question(200, 150, 120, 400, USUAL, USUAL, 0, Hardening.GAS, false), Factors.HANDBOOK);
        assertThat(found(thick)).containsExactly("gas-reach");
    }

    @Test
    void frozenIsNotSet() {
        assertThat(found(sand(USUAL, 0, Hardening.GAS, true))).containsExactly("frozen");
    }

    @Test
    void aPatternLargerThanTheBoxIsRefusedAtItsField() {
        assertThatThrownBy(() -> SilicateSand.of(
                        new Question(100, 100, 30, 300, USUAL, USUAL, 0, Hardening.GAS, false), Factors.HANDBOOK))
                .isInstanceOfSatisfying(
                        ImpossibleBlock.class, e -> assertThat(e.field()).isEqualTo("pattern_cm3"));
    }

    /** 3 to 6 % is usual, at both ends still; what is said names the share. */
    @Test
    void theUsualShareAtBothEnds() {
        assertThat(found(sand(OptionalDouble.of(3), 0, Hardening.ESTER, false))).isEmpty();
        assertThat(found(sand(OptionalDouble.of(6), 0, Hardening.ESTER, false))).isEmpty();
        Finding much = sand(OptionalDouble.of(6.1), 0, Hardening.ESTER, false)
                .findings()
                .all()
                .get(0);
        assertThat(much.message()).isEqualTo("6.1 % silicate; 3 to 6 is usual.");
        assertThat(much.reason()).startsWith("Too much");
        Finding little = sand(OptionalDouble.of(2.9), 0, Hardening.ESTER, false)
                .findings()
                .all()
                .get(0);
        assertThat(little.reason()).startsWith("Too little");
    }

    @Test
    void hardeningByName() {
        assertThat(Hardening.named("ester")).contains(Hardening.ESTER);
        assertThat(Hardening.named("warm")).contains(Hardening.WARM);
        assertThat(Hardening.named("glue")).isEmpty();
        assertThat(Hardening.GAS.key()).isEqualTo("gas");
        assertThat(Hardening.WARM.label()).startsWith("warmth");
        assertThat(SilicateSand.constants()).extracting(c -> c.key()).contains("sand.silicate", "sand.gas-reach");
    }
}
