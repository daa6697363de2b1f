package kilnryu.app.load;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import kilnryu.app.account.Account;
import kilnryu.app.firing.FiringReader;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.kiln.ProgramReader;
import kilnryu.app.kiln.StudioKiln;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.shell.ShellReader;
import kilnryu.app.web.Units;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.ProgramGenerator;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.ShellFiring;
import kilnryu.core.burnout.Subject;
import kilnryu.core.burnout.Trail;
import kilnryu.core.burnout.Trier;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Packing;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.sum.Factors;
import org.springframework.stereotype.Component;

/** Reads a firing from its fields: kiln, molds and their places, program; and has it tried. */
@Component
class LoadReader {
    static final int MOST_MOLDS = 60;
    private static final Range PLACE = new Range(Measure.MILLIMETRE, -3_000, 3_000);
    /** A flask's steel and a finger round it. */
    private static final double STEEL_MM = 4;

    private static final double SHELL_MAX_C = 1_000;
    private static final Duration KEPT = Duration.ofMinutes(1);
    private static final Duration JUST_NOW = Duration.ofSeconds(3);
    private static final int MOST_KEPT = 24;

    private final KilnStore kilns;
    private final Plans plans;

    private final Clock clock;
    private final Map<List<Object>, Kept> lately = Collections.synchronizedMap(new Latest<>());
    private final Map<Long, Drawn> drawn = Collections.synchronizedMap(new Latest<>());
    private final Map<List<Object>, Packing> proposals = Collections.synchronizedMap(new Latest<>());
    private final Trier remembered = new Remembered();
    private final Map<Long, Trail> trails = Collections.synchronizedMap(new Latest<>());

    LoadReader(KilnStore kilns, Plans plans, Clock clock) {
        this.kilns = kilns;
        this.plans = plans;
        this.clock = clock;
    }

    /** The last that were asked for. */
    private static final class Latest<K, V> extends LinkedHashMap<K, V> {
        private static final long serialVersionUID = 1L;

        Latest() {
            super(16, 0.75f, true);
        }

        @Override
        protected boolean removeEldestEntry(Map.Entry<K, V> eldest) {
            return size() > MOST_KEPT;
        }
    }

    /** Plans of a load as they were read for someone. */
    private record Kept(Instant at, List<Plans.Saved> plans) {}

    /** What someone's curve is drawn from. */
    private record Drawn(Instant at, Units units, Map<String, String> typed, CompletableFuture<LoadPlan> plan) {
        boolean serves(Drawn later) {
            return typed.equals(later.typed)
                    && units.equals(later.units)
                    && at.plus(JUST_NOW).isAfter(later.at);
        }
    }

    /** The trees' plans; while a corner is dragged those of at most a minute ago, and whatever is saved reads them anew. */
    private List<Plans.Saved> plans(Account account, Set<Long> ids, boolean dragged) {
        List<Object> key = List.of(account.id(), account.units(), List.copyOf(ids));
        Kept kept = lately.get(key);
        if (dragged && kept != null && kept.at.plus(KEPT).isAfter(clock.instant())) {
            return kept.plans;
        }
        List<Plans.Saved> read = plans.find(account, ids);
        lately.put(key, new Kept(clock.instant(), read));
        return read;
    }

    /** What a plan is read for: how closely, and with what changed for once. */
    record Way(KilnRun.Detail detail, boolean ajar, Optional<Boolean> bare, OptionalInt halved, boolean dragged) {
        static final Way USUAL = new Way(KilnRun.Detail.QUICK, false, Optional.empty(), OptionalInt.empty());

        /** While a corner is dragged. */
        static final Way DRAGGED = new Way(KilnRun.Detail.QUICK, false, Optional.empty(), OptionalInt.empty(), true);

        Way(KilnRun.Detail detail, boolean ajar, Optional<Boolean> bare, OptionalInt halved) {
            this(detail, ajar, bare, halved, false);
        }

        Way pictures(double every) {
            return new Way(detail.pictures(every), ajar, bare, halved, dragged);
        }
    }

