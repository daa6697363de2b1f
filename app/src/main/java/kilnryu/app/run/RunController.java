package kilnryu.app.run;

import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.device.KilnController;
import kilnryu.app.device.SimulatedController;
import kilnryu.app.load.LoadPage;
import kilnryu.app.piece.Photo;
import kilnryu.app.piece.PhotoStore;
import kilnryu.app.web.Show;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.multipart.MultipartFile;
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The page of a firing that runs: what is measured beside what was planned, and what someone has to do now. */
@Controller
public class RunController {
    private static final int LONGEST_NOTE = 300;
    private static final List<Integer> SPEEDS = List.of(1, 10, 60, 600);

    private final Firings firings;
    private final FiringStore store;
    private final Runs runs;
    private final KilnController controller;
    private final SimulatedController standIn;
    private final Watchers watchers;
    private final TransactionTemplate transaction;
    private final PhotoStore photos;
    private final java.time.Clock clock;

    RunController(
            Firings firings,
            FiringStore store,
            Runs runs,
            KilnController controller,
            SimulatedController standIn,
            Watchers watchers,
            PhotoStore photos,
            TransactionTemplate transaction,
            java.time.Clock clock) {
        this.transaction = transaction;
        this.firings = firings;
        this.store = store;
        this.runs = runs;
        this.controller = controller;
        this.standIn = standIn;
        this.watchers = watchers;
        this.photos = photos;
        this.clock = clock;
    }

    /** A fault that can be set. */
    public record FaultView(String key, String label, boolean on) {}

    @GetMapping("/firings/{id:\\d+}/run")
    String run(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        FiringStore.Row row = firings.found(account, id);
        if (row.planned()) {
            return "redirect:/firings/" + id;
        }
        if (row.frozen().isEmpty()) {
            return KeptPage.into(account, row, store.events(id), model);
        }
        fill(account, row, model);
        model.addAttribute("speeds", SPEEDS);
        model.addAttribute("photos", photos.of(account.studioId(), PhotoStore.Of.FIRING, id));
        return "load/run";
    }

    /** What changes while it runs. */
    @GetMapping("/firings/{id:\\d+}/live")
    String live(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        FiringStore.Row row = firings.started(account, id);
        if (row.frozen().isEmpty()) {
            throw new ResponseStatusException(HttpStatus.CONFLICT);
        }
        fill(account, row, model);
        return "load/run :: inside";
    }

    @GetMapping("/firings/{id:\\d+}/events")
    SseEmitter events(@AuthenticationPrincipal Account account, @PathVariable long id) {
        firings.started(account, id);
        return watchers.watch(id);
    }

    @PostMapping("/firings/{id:\\d+}/duty")
    @Transactional
    public String duty(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String duty,
            @RequestParam(defaultValue = "") String note) {
        FiringStore.Row row = firings.running(account, id);
        if (!duty.matches("[a-z_]{1,30}-\\d{1,3}")) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        store.event(account, row.id(), runs.hear(id).second(), "duty", duty, note(note));
        return "redirect:/firings/" + id + "/run";
    }

    /** A tick by mistake is taken back; that it was stays written down. */
    @PostMapping("/firings/{id:\\d+}/duty/back")
    @Transactional
    public String back(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String duty) {
        FiringStore.Row row = firings.running(account, id);
        if (store.takeBack(row.id(), duty)) {
            store.event(account, row.id(), runs.hear(id).second(), "taken back", duty, Map.of());
        }
        return "redirect:/firings/" + id + "/run";
    }

    @PostMapping("/firings/{id:\\d+}/note")
    String note(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String note) {
        FiringStore.Row row = firings.started(account, id);
        if (!note.isBlank()) {
            double second = row.running() || row.frozen().isEmpty()
                    ? runs.hear(id).second()
                    : runs.standing(row).second();
            store.event(account, id, second, "seen", "", note(note));
        }
        return "redirect:/firings/" + id + "/run";
    }

