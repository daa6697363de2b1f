package kilnryu.app.breakout;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.diagnosis.WhyView;
import kilnryu.app.plan.PlanRecord;
import kilnryu.app.plan.Plans;
import kilnryu.app.pour.PouredMold;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.tree.Face;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.core.quantity.Measure;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.server.ResponseStatusException;

/** One sheet of a tree from its plan to what came out of it, to be read or printed. */
@Controller
class SheetController {
    private final BreakOutStore store;
    private final BreakOuts breakOuts;
    private final Plans plans;
    private final List<SheetPart> parts;

    SheetController(BreakOutStore store, BreakOuts breakOuts, Plans plans, List<SheetPart> parts) {
        this.store = store;
        this.breakOuts = breakOuts;
        this.plans = plans;
        this.parts = parts;
    }

    /** Plan and actual of one thing. */
    public record Line(String what, String planned, String actual) {}

    public record CastingLine(int number, String first, String now, String defects, String grams) {}

    /** What another station brings. */
    public record Part(String title, List<String> lines) {}

    @GetMapping("/breakout/{tree:\\d+}/sheet")
    String sheet(@AuthenticationPrincipal Account account, @PathVariable long tree, Model model) {
        Plans.Saved saved = plans.find(account, tree);
        BreakOutStore.Row row =
                store.of(account.studioId(), tree).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        BreakOutCourse course = breakOuts.course(row);
        WorkRecord.Planned planned = kept(row, tree).orElseGet(() -> PlanRecord.of(tree, saved.plan()));
        Optional<PouredMold> poured = breakOuts.poured(account, tree);
        model.addAttribute("name", saved.row().name());
        model.addAttribute("id", tree);
        model.addAttribute("alloy", saved.row().alloy());
        model.addAttribute("face", Face.drawn(saved.row().face()));
        model.addAttribute("frozen", row.record() != null);
        model.addAttribute("figures", planned.shown());
        model.addAttribute("said", planned.said());
        model.addAttribute(
                "pour",
                poured.flatMap(PouredMold::poured)
                        .map(p -> Show.dayAndClock(p.atZone(account.zoneId())))
                        .orElse("no pour on record"));
        model.addAttribute("lines", poured.map(m -> lines(account, m)).orElse(List.of()));
        model.addAttribute("told", told(account, course));
        model.addAttribute(
                "castings",
                course.castings().stream().map(c -> casting(account, c)).toList());
        BreakOutPage page = breakOuts.page(account, saved, row, course, null, null);
        model.addAttribute("page", page);
        model.addAttribute(
                "whys",
                Groups.of(course).all().stream()
                        .flatMap(g -> breakOuts.why(account, saved, row, course, g).stream())
                        .map(w -> w.title() + ": "
                                + w.first().map(SheetController::said).orElse("no cause leads"))
                        .toList());
        model.addAttribute("forecasts", store.forecasts(tree));
        model.addAttribute(
                "parts",
                parts.stream()
                        .map(p -> new Part(p.title(), p.lines(account, tree)))
                        .filter(p -> !p.lines.isEmpty())
                        .toList());
        return "breakout/sheet";
    }

    /** Plan figures as they were frozen, where it is closed. */
    private static Optional<WorkRecord.Planned> kept(BreakOutStore.Row row, long tree) {
        try {
            return row.record() == null
                    ? Optional.empty()
                    : Records.read(Records.BREAK_OUT, row.record()).plans().stream()
                            .filter(p -> p.tree() == tree)
                            .findFirst();
        } catch (Records.Unreadable e) {
            return Optional.empty();
        }
    }

    /** What was answered at the bench, each with its unit. */
    private static List<String> told(Account account, BreakOutCourse course) {
        return course.facts().entrySet().stream()
                .sorted(java.util.Map.Entry.comparingByKey())
                .map(e -> e.getKey().inFull() + " "
                        + Spoken.in(
                                (e.getValue().replace('-', e.getKey().isNumber() ? '-' : ' ') + " "
                                                + e.getKey().unit())
                                        .strip(),
                                account.units()))
                .toList();
    }

    private static String said(WhyView.CauseView c) {
        return c.name() + ", " + (c.confirmed() ? "found to be the one" : c.word()) + ". " + c.change();
    }

    private static List<Line> lines(Account account, PouredMold m) {
        List<Line> lines = new ArrayList<>();
        lines.add(new Line(
                "metal",
                celsius(account, OptionalDouble.of(m.mold().metalC())),
                celsius(account, m.metal()) + (m.metalHow().isEmpty() ? "" : ", " + m.metalHow())));
        lines.add(new Line(
                "mold",
                celsius(account, OptionalDouble.of(m.mold().moldC())),
                m.moldC().isPresent() ? celsius(account, m.moldC()) + ", reckoned" : ""));
        lines.add(new Line(
                "out of the kiln",
                seconds(OptionalDouble.of(m.mold().startS() - m.mold().outS())),
                seconds(m.stood())));
        lines.add(new Line(
                "filled in",
                seconds(OptionalDouble.of(m.mold().fullS() - m.mold().startS())),
                seconds(m.filled())));
        lines.add(new Line(
                "gauge",
                m.mold().vacuum() ? "vacuum" : "gravity",
                m.gauge().isPresent()
                        ? Spoken.in(Math.round(m.gauge().getAsDouble()) + " kPa", account.units())
                        : m.noVacuum()));
        lines.add(new Line("it came", "full", m.came() + (m.hesitated() ? ", hesitated" : "")));
        lines.add(new Line("at the pot", "", m.by()));
        return lines;
    }

    private static String celsius(Account account, OptionalDouble c) {
        return c.isEmpty() ? "" : Show.celsius(c.getAsDouble(), account.units());
    }

    private static String seconds(OptionalDouble s) {
        return s.isEmpty() ? "" : String.format(Locale.ROOT, "%.0f s", s.getAsDouble());
    }

    private static CastingLine casting(Account account, BreakOutCourse.Casting c) {
        return new CastingLine(
                c.tile().number(),
                c.first().label(),
                c.verdict().label(),
                c.pins().stream()
                        .map(p -> p.kind().label() + (p.extent().isEmpty() ? "" : " " + p.extent()))
                        .distinct()
                        .reduce((a, b) -> a + ", " + b)
                        .orElse(""),
                c.grams().isPresent()
                        ? Show.value(c.grams().getAsDouble(), Measure.GRAM, account.units(), false)
                                .toString()
                        : "");
    }
}
