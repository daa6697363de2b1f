package kilnryu.app.piece;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.web.Svg;

/** An outline as it lies in a picture, with an edge around, so that what is drawn beside it has room; a touch finds its place. */
public record OutlineFrame(PieceOpenings.Outline outline, double scale, double wide, double high) {
    private static final double LONGEST = 460;
    private static final double EDGE = 34;

    /** A place as shares of the outline: from the left, and from below. */
    public record Place(double x, double y) {
        /** As a tap keeps it. */
        public void into(Map<String, String> fields) {
            fields.put("x", String.format(Locale.ROOT, "%.4f", Math.max(0, x)));
            fields.put("y", String.format(Locale.ROOT, "%.4f", Math.max(0, y)));
        }
    }

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

    /** From a touch as a form sends it, in shares of the picture, from above; empty where none was sent. */
    public Optional<Place> touched(Map<String, String> form) {
        Optional<Double> x = share(form.get("x"));
        Optional<Double> y = share(form.get("y"));
        return x.isEmpty() || y.isEmpty() ? Optional.empty() : Optional.of(touched(x.get(), y.get()));
    }

    private static Optional<Double> share(String text) {
        return text != null && text.matches("[01](\\.\\d{1,6})?")
                ? Optional.of(Double.parseDouble(text)).filter(v -> v <= 1)
                : Optional.empty();
    }

    private Place touched(double x, double y) {
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
