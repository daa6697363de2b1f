package kilnryu.app.wax;

import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.rubber.RubberMolds;
import kilnryu.app.rubber.TappedStore;
import kilnryu.app.today.Day;
import kilnryu.app.today.Day.Group;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Waiting;
import kilnryu.app.today.Day.Window;
import kilnryu.core.rubber.Cure;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What rubber and wax ask of the day: the next coat in its window, rubber that cures, wax that stands full, waxes to be looked over. */
@Component
@Order(5)
class WaxDay implements Day.Source {
    private static final int MOST = 30;

    private final RubberMolds molds;
    private final WaxStore waxes;
    private final WaxSheets sheets;

    WaxDay(RubberMolds molds, WaxStore waxes, WaxSheets sheets) {
        this.molds = molds;
        this.waxes = waxes;
        this.sheets = sheets;
    }

    @Override
    public Day of(Account account, Window window) {
        List<Task> tasks = new ArrayList<>();
        List<Waiting> waiting = new ArrayList<>();
        molds.list(account, false, MOST).forEach(m -> mold(m, window, tasks, waiting));
        Map<Long, List<TappedStore.Event>> events = waxes.allEvents(account.studioId(), false);
        List<TappedStore.Row> rows = waxes.list(account.studioId(), false, MOST);
        sheets.foresee(account, rows);
        for (TappedStore.Row row : rows) {
            WaxCourse course = WaxCourse.of(events.getOrDefault(row.id(), List.of()));
            wax(account, row, course, new Duties(window, tasks, waiting));
        }
        return new Day(List.of(), tasks, waiting, false);
    }

    private static void mold(RubberMolds.Mold m, Window window, List<Task> tasks, List<Waiting> waiting) {
        Optional<Cure> cure = m.sheet().cure();
        if (cure.isEmpty() || m.course().laid().isEmpty() || m.course().retired()) {
            return;
        }
        String address = "/rubber/" + m.row().id() + "/bench";
        Instant now = window.now().toInstant();
        if (m.coated()) {
            Instant cured = m.course().cured(cure.get()).orElseThrow();
            if (cured.isAfter(now)) {
                waiting.add(new Waiting(
                        Group.DRYING,
                        m.row().name(),
                        "rubber cures until " + kilnryu.app.web.Show.clock(at(cured, window)),
                        -1,
                        address));
            } else if (m.course().pulls().isEmpty()) {
                waiting.add(new Waiting(Group.READY, m.row().name(), "cured: wax may go in", -1, address));
            }
            return;
        }
        Instant from = m.course().earliest(cure.get()).orElseThrow();
        Instant to = m.course().latest(cure.get()).orElseThrow();
        boolean late = now.isAfter(to);
        tasks.add(new Task(
                at(late ? to : from, window),
                late ? Press.LATE : now.isBefore(from) ? Press.LATER : Press.DUE,
                true,
                "Rubber, coat " + (m.course().laid().size() + 1),
                m.row().name(),
                late
                        ? "The last coat is cured: it holds a new one badly."
                        : "While the last is tacky, by " + kilnryu.app.web.Show.clock(at(to, window)) + ".",
                "Open its bench",
                address));
    }

    /** What is gathered for a day. */
    private record Duties(Window window, List<Task> tasks, List<Waiting> waiting) {}

    private void wax(Account account, TappedStore.Row row, WaxCourse course, Duties day) {
        Window window = day.window;
        List<Task> tasks = day.tasks;
        List<Waiting> waiting = day.waiting;
        String address = "/waxes/" + row.id() + "/bench";
        if (course.poured().isPresent()) {
            Instant out = sheets.of(account, row.fields(), row.createdAt())
                    .slush()
                    .filter(s -> course.layers().size() < s.layers().size())
                    .map(s -> course.poured()
                            .get()
                            .plusSeconds(Math.round(s.layers()
                                    .get(course.layers().size())
                                    .dwell()
                                    .value())))
                    .orElse(course.poured().get());
            tasks.add(new Task(
                    at(out, window),
                    out.isBefore(window.now().toInstant()) ? Press.LATE : Press.DUE,
                    true,
                    "Turn the wax out",
                    row.name(),
                    "The wall grows while it stands.",
                    "Open its bench",
                    address));
            return;
        }
        WaxSheet sheet = sheets.of(account, row.fields(), row.createdAt());
        if (sheet.pattern().isPresent()
                && (course.pattern().washing().isPresent()
                        || course.pattern().curing().isPresent())) {
            bath(sheet.pattern().get(), course.pattern(), row, window, tasks);
        } else if (course.signed().isEmpty() && WaxView.inHand(sheet, course)) {
            waiting.add(new Waiting(Group.YOU, row.name(), "wax to be looked over and signed off", -1, address));
        }
    }

    /** Out of the wash, out from under the lamp; where its sheet says no time it is due at once. */
    private static void bath(
            PatternSheet sheet, PatternCourse course, TappedStore.Row row, Window window, List<Task> tasks) {
        Instant now = window.now().toInstant();
        Instant until = PatternView.until(sheet, course).orElse(now);
        boolean washes = course.washing().isPresent();
        tasks.add(new Task(
                at(until, window),
                now.isBefore(until) ? Press.LATER : washes ? Press.LATE : Press.DUE,
                true,
                washes ? "Out of the wash" : "Out from under the lamp",
                row.name(),
                washes ? "Resin swells and cracks in it." : "Turn it, look into it.",
                "Open its bench",
                "/waxes/" + row.id() + "/bench"));
    }

    private static ZonedDateTime at(Instant instant, Window window) {
        return instant.atZone(window.now().getZone());
    }
}
