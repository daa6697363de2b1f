package kilnryu.core.lesson;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.finding.Severity;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Steps of a casting in the sessions of a class, placed by hand sums. */
class TimetableTest {
    private static final ZonedDateTime SATURDAY =
            ZonedDateTime.of(2026, 12, 5, 10, 0, 0, 0, ZoneId.of("Europe/Berlin"));

    private static List<Timetable.Session> weekly(int count, int minutes) {
        List<Timetable.Session> all = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            ZonedDateTime from = SATURDAY.plusWeeks(i);
            all.add(new Timetable.Session(from, from.plusMinutes(minutes)));
        }
        return all;
    }

    private static Step step(String name, double hands, double wait) {
        return new Step(name, hands, wait, OptionalDouble.empty(), 0, false, "", "");
    }

    /** Three hours: an hour of wax, 40 min of mixing; the pour waits 15 h and so comes a week later. */
    @Test
    void whatHasToWaitComesInALaterSession() {
        Timetable t =
                Timetable.of(List.of(step("Wax", 60, 0), step("Mix", 40, 0), step("Pour", 60, 900)), weekly(2, 180));
        assertThat(t.placed()).extracting(Timetable.Placed::session).containsExactly(1, 1, 2);
        assertThat(t.placed().get(1).from()).isEqualTo(SATURDAY.plusMinutes(60));
        assertThat(t.placed().get(1).until()).isEqualTo(SATURDAY.plusMinutes(100));
        assertThat(t.placed().get(2).from()).isEqualTo(SATURDAY.plusWeeks(1));
        // 7 days less the 100 min of the first session
        assertThat(t.placed().get(2).waited()).isEqualTo(7 * 1440 - 100);
        assertThat(t.left()).isEmpty();
        assertThat(t.findings().all()).isEmpty();
    }

    /** A wait that ends within the session is waited there: opened 30 min after the pour, at 10:50. */
    @Test
    void aShortWaitIsWaitedInClass() {
        Timetable t = Timetable.of(List.of(step("Pour", 20, 0), step("Break out", 30, 30)), weekly(1, 90));
        assertThat(t.placed().get(1).from()).isEqualTo(SATURDAY.plusMinutes(50));
        assertThat(t.placed().get(1).waited()).isEqualTo(30);
    }

    /** 200 min of chasing in sessions of 90: 90, 90 and 20. */
    @Test
    void looseWorkGoesOnInTheNextSession() {
        Timetable t = Timetable.of(List.of(Step.loose("Chase", 200)), weekly(3, 90));
        assertThat(t.placed())
                .extracting(p -> Timetable.between(p.from(), p.until()))
                .containsExactly(90.0, 90.0, 20.0);
        assertThat(t.placed()).extracting(Timetable.Placed::goesOn).containsExactly(true, true, false);
        assertThat(t.placed().get(1).waited()).isZero();
    }

    /** Five minutes before the end nobody takes up a file. */
    @Test
    void whatIsTooShortToBeginIsLeft() {
        Timetable t = Timetable.of(List.of(step("Mix", 85, 0), Step.loose("Chase", 60)), weekly(2, 90));
        assertThat(t.placed()).extracting(Timetable.Placed::session).containsExactly(1, 2);
    }

    @ParameterizedTest
    @CsvSource({
        // mixing is not laid down half done
        "100, false, 'It takes 1.7 h without a stop, the longest session is 1.5 h.', Make a session longer.",
        "80, false, 'It takes 80 min, and the sessions are over.', 'Add a session, or make each longer.'",
        "300, true, 'It takes 5 h, and the sessions are over.', 'Add a session, or make each longer.'"
    })
    void whatHasNoSessionStops(double hands, boolean splits, String reason, String remedy) {
        Step mix = new Step("Mix", hands, 0, OptionalDouble.empty(), 0, splits, "", "");
        Timetable t = Timetable.of(List.of(step("Wax", 60, 0), mix, step("Pour", 10, 0)), weekly(1, 90));
        assertThat(t.left()).extracting(Step::name).containsExactly("Mix", "Pour");
        assertThat(t.findings().all()).first().satisfies(f -> {
            assertThat(f.severity()).isEqualTo(Severity.STOP);
            assertThat(f.message()).isEqualTo("There is no session for mix and 1 more.");
            assertThat(f.reason()).isEqualTo(reason);
            assertThat(f.remedy()).isEqualTo(remedy);
        });
    }

    /** The second coat on a prime bears two days, not a week. */
    @Test
    void aCoatThatWaitsTooLongIsSaid() {
        Step second = new Step(
                "Coat 2", 15, 240, OptionalDouble.of(48 * 60), 0, false, "It dries.", "A prime that stands dusts off.");
        Timetable t = Timetable.of(List.of(step("Coat 1", 15, 0), second), weekly(2, 180));
        assertThat(t.findings().all()).singleElement().satisfies(f -> {
            assertThat(f.severity()).isEqualTo(Severity.WARN);
            assertThat(f.message()).isEqualTo("Coat 2 waits 7 days for its session; it bears 2 days.");
            assertThat(f.reason()).isEqualTo("A prime that stands dusts off.");
        });
        // the same day it is dipped as soon as it is dry
        Timetable day = Timetable.of(List.of(step("Coat 1", 15, 0), second), weekly(1, 480));
        assertThat(day.findings().all()).isEmpty();
        assertThat(day.placed().get(1).from()).isEqualTo(SATURDAY.plusMinutes(255));
    }

    /** 12 h of kiln before a pour at 10: closed at 22 the evening before, when nobody of the class is there. */
    @Test
    void theKilnIsClosedByTheTeacher() {
        Step pour = new Step("Pour", 60, 840, OptionalDouble.empty(), 720, false, "", "");
        Timetable t = Timetable.of(List.of(step("Mix", 40, 0), pour), weekly(2, 180));
        assertThat(t.placed().get(1).kilnFrom()).isEqualTo(SATURDAY.plusDays(6).plusHours(12));
        assertThat(t.findings().all()).singleElement().satisfies(f -> {
            assertThat(f.severity()).isEqualTo(Severity.NOTE);
            assertThat(f.message()).isEqualTo("The kiln works 12 h before pour and is closed between the sessions.");
        });
    }

    /** Over the night on which the clock goes forward an hour is missing on the wall, not in the kiln. */
    @Test
    void elapsedTimeIsWhatIsWaited() {
        ZonedDateTime spring = ZonedDateTime.of(2026, 3, 28, 20, 0, 0, 0, ZoneId.of("Europe/Berlin"));
        List<Timetable.Session> two = List.of(
                new Timetable.Session(spring, spring.plusHours(1)),
                new Timetable.Session(spring.plusHours(11), spring.plusHours(20)));
        Timetable t = Timetable.of(List.of(step("Mix", 60, 0), step("Pour", 60, 12 * 60)), two);
        // 21:00 and 12 h of elapsed time: 10:00 by the new clock
        assertThat(t.placed().get(1).from().toLocalTime()).hasToString("10:00");
    }

    @Test
    void whatCannotBeIsRefused() {
        assertThatThrownBy(() -> step("Mix", 0, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> step("Mix", Double.NaN, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Step("Pour", 10, 60, OptionalDouble.empty(), 90, false, "", ""))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Timetable.Session(SATURDAY, SATURDAY))
                .isInstanceOf(IllegalArgumentException.class);
        assertThat(Timetable.of(List.of(step("Mix", 10, 0)), List.of())
                        .findings()
                        .all())
                .hasSize(1);
        assertThat(Timetable.of(List.of(), weekly(1, 90)).placed()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"45, 45 min", "89.6, 90 min", "90, 1.5 h", "720, 12 h", "2880, 2 days", "9980, 6.9 days"})
    void lengthsInWords(double minutes, String words) {
        assertThat(Timetable.words(minutes)).isEqualTo(words);
    }
}
