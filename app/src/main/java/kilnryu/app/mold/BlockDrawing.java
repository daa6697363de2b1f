package kilnryu.app.mold;

import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import kilnryu.app.tree.TreeDrawing;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.quantity.Measure;
import kilnryu.core.tree.Outline;

/** A block in section, to scale, cup down as it is built: backup with grog, face coat, tree, bands. */
public final class BlockDrawing {
    private static final double WIDTH = 460;
    private static final double HEIGHT = 470;
    private static final double ROOM_ACROSS = 300;
    private static final double ROOM_UP = 340;
    private static final double TOP = 56;
    private static final String WAX = "fill=\"#f3ead9\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.1\"";
    private static final String DIM = "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\"";

    private final BlockPlan plan;
    private final Outline outline;
    private final Units units;
    private final double scale;
    private final Svg svg;

    private BlockDrawing(BlockPlan plan, Outline outline, Units units) {
        this.plan = plan;
        this.outline = outline;
        this.units = units;
        scale = Math.min(ROOM_ACROSS / plan.outerWidth(), ROOM_UP / plan.outerHeight());
        svg = new Svg(
                WIDTH,
                HEIGHT,
                "Section of the block, " + length(plan.outerWidth()) + " wide and " + length(plan.outerHeight())
                        + " high, wall " + length(plan.wall().value()));
    }

    /** @param built the tree where it is built, else its outline stands for it */
    public static String of(BlockPlan plan, Optional<GatingPlan> built, Outline outline, Units units) {
        return new BlockDrawing(plan, outline, units).draw(built);
    }

    private String draw(Optional<GatingPlan> built) {
        double axis = WIDTH / 2;
        double floor = TOP + ROOM_UP;
        double half = plan.outerWidth() / 2 * scale;
        double high = plan.outerHeight() * scale;
        // which field of its page a part is said in, for a finger that touches it
        svg.group("data-opens=\"block.wall_mm\"");
        svg.rect(
                axis - half,
                floor - high,
                2 * half,
                high,
                "fill=\"#e9ddc9\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.2\"");
        grog(axis, floor, half, high);
        svg.endGroup();
        int cavities = plan.partition().map(BlockPlan.Partition::cavities).orElse(1);
        double apart = (outline.width()
                        + plan.partition().map(p -> p.between().value()).orElse(0.0))
                * scale;
        svg.group("data-opens=\"tree_width_mm\"");
        for (int i = 0; i < cavities; i++) {
            tree(built, axis + (i - (cavities - 1) / 2.0) * apart, floor);
        }
        svg.endGroup();
        bands(axis, floor, half, high);
        svg.rect(axis - half - 14, floor, 2 * half + 28, 10, "fill=\"#cfc3b2\" stroke=\"" + Svg.INK + "\"");
        dimensions(axis, floor, half, high);
        return svg.done();
    }

    private void tree(Optional<GatingPlan> built, double axis, double floor) {
        double tall = outline.height() * scale;
        double wide = Math.max(4, outline.width() / 2 * scale);
        svg.ellipse(
                axis,
                floor - tall / 2,
                wide + 5,
                tall / 2 + 5,
                "fill=\"#fffdf8\" stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\" stroke-dasharray=\"4 2\"");
        if (built.isPresent()) {
            TreeDrawing.inMold(built.get(), svg, axis, floor, scale, WAX);
        } else {
            svg.ellipse(axis, floor - tall / 2, wide, tall / 2, WAX);
        }
    }

    private void grog(double axis, double floor, double half, double high) {
        Random grain = new Random(9);
        int grains = (int) Math.min(700, half * high / 60);
        for (int i = 0; i < grains; i++) {
            double x = axis + (grain.nextDouble() - 0.5) * 2 * (half - 3);
            double y = floor - grain.nextDouble() * (high - 4) - 2;
            double size = 0.7 + grain.nextInt(4) * 0.5;
            svg.path(
                    String.format(
                            Locale.ROOT, "M%.1f,%.1f l%.1f,%.1f l%.1f,%.1f z", x, y, size, -size, size, size * 1.3),
                    "fill=\"#b8a78f\"");
        }
    }

    private void bands(double axis, double floor, double half, double high) {
        int bands = plan.support().bands();
        for (int i = 0; i < bands; i++) {
            double y = floor - high * (i + 0.5) / bands;
            svg.rect(axis - half - 4, y - 3, 4, 6, "fill=\"" + Svg.INK + "\"");
            svg.rect(axis + half, y - 3, 4, 6, "fill=\"" + Svg.INK + "\"");
        }
    }

    private void dimensions(double axis, double floor, double half, double high) {
        double above = floor - high - 18;
        svg.line(axis - half, above, axis + half, above, DIM);
        svg.text(axis, above - 7, length(plan.outerWidth()) + " × " + length(plan.outerDepth()), words("middle"));
        double side = axis - half - 26;
        svg.line(side, floor - high, side, floor, DIM);
        svg.text(
                side - 7,
                floor - high / 2,
                length(plan.outerHeight()),
                words("middle")
                        + String.format(
                                Locale.ROOT, " transform=\"rotate(-90 %.1f %.1f)\"", side - 7, floor - high / 2));
        double wall = plan.wall().value() * scale;
        double at = floor - high * 0.6;
        svg.line(axis + half - wall, at, axis + half, at, "stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"1.6\"");
        svg.text(axis + half + 10, at + 4, "wall " + length(plan.wall().value()), words("start"));
        plan.partition()
                .ifPresent(p -> svg.text(
                        axis,
                        floor + 62,
                        p.cavities() + " cavities, " + length(p.between().value()) + " between",
                        words("middle")));
        svg.text(axis, floor + 28, "cup down while it is built", words("middle"));
        svg.text(
                axis,
                floor + 45,
                "fine " + mass(plan.fine().powder().value()) + " · backup "
                        + mass(plan.backup().powder().value()),
                words("middle"));
    }

    private String length(double millimetres) {
        return Show.value(millimetres, Measure.MILLIMETRE, units, false).toString();
    }

    private String mass(double grams) {
        return Show.value(grams, Measure.GRAM, units, false).toString();
    }

    private static String words(String anchor) {
        return "font-size=\"12\" fill=\"" + Svg.FAINT_INK + "\" text-anchor=\"" + anchor + "\"";
    }
}
