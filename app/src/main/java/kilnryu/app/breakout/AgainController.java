package kilnryu.app.breakout;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.plan.Streams;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.core.diagnosis.Cause;
import kilnryu.core.diagnosis.Series;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The next try: a copy of the plan with one change, and what is learned by it. */
@Controller
public class AgainController {
    private static final double MOLD_STEP_K = 50;
    private static final double METAL_STEP_K = 40;

    private final BreakOutStore store;
    private final AgainStore again;
    private final BreakOuts breakOuts;
    private final Plans plans;
    private final Streams streams;

    AgainController(BreakOutStore store, AgainStore again, BreakOuts breakOuts, Plans plans, Streams streams) {
        this.store = store;
        this.again = again;
        this.breakOuts = breakOuts;
        this.plans = plans;
        this.streams = streams;
    }

    /**
     * A change that can be made at once.
     *
     * @param stage where it is written; null where the caster makes it on a page
     * @param page to go to
     */
    record Made(Stage stage, Map<String, String> fields, String says, String page) {}

    /** What the cause asks, as far as a field of the plan can say it. */
    static Made made(String cause, Plan plan) {
        Optional<Double> mold = plan.firing().map(f -> f.program().mold().value());
        Optional<Double> metal = plan.pour().map(p -> p.value());
        return switch (cause) {
            case "mold-too-cold" -> heat("mold_C", "Mold", mold, MOLD_STEP_K, plan);
            case "too-hot" -> heat("mold_C", "Mold", mold, -MOLD_STEP_K, plan);
            case "metal-too-cold" -> heat("pour_C", "Metal", metal, METAL_STEP_K, plan);
            case "pattern-residue", "heated-too-fast", "overfired", "damp" -> at("firing");
            case "bubbles-in-mix", "water-too-much", "shell-cracked", "shell-too-thin", "vacuum-failed" -> at("mold");
            case "shrinkage-factor",
                    "pattern-wrong",
                    "pattern-handling",
                    "section-too-thin",
                    "alloy-off",
                    "core-moved" -> at("tree");
            default -> at("gating");
        };
    }

    private static Made at(String page) {
        return new Made(null, Map.of(), "", page);
    }

    private static Made heat(String field, String what, Optional<Double> now, double step, Plan plan) {
        if (now.isEmpty()) {
            return at("firing");
        }
        long then = Math.round(now.get() + step);
        String shown = Show.celsius(then, plan.reading().units());
        String was = Show.celsius(now.get(), plan.reading().units());
        return new Made(Stage.FIRING, Map.of(field, then + " °C"), what + " " + shown + ", was " + was + ".", "firing");
    }

    @GetMapping("/breakout/{tree:\\d+}/again")
    String show(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam(defaultValue = "") String cause,
            @RequestParam(defaultValue = "") String why,
            Model model) {
        Plans.Saved saved = plans.find(account, tree);
        BreakOutStore.Row row =
                store.of(account.studioId(), tree).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        BreakOutCourse course = breakOuts.course(row);
        Optional<Groups.Group> group = Groups.of(course).named(why);
        streams.of(account, saved, saved.plan(), "breakout").into(model);
        model.addAttribute("name", saved.row().name());
        model.addAttribute("id", tree);
        model.addAttribute("what", group.map(Groups.Group::title).orElse("nothing pinned"));
        model.addAttribute("whyKey", group.map(Groups.Group::key).orElse(""));
        List<Cause> table = breakOuts.table(account).all();
        Optional<Cause> chosen =
                table.stream().filter(c -> c.id().equals(cause)).findFirst();
        model.addAttribute("causes", table);
        model.addAttribute("cause", chosen.orElse(null));
        model.addAttribute("made", chosen.map(c -> made(c.id(), saved.plan())).orElse(null));
        long good = course.count(BreakOutCourse.Verdict.GOOD);
        int all = course.castings().size();
        OptionalInt needed = Series.allGood(all == 0 ? 0 : (good + 0.5) / (all + 1));
        model.addAttribute("good", good);
        model.addAttribute("all", all);
        model.addAttribute("needed", needed.isPresent() ? needed.getAsInt() : 0);
        again.of(tree).ifPresent(r -> model.addAttribute("before", r));
        return "breakout/again";
    }

    @PostMapping("/breakout/{tree:\\d+}/again")
    @Transactional
    public String copy(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam(defaultValue = "") String cause,
            @RequestParam(defaultValue = "") String why,
            @RequestParam(defaultValue = "") String change,
            @RequestParam(defaultValue = "") String reason,
            @RequestParam(defaultValue = "") String take,
            Model model,
            HttpServletResponse response) {
        Plans.Saved saved = plans.find(account, tree);
        store.of(account.studioId(), tree).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        String changes = OneLine.of(change);
        String because = OneLine.of(reason);
        if (changes.length() < 3 || because.length() < 3) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("fault", "Say what is changed, and why: in half a year nobody knows.");
            model.addAttribute("typedChange", changes);
            model.addAttribute("typedReason", because);
            return show(account, tree, cause, why, model);
        }
        long made = plans.copy(account, tree);
        String name = saved.row().name().replaceFirst(", try \\d+$", "") + ", try " + (tries(account, tree) + 2);
        Map<String, String> onTree = new LinkedHashMap<>();
        onTree.put("name", name.length() > 80 ? name.substring(0, 80) : name);
        onTree.put("change_note", shortened("Change: " + changes + " Because: " + because));
        onTree.put("weighed_g", "");
        plans.put(account, made, Stage.TREE, onTree);
        Made field = made(cause, saved.plan());
        if (!take.isEmpty() && field.stage() != null) {
            plans.put(account, made, field.stage(), field.fields());
        }
        again.keep(account, made, tree, cause, changes, because);
        return "redirect:/trees/" + made + "/" + field.page();
    }

    private static String shortened(String note) {
        return note.length() > 200 ? note.substring(0, 200) : note;
    }

    /** How many tries there were already in its line. */
    private int tries(Account account, long tree) {
        return again.line(account.studioId(), first(tree)).size();
    }

    private long first(long tree) {
        long at = tree;
        for (Optional<AgainStore.Row> r = again.of(at); r.isPresent(); r = again.of(at)) {
            at = r.get().from();
        }
        return at;
    }
}
