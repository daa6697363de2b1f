package kilnryu.app.pour;

import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Locale;
import java.util.OptionalDouble;
import kilnryu.app.record.Poured;
import kilnryu.app.web.Svg;

/** The pour as it goes: what happened solid, what is still to come as it is expected, the present as a line. */
final class DayDrawing {
    private static final double WIDE = 900;
    private static final double LEFT = 160;
    private static final double RIGHT = 16;
    private static final double TOP = 28;
    private static final double ROW = 34;
    private static final String SMALL = "font-size=\"12.5\" fill=\"" + Svg.FAINT_INK + "\"";

    private final PourCourse course;
    private final ZoneId zone;
    private final Instant zero;
    private final Instant now;
    private final double from;
    private final double per;

    private DayDrawing(PourCourse course, Instant zero, Instant now, ZoneId zone) {
        this.now = now;
        this.course = course;
        this.zone = zone;
        this.zero = zero;
        double first = course.casts().stream().mapToDouble(c -> out(c)).min().orElse(0);
        from = Math.floor(Math.min(0, first) / 10) * 10 - 5;
        double ends = course.casts().stream().mapToDouble(c -> end(c)).max().orElse(60);
        double windows = course.casts().stream()
                .mapToDouble(c ->
                        c.plan().windowS() == null ? end(c) : out(c) + c.plan().windowS())
                .max()
                .orElse(ends);
        double until = Math.max(ends + 10, Math.min(windows, from + (ends - from) * 2.2));
        per = (WIDE - LEFT - RIGHT) / Math.max(1, until - from);
    }

    /** @param zero when the pot left the furnace, or is expected to */
    static String of(PourCourse course, Instant zero, Instant now, ZoneId zone) {
        return new DayDrawing(course, zero, now, zone).drawn();
    }

    private double since(Instant at) {
        return Duration.between(zero, at).toMillis() / 1000.0;
    }

    private double behind() {
        return course.behind().orElse(0);
    }

    private double out(PourCourse.Cast c) {
        return c.out()
                .map(this::since)
                .orElse(Math.max(c.plan().outS() + behind(), course.potIsOut() ? since(now) : -1e9));
    }

    private double start(PourCourse.Cast c) {
        return c.start()
                .map(this::since)
                .orElse(Math.max(
                        Math.max(out(c), c.out().isPresent() ? since(now) : -1e9),
                        c.plan().startS() + behind()));
    }

    private double end(PourCourse.Cast c) {
        return c.end()
                .map(this::since)
                .orElse(start(c) + c.plan().fullS() - c.plan().startS());
    }

    private double x(double second) {
        return Math.max(LEFT, Math.min(WIDE - RIGHT, LEFT + (second - from) * per));
    }

    private String drawn() {
        double bottom = TOP + course.casts().size() * ROW + 6;
        Svg svg = new Svg(WIDE, bottom + 8, "The pour as it goes");
        double step = 10;
        while (step * per < 74) {
            step *= step == 20 ? 3 : 2;
        }
        for (double s = Math.ceil(from / step) * step; x(s) < WIDE - RIGHT - 20; s += step) {
            svg.line(x(s), TOP - 6, x(s), bottom, "stroke=\"" + Svg.RULE + "\"");
            svg.text(x(s), TOP - 11, clock(zero.plusMillis(Math.round(s * 1000))), SMALL + " text-anchor=\"middle\"");
        }
        double y = TOP;
        for (PourCourse.Cast c : course.casts()) {
            row(svg, c, y);
            y += ROW;
        }
        svg.line(x(since(now)), TOP - 6, x(since(now)), bottom, "stroke=\"" + Svg.INK + "\" stroke-width=\"2\"");
        return svg.done();
    }

    private void row(Svg svg, PourCourse.Cast c, double y) {
        Poured.Mold plan = c.plan();
        double middle = y + ROW / 2;
        boolean hand = course.inHand().filter(h -> h == c).isPresent();
        String name = plan.name().length() > 19 ? plan.name().substring(0, 18) + "…" : plan.name();
        svg.text(
                2,
                middle + 5,
                name,
                "font-size=\"14\" font-weight=\"" + (hand ? "750" : "500") + "\" fill=\"" + Svg.INK + "\"");
        if (c.state() == PourCourse.State.LEFT) {
            svg.text(LEFT + 6, middle + 5, c.state().label(), SMALL);
            return;
        }
        double end = plan.windowS() == null ? 1e9 : out(c) + plan.windowS();
        svg.rect(x(out(c)), middle - 8, x(end) - x(out(c)), 16, "fill=\"#c7d9d3\"");
        svg.rect(x(out(c)), middle - 8, Math.max(0, x(Math.min(end, start(c))) - x(out(c))), 16, "fill=\"#8aa9a2\"");
        String metal =
                c.state() == PourCourse.State.SHORT || c.state() == PourCourse.State.LEAKED ? Svg.OXIDE : "#e8912d";
        svg.rect(
                x(start(c)),
                middle - 11,
                Math.max(5, x(end(c)) - x(start(c))),
                22,
                c.start().isPresent()
                        ? "fill=\"" + metal + "\""
                        : "fill=\"none\" stroke=\"#e8912d\" stroke-width=\"1.5\"");
        svg.text(x(end(c)) + 8, middle + 5, says(c), "font-size=\"13\" fill=\"" + Svg.INK + "\"");
    }

    private static String says(PourCourse.Cast c) {
        if (c.state().ended()) {
            OptionalDouble filled = c.filled();
            return c.state().label()
                    + (filled.isPresent() ? String.format(Locale.ROOT, ", %.0f s", filled.getAsDouble()) : "");
        }
        return c.state() == PourCourse.State.WAITS ? "" : c.state().label();
    }

    private String clock(Instant at) {
        var t = at.atZone(zone);
        return String.format(Locale.ROOT, "%02d:%02d:%02d", t.getHour(), t.getMinute(), t.getSecond());
    }
}
