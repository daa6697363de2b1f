package kilnryu.app.breakout;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.Clock;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import kilnryu.app.account.Account;
import kilnryu.app.foresight.Foreseen;
import kilnryu.app.piece.Photo;
import kilnryu.app.piece.PhotoStore;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Streams;
import kilnryu.app.pour.PouredMold;
import kilnryu.app.record.Records;
import kilnryu.app.tree.Face;
import kilnryu.app.wax.WaxFound;
import kilnryu.app.web.Late;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.core.material.Alloy;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
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

/** The wash bench: castings looked at one by one, weighed, measured; and why they came out so. */
@Controller
public class BreakOutController {
    private static final int MOST_LISTED = 60;

    private final BreakOutStore store;
    private final BreakOuts breakOuts;
    private final BreakOutTaps taps;
    private final Plans plans;
    private final Streams streams;
    private final Together together;
    private final PhotoStore photos;
    private final WaxFound waxes;

    private final Clock clock;

    BreakOutController(
            BreakOutStore store,
            BreakOuts breakOuts,
            BreakOutTaps taps,
            Plans plans,
            Streams streams,
            Together together,
            PhotoStore photos,
            WaxFound waxes,
            Clock clock) {
        this.clock = clock;
        this.store = store;
        this.breakOuts = breakOuts;
        this.taps = taps;
        this.plans = plans;
        this.streams = streams;
        this.together = together;
        this.photos = photos;
        this.waxes = waxes;
    }

    /** A tree in the list. */
    public record Listed(
            String address,
            String name,
            String face,
            String state,
            String when,
            String counted,
            String alloy,
            String bar) {}

    @GetMapping("/breakout")
    String list(@AuthenticationPrincipal Account account, Model model) {
        List<BreakOutStore.Line> lines = store.list(account.studioId(), MOST_LISTED);
        model.addAttribute("waiting", listed(account, lines, "waiting"));
        model.addAttribute("open", listed(account, lines, "open"));
        model.addAttribute("done", listed(account, lines, "done"));
        return "breakout/list";
    }

    private List<Listed> listed(Account account, List<BreakOutStore.Line> lines, String state) {
        ZoneId zone = account.zoneId();
        ZonedDateTime now = clock.instant().atZone(zone);
        return lines.stream()
                .filter(l -> l.state().equals(state))
                .map(l -> new Listed(
                        "/breakout/" + l.tree(),
                        l.name(),
                        Face.drawn(l.face()),
                        state,
                        l.poured() != null
                                ? "poured " + Show.dayAndClock(l.poured().atZone(zone), now)
                                : l.begunAt() == null
                                        ? ""
                                        : Show.dayAndClock(l.begunAt().atZone(zone), now),
                        counted(l),
                        l.alloy() == null
                                ? ""
                                : Alloy.named(l.alloy()).map(Alloy::label).orElse(l.alloy()),
                        Bar.of(l.good(), l.mend(), l.scrap(), l.unseen())))
                .toList();
    }

    private static String counted(BreakOutStore.Line l) {
        return l.castings() == 0
                ? ""
                : l.good() + " of " + l.castings() + " good"
                        + (l.mend() > 0 ? ", " + l.mend() + " to mend" : "")
                        + (l.scrap() > 0 ? ", " + l.scrap() + " scrap" : "")
                        + (l.unseen() > 0 ? ", " + l.unseen() + " not looked at" : "");
    }

    @GetMapping("/breakout/{tree:\\d+}")
    String show(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam(required = false) Integer casting,
            @RequestParam(required = false) Long photo,
            @RequestParam(defaultValue = "") String why,
            Model model) {
        Plans.Saved saved = plans.find(account, tree);
        frame(account, saved, "breakout", model);
        Optional<BreakOutStore.Row> row = store.of(account.studioId(), tree);
        if (row.isEmpty()) {
            return threshold(account, saved, model);
        }
        fill(account, saved, row.get(), casting, photo, why, model);
        return "breakout/breakout";
    }

    @GetMapping("/breakout/{tree:\\d+}/live")
    String live(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam(required = false) Integer casting,
            @RequestParam(required = false) Long photo,
            @RequestParam(defaultValue = "") String why,
            Model model) {
        Plans.Saved saved = plans.find(account, tree);
        model.addAttribute("name", saved.row().name());
        model.addAttribute("id", tree);
        fill(account, saved, found(account, tree), casting, photo, why, model);
        return "breakout/breakout :: inside";
    }

