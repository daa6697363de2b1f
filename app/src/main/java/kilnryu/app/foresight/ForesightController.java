package kilnryu.app.foresight;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import jakarta.servlet.http.HttpServletResponse;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.plan.Streams;
import kilnryu.core.foresight.CastCells;
import kilnryu.core.foresight.Change;
import kilnryu.core.foresight.Foresight;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** A tree filled and frozen ahead: its page, its cuts, and changes of it tried and taken. */
@Controller
class ForesightController {
    /** What may be asked for: about how many cells, and about how long they take on a small machine. */
    static final Map<Integer, String> SIZES = sizes();

    private static final int USUAL = 300_000;
    private static final int MOST_OFFERED = 3_000_000;
    private static final int LONGEST_NOTE = 300;
    /** Unpacked ones that are kept, eleven bytes a cell; the largest that can be asked for among them. */
    private static final int MOST_CELLS = Math.max(4_000_000, CellRoom.most());

    private final Plans plans;
    private final Streams streams;
    private final Foresights foresights;
    private final ForesightStore store;
    private final LayoutSearch search;
    private final WaysUp ways;
    private final Cache<String, FrozenCells> unpacked = Caffeine.newBuilder()
            .maximumWeight(MOST_CELLS)
            .weigher((String key, FrozenCells cells) -> cells.part().length)
            .build();

    ForesightController(
            Plans plans,
            Streams streams,
            Foresights foresights,
            ForesightStore store,
            LayoutSearch search,
            WaysUp ways) {
        this.ways = ways;
        this.search = search;
        this.plans = plans;
        this.streams = streams;
        this.foresights = foresights;
        this.store = store;
    }

    private static Map<Integer, String> sizes() {
        Map<Integer, String> sizes = new LinkedHashMap<>();
        sizes.put(60_000, "60,000 cells, a second");
        sizes.put(USUAL, "300,000 cells, some seconds");
        sizes.put(1_000_000, "1,000,000 cells, half a minute");
        sizes.put(3_000_000, "3,000,000 cells, a minute or two");
        sizes.put(8_000_000, "8,000,000 cells, some minutes");
        sizes.keySet().removeIf(cells -> cells > CellRoom.most());
        return sizes;
    }

    /** The same, and where it was once seen how many cells of each would lie across the thinnest wall. */
    static Map<Integer, String> sizes(Optional<Told> seen) {
        Optional<Told> walled = seen.filter(t -> t.thinnest() > 0);
        if (walled.isEmpty()) {
            return SIZES;
        }
        Map<Integer, String> sizes = new LinkedHashMap<>();
        SIZES.forEach((cells, words) ->
                sizes.put(cells, String.format(Locale.ROOT, "%s, %.1f across", words, across(walled.get(), cells))));
        return sizes;
    }

    /** Cells across the thinnest wall. */
    private static double across(Told t, int cells) {
        return t.thinnest() / CastCells.edge(t.edge(), t.cells(), cells);
    }

    /** What is offered first: the fewest that lie four across, once that is known, and of what does not take minutes. */
    static int usual(Optional<Told> seen) {
        List<Integer> offered = SIZES.keySet().stream()
                .filter(c -> c >= USUAL && c <= MOST_OFFERED)
                .toList();
        if (offered.isEmpty() || seen.filter(t -> t.thinnest() > 0).isEmpty()) {
            return USUAL;
        }
        return offered.stream()
                .filter(c -> across(seen.get(), c) >= ForesightPage.ACROSS)
                .findFirst()
                .orElse(offered.get(offered.size() - 1));
    }

