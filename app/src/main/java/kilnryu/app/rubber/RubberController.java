package kilnryu.app.rubber;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.app.account.Account;
import kilnryu.app.device.Scale;
import kilnryu.app.device.SimulatedScale;
import kilnryu.app.piece.OutlineFrame;
import kilnryu.app.piece.PhotoStore;
import kilnryu.app.piece.PieceChoice;
import kilnryu.app.piece.PieceOpenings;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Late;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.core.quantity.Measure;
import kilnryu.core.rubber.RubberMold;
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

/** A mold of rubber: its sheet, its coats at the bench, its pulls. */
@Controller
class RubberController {
    private static final int COAT_LINES = 6;
    /** Where an original is thinner than this its wax would be, too (handbook 27). */
    private static final double BACKED_MM = 3;

    /** What is put on the stand-in is a little more than was asked, as by hand. */
    private static final double STAND_IN = 1.003;

    private final RubberStore store;
    private final RubberMolds molds;
    private final PieceChoice pieces;
    private final PieceOpenings openings;
    private final SimulatedScale scale;
    private final PhotoStore photos;
    private final Clock clock;

    RubberController(
            RubberStore store,
            RubberMolds molds,
            PieceChoice pieces,
            PieceOpenings openings,
            SimulatedScale scale,
            PhotoStore photos,
            Clock clock) {
        this.store = store;
        this.molds = molds;
        this.pieces = pieces;
        this.openings = openings;
        this.scale = scale;
        this.photos = photos;
        this.clock = clock;
    }

    @GetMapping("/rubber/{id:\\d+}")
    String show(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String piece,
            Model model) {
        Map<String, String> typed =
                id == 0 ? started(piece) : found(account, id).row().fields();
        return sheet(account, id, id == 0 ? 0 : found(account, id).row().version(), typed, false, model);
    }

    private static Map<String, String> started(String piece) {
        Map<String, String> typed = new LinkedHashMap<>(Map.of("kind", "brushed", "material", "tin-silicone"));
        typed.put("piece", piece.matches("\\d{1,18}") ? piece : "");
        typed.put("room_C", "20 C");
        typed.put("coats[k1]", "0.6");
        typed.put("coats[k2]", "1.8");
        typed.put("coats[k3]", "1.8");
        typed.put("coats[k4]", "1.8");
        return typed;
    }

    private String sheet(Account account, long id, int version, Map<String, String> typed, boolean wrong, Model model) {
        RubberSheet sheet = molds.sheet(account, typed);
        TappedStore.Row row = id == 0
                ? new TappedStore.Row(0, account.studioId(), "", typed, 0, false, clock.instant())
                : found(account, id).row();
        List<TappedStore.Event> events = id == 0 ? List.of() : store.events(id);
        RubberCourse course = RubberCourse.of(events, sheet.cure());
        RubberMolds.Mold mold = new RubberMolds.Mold(row, sheet, course, events);
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute("name", id == 0 ? "A mold of rubber" : row.name());
        model.addAttribute("archived", row.archived());
        model.addAttribute("form", new SheetForm(sheet.fields(), typed, wrong, RubberFields.ALL));
        model.addAttribute(
                "coatLines",
                sheet.fields()
                        .lines(
                                "coats",
                                Math.max(
                                        1,
                                        COAT_LINES
                                                - sheet.fields().keys("coats").size())));
        model.addAttribute("view", RubberView.of(account, mold, clock.instant()));
        model.addAttribute("lacking", sheet.lacking());
        model.addAttribute("thickened", sheet.thickener().orElse(0) > 0);
        model.addAttribute("pieces", pieces.options(account));
        model.addAttribute(
                "openings",
                row.number("piece").map(p -> openings.of(account, p)).orElse(List.of()));
        parting(account, mold, model);
        model.addAttribute(
                "thin",
                row.number("piece")
                        .map(p -> openings.thinnest(account, p))
                        .filter(t -> t.isPresent() && t.getAsDouble() < BACKED_MM)
                        .map(t -> Show.value(t.getAsDouble(), Measure.MILLIMETRE, account.units(), false)
                                .toString())
                        .orElse(""));
        model.addAttribute("count", events.size());
        model.addAttribute(
                "photos", id == 0 ? List.of() : photos.of(account.studioId(), PhotoStore.Of.RUBBER_MOLD, id));
        model.addAttribute("chosenWay", typed.getOrDefault("opening", ""));
        return "rubber/rubber";
    }

