package kilnryu.app.simulation;

import kilnryu.core.kiln.Watch;

/**
 * What is asked of a simulation, as a value: equal questions have the same answer. It holds all that its answer depends on,
 * and answers without a database, a page or a clock.
 */
public interface Question<A> {
    /** @param watch is told how far it is, and may end it */
    A answer(Watch watch);

    /** What its answer weighs among those that are kept: about the molds in it. */
    default int weight() {
        return 1;
    }

    /** How far it is, in words. @param hours of what is simulated that are behind it */
    default String far(double hours) {
        return Math.round(hours) + " h of it simulated so far";
    }

    /** What is reckoned, as in "a firing of 3 molds". */
    String words();
}
