package kilnryu.app.pour;

import java.time.Duration;
import java.time.LocalDateTime;
import java.time.ZonedDateTime;
import java.time.format.DateTimeParseException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.melt.MetalStore;
import kilnryu.app.record.Poured;
import kilnryu.app.today.Day;
import kilnryu.app.today.Day.Bar;
import kilnryu.app.today.Day.Group;
import kilnryu.app.today.Day.Kind;
import kilnryu.app.today.Day.Lane;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Waiting;
import kilnryu.app.today.Day.Window;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What pours ask of the day: the charge to be weighed, the furnace on, the pour itself. */
@Component
@Order(15)
class PourDay implements Day.Source {
    private static final Duration SOON = Duration.ofHours(4);
    private static final Duration WEIGH_BEFORE = Duration.ofHours(3);
    private static final Duration POUR_TAKES = Duration.ofMinutes(45);

    private final PourStore store;
    private final MetalStore metal;

    PourDay(PourStore store, MetalStore metal) {
        this.store = store;
        this.metal = metal;
    }

    @Override
    public Day of(Account account, Window window) {
        List<Task> tasks = new ArrayList<>();
        List<Waiting> waiting = new ArrayList<>();
        List<Bar> bars = new ArrayList<>();
        List<PourStore.Row> open = store.open(account.studioId());
        List<Long> ids = open.stream().map(PourStore.Row::id).toList();
        Map<Long, List<Long>> molds = store.molds(ids);
        Map<Long, Map<Long, MetalStore.Taken>> taken = metal.taken(ids);
        for (PourStore.Row row : open) {
            Optional<ZonedDateTime> at = hour(row, account);
            if (row.running()) {
                running(row, window, tasks, bars);
            } else if (at.isEmpty()) {
                waiting.add(new Waiting(Group.YOU, row.name(), "the pour has no hour yet", -1, "/pours/" + row.id()));
            } else {
                int weighed = taken.getOrDefault(row.id(), Map.of()).size();
                planned(row, at.get(), molds.getOrDefault(row.id(), List.of()).size(), weighed, window, tasks, bars);
            }
        }
        return new Day(bars.isEmpty() ? List.of() : List.of(new Lane("Pours", "/pours", bars)), tasks, waiting, false);
    }

    private static Optional<ZonedDateTime> hour(PourStore.Row row, Account account) {
        try {
            return Optional.of(LocalDateTime.parse(row.fields().getOrDefault("pour_at", ""))
                    .atZone(account.zoneId()));
        } catch (DateTimeParseException e) {
            return Optional.empty();
        }
    }

    private void running(PourStore.Row row, Window window, List<Task> tasks, List<Bar> bars) {
        Optional<PourCourse> course = PourTaps.course(row, store.events(row.id()));
        String day = "/pours/" + row.id() + "/day";
        String what = course.flatMap(PourCourse::holding)
                .map(Poured.Step::words)
                .orElseGet(() -> course.flatMap(PourCourse::inHand)
                        .map(c -> "Pour " + c.plan().name())
                        .orElse("End the pour"));
        tasks.add(new Task(
                window.now(), Press.DUE, true, what, row.name(), "The pour day runs.", "Open the pour day", day));
        bars.add(Bar.of(
                row.begunAt().atZone(window.now().getZone()),
                window.now().plus(POUR_TAKES),
                Kind.HANDS,
                row.name(),
                day));
    }

    private static void planned(
            PourStore.Row row,
            ZonedDateTime at,
            int molds,
            int weighed,
            Window window,
            List<Task> tasks,
            List<Bar> bars) {
        String counted = row.name() + ", " + (molds == 1 ? "1 mold" : molds + " molds");
        ZonedDateTime weigh = at.minus(WEIGH_BEFORE);
        tasks.add(new Task(
                weigh,
                press(weigh, window),
                true,
                weighed == 0
                        ? "Weigh the charge, warm it"
                        : "The charge, " + (weighed == 1 ? "1 lot" : weighed + " lots")
                                + " weighed: all of it, and warm?",
                counted,
                "Damp metal throws the whole pot.",
                "Open the charge",
                "/pours/" + row.id() + "/charge"));
        tasks.add(new Task(
                at,
                press(at, window),
                true,
                "Pour",
                counted,
                "Everyone told their place; two people at least.",
                "Open the pour day",
                "/pours/" + row.id() + "/day"));
        bars.add(Bar.of(at, at.plus(POUR_TAKES), Kind.HANDS, "pour " + row.name(), "/pours/" + row.id()));
    }

    private static Press press(ZonedDateTime due, Window window) {
        if (due.isBefore(window.now().minusMinutes(5))) {
            return Press.LATE;
        }
        return due.isBefore(window.now().plus(SOON)) ? Press.DUE : Press.LATER;
    }
}
