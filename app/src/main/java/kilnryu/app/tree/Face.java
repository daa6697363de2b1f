package kilnryu.app.tree;

import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.web.Svg;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.tree.Outline;
import kilnryu.core.tree.Outline.Shape;

/**
 * The outline of a tree by which it is known in lists: one path in a square of {@value #SIDE} units, cup down as it is
 * invested, kept with each save.
 */
public final class Face {
    private static final double SIDE = 48;
    private static final double EDGE = 2;
    private static final int MOST_SHAPES = 60;
    private static final double APART = 0.6;
    private static final Pattern TOKEN = Pattern.compile("([ML])(-?[\\d.]+),(-?[\\d.]+)|\\S+");

    private Face() {}

    /** Empty for a tree that has no outline yet. */
    public static String of(Optional<GatingPlan> built, Optional<Outline> outline) {
        return coarse(built.map(Face::built)
                .orElseGet(() -> outline.map(Face::guessed).orElse("")));
    }

    /** Without points that cannot be told apart at the size of a list: a page draws hundreds of these. */
    static String coarse(String path) {
        StringBuilder left = new StringBuilder(path.length());
        double x = 0;
        double y = 0;
        for (Matcher token = TOKEN.matcher(path); token.find(); ) {
            if (token.group(1) == null) {
                left.append(token.group()).append(' ');
                x = Double.MAX_VALUE;
                continue;
            }
            double nextX = Double.parseDouble(token.group(2));
            double nextY = Double.parseDouble(token.group(3));
            if (token.group(1).equals("M") || Math.hypot(nextX - x, nextY - y) >= APART) {
                left.append(token.group()).append(' ');
                x = nextX;
                y = nextY;
            }
        }
        return left.toString().stripTrailing();
    }

    private static String built(GatingPlan plan) {
        double wide = Math.max(1, plan.placing().width());
        double high = Math.max(1, plan.placing().depth());
        double scale = scale(wide, high);
        return TreeDrawing.path(plan, MOST_SHAPES, SIDE / 2, (SIDE + high * scale) / 2, scale);
    }

    private static double scale(double wide, double high) {
        return (SIDE - 2 * EDGE) / Math.max(wide, high);
    }

    private static String guessed(Outline outline) {
        if (outline.shapes().isEmpty()) {
            return "";
        }
        double scale = scale(Math.max(1, outline.width()), Math.max(1, outline.height()));
        double base = (SIDE + outline.height() * scale) / 2;
        StringBuilder path = new StringBuilder();
        outline.shapes().stream().limit(MOST_SHAPES).forEach(s -> path.append(shape(s, scale, base)));
        return path.toString().stripTrailing();
    }

    private static String shape(Shape s, double scale, double base) {
        double x = SIDE / 2 + s.x() * scale;
        double low = base - s.y() * scale;
        double high = base - (s.y() + s.height()) * scale;
        double half = s.width() / 2 * scale;
        return switch (s.kind()) {
            case PIECE ->
                String.format(
                        Locale.ROOT,
                        "M%.1f,%.1f a%.1f,%.1f 0 1 0 %.1f,0 a%.1f,%.1f 0 1 0 %.1f,0 Z ",
                        x - half,
                        (low + high) / 2,
                        half,
                        (low - high) / 2,
                        2 * half,
                        half,
                        (low - high) / 2,
                        -2 * half);
            case STUB -> String.format(Locale.ROOT, "M%.1f,%.1f L%.1f,%.1f ", x - half, low, x + half, low);
            default -> {
                double top = s.kind() == Outline.Kind.CONE ? s.top() / 2 * scale : half;
                yield String.format(
                        Locale.ROOT,
                        "M%.1f,%.1f L%.1f,%.1f L%.1f,%.1f L%.1f,%.1f Z ",
                        x - half,
                        low,
                        x - top,
                        high,
                        x + top,
                        high,
                        x + half,
                        low);
            }
        };
    }

    /** As it stands in a list; a hollow square where there is none yet. */
    public static String drawn(String path) {
        String label = path == null || path.isEmpty() ? "no outline yet" : "outline of the tree";
        Svg svg = new Svg(SIDE, SIDE, label);
        if (path == null || path.isEmpty()) {
            svg.rect(12, 12, 24, 24, "fill=\"none\" stroke=\"#b8a78f\" stroke-dasharray=\"3 3\"");
        } else {
            svg.path(
                    path, "fill=\"#f3ead9\" stroke=\"" + Svg.INK + "\" stroke-width=\"0.9\" stroke-linejoin=\"round\"");
        }
        return svg.done();
    }
}
