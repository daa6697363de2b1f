package kilnryu.app.load;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kilnryu.app.account.Account;
import kilnryu.app.firing.FiringFields;
import kilnryu.app.firing.FiringReader;
import kilnryu.app.kiln.KilnStore;
import kilnryu.app.kiln.ProgramReader;
import kilnryu.app.kiln.StudioKiln;
import kilnryu.app.plan.Plan;
import kilnryu.app.plan.Plans;
import kilnryu.app.school.Schools;
import kilnryu.app.sheet.Fields;
import kilnryu.app.shell.ShellReader;
import kilnryu.app.simulation.Question;
import kilnryu.core.burnout.BackPlan;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.burnout.HeldProgram;
import kilnryu.core.burnout.ProgramGenerator;
import kilnryu.core.burnout.ProgramSimulation;
import kilnryu.core.burnout.Segment;
import kilnryu.core.burnout.ShellFiring;
import kilnryu.core.burnout.Subject;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.kiln.Chamber;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Packing;
import kilnryu.core.kiln.Watch;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.sum.Factors;

/** One reading of a load from its fields. */
final class LoadReading {
    static final int MOST_MOLDS = 60;
    /** A flask's steel and a finger round it. */
    private static final double STEEL_MM = 4;

    private static final double SHELL_MAX_C = 1_000;

    private final LoadReader with;
    private final Account account;
    private final Fields fields;
    private final LoadReader.Way way;
    private final List<Finding> found = new ArrayList<>();

    LoadReading(LoadReader with, Account account, Map<String, String> typed, LoadReader.Way way) {
        this.with = with;
        this.account = account;
        this.way = way;
        fields = Fields.typed(typed, account.units());
    }

