package kilnryu.app.wax;

import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.web.Svg;
import kilnryu.core.pattern.Printing.Supports;

/** A print as it stands on its plate: how its main face leans, its layers, where supports touch, and its stairs near by. */
final class PrintDrawing {
    private static final double WIDE = 560;
    private static final double HIGH = 250;
    private static final double PLATE = 222;
    private static final double LONG = 150;
    private static final double THICK = 40;
    private static final double MIDDLE = 170;
    private static final double LAYERS = 11;
    /** The stairs near by: one layer is drawn so high. */
    private static final double STEP = 18;

    private static final double NEAR_X = 360;
    private static final double NEAR_WIDE = 180;

    private PrintDrawing() {}

    /** Empty where it is not known how its face leans. */
    static String of(OptionalDouble lean, Optional<Supports> supports) {
        if (lean.isEmpty()) {
            return "";
        }
        double angle = Math.toRadians(lean.getAsDouble());
        boolean held = supports.isPresent() && supports.get() != Supports.NONE;
        double[][] corners = corners(angle, held ? 26 : 0);
        Svg svg = new Svg(
                WIDE,
                HIGH,
                String.format(
                        Locale.ROOT,
                        "The print on its plate, its main face at %.0f degrees from level, supports: %s",
                        lean.getAsDouble(),
                        supports.map(Supports::label).orElse("not said")));
        svg.rect(20, PLATE, 300, 6, "fill=\"" + Svg.SLATE + "\"");
        svg.text(20, PLATE + 22, "plate", "font-size=\"13\" fill=\"" + Svg.FAINT_INK + "\"");
        if (held) {
            held(svg, corners, supports.get());
        }
        StringBuilder outline = new StringBuilder();
        for (int i = 0; i < 4; i++) {
            outline.append(Svg.point(i == 0 ? "M" : "L", corners[i][0], corners[i][1]))
                    .append(' ');
        }
        svg.path(outline + "Z", "fill=\"#f2dfb9\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.2\"");
        layers(svg, corners);
        boolean under = supports.isPresent() && supports.get() == Supports.FACE;
        double[] a = corners[under ? 0 : 3];
        double[] b = corners[under ? 1 : 2];
        svg.line(a[0], a[1], b[0], b[1], "stroke=\"" + (under ? Svg.OXIDE : Svg.VERDIGRIS) + "\" stroke-width=\"4\"");
        svg.text(
                20,
                18,
                "main face: " + (under ? "red, on its supports" : "green"),
                "font-size=\"13\" fill=\"" + Svg.FAINT_INK + "\"");
        stairs(svg, angle);
        return svg.done();
    }

    /** The lower side from its lowest place up, then the upper side back. */
    private static double[][] corners(double angle, double lift) {
        double x = Math.cos(angle);
        double y = -Math.sin(angle);
        double left = MIDDLE - (LONG * x - THICK * Math.sin(angle)) / 2;
        double[][] c = {
            {0, 0}, {LONG * x, LONG * y}, {LONG * x + THICK * y, LONG * y - THICK * x}, {THICK * y, -THICK * x}
        };
        for (double[] p : c) {
            p[0] += left;
            p[1] += PLATE - lift;
        }
        return c;
    }

    private static void held(Svg svg, double[][] c, Supports where) {
        boolean gates = where == Supports.GATES;
        for (int i = 0; i < (gates ? 2 : 6); i++) {
            double share = gates ? 0.06 + i * 0.08 : (i + 0.5) / 6;
            double x = c[0][0] + (c[1][0] - c[0][0]) * share;
            double y = c[0][1] + (c[1][1] - c[0][1]) * share;
            svg.line(
                    x,
                    y,
                    x,
                    PLATE,
                    "stroke=\"" + (where == Supports.FACE ? Svg.OXIDE : Svg.FAINT_INK) + "\" stroke-width=\""
                            + (gates ? 5 : 2) + "\"");
        }
    }

    /** Level lines through the outline. */
    private static void layers(Svg svg, double[][] c) {
        double top = Math.min(Math.min(c[0][1], c[1][1]), Math.min(c[2][1], c[3][1]));
        double bottom = Math.max(Math.max(c[0][1], c[1][1]), Math.max(c[2][1], c[3][1]));
        for (int i = 1; i < LAYERS; i++) {
            double y = top + (bottom - top) * i / LAYERS;
            double from = Double.MAX_VALUE;
            double to = -Double.MAX_VALUE;
            for (int k = 0; k < 4; k++) {
                double[] p = c[k];
                double[] q = c[(k + 1) % 4];
                if (p[1] < y != q[1] < y) {
                    double x = p[0] + (q[0] - p[0]) * (y - p[1]) / (q[1] - p[1]);
                    from = Math.min(from, x);
                    to = Math.max(to, x);
                }
            }
            if (to > from) {
                svg.line(from, y, to, y, "stroke=\"" + Svg.OCHRE + "\" stroke-width=\"0.8\"");
            }
        }
    }

    private static void stairs(Svg svg, double angle) {
        double run = Math.min(NEAR_WIDE, STEP / Math.max(1e-6, Math.tan(angle)));
        StringBuilder path = new StringBuilder(Svg.point("M", NEAR_X, PLATE - 20)).append(' ');
        double x = NEAR_X;
        double y = PLATE - 20;
        for (int i = 0; i < 9 && x < NEAR_X + NEAR_WIDE && y > 50; i++) {
            y -= STEP;
            path.append(Svg.point("L", x, y)).append(' ');
            x = Math.min(NEAR_X + NEAR_WIDE, x + run);
            path.append(Svg.point("L", x, y)).append(' ');
        }
        svg.path(path.toString(), "fill=\"none\" stroke=\"" + Svg.INK + "\" stroke-width=\"2\"");
        svg.text(NEAR_X, PLATE + 22, "its layers near by", "font-size=\"13\" fill=\"" + Svg.FAINT_INK + "\"");
    }
}
