package kilnryu.app.load;

import java.awt.Graphics2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.text.SimpleDateFormat;
import java.time.Duration;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.TimeZone;
import java.util.function.ToDoubleFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.firing.Incandescence;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.burnout.Progress;
import kilnryu.core.burnout.Segment;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.Firing.Moment;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.quantity.Measure;
import org.jfree.chart.axis.AxisState;
import org.jfree.chart.axis.DateAxis;
import org.jfree.chart.axis.DateTick;
import org.jfree.chart.axis.NumberAxis;
import org.jfree.chart.axis.NumberTick;
import org.jfree.chart.axis.NumberTickUnit;
import org.jfree.chart.axis.TickType;
import org.jfree.chart.axis.ValueAxis;
import org.jfree.chart.ui.RectangleEdge;
import org.springframework.web.util.HtmlUtils;

/**
 * A firing against the clock: what the program asks dotted with its corners, the kiln as it will go thin, the middle of
 * every mold in the colour of its heat and the slowest of them thick, its face, its water as an area and its char as a
 * broken line; stages above, duties below, what matters pinned. Over it, where there is any, what was measured. Axes and
 * ticks are JFreeChart's.
 */
public final class LoadCurve {
    private static final double WIDTH = 860;
    private static final double HEIGHT = 424;
    private static final Rectangle2D AREA = new Rectangle2D.Double(46, 34, 770, 300);
    private static final Graphics2D MEASURING = new BufferedImage(1, 1, BufferedImage.TYPE_INT_RGB).createGraphics();
    private static final String GRID = "stroke=\"" + Svg.RULE + "\"";
    private static final String SMALL = "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\"";
    private static final double CHAR_SHOWN = 1;
    private static final double SHORTEST_MIN = 30;
    private static final Pattern NAMED = Pattern.compile("(\\d{1,6}\\.\\d\\d) by (\\d{3,4})");
    private static final double PIN_HIGH = 34;
    private static final double NAME_HIGH = 16;
    private static final int MOST_NAMED = 5;
    private static final int LONGEST_NAME = 26;
    private static final int READ_STEPS = 240;

    /** A mark below the axis. */
    public record Mark(int number, double minute, boolean done) {}

    /** A finding at its place on the curve, by its number in the list. */
    record Against(int number, double minute, double celsius, boolean stop) {}

    /** Something pinned to the curve: bold words and plain ones. */
    record Pin(double minute, double celsius, String bold, String words) {}

    /**
     * The part of time and heat that a drawing keeps to while a corner is in the hand, so that the corner stays where it is
     * held; what goes beyond is cut off.
     *
     * @param minutes along
     * @param top upwards, C
     */
    public record Window(double minutes, double top) {
        /** As the drawing itself names it; empty for what it never named. */
        public static Optional<Window> named(String text) {
            Matcher m = NAMED.matcher(text);
            if (!m.matches()) {
                return Optional.empty();
            }
            Window window = new Window(Double.parseDouble(m.group(1)), Double.parseDouble(m.group(2)));
            return window.minutes < SHORTEST_MIN || window.top < 100 ? Optional.empty() : Optional.of(window);
        }

        @Override
        public String toString() {
            return String.format(Locale.ROOT, "%.2f by %.0f", minutes, top);
        }
    }

    /**
     * What is drawn.
     *
     * @param start when minute 0 is; empty for hours from closing the kiln
     * @param slowest of the molds, drawn thick
     * @param measured what was measured, empty before the kiln is closed
     * @param now minutes since the start; negative before it
     * @param corners whether the program's corners can be taken hold of
     * @param window empty to show all of it
     * @param names of the molds, written at their lines and read at an instant; empty to leave the lines unnamed
     */
    public record Data(
            double startC,
            List<Segment> program,
            List<KilnRun.KilnAt> kiln,
            List<Firing> molds,
            int slowest,
            Optional<ZonedDateTime> start,
            List<Mark> marks,
            List<Pin> pins,
            List<Against> against,
            List<Progress.Sample> measured,
            double now,
            boolean corners,
            Optional<Window> window,
            List<String> names) {}