    LoadPlan read(Account account, Map<String, String> typed, Way way) {
        return new Reading(account, ProgramReader.spoken(typed), way).read();
    }

    /**
     * As read with {@link Way#DRAGGED}. The same may have been asked for a moment ago or be at work still: for the curve
     * while the corner was in the hand, when it was let go, then for all the rest.
     */
    LoadPlan dragged(Account account, Map<String, String> typed) {
        Drawn fresh = new Drawn(clock.instant(), account.units(), Map.copyOf(typed), new CompletableFuture<>());
        Drawn drawing = drawn.merge(account.id(), fresh, (last, now) -> last.serves(now) ? last : now);
        if (drawing == fresh) {
            try {
                fresh.plan.complete(read(account, typed, Way.DRAGGED));
            } catch (RuntimeException | Error e) {
                // nobody waits for what does not come
                drawn.remove(account.id(), fresh);
                fresh.plan.completeExceptionally(e);
                throw e;
            }
        }
        return drawing.plan.join();
    }

    /** One reading. */
    private final class Reading {
        private final Account account;
        private final Fields fields;
        private final Way way;
        private final List<Finding> found = new ArrayList<>();

        Reading(Account account, Map<String, String> typed, Way way) {
            this.account = account;
            this.way = way;
            fields = Fields.typed(typed, account.units());
        }

        LoadPlan read() {
            String name = fields.text("name", 80).orElse("");
            if (name.isEmpty()) {
                fields.missing("name", "Give the firing a name.");
            }
            Optional<KilnStore.Row> row = fields.choice("kiln", this::kiln);
            Optional<StudioKiln> kiln = row.flatMap(KilnStore.Row::kiln);
            FiringReader.Choices clock = FiringReader.choices(fields, account.zoneId(), Schools.NONE);
            List<Stand> stands = stands();
            Optional<Packing> packing = kiln.map(k -> packing(k, stands));
            packing.ifPresent(p -> found.addAll(p.check().all()));
            List<Stand> standing = stands.stream().map(s -> placed(s, packing)).toList();
            boolean typed =
                    fields.choice("program_is", k -> Optional.of(k)).orElse("").equals("typed");
            Optional<List<Segment>> given = typed ? ProgramReader.read(fields) : Optional.empty();
            Tried tried = standing.isEmpty() || typed && given.isEmpty()
                    ? new Tried(Optional.empty(), List.of(), Map.of())
                    : tried(standing, kiln, given);
            List<Double> limits = standing.stream()
                    .map(s -> s.subject().map(x -> x.system().maxC()).orElse(SHELL_MAX_C))
                    .toList();
            double lag = KilnLag.of(fields).orElse(1);
            Optional<BurnoutProgram> program = tried.program.map(p -> p.lagging(lag));
            Optional<BackPlan> back = program.filter(p -> !p.segments().isEmpty())
                    .flatMap(p ->
                            clock.pour().map(pour -> tried.sleeps ? BackPlan.asleep(p, pour) : BackPlan.of(p, pour)));
            Findings findings = new Findings(found)
                    .and(tried.program.map(BurnoutProgram::findings).orElse(Findings.NONE))
                    .and(back.map(BackPlan::findings).orElse(Findings.NONE))
                    .and(kiln.map(k -> LoadChecks.control(k, tried.program)).orElse(Findings.NONE))
                    .and(LoadChecks.lag(lag, tried.program))
                    .and(LoadChecks.melts(standing))
                    .and(LoadChecks.cautions(standing, kiln));
            return new LoadPlan(
                    fields,
                    name,
                    row,
                    kiln,
                    standing,
                    packing,
                    tried.fired,
                    limits,
                    typed,
                    back.map(BackPlan::program).or(() -> program),
                    back,
                    tried.alone,
                    findings);
        }

        private Optional<KilnStore.Row> kiln(String key) {
            try {
                return kilns.find(account.studioId(), Long.parseLong(key));
            } catch (NumberFormatException e) {
                return Optional.empty();
            }
        }

