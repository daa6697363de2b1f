package kilnryu.app.pour;

import jakarta.servlet.http.HttpServletRequest;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import java.util.UUID;
import kilnryu.app.account.Account;
import kilnryu.app.device.Gauge;
import kilnryu.app.device.MeltFurnace;
import kilnryu.app.device.Pyrometer;
import kilnryu.app.device.SimulatedFurnace;
import kilnryu.app.device.SimulatedGauge;
import kilnryu.app.record.Poured;
import kilnryu.app.record.Records;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Late;
import kilnryu.app.web.OneLine;
import kilnryu.app.web.Show;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Alloy;
import kilnryu.core.pour.GoNoGo;
import kilnryu.core.pour.Outside;
import kilnryu.core.quantity.Measure;
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
import org.springframework.web.server.ResponseStatusException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import org.springframework.web.servlet.mvc.support.RedirectAttributes;

/** The pour day: one big screen and several phones on the same pour, few large buttons, every tap kept once. */
@Controller
public class DayController {
    private static final Range KPA = new Range(Measure.KILOPASCAL, 0, 105);
    private static final Set<String> KINDS = Set.of(
            "tick",
            "untick",
            "place",
            "potout",
            "potback",
            "gauge",
            "metal",
            "dip",
            "standin",
            "rest",
            "note",
            "clean",
            "fired",
            "overrule",
            "out",
            "start",
            "hesitated",
            "full",
            "short",
            "leaks",
            "leaked",
            "novacuum",
            "gravity",
            "putback",
            "undo");

    private final PourStore store;
    private final PourPages pages;
    private final PourTaps taps;
    private final CastMolds molds;
    private final PourWatchers watchers;
    private final Devices devices;
    private final Clock clock;

    DayController(
            PourStore store,
            PourPages pages,
            PourTaps taps,
            CastMolds molds,
            PourWatchers watchers,
            Devices devices,
            Clock clock) {
        this.store = store;
        this.pages = pages;
        this.taps = taps;
        this.molds = molds;
        this.watchers = watchers;
        this.devices = devices;
        this.clock = clock;
    }

    /** What stands at a pour. */
    @org.springframework.stereotype.Component
    record Devices(Gauge gauge, SimulatedGauge standInGauge, MeltFurnace furnace, Pyrometer pyrometer) {}

    /** A fault of the stand-in furnace. */
    public record Fault(String key, String label) {}

    @GetMapping("/pours/{id:\\d+}/day")
    String show(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        PourStore.Row row = pages.found(account, id);
        if (row.planned()) {
            return threshold(account, row, model);
        }
        return fill(account, row, model) ? "pour/day" : "pour/kept";
    }

    @GetMapping("/pours/{id:\\d+}/day/live")
    String live(@AuthenticationPrincipal Account account, @PathVariable long id, Model model) {
        if (!fill(account, pages.found(account, id), model)) {
            throw new ResponseStatusException(HttpStatus.CONFLICT);
        }
        return "pour/day :: inside";
    }

    @GetMapping("/pours/{id:\\d+}/events")
    SseEmitter events(@AuthenticationPrincipal Account account, @PathVariable long id) {
        pages.found(account, id);
        return watchers.watch(id);
    }

    private String threshold(Account account, PourStore.Row row, Model model) {
        PourSheet sheet = pages.saved(account, row);
        pages.frame(account, sheet, "day", false, model);
        List<Finding> stops = stops(sheet);
        model.addAttribute("safety", stops.stream().filter(Finding::safety).toList());
        model.addAttribute("stops", stops.stream().filter(f -> !f.safety()).toList());
        model.addAttribute("can", sheet.plan().isPresent() && sheet.charge().isPresent());
        model.addAttribute("weighed", !sheet.weighed().isEmpty());
        model.addAttribute("steps", sheet.countdown().steps());
        return "pour/begin";
    }

    private static List<Finding> stops(PourSheet sheet) {
        Map<String, Finding> stops = new LinkedHashMap<>();
        sheet.findings().stops().forEach(f -> stops.putIfAbsent(f.id(), f));
        return List.copyOf(stops.values());
    }

