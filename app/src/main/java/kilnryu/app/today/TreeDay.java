package kilnryu.app.today;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Ahead;
import kilnryu.app.today.Day.Bar;
import kilnryu.app.today.Day.Group;
import kilnryu.app.today.Day.Kind;
import kilnryu.app.today.Day.Lane;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Waiting;
import kilnryu.app.today.Day.Window;
import kilnryu.app.tree.TreeStore;
import kilnryu.app.web.Spoken;
import kilnryu.core.burnout.Duty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What trees ask of the day that stand in no load yet: to be mixed, to be put in a kiln, to be mended before. */
@Component
@Order(90)
class TreeDay implements Day.Source {
    private static final Duration POUR_TAKES = Duration.ofHours(1);
    private static final Duration LOOKED_BACK = Duration.ofDays(2);
    private static final Duration LOOKED_AHEAD = Duration.ofDays(7);
    private static final int MOST = 40;

    private final TreeStore trees;

    TreeDay(TreeStore trees) {
        this.trees = trees;
    }

    @Override
    public Day of(Account account, Window window) {
        List<Task> tasks = new ArrayList<>();
        List<Waiting> waiting = new ArrayList<>();
        List<Bar> mixing = new ArrayList<>();
        List<Bar> pours = new ArrayList<>();
        List<TreeStore.Row> rows = trees.inWork(
                account.studioId(),
                window.now().minus(LOOKED_BACK).toInstant(),
                window.now().plus(LOOKED_AHEAD).toInstant(),
                MOST);
        for (TreeStore.Row row : rows) {
            Ahead ahead = Ahead.read(row.ahead());
            // once it is mixed or dipped, what stands against its design cannot be mended any more
            if (row.stand().station() < 3) {
                against(account, row, ahead, window).ifPresent(tasks::add);
            }
            if (row.stand().station() < 4 && !row.stand().address().startsWith("/firings/")) {
                hours(row, ahead, window, tasks, mixing, pours);
                waits(row, waiting);
            }
        }
        List<Lane> lanes = new ArrayList<>();
        if (!mixing.isEmpty()) {
            lanes.add(new Lane("Mixing", "/mixing", mixing));
        }
        if (!pours.isEmpty()) {
            lanes.add(new Lane("Pours", "/trees?sort=pour", pours));
        }
        return new Day(lanes, tasks, waiting, false);
    }

    /** What stands against a mold that is to be poured: mended now it costs minutes, later the casting. */
    private static Optional<Task> against(Account account, TreeStore.Row row, Ahead ahead, Window window) {
        if (ahead.severity().isEmpty() || row.pourAt() == null) {
            return Optional.empty();
        }
        ZonedDateTime pour = row.pourAt().atZone(window.now().getZone());
        if (pour.isBefore(window.now())) {
            return Optional.empty();
        }
        boolean stop = ahead.severity().equals("stop");
        ZonedDateTime before = ahead.first(Duty.Kind.MIX)
                .map(d -> d.at().atZone(window.now().getZone()))
                .filter(d -> row.stand().station() < 3 && d.isAfter(window.now()))
                .orElse(pour);
        String page = ahead.page().isEmpty() ? "tree" : ahead.page();
        return Optional.of(new Task(
                before,
                stop ? Press.STOP : Press.WARNING,
                false,
                row.name(),
                "",
                Spoken.in(ahead.message(), account.units()),
                "Open " + Character.toUpperCase(page.charAt(0)) + page.substring(1),
                "/trees/" + row.id() + "/" + page));
    }

    private static void hours(
            TreeStore.Row row, Ahead ahead, Window window, List<Task> tasks, List<Bar> mixing, List<Bar> pours) {
        var zone = window.now().getZone();
        String tree = "/trees/" + row.id();
        boolean shell = "shell".equals(row.flask());
        if (row.stand().station() < 3 && !shell) {
            ahead.first(Duty.Kind.MIX).ifPresent(d -> {
                ZonedDateTime at = d.at().atZone(zone);
                tasks.add(task(
                        at,
                        window,
                        "Mix",
                        row.name(),
                        "Then it stands until the kiln is closed.",
                        "Open the mixing",
                        tree + "/bench"));
                mixing.add(Bar.of(at, at.plusMinutes(30), Kind.HANDS, row.name(), tree + "/bench"));
                ahead.first(Duty.Kind.CLOSE_KILN)
                        .ifPresent(c -> mixing.add(
                                Bar.of(at.plusMinutes(30), c.at().atZone(zone), Kind.WAIT, "stands", tree + "/bench")));
            });
        }
        ahead.first(Duty.Kind.CLOSE_KILN)
                .ifPresent(d -> tasks.add(task(
                        d.at().atZone(zone),
                        window,
                        "Close a kiln on it",
                        row.name(),
                        "It stands in no load yet.",
                        "Put it in a kiln",
                        "/firings/new?tree=" + row.id())));
        if (row.pourAt() != null) {
            ZonedDateTime pour = row.pourAt().atZone(zone);
            pours.add(Bar.of(pour, pour.plus(POUR_TAKES), Kind.HANDS, row.name(), tree + "/card"));
        }
    }

    private static Task task(
            ZonedDateTime at, Window window, String what, String of, String why, String button, String address) {
        boolean late = at.isBefore(window.now());
        return new Task(at, late ? Press.LATE : Press.LATER, true, what, of, why, button, address);
    }

    private static void waits(TreeStore.Row row, List<Waiting> waiting) {
        if (row.stand().words().equals("mixed")) {
            waiting.add(
                    new Waiting(Group.READY, row.name(), "mixed, in no load yet", -1, "/firings/new?tree=" + row.id()));
        } else if (row.stand().words().startsWith("shell fit")) {
            waiting.add(new Waiting(
                    Group.READY, row.name(), "shell is fit, in no load yet", -1, "/firings/new?tree=" + row.id()));
        } else if (row.pourAt() == null) {
            waiting.add(new Waiting(
                    Group.YOU, row.name(), "has no hour of its pour", -1, "/trees/" + row.id() + "/firing"));
        }
    }
}
