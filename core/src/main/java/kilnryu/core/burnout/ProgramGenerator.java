package kilnryu.core.burnout;

import static kilnryu.core.quantity.Measure.DEGREE_CELSIUS;
import static kilnryu.core.quantity.Measure.MINUTE;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.burnout.BurnoutRules.Level;
import kilnryu.core.burnout.BurnoutSchool.Habit;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.flask.MoldChecks;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/**
 * Builds a program by the rules of handbook 7: dry out, drain, slowly through the inversion, carbon, burn out, come
 * down and settle. Rates are the ramp limits of the widest mold, holds have their least from {@link BurnoutRules} and are
 * lengthened by {@link HeldProgram} until handbook 8's criteria hold in the slowest mold.
 */
public final class ProgramGenerator {
    static final double DRY_C = 150;
    private static final double LOW_DRAIN_C = 180;
    private static final double HOT_DRAIN_C = 230;
    private static final double HIGH_DRAIN_C = 260;
    private static final double LOW_CARBON_C = 400;
    private static final double HAND_C = 60;
    private static final double STEAMING_MIN = 60;
    private static final double QUICK_MOST_MM = 65;
    private static final double INVERSION_FROM_C = 200;
    private static final double INVERSION_TO_C = 280;
    private static final double STEPPED_C = 370;
    private static final double CARBON_C = 480;
    private static final double VENT_C = 550;

    private static final double FASTEST_DESCENT = 200;
    private static final double LARGEST_STEP_K = 75;
    private static final double BLOCK_DRY_C = 250;

    private static final Formula SEGMENT = Formula.of("ramp_time + hold + rounding");

    private final Factors factors;
    private final ProgramSimulation trier;

    public ProgramGenerator(Factors factors) {
        this(factors, HeldProgram::of);
    }

    public ProgramGenerator(Factors factors, ProgramSimulation trier) {
        this.factors = factors;
        this.trier = trier;
    }

    public static List<Constant> constants() {
        return BurnoutRules.constants();
    }

    /** Fastest ramp of a mold of this size, K/h (handbook 7). */
    public static double fastestRamp(boolean block, double across, double kilograms) {
        return BurnoutRules.rampConstant(block, across, kilograms).value();
    }

    /**
     * The program with its holds as long as the simulation asks in a kiln that follows exactly, or one without segments and
     * with a stop when no rule covers the load.
     */
    public BurnoutProgram generate(BurnoutQuestion question) {
        return generate(question, Optional.empty(), KilnRun.Detail.QUICK);
    }

    /** The same in a kiln that follows as far as its power goes. */
    public BurnoutProgram generate(BurnoutQuestion question, Optional<Kiln> kiln, KilnRun.Detail detail) {
        if (Double.isNaN(question.top()) || !question.allPour()) {
            return none(question);
        }
        List<Segment> rough = segments(question);
        if (question.school().bySteps()) {
            rough = Steps.of(rough, LARGEST_STEP_K, BurnoutQuestion.START_C);
        }
        return finish(question, trier.tried(rough, asked(question, kiln, detail, true)), kiln);
    }

    /** A program that is given, tried on the load: its holds as they are, or lengthened where it says what they wait for. */
    public BurnoutProgram tried(
            BurnoutQuestion question,
            List<Segment> given,
            Optional<Kiln> kiln,
            KilnRun.Detail detail,
            boolean lengthen) {
        return finish(question, trier.tried(given, asked(question, kiln, detail, lengthen)), kiln);
    }

    private HeldProgram.Question asked(
            BurnoutQuestion question, Optional<Kiln> kiln, KilnRun.Detail detail, boolean lengthen) {
        List<HeldProgram.Fired> load = question.load().stream()
                .map(s -> HeldProgram.Fired.of(s, factors))
                .toList();
        return new HeldProgram.Question(load, kiln, BurnoutQuestion.START_C, detail, lengthen);
    }

