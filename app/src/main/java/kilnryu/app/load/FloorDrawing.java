package kilnryu.app.load;

import java.util.List;
import java.util.Locale;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.kiln.Chamber;
import kilnryu.core.kiln.Packing;

/** One floor of a kiln from above, to scale: its wall, the room kept to it, and the molds with what lies between them. */
final class FloorDrawing {
    private static final double SIZE = 400;
    private static final double MARGIN = 34;

    private final Packing packing;
    private final List<Stand> stands;
    private final int floor;
    private final Units units;
    private final double scale;
    private final Svg svg;

    private FloorDrawing(Packing packing, List<Stand> stands, int floor, String label, Units units) {
        this.units = units;
        this.packing = packing;
        this.stands = stands;
        this.floor = floor;
        Chamber c = packing.chamber();
        scale = (SIZE - 2 * MARGIN) / Math.max(c.width(), c.depth());
        svg = Svg.withHandles(SIZE, SIZE, label);
    }

    static String of(Packing packing, List<Stand> stands, int floor, String label, Units units) {
        return new FloorDrawing(packing, stands, floor, label, units).draw();
    }

    private double x(double mm) {
        return SIZE / 2 + mm * scale;
    }

    private double y(double mm) {
        return SIZE / 2 - mm * scale;
    }

    private String draw() {
        chamber();
        svg.group(String.format(
                Locale.ROOT,
                "class=\"floor\" data-floor=\"%d\" data-scale=\"%.5f\" data-middle=\"%.1f\"",
                floor,
                scale,
                SIZE / 2));
        List<Packing.Placed> placed = packing.placed();
        for (int i = 0; i < placed.size(); i++) {
            if (placed.get(i).floor() == floor) {
                mold(i, placed.get(i));
            }
        }
        svg.endGroup();
        for (int i = 0; i < placed.size(); i++) {
            for (int j = 0; j < i; j++) {
                if (placed.get(i).floor() == floor && placed.get(j).floor() == floor) {
                    gap(placed.get(i), placed.get(j), Math.min(packing.nearest(i), packing.nearest(j)));
                }
            }
        }
        return svg.done();
    }

    private void chamber() {
        Chamber c = packing.chamber();
        double w = c.width() * scale;
        double d = c.depth() * scale;
        double keep = Chamber.TO_WALL * scale;
        String brick = "fill=\"#efe6d6\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.6\"";
        String inside = "fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.2\"";
        String kept = "fill=\"none\" stroke=\"" + Svg.OCHRE + "\" stroke-width=\"0.8\" stroke-dasharray=\"4 4\"";
        if (c.round()) {
            svg.ellipse(x(0), y(0), w / 2 + 14, w / 2 + 14, brick);
            svg.ellipse(x(0), y(0), w / 2, w / 2, inside);
            svg.ellipse(x(0), y(0), w / 2 - keep, w / 2 - keep, kept);
        } else {
            svg.rect(x(-c.width() / 2) - 14, y(c.depth() / 2) - 14, w + 28, d + 28, brick);
            svg.rect(x(-c.width() / 2), y(c.depth() / 2), w, d, inside);
            svg.rect(x(-c.width() / 2) + keep, y(c.depth() / 2) + keep, w - 2 * keep, d - 2 * keep, kept);
        }
        svg.text(
                SIZE / 2,
                SIZE - 4,
                Spoken.in(
                        c.round()
                                ? String.format(Locale.ROOT, "Ø %.0f mm", c.width())
                                : String.format(Locale.ROOT, "%.0f × %.0f mm, door in front", c.width(), c.depth()),
                        units),
                "font-size=\"11\" text-anchor=\"middle\" fill=\"" + Svg.FAINT_INK + "\"");
    }

    private void mold(int index, Packing.Placed p) {
        Stand stand = stands.stream()
                .filter(s -> s.key().equals(p.item().key()))
                .findFirst()
                .orElse(null);
        int number = stand == null ? 0 : stands.indexOf(stand) + 1;
        svg.group(String.format(
                Locale.ROOT,
                "class=\"mold\" tabindex=\"0\" role=\"button\" aria-label=\"%s, %.0f mm from the wall; arrows move it\" data-key=\"%s\" data-x=\"%.1f\" data-y=\"%.1f\"",
                org.springframework.web.util.HtmlUtils.htmlEscape(p.item().name(), "UTF-8"),
                packing.toWall(index),
                p.item().key(),
                p.x(),
                p.y()));
        if (stand != null && stand.drains()) {
            double w = p.wide() * scale + 10;
            double d = p.deep() * scale + 10;
            svg.rect(
                    x(p.x()) - w / 2,
                    y(p.y()) - d / 2,
                    w,
                    d,
                    "rx=\"5\" fill=\"none\" stroke=\"" + Svg.SLATE + "\" stroke-width=\"1\" stroke-dasharray=\"2 3\"");
        }
        body(p, stand);
        if (stand != null) {
            svg.text(
                    x(p.x()),
                    y(p.y()) + 19,
                    "cup ↓",
                    "font-size=\"9\" text-anchor=\"middle\" fill=\"" + Svg.FAINT_INK + "\"");
        }
        svg.text(
                x(p.x()),
                y(p.y()) + 6,
                String.valueOf(number),
                "font-size=\"17\" font-weight=\"700\" text-anchor=\"middle\" fill=\"" + Svg.INK + "\"");
        svg.endGroup();
    }

    /** Seen from above, with the stroke that says where its front is. */
    private void body(Packing.Placed p, Stand stand) {
        String paint = "fill=\"#e7dcc8\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.4\"";
        if (p.item().round()) {
            double r = p.item().width() / 2 * scale;
            svg.ellipse(x(p.x()), y(p.y()), r, r, paint);
            if (stand != null && stand.shell().isEmpty()) {
                svg.ellipse(
                        x(p.x()),
                        y(p.y()),
                        Math.max(2, r - 4 * scale),
                        Math.max(2, r - 4 * scale),
                        "fill=\"none\" stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.7\"");
            }
            svg.line(
                    x(p.x()),
                    y(p.y()) - r,
                    x(p.x()),
                    y(p.y()) - r + 8,
                    "stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"3\"");
        } else {
            svg.rect(x(p.x() - p.wide() / 2), y(p.y() + p.deep() / 2), p.wide() * scale, p.deep() * scale, paint);
            svg.line(
                    x(p.x()),
                    y(p.y() + p.deep() / 2),
                    x(p.x()),
                    y(p.y() + p.deep() / 2) + 8,
                    "stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"3\"");
        }
    }

    private void gap(Packing.Placed a, Packing.Placed b, double nearest) {
        if (!a.item().round() || !b.item().round()) {
            return;
        }
        double dx = b.x() - a.x();
        double dy = b.y() - a.y();
        double far = Math.hypot(dx, dy);
        double gap = far - (a.item().width() + b.item().width()) / 2;
        if (gap <= 0 || gap > nearest + 1 || gap > 90) {
            return;
        }
        double ux = dx / far;
        double uy = dy / far;
        double ax = a.x() + ux * a.item().width() / 2;
        double ay = a.y() + uy * a.item().width() / 2;
        svg.line(x(ax), y(ay), x(ax + ux * gap), y(ay + uy * gap), "stroke=\"" + Svg.OCHRE + "\" stroke-width=\"1.4\"");
        svg.text(
                x(ax + ux * gap / 2) + 3,
                y(ay + uy * gap / 2) - 3,
                Spoken.in(Math.round(gap) + " mm", units),
                "font-size=\"11\" fill=\"" + Svg.OCHRE + "\"");
    }
}
