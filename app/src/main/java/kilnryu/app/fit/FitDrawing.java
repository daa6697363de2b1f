package kilnryu.app.fit;

import java.util.Locale;
import java.util.Optional;
import kilnryu.app.tree.TreeDrawing;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.flask.Fit;
import kilnryu.core.flask.StudioFlask;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.quantity.Measure;

/** One flask in section with the tree in it, cup down on its base, at a scale that all flasks of a page share. */
final class FitDrawing {
    private static final double TOP = 30;
    private static final double FOOT = 26;
    private static final double SIDE = 60;
    private static final double AROUND = 6;
    private static final String WAX = "fill=\"#f3ead9\" stroke=\"" + Svg.INK + "\" stroke-width=\"1\"";
    private static final String DIM = "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\"";

    private final Fit.Verdict verdict;
    private final Fit.Stand stand;
    private final Optional<GatingPlan> built;
    private final Units units;
    private final double scale;
    private final boolean handle;
    private final Svg svg;
    private final double axis;
    private final double floor;

    /** @param scale drawn per mm; @param handle whether the tree can be taken hold of here */
    FitDrawing(
            Fit.Verdict verdict,
            Fit.Stand stand,
            Optional<GatingPlan> built,
            Units units,
            double scale,
            boolean handle) {
        this.verdict = verdict;
        this.stand = stand;
        this.built = built;
        this.units = units;
        this.scale = scale;
        this.handle = handle;
        StudioFlask f = verdict.flask();
        double across = Math.max(f.outside(), stand.wide());
        double up = Math.max(f.height(), stand.high());
        double width = across * scale + 2 * SIDE;
        double height = up * scale + TOP + FOOT;
        axis = width / 2;
        floor = height - FOOT;
        String label = String.format(
                Locale.ROOT,
                "%s in section: %s to the wall, %s to the open end, %s",
                f.name(),
                length(verdict.wall()),
                length(verdict.end()),
                verdict.fits() ? "fits" : "does not fit");
        svg = handle ? Svg.withHandles(width, height, label) : new Svg(width, height, label);
    }

    /** Without dimensions, as a small picture to choose by. */
    String outline() {
        StudioFlask f = verdict.flask();
        Svg small = new Svg(
                (f.outside() + 2 * AROUND / scale) * scale,
                (Math.max(f.height(), stand.high()) + 8 / scale) * scale,
                f.name() + ", " + (verdict.fits() ? "the tree fits" : "the tree does not fit"));
        double middle = (f.outside() * scale + 2 * AROUND) / 2;
        double foot = Math.max(f.height(), stand.high()) * scale + 2;
        double half = f.inner() / 2 * scale;
        double high = f.height() * scale;
        small.rect(
                middle - half,
                foot - high,
                2 * half,
                high,
                "fill=\"#efe6d6\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.2\"");
        small.line(middle - half - 4, foot, middle + half + 4, foot, "stroke=\"" + Svg.INK + "\" stroke-width=\"2\"");
        standing(small, stand, built, middle, foot, scale);
        return small.done();
    }

    /** A block round the tree. */
    static String block(double wide, double high, Fit.Stand stand, Optional<GatingPlan> built, double scale) {
        Svg small = new Svg(wide * scale + 2 * AROUND, high * scale + 8, "A block round the tree");
        double foot = high * scale + 2;
        double middle = wide * scale / 2 + AROUND;
        small.rect(
                AROUND,
                2,
                wide * scale,
                high * scale,
                "fill=\"#e9ddc9\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.2\" stroke-dasharray=\"5 2\"");
        standing(small, stand, built, middle, foot, scale);
        return small.done();
    }

    /** A shell round the tree: its outline, thick. */
    static String shell(Fit.Stand stand, Optional<GatingPlan> built, double scale) {
        double room = 2 * AROUND;
        Svg small =
                new Svg(stand.wide() * scale + 2 * room, stand.high() * scale + 2 * AROUND, "A shell round the tree");
        double middle = stand.wide() * scale / 2 + room;
        double foot = stand.high() * scale + AROUND;
        String coat = "fill=\"#cdbfae\" stroke=\"#cdbfae\" stroke-width=\"7\" stroke-linejoin=\"round\"";
        standing(small, stand, built, middle, foot, scale, coat);
        standing(small, stand, built, middle, foot, scale);
        return small.done();
    }