    private BurnoutProgram finish(BurnoutQuestion question, HeldProgram held, Optional<Kiln> kiln) {
        List<Figure> pours = question.pours();
        Figure mold = pours.isEmpty()
                ? Figure.given(
                        "mold",
                        "mold at the pour",
                        held.segments().get(held.segments().size() - 1).target(),
                        DEGREE_CELSIUS,
                        Known.CHOSEN,
                        0)
                : pours.get(0);
        BurnoutProgram bare = new BurnoutProgram(
                BurnoutQuestion.START_C, held.segments(), total(held.segments()), mold, List.of(), Findings.NONE);
        return new BurnoutProgram(
                bare.startC(),
                held.segments(),
                bare.total(),
                mold,
                duties(question, bare, Optional.of(held)),
                check(question, held, kiln),
                Optional.of(held));
    }

    private List<Segment> segments(BurnoutQuestion question) {
        BurnoutRules rules = new BurnoutRules(question, factors);
        BurnoutSchool school = question.school();
        if (school.does(Habit.LEVELS)) {
            return levels(question, rules);
        }
        boolean careful = school.does(Habit.CAREFUL);
        double rate = rules.ramp().value() / (careful ? 2 : 1);
        double slow = rules.slowRamp().value() / (careful ? 2 : 1);
        List<Segment> program = new ArrayList<>();
        Segment first = held(Stage.DRY_OUT, rate, DRY_C, rules.drainLeast(), dryRule(question));
        program.add(first.until(school.does(Habit.DRIES_FIRST) ? Until.DRY : Until.DRAINED));
        if (careful) {
            program.add(held(Stage.DRAIN, rate, LOW_DRAIN_C, rules.lowHold(), "a wax-like material runs out here"));
        }
        if (school.does(Habit.SLOW)) {
            program.add(held(Stage.DRY_OUT, rate, BLOCK_DRY_C, rules.blockDry(), "least hold of a block")
                    .until(Until.DRY));
        } else if (school.does(Habit.SLOW_INVERSION)) {
            program.add(straight(Stage.INVERSION, rate, INVERSION_FROM_C, "ramp limit of the mold's size"));
        }
        if (question.anyHotDrain() || school.does(Habit.HOT_DRAIN)) {
            program.add(held(
                            Stage.DRAIN,
                            slow,
                            question.drainC().orElse(careful ? HIGH_DRAIN_C : HOT_DRAIN_C),
                            careful ? rules.lowHold() : rules.hotDrain(),
                            "plastics flow only now")
                    .until(Until.FLOWS));
        }
        program.add(
                school.does(Habit.SLOW_INVERSION)
                        ? straight(Stage.INVERSION, slow, INVERSION_TO_C, "slowly through the cristobalite inversion")
                        : straight(Stage.INVERSION, rate, INVERSION_TO_C, "in one ramp, at the limit of its size"));
        if (question.anyChar() || school.does(Habit.CARBON)) {
            boolean longAir = careful || school.does(Habit.ASH_OUT);
            program.add(held(
                            Stage.CARBON,
                            rate,
                            careful ? LOW_CARBON_C : CARBON_C,
                            longAir ? rules.longCarbon() : rules.carbon(),
                            "char burns with air, vent open")
                    .until(Until.CHARS));
        }
        program.add(held(Stage.BURN_OUT, rate, question.top(), rules.soak(), soakRule(question))
                .until(Until.BURNT));
        ends(question, rules, program, rate, slow);
        return program;
    }