    /** Freezes the plan. */
    @PostMapping("/pours/{id:\\d+}/begin")
    @Transactional
    public String begin(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            RedirectAttributes redirect) {
        PourStore.Row row = pages.found(account, id);
        if (!row.planned()) {
            return "redirect:/pours/" + id + "/day";
        }
        PourSheet sheet = pages.saved(account, row);
        Map<String, String> overruled = new LinkedHashMap<>();
        String fault = sheet.plan().isEmpty() || sheet.charge().isEmpty()
                ? "It cannot begin: "
                        + (sheet.missing().isEmpty() ? "the store gives no charge" : String.join("; ", sheet.missing()))
                        + "."
                : "";
        for (Finding f : stops(sheet)) {
            String why = OneLine.of(form.getOrDefault("reason[" + f.id() + "]", ""));
            if (f.safety()) {
                fault = "A safety stop stands: " + f.message() + " It cannot be overruled.";
            } else if (why.length() < 3 && fault.isEmpty()) {
                fault = "A stop stands: " + f.message() + " Mend it, or write why it is poured all the same.";
            } else {
                overruled.put(f.id(), why);
            }
        }
        if (!fault.isEmpty()) {
            redirect.addFlashAttribute("fault", fault);
            return "redirect:/pours/" + id + "/day";
        }
        if (!store.begin(
                row,
                Records.write(PourRecord.of(account, sheet, overruled)),
                sheet.crucibleRow().map(r -> OptionalLong.of(r.id())).orElse(OptionalLong.empty()))) {
            throw new Late(
                    "Nothing was begun: someone saved or began this pour while this page was open.",
                    "/pours/" + id + "/day");
        }
        return "redirect:/pours/" + id + "/day";
    }

    /** A tap: from the page's script with its key and its moment, or as a plain form. */
    @PostMapping(
            path = "/pours/{id:\\d+}/tap",
            produces = {MediaType.APPLICATION_JSON_VALUE, MediaType.TEXT_HTML_VALUE})
    Object tap(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam Map<String, String> form,
            HttpServletRequest request,
            RedirectAttributes redirect) {
        PourStore.Row row = pages.found(account, id);
        boolean script = request.getHeader("X-Tap") != null;
        PourTaps.Taken taken =
                row.planned() ? new PourTaps.Taken(false, "This pour has not begun.") : taken(account, row, form);
        if (script) {
            return ResponseEntity.status(taken.ok() ? 200 : 409)
                    .contentType(MediaType.APPLICATION_JSON)
                    .body(taken);
        }
        redirect.addFlashAttribute("word", taken.word());
        return "redirect:/pours/" + id + "/day";
    }

    private PourTaps.Taken taken(Account account, PourStore.Row row, Map<String, String> form) {
        String kind = form.getOrDefault("kind", "");
        String key = form.getOrDefault("key", "").isBlank() ? UUID.randomUUID().toString() : form.get("key");
        if (!KINDS.contains(kind) || key.length() > 64) {
            return new PourTaps.Taken(false, "There is no such tap.");
        }
        Map<String, String> fields = new HashMap<>();
        String wrong = fields(account, row, kind, form, fields);
        if (!wrong.isEmpty()) {
            return new PourTaps.Taken(false, wrong);
        }
        String tree = form.getOrDefault("tree", "");
        Long of = tree.matches("\\d{1,18}") ? Long.valueOf(tree) : null;
        if (of != null && !store.molds(row.id()).contains(of)) {
            return new PourTaps.Taken(false, "That mold is not in this pour.");
        }
        return taps.take(account, row, new PourStore.Tap(key, of, kind, fields, moment(form)));
    }

    /** By how long ago the page says it was tapped: its clock may be off, the time between is not. */
    private Instant moment(Map<String, String> form) {
        String ago = form.getOrDefault("ago", "0");
        long ms = ago.matches("\\d{1,10}") ? Long.parseLong(ago) : 0;
        return clock.instant().minusMillis(ms);
    }

    /** What belongs to a tap. @return what is wrong with it, empty where nothing is */
    private String fields(
            Account account, PourStore.Row row, String kind, Map<String, String> form, Map<String, String> out) {
        String value = OneLine.of(form.getOrDefault("value", ""));
        switch (kind) {
            case "tick", "untick" -> out.put("step", value);
            case "place" -> {
                out.put("place", PourCourse.PLACES.contains(form.get("place")) ? form.get("place") : "");
                out.put("who", value.isEmpty() ? account.shownName() : value);
            }
            case "overrule" -> out.put("why", value);
            case "undo" -> out.put("saw", OneLine.of(form.getOrDefault("saw", "")));
            case "note" -> out.put("text", value);
            case "standin" -> out.put("what", value);
            case "gauge" -> {
                return gauge(account, value, out);
            }
            case "metal" -> {
                return metal(account, row, value, form.getOrDefault("how", "pyrometer"), out);
            }
            case "rest" -> {
                out.put("saw", OneLine.of(form.getOrDefault("saw", "")));
                return rest(account, value, out);
            }
            default -> {
                // the tap says it all
            }
        }
        return "";
    }

