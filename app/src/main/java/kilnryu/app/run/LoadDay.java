package kilnryu.app.run;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kilnryu.app.account.Account;
import kilnryu.app.today.Day;
import kilnryu.app.today.Day.Bar;
import kilnryu.app.today.Day.Group;
import kilnryu.app.today.Day.Heat;
import kilnryu.app.today.Day.Kind;
import kilnryu.app.today.Day.Lane;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Waiting;
import kilnryu.app.today.Day.Window;
import kilnryu.core.burnout.Duty;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** What loads ask of the day: kilns in the colour of their heat, and every duty of those that run or are planned. */
@Component
@Order(10)
class LoadDay implements Day.Source {
    private static final Duration SOON = Duration.ofHours(4);
    private static final Duration POUR_TAKES = Duration.ofHours(1);

    private final FiringStore store;
    private final FiringLogStore readings;
    private final Hours hours;

    LoadDay(FiringStore store, FiringLogStore readings, Hours hours) {
        this.store = store;
        this.readings = readings;
        this.hours = hours;
    }

    /** What is gathered on the way. */
    private static final class Gathered {
        final Map<String, List<Bar>> kilns = new LinkedHashMap<>();
        final List<Bar> pours = new ArrayList<>();
        final List<Task> tasks = new ArrayList<>();
        final List<Waiting> waiting = new ArrayList<>();
        boolean reckoning;

        Day day() {
            List<Lane> lanes = new ArrayList<>();
            kilns.forEach((name, bars) -> lanes.add(new Lane(name, "/firings", bars)));
            if (!pours.isEmpty()) {
                lanes.add(new Lane("Pours", "/firings", pours));
            }
            return new Day(lanes, tasks, waiting, reckoning);
        }
    }

    @Override
    public Day of(Account account, Window window) {
        Gathered all = new Gathered();
        Map<Long, String> kilns = store.kilns(account.studioId());
        List<FiringStore.Row> open = store.open(account.studioId());
        Map<Long, Set<String>> done = store.done(open.stream()
                .filter(FiringStore.Row::running)
                .map(FiringStore.Row::id)
                .toList());
        Map<Long, List<FiringStore.Unready>> unready = store.unready(open.stream()
                .filter(FiringStore.Row::planned)
                .map(FiringStore.Row::id)
                .toList());
        for (FiringStore.Row row : open) {
            String kiln = kilns.getOrDefault(row.id(), "No kiln yet");
            if (row.running()) {
                row.frozen().ifPresent(f -> running(row, f, kiln, window, done.getOrDefault(row.id(), Set.of()), all));
            } else {
                planned(
                        account,
                        row,
                        kiln,
                        window,
                        unready.getOrDefault(row.id(), List.of()).size(),
                        all);
            }
        }
        return all.day();
    }

    private void running(
            FiringStore.Row row, Frozen frozen, String kiln, Window window, Set<String> done, Gathered all) {
        double now = readings.lastSecond(row.id())
                        .orElse(Duration.between(row.startedAt(), window.now().toInstant())
                                .toSeconds())
                / 60;
        // by the kiln's own clock: a stand-in that runs faster is as far as it says
        ZonedDateTime start = window.now().minus(Duration.ofSeconds(Math.round(now * 60)));
        String run = "/firings/" + row.id() + "/run";
        List<Heat> heat = new ArrayList<>();
        frozen.corners().forEach(c -> heat.add(new Heat(at(start, c[0]), c[1])));
        all.kilns
                .computeIfAbsent(kiln, k -> new ArrayList<>())
                .add(new Bar(
                        start,
                        at(start, frozen.minutes()),
                        Kind.HEAT,
                        label(row, frozen.load().size()),
                        run,
                        heat));
        all.pours.add(Bar.of(
                at(start, frozen.minutes()),
                at(start, frozen.minutes()).plus(POUR_TAKES),
                Kind.HANDS,
                "pour " + row.name(),
                run));
        List<Frozen.At> sorted = frozen.duties().stream()
                .sorted(Comparator.comparingDouble(Frozen.At::minute))
                .toList();
        for (Frozen.At d : sorted) {
            String key = d.kind().name().toLowerCase(Locale.ROOT) + "-" + sorted.indexOf(d);
            if (d.minute() >= 0 && !done.contains(key) && d.kind() != Duty.Kind.CLOSE_KILN) {
                ZonedDateTime due = at(start, d.minute());
                all.tasks.add(new Task(
                        due,
                        press(due, window),
                        true,
                        capital(d.kind().label()),
                        row.name() + ", " + kiln,
                        d.caution(),
                        "Open the run",
                        run));
            }
        }
    }

    private void planned(Account account, FiringStore.Row row, String kiln, Window window, int unmixed, Gathered all) {
        Optional<Hours.KeptHours> kept = hours.of(row);
        if (kept.isEmpty()) {
            all.reckoning = true;
            return;
        }
        String address = "/firings/" + row.id();
        Optional<ZonedDateTime> close = kept.get().closed(account);
        if (close.isEmpty()) {
            all.waiting.add(new Waiting(Group.YOU, row.name(), "the load has no hour of its pour", -1, address));
            return;
        }
        List<Heat> heat = kept.get().points().stream()
                .map(p -> new Heat(at(close.get(), p.minute()), p.celsius()))
                .toList();
        ZonedDateTime pour = kept.get().poured(account).orElseThrow();
        all.kilns
                .computeIfAbsent(kiln, k -> new ArrayList<>())
                .add(new Bar(close.get(), pour, Kind.HEAT, row.name() + ", planned", address, heat));
        all.pours.add(Bar.of(pour, pour.plus(POUR_TAKES), Kind.HANDS, "pour " + row.name(), address));
        for (Hours.Due d : kept.get().duties()) {
            ZonedDateTime due = at(close.get(), d.minute());
            boolean before = d.minute() <= 0;
            if (!before || d.kind() == Duty.Kind.MIX && unmixed == 0) {
                continue;
            }
            boolean mix = d.kind() == Duty.Kind.MIX;
            all.tasks.add(new Task(
                    due,
                    press(due, window),
                    true,
                    mix ? "Mix for the load" : capital(d.kind().label()),
                    row.name() + ", " + kiln,
                    mix
                            ? counted(unmixed) + " still to be mixed; then it stands until the kiln is closed."
                            : d.caution(),
                    mix ? "Open the mixing" : "Open the load",
                    mix ? "/mixing" : address));
        }
    }

    private static String counted(long molds) {
        return molds == 1 ? "One mold is" : molds + " molds are";
    }

    private static String label(FiringStore.Row row, int molds) {
        return row.name() + ", " + (molds == 1 ? "1 mold" : molds + " molds");
    }

    private static Press press(ZonedDateTime due, Window window) {
        if (due.isBefore(window.now().minusMinutes(5))) {
            return Press.LATE;
        }
        return due.isBefore(window.now().plus(SOON)) ? Press.DUE : Press.LATER;
    }

    @Override
    public boolean reckon(Account account, Window window) {
        for (FiringStore.Row row : store.open(account.studioId())) {
            if (row.planned() && hours.of(row).isEmpty()) {
                hours.reckoned(account, row);
                return true;
            }
        }
        return false;
    }

    private static ZonedDateTime at(ZonedDateTime start, double minute) {
        return start.plus(Duration.ofSeconds(Math.round(minute * 60)));
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
