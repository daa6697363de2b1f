package kilnryu.app.learning;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.foresight.ForesightStore;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.Series;
import kilnryu.core.learning.Learned;
import kilnryu.core.learning.Yield;
import kilnryu.core.sum.Replacement;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The log of a studio: yields, factors of its own, scores of forecasts, notes from elsewhere. */
@Controller
class StudioLogController {
    private static final int MOST = 40;
    private static final int LONGEST = 600;
    private static final List<String> TRUST = List.of("own eyes", "a caster I know", "read somewhere", "hearsay");
    private static final List<String> OUTCOME =
            List.of("not tried", "works here", "does not work here", "no difference");

    private final LearningStore store;
    private final Offers offers;
    private final FactorStore factors;

    private final ForesightStore aheads;

    StudioLogController(LearningStore store, Offers offers, FactorStore factors, ForesightStore aheads) {
        this.aheads = aheads;
        this.store = store;
        this.offers = offers;
        this.factors = factors;
    }

    /** A kind of castings with its yield. */
    public record YieldRow(String of, int good, int made, String next, String interval, String bar, String needed) {}

    /** A person's forecasts. */
    public record Score(String by, int count, int hits, String off, String tends) {}

    /** A forecast beside what came. */
    public record Foreseen(String tree, String address, String by, String said, String came, String why) {}

    /** What can be grouped by. */
    public record Tab(String key, String label, boolean on) {}

    public record Seen(String kind, int castings, int trees) {}