    /** Its lines, keys, spout and parts, where its piece has a mesh to draw them on. */
    private void parting(Account account, RubberMolds.Mold mold, Model model) {
        Optional<RubberParting> parting = mold.row()
                .number("piece")
                .filter(p -> mold.row().id() > 0)
                .flatMap(p -> openings.chosen(account, p, mold.row().text("opening")))
                .map(seen -> RubberParting.of(mold.sheet(), PartingDrawn.of(mold.events()), seen));
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        model.addAttribute("parting", parting.map(RubberParting::drawing).orElse(""));
        model.addAttribute(
                "partingFigures",
                parting.map(RubberParting::parting).stream()
                        .flatMap(p -> Stream.of(p.length(), p.apart(), p.flange(), p.rubber()))
                        .flatMap(Optional::stream)
                        .map(views::of)
                        .toList());
        model.addAttribute(
                "partingFindings",
                parting.map(RubberParting::parting).stream()
                        .flatMap(p -> p.findings().all().stream())
                        .map(f -> FindingView.of(f, views, 0))
                        .toList());
        model.addAttribute(
                "partingUnknown", parting.map(p -> p.parting().unknown()).orElse(List.of()));
    }

    @PostMapping("/rubber/{id:\\d+}/photo")
    String photo(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(required = false) MultipartFile photo,
            RedirectAttributes redirect)
            throws IOException {
        found(account, id);
        String fault = photos.take(account, PhotoStore.Of.RUBBER_MOLD, id, photo);
        if (!fault.isEmpty()) {
            redirect.addFlashAttribute("fault", fault);
        }
        return "redirect:/rubber/" + id + "#photos";
    }

    @PostMapping("/rubber/{id:\\d+}")
    String save(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        if (id > 0) {
            found(account, id);
        }
        Map<String, String> typed = Fields.sent(form);
        RubberSheet sheet = molds.sheet(account, typed);
        Map<String, String> kept = pieces.owned(account, sheet.fields().kept());
        return new Saving(model, response)
                .save(
                        sheet.fields(),
                        () -> store.save(account.studioId(), id, version, kept.get("name"), kept),
                        between -> sheet(
                                account,
                                id,
                                between ? found(account, id).row().version() : version,
                                typed,
                                true,
                                model),
                        saved -> "/rubber/" + saved + "?saved");
    }

