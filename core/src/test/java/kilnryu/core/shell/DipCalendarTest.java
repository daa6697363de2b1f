package kilnryu.core.shell;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.shell.DipCalendar.Crew;
import kilnryu.core.shell.DipCalendar.Dip;
import kilnryu.core.shell.DipCalendar.Job;
import kilnryu.core.shell.DipCalendar.Planned;
import kilnryu.core.shell.DipCalendar.Rack;
import kilnryu.core.shell.DipCalendar.Shop;
import org.junit.jupiter.api.Test;

/** Monday is 2 March 2026; the room dries 0.1514 kg/m2 an hour, so a dose of three such hours is dry in three. */
class DipCalendarTest {
    private static final Air ROOM = new Air(21, 50, 1);
    private static final Set<DayOfWeek> WEEK = EnumSet.range(DayOfWeek.MONDAY, DayOfWeek.FRIDAY);
    private static final Set<DayOfWeek> ALL = EnumSet.allOf(DayOfWeek.class);
    private static final Instant MONDAY_9 = Instant.parse("2026-03-02T09:00:00Z");

    private static Crew crew(ZoneId zone, Set<DayOfWeek> days) {
        return new Crew(zone, LocalTime.of(9, 0), LocalTime.of(18, 0), days, Duration.ofMinutes(10));
    }

    private static Shop shop(Set<DayOfWeek> days, int places) {
        return new Shop(
                crew(ZoneOffset.UTC, days), List.of(new Rack("A", places)), Climate.steady(ROOM, ZoneOffset.UTC), 48);
    }

    private static Job job(String key, double hours, Coat... coats) {
        List<Planned> planned = new ArrayList<>();
        for (Coat coat : coats) {
            planned.add(new Planned(planned.size() + 1, coat, hours * ROOM.flux()));
        }
        return new Job(key, planned, MONDAY_9, Optional.empty(), Optional.empty(), 24);
    }

    private static List<String> times(DipCalendar calendar, String job) {
        return calendar.dips().stream()
                .filter(d -> d.job().equals(job))
                .map(d -> d.at().truncatedTo(java.time.temporal.ChronoUnit.MINUTES)
                        .toString())
                .toList();
    }

    /** Three hours between dips: 9, 12, 15 and the next would be at 18, when nobody dips any more: 9 next morning. */
    @Test
    void everyDipAsSoonAsItIsDryAndSomeoneIsThere() {
        DipCalendar calendar = DipCalendar.of(
                List.of(job("heron", 3, Coat.BACKUP, Coat.BACKUP, Coat.BACKUP, Coat.BACKUP)), shop(ALL, 1), MONDAY_9);
        assertThat(times(calendar, "heron"))
                .containsExactly(
                        "2026-03-02T09:00:00Z", "2026-03-02T12:00:00Z", "2026-03-02T15:00:00Z", "2026-03-03T09:00:00Z");
        assertThat(calendar.fire().get("heron").truncatedTo(java.time.temporal.ChronoUnit.MINUTES))
                .isEqualTo(Instant.parse("2026-03-04T12:00:00Z"));
        assertThat(calendar.racks()).containsEntry("heron", "A");
    }

    /** One pair of hands: the second piece follows ten minutes later. */
    @Test
    void oneDipAtATime() {
        DipCalendar calendar =
                DipCalendar.of(List.of(job("a", 3, Coat.BACKUP), job("b", 3, Coat.BACKUP)), shop(ALL, 2), MONDAY_9);
        assertThat(times(calendar, "b")).containsExactly("2026-03-02T09:10:00Z");
    }

    /** A prime dipped on Friday could not be followed before Monday: it waits for Monday, the prime on it for nothing. */
    @Test
    void aPrimeIsNotBegunBeforeAClosedWeekend() {
        Instant friday = Instant.parse("2026-03-06T16:00:00Z");
        Job job = new Job(
                "heron",
                List.of(new Planned(1, Coat.PRIME, 3 * ROOM.flux()), new Planned(2, Coat.BACKUP, 3 * ROOM.flux())),
                friday,
                Optional.empty(),
                Optional.empty(),
                24);
        DipCalendar calendar = DipCalendar.of(List.of(job), shop(WEEK, 1), friday);
        assertThat(times(calendar, "heron")).containsExactly("2026-03-09T09:00:00Z", "2026-03-09T12:00:00Z");
        assertThat(calendar.findings().all()).isEmpty();
    }