    private final Data data;
    private final boolean fahrenheit;
    private final Window shown;
    private final ValueAxis time;
    private final NumberAxis heat = new NumberAxis();
    private final Svg svg;

    private LoadCurve(Data data, Units units) {
        this.data = data;
        fahrenheit = units.system() == Units.System.IMPERIAL;
        shown = data.window.orElseGet(() -> whole(data));
        time = data.start.isPresent() ? clock(data.start.get()) : hours();
        heat.setRange(0, shown(shown.top));
        heat.setTickUnit(new NumberTickUnit(fahrenheit ? 200 : 100));
        svg = Svg.withHandles(WIDTH, HEIGHT, label(data, shown.minutes));
    }

    private static Window whole(Data data) {
        double simulated =
                data.kiln.isEmpty() ? 0 : data.kiln.get(data.kiln.size() - 1).minute();
        double measured = data.measured.isEmpty()
                ? 0
                : data.measured.get(data.measured.size() - 1).second() / 60;
        double longest = Math.max(programMinutes(data), Math.max(simulated, measured));
        double top = Math.max(
                data.program.stream().mapToDouble(Segment::target).max().orElse(700),
                data.measured.stream()
                        .mapToDouble(Progress.Sample::celsius)
                        .max()
                        .orElse(0));
        return new Window(Math.max(SHORTEST_MIN, longest), Math.ceil((top + 40) / 100) * 100);
    }

    private static String label(Data data, double minutes) {
        return "Firing over " + Math.round(minutes / 60) + " hours: program, kiln, " + data.molds.size()
                + " molds and their water"
                + (data.measured.isEmpty() ? "" : ", and what was measured");
    }

    public static String of(Data data, Units units) {
        return new LoadCurve(data, units).draw();
    }

    private static double programMinutes(Data data) {
        double from = data.startC;
        double sum = 0;
        for (Segment s : data.program) {
            sum += s.rampMinutes(from) + s.hold();
            from = s.target();
        }
        return sum;
    }

    private ValueAxis clock(ZonedDateTime start) {
        TimeZone zone = TimeZone.getTimeZone(start.getZone());
        DateAxis axis = new DateAxis("", zone, Locale.ROOT);
        axis.setRange(
                Date.from(start.toInstant()), Date.from(at(start, shown.minutes).toInstant()));
        SimpleDateFormat format = new SimpleDateFormat("HH:mm", Locale.ROOT);
        format.setTimeZone(zone);
        axis.setDateFormatOverride(format);
        return axis;
    }

    private static ZonedDateTime at(ZonedDateTime start, double minute) {
        return start.plus(Duration.ofSeconds(Math.round(minute * 60)));
    }

    private NumberAxis hours() {
        NumberAxis axis = new NumberAxis();
        axis.setRange(0, shown.minutes / 60);
        return axis;
    }

    private String draw() {
        data.window.ifPresent(w -> svg.clip("in-window", 0, 0, AREA.getMaxX() + 6, HEIGHT));
        String cut = data.window.isPresent() ? "clip-path=\"url(#in-window)\"" : "";
        svg.group(cut);
        data.start.ifPresent(this::nights);
        if (!data.molds.isEmpty()) {
            water();
        }
        svg.endGroup();
        heatTicks();
        timeTicks();
        svg.group(cut);
        stages();
        if (!data.molds.isEmpty()) {
            molds();
        }
        kiln();
        measured();
        program();
        marks();
        pins();
        if (data.corners) {
            corners();
        }
        against();
        if (!data.names.isEmpty()) {
            names();
        }
        svg.endGroup();
        if (!data.names.isEmpty() && data.window.isEmpty()) {
            reads();
        }
        return svg.done();
    }

    /** The hours at which nobody should have to get up. */
    private void nights(ZonedDateTime start) {
        for (BackPlan.Night n : BackPlan.nights(start, at(start, shown.minutes))) {
            double from = x(Duration.between(start, n.from()).toSeconds() / 60.0);
            double to = x(Duration.between(start, n.until()).toSeconds() / 60.0);
            svg.rect(
                    from,
                    AREA.getMinY(),
                    to - from,
                    AREA.getHeight(),
                    "class=\"night-hours\" fill=\"#efe6d6\" fill-opacity=\"0.75\"");
        }
    }

