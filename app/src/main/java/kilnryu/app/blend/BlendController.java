package kilnryu.app.blend;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.piece.Photo;
import kilnryu.app.piece.PhotoStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Options;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.core.material.Blend;
import kilnryu.core.material.Ingredient;
import kilnryu.core.sum.Figure;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The pages on which blends are designed, tried and compared. */
@Controller
class BlendController {
    private static final int EMPTY_LINES = 2;
    private static final int COMPARED = 6;

    private final BlendStore store;
    private final FactorStore factors;
    private final PhotoStore photos;
    private final EquipmentStore equipment;

    BlendController(BlendStore store, FactorStore factors, PhotoStore photos, EquipmentStore equipment) {
        this.equipment = equipment;
        this.store = store;
        this.factors = factors;
        this.photos = photos;
    }

    /** A blend in the list. */
    public record Line(
            long id, String name, String made, String bar, String figures, String against, int trials, boolean away) {}

    /** One line of the table that holds trials side by side. */
    public record Compared(String what, List<String> values, boolean differs) {}

    /** Trials side by side: their names, what differs, and their photos. */
    public record Comparison(List<String> names, List<Compared> lines, List<List<Long>> photos, List<Long> ids) {}

    @GetMapping("/blends")
    String list(@AuthenticationPrincipal Account account, Model model) {
        List<BlendStore.Trial> trials = store.trials(account.studioId(), 0);
        model.addAttribute(
                "blends",
                store.withArchived(account.studioId()).stream()
                        .map(b -> line(account, b, trials))
                        .toList());
        model.addAttribute("compared", comparison(account, trials));
        return "blend/blends";
    }

    private Line line(Account account, BlendStore.Row row, List<BlendStore.Trial> trials) {
        BlendReader.Read read = BlendReader.saved(row.fields(), factors.of(account.studioId()));
        Optional<Blend> blend = read.blend();
        return new Line(
                row.id(),
                row.name(),
                blend.map(BlendController::made).orElse(""),
                blend.map(ShareBar::of).orElse(""),
                blend.map(b -> String.format(
                                java.util.Locale.ROOT,
                                "%.3f g/cm³ · W/P %.0f",
                                b.density().value(),
                                b.waterPer100().value()))
                        .orElse("not complete"),
                blend.map(b -> b.findings().all().stream()
                                .map(f -> f.message())
                                .reduce("", (a, m) -> a.isEmpty() ? m : a + " " + m))
                        .orElse(""),
                (int) trials.stream().filter(t -> t.blend() == row.id()).count(),
                row.archived());
    }

    private static String made(Blend blend) {
        return String.join(
                ", ",
                blend.shares().stream()
                        .map(s -> Show.exact(s.percent()) + " % " + s.name())
                        .toList());
    }

    private Comparison comparison(Account account, List<BlendStore.Trial> all) {
        List<BlendStore.Trial> trials = all.stream().limit(COMPARED).toList();
        List<Compared> lines = new ArrayList<>();
        List<BlendReader.Read> reads = trials.stream()
                .map(t -> BlendReader.saved(t.blendFields(), factors.of(account.studioId())))
                .toList();
        lines.add(compared(
                "made of",
                reads.stream()
                        .map(r -> r.blend().map(BlendController::made).orElse(""))
                        .toList()));
        lines.add(compared(
                "water to 100 powder",
                reads.stream()
                        .map(r -> r.blend()
                                .map(b -> Show.exact(b.waterPer100().value()))
                                .orElse(""))
                        .toList()));
        Map<String, String> words = new LinkedHashMap<>();
        words.put("cure_h", "cured");
        words.put("top_C", "heated to");
        words.put("heat_h", "in");
        words.put("metal", "metal");
        words.put("piece_g", "piece");
        words.put("outcome", "what came of it");
        words.put("detail", "detail");
        words.put("trial_note", "note");
        words.forEach((field, what) -> {
            List<String> values = trials.stream()
                    .map(t -> t.fields().getOrDefault(field, ""))
                    .map(v -> field.equals("outcome")
                            ? BlendReader.Outcome.named(v)
                                    .map(BlendReader.Outcome::label)
                                    .orElse(v)
                            : v)
                    .toList();
            if (values.stream().anyMatch(v -> !v.isBlank())) {
                lines.add(compared(what, values));
            }
        });
        Map<Long, List<Long>> shots = photos.of(
                account.studioId(),
                PhotoStore.Of.TRIAL,
                trials.stream().map(BlendStore.Trial::id).toList());
        return new Comparison(
                trials.stream()
                        .map(t -> t.blendFields().getOrDefault("name", "") + ", "
                                + Show.dayAndClock(t.at().atZone(account.zoneId())))
                        .toList(),
                lines,
                trials.stream().map(t -> shots.getOrDefault(t.id(), List.of())).toList(),
                trials.stream().map(BlendStore.Trial::id).toList());
    }

