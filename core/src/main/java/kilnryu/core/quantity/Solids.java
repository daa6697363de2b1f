package kilnryu.core.quantity;

/** Round bodies and what stands for a body whose shape nobody measured. */
public final class Solids {
    /** Of the mean over an ellipsoid's half axes; within 1.1 % of its area whatever its shape. */
    private static final double POWER = 1.6075;

    private Solids() {}

    /** Area of a disc, mm2 of a diameter in mm; of any unit its square. */
    public static double disc(double diameter) {
        return Math.PI / 4 * diameter * diameter;
    }

    /** Volume of a cylinder, cm3 of measures in mm. */
    public static double cylinder(double diameter, double height) {
        return disc(diameter) * height / 1000;
    }

    /** Diameter of the ball of a volume: mm of cm3. */
    public static double ball(double cubicCentimetres) {
        return Math.cbrt(6 * cubicCentimetres * 1000 / Math.PI);
    }

    /** Modulus of the ball of a volume, a third of its half diameter: m of m3. */
    public static double ballModulus(double cubicMetres) {
        return Math.cbrt(3 * cubicMetres / (4 * Math.PI)) / 3;
    }

    /** How much longer something is whose area is so many times larger. */
    public static double scale(double area, double of) {
        return Math.sqrt(area / of);
    }

    /** Area of an ellipsoid by its three measures: cm2 of mm. */
    public static double ellipsoid(double width, double depth, double height) {
        double a = width / 20;
        double b = depth / 20;
        double c = height / 20;
        double mean = (Math.pow(a * b, POWER) + Math.pow(a * c, POWER) + Math.pow(b * c, POWER)) / 3;
        return 4 * Math.PI * Math.pow(mean, 1 / POWER);
    }
}