    /** The everyday programs: a level at each temperature, its way there counted, longer where the middle asks. */
    private List<Segment> levels(BurnoutQuestion question, BurnoutRules rules) {
        BurnoutSchool school = question.school();
        double rate = rules.ramp().value();
        double top = question.top();
        List<Segment> program = new ArrayList<>();
        Figure drain = rules.leftOf(Level.DRAIN, BurnoutQuestion.START_C, DRY_C, rate);
        program.add(held(Stage.DRY_OUT, rate, DRY_C, drain, dryRule(question))
                .until(school.does(Habit.STEAMED) ? Until.NOTHING : Until.DRAINED));
        boolean ashOut = school.does(Habit.ASH_OUT);
        double from = DRY_C;
        if (question.anyHotDrain() || school.does(Habit.HOT_DRAIN)) {
            from = question.drainC().orElse(HOT_DRAIN_C);
            Figure hold = ashOut ? rules.hotDrain() : rules.halfOf(Level.STEPPED, DRY_C, from, rate);
            Segment hot = held(Stage.DRAIN, rate, from, hold, "plastics flow only now");
            program.add(ashOut ? hot.until(Until.FLOWS) : hot);
        }
        Figure stepped = from == DRY_C
                ? rules.leftOf(Level.STEPPED, from, STEPPED_C, rate)
                : rules.halfOf(Level.STEPPED, from, STEPPED_C, rate);
        program.add(
                held(Stage.INVERSION, rate, STEPPED_C, stepped, "level by size").until(Until.DRY));
        boolean chars = question.anyChar() || school.does(Habit.CARBON);
        program.add(held(
                        Stage.CARBON,
                        rate,
                        CARBON_C,
                        ashOut ? rules.longCarbon() : rules.leftOf(Level.CARBON, STEPPED_C, CARBON_C, rate),
                        chars ? "char burns with air, vent open" : "level by size")
                .until(chars ? Until.CHARS : Until.NOTHING));
        Figure soak = rules.leftOf(Level.TOP, CARBON_C, top, rate);
        program.add(held(Stage.BURN_OUT, rate, top, soak, soakRule(question)).until(Until.BURNT));
        ends(question, rules, program, rate, rate / 2);
        return program;
    }

    /** Down to the pours, by way of the hand where the ash is blown out. */
    private void ends(BurnoutQuestion question, BurnoutRules rules, List<Segment> program, double rate, double slow) {
        boolean ashOut = question.school().does(Habit.ASH_OUT);
        double down = Math.min(rate, FASTEST_DESCENT);
        Figure settle = rules.settle();
        if (ashOut) {
            program.add(straight(Stage.ASH_OUT, down, INVERSION_TO_C, "down again, as slowly as up"));
            program.add(straight(Stage.INVERSION, slow, INVERSION_FROM_C, "back through the inversion"));
            program.add(held(Stage.ASH_OUT, down, HAND_C, settle, "cool to the hand")
                    .until(Until.COLD));
            program.add(straight(Stage.REHEAT, rate, INVERSION_FROM_C, "ramp limit of the mold's size"));
            program.add(straight(Stage.INVERSION, slow, INVERSION_TO_C, "slowly through the inversion again"));
        }
        boolean levels = question.school().does(Habit.LEVELS) && !ashOut;
        double from = question.top();
        for (Figure pour : question.pours()) {
            boolean first = from == question.top();
            Figure rest = levels && first ? rules.leftOf(Level.POUR, from, pour.value(), down) : settle;
            program.add(held(
                            first && ashOut ? Stage.REHEAT : Stage.DESCEND,
                            first && ashOut ? rate : down,
                            pour.value(),
                            rest,
                            "rest before the pour")
                    .until(Until.WITHIN));
            from = pour.value();
        }
    }

    private static String dryRule(BurnoutQuestion question) {
        String dry = question.school().does(Habit.LEVELS) ? "level by size" : "least hold";
        return question.anyWax() && !question.school().does(Habit.STEAMED) ? dry + ", wax drains" : dry;
    }

    private static String soakRule(BurnoutQuestion question) {
        return question.anyChar() ? "core over 680 °C 2½ h: resin or plastic" : "core over 680 °C 1 h: wax";
    }

    private static Segment held(Stage stage, double rate, double target, Figure hold, String ruledBy) {
        return new Segment(stage, rate, target, Segment.rounded(hold.value()), hold, ruledBy);
    }

    private static Segment straight(Stage stage, double rate, double target, String ruledBy) {
        Figure none = Figure.given("hold", "no hold", 0, MINUTE, Known.CHOSEN, 0);
        return new Segment(stage, rate, target, 0, none, ruledBy);
    }

