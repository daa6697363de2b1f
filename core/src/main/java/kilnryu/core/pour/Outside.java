package kilnryu.core.pour;

import kilnryu.core.heat.Face;
import kilnryu.core.kiln.Mold;

/**
 * What a mold stands in between kiln and metal.
 *
 * @param face how it exchanges heat with it
 * @param celsius of it
 */
public record Outside(Face face, double celsius) {
    /** Dry sand packed against a wall, W/(m2 K); our own figure, to be calibrated by the log. */
    private static final double SAND = 40;

    /** Still air of a room. */
    public static Outside air(double celsius) {
        return new Outside(Mold.KILN, celsius);
    }

    /** Buried in sand that was heated, and stays as it is while the mold is carried and poured. */
    public static Outside sand(double celsius) {
        return new Outside(new Face(SAND, 0), celsius);
    }
}
