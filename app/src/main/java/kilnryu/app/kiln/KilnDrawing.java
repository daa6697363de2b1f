package kilnryu.app.kiln;

import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.kiln.Chamber;
import kilnryu.core.quantity.Measure;

/** A kiln from above and from the front with its floors, all kilns of a studio to one scale. */
final class KilnDrawing {
    static final double SCALE = 0.2;
    private static final double EDGE = 8;
    private static final double GAP = 22;
    private static final String WALL = "fill=\"#efe6d6\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.4\"";

    private KilnDrawing() {}

    static String of(Chamber chamber, Units units) {
        double wide = Math.min(260, chamber.width() * SCALE);
        double deep = chamber.round() ? wide : Math.min(260, chamber.depth() * SCALE);
        double high = Math.min(200, chamber.height() * SCALE);
        double tall = Math.max(deep, high);
        double front = EDGE + wide + GAP;
        Svg svg = new Svg(
                front + wide + EDGE,
                tall + 2 * EDGE + 16,
                "From above and from the front: " + length(chamber.width(), units) + " wide, "
                        + length(chamber.height(), units) + " high");
        double floor = EDGE + tall;
        if (chamber.round()) {
            svg.ellipse(EDGE + wide / 2, floor - wide / 2, wide / 2, wide / 2, WALL);
        } else {
            svg.rect(EDGE, floor - deep, wide, deep, WALL);
        }
        svg.rect(front, floor - high, wide, high, WALL);
        for (double shelf : chamber.shelves()) {
            double y = floor - shelf * SCALE;
            if (shelf > 0 && y > floor - high) {
                svg.line(front + 3, y, front + wide - 3, y, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"2\"");
            }
        }
        String words = "font-size=\"11\" text-anchor=\"middle\" fill=\"" + Svg.FAINT_INK + "\"";
        svg.text(EDGE + wide / 2, floor + 14, "above", words);
        svg.text(front + wide / 2, floor + 14, "front", words);
        return svg.done();
    }

    private static String length(double millimetres, Units units) {
        return Show.value(millimetres, Measure.MILLIMETRE, units, false).toString();
    }
}
