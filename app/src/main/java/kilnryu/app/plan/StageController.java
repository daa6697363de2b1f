package kilnryu.app.plan;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.UUID;
import kilnryu.app.account.Account;
import kilnryu.app.piece.PieceParts;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Merge;
import kilnryu.app.sheet.SheetStore;
import kilnryu.app.sheet.SheetStore.Sheet;
import kilnryu.app.sheet.Unsaved;
import kilnryu.app.tree.TreeStore;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.flask.Flask;
import kilnryu.core.gating.Use;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The pages on which tree, mold and firing are typed; number 0 is a tree that is not saved yet. */
@Controller
class StageController {
    /** A draft longer than this is not worth keeping; the page still holds it. */
    private static final int LONGEST_DRAFT = 200_000;

    /** What a line of a part holds before anything is typed in it. */
    private static final Set<String> AS_IT_COMES = Set.of("role", "how", "material", "use");

    private final Plans plans;
    private final SheetStore sheets;
    private final PieceParts pieces;
    private final Series series;
    private final Streams streams;
    private final MoldChoice.Source choices;
    private final Clock clock;

    StageController(
            Plans plans,
            SheetStore sheets,
            PieceParts pieces,
            Series series,
            Streams streams,
            MoldChoice.Source choices,
            Clock clock) {
        this.choices = choices;
        this.series = series;
        this.plans = plans;
        this.sheets = sheets;
        this.pieces = pieces;
        this.streams = streams;
        this.clock = clock;
    }

    /** A form being looked at: which tree and stage, what is typed, and from which version. */
    private record Sight(
            long tree, View view, Map<String, String> typed, int version, boolean showErrors, String page) {
        Stage stage() {
            return view.stage;
        }

        SheetStore.DraftOf draft(Account account) {
            return new SheetStore.DraftOf(account.id(), tree, view.stage.key(), page);
        }
    }

    /** A page on which a stage is typed; the tree has two, its list of parts and its building. */
    private record View(String key, Stage stage) {
        static View named(String key) {
            return new View(
                    key, key.equals("gating") ? Stage.TREE : Stage.named(key).orElseThrow());
        }
    }

