package kilnryu.core.burnout;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/**
 * A kiln program and what follows from it.
 *
 * @param startC where the kiln starts
 * @param segments in order; empty when no rule gives a program for this mold
 * @param total minutes from closing the kiln to the pour
 * @param mold C at the pour
 * @param duties when someone has to be there, minutes from closing the kiln
 * @param held the simulation by which its holds were found; empty where none could be made
 */
public record BurnoutProgram(
        double startC,
        List<Segment> segments,
        Figure total,
        Figure mold,
        List<Duty> duties,
        Findings findings,
        Optional<HeldProgram> held) {
    private static final Formula WAIT = Formula.of("rest + wait");

    public BurnoutProgram(
            double startC, List<Segment> segments, Figure total, Figure mold, List<Duty> duties, Findings findings) {
        this(startC, segments, total, mold, duties, findings, Optional.empty());
    }

    public BurnoutProgram {
        segments = List.copyOf(segments);
        duties = List.copyOf(duties);
    }

    /** A corner of the curve: minutes from closing the kiln, and C. */
    public record Point(double minute, double celsius) {}

    /** A segment with the minutes at which its ramp begins, its hold begins and its hold ends. */
    public record Timed(Segment segment, double begins, double reached, double ends) {}

    public List<Timed> timed() {
        List<Timed> timed = new ArrayList<>();
        double minute = 0;
        double from = startC;
        for (Segment segment : segments) {
            double reached = minute + segment.rampMinutes(from);
            double ends = reached + segment.hold();
            timed.add(new Timed(segment, minute, reached, ends));
            minute = ends;
            from = segment.target();
        }
        return timed;
    }

    /** Corners of the program's line. */
    public List<Point> points() {
        List<Point> points = new ArrayList<>(List.of(new Point(0, startC)));
        for (Timed t : timed()) {
            points.add(new Point(t.reached(), t.segment().target()));
            if (t.ends() > t.reached()) {
                points.add(new Point(t.ends(), t.segment().target()));
            }
        }
        return points;
    }

    /** The same with so many minutes more in its last hold, and what comes at its end as much later. */
    BurnoutProgram waiting(int minutes) {
        return longer(minutes, "wait, so that nobody gets up at night", "a wait through the night");
    }

    /**
     * The same for a kiln that takes longer than its programs ask: what it lags is added to the last hold, so that it is closed
     * sooner and the pour keeps its hour.
     *
     * @param times as long as asked, as the studio's own log has it; up to 1 changes nothing
     */
    public BurnoutProgram lagging(double times) {
        return longer(
                (int) Math.round(Math.max(0, times - 1) * minutes()),
                "what this kiln lags, yours",
                "what this kiln lags");
    }

    private BurnoutProgram longer(int minutes, String name, String why) {
        if (minutes == 0 || segments.isEmpty()) {
            return this;
        }
        Segment last = segments.get(segments.size() - 1);
        Figure hold = Figure.computed("hold", last.holdSum().name(), Measure.MINUTE)
                .by(
                        WAIT,
                        last.holdSum().as("rest"),
                        Figure.given("wait", name, minutes, Measure.MINUTE, Known.CHOSEN, 0));
        List<Segment> waiting = new ArrayList<>(segments.subList(0, segments.size() - 1));
        waiting.add(last.held(last.hold() + minutes, hold, last.ruledBy() + ", and " + why));
        double end = minutes();
        return new BurnoutProgram(
                startC,
                waiting,
                ProgramGenerator.total(waiting),
                mold,
                duties.stream()
                        .map(d -> d.minute() < end - 1 ? d : new Duty(d.kind(), d.minute() + minutes, d.caution()))
                        .toList(),
                findings,
                held);
    }

    public double minutes() {
        return timed().stream().mapToDouble(Timed::ends).max().orElse(0);
    }

    /** First minute at which the rising program passes a temperature, empty if it never does. */
    OptionalDouble risesPast(double celsius) {
        List<Point> points = points();
        for (int i = 1; i < points.size(); i++) {
            Point a = points.get(i - 1);
            Point b = points.get(i);
            if (a.celsius < celsius && b.celsius >= celsius) {
                double share = (celsius - a.celsius) / (b.celsius - a.celsius);
                return OptionalDouble.of(a.minute + share * (b.minute - a.minute));
            }
        }
        return OptionalDouble.empty();
    }
}
