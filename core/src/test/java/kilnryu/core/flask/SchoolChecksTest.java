package kilnryu.core.flask;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Replacement;
import org.junit.jupiter.api.Test;

class SchoolChecksTest {
    private static FlaskPlan plan(double collar, double water) {
        return new FlaskPlanner(Factors.HANDBOOK)
                .plan(new Flask(
                        Length.millimetres(100),
                        Length.millimetres(150),
                        Volume.cubicCentimetres(100),
                        Optional.empty(),
                        InvestmentSystem.GYPSUM_JEWELRY,
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        collar > 0 ? Optional.of(Length.millimetres(collar)) : Optional.empty(),
                        Optional.of(Temperature.celsius(water))));
    }

    private static List<String> found(FlaskPlan plan, MixSchool school, Factors factors) {
        return SchoolChecks.check(plan, school, factors).all().stream()
                .map(Finding::id)
                .toList();
    }

    @Test
    void vacuumOnTheFlaskWantsACollar() {
        assertThat(found(plan(0, 21), MixSchool.VACUUM, Factors.HANDBOOK)).containsExactly("collar");
        assertThat(found(plan(22, 21), MixSchool.VACUUM, Factors.HANDBOOK)).isEmpty();
        assertThat(found(plan(0, 21), MixSchool.BRUSH, Factors.HANDBOOK)).isEmpty();
    }

    @Test
    void aSlowPourLeavesNodules() {
        assertThat(found(plan(22, 21), MixSchool.SLOW_POUR, Factors.HANDBOOK)).containsExactly("nodules");
    }

    /** A slow pour takes 3 + 1.5 + 2 + 1 = 7.5 min; at 26 C the mix can be worked 9.5 - 5 * 0.4 = 7.5, at 26.5 only 7.3. */
    @Test
    void aSchoolHasToEndWithinTheWorkingTime() {
        assertThat(found(plan(22, 26), MixSchool.SLOW_POUR, Factors.HANDBOOK)).doesNotContain("school-too-long");
        assertThat(found(plan(22, 26.5), MixSchool.SLOW_POUR, Factors.HANDBOOK)).contains("school-too-long");
        Factors quick = new Factors(Map.of("mix.slow-pour.pour", new Replacement(1.5, "two hands")));
        assertThat(found(plan(22, 26.5), MixSchool.SLOW_POUR, quick)).doesNotContain("school-too-long");
    }

    /** 29 C: 9.5 exp(-0.043 x 8) = 6.7 min, at 28 still 7.03; mix, vacuum, pour and vacuum take 7, brush and vibrate 7, so one stop and no more. */
    @Test
    void waterTooWarmStopsOnceWhateverTheSchool() {
        for (MixSchool school : MixSchool.values()) {
            assertThat(SchoolChecks.check(plan(22, 29), school, Factors.HANDBOOK)
                            .and(plan(22, 29).findings())
                            .stops())
                    .as(school.key())
                    .extracting(Finding::id)
                    .containsExactly("school-too-long");
        }
        assertThat(SchoolChecks.timing(plan(22, 28), MixSchool.VACUUM, Factors.HANDBOOK)
                        .stops())
                .isEmpty();
    }

    @Test
    void waterALittleOffIsOnlyWarnedOf() {
        assertThat(found(plan(22, 24), MixSchool.VACUUM, Factors.HANDBOOK)).containsExactly("water-temperature");
        assertThat(found(plan(22, 18), MixSchool.VACUUM, Factors.HANDBOOK)).containsExactly("water-temperature");
        assertThat(found(plan(22, 22), MixSchool.VACUUM, Factors.HANDBOOK)).isEmpty();
    }

    @Test
    void theWatersTemperatureIsExplained() {
        assertThat(SchoolChecks.effect(plan(0, 25))).startsWith("Warm water").contains("8.0 min");
        assertThat(SchoolChecks.effect(plan(0, 21)))
                .startsWith("Water as usual")
                .contains("9.5 min");
        assertThat(SchoolChecks.effect(plan(0, 18))).startsWith("Cool water");
    }
}
