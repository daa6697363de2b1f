package kilnryu.app.melt;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.melt.MetalReader.Moved;
import kilnryu.app.melt.MetalStore.Lot;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.core.finding.Findings;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.MetalChecks;
import kilnryu.core.quantity.Measure;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The metal in store: its lots, what is made of what, each use and return. */
@Controller
public class MetalController {
    private final MetalStore store;
    private final EquipmentStore equipment;
    private final Heats heats;

    MetalController(MetalStore store, EquipmentStore equipment, Heats heats) {
        this.heats = heats;
        this.store = store;
        this.equipment = equipment;
    }

    /** A lot in the list. */
    public record Listed(
            long id,
            String name,
            String kind,
            String makeUp,
            String drawing,
            String left,
            String piece,
            String price,
            String place,
            boolean empty) {}

    /** A use or return as shown. */
    public record Line(String at, String grams, String why, String note, long pour, String by) {}

    @GetMapping("/metal")
    String list(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "false") boolean archived,
            Model model) {
        return list(account, archived, Map.of(), false, model);
    }

    private String list(Account account, boolean archived, Map<String, String> typed, boolean wrong, Model model) {
        Fields fields = Fields.typed(typed, account.units());
        MetalReader.read(fields, true);
        String money = money(account);
        model.addAttribute("form", new SheetForm(fields, typed, wrong, MeltFields.LOT));
        model.addAttribute("money", money);
        model.addAttribute("archived", archived);
        model.addAttribute(
                "lots",
                store.list(account.studioId(), archived).stream()
                        .map(l -> listed(l, account, money))
                        .toList());
        return "melt/metal";
    }

    private static Listed listed(Lot lot, Account account, String money) {
        return new Listed(
                lot.id(),
                lot.name(),
                lot.type().key(),
                lot.makeUp().map(MakeUp::toString).orElse("unknown"),
                lot.makeUp().map(MakeUpDrawing::of).orElse(""),
                grams(lot.remaining(), account),
                lot.piece().isPresent() ? "pieces of " + grams(lot.piece().getAsDouble(), account) : "",
                lot.price().isPresent()
                        ? Show.exact(lot.price().getAsDouble()) + (money.isEmpty() ? "" : " " + money) + " per kg"
                        : "",
                lot.fields().getOrDefault("place", ""),
                lot.remaining() <= 0);
    }

    @GetMapping("/metal/{id:\\d+}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        Lot lot = found(account, id);
        return page(account, lot, lot.fields(), false, model);
    }

    @PostMapping("/metal/0")
    @Transactional
    public String create(
            @AuthenticationPrincipal Account account,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        Map<String, String> typed = cast(account, Fields.sent(form));
        Fields fields = Fields.typed(typed, account.units());
        Optional<MetalReader.Lot> lot = MetalReader.read(fields, true);
        if (lot.isEmpty()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return list(account, false, typed, true, model);
        }
        return "redirect:/metal/" + store.create(account, draft(lot.get(), fields)) + "?saved";
    }

    /** The make-up of the casting it comes from, where that is on record and none is typed. */
    private Map<String, String> cast(Account account, Map<String, String> typed) {
        String casting = typed.getOrDefault("of_casting", "").strip();
        if (!casting.isEmpty() && typed.getOrDefault("make_up", "").isBlank()) {
            heats.of(account, casting).ifPresent(m -> typed.put("make_up", m.toString()));
        }
        return typed;
    }

    private static MetalStore.MetalLotDraft draft(MetalReader.Lot lot, Fields fields) {
        Map<String, String> kept = new LinkedHashMap<>(fields.kept());
        kept.remove("mass_g");
        return new MetalStore.MetalLotDraft(
                lot.name(), lot.type(), lot.makeUp(), lot.grams().orElse(0), kept, kept.getOrDefault("of_casting", ""));
    }

    @PostMapping("/metal/{id:\\d+}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        Lot was = found(account, id);
        Map<String, String> typed = Fields.sent(form);
        Fields fields = Fields.typed(typed, account.units());
        Optional<MetalReader.Lot> lot = MetalReader.read(fields, false);
        return new Saving(model, response)
                .saveOver(
                        fields,
                        () -> store.save(account.studioId(), over(was, lot.orElseThrow(), version, fields)),
                        between -> page(account, between ? found(account, id) : was, typed, true, model),
                        "/metal/" + id + "?saved");
    }

    private static Lot over(Lot was, MetalReader.Lot read, int version, Fields fields) {
        return new Lot(
                was.id(),
                read.name(),
                read.type(),
                read.makeUp(),
                was.remaining(),
                fields.kept(),
                version,
                was.archived());
    }

    @PostMapping("/metal/{id:\\d+}/move")
    String move(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model,
            HttpServletResponse response) {
        Lot lot = found(account, id);
        Map<String, String> typed = Fields.sent(form);
        Fields fields = Fields.typed(typed, account.units());
        Optional<Moved> moved = MetalReader.move(fields);
        OptionalDouble left = moved.isEmpty()
                ? OptionalDouble.empty()
                : store.move(
                        account,
                        id,
                        OptionalLong.empty(),
                        moved.get()::change,
                        new MetalStore.Why(
                                moved.get().move().label(), moved.get().note()));
        if (left.isEmpty()) {
            moved.ifPresent(m -> fields.error(
                    MeltFields.MOVED,
                    "There are only " + grams(found(account, id).remaining(), account) + " of it."));
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            String to = page(account, lot, lot.fields(), false, model);
            model.addAttribute("moveForm", new SheetForm(fields, typed, true, MeltFields.DIARY));
            return to;
        }
        return "redirect:/metal/" + id + "?moved#moves";
    }

    @PostMapping("/metal/{id:\\d+}/archive")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam boolean on) {
        found(account, id);
        store.archive(account.studioId(), id, on);
        return on ? "redirect:/metal?gone=" + id : "redirect:/metal/" + id;
    }

    @GetMapping("/metal.csv")
    void csv(@AuthenticationPrincipal Account account, HttpServletResponse response) throws IOException {
        response.setContentType("text/csv;charset=UTF-8");
        response.setHeader("Content-Disposition", "attachment; filename=\"metal.csv\"");
        MetalCsv.write(store.list(account.studioId(), false), response.getWriter());
    }

    @PostMapping("/metal/csv")
    @Transactional
    public String take(
            @AuthenticationPrincipal Account account, @RequestParam MultipartFile file, RedirectAttributes redirect)
            throws IOException {
        MetalCsv.Read read =
                MetalCsv.read(new InputStreamReader(file.getInputStream(), StandardCharsets.UTF_8), account.units());
        if (!read.faults().isEmpty()) {
            redirect.addFlashAttribute("faults", read.faults());
            return "redirect:/metal#csv";
        }
        read.lots().forEach(l -> take(account, l));
        redirect.addFlashAttribute("taken", read.lots().size());
        return "redirect:/metal";
    }

    /** Takes in a lot by its fields, which are known to be right. */
    public void take(Account account, Map<String, String> lot) {
        Fields fields = Fields.typed(lot, account.units());
        store.create(account, draft(MetalReader.read(fields, true).orElseThrow(), fields));
    }

    private String page(Account account, Lot lot, Map<String, String> typed, boolean wrong, Model model) {
        Fields fields = Fields.typed(typed, account.units());
        Optional<MetalReader.Lot> read = MetalReader.read(fields, false);
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        List<FindingView> findings = new ArrayList<>();
        Findings found = read.map(r -> MetalChecks.check(r.type(), r.makeUp())).orElse(Findings.NONE);
        found.all().forEach(f -> findings.add(FindingView.of(f, views, 0)));
        model.addAttribute("lot", listed(lot, account, money(account)));
        model.addAttribute("version", lot.version());
        model.addAttribute("archived", lot.archived());
        model.addAttribute("form", new SheetForm(fields, typed, wrong, MeltFields.LOT));
        model.addAttribute("money", money(account));
        model.addAttribute("findings", findings);
        model.addAttribute(
                "moves",
                store.moves(lot.id()).stream().map(m -> line(m, account)).toList());
        model.addAttribute(
                "moveForm", new SheetForm(Fields.typed(Map.of(), account.units()), Map.of(), false, MeltFields.DIARY));
        return "melt/lot";
    }

    private static Line line(MetalStore.Move move, Account account) {
        String sign = move.grams() < 0 ? "− " : "+ ";
        return new Line(
                Show.dayAndClock(move.at().atZone(account.zoneId())),
                sign + grams(Math.abs(move.grams()), account),
                move.why(),
                move.note(),
                move.pour(),
                move.by());
    }

    static String grams(double grams, Account account) {
        return grams < 100 && account.units().summary().startsWith("g")
                ? String.format(Locale.ROOT, "%.2f g", grams)
                : Show.value(grams, Measure.GRAM, account.units(), false).toString();
    }

    private String money(Account account) {
        return EquipmentReader.money(equipment.of(account.studioId()).fields());
    }

    private Lot found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