    @GetMapping("/trees/new")
    String begin(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "0") long piece,
            @RequestParam(defaultValue = "") String draft,
            Model model) {
        Optional<Map<String, String>> taken = pieces.asPart(account, piece);
        if (taken.isPresent()) {
            Map<String, String> first = new LinkedHashMap<>();
            first.put("name", taken.get().getOrDefault("name", ""));
            first.put("alloy", taken.get().getOrDefault("alloy", ""));
            taken.get().forEach((field, text) -> {
                if (!field.equals("alloy")) {
                    first.put("parts[p1]." + field, text);
                }
            });
            return page(account, new Sight(0, View.named("tree"), first, 0, false, newPage()), model);
        }
        SheetStore.DraftOf of = new SheetStore.DraftOf(account.id(), 0, Stage.TREE.key(), shortened(draft));
        Optional<SheetStore.Draft> begun = draft.isEmpty() ? Optional.empty() : sheets.draft(of);
        if (begun.isPresent()) {
            model.addAttribute("draftFrom", hour(account, begun.get().at()));
            return page(account, new Sight(0, View.named("tree"), begun.get().fields(), 0, false, of.page()), model);
        }
        Unsaved.into(model, sheets.unfinished(account.id(), Stage.TREE.key()), at -> hour(account, at));
        return open(account, 0, View.named("tree"), model);
    }

    @GetMapping("/trees/{id}")
    String tree(@PathVariable long id) {
        return "redirect:/trees/" + id + "/tree";
    }

    @GetMapping("/trees/{id}/{stage:tree|gating|mold|firing}")
    String show(
            @AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String stage, Model model) {
        return open(account, id, View.named(stage), model);
    }

    private String open(Account account, long id, View view, Model model) {
        Stage stage = view.stage;
        present(account, id);
        Optional<SheetStore.Draft> draft = sheets.draft(account.id(), id, stage.key());
        draft.ifPresent(d -> model.addAttribute("draftFrom", hour(account, d.at())));
        Sheet sheet = plans.sheets(id).get(stage);
        Sight sight = draft.map(d -> new Sight(id, view, d.fields(), d.baseVersion(), false, newPage()))
                .orElseGet(() -> new Sight(id, view, beginning(id, stage, sheet), sheet.version(), false, newPage()));
        return page(account, sight, model);
    }

    private static Map<String, String> beginning(long id, Stage stage, Sheet sheet) {
        if (id == 0 && stage == Stage.TREE) {
            Map<String, String> first = new LinkedHashMap<>();
            first.put("name", "");
            first.put("parts[p1].name", "");
            first.put("parts[p1].how", "mass_g");
            first.put("parts[p1].role", "piece");
            return first;
        }
        // a note belongs to the save it was written for
        Map<String, String> fields = new LinkedHashMap<>(sheet.fields());
        fields.remove("change_note");
        return fields;
    }

    /** What follows from what is typed, as it is typed; keeps it as a draft. */
    @PostMapping("/trees/{id}/{stage:tree|gating|mold|firing}/try")
    String tryOut(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @PathVariable String stage,
            @RequestParam Map<String, String> form,
            Model model) {
        present(account, id);
        Sight sight = sight(id, stage, form, false);
        if (sight.typed.values().stream().mapToInt(String::length).sum() < LONGEST_DRAFT) {
            sheets.keepDraft(sight.draft(account), sight.version, sight.typed);
        }
        Plan plan = fill(account, sight, model);
        model.addAttribute("verdict", streams.verdict(account, saved(account, sight, plan), plan, sight.view.key));
        return "plan/answer :: fresh";
    }

    /** The program that is typed, tried on its mold; the page asks for it when its figures stand. */
    @PostMapping("/trees/{id}/firing/heat")
    String heat(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        present(account, id);
        HeatPage.of(plan(account, sight(id, Stage.FIRING.key(), form, false)), account.units())
                .ifPresent(h -> h.into(model));
        return "plan/heat :: heat";
    }

    @PostMapping("/trees/{id}/{stage:tree|gating|mold|firing}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @PathVariable String stage,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        present(account, id);
        Sight sight = sight(id, stage, form, true);
        Plan plan = plan(account, sight);
        if (plan.fields().get(sight.stage()).hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, sight, model);
        }
        Map<String, String> written = plan.fields().get(sight.stage()).written();
        OptionalLong done = plans.save(account, new Plans.Save(id, sight.stage(), sight.version, written, sight.page));
        if (done.isEmpty()) {
            response.setStatus(HttpStatus.CONFLICT.value());
            return page(account, merged(account, sight, model), model);
        }
        return "redirect:/trees/" + done.getAsLong() + "/" + stage + "?saved";
    }

    @PostMapping("/trees/{id}/{stage:tree|gating|mold|firing}/discard")
    String discard(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @PathVariable String stage,
            @RequestParam(defaultValue = "") String page) {
        present(account, id);
        sheets.closeDraft(
                new SheetStore.DraftOf(account.id(), id, View.named(stage).stage.key(), shortened(page)));
        return id == 0 ? "redirect:/trees" : "redirect:/trees/" + id + "/" + stage;
    }

    /** A further part, empty, for the form to take in. */
    @GetMapping("/trees/part")
    String part(@RequestParam(defaultValue = "") String how, Model model) {
        String key = Long.toString(System.nanoTime(), 36);
        Map<String, String> typed = new LinkedHashMap<>();
        typed.put("parts[" + key + "].role", how.isEmpty() ? "piece" : "gating");
        typed.put("parts[" + key + "].how", how.isEmpty() ? "mass_g" : how);
        typed.put("parts[" + key + "].material", how.isEmpty() ? "" : "sprue-wax");
        StageForm form = new StageForm(Fields.typed(typed, Units.METRIC), typed, false, Stage.TREE);
        model.addAttribute("form", form);
        model.addAttribute("key", key);
        return "plan/tree :: part";
    }

    /** A further member for the builder: empty but for what its use suggests, or set where a finding asks for it. */
    @PostMapping("/trees/{id}/gating/member")
    String member(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "piece") String use,
            @RequestParam(defaultValue = "") String on,
            @RequestParam Map<String, String> form,
            Model model) {
        present(account, id);
        Map<String, String> asked = new LinkedHashMap<>(form);
        asked.remove("use");
        asked.remove("on");
        Sight sight = sight(id, "gating", asked, false);
        String key = Long.toString(System.nanoTime(), 36);
        Map<String, String> typed = new LinkedHashMap<>(sight.typed);
        Layouts.beginning(Use.named(use).orElse(Use.PIECE), plan(account, sight), on)
                .forEach((field, text) -> typed.put("parts[" + key + "]." + field, text));
        Plan plan = plan(account, new Sight(id, sight.view, typed, sight.version, false, sight.page));
        model.addAttribute("form", new StageForm(plan.fields().get(Stage.TREE), typed, false, Stage.TREE));
        model.addAttribute("key", key);
        return "plan/gating :: member";
    }

    /** Builds a tree round a piece by a layout; a draft until it is saved. */
    @PostMapping("/trees/{id}/gating/layout")
    String layOut(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        present(account, id);
        Sight sight = sight(id, "gating", form, false);
        Map<String, String> laidOut = Layouts.of(sight.typed, form, plan(account, sight));
        return shown(account, sight, laidOut, model);
    }

    /** What a layout would change, said before it is taken. */
    @PostMapping("/trees/{id}/gating/layout/says")
    String layoutSays(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        present(account, id);
        Sight sight = sight(id, "gating", form, false);
        Plan before = plan(account, sight);
        Map<String, String> laidOut = Layouts.of(sight.typed, form, before);
        Plan after = plan(account, new Sight(id, sight.view, laidOut, sight.version, false, sight.page));
        model.addAttribute("says", LayoutChange.told(before, after, account.units()));
        return "plan/gating :: says";
    }

    /** The page with fields that are sent whole, as after an undo; a draft until it is saved. */
    @PostMapping("/trees/{id}/gating/as")
    String as(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        present(account, id);
        Sight sight = sight(id, "gating", form, false);
        return shown(account, sight, sight.typed, model);
    }

    private String shown(Account account, Sight from, Map<String, String> typed, Model model) {
        Sight sight = new Sight(from.tree, from.view, typed, from.version, false, from.page);
        sheets.keepDraft(sight.draft(account), sight.version, typed);
        return page(account, sight, model);
    }

    /** Refuses a tree that is not the studio's; number 0 is nobody's yet. */
    private Optional<TreeStore.Row> present(Account account, long id) {
        return id == 0 ? Optional.empty() : Optional.of(plans.row(account, id));
    }

    private static Sight sight(long id, String stage, Map<String, String> form, boolean showErrors) {
        Map<String, String> typed = new LinkedHashMap<>(form);
        typed.remove("_csrf");
        typed.keySet().removeIf(path -> path.startsWith("layout."));
        String version = typed.remove("version");
        String page = typed.remove("page");
        List<String> gone = typed.keySet().stream()
                .filter(path -> path.endsWith("].gone") && typed.get(path).equals("1"))
                .map(path -> path.substring(0, path.length() - "gone".length()))
                .toList();
        typed.keySet().removeIf(path -> path.endsWith("].gone") || gone.stream().anyMatch(path::startsWith));
        withoutEmptyLines(typed);
        try {
            int base = version == null ? 0 : Integer.parseInt(version);
            return new Sight(id, View.named(stage), typed, base, showErrors, shortened(page == null ? "" : page));
        } catch (NumberFormatException e) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST, "the version is not a number", e);
        }
    }

    /** A line that was added and left as it came is no part; one stays, so that a tree without any is told so. */
    private static void withoutEmptyLines(Map<String, String> typed) {
        Map<String, Boolean> filled = new LinkedHashMap<>();
        typed.forEach((path, text) -> {
            if (path.startsWith("parts[") && path.contains("].")) {
                String key = path.substring(0, path.indexOf("].") + 2);
                boolean own = !text.isBlank() && !AS_IT_COMES.contains(path.substring(key.length()));
                filled.merge(key, own, Boolean::logicalOr);
            }
        });
        if (filled.containsValue(true)) {
            filled.forEach((key, own) -> {
                if (!own) {
                    typed.keySet().removeIf(path -> path.startsWith(key));
                }
            });
        }
    }

    /** Someone saved in between: their changes where I made none, mine where both did, and all of it said. */
    private Sight merged(Account account, Sight mine, Model model) {
        List<SheetStore.Revision> own = sheets.since(mine.tree, mine.stage().key(), mine.version);
        // a version that never was is no base: all that is saved counts as theirs
        List<SheetStore.Revision> since =
                own.isEmpty() ? sheets.since(mine.tree, mine.stage().key(), 0) : own;
        if (since.isEmpty()) {
            return new Sight(mine.tree, mine.view, mine.typed, 0, true, newPage());
        }
        Map<String, String> base =
                own.isEmpty() || mine.version == 0 ? Map.of() : since.get(0).fields();
        SheetStore.Revision last = since.get(since.size() - 1);
        Merge merge = Merge.of(base, mine.typed, last.fields());
        List<String> who = new ArrayList<>();
        since.stream()
                .filter(r -> r.version() > mine.version)
                .map(r -> r.by() + " at " + hour(account, r.at()))
                .forEach(who::add);
        model.addAttribute("conflictBy", String.join(", ", who));
        model.addAttribute("conflict", merge.changes());
        Sight merged = new Sight(mine.tree, mine.view, merge.fields(), last.version(), true, newPage());
        sheets.keepDraft(merged.draft(account), merged.version, merged.typed);
        return merged;
    }

    private Plan plan(Account account, Sight sight) {
        Factors factors = plans.factors(account, sight.tree);
        Map<Stage, Map<String, String>> texts = Plans.texts(plans.sheets(sight.tree));
        texts.put(sight.stage(), sight.typed);
        Plan plan = plans.read(account, texts, factors);
        return sight.tree == 0 ? plan : plans.ahead(account, plans.row(account, sight.tree), texts, plan);
    }

    private String page(Account account, Sight sight, Model model) {
        Plan plan = fill(account, sight, model);
        if (sight.tree > 0 && sight.view.key.equals("tree")) {
            model.addAttribute("series", series.view(account, sight.tree));
            model.addAttribute("wanted", pieces.wanted(account, sight.typed));
        }
        stream(account, sight, plan).into(model);
        return "plan/" + sight.view.key;
    }

    private Plan fill(Account account, Sight sight, Model model) {
        Plan plan = plan(account, sight);
        ZonedDateTime now = clock.instant().atZone(account.zoneId());
        model.addAttribute("plan", plan);
        PlanPage page = PlanPage.of(plan, account.units(), now, drawings(sight.view));
        Optional<Plan> readable = readable(account, sight, plan);
        model.addAttribute(
                "page",
                readable.map(r -> page.drawnAs(PlanPage.of(r, account.units(), now, drawings(sight.view))))
                        .orElse(page));
        model.addAttribute("drawnWithout", readable.isPresent());
        model.addAttribute(
                "form", new StageForm(plan.fields().get(sight.stage()), sight.typed, sight.showErrors, sight.stage()));
        model.addAttribute("id", sight.tree);
        model.addAttribute("stage", sight.stage());
        model.addAttribute("view", sight.view.key);
        if (sight.view.key.equals("mold")) {
            List<MoldChoice> choice = choices.of(account, readable.orElse(plan));
            model.addAttribute("choice", choice);
            // typed by hand: neither the name nor the size of one of the studio's
            model.addAttribute(
                    "keepable",
                    choice.stream().noneMatch(MoldChoice::chosen)
                            && plan.flask().isPresent());
            model.addAttribute(
                    "typedSize", plan.flask().map(f -> size(account, f.flask())).orElse(""));
        }
        if (sight.view.key.equals("gating")) {
            Optional<Plans.Saved> saved =
                    sight.tree == 0 ? Optional.empty() : Optional.of(plans.find(account, sight.tree));
            Factors own = saved.map(Plans.Saved::factors).orElseGet(() -> plans.factors(account, 0));
            GatingPage gating = GatingPage.of(plan, saved.map(Plans.Saved::plan), account.units(), own);
            model.addAttribute(
                    "gating",
                    readable.map(r -> gating.drawnAs(GatingPage.of(r, Optional.empty(), account.units(), own)))
                            .orElse(gating));
        }
        model.addAttribute("berth", streams.berth(account, sight.tree).orElse(null));
        model.addAttribute("schools", plan.reading().schools());
        model.addAttribute("version", sight.version);
        model.addAttribute("pageView", sight.page);
        model.addAttribute("name", plan.name().isEmpty() ? "New tree" : plan.name());
        return plan;
    }

    private static String size(Account account, Flask flask) {
        return Show.value(flask.innerDiameter().millimetres(), Measure.MILLIMETRE, account.units(), false)
                        .digits()
                + " × " + Show.value(flask.height().millimetres(), Measure.MILLIMETRE, account.units(), false);
    }

    /**
     * The plan without the fields that cannot be read: each as it was saved, or left out with its part. It is drawn while they
     * are mended, and nothing else is said of it.
     */
    private Optional<Plan> readable(Account account, Sight sight, Plan plan) {
        Map<String, String> errors = plan.fields().get(sight.stage()).errors();
        if (errors.isEmpty()) {
            return Optional.empty();
        }
        Map<String, String> saved = sight.tree == 0
                ? Map.of()
                : plans.sheets(sight.tree).get(sight.stage()).fields();
        Map<String, String> typed = new LinkedHashMap<>(sight.typed);
        for (String path : errors.keySet()) {
            if (!saved.getOrDefault(path, "").isBlank() && !saved.get(path).equals(typed.get(path))) {
                typed.put(path, saved.get(path));
            } else if (path.startsWith("parts[")) {
                String part = path.substring(0, path.indexOf(']') + 1);
                typed.keySet().removeIf(p -> p.startsWith(part));
            } else {
                typed.remove(path);
            }
        }
        return Optional.of(plan(account, new Sight(sight.tree, sight.view, typed, sight.version, false, sight.page)));
    }

    private static Set<PlanPage.Drawing> drawings(View view) {
        return switch (view.stage) {
            case TREE -> view.key.equals("tree") ? Set.of(PlanPage.Drawing.TREE) : Set.of();
            case MOLD -> Set.of(PlanPage.Drawing.SECTION);
            case FIRING -> Set.of(PlanPage.Drawing.CURVE);
        };
    }

    private Streams.Seen stream(Account account, Sight sight, Plan plan) {
        return streams.of(account, saved(account, sight, plan), plan, sight.view.key);
    }

    /** The tree with what is typed of it; null for one that is not saved yet. */
    private Plans.Saved saved(Account account, Sight sight, Plan plan) {
        return present(account, sight.tree)
                .map(row -> new Plans.Saved(row, plans.sheets(sight.tree), plan, plans.factors(account, sight.tree)))
                .orElse(null);
    }

    /** Names one view of a page, so that its drafts can be told from those of another. */
    private static String newPage() {
        return UUID.randomUUID().toString();
    }

    private static String shortened(String page) {
        return page.length() > 40 ? page.substring(0, 40) : page;
    }

    private static String hour(Account account, Instant at) {
        return Show.dayAndClock(at.atZone(account.zoneId()));
    }
}