    /** How the molds stand, or whatever else is worth a picture. */
    @PostMapping("/firings/{id:\\d+}/photo")
    String photo(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(required = false) MultipartFile photo,
            RedirectAttributes redirect)
            throws IOException {
        FiringStore.Row row = firings.started(account, id);
        try {
            photos.keep(account, PhotoStore.Of.FIRING, row.id(), Photo.of(photo));
        } catch (Photo.Unusable e) {
            redirect.addFlashAttribute("photoError", e.getMessage());
        }
        return "redirect:/firings/" + id + "/run#photos";
    }

    private static Map<String, String> note(String note) {
        String words = note.replaceAll("\\p{Cntrl}", " ").strip();
        return words.isEmpty()
                ? Map.of()
                : Map.of("note", words.length() > LONGEST_NOTE ? words.substring(0, LONGEST_NOTE) : words);
    }

    @PostMapping("/firings/{id:\\d+}/stand-in/speed")
    @Transactional
    public String speed(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "1") int times) {
        firings.running(account, id);
        int allowed = Math.max(1, Math.min((int) SimulatedController.FASTEST, times));
        double second = runs.hear(id).second();
        standIn.speed(id, allowed, clock.instant());
        store.event(account, id, second, "speed", String.valueOf(allowed), Map.of());
        return "redirect:/firings/" + id + "/run";
    }

    @PostMapping("/firings/{id:\\d+}/stand-in/fault")
    @Transactional
    public String fault(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String fault) {
        firings.running(account, id);
        SimulatedController.Trouble trouble = SimulatedController.Trouble.named(fault)
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        double second = runs.hear(id).second();
        standIn.fault(id, trouble);
        store.event(account, id, second, "fault", trouble.label(), Map.of());
        return "redirect:/firings/" + id + "/run";
    }

    @PostMapping("/firings/{id:\\d+}/end")
    public String end(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String as) {
        // how it stands is reckoned before anything is locked
        FiringStore.Row before = firings.found(account, id);
        Optional<Runs.Standing> standing =
                before.running() ? before.frozen().map(f -> runs.standing(before)) : Optional.empty();
        transaction.executeWithoutResult(t ->
                ended(account, id, standing, as.replaceAll("\\p{Cntrl}", " ").strip()));
        return "redirect:/firings/" + id + "/log";
    }

    private void ended(Account account, long id, Optional<Runs.Standing> standing, String words) {
        FiringStore.Row row = firings.running(account, id);
        double second = standing.map(Runs.Standing::second)
                .orElseGet(() -> runs.hear(id).second());
        if (store.end(row, words.isEmpty() ? "poured" : words)) {
            standing.ifPresent(s -> store.event(
                    account,
                    id,
                    second,
                    "deviation",
                    "",
                    Deviation.of(s)
                            .data(second / 60 - row.frozen().orElseThrow().minutes())));
            controller.stop(id);
            store.event(account, id, second, "ended", words, Map.of());
        }
    }

    private void fill(Account account, FiringStore.Row row, Model model) {
        Runs.Standing standing = runs.standing(row);
        model.addAttribute("id", row.id());
        model.addAttribute("name", row.name());
        model.addAttribute("running", row.running());
        model.addAttribute("endedAs", row.endedAs());
        model.addAttribute("page", RunPage.of(row, standing, store.events(row.id()), account));
        model.addAttribute("clock", Show.weekday(clock.instant().atZone(account.zoneId())));
        model.addAttribute("kilnName", row.frozen().orElseThrow().kiln());
        model.addAttribute("startedAt", Show.dayAndClock(row.startedAt().atZone(account.zoneId())));
        model.addAttribute("stream", LoadPage.stations(row.id(), row.state(), "run", java.util.Optional.empty()));
        model.addAttribute(
                "faults",
                java.util.Arrays.stream(SimulatedController.Trouble.values())
                        .map(t -> new FaultView(
                                t.key(), t.label(), standing.status().trouble().equals(t.label())))
                        .toList());
    }
}
