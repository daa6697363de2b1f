package kilnryu.core.heat;

/**
 * What a face of a body sees.
 *
 * @param transfer W/(m2 K) by air or by what it is buried in or stands on
 * @param emissivity 0 to 1; 0 where it sees nothing it exchanges heat with by radiation
 * @param contact W/(m2 K) through what lies between the body and its outer skin, such as the gap under a sheet of steel;
 *     infinite where nothing does. Without a skin the radiation is taken at the body's own temperature, which is cooler.
 * @param skin heat that a sheet around the body takes, J/(m2 K), as the steel of a flask; 0 for none. Followed at the side of
 *     a cylinder, as one temperature through its thickness.
 */
public record Face(double transfer, double emissivity, double contact, double skin) {
    /** No heat passes, as in a plane of symmetry. */
    public static final Face INSULATED = new Face(0, 0);

    /** Bare. */
    public Face(double transfer, double emissivity) {
        this(transfer, emissivity, Double.POSITIVE_INFINITY);
    }

    /** Without a skin. */
    public Face(double transfer, double emissivity, double contact) {
        this(transfer, emissivity, contact, 0);
    }

    static final double SIGMA = 5.670374419e-8;

    public Face {
        if (transfer < 0 || emissivity < 0 || emissivity > 1 || !(contact > 0) || !(skin >= 0)) {
            throw new IllegalArgumentException("no face exchanges heat like this");
        }
    }

    /** As much of it as is left free by what stands near. */
    public Face exposed(double share) {
        return new Face(transfer * share, emissivity * share, contact, skin);
    }

    /** Through a gap. */
    public Face behind(double gap) {
        return new Face(transfer, emissivity, gap, skin);
    }

    /** With a sheet around it, J/(m2 K). */
    public Face within(double sheet) {
        return new Face(transfer, emissivity, contact, sheet);
    }

    /** Transfer by both between a face and what is around it, W/(m2 K), exact at these two temperatures. */
    double whole(double surface, double around) {
        double out = bare(surface, around);
        return Double.isInfinite(contact) ? out : out * contact / (out + contact);
    }

    /** The same from its outermost, without what lies between it and the body. */
    double bare(double surface, double around) {
        double a = around + 273.15;
        double s = surface + 273.15;
        return emissivity == 0 ? transfer : transfer + emissivity * SIGMA * (a * a + s * s) * (a + s);
    }
}
