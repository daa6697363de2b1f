package kilnryu.app.firing;

import java.awt.Graphics2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.util.List;
import java.util.Locale;
import java.util.function.ToDoubleFunction;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.Firing.Moment;
import kilnryu.core.quantity.Measure;
import org.jfree.chart.axis.AxisState;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.axis.NumberTick;
import org.jfree.chart.axis.TickType;
import org.jfree.chart.ui.RectangleEdge;

/**
 * A firing as it is foreseen, against hours from closing the kiln: the program dashed, the mold's face thin, its middle
 * in the colour of its heat, the water left as an area. Ticks are JFreeChart's.
 */
public final class HeatDrawing {
    private static final double WIDTH = 860;
    private static final double HEIGHT = 300;
    private static final Rectangle2D AREA = new Rectangle2D.Double(50, 22, 756, 230);
    private static final Graphics2D MEASURING = new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB).createGraphics();
    private static final String SMALL = "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\"";

    private final Firing firing;
    private final boolean fahrenheit;
    private final NumberAxis hours = new NumberAxis();
    private final NumberAxis heat = new NumberAxis();
    private final Svg svg;

    private HeatDrawing(Firing firing, Units units) {
        this.firing = firing;
        fahrenheit = units.system() == Units.System.IMPERIAL;
        hours.setRange(0, Math.max(0.1, firing.minutes() / 60));
        double top = firing.trace().stream().mapToDouble(Moment::program).max().orElse(700);
        heat.setRange(0, shown(Math.ceil((top + 40) / 100) * 100));
        svg = new Svg(
                WIDTH,
                HEIGHT,
                "The mold as foreseen: program, face, middle and water left over " + Math.round(firing.minutes() / 60)
                        + " hours");
    }

    public static String of(Firing firing, Units units) {
        return new HeatDrawing(firing, units).draw();
    }

    private String draw() {
        water();
        ticks(heat, RectangleEdge.LEFT);
        ticks(hours, RectangleEdge.BOTTOM);
        line(Moment::program, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1.4\" stroke-dasharray=\"6 4\"");
        line(Moment::surface, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1.2\"");
        core();
        legend();
        return svg.done();
    }

    private double shown(double celsius) {
        return fahrenheit ? Measure.DEGREE_CELSIUS.to(Measure.DEGREE_FAHRENHEIT, celsius) : celsius;
    }

    private double x(double minute) {
        return hours.valueToJava2D(minute / 60, AREA, RectangleEdge.BOTTOM);
    }

    private double y(double celsius) {
        return heat.valueToJava2D(shown(celsius), AREA, RectangleEdge.LEFT);
    }

    private void water() {
        StringBuilder path = new StringBuilder(String.format(Locale.ROOT, "M%.1f,%.1f", x(0), AREA.getMaxY()));
        for (Moment m : firing.trace()) {
            path.append(String.format(
                    Locale.ROOT, " L%.1f,%.1f", x(m.minute()), AREA.getMaxY() - m.water() / 100 * AREA.getHeight()));
        }
        path.append(String.format(Locale.ROOT, " L%.1f,%.1f Z", x(firing.minutes()), AREA.getMaxY()));
        svg.path(path.toString(), "fill=\"#dbe4ea\"");
        for (int percent = 0; percent <= 100; percent += 50) {
            svg.text(
                    AREA.getMaxX() + 6,
                    AREA.getMaxY() - percent / 100.0 * AREA.getHeight() + 4,
                    percent + " %",
                    "font-size=\"11\" fill=\"" + Svg.SLATE + "\"");
        }
    }

    private void ticks(NumberAxis axis, RectangleEdge edge) {
        boolean left = edge == RectangleEdge.LEFT;
        for (Object tick : axis.refreshTicks(MEASURING, new AxisState(), AREA, edge)) {
            NumberTick at = (NumberTick) tick;
            if (at.getTickType() != TickType.MAJOR) {
                continue;
            }
            double place = axis.valueToJava2D(at.getValue(), AREA, edge);
            if (left) {
                svg.line(AREA.getMinX(), place, AREA.getMaxX(), place, "stroke=\"" + Svg.RULE + "\"");
                svg.text(AREA.getMinX() - 6, place + 4, at.getText(), SMALL + " text-anchor=\"end\"");
            } else {
                svg.text(place, AREA.getMaxY() + 18, at.getText(), SMALL + " text-anchor=\"middle\"");
            }
        }
        if (left) {
            svg.text(AREA.getMinX() - 6, AREA.getMinY() - 8, fahrenheit ? "°F" : "°C", SMALL + " text-anchor=\"end\"");
        } else {
            svg.text(
                    AREA.getMaxX(), AREA.getMaxY() + 36, "hours from closing the kiln", SMALL + " text-anchor=\"end\"");
        }
    }

    private void line(ToDoubleFunction<Moment> what, String paint) {
        StringBuilder path = new StringBuilder();
        for (Moment m : firing.trace()) {
            path.append(Svg.point(path.isEmpty() ? "M" : " L", x(m.minute()), y(what.applyAsDouble(m))));
        }
        svg.path(path.toString(), "fill=\"none\" " + paint);
    }

    private void core() {
        List<Moment> trace = firing.trace();
        for (int i = 1; i < trace.size(); i++) {
            Moment a = trace.get(i - 1);
            Moment b = trace.get(i);
            svg.line(
                    x(a.minute()),
                    y(a.core()),
                    x(b.minute()),
                    y(b.core()),
                    "stroke=\"" + Incandescence.at((a.core() + b.core()) / 2)
                            + "\" stroke-width=\"3.6\" stroke-linecap=\"round\"");
        }
    }

    /** Each line carries its name on its way up, where they lie apart. */
    private void legend() {
        double top = firing.trace().stream().mapToDouble(Moment::core).max().orElse(0);
        name(Moment::program, 0.86 * top, "program", false);
        name(Moment::surface, 0.7 * top, "face", false);
        name(Moment::core, 0.5 * top, "middle", true);
        svg.text(AREA.getMinX(), AREA.getMaxY() + 36, "pale: the water left", SMALL);
    }

    private void name(ToDoubleFunction<Moment> what, double celsius, String words, boolean behind) {
        firing.trace().stream()
                .filter(m -> what.applyAsDouble(m) >= celsius)
                .findFirst()
                .ifPresent(m -> svg.text(
                        x(m.minute()) + (behind ? 8 : -8),
                        y(what.applyAsDouble(m)) + 4,
                        words,
                        "font-size=\"11.5\" fill=\"" + Svg.INK + "\"" + (behind ? "" : " text-anchor=\"end\"")));
    }
}
