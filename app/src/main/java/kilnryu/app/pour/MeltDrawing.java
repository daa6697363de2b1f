package kilnryu.app.pour;

import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.material.Alloy;
import kilnryu.core.melt.MeltPlan;
import kilnryu.core.quantity.Measure;

/** The metal's temperature from cold to tap at rated power: up, along while it melts, up again. */
final class MeltDrawing {
    private static final double WIDE = 520;
    private static final double HIGH = 320;
    private static final double LEFT = 20;
    private static final double TOP = 24;
    private static final double BOTTOM = 272;
    private static final String SMALL = "font-size=\"13\" fill=\"" + Svg.FAINT_INK + "\"";
    private static final String METAL = "#a8480f";

    private MeltDrawing() {}

    static String of(MeltPlan melt, Units units) {
        Alloy.Melting m = melt.question().alloy().melting();
        double start = melt.question().start();
        double tap = melt.tap().value();
        double all = melt.heat().value();
        double kilos = melt.question().grams() / 1000;
        double solid = kilos * m.cpSolid() * (m.solidus() - start) / 1000;
        double molten = kilos * (m.cpSolid() * (m.liquidus() - start) / 1000 + m.latent());
        double minutes = melt.minutes().value();
        double top = tap + 60;
        Svg svg = new Svg(WIDE, HIGH, "The metal's temperature as it melts");
        double per = (WIDE - LEFT - 84) / all;
        svg.line(LEFT, BOTTOM, WIDE - 60, BOTTOM, "stroke=\"" + Svg.INK + "\"");
        line(svg, m.liquidus(), top, "liquidus " + celsius(m.liquidus(), units));
        line(svg, m.solidus(), top, m.solidus() < m.liquidus() ? "solidus " + celsius(m.solidus(), units) : "");
        String path = Svg.point("M", LEFT, y(start, top))
                + Svg.point("L", LEFT + solid * per, y(m.solidus(), top))
                + Svg.point("L", LEFT + molten * per, y(m.liquidus(), top))
                + Svg.point("L", LEFT + all * per, y(tap, top));
        svg.path(path, "fill=\"none\" stroke=\"" + METAL + "\" stroke-width=\"3\"");
        svg.ellipse(LEFT + all * per, y(tap, top), 5, 5, "fill=\"" + METAL + "\"");
        svg.text(
                LEFT + all * per - 8,
                y(tap, top) - 9,
                "tap " + celsius(tap, units),
                "font-size=\"15\" font-weight=\"700\" text-anchor=\"end\" fill=\"" + METAL + "\"");
        mark(svg, LEFT + solid * per, time(solid / all * minutes, units), "softens");
        mark(svg, LEFT + molten * per, time(molten / all * minutes, units), "all liquid");
        svg.line(LEFT + all * per, BOTTOM, LEFT + all * per, BOTTOM + 6, "stroke=\"" + Svg.INK + "\"");
        svg.text(
                LEFT + all * per + 4,
                BOTTOM + 20,
                time(minutes, units),
                "font-size=\"13\" font-weight=\"700\" fill=\"" + Svg.INK + "\"");
        return svg.done();
    }

    private static double y(double celsius, double top) {
        return BOTTOM - (BOTTOM - TOP) * celsius / top;
    }

    private static void line(Svg svg, double celsius, double top, String label) {
        svg.line(LEFT, y(celsius, top), WIDE - 60, y(celsius, top), "stroke=\"" + Svg.RULE + "\"");
        svg.text(LEFT + 6, y(celsius, top) - 5, label, SMALL);
    }

    private static void mark(Svg svg, double x, String time, String words) {
        svg.line(x, BOTTOM, x, BOTTOM + 6, "stroke=\"" + Svg.INK + "\"");
        svg.text(x, BOTTOM + 20, time, SMALL + " text-anchor=\"end\"");
        svg.text(x, BOTTOM + 36, words, SMALL + " text-anchor=\"end\"");
    }

    private static String time(double minutes, Units units) {
        return Show.value(minutes, Measure.MINUTE, units, false).toString();
    }

    private static String celsius(double c, Units units) {
        return Show.value(c, Measure.DEGREE_CELSIUS, units, false).toString();
    }
}
