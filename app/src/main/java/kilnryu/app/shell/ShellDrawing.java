package kilnryu.app.shell;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import kilnryu.app.tree.TreeDrawing;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.shell.ShellPlan.Layer;
import kilnryu.core.tree.Outline;

/**
 * A shell in section, to scale, hanging by its cup: the wax, round it the coats that are on in solid tints and those to
 * come dashed; beside it the wall enlarged, every coat with its grain.
 */
public final class ShellDrawing {
    private static final double WIDTH = 470;
    private static final double HEIGHT = 500;
    private static final double AXIS = 155;
    private static final double TOP = 60;
    private static final double ROOM_ACROSS = 250;
    private static final double ROOM_UP = 390;
    private static final double WALL_X = 330;
    private static final double WALL_Y = 80;
    private static final double WALL_HIGH = 360;
    private static final double WALL_WIDE = 46;
    private static final String SMALL = "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\"";
    private static final String WAX = "fill=\"#f3ead9\" stroke=\"" + Svg.INK + "\" stroke-width=\"0.9\"";

    private final ShellPlan plan;
    private final Optional<GatingPlan> built;
    private final Outline outline;
    private final Units units;
    private final int on;
    private final double scale;
    private final Svg svg;

    private ShellDrawing(ShellPlan plan, Optional<GatingPlan> built, Outline outline, Units units, int on) {
        this.plan = plan;
        this.built = built;
        this.outline = outline;
        this.units = units;
        this.on = on;
        double t = plan.thickness().value();
        scale = Math.min(ROOM_ACROSS / (outline.width() + 2 * t), ROOM_UP / (outline.height() + 2 * t));
        svg = new Svg(
                WIDTH,
                HEIGHT,
                "Section of the shell, " + plan.layers().size() + " coats, "
                        + length(t) + " thick"
                        + (on < plan.layers().size() ? ", " + on + " of them on" : ""));
    }

    /** @param on how many coats are laid; the others are drawn as still to come */
    public static String of(ShellPlan plan, Optional<GatingPlan> built, Outline outline, Units units, int on) {
        return of(plan, built, outline, units, on, List.of());
    }

    /** @param marks depths under the rim at which something was found, mm; numbered in their order */
    public static String of(
            ShellPlan plan, Optional<GatingPlan> built, Outline outline, Units units, int on, List<Double> marks) {
        ShellDrawing drawing = new ShellDrawing(plan, built, outline, units, on);
        drawing.draw();
        for (int i = 0; i < marks.size(); i++) {
            drawing.mark(i + 1, marks.get(i));
        }
        return drawing.svg.done();
    }

    private void mark(int number, double depth) {
        double x = AXIS - (outline.width() / 2 + plan.thickness().value()) * scale - 14;
        double y = TOP + Math.min(depth, outline.height()) * scale;
        svg.ellipse(x, y, 9, 9, "fill=\"" + Svg.OXIDE + "\"");
        svg.text(
                x,
                y + 4,
                Integer.toString(number),
                "font-size=\"11\" font-weight=\"700\" fill=\"#fff\" text-anchor=\"middle\"");
        svg.line(x + 9, y, AXIS, y, "stroke=\"" + Svg.OXIDE + "\" stroke-dasharray=\"2 3\"");
    }

    private void draw() {
        // which field of the Mold page a part is said in, for a finger that touches it
        svg.group("data-opens=\"shell.recipe\"");
        shell();
        svg.endGroup();
        svg.group("data-opens=\"tree_width_mm\"");
        wax();
        svg.endGroup();
        rim();
        if (plan.question().window()) {
            window();
        }
        drain();
        svg.group("data-opens=\"shell.coats\"");
        wall();
        svg.endGroup();
        words();
    }

    /** Round the wax, outermost coat first; a stroke twice as wide as the shell is thick lies half outside. */
    private void shell() {
        double after = plan.layers().get(plan.layers().size() - 1).after().value();
        if (on < plan.layers().size()) {
            silhouette(band(after, "#c9bba6"));
            silhouette(band(after - 0.8 / scale, "#f4efe4"));
        }
        List<Layer> laid = new ArrayList<>(plan.layers().subList(0, on));
        for (int i = laid.size() - 1; i >= 0; i--) {
            boolean outermost = i == laid.size() - 1;
            if (outermost || laid.get(i).coat() != laid.get(i + 1).coat()) {
                silhouette(band(laid.get(i).after().value(), tint(laid.get(i).coat())));
            }
        }
    }

    private String band(double thickness, String colour) {
        return String.format(
                Locale.ROOT,
                "fill=\"%s\" stroke=\"%s\" stroke-width=\"%.2f\" stroke-linejoin=\"round\"",
                colour,
                colour,
                2 * thickness * scale);
    }

    private static String tint(Coat coat) {
        return switch (coat) {
            case PLAIN_PRIME -> "#e6e0d4";
            case PRIME -> "#d9cfbd";
            case INTERMEDIATE -> "#cbbda5";
            case BACKUP -> "#b9a98e";
            case HEAVY_BACKUP -> "#a8967a";
            case SEAL -> "#8f7f67";
        };
    }

    private void wax() {
        silhouette(WAX);
    }

    private void silhouette(String paint) {
        if (built.isPresent()) {
            TreeDrawing.hanging(built.get(), svg, AXIS, TOP, scale, paint);
            return;
        }
        double half = outline.width() / 2 * scale;
        double high = outline.height() * scale;
        double cup = Math.min(half, 0.16 * high);
        svg.path(
                String.format(
                        Locale.ROOT,
                        "M%.1f,%.1f L%.1f,%.1f L%.1f,%.1f L%.1f,%.1f Z",
                        AXIS - cup,
                        TOP,
                        AXIS + cup,
                        TOP,
                        AXIS + cup / 2,
                        TOP + high * 0.16,
                        AXIS - cup / 2,
                        TOP + high * 0.16),
                paint);
        svg.ellipse(AXIS, TOP + high * 0.57, half, high * 0.43, paint);
    }

