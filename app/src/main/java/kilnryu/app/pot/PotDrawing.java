package kilnryu.app.pot;

import java.util.Locale;
import java.util.OptionalDouble;
import kilnryu.app.device.WaxPot;
import kilnryu.app.web.Svg;
import kilnryu.core.wax.Wax;

/** A pot cut open: how high the wax stands, to where it may be filled, how warm it is. */
final class PotDrawing {
    private static final double WIDE = 420;
    private static final double HIGH = 240;
    private static final double LEFT = 78;
    private static final double RIGHT = 250;
    private static final double TOP = 24;
    private static final double FLOOR = 216;
    private static final double FULL = 0.85;
    private static final double COLDEST = 20;
    private static final double HOTTEST = 160;

    private PotDrawing() {}

    static String of(WaxPot.Reading reading, OptionalDouble highMm) {
        double most = highMm.orElse(Math.max(150, reading.levelMm() * 1.2));
        double share = Math.min(1, reading.levelMm() / most);
        double surface = FLOOR - (FLOOR - TOP) * share;
        boolean smokes = reading.celsius() > Wax.SMOKES;
        boolean liquid = reading.celsius() >= Wax.SCULPTURE.melts();
        Svg svg = new Svg(
                WIDE,
                HIGH,
                String.format(
                        Locale.ROOT, "The pot: wax %.0f mm high at %.0f °C", reading.levelMm(), reading.celsius()));
        svg.rect(
                LEFT,
                surface,
                RIGHT - LEFT,
                FLOOR - surface,
                "fill=\"" + (smokes ? "#d98a6f" : liquid ? "#f2cf8a" : "#efe3c8") + "\"");
        svg.path(
                Svg.point("M", LEFT, TOP) + " " + Svg.point("L", LEFT, FLOOR) + " " + Svg.point("L", RIGHT, FLOOR) + " "
                        + Svg.point("L", RIGHT, TOP),
                "fill=\"none\" stroke=\"" + Svg.SLATE + "\" stroke-width=\"5\"");
        if (highMm.isPresent()) {
            double full = FLOOR - (FLOOR - TOP) * FULL;
            svg.line(
                    LEFT,
                    full,
                    RIGHT,
                    full,
                    "stroke=\"" + Svg.OXIDE + "\" stroke-width=\"1.5\" stroke-dasharray=\"5 4\"");
            svg.text(LEFT + 6, full - 5, "full", "font-size=\"13\" fill=\"" + Svg.OXIDE + "\"");
        }
        svg.text(
                LEFT - 10,
                Math.max(TOP + 10, surface + 5),
                String.format(Locale.ROOT, "%.0f mm", reading.levelMm()),
                "font-size=\"14\" text-anchor=\"end\" fill=\"" + Svg.INK + "\"");
        thermometer(svg, reading.celsius(), smokes);
        return svg.done();
    }

    private static void thermometer(Svg svg, double celsius, boolean smokes) {
        double x = 318;
        svg.rect(x, TOP, 10, FLOOR - TOP, "fill=\"none\" stroke=\"" + Svg.FAINT_INK + "\"");
        double y = at(celsius);
        svg.rect(x, y, 10, FLOOR - y, "fill=\"" + (smokes ? Svg.OXIDE : Svg.OCHRE) + "\"");
        svg.text(
                x + 18,
                Math.max(TOP + 6, y + 5),
                String.format(Locale.ROOT, "%.0f °C", celsius),
                "font-size=\"16\" font-weight=\"600\" fill=\"" + (smokes ? Svg.OXIDE : Svg.INK) + "\"");
        svg.line(x - 8, at(Wax.SMOKES), x + 12, at(Wax.SMOKES), "stroke=\"" + Svg.OXIDE + "\" stroke-width=\"2\"");
        svg.text(
                x - 10,
                at(Wax.SMOKES) + 4,
                "smokes",
                "font-size=\"12\" text-anchor=\"end\" fill=\"" + Svg.OXIDE + "\"");
    }

    private static double at(double celsius) {
        double share = Math.max(0, Math.min(1, (celsius - COLDEST) / (HOTTEST - COLDEST)));
        return FLOOR - (FLOOR - TOP) * share;
    }
}
