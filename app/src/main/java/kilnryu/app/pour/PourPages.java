package kilnryu.app.pour;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.equipment.EquipmentReader;
import kilnryu.app.equipment.EquipmentStore;
import kilnryu.app.melt.MelterStore;
import kilnryu.app.plan.Station;
import kilnryu.app.sheet.SheetForm;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.app.web.Verdict;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.finding.Severity;
import kilnryu.core.melt.Element;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.pour.PourPlan;
import kilnryu.core.quantity.Measure;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.ui.Model;
import org.springframework.web.server.ResponseStatusException;

/** What all pages of a pour share: its stream, verdict, make-ready column. */
@Component
class PourPages {
    /** Findings on these are of charge and melt. */
    private static final List<String> PLACES = List.of("charge", "make-up", "furnace", "crucible", "tap");

    private final PourStore store;
    private final PourReader reader;
    private final MelterStore melters;
    private final EquipmentStore equipment;

    PourPages(PourStore store, PourReader reader, MelterStore melters, EquipmentStore equipment) {
        this.store = store;
        this.reader = reader;
        this.melters = melters;
        this.equipment = equipment;
    }

    /** A line of the make-ready column. */
    public record Ready(String what, Show.Shown value) {}

    /** A mold in the order. */
    public record Placed(
            long id,
            int place,
            String name,
            String kind,
            String metal,
            String start,
            boolean again,
            String mark,
            String load,
            String lift) {}

    PourStore.Row found(Account account, long id) {
        return store.find(account.studioId(), id).orElseThrow(() -> new ResponseStatusException(HttpStatus.NOT_FOUND));
    }

    PourSheet saved(Account account, PourStore.Row row) {
        return reader.read(account, row, store.molds(row.id()), false);
    }

    /** Make-up after the melt of what was really weighed; empty where nothing was. */
    Optional<MakeUp> weighed(Account account, PourStore.Row row) {
        PourSheet sheet = saved(account, row);
        return sheet.weighed().isEmpty()
                ? Optional.empty()
                : sheet.charge().map(c -> {
                    Map<Element, Double> percent = new EnumMap<>(Element.class);
                    c.after().forEach((e, f) -> percent.put(e, f.value()));
                    return new MakeUp(percent);
                });
    }

    /** Puts what every page of a pour shows into its model. */
    void frame(Account account, PourSheet sheet, String open, boolean wrong, Model model) {
        Units units = account.units();
        FigureView.Maker views = new FigureView.Maker(units, false);
        PourStore.Row row = sheet.row();
        model.addAttribute("id", row.id());
        model.addAttribute("name", row.name());
        model.addAttribute("version", row.version());
        model.addAttribute("planned", row.planned());
        model.addAttribute("state", row.state());
        model.addAttribute("page", open);
        model.addAttribute("form", new SheetForm(sheet.fields(), row.fields(), wrong, PourFields.ALL));
        List<Station> stream = stream(sheet, open, units);
        model.addAttribute("stream", stream);
        model.addAttribute("next", next(stream));
        model.addAttribute("verdict", verdict(sheet, open, units));
        model.addAttribute("ready", ready(sheet, units));
        model.addAttribute("money", money(account));
        model.addAttribute("at", sheet.at().map(Show::dayAndClock).orElse(""));
        List<FindingView> findings = new ArrayList<>();
        sheet.findings().all().forEach(f -> findings.add(FindingView.of(f, views, 0)));
        model.addAttribute("findings", FindingView.grouped(findings));
        model.addAttribute("missing", sheet.missing());
        model.addAttribute("alloy", sheet.alloy().map(a -> a.label()).orElse(""));
    }

    String money(Account account) {
        return EquipmentReader.money(equipment.of(account.studioId()).fields());
    }

