package kilnryu.app.finishing;

import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plans;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.core.breakout.Mating;
import kilnryu.core.quantity.Measure;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Sections of a piece tried together before they are joined. */
@Controller
class MatingController {
    private static final Range GAP = new Range(Measure.MILLIMETRE, 0, 200);
    private static final Range ACROSS = new Range(Measure.MILLIMETRE, 0.1, 2000);

    private final MatingStore store;
    private final Plans plans;

    MatingController(MatingStore store, Plans plans) {
        this.store = store;
        this.plans = plans;
    }

    /** A trial as its page shows it. */
    record Line(String parts, String joint, String fit, String mark, String why, String remedy, String by) {}

    /** A kind of joint to choose. */
    record Choice(String key, String label) {}

    /** What the page of finishing shows of it. */
    static void into(Account account, List<MatingStore.Trial> trials, Model model) {
        model.addAttribute("fits", trials.stream().map(t -> line(account, t)).toList());
        model.addAttribute(
                "joints",
                Arrays.stream(Mating.Joint.values())
                        .map(j -> new Choice(j.key(), j.label()))
                        .toList());
        if (!model.containsAttribute("typedFit")) {
            model.addAttribute("typedFit", Map.of());
            model.addAttribute("fitErrors", Map.of());
        }
    }

    private static Line line(Account account, MatingStore.Trial t) {
        Mating.Judged judged = t.mating().judged();
        return new Line(
                t.first() + " on " + t.second(),
                t.mating().joint().label(),
                judged.fit().label(),
                switch (judged.fit()) {
                    case FITS -> "good";
                    case WORK -> "warn";
                    case NOT -> "stop";
                    case NOT_YET -> "note";
                },
                judged.why(),
                judged.remedy(),
                t.who() + ", " + Show.dayAndClock(t.at().atZone(account.zoneId())));
    }

    @PostMapping("/breakout/{tree:\\d+}/finish/fit")
    String keep(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam Map<String, String> form,
            RedirectAttributes redirect) {
        plans.find(account, tree);
        Map<String, String> errors = new LinkedHashMap<>();
        String first = OneLine.of(form.getOrDefault("first", ""));
        String second = OneLine.of(form.getOrDefault("second", ""));
        String who = OneLine.of(form.getOrDefault("who", ""));
        Optional<Mating.Joint> joint = Mating.Joint.named(form.getOrDefault("joint", ""));
        if (first.isEmpty() || second.isEmpty()) {
            errors.put(first.isEmpty() ? "first" : "second", "Name the part.");
        } else if (first.equalsIgnoreCase(second)) {
            errors.put("second", "These are one part.");
        }
        if (joint.isEmpty()) {
            errors.put("joint", "Say how they meet.");
        }
        if (who.isEmpty()) {
            errors.put("who", "Say who tried it.");
        }
        Fields fields = Fields.typed(form, account.units());
        OptionalDouble gap = fields.quantity("gap", GAP);
        OptionalDouble step = fields.quantity("step", GAP);
        OptionalDouble pin = fields.quantity("pin", ACROSS);
        OptionalDouble bore = fields.quantity("bore", ACROSS);
        errors.putAll(fields.errors());
        if (!errors.isEmpty()) {
            redirect.addFlashAttribute("typedFit", new LinkedHashMap<>(form));
            redirect.addFlashAttribute("fitErrors", errors);
            return "redirect:/breakout/" + tree + "/finish#fit";
        }
        String rocks = form.getOrDefault("rocks", "");
        Mating mating = new Mating(
                joint.orElseThrow(),
                gap,
                step,
                pin,
                bore,
                rocks.equals("yes") || rocks.equals("no") ? Optional.of(rocks.equals("yes")) : Optional.empty(),
                "yes".equals(form.get("hot")));
        store.keep(account, tree, new MatingStore.Trial(first, second, mating, who, Instant.EPOCH));
        return "redirect:/breakout/" + tree + "/finish#fit";
    }
}
