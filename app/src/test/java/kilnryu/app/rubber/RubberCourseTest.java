package kilnryu.app.rubber;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.rubber.Cure;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Coats by the clock: pot life 40 min, cured in 16 h, so the next from 80 to 480 min after the last. */
class RubberCourseTest {
    private static final Instant NOON = Instant.parse("2026-03-31T12:00:00Z");
    private static final Cure CURE = Cure.of(40, 16, 23);

    private static TappedStore.Event event(String kind, double minute, String... fields) {
        return new TappedStore.Event(
                1,
                kind,
                fields.length == 0 ? Map.of() : Map.of(fields[0], fields[1]),
                NOON.plusMillis(Math.round(minute * 60_000)),
                "Ebba");
    }

    private static RubberCourse of(TappedStore.Event... events) {
        return RubberCourse.of(List.of(events), Optional.of(CURE));
    }

    @ParameterizedTest
    @CsvSource({"79, true, false", "80, false, false", "480, false, false", "481, false, true"})
    void aCoatIsEarlyOrLateByItsMinute(double minute, boolean early, boolean late) {
        RubberCourse course = of(event("coat", 0), event("coat", minute));
        assertThat(course.laid().get(0).early()).isFalse();
        assertThat(course.laid().get(0).late()).isFalse();
        assertThat(course.laid().get(1).early()).isEqualTo(early);
        assertThat(course.laid().get(1).late()).isEqualTo(late);
    }

    @Test
    void theWindowRunsFromTheLastCoat() {
        RubberCourse course = of(event("coat", 0), event("coat", 100));
        assertThat(course.earliest(CURE)).contains(NOON.plusSeconds(180 * 60));
        assertThat(course.latest(CURE)).contains(NOON.plusSeconds(580 * 60));
        // 16 h after the last
        assertThat(course.cured(CURE)).contains(NOON.plusSeconds((100 + 16 * 60) * 60));
        assertThat(of().earliest(CURE)).isEmpty();
        assertThat(of().cured(CURE)).isEmpty();
    }

    /** Quick rubber still stands a night before wax goes in. */
    @Test
    void curedIsAtTheLeastANight() {
        Cure quick = Cure.of(5, 1, 23);
        RubberCourse course = RubberCourse.of(List.of(event("coat", 0)), Optional.of(quick));
        assertThat(course.cured(quick)).contains(NOON.plusSeconds(8 * 3600));
    }

    @Test
    void pullsAreCountedGoodAndBad() {
        List<TappedStore.Event> events = new ArrayList<>();
        events.add(event("coat", 0, "base", "82.8"));
        events.add(event("jacket", 500));
        events.add(event("pull", 2000, "fault", ""));
        events.add(event("pull", 2100, "fault", "torn"));
        events.add(event("wear", 2200, "says", "tear"));
        RubberCourse course = RubberCourse.of(events, Optional.of(CURE));
        assertThat(course.laid().get(0).base()).isEqualTo(82.8);
        assertThat(course.laid().get(0).hardener()).isZero();
        assertThat(course.jacketed()).contains(NOON.plusSeconds(500 * 60));
        assertThat(course.pulls()).hasSize(2);
        assertThat(course.good()).isEqualTo(1);
        assertThat(course.last().orElseThrow().fields()).containsEntry("says", "tear");
        assertThat(course.retired()).isFalse();
        events.add(event("retire", 2300, "says", "through"));
        assertThat(RubberCourse.of(events, Optional.of(CURE)).retired()).isTrue();
    }

    @Test
    void withoutTimesNothingIsEarlyOrLate() {
        RubberCourse course = RubberCourse.of(List.of(event("coat", 0), event("coat", 9000)), Optional.empty());
        assertThat(course.laid().get(1).late()).isFalse();
    }
}