    private static List<Station> stream(PourSheet sheet, String open, Units units) {
        String base = "/pours/" + sheet.row().id();
        Map<String, Findings> found = sheet.byPage();
        boolean running = sheet.row().running();
        boolean done = sheet.row().state().equals("done");
        String molds = sheet.molds().size() == 1 ? "1 mold" : sheet.molds().size() + " molds";
        List<Station> all = new ArrayList<>();
        all.add(marked(
                new Station(
                        "Pour plan",
                        molds,
                        base,
                        state("plan", open, sheet.plan().isPresent())),
                found.get("plan")));
        String charge = !sheet.weighed().isEmpty()
                ? "being weighed"
                : sheet.charge()
                        .map(c -> Show.value(c.charged().value(), Measure.GRAM, units, false)
                                .toString())
                        .orElse("none yet");
        all.add(marked(
                new Station(
                        "Charge",
                        charge,
                        base + "/charge",
                        state("charge", open, sheet.charge().isPresent())),
                found.get("charge")));
        String melt = sheet.melt()
                .map(m -> Show.value(m.tap().value(), Measure.DEGREE_CELSIUS, units, false) + ", "
                        + Show.value(m.minutes().value(), Measure.MINUTE, units, false))
                .orElse("no furnace yet");
        all.add(marked(
                new Station(
                        "Melt",
                        melt,
                        base + "/melt",
                        state("melt", open, sheet.melt().isPresent())),
                found.get("melt")));
        String day = done
                ? "poured"
                : running ? "runs" : sheet.at().map(Show::dayAndClock).orElse("no hour yet");
        all.add(new Station("Pour day", day, base + "/day", state("day", open, done)));
        return all;
    }

    private static String state(String page, String open, boolean done) {
        return open.equals(page) ? "now" : done ? "done" : "next";
    }

    private static Station marked(Station s, Findings found) {
        boolean now = s.state().equals("now");
        if (!found.stops().isEmpty()) {
            return new Station(s.label(), s.status(), s.address(), now ? "now stopped" : "stopped");
        }
        boolean warned = found.all().stream().anyMatch(f -> f.severity() == Severity.WARN);
        return warned ? new Station(s.label(), s.status(), s.address(), s.state() + " warned") : s;
    }

    private static Station next(List<Station> stream) {
        int open = 0;
        for (int i = 0; i < stream.size(); i++) {
            open = stream.get(i).state().startsWith("now") ? i : open;
        }
        return open + 1 < stream.size() ? stream.get(open + 1) : null;
    }

    /** On the page of the charge or of the melt what is found there; elsewhere all of it. */
    static Verdict verdict(PourSheet sheet, String open, Units units) {
        List<Finding> found = new ArrayList<>(sheet.findings().all());
        if (open.equals("charge") || open.equals("melt")) {
            found.removeIf(f -> !sheet.byPage().get(open).all().contains(f) && !PLACES.contains(f.place()));
        }
        List<Verdict.Remedy> remedies = new ArrayList<>();
        for (Finding f : found) {
            if (f.severity() != Severity.NOTE && sheet.row().planned()) {
                remedy(f, sheet)
                        .filter(r -> remedies.stream().noneMatch(o -> o.label().equals(r.label())))
                        .ifPresent(remedies::add);
            }
        }
        if (sheet.missing().stream().anyMatch(m -> m.startsWith("no furnace") || m.startsWith("no crucible"))) {
            remedies.add(Verdict.Remedy.link("Add a furnace or crucible", "/furnaces"));
        }
        return Verdict.over(found, sheet.missing(), units, remedies);
    }

