package kilnryu.core.burnout;

import static kilnryu.core.quantity.Measure.DEGREE_CELSIUS;
import static kilnryu.core.quantity.Measure.MINUTE;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.flask.MixSchool;
import kilnryu.core.flask.MoldChecks;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/**
 * Builds a program by the rules of handbook 7: dry out, drain, slowly through the inversion, carbon, burn out, come
 * down and settle. Rates are the ramp limits of the flask's size, holds come from {@link BurnoutRules}.
 */
public final class ProgramGenerator {
    static final double DRY_C = 150;
    private static final double HOT_DRAIN_C = 230;
    private static final double INVERSION_FROM_C = 200;
    private static final double INVERSION_TO_C = 280;
    private static final double STEPPED_C = 370;
    private static final double CARBON_C = 480;
    private static final double VENT_C = 550;
    /** The core has to pass this for the pattern to be gone. */
    private static final double CORE_C = 680;

    private static final double FASTEST_DESCENT = 200;
    private static final double LARGEST_STEP_K = 75;

    private final Factors factors;

    public ProgramGenerator(Factors factors) {
        this.factors = factors;
    }

    public static List<Constant> constants() {
        return BurnoutRules.constants();
    }

    /**
     * The program, or one without segments and with a stop when no rule covers the mold.
     */
    public BurnoutProgram generate(BurnoutQuestion question) {
        InvestmentSystem system = question.flask().flask().system();
        Optional<Figure> mold = mold(question);
        if (Double.isNaN(system.burnoutC()) || mold.isEmpty()) {
            return none(question, system);
        }
        List<Segment> segments = segments(question, mold.get());
        if (question.school().bySteps()) {
            segments = Steps.of(segments, LARGEST_STEP_K, BurnoutQuestion.START_C);
        }
        BurnoutProgram bare = new BurnoutProgram(
                BurnoutQuestion.START_C, segments, total(segments), mold.get(), List.of(), Findings.NONE);
        return new BurnoutProgram(
                bare.startC(), segments, bare.total(), mold.get(), duties(question, bare), check(question, bare));
    }

    private static Optional<Figure> mold(BurnoutQuestion question) {
        if (question.mold().isPresent()) {
            double celsius = question.mold().get().celsius();
            return Optional.of(Figure.given("mold", "mold at the pour", celsius, DEGREE_CELSIUS, Known.CHOSEN, 0));
        }
        return question.section().flaskTemperature(question.alloy());
    }

    private List<Segment> segments(BurnoutQuestion question, Figure mold) {
        BurnoutRules rules = new BurnoutRules(question, factors);
        double rate = rules.ramp().value();
        double slow = rules.slowRamp().value();
        double top = question.flask().flask().system().burnoutC();
        List<Segment> program = new ArrayList<>();
        Figure dry = question.school().driesFirst() ? rules.dryOut() : rules.stepped();
        program.add(held(Stage.DRY_OUT, rate, DRY_C, dry, dryRule(question)));
        program.add(straight(Stage.INVERSION, rate, INVERSION_FROM_C, "ramp limit of the flask's size"));
        if (question.anyHotDrain()) {
            program.add(held(Stage.DRAIN, slow, HOT_DRAIN_C, rules.hotDrain(), "plastics flow only now"));
        }
        program.add(straight(Stage.INVERSION, slow, INVERSION_TO_C, "slowly through the cristobalite inversion"));
        if (!question.school().driesFirst()) {
            program.add(held(Stage.INVERSION, rate, STEPPED_C, rules.stepped(), "stepped hold, last water leaves"));
        }
        if (question.anyChar()) {
            program.add(held(Stage.CARBON, rate, CARBON_C, rules.carbon(), "char burns with air, vent open"));
        }
        program.add(held(Stage.BURN_OUT, rate, top, rules.soak(), soakRule(question)));
        program.add(
                held(Stage.DESCEND, Math.min(rate, FASTEST_DESCENT), mold.value(), rules.settle(), "core within 15 K"));
        return program;
    }

    private static String dryRule(BurnoutQuestion question) {
        String dry = question.school().driesFirst() ? "water at the middle, by estimate" : "hold by size";
        return question.anyWax() ? dry + "; wax drains" : dry;
    }

    private static String soakRule(BurnoutQuestion question) {
        return question.anyChar() ? "core over 680 °C 2½ h: resin or plastic" : "core over 680 °C 1 h: wax";
    }

    private static Segment held(Stage stage, double rate, double target, Figure hold, String ruledBy) {
        return new Segment(stage, rate, target, (int) Math.ceil(hold.value() / 5 - 1e-9) * 5, hold, ruledBy);
    }

    private static Segment straight(Stage stage, double rate, double target, String ruledBy) {
        Figure none = Figure.given("hold", "no hold", 0, MINUTE, Known.CHOSEN, 0);
        return new Segment(stage, rate, target, 0, none, ruledBy);
    }

    private static Figure total(List<Segment> segments) {
        List<Figure> times = new ArrayList<>();
        double from = BurnoutQuestion.START_C;
        for (int i = 0; i < segments.size(); i++) {
            Segment s = segments.get(i);
            String name = s.stage().label() + " to " + Math.round(s.target()) + " °C";
            times.add(Figure.given("t" + (i + 1), name, s.rampMinutes(from) + s.hold(), MINUTE, Known.COMPUTED, 0));
            from = s.target();
        }
        return Figure.computed("program", "whole program, ramps and holds", MINUTE)
                .total(times);
    }

