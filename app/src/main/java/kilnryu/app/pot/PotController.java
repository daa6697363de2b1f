package kilnryu.app.pot;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.device.SimulatedWaxPot;
import kilnryu.app.dipping.DewaxedStore;
import kilnryu.app.dipping.DewaxedStore.Dewaxed;
import kilnryu.app.rubber.TappedStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Late;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.app.web.Verdict;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.PotOfWax;
import org.springframework.dao.DuplicateKeyException;
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

/** A pot of wax: its sheet, its stand-in, new and recovered wax that goes in, what is taken. */
@Controller
class PotController {
    private static final Range TIMES = new Range(Measure.TIMES, 0.5, 50);
    private static final Range AGE = new Range(Measure.TIMES, 0, 20_000);
    private static final double DIFFERS = 0.15;
    private static final int LAST = 30;
    private static final int SHELLS = 40;
    private static final String TAKEN_TWICE = "That wax went into a pot already.";

    private final PotStore store;
    private final Pots pots;
    private final DewaxedStore dewaxed;
    private final SimulatedWaxPot device;
    private final Clock clock;

    PotController(PotStore store, Pots pots, DewaxedStore dewaxed, SimulatedWaxPot device, Clock clock) {
        this.store = store;
        this.pots = pots;
        this.dewaxed = dewaxed;
        this.device = device;
        this.clock = clock;
    }

    /** Wax that ran out of a shell and is in no pot yet. */
    public record Waiting(long run, String says) {}

    /** Something in the log. */
    public record Logged(String at, String says, String by) {}

