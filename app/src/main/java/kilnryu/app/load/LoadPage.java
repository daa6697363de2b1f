package kilnryu.app.load;

import java.time.Duration;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.plan.PlanVerdict;
import kilnryu.app.plan.Station;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Spoken;
import kilnryu.app.web.Units;
import kilnryu.core.burnout.BurnoutProgram.Timed;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.Duty;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.Subject;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.kiln.Cooling;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.FiringSums;
import kilnryu.core.kiln.Packing;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;

/** A firing that is planned, as its pages show it. */
public record LoadPage(
        String curve,
        List<SegmentView> segments,
        List<MoldView> molds,
        List<FloorView> floors,
        List<Ready> ready,
        List<DutyView> duties,
        List<FigureView> figures,
        List<FindingView> findings,
        List<Group> groups,
        List<String> unjudged) {
    private static final double POUR_BELOW_K = 50;

    /** A line of the program. */
    public record SegmentView(
            String key,
            int number,
            String stage,
            String rate,
            String target,
            String hold,
            String ends,
            String ruledBy,
            String risk,
            FigureView sum) {}

    /** A mold of the load. */
    public record MoldView(
            String key,
            int number,
            String name,
            String kind,
            String size,
            String pour,
            String dry,
            String hot,
            String end,
            String alone,
            String costs,
            String wall,
            String near,
            boolean slowest) {}

    /** One floor of the kiln. */
    public record FloorView(String name, String drawing) {}

    /** A line of the make-ready column. */
    public record Ready(String what, String digits, String unit) {}

    /** A duty. */
    public record DutyView(int number, String at, String day, String what, String caution) {}

    /** Molds poured from one hold. */
    public record Group(String celsius, List<String> names) {}

    /** How long a mold may stand out of the kiln. */
    public record CoolView(String name, String from, String below, String cavity, String face) {}

    public static LoadPage of(LoadPlan plan, Account account) {
        return new Maker(plan, account).make();
    }

    /** The curve alone, empty without a program. */
    public static String curve(LoadPlan plan, Account account, Optional<LoadCurve.Window> window) {
        return new Maker(plan, account).curve(window);
    }

    /** How long each mold may stand out of the kiln, one by one. */
    public static List<CoolView> cooling(LoadPlan plan, Account account) {
        return new Maker(plan, account).cooling();
    }

    public static List<Station> stations(long id, String state, String open, Optional<LoadPlan> plan) {
        String base = "/firings/" + id;
        boolean planned = state.equals("planned");
        String molds = plan.map(p -> p.stands().size() + (p.stands().size() == 1 ? " mold" : " molds"))
                .orElse("frozen");
        String program = plan.flatMap(LoadPlan::program)
                .filter(p -> !p.segments().isEmpty())
                .map(p -> Show.length(Duration.ofMinutes(Math.round(p.minutes()))))
                .orElse(planned ? "no program yet" : "frozen");
        List<Station> all = new ArrayList<>();
        all.add(station("Load", molds, id == 0 || !planned ? "" : base + "/load", "load", open, true));
        all.add(station("Program", program, id == 0 ? "" : base, "program", open, !planned));
        all.add(station(
                "Run",
                state.equals("running") ? "running" : planned ? "not started" : "ended",
                id == 0 || planned ? "" : base + "/run",
                "run",
                open,
                state.equals("done")));
        all.add(station("Log", "plan and actual", id == 0 || planned ? "" : base + "/log", "log", open, false));
        all.add(station("Card", "to key in by hand", id == 0 ? "" : base + "/card", "card", open, false));
        return all;
    }

    private static Station station(String label, String status, String address, String key, String open, boolean done) {
        return new Station(label, status, address, key.equals(open) ? "now" : done ? "done" : "next");
    }

    /** What stands against a load, and after it what stands against a mold by itself: both go into the kiln. */
    public static List<Finding> found(LoadPlan plan) {
        List<Finding> all = new ArrayList<>(plan.findings().all());
        plan.stands().forEach(s -> PlanVerdict.own(s.name(), s.saved().plan()).ifPresent(all::add));
        return all;
    }

    /** What of a load could not be judged, and of its molds. */
    public static List<String> unjudged(LoadPlan plan) {
        List<String> missing = new ArrayList<>();
        plan.stands()
                .forEach(s -> PlanVerdict.unjudged(s.name(), s.saved().plan()).ifPresent(missing::add));
        if (plan.stands().isEmpty()) {
            missing.add("the load: no mold is in it");
        }
        if (plan.kiln().isEmpty()) {
            missing.add("places, lag and energy (no kiln is chosen)");
        }
        if (plan.program().filter(p -> !p.segments().isEmpty()).isEmpty()) {
            missing.add("the program");
        } else if (plan.clock().isEmpty()) {
            missing.add("the hours (no time of the pour)");
        }
        return missing;
    }

    /** Makes the views. */
    private static final class Maker {
        private final LoadPlan plan;
        private final Units units;
        private final Optional<HeldProgram> held;
        private final FigureView.Maker views;
        private final int slowest;

        Maker(LoadPlan plan, Account account) {
            this.plan = plan;
            this.units = account.units();
            held = plan.held();
            views = new FigureView.Maker(units, false);
            slowest = held.isPresent() ? plan.slowest() : 0;
        }

        LoadPage make() {
            return new LoadPage(
                    curve(Optional.empty()),
                    segments(),
                    molds(),
                    floors(),
                    ready(),
                    duties(),
                    figures().stream().map(views::of).toList(),
                    plan.findings().all().stream()
                            .map(f -> FindingView.of(f, views, pinned().indexOf(f) + 1))
                            .toList(),
                    groups(),
                    LoadPage.unjudged(plan));
        }

        private String curve(Optional<LoadCurve.Window> window) {
            if (held.isEmpty()) {
                return "";
            }
            List<Firing> molds = firings();
            return LoadCurve.of(
                    new LoadCurve.Data(
                            BurnoutQuestion.START_C,
                            plan.segments(),
                            held.get().run().kilnAt(),
                            molds,
                            slowest,
                            plan.clock().map(c -> c.at(0)),
                            marks(),
                            pins(molds.get(slowest)),
                            against(),
                            List.of(),
                            -1,
                            true,
                            window,
                            plan.stands().stream().map(Stand::name).toList()),
                    units);
        }

        /** Findings that have a place on the curve. */
        private List<Finding> pinned() {
            return plan.findings().all().stream()
                    .filter(f -> f.place().matches("program\\[\\d+]"))
                    .toList();
        }

        private List<LoadCurve.Against> against() {
            List<LoadCurve.Against> all = new ArrayList<>();
            List<Timed> timed = plan.program().map(p -> p.timed()).orElse(List.of());
            for (Finding f : pinned()) {
                int at = Integer.parseInt(f.place().replaceAll("\\D", ""));
                if (at < timed.size()) {
                    all.add(new LoadCurve.Against(
                            all.size() + 1,
                            timed.get(at).ends(),
                            timed.get(at).segment().target(),
                            f.severity() == Severity.STOP));
                }
            }
            return all;
        }

        private List<Firing> firings() {
            List<Firing> all = new ArrayList<>();
            for (int i = 0; i < plan.fired().size(); i++) {
                all.add(held.orElseThrow().run().firing(i));
            }
            return all;
        }

        private List<LoadCurve.Mark> marks() {
            List<LoadCurve.Mark> marks = new ArrayList<>();
            int number = 0;
            for (Duty d : inKiln()) {
                marks.add(new LoadCurve.Mark(++number, d.minute(), false));
            }
            return marks;
        }

        private List<Duty> inKiln() {
            return plan.program().orElseThrow().duties().stream()
                    .filter(d -> d.minute() >= 0)
                    .sorted(java.util.Comparator.comparingDouble(Duty::minute))
                    .toList();
        }

        private List<LoadCurve.Pin> pins(Firing slowestFiring) {
            List<LoadCurve.Pin> pins = new ArrayList<>();
            String name =
                    plan.fired().size() > 1 ? plan.fired().get(slowest).charge().name() : "";
            String of = name.isEmpty() ? "the middle" : "middle of " + shortened(name);
            slowestFiring
                    .past()
                    .get(0)
                    .ifPresent(m -> pins.add(new LoadCurve.Pin(m, 105, "Dry at " + when(m), of + ", the last")));
            slowestFiring
                    .past()
                    .get(2)
                    .ifPresent(m -> pins.add(new LoadCurve.Pin(
                            m,
                            680,
                            "Over 680 °C at " + when(m),
                            Show.length(Duration.ofMinutes(Math.round(slowestFiring.burnt()))) + " there")));
            return pins;
        }

        private static String shortened(String name) {
            return name.length() > 22 ? name.substring(0, 21) + "…" : name;
        }

        private String when(double minute) {
            return plan.clock()
                    .map(c -> Show.weekday(c.at(minute)))
                    .orElseGet(() -> Show.length(Duration.ofMinutes(Math.round(minute))));
        }

        private List<SegmentView> segments() {
            List<SegmentView> all = new ArrayList<>();
            int number = 0;
            for (Timed t : plan.program().map(p -> p.timed()).orElse(List.of())) {
                number++;
                var s = t.segment();
                all.add(new SegmentView(
                        "k" + number,
                        number,
                        s.stage().label(),
                        Double.isInfinite(s.rate())
                                ? "full"
                                : Show.value(s.rate(), Measure.KELVIN_PER_HOUR, units, false)
                                        .toString(),
                        celsius(s.target()),
                        s.hold() == 0 ? "" : String.format(Locale.ROOT, "%d:%02d", s.hold() / 60, s.hold() % 60),
                        when(t.ends()),
                        s.ruledBy(),
                        s.hold() > 0 ? s.until().risk() : "",
                        s.holdSum().isComputed() ? views.of(s.holdSum()) : null));
            }
            return all;
        }

        private String celsius(double value) {
            return Show.value(value, Measure.DEGREE_CELSIUS, units, false).toString();
        }

        private List<MoldView> molds() {
            List<MoldView> all = new ArrayList<>();
            for (int i = 0; i < plan.stands().size(); i++) {
                all.add(mold(i, plan.stands().get(i)));
            }
            return all;
        }

        private MoldView mold(int i, Stand s) {
            Optional<Firing> firing = held.map(h -> h.run().firing(i));
            OptionalDouble alone = plan.alone().containsKey(s.tree())
                    ? OptionalDouble.of(plan.alone().get(s.tree()))
                    : OptionalDouble.empty();
            double whole = plan.program().map(p -> p.minutes()).orElse(0.0);
            boolean later = alone.isPresent() && whole > alone.getAsDouble() + 1;
            int at = place(s);
            return new MoldView(
                    s.key(),
                    i + 1,
                    s.name(),
                    s.kind() + (s.bare() ? ", without its steel" : ""),
                    size(s),
                    s.subject()
                            .flatMap(Subject::pour)
                            .map(f -> celsius(f.value()))
                            .orElse("–"),
                    firing.map(f -> f.past().get(0).isPresent()
                                    ? when(f.past().get(0).getAsDouble())
                                    : "never")
                            .orElse("–"),
                    firing.map(f -> f.past().get(2).isPresent()
                                    ? when(f.past().get(2).getAsDouble())
                                    : "never")
                            .orElse("–"),
                    firing.map(f -> celsius(f.end())).orElse("–"),
                    alone.isPresent() ? Show.length(Duration.ofMinutes(Math.round(alone.getAsDouble()))) : "–",
                    later ? "+ " + Show.length(Duration.ofMinutes(Math.round(whole - alone.getAsDouble()))) : "nothing",
                    at < 0
                            ? "–"
                            : Spoken.in(Math.round(plan.packing().orElseThrow().toWall(at)) + " mm", units),
                    at < 0 || Double.isInfinite(plan.packing().orElseThrow().nearest(at))
                            ? "–"
                            : Spoken.in(Math.round(plan.packing().orElseThrow().nearest(at)) + " mm", units),
                    held.isPresent() && i == slowest && plan.stands().size() > 1);
        }

        private int place(Stand s) {
            List<Packing.Placed> placed = plan.packing().map(Packing::placed).orElse(List.of());
            for (int i = 0; i < placed.size(); i++) {
                if (placed.get(i).item().key().equals(s.key())) {
                    return i;
                }
            }
            return -1;
        }

        private String size(Stand s) {
            String size = s.item().round()
                    ? String.format(
                            Locale.ROOT,
                            "Ø %.0f × %.0f mm",
                            s.item().width(),
                            s.item().height())
                    : String.format(
                            Locale.ROOT,
                            "%.0f × %.0f × %.0f mm",
                            s.item().width(),
                            s.item().depth(),
                            s.item().height());
            return Spoken.in(size, units);
        }

        private List<FloorView> floors() {
            List<FloorView> all = new ArrayList<>();
            if (plan.packing().isEmpty()) {
                return all;
            }
            List<String> names = plan.kiln().orElseThrow().floors();
            for (int i = 0; i < names.size(); i++) {
                all.add(new FloorView(
                        names.get(i),
                        FloorDrawing.of(plan.packing().get(), plan.stands(), i, names.get(i) + " from above", units)));
            }
            return all;
        }

        private List<Ready> ready() {
            List<Ready> all = new ArrayList<>();
            all.add(new Ready("Molds", String.valueOf(plan.stands().size()), ""));
            plan.program().filter(p -> !p.segments().isEmpty()).ifPresent(p -> {
                Show.Shown length = Show.value(p.minutes(), Measure.MINUTE, units, false);
                all.add(new Ready("Program", length.digits(), length.unit()));
            });
            plan.energy().ifPresent(e -> all.add(new Ready("Energy", Show.digits(e), "kWh")));
            energy().flatMap(this::cost)
                    .ifPresent(c -> all.add(new Ready(
                            "It costs",
                            String.format(Locale.ROOT, "%.2f", c.value()),
                            plan.kiln().orElseThrow().money())));
            held.ifPresent(h -> all.add(new Ready(
                    "Largest kiln lag", String.valueOf(Math.round(h.run().behind())), "K")));
            return all;
        }

        private List<DutyView> duties() {
            List<DutyView> all = new ArrayList<>();
            if (plan.program().isEmpty()) {
                return all;
            }
            int number = 0;
            List<Duty> sorted = plan.program().get().duties().stream()
                    .sorted(java.util.Comparator.comparingDouble(Duty::minute))
                    .toList();
            String day = "";
            for (Duty d : sorted) {
                boolean before = d.minute() < 0;
                Optional<ZonedDateTime> at = plan.clock().map(c -> c.at(d.minute()));
                String its =
                        at.map(a -> Show.dayAndClock(a).replaceAll(",.*", "")).orElse("");
                boolean another = !its.equals(day);
                day = its;
                all.add(new DutyView(
                        before ? 0 : ++number,
                        at.map(Show::weekday)
                                .orElseGet(() -> before
                                        ? "before"
                                        : String.format(
                                                Locale.ROOT,
                                                "%d:%02d",
                                                Math.round(d.minute()) / 60,
                                                Math.round(d.minute()) % 60)),
                        another ? its : "",
                        d.kind().label(),
                        d.caution()));
            }
            return all;
        }

        /** Figures with their sums: the whole length, energy and money. */
        private List<Figure> figures() {
            List<Figure> all = new ArrayList<>();
            plan.program().filter(p -> !p.segments().isEmpty()).ifPresent(p -> all.add(p.total()));
            held.ifPresent(h -> {
                energy().ifPresent(all::add);
                energy().flatMap(this::cost).ifPresent(all::add);
                all.add(Figure.simulated(
                        "lag",
                        "kiln behind its program, at most",
                        h.run().behind(),
                        Measure.STEP_KELVIN,
                        "the kiln with its molds and their water at its rated power against the program"));
                all.add(FiringSums.strain(h.mismatch()));
            });
            return all;
        }

        private Optional<Figure> energy() {
            return held.flatMap(h -> h.run().spent()).map(FiringSums::energy);
        }

        private Optional<Figure> cost(Figure energy) {
            return plan.kiln()
                    .filter(k -> k.tariff().isPresent())
                    .map(k -> FiringSums.cost(energy, k.tariff().getAsDouble(), k.money()));
        }

        /** Who is poured from which hold, the hottest first. */
        private List<Group> groups() {
            Map<String, List<String>> groups = new LinkedHashMap<>();
            List<Double> holds = plan.segments().stream()
                    .filter(s -> s.until() == kilnryu.core.burnout.Until.WITHIN)
                    .map(s -> s.target())
                    .toList();
            for (Double hold : holds) {
                groups.put(celsius(hold), new ArrayList<>());
            }
            for (Stand s : plan.stands()) {
                double wanted =
                        s.subject().flatMap(Subject::pour).map(Figure::value).orElse(Double.NaN);
                holds.stream()
                        .min(java.util.Comparator.comparingDouble(h -> Math.abs(h - wanted)))
                        .filter(h -> Math.abs(h - wanted) <= 15)
                        .ifPresent(h -> groups.get(celsius(h)).add(s.name()));
            }
            return groups.entrySet().stream()
                    .map(e -> new Group(e.getKey(), e.getValue()))
                    .toList();
        }

        private List<CoolView> cooling() {
            List<CoolView> all = new ArrayList<>();
            if (held.isEmpty()) {
                return all;
            }
            for (int i = 0; i < plan.stands().size() && all.size() < 12; i++) {
                Stand s = plan.stands().get(i);
                double from = s.subject()
                        .flatMap(Subject::pour)
                        .map(Figure::value)
                        .orElse(held.get().run().firing(i).end());
                if (from < 2 * POUR_BELOW_K) {
                    continue;
                }
                Cooling cooling = Cooling.of(plan.fired().get(i).charge().mold(), cavity(s), from, from - POUR_BELOW_K);
                all.add(new CoolView(
                        s.name(),
                        celsius(from),
                        celsius(from - POUR_BELOW_K),
                        window(cooling.cavity()),
                        window(cooling.face())));
            }
            return all;
        }

        /** How far the outermost face of the cavity lies from the axis, m. */
        private static double cavity(Stand stand) {
            return stand.saved().plan().outline().map(o -> o.width() / 2000).orElse(0.0);
        }

        private static String window(OptionalDouble seconds) {
            if (seconds.isEmpty()) {
                return "over 4 h";
            }
            double s = seconds.getAsDouble();
            return s < 180 ? Math.round(s) + " s" : Show.length(Duration.ofMinutes((long) (s / 60)));
        }
    }
}