    /** The rim of the cup stays free, the hook hangs from it. */
    private void rim() {
        double t = plan.thickness().value() * scale;
        svg.rect(AXIS - ROOM_ACROSS / 2, TOP - t - 12, ROOM_ACROSS, t + 12, "fill=\"" + Svg.PAPER + "\"");
        String ink = "stroke=\"" + Svg.INK + "\" stroke-width=\"1.2\" fill=\"none\"";
        svg.line(AXIS - 60, TOP, AXIS + 60, TOP, ink);
        svg.path(
                String.format(Locale.ROOT, "M%.1f,%.1f L%.1f,%.1f q0,-12 10,-12 q10,0 10,9", AXIS, TOP, AXIS, TOP - 22),
                ink);
        svg.text(AXIS + 26, TOP - 20, "hook and handle", SMALL);
        svg.text(AXIS - 66, TOP - 6, "rim kept free", SMALL + " text-anchor=\"end\"");
    }

    private void window() {
        double y = TOP + outline.height() * scale * 0.6;
        double x = AXIS + outline.width() * scale / 2 * 0.55;
        svg.rect(
                x - 9,
                y - 9,
                18,
                18,
                "fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-dasharray=\"3 2\"");
        svg.text(x + 14, y + 4, "window", SMALL);
    }

    private void drain() {
        double y = TOP + (outline.height() + plan.thickness().value()) * scale + 6;
        svg.path(
                String.format(Locale.ROOT, "M%.1f,%.1f l5,-8 l-10,0 z", AXIS, y + 8), "fill=\"" + Svg.VERDIGRIS + "\"");
        svg.text(AXIS + 10, y + 8, "lowest as it hangs", SMALL);
    }

    /** The wall from the wax outward, enlarged; grains by the size of their stucco. */
    private void wall() {
        double total = plan.thickness().value();
        double up = WALL_HIGH / total;
        double y = WALL_Y + WALL_HIGH;
        svg.rect(WALL_X, y, WALL_WIDE, 14, WAX);
        svg.text(WALL_X + WALL_WIDE + 8, y + 11, "wax", SMALL);
        double before = 0;
        int wire = plan.recipe().wireAfter();
        for (Layer layer : plan.layers()) {
            double high = (layer.after().value() - before) * up;
            y -= high;
            layer(layer, y, high, up);
            if (layer.number() == wire) {
                svg.line(WALL_X - 6, y, WALL_X + WALL_WIDE + 6, y, "stroke=\"" + Svg.INK + "\" stroke-width=\"2.2\"");
                svg.text(WALL_X - 10, y + 4, "wire", SMALL + " text-anchor=\"end\"");
            }
            before = layer.after().value();
        }
        svg.text(
                WALL_X + WALL_WIDE / 2,
                WALL_Y - 12,
                length(total) + ", × " + Math.round(up / scale),
                "font-size=\"12\" fill=\"" + Svg.INK + "\" text-anchor=\"middle\"");
    }

    private void layer(Layer layer, double y, double high, double up) {
        boolean laid = layer.number() <= on;
        svg.rect(
                WALL_X,
                y,
                WALL_WIDE,
                high,
                "fill=\"" + (laid ? tint(layer.coat()) : Svg.PAPER) + "\" stroke=\"" + Svg.FAINT_INK
                        + "\" stroke-width=\"0.7\"" + (laid ? "" : " stroke-dasharray=\"3 2\""));
        if (laid && layer.coat().takesStucco()) {
            grains(layer, y, high, up);
        }
        if (high >= 9) {
            svg.text(
                    WALL_X + WALL_WIDE + 8,
                    y + high / 2 + 4,
                    layer.number() + " " + layer.coat().label(),
                    SMALL);
        }
    }

    private void grains(Layer layer, double y, double high, double up) {
        double grain = Math.max(0.7, Math.min(high / 3.2, size(layer.coat()) * up * 0.3));
        Random random = new Random(layer.number());
        double apart = 2.3 * grain;
        for (double up1 = y + grain; up1 <= y + high - grain + 0.01; up1 += apart) {
            for (double x = WALL_X + grain; x <= WALL_X + WALL_WIDE - grain; x += apart) {
                double off = (random.nextDouble() - 0.5) * 0.5 * grain;
                svg.ellipse(
                        x + off,
                        up1 + off / 2,
                        grain * (0.75 + 0.25 * random.nextDouble()),
                        grain * (0.6 + 0.35 * random.nextDouble()),
                        "fill=\"#6f6250\" fill-opacity=\"0.55\"");
            }
        }
    }

    /** Middle of its stucco's sizes, mm. */
    private static double size(Coat coat) {
        return switch (coat) {
            case PRIME -> 0.2;
            case INTERMEDIATE -> 0.35;
            case BACKUP -> 0.75;
            case HEAVY_BACKUP -> 1.2;
            default -> 0;
        };
    }

    private void words() {
        svg.text(
                8,
                HEIGHT - 10,
                "shell " + length(plan.thickness().value()) + ", to scale · "
                        + length(outline.width() + 2 * plan.thickness().value()) + " wide, "
                        + length(outline.height() + plan.thickness().value()) + " high"
                        + (on < plan.layers().size() ? ", pale: to come" : ""),
                "font-size=\"12\" fill=\"" + Svg.INK + "\" text-anchor=\"start\"");
    }

    private String length(double millimetres) {
        return Show.value(millimetres, Measure.MILLIMETRE, units, false).toString();
    }
}
