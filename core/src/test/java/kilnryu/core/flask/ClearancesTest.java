package kilnryu.core.flask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Room round a tree by handbook 4, mixes outside their range, and the words of mixing. */
class ClearancesTest {
    private static Flask flask(double diameter, double height, OptionalDouble waterPer100) {
        return new Flask(
                Length.millimetres(diameter),
                Length.millimetres(height),
                Volume.cubicCentimetres(20),
                Optional.empty(),
                InvestmentSystem.GYPSUM_JEWELRY,
                waterPer100,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static Clearances in(double diameter, double high, double width, double tall, Known known) {
        return Clearances.of(
                flask(diameter, high, OptionalDouble.empty()),
                new Clearances.Envelope(Length.millimetres(width), Length.millimetres(tall), known, known),
                Factors.HANDBOOK);
    }

    /** Least to the wall 6, 10, 15 and to the end 12, 15, 25 mm: under D 65, to 100, over. */
    @ParameterizedTest
    @CsvSource({"64.9, 6, 12", "65, 10, 15", "100, 10, 15", "100.1, 15, 25", "150, 15, 25"})
    void whatIsAskedGrowsWithTheFlask(double diameter, double wall, double end) {
        Clearances clear = in(diameter, 150, 20, 20, Known.MEASURED);
        assertThat(clear.wallAsked().value()).isEqualTo(wall);
        assertThat(clear.endAsked().value()).isEqualTo(end);
        assertThat(clear.wall().value()).isCloseTo((diameter - 20) / 2, within(1e-9));
        assertThat(clear.end().value()).isEqualTo(130);
    }

    /** 80 wide: 10 asked. 9.5 is within the silent 5 %, 9.4 is warned, 0 is a warning still, less does not go in. */
    @ParameterizedTest
    @CsvSource({"60, ", "61, ", "61.2, WARN", "80, WARN", "80.2, STOP", "99, STOP"})
    void nearerThanAskedIsWarnedAndOverIsAStop(double width, Severity severity) {
        List<Finding> found = in(80, 150, width, 50, Known.MEASURED).findings().all();
        if (severity == null) {
            assertThat(found).isEmpty();
        } else {
            assertThat(found).singleElement().satisfies(f -> {
                assertThat(f.id()).isEqualTo("wall-clearance");
                assertThat(f.place()).isEqualTo("wall");
                assertThat(f.severity()).isEqualTo(severity);
            });
        }
    }

    /** 19 mm over a flask of 80 are said as 19, not as a negative clearance; the half of it is what the wall lacks. */
    @Test
    void theStopSaysByHowMuch() {
        Finding wide = in(80, 150, 99, 50, Known.MEASURED).findings().all().get(0);
        assertThat(wide.message()).isEqualTo("The tree does not go in: 10 mm too wide for the flask.");
        Finding tall = in(80, 100, 40, 112.5, Known.ESTIMATED).findings().all().get(0);
        assertThat(tall.message())
                .isEqualTo("The tree sticks out at the open end: 13 mm too high by the estimated outline.");
        assertThat(tall.remedy()).startsWith("Measure the tree");
        assertThat(wide.remedy()).startsWith("Turn pieces");
        assertThat(tall.figureBehind().orElseThrow().value()).isEqualTo(-12.5);
    }

    @Test
    void theWarningSaysWhatIsAsked() {
        Finding near = in(80, 150, 70, 50, Known.ESTIMATED).findings().all().get(0);
        assertThat(near.message()).isEqualTo("The tree stands 5 mm from the wall by the estimated outline; 10 asked.");
        Finding end = in(80, 100, 40, 90, Known.MEASURED).findings().all().get(0);
        assertThat(end.message()).isEqualTo("The tree stands 10 mm from the open end; 15 asked.");
    }

    @Test
    void bothCanBeSaid() {
        assertThat(in(80, 100, 99, 112, Known.MEASURED).findings().stops())
                .extracting(Finding::id)
                .containsExactly("wall-clearance", "end-clearance");
        assertThat(Clearances.constants())
                .extracting(Constant::key)
                .doesNotHaveDuplicates()
                .hasSize(6);
    }

    private static List<Finding> mixed(double diameter, double height, double waterPer100) {
        return new FlaskPlanner(Factors.HANDBOOK)
                .plan(flask(diameter, height, OptionalDouble.of(waterPer100)))
                .findings()
                .all();
    }

    /** Jewelry investment takes 38 to 42; outside it is said which way it fails. */
    @Test
    void waterOutsideTheUsualIsWarnedWithWhatItDoes() {
        Constant usual = InvestmentSystem.GYPSUM_JEWELRY.waterPer100().orElseThrow();
        assertThat(mixed(80, 100, usual.low())).isEmpty();
        assertThat(mixed(80, 100, usual.high())).isEmpty();
        assertThat(mixed(80, 100, usual.high() + 1)).singleElement().satisfies(f -> {
            assertThat(f.id()).isEqualTo("water-ratio");
            assertThat(f.reason()).startsWith("Too much water");
            assertThat(f.message()).contains("outside the usual");
        });
        assertThat(mixed(80, 100, usual.low() - 1))
                .singleElement()
                .satisfies(f -> assertThat(f.reason()).startsWith("Too little water"));
    }

    /** pi / 4 x 20^2 x 30 = 9425 cm3, a tenth more for the overfill, at some 1.75 are 18 kg; half as high is 9. */
    @Test
    void overFifteenKilosIsForTwo() {
        assertThat(mixed(200, 300, 40)).singleElement().satisfies(f -> {
            assertThat(f.id()).isEqualTo("lift");
            assertThat(f.message()).containsPattern("The filled flask is 18 kg");
        });
        assertThat(mixed(200, 150, 40)).isEmpty();
    }

    @ParameterizedTest
    @EnumSource(MixSchool.class)
    void schoolsOfMixingHaveNames(MixSchool school) {
        assertThat(MixSchool.named(school.key())).hasValue(school);
        assertThat(MixSchool.named(school.key() + "x")).isEmpty();
        assertThat(school.label()).isNotBlank();
        assertThat(school.says()).isNotBlank();
        assertThat(school.rules()).isNotEmpty();
        assertThat(MixSchool.constants()).containsAll(school.rules());
        assertThat(school.moves(Factors.HANDBOOK)).hasSameSizeAs(school.rules());
    }
}