        private List<Stand> stands() {
            Set<Long> ids = new LinkedHashSet<>();
            for (String key : fields.keys("molds")) {
                if (key.matches("\\d{1,18}")
                        && fields.text("molds[" + key + "].in", 5).isPresent()) {
                    ids.add(Long.parseLong(key));
                }
            }
            if (ids.size() > MOST_MOLDS) {
                fields.error("molds", "At most " + MOST_MOLDS + " molds in a firing.");
                return List.of();
            }
            return plans(account, ids, way.dragged).stream()
                    .flatMap(s -> stand(s).stream())
                    .toList();
        }

        private Optional<Stand> stand(Plans.Saved saved) {
            Plan plan = saved.plan();
            String at = "molds[" + saved.row().id() + "].";
            String name = saved.row().name();
            boolean posts = !fields.text(at + "stands", 10).orElse("posts").equals("shelf");
            boolean bare =
                    way.bare.orElse(fields.text(at + "sheet", 10).orElse("").equals("bare"));
            String mark = fields.text(at + "mark", 60).orElse("");
            Optional<Subject> subject = plan.flask()
                    .map(f -> Subject.of(what(saved, name), f))
                    .or(() -> plan.block().map(b -> Subject.of(what(saved, name), b)));
            if (subject.isEmpty() && plan.shell().isEmpty()) {
                found.add(Finding.warn(
                        "no-mold",
                        "molds",
                        name + " has no mold that could be fired.",
                        "Its tree or its mold cannot be read.",
                        "Finish its Mold page, or take it out of the load."));
                return Optional.empty();
            }
            return Optional.of(
                    new Stand(saved.row().id(), name, saved, item(saved), subject, plan.shell(), posts, bare, mark));
        }

        private Subject.Tree what(Plans.Saved saved, String name) {
            Subject.Tree tree =
                    FiringReader.what(choices(saved), saved.plan().tree().orElseThrow());
            return new Subject.Tree(name, tree.patterns(), tree.alloy(), tree.pour(), tree.wet());
        }

        private static FiringReader.Choices choices(Plans.Saved saved) {
            return saved.plan().firing().orElseThrow().choices();
        }

        private static Packing.Item item(Plans.Saved saved) {
            Plan plan = saved.plan();
            String key = Long.toString(saved.row().id());
            String name = saved.row().name();
            if (plan.flask().isPresent()) {
                double across = plan.flask().get().flask().innerDiameter().millimetres() + 2 * STEEL_MM;
                double high = plan.flask().get().flask().height().millimetres();
                return new Packing.Item(key, name, true, across, across, high);
            }
            if (plan.block().isPresent()) {
                var b = plan.block().get();
                return new Packing.Item(key, name, false, b.outerWidth(), b.outerDepth(), b.outerHeight());
            }
            double wide = plan.outline().map(o -> o.width()).orElse(100.0);
            double high = plan.outline().map(o -> o.height()).orElse(150.0);
            double wall = plan.shell()
                    .map(ShellReader.Built::plan)
                    .map(p -> p.thickness().value())
                    .orElse(8.0);
            return new Packing.Item(key, name, true, wide + 2 * wall, wide + 2 * wall, high + wall);
        }

