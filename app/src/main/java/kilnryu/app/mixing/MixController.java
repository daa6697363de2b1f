package kilnryu.app.mixing;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.device.Gauge;
import kilnryu.app.device.Scale;
import kilnryu.app.device.SimulatedGauge;
import kilnryu.app.device.SimulatedScale;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.mixing.MixStore.Mix;
import kilnryu.app.mold.WayUp;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.PlanPage;
import kilnryu.app.plan.PlanRecord;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Stage;
import kilnryu.app.record.Records;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Late;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.UnitGuard;
import kilnryu.core.quantity.Measure;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.util.MultiValueMap;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.server.ResponseStatusException;

/**
 * The bench view of a mixing: one step at a time, large, for a tablet and one clean finger. A mixing belongs to one tree
 * or is a session of several molds; both are worked through here.
 */
@Controller
class MixController {
    private static final int LONGEST_NOTE = 500;
    private static final double TOLERANCE = 0.02;
    private static final double GOOD_VACUUM = 90;
    private static final Range KILOPASCAL = new Range(Measure.KILOPASCAL, 0, 102);

    private final Plans plans;
    private final MixStore mixes;
    private final EquipmentStore equipment;
    private final Scale scale;
    private final SimulatedScale standInScale;
    private final Gauge gauge;
    private final SimulatedGauge standInGauge;
    private final Drying drying;
    private final Clock clock;

    MixController(
            Plans plans,
            MixStore mixes,
            EquipmentStore equipment,
            SimulatedScale scale,
            SimulatedGauge gauge,
            Drying drying,
            Clock clock) {
        this.plans = plans;
        this.mixes = mixes;
        this.equipment = equipment;
        this.scale = scale;
        this.standInScale = scale;
        this.gauge = gauge;
        this.standInGauge = gauge;
        this.drying = drying;
        this.clock = clock;
    }

    /** A clock on the page: it ends at an instant on the server; the text is what it shows when the page is made. */
    public record Countdown(String label, Instant ends, Instant now, String text, boolean over) {}

    /** Where a mixing is worked: its address, its name, the way back, and how it stands. */
    private record Place(String base, String name, String back, Optional<Mix> mix) {
        String address() {
            return "redirect:" + base + "/bench";
        }
    }

    private Place place(Account account, String of, long id) {
        if (of.equals("trees")) {
            Plans.Saved saved = plans.find(account, id);
            return new Place("/trees/" + id, saved.row().name(), "/trees/" + id + "/mold", mixes.open(id));
        }
        Mix mix = mixes.session(account.studioId(), id).orElseThrow(MixController::unknown);
        return new Place(
                "/mixing/" + id, mix.title(), "/mixing", Optional.of(mix).filter(m -> m.endedAt() == null));
    }

    private static ResponseStatusException unknown() {
        return new ResponseStatusException(HttpStatus.NOT_FOUND);
    }

    @GetMapping("/{of:trees|mixing}/{id}/bench")
    String show(@AuthenticationPrincipal Account account, @PathVariable String of, @PathVariable long id, Model model) {
        Place place = place(account, of, id);
        if (place.mix.isPresent()) {
            return step(account, place, place.mix.get(), Map.of(), model);
        }
        return of.equals("trees") ? threshold(account, plans.find(account, id), model) : "redirect:/mixing";
    }

    @PostMapping("/trees/{id}/bench/start")
    String start(
            @AuthenticationPrincipal Account account, @PathVariable long id, Model model, HttpServletResponse out) {
        Plans.Saved saved = plans.find(account, id);
        Plan plan = saved.plan();
        if (!ready(plan) || !blocking(saved).isEmpty()) {
            out.setStatus(HttpStatus.CONFLICT.value());
            return threshold(account, saved, model);
        }
        OptionalDouble most = EquipmentReader.workshop(
                        equipment.of(account.studioId()).fields())
                .scaleMost();
        mixes.begin(
                id,
                account.studioId(),
                Records.of(Records.MIXING, saved.row().name(), List.of(PlanRecord.of(id, plan)), null),
                MixSteps.of(plan, account.units(), most),
                MixSteps.working(plan));
        return "redirect:/trees/" + id + "/bench";
    }

