package kilnryu.app.device;

import kilnryu.core.quantity.Measure;

/** A scale at the bench: sends digits, as shown on its display, and says whether they are steady. */
public interface Scale {

    /**
     * What the display shows.
     *
     * @param digits in the unit the scale is set to
     * @param steady whether they have come to rest
     */
    record Reading(double digits, Measure unit, boolean steady) {}

    Reading read(long studio);
}