    @GetMapping("/trees/{id}/foresight")
    String page(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String plane,
            @RequestParam(defaultValue = "") String off,
            @RequestParam(defaultValue = "") String step,
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "") String change,
            Model model) {
        Plans.Saved saved = plans.find(account, id);
        frame(account, saved, model);
        Optional<ForesightStore.Row> row = store.newest(account.studioId(), id);
        model.addAttribute("sizes", sizes(row.map(ForesightStore.Row::told)));
        model.addAttribute("usual", usual(row.map(ForesightStore.Row::told)));
        row.flatMap(r -> outlook(account, r).map(o -> shown(account, id, saved, o, r, new Asked(plane, off, step, by))))
                .ifPresent(seen -> model.addAttribute("seen", seen));
        if (!change.isEmpty() && row.isPresent()) {
            tried(account, saved, row.get(), change, model);
        }
        return "foresight/page";
    }

    private ForesightPage shown(
            Account account, long id, Plans.Saved saved, Outlook o, ForesightStore.Row r, Asked asked) {
        int at = step(asked.step, o);
        boolean old = !r.state().equals(foresights.state(account, saved));
        return ForesightPage.of(id, o, r, old, account.zoneId(), view(o, asked, at, false), at);
    }

    /** Its cells are unpacked once for all the cuts that a slider asks for. */
    private Optional<Outlook> outlook(Account account, ForesightStore.Row row) {
        String key = row.id() + " " + row.at();
        FrozenCells known = unpacked.getIfPresent(key);
        if (known != null) {
            return Optional.of(new Outlook(row.told(), known));
        }
        Optional<FrozenCells> cells = store.cells(account.studioId(), row.id());
        cells.ifPresent(c -> unpacked.put(key, c));
        return cells.map(c -> new Outlook(row.told(), c));
    }

    /** At first the moment at which the gravest pool is just left alone. */
    private static int step(String typed, Outlook o) {
        if (typed.matches("\\d{1,4}")) {
            return Math.min(ForesightPage.STEPS, Integer.parseInt(typed));
        }
        FrozenCells c = o.cells();
        char first = o.told().marks().isEmpty()
                ? FrozenCells.NEVER
                : c.alone(o.told().marks().get(0));
        double share = first == FrozenCells.NEVER ? 0.5 : Math.min(0.9, c.time(first) / c.seconds() + 0.02);
        return (int) Math.round(ForesightPage.FULL + share * (ForesightPage.STEPS - ForesightPage.FULL));
    }

    /** Which cut is asked for, as it was typed. */
    private record Asked(String plane, String off, String step, String by) {}

    private static CutDrawing.View view(Outlook o, Asked asked, int step, boolean small) {
        CutDrawing.Plane of = CutDrawing.Plane.named(asked.plane);
        double at =
                asked.off.matches("-?\\d{1,4}(\\.\\d{1,3})?") ? Double.parseDouble(asked.off) : CutDrawing.best(o, of);
        ForesightPage.Moment moment = ForesightPage.Moment.of(step, o.cells());
        boolean fine = asked.by.equals(ForesightPage.FINE);
        return new CutDrawing.View(of, at, moment.filling(), moment.seconds(), fine, small);
    }

    private void frame(Account account, Plans.Saved saved, Model model) {
        streams.of(account, saved, saved.plan(), "gating").into(model);
        model.addAttribute("id", saved.row().id());
        model.addAttribute("name", saved.row().name());
        model.addAttribute("plan", saved.plan());
        model.addAttribute("sizes", sizes(Optional.empty()));
        model.addAttribute("usual", USUAL);
        model.addAttribute("notKnown", Foresight.NOT_KNOWN);
        model.addAttribute("missing", Foresights.missing(saved.plan()).orElse(""));
        model.addAttribute("searchable", LayoutSearch.piece(saved.plan()).isPresent());
        model.addAttribute("found", search.known(saved.row().id(), foresights.state(account, saved)));
        model.addAttribute("treeVersion", saved.sheets().get(Stage.TREE).version());
    }

    /** Looks for gates, feeders and vents round the piece; it takes its time and can be stopped. */
    @PostMapping("/trees/{id}/foresight/search")
    String search(@AuthenticationPrincipal Account account, @PathVariable long id) {
        Plans.Saved saved = plans.find(account, id);
        search.look(account, saved, foresights.state(account, saved));
        return "redirect:/trees/" + id + "/foresight?searched#found";
    }

    /** The piece by itself: each side up, solid or hollow, whole or in sections. */
    @GetMapping("/trees/{id}/foresight/ways")
    String ways(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        model.addAttribute("compared", ways.of(account, plans.find(account, id)));
        return "foresight/ways :: ways";
    }

    /** Takes a layout that was found, over the version that it was found for. */
    @PostMapping("/trees/{id}/foresight/found/{n:\\d{1,2}}")
    String takeFound(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @PathVariable int n,
            @RequestParam(defaultValue = "0") int version,
            Model model,
            HttpServletResponse response) {
        Plans.Saved saved = plans.find(account, id);
        List<LayoutSearch.Found> found = search.known(id, foresights.state(account, saved));
        boolean done = false;
        if (n < found.size()) {
            Map<String, String> fields = new LinkedHashMap<>(found.get(n).tree());
            fields.put("change_note", "Found: " + shortened(found.get(n).words()));
            done = plans.save(account, new Plans.Save(id, Stage.TREE, version, fields, ""))
                    .isPresent();
        }
        return done ? "redirect:/trees/" + id + "/foresight?taken" : refused(account, saved, model, response);
    }

    /** Someone saved in between: nothing is taken over what was not seen. */
    private String refused(Account account, Plans.Saved saved, Model model, HttpServletResponse response) {
        response.setStatus(HttpStatus.CONFLICT.value());
        frame(account, saved, model);
        model.addAttribute("conflictHere", true);
        return "foresight/page";
    }

    private static String shortened(String words) {
        return words.length() <= LONGEST_NOTE ? words : words.substring(0, LONGEST_NOTE - 1) + "…";
    }

    /** Fills and freezes the tree as it is saved. */
    @PostMapping("/trees/{id}/foresight")
    String run(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String cells,
            Model model,
            HttpServletResponse response) {
        Plans.Saved saved = plans.find(account, id);
        int asked = cells.matches("\\d{4,7}") && SIZES.containsKey(Integer.parseInt(cells))
                ? Integer.parseInt(cells)
                : USUAL;
        if (Foresights.missing(saved.plan()).isPresent()) {
            response.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            frame(account, saved, model);
            return "foresight/page";
        }
        String state = foresights.state(account, saved);
        Outlook outlook = foresights.of(account, saved.plan(), Plans.texts(saved.sheets()), asked);
        store.keep(account.studioId(), id, account.id(), state, asked, outlook);
        plans.standsAnew(account, id);
        return "redirect:/trees/" + id + "/foresight";
    }

    /** The cut at another place or moment. */
    @GetMapping("/trees/{id}/foresight/cut")
    String cut(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String plane,
            @RequestParam(defaultValue = "") String off,
            @RequestParam(defaultValue = "") String step,
            @RequestParam(defaultValue = "") String by,
            Model model) {
        Plans.Saved saved = plans.find(account, id);
        store.newest(account.studioId(), id)
                .flatMap(r ->
                        outlook(account, r).map(o -> shown(account, id, saved, o, r, new Asked(plane, off, step, by))))
                .ifPresent(seen -> model.addAttribute("seen", seen));
        return "foresight/page :: cut";
    }

    /** The metal's cells for the turning view: their number, the grid, then of each its place and class; little end first. */
    @GetMapping(path = "/trees/{id}/foresight/cells", produces = MediaType.APPLICATION_OCTET_STREAM_VALUE)
    ResponseEntity<byte[]> cells(@AuthenticationPrincipal Account account, @PathVariable long id) {
        plans.find(account, id);
        return ResponseEntity.of(store.newest(account.studioId(), id)
                .flatMap(r -> outlook(account, r))
                .map(o -> turning(o.told(), o.cells())));
    }

    private static byte[] turning(Told told, FrozenCells c) {
        double[] bounds = CutDrawing.classes(told, c);
        int count = 0;
        for (int i = 0; i < c.part().length; i++) {
            count += c.metal(i) && c.arrives()[i] != FrozenCells.NEVER ? 1 : 0;
        }
        ByteBuffer out = ByteBuffer.allocate(16 + 8 * count).order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(count)
                .putInt(c.grid().nx())
                .putInt(c.grid().ny())
                .putInt(c.grid().nz());
        for (int i = 0; i < c.part().length; i++) {
            if (c.metal(i) && c.arrives()[i] != FrozenCells.NEVER) {
                out.putShort((short) c.grid().place(0, i))
                        .putShort((short) c.grid().place(1, i))
                        .putShort((short) c.grid().place(2, i))
                        .put((byte) CutDrawing.classOf(bounds, c.time(c.solid()[i])))
                        .put((byte) (c.marks()[i] & (FrozenCells.HOLLOW | FrozenCells.SUNK)));
            }
        }
        return out.array();
    }

    /** A change tried: old beside new. */
    @GetMapping("/trees/{id}/foresight/try")
    String tryIt(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String change,
            Model model) {
        Plans.Saved saved = plans.find(account, id);
        model.addAttribute("id", id);
        store.newest(account.studioId(), id).ifPresent(row -> tried(account, saved, row, change, model));
        return "foresight/page :: tried";
    }

    private void tried(Account account, Plans.Saved saved, ForesightStore.Row row, String code, Model model) {
        Optional<Change> change = Change.of(code);
        if (change.isEmpty() || Foresights.missing(saved.plan()).isPresent()) {
            return;
        }
        Map<Stage, Map<String, String>> typed = Plans.texts(saved.sheets());
        Map<Stage, Map<String, String>> then = Foresights.changed(typed, saved.plan(), change.get());
        Plan planned = plans.read(account, then, saved.factors());
        Optional<String> missing = Foresights.missing(planned);
        model.addAttribute("change", change.get());
        if (then.equals(typed) || missing.isPresent()) {
            model.addAttribute("cannot", missing.orElse("it changes nothing: the place is not there any more"));
            return;
        }
        // both alike, so that one can be laid beside the other
        int cells = Math.min(row.asked(), USUAL);
        Outlook now = foresights.of(account, saved.plan(), typed, cells);
        Outlook other = foresights.of(account, planned, then, cells);
        int step = step("", now);
        Asked front = new Asked("front", off(now), "", "");
        model.addAttribute("now", CutDrawing.of(now, view(now, front, step, true)));
        model.addAttribute(
                "then",
                CutDrawing.of(
                        other,
                        view(other, front, step(now, other, step), true),
                        CutDrawing.classes(now.told(), now.cells())));
        model.addAttribute(
                "compared", ForesightPage.compared(now.told(), saved.plan(), other.told(), planned, account.units()));
        model.addAttribute("thenVerdict", ForesightPage.verdict(saved.row().id(), other.told(), false));
        model.addAttribute("moment", ForesightPage.Moment.of(step, now.cells()).words());
        model.addAttribute("version", saved.sheets().get(Stage.TREE).version());
        model.addAttribute("firingVersion", saved.sheets().get(Stage.FIRING).version());
    }

    private static String off(Outlook o) {
        return String.format(java.util.Locale.ROOT, "%.1f", CutDrawing.best(o, CutDrawing.Plane.FRONT));
    }

    /** The same moment, s, on the slider of another. */
    private static int step(Outlook from, Outlook to, int step) {
        ForesightPage.Moment m = ForesightPage.Moment.of(step, from.cells());
        double share = Math.min(1, m.seconds() / to.cells().seconds());
        return m.filling()
                ? step
                : (int) Math.round(ForesightPage.FULL + share * (ForesightPage.STEPS - ForesightPage.FULL));
    }

    /** Takes a tried change into the tree, over the version that was seen. */
    @PostMapping("/trees/{id}/foresight/take")
    String take(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String change,
            @RequestParam(defaultValue = "0") int version,
            @RequestParam(defaultValue = "0") int firingVersion,
            Model model,
            HttpServletResponse response) {
        Plans.Saved saved = plans.find(account, id);
        Optional<Change> taken = Change.of(change);
        if (taken.isEmpty()) {
            return "redirect:/trees/" + id + "/foresight";
        }
        Map<Stage, Map<String, String>> typed = Plans.texts(saved.sheets());
        Map<Stage, Map<String, String>> then = Foresights.changed(typed, saved.plan(), taken.get());
        boolean firing = taken.get() instanceof Change.Hotter;
        Stage stage = firing ? Stage.FIRING : Stage.TREE;
        Map<String, String> fields = new LinkedHashMap<>(then.get(stage));
        if (!firing) {
            fields.put("change_note", "Looked ahead: " + taken.get().words());
        }
        boolean done = plans.save(account, new Plans.Save(id, stage, firing ? firingVersion : version, fields, ""))
                .isPresent();
        return done ? "redirect:/trees/" + id + "/foresight?taken" : refused(account, saved, model, response);
    }

    /** The tree as it is typed, coarse: where its last liquid is, and what is left alone or shut in, while it is dragged. */
    @PostMapping("/trees/{id}/gating/ahead")
    String ahead(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            Model model) {
        Map<String, String> typed = new LinkedHashMap<>(form);
        List.of("_csrf", "version", "page").forEach(typed::remove);
        typed.keySet().removeIf(path -> path.startsWith("layout."));
        Map<Stage, Map<String, String>> texts = id == 0
                ? new LinkedHashMap<>()
                : Plans.texts(plans.find(account, id).sheets());
        texts.put(Stage.TREE, typed);
        Plan plan = plans.read(
                account,
                texts,
                id == 0
                        ? plans.find(account, id).factors()
                        : plans.find(account, id).factors());
        Optional<String> missing = Foresights.missing(plan);
        model.addAttribute("id", id);
        model.addAttribute("missing", missing.orElse(""));
        if (missing.isEmpty()) {
            model.addAttribute(
                    "ahead",
                    foresights.of(account, plan, texts, Foresights.COARSE).told());
        }
        return "foresight/ahead :: ahead";
    }
}
