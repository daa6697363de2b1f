package kilnryu.app.melt;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.FieldList;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.Show;
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

/** Furnaces and crucibles: what melts here, and what it melts in. */
@Controller
class MelterController {
    private static final MelterStore.Row NONE = new MelterStore.Row(0, "", "", Map.of(), 0, 0);

    private final MelterStore store;

    MelterController(MelterStore store) {
        this.store = store;
    }

    /** A furnace or crucible in the list. */
    public record Listed(long id, String name, String size, String more, String drawing) {}

    @GetMapping("/furnaces")
    String list(@AuthenticationPrincipal Account account, Model model) {
        return page(account, NONE, false, model);
    }

    @GetMapping("/furnaces/{id:\\d+}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        return page(account, found(account, id), false, model);
    }

    @PostMapping("/furnaces/{id:\\d+}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam String kind,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        if (!kind.equals("furnace") && !kind.equals("crucible")) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        int heats = id == 0 ? 0 : found(account, id).heats();
        Map<String, String> typed = Fields.sent(form);
        typed.remove("kind");
        Fields fields = Fields.typed(typed, account.units());
        read(kind, fields);
        MelterStore.Row row = new MelterStore.Row(id, kind, typed.getOrDefault("name", ""), typed, version, heats);
        return new Saving(model, response)
                .save(
                        fields,
                        () -> store.save(
                                account.studioId(),
                                new MelterStore.Row(
                                        id, kind, fields.written().get("name"), fields.kept(), version, heats)),
                        between -> page(
                                account, between ? row.over(found(account, id).version()) : row, true, model),
                        saved -> "/furnaces?saved");
    }

    @PostMapping("/furnaces/{id:\\d+}/archive")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam boolean on) {
        found(account, id);
        store.archive(account.studioId(), id, on);
        return on ? "redirect:/furnaces?gone=" + id : "redirect:/furnaces/" + id;
    }

    private static void read(String kind, Fields fields) {
        if (kind.equals("furnace")) {
            MelterReader.furnace(fields);
        } else {
            MelterReader.crucible(fields, 0);
        }
    }

    /** Both lists, and a form for each kind; the one that is open holds what was typed. */
    private String page(Account account, MelterStore.Row open, boolean wrong, Model model) {
        for (String kind : List.of("furnace", "crucible")) {
            boolean mine = open.kind().equals(kind);
            Map<String, String> typed = mine ? open.fields() : Map.of();
            Fields fields = Fields.typed(typed, account.units());
            read(kind, fields);
            model.addAttribute(kind + "Form", new SheetForm(fields, typed, mine && wrong, declared(kind)));
        }
        model.addAttribute("id", open.id());
        model.addAttribute("kind", open.kind());
        model.addAttribute("name", open.name());
        model.addAttribute("version", open.version());
        model.addAttribute(
                "furnaces",
                store.list(account.studioId(), "furnace").stream()
                        .map(MelterController::furnace)
                        .toList());
        double largest = store.list(account.studioId(), "crucible").stream()
                .flatMap(r -> MelterReader.crucible(r).stream())
                .mapToDouble(c -> c.crucible().capacity().orElse(0))
                .max()
                .orElse(1);
        model.addAttribute(
                "crucibles",
                store.list(account.studioId(), "crucible").stream()
                        .map(r -> crucible(r, account, largest))
                        .toList());
        return "melt/furnaces";
    }

    private static FieldList declared(String kind) {
        return kind.equals("furnace") ? MelterFields.OF_FURNACE : MelterFields.OF_CRUCIBLE;
    }

    private static Listed furnace(MelterStore.Row row) {
        return MelterReader.furnace(row.fields())
                .map(f -> new Listed(
                        row.id(),
                        row.name(),
                        Show.exact(f.kilowatts()) + " kW, " + f.heating().label(),
                        f.most().isPresent() ? "to " + Math.round(f.most().getAsDouble()) + " °C" : "top not said",
                        MelterDrawing.furnace(f.most().orElse(20))))
                .orElse(new Listed(row.id(), row.name(), "not complete", "", ""));
    }

    private static Listed crucible(MelterStore.Row row, Account account, double largest) {
        return MelterReader.crucible(row)
                .map(c -> new Listed(
                        row.id(),
                        row.name(),
                        Show.value(c.crucible().capacity().orElse(0), Measure.CUBIC_CENTIMETRE, account.units(), false)
                                .toString(),
                        (c.kept().uses() == 1 ? "1 heat" : c.kept().uses() + " heats")
                                + (row.fields().containsKey("looked_on")
                                        ? ", looked at " + row.fields().get("looked_on")
                                        : ", never looked at"),
                        MelterDrawing.pot(c.crucible().capacity().orElse(0), largest)))
                .orElse(new Listed(row.id(), row.name(), "not complete", "", ""));
    }

    private MelterStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
