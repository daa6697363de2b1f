package kilnryu.app.today;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import kilnryu.app.firing.Incandescence;
import kilnryu.app.today.Day.Bar;
import kilnryu.app.today.Day.Kind;
import kilnryu.app.today.Day.Lane;
import kilnryu.app.today.Day.Press;
import kilnryu.app.today.Day.Task;
import kilnryu.app.today.Day.Window;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.core.burnout.BackPlan;

/**
 * The next 48 hours as one drawing: a kiln is a ribbon in the colour of its heat, hands at work are verdigris, what only waits
 * is pale, duties are dots on one line and a late one stands at the now-line with the mark of late. Nights are shaded.
 */
final class Strip {
    private static final double WIDTH = 1240;
    private static final double LEFT = 112;
    private static final double RIGHT = 8;
    private static final double HEAD = 36;
    private static final double ROW = 27;
    private static final double BAR = 18;
    private static final double FOOT = 44;
    private static final int TICK_HOURS = 4;
    private static final double APART = 44;
    private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("EEE d MMM", Locale.ENGLISH);
    private static final DateTimeFormatter HOUR = DateTimeFormatter.ofPattern("HH:mm", Locale.ENGLISH);

    private final Window window;
    private final List<Lane> lanes;
    private final List<Task> duties;
    private final double height;
    private final Svg svg;
    private int gradients;

    private Strip(Window window, List<Lane> lanes, List<Task> duties) {
        this.window = window;
        this.lanes = lanes;
        this.duties = duties;
        height = HEAD + Math.max(1, lanes.size()) * ROW + FOOT;
        svg = Svg.withHandles(WIDTH, height, "The next 48 hours: " + told());
    }

    static String of(Window window, List<Lane> lanes, List<Task> tasks) {
        List<Task> duties = tasks.stream()
                .filter(Task::duty)
                .filter(t -> t.press() == Press.LATE || window.shows(t.at()))
                .sorted(Comparator.comparing(Task::at))
                .toList();
        return new Strip(window, lanes.stream().filter(l -> l.shownIn(window)).toList(), duties).draw();
    }

    private String told() {
        String bars = lanes.size() == 1 ? "one line" : lanes.size() + " lines";
        String dots = duties.size() == 1 ? "one duty" : duties.size() + " duties";
        return bars + " of work, " + dots;
    }

    private double x(ZonedDateTime at) {
        double share = Duration.between(window.from(), at).toSeconds()
                / (double) Duration.between(window.from(), window.until()).toSeconds();
        return LEFT + Math.max(0, Math.min(1, share)) * (WIDTH - LEFT - RIGHT);
    }

    private String draw() {
        nights();
        hours();
        for (int i = 0; i < lanes.size(); i++) {
            lane(lanes.get(i), HEAD + i * ROW);
        }
        if (lanes.isEmpty()) {
            svg.text(LEFT + 8, HEAD + 20, "Nothing burns, dries or is poured in these hours.", small("start"));
        }
        dots();
        now();
        return svg.done();
    }

    private void nights() {
        for (BackPlan.Night n : BackPlan.nights(window.from(), window.until())) {
            svg.rect(
                    x(n.from()),
                    HEAD - 8,
                    x(n.until()) - x(n.from()),
                    height - HEAD - FOOT + 8 + 22,
                    "fill=\"#e6dac8\" opacity=\"0.6\"");
        }
    }

    private void hours() {
        ZonedDateTime at = window.from().truncatedTo(ChronoUnit.HOURS).plusHours(1);
        for (; at.isBefore(window.until()); at = at.plusHours(1)) {
            if (at.getHour() == 0) {
                svg.line(x(at), 6, x(at), height - FOOT, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\"");
                svg.text(
                        x(at) + 4, 13, DAY.format(at), "font-size=\"12\" font-weight=\"650\" fill=\"" + Svg.INK + "\"");
            } else if (at.getHour() % TICK_HOURS == 0) {
                svg.line(x(at), HEAD - 10, x(at), height - FOOT, "stroke=\"" + Svg.RULE + "\" stroke-width=\"0.8\"");
                // the hour of now stands there already
                if (Math.abs(x(at) - x(window.now())) > APART) {
                    svg.text(x(at), HEAD - 12, HOUR.format(at), small("middle"));
                }
            }
        }
        svg.text(4, 13, DAY.format(window.from()), "font-size=\"12\" font-weight=\"650\" fill=\"" + Svg.INK + "\"");
    }

