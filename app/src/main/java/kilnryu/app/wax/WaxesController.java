package kilnryu.app.wax;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.piece.OutlineFrame;
import kilnryu.app.piece.PhotoStore;
import kilnryu.app.piece.PieceChoice;
import kilnryu.app.piece.PieceOpenings;
import kilnryu.app.pot.Pots;
import kilnryu.app.rubber.RubberMolds;
import kilnryu.app.rubber.TappedStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.core.finding.Finding;
import kilnryu.core.pattern.BurnTest;
import kilnryu.core.pattern.Made;
import kilnryu.core.pattern.Repair;
import kilnryu.core.wax.Slush;
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

/** Molds of rubber and waxes of a studio; a wax slushed layer by layer, looked over, weighed, signed off. */
@Controller
class WaxesController {
    private static final int MOST = 200;

    private final WaxStore store;
    private final RubberMolds molds;
    private final PieceChoice pieces;
    private final WaxSheets sheets;
    private final PhotoStore photos;
    private final Pots pots;
    private final PieceOpenings openings;
    private final Clock clock;

    WaxesController(
            WaxStore store,
            RubberMolds molds,
            PieceChoice pieces,
            WaxSheets sheets,
            PhotoStore photos,
            Pots pots,
            PieceOpenings openings,
            Clock clock) {
        this.store = store;
        this.molds = molds;
        this.pieces = pieces;
        this.sheets = sheets;
        this.photos = photos;
        this.pots = pots;
        this.openings = openings;
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
        Map<Long, List<TappedStore.Event>> events = store.allEvents(account.studioId(), archived);
        List<TappedStore.Row> waxes = store.list(account.studioId(), archived, MOST);
        sheets.foresee(account, waxes);
        model.addAttribute(
                "waxes",
                waxes.stream()
                        .map(r -> listed(account, r, WaxCourse.of(events.getOrDefault(r.id(), List.of())), archived))
                        .toList());
        model.addAttribute(
                "pots",
                pots.now(account).stream()
                        .map(p -> new Listed(
                                "/waxes/pots/" + p.row().id(),
                                p.row().name(),
                                Show.celsius(p.reading().celsius(), account.units()),
                                p.findings().stream()
                                        .findFirst()
                                        .map(Finding::message)
                                        .orElse("")))
                        .toList());
        return "wax/waxes";
    }

    /** Of its piece as it opens in its mold; empty without a measured mesh. */
    private Optional<PieceOpenings.Outline> outline(Account account, TappedStore.Row row) {
        String way = row.number("mold")
                .flatMap(m -> molds.find(account, m))
                .map(m -> m.row().text("opening"))
                .orElse("");
        return row.number("piece")
                .flatMap(p -> openings.chosen(account, p, way))
                .map(PieceOpenings.Seen::outline);
    }

    /** How warm its pot is, where one is named and more is to be poured. */
    private void pot(Account account, TappedStore.Row row, WaxCourse course, Model model) {
        Optional<Pots.Now> pot =
                row.number("pot").filter(p -> course.pulled().isEmpty()).flatMap(p -> pots.now(account, p));
        model.addAttribute("pot", pot.orElse(null));
        model.addAttribute("potStop", pot.flatMap(Pots.Now::stop).isPresent());
        model.addAttribute(
                "potSays",
                pot.map(p -> Show.celsius(p.reading().celsius(), account.units()))
                        .orElse(""));
        model.addAttribute(
                "potFound",
                pot.flatMap(p -> p.findings().stream().findFirst())
                        .map(Finding::message)
                        .orElse(""));
    }

    private Listed listed(Account account, TappedStore.Row row, WaxCourse course, boolean archived) {
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
            @RequestParam(defaultValue = "") String made,
            Model model) {
        if (id == 0 && Made.named(made).filter(m -> m != Made.SLUSHED).isPresent()) {
            return page(account, 0, 0, Map.of("made", made), false, model);
        }
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
        model.addAttribute("form", new SheetForm(sheet.fields(), typed, wrong, WaxFields.ALL));
        model.addAttribute("view", WaxView.of(account, sheet, course, clock.instant()));
        model.addAttribute("lacking", sheet.lacking());
        model.addAttribute("molds", molds.options(account));
        model.addAttribute("pots", pots.options(account));
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
        Map<String, String> kept = pieces.owned(account, sheet.fields().kept());
        if (WaxSheets.number(kept.get("mold"))
                .flatMap(m -> molds.find(account, m))
                .isEmpty()) {
            kept.remove("mold");
        }
        return new Saving(model, response)
                .save(
                        sheet.fields(),
                        () -> store.save(account.studioId(), id, version, kept.get("name"), kept),
                        between ->
                                page(account, id, between ? found(account, id).version() : version, typed, true, model),
                        saved -> "/waxes/" + saved + "?saved");
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
        pot(account, row, course, model);
        model.addAttribute(
                "walls",
                outline(account, row)
                        .map(o -> WallMap.of(
                                o,
                                course.walls(),
                                sheet.question().map(Slush.Question::target).orElse(0.0)))
                        .orElse(""));
        model.addAttribute("photos", photos.of(account.studioId(), PhotoStore.Of.WAX, id));
        model.addAttribute(
                "burnOpen",
                sheet.pattern().filter(p -> p.unidentified()).isPresent()
                        && course.pattern().burn().isEmpty());
        model.addAttribute("slushed", sheet.pattern().isEmpty());
        model.addAttribute("repairs", Repair.values());
        model.addAttribute("does", BurnTest.Does.values());
        model.addAttribute("burnSteps", BurnTest.STEPS);
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
        String fault = WaxTaps.fault(account, sheet(account, row), course, form, fields);
        if (fault.isEmpty() && kind.equals("pour")) {
            fault = row.number("pot")
                    .flatMap(p -> pots.now(account, p))
                    .flatMap(Pots.Now::stop)
                    .map(f -> f.message() + " " + f.remedy())
                    .orElse("");
        }
        if (!fault.isEmpty()) {
            redirect.addFlashAttribute("fault", fault);
            redirect.addFlashAttribute("typed", new LinkedHashMap<>(form));
            return "redirect:/waxes/" + id + "/bench";
        }
        if (kind.equals("wall")) {
            outline(account, row).flatMap(o -> OutlineFrame.of(o).touched(form)).ifPresent(p -> p.into(fields));
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

    @PostMapping("/waxes/{id:\\d+}/photo")
    String photo(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(required = false) MultipartFile photo,
            RedirectAttributes redirect)
            throws IOException {
        found(account, id);
        String fault = photos.take(account, PhotoStore.Of.WAX, id, photo);
        if (!fault.isEmpty()) {
            redirect.addFlashAttribute("fault", fault);
        }
        return "redirect:/waxes/" + id + "/bench#photos";
    }

    private TappedStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
