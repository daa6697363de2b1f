package kilnryu.core.kiln;

/**
 * A kiln by what its plate and one trial say (handbook 8).
 *
 * @param watts at full power
 * @param lossPerK what leaves through its wall, W/K
 * @param capacity of its lining, J/K
 */
public record Kiln(double watts, double lossPerK, double capacity) {
    private static final double ROOM = 20;
    private static final double TRIAL_C = 700;

    /**
     * @param kilowatts rated power
     * @param maxC highest temperature
     * @param minutesTo700 of the empty kiln at full power
     * @throws IllegalArgumentException for a kiln that does not come to 700 C, or does so faster than anything could
     */
    public static Kiln of(double kilowatts, double maxC, double minutesTo700) {
        double infinite = 1.15 * maxC;
        if (!(kilowatts > 0) || !(minutesTo700 > 0) || infinite <= TRIAL_C) {
            throw new IllegalArgumentException("the kiln does not reach 700 C");
        }
        double watts = kilowatts * 1000;
        double loss = watts / (infinite - ROOM);
        double capacity = -loss * minutesTo700 * 60 / Math.log(1 - (TRIAL_C - ROOM) / (infinite - ROOM));
        return new Kiln(watts, loss, capacity);
    }

    /** What leaves through a door that stands ajar, times what leaves through the wall; our own figure. */
    static final double AJAR = 3;

    /** With its door ajar. */
    public Kiln ajar() {
        return new Kiln(watts, lossPerK * AJAR, capacity);
    }

    /** With a share of its power: an element broken, or none. */
    public Kiln atPower(double share) {
        return new Kiln(watts * share, lossPerK, capacity);
    }

    /** Highest temperature it reaches empty, C. */
    public double highest() {
        return ROOM + watts / lossPerK;
    }

    static double room() {
        return ROOM;
    }
}
