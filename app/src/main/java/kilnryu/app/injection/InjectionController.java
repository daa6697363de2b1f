package kilnryu.app.injection;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.stream.Stream;
import kilnryu.app.account.Account;
import kilnryu.app.factor.FactorStore;
import kilnryu.app.piece.PieceChoice;
import kilnryu.app.rubber.TappedStore;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Saving;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Late;
import kilnryu.core.sum.Figure;
import kilnryu.core.wax.InjectionFault;
import kilnryu.core.wax.Pressing;
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

/** A round of injection molds: its sheet, and its bench with a clock for each mold. */
@Controller
class InjectionController {
    private static final int LINES = 5;
    private static final int MOST = 200;

    private final InjectionStore store;
    private final PieceChoice pieces;
    private final FactorStore factors;
    private final Clock clock;

    InjectionController(InjectionStore store, PieceChoice pieces, FactorStore factors, Clock clock) {
        this.store = store;
        this.pieces = pieces;
        this.factors = factors;
        this.clock = clock;
    }

    /** A round in the list. */
    public record Listed(long id, String name, String shelf) {}

    @GetMapping("/waxes/rounds")
    String list(@AuthenticationPrincipal Account account, Model model) {
        long studio = account.studioId();
        Map<Long, List<TappedStore.Event>> events = store.allEvents(studio, false);
        List<TappedStore.Row> rounds = store.list(studio, false, MOST);
        model.addAttribute(
                "rounds",
                rounds.stream()
                        .map(r -> new Listed(
                                r.id(),
                                r.name(),
                                InjectionView.of(
                                                sheet(account, r.fields()),
                                                InjectionCourse.of(events.getOrDefault(r.id(), List.of())),
                                                clock.instant())
                                        .shelf()))
                        .toList());
        // a mold's past does not end where its round is archived
        Map<Long, List<TappedStore.Event>> all = new HashMap<>(events);
        all.putAll(store.allEvents(studio, true));
        model.addAttribute(
                "rates",
                InjectionRates.of(
                        Stream.concat(rounds.stream(), store.list(studio, true, MOST).stream())
                                .toList(),
                        all));
        return "injection/rounds";
    }

    private InjectionSheet sheet(Account account, Map<String, String> typed) {
        return InjectionSheet.read(account, typed, factors.of(account.studioId()));
    }