    private static Optional<Verdict.Remedy> remedy(Finding f, PourSheet sheet) {
        String base = "/pours/" + sheet.row().id();
        if (f.id().startsWith("metal-cold.")) {
            String tree = f.id().substring("metal-cold.".length());
            Map<String, String> fields = new LinkedHashMap<>();
            fields.put("tree", tree);
            fields.put("on", "true");
            return Optional.of(new Verdict.Remedy("Pot back to the furnace before it", base + "/again", fields));
        }
        if (f.id().startsWith("window.") && sheet.crew().together()) {
            return Optional.of(
                    new Verdict.Remedy("Take them out one by one", base + "/together", Map.of("together", "one")));
        }
        if (f.id().equals("no-charge")) {
            return Optional.of(Verdict.Remedy.link("See what to buy", base + "/charge"));
        }
        if (f.id().startsWith("furnace") || f.id().startsWith("pot-") || f.id().equals("heats")) {
            return Optional.of(Verdict.Remedy.link("Furnaces and crucibles", "/furnaces"));
        }
        return Optional.empty();
    }

    private static List<Ready> ready(PourSheet sheet, Units units) {
        List<Ready> all = new ArrayList<>();
        sheet.charge()
                .ifPresent(c -> all.add(
                        new Ready("Charge to weigh", Show.value(c.charged().value(), Measure.GRAM, units, false))));
        sheet.needed()
                .ifPresent(n ->
                        all.add(new Ready("Metal after melting", Show.value(n.value(), Measure.GRAM, units, false))));
        sheet.melt().ifPresent(m -> {
            all.add(new Ready("Melt for", Show.value(m.minutes().value(), Measure.MINUTE, units, false)));
            all.add(new Ready("Tap at", Show.value(m.tap().value(), Measure.DEGREE_CELSIUS, units, false)));
        });
        sheet.plan()
                .ifPresent(p -> all.add(
                        new Ready("First metal to last", Show.value(p.ends() / 60, Measure.MINUTE, units, false))));
        sheet.at()
                .ifPresent(at -> sheet.melt()
                        .ifPresent(m ->
                                all.add(new Ready("Furnace on", new Show.Shown(Show.clock(meltOn(sheet, at)), "")))));
        return all;
    }

    /** When the furnace is switched on so that the first metal flows at the hour of the pour. */
    static ZonedDateTime meltOn(PourSheet sheet, ZonedDateTime at) {
        double minutes = sheet.melt().map(m -> m.minutes().value()).orElse(0.0);
        return at.minus(
                Duration.ofSeconds(Math.round(minutes * 60 + sheet.crew().skim())));
    }

    static List<Placed> placed(PourSheet sheet, Units units) {
        List<Placed> all = new ArrayList<>();
        for (int i = 0; i < sheet.molds().size(); i++) {
            CastMold m = sheet.molds().get(i);
            Optional<PourPlan.Leg> leg = sheet.plan()
                    .flatMap(p -> p.legs().stream()
                            .filter(l -> l.of().key().equals(m.key()))
                            .findFirst());
            List<Finding> at =
                    sheet.plan().map(p -> p.findings().at("mold." + m.key())).orElse(List.of());
            String mark = at.stream().anyMatch(f -> f.severity() == Severity.STOP)
                    ? "stop"
                    : at.stream().anyMatch(f -> f.severity() == Severity.WARN) ? "warn" : "";
            all.add(new Placed(
                    m.id(),
                    i + 1,
                    m.name(),
                    m.kind(),
                    Show.value(m.metal().value(), Measure.GRAM, units, false).toString(),
                    leg.map(l -> String.format(Locale.ROOT, "%d:%02d", (long) l.start() / 60, (long) l.start() % 60))
                            .orElse(""),
                    sheet.row().fields().containsKey("again[" + m.key() + "].pot"),
                    mark,
                    m.berth().map(b -> b.name() + ", " + b.state().label()).orElse("in no load"),
                    lift(m, units)));
        }
        return all;
    }

    private static String lift(CastMold m, Units units) {
        return m.people() == 0
                ? ""
                : Show.value(m.heavy(), Measure.GRAM, units, false) + " with metal, "
                        + (m.people() == 1 ? "one person" : "two people") + ", ";
    }

    List<SheetForm.Option> options(Account account, String kind) {
        return melters.list(account.studioId(), kind).stream()
                .map(r -> new SheetForm.Option(Long.toString(r.id()), r.name()))
                .toList();
    }
}
