package kilnryu.app.mixing;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.mixing.MixStore.Mix;
import kilnryu.app.plan.PlanDocument;
import kilnryu.app.plan.PlanPage;
import kilnryu.app.plan.Plans;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Show;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.UnitGuard;
import kilnryu.core.quantity.Measure;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The bench view of a mixing: one step at a time, large, for a tablet and one clean finger. */
@Controller
class MixController {
    private static final int LONGEST_NOTE = 500;
    private static final double TOLERANCE = 0.02;

    private final Plans plans;
    private final MixStore mixes;
    private final Clock clock;

    MixController(Plans plans, MixStore mixes, Clock clock) {
        this.plans = plans;
        this.mixes = mixes;
        this.clock = clock;
    }

    /** A clock on the page: it ends at an instant on the server; the text is what it shows when the page is made. */
    public record Countdown(String label, Instant ends, Instant now, String text, boolean over) {}

    /** A trouble at the bench and what to do about it, in order. */
    enum Trouble {
        LUMPY(
                "The mix is lumpy",
                "Stir on, press lumps against the wall of the bowl; never add water now. Still lumpy when half the working time is gone: throw it away."),
        LATE(
                "It is getting late",
                "Skip the second vacuum before you skip the pour. Already stiffening: do not pour, it breaks up and fins."),
        NO_VACUUM(
                "The gauge does not rise",
                "Pump switched on? Valve shut? Gasket clean and dry? Bell seated? Filter free? Else tap and vibrate instead."),
        SPILLED("Something was spilled", "Weigh what is left; bring the other quantity to the same ratio."),
        INTERRUPTED(
                "I was called away",
                "Powder not in yet: go on. Powder in: look at the clock; stiffening means throw away."),
        OTHER("Something else", "Write it down; it belongs to this mold's record.");

        private final String label;
        private final String remedy;

        Trouble(String label, String remedy) {
            this.label = label;
            this.remedy = remedy;
        }

        public String label() {
            return label;
        }

        public String remedy() {
            return remedy;
        }
    }

