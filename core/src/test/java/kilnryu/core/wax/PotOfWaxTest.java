package kilnryu.core.wax;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.wax.PotOfWax.Move;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pots that can be mixed on paper. */
class PotOfWaxTest {
    /** 3000 g new and 1000 g used twice: a quarter is old, used 0.5 times on average. */
    @Test
    void whatGoesInMixes() {
        PotOfWax pot = PotOfWax.of(List.of(new Move(3000, 0, 10), new Move(1000, 2, 100)));
        assertThat(pot.grams().value()).isEqualTo(4000, within(1e-9));
        assertThat(pot.recovered().orElseThrow().value()).isEqualTo(25, within(1e-9));
        assertThat(pot.times().orElseThrow().value()).isEqualTo(0.5, within(1e-9));
        assertThat(pot.findings().all()).isEmpty();
    }

    /** Half is taken of the mixture: 1500 new, 500 used twice; then 2000 used once: 2500 of 4000 are old, (1000 + 2000) / 4000. */
    @Test
    void whatIsTakenIsOfTheMixture() {
        PotOfWax pot = PotOfWax.of(
                List.of(new Move(3000, 0, 0), new Move(1000, 2, 0), new Move(-2000, 0, 0), new Move(2000, 1, 0)));
        assertThat(pot.grams().value()).isEqualTo(4000, within(1e-9));
        assertThat(pot.recovered().orElseThrow().value()).isEqualTo(62.5, within(1e-9));
        assertThat(pot.times().orElseThrow().value()).isEqualTo(0.75, within(1e-9));
        assertThat(pot.findings().all()).extracting(Finding::id).containsExactly("wax-recovered");
    }

    @Test
    void anEmptyPotHasNoShare() {
        PotOfWax pot = PotOfWax.of(List.of(new Move(500, 1, 0), new Move(-500, 0, 0)));
        assertThat(pot.grams().value()).isZero();
        assertThat(pot.recovered()).isEmpty();
        assertThat(pot.times()).isEmpty();
        assertThat(PotOfWax.of(List.of()).grams().value()).isZero();
        assertThatThrownBy(() -> PotOfWax.of(List.of(new Move(500, 1, 0), new Move(-501, 0, 0))))
                .isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void wornAndOldWaxIsSaid() {
        assertThat(PotOfWax.of(List.of(new Move(500, 5, 800))).findings().all())
                .extracting(Finding::id)
                .containsExactly("wax-recovered", "wax-worn", "wax-old");
        assertThat(PotOfWax.of(List.of(new Move(500, 0, 730), new Move(500, 4, 730)))
                        .findings()
                        .all())
                .isEmpty();
    }

    /** 600 g old, 60 % at the most: 1000 g in all, 400 new. */
    @Test
    void newWaxGoesWithOld() {
        assertThat(PotOfWax.newWax(600, 60).value()).isEqualTo(400, within(1e-9));
    }

    /** 200 mm wide, 100 mm high: 3142 cm3 at 0.9 / 1.09. */
    @Test
    void aLevelIsAMass() {
        assertThat(PotOfWax.held(200, 100).value()).isEqualTo(3141.593 * 0.825688, within(0.1));
    }

    @ParameterizedTest
    @CsvSource({
        "121, 80, pot-smokes",
        "120, 80, pot-off",
        "91, 80, pot-off",
        "90, 80, ''",
        "70, 80, ''",
        "69, 80, pot-solid",
        "95, , ''"
    })
    void aReadingIsJudged(double celsius, Double keep, String id) {
        var found = PotOfWax.read(
                        Wax.SCULPTURE,
                        celsius,
                        keep == null ? OptionalDouble.empty() : OptionalDouble.of(keep),
                        OptionalDouble.empty(),
                        OptionalDouble.of(200))
                .all();
        assertThat(found).extracting(Finding::id).containsExactlyElementsOf(id.isEmpty() ? List.of() : List.of(id));
        assertThat(found.stream().anyMatch(Finding::safety)).isEqualTo(id.equals("pot-smokes"));
    }

    /** 85 % of 200 mm are 170. */
    @Test
    void aPotIsNotFilledToItsRim() {
        assertThat(read(170)).isEmpty();
        assertThat(read(171))
                .singleElement()
                .satisfies(f -> assertThat(f.reason()).contains("fire"));
    }

    private static List<Finding> read(double level) {
        return PotOfWax.read(Wax.SCULPTURE, 80, OptionalDouble.of(80), OptionalDouble.of(level), OptionalDouble.of(200))
                .all();
    }
}
