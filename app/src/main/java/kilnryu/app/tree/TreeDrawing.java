package kilnryu.app.tree;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.sheet.Declared;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Placing;
import kilnryu.core.gating.Placing.Single;
import kilnryu.core.gating.Use;
import kilnryu.core.mesh.Profile;
import kilnryu.core.mesh.Vec;
import kilnryu.core.quantity.Measure;
import org.springframework.web.util.HtmlUtils;

/**
 * A built tree seen from the side, to scale, cup up as at the pour. The first of each member has handles: a round one
 * where it joins, a square one at its far end. Findings stand as numbered marks at their member.
 */
public final class TreeDrawing {
    private static final double WIDTH = 460;
    private static final double HEIGHT = 480;
    private static final double SIDE = 58;
    private static final double TOP = 44;
    private static final double FOOT = 44;
    private static final int MOST_DRAWN = 700;
    private static final double SMALLEST_HANDLE = 7;
    /** A hand that drags makes nothing shorter, mm; it can still be typed. */
    private static final double LEAST_BY_HAND = 1;

    /** Half of what a finger needs, in the drawing's units; a page never draws it smaller than they are. */
    private static final double FINGER = 13;

    private final GatingPlan plan;
    private final List<Finding> pinned;
    private final Map<String, String> lengthFields;
    private final Units units;
    private final Svg svg;
    private final double scale;
    private final double axis;

    private TreeDrawing(GatingPlan plan, List<Finding> pinned, Map<String, String> lengthFields, Units units) {
        this.plan = plan;
        this.pinned = pinned;
        this.lengthFields = lengthFields;
        this.units = units;
        double wide = Math.max(20, plan.placing().width());
        double deep = Math.max(20, plan.placing().depth() + above());
        scale = Math.min((WIDTH - 2 * SIDE) / wide, (HEIGHT - TOP - FOOT) / deep);
        axis = WIDTH / 2;
        svg = Svg.withHandles(
                WIDTH,
                TOP + FOOT + deep * scale,
                String.format(
                        Locale.ROOT,
                        "The tree from the side, cup up: %s wide, %s deep",
                        length(wide),
                        length(plan.placing().depth())));
    }

    /**
     * @param pinned findings in the order of their numbers
     * @param lengthFields the field that holds a member's length, by its key
     */
    public static String of(GatingPlan plan, List<Finding> pinned, Map<String, String> lengthFields, Units units) {
        return new TreeDrawing(plan, pinned, lengthFields, units).draw();
    }

    /** As it is, with its measures and nothing to take hold of; a part that is touched is known by its key. */
    public static String still(GatingPlan plan, Units units) {
        TreeDrawing drawing = new TreeDrawing(plan, List.of(), Map.of(), units);
        drawing.members();
        return drawing.svg.done();
    }

    /** Only its outline, cup down on a base, for drawing inside a mold: origin at the base, mm times scale. */
    public static void inMold(GatingPlan plan, Svg into, double atX, double atBase, double scale, String paint) {
        backToFront(plan).forEach(s -> into.path(outline(s, -scale, scale, atX, atBase), paint));
    }

    /** Only its outline, cup up with its rim at a height. */
    public static void hanging(GatingPlan plan, Svg into, double atX, double atRim, double scale, String paint) {
        into.group(paint);
        backToFront(plan).forEach(s -> into.path(outline(s, scale, scale, atX, atRim), ""));
        into.endGroup();
    }

    /** Outlines of the members in front as one path, cup down. */
    static String path(GatingPlan plan, int most, double atX, double atBase, double scale) {
        List<Single> front = backToFront(plan);
        StringBuilder path = new StringBuilder();
        front.subList(Math.max(0, front.size() - most), front.size())
                .forEach(
                        s -> path.append(outline(s, -scale, scale, atX, atBase)).append(' '));
        return path.toString().stripTrailing();
    }

    /** One member's outline in a box, where it joins, and how far it reaches either way from the middle of the box. */
    public record Boxed(String path, double rootX, double rootY, double reachX, double reachY) {}

    /** One member alone, to scale of itself, cup up, in the middle of a box; mirrored where it hangs at the other side. */
    public static Boxed boxed(Single s, double wide, double high, double edge, boolean mirrored) {
        double across = s.reach(new Vec(1, 0, 0));
        double up = s.reach(Vec.UP);
        double fit = Math.min((wide / 2 - edge) / Math.max(1, across), (high / 2 - edge) / Math.max(1, up));
        double turn = mirrored ? -fit : fit;
        double x0 = wide / 2 - s.middle().x() * turn;
        double y0 = high / 2 + s.middle().z() * fit;
        return new Boxed(
                outline(s, fit, turn, x0, y0).strip(),
                x0 + s.root().x() * turn,
                y0 - s.root().z() * fit,
                across * fit,
                up * fit);
    }

