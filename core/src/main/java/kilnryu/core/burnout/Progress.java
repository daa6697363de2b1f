package kilnryu.core.burnout;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.TreeMap;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Watch;

/**
 * A firing that runs: the molds led by what the thermocouple has measured so far, then on by the model with what is left of
 * the program, each hold again as long as the slowest mold asks.
 *
 * @param now minutes since the start
 * @param cores slowest point of each mold now, C
 * @param waters free water left in each now, %
 * @param residues char left in each now, %
 * @param finish minutes from the start until all is done, as foreseen now
 * @param rest what is left of the program, with its holds
 * @param run the whole course, measured and foreseen
 */
public record Progress(
        double now,
        List<Double> cores,
        List<Double> waters,
        List<Double> residues,
        double finish,
        List<Segment> rest,
        KilnRun run,
        Findings findings) {
    private static final double BEHIND_K = 25;
    private static final double LATE_MIN = 10;
    private static final double SILENT_MIN = 10;
    private static final double FALLING_K = 60;

    /** A measured temperature, seconds since the start and C. */
    public record Sample(double second, double celsius) {}

    /**
     * How it stands.
     *
     * @param program frozen at the start
     * @param samples in order, none twice
     * @param at seconds since the start
     * @param into seconds into the program: fewer where it waited or was without power
     * @param limits highest each mold may see, C
     */
    public record State(List<Segment> program, List<Sample> samples, double at, double into, List<Double> limits) {}

    public static Progress of(HeldProgram.Question question, State state) {
        return of(question, state, Watch.NOBODY);
    }

    /** The same, watched. */
    public static Progress of(HeldProgram.Question question, State state, Watch watch) {
        List<Sample> samples = state.samples;
        double start = samples.isEmpty() ? question.startC() : samples.get(0).celsius();
        KilnRun run = new KilnRun(
                        question.load().stream().map(HeldProgram.Fired::charge).toList(),
                        java.util.Optional.empty(),
                        start,
                        question.detail())
                .watched(watch);
        Led led = new Led(samples, start);
        run.go(Math.min(state.at, heard(state)), led::at);
        if (silent(state)) {
            // nothing is known of it: it is taken to cool, as without power
            run.kiln(question.kiln().map(k -> k.atPower(0)));
        }
        run.go(state.at, led::at);
        List<Double> cores = new ArrayList<>();
        List<Double> waters = new ArrayList<>();
        List<Double> residues = new ArrayList<>();
        for (int i = 0; i < question.load().size(); i++) {
            cores.add(run.core(i));
            waters.add(run.water(i) * 100);
            residues.add(run.residue(i));
        }
        run.kiln(question.kiln());
        Left left = left(state.program, state.into, question.startC());
        HeldProgram on = HeldProgram.on(run, left.from, left.segments, question);
        run.watched(Watch.NOBODY);
        return new Progress(
                state.at / 60,
                cores,
                waters,
                residues,
                run.time() / 60,
                on.segments(),
                run,
                check(question, state, left, cores, run.time() / 60));
    }

    private static double heard(State state) {
        return state.samples.isEmpty()
                ? state.at
                : state.samples.get(state.samples.size() - 1).second();
    }

    private static boolean silent(State state) {
        return state.at - heard(state) > SILENT_MIN * 60;
    }

    /** What is left of a program, and the temperature it asks now. */
    private record Left(List<Segment> segments, double from, double planned) {}

    private static Left left(List<Segment> program, double into, double startC) {
        double was = startC;
        double at = 0;
        double whole = 0;
        List<Segment> left = new ArrayList<>();
        double from = startC;
        for (Segment s : program) {
            double reached = at + s.rampMinutes(was) * 60;
            double ends = reached + s.hold() * 60.0;
            whole = ends;
            if (ends > into) {
                if (left.isEmpty()) {
                    boolean ramping = reached > into;
                    from = ramping && reached > at
                            ? was + (s.target() - was) * (into - at) / (reached - at)
                            : s.target();
                    int hold = ramping ? s.hold() : (int) Math.ceil((ends - into) / 60);
                    left.add(s.held(hold, s.holdSum(), s.ruledBy()));
                } else {
                    left.add(s);
                }
            }
            at = ends;
            was = s.target();
        }
        return new Left(left, left.isEmpty() ? was : from, whole / 60);
    }

    private static Findings check(
            HeldProgram.Question question, State state, Left left, List<Double> cores, double finish) {
        List<Finding> found = new ArrayList<>();
        overheated(question, state, found);
        if (state.samples.isEmpty()) {
            return new Findings(found);
        }
        Sample last = state.samples.get(state.samples.size() - 1);
        if (silent(state)) {
            found.add(Finding.stop(
                    "silent",
                    "log",
                    say("Nothing was heard of the kiln for %.0f minutes.", (state.at - last.second) / 60),
                    "No power, a broken thermocouple or a broken line: it is taken to cool since. "
                            + coldest(question, cores),
                    "Look at the kiln itself, now."));
        }
        double behind = left.from - last.celsius;
        if (!silent(state) && !left.segments.isEmpty() && behind > BEHIND_K) {
            boolean falling = behind > FALLING_K && fell(state.samples, last);
            found.add(
                    falling
                            ? Finding.stop(
                                    "falling",
                                    "kiln",
                                    say("The kiln falls: %.0f °C, %.0f are asked.", last.celsius, left.from),
                                    "No power, a broken element, or the door. " + coldest(question, cores),
                                    "Fuse, contactor, door; wet molds are heated again slowly, dry ones at their ramp.")
                            : Finding.warn(
                                    "behind",
                                    "kiln",
                                    say(
                                            "%.0f K behind the program: %.0f °C, %.0f are asked.",
                                            behind, last.celsius, left.from),
                                    "A weak element, an open vent or more wet mass than planned.",
                                    "Look at the elements and the door; the holds are foreseen longer."));
        }
        double late = finish - left.planned;
        if (late > LATE_MIN && !left.segments.isEmpty()) {
            found.add(Finding.warn(
                    "late",
                    "program",
                    say("Foreseen to be ready %.0f minutes later than planned.", late),
                    "What happened so far left the middle of the slowest mold behind.",
                    "Lengthen the holds by the list, and move the pour."));
        }
        return new Findings(found);
    }

    private static String coldest(HeldProgram.Question question, List<Double> cores) {
        int coldest = 0;
        for (int i = 1; i < cores.size(); i++) {
            if (cores.get(i) < cores.get(coldest)) {
                coldest = i;
            }
        }
        return say(
                "The middle of %s is foreseen at %.0f °C.",
                question.load().get(coldest).charge().name(), cores.get(coldest));
    }

    /** Whether it is clearly cooler than it was a quarter of an hour before. */
    private static boolean fell(List<Sample> samples, Sample last) {
        OptionalDouble then = OptionalDouble.empty();
        for (int i = samples.size() - 1; i >= 0 && then.isEmpty(); i--) {
            if (samples.get(i).second <= last.second - 900) {
                then = OptionalDouble.of(samples.get(i).celsius);
            }
        }
        return then.isPresent() && last.celsius < then.getAsDouble() - 8;
    }

    private static void overheated(HeldProgram.Question question, State state, List<Finding> found) {
        double hottest =
                state.samples.stream().mapToDouble(Sample::celsius).max().orElse(0);
        Map<Double, List<String>> over = new TreeMap<>();
        for (int i = 0; i < state.limits.size(); i++) {
            if (hottest > state.limits.get(i)) {
                over.computeIfAbsent(state.limits.get(i), l -> new ArrayList<>())
                        .add(question.load().get(i).charge().name());
            }
        }
        over.forEach((limit, molds) -> found.add(Finding.safetyStop(
                "over-limit",
                "kiln",
                say("The kiln was at %.0f °C; %s may see %.0f.", hottest, String.join(", ", molds), limit),
                "Likely damaged: the face of the mold breaks down and gives off sulphur gas; rough, porous castings.",
                "Power off, hood on, nobody over the lid. Let it cool; look at the face before anything is poured.")));
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }

    /** Straight lines between the samples, the last one on after them. */
    private static final class Led {
        private final List<Sample> samples;
        private final double start;

        Led(List<Sample> samples, double start) {
            this.samples = samples;
            this.start = start;
        }

        double at(double second) {
            if (samples.isEmpty()) {
                return start;
            }
            int low = 0;
            int high = samples.size() - 1;
            if (second >= samples.get(high).second) {
                return samples.get(high).celsius;
            }
            while (high - low > 1) {
                int mid = (low + high) >>> 1;
                if (samples.get(mid).second <= second) {
                    low = mid;
                } else {
                    high = mid;
                }
            }
            Sample a = samples.get(low);
            Sample b = samples.get(high);
            if (second <= a.second) {
                return a.celsius;
            }
            return a.celsius + (b.celsius - a.celsius) * (second - a.second) / (b.second - a.second);
        }
    }
}
