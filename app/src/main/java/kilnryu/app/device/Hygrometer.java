package kilnryu.app.device;

/** A thermometer and hygrometer in the drying room. */
public interface Hygrometer {

    /** What it shows: C and % relative humidity. */
    record Reading(double celsius, double humidity) {}

    Reading read(long studio);
}
