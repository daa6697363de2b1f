package kilnryu.core.quantity;

/** An area, in square metres inside; finite. */
public record Area(double squareMetres) implements Comparable<Area> {
    public Area {
        Finite.check("area", squareMetres);
    }

    public static Area squareCentimetres(double value) {
        return new Area(Measure.SQUARE_CENTIMETRE.to(Measure.SQUARE_METER, value));
    }

    public double squareCentimetres() {
        return Measure.SQUARE_METER.to(Measure.SQUARE_CENTIMETRE, squareMetres);
    }

    @Override
    public int compareTo(Area other) {
        return Double.compare(squareMetres, other.squareMetres);
    }
}
