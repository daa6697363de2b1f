package kilnryu.core.quantity;

/** A volume, in cubic metres inside; finite. */
public record Volume(double cubicMetres) implements Comparable<Volume> {
    public Volume {
        Finite.check("volume", cubicMetres);
    }

    public static Volume cubicCentimetres(double value) {
        return new Volume(value / 1e6);
    }

    public double cubicCentimetres() {
        return cubicMetres * 1e6;
    }

    @Override
    public int compareTo(Volume other) {
        return Double.compare(cubicMetres, other.cubicMetres);
    }
}
