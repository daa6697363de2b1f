package kilnryu.app.device;

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
}
