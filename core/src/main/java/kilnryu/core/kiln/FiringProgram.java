package kilnryu.core.kiln;

import static kilnryu.core.quantity.Measure.DEGREE_CELSIUS;
import static kilnryu.core.quantity.Measure.KELVIN_PER_HOUR;
import static kilnryu.core.quantity.Measure.MINUTE;
import static kilnryu.core.sum.Known.CHOSEN;

import java.util.ArrayList;
import java.util.List;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;

/** Ramps and holds against time. */
public final class FiringProgram {
    private static final Formula RAMP = Formula.of("(high - low) / rate * 60");

    private final List<Segment> segments;
    private final double[] until;
    private final double[] celsius;

    /**
     * One segment.
     *
     * @param rate K/h, over 0; the program goes up or down at it as the target asks
     * @param target C
     * @param hold minutes
     */
    public record Segment(double rate, double target, double hold) {}

    private FiringProgram(List<Segment> segments, double[] until, double[] celsius) {
        this.segments = List.copyOf(segments);
        this.until = until;
        this.celsius = celsius;
    }

    /** @throws IllegalArgumentException for no segment, a ramp of nothing, or a hold of less than nothing */
    public static FiringProgram of(double start, List<Segment> segments) {
        if (segments.isEmpty()) {
            throw new IllegalArgumentException("a program has a segment");
        }
        double[] until = new double[2 * segments.size() + 1];
        double[] celsius = new double[until.length];
        celsius[0] = start;
        int at = 0;
        for (Segment s : segments) {
            if (!(s.rate > 0) || !(s.hold >= 0)) {
                throw new IllegalArgumentException("no such segment");
            }
            until[at + 1] = until[at] + Math.abs(s.target - celsius[at]) / s.rate * 3600;
            celsius[at + 1] = s.target;
            until[at + 2] = until[at + 1] + s.hold * 60;
            celsius[at + 2] = s.target;
            at += 2;
        }
        return new FiringProgram(segments, until, celsius);
    }

    /** Temperature asked, C, at a time in seconds; the last one after the end. */
    public double at(double seconds) {
        for (int i = 1; i < until.length; i++) {
            if (seconds <= until[i]) {
                double width = until[i] - until[i - 1];
                return width == 0
                        ? celsius[i]
                        : celsius[i - 1] + (celsius[i] - celsius[i - 1]) * (seconds - until[i - 1]) / width;
            }
        }
        return celsius[celsius.length - 1];
    }

    /** The next time after this at which the program bends or ends, s. */
    public double corner(double seconds) {
        for (double end : until) {
            if (end > seconds + 1e-6) {
                return end;
            }
        }
        return seconds();
    }

    /** Its length, s. */
    public double seconds() {
        return until[until.length - 1];
    }

    /** Its length, ramp by ramp and hold by hold, in minutes. */
    public Figure length() {
        List<Figure> parts = new ArrayList<>();
        double from = celsius[0];
        for (Segment s : segments) {
            String to = " " + Math.round(s.target) + " °C";
            if (s.target != from) {
                parts.add(Figure.computed("ramp", "ramp to" + to, MINUTE)
                        .by(
                                RAMP,
                                Figure.given("high", "higher", Math.max(from, s.target), DEGREE_CELSIUS, CHOSEN, 0),
                                Figure.given("low", "lower", Math.min(from, s.target), DEGREE_CELSIUS, CHOSEN, 0),
                                Figure.given("rate", "rate", s.rate, KELVIN_PER_HOUR, CHOSEN, 0)));
            }
            if (s.hold > 0) {
                parts.add(Figure.given("hold", "hold at" + to, s.hold, MINUTE, CHOSEN, 0));
            }
            from = s.target;
        }
        return Figure.computed("program", "whole program, ramps and holds", MINUTE)
                .total(parts);
    }

    public double start() {
        return celsius[0];
    }
}
