package kilnryu.app.dipping;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.quantity.Measure;

/** Mass of a shell since its last dip: what was weighed, beside the course that the estimate gives. */
final class MassDrawing {
    private static final double WIDTH = 470;
    private static final double HEIGHT = 190;
    private static final double LEFT = 64;
    private static final double RIGHT = 450;
    private static final double TOP = 20;
    private static final double BOTTOM = 150;
    private static final String SMALL = "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\"";

    private MassDrawing() {}

    /** A point of a line: hours since the dip, and g. */
    record Point(double hours, double grams) {}

    static String of(List<Point> estimate, List<Point> weighed, Units units) {
        Svg svg = new Svg(WIDTH, HEIGHT, "Mass since the last dip, weighed and estimated");
        double longest = Math.max(
                estimate.get(estimate.size() - 1).hours,
                weighed.stream().mapToDouble(Point::hours).max().orElse(0));
        double most = all(estimate, weighed).max().orElse(1);
        double least = all(estimate, weighed).min().orElse(0);
        double span = Math.max(1, most - least);
        StringBuilder line = new StringBuilder();
        for (Point p : estimate) {
            line.append(Svg.point(line.isEmpty() ? "M" : " L", x(p.hours, longest), y(p.grams, least, span)));
        }
        svg.line(LEFT, BOTTOM, RIGHT, BOTTOM, "stroke=\"" + Svg.RULE + "\"");
        svg.path(
                line.toString(),
                "fill=\"none\" stroke=\"" + Svg.SLATE + "\" stroke-width=\"1.6\" stroke-dasharray=\"5 3\"");
        weighed.forEach(
                p -> svg.ellipse(x(p.hours, longest), y(p.grams, least, span), 4, 4, "fill=\"" + Svg.VERDIGRIS + "\""));
        svg.text(LEFT - 6, y(most, least, span) + 4, mass(most, units), SMALL + " text-anchor=\"end\"");
        svg.text(LEFT - 6, y(least, least, span) + 4, mass(least, units), SMALL + " text-anchor=\"end\"");
        svg.text(LEFT, BOTTOM + 18, "dip", SMALL);
        svg.text(
                RIGHT,
                BOTTOM + 18,
                Show.length(Duration.ofMinutes(Math.round(longest * 60))),
                SMALL + " text-anchor=\"end\"");
        svg.text(LEFT + 40, BOTTOM + 34, "dots weighed, dashed the estimate", SMALL);
        return svg.done();
    }

    static double hours(Instant from, Instant to) {
        return Duration.between(from, to).toMillis() / 3.6e6;
    }

    private static java.util.stream.DoubleStream all(List<Point> a, List<Point> b) {
        return java.util.stream.Stream.concat(a.stream(), b.stream()).mapToDouble(Point::grams);
    }

    private static double x(double hours, double longest) {
        return LEFT + hours / longest * (RIGHT - LEFT);
    }

    private static double y(double grams, double least, double span) {
        return BOTTOM - (grams - least) / span * (BOTTOM - TOP);
    }

    private static String mass(double grams, Units units) {
        return Show.value(grams, Measure.GRAM, units, false).toString();
    }
}
