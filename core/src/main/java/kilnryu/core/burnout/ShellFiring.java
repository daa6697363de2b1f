package kilnryu.core.burnout;

import static kilnryu.core.quantity.Measure.DEGREE_CELSIUS;
import static kilnryu.core.quantity.Measure.MINUTE;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.shell.Dewax;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/** Program of a ceramic shell (handbook 6): dewax, fire, and the preheat for the pour. */
public final class ShellFiring {
    private static final String SOURCE = "handbook 6, dewax and firing";
    private static final Constant TOP = new Constant(
                    "shell.fire.top", "top", "fire a shell at", 900, 850, 1000, DEGREE_CELSIUS, Mark.T, SOURCE)
            .asChoice();
    private static final Constant HOUR_AT_TOP = new Constant(
                    "shell.fire.hold", "base", "fire, hold at the least", 60, 60, 180, MINUTE, Mark.T, SOURCE)
            .asChoice();
    private static final Constant PER_MM = new Constant(
                    "shell.fire.per-mm",
                    "each",
                    "more for each mm over 6",
                    10,
                    5,
                    20,
                    MINUTE,
                    Mark.M,
                    "our own estimate")
            .asChoice();
    private static final Constant PATCH = new Constant(
                    "shell.patch",
                    "place",
                    "place for patching a crack and drying it",
                    480,
                    0,
                    2880,
                    MINUTE,
                    Mark.M,
                    "our own estimate: two patch coats at some hours each")
            .asChoice();
    private static final Formula HOLD = Formula.rule("base + each * max(0, t - 6)");

    private static final double LEAST_TOP = 850;
    private static final double WAX_RESIDUE = 0.2;
    private static final double SLOW = 60;
    private static final double UP = 300;
    private static final double COOL_C = 60;
    private static final double MELT_C = 230;
    private static final double DRY_C = 150;

    private final Factors factors;
    private final ProgramSimulation trier;

    public ShellFiring(Factors factors) {
        this(factors, HeldProgram::of);
    }

    public ShellFiring(Factors factors, ProgramSimulation trier) {
        this.factors = factors;
        this.trier = trier;
    }

    /**
     * What a program is wanted for.
     *
     * @param mold at the pour when the caster sets it
     * @param kilnMax highest the kiln reaches
     */
    public record Question(
            ShellPlan shell,
            Dewax dewax,
            Alloy alloy,
            Section section,
            Handling handling,
            Optional<Temperature> mold,
            Optional<Temperature> kilnMax) {}

    public static List<Constant> constants() {
        return List.of(TOP, HOUR_AT_TOP, PER_MM, PATCH);
    }

    public BurnoutProgram generate(Question q) {
        return generate(q, Optional.empty(), KilnRun.Detail.QUICK);
    }

    /** The same in a kiln that follows as far as its power goes. */
    public BurnoutProgram generate(Question q, Optional<Kiln> kiln, KilnRun.Detail detail) {
        return generate(q, List.of(fired("shell", q.shell())), Optional.empty(), new Way(kiln, detail, true));
    }

    /**
     * How a program is tried.
     *
     * @param lengthen false to leave the holds of a given program as they are
     */
    public record Way(Optional<Kiln> kiln, KilnRun.Detail detail, boolean lengthen) {}

    /** Several shells by the program of one of them, or by one that is given. */
    public BurnoutProgram generate(Question q, List<HeldProgram.Fired> load, Optional<List<Segment>> given, Way way) {
        Optional<Figure> mold = q.mold()
                .map(t -> Figure.given("mold", "shell at the pour", t.celsius(), DEGREE_CELSIUS, Known.CHOSEN, 0))
                .or(() -> q.section().shellTemperature(q.alloy()));
        if (mold.isEmpty()) {
            return none(q);
        }
        HeldProgram held = trier.tried(
                given.orElseGet(() -> segments(q, mold.get())),
                new HeldProgram.Question(load, way.kiln, BurnoutQuestion.START_C, way.detail, way.lengthen));
        return finish(q, mold.get(), held);
    }

    /** A shell in a kiln: its wall, heated from outside. */
    public static HeldProgram.Fired fired(String name, ShellPlan shell) {
        Mold wall = Mold.shell(
                shell.thickness().value() / 1000, shell.question().area().value() / 10_000);
        return new HeldProgram.Fired(new KilnRun.Charge(name, wall, 1, WAX_RESIDUE, 1), 0, false);
    }

    private BurnoutProgram finish(Question q, Figure mold, HeldProgram held) {
        List<Segment> segments = held.segments();
        BurnoutProgram bare = new BurnoutProgram(
                BurnoutQuestion.START_C, segments, ProgramGenerator.total(segments), mold, List.of(), Findings.NONE);
        return new BurnoutProgram(
                bare.startC(), segments, bare.total(), mold, duties(q, bare), check(q), Optional.of(held));
    }

