package kilnryu.app.piece;

import kilnryu.app.web.Svg;

/** An outline as it lies in a picture, with an edge around, so that what is drawn beside it has room; a touch finds its place. */
public record OutlineFrame(PieceOpenings.Outline outline, double scale, double wide, double high) {
    private static final double LONGEST = 460;
    private static final double EDGE = 34;

    /** A place as shares of the outline: from the left, and from below. */
    public record Place(double x, double y) {}

    public static OutlineFrame of(PieceOpenings.Outline outline) {
        double scale = (LONGEST - 2 * EDGE) / Math.max(outline.width(), outline.height());
        return new OutlineFrame(
                outline, scale, outline.width() * scale + 2 * EDGE, outline.height() * scale + 2 * EDGE);
    }

    public double x(double mm) {
        return EDGE + mm * scale;
    }

    public double y(double mm) {
        return high - EDGE - mm * scale;
    }

    public double x(Place place) {
        return x(place.x * outline.width());
    }

    public double y(Place place) {
        return y(place.y * outline.height());
    }

    /** From a touch as shares of the picture, from above. */
    public Place touched(double x, double y) {
        return new Place((x * wide - EDGE) / (wide - 2 * EDGE), ((1 - y) * high - EDGE) / (high - 2 * EDGE));
    }

    /** An empty picture with the outline in it. */
    public Svg svg(String label) {
        Svg svg = new Svg(wide, high, label);
        StringBuilder rims = new StringBuilder();
        for (java.util.List<double[]> rim : outline.rims()) {
            for (int i = 0; i < rim.size(); i++) {
                rims.append(Svg.point(i == 0 ? "M" : "L", x(rim.get(i)[0]), y(rim.get(i)[1])))
                        .append(' ');
            }
            rims.append("Z ");
        }
        svg.path(
                rims.toString(),
                "fill=\"#f2dfb9\" fill-rule=\"evenodd\" stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\"");
        return svg;
    }
}
