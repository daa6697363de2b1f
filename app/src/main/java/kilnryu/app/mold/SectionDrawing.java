package kilnryu.app.mold;

import java.util.Locale;
import java.util.Optional;
import java.util.Random;
import kilnryu.app.tree.TreeDrawing;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.Clearances;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.quantity.Measure;
import kilnryu.core.tree.Outline;
import kilnryu.core.tree.Outline.Shape;

/** The section of a flask with its tree, to scale: investment by dots, wax by outline, steel by hatch. */
public final class SectionDrawing {
    private static final double WIDTH = 380;
    private static final double HEIGHT = 460;
    private static final double LEFT = 74;
    private static final double TOP = 46;
    private static final double ROOM_ACROSS = 196;
    private static final double ROOM_UP = 352;
    private static final double STEEL = 8;
    private static final String DIM = "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\"";
    private static final String WAX =
            "fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.3\" stroke-linejoin=\"round\"";

    private final FlaskPlan plan;
    private final Outline outline;
    private final Clearances clearances;
    private final Units units;
    private final double diameter;
    private final double height;
    private final double collar;
    private final double scale;
    private final Svg svg;

    private SectionDrawing(FlaskPlan plan, Outline outline, Clearances clearances, Units units) {
        this.plan = plan;
        this.outline = outline;
        this.clearances = clearances;
        this.units = units;
        diameter = plan.flask().innerDiameter().millimetres();
        height = plan.flask().height().millimetres();
        collar = plan.flask().collar().map(l -> l.millimetres()).orElse(0.0);
        double across = Math.max(diameter, outline.width());
        double up = Math.max(height + collar, outline.height());
        scale = Math.min(ROOM_ACROSS / across, ROOM_UP / up);
        svg = Svg.withHandles(
                WIDTH,
                HEIGHT,
                String.format(
                        Locale.ROOT,
                        "Section of the flask, %s inside and %s high, with the tree in it: %s to the wall, %s to the open end",
                        length(diameter),
                        length(height),
                        length(clearances.wall().value()),
                        length(clearances.end().value())));
    }

    /**
     * How the tree stands.
     *
     * @param tilt degrees from upright
     * @param lift of its foot over the base, mm
     * @param tall its own height, mm
     */
    public record Lean(double tilt, double lift, double tall) {}

    /** @param built empty for a tree that is only a list of parts */
    public static String of(
            FlaskPlan plan,
            Optional<GatingPlan> built,
            Outline outline,
            Clearances clearances,
            Lean lean,
            Units units) {
        SectionDrawing drawing = new SectionDrawing(plan, outline, clearances, units);
        double foot = drawing.section(built, lean);
        drawing.grip(lean, foot);
        return drawing.svg.done();
    }

    /** The same with nothing to take hold of, to be printed. */
    public static String still(
            FlaskPlan plan,
            Optional<GatingPlan> built,
            Outline outline,
            Clearances clearances,
            Lean lean,
            Units units) {
        SectionDrawing drawing = new SectionDrawing(plan, outline, clearances, units);
        drawing.section(built, lean);
        return drawing.svg.done();
    }

    /** @return where the tree's foot is drawn */
    private double section(Optional<GatingPlan> built, Lean lean) {
        // which field of its page a part is said in, for a finger that touches it
        svg.group("data-opens=\"system\"");
        investment();
        svg.endGroup();
        svg.group("data-opens=\"inner_diameter_mm\"");
        walls();
        svg.endGroup();
        double foot = floor() - lean.lift * scale;
        svg.group(String.format(
                Locale.ROOT,
                "data-opens=\"tree_width_mm\" transform=\"rotate(%.1f %.1f %.1f)\"",
                lean.tilt,
                axis(),
                foot));
        outline.shapes().forEach(this::shape);
        built.ifPresent(b -> TreeDrawing.inMold(b, svg, axis(), foot, scale, WAX));
        svg.endGroup();
        dimensions();
        pins();
        return foot;
    }

    /** The ring on its top, to lean and lift it by. */
    private void grip(Lean lean, double foot) {
        double radians = Math.toRadians(lean.tilt);
        double x = axis() + lean.tall * scale * Math.sin(radians);
        double y = foot - lean.tall * scale * Math.cos(radians);
        svg.ellipse(x, y, 15, 15, "class=\"halo\" fill=\"none\" pointer-events=\"all\"");
        svg.ellipse(
                x,
                y,
                8,
                8,
                String.format(
                        Locale.ROOT,
                        "class=\"grip\" tabindex=\"0\" role=\"slider\" aria-label=\"Lean and height of the tree\" aria-valuenow=\"%.0f\" aria-valuetext=\"%.0f degrees, %.0f mm over the base\" data-scale=\"%.4f\" data-tall=\"%.1f\" fill=\"%s\" stroke=\"%s\" stroke-width=\"2\"",
                        lean.tilt,
                        lean.tilt,
                        lean.lift,
                        scale,
                        lean.tall,
                        Svg.PAPER,
                        Svg.VERDIGRIS));
    }

    private double axis() {
        return LEFT + ROOM_ACROSS / 2;
    }

    private double floor() {
        return TOP + ROOM_UP;
    }

    private double x(double millimetres) {
        return axis() + millimetres * scale;
    }

    private double y(double millimetres) {
        return floor() - millimetres * scale;
    }