    LoadPlan read() {
        String name = fields.text(LoadFields.NAME).orElse("");
        if (name.isEmpty()) {
            fields.missing(LoadFields.NAME, "Give the firing a name.");
        }
        Optional<KilnStore.Row> row = fields.choice(LoadFields.KILN, this::kiln);
        Optional<StudioKiln> kiln = row.flatMap(KilnStore.Row::kiln);
        FiringReader.Choices clock = FiringReader.choices(fields, account.zoneId(), Schools.NONE);
        List<Stand> stands = stands();
        Optional<Packing> packing = kiln.map(k -> packing(k, stands));
        packing.ifPresent(p -> found.addAll(p.check().all()));
        List<Stand> standing = stands.stream().map(s -> placed(s, packing)).toList();
        boolean typed = fields.choice(LoadFields.PROGRAM_IS).orElse(false);
        Optional<List<Segment>> given = typed ? ProgramReader.read(fields) : Optional.empty();
        LoadProgram tried = standing.isEmpty() || typed && given.isEmpty()
                ? new LoadProgram(Optional.empty(), List.of(), Map.of())
                : tried(standing, kiln, given);
        List<Double> limits = standing.stream()
                .map(s -> s.subject().map(x -> x.system().maxC()).orElse(SHELL_MAX_C))
                .toList();
        double lag = KilnLag.of(fields).orElse(1);
        Optional<BurnoutProgram> program = tried.program.map(p -> p.lagging(lag));
        Optional<BackPlan> back = program.filter(p -> !p.segments().isEmpty())
                .flatMap(p -> clock.pour().map(pour -> tried.sleeps ? BackPlan.asleep(p, pour) : BackPlan.of(p, pour)));
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
            return with.kilns().find(account.studioId(), Long.parseLong(key));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    private List<Stand> stands() {
        Set<Long> ids = new LinkedHashSet<>();
        for (String key : fields.keys("molds")) {
            if (key.matches("\\d{1,18}") && fields.text(LoadFields.IN.in(key)).isPresent()) {
                ids.add(Long.parseLong(key));
            }
        }
        if (ids.size() > MOST_MOLDS) {
            fields.error("molds", "At most " + MOST_MOLDS + " molds in a firing.");
            return List.of();
        }
        return with.plans(account, ids, way.dragged()).stream()
                .flatMap(s -> stand(s).stream())
                .toList();
    }

    private Optional<Stand> stand(Plans.Saved saved) {
        Plan plan = saved.plan();
        String key = Long.toString(saved.row().id());
        String name = saved.row().name();
        boolean posts = !fields.text(LoadFields.STANDS.in(key)).orElse("posts").equals("shelf");
        boolean bare = way.bare()
                .orElse(fields.text(LoadFields.SHEET.in(key)).orElse("").equals("bare"));
        String mark = fields.text(LoadFields.MARK.in(key)).orElse("");
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
            var x = fields.quantity(LoadFields.X.in(s.key()));
            var y = fields.quantity(LoadFields.Y.in(s.key()));
            int floor = fields.whole(LoadFields.FLOOR.in(s.key())).orElse(0);
            boolean turned = fields.text(LoadFields.TURNED.in(s.key())).isPresent();
            if (x.isPresent() && y.isPresent()) {
                int on = Math.min(floor, kiln.chamber().shelves().size() - 1);
                placed.add(new Packing.Placed(s.item(), x.getAsDouble(), y.getAsDouble(), on, turned));
            }
        }
        if (placed.size() == stands.size()) {
            return new Packing(kiln.chamber(), placed);
        }
        List<Packing.Item> items = stands.stream().map(Stand::item).toList();
        Packing proposed = with.simulations().of(account.studioId(), new Proposed(kiln.chamber(), items));
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

    private record LoadProgram(
            Optional<BurnoutProgram> program, List<HeldProgram.Fired> fired, Map<Long, Double> alone, boolean sleeps) {
        LoadProgram(Optional<BurnoutProgram> program, List<HeldProgram.Fired> fired, Map<Long, Double> alone) {
            this(program, fired, alone, false);
        }
    }

    private LoadProgram tried(List<Stand> stands, Optional<StudioKiln> kiln, Optional<List<Segment>> given) {
        boolean shells = stands.stream().allMatch(s -> s.shell().isPresent());
        boolean molds = stands.stream().noneMatch(s -> s.shell().isPresent());
        if (!shells && !molds) {
            found.add(Finding.safetyStop(
                    "mixed-systems",
                    "molds",
                    "Shells and molds of gypsum stand in one load.",
                    "A shell fires at 850 °C and more; over 750 gypsum breaks down and gives off sulphur gas.",
                    "Two firings: the shells in one of their own."));
            return new LoadProgram(Optional.empty(), List.of(), Map.of());
        }
        Optional<Kiln> heat = kiln.flatMap(StudioKiln::heat).map(k -> way.ajar() ? k.ajar() : k);
        return shells ? shells(stands, heat, given, kiln) : molds(stands, heat, given, kiln);
    }

    /** While a corner is dragged, only what comes after it is simulated. */
    private ProgramSimulation trier() {
        return way.dragged()
                ? with.resumable(account)
                : (program, question) -> with.simulations().of(account.studioId(), new TriedOnLoad(program, question));
    }

    private LoadProgram shells(
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
                .map(s -> ShellFiring.fired(s.name(), s.shell().orElseThrow().plan()))
                .toList();
        BurnoutProgram program = new ShellFiring(factors, trier())
                .generate(question, fired, halved(given), new ShellFiring.Way(heat, way.detail(), lengthen(given)));
        return new LoadProgram(Optional.of(program), fired, Map.of());
    }

    private static Optional<Temperature> top(Optional<StudioKiln> kiln) {
        return kiln.map(k -> Temperature.celsius(k.maxC()));
    }

    private LoadProgram molds(
            List<Stand> stands, Optional<Kiln> heat, Optional<List<Segment>> given, Optional<StudioKiln> kiln) {
        Plans.Saved first = stands.get(0).saved();
        Schools schools = first.plan().reading().schools();
        Optional<String> key = fields.choice(FiringFields.SCHOOL, Optional::of);
        Factors factors = schools.over(first.factors(), List.of(Map.of("school", key.orElse(""))));
        BurnoutSchool school =
                key.flatMap(k -> BurnoutSchool.named(schools.based(k))).orElseGet(() -> usual(stands, kiln));
        List<Subject> load = stands.stream().flatMap(s -> s.subject().stream()).toList();
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
                ? generator.tried(question, halved(given).orElseThrow(), heat, way.detail(), lengthen(given))
                : generator.generate(question, heat, way.detail());
        found.addAll(LoadChecks.sharing(load).all());
        return new LoadProgram(Optional.of(program), fired, alone(stands), given.isEmpty() && school.sleeps());
    }

    /** By what leads the kiln, and by what stands in it. */
    private static BurnoutSchool usual(List<Stand> stands, Optional<StudioKiln> kiln) {
        if (kiln.isPresent() && !kiln.get().control().ramps()) {
            return BurnoutSchool.SWITCH_KILN;
        }
        boolean block =
                stands.stream().anyMatch(s -> s.subject().filter(Subject::block).isPresent());
        return block ? BurnoutSchool.SLOW_BLOCK : choices(stands.get(0).saved()).school();
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
        return given.isEmpty()
                || fields.text(LoadFields.LENGTHEN).isPresent() && way.halved().isEmpty();
    }

    /** What if one hold were half as long. */
    private Optional<List<Segment>> halved(Optional<List<Segment>> given) {
        if (given.isEmpty() || way.halved().isEmpty()) {
            return given;
        }
        List<Segment> halved = new ArrayList<>(given.get());
        int at = Math.min(way.halved().getAsInt(), halved.size() - 1);
        Segment s = halved.get(at);
        halved.set(at, new Segment(s.stage(), s.rate(), s.target(), s.hold() / 2, s.until(), s.holdSum(), s.ruledBy()));
        return Optional.of(halved);
    }

    /** Places proposed for molds in a chamber. */
    private record Proposed(Chamber chamber, List<Packing.Item> items) implements Question<Packing> {
        @Override
        public Packing answer(Watch watch) {
            return Packing.propose(chamber, items);
        }

        @Override
        public String words() {
            return "places for " + items.size() + " molds";
        }
    }
}
