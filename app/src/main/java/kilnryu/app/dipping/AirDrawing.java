package kilnryu.app.dipping;

import java.awt.Graphics2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.text.SimpleDateFormat;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import java.util.TimeZone;
import kilnryu.app.web.Svg;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Climate;
import org.jfree.chart.axis.AxisState;
import org.jfree.chart.axis.DateAxis;
import org.jfree.chart.axis.DateTick;
import org.jfree.chart.ui.RectangleEdge;

/** The room's air over two days back and two on: temperature, humidity, and what was read. Ticks are JFreeChart's. */
final class AirDrawing {
    private static final double WIDTH = 860;
    private static final double HEIGHT = 220;
    private static final Rectangle2D AREA = new Rectangle2D.Double(46, 20, 770, 160);
    private static final Graphics2D MEASURING = new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB).createGraphics();
    private static final double MOST_C = 40;
    private static final String SMALL = "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\"";

    private final Instant from;
    private final Instant to;
    private final Svg svg = new Svg(WIDTH, HEIGHT, "Air of the drying room, two days back and two days on");

    private AirDrawing(Instant now) {
        from = now.minus(Duration.ofDays(2));
        to = now.plus(Duration.ofDays(2));
    }

    static String of(Climate climate, List<RoomStore.Reading> readings, Instant now, ZoneId zone) {
        return new AirDrawing(now).draw(climate, readings, now, zone);
    }

    private String draw(Climate climate, List<RoomStore.Reading> readings, Instant now, ZoneId zone) {
        ticks(zone);
        for (int percent = 0; percent <= 100; percent += 25) {
            double y = y(percent / 100.0);
            svg.line(AREA.getMinX(), y, AREA.getMaxX(), y, "stroke=\"" + Svg.RULE + "\"");
            svg.text(AREA.getMaxX() + 6, y + 4, percent + " %", "font-size=\"11\" fill=\"" + Svg.SLATE + "\"");
            svg.text(
                    AREA.getMinX() - 6,
                    y + 4,
                    Math.round(percent * MOST_C / 100) + " °C",
                    "font-size=\"11\" text-anchor=\"end\" fill=\"" + Svg.OCHRE + "\"");
        }
        StringBuilder warm = new StringBuilder();
        StringBuilder wet = new StringBuilder();
        for (Instant at = from; !at.isAfter(to); at = at.plus(Duration.ofMinutes(30))) {
            Air air = climate.at(at);
            String move = warm.isEmpty() ? "M" : " L";
            warm.append(point(move, at, air.celsius() / MOST_C));
            wet.append(point(move, at, air.humidity() / 100));
        }
        svg.path(warm.toString(), "fill=\"none\" stroke=\"" + Svg.OCHRE + "\" stroke-width=\"1.8\"");
        svg.path(
                wet.toString(),
                "fill=\"none\" stroke=\"" + Svg.SLATE + "\" stroke-width=\"1.8\" stroke-dasharray=\"5 3\"");
        readings.forEach(r -> {
            svg.ellipse(x(r.at()), y(r.celsius() / MOST_C), 2.4, 2.4, "fill=\"" + Svg.OCHRE + "\"");
            svg.ellipse(x(r.at()), y(r.humidity() / 100), 2.4, 2.4, "fill=\"" + Svg.SLATE + "\"");
        });
        svg.line(
                x(now),
                AREA.getMinY(),
                x(now),
                AREA.getMaxY(),
                "stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"1.6\"");
        svg.text(x(now) + 4, AREA.getMinY() + 11, "now", SMALL);
        return svg.done();
    }

    private String point(String move, Instant at, double share) {
        return Svg.point(move, x(at), y(share));
    }

    private void ticks(ZoneId zone) {
        DateAxis axis = new DateAxis("", TimeZone.getTimeZone(zone), Locale.ROOT);
        axis.setRange(Date.from(from), Date.from(to));
        SimpleDateFormat format = new SimpleDateFormat("EEE HH:mm", Locale.ENGLISH);
        format.setTimeZone(TimeZone.getTimeZone(zone));
        axis.setDateFormatOverride(format);
        for (Object tick : axis.refreshTicks(MEASURING, new AxisState(), AREA, RectangleEdge.BOTTOM)) {
            DateTick one = (DateTick) tick;
            double x = axis.dateToJava2D(one.getDate(), AREA, RectangleEdge.BOTTOM);
            svg.line(x, AREA.getMinY(), x, AREA.getMaxY(), "stroke=\"" + Svg.RULE + "\"");
            svg.text(x, AREA.getMaxY() + 18, one.getText(), SMALL + " text-anchor=\"middle\"");
        }
    }

    private double x(Instant at) {
        double share = (double) Duration.between(from, at).toMillis()
                / Duration.between(from, to).toMillis();
        return AREA.getMinX() + Math.max(0, Math.min(1, share)) * AREA.getWidth();
    }

    private static double y(double share) {
        return AREA.getMaxY() - Math.max(0, Math.min(1, share)) * AREA.getHeight();
    }
}