    private BreakOutStore.Row found(Account account, long tree) {
        return store.of(account.studioId(), tree).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    private void frame(Account account, Plans.Saved saved, String open, Model model) {
        streams.of(account, saved, saved.plan(), open).into(model);
        model.addAttribute("name", saved.row().name());
        model.addAttribute("id", saved.row().id());
        model.addAttribute(
                "alloy", saved.plan().tree().map(t -> t.tree().alloy().label()).orElse(""));
    }

    private String threshold(Account account, Plans.Saved saved, Model model) {
        Optional<PouredMold> mold = breakOuts.poured(account, saved.row().id());
        List<Tile> tiles = Tile.of(saved.plan());
        model.addAttribute("made", tiles.size());
        model.addAttribute("many", tiles.size() > Tile.MOST);
        model.addAttribute("most", Tile.MOST);
        model.addAttribute(
                "poured",
                mold.flatMap(PouredMold::poured)
                        .map(p -> Show.dayAndClock(p.atZone(account.zoneId())))
                        .orElse(""));
        model.addAttribute("came", mold.map(PouredMold::came).orElse(""));
        model.addAttribute(
                "planned", breakOuts.planned(account, saved.row().id()).orElse(""));
        model.addAttribute(
                "notYet", mold.filter(m -> m.poured().isEmpty() && !m.ended()).isPresent());
        model.addAttribute("together", together.of(account, saved));
        List<BreakOutStore.Forecast> forecasts = store.forecasts(saved.row().id());
        model.addAttribute("forecasts", forecasts);
        model.addAttribute(
                "mine",
                forecasts.stream()
                        .filter(f -> f.account() == account.id())
                        .findFirst()
                        .orElse(null));
        return "breakout/begin";
    }

    private void fill(
            Account account,
            Plans.Saved saved,
            BreakOutStore.Row row,
            Integer casting,
            Long photo,
            String why,
            Model model) {
        BreakOutCourse course = breakOuts.course(row);
        BreakOutPage page = breakOuts.page(account, saved, row, course, casting, photo);
        Groups groups = Groups.of(course);
        model.addAttribute("page", page);
        model.addAttribute("version", row.version());
        model.addAttribute("groups", groups.all());
        Optional<Groups.Group> group = groups.named(why);
        model.addAttribute("group", group.map(Groups.Group::key).orElse(""));
        model.addAttribute(
                "why",
                group.flatMap(g -> breakOuts.why(account, saved, row, course, g))
                        .orElse(null));
        if (row.record() != null) {
            kept(row, model);
        }
        model.addAttribute("waxes", waxes.of(account, saved));
        model.addAttribute("told", told(account, row));
        model.addAttribute("forecasts", store.forecasts(row.tree()));
        model.addAttribute(
                "lookedAhead",
                Foreseen.lines(
                        saved.row(),
                        course.castings().stream()
                                .flatMap(c -> c.pins().stream())
                                .map(p -> p.kind().key())
                                .collect(java.util.stream.Collectors.toSet()),
                        course.allSeen()));
        model.addAttribute("goodNow", course.count(BreakOutCourse.Verdict.GOOD));
        model.addAttribute("allSeen", course.allSeen());
    }

    /** What was frozen when it was closed; a word where this version cannot read it. */
    private static void kept(BreakOutStore.Row row, Model model) {
        try {
            model.addAttribute(
                    "kept", Records.read(Records.BREAK_OUT, row.record()).brokenOut());
        } catch (Records.Unreadable e) {
            model.addAttribute("unreadable", e.getMessage());
        }
    }

    private String told(Account account, BreakOutStore.Row row) {
        String poured = breakOuts
                .poured(account, row.tree())
                .flatMap(PouredMold::poured)
                .map(p -> "poured " + Show.dayAndClock(p.atZone(account.zoneId())) + " · ")
                .orElse("no pour on record · ");
        return poured + "opened " + Show.dayAndClock(row.begunAt().atZone(account.zoneId()));
    }

    @PostMapping("/breakout/{tree:\\d+}/begin")
    @Transactional
    public String begin(
            @AuthenticationPrincipal Account account, @PathVariable long tree, RedirectAttributes redirect) {
        Plans.Saved saved = plans.find(account, tree);
        List<Tile> tiles = Tile.of(saved.plan());
        if (tiles.isEmpty() || tiles.size() > Tile.MOST) {
            redirect.addFlashAttribute(
                    "fault",
                    tiles.isEmpty()
                            ? "There is no casting on this tree: give it a piece first."
                            : "A tree of more than " + Tile.MOST + " castings is not looked at one by one here.");
            return "redirect:/breakout/" + tree;
        }
        Optional<PouredMold> mold = breakOuts.poured(account, tree);
        if (mold.filter(m -> m.poured().isEmpty() && !m.ended()).isPresent()) {
            redirect.addFlashAttribute("fault", "Its pour runs, and no metal is in this mold yet.");
            return "redirect:/breakout/" + tree;
        }
        store.begin(account, tree, breakOuts.began(saved, mold), tiles);
        return "redirect:/breakout/" + tree;
    }

    @PostMapping("/breakout/{tree:\\d+}/forecast")
    String forecast(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam(defaultValue = "") String good,
            @RequestParam(defaultValue = "") String reason,
            RedirectAttributes redirect) {
        Plans.Saved saved = plans.find(account, tree);
        int made = Tile.of(saved.plan()).size();
        String because = OneLine.of(reason);
        String fault = store.of(account.studioId(), tree).isPresent()
                ? "It is open: a forecast made now foresees nothing."
                : !good.matches("\\d{1,4}") || Integer.parseInt(good) > made
                        ? "Say how many of " + made + " you expect to be good."
                        : because.length() < 3 ? "Say why, in a few words: that is what is learned from." : "";
        if (fault.isEmpty()) {
            store.forecast(account, tree, Integer.parseInt(good), made, because);
        } else {
            redirect.addFlashAttribute("fault", fault);
            redirect.addFlashAttribute("typedGood", good);
            redirect.addFlashAttribute("typedReason", because);
        }
        return "redirect:/breakout/" + tree + "#forecast";
    }

    /** A tap: from the page's script with its key and its moment, or as a plain form. */
    @PostMapping(
            path = "/breakout/{tree:\\d+}/tap",
            produces = {MediaType.APPLICATION_JSON_VALUE, MediaType.TEXT_HTML_VALUE})
    Object tap(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam Map<String, String> form,
            HttpServletRequest request,
            RedirectAttributes redirect) {
        BreakOutStore.Row row = found(account, tree);
        String name = plans.find(account, tree).row().name();
        BreakOutTaps.Taken taken = taps.take(account, row, name, asked(form));
        if (request.getHeader("X-Tap") != null) {
            return ResponseEntity.status(taken.ok() ? 200 : 409)
                    .contentType(MediaType.APPLICATION_JSON)
                    .body(taken);
        }
        redirect.addFlashAttribute("word", taken.word());
        return "redirect:" + back(tree, form);
    }

    private static BreakOutTaps.TapRequest asked(Map<String, String> form) {
        String key = form.getOrDefault("key", "").isBlank() ? UUID.randomUUID().toString() : form.get("key");
        String ago = form.getOrDefault("ago", "0");
        return new BreakOutTaps.TapRequest(
                key, form.getOrDefault("kind", ""), form, ago.matches("\\d{1,10}") ? Long.parseLong(ago) : 0);
    }

    private static String back(long tree, Map<String, String> form) {
        String casting = form.getOrDefault("casting", "");
        String why = form.getOrDefault("why", "");
        return "/breakout/" + tree
                + (casting.matches("\\d{1,6}")
                        ? "?casting=" + casting
                        : why.matches("[a-z+-]{1,200}") ? "?why=" + why.replace("+", "%2B") : "");
    }

    @PostMapping("/breakout/{tree:\\d+}/photo")
    String photo(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam(required = false) Integer casting,
            @RequestParam(required = false) MultipartFile photo,
            RedirectAttributes redirect)
            throws IOException {
        BreakOutStore.Row row = found(account, tree);
        String on = casting == null ? "" : "?casting=" + casting;
        if (casting != null && row.tiles().stream().noneMatch(t -> t.number() == casting)) {
            redirect.addFlashAttribute("word", "There is no casting " + casting + " on this tree.");
            return "redirect:/breakout/" + tree;
        }
        try {
            long kept = photos.keep(account, PhotoStore.Of.BREAK_OUT, row.id(), Photo.of(photo));
            if (!taps.photo(account, row, casting, kept)) {
                redirect.addFlashAttribute("word", "This break-out is closed: no photo is added.");
                return "redirect:/breakout/" + tree + on;
            }
            return "redirect:/breakout/" + tree + (casting == null ? "#photos" : on + "&photo=" + kept + "#pin");
        } catch (Photo.Unusable e) {
            redirect.addFlashAttribute("word", e.getMessage());
            return "redirect:/breakout/" + tree + on;
        }
    }

    /** Freezes what was seen. */
    @PostMapping("/breakout/{tree:\\d+}/close")
    @Transactional
    public String close(
            @AuthenticationPrincipal Account account,
            @PathVariable long tree,
            @RequestParam(defaultValue = "0") int version) {
        Plans.Saved saved = plans.find(account, tree);
        BreakOutStore.Row seen = found(account, tree);
        store.lock(seen.id());
        BreakOutStore.Row row = found(account, tree);
        if (!row.open()) {
            return "redirect:/breakout/" + tree;
        }
        if (row.version() != version) {
            throw new Late("Nothing was closed: something was tapped while this page was open.", "/breakout/" + tree);
        }
        if (!breakOuts.course(row).allSeen()) {
            throw new Late("Nothing was closed: not every casting has been looked at.", "/breakout/" + tree);
        }
        store.close(row.id(), Records.write(breakOuts.record(account, saved, row)));
        return "redirect:/breakout/" + tree;
    }
}