    /** How far anything, such as a vent, rises over the rim, mm. */
    private double above() {
        return Math.max(
                0,
                plan.placing().singles().stream().mapToDouble(Single::top).max().orElse(0));
    }

    private String draw() {
        members();
        for (Member member : plan.assembly().fromRoot()) {
            handles(plan.placing().of(member).get(0));
        }
        pins();
        // what is foreseen is drawn in by the page, in mm from the rim on the axis
        svg.group(String.format(
                        Locale.ROOT,
                        "class=\"foreseen-marks\" data-axis=\"%.2f\" data-rim=\"%.2f\" data-scale=\"%.4f\"",
                        axis,
                        rimY(),
                        scale))
                .endGroup();
        return svg.done();
    }

    private void members() {
        rim();
        double front = -plan.placing().width() / 6;
        for (Single s : backToFront(plan)) {
            boolean far = s.middle().y() > -front;
            svg.path(outline(s, scale, scale, axis, rimY()), paint(s.member(), far));
        }
        dimensions();
    }

    private static List<Single> backToFront(GatingPlan plan) {
        List<Single> singles = new ArrayList<>(plan.placing().singles());
        singles.sort(Comparator.comparingDouble((Single s) -> -s.middle().y()));
        return singles.subList(Math.max(0, singles.size() - MOST_DRAWN), singles.size());
    }

    private double rimY() {
        return TOP + above() * scale;
    }

    private double x(Vec v) {
        return axis + v.x() * scale;
    }

    private double y(Vec v) {
        return rimY() - v.z() * scale;
    }

    private static String paint(Member member, boolean far) {
        String line = far ? "#a5967f" : Svg.INK;
        String fill = switch (member.use()) {
            case PIECE -> far ? "#f3ecdf" : "#f2dfb9";
            case VENT, DRAIN, STUB -> far ? "#f1f2ee" : "#e3ebe4";
            default -> far ? "#f7f2e8" : Svg.PAPER;
        };
        return "fill=\"" + fill + "\" stroke=\"" + line + "\" stroke-width=\"" + (far ? "0.9" : "1.3")
                + "\" stroke-linejoin=\"round\" data-of=\"" + HtmlUtils.htmlEscape(member.key()) + "\"";
    }

    /** The outline of one member; {@code up} is negative when the tree stands on its cup. */
    private static String outline(Single s, double up, double across, double x0, double y0) {
        Form form = s.member().form();
        if (form instanceof Form.Body b) {
            return b.profile()
                    .map(p -> shadow(s, b, p, new double[] {up, across, x0, y0}))
                    .orElseGet(() -> ellipse(s, b, up, across, x0, y0));
        }
        double ax = x0 + s.root().x() * across;
        double ay = y0 - s.root().z() * up;
        double bx = x0 + s.tip().x() * across;
        double by = y0 - s.tip().z() * up;
        double root = form instanceof Form.Round r ? r.root() : seen(s, (Form.Bar) form);
        double tip = form instanceof Form.Round r ? r.tip() : seen(s, (Form.Bar) form);
        double long2 = Math.hypot(bx - ax, by - ay);
        if (long2 < Math.max(root, tip) * across / 2) {
            return circle((ax + bx) / 2, (ay + by) / 2, Math.max(root, tip) * across / 2);
        }
        double nx = -(by - ay) / long2 * across / 2;
        double ny = (bx - ax) / long2 * across / 2;
        return String.format(
                Locale.ROOT,
                "M%.1f,%.1f L%.1f,%.1f L%.1f,%.1f L%.1f,%.1f Z",
                ax + nx * root,
                ay + ny * root,
                bx + nx * tip,
                by + ny * tip,
                bx - nx * tip,
                by - ny * tip,
                ax - nx * root,
                ay - ny * root);
    }

    /** How wide a bar looks from the side. */
    private static double seen(Single s, Form.Bar bar) {
        Vec level = Placing.across(s.way());
        Vec other = level.cross(s.way());
        return Math.hypot(
                bar.width() * Math.hypot(level.x(), level.z()), bar.thickness() * Math.hypot(other.x(), other.z()));
    }

    private static String circle(double x, double y, double r) {
        return String.format(
                Locale.ROOT,
                "M%.1f,%.1f a%.1f,%.1f 0 1 0 %.1f,0 a%.1f,%.1f 0 1 0 %.1f,0 Z",
                x - r,
                y,
                r,
                r,
                2 * r,
                r,
                r,
                -2 * r);
    }

