package kilnryu.core.burnout;

import java.util.ArrayList;
import java.util.List;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** A program as a studio typed it, with stages and what its holds would wait for read off its temperatures. */
public final class OwnProgram {
    private static final double DRY_TO = 165;
    private static final double DRAIN_TO = 300;
    private static final double CARBON_TO = 575;
    private static final double HAND = 90;

    private OwnProgram() {}

    /**
     * One typed line.
     *
     * @param rate K/h, infinite for as fast as it can
     * @param hold minutes
     */
    public record Line(double rate, double target, double hold) {}

    public static List<Segment> of(List<Line> lines) {
        double top = lines.stream().mapToDouble(Line::target).max().orElse(0);
        List<Segment> segments = new ArrayList<>();
        boolean pastTop = false;
        double from = BurnoutQuestion.START_C;
        for (int i = 0; i < lines.size(); i++) {
            Line line = lines.get(i);
            boolean last = i == lines.size() - 1;
            Stage stage = stage(line, from, top, pastTop);
            Figure hold = Figure.given("hold", "hold as typed", line.hold, Measure.MINUTE, Known.CHOSEN, 0);
            segments.add(new Segment(
                    stage,
                    line.rate,
                    line.target,
                    (int) Math.round(line.hold),
                    until(stage, line, last),
                    hold,
                    "typed"));
            pastTop |= line.target == top;
            from = line.target;
        }
        return segments;
    }

    private static Stage stage(Line line, double from, double top, boolean pastTop) {
        if (line.target == top) {
            return top > CARBON_TO ? Stage.BURN_OUT : top <= DRY_TO ? Stage.DRY_OUT : Stage.CARBON;
        }
        if (pastTop) {
            return line.target <= HAND ? Stage.ASH_OUT : line.target > from ? Stage.REHEAT : Stage.DESCEND;
        }
        if (line.target <= DRY_TO) {
            return Stage.DRY_OUT;
        }
        if (line.target <= DRAIN_TO) {
            return line.hold > 0 ? Stage.DRAIN : Stage.INVERSION;
        }
        return line.target <= CARBON_TO ? Stage.CARBON : Stage.BURN_OUT;
    }

    private static Until until(Stage stage, Line line, boolean last) {
        boolean held = line.hold > 0;
        return switch (stage) {
            case DRY_OUT -> held ? Until.DRY : Until.NOTHING;
            case DRAIN -> Until.FLOWS;
            case CARBON -> held ? Until.CHARS : Until.NOTHING;
            case BURN_OUT -> held ? Until.BURNT : Until.NOTHING;
            case DESCEND, REHEAT -> last || held ? Until.WITHIN : Until.NOTHING;
            case ASH_OUT -> held ? Until.COLD : Until.NOTHING;
            default -> Until.NOTHING;
        };
    }
}