    private static boolean ready(Plan plan) {
        return plan.flask().isPresent() || plan.block().isPresent();
    }

    @PostMapping("/trees/{id}/bench/overrule")
    String overrule(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam String finding,
            @RequestParam String reason,
            Model model,
            HttpServletResponse out) {
        Plans.Saved saved = plans.find(account, id);
        Optional<Finding> stop =
                blocking(saved).stream().filter(f -> f.id().equals(finding)).findFirst();
        String why = reason.strip();
        if (stop.isEmpty() || stop.get().safety() || why.length() < 3 || why.length() > LONGEST_NOTE) {
            out.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute(
                    "overruleError",
                    stop.map(Finding::safety).orElse(false)
                            ? "A safety stop cannot be overruled by anyone."
                            : "Write the reason, 3 to " + LONGEST_NOTE + " letters.");
            model.addAttribute("overruleTyped", why.length() > LONGEST_NOTE ? why.substring(0, LONGEST_NOTE) : why);
            return threshold(account, saved, model);
        }
        mixes.overrule(id, finding, why, account.id());
        return "redirect:/trees/" + id + "/bench";
    }

    @PostMapping("/{of:trees|mixing}/{id}/bench/next")
    String next(
            @AuthenticationPrincipal Account account,
            @PathVariable String of,
            @PathVariable long id,
            @RequestParam int step,
            @RequestParam(defaultValue = "") String reading,
            @RequestParam(defaultValue = "false") boolean device,
            @RequestParam(defaultValue = "false") boolean sure,
            Model model,
            HttpServletResponse out) {
        Place place = place(account, of, id);
        Mix mix = place.mix.filter(m -> m.step() == step).orElseThrow(() -> late(place));
        Map<String, String> remarks = new LinkedHashMap<>();
        // Enter in the field presses the first button: what is typed goes before what the device shows
        String typed = device && reading.isBlank() ? shown(account, mix) : reading;
        OptionalDouble read = mix.now().kind() == MixSteps.Kind.VACUUM
                ? vacuum(account, typed, sure, remarks)
                : reading(account, mix, typed, sure, remarks);
        if (!remarks.isEmpty()) {
            out.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            remarks.put("typed", typed.length() > 60 ? typed.substring(0, 60) : typed);
            return step(account, place, mix, remarks, model);
        }
        if (!mixes.move(mix, step, step + 1, account.id(), read.isPresent() ? read.getAsDouble() : null)) {
            throw late(place(account, of, id));
        }
        return place.address();
    }

    /** Someone else was quicker at another tablet. */
    private static Late late(Place place) {
        String now = place.mix
                .map(m -> "this is step " + (m.step() + 1) + " of " + m.steps().size() + " now.")
                .orElse("this mixing is ended.");
        return new Late("Nothing was written, someone else was quicker: " + now, place.base + "/bench");
    }

    /** What the device of this step shows now: digits alone, as a scale sends them. */
    private String shown(Account account, Mix mix) {
        return mix.now().kind() == MixSteps.Kind.VACUUM
                ? Show.exact(Math.round(gauge.read(account.studioId())))
                : Show.exact(scale.read(account.studioId()).digits());
    }

    @PostMapping("/{of:trees|mixing}/{id}/bench/back")
    String back(
            @AuthenticationPrincipal Account account,
            @PathVariable String of,
            @PathVariable long id,
            @RequestParam int step) {
        Place place = place(account, of, id);
        Mix mix = place.mix.filter(m -> m.step() == step && step > 0).orElseThrow(() -> late(place));
        if (!mixes.move(mix, step, step - 1, account.id(), null)) {
            throw late(place(account, of, id));
        }
        return place.address();
    }

    /** The display of the scale or the gauge alone, asked for again and again. */
    @GetMapping("/{of:trees|mixing}/{id}/bench/display")
    String display(
            @AuthenticationPrincipal Account account, @PathVariable String of, @PathVariable long id, Model model) {
        Place place = place(account, of, id);
        place.mix.ifPresent(mix -> devices(account, place, mix, model));
        return "mixing/step :: display";
    }

