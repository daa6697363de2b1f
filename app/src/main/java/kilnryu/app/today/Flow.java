package kilnryu.app.today;

import java.util.Locale;
import kilnryu.app.web.Svg;

/** Where a mold is on its way from the tree to the pour: a flowing line with its stations, the one it has reached lit. */
final class Flow {
    private static final double WIDTH = 330;
    private static final double HEIGHT = 30;
    private static final double EDGE = 14;
    private static final double MIDDLE = 15;
    private static final double SWING = 5;
    static final int STATIONS = 5;

    private Flow() {}

    /** Where along the line a station stands, 1 for the first, as a share of its width. */
    static double at(int station) {
        return (EDGE + (station - 1) * (WIDTH - 2 * EDGE) / (STATIONS - 1)) / WIDTH;
    }

    /** @param reached the last station that was reached, 1 to {@value #STATIONS}; @param mark of the one it stands at */
    static String of(int reached, String mark, String told) {
        Svg svg = new Svg(WIDTH, HEIGHT, told);
        double step = (WIDTH - 2 * EDGE) / (STATIONS - 1);
        for (int i = 1; i < STATIONS; i++) {
            double from = EDGE + (i - 1) * step;
            double swing = i % 2 == 0 ? SWING : -SWING;
            svg.path(
                    String.format(
                            Locale.ROOT,
                            "M%.1f,%.1f C%.1f,%.1f %.1f,%.1f %.1f,%.1f",
                            from,
                            MIDDLE,
                            from + step / 3,
                            MIDDLE + swing,
                            from + 2 * step / 3,
                            MIDDLE + swing,
                            from + step,
                            MIDDLE),
                    "fill=\"none\" stroke=\"" + (i < reached ? Svg.VERDIGRIS : Svg.RULE) + "\" stroke-width=\""
                            + (i < reached ? "2.4" : "2") + "\"");
        }
        for (int i = 1; i <= STATIONS; i++) {
            station(svg, EDGE + (i - 1) * step, i, reached, mark);
        }
        return svg.done();
    }

    private static void station(Svg svg, double x, int station, int reached, String mark) {
        if (station < reached) {
            svg.ellipse(x, MIDDLE, 4, 4, "fill=\"" + Svg.VERDIGRIS + "\"");
        } else if (station > reached) {
            svg.ellipse(x, MIDDLE, 4, 4, "fill=\"" + Svg.PAPER + "\" stroke=\"#a5967f\" stroke-width=\"1.4\"");
        } else if (mark.equals("stop")) {
            svg.rect(x - 6.5, MIDDLE - 6.5, 13, 13, "fill=\"" + Svg.OXIDE + "\"");
        } else if (mark.equals("warn")) {
            svg.path(
                    String.format(Locale.ROOT, "M%.1f,%.1f l8,14 h-16 z", x, MIDDLE - 8), "fill=\"" + Svg.OCHRE + "\"");
        } else {
            svg.ellipse(x, MIDDLE, 8, 8, "fill=\"#dbe8e2\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"2\"");
            svg.ellipse(x, MIDDLE, 3.5, 3.5, "fill=\"" + Svg.VERDIGRIS + "\"");
        }
    }
}