    @GetMapping("/log")
    String log(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "alloy") String by,
            @RequestParam(defaultValue = "1") String good,
            @RequestParam(defaultValue = "90") String sure,
            Model model) {
        int wanted = good.matches("\\d{1,3}") ? Math.max(1, Integer.parseInt(good)) : 1;
        double chance = sure.matches("\\d{1,2}") ? Math.max(1, Integer.parseInt(sure)) / 100.0 : 0.9;
        model.addAttribute("wanted", wanted);
        model.addAttribute("sure", Math.round(chance * 100));
        LearningStore.By chosen = Arrays.stream(LearningStore.By.values())
                .filter(b -> b.key().equals(by))
                .findFirst()
                .orElse(LearningStore.By.ALLOY);
        LearningStore.Count all = store.all(account.studioId());
        double prior = Yield.overall(all.good(), all.made());
        model.addAttribute("allGood", all.good());
        model.addAttribute("made", all.made());
        model.addAttribute(
                "tabs",
                Arrays.stream(LearningStore.By.values())
                        .map(b -> new Tab(b.key(), b.label(), b == chosen))
                        .toList());
        model.addAttribute(
                "rows",
                store.yields(account.studioId(), chosen, MOST).stream()
                        .map(c -> row(c, chosen, prior, wanted, chance))
                        .toList());
        model.addAttribute(
                "defects",
                store.defects(account.studioId(), 12).stream()
                        .map(d -> new Seen(
                                DefectKind.named(d.of()).map(DefectKind::label).orElse(d.of()), d.made(), d.good()))
                        .toList());
        List<LearningStore.Foreseen> foreseen = store.forecasts(account.studioId(), 400);
        model.addAttribute("scores", scores(foreseen));
        model.addAttribute(
                "foreseen",
                foreseen.stream()
                        .limit(12)
                        .map(f -> new Foreseen(
                                f.tree(),
                                "/breakout/" + f.id(),
                                f.by(),
                                f.expected() + " of " + f.made(),
                                f.came() + " of " + f.made(),
                                f.why()))
                        .toList());
        List<kilnryu.app.foresight.Foreseen.Opened> ahead = aheads.opened(account.studioId(), 400);
        model.addAttribute("ahead", ahead.isEmpty() ? List.of() : kilnryu.app.foresight.Foreseen.scores(ahead));
        return "learning/log";
    }

    private static YieldRow row(LearningStore.Count c, LearningStore.By by, double prior, int wanted, double chance) {
        Yield y = new Yield(c.good(), c.made(), prior);
        return new YieldRow(
                by == LearningStore.By.ALLOY ? Offers.label(c.of()) : c.of(),
                c.good(),
                c.made(),
                percent(y.next()),
                percent(y.low()) + " to " + percent(y.high()),
                YieldBar.of(y),
                needed(Series.needed(wanted, y.next(), chance)));
    }

    private static String needed(OptionalInt castings) {
        return castings.isPresent() ? Integer.toString(castings.getAsInt()) : "more than 400";
    }

    private static String percent(double share) {
        return Math.round(share * 100) + " %";
    }

    /** Hits are forecasts that named the number; off is how many castings they missed on average. */
    private static List<Score> scores(List<LearningStore.Foreseen> all) {
        Map<String, List<LearningStore.Foreseen>> by = all.stream()
                .collect(Collectors.groupingBy(LearningStore.Foreseen::by, LinkedHashMap::new, Collectors.toList()));
        return by.entrySet().stream()
                .map(e -> {
                    List<LearningStore.Foreseen> mine = e.getValue();
                    int hits = (int)
                            mine.stream().filter(f -> f.expected() == f.came()).count();
                    double off = mine.stream()
                            .mapToInt(f -> Math.abs(f.expected() - f.came()))
                            .average()
                            .orElse(0);
                    double sign = mine.stream()
                            .mapToInt(f -> f.expected() - f.came())
                            .average()
                            .orElse(0);
                    return new Score(
                            e.getKey(),
                            mine.size(),
                            hits,
                            String.format(Locale.ROOT, "%.1f", off),
                            Math.abs(sign) < 0.25 ? "even" : sign > 0 ? "hopes" : "fears");
                })
                .sorted(java.util.Comparator.comparingDouble((Score s) -> Double.parseDouble(s.off)))
                .toList();
    }

    /** A casting behind a factor. */
    public record Behind(String of, String address, String planned, String actual, String ratio, boolean outlier) {}

    /** A factor that was learned. */
    public record Factor(
            String key,
            String name,
            String what,
            int count,
            String value,
            String interval,
            String says,
            String mark,
            String chart,
            List<Behind> behind,
            int more,
            String would,
            String now,
            boolean takeable,
            boolean taken) {}

    @GetMapping("/log/factors")
    String factors(@AuthenticationPrincipal Account account, Model model) {
        model.addAttribute(
                "factors",
                offers.of(account).stream().map(StudioLogController::factor).toList());
        model.addAttribute("least", Learned.LEAST);
        return "learning/factors";
    }

    private static Factor factor(Offer o) {
        Learned l = o.learned();
        String says = l.senseless()
                ? "So far off that a unit was mistaken somewhere: look at the castings, nothing is offered."
                : l.count() < Learned.LEAST
                        ? (Learned.LEAST - l.count()) + " more before anything is offered."
                        : o.lead().rate()
                                ? "By your own log alone."
                                : l.differs()
                                        ? "More than chance."
                                                + (l.pairs().stream().anyMatch(l.far())
                                                        ? " But some lie far off and pull it: look at them before it is taken."
                                                        : "")
                                        : "No different from the plan, as far as so many can tell.";
        Predicate<Learned.Pair> far = l.far();
        List<Behind> behind = l.pairs().stream()
                .sorted(Comparator.comparing(far.negate()::test))
                .limit(MOST)
                .map(p -> new Behind(
                        p.of(),
                        o.addresses().getOrDefault(p, ""),
                        Show.digits(p.planned()) + " " + o.unit(),
                        Show.digits(p.actual()) + " " + o.unit(),
                        String.format(Locale.ROOT, "%.3f", p.ratio()),
                        far.test(p)))
                .toList();
        return new Factor(
                o.key(),
                o.name(),
                o.what(),
                l.count(),
                o.lead().value(l),
                o.lead().interval(l),
                says,
                l.senseless() ? "warn" : o.takeable() ? "good" : "note",
                FactorChart.of(l),
                behind,
                Math.max(0, l.count() - MOST),
                o.would(),
                o.now(),
                o.takeable(),
                o.taken());
    }

    @PostMapping("/log/factors/{way:take|give-back}")
    String take(
            @AuthenticationPrincipal Account account,
            @PathVariable String way,
            @RequestParam String key,
            RedirectAttributes redirect) {
        Offer offer = offers.named(account, key)
                .filter(o -> !o.places().isEmpty())
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
        if (way.equals("give-back")) {
            factors.giveBack(
                    account.studioId(),
                    offer.places().stream().map(p -> p.constant().key()).toList());
        } else if (offer.takeable()) {
            String reason = "yours, from " + offer.learned().count() + " castings";
            factors.learn(
                    account.studioId(),
                    offer.places().stream()
                            .collect(
                                    Collectors.toMap(p -> p.constant().key(), p -> new Replacement(p.would(), reason))),
                    account.id());
        } else {
            redirect.addFlashAttribute("fault", "This is not offered: too few castings, or too far off to make sense.");
        }
        return "redirect:/log/factors";
    }

    /** A note as its page shows it. */
    public record NoteView(long id, Map<String, String> fields, int version, String by, String at) {}

    @GetMapping("/log/notes")
    String notes(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "false") boolean archived,
            @RequestParam(defaultValue = "0") long edit,
            Model model) {
        return notes(account, archived, edit, Map.of(), Map.of(), model);
    }

    private String notes(
            Account account,
            boolean archived,
            long edit,
            Map<String, String> typed,
            Map<String, String> errors,
            Model model) {
        List<NoteView> notes = store.notes(account.studioId(), archived).stream()
                .map(n -> new NoteView(
                        n.id(), n.fields(), n.version(), n.by(), Show.dayAndClock(n.at().atZone(account.zoneId()))))
                .toList();
        NoteView edited = notes.stream().filter(n -> n.id() == edit).findFirst().orElse(null);
        model.addAttribute("notes", notes);
        model.addAttribute("archived", archived);
        model.addAttribute("edited", edited);
        model.addAttribute("typed", !typed.isEmpty() ? typed : edited == null ? Map.of() : edited.fields());
        model.addAttribute("errors", errors);
        model.addAttribute("trust", TRUST);
        model.addAttribute("outcomes", OUTCOME);
        return "learning/notes";
    }

    @PostMapping("/log/notes")
    String keep(
            @AuthenticationPrincipal Account account,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        Map<String, String> fields = new LinkedHashMap<>();
        Map<String, String> errors = new LinkedHashMap<>();
        for (String name : List.of("says", "source", "trust", "outcome", "trial")) {
            String typed = form.getOrDefault(name, "")
                    .replaceAll("[\\p{Cntrl}&&[^\\n]]", " ")
                    .strip();
            fields.put(name, typed);
            if (typed.length() > LONGEST) {
                errors.put(name, "At most " + LONGEST + " letters; this has " + typed.length() + ".");
            }
        }
        if (fields.get("says").isEmpty()) {
            errors.put("says", "Write what it says.");
        }
        if (fields.get("source").isEmpty()) {
            errors.put("source", "Say where it is from: without its source it is worth little.");
        }
        if (!TRUST.contains(fields.get("trust"))) {
            errors.put("trust", "Choose how far it is trusted.");
        }
        long id = number(form.get("id"));
        if (!errors.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return notes(account, false, id, fields, errors, model);
        }
        if (!store.keep(account, id, (int) number(form.get("version")), fields)) {
            throw new Late(
                    "Nothing was saved: someone saved this note while it was open here.", "/log/notes?edit=" + id);
        }
        return "redirect:/log/notes";
    }

    private static long number(String text) {
        return text != null && text.matches("\\d{1,18}") ? Long.parseLong(text) : 0;
    }

    @PostMapping("/log/notes/{id:\\d+}/{way:archive|restore}")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String way) {
        if (!store.archive(account.studioId(), id, way.equals("archive"))) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/log/notes" + (way.equals("archive") ? "" : "?archived=true");
    }
}
