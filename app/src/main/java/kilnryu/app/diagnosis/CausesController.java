package kilnryu.app.diagnosis;

import jakarta.servlet.http.HttpServletResponse;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.core.diagnosis.Cause;
import kilnryu.core.diagnosis.Causes;
import kilnryu.core.diagnosis.Clue;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.FactKey;
import kilnryu.core.diagnosis.Place;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/** The table of causes, readable, with the studio's own causes and weights in it. */
@Controller
class CausesController {
    private static final int OWN_CLUES = 4;

    private final OwnCauseStore store;

    CausesController(OwnCauseStore store) {
        this.store = store;
    }

    /** A line of the table. */
    public record Line(
            String id,
            String name,
            String usual,
            String makes,
            String prefers,
            List<String> speaksFor,
            List<String> against,
            List<String> rulesOut,
            String change,
            String lookAt,
            int confirmed,
            boolean own,
            boolean weighed,
            int version) {}

    /** Something that may be asked of. */
    public record Fact(String key, String label, String values) {}

    public record Choice(String key, String label) {}

    @GetMapping("/causes")
    String show(@AuthenticationPrincipal Account account, @RequestParam(defaultValue = "") String edit, Model model) {
        Map<String, String> fields = store.rows(account.studioId()).stream()
                .filter(r -> r.cause().equals(edit) && !r.archived())
                .findFirst()
                .map(r -> {
                    Map<String, String> all = new LinkedHashMap<>(r.fields());
                    all.put("version", Integer.toString(r.version()));
                    return all;
                })
                .orElse(new LinkedHashMap<>());
        return page(account, edit, fields, Map.of(), model);
    }

    private String page(
            Account account, String edit, Map<String, String> typed, Map<String, String> errors, Model model) {
        Causes table = store.table(account.studioId());
        Map<String, OwnCauseStore.Row> own = store.rows(account.studioId()).stream()
                .filter(r -> !r.archived())
                .collect(Collectors.toMap(OwnCauseStore.Row::cause, r -> r));
        model.addAttribute("table", table.version());
        model.addAttribute(
                "lines",
                table.all().stream().map(c -> line(c, table, own.get(c.id()))).toList());
        model.addAttribute(
                "archived",
                store.rows(account.studioId()).stream()
                        .filter(OwnCauseStore.Row::archived)
                        .toList());
        model.addAttribute("edit", edit);
        model.addAttribute("typed", typed);
        model.addAttribute("errors", errors);
        model.addAttribute(
                "kinds",
                Arrays.stream(DefectKind.values())
                        .map(k -> new Choice(k.key(), k.label()))
                        .toList());
        model.addAttribute(
                "places",
                Arrays.stream(Place.values())
                        .map(p -> new Choice(p.key(), p.label()))
                        .toList());
        model.addAttribute(
                "clues", java.util.stream.IntStream.range(0, OWN_CLUES).boxed().toList());
        model.addAttribute(
                "facts",
                Arrays.stream(FactKey.values())
                        .map(f -> new Fact(
                                f.key(),
                                f.inFull(),
                                f.isNumber()
                                        ? "a number" + (f.unit().isEmpty() ? "" : ", " + f.unit())
                                        : String.join(", ", f.words())))
                        .toList());
        return "diagnosis/causes";
    }

    private static Line line(Cause c, Causes table, OwnCauseStore.Row own) {
        return new Line(
                c.id(),
                c.name(),
                Show.exact(c.usual()),
                c.makes().entrySet().stream()
                        .sorted(Map.Entry.comparingByKey())
                        .map(e -> e.getKey().label() + (e.getValue() >= Cause.OFTEN ? " often" : " sometimes"))
                        .collect(Collectors.joining(", ")),
                c.prefers().stream().sorted().map(Place::label).collect(Collectors.joining(", ")),
                clues(c, Clue.Speaks.FOR),
                clues(c, Clue.Speaks.AGAINST),
                clues(c, Clue.Speaks.RULES_OUT),
                c.change(),
                c.lookAt(),
                table.confirmed().getOrDefault(c.id(), 0),
                Causes.handbook().named(c.id()).isEmpty(),
                own != null,
                own == null ? 0 : own.version());
    }

    private static List<String> clues(Cause cause, Clue.Speaks speaks) {
        return cause.clues().stream()
                .filter(c -> c.speaks() == speaks)
                .map(c ->
                        c.when().text() + (speaks == Clue.Speaks.RULES_OUT ? "" : "  (" + Show.exact(c.weight()) + ")"))
                .toList();
    }

    @PostMapping("/causes")
    String keep(
            @AuthenticationPrincipal Account account,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        String id = form.getOrDefault("cause", "");
        boolean known = Causes.handbook().named(id).isPresent() || id.matches("own-[a-z0-9-]{1,60}");
        Map<String, String> fields = new LinkedHashMap<>();
        form.forEach((k, v) -> {
            if (k.matches("usual|name|change|look_at|makes-[a-z-]+|prefers-[a-z-]+|clue-\\d|weight-\\d|speaks-\\d")
                    && !v.isBlank()
                    && v.length() <= 400) {
                fields.put(k, v.strip());
            }
        });
        String cause = known ? id : "own-" + slug(fields.getOrDefault("name", ""));
        Map<String, String> errors = new LinkedHashMap<>();
        OwnCause.read(cause, fields, errors);
        if (!errors.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            Map<String, String> typed = new LinkedHashMap<>(form);
            return page(account, known ? id : "new", typed, errors, model);
        }
        String version = form.getOrDefault("version", "0");
        if (!store.save(account, cause, fields, version.matches("\\d{1,9}") ? Integer.parseInt(version) : 0)) {
            throw new Late(
                    "Nothing was saved: someone saved this cause while it was open here.", "/causes?edit=" + cause);
        }
        return "redirect:/causes#" + cause;
    }

    private static String slug(String name) {
        String slug = name.toLowerCase(java.util.Locale.ROOT)
                .replaceAll("[^a-z0-9]+", "-")
                .replaceAll("^-|-$", "");
        String some = slug.isEmpty() ? "cause" : slug;
        return some.substring(0, Math.min(50, some.length()));
    }

    @PostMapping("/causes/{cause}/{way:archive|restore}")
    String archive(@AuthenticationPrincipal Account account, @PathVariable String cause, @PathVariable String way) {
        if (!store.archive(account.studioId(), cause, way.equals("archive"))) {
            throw new ResponseStatusException(HttpStatus.NOT_FOUND);
        }
        return "redirect:/causes";
    }
}