    private String gauge(Account account, String value, Map<String, String> out) {
        Fields typed = Fields.typed(Map.of("v", value), account.units());
        OptionalDouble kPa =
                value.isBlank() ? OptionalDouble.of(devices.gauge.read(account.studioId())) : typed.quantity("v", KPA);
        kPa.ifPresent(k -> out.put("kPa", Show.exact(Math.round(k))));
        return typed.errors().getOrDefault("v", "");
    }

    private static String rest(Account account, String value, Map<String, String> out) {
        Fields typed = Fields.typed(Map.of("v", value), account.units());
        OptionalDouble grams = typed.required("v", Range.MASS);
        grams.ifPresent(g -> out.put("grams", Show.exact(g)));
        return typed.errors().getOrDefault("v", "");
    }

    /** Typed, by eye, or what the stand-in pyrometer shows now. */
    private String metal(Account account, PourStore.Row row, String value, String how, Map<String, String> out) {
        boolean eye = how.equals("by eye");
        out.put("how", eye ? "by eye" : value.isBlank() ? "stand-in pyrometer" : "pyrometer");
        if (value.isBlank()) {
            List<PourStore.Event> events = store.events(row.id());
            PourCourse course =
                    PourTaps.course(row, events).orElseThrow(() -> new ResponseStatusException(HttpStatus.CONFLICT));
            Pyrometer.Reading shown = pyrometer(course, events);
            out.put("celsius", Show.exact(Math.round(shown.celsius())));
            return shown.steady() ? "" : "It has not come to rest: hold it in for ten seconds.";
        }
        Fields typed = Fields.typed(Map.of("v", value), account.units());
        OptionalDouble c = typed.quantity("v", Range.METAL_TEMPERATURE);
        c.ifPresent(x -> out.put("celsius", Show.exact(x)));
        return typed.errors().getOrDefault("v", "");
    }

    private Pyrometer.Reading pyrometer(PourCourse course, List<PourStore.Event> events) {
        Instant now = clock.instant();
        Instant dipped = events.stream()
                .filter(e -> e.kind().equals("dip"))
                .reduce((a, b) -> b)
                .map(PourStore.Event::tappedAt)
                .orElse(now.minusSeconds(60));
        boolean wrong = count(events, "wrong-glow") % 2 == 1;
        double metal = course.potIsOut()
                ? course.metalAt(now).orElse(20)
                : devices.furnace
                        .read(melt(course.plan()), changes(events), now)
                        .celsius()
                        .orElse(20);
        return devices.pyrometer.read(metal, dipped, now, wrong);
    }

    private static long count(List<PourStore.Event> events, String what) {
        return events.stream()
                .filter(e ->
                        e.kind().equals("standin") && what.equals(e.fields().get("what")))
                .count();
    }

    private static MeltFurnace.Melt melt(Poured plan) {
        Alloy.Melting m = Alloy.named(plan.alloy()).orElseThrow().melting();
        return new MeltFurnace.Melt(
                plan.meltMin(),
                m.solidus(),
                m.liquidus(),
                plan.tapC(),
                m.cpSolid() / 1000,
                m.latent(),
                m.cpLiquid() / 1000);
    }

    /** On with the tick of its step; what the stand-in was told besides. */
    private static List<MeltFurnace.Change> changes(List<PourStore.Event> events) {
        List<MeltFurnace.Change> all = new ArrayList<>();
        for (PourStore.Event e : events) {
            if (e.kind().equals("tick") && "melt-on".equals(e.fields().get("step"))) {
                all.add(new MeltFurnace.Change(e.tappedAt(), "on"));
            } else if (e.kind().equals("standin")
                    && !"wrong-glow".equals(e.fields().get("what"))) {
                all.add(new MeltFurnace.Change(e.tappedAt(), e.fields().getOrDefault("what", "")));
            }
        }
        return all;
    }