        /** Where each stands as typed; proposed for all of them as long as one has no place. */
        private Packing packing(StudioKiln kiln, List<Stand> stands) {
            List<Packing.Placed> placed = new ArrayList<>();
            for (Stand s : stands) {
                String at = "molds[" + s.key() + "].";
                var x = fields.quantity(at + "x_mm", PLACE);
                var y = fields.quantity(at + "y_mm", PLACE);
                int floor = fields.whole(at + "floor", 0, 20).orElse(0);
                boolean turned = fields.text(at + "turned", 5).isPresent();
                if (x.isPresent() && y.isPresent()) {
                    int on = Math.min(floor, kiln.chamber().shelves().size() - 1);
                    placed.add(new Packing.Placed(s.item(), x.getAsDouble(), y.getAsDouble(), on, turned));
                }
            }
            if (placed.size() == stands.size()) {
                return new Packing(kiln.chamber(), placed);
            }
            List<Packing.Item> items = stands.stream().map(Stand::item).toList();
            Packing proposed = proposals.computeIfAbsent(
                    List.of(kiln.chamber(), items), k -> Packing.propose(kiln.chamber(), items));
            Set<String> there = new LinkedHashSet<>();
            proposed.placed().forEach(p -> there.add(p.item().key()));
            for (Stand s : stands) {
                if (!there.contains(s.key())) {
                    found.add(Finding.stop(
                            "no-room",
                            "molds[" + s.key() + "]",
                            s.name() + " finds no place beside the others.",
                            "Molds closer than 15 mm, or nearer than 25 to the wall, dry and heat unevenly.",
                            "Take one out of the load, add a shelf, or a larger kiln."));
                }
            }
            return proposed;
        }

        /** The mold as it stands there. */
        private Stand placed(Stand s, Optional<Packing> packing) {
            return new Stand(
                    s.tree(),
                    s.name(),
                    s.saved(),
                    s.item(),
                    s.subject().map(x -> x.as(placed(x.mold(), s, packing))),
                    s.shell(),
                    s.posts(),
                    s.bare(),
                    s.mark());
        }

        private static Mold placed(Mold flask, Stand s, Optional<Packing> packing) {
            Mold mold = s.bare() ? flask.inSteel(0) : flask;
            mold = s.posts() ? mold : mold.onShelf();
            if (packing.isPresent()) {
                List<Packing.Placed> all = packing.get().placed();
                for (int i = 0; i < all.size(); i++) {
                    if (all.get(i).item().key().equals(s.key())) {
                        return mold.beside(packing.get().free(i));
                    }
                }
            }
            return mold;
        }

        private record Tried(
                Optional<BurnoutProgram> program,
                List<HeldProgram.Fired> fired,
                Map<Long, Double> alone,
                boolean sleeps) {
            Tried(Optional<BurnoutProgram> program, List<HeldProgram.Fired> fired, Map<Long, Double> alone) {
                this(program, fired, alone, false);
            }
        }

        private Tried tried(List<Stand> stands, Optional<StudioKiln> kiln, Optional<List<Segment>> given) {
            boolean shells = stands.stream().allMatch(s -> s.shell().isPresent());
            boolean molds = stands.stream().noneMatch(s -> s.shell().isPresent());
            if (!shells && !molds) {
                found.add(Finding.safetyStop(
                        "mixed-systems",
                        "molds",
                        "Shells and molds of gypsum stand in one load.",
                        "A shell fires at 850 °C and more; over 750 gypsum breaks down and gives off sulphur gas.",
                        "Two firings: the shells in one of their own."));
                return new Tried(Optional.empty(), List.of(), Map.of());
            }
            Optional<Kiln> heat = kiln.flatMap(StudioKiln::heat).map(k -> way.ajar ? k.ajar() : k);
            return shells ? shells(stands, heat, given, kiln) : molds(stands, heat, given, kiln);
        }

        /** While a corner is dragged, only what comes after it is simulated. */
        private Trier trier() {
            return way.dragged ? trails.computeIfAbsent(account.id(), id -> new Trail()) : remembered;
        }

