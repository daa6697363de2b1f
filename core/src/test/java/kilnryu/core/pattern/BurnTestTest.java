package kilnryu.core.pattern;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.pattern.BurnTest.Does;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Chips of unknown material in fire. */
class BurnTestTest {
    private static BurnTest of(Boolean green, Does does, double chip, double left) {
        return BurnTest.of(new BurnTest.Question(
                Optional.ofNullable(green),
                Optional.ofNullable(does),
                OptionalDouble.of(chip),
                OptionalDouble.of(left)));
    }

    /** 0.02 g of 2 g are 1 %: just not much. */
    @Test
    void whatRunsOutAndLeavesLittleIsFine() {
        BurnTest test = of(false, Does.RUNS, 2, 0.02);
        assertThat(test.ash().orElseThrow().value()).isEqualTo(1, within(1e-9));
        assertThat(test.findings().all()).isEmpty();
        assertThat(test.unknown()).isEmpty();
    }

    @Test
    void chlorineIsAStopOfSafety() {
        Finding stop = of(true, Does.RUNS, 2, 0).findings().all().get(0);
        assertThat(stop.safety()).isTrue();
        assertThat(stop.remedy()).contains("rubber");
    }

    @ParameterizedTest
    @CsvSource({
        "SWELLS, swells, WARN",
        "CHARS, does-not-run, NOTE",
        "CLEAN, does-not-run, NOTE",
        "NOT, does-not-burn, STOP"
    })
    void whatItDoesIsSaid(Does does, String id, String severity) {
        assertThat(of(false, does, 2, 0).findings().all())
                .singleElement()
                .satisfies(f -> assertThat(f.id() + " " + f.severity()).isEqualTo(id + " " + severity));
    }

    @Test
    void muchAshIsBlownOut() {
        assertThat(of(false, Does.RUNS, 2, 0.05).findings().all())
                .singleElement()
                .satisfies(f -> assertThat(f.message()).contains("2.5 %"));
    }

    @Test
    void nothingTriedIsNothingJudged() {
        BurnTest test = BurnTest.of(new BurnTest.Question(
                Optional.empty(), Optional.empty(), OptionalDouble.of(2), OptionalDouble.empty()));
        assertThat(test.unknown()).hasSize(3);
        assertThat(test.findings().all()).isEmpty();
        assertThatThrownBy(() -> of(false, Does.RUNS, 2, 3)).isInstanceOf(IllegalArgumentException.class);
    }
}
