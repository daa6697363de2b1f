package kilnryu.app.pour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Instant;
import kilnryu.app.record.Poured;
import org.junit.jupiter.api.Test;

/** How a pour stands follows from its taps alone. */
class PourCourseTest {
    private static final Instant ZERO = Ebb.ZERO;

    /** A pot that loses nothing. */
    private final Ebb ebb = Ebb.of(
            true,
            new Poured.Pot(0, 0, false, 1200, 500),
            new Poured.Step("a", "first", "", 20, true),
            new Poured.Step("b", "second", "", 10, false));

    private Ebb tapped(String kind, Long tree, double second, String... fields) {
        return ebb.tapped(kind, tree, second, fields);
    }

    private PourCourse course() {
        return ebb.course();
    }

    @Test
    void aStepThatIsNotTickedHolds() {
        assertThat(course().holding().orElseThrow().key()).isEqualTo("a");
        tapped("tick", null, -900, "step", "a");
        assertThat(course().holding().orElseThrow().key()).isEqualTo("b");
        tapped("tick", null, -600, "step", "b");
        assertThat(course().holding()).isEmpty();
        tapped("untick", null, -500, "step", "a");
        assertThat(course().holding().orElseThrow().key()).isEqualTo("a");
    }

    @Test
    void carryAndFillingComeFromTheTaps() {
        tapped("potout", null, 0).tapped("out", 1L, 6).tapped("start", 1L, 44).tapped("full", 1L, 48.5);
        PourCourse.Cast cast = course().cast(1).orElseThrow();
        assertThat(cast.stood()).hasValue(38);
        assertThat(cast.filled()).hasValue(4.5);
        assertThat(cast.state()).isEqualTo(PourCourse.State.FULL);
        // of a window of 60 s
        assertThat(cast.windowLeft(ZERO.plusSeconds(90))).hasValue(22);
        assertThat(course().inHand().orElseThrow().plan().tree()).isEqualTo(2);
    }

    @Test
    void theWindowEmptiesWhileAMoldStandsOut() {
        tapped("potout", null, 0).tapped("out", 1L, 5);
        assertThat(course().cast(1).orElseThrow().windowLeft(ZERO.plusSeconds(35)))
                .hasValue(30);
        assertThat(course().cast(1).orElseThrow().windowLeft(ZERO.plusSeconds(75)))
                .hasValue(-10);
        assertThat(course().cast(2).orElseThrow().windowLeft(ZERO.plusSeconds(75)))
                .isEmpty();
    }

    @Test
    void whatIsLateMovesWhatIsToCome() {
        tapped("potout", null, 0).tapped("out", 1L, 5).tapped("start", 1L, 50).tapped("full", 1L, 53);
        // 10 s behind: the second comes out at 30 and not at 20
        assertThat(course().behind()).hasValue(10);
        assertThat(course().expected(20)).hasValue(ZERO.plusSeconds(30));
    }

    @Test
    void oneStepBackAtATime() {
        tapped("out", 1L, 5).tapped("start", 1L, 40).tapped("leaks", 1L, 41);
        assertThat(course().cast(1).orElseThrow().leaking()).isTrue();
        tapped("undo", 1L, 42);
        assertThat(course().cast(1).orElseThrow().leaking()).isFalse();
        assertThat(course().cast(1).orElseThrow().state()).isEqualTo(PourCourse.State.POURS);
        tapped("undo", 1L, 43);
        assertThat(course().cast(1).orElseThrow().state()).isEqualTo(PourCourse.State.OUT);
        tapped("undo", 1L, 44);
        assertThat(course().cast(1).orElseThrow().state()).isEqualTo(PourCourse.State.WAITS);
        tapped("undo", 1L, 45);
        assertThat(course().cast(1).orElseThrow().state()).isEqualTo(PourCourse.State.WAITS);
    }

    @Test
    void aMoldThatIsPutBackCountsForNothing() {
        tapped("out", 1L, 5).tapped("putback", 1L, 30);
        assertThat(course().cast(1).orElseThrow().state()).isEqualTo(PourCourse.State.LEFT);
        tapped("out", 2L, 40).tapped("start", 2L, 60).tapped("short", 2L, 62);
        assertThat(course().allEnded()).isTrue();
    }

    @Test
    void metalIsForeseenFromItsLastReadingAndNeverFromTheEye() {
        assertThat(course().metalAt(ZERO)).isEmpty();
        tapped("potout", null, 0);
        // a pot that loses nothing keeps its tap
        assertThat(course().metalAt(ZERO.plusSeconds(60)).orElseThrow()).isCloseTo(1130, within(1e-6));
        tapped("metal", null, 30, "celsius", "1111", "how", "pyrometer")
                .tapped("metal", null, 40, "celsius", "900", "how", "by eye");
        assertThat(course().metalAt(ZERO.plusSeconds(60)).orElseThrow()).isCloseTo(1111, within(1e-6));
        assertThat(course().metal().orElseThrow().how()).isEqualTo("by eye");
    }