    /** The buttons of the stand-ins. */
    @PostMapping("/{of:trees|mixing}/{id}/bench/device")
    String press(
            @AuthenticationPrincipal Account account,
            @PathVariable String of,
            @PathVariable long id,
            @RequestParam String button) {
        Place place = place(account, of, id);
        long studio = account.studioId();
        double planned = place.mix.map(this::planned).orElse(0.0);
        switch (button) {
            case "on" -> standInScale.load(studio, planned * 1.003);
            case "off" -> standInScale.load(studio, 0);
            case "tare" -> standInScale.tare(studio);
            case "unit" -> standInScale.nextUnit(studio);
            case "pump" -> standInGauge.press(studio, SimulatedGauge.Button.PUMP);
            case "gasket" -> standInGauge.press(studio, SimulatedGauge.Button.GASKET);
            case "leak" -> standInGauge.press(studio, SimulatedGauge.Button.LEAK);
            default -> throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        return place.address();
    }

    @GetMapping("/{of:trees|mixing}/{id}/bench/trouble")
    String trouble(
            @AuthenticationPrincipal Account account,
            @PathVariable String of,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String what,
            Model model) {
        Place place = place(account, of, id);
        if (place.mix.isEmpty()) {
            return place.address();
        }
        fill(account, place, place.mix.get(), model);
        model.addAttribute("troubles", Trouble.values());
        model.addAttribute("chosen", what);
        return "mixing/trouble";
    }

    @PostMapping("/{of:trees|mixing}/{id}/bench/trouble")
    String troubleNoted(
            @AuthenticationPrincipal Account account,
            @PathVariable String of,
            @PathVariable long id,
            @RequestParam String what,
            @RequestParam(defaultValue = "") String note,
            @RequestParam MultiValueMap<String, String> form,
            @RequestParam(defaultValue = "false") boolean giveUp) {
        Place place = place(account, of, id);
        Trouble trouble = List.of(Trouble.values()).stream()
                .filter(t -> t.name().equals(what))
                .findFirst()
                .orElseThrow(() -> new ResponseStatusException(HttpStatus.BAD_REQUEST));
        if (note.length() > LONGEST_NOTE) {
            throw new ResponseStatusException(HttpStatus.BAD_REQUEST);
        }
        place.mix.ifPresent(mix -> {
            List<String> tried = form.getOrDefault("tried", List.of());
            List<String> done =
                    trouble.remedies().stream().filter(tried::contains).toList();
            String looked = done.isEmpty() ? "" : " Looked at: " + String.join("; ", done) + ".";
            String words = (trouble.label() + ". " + note.strip() + looked).strip();
            if (!mixes.trouble(mix, words, account.id(), giveUp)) {
                throw late(place(account, of, id));
            }
        });
        return place.address();
    }

    private List<Finding> blocking(Plans.Saved saved) {
        return saved.plan().findings().blocking(mixes.overruled(saved.row().id()));
    }

    /** Grams of a weighing step, brought to the true ratio by what the other quantity came to. */
    private double planned(Mix mix) {
        double own = mix.now().grams();
        if (own == 0) {
            return 0;
        }
        Map<Integer, Double> readings = mixes.readings(mix);
        int other = mix.step() - 1;
        if (other < 0 || mix.steps().get(other).grams() == 0 || !readings.containsKey(other)) {
            return own;
        }
        return own * readings.get(other) / mix.steps().get(other).grams();
    }

    /** What the scale read, empty when nothing was typed; remarks when it has to be asked back. */
    private OptionalDouble reading(Account account, Mix mix, String typed, boolean sure, Map<String, String> remarks) {
        double planned = planned(mix);
        if (planned == 0 || typed.isBlank()) {
            return OptionalDouble.empty();
        }
        Fields fields = Fields.typed(Map.of("reading", typed), account.units());
        OptionalDouble grams = fields.quantity("reading", Range.MASS);
        if (grams.isEmpty()) {
            remarks.put("reading", fields.errors().get("reading"));
            return grams;
        }
        double off = (grams.getAsDouble() - planned) / planned;
        Optional<Measure> suspect = UnitGuard.suspect(grams.getAsDouble(), planned);
        if (!sure && suspect.isPresent()) {
            remarks.put(
                    "reading",
                    "Is the scale on " + suspect.get().symbol() + "? This is far from the plan in g, but fits it in "
                            + suspect.get().symbol() + ". Type the unit too.");
        } else if (!sure && Math.abs(off) > TOLERANCE) {
            remarks.put(
                    "reading",
                    String.format(
                            java.util.Locale.ROOT,
                            "That is %+.1f %% off the plan. Weigh again, or go on if you mean it: the other quantity follows.",
                            off * 100));
        }
        return grams;
    }

    /** What the gauge read; a low vacuum is asked back with what to look at. */
    private static OptionalDouble vacuum(Account account, String typed, boolean sure, Map<String, String> remarks) {
        if (typed.isBlank()) {
            if (!sure) {
                remarks.put("reading", "Type what the gauge reads, in kPa vacuum, or take it from the gauge.");
            }
            return OptionalDouble.empty();
        }
        Fields fields = Fields.typed(Map.of("reading", typed.replaceFirst("^[-−]", "")), account.units());
        OptionalDouble read = fields.quantity("reading", KILOPASCAL);
        if (read.isEmpty()) {
            remarks.put("reading", fields.errors().get("reading"));
        } else if (!sure && read.getAsDouble() < GOOD_VACUUM) {
            remarks.put(
                    "reading",
                    String.format(
                            java.util.Locale.ROOT,
                            "%.0f kPa draws few bubbles; %.0f and more is asked.",
                            read.getAsDouble(),
                            GOOD_VACUUM));
            remarks.put("low", "yes");
        }
        return read;
    }

    private String step(Account account, Place place, Mix mix, Map<String, String> remarks, Model model) {
        fill(account, place, mix, model);
        model.addAttribute("remarks", remarks);
        return "mixing/step";
    }

    private void fill(Account account, Place place, Mix mix, Model model) {
        Instant now = clock.instant();
        model.addAttribute("base", place.base);
        model.addAttribute("backTo", place.back);
        model.addAttribute("name", place.name);
        model.addAttribute("mix", mix);
        model.addAttribute("now", mix.now());
        devices(account, place, mix, model);
        model.addAttribute(
                "own",
                mix.now().seconds() == 0
                        ? null
                        : countdown(
                                "of this step",
                                mix.stepBeganAt().plusSeconds(mix.now().seconds()),
                                now));
        boolean working = mix.powderInAt() != null
                && List.of(MixSteps.Kind.MOVE, MixSteps.Kind.VACUUM, MixSteps.Kind.LEAVE)
                        .contains(mix.now().kind());
        model.addAttribute(
                "working",
                working
                        ? countdown(
                                "left until gloss-off",
                                mix.powderInAt().plusMillis(Math.round(mix.workingMinutes() * 60_000)),
                                now)
                        : null);
    }

    private void devices(Account account, Place place, Mix mix, Model model) {
        boolean vacuum = mix.now().kind() == MixSteps.Kind.VACUUM;
        double planned = planned(mix);
        model.addAttribute("base", place.base);
        model.addAttribute("planned", planned);
        if (planned > 0 && Math.abs(planned - mix.now().grams()) > 1e-9) {
            Show.Shown shown = Show.value(planned, Measure.GRAM, account.units(), false);
            model.addAttribute("corrected", shown);
        }
        String mark = mix.now().mark();
        model.addAttribute(
                "way", mark == null || mark.isEmpty() ? null : WayUp.way("the cup looks " + mark, mark.equals("up")));
        model.addAttribute("vacuum", vacuum);
        if (vacuum) {
            model.addAttribute("digits", "−" + Math.round(gauge.read(account.studioId())));
            model.addAttribute("unit", "kPa vacuum");
            model.addAttribute("standIn", standInGauge.says(account.studioId()));
        } else if (planned > 0) {
            Scale.Reading reading = scale.read(account.studioId());
            model.addAttribute("digits", String.format(java.util.Locale.ROOT, "%.1f", reading.digits() + 0.0));
            model.addAttribute("unit", reading.steady() ? "taken as g, steady" : "taken as g …");
            model.addAttribute("standIn", "its display says " + reading.unit().symbol());
        }
    }

    private static Countdown countdown(String label, Instant ends, Instant now) {
        Duration left = Duration.between(now, ends);
        boolean over = left.isNegative();
        long seconds = Math.max(0, left.toSeconds());
        String text = seconds >= 3600
                ? String.format(java.util.Locale.ROOT, "%d:%02d:%02d", seconds / 3600, seconds / 60 % 60, seconds % 60)
                : String.format(java.util.Locale.ROOT, "%d:%02d", seconds / 60, seconds % 60);
        return new Countdown(label, ends, now, text, over);
    }

    private String threshold(Account account, Plans.Saved saved, Model model) {
        var now = clock.instant().atZone(account.zoneId());
        model.addAttribute("id", saved.row().id());
        model.addAttribute("name", saved.row().name());
        model.addAttribute("ready", ready(saved.plan()));
        PlanPage page = PlanPage.of(saved.plan(), account.units(), now, java.util.Set.of());
        model.addAttribute("page", page);
        model.addAttribute(
                "blocking",
                blocking(saved).stream().map(f -> Spoken.in(f, account.units())).toList());
        mixes.last(saved.row().id()).ifPresent(last -> {
            model.addAttribute("last", last);
            model.addAttribute("record", mixes.frozen(last, saved.row().id()).orElse(null));
            model.addAttribute("changed", MixStation.changed(mixes, last, saved));
            model.addAttribute("lastAt", Show.dayAndClock(last.startedAt().atZone(account.zoneId())));
            model.addAttribute(
                    "events",
                    mixes.events(last).stream().map(e -> line(account, last, e)).toList());
            if (last.endedAt() != null && !last.givenUp()) {
                drying.show(account, saved, model);
            }
        });
        return "mixing/threshold";
    }

    private static Line line(Account account, Mix mix, MixStore.Event e) {
        MixSteps.Step step = mix.steps().get(e.step());
        Measure unit = step.kind() == MixSteps.Kind.VACUUM ? Measure.KILOPASCAL : Measure.GRAM;
        String planned = step.grams() > 0 && e.kind().equals("done")
                ? "planned " + Show.value(step.grams(), Measure.GRAM, account.units(), false)
                : "";
        return new Line(
                Show.weekday(e.at().atZone(account.zoneId())),
                step.title(),
                e.kind().equals("back") ? "went back" : e.kind(),
                e.reading() == null
                        ? ""
                        : Show.value(e.reading(), unit, account.units(), false).toString(),
                List.of(planned, e.note()).stream()
                        .filter(s -> !s.isEmpty())
                        .reduce("", (a, b) -> a.isEmpty() ? b : a + ". " + b));
    }

    /** A line of the record. */
    public record Line(String at, String step, String what, String reading, String note) {}

    /** The burnout starts from the water that the scale has shown, and not from a fresh mold's. */
    @PostMapping("/trees/{id}/bench/dry/use")
    String useDryness(@AuthenticationPrincipal Account account, @PathVariable long id) {
        Plans.Saved saved = plans.find(account, id);
        drying.share(saved)
                .ifPresent(share -> plans.put(
                        account, id, Stage.FIRING, Map.of("free_water_pct", Show.exact(Math.round(share)) + " %")));
        return "redirect:/trees/" + id + "/firing";
    }

    /** A mold weighed again, to see how dry it is. */
    @PostMapping("/trees/{id}/bench/dry")
    String dry(
            @AuthenticationPrincipal Account account,
            @PathVariable long id,
            @RequestParam(defaultValue = "") String mass,
            @RequestParam(defaultValue = "false") boolean filled,
            Model model,
            HttpServletResponse out) {
        Plans.Saved saved = plans.find(account, id);
        Fields fields = Fields.typed(Map.of("mass", mass), account.units());
        OptionalDouble grams = fields.required("mass", Range.MASS);
        if (grams.isEmpty()) {
            out.setStatus(HttpStatus.UNPROCESSABLE_CONTENT.value());
            model.addAttribute("dryError", fields.errors().get("mass"));
            model.addAttribute("dryTyped", mass.length() > 60 ? mass.substring(0, 60) : mass);
            return threshold(account, saved, model);
        }
        drying.keep(account, id, grams.getAsDouble(), filled);
        return "redirect:/trees/" + id + "/bench#dry";
    }
}
