package kilnryu.app.device;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.concurrent.ConcurrentHashMap;
import kilnryu.core.heat.Conduction;
import kilnryu.core.kiln.FiringProgram;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * A stand-in for a kiln and its controller: the core's own kiln with a coarse load, a thermocouple that trembles, a clock
 * that may run up to six hundred times as fast, and faults that can be set. All of it follows from what is stored, so a
 * restart goes on where it was by living through it once more.
 */
@Component
public class SimulatedController implements KilnController {
    public static final double FASTEST = 600;

    private static final double STEP_S = 5;
    private static final double SLOW_REPORT_S = 5;
    private static final double FAST_REPORT_S = 30;
    private static final double FAST = 5;
    private static final double MOST_AT_ONCE_S = 4 * 3600;
    private static final double TREMBLE_K = 1.2;
    private static final KilnRun.Detail COARSE = new KilnRun.Detail(
            8, Conduction.Fineness.USUAL, STEP_S, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY);

    private final ControllerStore store;
    private final Map<Long, Live> lives = new ConcurrentHashMap<>();

    SimulatedController(ControllerStore store) {
        this.store = store;
    }

    /** What can go wrong. */
    public enum Trouble {
        ELEMENT("element", "an element is broken: half the power"),
        THERMOCOUPLE("thermocouple", "thermocouple open: power off"),
        POWER("power", "no power"),
        DOOR("door", "the door stands ajar");

        private final String key;
        private final String label;

        Trouble(String key, String label) {
            this.key = key;
            this.label = label;
        }

