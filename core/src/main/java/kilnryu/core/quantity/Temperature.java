package kilnryu.core.quantity;

/** A temperature, in kelvin inside; finite, not below absolute zero. */
public record Temperature(double kelvin) implements Comparable<Temperature> {
    public Temperature {
        Finite.check("temperature", kelvin);
    }

    public static Temperature celsius(double value) {
        return new Temperature(Measure.DEGREE_CELSIUS.to(Measure.DEGREE_KELVIN, value));
    }

    public double celsius() {
        return Measure.DEGREE_KELVIN.to(Measure.DEGREE_CELSIUS, kelvin);
    }

    @Override
    public int compareTo(Temperature other) {
        return Double.compare(kelvin, other.kelvin);
    }
}