    @PostMapping("/rubber/{id:\\d+}/{way:archive|restore}")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id, @PathVariable String way) {
        found(account, id);
        store.archive(account.studioId(), id, way.equals("archive"));
        return way.equals("archive") ? "redirect:/waxes?gone=" + id : "redirect:/rubber/" + id;
    }

    @GetMapping("/rubber/{id:\\d+}/bench")
    String bench(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        RubberMolds.Mold mold = found(account, id);
        model.addAttribute("id", id);
        model.addAttribute("name", mold.row().name());
        model.addAttribute("count", store.events(id).size());
        model.addAttribute("view", RubberView.of(account, mold, clock.instant()));
        model.addAttribute("faults", RubberTaps.FAULTS);
        Scale.Reading shown = scale.read(account.studioId());
        model.addAttribute(
                "scale",
                Show.exact(shown.digits()) + (shown.steady() ? "" : " …") + ", its display says "
                        + shown.unit().symbol());
        model.addAttribute("jacketed", mold.course().jacketed().isPresent());
        model.addAttribute(
                "asksJacket", mold.sheet().plan().flatMap(RubberMold::jacket).isPresent());
        model.addAttribute("ready", mold.ready(clock.instant()));
        model.addAttribute("retired", mold.course().retired());
        model.addAttribute("vulcanised", mold.sheet().vulcanising().isPresent());
        model.addAttribute("inPress", mold.course().pressing().isPresent());
        model.addAttribute("pressed", mold.course().pressed());
        if (!model.containsAttribute("typedBase")) {
            model.addAttribute("typedBase", "");
            model.addAttribute("typedHardener", "");
        }
        return "rubber/bench";
    }

    /** The scale at the bench, a stand-in: what it shows is taken as g, whatever its display says. */
    @PostMapping("/rubber/{id:\\d+}/scale")
    String scale(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam String what,
            @RequestParam(defaultValue = "") String base,
            @RequestParam(defaultValue = "") String hardener,
            RedirectAttributes redirect) {
        RubberMolds.Mold mold = found(account, id);
        long studio = account.studioId();
        redirect.addFlashAttribute("typedBase", base);
        redirect.addFlashAttribute("typedHardener", hardener);
        switch (what) {
            case "on-base" -> scale.load(studio, RubberTaps.planned(mold, true).orElse(0.0) * STAND_IN);
            case "on-hardener" ->
                scale.load(studio, RubberTaps.planned(mold, false).orElse(0.0) * STAND_IN);
            case "off" -> scale.load(studio, 0);
            case "unit" -> scale.nextUnit(studio);
            case "take-base", "take-hardener" -> {
                Scale.Reading shown = scale.read(studio);
                if (shown.steady()) {
                    redirect.addFlashAttribute(
                            what.equals("take-base") ? "typedBase" : "typedHardener",
                            Show.exact(shown.digits()) + " g");
                } else {
                    redirect.addFlashAttribute("fault", "The scale has not come to rest: wait, then take it.");
                }
            }
            default -> redirect.addFlashAttribute("fault", "There is no such button.");
        }
        return "redirect:/rubber/" + id + "/bench";
    }

    @PostMapping("/rubber/{id:\\d+}/tap")
    String tap(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            RedirectAttributes redirect) {
        RubberMolds.Mold mold = found(account, id);
        String kind = form.getOrDefault("kind", "");
        Map<String, String> fields = new LinkedHashMap<>();
        Instant at = clock.instant();
        String fault = switch (kind) {
            case "coat" -> RubberTaps.coat(account, mold, form, fields);
            case "jacket" -> mold.course().jacketed().isPresent() ? "Its jacket is made already." : "";
            case "pull" -> RubberTaps.pull(mold, form, fields, at);
            case "wear", "retire" -> RubberTaps.said(form, fields);
            case "press", "pressed" -> RubberTaps.press(mold, kind);
            case "line", "begin", "outline", "spout", "part", "undraw" -> drawn(account, mold, kind, form, fields);
            default -> "There is no such tap.";
        };
        if (fault.isEmpty()) {
            boolean kept = store.tap(account, id, TappedStore.key(form), kind, fields, TappedStore.count(form), at);
            if (!kept) {
                throw new Late(
                        "Nothing was logged: somebody logged something of this mold since this page was shown.",
                        "/rubber/" + id + "/bench");
            }
        } else {
            redirect.addFlashAttribute("fault", fault);
            redirect.addFlashAttribute("typedBase", form.getOrDefault("base", ""));
            redirect.addFlashAttribute("typedHardener", form.getOrDefault("hardener", ""));
        }
        if (PartingDrawn.KINDS.contains(kind)) {
            return "redirect:/rubber/" + id + "?tool=" + kind + "#parting";
        }
        return "redirect:/rubber/" + id + "/bench";
    }

    /** A touch on the outline is kept as a share of it. */
    private String drawn(
            Account account, RubberMolds.Mold mold, String kind, Map<String, String> form, Map<String, String> fields) {
        if (kind.equals("undraw")) {
            return PartingDrawn.of(mold.events()).empty() ? "Nothing is drawn." : "";
        }
        Optional<PieceOpenings.Seen> seen = mold.row()
                .number("piece")
                .flatMap(p -> openings.chosen(account, p, mold.row().text("opening")));
        if (seen.isEmpty()) {
            return "There is no outline to draw on: it takes a piece with a closed mesh.";
        }
        if (kind.equals("outline")) {
            return "";
        }
        Optional<OutlineFrame.Place> at = OutlineFrame.of(seen.get().outline()).touched(form);
        if (at.isEmpty()) {
            return "Touch the outline where it is to be.";
        }
        if (kind.equals("part")) {
            String name = OneLine.of(form.getOrDefault("name", ""));
            if (name.isEmpty()) {
                return "Say how the part is called, then touch it.";
            }
            fields.put("name", name);
        }
        at.get().into(fields);
        return "";
    }

    private RubberMolds.Mold found(Account account, long id) {
        return molds.find(account, id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