        private Tried shells(
                List<Stand> stands, Optional<Kiln> heat, Optional<List<Segment>> given, Optional<StudioKiln> kiln) {
            Stand thickest = stands.stream()
                    .max(java.util.Comparator.comparingDouble(
                            s -> s.shell().orElseThrow().plan().thickness().value()))
                    .orElseThrow();
            Factors factors = thickest.saved().plan().reading().factors();
            ShellFiring.Question asked = FiringReader.asked(
                    choices(thickest.saved()),
                    thickest.saved().plan().tree().orElseThrow(),
                    thickest.shell().orElseThrow());
            ShellFiring.Question question = new ShellFiring.Question(
                    asked.shell(),
                    asked.dewax(),
                    asked.alloy(),
                    asked.section(),
                    asked.handling(),
                    asked.mold(),
                    top(kiln).or(asked::kilnMax));
            List<HeldProgram.Fired> fired = stands.stream()
                    .map(s ->
                            ShellFiring.fired(s.name(), s.shell().orElseThrow().plan()))
                    .toList();
            BurnoutProgram program = new ShellFiring(factors, trier())
                    .generate(question, fired, halved(given), new ShellFiring.Way(heat, way.detail, lengthen(given)));
            return new Tried(Optional.of(program), fired, Map.of());
        }

        private static Optional<Temperature> top(Optional<StudioKiln> kiln) {
            return kiln.map(k -> Temperature.celsius(k.maxC()));
        }

        private Tried molds(
                List<Stand> stands, Optional<Kiln> heat, Optional<List<Segment>> given, Optional<StudioKiln> kiln) {
            Plans.Saved first = stands.get(0).saved();
            Schools schools = first.plan().reading().schools();
            Optional<String> key = fields.text("school", 40);
            Factors factors = schools.over(first.factors(), List.of(Map.of("school", key.orElse(""))));
            BurnoutSchool school =
                    key.flatMap(k -> BurnoutSchool.named(schools.based(k))).orElseGet(() -> usual(stands, kiln));
            List<Subject> load =
                    stands.stream().flatMap(s -> s.subject().stream()).toList();
            BurnoutQuestion question = new BurnoutQuestion(
                    load,
                    school,
                    top(kiln),
                    stands.stream()
                            .flatMap(s -> FiringReader.drain(choices(s.saved())).stream())
                            .findFirst());
            List<HeldProgram.Fired> fired =
                    load.stream().map(s -> HeldProgram.Fired.of(s, factors)).toList();
            ProgramGenerator generator = new ProgramGenerator(factors, trier());
            BurnoutProgram program = given.isPresent()
                    ? generator.tried(question, halved(given).orElseThrow(), heat, way.detail, lengthen(given))
                    : generator.generate(question, heat, way.detail);
            found.addAll(LoadChecks.sharing(load).all());
            return new Tried(Optional.of(program), fired, alone(stands), given.isEmpty() && school.sleeps());
        }

        /** By what leads the kiln, and by what stands in it. */
        private static BurnoutSchool usual(List<Stand> stands, Optional<StudioKiln> kiln) {
            if (kiln.isPresent() && !kiln.get().control().ramps()) {
                return BurnoutSchool.SWITCH_KILN;
            }
            boolean block = stands.stream()
                    .anyMatch(s -> s.subject().filter(Subject::block).isPresent());
            return block
                    ? BurnoutSchool.SLOW_BLOCK
                    : choices(stands.get(0).saved()).school();
        }

        /** What each tree's own page says of it alone. */
        private static Map<Long, Double> alone(List<Stand> stands) {
            Map<Long, Double> alone = new LinkedHashMap<>();
            for (Stand s : stands) {
                s.saved()
                        .plan()
                        .firing()
                        .ifPresent(f -> alone.put(s.tree(), f.program().minutes()));
            }
            return alone;
        }

        private boolean lengthen(Optional<List<Segment>> given) {
            return given.isEmpty() || fields.text("lengthen", 5).isPresent() && way.halved.isEmpty();
        }

        /** What if one hold were half as long. */
        private Optional<List<Segment>> halved(Optional<List<Segment>> given) {
            if (given.isEmpty() || way.halved.isEmpty()) {
                return given;
            }
            List<Segment> halved = new ArrayList<>(given.get());
            int at = Math.min(way.halved.getAsInt(), halved.size() - 1);
            Segment s = halved.get(at);
            halved.set(
                    at,
                    new Segment(s.stage(), s.rate(), s.target(), s.hold() / 2, s.until(), s.holdSum(), s.ruledBy()));
            return Optional.of(halved);
        }
    }
}
