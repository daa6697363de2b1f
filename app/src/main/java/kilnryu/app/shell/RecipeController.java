package kilnryu.app.shell;

import jakarta.servlet.http.HttpServletResponse;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.core.shell.RecipeText;
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

/** The page of shell recipes: the five schools, to be copied, and the studio's own. */
@Controller
class RecipeController {
    private static final double SHOWN_TARGET = 7;

    private final RecipeStore store;
    private final FactorStore factors;

    RecipeController(RecipeStore store, FactorStore factors) {
        this.store = store;
        this.factors = factors;
    }

    /** A recipe in the list; id 0 for a school that comes along. */
    public record Line(long id, String name, String says, String coats, int version, boolean away) {}

    @GetMapping("/shells/recipes")
    String list(@AuthenticationPrincipal Account account, @RequestParam(defaultValue = "") String copy, Model model) {
        Map<String, String> typed = new LinkedHashMap<>();
        Factors own = factors.of(account.studioId());
        store.of(account.studioId()).named(copy, SHOWN_TARGET, own).ifPresent(r -> {
            typed.put("name", "Own " + r.label());
            typed.put("coats", r.told());
            typed.put("note", r.says());
        });
        return page(account, 0, 0, typed, false, model);
    }

    @GetMapping("/shells/recipes/{id}")
    String edit(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        Recipes.Own own = found(account, id);
        return page(
                account,
                id,
                own.version(),
                Map.of("name", own.name(), "coats", own.coats(), "note", own.note()),
                false,
                model);
    }

    @PostMapping("/shells/recipes/{id}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        if (id != 0) {
            found(account, id);
        }
        Map<String, String> typed = new LinkedHashMap<>(form);
        typed.keySet().retainAll(List.of("name", "coats", "note"));
        Fields fields = read(account, typed);
        return new Saving(model, response)
                .saveOver(
                        fields,
                        () -> save(account, id, version, typed),
                        between ->
                                page(account, id, between ? found(account, id).version() : version, typed, true, model),
                        "/shells/recipes?saved");
    }

    private boolean save(Account account, long id, int version, Map<String, String> typed) {
        Recipes.Own own = new Recipes.Own(
                id,
                typed.get("name").strip(),
                typed.get("coats").strip(),
                typed.getOrDefault("note", "").strip(),
                version,
                false);
        if (id == 0) {
            store.create(account.studioId(), own.name(), own.coats(), own.note());
            return true;
        }
        return store.save(account.studioId(), own);
    }

    @PostMapping("/shells/recipes/{id}/{move:away|back}")
    String putAway(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String move) {
        found(account, id);
        store.putAway(account.studioId(), id, move.equals("away"));
        return "redirect:/shells/recipes";
    }

    private static Fields read(Account account, Map<String, String> typed) {
        Fields fields = Fields.typed(typed, account.units());
        fields.named(RecipeFields.NAME, "Give the recipe a name.");
        fields.look(RecipeFields.NOTE);
        try {
            RecipeText.read(fields.text(RecipeFields.COATS).orElse(""));
        } catch (IllegalArgumentException e) {
            fields.missing(RecipeFields.COATS, e.getMessage());
        }
        return fields;
    }

    private String page(
            Account account, long id, int version, Map<String, String> typed, boolean showErrors, Model model) {
        Factors own = factors.of(account.studioId());
        Recipes recipes = store.of(account.studioId());
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute("form", new SheetForm(read(account, typed), typed, showErrors, RecipeFields.ALL));
        model.addAttribute(
                "schools",
                Recipes.NONE.all(SHOWN_TARGET, own).stream()
                        .map(r -> new Line(0, r.key(), r.label() + ": " + r.says(), r.told(), 0, false))
                        .toList());
        model.addAttribute(
                "own",
                recipes.own().stream()
                        .map(r -> new Line(r.id(), r.name(), r.note(), r.coats(), r.version(), r.archived()))
                        .toList());
        return "shell/recipes";
    }

    private Recipes.Own found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
