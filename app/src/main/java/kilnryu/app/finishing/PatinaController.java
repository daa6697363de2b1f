package kilnryu.app.finishing;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.piece.PhotoStore;
import kilnryu.app.web.Late;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** Patina recipes of a studio, with steps, temperatures, hazards and swatches. */
@Controller
class PatinaController {
    private static final int STEPS = 6;
    private static final int LONGEST = 400;

    /** Families that are typical (handbook 22), as a start for one's own. */
    private static final List<Map<String, String>> USUAL = List.of(
            usual(
                    "Sulfide dark",
                    "black to brown",
                    "sulfide",
                    "Degreased, blasted or brushed|warm by hand||1",
                    "Sulfide, weak, brushed on|60|0.5 % by mass|3",
                    "Rinse with clean water, dry|||1",
                    "Wax, hot|90||2"),
            usual(
                    "Iron red-brown",
                    "warm yellow to red-brown",
                    "nitrate",
                    "Degreased, even blast|||1",
                    "Iron nitrate, brushed on hot|180|2 % by mass|4",
                    "Rinse, dry warm|||1",
                    "Wax, hot|90||2"),
            usual(
                    "Copper green",
                    "green to blue-green",
                    "nitrate",
                    "Degreased, a dark ground first|||1",
                    "Copper nitrate, stippled on hot|180|5 % by mass|5",
                    "No rinse; let it stand a day|20||1",
                    "Wax, barely warm|60||2"),
            usual(
                    "White",
                    "chalk white to ivory",
                    "none",
                    "Degreased, blasted|||1",
                    "Titanium dioxide in water, stippled on hot|160|10 % by mass|3",
                    "Wax or lacquer, cold|20||2"));

    private final FinishStore store;
    private final PhotoStore photos;

    PatinaController(FinishStore store, PhotoStore photos) {
        this.store = store;
        this.photos = photos;
    }

    private static Map<String, String> usual(String name, String look, String chemical, String... steps) {
        Map<String, String> fields = new LinkedHashMap<>(Map.of("name", name, "look", look, "chemical", chemical));
        for (int i = 0; i < steps.length; i++) {
            String[] s = steps[i].split("\\|", -1);
            fields.put("what-" + i, s[0]);
            fields.put("celsius-" + i, s[1]);
            fields.put("solution-" + i, s[2]);
            fields.put("coats-" + i, s[3]);
        }
        return fields;
    }

    /** A step as it is read. */
    public record Step(String what, String celsius, String solution, String coats) {}

    public record View(long id, String name, String look, String hazard, List<Step> steps, List<Long> photos) {}

