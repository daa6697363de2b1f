package kilnryu.app.kiln;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.Show;
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

/** The kilns of the studio: their plates, their insides, their care. */
@Controller
class KilnController {
    private static final List<String> CARES = List.of(
            "elements looked at",
            "new elements",
            "thermocouple checked",
            "new thermocouple",
            "vent and hood cleaned",
            "lid and bricks mended",
            "other");
    private static final int LONGEST_NOTE = 300;

    private final KilnStore store;

    KilnController(KilnStore store) {
        this.store = store;
    }

    /** A kiln in the list. */
    public record Line(long id, String name, String drawing, String inside, String plate, String control) {}

    /** An entry of its care. */
    public record CareView(String at, String what, String note, String by) {}

    @GetMapping("/kilns")
    String list(@AuthenticationPrincipal Account account, Model model) {
        return page(account, 0, 0, Map.of(), false, model);
    }

    @GetMapping("/kilns/{id:\\d+}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        KilnStore.Row row = found(account, id);
        return page(account, id, row.version(), row.fields(), false, model);
    }

    @PostMapping("/kilns/{id:\\d+}")
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
        Map<String, String> typed = Fields.sent(form);
        Fields fields = Fields.typed(typed, account.units());
        KilnReader.read(fields);
        Map<String, String> kept = fields.kept();
        return new Saving(model, response)
                .save(
                        fields,
                        () -> store.save(account.studioId(), id, version, kept.getOrDefault("name", ""), kept),
                        between ->
                                page(account, id, between ? found(account, id).version() : version, typed, true, model),
                        saved -> "/kilns/" + saved + "?saved");
    }

    @PostMapping("/kilns/{id:\\d+}/care")
    String care(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String what,
            @RequestParam(defaultValue = "") String note,
            RedirectAttributes redirect) {
        found(account, id);
        if (!CARES.contains(what)) {
            redirect.addFlashAttribute("fault", "Choose what was done.");
            return "redirect:/kilns/" + id;
        }
        String words = note.replaceAll("\\p{Cntrl}", " ").strip();
        store.care(account, id, what, words.length() > LONGEST_NOTE ? words.substring(0, LONGEST_NOTE) : words);
        return "redirect:/kilns/" + id + "?cared";
    }

    @PostMapping("/kilns/{id:\\d+}/{way:away|back}")
    String putAway(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @PathVariable String way,
            RedirectAttributes redirect) {
        found(account, id);
        store.putAway(account.studioId(), id, way.equals("away"));
        if (way.equals("away")) {
            redirect.addFlashAttribute("gone", id);
        }
        return "redirect:/kilns";
    }

    private KilnStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private String page(
            Account account, long id, int version, Map<String, String> typed, boolean showErrors, Model model) {
        Fields fields = Fields.typed(typed, account.units());
        Optional<StudioKiln> kiln = KilnReader.read(fields);
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute("form", new SheetForm(fields, typed, showErrors, KilnFields.ALL));
        model.addAttribute("cares", CARES);
        model.addAttribute(
                "kilns",
                store.list(account.studioId()).stream()
                        .map(k -> line(account, k))
                        .toList());
        if (id != 0) {
            model.addAttribute("name", found(account, id).name());
            model.addAttribute(
                    "diary",
                    store.cares(id).stream()
                            .map(c -> new CareView(
                                    Show.dayAndClock(c.at().atZone(account.zoneId())), c.what(), c.note(), c.by()))
                            .toList());
            model.addAttribute("use", store.use(id));
        }
        kiln.ifPresent(k -> {
            model.addAttribute("control", k.control());
            FigureView.Maker views = new FigureView.Maker(account.units(), false);
            model.addAttribute("heat", k.sums().stream().map(views::of).toList());
        });
        return "kiln/kilns";
    }

    private static Line line(Account account, KilnStore.Row row) {
        Optional<StudioKiln> kiln = row.kiln();
        return new Line(
                row.id(),
                row.name(),
                kiln.map(k -> KilnDrawing.of(k.chamber(), account.units())).orElse(""),
                kiln.map(k -> k.chamber().round()
                                ? String.format(
                                        Locale.ROOT,
                                        "Ø %.0f × %.0f mm",
                                        k.chamber().width(),
                                        k.chamber().height())
                                : String.format(
                                        Locale.ROOT,
                                        "%.0f × %.0f × %.0f mm",
                                        k.chamber().width(),
                                        k.chamber().depth(),
                                        k.chamber().height()))
                        .orElse(""),
                kiln.flatMap(k -> k.heat()
                                .map(h ->
                                        String.format(Locale.ROOT, "%.1f kW, to %.0f °C", h.watts() / 1000, k.maxC())))
                        .orElse("no plate"),
                kiln.map(k -> k.control().label()
                                + (k.segments().isPresent()
                                        ? ", " + k.segments().getAsInt() + " segments"
                                        : ""))
                        .orElse(""));
    }
}
