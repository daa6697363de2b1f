package kilnryu.app.device;

import java.util.Collection;

/** Thermometer and float in a pot of wax. */
public interface WaxPot {

    /**
     * What they show.
     *
     * @param celsius of the wax
     * @param levelMm over the floor of the pot
     */
    record Reading(double celsius, double levelMm) {}

    Reading read(long pot);

    /** Asks for some pots at once, where a page will ask for each of them. */
    default void foresee(Collection<Long> pots) {}
}
