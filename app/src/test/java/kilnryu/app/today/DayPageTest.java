package kilnryu.app.today;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import kilnryu.app.today.Day.Bar;
import kilnryu.app.today.Day.Group;
import kilnryu.app.today.Day.Kind;
import kilnryu.app.today.Day.Lane;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Waiting;
import kilnryu.app.today.Day.Window;
import kilnryu.app.tree.TreeStore;
import org.junit.jupiter.api.Test;

/** The order of urgency, the one sentence, the rows. */
class DayPageTest {
    private static final ZonedDateTime NOW = ZonedDateTime.of(2026, 3, 4, 9, 0, 0, 0, ZoneOffset.UTC);
    private static final Window WINDOW = Window.at(NOW);

    private static Task task(int minutes, Press press, boolean duty, String what) {
        return new Task(NOW.plusMinutes(minutes), press, duty, what, "Ebb tide", "why", "Open", "/x");
    }

    private static DayPage page(List<Waiting> waiting, Task... tasks) {
        return DayPage.of(WINDOW, new Day(List.of(), List.of(tasks), waiting, false), List.of(), 3);
    }

    @Test
    void lateStandsBeforeStopBeforeDueBeforeWarning() {
        DayPage page = page(
                List.of(),
                task(600, Press.WARNING, false, "warned"),
                task(0, Press.DUE, true, "due"),
                task(60, Press.STOP, false, "stopped"),
                task(-75, Press.LATE, true, "late"));
        assertThat(page.cards()).extracting(DayPage.Card::what).containsExactly("late", "stopped", "due", "warned");
        assertThat(page.cards().get(0).word()).isEqualTo("1 h 15 min late");
        assertThat(page.cards().get(0).when()).isEqualTo("due Wed 4 Mar, 07:45");
        assertThat(page.cards().get(0).first()).isTrue();
        assertThat(page.cards().get(1).first()).isFalse();
        assertThat(page.mark()).isEqualTo("late");
    }

    @Test
    void sixCardsAtMostAndTheRestIsCounted() {
        List<Task> tasks = new ArrayList<>();
        for (int i = 0; i < 9; i++) {
            tasks.add(task(-i, Press.LATE, true, "late " + i));
        }
        DayPage page = page(List.of(), tasks.toArray(Task[]::new));
        assertThat(page.cards()).hasSize(6);
        assertThat(page.moreCards()).isEqualTo(3);
        assertThat(page.sentence()).startsWith("9 duties are late.");
    }

    @Test
    void whatComesIsSaidInOneSentence() {
        assertThat(page(List.of()).sentence()).isEqualTo("Nobody has to be anywhere by the clock in these 48 hours.");
        assertThat(page(List.of(), task(90, Press.LATER, true, "Close the vent"))
                        .sentence())
                .isEqualTo("Next close the vent Wed 10:30.");
        assertThat(page(List.of(), task(90, Press.LATER, true, "Close the vent"), task(1500, Press.LATER, true, "Pour"))
                        .sentence())
                .isEqualTo("Next close the vent Wed 10:30, then 1 more, the last Thu 10:00.");
        // a dot in three days is no reason to say that something comes
        assertThat(page(List.of(), task(4000, Press.LATER, true, "Pour")).cards())
                .isEmpty();
    }

    @Test
    void hoursThatAreStillReckonedAreNotSaidToBeFree() {
        DayPage page = DayPage.of(WINDOW, new Day(List.of(), List.of(), List.of(), true), List.of(), 3);
        assertThat(page.sentence()).endsWith("Hours of a load are still being reckoned.");
        assertThat(page.reckoning()).isTrue();
    }

    @Test
    void dueIsSaidByItsDistance() {
        DayPage page = page(
                List.of(),
                task(0, Press.DUE, true, "a"),
                task(12, Press.DUE, true, "b"),
                task(-30, Press.DUE, true, "c"));
        assertThat(page.cards()).extracting(DayPage.Card::word).containsExactly("Now", "Now", "In 12 min");
        assertThat(page.cards().get(0).when()).isEqualTo("since Wed 08:30");
    }

    @Test
    void whatWaitsIsSortedByWhatItWaitsFor() {
        List<Waiting> waiting = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            waiting.add(new Waiting(Group.DRYING, "shell " + i, "coat 4", 0.5, "/shells/" + i));
        }
        waiting.add(new Waiting(Group.READY, "Tern", "mixed", -1, "/trees/1"));
        DayPage page = page(waiting);
        assertThat(page.queues()).extracting(DayPage.Queue::label).containsExactly("Ready", "Drying");
        assertThat(page.queues().get(1).lines()).hasSize(6);
        assertThat(page.queues().get(1).more()).isEqualTo(2);
    }

    private static TreeStore.Row row(long id, int station, Instant pour, String mark) {
        return new TreeStore.Row(
                id,
                "Tern",
                "silicon bronze",
                1.0,
                1.0,
                "100 × 150 mm",
                pour,
                Instant.EPOCH,
                false,
                "",
                mark,
                new TreeStore.Stand(station, "planned", "", null),
                null,
                null);
    }

    @Test
    void aMoldWhosePourIsOverAndThatIsInNoKilnIsLate() {
        List<TreeStore.Row> rows = List.of(
                row(1, 2, NOW.minusHours(5).toInstant(), "warn"),
                row(2, 5, NOW.minusHours(5).toInstant(), "warn"),
                row(3, 1, null, null),
                row(4, 1, NOW.plusDays(3).toInstant(), "stop"));
        DayPage page = DayPage.of(WINDOW, new Day(List.of(), List.of(), List.of(), false), rows, 3);
        assertThat(page.moreMolds()).isTrue();
        assertThat(page.molds()).extracting(DayPage.MoldRow::mark).containsExactly("late", "warn", "note");
        assertThat(page.molds().get(0).far()).isEqualTo("5 h late");
        assertThat(page.molds().get(1).far()).as("poured: nothing is awaited").isEmpty();
        assertThat(page.molds().get(2).far()).isEqualTo("no hour yet");
        assertThat(page.molds().get(2).word()).isEqualTo("Not yet judged");
    }

    @Test
    void lanesOfOneNameBecomeOne() {
        Lane mine = new Lane("Pours", "/firings", List.of(Bar.of(NOW, NOW.plusHours(1), Kind.HANDS, "a", "/a")));
        Lane yours = new Lane("Pours", "/trees", List.of(Bar.of(NOW, NOW.plusHours(1), Kind.HANDS, "b", "/b")));
        Day all = Day.all(List.of(
                new Day(List.of(mine), List.of(), List.of(), false),
                new Day(List.of(yours), List.of(), List.of(), true)));
        assertThat(all.lanes()).hasSize(1);
        assertThat(all.lanes().get(0).bars()).extracting(Bar::label).containsExactly("a", "b");
        assertThat(all.reckoning()).isTrue();
    }

    /** Five stations over 302 units from 14 on: 75.5 apart. */
    @Test
    void theFlowLightsTheStationThatIsReached() {
        String flow = Flow.of(3, "stop", "shell, 4 of 9 coats");
        assertThat(flow).contains("shell, 4 of 9 coats", "<rect x=\"158.5\"");
        assertThat(flow.split("fill=\"#27685d\"")).as("two stations are behind").hasSize(3);
        assertThat(Flow.of(3, "warn", "")).contains("l8,14 h-16 z");
        assertThat(Flow.of(5, "good", "").split("stroke-width=\"2.4\"")).hasSize(5);
    }
}
