package kilnryu.app.breakout;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.diagnosis.WhyView;
import kilnryu.app.plan.Plans;
import kilnryu.app.pour.PouredMold;
import kilnryu.app.tree.Face;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.Series;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;

/** Castings of the same piece side by side: what was changed, what was planned and done, what came out. */
@Controller
class TriesController {
    private static final int MOST = 60;

    private final BreakOutStore store;
    private final AgainStore again;
    private final BreakOuts breakOuts;
    private final Plans plans;

    TriesController(BreakOutStore store, AgainStore again, BreakOuts breakOuts, Plans plans) {
        this.store = store;
        this.again = again;
        this.breakOuts = breakOuts;
        this.plans = plans;
    }

    /** A line of tries in the list. */
    public record Line(long first, String name, String face, int tries, String last) {}

    /** A row of the table, one cell for each try. @param differs whether the cells are not all alike */
    public record Row(String label, List<String> cells, boolean differs) {}

    /**
     * One try.
     *
     * @param luck what can be said of it against the one before; empty where there is nothing to say
     * @param together what changed besides and acts on the same defect; empty where one change was made
     */
    public record Try(
            long tree,
            String name,
            String face,
            String change,
            String reason,
            String came,
            String bar,
            boolean best,
            String luck,
            String together) {}

    @GetMapping("/log/series")
    String list(@AuthenticationPrincipal Account account, Model model) {
        List<Line> lines = new ArrayList<>();
        List<Long> firsts = again.firsts(account.studioId(), MOST);
        Map<Long, List<AgainStore.Row>> all = again.lines(account.studioId(), firsts);
        for (Plans.Saved saved : plans.find(account, firsts)) {
            long first = saved.row().id();
            List<AgainStore.Row> tries = all.getOrDefault(first, List.of());
            lines.add(new Line(
                    first,
                    saved.row().name(),
                    Face.drawn(saved.row().face()),
                    tries.size() + 1,
                    tries.isEmpty() ? "" : tries.get(tries.size() - 1).change()));
        }
        model.addAttribute("lines", lines);
        return "breakout/serieslist";
    }

    /** A try with all that is asked of it. */
    private record TryOfTree(
            Plans.Saved saved,
            Optional<AgainStore.Row> again,
            Optional<BreakOutCourse> course,
            Optional<PouredMold> poured) {
        long good() {
            return course.map(c -> c.count(BreakOutCourse.Verdict.GOOD)).orElse(0L);
        }

        int made() {
            return course.filter(BreakOutCourse::allSeen)
                    .map(c -> c.castings().size())
                    .orElse(0);
        }

        double share() {
            return made() == 0 ? -1 : (double) good() / made();
        }

        Set<DefectKind> defects() {
            return Together.defects(course);
        }
    }

    private TryOfTree tried(Account account, long tree, Optional<AgainStore.Row> row) {
        return new TryOfTree(
                plans.find(account, tree),
                row,
                store.of(account.studioId(), tree).map(breakOuts::course),
                breakOuts.poured(account, tree));
    }

    @GetMapping("/log/series/{tree:\\d+}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long tree, Model model) {
        List<TryOfTree> all = new ArrayList<>(List.of(tried(account, tree, again.of(tree))));
        for (AgainStore.Row row : again.line(account.studioId(), tree)) {
            all.add(tried(account, row.tree(), Optional.of(row)));
        }
        double best = all.stream().mapToDouble(TryOfTree::share).max().orElse(-1);
        List<Try> tries = new ArrayList<>();
        for (TryOfTree t : all) {
            Optional<TryOfTree> from = t.again.flatMap(r ->
                    all.stream().filter(o -> o.saved.row().id() == r.from()).findFirst());
            tries.add(view(t, from, best));
        }
        model.addAttribute("name", all.get(0).saved.row().name());
        model.addAttribute("tries", tries);
        model.addAttribute("rows", rows(account, all));
        return "breakout/series";
    }

    private static Try view(TryOfTree t, Optional<TryOfTree> from, double best) {
        BreakOutCourse none = null;
        BreakOutCourse course = t.course.orElse(none);
        return new Try(
                t.saved.row().id(),
                t.saved.row().name(),
                Face.drawn(t.saved.row().face()),
                t.again.map(AgainStore.Row::change).orElse("as first planned"),
                t.again.map(AgainStore.Row::reason).orElse(""),
                course == null
                        ? "not opened"
                        : t.made() == 0 ? "not all looked at" : t.good() + " of " + t.made() + " good",
                course == null
                        ? ""
                        : Bar.of(
                                (int) course.count(BreakOutCourse.Verdict.GOOD),
                                (int) course.count(BreakOutCourse.Verdict.MEND),
                                (int) course.count(BreakOutCourse.Verdict.SCRAP),
                                (int) course.count(BreakOutCourse.Verdict.UNSEEN)),
                t.share() >= 0 && t.share() == best,
                from.map(f -> luck(t, f)).orElse(""),
                from.map(f -> Together.words(f.saved, t.saved, Together.defects(f.course)))
                        .orElse(""));
    }

