package kilnryu.app.dipping;

import java.time.Duration;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.dipping.ShellState.Phase;
import kilnryu.app.today.Day;
import kilnryu.app.today.Day.Bar;
import kilnryu.app.today.Day.Group;
import kilnryu.app.today.Day.Kind;
import kilnryu.app.today.Day.Lane;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Waiting;
import kilnryu.app.today.Day.Window;
import kilnryu.app.web.Show;
import kilnryu.core.shell.DipCalendar;
import kilnryu.core.shell.DipCalendar.Job;
import kilnryu.core.shell.Drying;
import kilnryu.core.sum.Factors;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What shells ask of the day: dips by the calendar of the racks, what dries, what has waited too long. */
@Component
@Order(20)
class ShellDay implements Day.Source {
    private static final int MOST_LANES = 4;
    private static final Duration DIP_TAKES = Duration.ofMinutes(20);

    private final Shells shells;

    ShellDay(Shells shells) {
        this.shells = shells;
    }

    @Override
    public Day of(Account account, Window window) {
        List<ShellState> open = shells.open(account);
        if (open.isEmpty()) {
            return new Day(List.of(), List.of(), List.of(), false);
        }
        List<Task> tasks = new ArrayList<>();
        List<Waiting> waiting = new ArrayList<>();
        Map<String, ShellState> byKey = new LinkedHashMap<>();
        List<Job> jobs = new ArrayList<>();
        for (ShellState s : open) {
            String key = "shell-" + s.run().id();
            byKey.put(key, s);
            jobs.add(s.job(key));
            state(s, window, tasks, waiting);
        }
        Room room = shells.room(account);
        DipCalendar calendar = DipCalendar.of(
                jobs,
                new DipCalendar.Shop(
                        room.crew(),
                        room.racks(),
                        shells.climate(account, room),
                        Factors.HANDBOOK.value(Drying.PRIME_LATEST)),
                window.now().toInstant());
        return new Day(lanes(calendar, byKey, window), tasks, waiting, false);
    }

    private static void state(ShellState s, Window window, List<Task> tasks, List<Waiting> waiting) {
        String coat = "Dip coat " + (s.on() + 1);
        String how = s.next()
                .map(c -> c.label() + " of " + s.shell().layers().size() + " coats")
                .orElse("");
        switch (s.phase()) {
            case LATE ->
                tasks.add(open(
                        s,
                        at(s.latest().orElseThrow(), window),
                        Press.LATE,
                        coat,
                        how + "; a prime that waits too long lets go of the next coat."));
            case READY ->
                tasks.add(open(
                        s,
                        at(s.ready().orElse(window.now().toInstant()), window),
                        Press.DUE,
                        coat,
                        how
                                + s.latest()
                                        .map(l -> "; by " + Show.weekday(at(l, window)))
                                        .orElse("") + "."));
            case WIRE ->
                tasks.add(open(
                        s,
                        at(s.ready().orElse(window.now().toInstant()), window),
                        Press.DUE,
                        "Wrap the wire",
                        "Twisted tight where it crosses, then the next coat."));
            case NEVER ->
                tasks.add(open(
                        s,
                        window.now(),
                        Press.WARNING,
                        "Never dries in this air",
                        "Drier air, a fan, or a window into the hollow."));
            default -> waits(s, window, waiting);
        }
    }

    private static void waits(ShellState s, Window window, List<Waiting> waiting) {
        String address = "/shells/" + s.run().id();
        switch (s.phase()) {
            case DRYING ->
                waiting.add(new Waiting(
                        Group.DRYING,
                        s.run().name(),
                        "coat " + s.on()
                                + s.ready()
                                        .map(r -> ", dry " + Show.weekday(at(r, window)))
                                        .orElse(""),
                        s.progress(),
                        address));
            case FINAL ->
                waiting.add(new Waiting(
                        Group.DRYING,
                        s.run().name(),
                        "last coat"
                                + s.fireFrom()
                                        .map(f -> ", fire from " + Show.weekday(at(f, window)))
                                        .orElse(""),
                        -1,
                        address));
            case FIRE -> waiting.add(new Waiting(Group.READY, s.run().name(), "may be fired", -1, address));
            default -> {}
        }
    }

    private static Task open(ShellState s, ZonedDateTime at, Press press, String what, String why) {
        return new Task(
                at,
                press,
                press == Press.LATE,
                what,
                s.run().name(),
                why,
                "Open the shell",
                "/shells/" + s.run().id());
    }

    /** A line for each of the first shells: each dip, and pale behind it how long its coat dries. */
    private static List<Lane> lanes(DipCalendar calendar, Map<String, ShellState> byKey, Window window) {
        Map<String, List<Bar>> bars = new LinkedHashMap<>();
        byKey.forEach((key, s) -> {
            bars.put(key, new ArrayList<>());
            if (s.phase() == Phase.DRYING && s.ready().isPresent()) {
                bars.get(key)
                        .add(Bar.of(
                                window.from(),
                                at(s.ready().get(), window),
                                Kind.WAIT,
                                "coat " + s.on() + " dries",
                                "/shells/" + s.run().id()));
            }
        });
        for (DipCalendar.Dip dip : calendar.dips()) {
            ZonedDateTime at = at(dip.at(), window);
            String address = "/shells/" + byKey.get(dip.job()).run().id();
            List<Bar> its = bars.get(dip.job());
            its.add(Bar.of(
                    at.plus(DIP_TAKES), at(dip.dry(), window), Kind.WAIT, "coat " + dip.number() + " dries", address));
            its.add(Bar.of(at, at.plus(DIP_TAKES), Kind.HANDS, "", address));
        }
        return bars.entrySet().stream()
                .limit(MOST_LANES)
                .map(e -> new Lane(
                        byKey.get(e.getKey()).run().name(),
                        "/shells/" + byKey.get(e.getKey()).run().id(),
                        e.getValue()))
                .toList();
    }

    private static ZonedDateTime at(Instant instant, Window window) {
        return instant.atZone(window.now().getZone());
    }
}
