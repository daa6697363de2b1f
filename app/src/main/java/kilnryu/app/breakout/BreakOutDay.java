package kilnryu.app.breakout;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.pour.FullMolds;
import kilnryu.app.pour.PouredMold;
import kilnryu.app.pour.PouredMolds;
import kilnryu.app.today.Day;
import kilnryu.app.today.Day.Group;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Waiting;
import kilnryu.app.today.Day.Window;
import kilnryu.core.breakout.Quenching;
import kilnryu.core.pour.Outside;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What full molds ask of the day: into water in their window, opened, looked at. */
@Component
@Order(16)
class BreakOutDay implements Day.Source {
    private static final int MOST = 12;
    private static final Duration COOLING = Duration.ofHours(24);
    private static final Duration NEAR = Duration.ofHours(1);
    private static final double ROOM_C = 20;

    private final BreakOutStore store;
    private final PouredMolds poured;
    private final FullMolds molds;

    BreakOutDay(BreakOutStore store, PouredMolds poured, FullMolds molds) {
        this.store = store;
        this.poured = poured;
        this.molds = molds;
    }

    @Override
    public Day of(Account account, Window window) {
        List<Task> tasks = new ArrayList<>();
        List<Waiting> waiting = new ArrayList<>();
        for (BreakOutStore.Line line : store.list(account.studioId(), MOST)) {
            String page = "/breakout/" + line.tree();
            if (line.state().equals("waiting")) {
                full(account, line, window, tasks, waiting);
            } else if (line.state().equals("open") && line.unseen() > 0) {
                waiting.add(new Waiting(
                        Group.YOU,
                        line.name(),
                        line.unseen() == 1 ? "1 casting not looked at" : line.unseen() + " castings not looked at",
                        -1,
                        page));
            }
        }
        return new Day(List.of(), tasks, waiting, false);
    }

    private void full(
            Account account, BreakOutStore.Line line, Window window, List<Task> tasks, List<Waiting> waiting) {
        Instant since = line.poured();
        boolean fresh = since.isAfter(window.now().toInstant().minus(COOLING));
        if (!fresh || store.takenOut(line.tree()).isPresent()) {
            waiting.add(new Waiting(Group.READY, line.name(), "poured, to be opened", -1, "/breakout/" + line.tree()));
            return;
        }
        Optional<PouredMold> mold = poured.of(account.studioId(), line.tree());
        Optional<Quenching> quench =
                molds.of(account, line.tree(), mold, Outside.air(ROOM_C)).map(FullMolds.Full::quenching);
        ZonedDateTime full = since.atZone(window.now().getZone());
        quench.flatMap(Quenching::window)
                .ifPresentOrElse(
                        w -> water(line, full, w, window, tasks, waiting),
                        () -> air(line, full, quench, window, tasks, waiting));
    }

    private static void water(
            BreakOutStore.Line line,
            ZonedDateTime full,
            Quenching.Window w,
            Window window,
            List<Task> tasks,
            List<Waiting> waiting) {
        ZonedDateTime from = full.plusSeconds(Math.round(w.from()));
        ZonedDateTime to = full.plusSeconds(Math.round(w.to()));
        if (window.now().isAfter(to)) {
            waiting.add(new Waiting(
                    Group.READY, line.name(), "its water window is past: out by hand", -1, "/breakout/" + line.tree()));
            return;
        }
        tasks.add(new Task(
                from,
                from.isBefore(window.now().plus(NEAR)) ? Press.DUE : Press.LATER,
                true,
                "Into water",
                line.name(),
                "Until " + kilnryu.app.web.Show.clock(to) + "; hotter it tears and spits, colder it is dug out.",
                "Open its clock",
                "/breakout/" + line.tree() + "/cooling"));
    }

    private static void air(
            BreakOutStore.Line line,
            ZonedDateTime full,
            Optional<Quenching> quench,
            Window window,
            List<Task> tasks,
            List<Waiting> waiting) {
        OptionalDouble out = quench.map(Quenching::shakeOut).orElse(OptionalDouble.empty());
        if (out.isEmpty() || window.now().isAfter(full.plusSeconds(Math.round(out.getAsDouble())))) {
            waiting.add(new Waiting(
                    Group.READY,
                    line.name(),
                    out.isEmpty() ? "poured; how it cools is not yet judged" : "cold enough to be opened",
                    -1,
                    "/breakout/" + line.tree()));
            return;
        }
        tasks.add(new Task(
                full.plusSeconds(Math.round(out.getAsDouble())),
                Press.LATER,
                false,
                "Shake out",
                line.name(),
                "Cold enough by then, in the air.",
                "Open its clock",
                "/breakout/" + line.tree() + "/cooling"));
    }
}
