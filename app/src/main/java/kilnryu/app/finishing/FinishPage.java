package kilnryu.app.finishing;

import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.factor.LogConstants;
import kilnryu.app.plan.Plan;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Verdict;
import kilnryu.core.breakout.MendOrCast;
import kilnryu.core.breakout.Sawing;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;
import kilnryu.core.learning.FaceHours;
import kilnryu.core.learning.Learned;
import kilnryu.core.learning.Yield;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;

/** Work on the castings of a tree, as its page shows it. */
public record FinishPage(
        Verdict verdict,
        List<StageRow> stages,
        List<Running> running,
        List<Line> log,
        Mending mending,
        FigureView chips,
        String order,
        List<Signed> signs) {
    private static final Range MONEY = new Range(Measure.TIMES, 0, 10_000_000);
    private static final Range RATE = new Range(Measure.TIMES, 0.01, 100_000);
    private static final Range DAYS = new Range(Measure.TIMES, 0, 5000);
    private static final double BLADE_MM = 1.6;

    public record StageRow(
            String key,
            String label,
            String hazard,
            String planned,
            String from,
            String actual,
            boolean over,
            boolean done) {}

    public record Running(long id, String what, String who, long seconds) {}

    public record Line(long id, String stage, String what, String who, String hours, String more) {}

    /** @param marks good for the cheaper, note for the other */
    public record Way(String name, FigureView cost, String days, String late, String risk, boolean better) {}

    public record Mending(
            Map<String, String> typed,
            Map<String, String> errors,
            Way mend,
            Way again,
            FigureView even,
            String risk,
            String good) {}

    public record Signed(String stage, String name, String note, Long photo, String at) {}

    /** What is on record of it. */
    record Seen(
            Plan plan,
            List<FinishStore.Work> work,
            List<FinishStore.Casting> castings,
            List<FinishStore.Hours> log,
            Factors factors,
            FinishStore.Came came,
            Map<String, String> sheet,
            List<FinishStore.Sign> signs,
            Instant now) {
        double grams() {
            double own = castings.stream()
                    .filter(c -> c.grams() != null && !c.verdict().equals("scrap"))
                    .mapToDouble(FinishStore.Casting::grams)
                    .sum();
            return own > 0 ? own : plan.tree().map(t -> t.cavityMetal().value()).orElse(0.0);
        }
    }

    static FinishPage of(Account account, Seen seen) {
        FigureView.Maker views = new FigureView.Maker(account.units(), seen.plan.precious());
        return new FinishPage(
                verdict(seen),
                Arrays.stream(FinishStage.values()).map(s -> stage(s, seen)).toList(),
                seen.work.stream()
                        .filter(FinishStore.Work::running)
                        .map(w -> new Running(
                                w.id(),
                                label(w.stage()) + what(w),
                                w.who(),
                                Duration.between(w.startedAt(), seen.now).toSeconds()))
                        .toList(),
                seen.work.stream()
                        .filter(w -> !w.running())
                        .map(FinishPage::line)
                        .toList(),
                mending(account, seen, views),
                chips(seen.plan).map(views::of).orElse(null),
                order(seen),
                seen.signs.stream()
                        .map(s -> new Signed(
                                s.stage(),
                                s.name(),
                                s.note(),
                                s.photo(),
                                Show.dayAndClock(s.at().atZone(account.zoneId()))))
                        .toList());
    }

    private static String label(String stage) {
        return FinishStage.named(stage).map(FinishStage::label).orElse(stage);
    }

    private static String what(FinishStore.Work w) {
        return (w.casting() == null ? "" : ", casting " + w.casting())
                + (w.section().isEmpty() ? "" : ", " + w.section());
    }

    private static String hours(double h) {
        return h < 1 ? Math.round(h * 60) + " min" : String.format(Locale.ROOT, h < 10 ? "%.1f h" : "%.0f h", h);
    }

    private static Line line(FinishStore.Work w) {
        String more = w.fields().entrySet().stream()
                .filter(e -> !e.getValue().isBlank())
                .map(e -> e.getKey().replace('_', ' ') + " " + e.getValue())
                .collect(Collectors.joining(", "));
        return new Line(
                w.id(),
                label(w.stage()),
                what(w).replaceFirst("^, ", ""),
                w.who(),
                w.hours() == null ? "" : hours(w.hours()),
                more);
    }

    /** Hours that are planned, and by what. */
    private record Hours(double hours, String from) {}

    /** As it was taken from the log, for trees made after that. */
    private static Optional<Hours> taken(FinishStage stage, Seen seen) {
        return Optional.ofNullable(seen.factors
                        .replaced()
                        .get(LogConstants.hours(stage.key()).key()))
                .map(own -> new Hours(FaceHours.ofKilo(own.value(), seen.grams()), own.reason()));
    }

    /** Hours of a stage by the face of what is worked, as the studio's own log has it so far: k x mass^(2/3) [M]. */
    private static Optional<Hours> running(FinishStage stage, Seen seen) {
        List<Learned.Pair> pairs = seen.log.stream()
                .filter(h -> h.stage().equals(stage.key()))
                .map(h -> new Learned.Pair(h.of(), FaceHours.face(h.grams()), h.hours()))
                .toList();
        return pairs.isEmpty()
                ? Optional.empty()
                : Optional.of(new Hours(
                        Learned.of(pairs).value() * FaceHours.face(seen.grams()),
                        "yours, from " + pairs.size() + (pairs.size() == 1 ? " time" : " times")));
    }

    private static StageRow stage(FinishStage stage, Seen seen) {
        Optional<Hours> own = seen.grams() > 0 ? taken(stage, seen).or(() -> running(stage, seen)) : Optional.empty();
        OptionalDouble planned = own.isPresent() ? OptionalDouble.of(own.get().hours) : OptionalDouble.empty();
        double actual = seen.work.stream()
                .filter(w -> w.stage().equals(stage.key()) && w.hours() != null)
                .mapToDouble(FinishStore.Work::hours)
                .sum();
        return new StageRow(
                stage.key(),
                stage.label(),
                stage.hazard(),
                planned.isPresent() ? hours(planned.getAsDouble()) : "not known yet",
                own.map(Hours::from).orElse(""),
                actual > 0 ? hours(actual) : "",
                planned.isPresent() && actual > planned.getAsDouble() * 1.25,
                actual > 0);
    }

    private static Verdict verdict(Seen seen) {
        if (seen.castings.isEmpty()) {
            return new Verdict(
                    "note",
                    "Not yet judged",
                    "It has not been broken out: what there is to finish is not known.",
                    0,
                    List.of());
        }
        long mend =
                seen.castings.stream().filter(c -> c.verdict().equals("mend")).count();
        long good =
                seen.castings.stream().filter(c -> c.verdict().equals("good")).count();
        if (good + mend == 0) {
            return new Verdict(
                    "stop", "Nothing to finish", "All castings are scrap, or none was looked at.", 0, List.of());
        }
        boolean welded = seen.work.stream().anyMatch(w -> w.stage().equals("weld"));
        return mend > 0 && !welded
                ? new Verdict(
                        "warn",
                        "To mend",
                        mend + " of " + seen.castings.size()
                                + " to mend. Reckon below whether to mend or to cast again; a weld trial on a sprue of the same heat first.",
                        0,
                        List.of())
                : new Verdict("good", "In work", good + mend + " to finish.", 0, List.of());
    }

    private static Optional<kilnryu.core.sum.Figure> chips(Plan plan) {
        return plan.gating().flatMap(g -> {
            List<Member> gates = g.plan().assembly().of(Use.GATE);
            int cuts = gates.stream().mapToInt(Member::count).sum();
            double section =
                    gates.stream().mapToDouble(m -> m.narrowest() * m.count()).sum() / Math.max(1, cuts);
            return cuts > 0 && section > 0
                    ? Optional.of(Sawing.chips(
                            cuts,
                            section,
                            BLADE_MM,
                            g.plan().question().alloy().density().value()))
                    : Optional.empty();
        });
    }

    private static String order(Seen seen) {
        List<Integer> scrap = seen.castings.stream()
                .filter(c -> c.verdict().equals("scrap"))
                .map(FinishStore.Casting::number)
                .toList();
        String first = scrap.isEmpty()
                ? ""
                : "Scrap stays on the tree: "
                        + scrap.stream().map(n -> "no. " + n).collect(Collectors.joining(", ")) + ". ";
        return first
                + "Cut the lowest castings first and work toward the cup, thin limbs before heavy ones, so that the tree can be held by what is still heavy."
                + " Vents and feeders next, the sprue last, at its cold end.";
    }

    private static Mending mending(Account account, Seen seen, FigureView.Maker views) {
        Map<String, String> typed = seen.sheet;
        double risk =
                (seen.came.spoiled().spoiled() + 0.5) / (seen.came.spoiled().mended() + 5.0) * 100;
        double good = new Yield(0, 0, Yield.overall(seen.came.good(), seen.came.made())).next() * 100;
        Fields fields = Fields.typed(typed, account.units());
        OptionalDouble hours = fields.quantity("mend_hours", Range.HOURS);
        OptionalDouble rate = fields.quantity("rate", RATE);
        OptionalDouble cast = fields.quantity("cast_cost", MONEY);
        double filler = fields.quantity("filler", MONEY).orElse(0);
        double worth = fields.quantity("worth", MONEY).orElse(0);
        double castHours = fields.quantity("cast_hours", Range.HOURS).orElse(0);
        double itsRisk = fields.quantity("risk", Range.SHARE).orElse(risk);
        double itsGood = fields.quantity("good", Range.SHARE).orElse(good);
        OptionalDouble mendDays = fields.quantity("mend_days", DAYS);
        OptionalDouble castDays = fields.quantity("cast_days", DAYS);
        OptionalDouble due = fields.quantity("due_days", DAYS);
        String ownRisk = String.format(
                Locale.ROOT,
                "%.0f %%: %d of %d mended were spoiled",
                risk,
                seen.came.spoiled().spoiled(),
                seen.came.spoiled().mended());
        String ownGood = String.format(Locale.ROOT, "%.0f %%, by your own log", good);
        if (hours.isEmpty() || rate.isEmpty() || cast.isEmpty() || fields.hasErrors()) {
            return new Mending(typed, fields.errors(), null, null, null, ownRisk, ownGood);
        }
        MendOrCast m = MendOrCast.of(new MendOrCast.Question(
                hours.getAsDouble(),
                rate.getAsDouble(),
                filler,
                itsRisk,
                worth,
                cast.getAsDouble(),
                castHours,
                itsGood));
        return new Mending(
                typed,
                fields.errors(),
                way(
                        "Mend it",
                        views.of(m.mend()),
                        mendDays,
                        due,
                        Math.round(itsRisk) + " % that it is spoiled",
                        m.mendingIsCheaper()),
                way(
                        "Cast it again",
                        views.of(m.again()),
                        castDays,
                        due,
                        Math.round(100 - itsGood) + " % that it fails again",
                        !m.mendingIsCheaper()),
                views.of(m.breakEven()),
                ownRisk,
                ownGood);
    }

    private static Way way(
            String name, FigureView cost, OptionalDouble days, OptionalDouble due, String risk, boolean better) {
        OptionalDouble late = days.isPresent() ? MendOrCast.late(due, days.getAsDouble()) : OptionalDouble.empty();
        return new Way(
                name,
                cost,
                days.isPresent() ? Show.exact(days.getAsDouble()) + " days" : "days not said",
                late.isEmpty()
                        ? ""
                        : late.getAsDouble() > 0 ? Show.exact(late.getAsDouble()) + " days late" : "in time",
                risk,
                better);
    }
}
