package kilnryu.core.burnout;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Watch;

/**
 * The way a load has gone through its last program, to be taken up where another one leaves it. While one corner of a program
 * is moved, nothing changes before it: only the rest is simulated anew. What comes out is the same, to the last digit, as
 * {@link HeldProgram#of} gives, because a run that is taken up takes the same steps.
 *
 * <p>Kept are the states at both ends of each hold and about every half hour in it, fewer of a long hold or a large load, which is then fired
 * from cold more often. Safe for several threads, one after the
 * other.
 */
public final class ResumableSimulation implements ProgramSimulation {
    private static final double EVERY_S = 1_800;
    private static final int MOST_IN_A_HOLD = 24;
    /** Of molds, over all states: some megabytes. */
    private static final int MOST_KEPT = 600;

    private static final int FEWEST = 8;

    /**
     * How the last program was fired.
     *
     * @param from minute from which it was simulated anew, 0 for from cold
     * @param kept minutes of the states that are kept of it now, from which the next may be taken up
     */
    record Way(double from, List<Double> kept) {}

    private Way way = new Way(0, List.of());
    private Optional<HeldProgram.Question> asked = Optional.empty();
    private List<Stop> stops = List.of();

    /**
     * How a load stood in a hold.
     *
     * @param before the segments before it, and its own ramp and target, by what rules heat
     * @param began when its hold began, s
     */
    private record Stop(KilnRun run, List<Heat> before, double began) {
        int segment() {
            return before.size() - 1;
        }

        /** Whether another program comes by here. */
        boolean servesAs(List<Segment> program) {
            int last = segment();
            if (last >= program.size() || run.time() > began + program.get(last).hold() * 60.0 + 1e-6) {
                return false;
            }
            if (run.time() > began + before.get(last).hold * 60.0 - 1e-6
                    && before.get(last).hold != program.get(last).hold()) {
                // the step that ended here was cut short; a longer hold would have gone on
                return false;
            }
            for (int i = 0; i <= last; i++) {
                Heat is = before.get(i);
                if (!is.equals(Heat.of(
                        program.get(i), i == last ? is.hold : program.get(i).hold()))) {
                    return false;
                }
            }
            return true;
        }

        boolean atEndOf(Segment s) {
            return Math.abs(run.time() - began - s.hold() * 60.0) < 1e-6;
        }
    }

    /** What of a segment rules the heat. */
    private record Heat(double rate, double target, int hold) {
        static Heat of(Segment s, int hold) {
            return new Heat(s.rate(), s.target(), hold);
        }
    }

    @Override
    public synchronized HeldProgram tried(List<Segment> program, HeldProgram.Question question) {
        if (question.lengthen() || question.load().isEmpty() || program.isEmpty()) {
            return HeldProgram.of(program, question);
        }
        if (asked.filter(question::equals).isEmpty()) {
            asked = Optional.of(question);
            stops = List.of();
        }
        List<Stop> kept =
                new ArrayList<>(stops.stream().filter(s -> s.servesAs(program)).toList());
        Optional<Stop> last = kept.isEmpty() ? Optional.empty() : Optional.of(kept.get(kept.size() - 1));
        List<KilnRun> ends = last.map(l -> ends(kept, program, l.segment())).orElse(List.of());
        if (last.isPresent() && ends.size() < last.get().segment()) {
            kept.clear();
            last = Optional.empty();
        }
        double from = last.map(l -> l.run.time() / 60).orElse(0.0);
        Recording pass = last.map(l -> new Recording(program, question, l.run.copy(), kept))
                .orElseGet(() -> new Recording(program, question, kept));
        HeldProgram held = last.isPresent() ? pass.runOn(ends, last.get().began) : pass.run();
        stops = kept;
        way = new Way(from, kept.stream().map(s -> s.run.time() / 60).toList());
        return held;
    }

    /** How the last program was fired that was not lengthened. */
    synchronized Way way() {
        return way;
    }

    /** The states at the end of each hold before a segment. */
    private static List<KilnRun> ends(List<Stop> stops, List<Segment> program, int segment) {
        List<KilnRun> ends = new ArrayList<>();
        for (Stop s : stops) {
            if (s.segment() == ends.size() && s.segment() < segment && s.atEndOf(program.get(s.segment()))) {
                ends.add(s.run);
            }
        }
        return ends;
    }

    /** Leaves stops on its way. */
    private static final class Recording extends HeldProgram.Pass {
        private final List<Segment> program;
        private final List<Stop> stops;

        Recording(List<Segment> program, HeldProgram.Question question, List<Stop> stops) {
            super(program, question, Watch.NOBODY);
            this.program = program;
            this.stops = stops;
        }

        Recording(List<Segment> program, HeldProgram.Question question, KilnRun run, List<Stop> stops) {
            super(program, question, run);
            this.program = program;
            this.stops = stops;
        }

        @Override
        void stepped(int segment, double began) {
            double ends = began + program.get(segment).hold() * 60.0;
            double time = run.time();
            Stop last = stops.isEmpty() ? null : stops.get(stops.size() - 1);
            if (stops.size() >= Math.max(FEWEST, MOST_KEPT / run.charges().size())) {
                return;
            }
            double every = Math.max(EVERY_S, (ends - began) / MOST_IN_A_HOLD);
            boolean end = time >= ends - 1e-6;
            if (last == null
                    || last.segment() != segment
                    || end && last.run.time() < time - 1e-6
                    || time >= last.run.time() + every) {
                List<Heat> before = new ArrayList<>();
                for (Segment s : program.subList(0, segment + 1)) {
                    before.add(Heat.of(s, s.hold()));
                }
                stops.add(new Stop(run.copy(), before, began));
            }
        }
    }
}