    @Test
    void aPrimeThatHasWaitedTooLongIsSaid() {
        Job job = new Job(
                "heron",
                List.of(new Planned(2, Coat.BACKUP, 3 * ROOM.flux())),
                MONDAY_9,
                Optional.of(MONDAY_9.minusSeconds(3600)),
                Optional.of("A"),
                24);
        DipCalendar calendar = DipCalendar.of(List.of(job), shop(ALL, 1), MONDAY_9);
        assertThat(calendar.dips().get(0).late()).isTrue();
        assertThat(calendar.findings().all()).extracting(Finding::id).containsExactly("late.heron.2");
    }

    /** Half an hour of wire before the second coat: wrapped at 12, dipped at 12:30, and the crew is taken until 12:40. */
    @Test
    void theWireTakesItsTimeBeforeTheCoat() {
        Job wired = new Job(
                "wired",
                List.of(
                        new Planned(1, Coat.BACKUP, 3 * ROOM.flux()),
                        new Planned(2, Coat.BACKUP, 3 * ROOM.flux(), true)),
                MONDAY_9,
                Optional.empty(),
                Optional.of("A"),
                24);
        DipCalendar calendar = DipCalendar.of(List.of(wired), shop(ALL, 1), MONDAY_9);
        assertThat(times(calendar, "wired")).containsExactly("2026-03-02T09:00:00Z", "2026-03-02T12:30:00Z");
        assertThat(calendar.dips().get(0).wire()).isEmpty();
        assertThat(calendar.dips().get(1).wire()).hasValue(Instant.parse("2026-03-02T12:00:00Z"));
    }

    /** The piece whose prime runs out goes before the one that merely waits. */
    @Test
    void theMostUrgentGoesFirst() {
        Job calm = job("calm", 3, Coat.BACKUP, Coat.BACKUP, Coat.BACKUP);
        Job urgent = new Job(
                "urgent",
                List.of(new Planned(2, Coat.BACKUP, ROOM.flux())),
                MONDAY_9,
                Optional.of(MONDAY_9.plusSeconds(300)),
                Optional.of("A"),
                24);
        DipCalendar calendar = DipCalendar.of(List.of(calm, urgent), shop(ALL, 2), MONDAY_9);
        assertThat(calendar.dips().get(0).job()).isEqualTo("urgent");
    }

    /** One place: the second piece hangs when the first goes to the fire, dry at 12 and a day later. */
    @Test
    void aPieceWaitsForItsPlace() {
        DipCalendar calendar =
                DipCalendar.of(List.of(job("a", 3, Coat.BACKUP), job("b", 3, Coat.BACKUP)), shop(ALL, 1), MONDAY_9);
        assertThat(times(calendar, "b")).containsExactly("2026-03-03T12:00:00Z");
    }

    /** All coats on and dry on Monday at 9: its place is free a day later. */
    @Test
    void aPieceWithAllItsCoatsOnKeepsItsPlaceUntilTheFire() {
        Job done = new Job("done", List.of(), MONDAY_9, Optional.empty(), Optional.of("A"), 24);
        DipCalendar calendar = DipCalendar.of(List.of(done, job("b", 3, Coat.BACKUP)), shop(ALL, 1), MONDAY_9);
        assertThat(calendar.fire()).containsEntry("done", Instant.parse("2026-03-03T09:00:00Z"));
        assertThat(times(calendar, "b")).containsExactly("2026-03-03T09:00:00Z");
    }

    @Test
    void withoutAPlaceForEverItSaysSo() {
        Shop none = new Shop(crew(ZoneOffset.UTC, ALL), List.of(), Climate.steady(ROOM, ZoneOffset.UTC), 48);
        DipCalendar calendar = DipCalendar.of(List.of(job("a", 3, Coat.BACKUP)), none, MONDAY_9);
        assertThat(calendar.dips()).isEmpty();
        assertThat(calendar.findings().all()).extracting(Finding::id).containsExactly("no-place.a");
    }