    /**
     * A piece by the shadow of its mesh: as a leaf cut along it and turned as the piece is, the broader of its two toward the
     * eye. The end that is up by its mesh is drawn up.
     */
    private static String shadow(Single s, Form.Body b, Profile profile, double[] frame) {
        Vec level = Placing.across(s.way());
        Vec other = level.cross(s.way());
        boolean wide = Math.abs(other.y()) >= Math.abs(level.y());
        Vec across = wide ? level : other;
        double broad = wide ? Math.max(b.width(), b.thickness()) : Math.min(b.width(), b.thickness());
        boolean turned = profile.up() != 0 && (profile.up() > 0) == (s.way().z() < 0);
        StringBuilder path = new StringBuilder();
        for (List<Profile.Place> rim : wide ? profile.wide() : profile.thin()) {
            boolean first = true;
            for (Profile.Place p : rim) {
                double along = (turned ? 1 - p.along() : p.along()) * b.length();
                Vec at = s.root().plus(s.way().times(along)).plus(across.times(p.across() * broad));
                path.append(String.format(
                        Locale.ROOT,
                        "%s%.1f,%.1f ",
                        first ? "M" : "L",
                        frame[2] + at.x() * frame[1],
                        frame[3] - at.z() * frame[0]));
                first = false;
            }
            path.append("Z ");
        }
        return path.toString().stripTrailing();
    }

    /** The shadow of an ellipsoid is an ellipse: its axes are those of the sum of the half axes' products. */
    private static String ellipse(Single s, Form.Body b, double up, double across, double x0, double y0) {
        Vec level = Placing.across(s.way());
        Vec[] ways = {
            s.way().times(b.length() / 2),
            level.times(b.width() / 2),
            level.cross(s.way()).times(b.thickness() / 2)
        };
        double xx = 0;
        double xy = 0;
        double yy = 0;
        for (Vec w : ways) {
            double wx = w.x() * across;
            double wy = -w.z() * up;
            xx += wx * wx;
            xy += wx * wy;
            yy += wy * wy;
        }
        double middle = (xx + yy) / 2;
        double apart = Math.hypot((xx - yy) / 2, xy);
        double longer = Math.sqrt(middle + apart);
        double shorter = Math.sqrt(Math.max(0.01, middle - apart));
        double turn = Math.atan2(2 * xy, xx - yy) / 2;
        Vec m = s.middle();
        double cx = x0 + m.x() * across;
        double cy = y0 - m.z() * up;
        double dx = longer * Math.cos(turn);
        double dy = longer * Math.sin(turn);
        return String.format(
                Locale.ROOT,
                "M%.1f,%.1f A%.1f,%.1f %.1f 1 0 %.1f,%.1f A%.1f,%.1f %.1f 1 0 %.1f,%.1f Z",
                cx - dx,
                cy - dy,
                longer,
                shorter,
                Math.toDegrees(turn),
                cx + dx,
                cy + dy,
                longer,
                shorter,
                Math.toDegrees(turn),
                cx - dx,
                cy - dy);
    }

    private void rim() {
        svg.line(
                14,
                rimY(),
                WIDTH - 14,
                rimY(),
                "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\" stroke-dasharray=\"6 4\"");
        svg.text(WIDTH - 14, rimY() - 5, "rim, metal to here", words("end"));
    }

    private void dimensions() {
        double deep = plan.placing().depth();
        double bottom = rimY() + deep * scale;
        String dim = "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\"";
        double side = 26;
        svg.line(side, rimY(), side, bottom, dim).line(side - 5, bottom, side + 12, bottom, dim);
        double middle = (rimY() + bottom) / 2;
        svg.text(
                side - 7,
                middle,
                length(deep),
                words("middle") + String.format(Locale.ROOT, " transform=\"rotate(-90 %.1f %.1f)\"", side - 7, middle));
        double half = plan.placing().width() / 2 * scale;
        svg.line(axis - half, bottom + 14, axis + half, bottom + 14, dim)
                .line(axis - half, bottom + 4, axis - half, bottom + 19, dim)
                .line(axis + half, bottom + 4, axis + half, bottom + 19, dim);
        svg.text(axis, bottom + 32, length(plan.placing().width()) + " across", words("middle"));
    }

    /** Where it joins and where it ends, to be taken hold of; the data say along which line and in which field. */
    private void handles(Single s) {
        Optional<Member> parent = plan.assembly().parentOf(s.member());
        if (parent.isPresent()) {
            Single on = plan.placing().of(parent.get()).get(0);
            handle(
                    new Grip(
                            s,
                            "at_mm",
                            s.member().joint().get().at(),
                            on.root(),
                            on.tip(),
                            on.member().form().length()),
                    s.root(),
                    true);
        }
        String field = lengthFields.get(s.member().key());
        if (field != null) {
            handle(
                    new Grip(
                            s,
                            field,
                            s.member().form().length(),
                            s.root(),
                            s.tip(),
                            s.member().form().length()),
                    s.tip(),
                    false);
        }
    }