    /** Chance to see so many good ones if nothing had changed. */
    private static String luck(TryOfTree t, TryOfTree from) {
        if (t.made() == 0 || from.made() == 0) {
            return "";
        }
        double before = (from.good() + 0.5) / (from.made() + 1);
        double chance = Series.atLeast((int) t.good(), t.made(), before);
        return t.share() <= from.share()
                ? "No better than before."
                : chance < Series.LUCK
                        ? "More than luck: by chance alone so many good ones come once in "
                                + Math.round(1 / Math.max(chance, 1e-4)) + " times."
                        : String.format(
                                Locale.ROOT,
                                "Better, but luck does that %.0f times in 100: not yet known.",
                                chance * 100);
    }

    private List<Row> rows(Account account, List<TryOfTree> all) {
        List<Row> rows = new ArrayList<>();
        planned(account, all, rows);
        poured(account, all, rows);
        add(
                rows,
                "Came out",
                all,
                t -> t.course.map(c -> BreakOutPage.verdict(c).sentence()).orElse("not opened"));
        add(
                rows,
                "Seen",
                all,
                t -> t.defects().isEmpty()
                        ? "–"
                        : t.defects().stream().map(DefectKind::label).collect(Collectors.joining(", ")));
        add(rows, "Likeliest cause", all, t -> cause(account, t));
        return rows;
    }

    private static void planned(Account account, List<TryOfTree> all, List<Row> rows) {
        add(
                rows,
                "Changed against the one before",
                all,
                t -> t.again
                        .map(r -> all.stream()
                                .filter(o -> o.saved.row().id() == r.from())
                                .findFirst()
                                .map(o -> Differences.between(o.saved, t.saved).words())
                                .orElse(""))
                        .orElse("–"));
        add(
                rows,
                "Mold",
                all,
                t -> t.saved.row().flask() == null ? "–" : t.saved.row().flask());
        add(
                rows,
                "Alloy",
                all,
                t -> t.saved.row().alloy() == null ? "–" : t.saved.row().alloy());
        add(
                rows,
                "Metal, planned",
                all,
                t -> t.saved.plan().pour().map(p -> celsius(account, p.value())).orElse("–"));
        add(
                rows,
                "Mold, planned",
                all,
                t -> t.saved
                        .plan()
                        .firing()
                        .map(f -> celsius(account, f.program().mold().value()))
                        .orElse("–"));
    }

    private static void poured(Account account, List<TryOfTree> all, List<Row> rows) {
        add(
                rows,
                "Metal, poured",
                all,
                t -> t.poured
                        .filter(p -> p.metal().isPresent())
                        .map(p -> celsius(account, p.metal().getAsDouble()))
                        .orElse("–"));
        add(
                rows,
                "Out of the kiln",
                all,
                t -> t.poured
                        .filter(p -> p.stood().isPresent())
                        .map(p -> Math.round(p.stood().getAsDouble()) + " s")
                        .orElse("–"));
        add(
                rows,
                "Filled in",
                all,
                t -> t.poured
                        .filter(p -> p.filled().isPresent())
                        .map(p -> Math.round(p.filled().getAsDouble()) + " s")
                        .orElse("–"));
        add(
                rows,
                "Gauge",
                all,
                t -> t.poured
                        .filter(p -> p.gauge().isPresent())
                        .map(p -> Spoken.in(Math.round(p.gauge().getAsDouble()) + " kPa", account.units()))
                        .orElse("–"));
    }

    private String cause(Account account, TryOfTree t) {
        Optional<BreakOutStore.Row> row =
                store.of(account.studioId(), t.saved.row().id());
        return row.flatMap(r -> Groups.of(t.course.orElseThrow()).all().stream()
                        .findFirst()
                        .flatMap(g -> breakOuts.why(account, t.saved, r, t.course.get(), g)))
                .flatMap(WhyView::first)
                .map(c -> c.name() + ", " + (c.confirmed() ? "found to be the one" : c.word()))
                .orElse("–");
    }

    private static String celsius(Account account, double c) {
        return Show.celsius(c, account.units());
    }

    private static void add(
            List<Row> rows, String label, List<TryOfTree> all, java.util.function.Function<TryOfTree, String> of) {
        List<String> cells = all.stream().map(of).toList();
        rows.add(new Row(label, cells, new LinkedHashSet<>(cells).size() > 1));
    }
}
