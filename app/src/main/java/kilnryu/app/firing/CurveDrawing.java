package kilnryu.app.firing;

import java.awt.Graphics2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.text.SimpleDateFormat;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import java.util.TimeZone;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutProgram.Point;
import kilnryu.core.burnout.BurnoutProgram.Timed;
import kilnryu.core.burnout.Stage;
import kilnryu.core.quantity.Measure;
import org.jfree.chart.axis.AxisState;
import org.jfree.chart.axis.DateAxis;
import org.jfree.chart.axis.DateTick;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.axis.NumberTick;
import org.jfree.chart.axis.TickType;
import org.jfree.chart.ui.RectangleEdge;

/**
 * The program against clock time, coloured by its own temperature, with stages above and duties below. Axes and their
 * ticks are JFreeChart's. Only the program is drawn: what the middle of the mold does is not known before it is
 * simulated.
 */
public final class CurveDrawing {
    private static final double WIDTH = 860;
    private static final double HEIGHT = 372;
    private static final Rectangle2D AREA = new Rectangle2D.Double(50, 34, 796, 248);
    private static final Graphics2D MEASURING = new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB).createGraphics();
    private static final String GRID = "stroke=\"" + Svg.RULE + "\"";
    private static final String SMALL = "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\"";

    private final BackPlan plan;
    private final BurnoutProgram program;
    private final Units units;
    private final DateAxis clock;
    private final NumberAxis heat;
    private final Svg svg;

    private CurveDrawing(BackPlan plan, ZoneId zone, Units units) {
        this.plan = plan;
        this.program = plan.program();
        this.units = units;
        clock = new DateAxis("", TimeZone.getTimeZone(zone), Locale.ROOT);
        clock.setRange(date(0), date(program.minutes()));
        SimpleDateFormat hours = new SimpleDateFormat("HH:mm", Locale.ROOT);
        hours.setTimeZone(TimeZone.getTimeZone(zone));
        clock.setDateFormatOverride(hours);
        heat = new NumberAxis();
        double top =
                program.segments().stream().mapToDouble(s -> s.target()).max().orElse(800);
        heat.setRange(0, shown(Math.ceil((top + 40) / 100) * 100));
        svg = new Svg(
                WIDTH,
                HEIGHT,
                "Kiln program from " + Show.weekday(plan.at(0)) + " to the pour at " + Show.weekday(plan.pour()));
    }

    public static String of(BackPlan plan, ZoneId zone, Units units) {
        return new CurveDrawing(plan, zone, units).draw();
    }

    private String draw() {
        nights();
        heatTicks();
        clockTicks();
        stages();
        curve();
        duties();
        return svg.done();
    }

    /** The hours at which nobody should have to get up. */
    private void nights() {
        ZonedDateTime closed = plan.at(0);
        for (BackPlan.Night n : BackPlan.nights(closed, plan.pour())) {
            double from = x(Duration.between(closed, n.from()).toSeconds() / 60.0);
            double to = x(Duration.between(closed, n.until()).toSeconds() / 60.0);
            svg.rect(from, AREA.getMinY(), to - from, AREA.getHeight(), "fill=\"#efe6d6\" fill-opacity=\"0.75\"");
        }
    }

    private Date date(double minute) {
        return Date.from(plan.at(minute).toInstant());
    }

    private double x(double minute) {
        Instant at = plan.at(minute).toInstant();
        return clock.valueToJava2D(at.toEpochMilli(), AREA, RectangleEdge.BOTTOM);
    }

    private double y(double celsius) {
        return heat.valueToJava2D(shown(celsius), AREA, RectangleEdge.LEFT);
    }

    private double shown(double celsius) {
        return units.system() == Units.System.IMPERIAL
                ? Measure.DEGREE_CELSIUS.to(Measure.DEGREE_FAHRENHEIT, celsius)
                : celsius;
    }

    private void heatTicks() {
        String unit = units.system() == Units.System.IMPERIAL ? "°F" : "°C";
        for (Object tick : heat.refreshTicks(MEASURING, new AxisState(), AREA, RectangleEdge.LEFT)) {
            NumberTick at = (NumberTick) tick;
            if (at.getTickType() != TickType.MAJOR) {
                continue;
            }
            double y = heat.valueToJava2D(at.getValue(), AREA, RectangleEdge.LEFT);
            svg.line(AREA.getMinX(), y, AREA.getMaxX(), y, GRID);
            svg.text(AREA.getMinX() - 6, y + 4, at.getText(), SMALL + " text-anchor=\"end\"");
        }
        svg.text(AREA.getMinX() - 6, AREA.getMinY() - 12, unit, SMALL + " text-anchor=\"end\"");
    }

    private void clockTicks() {
        List<DateTick> ticks = new ArrayList<>();
        for (Object tick : clock.refreshTicks(MEASURING, new AxisState(), AREA, RectangleEdge.BOTTOM)) {
            DateTick at = (DateTick) tick;
            if (at.getTickType() == TickType.MAJOR) {
                ticks.add(at);
            }
        }
        int every = Math.max(1, (int) Math.ceil(ticks.size() / 14.0));
        for (int i = 0; i < ticks.size(); i += every) {
            double x = clock.valueToJava2D(ticks.get(i).getDate().getTime(), AREA, RectangleEdge.BOTTOM);
            svg.line(x, AREA.getMaxY(), x, AREA.getMaxY() + 5, GRID);
            svg.text(x, AREA.getMaxY() + 18, ticks.get(i).getText(), SMALL + " text-anchor=\"middle\"");
        }
    }

    private void stages() {
        double y = AREA.getMinY() - 14;
        double lastEnd = 0;
        List<Timed> timed = program.timed();
        for (int i = 0; i < timed.size(); ) {
            Stage stage = timed.get(i).segment().stage();
            int to = i;
            while (to + 1 < timed.size() && timed.get(to + 1).segment().stage() == stage) {
                to++;
            }
            double from = x(lastEnd);
            double end = x(timed.get(to).ends());
            svg.line(from + 1, y + 4, end - 1, y + 4, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1.5\"");
            if (end - from > stage.label().length() * 5.4) {
                svg.text((from + end) / 2, y - 1, stage.label(), SMALL + " text-anchor=\"middle\"");
            }
            lastEnd = timed.get(to).ends();
            i = to + 1;
        }
    }

    /** Short pieces, each in the colour of its own heat. */
    private void curve() {
        List<Point> points = program.points();
        for (int i = 1; i < points.size(); i++) {
            Point a = points.get(i - 1);
            Point b = points.get(i);
            int pieces = (int) Math.max(1, Math.ceil(Math.abs(b.celsius() - a.celsius()) / 25));
            for (int p = 0; p < pieces; p++) {
                Point from = along(a, b, p / (double) pieces);
                Point to = along(a, b, (p + 1) / (double) pieces);
                svg.line(
                        x(from.minute()),
                        y(from.celsius()),
                        x(to.minute()),
                        y(to.celsius()),
                        "stroke=\"" + Incandescence.at((from.celsius() + to.celsius()) / 2)
                                + "\" stroke-width=\"4\" stroke-linecap=\"round\"");
            }
        }
    }

    private static Point along(Point a, Point b, double share) {
        return new Point(
                a.minute() + share * (b.minute() - a.minute()), a.celsius() + share * (b.celsius() - a.celsius()));
    }

    private void duties() {
        List<BackPlan.Clocked> inKiln =
                plan.duties().stream().filter(c -> c.duty().minute() >= 0).toList();
        double previous = -100;
        double drop = 36;
        for (int i = 0; i < inKiln.size(); i++) {
            double x = x(inKiln.get(i).duty().minute());
            drop = x - previous < 24 ? drop + 24 : 36;
            if (drop > 84) {
                drop = 36;
            }
            previous = x;
            double y = AREA.getMaxY() + drop;
            svg.line(x, AREA.getMaxY(), x, y - 9, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\"");
            svg.ellipse(x, y, 9, 9, "fill=\"" + Svg.VERDIGRIS + "\"");
            svg.text(
                    x,
                    y + 4,
                    String.valueOf(i + 1),
                    "font-size=\"12\" font-weight=\"700\" fill=\"#ffffff\" text-anchor=\"middle\"");
        }
    }
}
