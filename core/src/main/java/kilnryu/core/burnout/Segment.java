package kilnryu.core.burnout;

import kilnryu.core.sum.Figure;

/**
 * One line of a program: go to a temperature at a rate, then hold.
 *
 * @param rate K per hour, infinite for a step that the kiln takes as fast as it can
 * @param target C
 * @param hold minutes, rounded up to five
 * @param until what the hold waits for
 * @param holdSum how the hold came about, before rounding
 * @param ruledBy what decided rate or hold, in words
 */
public record Segment(Stage stage, double rate, double target, int hold, Until until, Figure holdSum, String ruledBy) {
    /** Holds are set in steps of so many minutes. */
    public static final int STEP = 5;

    public Segment(Stage stage, double rate, double target, int hold, Figure holdSum, String ruledBy) {
        this(stage, rate, target, hold, Until.NOTHING, holdSum, ruledBy);
    }

    /** Minutes rounded up to what a controller is set to. */
    public static int rounded(double minutes) {
        return (int) Math.ceil(minutes / STEP - 1e-9) * STEP;
    }

    /** The same, waiting for something. */
    Segment until(Until what) {
        return new Segment(stage, rate, target, hold, what, holdSum, ruledBy);
    }

    /** The same with another hold. */
    Segment held(int minutes, Figure sum, String by) {
        return new Segment(stage, rate, target, minutes, until, sum, by);
    }

    /** The same at another rate. */
    Segment at(double kelvinPerHour, String by) {
        return new Segment(stage, kelvinPerHour, target, hold, until, holdSum, by);
    }

    /** Minutes of the ramp from a temperature. */
    public double rampMinutes(double fromC) {
        return Double.isInfinite(rate) ? 0 : Math.abs(target - fromC) / rate * 60;
    }
}