    private void investment() {
        double full = height + collar;
        svg.rect(x(-diameter / 2), y(full), diameter * scale, full * scale, "fill=\"#efe6d6\"");
        Random grain = new Random(4);
        int dots = (int) Math.min(520, diameter * full * scale * scale / 90);
        for (int i = 0; i < dots; i++) {
            double size = 0.7 + grain.nextInt(3) * 0.2;
            double across = (grain.nextDouble() - 0.5) * (diameter * scale - 4);
            double up = grain.nextDouble() * (full * scale - 4) + 2;
            svg.ellipse(axis() + across, floor() - up, size, size, "fill=\"#b8a78f\"");
        }
    }

    private void walls() {
        String steel = "stroke=\"" + Svg.INK + "\" stroke-width=\"0.9\"";
        svg.hatch(x(-diameter / 2) - STEEL, y(height), STEEL, height * scale, steel);
        svg.hatch(x(diameter / 2), y(height), STEEL, height * scale, steel);
        if (collar > 0) {
            String tape = "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"2\" stroke-dasharray=\"3 2\"";
            svg.line(x(-diameter / 2), y(height), x(-diameter / 2), y(height + collar), tape);
            svg.line(x(diameter / 2), y(height), x(diameter / 2), y(height + collar), tape);
        }
        double wide = diameter * scale + 2 * STEEL + 16;
        svg.rect(axis() - wide / 2, floor(), wide, 12, "fill=\"#cfc3b2\" stroke=\"" + Svg.INK + "\"");
        svg.line(
                x(-diameter / 2),
                y(height + collar),
                x(diameter / 2),
                y(height + collar),
                "stroke=\"" + Svg.INK + "\" stroke-dasharray=\"5 3\"");
    }

    private void shape(Shape s) {
        switch (s.kind()) {
            case CONE ->
                svg.path(
                        String.format(
                                Locale.ROOT,
                                "M%.1f,%.1f L%.1f,%.1f L%.1f,%.1f L%.1f,%.1f Z",
                                x(-s.width() / 2),
                                y(s.y()),
                                x(-s.top() / 2),
                                y(s.y() + s.height()),
                                x(s.top() / 2),
                                y(s.y() + s.height()),
                                x(s.width() / 2),
                                y(s.y())),
                        WAX);
            case ROD -> svg.rect(x(-s.width() / 2), y(s.y() + s.height()), s.width() * scale, s.height() * scale, WAX);
            case STUB ->
                svg.line(
                        x(s.x() - s.width() / 2),
                        y(s.y()) + 3,
                        x(s.x() + s.width() / 2),
                        y(s.y()),
                        "stroke=\"" + Svg.INK + "\" stroke-width=\"2.4\" stroke-linecap=\"round\"");
            case PIECE ->
                svg.ellipse(x(s.x()), y(s.y() + s.height() / 2), s.width() * scale / 2, s.height() * scale / 2, WAX);
        }
    }

    private void dimensions() {
        double above = y(height + collar) - 22;
        svg.line(x(-diameter / 2), above, x(diameter / 2), above, DIM);
        svg.line(x(-diameter / 2), above - 6, x(-diameter / 2), above + 14, DIM);
        svg.line(x(diameter / 2), above - 6, x(diameter / 2), above + 14, DIM);
        svg.text(axis(), above - 7, length(diameter) + " inside", words("middle"));
        double side = x(-diameter / 2) - STEEL - 24;
        svg.line(side, y(height), side, floor(), DIM);
        svg.line(side - 6, y(height), side + 16, y(height), DIM);
        svg.line(side - 6, floor(), side + 16, floor(), DIM);
        double middle = (y(height) + floor()) / 2;
        svg.text(
                side - 7,
                middle,
                length(height),
                words("middle") + String.format(Locale.ROOT, " transform=\"rotate(-90 %.1f %.1f)\"", side - 7, middle));
        svg.text(x(diameter / 2) + STEEL + 8, y(height + collar) + 4, "mix to here", words("start"));
        svg.text(axis(), floor() + 28, "base, cup down while mixing", words("middle"));
        svg.text(
                axis(),
                floor() + 44,
                "powder " + mass(plan.powder().value()) + " · water "
                        + mass(plan.water().value()),
                words("middle"));
    }

    private void pins() {
        double widest = outline.shapes().stream()
                .max(java.util.Comparator.comparingDouble(s -> s.x() + Math.max(s.width(), s.top()) / 2))
                .map(s -> s.y() + s.height() / 2)
                .orElse(height / 2);
        Optional<Finding> wall = clearances.findings().at("wall").stream().findFirst();
        pin(y(widest), clearances.wall().value(), clearances.wallAsked().value(), wall, "to wall");
        Optional<Finding> end = clearances.findings().at("end").stream().findFirst();
        pin(y(height) + 34, clearances.end().value(), clearances.endAsked().value(), end, "to end");
    }

    private void pin(double at, double is, double asked, Optional<Finding> finding, String to) {
        double from = x(diameter / 2) + STEEL + 8;
        String colour = finding.map(f -> f.severity().name().equals("STOP") ? Svg.OXIDE : Svg.OCHRE)
                .orElse(Svg.FAINT_INK);
        if (finding.isPresent()) {
            boolean stop = colour.equals(Svg.OXIDE);
            String mark = stop ? "M%.1f,%.1f h11 v11 h-11 z" : "M%.1f,%.1f l6,11 h-12 z";
            svg.path(String.format(Locale.ROOT, mark, from + (stop ? 0 : 6), at - 10), "fill=\"" + colour + "\"");
        }
        double text = finding.isPresent() ? from + 16 : from;
        svg.text(text, at, length(is), "font-size=\"12\" fill=\"" + colour + "\" font-weight=\"700\"");
        svg.text(
                text,
                at + 15,
                to + ", asks " + length(asked).replaceAll(" .*", ""),
                "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\"");
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
