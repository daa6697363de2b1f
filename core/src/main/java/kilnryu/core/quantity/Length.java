package kilnryu.core.quantity;

/** A length, in metres inside; finite. */
public record Length(double metres) implements Comparable<Length> {
    public Length {
        Finite.check("length", metres);
    }

    public static Length millimetres(double value) {
        return new Length(Measure.MILLIMETRE.to(Measure.METER, value));
    }

    public double millimetres() {
        return Measure.METER.to(Measure.MILLIMETRE, metres);
    }

    @Override
    public int compareTo(Length other) {
        return Double.compare(metres, other.metres);
    }
}
