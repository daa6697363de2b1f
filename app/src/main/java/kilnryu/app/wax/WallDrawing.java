package kilnryu.app.wax;

import java.util.List;
import java.util.Locale;
import kilnryu.app.web.Svg;
import kilnryu.core.wax.Slush;

/** Wall against time for one mold and wax: the line it grows by, the target, each layer, walls that were measured. */
final class WallDrawing {
    private static final double WIDE = 560;
    private static final double HIGH = 300;
    private static final double LEFT = 46;
    private static final double RIGHT = 545;
    private static final double TOP = 16;
    private static final double BOTTOM = 262;

    private WallDrawing() {}

    /** Empty where nothing freezes. */
    static String of(Slush slush, double target, WaxCourse course) {
        if (slush.coefficient().isEmpty() || slush.layers().isEmpty()) {
            return "";
        }
        double k = slush.coefficient().get().value();
        double seconds = Math.max(30, 1.15 * (target / k) * (target / k));
        double most = 1.15 * target;
        Svg svg = new Svg(WIDE, HIGH, String.format(Locale.ROOT, "Wall of wax against time, to %.1f mm", target));
        axes(svg, seconds, most);
        StringBuilder path = new StringBuilder();
        for (int i = 0; i <= 80; i++) {
            double s = seconds * i / 80;
            path.append(Svg.point(i == 0 ? "M" : "L", x(s, seconds), y(Math.min(most, k * Math.sqrt(s)), most)))
                    .append(' ');
        }
        svg.path(path.toString(), "fill=\"none\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"3\"");
        List<Slush.Layer> layers = slush.layers();
        for (int i = 0; i < layers.size(); i++) {
            double at = (layers.get(i).to() / k) * (layers.get(i).to() / k);
            double h = y(layers.get(i).to(), most);
            boolean on = i < course.layers().size();
            svg.line(
                    LEFT,
                    h,
                    x(at, seconds),
                    h,
                    "stroke=\"" + Svg.OCHRE + "\" stroke-width=\"1\" stroke-dasharray=\"4 3\"");
            svg.ellipse(
                    x(at, seconds),
                    h,
                    6,
                    6,
                    "fill=\"" + (on ? Svg.OCHRE : Svg.PAPER) + "\" stroke=\"" + Svg.OCHRE + "\" stroke-width=\"2\"");
            svg.text(
                    LEFT + 6,
                    h - 5,
                    String.format(
                            Locale.ROOT, "%.1f mm, layer %d", layers.get(i).to(), i + 1),
                    "font-size=\"13\" fill=\"" + Svg.FAINT_INK + "\"");
        }
        measured(svg, course, k, seconds, most);
        return svg.done();
    }

    /** A wall that was measured stands at the time its layers stood, had they been one. */
    private static void measured(Svg svg, WaxCourse course, double k, double seconds, double most) {
        for (WaxCourse.Wall w : course.walls()) {
            double stood = course.layers().stream()
                    .limit(w.layersOn())
                    .mapToDouble(s -> s)
                    .sum();
            if (stood > 0 && w.mm() > 0) {
                svg.rect(
                        x(Math.min(seconds, stood), seconds) - 5,
                        y(Math.min(most, w.mm()), most) - 5,
                        10,
                        10,
                        "fill=\"" + Svg.INK + "\"");
            }
        }
    }

    private static void axes(Svg svg, double seconds, double most) {
        svg.line(LEFT, BOTTOM, RIGHT, BOTTOM, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\"");
        svg.line(LEFT, TOP, LEFT, BOTTOM, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\"");
        double step = step(seconds);
        for (double s = 0; s <= seconds; s += step) {
            svg.text(
                    x(s, seconds),
                    BOTTOM + 18,
                    seconds > 240
                            ? String.format(Locale.ROOT, "%.0f min", s / 60)
                            : String.format(Locale.ROOT, "%.0f s", s),
                    "font-size=\"13\" text-anchor=\"middle\" fill=\"" + Svg.FAINT_INK + "\"");
        }
        for (double mm = 1; mm <= most; mm += most > 8 ? 2 : 1) {
            svg.line(LEFT - 4, y(mm, most), LEFT, y(mm, most), "stroke=\"" + Svg.FAINT_INK + "\"");
            svg.text(
                    LEFT - 8,
                    y(mm, most) + 4,
                    String.format(Locale.ROOT, "%.0f", mm),
                    "font-size=\"13\" text-anchor=\"end\" fill=\"" + Svg.FAINT_INK + "\"");
        }
        svg.text(4, TOP + 4, "mm", "font-size=\"13\" fill=\"" + Svg.FAINT_INK + "\"");
        svg.text(
                RIGHT,
                HIGH - 4,
                "standing full",
                "font-size=\"13\" text-anchor=\"end\" fill=\"" + Svg.FAINT_INK + "\"");
    }

    private static double x(double seconds, double all) {
        return LEFT + (RIGHT - LEFT) * seconds / all;
    }

    private static double y(double mm, double most) {
        return BOTTOM - (BOTTOM - TOP) * mm / most;
    }

    private static double step(double seconds) {
        for (double s : new double[] {10, 20, 30, 60, 120, 300, 600, 1200, 3600}) {
            if (seconds / s <= 8) {
                return s;
            }
        }
        return 7200;
    }
}