    @Test
    void placesGaugeAndVacuum() {
        tapped("place", null, -60, "place", "Pot", "who", "Ana")
                .tapped("place", null, -50, "place", "Sand", "who", "Bo");
        tapped("gauge", null, -40, "kPa", "92").tapped("gauge", 1L, 50, "kPa", "61");
        tapped("novacuum", 1L, 51).tapped("gravity", 1L, 55);
        PourCourse course = course();
        assertThat(PourTaps.people(course)).isEqualTo(2);
        assertThat(course.trial()).hasValue(92);
        assertThat(course.gauge()).hasValue(61);
        assertThat(course.cast(1).orElseThrow().noVacuum()).isEqualTo("poured by gravity");
        assertThat(course.cast(1).orElseThrow().gauge()).hasValue(61);
    }

    @Test
    void aRefusedTapChangesNothing() {
        tapped("refused", 1L, 5, "what", "out", "word", "No go");
        assertThat(course().cast(1).orElseThrow().state()).isEqualTo(PourCourse.State.WAITS);
        assertThat(ebb.plan.molds().get(0).cavityAt(50)).isEqualTo(550);
    }

    @Test
    void aPotPutBackBeforeAnyMetalNeverWasOut() {
        tapped("potout", null, 0).tapped("out", 1L, 5);
        assertThat(course().potIsOut()).isTrue();
        tapped("potback", null, 20);
        assertThat(course().potIsOut()).isFalse();
        assertThat(course().zero()).isEmpty();
        assertThat(course().behind()).isEmpty();
        tapped("potout", null, 90);
        // the plan's seconds count from now on
        assertThat(course().zero()).hasValue(ZERO.plusSeconds(90));
        assertThat(course().expected(40)).hasValue(ZERO.plusSeconds(130));
    }

    @Test
    void aPotHeatedAgainIsReadAgain() {
        Ebb twice = Ebb.heatedAgain(new Poured.Pot(0, 0, false, 1200, 500));
        twice.tapped("metal", null, -60, "celsius", "1128", "how", "pyrometer")
                .tapped("potout", null, 0)
                .tapped("out", 1L, 5)
                .tapped("start", 1L, 40);
        assertThat(twice.course().goesBackFirst()).isFalse();
        twice.tapped("full", 1L, 43);
        assertThat(twice.course().goesBackFirst()).isTrue();
        twice.tapped("potback", null, 60);
        PourCourse heated = twice.course();
        assertThat(heated.goesBackFirst()).isFalse();
        // what was read before it went back says nothing of it any more
        assertThat(heated.metal()).isEmpty();
        assertThat(heated.metalAt(ZERO.plusSeconds(100))).isEmpty();
        assertThat(heated.readings()).hasSize(1);
        twice.tapped("metal", null, 500, "celsius", "1141", "how", "pyrometer").tapped("potout", null, 630);
        PourCourse again = twice.course();
        assertThat(again.metalAt(ZERO.plusSeconds(640)).orElseThrow()).isCloseTo(1141, within(1e-6));
        // still by its first departure, and it is not sent back twice
        assertThat(again.zero()).hasValue(ZERO);
        assertThat(again.expected(655)).hasValue(ZERO.plusSeconds(655));
        assertThat(again.goesBackFirst()).isFalse();
    }

    /** Face 0.01 m2 uncovered: it sinks faster with the 700 g that are left than with all 1200 g. */
    @Test
    void aPotThatWasPouredFromSinksFaster() {
        Ebb full = Ebb.of(true, new Poured.Pot(0.01, 0, false, 1200, 500));
        full.tapped("potout", null, 0);
        double before = 1130 - full.course().metalAt(ZERO.plusSeconds(60)).orElseThrow();
        full.tapped("out", 1L, 1).tapped("start", 1L, 2).tapped("full", 1L, 3);
        double after = 1130 - full.course().metalAt(ZERO.plusSeconds(60)).orElseThrow();
        assertThat(before).isPositive();
        assertThat(after / before).isBetween(1.4, 1200 / 700.0);
    }

    @Test
    void whatAPageShowsOfAMoldHasAName() {
        assertThat(course().cast(1).orElseThrow().seen()).isEqualTo("waits");
        tapped("out", 1L, 5).tapped("start", 1L, 40).tapped("leaks", 1L, 41);
        assertThat(course().cast(1).orElseThrow().seen()).isEqualTo("leaking");
        tapped("leaked", 1L, 60);
        assertThat(course().cast(1).orElseThrow().seen()).isEqualTo("leaked");
        assertThat(course().rests()).isZero();
        tapped("rest", null, 300, "grams", "90");
        assertThat(course().rests()).isEqualTo(1);
    }
}
