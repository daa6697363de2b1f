package kilnryu.app.tree;

import java.util.Locale;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.quantity.Measure;
import kilnryu.core.tree.Outline;
import kilnryu.core.tree.Outline.Shape;

/**
 * A tree that is only a list of parts, cup down: rods and cones by their measures, dashed what is only known by its mass or
 * volume and is drawn as a ball of that.
 */
public final class OutlineDrawing {
    private static final double WIDTH = 520;
    private static final double HEIGHT = 560;
    private static final double TOP = 26;
    private static final double FOOT = 64;
    private static final double SIDE = 66;
    private static final String DIM = "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\"";
    private static final String KNOWN = "fill=\"#f2dfb9\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.3\"";
    private static final String GUESSED = KNOWN + " stroke-dasharray=\"5 4\"";

    private final Outline outline;
    private final Units units;
    private final double scale;
    private final double base;
    private final Svg svg;

    private OutlineDrawing(Outline outline, Units units) {
        this.outline = outline;
        this.units = units;
        scale = Math.min(
                (WIDTH - 2 * SIDE) / Math.max(20, outline.width()),
                (HEIGHT - TOP - FOOT) / Math.max(20, outline.height()));
        base = TOP + Math.max(20, outline.height()) * scale;
        svg = new Svg(
                WIDTH,
                base + FOOT,
                "The tree by its list of parts, cup down: about " + length(outline.width()) + " across, "
                        + length(outline.height()) + " high");
    }

    /** Empty while there is nothing to draw. */
    public static String of(Outline outline, Units units) {
        return outline.shapes().isEmpty() ? "" : new OutlineDrawing(outline, units).draw();
    }

    private String draw() {
        outline.shapes().forEach(this::shape);
        svg.line(SIDE / 2, base, WIDTH - SIDE / 2, base, "stroke=\"" + Svg.INK + "\" stroke-width=\"1.4\"");
        double side = 26;
        double high = base - outline.height() * scale;
        svg.line(side, base, side, high, DIM).line(side - 5, high, side + 10, high, DIM);
        double middle = (base + high) / 2;
        svg.text(
                side - 7,
                middle,
                "about " + length(outline.height()),
                words() + String.format(Locale.ROOT, " transform=\"rotate(-90 %.1f %.1f)\"", side - 7, middle));
        double half = outline.width() / 2 * scale;
        double axis = WIDTH / 2;
        svg.line(axis - half, base + 16, axis + half, base + 16, DIM)
                .line(axis - half, base + 9, axis - half, base + 21, DIM)
                .line(axis + half, base + 9, axis + half, base + 21, DIM);
        svg.text(axis, base + 36, "about " + length(outline.width()) + " across", words());
        svg.text(axis, base + 56, "from the list of parts; dashed is drawn as a ball of its volume", words());
        return svg.done();
    }

    private void shape(Shape s) {
        double x = WIDTH / 2 + s.x() * scale;
        double low = base - s.y() * scale;
        double high = low - s.height() * scale;
        double half = s.width() / 2 * scale;
        switch (s.kind()) {
            case PIECE -> svg.ellipse(x, (low + high) / 2, half, (low - high) / 2, GUESSED);
            case ROD -> svg.rect(x - half, high, 2 * half, low - high, KNOWN);
            case STUB -> svg.line(x - half, low + 3, x + half, low, "stroke=\"" + Svg.INK + "\" stroke-width=\"3\"");
            case CONE -> {
                double top = s.top() / 2 * scale;
                svg.path(
                        Svg.point("M", x - half, low)
                                + Svg.point(" L", x - top, high)
                                + Svg.point(" L", x + top, high)
                                + Svg.point(" L", x + half, low)
                                + " Z",
                        KNOWN);
            }
        }
    }

    private static String words() {
        return "font-size=\"12\" text-anchor=\"middle\" fill=\"" + Svg.FAINT_INK + "\"";
    }

    private String length(double millimetres) {
        return Show.value(millimetres, Measure.MILLIMETRE, units, false).toString();
    }
}
