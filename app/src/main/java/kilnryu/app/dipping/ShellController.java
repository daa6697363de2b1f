package kilnryu.app.dipping;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.dipping.DipStore.Dip;
import kilnryu.app.dipping.DipStore.Event;
import kilnryu.app.dipping.DipStore.Logged;
import kilnryu.app.dipping.DipStore.Run;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Options;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.shell.ShellDrawing;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Verdict;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.Climate;
import kilnryu.core.shell.Coat;
import kilnryu.core.shell.Dewax;
import kilnryu.core.shell.RecipeText;
import kilnryu.core.shell.ShellPlan.Layer;
import kilnryu.core.sum.Figure;
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

/** The page of one shell: its coats as laid and to come, its strength now, and what happened after the last coat. */
@Controller
class ShellController {
    private static final String AT = "/shells/{id:\\d+}";

    private final Shells shells;
    private final DipStore dips;
    private final RackController racks;
    private final Clock clock;

    ShellController(Shells shells, DipStore dips, RackController racks, Clock clock) {
        this.shells = shells;
        this.dips = dips;
        this.racks = racks;
        this.clock = clock;
    }

    /** A coat on the page; {@code dip} is 0 for one to come. */
    public record CoatLine(
            int number,
            String coat,
            String grain,
            String at,
            String air,
            String dry,
            String read,
            String note,
            long dip) {}

    /** A flaw on the page; {@code mark} is its number on the drawing, 0 where its depth is not known. */
    public record Flaw(int mark, String at, String where, String found, String mended, boolean open) {}

