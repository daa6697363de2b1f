package kilnryu.core.solid;

/**
 * What is outside a body: air that takes heat up, and walls that it shines on.
 *
 * @param coefficient W/(m2 K) to the air, 0 for none
 * @param emissivity 0 to 1, 0 for none
 * @param celsius of air and walls
 */
public record Surroundings(double coefficient, double emissivity, double celsius) {
    private static final double STEFAN_BOLTZMANN = 5.670374419e-8;
    private static final double ZERO = 273.15;

    /** Nothing leaves it. */
    public static final Surroundings INSULATED = new Surroundings(0, 0, 20);

    /** @throws IllegalArgumentException for less than nothing, or an emissivity over 1 */
    public Surroundings {
        if (!(coefficient >= 0 && emissivity >= 0 && emissivity <= 1 && celsius > -ZERO)) {
            throw new IllegalArgumentException("nothing is taken up that is less than nothing");
        }
    }

    /** W/(m2 K) from a face of a temperature. */
    double takes(double face) {
        double hot = face + ZERO;
        double cold = celsius + ZERO;
        return coefficient + emissivity * STEFAN_BOLTZMANN * (hot + cold) * (hot * hot + cold * cold);
    }
}