    @Test
    void inSaturatedAirItStopsAndTheOthersGoOn() {
        Shop wet = new Shop(
                crew(ZoneOffset.UTC, ALL),
                List.of(new Rack("A", 2)),
                Climate.steady(new Air(21, 100, 1), ZoneOffset.UTC),
                48);
        DipCalendar calendar = DipCalendar.of(List.of(job("a", 3, Coat.BACKUP, Coat.BACKUP)), wet, MONDAY_9);
        assertThat(calendar.findings().stops()).extracting(Finding::id).containsExactly("never-dries.a");
        assertThat(calendar.fire()).isEmpty();
    }

    /** The clocks go forward in the night to 29 March: 9 in the morning is an hour sooner by the sun, no hour is lost. */
    @Test
    void theClockChangeInTheNightMovesTheMorning() {
        ZoneId lisbon = ZoneId.of("Europe/Lisbon");
        Crew crew = crew(lisbon, ALL);
        Instant evening = ZonedDateTime.of(2026, 3, 28, 19, 0, 0, 0, lisbon).toInstant();
        assertThat(crew.next(evening)).isEqualTo(Instant.parse("2026-03-29T08:00:00Z"));
        Climate climate = Climate.steady(ROOM, lisbon);
        assertThat(Duration.between(
                                evening, climate.dry(evening, 8 * ROOM.flux()).orElseThrow())
                        .toMinutes())
                .isEqualTo(480);
    }

    @Test
    void hoursInWhichNoDipFitsAreRefused() {
        assertThatThrownBy(() ->
                        new Crew(ZoneOffset.UTC, LocalTime.of(9, 0), LocalTime.of(9, 5), ALL, Duration.ofMinutes(10)))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> crew(ZoneOffset.UTC, Set.of())).isInstanceOf(IllegalArgumentException.class);
    }

    /** 40 pieces on six racks of five: nothing is dipped wet, at night, twice at once, or without a place. */
    @Test
    void fortyPiecesOnSixRacks() {
        List<Job> jobs = new ArrayList<>();
        for (int i = 0; i < 40; i++) {
            jobs.add(job(
                    "p" + i,
                    2 + i % 5,
                    Coat.PRIME,
                    Coat.PRIME,
                    Coat.INTERMEDIATE,
                    Coat.BACKUP,
                    Coat.BACKUP,
                    Coat.SEAL));
        }
        List<Rack> racks = new ArrayList<>();
        for (int r = 0; r < 6; r++) {
            racks.add(new Rack("r" + r, 5));
        }
        Shop shop = new Shop(crew(ZoneOffset.UTC, WEEK), racks, Climate.steady(ROOM, ZoneOffset.UTC), 48);
        DipCalendar calendar = DipCalendar.of(jobs, shop, MONDAY_9);
        assertThat(calendar.dips()).hasSize(240);
        assertThat(calendar.fire()).hasSize(40);
        Map<String, Dip> last = new HashMap<>();
        Instant hands = Instant.MIN;
        for (Dip dip : calendar.dips()) {
            assertThat(dip.at()).isAfterOrEqualTo(hands);
            hands = dip.at().plus(Duration.ofMinutes(10));
            Dip before = last.put(dip.job(), dip);
            assertThat(before == null || !dip.at().isBefore(before.dry())).isTrue();
            ZonedDateTime local = dip.at().atZone(ZoneOffset.UTC);
            assertThat(WEEK).contains(local.getDayOfWeek());
            assertThat(local.getHour()).isBetween(9, 17);
        }
        for (Dip dip : calendar.dips()) {
            long hanging = last.values().stream()
                    .filter(l -> !first(calendar, l.job()).isAfter(dip.at()))
                    .filter(l -> calendar.fire().get(l.job()).isAfter(dip.at()))
                    .count();
            assertThat(hanging).isLessThanOrEqualTo(30);
        }
    }

    private static Instant first(DipCalendar calendar, String job) {
        return calendar.dips().stream()
                .filter(d -> d.job().equals(job))
                .findFirst()
                .orElseThrow()
                .at();
    }
}