    @GetMapping(AT)
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        return page(account, id, Map.of(), model);
    }

    @PostMapping(AT + "/log")
    String log(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        shells.run(account, id);
        Map<String, String> typed = Fields.sent(form);
        int seen = seen(typed);
        Fields fields = Fields.typed(typed, account.units());
        Optional<Logged> dip = DipReader.dip(fields, shells.air(account), clock.instant(), account.zoneId());
        if (dip.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, id, Map.of("dip", form("dip", fields, typed)), model);
        }
        try {
            shells.log(account, id, seen, dip.get());
        } catch (Late late) {
            return late(account, id, late, Map.of("dip", form("dip", fields, typed)), model, response);
        }
        return "redirect:/shells/" + id + "?logged";
    }

    /** How many coats were on when the page was shown; -1 where nobody says. */
    private static int seen(Map<String, String> typed) {
        String on = typed.remove("on");
        return on != null && on.matches("\\d{1,3}") ? Integer.parseInt(on) : -1;
    }

    /** How it stands now, with a word on what came between, and what was typed still in its form. */
    private String late(
            Account account,
            long id,
            Late late,
            Map<String, SheetForm> typed,
            Model model,
            HttpServletResponse response) {
        response.setStatus(HttpStatus.CONFLICT.value());
        model.addAttribute("fault", late.getMessage());
        return page(account, id, typed, model);
    }

    @PostMapping(AT + "/dips/{dip}/{move:remove|restore}")
    String removeDip(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @PathVariable long dip,
            @PathVariable String move,
            RedirectAttributes redirect) {
        shells.removeDip(account, id, dip, move.equals("remove"));
        if (move.equals("remove")) {
            redirect.addFlashAttribute("dipGone", dip);
        }
        return "redirect:/shells/" + id;
    }

    @PostMapping(AT + "/coats")
    String coats(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        shells.run(account, id);
        Map<String, String> typed = Fields.sent(form);
        int seen = seen(typed);
        Fields fields = Fields.typed(typed, account.units());
        String why = fields.named(DipFields.WHY, "Say why, for the record.").orElse("");
        List<Coat> coming = new ArrayList<>();
        Optional<String> text = fields.text(DipFields.COMING);
        try {
            text.filter(t -> !t.equals("none"))
                    .ifPresent(t -> coming.addAll(RecipeText.read(t).coats()));
        } catch (IllegalArgumentException e) {
            fields.error(DipFields.COMING, e.getMessage());
        }
        if (text.isEmpty()) {
            fields.missing(DipFields.COMING, "Name the coats to come, or type none.");
        }
        if (fields.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, id, Map.of("coats", form("coats", fields, typed)), model);
        }
        try {
            shells.replan(account, id, seen, coming, why);
        } catch (Late late) {
            return late(account, id, late, Map.of("coats", form("coats", fields, typed)), model, response);
        }
        return "redirect:/shells/" + id + "?planned";
    }

    @PostMapping(AT + "/weigh")
    String weigh(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        shells.run(account, id);
        Fields fields = Fields.typed(Fields.sent(form), account.units());
        OptionalDouble grams = fields.required(DipFields.WEIGHS);
        if (grams.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, id, Map.of("weigh", form("weigh", fields, Fields.sent(form))), model);
        }
        shells.weigh(account, id, grams.getAsDouble());
        return "redirect:/shells/" + id + "?weighed";
    }

    @PostMapping(AT + "/event")
    String event(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam String kind,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        shells.run(account, id);
        if (!DipReader.EVENTS.contains(kind)) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        Map<String, String> typed = Fields.sent(form);
        typed.remove("kind");
        Fields fields = Fields.typed(typed, account.units());
        DipReader.event(kind, fields);
        if (fields.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, id, Map.of(kind, form(kind, fields, typed)), model);
        }
        shells.event(account, id, kind, fields.kept());
        return "redirect:/shells/" + id + "?written#after";
    }

    @PostMapping(AT + "/move")
    String move(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam String rack,
            @RequestParam(defaultValue = "") String sure,
            RedirectAttributes redirect) {
        if (!shells.move(account, id, rack, !sure.isEmpty())) {
            redirect.addFlashAttribute("full", rack);
        }
        return "redirect:/shells/" + id;
    }

    @PostMapping(AT + "/end")
    String end(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam String as) {
        shells.end(account, id, as.equals("fit") ? "fit to pour" : "given up");
        return "redirect:/shells/" + id;
    }

    /** One that cannot be reckoned anew: what was frozen of it, its log, and what can still be written down. */
    private String kept(Account account, Shells.KeptShell kept, Map<String, SheetForm> forms, Model model) {
        Run run = kept.run();
        model.addAttribute("id", run.id());
        model.addAttribute("tree", run.treeId());
        model.addAttribute("name", run.name());
        model.addAttribute("rack", run.rack());
        model.addAttribute("why", kept.why());
        model.addAttribute("record", kept.record().orElse(null));
        model.addAttribute("began", Show.dayAndClock(run.begunAt().atZone(account.zoneId())));
        model.addAttribute("ended", run.endedAt() != null ? run.endedAs() : "");
        List<Dip> laid = dips.dips(run.id());
        model.addAttribute("on", laid.size());
        model.addAttribute("of", Math.max(laid.size(), run.coats().size()));
        model.addAttribute(
                "lines",
                laid.stream()
                        .map(d -> new CoatLine(
                                laid.indexOf(d) + 1,
                                d.logged().coat().label(),
                                d.logged().coat().grain(),
                                Show.dayAndClock(d.logged().at().atZone(account.zoneId())),
                                Show.digits(d.logged().air().celsius()) + " °C, "
                                        + Math.round(d.logged().air().humidity()) + " %",
                                "not reckoned",
                                read(account, d),
                                d.logged().note(),
                                d.id()))
                        .toList());
        model.addAttribute("coats", Options.of(Coat.values(), Coat::key, Coat::label));
        SheetForm empty = new SheetForm(Fields.typed(Map.of(), account.units()), Map.of(), false);
        model.addAttribute("dipForm", forms.getOrDefault("dip", empty));
        return "dipping/kept";
    }

    private String page(Account account, long id, Map<String, SheetForm> forms, Model model) {
        Run run = shells.run(account, id);
        Optional<Shells.KeptShell> kept = shells.kept(account, run);
        if (kept.isPresent()) {
            return kept(account, kept.get(), forms, model);
        }
        model.addAttribute("record", shells.record(run).orElse(null));
        model.addAttribute("began", Show.dayAndClock(run.begunAt().atZone(account.zoneId())));
        ShellState s = shells.find(account, id);
        FigureView.Maker views = new FigureView.Maker(account.units(), s.plan().precious());
        List<Event> events = dips.events(id);
        Dewax dewax = s.plan().shell().orElseThrow().dewax();
        List<Flaw> flaws = flaws(account, events);
        model.addAttribute("id", id);
        model.addAttribute("tree", s.run().treeId());
        model.addAttribute("name", s.run().name());
        model.addAttribute("card", racks.card(account, s));
        model.addAttribute("rack", s.run().rack());
        int wireAfter = s.shell().recipe().wireAfter();
        model.addAttribute("wireAfter", wireAfter);
        model.addAttribute(
                "wired",
                events.stream()
                        .filter(e -> s.wired() && e.kind().equals("wire"))
                        .reduce((a, b) -> b)
                        .map(e -> Show.dayAndClock(e.at().atZone(account.zoneId())) + " by " + e.by())
                        .orElse(""));
        model.addAttribute(
                "rackNames",
                shells.room(account).racks().stream().map(r -> r.name()).toList());
        model.addAttribute("ended", s.run().endedAt() != null ? s.run().endedAs() : "");
        model.addAttribute("lines", lines(account, s));
        model.addAttribute("figures", figures(s).stream().map(views::of).toList());
        model.addAttribute(
                "findings",
                s.shell().findings().all().stream()
                        .map(f -> FindingView.of(f, views, 0))
                        .toList());
        List<String> unjudged = unjudged(s, events);
        model.addAttribute("unjudged", unjudged);
        model.addAttribute("verdict", Verdict.over(s.shell().findings().all(), unjudged, account.units(), List.of()));
        model.addAttribute("corrected", s.corrected() == 1 ? "" : Show.digits(s.corrected()));
        model.addAttribute("drawing", drawing(account, s, events));
        model.addAttribute("masses", masses(account, s));
        model.addAttribute("flaws", flaws);
        dewaxed(dewax, recovered(events, dewax), views, model);
        model.addAttribute("looks", DipFields.LOOKS);
        model.addAttribute("looked", looked(events));
        model.addAttribute("against", against(s, flaws, events));
        model.addAttribute("coming", coming(s));
        model.addAttribute("nextCoat", s.next().map(Coat::key).orElse(""));
        Fields empty = Fields.typed(Map.of(), account.units());
        DipFields.FORMS.forEach((form, fields) -> model.addAttribute(
                form + "Form", forms.getOrDefault(form, new SheetForm(empty, Map.of(), false, fields))));
        return "dipping/shell";
    }

    private static SheetForm form(String name, Fields fields, Map<String, String> typed) {
        return new SheetForm(fields, typed, true, DipFields.FORMS.get(name));
    }

    private static List<String> unjudged(ShellState s, List<Event> events) {
        List<String> unjudged = new ArrayList<>();
        if (s.shell().strength().isEmpty()) {
            unjudged.add("whether it bears the metal (no place on the tree is known)");
        }
        if (s.shell().drying().isEmpty()) {
            unjudged.add("how long its coats dry in this room");
        }
        if (looked(events).isEmpty()) {
            unjudged.add("cracks, patches and dryness (the look before the pour)");
        }
        return unjudged;
    }

    private static void dewaxed(Dewax dewax, Findings recovered, FigureView.Maker views, Model model) {
        model.addAttribute(
                "steps", dewax.steps().stream().map(ShellController::step).toList());
        model.addAttribute("dewax", views.of(dewax.expected()));
        model.addAttribute("dewaxMethod", dewax.method().label());
        model.addAttribute(
                "recovered",
                recovered.all().stream().map(f -> FindingView.of(f, views, 0)).toList());
    }

    private static List<Figure> figures(ShellState s) {
        List<Figure> figures =
                new ArrayList<>(List.of(s.shell().thickness(), s.shell().fired()));
        s.shell().strength().ifPresent(st -> figures.addAll(List.of(st.stress(), st.allowed(), st.mostHead())));
        s.shell().lift().ifPresent(figures::add);
        return figures;
    }

    private static List<CoatLine> lines(Account account, ShellState s) {
        List<CoatLine> lines = new ArrayList<>();
        for (Layer layer : s.shell().layers()) {
            Optional<Dip> dip =
                    layer.number() <= s.on() ? Optional.of(s.dips().get(layer.number() - 1)) : Optional.empty();
            String dry = layer.drying()
                    .map(d -> Show.figure(d, account.units()).toString())
                    .orElse("never");
            lines.add(new CoatLine(
                    layer.number(),
                    layer.coat().label(),
                    layer.coat().grain(),
                    dip.map(d -> Show.dayAndClock(d.logged().at().atZone(account.zoneId())))
                            .orElse(""),
                    dip.map(d -> Show.digits(d.logged().air().celsius()) + " °C, "
                                    + Math.round(d.logged().air().humidity()) + " %")
                            .orElse(""),
                    dry,
                    dip.map(d -> read(account, d)).orElse(""),
                    dip.map(d -> String.join(
                                    " · ",
                                    java.util.stream.Stream.of(
                                                    d.logged().changed(),
                                                    d.logged().note())
                                            .filter(t -> !t.isEmpty())
                                            .toList()))
                            .orElse(""),
                    dip.map(Dip::id).orElse(0L)));
        }
        return lines;
    }

    private static String read(Account account, Dip dip) {
        List<String> read = new ArrayList<>();
        var r = dip.logged().readings();
        r.flow().ifPresent(v -> read.add("cup " + Show.digits(v) + " s"));
        r.density().ifPresent(v -> read.add(Show.digits(v) + " g/cm³"));
        r.thickness().ifPresent(v -> read.add("bar " + Show.digits(v) + " mm"));
        r.mass()
                .ifPresent(v -> read.add(
                        Show.value(v, Measure.GRAM, account.units(), false).toString()));
        return String.join(", ", read);
    }

    private static String coming(ShellState s) {
        return String.join(
                ", ",
                s.shell().layers().stream()
                        .skip(s.on())
                        .map(l -> l.coat().label())
                        .toList());
    }

    private static String step(Dewax.Step step) {
        return step.title()
                + (step.minutes().isPresent()
                        ? ", "
                                + Show.length(Duration.ofMinutes(
                                        Math.round(step.minutes().getAsDouble())))
                        : "")
                + ". " + step.care();
    }

    private static Findings recovered(List<Event> events, Dewax dewax) {
        return events.stream()
                .filter(e -> e.kind().equals("dewax"))
                .reduce((a, b) -> b)
                .flatMap(e -> number(e, DipFields.RECOVERED))
                .map(dewax::weighed)
                .orElse(Findings.NONE);
    }

    private static Optional<Double> number(Event event, Declared.Quantity field) {
        OptionalDouble value =
                Fields.typed(event.fields(), kilnryu.app.web.Units.METRIC).quantity(field);
        return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
    }

    private static List<Flaw> flaws(Account account, List<Event> events) {
        List<Flaw> flaws = new ArrayList<>();
        int mark = 0;
        for (Event e : events) {
            if (!e.kind().equals("flaw")) {
                continue;
            }
            Map<String, String> f = e.fields();
            boolean placed = number(e, DipFields.DEPTH).isPresent();
            mark += placed ? 1 : 0;
            boolean patched = !f.getOrDefault("patched", "").isBlank();
            boolean refired = f.getOrDefault("refired", "no").equals("yes");
            String mended = patched
                    ? "patched with " + f.get("patched")
                            + (f.containsKey("dried_h") ? ", dried " + f.get("dried_h") : ", not dried yet")
                            + (refired ? ", fired again" : ", not fired again yet")
                    : "not patched";
            flaws.add(new Flaw(
                    placed ? mark : 0,
                    Show.dayAndClock(e.at().atZone(account.zoneId())),
                    f.getOrDefault("where", ""),
                    DipFields.FOUND.named(f.getOrDefault("found", "")).orElse(""),
                    mended,
                    !(patched && refired)));
        }
        return flaws;
    }

    /** What was ticked at the last look. */
    private static Map<String, String> looked(List<Event> events) {
        return events.stream()
                .filter(e -> e.kind().equals("look"))
                .reduce((a, b) -> b)
                .map(Event::fields)
                .orElse(Map.of());
    }

    /** What still stands against pouring into it. */
    private static List<String> against(ShellState s, List<Flaw> flaws, List<Event> events) {
        List<String> against = new ArrayList<>();
        if (s.next().isPresent()) {
            against.add((s.shell().layers().size() - s.on()) + " coats are still to come.");
        }
        s.shell()
                .findings()
                .stops()
                .forEach(f ->
                        against.add(Spoken.in(f.message(), s.plan().reading().units())));
        flaws.stream().filter(Flaw::open).forEach(f -> against.add("Crack at " + f.where() + ": " + f.mended() + "."));
        Map<String, String> looked = looked(events);
        DipFields.LOOKS.forEach(look -> {
            String words = look.asks().label();
            if (!looked.getOrDefault(look.path(), "no").equals("yes")) {
                against.add("Not seen yet: " + words.substring(0, 1).toLowerCase(java.util.Locale.ROOT)
                        + words.substring(1) + ".");
            }
        });
        return against;
    }

    private static String drawing(Account account, ShellState s, List<Event> events) {
        List<Double> marks = events.stream()
                .filter(e -> e.kind().equals("flaw"))
                .map(e -> number(e, DipFields.DEPTH))
                .flatMap(Optional::stream)
                .toList();
        return ShellDrawing.of(
                s.shell(),
                s.plan().gating().map(g -> g.plan()),
                s.plan().outline().orElseThrow(),
                account.units(),
                s.on(),
                marks);
    }

    /** The curve of mass, where the last dip was weighed. */
    private String masses(Account account, ShellState s) {
        if (s.on() == 0 || s.ready().isEmpty()) {
            return "";
        }
        Dip last = s.dips().get(s.on() - 1);
        OptionalDouble first = last.logged().readings().mass();
        if (first.isEmpty()) {
            return "";
        }
        Climate climate = shells.climate(account, shells.room(account));
        Layer layer = s.shell().layers().get(s.on() - 1);
        double water = s.shell().water(layer);
        Instant from = last.logged().at();
        Instant dry = s.ready().get();
        List<MassDrawing.Point> estimate = new ArrayList<>();
        double dose = s.dose(s.on() - 1);
        for (Instant at = from; !at.isAfter(dry.plus(1, ChronoUnit.HOURS)); at = at.plus(Duration.ofMinutes(15))) {
            estimate.add(new MassDrawing.Point(
                    MassDrawing.hours(from, at), first.getAsDouble() - water * climate.progress(from, at, dose)));
        }
        List<MassDrawing.Point> weighed = new ArrayList<>(List.of(new MassDrawing.Point(0, first.getAsDouble())));
        dips.weighings(s.run().id()).stream()
                .filter(w -> w.at().isAfter(from))
                .forEach(w -> weighed.add(new MassDrawing.Point(MassDrawing.hours(from, w.at()), w.grams())));
        return MassDrawing.of(estimate, weighed, account.units());
    }
}
