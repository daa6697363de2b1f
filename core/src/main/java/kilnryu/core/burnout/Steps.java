package kilnryu.core.burnout;

import static kilnryu.core.quantity.Measure.MINUTE;

import java.util.ArrayList;
import java.util.List;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/** Turns ramps into steps for a kiln without ramp control: each step waits as long as its ramp would have taken. */
final class Steps {
    private static final Formula WAIT = Formula.of("step / ramp * 60");

    private Steps() {}

    static List<Segment> of(List<Segment> ramped, double largestStep, double startC) {
        List<Segment> steps = new ArrayList<>();
        double from = startC;
        for (Segment segment : ramped) {
            int count = (int) Math.max(1, Math.ceil(Math.abs(segment.target() - from) / largestStep));
            double step = (segment.target() - from) / count;
            for (int i = 1; i <= count; i++) {
                Figure wait = wait(Math.abs(step), segment.rate());
                int hold = Segment.rounded(wait.value()) + (i == count ? segment.hold() : 0);
                boolean last = i == count;
                steps.add(new Segment(
                        segment.stage(),
                        Double.POSITIVE_INFINITY,
                        from + i * step,
                        hold,
                        last ? segment.until() : Until.NOTHING,
                        last && segment.hold() > 0 ? segment.holdSum() : wait,
                        last && segment.hold() > 0
                                ? segment.ruledBy() + ", after the step"
                                : "step instead of a ramp"));
            }
            from = segment.target();
        }
        return steps;
    }

    private static Figure wait(double step, double rate) {
        return Figure.computed("wait", "wait of the step", MINUTE)
                .by(
                        WAIT,
                        Figure.given("step", "step", step, Measure.STEP_KELVIN, Known.CHOSEN, 0),
                        Figure.given("ramp", "ramp it stands for", rate, Measure.KELVIN_PER_HOUR, Known.CHOSEN, 0));
    }
}
