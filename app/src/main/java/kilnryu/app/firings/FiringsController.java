package kilnryu.app.firings;

import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import java.time.Clock;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.kiln.ProgramReader;
import kilnryu.app.kiln.ProgramStore;
import kilnryu.app.load.KilnLag;
import kilnryu.app.load.LoadCurve;
import kilnryu.app.load.LoadFields;
import kilnryu.app.load.LoadPage;
import kilnryu.app.load.LoadPlan;
import kilnryu.app.load.LoadReader;
import kilnryu.app.load.Stand;
import kilnryu.app.plan.Plans;
import kilnryu.app.run.FiringCurves;
import kilnryu.app.run.FiringStore;
import kilnryu.app.run.Firings;
import kilnryu.app.run.KeptPage;
import kilnryu.app.run.StartController;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.tree.Face;
import kilnryu.app.tree.TreeStore;
import kilnryu.app.web.Filter;
import kilnryu.app.web.ListPage;
import kilnryu.app.web.Show;
import kilnryu.app.web.Verdict;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.finding.Severity;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The pages on which a firing is planned: its list, its load on the floors of a kiln, its program as a curve. */
@Controller
class FiringsController {
    private static final int EMPTY_LINES = 1;
    private static final int MOST_TREES = 300;

    /** Firings whose plan and course stand beside each other in the list. */
    private static final int COMPARED = 30;

    private static final int MOST_FACES = 4;
    /** A larger load takes seconds in the simulation: its page comes first. */
    private static final int OPENS_AT_ONCE = 8;

    private final Firings firings;
    private final FiringStore store;
    private final LoadReader reader;
    private final KilnStore kilns;
    private final ProgramStore programs;
    private final Plans plans;
    private final KilnLag lag;
    private final FiringCurves curves;
    private final Clock clock;

    FiringsController(
            Firings firings,
            FiringStore store,
            LoadReader reader,
            KilnStore kilns,
            ProgramStore programs,
            Plans plans,
            KilnLag lag,
            FiringCurves curves,
            Clock clock) {
        this.firings = firings;
        this.store = store;
        this.reader = reader;
        this.kilns = kilns;
        this.programs = programs;
        this.plans = plans;
        this.lag = lag;
        this.curves = curves;
        this.clock = clock;
    }

    /** A firing in the list. */
    public record Listed(
            long id,
            String name,
            String state,
            String kiln,
            int molds,
            String when,
            String away,
            String pour,
            List<String> faces,
            String mark) {}

    /** A firing that has ended, against its plan. */
    public record Past(
            long id, String name, String usual, String most, String late, boolean outlier, boolean standIn) {}

    /** A tree that could be put in. */
    public record Choice(long id, String name, boolean in) {}

