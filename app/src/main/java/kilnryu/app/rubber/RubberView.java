package kilnryu.app.rubber;

import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Verdict;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.rubber.Cure;
import kilnryu.core.rubber.Material;
import kilnryu.core.rubber.RubberMold;
import kilnryu.core.rubber.Vulcanising;
import kilnryu.core.sum.Figure;

/**
 * A mold of rubber as its pages show it.
 *
 * @param next the coat to be mixed and laid; null where none is
 * @param clock what its rubber does now; null before the first coat
 */
public record RubberView(
        Verdict verdict,
        List<FigureView> figures,
        List<FindingView> findings,
        List<CoatLine> coats,
        Next next,
        Clock clock,
        List<String> cautions,
        Pulls pulls,
        String cost,
        String drawing,
        List<String> jacketParts,
        List<Logged> log) {

    /** @param state laid, next or to come */
    public record CoatLine(
            int number, String thick, String base, String hardener, String thickener, String state, String at) {}

    public record Next(int number, String base, String hardener, String thickener, String thick, String potLife) {}

    /** @param seconds until what it says; null where it only says */
    public record Clock(String says, Long seconds, String mark) {}

    /** Something in the log of a mold. */
    public record Logged(String at, String says, String by) {}

    public record Pulls(long good, long all, String worn, List<String> faults) {}

    /** A part of a jacket over this is lifted by two, g; ours. */
    private static final double TWO_HANDS = 12_000;

    static RubberView of(Account account, RubberMolds.Mold mold, Instant now) {
        RubberSheet sheet = mold.sheet();
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        List<Figure> figures = new ArrayList<>();
        sheet.plan().ifPresent(p -> {
            figures.add(p.rubber());
            p.base().ifPresent(figures::add);
            p.hardener().ifPresent(figures::add);
            p.jacket().ifPresent(figures::add);
        });
        sheet.cure().ifPresent(c -> {
            figures.add(c.potLife());
            figures.add(c.cured());
        });
        sheet.vulcanising().ifPresent(v -> figures.add(v.minutes()));
        Findings findings = sheet.plan().map(RubberMold::findings).orElse(Findings.NONE);
        List<Finding> all = new ArrayList<>(findings.all());
        sheet.vulcanising().ifPresent(v -> all.addAll(v.findings().all()));
        late(mold.course(), all);
        return new RubberView(
                verdict(account, mold, all, now),
                figures.stream().map(views::of).toList(),
                all.stream().map(f -> FindingView.of(f, views, 0)).toList(),
                coats(account, mold),
                next(account, mold),
                clock(mold, now),
                sheet.material().map(Material::cautions).orElse(List.of()),
                pulls(mold),
                sheet.cost().isPresent()
                        ? String.format(
                                Locale.ROOT, "%.2f of rubber", sheet.cost().getAsDouble())
                        : "",
                RubberDrawing.of(mold),
                jacketParts(account, mold),
                RubberLog.of(account, mold.events()));
    }

    /** What each part of the jacket weighs; of one part nothing is said. */
    private static List<String> jacketParts(Account account, RubberMolds.Mold mold) {
        int parts = mold.row().text("jacket.parts").matches("\\d{1,2}")
                ? Integer.parseInt(mold.row().text("jacket.parts"))
                : 1;
        Optional<Figure> jacket = mold.sheet().plan().flatMap(RubberMold::jacket);
        if (parts < 2 || jacket.isEmpty()) {
            return List.of();
        }
        double each = jacket.get().value() / parts;
        List<String> lines = new ArrayList<>();
        lines.add(parts + " parts of " + Show.value(each, Measure.GRAM, account.units(), false)
                + " each, where they are alike");
        if (each > TWO_HANDS) {
            lines.add("Heavy for one pair of hands: a handle in each, two people, or more parts.");
        }
        return lines;
    }

    /** A coat that went onto cured rubber does not hold by itself. */
    private static void late(RubberCourse course, List<Finding> found) {
        for (int i = 0; i < course.laid().size(); i++) {
            RubberCourse.Laid l = course.laid().get(i);
            if (l.late()) {
                found.add(Finding.warn(
                        "coat-late-" + (i + 1),
                        "coat-" + (i + 1),
                        "Coat " + (i + 1) + " went onto rubber that was cured.",
                        "It holds only by its own stick, and may peel at an edge when the wax is pulled.",
                        "Pull at its edge when all is cured; where it lifts, wash with solvent and coat again."));
            }
            if (l.early()) {
                found.add(Finding.note(
                        "coat-early-" + (i + 1),
                        "coat-" + (i + 1),
                        "Coat " + (i + 1) + " went onto rubber that still ran.",
                        "It slides, and thins high places.",
                        "One more coat on ridges and edges."));
            }
        }
    }

    private static Verdict verdict(Account account, RubberMolds.Mold mold, List<Finding> all, Instant now) {
        RubberSheet sheet = mold.sheet();
        if (sheet.plan().isEmpty()) {
            return new Verdict(
                    "note",
                    "Not yet judged",
                    sheet.lacking().isEmpty()
                            ? "Something typed cannot be read."
                            : sheet.lacking().get(0),
                    Math.max(0, sheet.lacking().size() - 1),
                    List.of());
        }
        if (mold.course().retired()) {
            return new Verdict("note", "Worn out and retired", worn(mold), 0, List.of());
        }
        Optional<Finding> worst = all.stream()
                .filter(f -> f.severity() == kilnryu.core.finding.Severity.STOP)
                .findFirst()
                .or(() -> all.stream()
                        .filter(f -> f.severity() == kilnryu.core.finding.Severity.WARN)
                        .findFirst());
        if (worst.isPresent()) {
            boolean stop = worst.get().severity() == kilnryu.core.finding.Severity.STOP;
            return new Verdict(
                    stop ? "stop" : "warn",
                    stop ? "Stop" : "Warning",
                    worst.get().message() + " " + worst.get().remedy(),
                    all.size() - 1,
                    List.of());
        }
        List<String> unknown = sheet.vulcanising().map(Vulcanising::unknown).orElse(List.of());
        if (!unknown.isEmpty() && !mold.ready(now)) {
            return new Verdict(
                    "note",
                    "Not yet judged",
                    Character.toUpperCase(unknown.get(0).charAt(0))
                            + unknown.get(0).substring(1) + ".",
                    unknown.size() - 1,
                    List.of());
        }
        return mold.ready(now)
                ? new Verdict("good", "Ready for wax", worn(mold), 0, List.of())
                : new Verdict("note", standing(mold, account.zoneId(), now), "", 0, List.of());
    }

    private static String standing(RubberMolds.Mold mold, ZoneId zone, Instant now) {
        if (mold.sheet().vulcanising().isPresent()) {
            return mold.course().pressing().isPresent() ? "In the press" : "Not in the press yet";
        }
        int planned = mold.sheet().plan().map(p -> p.coats().size()).orElse(0);
        if (mold.course().laid().isEmpty()) {
            return planned == 0 ? "Not poured yet" : "No coat is on yet";
        }
        if (!mold.coated()) {
            return mold.course().laid().size() + " of " + planned + " coats are on";
        }
        return mold.sheet()
                .cure()
                .flatMap(mold.course()::cured)
                .filter(c -> c.isAfter(now))
                .map(c -> "Cures until " + Show.dayAndClock(c.atZone(zone)))
                .orElse("Cured");
    }

    static String worn(RubberMolds.Mold mold) {
        long all = mold.course().pulls().size();
        Optional<Material> material = mold.sheet().material();
        if (material.isEmpty()) {
            return all + (all == 1 ? " pull" : " pulls");
        }
        Material m = material.get();
        return all + (all == 1 ? " pull" : " pulls") + " of " + m.pullsFrom() + " to " + m.pullsTo()
                + (all >= m.pullsFrom() ? ": look at edges and lines before each" : "");
    }

    private static List<CoatLine> coats(Account account, RubberMolds.Mold mold) {
        List<RubberMold.Coat> planned =
                mold.sheet().plan().map(RubberMold::coats).orElse(List.of());
        List<RubberCourse.Laid> laid = mold.course().laid();
        List<CoatLine> lines = new ArrayList<>();
        for (int i = 0; i < Math.max(planned.size(), laid.size()); i++) {
            Optional<RubberMold.Coat> p = i < planned.size() ? Optional.of(planned.get(i)) : Optional.empty();
            boolean on = i < laid.size();
            lines.add(new CoatLine(
                    i + 1,
                    p.map(c -> String.format(Locale.ROOT, "%.1f mm", c.mm())).orElse("more than planned"),
                    p.flatMap(RubberMold.Coat::base).map(f -> grams(account, f)).orElse(""),
                    p.flatMap(RubberMold.Coat::hardener)
                            .map(f -> grams(account, f))
                            .orElse(""),
                    thickener(account, mold, i),
                    on ? laid.get(i).late() ? "late" : "laid" : i == laid.size() ? "next" : "to come",
                    on
                            ? Show.dayAndClock(laid.get(i).at().atZone(account.zoneId())) + ", "
                                    + laid.get(i).by()
                            : ""));
        }
        return lines;
    }

    private static String grams(Account account, Figure f) {
        return Show.value(f.value(), Measure.GRAM, account.units(), false).toString();
    }

    /** The first coat is thin for detail; those after it are thickened. */
    private static String thickener(Account account, RubberMolds.Mold mold, int coat) {
        List<RubberMold.Coat> planned =
                mold.sheet().plan().map(RubberMold::coats).orElse(List.of());
        double percent = mold.sheet().thickener().orElse(0);
        return coat == 0 || coat >= planned.size() || percent <= 0
                ? ""
                : grams(account, RubberMold.thickener(planned.get(coat), percent));
    }

    private static Next next(Account account, RubberMolds.Mold mold) {
        Optional<RubberMold> plan = mold.sheet().plan();
        int on = mold.course().laid().size();
        if (plan.isEmpty()
                || mold.course().retired()
                || mold.sheet().vulcanising().isPresent()) {
            return null;
        }
        String pot = mold.sheet()
                .cure()
                .map(c -> String.format(Locale.ROOT, "%.0f min", c.potLife().value()))
                .orElse("");
        List<RubberMold.Coat> coats = plan.get().coats();
        if (coats.isEmpty() && on == 0) {
            return new Next(
                    1,
                    plan.get().base().map(f -> grams(account, f)).orElse(""),
                    plan.get().hardener().map(f -> grams(account, f)).orElse(""),
                    "",
                    "all at once",
                    pot);
        }
        if (on >= coats.size()) {
            return null;
        }
        RubberMold.Coat c = coats.get(on);
        return new Next(
                on + 1,
                c.base().map(f -> grams(account, f)).orElse(""),
                c.hardener().map(f -> grams(account, f)).orElse(""),
                thickener(account, mold, on),
                String.format(Locale.ROOT, "%.1f mm", c.mm()),
                pot);
    }

    private static Clock clock(RubberMolds.Mold mold, Instant now) {
        Optional<Vulcanising> press = mold.sheet().vulcanising();
        if (press.isPresent()) {
            return press(mold.course(), press.get(), now);
        }
        Optional<Cure> cure = mold.sheet().cure();
        Optional<RubberCourse.Laid> last = mold.course().lastCoat();
        if (cure.isEmpty() || last.isEmpty()) {
            return null;
        }
        Instant cup =
                last.get().at().plusSeconds(Math.round(cure.get().potLife().value() * 60));
        if (now.isBefore(cup)) {
            return new Clock("the cup can be worked", seconds(now, cup), "note");
        }
        if (mold.coated()) {
            Instant cured = mold.course().cured(cure.get()).orElseThrow();
            return now.isBefore(cured)
                    ? new Clock("until it is cured", seconds(now, cured), "note")
                    : new Clock("Cured: wax may go in.", null, "good");
        }
        Instant from = mold.course().earliest(cure.get()).orElseThrow();
        Instant to = mold.course().latest(cure.get()).orElseThrow();
        return now.isBefore(from)
                ? new Clock("until the next coat may go on", seconds(now, from), "note")
                : now.isBefore(to)
                        ? new Clock("left to lay the next coat", seconds(now, to), "good")
                        : new Clock(
                                "Late: it is cured. Wash it with solvent, open air and no flame, then coat at once.",
                                null,
                                "warn");
    }

    private static Clock press(RubberCourse course, Vulcanising press, Instant now) {
        if (course.pressing().isEmpty()) {
            return course.pressed() ? new Clock("Out of the press: cut it open when it is cold.", null, "good") : null;
        }
        Instant until =
                course.pressing().get().plusSeconds(Math.round(press.minutes().value() * 60));
        return now.isBefore(until)
                ? new Clock("in the press", seconds(now, until), "note")
                : new Clock("Its time is over: out of the press, gloves on.", null, "warn");
    }

    private static long seconds(Instant now, Instant then) {
        return Math.max(1, java.time.Duration.between(now, then).toSeconds());
    }

    private static Pulls pulls(RubberMolds.Mold mold) {
        List<String> faults = mold.course().pulls().stream()
                .map(RubberCourse.Pull::fault)
                .filter(f -> !f.isEmpty())
                .collect(java.util.stream.Collectors.groupingBy(
                        f -> f, java.util.TreeMap::new, java.util.stream.Collectors.counting()))
                .entrySet()
                .stream()
                .map(e -> e.getKey() + " " + e.getValue())
                .toList();
        return new Pulls(mold.course().good(), mold.course().pulls().size(), worn(mold), faults);
    }
}
