package kilnryu.app.mixing;

import jakarta.servlet.http.HttpServletResponse;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.PlanRecord;
import kilnryu.app.plan.PlanVerdict;
import kilnryu.app.plan.Plans;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Verdict;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.flask.MixSession;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.annotation.AuthenticationPrincipal;
import org.springframework.stereotype.Controller;
import org.springframework.ui.Model;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestParam;

/** The page on which several molds of one investment are grouped into bowls, and their mixing begun. */
@Controller
class SessionController {
    private static final Range POUR = new Range(Measure.MINUTE, 0.1, 30);
    /** Molds that are offered at first, and by how many more at a time. */
    private static final int OFFERED = 20;

    private static final int MOST_OFFERED = 200;
    private static final int ENOUGH = 5;
    private static final int MOST_TICKED = 200;

    private final Plans plans;
    private final MixStore mixes;
    private final EquipmentStore equipment;
    private final Clock clock;

    SessionController(Plans plans, MixStore mixes, EquipmentStore equipment, Clock clock) {
        this.plans = plans;
        this.mixes = mixes;
        this.equipment = equipment;
        this.clock = clock;
    }

    /** A mold that can be filled, and whether it is taken. */
    public record Ready(long id, String name, String mold, String mix, boolean taken, String why) {}

    /** A bowl of the session as the page shows it. */
    public record Bowl(
            int number,
            String bowl,
            String molds,
            FigureView powder,
            FigureView water,
            String ends,
            boolean late,
            String limit) {}

    /** A mold with what it is filled with. */
    private record Filled(Plans.Saved saved, String mix, MixSession.Mold mold) {}

    @GetMapping("/mixing")
    String show(
            @AuthenticationPrincipal Account account,
            @RequestParam(required = false) Set<Long> tree,
            @RequestParam(defaultValue = "") String pour_min,
            @RequestParam(defaultValue = "") String most,
            Model model) {
        Set<Long> ticked = tree == null ? Set.of() : tree;
        return page(account, fillable(account, ticked, offered(most), model), ticked, pour_min, model);
    }

    @PostMapping("/mixing")
    String begin(
            @AuthenticationPrincipal Account account,
            @RequestParam(required = false) Set<Long> tree,
            @RequestParam(defaultValue = "") String pour_min,
            @RequestParam(defaultValue = "") String most,
            Model model,
            HttpServletResponse out) {
        Set<Long> taken = tree == null ? Set.of() : tree;
        List<Filled> all = fillable(account, taken, offered(most), model);
        List<Filled> chosen = chosen(all, taken);
        Optional<MixSession> session = session(account, chosen, pour_min);
        List<String> against = new ArrayList<>(blocked(chosen));
        session.ifPresent(s -> s.findings().stops().forEach(f -> against.add(Spoken.in(f.message(), account.units()))));
        if (session.isEmpty() || !against.isEmpty()) {
            out.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("refused", against.isEmpty() ? List.of("Choose the molds first.") : against);
            return page(account, all, taken, pour_min, model);
        }
        Plan first = chosen.get(0).saved.plan();
        MixSchool school = first.moldExtras().school();
        Map<Long, WorkRecord> frozen = new LinkedHashMap<>();
        chosen.forEach(c -> frozen.put(
                c.saved.row().id(),
                Records.of(
                        Records.MIXING,
                        c.saved.row().name(),
                        List.of(PlanRecord.of(c.saved.row().id(), c.saved.plan())),
                        null)));
        OptionalLong id = mixes.beginSession(
                account.studioId(),
                chosen.size() + " molds, " + chosen.get(0).mix,
                frozen,
                MixSteps.of(
                        session.get(),
                        school,
                        account.units(),
                        workshop(account).scaleMost()),
                working(chosen));
        if (id.isEmpty()) {
            out.setStatus(HttpStatus.CONFLICT.value());
            model.addAttribute("refused", List.of("One of these molds is being mixed already."));
            return page(account, all, taken, pour_min, model);
        }
        return "redirect:/mixing/" + id.getAsLong() + "/bench";
    }

    /** Stops of the plans that nobody overruled: a session starts work on all of them. */
    private List<String> blocked(List<Filled> chosen) {
        List<String> blocked = new ArrayList<>();
        for (Filled f : chosen) {
            f.saved
                    .plan()
                    .findings()
                    .blocking(mixes.overruled(f.saved.row().id()))
                    .forEach(finding -> blocked.add(f.mold.name() + ": " + finding.message()));
        }
        return blocked;
    }

    private EquipmentReader.Workshop workshop(Account account) {
        return EquipmentReader.workshop(equipment.of(account.studioId()).fields());
    }

