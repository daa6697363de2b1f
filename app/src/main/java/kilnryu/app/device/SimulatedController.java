package kilnryu.app.device;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
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
    /** One that nobody asks any more is let go; it would live through its firing once more. */
    private final Cache<Long, Live> lives =
            Caffeine.newBuilder().expireAfterAccess(Duration.ofMinutes(5)).build();

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
    public Report report(long firing, Instant now) {
        ControllerStore.State s = store.find(firing).orElse(null);
        if (s == null) {
            return Report.NONE;
        }
        double wish = reached(s, now);
        double every = s.speed() > FAST ? FAST_REPORT_S : SLOW_REPORT_S;
        double to = Math.floor(Math.min(wish, s.second() + MOST_AT_ONCE_S) / every) * every;
        if (s.state().equals("stopped") || to <= s.second()) {
            return new Report(List.of(), status(s, s.second(), s.into()), s.second(), Optional.empty());
        }
        Live live = lives.get(firing, f -> new Live(s.job()));
        // where the clock ran further than one report may, it goes on from here
        Optional<Instant> set = wish > s.second() + MOST_AT_ONCE_S ? Optional.of(now) : Optional.empty();
        return live.report(s, to, every, set);
    }

    @Override
    @Transactional
    public boolean taken(long firing, Report report) {
        if (report.fresh().isEmpty() && report.status().second() <= report.since()) {
            return true;
        }
        return store.taken(firing, report);
    }

    private static double reached(ControllerStore.State s, Instant now) {
        return s.anchorSecond() + Duration.between(s.anchor(), now).toMillis() / 1000.0 * s.speed();
    }

    private static boolean is(ControllerStore.State s, Trouble trouble, double second) {
        return s.faults().stream().anyMatch(f -> f.trouble == trouble && f.at(second));
    }

    private static Status status(ControllerStore.State s, double second, double into) {
        String trouble = s.faults().stream()
                .filter(f -> f.at(second))
                .map(f -> f.trouble.label)
                .findFirst()
                .orElse("");
        return new Status(second, into, into >= program(s.job()).seconds() - 1e-6, trouble, s.speed());
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
        lives.invalidate(firing);
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

    /** A kiln on its way, and what it reports that was not taken yet. */
    private static final class Live {
        private final Job job;
        private final FiringProgram program;
        private final List<Reading> fresh = new ArrayList<>();
        private KilnRun run;
        private double second;
        private double into;
        private double taken = Double.NaN;

        Live(Job job) {
            this.job = job;
            program = SimulatedController.program(job);
            cold();
        }

        private void cold() {
            run = new KilnRun(job.load(), Optional.of(job.kiln()), job.startC(), COARSE);
            second = 0;
            into = 0;
        }

        /** Whoever asks at the same moment is told the same. */
        synchronized Report report(ControllerStore.State s, double to, double every, Optional<Instant> set) {
            if (taken != s.second()) {
                takenUpTo(s);
            }
            while (second < to - 1e-6) {
                step(s);
                if (second % every < 1e-6 && !is(s, Trouble.POWER, second)) {
                    fresh.add(reading(s));
                }
            }
            return new Report(List.copyOf(fresh), status(s, second, into), s.second(), set);
        }

        /** Here or on another node; a kiln that knows nothing of it lives through it once more. */
        private void takenUpTo(ControllerStore.State s) {
            if (s.second() < taken) {
                cold();
                fresh.clear();
            }
            while (second < s.second() - 1e-6) {
                step(s);
            }
            fresh.removeIf(r -> r.second() <= s.second());
            taken = s.second();
        }

        private void step(ControllerStore.State s) {
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
            run.go(second, t -> program.at(into));
        }

        private Reading reading(ControllerStore.State s) {
            double tremble = TREMBLE_K * (new Random(Math.round(second) * 31).nextDouble() - 0.5);
            boolean blind = is(s, Trouble.THERMOCOUPLE, second);
            return new Reading(
                    second,
                    blind ? OptionalDouble.empty() : OptionalDouble.of(run.kilnC() + tremble),
                    program.at(into));
        }
    }
}