    /** Lines carry their own names, where they cover no other line: the slowest mold, the quickest, the kiln. */
    private void names() {
        List<Rectangle2D> taken = new ArrayList<>();
        List<Point2D> drawn = drawn();
        List<Integer> order = new ArrayList<>(List.of(data.slowest));
        for (int i = 0; i < data.molds.size() && order.size() < MOST_NAMED; i++) {
            if (i != data.slowest) {
                order.add(i);
            }
        }
        double level = 0.62;
        for (int i : order) {
            Firing firing = data.molds.get(i);
            double wanted = shown.top * level;
            level -= 0.13;
            String name = data.names.get(i).length() > LONGEST_NAME
                    ? data.names.get(i).substring(0, LONGEST_NAME - 1) + "…"
                    : data.names.get(i);
            firing.trace().stream()
                    .filter(m -> m.core() >= wanted)
                    .findFirst()
                    .ifPresent(m -> name(taken, drawn, x(m.minute()), y(m.core()), name));
        }
        double hottest =
                data.kiln.stream().mapToDouble(KilnRun.KilnAt::kiln).max().orElse(0);
        data.kiln.stream()
                .filter(k -> k.kiln() >= hottest * 0.8)
                .findFirst()
                .ifPresent(k -> name(taken, drawn, x(k.minute()), y(k.kiln()), "kiln"));
    }

    private void name(List<Rectangle2D> taken, List<Point2D> drawn, double x, double y, String words) {
        double wide = 8 + 5.7 * words.length();
        Rectangle2D box = free(taken, drawn, x, y, wide, NAME_HIGH);
        taken.add(box);
        double to = box.getMinX() > x ? box.getMinX() + 2 : box.getMaxX() - 2;
        svg.line(x, y, to, box.getCenterY(), "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\"");
        svg.rect(box.getX(), box.getY(), wide, NAME_HIGH, "fill=\"" + Svg.PAPER + "\" fill-opacity=\"0.8\"");
        svg.text(
                box.getX() + 4,
                box.getY() + 12,
                words,
                "class=\"line-name\" font-size=\"11.5\" fill=\"" + Svg.INK + "\"");
    }

    /** What a script needs to read every line at an instant: values at even steps of time, in the reader's degrees. */
    private void reads() {
        StringBuilder series = new StringBuilder();
        read(series, "kiln asked", sampled(data.kiln, KilnRun.KilnAt::minute, KilnRun.KilnAt::program));
        read(series, "kiln", sampled(data.kiln, KilnRun.KilnAt::minute, KilnRun.KilnAt::kiln));
        if (!data.measured.isEmpty()) {
            read(series, "measured", sampled(data.measured, m -> m.second() / 60, Progress.Sample::celsius));
        }
        for (int i = 0; i < data.molds.size(); i++) {
            read(series, data.names.get(i), sampled(data.molds.get(i).trace(), Moment::minute, Moment::core));
        }
        svg.group(String.format(
                Locale.ROOT,
                "class=\"reads\" data-x0=\"%.1f\" data-x1=\"%.1f\" data-y0=\"%.1f\" data-y1=\"%.1f\" data-minutes=\"%.2f\" data-start=\"%s\" data-now=\"%.1f\" data-unit=\"%s\" data-series=\"%s\"",
                AREA.getMinX(),
                AREA.getMaxX(),
                AREA.getMinY(),
                AREA.getMaxY(),
                shown.minutes,
                data.start
                        .map(s -> s.toLocalDateTime()
                                .truncatedTo(ChronoUnit.SECONDS)
                                .toString())
                        .orElse(""),
                data.now,
                fahrenheit ? "°F" : "°C",
                HtmlUtils.htmlEscape("[" + series + "]", "UTF-8")));
        svg.endGroup();
    }

    private static void read(StringBuilder series, String name, String values) {
        series.append(series.isEmpty() ? "" : ",")
                .append("{\"name\":\"")
                .append(name.replace("\\", "\\\\").replace("\"", "\\\""))
                .append("\",\"values\":[")
                .append(values)
                .append("]}");
    }