    private void lane(Lane lane, double top) {
        svg.text(4, top + 17, shortened(lane.name(), 17), "font-size=\"12.5\" fill=\"" + Svg.INK + "\"");
        svg.line(LEFT, top + ROW - 3, WIDTH - RIGHT, top + ROW - 3, "stroke=\"" + Svg.RULE + "\" stroke-width=\"0.6\"");
        for (Bar bar : lane.bars()) {
            if (bar.until().isAfter(window.from()) && bar.from().isBefore(window.until())) {
                bar(bar, lane.name(), top + 4);
            }
        }
    }

    private void bar(Bar bar, String lane, double top) {
        double from = x(bar.from());
        double wide = Math.max(3, x(bar.until()) - from);
        svg.link(bar.address(), bar.label().isEmpty() ? lane : bar.label());
        if (bar.kind() == Kind.HEAT && bar.heat().size() > 1) {
            String name = "heat" + gradients++;
            svg.gradient(name, from, from + wide, stops(bar, from, wide));
            svg.rect(from, top, wide, BAR, "fill=\"url(#" + name + ")\" rx=\"2\"");
        } else {
            String paint = bar.kind() == Kind.HANDS
                    ? "fill=\"#27685d\" rx=\"2\""
                    : "fill=\"#dbe8e2\" stroke=\"#27685d\" stroke-width=\"0.8\" rx=\"2\"";
            svg.rect(from, top, wide, BAR, paint);
        }
        label(bar, from, wide, top);
        svg.endLink();
    }

    /** Inside its bar where it fits, else behind it. */
    private void label(Bar bar, double from, double wide, double top) {
        double needed = bar.label().length() * 6.2 + 10;
        boolean inside = needed < wide;
        if (!inside && from + wide + needed > WIDTH) {
            return;
        }
        String colour = !inside ? Svg.INK : bar.kind() == Kind.WAIT ? Svg.INK : "#fefefe";
        svg.text(
                inside ? from + 6 : from + wide + 5,
                top + 13,
                bar.label(),
                "font-size=\"11.5\" fill=\"" + colour + "\"");
    }

    private List<Svg.Stop> stops(Bar bar, double from, double wide) {
        return bar.heat().stream()
                .map(h -> new Svg.Stop(
                        Math.max(0, Math.min(1, (x(h.at()) - from) / wide)), Incandescence.at(h.celsius())))
                .toList();
    }

    private void dots() {
        double line = height - FOOT + 12;
        svg.text(4, line + 4, "Be there", "font-size=\"12.5\" fill=\"" + Svg.INK + "\"");
        svg.line(LEFT, line, WIDTH - RIGHT, line, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\"");
        double written = -APART;
        for (Task t : duties) {
            boolean late = t.press() == Press.LATE;
            double at = late ? Math.min(x(t.at()), x(window.now()) - 9) : x(t.at());
            svg.link(t.address(), t.what() + ", " + t.of() + ", " + Show.dayAndClock(t.at()) + (late ? ", late" : ""));
            if (late) {
                // the clock's two hands: late never reads as stop
                svg.ellipse(
                        at, line, 7, 7, "fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.OXIDE + "\" stroke-width=\"2\"");
                svg.path(
                        String.format(Locale.ROOT, "M%.1f,%.1f v-5 M%.1f,%.1f h4", at, line, at, line),
                        "stroke=\"" + Svg.OXIDE + "\" stroke-width=\"1.8\" fill=\"none\"");
            } else {
                svg.ellipse(at, line, 5, 5, "fill=\"" + Svg.VERDIGRIS + "\"");
            }
            svg.ellipse(at, line, 13, 13, "fill=\"none\" pointer-events=\"all\"");
            svg.endLink();
            if (at - written >= APART) {
                String colour = late ? Svg.OXIDE : Svg.FAINT_INK;
                svg.text(
                        at,
                        line + 22,
                        HOUR.format(t.at()),
                        "font-size=\"11.5\" text-anchor=\"middle\" fill=\"" + colour + "\""
                                + (late ? " font-weight=\"700\"" : ""));
                written = at;
            }
        }
    }

    private void now() {
        double at = x(window.now());
        svg.line(at, HEAD - 20, at, height - FOOT + 22, "stroke=\"" + Svg.INK + "\" stroke-width=\"1.6\"");
        svg.rect(at - 21, HEAD - 33, 42, 16, "fill=\"" + Svg.INK + "\" rx=\"2\"");
        svg.text(
                at,
                HEAD - 21,
                HOUR.format(window.now()),
                "font-size=\"11.5\" font-weight=\"700\" fill=\"" + Svg.PAPER + "\" text-anchor=\"middle\"");
    }

    private static String small(String anchor) {
        return "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\" text-anchor=\"" + anchor + "\"";
    }

    private static String shortened(String words, int most) {
        return words.length() > most ? words.substring(0, most - 1) + "…" : words;
    }
}