    @GetMapping("/patinas")
    String show(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "false") boolean archived,
            @RequestParam(defaultValue = "0") long edit,
            @RequestParam(defaultValue = "-1") int like,
            Model model) {
        Map<String, String> typed = new LinkedHashMap<>();
        if (like >= 0 && like < USUAL.size()) {
            typed.putAll(USUAL.get(like));
        }
        store.patina(account.studioId(), edit).ifPresent(p -> {
            typed.putAll(p.fields());
            typed.put("version", Integer.toString(p.version()));
        });
        return page(account, archived, edit, typed, Map.of(), model);
    }

    private String page(
            Account account,
            boolean archived,
            long edit,
            Map<String, String> typed,
            Map<String, String> errors,
            Model model) {
        model.addAttribute(
                "patinas",
                store.patinas(account.studioId(), archived).stream()
                        .map(PatinaController::view)
                        .toList());
        model.addAttribute("archived", archived);
        model.addAttribute("edit", edit);
        model.addAttribute("typed", typed);
        model.addAttribute("errors", errors);
        model.addAttribute("usual", USUAL.stream().map(u -> u.get("name")).toList());
        model.addAttribute(
                "steps", java.util.stream.IntStream.range(0, STEPS).boxed().toList());
        return "finishing/patinas";
    }

    private static View view(FinishStore.Patina p) {
        List<Step> steps = java.util.stream.IntStream.range(0, STEPS)
                .filter(i -> !p.fields().getOrDefault("what-" + i, "").isEmpty())
                .mapToObj(i -> new Step(
                        p.fields().get("what-" + i),
                        celsius(p.fields().getOrDefault("celsius-" + i, "")),
                        p.fields().getOrDefault("solution-" + i, ""),
                        p.fields().getOrDefault("coats-" + i, "")))
                .toList();
        return new View(
                p.id(),
                p.fields().getOrDefault("name", ""),
                p.fields().getOrDefault("look", ""),
                hazard(p.fields().getOrDefault("chemical", "none")),
                steps,
                p.photos());
    }

    private static String celsius(String typed) {
        return typed.matches("\\d+") ? typed + " °C" : typed;
    }

    private static String hazard(String chemical) {
        return switch (chemical) {
            case "sulfide" ->
                "Sulfide: never near an acid, it gives off a gas that kills. Hood, gloves, goggles; its own bin.";
            case "nitrate" ->
                "Nitrate on hot metal gives off red fume that burns the lungs hours later. Hood, gloves, goggles; its own bin.";
            case "acid" ->
                "Acid into water, never the other way; never in one bin with a sulfide. Hood, gloves, goggles.";
            default -> "Dust of powders: mask. Hot metal: nothing flammable beside the torch.";
        };
    }

    @PostMapping("/patinas")
    String keep(
            @AuthenticationPrincipal Account account,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        Map<String, String> fields = new LinkedHashMap<>();
        Map<String, String> errors = new LinkedHashMap<>();
        form.forEach((k, v) -> {
            if (k.matches("name|look|chemical|what-\\d|celsius-\\d|solution-\\d|coats-\\d") && !v.isBlank()) {
                String typed = v.replaceAll("\\p{Cntrl}", " ").strip();
                fields.put(k, typed.substring(0, Math.min(LONGEST, typed.length())));
            }
        });
        if (fields.getOrDefault("name", "").isEmpty()) {
            errors.put("name", "Give it a name.");
        }
        if (fields.keySet().stream().noneMatch(k -> k.startsWith("what-"))) {
            errors.put("what-0", "Write at least one step.");
        }
        for (int i = 0; i < STEPS; i++) {
            String c = fields.getOrDefault("celsius-" + i, "");
            if (!c.isEmpty() && !c.matches("[^0-9]*|\\d{1,3}( ?°?C)?")) {
                errors.put("celsius-" + i, "A temperature in °C, or a word.");
            } else if (c.matches("\\d{1,3}.*") && Integer.parseInt(c.replaceAll("\\D.*", "")) > 400) {
                errors.put("celsius-" + i, "Over 400 °C bronze is hot short, and waxes burn.");
            }
        }
        long id = form.getOrDefault("id", "0").matches("\\d{1,18}") ? Long.parseLong(form.getOrDefault("id", "0")) : 0;
        if (!errors.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, false, id, new LinkedHashMap<>(form), errors, model);
        }
        String version = form.getOrDefault("version", "0");
        if (!store.keepPatina(account, id, version.matches("\\d{1,9}") ? Integer.parseInt(version) : 0, fields)) {
            throw new Late(
                    "Nothing was saved: someone saved this patina while it was open here.", "/patinas?edit=" + id);
        }
        return "redirect:/patinas";
    }

    @PostMapping("/patinas/{id:\\d+}/{way:archive|restore}")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String way) {
        if (!store.archivePatina(account.studioId(), id, way.equals("archive"))) {
            throw FinishController.gone();
        }
        return "redirect:/patinas";
    }

    @PostMapping("/patinas/{id:\\d+}/photo")
    String photo(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(required = false) MultipartFile photo,
            RedirectAttributes redirect)
            throws IOException {
        store.patina(account.studioId(), id).orElseThrow(FinishController::gone);
        String fault = photos.take(account, PhotoStore.Of.PATINA, id, photo);
        if (!fault.isEmpty()) {
            redirect.addFlashAttribute("fault", fault);
        }
        return "redirect:/patinas#p-" + id;
    }
}