    private static Compared compared(String what, List<String> values) {
        return new Compared(what, values, values.stream().distinct().count() > 1);
    }

    @GetMapping("/blends/new")
    String begin(@AuthenticationPrincipal Account account, Model model) {
        Map<String, String> first = new LinkedHashMap<>();
        first.put("water_per_100", "55");
        return page(account, 0, 0, first, false, model);
    }

    @GetMapping("/blends/{id}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        BlendStore.Row row = found(account, id);
        return page(account, id, row.version(), row.fields(), false, model);
    }

    @PostMapping("/blends/{id}/try")
    String tryOut(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        page(account, id, 0, Fields.sent(form), false, model);
        return "blend/blend :: fresh";
    }

    @PostMapping("/blends/{id}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        Map<String, String> typed = Fields.sent(form);
        Fields fields = Fields.typed(typed, account.units());
        BlendReader.Read read = BlendReader.read(fields, factors.of(account.studioId()));
        if (id != 0) {
            found(account, id);
        }
        return new Saving(model, response)
                .save(
                        fields,
                        () -> store.save(account.studioId(), id, version, read.name(), fields.kept()),
                        between ->
                                page(account, id, between ? found(account, id).version() : version, typed, true, model),
                        saved -> "/blends/" + saved + "?saved");
    }

    /** A recipe as it is told, taken over into the rows; what was typed before stays where it says nothing. */
    @PostMapping("/blends/{id}/recipe")
    String recipe(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model) {
        Map<String, String> typed = Fields.sent(form);
        Map<String, String> rows = BlendReader.told(typed.getOrDefault("recipe", ""));
        if (rows.isEmpty()) {
            model.addAttribute("recipeError", "Write amounts and what of, like: 3 plaster, 2 sand by volume.");
        } else {
            typed.keySet().removeIf(path -> path.startsWith("parts["));
            typed.putAll(rows);
        }
        return page(account, id, version, typed, false, model);
    }

    @PostMapping("/blends/{id}/copy")
    String copy(@AuthenticationPrincipal Account account, @PathVariable long id) {
        BlendStore.Row row = found(account, id);
        Map<String, String> fields = new LinkedHashMap<>(row.fields());
        String name = "Copy of " + row.name();
        fields.put(
                "name", name.length() > BlendReader.LONGEST_NAME ? name.substring(0, BlendReader.LONGEST_NAME) : name);
        return "redirect:/blends/" + store.create(account.studioId(), fields.get("name"), fields) + "?saved";
    }

    @PostMapping("/blends/{id}/{move:away|back}")
    String putAway(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String move) {
        found(account, id);
        store.putAway(account.studioId(), id, move.equals("away"));
        return "redirect:/blends";
    }