    private <T> String sampled(List<T> points, ToDoubleFunction<T> minute, ToDoubleFunction<T> celsius) {
        StringBuilder values = new StringBuilder();
        int i = 0;
        for (int step = 0; step <= READ_STEPS && !points.isEmpty(); step++) {
            double wanted = shown.minutes * step / READ_STEPS;
            while (i < points.size() - 1 && minute.applyAsDouble(points.get(i + 1)) <= wanted) {
                i++;
            }
            boolean past =
                    i == points.size() - 1 && wanted > minute.applyAsDouble(points.get(i)) + shown.minutes / READ_STEPS;
            values.append(step == 0 ? "" : ",")
                    .append(past ? "null" : String.valueOf(Math.round(shown(celsius.applyAsDouble(points.get(i))))));
        }
        return values.toString();
    }

    private double shown(double celsius) {
        return fahrenheit ? Measure.DEGREE_CELSIUS.to(Measure.DEGREE_FAHRENHEIT, celsius) : celsius;
    }

    private double x(double minute) {
        double value = data.start
                .map(s -> (double) s.toInstant().toEpochMilli() + minute * 60_000)
                .orElse(minute / 60);
        return time.valueToJava2D(value, AREA, RectangleEdge.BOTTOM);
    }

    private double y(double celsius) {
        return heat.valueToJava2D(shown(celsius), AREA, RectangleEdge.LEFT);
    }

    private double share(double percent) {
        return AREA.getMaxY() - percent / 100 * AREA.getHeight();
    }

    private void water() {
        Firing slowest = data.molds.get(data.slowest);
        StringBuilder path = new StringBuilder(Svg.point("M", x(0), AREA.getMaxY()));
        slowest.trace().forEach(m -> path.append(Svg.point(" L", x(m.minute()), share(m.water()))));
        path.append(Svg.point(" L", x(last(slowest).minute()), AREA.getMaxY())).append(" Z");
        svg.path(path.toString(), "fill=\"#dbe4ea\"");
        StringBuilder left = new StringBuilder();
        for (Moment m : slowest.trace()) {
            double y = share(Math.min(100, m.residue() / CHAR_SHOWN * 100));
            left.append(Svg.point(left.isEmpty() ? "M" : " L", x(m.minute()), y));
        }
        svg.path(
                left.toString(),
                "fill=\"none\" stroke=\"" + Svg.SLATE + "\" stroke-width=\"1\" stroke-dasharray=\"7 3 1 3\"");
    }

    private static Moment last(Firing firing) {
        return firing.trace().get(firing.trace().size() - 1);
    }

    private void heatTicks() {
        for (Object tick : heat.refreshTicks(MEASURING, new AxisState(), AREA, RectangleEdge.LEFT)) {
            NumberTick at = (NumberTick) tick;
            if (at.getTickType() == TickType.MAJOR) {
                double y = heat.valueToJava2D(at.getValue(), AREA, RectangleEdge.LEFT);
                svg.line(AREA.getMinX(), y, AREA.getMaxX(), y, GRID);
                svg.text(AREA.getMinX() - 6, y + 4, at.getText(), SMALL + " text-anchor=\"end\"");
            }
        }
        svg.text(AREA.getMinX() - 6, AREA.getMinY() - 12, fahrenheit ? "°F" : "°C", SMALL + " text-anchor=\"end\"");
        String right = "font-size=\"11\" fill=\"" + Svg.SLATE + "\"";
        svg.text(AREA.getMaxX() + 5, AREA.getMinY() - 12, "water", right);
        for (int percent = 0; percent <= 100 && !data.molds.isEmpty(); percent += 50) {
            svg.text(AREA.getMaxX() + 5, share(percent) + 4, percent + " %", right);
        }
    }

