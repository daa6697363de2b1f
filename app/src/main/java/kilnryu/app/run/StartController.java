package kilnryu.app.run;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.device.KilnController;
import kilnryu.app.load.LoadPlan;
import kilnryu.app.load.LoadReader;
import kilnryu.app.plan.PlanRecord;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The start of a firing: ticks at the open kiln, stops resolved or overruled with a reason, then the plan freezes. */
@Controller
public class StartController {
    private static final int LONGEST_REASON = 300;
    /** Sooner than this before the planned hour is asked about. */
    private static final Duration SOONEST = Duration.ofHours(3);

    private final Firings firings;
    private final FiringStore store;
    private final LoadReader reader;
    private final KilnController controller;
    private final Clock clock;

    StartController(Firings firings, FiringStore store, LoadReader reader, KilnController controller, Clock clock) {
        this.firings = firings;
        this.store = store;
        this.reader = reader;
        this.controller = controller;
        this.clock = clock;
    }

    /** Stops, one of each kind; those of safety cannot be overruled. */
    public static List<Finding> blocking(LoadPlan plan) {
        Map<String, Finding> stops = new LinkedHashMap<>();
        plan.findings().stops().forEach(f -> stops.putIfAbsent(f.id(), f));
        return List.copyOf(stops.values());
    }

    /** How much sooner than planned it would start, in words; empty within a few hours of it. */
    public static String early(LoadPlan plan, Instant now) {
        return plan.clock()
                .map(c -> Duration.between(now, c.at(0).toInstant()))
                .filter(d -> d.compareTo(SOONEST) > 0)
                .map(d -> "It starts " + Show.length(d) + " sooner than planned, and is through as much sooner.")
                .orElse("");
    }

    /** Whether someone has to stay with it. */
    public static boolean unknown(LoadPlan plan) {
        Findings f = plan.findings();
        return f.has("unknown-material");
    }

    @PostMapping("/firings/{id:\\d+}/start")
    @Transactional
    public String start(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            RedirectAttributes redirect) {
        FiringStore.Row row = firings.found(account, id);
        if (!row.planned()) {
            return "redirect:/firings/" + id + "/run";
        }
        LoadPlan plan = reader.read(account, row.fields(), LoadReader.Way.USUAL);
        String fault = fault(plan, form);
        List<FiringStore.Unready> unready = store.unready(id);
        String early = early(plan, clock.instant());
        if (fault.isEmpty() && (!unready.isEmpty() || !early.isEmpty()) && !form.containsKey("even_so")) {
            fault = "Not everything is ready: look at what stands beside the button, then tick that it starts even so.";
        }
        if (!fault.isEmpty()) {
            redirect.addFlashAttribute("fault", fault);
            return "redirect:/firings/" + id + "#start";
        }
        Map<String, String> overruled = new LinkedHashMap<>();
        blocking(plan).forEach(f -> overruled.put(f.id(), reason(form, f)));
        Frozen frozen = Frozen.of(plan, overruled);
        unready.forEach(u -> overruled.put("not ready: " + u.name(), u.how()));
        if (!early.isEmpty()) {
            overruled.put("early", early);
        }
        Instant now = clock.instant();
        if (store.start(row, record(row.name(), plan, frozen), Hours.started(frozen, now), now)) {
            controller.start(id, frozen.job(), now);
            store.event(account, id, 0, "started", "kiln", Map.of("kiln", frozen.kiln()));
            plan.stands()
                    .forEach(s -> store.event(
                            account,
                            id,
                            0,
                            "loaded",
                            s.name(),
                            Map.of("stood", "cup down, as drawn", "mark", s.mark())));
            overruled.forEach((stop, why) -> store.event(account, id, 0, "overruled", stop, Map.of("why", why)));
        } else {
            throw new Late(
                    "Nothing was started: someone saved or started this firing while this page was open. Look at it, then start.",
                    "/firings/" + id);
        }
        return "redirect:/firings/" + id + "/run";
    }

    /** All of it, with every tree's plan as it was shown. */
    static WorkRecord record(String name, LoadPlan plan, Frozen frozen) {
        return Records.of(
                Records.FIRING,
                name,
                plan.stands().stream()
                        .map(s -> PlanRecord.of(s.tree(), s.saved().plan()))
                        .toList(),
                frozen.course());
    }

    private static String reason(Map<String, String> form, Finding stop) {
        String words = form.getOrDefault("reason[" + stop.id() + "]", "")
                .replaceAll("\\p{Cntrl}", " ")
                .strip();
        return words.length() > LONGEST_REASON ? words.substring(0, LONGEST_REASON) : words;
    }

    /** What still stands in the way, empty when nothing does. */
    private static String fault(LoadPlan plan, Map<String, String> form) {
        if (plan.program().isEmpty()
                || plan.segments().isEmpty()
                || plan.fields().hasErrors()) {
            return "There is no program that could be started.";
        }
        if (!form.containsKey("ready")) {
            return "Tick that the load stands as drawn, with tray and hood.";
        }
        if (unknown(plan) && !form.containsKey("attended")) {
            return "An unknown material is in the load: tick that someone stays with its first firing.";
        }
        for (Finding stop : blocking(plan)) {
            if (stop.safety()) {
                return "A safety stop stands: " + stop.message() + " It cannot be overruled.";
            }
            if (reason(form, stop).isEmpty()) {
                return "A stop stands: " + stop.message() + " Mend it, or write why it is overruled.";
            }
        }
        return "";
    }
}
