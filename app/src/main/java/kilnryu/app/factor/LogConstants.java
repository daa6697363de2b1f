package kilnryu.app.factor;

import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;

/** Constants that no handbook has: only the log of a studio fills them, and without it they change nothing. */
public final class LogConstants {
    private static final String SOURCE = "own log";

    private LogConstants() {}

    /** How long a kiln takes over what its programs ask. */
    public static Constant lag(long kiln) {
        return new Constant(
                "kiln.lag." + kiln, "lag", "firing over its program", 1, 0.5, 2, Measure.TIMES, Mark.M, SOURCE);
    }

    /** Hours of a stage of finishing on 1 kg; other masses by their face, mass^(2/3) [M]. */
    public static Constant hours(String stage) {
        return new Constant(
                "finish.hours." + stage, "hours", "hours on 1 kg", 1, 0.01, 400, Measure.HOUR, Mark.M, SOURCE);
    }
}