    @GetMapping("/trees/{id}/bench")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        Plans.Saved saved = plans.find(account, id);
        Optional<Mix> open = mixes.open(id);
        return open.map(mix -> step(account, saved, mix, Map.of(), model))
                .orElseGet(() -> threshold(account, saved, model));
    }

    @PostMapping("/trees/{id}/bench/start")
    String start(
            @AuthenticationPrincipal Account account, @PathVariable long id, Model model, HttpServletResponse out) {
        Plans.Saved saved = plans.find(account, id);
        boolean blocked = !blocking(saved).isEmpty();
        if (saved.plan().flask().isEmpty() || blocked) {
            out.setStatus(HttpStatus.CONFLICT.value());
            return threshold(account, saved, model);
        }
        mixes.begin(
                id,
                account.studioId(),
                PlanDocument.write(saved.plan()),
                MixSteps.of(saved.plan(), account.units()),
                saved.plan().flask().get().workingTime().value());
        return "redirect:/trees/" + id + "/bench";
    }

    @PostMapping("/trees/{id}/bench/overrule")
    String overrule(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam String finding,
            @RequestParam String reason,
            Model model,
            HttpServletResponse out) {
        Plans.Saved saved = plans.find(account, id);
        Optional<Finding> stop =
                blocking(saved).stream().filter(f -> f.id().equals(finding)).findFirst();
        String why = reason.strip();
        if (stop.isEmpty() || stop.get().safety() || why.length() < 3 || why.length() > LONGEST_NOTE) {
            out.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute(
                    "overruleError",
                    stop.map(Finding::safety).orElse(false)
                            ? "A safety stop cannot be overruled by anyone."
                            : "Write the reason, 3 to " + LONGEST_NOTE + " letters.");
            model.addAttribute("overruleTyped", why.length() > LONGEST_NOTE ? why.substring(0, LONGEST_NOTE) : why);
            return threshold(account, saved, model);
        }
        mixes.overrule(id, finding, why, account.id());
        return "redirect:/trees/" + id + "/bench";
    }

    @PostMapping("/trees/{id}/bench/next")
    String next(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam int step,
            @RequestParam(defaultValue = "") String reading,
            @RequestParam(defaultValue = "false") boolean sure,
            Model model,
            HttpServletResponse out) {
        Plans.Saved saved = plans.find(account, id);
        Mix mix = openAt(id, step);
        if (mix == null) {
            return "redirect:/trees/" + id + "/bench";
        }
        Map<String, String> remarks = new LinkedHashMap<>();
        OptionalDouble grams = reading(account, mix, reading, sure, remarks);
        if (!remarks.isEmpty()) {
            out.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            remarks.put("typed", reading.length() > 60 ? reading.substring(0, 60) : reading);
            return step(account, saved, mix, remarks, model);
        }
        mixes.move(mix, step, step + 1, account.id(), grams.isPresent() ? grams.getAsDouble() : null);
        return "redirect:/trees/" + id + "/bench";
    }

    @PostMapping("/trees/{id}/bench/back")
    String back(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam int step) {
        plans.find(account, id);
        Mix mix = openAt(id, step);
        if (mix != null && step > 0) {
            mixes.move(mix, step, step - 1, account.id(), null);
        }
        return "redirect:/trees/" + id + "/bench";
    }

    @GetMapping("/trees/{id}/bench/trouble")
    String trouble(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        Plans.Saved saved = plans.find(account, id);
        Optional<Mix> mix = mixes.open(id);
        if (mix.isEmpty()) {
            return "redirect:/trees/" + id + "/bench";
        }
        fill(saved, mix.get(), model);
        model.addAttribute("troubles", Trouble.values());
        return "mixing/trouble";
    }

    @PostMapping("/trees/{id}/bench/trouble")
    String troubleNoted(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam String what,
            @RequestParam(defaultValue = "") String note,
            @RequestParam(defaultValue = "false") boolean giveUp) {
        plans.find(account, id);
        Mix mix = mixes.open(id).orElse(null);
        boolean known =
                List.of(Trouble.values()).stream().anyMatch(t -> t.name().equals(what));
        if (!known || note.length() > LONGEST_NOTE) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        if (mix != null) {
            mixes.note(
                    mix, mix.step(), "trouble", null, Trouble.valueOf(what).label + ". " + note.strip(), account.id());
            if (giveUp) {
                mixes.giveUp(mix);
            }
        }
        return "redirect:/trees/" + id + "/bench";
    }

    private List<Finding> blocking(Plans.Saved saved) {
        return saved.plan().findings().blocking(mixes.overruled(saved.row().id()));
    }

    private Mix openAt(long tree, int step) {
        return mixes.open(tree).filter(m -> m.step() == step).orElse(null);
    }

    /** What the scale read, empty when nothing was typed; remarks when it has to be asked back. */
    private static OptionalDouble reading(
            Account account, Mix mix, String typed, boolean sure, Map<String, String> remarks) {
        double planned = mix.now().grams();
        if (planned == 0 || typed.isBlank()) {
            return OptionalDouble.empty();
        }
        Fields fields = Fields.typed(Map.of("reading", typed), account.units());
        OptionalDouble grams = fields.quantity("reading", Range.MASS);
        if (grams.isEmpty()) {
            remarks.put("reading", fields.errors().get("reading"));
            return grams;
        }
        double off = (grams.getAsDouble() - planned) / planned;
        Optional<Measure> suspect = UnitGuard.suspect(grams.getAsDouble(), planned);
        if (!sure && suspect.isPresent()) {
            remarks.put(
                    "reading",
                    "Is the scale on " + suspect.get().symbol() + "? This is far from the plan in g, but fits it in "
                            + suspect.get().symbol() + ". Type the unit too.");
        } else if (!sure && Math.abs(off) > TOLERANCE) {
            remarks.put(
                    "reading",
                    String.format(
                            java.util.Locale.ROOT,
                            "That is %+.1f %% off the plan. Weigh again, or go on if you mean it.",
                            off * 100));
        }
        return grams;
    }

    private String step(Account account, Plans.Saved saved, Mix mix, Map<String, String> remarks, Model model) {
        fill(saved, mix, model);
        model.addAttribute("remarks", remarks);
        return "mixing/step";
    }

    private void fill(Plans.Saved saved, Mix mix, Model model) {
        Instant now = clock.instant();
        model.addAttribute("id", saved.row().id());
        model.addAttribute("name", saved.row().name());
        model.addAttribute("mix", mix);
        model.addAttribute("now", mix.now());
        model.addAttribute(
                "own",
                mix.now().seconds() == 0
                        ? null
                        : countdown(
                                "of this step",
                                mix.stepBeganAt().plusSeconds(mix.now().seconds()),
                                now));
        boolean working = mix.powderInAt() != null && mix.now().kind() != MixSteps.Kind.STAND;
        model.addAttribute(
                "working",
                working
                        ? countdown(
                                "left until gloss-off",
                                mix.powderInAt().plusMillis(Math.round(mix.workingMinutes() * 60_000)),
                                now)
                        : null);
    }

    private static Countdown countdown(String label, Instant ends, Instant now) {
        Duration left = Duration.between(now, ends);
        boolean over = left.isNegative();
        long seconds = Math.max(0, left.toSeconds());
        String text = seconds >= 3600
                ? String.format(java.util.Locale.ROOT, "%d:%02d:%02d", seconds / 3600, seconds / 60 % 60, seconds % 60)
                : String.format(java.util.Locale.ROOT, "%d:%02d", seconds / 60, seconds % 60);
        return new Countdown(label, ends, now, text, over);
    }

    private String threshold(Account account, Plans.Saved saved, Model model) {
        var now = clock.instant().atZone(account.zoneId());
        model.addAttribute("id", saved.row().id());
        model.addAttribute("name", saved.row().name());
        model.addAttribute("ready", saved.plan().flask().isPresent());
        PlanPage page = PlanPage.of(saved.plan(), account.units(), now, java.util.Set.of());
        List<String> blocking = blocking(saved).stream().map(Finding::id).toList();
        model.addAttribute("page", page);
        model.addAttribute(
                "blocking",
                page.findings().stream().filter(f -> blocking.contains(f.id())).toList());
        mixes.last(saved.row().id()).ifPresent(last -> {
            model.addAttribute("last", last);
            model.addAttribute("lastAt", Show.dayAndClock(last.startedAt().atZone(account.zoneId())));
            model.addAttribute(
                    "events",
                    mixes.events(last).stream()
                            .map(e -> new Line(
                                    Show.clock(e.at().atZone(account.zoneId())),
                                    last.steps().get(e.step()).title(),
                                    e.kind().equals("back") ? "went back" : e.kind(),
                                    e.reading() == null
                                            ? ""
                                            : Show.value(e.reading(), Measure.GRAM, account.units(), false)
                                                    .toString(),
                                    e.note()))
                            .toList());
        });
        return "mixing/threshold";
    }

    /** A line of the record. */
    public record Line(String at, String step, String what, String reading, String note) {}
}
