package kilnryu.core.burnout;

import kilnryu.core.sum.Figure;

/**
 * One line of a program: go to a temperature at a rate, then hold.
 *
 * @param rate K per hour, infinite for a step that the kiln takes as fast as it can
 * @param target C
 * @param hold minutes, rounded up to five
 * @param holdSum how the hold came about, before rounding
 * @param ruledBy what decided rate or hold, in words
 */
public record Segment(Stage stage, double rate, double target, int hold, Figure holdSum, String ruledBy) {
    /** Minutes of the ramp from a temperature. */
    public double rampMinutes(double fromC) {
        return Double.isInfinite(rate) ? 0 : Math.abs(target - fromC) / rate * 60;
    }
}
