package kilnryu.core.wax;

/**
 * Wax as it freezes.
 *
 * @param heat as it is solid
 * @param latent J/kg
 * @param melts C
 */
public record Wax(Heated heat, double latent, double melts) {
    /** Sculpture wax [T] (handbook 27). */
    public static final Wax SCULPTURE = new Wax(new Heated(0.25, 900, 2300), 170_000, 70);
    /** Of liquid wax, J/(kg K) [M] (handbook 27). */
    static final double LIQUID_C = 2500;
    /** Over this wax smokes, C: our own limit, well under where its fume burns. */
    public static final double SMOKES = 120;

    public Wax {
        if (!(latent > 0)) {
            throw new IllegalArgumentException("it takes heat to melt");
        }
    }

    /** What it gives off until it is solid when it is poured hotter than it melts, J/kg [M]. */
    double givesOff(double pourC) {
        return latent + 0.5 * LIQUID_C * Math.max(0, pourC - melts);
    }
}
