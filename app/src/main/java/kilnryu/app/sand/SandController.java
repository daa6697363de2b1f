package kilnryu.app.sand;

import jakarta.servlet.http.HttpServletResponse;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.sand.SandReader.Done;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.block.Moisture;
import kilnryu.core.block.SilicateSand;
import kilnryu.core.sum.Factors;
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

/** The pages of silicate sand: what to weigh, and how the mold was hardened and dried. */
@Controller
class SandController {
    private final SandStore store;
    private final FactorStore factors;

    SandController(SandStore store, FactorStore factors) {
        this.store = store;
        this.factors = factors;
    }

    /** A line of the log as shown. */
    public record Line(String at, String done, String measured, String note, String by) {}

    @GetMapping("/sand")
    String list(@AuthenticationPrincipal Account account, Model model) {
        return page(account, new SandStore.Row(0, "", Map.of(), 0), false, model);
    }

    @GetMapping("/sand/{id}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        return page(account, found(account, id), false, model);
    }

    @PostMapping("/sand/{id}/try")
    String tryOut(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        page(account, new SandStore.Row(id, "", Fields.sent(form), 0), false, model);
        return "sand/sand :: fresh";
    }

    @PostMapping("/sand/{id}")
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
        Fields fields = Fields.typed(Fields.sent(form), account.units());
        SandReader.read(fields, factors.of(account.studioId()));
        SandStore.Row typed = new SandStore.Row(id, form.getOrDefault("name", ""), Fields.sent(form), version);
        return new Saving(model, response)
                .save(
                        fields,
                        () -> store.save(
                                account.studioId(),
                                id,
                                version,
                                fields.written().getOrDefault("name", ""),
                                fields.kept()),
                        between -> page(
                                account, between ? typed.over(found(account, id).version()) : typed, true, model),
                        saved -> "/sand/" + saved + "?saved");
    }

    @PostMapping("/sand/{id}/log")
    String log(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        SandStore.Row row = found(account, id);
        Fields fields = Fields.typed(Fields.sent(form), account.units());
        SandReader.entry(fields);
        if (fields.hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            String to = page(account, row, false, model);
            model.addAttribute("log", new SheetForm(fields, Fields.sent(form), true, SandFields.LOG));
            return to;
        }
        store.log(account, id, fields.kept());
        return "redirect:/sand/" + id + "?logged#log";
    }

    private String page(Account account, SandStore.Row row, boolean showErrors, Model model) {
        Factors own = factors.of(account.studioId());
        Fields fields = Fields.typed(row.fields(), account.units());
        Optional<SilicateSand> sand = SandReader.read(fields, own);
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        List<FigureView> figures = new ArrayList<>();
        List<FindingView> findings = new ArrayList<>();
        sand.ifPresent(s -> {
            List<Figure> all = new ArrayList<>(List.of(s.sand(), s.silicate()));
            s.hardener().ifPresent(all::add);
            all.addAll(List.of(s.packed(), s.freeWater()));
            all.forEach(f -> figures.add(views.of(f)));
            s.findings().all().forEach(f -> findings.add(FindingView.of(f, views, 0)));
        });
        List<SandStore.Entry> entries = row.id() == 0 ? List.of() : store.entries(row.id());
        sand.flatMap(s -> dryness(s, entries, own)).ifPresent(m -> {
            figures.add(views.of(m.share()));
            m.findings().all().forEach(f -> findings.add(FindingView.of(f, views, 0)));
            model.addAttribute("dry", m.dry());
        });
        model.addAttribute("id", row.id());
        model.addAttribute("version", row.version());
        model.addAttribute("name", row.name().isBlank() ? "Silicate sand" : row.name());
        model.addAttribute("form", new SheetForm(fields, row.fields(), showErrors, SandFields.ALL));
        model.addAttribute("ready", sand.isPresent());
        model.addAttribute("figures", figures);
        model.addAttribute("findings", findings);
        model.addAttribute("molds", store.list(account.studioId()));
        model.addAttribute("lines", entries.stream().map(e -> line(account, e)).toList());
        model.addAttribute(
                "log", new SheetForm(Fields.typed(Map.of(), account.units()), Map.of(), false, SandFields.LOG));
        return "sand/sand";
    }

    /** By the first weighing and the last, where there are two. */
    private static Optional<Moisture> dryness(SilicateSand sand, List<SandStore.Entry> entries, Factors own) {
        double[] weighed = entries.stream()
                .map(e -> Fields.typed(e.fields(), Units.METRIC).quantity(SandFields.MASS))
                .filter(OptionalDouble::isPresent)
                .mapToDouble(OptionalDouble::getAsDouble)
                .toArray();
        return weighed.length < 2
                ? Optional.empty()
                : Optional.of(Moisture.of(sand.freeWater(), weighed[0], weighed[weighed.length - 1], own));
    }

    private static Line line(Account account, SandStore.Entry entry) {
        Map<String, String> f = entry.fields();
        List<String> measured = new ArrayList<>();
        for (String field : List.of("for_min", "at_C", "mass_g")) {
            if (!f.getOrDefault(field, "").isBlank()) {
                measured.add(f.get(field));
            }
        }
        return new Line(
                Show.dayAndClock(entry.at().atZone(account.zoneId())),
                Done.named(f.getOrDefault("done", "")).map(Done::label).orElse(""),
                String.join(", ", measured),
                f.getOrDefault("log_note", ""),
                entry.by());
    }

    private SandStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
