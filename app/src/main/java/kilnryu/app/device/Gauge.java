package kilnryu.app.device;

/** A vacuum gauge at the bench. */
public interface Gauge {

    /** How far the vessel is under the air outside, kPa: 0 when open, about 97 at a good vacuum. */
    double read(long studio);
}