    private void timeTicks() {
        List<double[]> places = new ArrayList<>();
        List<String> words = new ArrayList<>();
        for (Object tick : time.refreshTicks(MEASURING, new AxisState(), AREA, RectangleEdge.BOTTOM)) {
            boolean major = tick instanceof DateTick d
                    ? d.getTickType() == TickType.MAJOR
                    : ((NumberTick) tick).getTickType() == TickType.MAJOR;
            if (major) {
                double value = tick instanceof DateTick d ? d.getDate().getTime() : ((NumberTick) tick).getValue();
                places.add(new double[] {time.valueToJava2D(value, AREA, RectangleEdge.BOTTOM)});
                words.add(tick instanceof DateTick d ? d.getText() : ((NumberTick) tick).getText());
            }
        }
        int every = Math.max(1, (int) Math.ceil(places.size() / 13.0));
        for (int i = 0; i < places.size(); i += every) {
            double x = places.get(i)[0];
            svg.line(x, AREA.getMaxY(), x, AREA.getMaxY() + 5, GRID);
            svg.text(x, AREA.getMaxY() + 18, words.get(i), SMALL + " text-anchor=\"middle\"");
        }
        if (data.start.isEmpty()) {
            svg.text(AREA.getMaxX(), HEIGHT - 4, "hours from closing the kiln", SMALL + " text-anchor=\"end\"");
        }
    }

    private void stages() {
        double y = AREA.getMinY() - 14;
        double from = data.startC;
        double at = 0;
        double began = 0;
        for (int i = 0; i < data.program.size(); i++) {
            Segment s = data.program.get(i);
            at += s.rampMinutes(from) + s.hold();
            from = s.target();
            boolean ends =
                    i == data.program.size() - 1 || data.program.get(i + 1).stage() != s.stage();
            if (ends) {
                double left = x(began);
                double right = x(at);
                svg.line(left + 1, y + 4, right - 1, y + 4, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1.5\"");
                if (right - left > s.stage().label().length() * 5.4) {
                    svg.text((left + right) / 2, y - 1, s.stage().label(), SMALL + " text-anchor=\"middle\"");
                }
                began = at;
            }
        }
    }

    /** The quicker molds thin, the slowest thick, each piece in the colour of its heat. */
    private void molds() {
        for (int i = 0; i < data.molds.size(); i++) {
            if (i != data.slowest) {
                glow(data.molds.get(i), 1.3);
            }
        }
        Firing slowest = data.molds.get(data.slowest);
        line(slowest, Moment::surface, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.9\"");
        glow(slowest, 4);
    }

    /** Runs of nearly one colour, so that a day is some dozens of paths. */
    private void glow(Firing firing, double width) {
        List<Moment> trace = firing.trace();
        svg.group("class=\"glow\" fill=\"none\" stroke-width=\"" + width
                + "\" stroke-linecap=\"round\" stroke-linejoin=\"round\"");
        int i = 0;
        while (i < trace.size() - 1) {
            double from = trace.get(i).core();
            StringBuilder path = new StringBuilder(Svg.point("M", x(trace.get(i).minute()), y(from)));
            double to = from;
            int j = i;
            while (j < trace.size() - 1 && Math.abs(to - from) < 22) {
                j++;
                to = trace.get(j).core();
                path.append(Svg.point(" L", x(trace.get(j).minute()), y(to)));
            }
            svg.path(path.toString(), "stroke=\"" + Incandescence.at((from + to) / 2) + "\"");
            i = j;
        }
        svg.endGroup();
    }

    private void line(Firing firing, ToDoubleFunction<Moment> what, String paint) {
        StringBuilder path = new StringBuilder();
        firing.trace()
                .forEach(m ->
                        path.append(Svg.point(path.isEmpty() ? "M" : " L", x(m.minute()), y(what.applyAsDouble(m)))));
        svg.path(path.toString(), "fill=\"none\" " + paint);
    }

    private void kiln() {
        StringBuilder path = new StringBuilder();
        data.kiln.forEach(k -> path.append(Svg.point(path.isEmpty() ? "M" : " L", x(k.minute()), y(k.kiln()))));
        if (!path.isEmpty()) {
            svg.path(
                    path.toString(),
                    "fill=\"none\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.1\" stroke-opacity=\"0.75\"");
        }
    }