        public static Optional<Trouble> named(String key) {
            return Arrays.stream(values()).filter(t -> t.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }

    /** @param to infinite while it lasts */
    public record Fault(Trouble trouble, double from, double to) {
        boolean at(double second) {
            return second >= from && second < to;
        }
    }

    @Override
    @Transactional
    public void start(long firing, Job job, Instant now) {
        store.begin(firing, job, now);
    }

    @Override
    @Transactional
    public Report report(long firing, Instant now) {
        Optional<ControllerStore.State> taken = store.take(firing);
        if (taken.isEmpty()) {
            return store.find(firing).map(s -> new Report(List.of(), status(s))).orElse(Report.NONE);
        }
        ControllerStore.State s = taken.get();
        if (s.state().equals("stopped")) {
            return new Report(List.of(), status(s));
        }
        double wish = reached(s, now);
        double every = s.speed() > FAST ? FAST_REPORT_S : SLOW_REPORT_S;
        double to = Math.floor(Math.min(wish, s.second() + MOST_AT_ONCE_S) / every) * every;
        if (to <= s.second()) {
            return new Report(List.of(), status(s));
        }
        Live live = live(firing, s);
        List<Reading> fresh = new ArrayList<>();
        while (live.second < to - 1e-6) {
            live.step(s);
            if (live.second % every < 1e-6 && !is(s, Trouble.POWER, live.second)) {
                fresh.add(live.reading(s));
            }
        }
        // where the clock ran further than one report may, it goes on from here
        boolean cut = wish > s.second() + MOST_AT_ONCE_S;
        ControllerStore.State then = new ControllerStore.State(
                s.job(),
                s.speed(),
                cut ? now : s.anchor(),
                cut ? to : s.anchorSecond(),
                live.second,
                live.into,
                s.faults(),
                s.state());
        store.keep(firing, then);
        return new Report(fresh, status(then));
    }

    private static double reached(ControllerStore.State s, Instant now) {
        return s.anchorSecond() + Duration.between(s.anchor(), now).toMillis() / 1000.0 * s.speed();
    }

    private static boolean is(ControllerStore.State s, Trouble trouble, double second) {
        return s.faults().stream().anyMatch(f -> f.trouble == trouble && f.at(second));
    }

    private static Status status(ControllerStore.State s) {
        String trouble = s.faults().stream()
                .filter(f -> f.at(s.second()))
                .map(f -> f.trouble.label)
                .findFirst()
                .orElse("");
        return new Status(s.second(), s.into(), s.into() >= program(s.job()).seconds() - 1e-6, trouble, s.speed());
    }

    /** The running kiln, or a new one brought to where it was. */
    private Live live(long firing, ControllerStore.State s) {
        Live live = lives.get(firing);
        if (live == null || Math.abs(live.second - s.second()) > 1e-6) {
            live = new Live(s.job());
            while (live.second < s.second() - 1e-6) {
                live.step(s);
            }
            lives.put(firing, live);
        }
        return live;
    }

    @Override
    @Transactional
    public void stop(long firing) {
        store.take(firing)
                .ifPresent(s -> store.keep(
                        firing,
                        new ControllerStore.State(
                                s.job(),
                                s.speed(),
                                s.anchor(),
                                s.anchorSecond(),
                                s.second(),
                                s.into(),
                                s.faults(),
                                "stopped")));
        lives.remove(firing);
    }

    /** From now on so many times as fast as the clock. */
    @Transactional
    public void speed(long firing, double times, Instant now) {
        store.take(firing).ifPresent(s -> {
            double at = Math.max(s.second(), Math.min(reached(s, now), s.second() + MOST_AT_ONCE_S));
            store.keep(
                    firing,
                    new ControllerStore.State(
                            s.job(),
                            Math.max(1, Math.min(FASTEST, times)),
                            now,
                            at,
                            s.second(),
                            s.into(),
                            s.faults(),
                            s.state()));
        });
    }

    /** Sets a fault, or ends it where it is set. */
    @Transactional
    public void fault(long firing, Trouble trouble) {
        store.take(firing).ifPresent(s -> {
            List<Fault> faults = new ArrayList<>();
            boolean ended = false;
            for (Fault f : s.faults()) {
                boolean ends = f.trouble == trouble && f.at(s.second());
                faults.add(ends ? new Fault(trouble, f.from, s.second()) : f);
                ended |= ends;
            }
            if (!ended) {
                faults.add(new Fault(trouble, s.second(), Double.MAX_VALUE));
            }
            store.keep(
                    firing,
                    new ControllerStore.State(
                            s.job(), s.speed(), s.anchor(), s.anchorSecond(), s.second(), s.into(), faults, s.state()));
        });
    }

    private static FiringProgram program(Job job) {
        return FiringProgram.of(
                job.startC(),
                job.program().stream()
                        .map(p -> new FiringProgram.Segment(p.rate(), p.target(), p.hold()))
                        .toList());
    }

    /** A kiln on its way. */
    private static final class Live {
        private final Job job;
        private final FiringProgram program;
        private final KilnRun run;
        private double second;
        private double into;

        Live(Job job) {
            this.job = job;
            program = SimulatedController.program(job);
            run = new KilnRun(job.load(), Optional.of(job.kiln()), job.startC(), COARSE);
        }

        void step(ControllerStore.State s) {
            boolean dead = is(s, Trouble.POWER, second);
            boolean blind = is(s, Trouble.THERMOCOUPLE, second);
            Kiln kiln = job.kiln();
            if (dead || blind) {
                kiln = kiln.atPower(0);
            } else if (is(s, Trouble.ELEMENT, second)) {
                kiln = kiln.atPower(0.5);
            }
            if (is(s, Trouble.DOOR, second)) {
                kiln = kiln.ajar();
            }
            run.kiln(Optional.of(kiln));
            into += dead || blind ? 0 : STEP_S;
            second += STEP_S;
            run.go(second, t -> asked());
        }

        double asked() {
            return program.at(into);
        }

        Reading reading(ControllerStore.State s) {
            double tremble = TREMBLE_K * (new Random(Math.round(second) * 31).nextDouble() - 0.5);
            boolean blind = is(s, Trouble.THERMOCOUPLE, second);
            return new Reading(
                    second, blind ? OptionalDouble.empty() : OptionalDouble.of(run.kilnC() + tremble), asked());
        }
    }
}
