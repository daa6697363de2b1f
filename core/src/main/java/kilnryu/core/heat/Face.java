package kilnryu.core.heat;

/**
 * What a face of a body sees.
 *
 * @param transfer W/(m2 K) by air or by what it is buried in or stands on
 * @param emissivity 0 to 1; 0 where it sees nothing it exchanges heat with by radiation
 */
public record Face(double transfer, double emissivity) {
    /** No heat passes, as in a plane of symmetry. */
    public static final Face INSULATED = new Face(0, 0);

    static final double SIGMA = 5.670374419e-8;

    public Face {
        if (transfer < 0 || emissivity < 0 || emissivity > 1) {
            throw new IllegalArgumentException("no face exchanges heat like this");
        }
    }

    /** Transfer by both between a face and what is around it, W/(m2 K), exact at these two temperatures. */
    double whole(double surface, double around) {
        if (emissivity == 0) {
            return transfer;
        }
        double a = around + 273.15;
        double s = surface + 273.15;
        return transfer + emissivity * SIGMA * (a * a + s * s) * (a + s);
    }
}
