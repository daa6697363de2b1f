package kilnryu.app.wax;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Verdict;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.Slush;

/**
 * A wax as its pages show it.
 *
 * @param clock what runs now; null where none does
 * @param next what is tapped next: pour, out, pulled, or of its wash and cure; empty when there is none
 * @param bare its mass without wax, in words; empty before
 * @param coated likewise with wax
 * @param windows cut and kept, in words
 * @param inHand whether it can be looked over
 * @param mean wall by its mass, in words; empty before it was weighed
 */
public record WaxView(
        Verdict verdict,
        String drawing,
        List<LayerLine> layers,
        List<FigureView> figures,
        List<FindingView> findings,
        Clock clock,
        String next,
        String mean,
        List<CheckLine> checks,
        String stands,
        boolean inHand,
        List<String> cautions,
        String bare,
        String coated,
        List<String> windows) {
    private static final double FAR = 0.25;

    public record LayerLine(int number, String wall, String dwell, String cools, String stood, boolean on) {}

    /** @param seconds until what it says; null where it only says */
    public record Clock(String says, Long seconds, String mark) {}

    /** @param state yes, no or empty for not looked at */
    public record CheckLine(String key, String label, String state, String remedy, String sideEffect) {}

    static WaxView of(Account account, WaxSheet sheet, WaxCourse course, Instant now) {
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        List<Finding> found =
                new ArrayList<>(sheet.slush().map(s -> s.findings().all()).orElse(List.of()));
        weighed(sheet, course).ifPresent(found::add);
        sheet.pattern().ifPresent(p -> found.addAll(p.findings(course.pattern())));
        gateless(course, found);
        List<Figure> figures = new ArrayList<>();
        sheet.slush().ifPresent(s -> {
            s.coefficient().ifPresent(figures::add);
            s.wax().ifPresent(figures::add);
        });
        sheet.pattern().ifPresent(p -> figures.addAll(p.figures(course.pattern())));
        return new WaxView(
                verdict(account, sheet, course, found),
                sheet.slush()
                        .map(s ->
                                WallDrawing.of(s, sheet.question().orElseThrow().target(), course))
                        .or(() -> sheet.pattern()
                                .flatMap(PatternSheet::print)
                                .map(p -> PrintDrawing.of(p.leanDegrees(), p.supports())))
                        .orElse(""),
                layers(sheet, course),
                figures.stream().map(views::of).toList(),
                found.stream().map(f -> FindingView.of(f, views, 0)).toList(),
                clock(sheet, course, now),
                next(sheet, course),
                mean(sheet, course),
                WaxCheck.of(sheet.made()).stream()
                        .map(c -> new CheckLine(
                                c.key(),
                                c.label(),
                                course.checks().containsKey(c.key())
                                        ? course.checks().get(c.key()) ? "yes" : "no"
                                        : "",
                                c.remedy(),
                                c.sideEffect()))
                        .toList(),
                stands(sheet, course),
                inHand(sheet, course),
                sheet.pattern().map(PatternView::cautions).orElse(List.of()),
                grams(account, course.pattern().bare()),
                grams(account, course.pattern().coated()),
                course.windows().stream()
                        .map(w -> w.where() + ", "
                                + (w.grams().isPresent() ? grams(account, w.grams()) : "not weighed") + "; "
                                + (w.gate().isEmpty() ? "no gate yet" : w.gate()))
                        .toList());
    }

    /** Mass over area and density, mm; empty where one of them is not known. */
    static OptionalDouble meanWall(WaxSheet sheet, WaxCourse course) {
        return course.whole().isEmpty()
                        || sheet.areaCm2().isEmpty()
                        || sheet.question().isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(course.whole().getAsDouble()
                        / (sheet.areaCm2().getAsDouble()
                                * sheet.question().get().wax().heat().rho()
                                / 1000)
                        * 10);
    }

    private static Optional<Finding> weighed(WaxSheet sheet, WaxCourse course) {
        OptionalDouble mean = meanWall(sheet, course);
        if (mean.isEmpty()) {
            return Optional.empty();
        }
        double target = sheet.question().orElseThrow().target();
        double off = mean.getAsDouble() / target - 1;
        if (Math.abs(off) <= FAR) {
            return Optional.empty();
        }
        return Optional.of(Finding.warn(
                off < 0 ? "wax-light" : "wax-heavy",
                "weigh",
                String.format(
                        Locale.ROOT,
                        "By its mass the wall is %.1f mm on average; %.1f were asked.",
                        mean.getAsDouble(),
                        target),
                off < 0
                        ? "Somewhere it is thin: it runs short in metal there, or tears."
                        : "Somewhere it is thick: it shrinks, and costs metal.",
                "Hold it against the light, or feel with a pin; paint thin places, scrape thick ones."));
    }

    /** A window is a part of its own: without a gate nobody remembers to cast it. */
    private static void gateless(WaxCourse course, List<Finding> found) {
        course.windows().stream()
                .filter(w -> w.gate().isEmpty())
                .forEach(w -> found.add(Finding.note(
                        "window-gate-" + w.number(),
                        "window-" + w.number(),
                        "Window " + w.number() + " has no gate yet.",
                        "It is cast as its own part, or a patch has to be cut and fitted from sheet.",
                        "Give it its own gate on this tree, or say which tree takes it.")));
    }

    /** Whether it can be looked over: out of its mold, or made in none and cured through. */
    static boolean inHand(WaxSheet sheet, WaxCourse course) {
        return sheet.pattern()
                .map(p -> next(sheet, course).isEmpty())
                .orElse(course.pulled().isPresent());
    }

    private static Verdict verdict(Account account, WaxSheet sheet, WaxCourse course, List<Finding> found) {
        Optional<Finding> worst = found.stream()
                .filter(f -> f.severity() == Severity.STOP)
                .findFirst()
                .or(() -> found.stream()
                        .filter(f -> f.severity() == Severity.WARN)
                        .findFirst());
        if (worst.isPresent()) {
            boolean stop = worst.get().severity() == Severity.STOP;
            return new Verdict(
                    stop ? "stop" : "warn",
                    stop ? worst.get().safety() ? "Safety stop" : "Stop" : "Warning",
                    worst.get().message() + " " + worst.get().remedy(),
                    found.size() - 1,
                    List.of());
        }
        if (course.signed().isEmpty() && sheet.pattern().isPresent()) {
            List<String> unknown = sheet.pattern().get().unknown(course.pattern());
            if (!unknown.isEmpty()) {
                return new Verdict(
                        "note", "Not yet judged", capital(unknown.get(0)) + ".", unknown.size() - 1, List.of());
            }
        }
        if (sheet.question().isEmpty() && sheet.pattern().isEmpty()) {
            return new Verdict(
                    "note",
                    "Not yet judged",
                    sheet.lacking().isEmpty()
                            ? "Something typed cannot be read."
                            : sheet.lacking().get(0),
                    Math.max(0, sheet.lacking().size() - 1),
                    List.of());
        }
        List<String> open = course.checks().entrySet().stream()
                .filter(e -> !e.getValue())
                .map(e -> WaxCheck.named(e.getKey()).map(WaxCheck::label).orElse(e.getKey()))
                .toList();
        if (!open.isEmpty()) {
            return new Verdict("warn", "To mend", String.join(", ", open) + ".", 0, List.of());
        }
        return course.signed().isPresent()
                ? new Verdict("good", "Signed off", "by " + course.signed().get() + ".", 0, List.of())
                : new Verdict("note", capital(stands(sheet, course)), "", 0, List.of());
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    static String stands(WaxSheet sheet, WaxCourse course) {
        if (course.signed().isPresent()) {
            return "signed off";
        }
        if (sheet.pattern().isPresent()) {
            return PatternView.stands(sheet.pattern().get(), course);
        }
        if (course.pulled().isPresent()) {
            return course.grams().isPresent() ? "weighed, to be signed off" : "pulled, to be looked over";
        }
        int planned = sheet.slush().map(s -> s.layers().size()).orElse(0);
        return course.poured().isPresent()
                ? "stands full"
                : course.layers().isEmpty()
                        ? "not poured yet"
                        : course.layers().size() + " of " + planned + " layers on";
    }

    private static List<LayerLine> layers(WaxSheet sheet, WaxCourse course) {
        List<Slush.Layer> planned = sheet.slush().map(Slush::layers).orElse(List.of());
        List<LayerLine> lines = new ArrayList<>();
        for (int i = 0; i < Math.max(planned.size(), course.layers().size()); i++) {
            Optional<Slush.Layer> l = i < planned.size() ? Optional.of(planned.get(i)) : Optional.empty();
            boolean on = i < course.layers().size();
            lines.add(new LayerLine(
                    i + 1,
                    l.map(x -> String.format(Locale.ROOT, "to %.1f mm", x.to())).orElse("more than planned"),
                    l.map(x -> clocked(x.dwell().value())).orElse(""),
                    l.filter(x -> x.cools().isPresent() && x.cools().getAsDouble() > 0)
                            .map(x -> "then "
                                    + Show.length(Duration.ofSeconds(
                                            Math.round(x.cools().getAsDouble()))) + " to cool")
                            .orElse(""),
                    on ? clocked(course.layers().get(i)) : "",
                    on));
        }
        return lines;
    }

    private static String clocked(double seconds) {
        return seconds < 100
                ? Math.round(seconds) + " s"
                : String.format(Locale.ROOT, "%d:%02d min", Math.round(seconds) / 60, Math.round(seconds) % 60);
    }

    private static Clock clock(WaxSheet sheet, WaxCourse course, Instant now) {
        if (sheet.pattern().isPresent()) {
            return PatternView.clock(sheet.pattern().get(), course.pattern(), now);
        }
        List<Slush.Layer> planned = sheet.slush().map(Slush::layers).orElse(List.of());
        int on = course.layers().size();
        if (course.poured().isPresent() && on < planned.size()) {
            Instant end = course.poured()
                    .get()
                    .plusMillis(Math.round(planned.get(on).dwell().value() * 1000));
            return now.isBefore(end)
                    ? new Clock("until it is turned out", seconds(now, end), "note")
                    : new Clock("Turn it out now: the wall grows on.", null, "warn");
        }
        if (course.poured().isPresent()) {
            return new Clock("It stands full; no more layer was planned.", null, "warn");
        }
        if (course.out().isPresent() && on > 0 && on < planned.size()) {
            OptionalDouble cools = planned.get(on - 1).cools();
            Instant cold = course.out().get().plusSeconds(Math.round(cools.orElse(0)));
            return cools.isPresent() && now.isBefore(cold)
                    ? new Clock("until the mold is cold again", seconds(now, cold), "note")
                    : new Clock("Next layer, " + clocked(planned.get(on).dwell().value()) + ".", null, "good");
        }
        return null;
    }

    private static long seconds(Instant now, Instant then) {
        return Math.max(1, Duration.between(now, then).toSeconds());
    }

    static String next(WaxSheet sheet, WaxCourse course) {
        if (sheet.pattern().isPresent()) {
            return PatternView.next(sheet.pattern().get(), course.pattern());
        }
        if (course.pulled().isPresent()) {
            return "";
        }
        if (course.poured().isPresent()) {
            return "out";
        }
        int planned = sheet.slush().map(s -> s.layers().size()).orElse(0);
        return course.layers().size() >= Math.max(1, planned) ? "pulled" : "pour";
    }

    private static String mean(WaxSheet sheet, WaxCourse course) {
        if (course.grams().isEmpty() || sheet.pattern().isPresent()) {
            return "";
        }
        OptionalDouble mean = meanWall(sheet, course);
        return mean.isEmpty()
                ? course.whole().isEmpty()
                        ? "Its mean wall is not yet judged: a window was not weighed."
                        : "Its mean wall is not yet judged: no area is known."
                : String.format(Locale.ROOT, "%.1f mm on average", mean.getAsDouble());
    }

    private static String grams(Account account, OptionalDouble grams) {
        return grams.isPresent() ? grams(account, grams.getAsDouble()) : "";
    }

    static String grams(Account account, double grams) {
        return Show.value(grams, Measure.GRAM, account.units(), false).toString();
    }
}