    @GetMapping("/firings")
    String list(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "") String q,
            @RequestParam(required = false) String state,
            @RequestParam(defaultValue = "1") String page,
            HttpSession session,
            Model model) {
        String search = q.length() > 120 ? q.substring(0, 120) : q.replace("\u0000", "");
        String shown = Filter.stays(session, "firings.state", state, "", List.of("", "planned", "running", "done"));
        ZonedDateTime now = clock.instant().atZone(account.zoneId());
        model.addAttribute("q", search);
        model.addAttribute("state", shown);
        ListPage<Listed> list = ListPage.asked(
                        page, span -> store.list(account.studioId(), new FiringStore.FiringFilter(shown, search), span))
                .map(f -> listed(f, account, now));
        model.addAttribute("firings", list.rows());
        model.addAttribute("list", list);
        model.addAttribute(
                "compared",
                curves.of(account.studioId()).stream()
                        .limit(COMPARED)
                        .map(c -> new Past(
                                c.firing(),
                                c.name(),
                                Math.round(c.usual()) + " K",
                                Math.round(c.most()) + " K",
                                Math.round(c.late()) + " min",
                                c.odd(),
                                c.standIn()))
                        .toList());
        model.addAttribute("noKiln", kilns.list(account.studioId()).isEmpty());
        return "load/firings";
    }

    private static Listed listed(FiringStore.Line f, Account account, ZonedDateTime now) {
        Optional<ZonedDateTime> pour = new TreeStore.Stand(4, "", "", f.pour()).poured(account.zoneId());
        String when = f.endedAt() != null
                ? "ended " + Show.dayAndClock(f.endedAt().atZone(account.zoneId()), now)
                        + (f.endedAs() == null || f.endedAs().isEmpty() ? "" : ", " + f.endedAs())
                : f.startedAt() != null
                        ? "since " + Show.dayAndClock(f.startedAt().atZone(account.zoneId()), now)
                        : "";
        boolean open = f.endedAt() == null;
        return new Listed(
                f.id(),
                f.name(),
                f.state(),
                f.kiln() == null ? "–" : f.kiln(),
                f.molds(),
                when,
                pour.filter(p -> open).map(p -> Show.away(now, p)).orElse(""),
                pour.filter(p -> open).map(Show::dayAndClock).orElse(""),
                f.faces().stream().limit(MOST_FACES).map(Face::drawn).toList(),
                f.mark());
    }

    /** A firing that is not saved yet, with a tree in it when one asks from its page. */
    @GetMapping("/firings/new")
    String begin(@AuthenticationPrincipal Account account, @RequestParam(required = false) Long tree, Model model) {
        Map<String, String> typed = new LinkedHashMap<>();
        List<KilnStore.Row> all = kilns.list(account.studioId());
        if (!all.isEmpty()) {
            typed.put("kiln", Long.toString(all.get(0).id()));
        }
        if (tree != null) {
            typed.put("molds[" + tree + "].in", "yes");
            plans.find(account, List.of(tree)).stream().findFirst().ifPresent(s -> {
                typed.put("name", s.row().name());
                s.plan()
                        .firing()
                        .flatMap(f -> f.clock())
                        .ifPresent(c -> typed.put(
                                "pour_at",
                                c.pour()
                                        .toLocalDateTime()
                                        .withSecond(0)
                                        .withNano(0)
                                        .toString()));
            });
        }
        return load(account, 0, 0, typed, false, model);
    }

    @GetMapping("/firings/{id:\\d+}/load")
    String load(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        FiringStore.Row row = firings.found(account, id);
        if (!row.planned()) {
            return KeptPage.load(account, row, store.events(id), model);
        }
        return load(account, id, row.version(), row.fields(), false, model);
    }

    @PostMapping("/firings/{id:\\d+}/load/try")
    String tryLoad(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        load(account, id, 0, firings.merged(account, id, form, true), true, model);
        return "load/load :: answer";
    }

    /** The packing as proposed: places are left blank, so that all are found anew. */
    @PostMapping("/firings/{id:\\d+}/load/pack")
    String pack(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model) {
        Map<String, String> typed = firings.merged(account, id, form, true);
        typed.keySet().removeIf(k -> k.matches("molds\\[\\d+]\\.(x_mm|y_mm|floor|turned)"));
        return load(account, id, version, typed, false, model);
    }

    @PostMapping("/firings/{id:\\d+}/load")
    String saveLoad(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        Map<String, String> typed = firings.merged(account, id, form, true);
        LoadPlan plan = reader.read(account, typed, LoadReader.Way.USUAL);
        if (plan.fields().hasErrors() || plan.stands().isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            if (plan.stands().isEmpty()) {
                model.addAttribute("fault", "The load is empty: put at least one mold in.");
            }
            return load(account, id, version, typed, true, model);
        }
        Map<String, String> written = lag.kept(
                account.studioId(),
                id == 0 ? Map.of() : firings.found(account, id).fields(),
                plan.fields().kept());
        Optional<Long> kiln = plan.row().map(KilnStore.Row::id);
        List<Long> trees = plan.stands().stream().map(Stand::tree).toList();
        if (id == 0) {
            return "redirect:/firings/" + store.create(account.studioId(), written, kiln, trees) + "?saved";
        }
        if (!store.save(firings.planned(account, id), version, written, kiln, trees)) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("conflict", true);
            return load(account, id, firings.found(account, id).version(), typed, true, model);
        }
        return "redirect:/firings/" + id + "?saved";
    }

    @GetMapping("/firings/{id:\\d+}")
    String program(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "false") boolean whole,
            @RequestParam(required = false) String saved,
            Model model) {
        FiringStore.Row row = firings.found(account, id);
        if (!row.planned()) {
            return "redirect:/firings/" + id + "/run";
        }
        long molds = row.fields().keySet().stream()
                .filter(k -> k.startsWith("molds[") && k.endsWith("].in"))
                .count();
        if (molds > OPENS_AT_ONCE && !whole) {
            model.addAttribute("id", id);
            model.addAttribute("name", row.name());
            model.addAttribute("molds", molds);
            model.addAttribute("saved", saved != null);
            return "load/opening";
        }
        return program(account, row, row.version(), row.fields(), false, model);
    }

    /** Only the curve, for a corner in the hand or just let go; its table and figures are asked for once it stands. */
    @PostMapping("/firings/{id:\\d+}/curve")
    String curve(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        FiringStore.Row row = firings.planned(account, id);
        LoadPlan plan = reader.dragged(account, Firings.merged(row.fields(), form, false));
        model.addAttribute(
                "curve", LoadPage.curve(plan, account, LoadCurve.Window.named(form.getOrDefault("window", ""))));
        return "load/program :: curve";
    }

    @PostMapping("/firings/{id:\\d+}/try")
    String tryProgram(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        FiringStore.Row row = firings.planned(account, id);
        Map<String, String> typed = Firings.merged(row.fields(), form, false);
        program(account, row, 0, reader.dragged(account, typed), typed, true, model);
        return "load/program :: fresh";
    }

    /** The program as a school makes it, as the studio has it, or with holds that follow the heat; not saved yet. */
    @PostMapping("/firings/{id:\\d+}/as")
    String as(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "school") String as,
            @RequestParam(defaultValue = "0") int version,
            Model model) {
        FiringStore.Row row = firings.planned(account, id);
        Map<String, String> typed = firings.merged(account, id, form, false);
        if (as.equals("lengthen")) {
            typed.put("lengthen", "yes");
            typed.put("program_is", "typed");
            lengthened(account, typed);
        } else if (as.startsWith("own-") && as.substring(4).matches("\\d{1,18}")) {
            programs.find(account.studioId(), Long.parseLong(as.substring(4))).ifPresent(p -> {
                Firings.clearProgram(typed);
                p.fields().forEach((k, v) -> {
                    if (k.startsWith("program[")) {
                        typed.put(k, v);
                    }
                });
                typed.put("program_is", "typed");
            });
        } else {
            Firings.clearProgram(typed);
            typed.put("program_is", "school");
        }
        model.addAttribute("unsaved", true);
        return program(account, row, version, typed, true, model);
    }

    private void lengthened(Account account, Map<String, String> typed) {
        LoadPlan plan = reader.read(account, typed, LoadReader.Way.USUAL);
        typed.remove("lengthen");
        if (!plan.segments().isEmpty()) {
            Firings.clearProgram(typed);
            typed.putAll(ProgramReader.fields(plan.segments()));
        }
    }

    @PostMapping("/firings/{id:\\d+}")
    String saveProgram(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        FiringStore.Row row = firings.planned(account, id);
        Map<String, String> typed = firings.merged(account, id, form, false);
        LoadPlan plan = reader.read(account, typed, LoadReader.Way.USUAL);
        if (plan.fields().hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return program(account, row, version, typed, true, model);
        }
        if (!saved(row, version, plan)) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("conflict", true);
            return program(account, row, firings.found(account, id).version(), typed, true, model);
        }
        return "redirect:/firings/" + id + "?saved";
    }

    /** @return false when someone else saved in between */
    private boolean saved(FiringStore.Row row, int version, LoadPlan plan) {
        return store.save(
                row,
                version,
                plan.fields().kept(),
                plan.row().map(KilnStore.Row::id),
                plan.stands().stream().map(Stand::tree).toList());
    }

    /** Another hour of the pour, as the program proposes it; all else stays. */
    @PostMapping("/firings/{id:\\d+}/pour")
    String pourAt(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String at,
            @RequestParam(defaultValue = "0") int version,
            RedirectAttributes redirect) {
        FiringStore.Row row = firings.planned(account, id);
        Map<String, String> typed = new LinkedHashMap<>(row.fields());
        typed.put("pour_at", at);
        LoadPlan plan = reader.read(account, typed, LoadReader.Way.USUAL);
        if (plan.fields().errors().containsKey("pour_at")) {
            redirect.addFlashAttribute("fault", plan.fields().errors().get("pour_at"));
            return "redirect:/firings/" + id;
        }
        if (!saved(row, version, plan)) {
            redirect.addFlashAttribute(
                    "fault",
                    "Nothing was changed: someone saved this firing meanwhile. Look at it, then choose again.");
            return "redirect:/firings/" + id;
        }
        return "redirect:/firings/" + id + "?saved";
    }

    @PostMapping("/firings/{id:\\d+}/away")
    String putAway(@AuthenticationPrincipal Account account, @PathVariable long id, RedirectAttributes redirect) {
        store.putAway(firings.found(account, id));
        redirect.addFlashAttribute("gone", true);
        return "redirect:/firings";
    }

    private String load(
            Account account, long id, int version, Map<String, String> typed, boolean showErrors, Model model) {
        LoadPlan plan = reader.read(account, typed, LoadReader.Way.USUAL);
        common(account, id, version, plan, typed, showErrors, "load", model);
        var in = plan.stands().stream().map(Stand::tree).collect(Collectors.toSet());
        model.addAttribute(
                "choices",
                plans.moldNames(account, MOST_TREES).entrySet().stream()
                        .map(e -> new Choice(e.getKey(), e.getValue(), in.contains(e.getKey())))
                        .toList());
        Map<String, String> places = new LinkedHashMap<>();
        plan.packing()
                .ifPresent(p -> p.placed().forEach(m -> {
                    places.put(m.item().key() + ".x", Show.exact(Math.rint(m.x())));
                    places.put(m.item().key() + ".y", Show.exact(Math.rint(m.y())));
                    places.put(m.item().key() + ".floor", String.valueOf(m.floor()));
                    places.put(m.item().key() + ".turned", m.turned() ? "yes" : "");
                }));
        model.addAttribute("places", places);
        model.addAttribute("floorNames", plan.kiln().map(k -> k.floors()).orElse(List.of("floor")));
        model.addAttribute("stands", plan.stands());
        model.addAttribute("turns", plan.turnsUp());
        return "load/load";
    }

    private String program(
            Account account,
            FiringStore.Row row,
            int version,
            Map<String, String> typed,
            boolean showErrors,
            Model model) {
        LoadPlan plan = reader.read(account, typed, LoadReader.Way.USUAL);
        return program(account, row, version, plan, typed, showErrors, model);
    }

    private String program(
            Account account,
            FiringStore.Row row,
            int version,
            LoadPlan plan,
            Map<String, String> typed,
            boolean showErrors,
            Model model) {
        Map<String, String> shown = new LinkedHashMap<>(typed);
        boolean rewritten = !plan.fields().hasErrors() && !plan.segments().isEmpty();
        common(account, row.id(), version, plan, shown, showErrors, "program", model);
        model.addAttribute("rewritten", rewritten);
        model.addAttribute("lines", plan.fields().lines("program", EMPTY_LINES));
        model.addAttribute("nextKey", "k" + (plan.segments().size() + 1));
        model.addAttribute("schoolForm", new SheetForm(plan.fields(), shown, false));
        model.addAttribute("isTyped", plan.typed());
        model.addAttribute(
                "shells", plan.stands().stream().allMatch(s -> s.shell().isPresent()));
        model.addAttribute("own", programs.list(account.studioId()));
        model.addAttribute(
                "schools",
                plan.stands().isEmpty()
                        ? List.of()
                        : plan.stands()
                                .get(0)
                                .saved()
                                .plan()
                                .reading()
                                .schools()
                                .options("burnout", ""));
        return "load/program";
    }

    private void common(
            Account account,
            long id,
            int version,
            LoadPlan plan,
            Map<String, String> typed,
            boolean showErrors,
            String open,
            Model model) {
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute("form", new SheetForm(plan.fields(), typed, showErrors, LoadFields.ALL));
        model.addAttribute("name", plan.name().isEmpty() ? "A firing" : plan.name());
        model.addAttribute("page", LoadPage.of(plan, account));
        model.addAttribute("stream", LoadPage.stations(id, "planned", open, Optional.of(plan)));
        model.addAttribute("kilnName", plan.kiln().map(k -> k.name()).orElse("no kiln chosen"));
        model.addAttribute(
                "pourAt", plan.clock().map(c -> Show.dayAndClock(c.pour())).orElse(""));
        model.addAttribute(
                "kilns",
                kilns.list(account.studioId()).stream()
                        .map(k -> new SheetForm.Option(Long.toString(k.id()), k.name()))
                        .toList());
        beforeTheStart(account, id, version, plan, model);
    }

    /** What may be done before it is started, and what stands in the way. */
    private void beforeTheStart(Account account, long id, int version, LoadPlan plan, Model model) {
        Optional<ZonedDateTime> instead = plan.clock().flatMap(BackPlan::instead);
        model.addAttribute(
                "instead",
                instead.map(p -> p.toLocalDateTime()
                                .truncatedTo(ChronoUnit.MINUTES)
                                .toString())
                        .orElse(""));
        model.addAttribute("insteadSays", instead.map(Show::dayAndClock).orElse(""));
        model.addAttribute("unready", id == 0 ? List.of() : store.unready(id));
        model.addAttribute("early", StartController.early(plan, clock.instant()));
        model.addAttribute(
                "verdict",
                Verdict.over(
                        LoadPage.found(plan), LoadPage.unjudged(plan), account.units(), remedies(id, version, plan)));
        model.addAttribute("blocking", StartController.blocking(plan));
        model.addAttribute("unknown", StartController.unknown(plan));
    }

    /** What mends a load at once: longer holds where the heat asks for them, a kiln where none is chosen. */
    private static List<Verdict.Remedy> remedies(long id, int version, LoadPlan plan) {
        List<Verdict.Remedy> all = new ArrayList<>();
        if (id > 0
                && plan.findings().all().stream()
                        .anyMatch(f -> f.place().startsWith("program[") && f.severity() != Severity.NOTE)) {
            all.add(new Verdict.Remedy(
                    "Lengthen holds",
                    "/firings/" + id + "/as",
                    Map.of("as", "lengthen", "version", Integer.toString(version))));
        }
        if (id > 0 && (plan.kiln().isEmpty() || plan.clock().isEmpty())) {
            all.add(Verdict.Remedy.link(
                    plan.kiln().isEmpty() ? "Choose a kiln" : "Say when to pour", "/firings/" + id + "/load"));
        }
        return all;
    }
}