    @GetMapping("/waxes/pots/{id:\\d+}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        if (id == 0) {
            return page(account, 0, 0, Map.of("keep_C", "75 C"), false, model);
        }
        TappedStore.Row row = found(account, id);
        return page(account, id, row.version(), row.fields(), false, model);
    }

    private String page(Account account, long id, int version, Map<String, String> typed, boolean wrong, Model model) {
        PotSheet sheet = PotSheet.read(account, typed);
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute("form", new SheetForm(sheet.fields(), typed, wrong, PotFields.ALL));
        model.addAttribute("name", id == 0 ? "A pot of wax" : found(account, id).name());
        if (!model.containsAttribute("typed")) {
            model.addAttribute("typed", Map.of());
        }
        if (id == 0) {
            return "pot/pot";
        }
        List<TappedStore.Event> events = store.events(id);
        PotCourse course = PotCourse.of(events, clock.instant(), account.units());
        PotOfWax pot = course.pot();
        Pots.Now now = pots.now(account, id).orElseThrow();
        List<Finding> found = new ArrayList<>(now.findings());
        found.addAll(pot.findings().all());
        List<Figure> figures = new ArrayList<>(List.of(pot.grams()));
        pot.recovered().ifPresent(figures::add);
        pot.times().ifPresent(figures::add);
        if (sheet.insideMm().isPresent()) {
            Figure held =
                    PotOfWax.held(sheet.insideMm().getAsDouble(), now.reading().levelMm());
            figures.add(held);
            differs(pot.grams().value(), held.value()).ifPresent(found::add);
        }
        model.addAttribute("drawing", PotDrawing.of(now.reading(), sheet.highMm()));
        model.addAttribute("archived", now.row().archived());
        model.addAttribute("verdict", Verdict.over(found, unknown(sheet), account.units(), List.of()));
        model.addAttribute("figures", figures.stream().map(views::of).toList());
        model.addAttribute(
                "findings", found.stream().map(f -> FindingView.of(f, views, 0)).toList());
        model.addAttribute("count", events.size());
        model.addAttribute("set", Show.celsius(device.set(id), account.units()));
        model.addAttribute(
                "log",
                course.lines().stream()
                        .limit(LAST)
                        .map(l -> new Logged(Show.dayAndClock(l.at().atZone(account.zoneId())), l.says(), l.by()))
                        .toList());
        model.addAttribute("waiting", waiting(account));
        return "pot/pot";
    }

    private static List<String> unknown(PotSheet sheet) {
        List<String> unknown = new ArrayList<>();
        if (sheet.keepC().isEmpty()) {
            unknown.add("What it is kept at");
        }
        if (sheet.highMm().isEmpty()) {
            unknown.add("How high the pot is, to see whether it is too full");
        }
        return unknown;
    }

    private static Optional<Finding> differs(double log, double held) {
        return log > 0 && Math.abs(held / log - 1) > DIFFERS
                ? Optional.of(Finding.note(
                        "pot-differs",
                        "level",
                        String.format(Locale.ROOT, "By its level it holds %.0f g, by its log %.0f g.", held, log),
                        "Something went in or out that nobody logged: share and age of old wax are off by it.",
                        "Log what was taken, or what was added."))
                : Optional.empty();
    }

    private List<Waiting> waiting(Account account) {
        List<Long> done = store.runs(account.studioId());
        return dewaxed.last(account.studioId(), SHELLS).stream()
                .filter(d -> !done.contains(d.run()))
                .map(d -> new Waiting(
                        d.run(),
                        d.name() + ", " + Show.dayAndClock(d.at().atZone(account.zoneId())) + ": "
                                + Show.value(d.grams(), Measure.GRAM, account.units(), false)
                                + "; new wax to go with it: "
                                + Show.figure(PotOfWax.newWax(d.grams(), PotOfWax.MOST_RECOVERED), account.units())))
                .toList();
    }

    @PostMapping("/waxes/pots/{id:\\d+}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        if (id > 0) {
            found(account, id);
        }
        Map<String, String> typed = Fields.sent(form);
        PotSheet sheet = PotSheet.read(account, typed);
        Map<String, String> kept = sheet.fields().kept();
        return new Saving(model, response)
                .save(
                        sheet.fields(),
                        () -> store.save(account.studioId(), id, version, kept.get("name"), kept),
                        between ->
                                page(account, id, between ? found(account, id).version() : version, typed, true, model),
                        saved -> "/waxes/pots/" + saved + "?saved");
    }

    @PostMapping("/waxes/pots/{id:\\d+}/{way:archive|restore}")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String way) {
        found(account, id);
        store.archive(account.studioId(), id, way.equals("archive"));
        return way.equals("archive") ? "redirect:/waxes" : "redirect:/waxes/pots/" + id;
    }

    /** Knob and float of the stand-in. */
    @PostMapping("/waxes/pots/{id:\\d+}/stand-in")
    String standIn(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam String what) {
        found(account, id);
        switch (what) {
            case "warmer" -> device.turn(id, 10, 0);
            case "cooler" -> device.turn(id, -10, 0);
            case "higher" -> device.turn(id, 0, 20);
            case "lower" -> device.turn(id, 0, -20);
            default -> throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        return "redirect:/waxes/pots/" + id;
    }

    @PostMapping("/waxes/pots/{id:\\d+}/tap")
    String tap(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            RedirectAttributes redirect) {
        TappedStore.Row row = found(account, id);
        Map<String, String> fields = new LinkedHashMap<>();
        String kind = form.getOrDefault("kind", "");
        // what was there when it was judged is what it is judged by: another tap in between is told
        int seen = TappedStore.count(form) < 0 ? store.events(id).size() : TappedStore.count(form);
        String fault = fault(account, row, kind, form, fields);
        if (fault.isEmpty()) {
            try {
                boolean kept = store.tap(account, id, TappedStore.key(form), kind, fields, seen, clock.instant());
                if (!kept) {
                    throw new Late(
                            "Nothing was logged: somebody logged something of this pot since this page was shown.",
                            "/waxes/pots/" + id);
                }
            } catch (DuplicateKeyException e) {
                fault = TAKEN_TWICE;
            }
        }
        if (!fault.isEmpty()) {
            redirect.addFlashAttribute("fault", fault);
            redirect.addFlashAttribute("typed", new LinkedHashMap<>(form));
        }
        return "redirect:/waxes/pots/" + id;
    }

    private String fault(
            Account account, TappedStore.Row row, String kind, Map<String, String> form, Map<String, String> fields) {
        Fields read = Fields.typed(form, account.units());
        fields.put("what", OneLine.of(form.getOrDefault("what", "")));
        return switch (kind) {
            case "new" -> grams(read, fields);
            case "taken" -> taken(row, read, fields);
            case "recovered" -> recovered(account, read, form, fields);
            case "read" -> reading(account, row, fields);
            default -> "There is no such tap.";
        };
    }

    private static String grams(Fields read, Map<String, String> fields) {
        OptionalDouble grams = read.required("grams", Range.MASS);
        grams.ifPresent(g -> fields.put("grams", Show.exact(g)));
        return read.errors().getOrDefault("grams", "");
    }

    private String taken(TappedStore.Row row, Fields read, Map<String, String> fields) {
        String fault = grams(read, fields);
        double there = PotCourse.of(store.events(row.id()), clock.instant(), Units.METRIC)
                .pot()
                .grams()
                .value();
        return fault.isEmpty() && Double.parseDouble(fields.get("grams")) > there
                ? String.format(Locale.ROOT, "There are %.0f g in it by its log: log first what went in.", there)
                : fault;
    }

    /** Wet wax on hot wax boils over the rim: that it was strained and dried is said first, and nothing overrules it. */
    private String recovered(Account account, Fields read, Map<String, String> form, Map<String, String> fields) {
        if (!form.getOrDefault("dry", "").equals("yes")) {
            return "Strain it and let its water out first: water under hot wax boils over the rim. Then tick that it is dry.";
        }
        String run = form.getOrDefault("run", "");
        if (!run.isEmpty()) {
            Optional<Dewaxed> from = dewaxed.last(account.studioId(), SHELLS).stream()
                    .filter(d -> Long.toString(d.run()).equals(run))
                    .findFirst();
            if (from.isEmpty()) {
                return "Choose a shell whose wax was weighed.";
            }
            if (store.runs(account.studioId()).contains(from.get().run())) {
                return TAKEN_TWICE;
            }
            fields.put("run", run);
            fields.put("grams", Show.exact(from.get().grams()));
            fields.put("what", "from " + from.get().name());
        } else {
            String fault = grams(read, fields);
            if (!fault.isEmpty()) {
                return fault;
            }
        }
        double times = read.quantity("times", TIMES).orElse(1);
        OptionalDouble age = read.quantity("age_days", AGE);
        if (read.hasErrors()) {
            return read.errors().values().iterator().next();
        }
        fields.put("times", Show.exact(times));
        age.ifPresent(a -> fields.put("age_days", Show.exact(a)));
        return "";
    }

    private String reading(Account account, TappedStore.Row row, Map<String, String> fields) {
        Pots.Now now = pots.now(account, row.id()).orElseThrow();
        fields.put("celsius", String.format(Locale.ROOT, "%.0f", now.reading().celsius()));
        fields.put("level_mm", String.format(Locale.ROOT, "%.0f", now.reading().levelMm()));
        return "";
    }

    private TappedStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