    private List<Duty> duties(BurnoutQuestion question, BurnoutProgram program) {
        List<Duty> duties = new ArrayList<>();
        double stand = question.flask().stand().value() + MixSchool.VACUUM.minutesToLastMove(factors);
        duties.add(new Duty(
                Duty.Kind.MIX, -stand, "Powder is silica dust: P100 or FFP3 mask. It has to stand before the kiln."));
        duties.add(new Duty(
                Duty.Kind.CLOSE_KILN,
                0,
                "Cup down, tray under, hood on: wax smoke, carbon monoxide. Clear of all that burns."));
        drain(question, program, duties);
        program.timed().stream()
                .filter(t -> t.segment().stage() == Stage.CARBON)
                .findFirst()
                .ifPresent(t -> duties.add(
                        new Duty(Duty.Kind.OPEN_VENT, t.begins(), "Char needs air. Fume: hood and outside vent.")));
        program.risesPast(VENT_C)
                .ifPresent(
                        at -> duties.add(new Duty(Duty.Kind.CLOSE_VENT, at, "Hot lid and vent: gloves, face shield.")));
        duties.add(new Duty(
                Duty.Kind.POUR,
                program.minutes(),
                "All that meets metal dry and hot. Face shield, leather, natural fibres; two people for a lift."));
        return duties;
    }

    private static void drain(BurnoutQuestion question, BurnoutProgram program, List<Duty> duties) {
        if (!question.anyWax() && !question.anyHotDrain()) {
            return;
        }
        Stage last = question.anyHotDrain() ? Stage.DRAIN : Stage.DRY_OUT;
        double at = program.timed().stream()
                .filter(t -> t.segment().stage() == last)
                .mapToDouble(BurnoutProgram.Timed::ends)
                .max()
                .orElse(0);
        duties.add(new Duty(
                Duty.Kind.DRAIN_TRAY,
                at,
                "Hot wax burns: kiln off while the door is open, lid at hand, no water on it."));
        if (question.school().turnsCupUp()) {
            duties.add(
                    new Duty(Duty.Kind.TURN_FLASK, at, "With the tray: tongs, gloves; set it down gently, marks up."));
        }
    }

    private static Findings check(BurnoutQuestion question, BurnoutProgram program) {
        List<Finding> found = new ArrayList<>();
        InvestmentSystem system = question.flask().flask().system();
        kiln(question, system, found);
        found.add(Finding.note(
                "by-rule",
                "program",
                "The program comes from rules; its holds do not follow the heat in the mold yet.",
                "The middle of a mold dries and heats later than the kiln shows.",
                "Prove dryness by weighing; the supplier's sheet wins where it asks for more."));
        if (!question.school().driesFirst()) {
            wetAfterHold(question, program, found);
        }
        if (question.anyChar()) {
            found.add(Finding.note(
                    "ash",
                    "program",
                    "Resin, plastic or plant matter can leave ash.",
                    "Ash in the cavity is an inclusion in the casting.",
                    "Where ash is seen: cool to handling, blow out, heat again."));
        }
        return new Findings(found)
                .and(MoldChecks.check(question.alloy(), system, Optional.empty(), Optional.of(program.mold())));
    }

    private static void wetAfterHold(BurnoutQuestion question, BurnoutProgram program, List<Finding> found) {
        Figure dry = new BurnoutRules(question, Factors.HANDBOOK).dryOut();
        if (dry.value() > program.segments().get(0).hold()) {
            found.add(Finding.warn(
                            "wet-after-hold",
                            "program",
                            String.format(
                                    Locale.ROOT,
                                    "By estimate the middle is dry only after %.1f h at 150 °C; the hold is %.1f h.",
                                    dry.value() / 60,
                                    program.segments().get(0).hold() / 60.0),
                            "The rest leaves as steam on the way to 370 °C and can crack a weak or large mold.",
                            "Keep the ramp slow, or take the school \"dry first\".")
                    .from(dry));
        }
    }

    private static void kiln(BurnoutQuestion question, InvestmentSystem system, List<Finding> found) {
        double top = system.burnoutC();
        question.kilnMax()
                .filter(max -> max.celsius() < top)
                .ifPresent(max -> found.add(Finding.stop(
                        "kiln-too-cool",
                        "kiln_max",
                        String.format(
                                Locale.ROOT,
                                "The kiln reaches %.0f °C; this burnout needs %.0f °C.",
                                max.celsius(),
                                top),
                        max.celsius() < CORE_C
                                ? "Below 680 °C the pattern does not burn out."
                                : "The core would pass 680 °C late or never.",
                        "Use a hotter kiln.")));
    }

    private BurnoutProgram none(BurnoutQuestion question, InvestmentSystem system) {
        Figure nothing = Figure.given("program", "whole program", 0, Measure.MINUTE, Known.CHOSEN, 0);
        Figure noMold = Figure.given("mold", "mold at the pour", 0, DEGREE_CELSIUS, Known.CHOSEN, 0);
        boolean bySupplier = Double.isNaN(system.burnoutC());
        Finding stop = Finding.stop(
                "no-program",
                "program",
                bySupplier
                        ? "There is no program by rule for " + system.label() + "."
                        : "There is no usual mold temperature for "
                                + question.alloy().label() + ".",
                "A guessed program loses the mold.",
                bySupplier
                        ? "Follow the supplier's sheet; plan the firing by it."
                        : "Type the mold temperature your supplier gives.");
        return new BurnoutProgram(
                BurnoutQuestion.START_C, List.of(), nothing, noMold, List.of(), new Findings(List.of(stop)));
    }
}
