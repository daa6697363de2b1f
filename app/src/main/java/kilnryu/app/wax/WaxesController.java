package kilnryu.app.wax;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import kilnryu.app.account.Account;
import kilnryu.app.piece.PieceChoice;
import kilnryu.app.rubber.RubberMolds;
import kilnryu.app.rubber.TappedStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.Late;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.Slush;
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

/** Molds of rubber and waxes of a studio; a wax slushed layer by layer, looked over, weighed, signed off. */
@Controller
class WaxesController {
    private static final int MOST = 200;

    private final WaxStore store;
    private final RubberMolds molds;
    private final PieceChoice pieces;
    private final WaxSheets sheets;
    private final Clock clock;

    WaxesController(WaxStore store, RubberMolds molds, PieceChoice pieces, WaxSheets sheets, Clock clock) {
        this.store = store;
        this.molds = molds;
        this.pieces = pieces;
        this.sheets = sheets;
        this.clock = clock;
    }

    /** A mold or wax in the list. */
    public record Listed(String address, String name, String stands, String more) {}

    @GetMapping("/waxes")
    String list(
            @AuthenticationPrincipal Account account,
            @RequestParam(defaultValue = "false") boolean archived,
            Model model) {
        model.addAttribute("archived", archived);
        model.addAttribute(
                "molds",
                molds.list(account, archived).stream()
                        .map(m -> new Listed(
                                "/rubber/" + m.row().id() + (archived ? "" : "/bench"),
                                m.row().name(),
                                m.course().retired()
                                        ? "retired"
                                        : m.ready(clock.instant())
                                                ? "ready for wax"
                                                : m.course().laid().isEmpty()
                                                        ? "not begun"
                                                        : m.course().laid().size() + " coats on",
                                m.course().pulls().size()
                                        + (m.course().pulls().size() == 1 ? " pull" : " pulls")
                                        + (m.row().text("lies").isEmpty()
                                                ? ""
                                                : ", lies " + m.row().text("lies"))))
                        .toList());
        model.addAttribute(
                "waxes",
                store.list(account.studioId(), archived, MOST).stream()
                        .map(r -> listed(account, r, archived))
                        .toList());
        return "wax/waxes";
    }

    private Listed listed(Account account, TappedStore.Row row, boolean archived) {
        WaxCourse course = WaxCourse.of(store.events(row.id()));
        WaxSheet sheet = sheet(account, row);
        return new Listed(
                "/waxes/" + row.id() + (archived ? "" : "/bench"),
                row.name(),
                WaxView.stands(sheet, course),
                course.grams().isPresent()
                        ? WaxView.grams(account, course.grams().getAsDouble())
                        : "");
    }

    private WaxSheet sheet(Account account, TappedStore.Row row) {
        return sheets.of(account, row.fields(), row.createdAt());
    }

    @GetMapping("/waxes/{id:\\d+}")
    String show(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String mold,
            Model model) {
        if (id == 0) {
            Map<String, String> typed =
                    new LinkedHashMap<>(Map.of("pour_C", "85 C", "mold_C", "20 C", "target_mm", "4 mm", "layers", "2"));
            WaxSheets.number(mold).flatMap(m -> molds.find(account, m)).ifPresent(m -> {
                typed.put("mold", Long.toString(m.row().id()));
                typed.put("piece", m.row().text("piece"));
                typed.put(
                        "name", m.row().name() + ", wax " + (m.course().pulls().size() + 1));
            });
            return page(account, 0, 0, typed, false, model);
        }
        TappedStore.Row row = found(account, id);
        return page(account, id, row.version(), row.fields(), false, model);
    }

    private String page(Account account, long id, int version, Map<String, String> typed, boolean wrong, Model model) {
        Optional<TappedStore.Row> row = id == 0 ? Optional.empty() : Optional.of(found(account, id));
        WaxSheet sheet =
                sheets.of(account, typed, row.map(TappedStore.Row::createdAt).orElse(null));
        WaxCourse course = WaxCourse.of(id == 0 ? List.of() : store.events(id));
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute("name", row.map(TappedStore.Row::name).orElse("A wax"));
        model.addAttribute("archived", row.filter(TappedStore.Row::archived).isPresent());
        model.addAttribute("form", new SheetForm(sheet.fields(), typed, wrong));
        model.addAttribute("view", WaxView.of(account, sheet, course, clock.instant()));
        model.addAttribute("lacking", sheet.lacking());
        model.addAttribute("molds", molds.options(account));
        model.addAttribute("pieces", pieces.options(account));
        return "wax/wax";
    }

    @PostMapping("/waxes/{id:\\d+}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        Map<String, String> typed = Fields.sent(form);
        WaxSheet sheet =
                sheets.of(account, typed, id == 0 ? null : found(account, id).createdAt());
        if (sheet.fields().hasErrors()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            return page(account, id, version, typed, true, model);
        }
        Map<String, String> kept = pieces.owned(account, sheet.fields().kept());
        if (WaxSheets.number(kept.get("mold"))
                .flatMap(m -> molds.find(account, m))
                .isEmpty()) {
            kept.remove("mold");
        }
        OptionalLong saved = store.save(account.studioId(), id, version, kept.get("name"), kept);
        if (saved.isEmpty()) {
            response.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("conflict", true);
            return page(account, id, found(account, id).version(), typed, true, model);
        }
        return "redirect:/waxes/" + saved.getAsLong() + "?saved";
    }