    private record Grip(Single of, String field, double value, Vec from, Vec to, double length) {}

    private void handle(Grip grip, Vec at, boolean joint) {
        String key = HtmlUtils.htmlEscape(grip.of.member().key());
        String name = HtmlUtils.htmlEscape(grip.of.member().name(), "UTF-8");
        double r = Math.max(
                4.5,
                Math.min(
                        SMALLEST_HANDLE,
                        scale * Placing.thickest(grip.of.member().form()) / 3));
        String paint = String.format(
                Locale.ROOT,
                "class=\"grip\" tabindex=\"0\" role=\"slider\" aria-label=\"%s of %s\" aria-valuemin=\"0\" aria-valuemax=\"%.0f\" aria-valuenow=\"%.1f\" aria-valuetext=\"%s\" "
                        + "data-key=\"%s\" data-field=\"%s\" data-axis=\"%.2f %.2f %.2f %.2f\" data-length=\"%.4f\" data-value=\"%.4f\" data-least=\"%.0f\" data-most=\"%.4f\" "
                        + "fill=\"%s\" stroke=\"%s\" stroke-width=\"1.6\"",
                joint ? "joint" : "length",
                name,
                joint ? grip.length : 2 * grip.length,
                grip.value,
                length(grip.value),
                key,
                HtmlUtils.htmlEscape(grip.field),
                x(grip.from),
                y(grip.from),
                x(grip.to),
                y(grip.to),
                grip.length,
                grip.value,
                joint ? 0.0 : LEAST_BY_HAND,
                joint ? grip.length : most(grip.field),
                joint ? Svg.PAPER : Svg.VERDIGRIS,
                Svg.VERDIGRIS);
        svg.ellipse(
                x(at),
                y(at),
                FINGER,
                FINGER,
                "class=\"halo\" fill=\"none\" pointer-events=\"all\" data-key=\"" + key + "\" data-field=\""
                        + HtmlUtils.htmlEscape(grip.field) + "\"");
        if (joint) {
            svg.ellipse(x(at), y(at), r, r, paint);
        } else {
            svg.rect(x(at) - r + 1, y(at) - r + 1, 2 * r - 2, 2 * r - 2, paint);
        }
    }

    private void pins() {
        Map<String, Integer> taken = new HashMap<>();
        for (int i = 0; i < pinned.size(); i++) {
            Finding finding = pinned.get(i);
            if (!finding.place().startsWith("member.")) {
                continue;
            }
            String key = finding.place().substring("member.".length());
            Optional<Single> at =
                    plan.assembly().named(key).map(m -> plan.placing().of(m).get(0));
            if (at.isPresent()) {
                int already = taken.merge(key, 1, Integer::sum) - 1;
                pin(finding.severity(), i + 1, at.get(), already);
            }
        }
    }

    private void pin(Severity severity, int number, Single at, int already) {
        Vec m = at.middle();
        boolean right = m.x() >= 0;
        double away = at.reach(new Vec(1, 0, 0)) * scale + 12 + 17 * already;
        double px = Math.max(11, Math.min(WIDTH - 11, x(m) + (right ? away : -away)));
        double py = y(m) - (at.member().use() == Use.CUP ? 16 : 0);
        String colour = severity == Severity.STOP ? Svg.OXIDE : severity == Severity.WARN ? Svg.OCHRE : Svg.SLATE;
        String mark = switch (severity) {
            case STOP -> String.format(Locale.ROOT, "M%.1f,%.1f h15 v15 h-15 z", px - 7.5, py - 7.5);
            case WARN -> String.format(Locale.ROOT, "M%.1f,%.1f l10,17 h-20 z", px, py - 10);
            default -> circle(px, py, 7.5);
        };
        svg.path(mark, "fill=\"" + colour + "\" stroke=\"" + Svg.PAPER + "\" stroke-width=\"1\"");
        svg.text(
                px,
                py + (severity == Severity.WARN ? 5 : 4),
                Integer.toString(number),
                "font-size=\"10\" font-weight=\"700\" fill=\"#fff\" text-anchor=\"middle\"");
    }

    /** What the field that a handle writes bears. */
    private static double most(String field) {
        return TreeFields.ALL
                .find("parts[]." + field)
                .map(d -> d instanceof Declared.Quantity q ? q.range().most() : Double.NaN)
                .orElseThrow();
    }

    private String length(double millimetres) {
        return Show.value(millimetres, Measure.MILLIMETRE, units, false).toString();
    }

    private static String words(String anchor) {
        return "font-size=\"12\" fill=\"" + Svg.FAINT_INK + "\" text-anchor=\"" + anchor + "\"";
    }
}
