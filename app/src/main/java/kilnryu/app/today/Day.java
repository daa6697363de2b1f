package kilnryu.app.today;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;

/**
 * What lies ahead of a studio.
 *
 * @param reckoning whether hours are still to be reckoned, which takes longer than a page may
 */
public record Day(List<Lane> lanes, List<Task> tasks, List<Waiting> waiting, boolean reckoning) {
    public Day {
        lanes = List.copyOf(lanes);
        tasks = List.copyOf(tasks);
        waiting = List.copyOf(waiting);
    }

    /** A part of the work that has something to say of the day. */
    public interface Source {
        Day of(Account account, Window window);

        /**
         * Reckons hours that {@link Day#reckoning} says are lacking, for one thing at a time.
         *
         * @return whether any was lacking
         */
        default boolean reckon(Account account, Window window) {
            return false;
        }
    }

    /** The hours that are shown. */
    public record Window(ZonedDateTime now, ZonedDateTime from, ZonedDateTime until) {
        private static final Duration BEFORE = Duration.ofHours(2);
        private static final Duration AHEAD = Duration.ofHours(46);

        public static Window at(ZonedDateTime now) {
            return new Window(now, now.minus(BEFORE), now.plus(AHEAD));
        }

        public boolean shows(ZonedDateTime at) {
            return !at.isBefore(from) && !at.isAfter(until);
        }
    }

    /** A line of the strip: a kiln, the dips, the mixing, the pours. */
    public record Lane(String name, String address, List<Bar> bars) {
        public Lane {
            bars = List.copyOf(bars);
        }

        Lane with(Lane other) {
            List<Bar> both = new ArrayList<>(bars);
            both.addAll(other.bars);
            return new Lane(name, address, both);
        }

        boolean shownIn(Window window) {
            return bars.stream().anyMatch(b -> b.until.isAfter(window.from) && b.from.isBefore(window.until));
        }
    }

    /** What a bar stands for. */
    public enum Kind {
        HEAT,
        HANDS,
        WAIT
    }

    /** Something that takes its time; heat by its temperatures, hands at work, or what only waits. */
    public record Bar(
            ZonedDateTime from, ZonedDateTime until, Kind kind, String label, String address, List<Heat> heat) {
        public Bar {
            heat = List.copyOf(heat);
        }

        public static Bar of(ZonedDateTime from, ZonedDateTime until, Kind kind, String label, String address) {
            return new Bar(from, until, kind, label, address, List.of());
        }
    }

    /** How hot the kiln is asked to be, C. */
    public record Heat(ZonedDateTime at, double celsius) {}

    /** How a task presses. */
    public enum Press {
        LATE,
        STOP,
        DUE,
        WARNING,
        LATER
    }

    /**
     * Something to be done by someone.
     *
     * @param at when it is due
     * @param duty whether it stands as a dot on the strip: someone has to be there at that hour
     * @param what as in "Drain tray out"
     * @param of mold or load
     * @param why one line
     * @param button what the button to the step says
     */
    public record Task(
            ZonedDateTime at,
            Press press,
            boolean duty,
            String what,
            String of,
            String why,
            String button,
            String address) {}

    /** What a thing waits for. */
    public enum Group {
        READY("Ready"),
        DRYING("Drying"),
        YOU("Waiting for you");

        private final String label;

        Group(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    /** @param share how much of its waiting is over, 0 to 1; negative where that is not known */
    public record Waiting(Group group, String what, String detail, double share, String address) {}

    static Day all(List<Day> parts) {
        List<Lane> lanes = new ArrayList<>();
        List<Task> tasks = new ArrayList<>();
        List<Waiting> waiting = new ArrayList<>();
        Map<String, Lane> byName = new LinkedHashMap<>();
        parts.forEach(p -> {
            p.lanes.forEach(l -> byName.merge(l.name, l, Lane::with));
            tasks.addAll(p.tasks);
            waiting.addAll(p.waiting);
        });
        lanes.addAll(byName.values());
        return new Day(lanes, tasks, waiting, parts.stream().anyMatch(Day::reckoning));
    }
}