    private void measured() {
        StringBuilder path = new StringBuilder();
        data.measured.forEach(
                s -> path.append(Svg.point(path.isEmpty() ? "M" : " L", x(s.second() / 60), y(s.celsius()))));
        if (!path.isEmpty()) {
            svg.path(
                    path.toString(),
                    "class=\"measured\" fill=\"none\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"2.2\"");
        }
        if (data.now >= 0) {
            svg.line(x(data.now), AREA.getMinY(), x(data.now), AREA.getMaxY(), "stroke=\"" + Svg.VERDIGRIS + "\"");
            svg.text(x(data.now) + 4, AREA.getMinY() + 12, "now", "font-size=\"11\" fill=\"" + Svg.VERDIGRIS + "\"");
        }
    }

    private void program() {
        StringBuilder path = new StringBuilder(Svg.point("M", x(0), y(data.startC)));
        double from = data.startC;
        double at = 0;
        for (Segment s : data.program) {
            at += s.rampMinutes(from);
            path.append(Svg.point(" L", x(at), y(s.target())));
            at += s.hold();
            path.append(Svg.point(" L", x(at), y(s.target())));
            from = s.target();
        }
        svg.path(
                path.toString(),
                "class=\"asked\" fill=\"none\" stroke=\"" + Svg.INK
                        + "\" stroke-width=\"1.6\" stroke-dasharray=\"1.5 3.5\"");
    }

    private void marks() {
        double previous = -100;
        double drop = 38;
        for (Mark m : data.marks) {
            if (m.minute < 0) {
                continue;
            }
            double x = Math.min(x(m.minute), AREA.getMaxX());
            drop = x - previous < 24 ? drop + 22 : 38;
            drop = drop > 82 ? 38 : drop;
            previous = x;
            double y = AREA.getMaxY() + drop;
            svg.line(x, AREA.getMaxY(), x, y - 9, "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\"");
            svg.ellipse(
                    x,
                    y,
                    9,
                    9,
                    m.done
                            ? "fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"2\""
                            : "fill=\"" + Svg.VERDIGRIS + "\"");
            svg.text(
                    x,
                    y + 4,
                    m.done ? "✓" : String.valueOf(m.number),
                    "font-size=\"12\" font-weight=\"700\" fill=\"" + (m.done ? Svg.VERDIGRIS : "#ffffff")
                            + "\" text-anchor=\"middle\"");
        }
    }

    /** Each beside its point, where it covers no other. */
    private void pins() {
        List<Rectangle2D> taken = new ArrayList<>();
        List<Point2D> drawn = data.pins.isEmpty() ? List.of() : drawn();
        for (Pin p : data.pins) {
            double x = x(p.minute);
            double y = y(p.celsius);
            double wide = 12 + 6 * Math.max(p.bold.length(), p.words.length());
            Rectangle2D box = free(taken, drawn, x, y, wide, PIN_HIGH);
            taken.add(box);
            double to = box.getMinX() > x ? box.getMinX() : box.getMaxX();
            svg.line(x, y, to, box.getCenterY(), "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"0.8\"");
            svg.rect(
                    box.getX(),
                    box.getY(),
                    wide,
                    box.getHeight(),
                    "fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.RULE + "\"");
            svg.text(
                    box.getX() + 6,
                    box.getY() + 14,
                    p.bold,
                    "font-size=\"11.5\" font-weight=\"650\" fill=\"" + Svg.INK + "\"");
            svg.text(box.getX() + 6, box.getY() + 28, p.words, SMALL);
        }
    }

    /** Numbered marks above their place: a square stops, a triangle warns. */
    private void against() {
        for (Against a : data.against) {
            double x = x(a.minute);
            double y = y(a.celsius) - 20;
            svg.path(
                    a.stop
                            ? Svg.point("M", x - 8, y - 8) + Svg.point(" L", x + 8, y - 8)
                                    + Svg.point(" L", x + 8, y + 8) + Svg.point(" L", x - 8, y + 8) + " Z"
                            : Svg.point("M", x, y - 11) + Svg.point(" L", x + 11, y + 8)
                                    + Svg.point(" L", x - 11, y + 8) + " Z",
                    "fill=\"" + (a.stop ? Svg.OXIDE : Svg.OCHRE) + "\"");
            svg.text(
                    x,
                    y + 6,
                    String.valueOf(a.number),
                    "font-size=\"11\" font-weight=\"700\" fill=\"#ffffff\" text-anchor=\"middle\"");
        }
    }