    @PostMapping("/waxes/{id:\\d+}/{way:archive|restore}")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String way) {
        found(account, id);
        store.archive(account.studioId(), id, way.equals("archive"));
        return way.equals("archive") ? "redirect:/waxes" : "redirect:/waxes/" + id;
    }

    @GetMapping("/waxes/{id:\\d+}/bench")
    String bench(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        TappedStore.Row row = found(account, id);
        List<TappedStore.Event> events = store.events(id);
        WaxCourse course = WaxCourse.of(events);
        WaxSheet sheet = sheet(account, row);
        model.addAttribute("id", id);
        model.addAttribute("name", row.name());
        model.addAttribute("count", events.size());
        model.addAttribute("course", course);
        model.addAttribute("view", WaxView.of(account, sheet, course, clock.instant()));
        model.addAttribute(
                "grams",
                course.grams().isPresent()
                        ? WaxView.grams(account, course.grams().getAsDouble())
                        : "");
        model.addAttribute("me", account.shownName());
        if (!model.containsAttribute("typed")) {
            model.addAttribute("typed", Map.of());
        }
        return "wax/bench";
    }

    @PostMapping("/waxes/{id:\\d+}/tap")
    String tap(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            RedirectAttributes redirect) {
        TappedStore.Row row = found(account, id);
        WaxCourse course = WaxCourse.of(store.events(id));
        String kind = form.getOrDefault("kind", "");
        Map<String, String> fields = new LinkedHashMap<>();
        String fault = fault(account, row, course, kind, form, fields);
        if (!fault.isEmpty()) {
            redirect.addFlashAttribute("fault", fault);
            redirect.addFlashAttribute("typed", new LinkedHashMap<>(form));
            return "redirect:/waxes/" + id + "/bench";
        }
        boolean kept =
                store.tap(account, id, TappedStore.key(form), kind, fields, TappedStore.count(form), clock.instant());
        if (!kept) {
            throw new Late(
                    "Nothing was logged: somebody logged something of this wax since this page was shown.",
                    "/waxes/" + id + "/bench");
        }
        return "redirect:/waxes/" + id + "/bench";
    }

    private String fault(
            Account account,
            TappedStore.Row row,
            WaxCourse course,
            String kind,
            Map<String, String> form,
            Map<String, String> fields) {
        WaxSheet sheet = sheet(account, row);
        String next = WaxView.next(sheet, course);
        Fields read = Fields.typed(form, account.units());
        return switch (kind) {
            case "pour" ->
                sheet.slush().isEmpty() || sheet.slush().get().layers().isEmpty()
                        ? "Nothing is planned to be poured: finish its sheet first."
                        : next.equals("pour") || next.equals("pulled") ? "" : "It stands full already.";
            case "out" -> next.equals("out") ? "" : "It does not stand full.";
            case "pulled" ->
                course.pulled().isPresent()
                        ? "It was pulled already."
                        : course.poured().isPresent() || course.layers().isEmpty() ? "Turn it out first." : "";
            case "wall" -> measured(read, form, fields, sheet, course);
            case "weigh" -> number(read, "grams", "grams", Range.MASS, fields);
            case "check" -> checked(form, fields);
            case "repair" -> repaired(form, fields);
            case "sign" -> signed(course, form, fields);
            default -> "There is no such tap.";
        };
    }

    private static String number(Fields read, String path, String into, Range range, Map<String, String> fields) {
        OptionalDouble value = read.required(path, range);
        value.ifPresent(v -> fields.put(into, Show.exact(v).replace(",", "")));
        return read.errors().getOrDefault(path, "");
    }

    /** What the model has for the time that its layers stood goes with it, without the studio's own factor: it teaches that. */
    private static String measured(
            Fields read, Map<String, String> form, Map<String, String> fields, WaxSheet sheet, WaxCourse course) {
        fields.put("where", OneLine.of(form.getOrDefault("where", "")));
        double stood = course.layers().stream().mapToDouble(s -> s).sum();
        sheet.slush().flatMap(Slush::coefficient).filter(c -> stood > 0).ifPresent(c -> {
            double own = c.inputs().stream()
                    .filter(f -> f.symbol().equals("own"))
                    .mapToDouble(Figure::value)
                    .findFirst()
                    .orElse(1);
            double start = sheet.question().orElseThrow().start();
            double grown = c.value() / own * c.value() / own * stood;
            fields.put("model", String.format(Locale.ROOT, "%.4f", Math.sqrt(start * start + grown)));
        });
        return number(read, "mm", "mm", SlushQuestionReader.WALL, fields);
    }

    private static String checked(Map<String, String> form, Map<String, String> fields) {
        Optional<WaxCheck> check = WaxCheck.named(form.getOrDefault("what", ""));
        String sound = form.getOrDefault("sound", "");
        if (check.isEmpty() || !sound.equals("yes") && !sound.equals("no")) {
            return "Choose what was looked at, and whether it is sound.";
        }
        fields.put("what", check.get().key());
        fields.put("sound", sound);
        return "";
    }

    private static String repaired(Map<String, String> form, Map<String, String> fields) {
        String what = OneLine.of(form.getOrDefault("what", ""));
        if (what.isEmpty()) {
            return "Say what was mended and where.";
        }
        fields.put("what", what);
        fields.put("side", OneLine.of(form.getOrDefault("side", "")));
        return "";
    }

    private static String signed(WaxCourse course, Map<String, String> form, Map<String, String> fields) {
        String name = OneLine.of(form.getOrDefault("name", ""));
        if (name.length() < 2) {
            return "A sign-off wants a name.";
        }
        if (course.pulled().isEmpty()) {
            return "It is in its mold still.";
        }
        if (course.checks().size() < WaxCheck.values().length
                || course.checks().values().stream().anyMatch(sound -> !sound)) {
            return "Not all was looked at and found sound.";
        }
        fields.put("name", name);
        return "";
    }

    private TappedStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
