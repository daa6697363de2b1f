package kilnryu.core.burnout;

import static kilnryu.core.quantity.Measure.MINUTE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.kiln.FiringChecks;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Watch;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * A program tried on its load, each hold as long as the slowest mold asks: the simulation runs on at the end of a ramp
 * until what the hold waits for has come about at the worst point, and the hold is set to that, rounded up. A hold cannot
 * change what came before it, so one run settles all of them. Where the growth across a mold is over its limit, the way
 * through the inversion is made slower and the whole is run again.
 *
 * @param segments with their holds
 * @param run the simulation of exactly these segments
 * @param never indices of holds whose end never came
 * @param unmet holds that were left as they are and end before what they should wait for
 * @param fired what stands in the kiln, mold by mold
 * @param slowed how often the inversion had to be made slower
 */
public record HeldProgram(
        List<Segment> segments, KilnRun run, List<Fired> fired, List<Integer> never, List<Unmet> unmet, int slowed) {
    /** Difference of growth over a mold that is warned of, %. */
    public static final double WARN_MISMATCH = FiringChecks.WARN_MISMATCH;

    private static final double AS_FAST_AS_IT_CAN = 100_000;
    private static final double LOOK_S = 60;
    private static final double STILL_S = 3 * 3600;
    private static final double LONGEST_S = 10 * 24 * 3600;
    private static final double MOVED_K = 0.1;
    /** Of the free water; the last of it leaves a middle slowly. */
    private static final double MOVED_WATER = 1e-5;

    private static final double DRY_C = 105;
    private static final double FLOWS_C = 200;
    private static final double CHARS_C = 370;
    /** A middle comes this near to a hold in any time that counts. */
    private static final double UNDER_K = 10;

    private static final double EVEN_K = 40;
    private static final double WITHIN_K = 15;
    private static final double HAND_C = 75;
    private static final double CLEAN = 0.02;
    private static final int TRIES = 4;
    private static final Formula HOLD = Formula.of("max(least, needed)");

    /**
     * A mold of the load.
     *
     * @param soak minutes its middle has to be over 680 C
     * @param flows whether its pattern has to run out hot
     * @param drained its middle has to be over this until the pattern has run through, C; 0 where nothing runs
     */
    public record Fired(KilnRun.Charge charge, double soak, boolean flows, double drained) {
        /** A pattern melts at the middle once that is so much over its range. */
        private static final double OVER_K = 10;
        /** Water at the middle boils from here on: by then every wax has run. */
        private static final double BOILING_C = 95;

        public static Fired of(Subject subject, Factors factors) {
            double runs = subject.runsC();
            double drained = Double.isNaN(runs) ? 0 : subject.anyHotDrain() ? runs : Math.min(BOILING_C, runs + OVER_K);
            return new Fired(subject.charge(), BurnoutRules.soakOf(subject, factors), subject.anyHotDrain(), drained);
        }

        /** One of whose pattern nothing runs out. */
        public Fired(KilnRun.Charge charge, double soak, boolean flows) {
            this(charge, soak, flows, 0);
        }
    }

    /**
     * What is asked.
     *
     * @param kiln empty for one that follows exactly
     * @param lengthen false to leave every hold as it is and only see what happens
     */
    public record Question(
            List<Fired> load, Optional<Kiln> kiln, double startC, KilnRun.Detail detail, boolean lengthen) {
        public Question {
            load = List.copyOf(load);
        }
    }

    /** A hold that is too short, and the mold it is too short for. */
    record Unmet(int segment, String mold) {}

    public HeldProgram {
        unmet = List.copyOf(unmet);
        segments = List.copyOf(segments);
        never = List.copyOf(never);
    }

    /** @throws IllegalArgumentException for no mold or no segment */
    public static HeldProgram of(List<Segment> rough, Question question) {
        return of(rough, question, Watch.NOBODY);
    }

    /**
     * The same, watched.
     *
     * @throws IllegalArgumentException for no mold or no segment
     */
    public static HeldProgram of(List<Segment> rough, Question question, Watch watch) {
        if (question.load.isEmpty() || rough.isEmpty()) {
            throw new IllegalArgumentException("nothing to fire, or no program");
        }
        List<Segment> trying = rough;
        HeldProgram tried = new Pass(trying, question, watch).run();
        for (int slower = 1; slower < TRIES && question.lengthen && tried.mismatch() > WARN_MISMATCH; slower++) {
            List<Segment> next = slower(rough, slower);
            if (next.equals(trying)) {
                break;
            }
            trying = next;
            HeldProgram again = new Pass(trying, question, watch).run();
            if (again.mismatch() > tried.mismatch() - 0.005 && slower > 1) {
                break;
            }
            tried = new HeldProgram(again.segments, again.run, again.fired, again.never, again.unmet, slower);
        }
        return tried;
    }

    /** Goes on with what is left of a program, from a kiln as it is. */
    static HeldProgram on(KilnRun run, double from, List<Segment> left, Question question) {
        return new Pass(left, question, run).run(from);
    }

    /** Minutes until the pattern has run through in every mold that has one that runs; empty where none has, or never does. */
    public OptionalDouble drained() {
        double latest = Double.NaN;
        for (int i = 0; i < fired.size(); i++) {
            double asked = fired.get(i).drained();
            if (asked == 0) {
                continue;
            }
            OptionalDouble here = run.firing(i).corePasses(asked);
            if (here.isEmpty()) {
                return here;
            }
            latest = Math.max(Double.isNaN(latest) ? 0 : latest, here.getAsDouble());
        }
        return Double.isNaN(latest) ? OptionalDouble.empty() : OptionalDouble.of(latest);
    }

    /** Largest difference of growth over any mold, %. */
    public double mismatch() {
        double most = 0;
        for (int i = 0; i < run.charges().size(); i++) {
            most = Math.max(most, run.mismatch(i));
        }
        return most;
    }

    /** First waiting before and after the inversion, then half its rate each time. */
    private static List<Segment> slower(List<Segment> rough, int times) {
        List<Segment> slower = new ArrayList<>();
        for (Segment s : rough) {
            boolean passes = s.stage() == Stage.INVERSION || s.stage() == Stage.CARBON;
            if (!passes || s.until() != Until.NOTHING) {
                slower.add(s);
            } else {
                double rate = s.rate() / Math.pow(2, times - 1);
                Segment even = s.until(Until.EVEN);
                slower.add(times == 1 || Double.isInfinite(rate) ? even : even.at(rate, "growth across the mold"));
            }
        }
        return slower;
    }

    /** One way through a program. */
    static class Pass {
        private final List<Segment> rough;
        private final Question question;
        final KilnRun run;
        private final List<Segment> done = new ArrayList<>();
        private final List<Integer> never = new ArrayList<>();
        private final List<Unmet> unmet = new ArrayList<>();

        Pass(List<Segment> rough, Question question, Watch watch) {
            this(
                    rough,
                    question,
                    new KilnRun(
                                    question.load.stream().map(Fired::charge).toList(),
                                    question.kiln,
                                    question.startC,
                                    question.detail)
                            .watched(watch));
        }

        Pass(List<Segment> rough, Question question, KilnRun run) {
            this.rough = rough;
            this.question = question;
            this.run = run;
        }

        HeldProgram run() {
            return run(question.startC);
        }

        HeldProgram run(double start) {
            double from = start;
            for (Segment s : rough.subList(done.size(), rough.size())) {
                ramp(from, s);
                done.add(hold(s, run.time()));
                from = s.target();
                if (s.until() == Until.DRY && never.contains(done.size() - 1)) {
                    // no program climbs on with water in the mold
                    break;
                }
            }
            run.end(from);
            return new HeldProgram(done, run, question.load, never, unmet, 0);
        }

        /** Goes on in the hold of a segment that began at a time, after others whose ends were as they are given. */
        HeldProgram runOn(List<KilnRun> ends, double began) {
            for (KilnRun end : ends) {
                Segment s = rough.get(done.size());
                unmet(s, end);
                done.add(s);
            }
            Segment s = rough.get(done.size());
            done.add(hold(s, began));
            return run(s.target());
        }

        /** What is done after each step in a hold. */
        void stepped(int segment, double began) {}

        private void ramp(double from, Segment s) {
            double rate = Math.min(s.rate(), AS_FAST_AS_IT_CAN);
            double begins = run.time();
            double ends = begins + Math.abs(s.target() - from) / rate * 3600;
            if (ends > begins) {
                run.go(ends, t -> from + (s.target() - from) * Math.min(1, (t - begins) / (ends - begins)));
            }
        }

        private Segment hold(Segment s, double begins) {
            double least = s.hold();
            if (s.until() == Until.NOTHING || !question.lengthen) {
                double ends = begins + least * 60;
                stepped(done.size(), begins);
                while (run.time() < ends - 1e-6) {
                    run.step(ends, t -> s.target());
                    stepped(done.size(), begins);
                }
                unmet(s, run);
                return s;
            }
            Waited waited = waits(s, begins);
            double needed = (waited.at - begins) / 60;
            int minutes = Math.max(Segment.rounded(least), Segment.rounded(needed));
            run.go(begins + minutes * 60.0, t -> s.target());
            if (!waited.came) {
                never.add(done.size());
            }
            return s.held(minutes, sum(s, least, needed), ruledBy(s, waited, needed > least));
        }

        private void unmet(Segment s, KilnRun atItsEnd) {
            waiting(s, atItsEnd).ifPresent(f -> unmet.add(new Unmet(done.size(), f.charge.name())));
        }

        private String ruledBy(Segment s, Waited waited, boolean waitedLonger) {
            if (!waited.came) {
                return "never: " + s.until().label();
            }
            return waitedLonger
                    ? s.until().label() + (question.load.size() > 1 ? ": " + waited.by : "")
                    : s.ruledBy() + ", at its minimum";
        }

        private static Figure sum(Segment s, double least, double needed) {
            return Figure.computed("hold", "hold at " + Math.round(s.target()) + " °C", MINUTE)
                    .mark(Mark.M, "simulated, then rounded up to five minutes")
                    .by(
                            HOLD,
                            Segment.rounded(s.holdSum().value()) == s.hold()
                                    ? s.holdSum().as("least")
                                    : Figure.given("least", "least, by the school", least, MINUTE, Known.CHOSEN, 0),
                            Doubt.of("until " + s.until().label(), needed));
        }

        private record Waited(double at, boolean came, String by) {}

        /** Goes on until every mold has what is waited for, or nothing moves any more. */
        private Waited waits(Segment s, double begins) {
            String by = "";
            double[] were = cores();
            double[] wet = waters();
            double looked = begins;
            double burnt = begins;
            while (true) {
                Optional<Fired> waiting = waiting(s, run);
                if (waiting.isEmpty()) {
                    return new Waited(run.time(), true, by);
                }
                by = waiting.get().charge.name();
                burnt = s.until() == Until.BURNT && allHot() ? run.time() : burnt;
                if (run.time() >= looked + STILL_S) {
                    boolean still = still(were, cores(), MOVED_K) && still(wet, waters(), MOVED_WATER);
                    if (still && burnt < looked || run.time() > begins + LONGEST_S) {
                        return new Waited(run.time(), false, by);
                    }
                    were = cores();
                    wet = waters();
                    looked = run.time();
                }
                run.go(run.time() + LOOK_S, t -> s.target());
            }
        }

        private boolean allHot() {
            for (double core : cores()) {
                if (core < 600) {
                    return false;
                }
            }
            return true;
        }

        private double[] cores() {
            double[] cores = new double[question.load.size()];
            for (int i = 0; i < cores.length; i++) {
                cores[i] = run.core(i);
            }
            return cores;
        }

        private double[] waters() {
            double[] waters = new double[question.load.size()];
            for (int i = 0; i < waters.length; i++) {
                waters[i] = run.water(i);
            }
            return waters;
        }

        private static boolean still(double[] were, double[] are, double moved) {
            for (int i = 0; i < are.length; i++) {
                if (Math.abs(are[i] - were[i]) > moved) {
                    return false;
                }
            }
            return true;
        }

        private Optional<Fired> waiting(Segment s, KilnRun run) {
            for (int i = 0; i < question.load.size(); i++) {
                if (waits(s, i, run)) {
                    return Optional.of(question.load.get(i));
                }
            }
            return Optional.empty();
        }

        /** A drying hold that is hot enough is where a plastic runs out, too. */
        private static boolean flowsHere(Fired fired, Segment s) {
            return fired.flows && s.target() > FLOWS_C + UNDER_K;
        }

        private boolean waits(Segment s, int i, KilnRun run) {
            Fired fired = question.load.get(i);
            double core = run.core(i);
            return switch (s.until()) {
                case NOTHING -> false;
                case DRAINED -> fired.drained <= s.target() - UNDER_K && core < fired.drained;
                case DRY -> core < DRY_C || run.water(i) > 0 || flowsHere(fired, s) && core < FLOWS_C;
                case FLOWS -> fired.flows && core < Math.min(FLOWS_C, s.target() - UNDER_K);
                case EVEN -> Math.abs(run.kilnC() - core) > EVEN_K || Math.abs(s.target() - core) > EVEN_K;
                case CHARS -> fired.charge.residue() > 0 && core < Math.min(CHARS_C, s.target() - UNDER_K);
                case BURNT -> run.burnt(i) < fired.soak || run.residue(i) >= CLEAN;
                case WITHIN -> Math.abs(core - s.target()) > WITHIN_K;
                case COLD -> core > HAND_C;
                case THROUGH -> core < s.target() - WITHIN_K;
            };
        }
    }
}
