package kilnryu.core.quantity;

/** A mass, in kilograms inside; finite. */
public record Mass(double kilos) implements Comparable<Mass> {
    public Mass {
        Finite.check("mass", kilos);
    }

    public static Mass grams(double value) {
        return new Mass(Measure.GRAM.to(Measure.KILO, value));
    }

    public double grams() {
        return Measure.KILO.to(Measure.GRAM, kilos);
    }

    @Override
    public int compareTo(Mass other) {
        return Double.compare(kilos, other.kilos);
    }
}