    /** The shortest of the molds that share the bowls. */
    private static double working(List<Filled> chosen) {
        return chosen.stream()
                .mapToDouble(c -> MixSteps.working(c.saved.plan()))
                .min()
                .orElse(0);
    }

    private static Optional<Filled> filled(Plans.Saved saved) {
        String key = Long.toString(saved.row().id());
        String name = saved.row().name();
        Plan plan = saved.plan();
        if (plan.block().isPresent()) {
            var b = plan.block().get().backup();
            return Optional.of(new Filled(
                    saved,
                    b.mix(),
                    new MixSession.Mold(
                            key,
                            name,
                            b.powder().value(),
                            b.water().value(),
                            b.volume().value())));
        }
        return plan.flask()
                .map(f -> new Filled(
                        saved,
                        f.flask().system().label() + ", W/P "
                                + Show.exact(f.waterPer100().value()),
                        new MixSession.Mold(
                                key,
                                name,
                                f.powder().value(),
                                f.water().value(),
                                f.fill().value())));
    }

    /** The molds taken, all of the mix of the first. */
    private static List<Filled> chosen(List<Filled> all, Set<Long> taken) {
        List<Filled> chosen = new ArrayList<>();
        for (Filled f : all) {
            if (taken.contains(f.saved.row().id()) && (chosen.isEmpty() || f.mix.equals(chosen.get(0).mix))) {
                chosen.add(f);
            }
        }
        return chosen;
    }

    private static int offered(String most) {
        return most.matches("\\d{1,4}") ? Math.min(MOST_OFFERED, Math.max(OFFERED, Integer.parseInt(most))) : OFFERED;
    }

    /** Those that are still to be mixed, changed last first, and those that are ticked, however far they are. */
    private List<Filled> fillable(Account account, Set<Long> ticked, int most, Model model) {
        Plans.Unmixed unmixed = plans.unmixed(account, most);
        model.addAttribute("most", most);
        model.addAttribute("more", unmixed.more() && most < MOST_OFFERED ? most + OFFERED : 0);
        List<Plans.Saved> offered = new ArrayList<>(unmixed.molds());
        Set<Long> there = new LinkedHashSet<>();
        offered.forEach(s -> there.add(s.row().id()));
        offered.addAll(plans.find(
                account,
                ticked.stream()
                        .filter(id -> !there.contains(id))
                        .limit(MOST_TICKED)
                        .toList()));
        return offered.stream()
                .map(SessionController::filled)
                .flatMap(Optional::stream)
                .toList();
    }

    /** Ticked molds that this session leaves out, each with its reason: a session is never silently shorter. */
    private static List<String> leftOut(List<Filled> all, Set<Long> taken, List<Filled> chosen) {
        Map<Long, Filled> known = new LinkedHashMap<>();
        all.forEach(f -> known.put(f.saved.row().id(), f));
        Set<Long> in = new LinkedHashSet<>();
        chosen.forEach(f -> in.add(f.saved.row().id()));
        List<String> out = new ArrayList<>();
        for (long id : taken) {
            if (!known.containsKey(id)) {
                out.add("Mold " + id + " is left out: it has no mold that could be filled, or is gone.");
            } else if (!in.contains(id)) {
                Filled f = known.get(id);
                out.add(f.mold.name() + " is left out: " + f.mix + ", another mix than " + chosen.get(0).mix + ".");
            }
        }
        return out;
    }

    private Optional<MixSession> session(Account account, List<Filled> chosen, String pour) {
        EquipmentReader.Workshop workshop = workshop(account);
        if (chosen.isEmpty() || workshop.bowls().isEmpty()) {
            return Optional.empty();
        }
        Plan first = chosen.get(0).saved.plan();
        Factors factors = first.reading().factors();
        Fields fields = Fields.typed(Map.of("pour_min", pour), account.units());
        OptionalDouble minutes = fields.quantity("pour_min", POUR);
        return Optional.of(MixSession.of(
                chosen.stream().map(f -> f.mold).toList(),
                workshop.bowls(),
                new MixSession.Way(first.moldExtras().school(), working(chosen), minutes, workshop.places(), factors)));
    }

