package kilnryu.app.kiln;

import jakarta.servlet.http.HttpServletResponse;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.Show;
import kilnryu.core.burnout.Conversion;
import kilnryu.core.burnout.Segment;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
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

/** The studio's own programs, and what has to grow when one that is known is wanted for a larger flask. */
@Controller
class ProgramController {
    private static final int EMPTY_LINES = 2;

    private final ProgramStore store;

    ProgramController(ProgramStore store) {
        this.store = store;
    }

    /** One line of a conversion. */
    public record Grown(String target, String was, String becomes, String core, String grows) {}

    /** A whole conversion. */
    public record Converted(List<Grown> lines, String was, String becomes) {}

    @GetMapping("/kilns/programs")
    String list(@AuthenticationPrincipal Account account, Model model) {
        return page(account, 0, 0, Map.of(), false, model);
    }

    @GetMapping("/kilns/programs/{id}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        ProgramStore.Row row = found(account, id);
        return page(account, id, row.version(), row.fields(), false, model);
    }

    @PostMapping("/kilns/programs/{id}")
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
        Map<String, String> typed = ProgramReader.spoken(Fields.sent(form));
        Fields fields = Fields.typed(typed, account.units());
        fields.named(ProgramFields.NAME, "Give the program a name.");
        look(fields);
        Map<String, String> kept = fields.kept();
        return new Saving(model, response)
                .save(
                        fields,
                        () -> store.save(account.studioId(), id, version, kept.getOrDefault("name", ""), kept),
                        between ->
                                page(account, id, between ? found(account, id).version() : version, typed, true, model),
                        saved -> "/kilns/programs/" + saved + "?saved");
    }

    /** A program for the larger flask, kept beside the one it came from. */
    @PostMapping("/kilns/programs/{id}/convert")
    String convert(@AuthenticationPrincipal Account account, @PathVariable long id) {
        ProgramStore.Row row = found(account, id);
        Fields fields = Fields.typed(row.fields(), account.units());
        Optional<Conversion> conversion = conversion(fields);
        if (conversion.isEmpty()) {
            return "redirect:/kilns/programs/" + id;
        }
        Map<String, String> larger = ProgramReader.fields(conversion.get().segments());
        String name = row.name() + ", larger";
        larger.put("name", name.length() > 80 ? name.substring(0, 80) : name);
        larger.put("note", "from " + row.name() + ", by simulation");
        larger.put("for_diameter_mm", row.fields().getOrDefault("to_diameter_mm", ""));
        larger.put("for_height_mm", row.fields().getOrDefault("to_height_mm", ""));
        return "redirect:/kilns/programs/" + store.create(account.studioId(), larger) + "?saved";
    }

    @PostMapping("/kilns/programs/{id}/away")
    String putAway(@AuthenticationPrincipal Account account, @PathVariable long id) {
        found(account, id);
        store.putAway(account.studioId(), id, true);
        return "redirect:/kilns/programs";
    }

    private ProgramStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private static void look(Fields fields) {
        ProgramReader.read(fields);
        fields.look(ProgramFields.NOTE, ProgramFields.FOR_WIDE, ProgramFields.FOR_HIGH);
        fields.look(ProgramFields.TO_WIDE, ProgramFields.TO_HIGH);
    }

    /** Between the flask it is for and the one it is wanted for, both of gypsum investment at the usual ratio. */
    private static Optional<Conversion> conversion(Fields fields) {
        Optional<List<Segment>> segments = ProgramReader.read(fields);
        Optional<Mold> from = mold(fields, ProgramFields.FOR_WIDE, ProgramFields.FOR_HIGH);
        Optional<Mold> to = mold(fields, ProgramFields.TO_WIDE, ProgramFields.TO_HIGH);
        if (segments.isEmpty() || from.isEmpty() || to.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(Conversion.of(segments.get(), from.get(), to.get()));
    }

    private static Optional<Mold> mold(Fields fields, Declared.Quantity wide, Declared.Quantity high) {
        OptionalDouble diameter = fields.quantity(wide);
        OptionalDouble height = fields.quantity(high);
        return diameter.isPresent() && height.isPresent()
                ? Optional.of(Mold.flask(diameter.getAsDouble() / 1000, height.getAsDouble() / 1000, Setting.GYPSUM))
                : Optional.empty();
    }

    private String page(
            Account account, long id, int version, Map<String, String> typed, boolean showErrors, Model model) {
        Fields fields = Fields.typed(typed, account.units());
        fields.look(ProgramFields.NAME);
        look(fields);
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute("form", new SheetForm(fields, typed, showErrors, ProgramFields.OWN));
        model.addAttribute("lines", fields.lines("program", id == 0 ? 5 : EMPTY_LINES));
        model.addAttribute("programs", store.list(account.studioId()));
        if (id != 0) {
            model.addAttribute("name", found(account, id).name());
            conversion(Fields.typed(typed, account.units()))
                    .ifPresent(c -> model.addAttribute("converted", view(account, c)));
        }
        return "kiln/programs";
    }

    private static Converted view(Account account, Conversion conversion) {
        double[] minutes = conversion.minutes();
        return new Converted(
                conversion.lines().stream()
                        .map(l -> new Grown(
                                celsius(account, l.known().target()),
                                line(account, l.known()),
                                line(account, l.converted()),
                                celsius(account, l.core()),
                                l.grows()))
                        .toList(),
                length(minutes[0]),
                length(minutes[1]));
    }

    private static String line(Account account, Segment s) {
        String rate = Double.isInfinite(s.rate())
                ? "full power"
                : Show.value(s.rate(), Measure.KELVIN_PER_HOUR, account.units(), false)
                        .toString();
        return rate + ", hold " + length(s.hold());
    }

    private static String celsius(Account account, double value) {
        return Show.value(value, Measure.DEGREE_CELSIUS, account.units(), false).toString();
    }

    private static String length(double minutes) {
        return Show.length(java.time.Duration.ofMinutes(Math.round(minutes)));
    }
}