    /** The buttons of the stand-in gauge. */
    @PostMapping("/pours/{id:\\d+}/device")
    String press(@AuthenticationPrincipal Account account, @PathVariable long id, @RequestParam String button) {
        pages.found(account, id);
        switch (button) {
            case "pump" -> devices.standInGauge.press(account.studioId(), SimulatedGauge.Button.PUMP);
            case "gasket" -> devices.standInGauge.press(account.studioId(), SimulatedGauge.Button.GASKET);
            case "leak" -> devices.standInGauge.press(account.studioId(), SimulatedGauge.Button.LEAK);
            default -> throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        return "redirect:/pours/" + id + "/day#stand-ins";
    }

    @PostMapping("/pours/{id:\\d+}/end")
    String end(@AuthenticationPrincipal Account account, @PathVariable long id) {
        pages.found(account, id);
        if (!store.end(id)) {
            throw new Late("It has ended already, or never began.", "/pours/" + id + "/day");
        }
        return "redirect:/pours/" + id + "/day";
    }

    /** @return false where what was frozen cannot be read, which is said instead */
    private boolean fill(Account account, PourStore.Row row, Model model) {
        Instant now = clock.instant();
        List<PourStore.Event> events = store.events(row.id());
        model.addAttribute("id", row.id());
        model.addAttribute("name", row.name());
        Optional<PourCourse> read = PourTaps.course(row, events);
        if (read.isEmpty()) {
            model.addAttribute("why", PourTaps.unreadable(row));
            model.addAttribute("taps", events.size());
            return false;
        }
        PourCourse course = read.get();
        Map<Long, kilnryu.core.pour.PourMold> live = new HashMap<>();
        molds.of(account, store.molds(row.id()), true)
                .forEach(m ->
                        molds.toPour(account.studioId(), m, Outside.air(20), 0).ifPresent(p -> live.put(m.id(), p)));
        DayPage page = DayPage.of(new DayPage.From(account, row, course, events, now), new DayPage.Sight() {
            @Override
            public GoNoGo judged(PourCourse.Cast cast) {
                return taps.judged(account, course, cast, events);
            }

            @Override
            public OptionalDouble margin(PourCourse.Cast cast, double metalC, double moldC) {
                return live.containsKey(cast.plan().tree())
                        ? live.get(cast.plan().tree()).margin().of(metalC, moldC)
                        : OptionalDouble.empty();
            }
        });
        model.addAttribute("running", row.running());
        model.addAttribute("page", page);
        model.addAttribute(
                "alloy", Alloy.named(course.plan().alloy()).map(Alloy::label).orElse(""));
        model.addAttribute("clock", clock(now, account));
        devices(account, course, events, now, model);
        model.addAttribute("after", PourAfter.of(course, account.units()));
        return true;
    }

    /** What furnace, pyrometer and gauge show. */
    private void devices(Account account, PourCourse course, List<PourStore.Event> events, Instant now, Model model) {
        MeltFurnace.Reading furnace = devices.furnace.read(melt(course.plan()), changes(events), now);
        model.addAttribute(
                "furnace",
                furnace.celsius().isPresent()
                        ? Show.value(furnace.celsius().getAsDouble(), Measure.DEGREE_CELSIUS, account.units(), false)
                                .toString()
                        : "no signal");
        model.addAttribute("furnaceSays", furnace.says());
        model.addAttribute(
                "furnaceCurve",
                FurnaceDrawing.of(
                        devices.furnace.course(melt(course.plan()), changes(events), now, 60),
                        course.plan().tapC(),
                        account.units()));
        Pyrometer.Reading dip = pyrometer(course, events);
        model.addAttribute(
                "pyrometer",
                Show.value(dip.celsius(), Measure.DEGREE_CELSIUS, account.units(), false)
                        + (dip.steady() ? "" : ", still rising"));
        model.addAttribute("gaugeNow", Math.round(devices.gauge.read(account.studioId())) + " kPa");
        model.addAttribute("gaugeSays", devices.standInGauge.says(account.studioId()));
        model.addAttribute("speeds", SimulatedFurnace.SPEEDS);
        model.addAttribute(
                "faults",
                java.util.Arrays.stream(SimulatedFurnace.Fault.values())
                        .map(f -> new Fault(f.key(), f.label()))
                        .toList());
    }

    private static String clock(Instant at, Account account) {
        var t = at.atZone(account.zoneId());
        return String.format(java.util.Locale.ROOT, "%02d:%02d:%02d", t.getHour(), t.getMinute(), t.getSecond());
    }
}
