package kilnryu.app.breakout;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.firing.Incandescence;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.app.web.Units;
import kilnryu.app.web.Verdict;
import kilnryu.core.breakout.MetalCooling;
import kilnryu.core.breakout.Quenching;
import kilnryu.core.breakout.Removal;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;

/**
 * A full mold as it cools.
 *
 * @param now where its clock runs; null before it is full
 * @param bar the window on its time line
 */
public record CoolingView(
        Verdict verdict,
        Now now,
        String bar,
        List<Mark> marks,
        List<FindingView> findings,
        FigureView water,
        FigureView rise,
        Removal removal,
        boolean quenched) {
    private static final double WIDE = 760;
    private static final double LEFT = 10;
    private static final double RIGHT = 750;

    /** @param left seconds to the next mark; null where none comes */
    public record Now(
            String passed,
            String metal,
            String button,
            String colour,
            String word,
            String outside,
            Long left,
            String next) {}

    /** A moment that matters. */
    public record Mark(String label, String after, String at, String button, String colour, String word) {}

    /** @param since when it was full; empty before */
    static CoolingView of(
            Account account,
            MetalCooling cooling,
            Quenching quench,
            Quenching.Kind kind,
            boolean wire,
            Optional<Instant> since,
            Instant now) {
        Units units = account.units();
        FigureView.Maker views = new FigureView.Maker(units, false);
        OptionalDouble passed = since.isPresent()
                ? OptionalDouble.of(
                        Math.max(0, Duration.between(since.get(), now).toMillis() / 1000.0))
                : OptionalDouble.empty();
        List<Mark> marks = marks(account, cooling, quench, since);
        return new CoolingView(
                verdict(quench, passed),
                passed.isPresent() ? now(units, cooling, quench, passed.getAsDouble()) : null,
                bar(cooling, quench, passed),
                marks,
                quench.findings().all().stream()
                        .map(f -> FindingView.of(f, views, 0))
                        .toList(),
                views.of(quench.water()),
                views.of(quench.rise()),
                Removal.of(
                        kind, quench.window().isPresent(), wire, cooling.mold().alloy()),
                quench.window().isPresent());
    }

    private static Verdict verdict(Quenching quench, OptionalDouble passed) {
        Optional<Finding> stop = quench.findings().stops().stream().findFirst();
        if (stop.isPresent()) {
            return new Verdict(
                    "stop", "Stop", stop.get().message() + " " + stop.get().remedy(), 0, List.of());
        }
        if (quench.window().isEmpty()) {
            String why = quench.findings().all().stream()
                    .filter(f -> f.severity() == Severity.WARN)
                    .map(Finding::message)
                    .findFirst()
                    .orElse("Its cooling is not within a day.");
            String when = quench.shakeOut().isPresent()
                    ? passed.orElse(0) >= quench.shakeOut().getAsDouble()
                            ? " It may be shaken out now."
                            : " Shake out " + length(quench.shakeOut().getAsDouble() - passed.orElse(0))
                                    + (passed.isPresent() ? " from now." : " after it is full.")
                    : " It is not cold enough within a day.";
            boolean ready = passed.isPresent()
                    && passed.getAsDouble() >= quench.shakeOut().orElse(Double.MAX_VALUE);
            return new Verdict(ready ? "good" : "note", ready ? "Ready" : "No water", why + when, 0, List.of());
        }
        Quenching.Window w = quench.window().get();
        if (passed.isEmpty()) {
            return new Verdict(
                    "note",
                    "Quench",
                    "from " + length(w.from()) + " to " + length(w.to()) + " after it is full.",
                    0,
                    List.of());
        }
        double s = passed.getAsDouble();
        return s < w.from()
                ? new Verdict("warn", "Too hot", "Not into water for " + length(w.from() - s) + " yet.", 0, List.of())
                : s <= w.to()
                        ? new Verdict("good", "Quench now", length(w.to() - s) + " left in its window.", 0, List.of())
                        : new Verdict(
                                "note",
                                "Window past",
                                "It was right " + length(s - w.to()) + " ago: it comes out by hand, no harm done.",
                                0,
                                List.of());
    }

    private static String length(double seconds) {
        return seconds < 90 ? Math.round(seconds) + " s" : Show.length(Duration.ofSeconds(Math.round(seconds)));
    }

    private static Now now(Units units, MetalCooling cooling, Quenching quench, double s) {
        MetalCooling.Moment m = cooling.at(s);
        OptionalDouble next = java.util.stream.DoubleStream.of(
                        quench.window().map(Quenching.Window::from).orElse(Double.NaN),
                        quench.window().map(Quenching.Window::to).orElse(Double.NaN),
                        quench.shakeOut().orElse(Double.NaN))
                .filter(t -> t > s)
                .min();
        String label = next.isEmpty()
                ? ""
                : quench.window().isPresent()
                                && next.getAsDouble() == quench.window().get().from()
                        ? "until it may go into water"
                        : quench.window().isPresent()
                                        && next.getAsDouble()
                                                == quench.window().get().to()
                                ? "left in its window"
                                : "until it may be shaken out";
        return new Now(
                length(s),
                Show.celsius(m.metal(), units),
                Show.celsius(m.button(), units),
                Incandescence.at(m.button()),
                Incandescence.word(m.button()),
                Show.celsius(m.outside(), units),
                next.isPresent() ? Math.round(next.getAsDouble() - s) : null,
                label);
    }

    private static List<Mark> marks(Account account, MetalCooling cooling, Quenching quench, Optional<Instant> since) {
        List<Mark> marks = new java.util.ArrayList<>();
        cooling.solid().ifPresent(s -> marks.add(mark(account, cooling, "all of it solid", s, since)));
        quench.window().ifPresent(w -> {
            marks.add(mark(account, cooling, "into water from", w.from(), since));
            marks.add(mark(account, cooling, "into water until", w.to(), since));
        });
        quench.shakeOut().ifPresent(s -> marks.add(mark(account, cooling, "out in the air from", s, since)));
        return marks;
    }

    private static Mark mark(
            Account account, MetalCooling cooling, String label, double second, Optional<Instant> since) {
        double button = cooling.at(second).button();
        return new Mark(
                label,
                length(second) + " after full",
                since.map(i -> Show.dayAndClock(
                                i.plusSeconds(Math.round(second)).atZone(account.zoneId())))
                        .orElse(""),
                Show.celsius(button, account.units()),
                Incandescence.at(button),
                Incandescence.word(button));
    }

    /** Time from full on; the button's colour along it, the window under it, the present as a line. */
    private static String bar(MetalCooling cooling, Quenching quench, OptionalDouble passed) {
        double last = Math.max(
                600,
                1.25
                        * Math.max(
                                quench.window().map(Quenching.Window::to).orElse(0.0),
                                quench.window().isEmpty() ? quench.shakeOut().orElse(3600) : 0));
        Svg svg = new Svg(WIDE, 92, "How the button cools, and when it may go into water");
        int steps = 60;
        for (int i = 0; i < steps; i++) {
            double s = last * i / steps;
            svg.rect(
                    x(s, last),
                    10,
                    (RIGHT - LEFT) / steps + 0.6,
                    30,
                    "fill=\"" + Incandescence.at(cooling.at(s).button()) + "\"");
        }
        quench.window().ifPresent(w -> {
            svg.rect(x(w.from(), last), 44, x(w.to(), last) - x(w.from(), last), 12, "fill=\"" + Svg.VERDIGRIS + "\"");
            svg.text(
                    (x(w.from(), last) + x(w.to(), last)) / 2,
                    72,
                    "into water",
                    "font-size=\"13\" text-anchor=\"middle\" fill=\"" + Svg.VERDIGRIS + "\"");
        });
        if (quench.window().isEmpty() && quench.shakeOut().isPresent()) {
            double from = x(quench.shakeOut().getAsDouble(), last);
            svg.rect(from, 44, RIGHT - from, 12, "fill=\"" + Svg.VERDIGRIS + "\"");
            svg.text(
                    from,
                    72,
                    "out in the air",
                    "font-size=\"13\" text-anchor=\"middle\" fill=\"" + Svg.VERDIGRIS + "\"");
        }
        for (double minute = 0; minute * 60 <= last; minute += step(last)) {
            svg.text(
                    x(minute * 60, last),
                    88,
                    String.format(Locale.ROOT, "%.0f min", minute),
                    "font-size=\"12\" text-anchor=\"" + (minute == 0 ? "start" : "middle") + "\" fill=\""
                            + Svg.FAINT_INK + "\"");
        }
        passed.ifPresent(s -> svg.line(
                x(Math.min(s, last), last),
                4,
                x(Math.min(s, last), last),
                60,
                "stroke=\"" + Svg.INK + "\" stroke-width=\"2.5\""));
        return svg.done();
    }

    private static double x(double second, double last) {
        return LEFT + (RIGHT - LEFT) * Math.min(1, second / last);
    }

    private static double step(double last) {
        for (double s : new double[] {2, 5, 10, 20, 30, 60, 120, 240}) {
            if (last / 60 / s <= 8) {
                return s;
            }
        }
        return 480;
    }
}