    @PostMapping("/blends/{id}/trials")
    String trial(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(required = false) MultipartFile photo,
            RedirectAttributes redirect,
            Model model,
            HttpServletResponse response)
            throws IOException {
        BlendStore.Row row = found(account, id);
        Fields fields = Fields.typed(Fields.sent(form), account.units());
        BlendReader.trial(fields);
        if (form.getOrDefault("outcome", "").isBlank()) {
            fields.missing("outcome", "Say what came of it.");
        }
        if (fields.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            String to = page(account, id, row.version(), row.fields(), false, model);
            model.addAttribute("trial", new SheetForm(fields, Fields.sent(form), true, BlendFields.TRIAL));
            return to;
        }
        Map<String, String> written = fields.kept();
        long trial = store.keepTrial(account, row, written);
        if (photo != null && !photo.isEmpty()) {
            try {
                photos.keep(account, PhotoStore.Of.TRIAL, trial, Photo.of(photo));
            } catch (Photo.Unusable e) {
                redirect.addFlashAttribute("photoError", e.getMessage());
            }
        }
        return "redirect:/blends/" + id + "?tried";
    }

    @PostMapping("/blends/trials/{trial}/{move:remove|restore}")
    String removeTrial(
            @AuthenticationPrincipal Account account,
            @PathVariable long trial,
            @PathVariable String move,
            RedirectAttributes redirect) {
        if (!store.removeTrial(account.studioId(), trial, move.equals("remove"))) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        if (move.equals("remove")) {
            redirect.addFlashAttribute("trialGone", trial);
        }
        return "redirect:/blends";
    }

    private String page(
            Account account, long id, int version, Map<String, String> typed, boolean showErrors, Model model) {
        Fields fields = Fields.typed(typed, account.units());
        BlendReader.Read read = BlendReader.read(fields, factors.of(account.studioId()));
        String money = EquipmentReader.money(equipment.of(account.studioId()).fields());
        model.addAttribute("money", money);
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        List<FigureView> figures = new ArrayList<>();
        List<FindingView> findings = new ArrayList<>();
        read.blend().ifPresent(b -> {
            List<Figure> all = new ArrayList<>(List.of(b.density(), b.slurryDensity(), b.yield(), b.hemihydrate()));
            all.forEach(f -> figures.add(views.of(f)));
            b.cost().ifPresent(f -> figures.add(views.of(f).in(money)));
            b.costPerLitre().ifPresent(f -> figures.add(views.of(f).in(money)));
            b.findings().all().forEach(f -> findings.add(FindingView.of(f, views, 0)));
        });
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute("name", read.name().isEmpty() ? "New blend" : read.name());
        model.addAttribute("form", new SheetForm(fields, typed, showErrors, BlendFields.ALL));
        model.addAttribute("lines", fields.lines("parts", EMPTY_LINES));
        model.addAttribute("sum", Show.exact(Math.round(read.sum() * 1000) / 1000.0));
        model.addAttribute("whole", read.blend().isPresent());
        model.addAttribute(
                "shareError", read.sum() == 0 ? null : fields.errors().get("parts"));
        model.addAttribute("effect", read.effect());
        model.addAttribute("figures", figures);
        model.addAttribute("findings", findings);
        boolean tried = id > 0 && !store.trials(account.studioId(), id).isEmpty();
        model.addAttribute(
                "unjudged", tried ? List.of() : List.of("how it stands the fire (no trial of it is on file)"));
        model.addAttribute("ingredients", Options.of(Ingredient.values(), Ingredient::key, Ingredient::label));
        model.addAttribute("told", typed.getOrDefault("told", "percent"));
        model.addAttribute("bar", read.blend().map(ShareBar::of).orElse(""));
        model.addAttribute("made", read.blend().map(BlendController::made).orElse(""));
        model.addAttribute("roles", Options.of(Ingredient.Role.values(), Ingredient.Role::key, Ingredient.Role::key));
        model.addAttribute(
                "trial", new SheetForm(Fields.typed(Map.of(), account.units()), Map.of(), false, BlendFields.TRIAL));
        model.addAttribute("compared", id == 0 ? null : comparison(account, store.trials(account.studioId(), id)));
        return "blend/blend";
    }

    private BlendStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