    /** Of some places around a point the one that covers least, the nearer ones first. */
    private static Rectangle2D free(
            List<Rectangle2D> taken, List<Point2D> drawn, double x, double y, double wide, double high) {
        Rectangle2D best = new Rectangle2D.Double(x + 16, y + 22, wide, high);
        long least = Long.MAX_VALUE;
        for (double dy : new double[] {22, -56, -16, 50, -84, 80, -112, 110, -150, 150}) {
            for (double dx : new double[] {16, -16 - wide, 60, -60 - wide}) {
                Rectangle2D box = new Rectangle2D.Double(x + dx, y + dy, wide, high);
                boolean fits = AREA.contains(box) && taken.stream().noneMatch(t -> t.intersects(box));
                long covered = fits ? drawn.stream().filter(box::contains).count() : Long.MAX_VALUE;
                if (covered < least) {
                    least = covered;
                    best = box;
                }
            }
        }
        return best;
    }

    /** Where pins should not be: corners, the program, the middles. */
    private List<Point2D> drawn() {
        List<Point2D> points = new ArrayList<>();
        data.molds.forEach(f -> f.trace().forEach(m -> points.add(new Point2D.Double(x(m.minute()), y(m.core())))));
        data.kiln.forEach(k -> points.add(new Point2D.Double(x(k.minute()), y(k.program()))));
        double at = 0;
        double from = data.startC;
        for (Segment s : data.program) {
            for (double minute : new double[] {s.rampMinutes(from), s.hold()}) {
                at += minute;
                for (int i = -8; i <= 8; i += 8) {
                    // a corner weighs more than a line
                    points.addAll(Collections.nCopies(20, new Point2D.Double(x(at) + i, y(s.target()) + i)));
                }
            }
            from = s.target();
        }
        return points;
    }

    /** At the end of each ramp and of each hold; scripts and keys move them. */
    private void corners() {
        svg.group(String.format(
                Locale.ROOT,
                "id=\"corners\" data-window=\"%s\" data-x0=\"%.1f\" data-x1=\"%.1f\" data-minutes=\"%.2f\" data-y0=\"%.1f\" data-y1=\"%.1f\" data-top=\"%.1f\" data-start=\"%.1f\"",
                shown,
                AREA.getMinX(),
                AREA.getMaxX(),
                shown.minutes,
                y(0),
                y(500),
                500.0,
                data.startC));
        double from = data.startC;
        double at = 0;
        for (int i = 0; i < data.program.size(); i++) {
            Segment s = data.program.get(i);
            double began = at;
            at += s.rampMinutes(from);
            corner(i, "ramp", at, s, "Top of the ramp to " + Math.round(s.target()) + " °C", began, from);
            if (s.hold() > 0) {
                at += s.hold();
                corner(i, "hold", at, s, "End of the hold at " + Math.round(s.target()) + " °C", began, from);
            }
            from = s.target();
        }
        svg.endGroup();
    }

    private void corner(int i, String what, double minute, Segment s, String label, double began, double from) {
        svg.group(String.format(
                Locale.ROOT,
                "class=\"corner\" tabindex=\"0\" role=\"slider\" aria-label=\"%s\" aria-valuenow=\"%d\" aria-valuetext=\"%s\" data-line=\"%d\" data-what=\"%s\" data-minute=\"%.2f\" data-celsius=\"%.1f\" data-began=\"%.2f\" data-from=\"%.1f\" data-most=\"%.0f\"",
                label,
                what.equals("ramp") ? Math.round(s.target()) : s.hold(),
                what.equals("ramp")
                        ? Math.round(s.target()) + " degrees Celsius"
                        : "hold of " + Show.length(Duration.ofMinutes(s.hold())),
                i,
                what,
                minute,
                s.target(),
                began,
                from,
                Range.PROGRAM.most()));
        svg.rect(x(minute) - 13, y(s.target()) - 13, 26, 26, "fill=\"transparent\"");
        svg.rect(
                x(minute) - 4.5,
                y(s.target()) - 4.5,
                9,
                9,
                "class=\"knob\" fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"2\"");
        svg.endGroup();
    }
}