    static Figure total(List<Segment> segments) {
        List<Figure> times = new ArrayList<>();
        double from = BurnoutQuestion.START_C;
        for (int i = 0; i < segments.size(); i++) {
            Segment s = segments.get(i);
            String name = s.stage().label() + " to " + Math.round(s.target()) + " °C";
            times.add(Figure.computed("t" + (i + 1), name, MINUTE)
                    .by(
                            SEGMENT,
                            Figure.given("ramp_time", "its ramp", s.rampMinutes(from), MINUTE, Known.COMPUTED, 0),
                            s.holdSum().as("hold"),
                            Figure.given(
                                    "rounding",
                                    "set to full five minutes",
                                    s.hold() - s.holdSum().value(),
                                    MINUTE,
                                    Known.CHOSEN,
                                    0)));
            from = s.target();
        }
        return Figure.computed("program", "whole program, ramps and holds", MINUTE)
                .total(times);
    }

    private List<Duty> duties(BurnoutQuestion question, BurnoutProgram program, Optional<HeldProgram> held) {
        List<Duty> duties = new ArrayList<>();
        double stand =
                question.load().stream().mapToDouble(Subject::stand).max().orElse(0)
                        + MixSchool.VACUUM.minutesToLastMove(factors);
        duties.add(new Duty(
                Duty.Kind.MIX, -stand, "Powder is silica dust: P100 or FFP3 mask. It has to stand before the kiln."));
        boolean steamed = question.school().does(Habit.STEAMED);
        if (steamed) {
            duties.add(new Duty(
                    Duty.Kind.STEAM,
                    -STEAMING_MIN,
                    "Steam burns at once; hot wax floats. Wrap a mold that waits for the kiln."));
        }
        duties.add(new Duty(
                Duty.Kind.CLOSE_KILN,
                0,
                "Cup down, tray under, hood on: wax smoke, carbon monoxide. Clear of all that burns."));
        if (!steamed) {
            drain(question, program, held, duties);
        }
        List<BurnoutProgram.Timed> timed = program.timed();
        if (question.anyChar() || question.school().does(Habit.CARBON)) {
            timed.stream()
                    .filter(t -> t.segment().stage() == Stage.CARBON)
                    .findFirst()
                    .ifPresent(t -> duties.add(
                            new Duty(Duty.Kind.OPEN_VENT, t.begins(), "Char needs air. Fume: hood and outside vent.")));
        }
        program.risesPast(VENT_C)
                .ifPresent(
                        at -> duties.add(new Duty(Duty.Kind.CLOSE_VENT, at, "Hot lid and vent: gloves, face shield.")));
        if (question.school().does(Habit.CAREFUL)) {
            timed.stream()
                    .filter(t -> t.segment().hold() > 0 && t.segment().stage() != Stage.DESCEND)
                    .forEach(
                            t -> duties.add(
                                    new Duty(
                                            Duty.Kind.LOOK,
                                            t.reached(),
                                            "Unknown material: someone stays with its first firing. Fume outdoors only; kiln off if it flames.")));
        }
        timed.stream()
                .filter(t -> t.segment().until() == Until.COLD)
                .forEach(t -> duties.add(new Duty(
                        Duty.Kind.BLOW_ASH,
                        t.ends(),
                        "Clear air only, out of the cup; ash is dust: mask and goggles.")));
        pours(question, timed, duties);
        return duties;
    }

    /** The end of each hold for a pour, or of the whole program. */
    private static void pours(BurnoutQuestion question, List<BurnoutProgram.Timed> timed, List<Duty> duties) {
        List<BurnoutProgram.Timed> ends =
                timed.stream().filter(t -> t.segment().until() == Until.WITHIN).toList();
        List<BurnoutProgram.Timed> all =
                ends.isEmpty() && !timed.isEmpty() ? timed.subList(timed.size() - 1, timed.size()) : ends;
        for (BurnoutProgram.Timed t : all) {
            duties.add(new Duty(
                    Duty.Kind.POUR,
                    t.ends(),
                    "All that meets metal dry and hot. Face shield, leather, natural fibres; two people for a lift."));
        }
    }