    private static void standing(
            Svg into, Fit.Stand stand, Optional<GatingPlan> built, double middle, double foot, double scale) {
        standing(into, stand, built, middle, foot, scale, WAX);
    }

    private static void standing(
            Svg into,
            Fit.Stand stand,
            Optional<GatingPlan> built,
            double middle,
            double foot,
            double scale,
            String paint) {
        double base = foot - stand.lift() * scale;
        into.group(String.format(Locale.ROOT, "transform=\"rotate(%.1f %.1f %.1f)\"", stand.tilt(), middle, base));
        if (built.isPresent()) {
            TreeDrawing.inMold(built.get(), into, middle, base, scale, paint);
        } else {
            double tall = stand.height() * scale;
            into.ellipse(middle, base - tall / 2, stand.width() / 2 * scale, tall / 2, paint);
        }
        into.endGroup();
    }

    String draw() {
        StudioFlask f = verdict.flask();
        double half = f.inner() / 2 * scale;
        double high = f.height() * scale;
        double steel = Math.max(3, f.wall() * scale);
        svg.rect(axis - half, floor - high, 2 * half, high, "fill=\"#efe6d6\"");
        String hatch =
                "stroke=\"" + Svg.INK + "\" stroke-width=\"0.8\"" + (f.perforated() ? " stroke-dasharray=\"7 4\"" : "");
        svg.hatch(axis - half - steel, floor - high, steel, high, hatch);
        svg.hatch(axis + half, floor - high, steel, high, hatch);
        svg.rect(
                axis - half - steel - 5,
                floor,
                2 * (half + steel + 5),
                8,
                "fill=\"#cfc3b2\" stroke=\"" + Svg.INK + "\" stroke-width=\"0.8\"");
        tree();
        clearances(half, high);
        if (handle) {
            grip();
        }
        return svg.done();
    }

    private void tree() {
        standing(svg, stand, built, axis, floor, scale);
    }

    private void clearances(double half, double high) {
        String wall = colour(verdict.wall(), verdict.wallAsked().value());
        double widest = axis + stand.wide() / 2 * scale;
        double at = floor - high / 2;
        svg.line(widest, at, axis + half, at, "stroke=\"" + wall + "\" stroke-width=\"1.6\"");
        svg.text(axis + half + 9, at + 4, length(verdict.wall()), words(wall, "start"));
        String end = colour(verdict.end(), verdict.endAsked().value());
        double top = floor - stand.high() * scale;
        svg.line(axis, top, axis, floor - high, "stroke=\"" + end + "\" stroke-width=\"1.6\"");
        svg.text(axis + 5, Math.min(top, floor - high) - 6, length(verdict.end()), words(end, "start"));
        svg.line(axis - half, floor + 14, axis + half, floor + 14, DIM);
        String inside = length(verdict.flask().inner())
                + verdict.flask().other().map(o -> " / " + length(o)).orElse("");
        svg.text(axis, floor + 24, inside, words(Svg.FAINT_INK, "middle"));
    }

    private void grip() {
        double radians = Math.toRadians(stand.tilt());
        double tall = stand.height() * scale;
        double foot = floor - stand.lift() * scale;
        svg.path(
                circle(axis + tall * Math.sin(radians), foot - tall * Math.cos(radians)),
                String.format(
                        Locale.ROOT,
                        "class=\"grip\" tabindex=\"0\" role=\"slider\" aria-label=\"Tilt and height of the tree\" aria-valuenow=\"%.0f\" aria-valuetext=\"%.0f degrees, %.0f mm over the base\" data-scale=\"%.4f\" data-tall=\"%.1f\" fill=\"%s\" stroke=\"%s\" stroke-width=\"2\"",
                        stand.tilt(),
                        stand.tilt(),
                        stand.lift(),
                        scale,
                        stand.height(),
                        Svg.PAPER,
                        Svg.VERDIGRIS));
    }

    private static String circle(double x, double y) {
        return String.format(Locale.ROOT, "M%.1f,%.1f a8,8 0 1,0 16,0 a8,8 0 1,0 -16,0", x - 8, y);
    }

    private static String colour(double is, double asked) {
        return is < asked ? Svg.OXIDE : Svg.VERDIGRIS;
    }

    private String length(double millimetres) {
        return Show.value(millimetres, Measure.MILLIMETRE, units, false).toString();
    }

    private static String words(String colour, String anchor) {
        return "font-size=\"11\" font-weight=\"600\" fill=\"" + colour + "\" text-anchor=\"" + anchor + "\"";
    }
}