    @GetMapping("/waxes/rounds/{id:\\d+}")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        if (id == 0) {
            return page(
                    account,
                    0,
                    0,
                    Map.of("wax_C", "73 C", "mold_C", "22 C", "inject_s", "20 s", "pull_s", "30 s"),
                    false,
                    model);
        }
        TappedStore.Row row = found(account, id);
        return page(account, id, row.version(), row.fields(), false, model);
    }

    private String page(Account account, long id, int version, Map<String, String> typed, boolean wrong, Model model) {
        InjectionSheet sheet = sheet(account, typed);
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        model.addAttribute("id", id);
        model.addAttribute("version", version);
        model.addAttribute(
                "name", id == 0 ? "A round of molds" : found(account, id).name());
        model.addAttribute("form", new SheetForm(sheet.fields(), typed, wrong, InjectionFields.ALL));
        model.addAttribute(
                "lines",
                sheet.fields().lines("molds", Math.max(1, LINES - sheet.keys().size())));
        model.addAttribute("lacking", sheet.lacking());
        model.addAttribute("view", InjectionView.of(sheet, InjectionCourse.of(List.of()), clock.instant()));
        List<Figure> figures = new ArrayList<>(sheet.settings());
        sheet.pressing().flatMap(Pressing::hold).ifPresent(figures::add);
        model.addAttribute("figures", figures.stream().map(views::of).toList());
        model.addAttribute("unknown", sheet.pressing().map(Pressing::unknown).orElse(List.of()));
        model.addAttribute(
                "findings",
                sheet.findings().all().stream()
                        .map(f -> FindingView.of(f, views, 0))
                        .toList());
        model.addAttribute("pieces", pieces.options(account));
        return "injection/round";
    }

    @PostMapping("/waxes/rounds/{id:\\d+}")
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
        InjectionSheet sheet = sheet(account, typed);
        Map<String, String> kept = pieces.owned(account, sheet.fields().kept());
        return new Saving(model, response)
                .save(
                        sheet.fields(),
                        () -> store.save(account.studioId(), id, version, kept.get("name"), kept),
                        between ->
                                page(account, id, between ? found(account, id).version() : version, typed, true, model),
                        saved -> "/waxes/rounds/" + saved + "?saved");
    }

    @PostMapping("/waxes/rounds/{id:\\d+}/archive")
    String archive(@AuthenticationPrincipal Account account, @PathVariable long id) {
        found(account, id);
        store.archive(account.studioId(), id, true);
        return "redirect:/waxes/rounds";
    }

    @GetMapping("/waxes/rounds/{id:\\d+}/bench")
    String bench(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        TappedStore.Row row = found(account, id);
        InjectionSheet sheet = sheet(account, row.fields());
        model.addAttribute("id", id);
        model.addAttribute("name", row.name());
        model.addAttribute("lacking", sheet.lacking());
        model.addAttribute("faults", InjectionFault.values());
        model.addAttribute("need", need(account, row));
        model.addAttribute("view", InjectionView.of(sheet, InjectionCourse.of(store.events(id)), clock.instant()));
        return "injection/bench";
    }

    @PostMapping("/waxes/rounds/{id:\\d+}/tap")
    String tap(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            RedirectAttributes redirect) {
        TappedStore.Row row = found(account, id);
        InjectionSheet sheet = sheet(account, row.fields());
        List<TappedStore.Event> events = store.events(id);
        String mold = form.getOrDefault("mold", "");
        String kind = form.getOrDefault("kind", "");
        String fault = form.getOrDefault("fault", "");
        Instant now = clock.instant();
        if (kind.equals("use")) {
            return used(account, row, events, form, redirect);
        }
        String word = word(sheet, InjectionCourse.of(events), new Tap(mold, kind, fault), now);
        if (!word.isEmpty()) {
            redirect.addFlashAttribute("fault", word);
            return "redirect:/waxes/rounds/" + id + "/bench";
        }
        boolean kept = store.tap(
                account,
                id,
                TappedStore.key(form),
                kind,
                fault.isEmpty() ? Map.of("mold", mold) : Map.of("mold", mold, "fault", fault),
                events.size(),
                now);
        if (!kept) {
            throw new Late(
                    "Nothing was logged: somebody tapped in between. Look, then tap again.",
                    "/waxes/rounds/" + id + "/bench");
        }
        return "redirect:/waxes/rounds/" + id + "/bench";
    }

    /** Patterns go to a tree: no more than there are. */
    private String used(
            Account account,
            TappedStore.Row row,
            List<TappedStore.Event> events,
            Map<String, String> form,
            RedirectAttributes redirect) {
        String bench = "/waxes/rounds/" + row.id() + "/bench";
        String count = form.getOrDefault("count", "").strip();
        int shelf = InjectionCourse.of(events).shelf().size();
        if (!count.matches("[1-9]\\d{0,3}") || Integer.parseInt(count) > shelf) {
            redirect.addFlashAttribute("fault", "Say how many of the " + shelf + " on the shelf go to a tree.");
            return "redirect:" + bench;
        }
        if (!store.tap(
                account,
                row.id(),
                TappedStore.key(form),
                "use",
                Map.of("count", count),
                events.size(),
                clock.instant())) {
            throw new Late("Nothing was logged: somebody tapped in between. Look, then tap again.", bench);
        }
        return "redirect:" + bench;
    }

    /** What its piece asks of all its rounds together; empty where its piece does not say how many are wanted. */
    private String need(Account account, TappedStore.Row row) {
        OptionalInt wanted = pieces.wanted(account, row.text("piece"));
        if (wanted.isEmpty()) {
            return "";
        }
        Map<Long, List<TappedStore.Event>> events = new HashMap<>(store.allEvents(account.studioId(), false));
        int good = store.by(account.studioId(), "piece_id", Long.parseLong(row.text("piece"))).stream()
                .mapToInt(r -> InjectionCourse.of(events.getOrDefault(r.id(), List.of()))
                        .good())
                .sum();
        int left = wanted.getAsInt() - good;
        return "Of its piece " + wanted.getAsInt() + " are wanted: " + good + " good in all its rounds, "
                + (left > 0 ? left + " to make." : left == 0 ? "none to make." : -left + " to spare.");
    }

    private record Tap(String mold, String kind, String fault) {}

    /** Why a tap does not fit; empty where it does. */
    private static String word(InjectionSheet sheet, InjectionCourse course, Tap tap, Instant now) {
        int at = sheet.keys().indexOf(tap.mold);
        if (at < 0 || sheet.molds().isEmpty()) {
            return "There is no such mold in this round.";
        }
        InjectionCourse.Standing s = course.at(tap.mold);
        return switch (tap.kind) {
            case "inject" -> s.injected().isPresent() ? "There is wax in it." : "";
            case "pull" -> {
                if (s.injected().isEmpty()) {
                    yield "It is open: there is nothing in it.";
                }
                if (!tap.fault.isEmpty() && InjectionFault.named(tap.fault).isEmpty()) {
                    yield "Choose what is wrong with it.";
                }
                double left = sheet.molds().get(at).setting()
                        - java.time.Duration.between(s.injected().get(), now).toMillis() / 1000.0;
                yield left > 0 ? "It is warm still: " + Math.round(left) + " s more, or it bends as it is pulled." : "";
            }
            default -> "There is no such tap.";
        };
    }

    private TappedStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }
}
