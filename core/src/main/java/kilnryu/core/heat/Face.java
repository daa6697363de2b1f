package kilnryu.core.heat;

/**
 * What a face of a body sees.
 *
 * @param transfer W/(m2 K) by air or by what it is buried in or stands on
 * @param emissivity 0 to 1; 0 where it sees nothing it exchanges heat with by radiation
 * @param contact W/(m2 K) through what lies between the body and its outer skin, such as the gap under a sheet of steel;
 *     infinite where nothing does. The radiation is taken at the body's own temperature, which is cooler than the skin.
 */
public record Face(double transfer, double emissivity, double contact) {
    /** No heat passes, as in a plane of symmetry. */
    public static final Face INSULATED = new Face(0, 0);

    /** Bare. */
    public Face(double transfer, double emissivity) {
        this(transfer, emissivity, Double.POSITIVE_INFINITY);
    }

    static final double SIGMA = 5.670374419e-8;

    public Face {
        if (transfer < 0 || emissivity < 0 || emissivity > 1 || !(contact > 0)) {
            throw new IllegalArgumentException("no face exchanges heat like this");
        }
    }

    /** As much of it as is left free by what stands near. */
    public Face exposed(double share) {
        return new Face(transfer * share, emissivity * share, contact);
    }

    /** Through a gap. */
    public Face behind(double gap) {
        return new Face(transfer, emissivity, gap);
    }

    /** Transfer by both between a face and what is around it, W/(m2 K), exact at these two temperatures. */
    double whole(double surface, double around) {
        double a = around + 273.15;
        double s = surface + 273.15;
        double out = emissivity == 0 ? transfer : transfer + emissivity * SIGMA * (a * a + s * s) * (a + s);
        return Double.isInfinite(contact) ? out : out * contact / (out + contact);
    }
}