    private List<Segment> segments(Question q, Figure mold) {
        List<Segment> all = new ArrayList<>();
        double top = factors.value(TOP);
        Figure out = Figure.given("out", "time out, by the method", minutes(q.dewax()), MINUTE, Known.COMPUTED, 0);
        switch (q.dewax().method()) {
            case FLASH ->
                all.add(segment(Stage.DRAIN, Double.POSITIVE_INFINITY, top, out, "flash: its skin melts first"));
            case SLOW_MELT ->
                all.add(segment(Stage.DRAIN, SLOW, MELT_C, out, "plastics flow only now; tray out after"));
            default -> all.add(segment(Stage.DRY_OUT, SLOW, DRY_C, chosen(60), "wet from the steam"));
        }
        Figure hold = Figure.computed("hold", "fire, through the wall", MINUTE)
                .mark(Mark.M, SOURCE)
                .by(
                        HOLD,
                        factors.of(HOUR_AT_TOP),
                        factors.of(PER_MM),
                        q.shell().thickness().as("t"));
        all.add(segment(Stage.FIRE, UP, top, hold, "fired through the wall, wax burnt away with air")
                .until(Until.THROUGH));
        if (q.handling() == Handling.COLD) {
            all.add(segment(Stage.COOL, UP, COOL_C, chosen(30), "cool to the hand: look, patch, dry"));
            if (factors.value(PATCH) > 0) {
                all.add(segment(
                        Stage.PATCH, UP, COOL_C, factors.of(PATCH), "kept free: patch, dry; skip it when whole"));
                all.add(segment(Stage.FIRE, UP, top, factors.of(HOUR_AT_TOP), "fired again where it was patched")
                        .until(Until.THROUGH));
            }
            boolean again = factors.value(PATCH) > 0;
            all.add(segment(
                            again ? Stage.DESCEND : Stage.PREHEAT,
                            UP,
                            mold.value(),
                            chosen(45),
                            "even through for the pour")
                    .until(Until.WITHIN));
        } else {
            all.add(segment(Stage.DESCEND, UP, mold.value(), chosen(30), "to the temperature of the pour")
                    .until(Until.WITHIN));
        }
        return all;
    }

    private static double minutes(Dewax dewax) {
        return dewax.steps().stream()
                .filter(s -> s.minutes().isPresent())
                .mapToDouble(s -> s.minutes().getAsDouble())
                .sum();
    }

    private static Figure chosen(double minutes) {
        return Figure.given("hold", "hold", minutes, MINUTE, Known.CHOSEN, 0);
    }

    private static Segment segment(Stage stage, double rate, double target, Figure hold, String ruledBy) {
        return new Segment(stage, rate, target, Segment.rounded(hold.value()), hold, ruledBy);
    }

    private static List<Duty> duties(Question q, BurnoutProgram program) {
        List<Duty> duties = new ArrayList<>();
        boolean flash = q.dewax().method() == Dewax.Method.FLASH;
        duties.add(new Duty(
                Duty.Kind.CLOSE_KILN,
                0,
                flash
                        ? "Kiln at heat first. Cup down over the tray, hood on: wax smoke and flame. Two people, long tongs."
                        : "Cup down, tray under, hood on. Clear of all that burns."));
        for (BurnoutProgram.Timed t : program.timed()) {
            switch (t.segment().stage()) {
                case DRAIN ->
                    duties.add(new Duty(
                            Duty.Kind.DRAIN_TRAY,
                            t.ends(),
                            "Hot wax burns: lid at hand, no water on it. Weigh what came out."));
                case COOL ->
                    duties.add(
                            new Duty(
                                    Duty.Kind.INSPECT,
                                    t.reached(),
                                    "Tap it, hold a lamp to it, blow the ash out, cup clean. A crack is patched and dried in the place kept for it, and fired again; a whole shell goes on to the preheat."));
                default -> {}
            }
        }
        duties.add(
                new Duty(
                        Duty.Kind.POUR,
                        program.minutes(),
                        "All that meets metal dry and hot, the sand of the bed too. Face shield, leather; two people for a lift."));
        return duties;
    }

    private Findings check(Question q) {
        List<Finding> found = new ArrayList<>();
        q.kilnMax()
                .filter(max -> max.celsius() < LEAST_TOP)
                .ifPresent(max -> found.add(Finding.stop(
                        "kiln-too-cool",
                        "kiln_max",
                        String.format(
                                Locale.ROOT,
                                "The kiln reaches %.0f °C; a shell is fired at 850 to 1000 °C.",
                                max.celsius()),
                        "An unfired shell has a tenth of its strength and gas in its wall.",
                        "Use a hotter kiln.")));
        if (q.handling() == Handling.HOT
                && q.shell().strength().filter(s -> !s.bedded()).isPresent()) {
            found.add(Finding.warn(
                    "hot-unseen",
                    "shell.bed",
                    "Poured hot without a look: a crack from the dewax is not seen.",
                    "A crack lets the metal run out.",
                    "Full bed of dry sand, or the cold-handled school."));
        }
        found.add(Finding.note(
                "simulated",
                "program",
                "Heat through the wall is simulated as a plate, its inside leading nothing away; it is a model (M).",
                "A narrow cup or a bed of sand lags more.",
                "No unattended first firing of a material that is new here."));
        return new Findings(found);
    }

    private static BurnoutProgram none(Question q) {
        Figure nothing = Figure.given("program", "whole program", 0, Measure.MINUTE, Known.CHOSEN, 0);
        Figure noMold = Figure.given("mold", "shell at the pour", 0, DEGREE_CELSIUS, Known.CHOSEN, 0);
        Finding stop = Finding.stop(
                "no-program",
                "program",
                "There is no usual shell temperature for " + q.alloy().label() + ".",
                "A guessed program loses the mold.",
                "Type the mold temperature your supplier gives.");
        return new BurnoutProgram(
                BurnoutQuestion.START_C, List.of(), nothing, noMold, List.of(), new Findings(List.of(stop)));
    }
}
