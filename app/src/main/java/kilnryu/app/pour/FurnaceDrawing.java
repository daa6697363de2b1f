package kilnryu.app.pour;

import java.util.List;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.quantity.Measure;

/** What the furnace has reported so far. */
final class FurnaceDrawing {
    private static final double WIDE = 420;
    private static final double HIGH = 130;
    private static final double LEFT = 8;
    private static final double TOP = 16;
    private static final double BOTTOM = 110;

    private FurnaceDrawing() {}

    static String of(List<double[]> points, double tap, Units units) {
        if (points.size() < 2) {
            return "";
        }
        double last = Math.max(0.1, points.get(points.size() - 1)[0]);
        double top = tap * 1.08;
        Svg svg = new Svg(WIDE, HIGH, "Furnace so far");
        double y = BOTTOM - (BOTTOM - TOP) * tap / top;
        svg.line(LEFT, y, WIDE - 8, y, "stroke=\"" + Svg.FAINT_INK + "\" stroke-dasharray=\"3 3\"");
        svg.text(
                LEFT,
                y - 4,
                "tap " + Show.value(tap, Measure.DEGREE_CELSIUS, units, false),
                "font-size=\"12\" fill=\"" + Svg.FAINT_INK + "\"");
        StringBuilder path = new StringBuilder();
        for (double[] p : points) {
            path.append(Svg.point(
                    path.length() == 0 ? "M" : "L",
                    LEFT + (WIDE - LEFT - 8) * p[0] / last,
                    BOTTOM - (BOTTOM - TOP) * p[1] / top));
        }
        svg.line(LEFT, BOTTOM, WIDE - 8, BOTTOM, "stroke=\"" + Svg.RULE + "\"");
        svg.path(path.toString(), "fill=\"none\" stroke=\"#a8480f\" stroke-width=\"2.5\"");
        svg.text(
                WIDE - 8,
                BOTTOM + 15,
                Show.value(last, Measure.MINUTE, units, false) + " by the clock",
                "font-size=\"12\" text-anchor=\"end\" fill=\"" + Svg.FAINT_INK + "\"");
        return svg.done();
    }
}
