package kilnryu.app.foresight;

import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.IntStream;
import kilnryu.app.plan.Plan;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.app.web.Verdict;
import kilnryu.core.gating.Assembly;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;
import kilnryu.core.quantity.Measure;

/**
 * A look ahead as its page shows it.
 *
 * @param old whether the tree was changed since
 * @param at when it was reckoned, in words
 * @param legend classes of freezing time, colour and words
 * @param fine whether it shows where fine holes are likeliest, instead of times
 * @param step of the slider: up to {@value #FULL} it fills, then it freezes
 * @param says of the cells, and what is not known
 */
public record ForesightPage(
        Told told,
        boolean old,
        String at,
        Verdict verdict,
        String drawing,
        List<Class> legend,
        boolean fine,
        CutDrawing.Plane plane,
        double off,
        double offLeast,
        double offMost,
        int step,
        String moment,
        String full,
        String last,
        String says) {
    /** Steps of the slider until the mold is full; there are five times as many in all. */
    static final int FULL = 40;

    static final int STEPS = 200;
    /** What the cut is coloured by, when not by times. */
    static final String FINE = "fine";

    /** Cells across a wall for times within a twentieth. */
    static final int ACROSS = 4;

    /** A class of the scale. */
    public record Class(String colour, String words) {}

    /** A line of the comparison of a tried change. */
    public record Compared(String what, String now, String then, boolean better) {}

    /** Which moment a step of the slider is. */
    record Moment(boolean filling, double seconds) {
        static Moment of(int step, FrozenCells cells) {
            int s = Math.max(0, Math.min(STEPS, step));
            return s < FULL
                    ? new Moment(true, cells.fill() * s / FULL)
                    : new Moment(false, cells.seconds() * (s - FULL) / (STEPS - FULL));
        }

        String words() {
            return filling
                    ? String.format(Locale.ROOT, "filling, %.1f s", seconds)
                    : minutes(seconds) + " min after it is full";
        }
    }

    static ForesightPage of(
            long tree,
            Outlook outlook,
            ForesightStore.Row row,
            boolean old,
            ZoneId zone,
            CutDrawing.View view,
            int step) {
        Told told = outlook.told();
        FrozenCells c = outlook.cells();
        int across = view.plane().across();
        double least = c.low()[across];
        return new ForesightPage(
                told,
                old,
                Show.dayAndClock(row.at().atZone(zone)),
                verdict(tree, told, old),
                CutDrawing.of(outlook, view),
                view.fine() ? draws() : legend(CutDrawing.classes(told, c)),
                view.fine(),
                view.plane(),
                Math.round(10 * view.off()) / 10.0 + 0.0,
                Math.ceil(least),
                Math.floor(least + c.grid().along(across) * c.edge()),
                step,
                Moment.of(step, c).words(),
                String.format(Locale.ROOT, "full %.1f s", told.fill()),
                told.everSolid() ? "last solid " + minutes(told.seconds()) : "never all solid",
                says(told));
    }

    static Verdict verdict(long tree, Told told, boolean old) {
        List<Verdict.Remedy> remedies = new ArrayList<>();
        Optional<Told.Mark> worst =
                told.marks().stream().filter(Told.Mark::grave).findFirst();
        worst.flatMap(m -> m.helps().stream().findFirst())
                .ifPresent(h -> remedies.add(Verdict.Remedy.link(
                        "Try: " + h.words(),
                        "/trees/" + tree + "/foresight?change="
                                + java.net.URLEncoder.encode(h.code(), java.nio.charset.StandardCharsets.UTF_8)
                                + "#tried")));
        if (old) {
            return new Verdict(
                    "note", "Old", "The tree was changed since it was filled and frozen here.", 0, List.of());
        }
        Optional<Told.Note> stop =
                told.notes().stream().filter(n -> n.severity().equals("stop")).findFirst();
        if (stop.isPresent()) {
            return new Verdict(
                    "stop", "Stop", stop.get().message() + " " + stop.get().reason(), 0, List.of());
        }
        if (worst.isPresent()) {
            Told.Mark m = worst.get();
            boolean grave = m.severity().equals("stop");
            int more = (int) told.marks().stream()
                            .filter(o -> o.severity().equals(m.severity()))
                            .count()
                    - 1;
            return new Verdict(
                    grave ? "stop" : "warn", grave ? "Stop" : "Warning", m.title() + ". " + m.says(), more, remedies);
        }
        if (!told.judged()) {
            return new Verdict(
                    "note",
                    "Not yet judged",
                    told.besides().isEmpty() ? "" : told.besides().get(0).message(),
                    Math.max(0, told.besides().size() - 1),
                    List.of());
        }
        return new Verdict(
                "good", "No pool, no shut air, nothing that stops", "of what these cells can tell.", 0, List.of());
    }

    /** What it was filled with, under its title. */
    public String sub() {
        return String.format(
                Locale.ROOT, "filled and frozen: metal at %.0f °C, mold at %.0f °C", told.pourC(), told.moldC());
    }

    private static List<Class> legend(double[] bounds) {
        List<Class> legend = new ArrayList<>();
        for (int i = 0; i < CutDrawing.CLASSES.size(); i++) {
            String words = i == 0
                    ? "under " + plain(bounds[0])
                    : i == bounds.length
                            ? "over " + plain(bounds[i - 1])
                            : plain(bounds[i - 1]) + " to " + plain(bounds[i]);
            legend.add(new Class(CutDrawing.CLASSES.get(i), words));
        }
        return legend;
    }

    private static List<Class> draws() {
        List<String> words = List.of("weakest tenth", "next fifth", "the rest");
        return IntStream.range(0, words.size())
                .mapToObj(i -> new Class(CutDrawing.DRAWS.get(i), words.get(i)))
                .toList();
    }

    private static String says(Told told) {
        String across = told.thinnest() > 0
                ? String.format(
                        Locale.ROOT,
                        "%.1f across the thinnest wall of %.1f mm%s",
                        told.thinnest() / told.edge(),
                        told.thinnest(),
                        told.thinnest() / told.edge() < ACROSS ? ", four are asked for" : "")
                : "the thinnest wall is not known";
        return String.format(Locale.ROOT, "%,d cells of %.2f mm, %s.", told.cells(), told.edge(), across);
    }

    /** Whole minutes as they are. */
    private static String plain(double seconds) {
        return seconds % 60 == 0 ? Long.toString(Math.round(seconds / 60)) : minutes(seconds);
    }

    static String minutes(double seconds) {
        long whole = Math.round(seconds);
        return String.format(Locale.ROOT, "%d:%02d", whole / 60, whole % 60);
    }

    /** What a change does, line by line. */
    static List<Compared> compared(Told now, Plan planNow, Told then, Plan planThen, Units units) {
        List<Compared> lines = new ArrayList<>();
        lines.add(line("hollow in castings", now.lacks(), then.lacks(), "%.2f cm³", true));
        lines.add(line("shut air, not filled", now.unfilled(), then.unfilled(), "%.2f cm³", true));
        lines.add(new Compared("last solid", last(now), last(then), false));
        lines.add(new Compared("metal poured", metal(planNow, units), metal(planThen, units), false));
        lines.add(new Compared("yield", given(planNow), given(planThen), false));
        lines.add(line("necks to cut off", necks(planNow), necks(planThen), "%.0f mm²", false));
        return lines;
    }

    private static Compared line(String what, double now, double then, String format, boolean marked) {
        return new Compared(
                what,
                now < 0.005 ? "none" : String.format(Locale.ROOT, format, now),
                then < 0.005 ? "none" : String.format(Locale.ROOT, format, then),
                marked && then < now - 0.005);
    }

    private static String last(Told told) {
        return told.everSolid() ? told.last() + ", " + minutes(told.seconds()) + " min" : "never";
    }

    private static String metal(Plan plan, Units units) {
        return plan.tree()
                .map(t -> Show.figure(t.cavityMetal(), units).toString())
                .orElse("");
    }

    private static String given(Plan plan) {
        return plan.tree()
                .flatMap(t -> t.yield())
                .map(y -> Show.value(y.value(), Measure.PERCENT, Units.METRIC, false)
                        .toString())
                .orElse("");
    }

    /** Sections of all that joins castings, mm2. */
    static double necks(Plan plan) {
        if (plan.gating().isEmpty()) {
            return 0;
        }
        Assembly all = plan.gating().get().plan().assembly();
        double sum = 0;
        for (Member m : all.fromRoot()) {
            boolean onPiece = all.parentOf(m).filter(p -> p.use() == Use.PIECE).isPresent()
                    || all.named(m.endsAt()).filter(p -> p.use() == Use.PIECE).isPresent();
            Optional<Member> parent = all.parentOf(m);
            if (m.use() != Use.PIECE && onPiece && Double.isFinite(m.narrowest())) {
                sum += m.narrowest() * m.count();
            } else if (m.use() == Use.PIECE
                    && parent.isPresent()
                    && Double.isFinite(parent.get().narrowest())) {
                sum += parent.get().narrowest() * m.count();
            }
        }
        return sum;
    }
}