    private String page(Account account, List<Filled> all, Set<Long> taken, String pour, Model model) {
        List<Filled> chosen = chosen(all, taken);
        Set<Long> in = new LinkedHashSet<>();
        chosen.forEach(f -> in.add(f.saved.row().id()));
        List<Ready> ready = new ArrayList<>();
        Set<Long> mixed = mixes.openTrees(account.studioId());
        all.forEach(f -> ready.add(ready(f, in, taken, chosen, mixed)));
        Fields fields = Fields.typed(Map.of("pour_min", pour), account.units());
        fields.quantity("pour_min", POUR);
        model.addAttribute("form", new SheetForm(fields, Map.of("pour_min", pour), true));
        model.addAttribute("molds", ready);
        model.addAttribute("leftOut", leftOut(all, taken, chosen));
        model.addAttribute("noBowl", workshop(account).bowls().isEmpty());
        model.addAttribute("learned", learned(account));
        model.addAttribute("mine", running(account));
        session(account, chosen, fields.hasErrors() ? "" : pour).ifPresent(s -> {
            shown(account, s, model);
            model.addAttribute("verdict", verdict(account, s, chosen));
        });
        return "mixing/session";
    }

    private static Ready ready(Filled f, Set<Long> in, Set<Long> taken, List<Filled> chosen, Set<Long> mixed) {
        long id = f.saved.row().id();
        boolean other = taken.contains(id) && !in.contains(id);
        String why = other ? "another mix than " + chosen.get(0).mix : mixed.contains(id) ? "is being mixed" : "";
        String mold = f.saved.plan().block().isPresent()
                ? "block, its backup"
                : f.saved.plan().moldExtras().flaskName().isEmpty()
                        ? "flask"
                        : f.saved.plan().moldExtras().flaskName();
        return new Ready(id, f.mold.name(), mold, f.mix, in.contains(id), why);
    }

    /** What the log says of pouring, when it says enough. */
    private String learned(Account account) {
        List<Double> pours = mixes.pours(account.studioId()).stream().sorted().toList();
        return pours.size() < ENOUGH
                ? ""
                : String.format(
                        java.util.Locale.ROOT,
                        "%.1f min, the middle of %d pours in the log",
                        pours.get(pours.size() / 2),
                        pours.size());
    }

    /** A session that runs, or ran. */
    public record Running(long id, String title, String status, boolean open) {}

    private List<Running> running(Account account) {
        return mixes.sessions(account.studioId()).stream()
                .map(m -> new Running(
                        m.id(),
                        m.title(),
                        m.endedAt() == null
                                ? "step " + (m.step() + 1) + " of " + m.steps().size() + ": "
                                        + m.now().title()
                                : (m.givenUp() ? "given up " : "done ")
                                        + Show.dayAndClock(m.endedAt().atZone(account.zoneId())),
                        m.endedAt() == null))
                .toList();
    }

    /** Of the session, and of each mold by itself. */
    private static Verdict verdict(Account account, MixSession session, List<Filled> chosen) {
        List<Finding> found = new ArrayList<>(session.findings().all());
        List<String> missing = new ArrayList<>();
        for (Filled f : chosen) {
            PlanVerdict.own(f.mold.name(), f.saved.plan()).ifPresent(found::add);
            PlanVerdict.unjudged(f.mold.name(), f.saved.plan()).ifPresent(missing::add);
        }
        return Verdict.over(found, missing, account.units(), List.of());
    }

    private void shown(Account account, MixSession session, Model model) {
        FigureView.Maker views = new FigureView.Maker(account.units(), false);
        List<Bowl> bowls = new ArrayList<>();
        for (MixSession.Batch b : session.batches()) {
            bowls.add(new Bowl(
                    bowls.size() + 1,
                    (b.bowls() > 1 ? b.bowls() + " × " : "") + b.bowl().name(),
                    String.join(
                            ", ", b.molds().stream().map(MixSession.Mold::name).toList()),
                    views.of(b.powder()),
                    views.of(b.water()),
                    Show.value(Math.max(0, -b.late()), Measure.MINUTE, account.units(), false) + " before gloss-off",
                    b.late() > 1e-9,
                    b.limit()));
        }
        model.addAttribute("bowls", bowls);
        model.addAttribute("powder", views.of(session.powder()));
        model.addAttribute("water", views.of(session.water()));
        model.addAttribute(
                "proof",
                bowls.size() == session.least()
                        ? "No grouping needs fewer."
                        : "Volume and time alone would allow " + session.least() + ".");
        model.addAttribute("line", SessionDrawing.of(session));
        model.addAttribute(
                "findings",
                session.findings().all().stream()
                        .map(f -> FindingView.of(f, views, 0))
                        .toList());
        model.addAttribute("stops", !session.findings().stops().isEmpty());
        model.addAttribute("verdict", Verdict.over(session.findings().all(), List.of(), account.units(), List.of()));
        double all = session.batches().get(session.batches().size() - 1).ends();
        model.addAttribute("whole", Show.length(java.time.Duration.ofSeconds(Math.round(all * 60))));
        model.addAttribute("asOf", Show.clock(clock.instant().atZone(account.zoneId())));
    }
}