    /**
     * The tray is drawn when the pattern has run through: the middle of the slowest mold is so hot that it has melted there,
     * whether it is dry or not. Without a simulation, or where the program never gets so far, at the end of the draining hold.
     */
    private static void drain(
            BurnoutQuestion question, BurnoutProgram program, Optional<HeldProgram> held, List<Duty> duties) {
        boolean hot = question.anyHotDrain();
        if (!question.anyWax() && !hot) {
            return;
        }
        double at = held.map(HeldProgram::drained)
                .orElse(OptionalDouble.empty())
                .orElseGet(() -> program.timed().stream()
                        .filter(t -> t.segment().stage() == (hot ? Stage.DRAIN : Stage.DRY_OUT))
                        .mapToDouble(BurnoutProgram.Timed::ends)
                        .max()
                        .orElse(0));
        if (at == 0) {
            return;
        }
        duties.add(new Duty(
                Duty.Kind.DRAIN_TRAY,
                at,
                "Hot wax burns: kiln off while the door is open, lid at hand, no water on it."));
        if (question.school().turnsCupUp()) {
            duties.add(
                    new Duty(Duty.Kind.TURN_FLASK, at, "With the tray: tongs, gloves; set it down gently, marks up."));
        }
    }

    private Findings check(BurnoutQuestion question, HeldProgram held, Optional<Kiln> kiln) {
        List<Finding> found = new ArrayList<>();
        if (question.school() == BurnoutSchool.QUICK_SMALL && question.diameter() > QUICK_MOST_MM) {
            found.add(Finding.warn(
                    "quick-large",
                    "school",
                    String.format(
                            Locale.ROOT, "A quick program for a mold of %.0f mm; it is for 65.", question.diameter()),
                    "Its rim is through the inversion while the middle is still cold.",
                    "Take the standard steps."));
        }
        found.addAll(HeldChecks.check(question, held, kiln, factors).all());
        found.add(Finding.note(
                "simulated",
                "program",
                "The holds come from a simulation of the mold, solid throughout; it is a model (M).",
                "Your mix, kiln and thermocouple differ from it.",
                "Prove dryness by weighing; the supplier's sheet wins where it asks for more."));
        ash(question).ifPresent(found::add);
        Findings all = new Findings(found);
        for (Subject s : question.load()) {
            all = all.and(MoldChecks.check(s.alloy(), s.system(), Optional.empty(), s.pour()));
        }
        return all;
    }

    /** What no heat burns away: it has to be blown out. */
    private static Optional<Finding> ash(BurnoutQuestion question) {
        double ash = question.load().stream().mapToDouble(Subject::ash).max().orElse(0);
        if (ash == 0) {
            return Optional.empty();
        }
        boolean blown = question.school().does(Habit.ASH_OUT);
        String message =
                String.format(Locale.ROOT, "Some %.1f %% of the pattern stays as mineral ash, whatever the heat.", ash);
        String reason = "Char burns away with air, ash does not: in the cavity it is an inclusion in the casting.";
        Figure figure = Figure.given("ash", "mineral ash", ash, Measure.PERCENT, Known.DEFAULT, 0);
        return Optional.of((blown
                        ? Finding.note("ash", "program", message, reason, "It is blown out of the cold mold.")
                        : Finding.warn(
                                "ash",
                                "program",
                                message,
                                reason,
                                "Cool to the hand, blow it out, heat again: the school \"filament and resin\"."))
                .from(figure));
    }

    private BurnoutProgram none(BurnoutQuestion question) {
        Figure nothing = Figure.given("program", "whole program", 0, Measure.MINUTE, Known.CHOSEN, 0);
        Figure noMold = Figure.given("mold", "mold at the pour", 0, DEGREE_CELSIUS, Known.CHOSEN, 0);
        Optional<Subject> bySupplier = question.load().stream()
                .filter(s -> Double.isNaN(s.system().burnoutC()))
                .findFirst();
        String metal = question.load().stream()
                .filter(s -> s.pour().isEmpty())
                .map(s -> s.alloy().label())
                .findFirst()
                .orElse("this metal");
        Finding stop = Finding.stop(
                "no-program",
                "program",
                bySupplier
                        .map(s ->
                                "There is no program by rule for " + s.system().label() + ".")
                        .orElse("There is no usual mold temperature for " + metal + "."),
                "A guessed program loses the mold.",
                bySupplier.isPresent()
                        ? "Follow the supplier's sheet; plan the firing by it."
                        : "Type the mold temperature your supplier gives.");
        return new BurnoutProgram(
                BurnoutQuestion.START_C, List.of(), nothing, noMold, List.of(), new Findings(List.of(stop)));
    }
}
