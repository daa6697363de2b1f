package kilnryu.core.burnout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.block.BlockPlanner;
import kilnryu.core.block.BlockQuestion;
import kilnryu.core.block.BlockQuestion.Mix;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.flask.Flask;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/**
 * What each school's program consists of before the simulation lengthens it: levels, rates, rules and duties of handbook 7,
 * by hand.
 */
class SchoolsProgramsTest {
    private static final PatternMaterial WAX = PatternMaterial.INJECTION_WAX;
    private static final PatternMaterial PLA = PatternMaterial.FILAMENT_PLA;

    /** Holds stay at their minimum. */
    private final ProgramGenerator bare = new ProgramGenerator(Factors.HANDBOOK, (rough, q) -> unlengthened(rough, q));

    private static HeldProgram unlengthened(List<Segment> rough, HeldProgram.Question q) {
        return HeldProgram.of(
                rough, new HeldProgram.Question(q.load(), q.kiln(), BurnoutQuestion.START_C, q.detail(), false));
    }

    private static Subject flask(String name, double mm, Optional<Double> pour, PatternMaterial... patterns) {
        Flask flask = new Flask(
                Length.millimetres(mm),
                Length.millimetres(mm * 1.5),
                Volume.cubicCentimetres(10),
                Optional.empty(),
                InvestmentSystem.GYPSUM_JEWELRY,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty());
        Optional<Figure> mold = pour.map(c -> Figure.given("mold", "mold", c, Measure.DEGREE_CELSIUS, Known.CHOSEN, 0));
        return Subject.of(
                new Subject.Tree(name, Set.of(patterns), Alloy.AG_925, mold),
                new FlaskPlanner(Factors.HANDBOOK).plan(flask));
    }

    private static BurnoutQuestion asked(BurnoutSchool school, double mm, PatternMaterial... patterns) {
        return new BurnoutQuestion(flask("reed", mm, Optional.of(620.0), patterns), school, Optional.empty());
    }

    private BurnoutProgram program(BurnoutSchool school, double mm, PatternMaterial... patterns) {
        return bare.generate(asked(school, mm, patterns));
    }

    private static List<Duty> of(BurnoutProgram program, Duty.Kind kind) {
        return program.duties().stream().filter(d -> d.kind() == kind).toList();
    }

    private static List<Double> asked(BurnoutProgram program) {
        return program.segments().stream().map(s -> s.holdSum().value()).toList();
    }

    private static void holds(BurnoutProgram program, double... minutes) {
        assertThat(asked(program)).hasSize(minutes.length);
        for (int i = 0; i < minutes.length; i++) {
            assertThat(asked(program).get(i)).as("hold " + (i + 1)).isCloseTo(minutes[i], within(0.01));
        }
    }

    // ---- levels

    /** D 100, 200 K/h: 120 - 39, 120 - 66, 120 - 33, 210 - 75, 105 - 33 minutes are left of the levels. */
    @Test
    void standardStepsOfWax() {
        BurnoutProgram program = program(BurnoutSchool.STANDARD, 100, WAX);
        assertThat(program.segments())
                .extracting(Segment::stage, Segment::rate, Segment::target, Segment::until, Segment::ruledBy)
                .containsExactly(
                        tuple(Stage.DRY_OUT, 200.0, 150.0, Until.DRAINED, "level by size, wax drains"),
                        tuple(Stage.INVERSION, 200.0, 370.0, Until.DRY, "level by size"),
                        tuple(Stage.CARBON, 200.0, 480.0, Until.NOTHING, "level by size"),
                        tuple(Stage.BURN_OUT, 200.0, 730.0, Until.BURNT, "core over 680 °C 1 h: wax"),
                        tuple(Stage.DESCEND, 200.0, 620.0, Until.WITHIN, "rest before the pour"));
        holds(program, 81, 54, 87, 135, 72);
        assertThat(of(program, Duty.Kind.OPEN_VENT)).isEmpty();
        assertThat(of(program, Duty.Kind.LOOK)).isEmpty();
        assertThat(of(program, Duty.Kind.BLOW_ASH)).isEmpty();
    }

    /** D 65 of filament takes the class of 80: 120 - 26; half of 90 at 230 and half at 370; 60 - 22; 120 - 50; 60 - 33. */
    @Test
    void filamentByTheStandardSteps() {
        BurnoutProgram program = program(BurnoutSchool.STANDARD, 65, PLA);
        assertThat(program.segments())
                .extracting(Segment::stage, Segment::rate, Segment::target, Segment::until, Segment::ruledBy)
                .containsExactly(
                        tuple(Stage.DRY_OUT, 300.0, 150.0, Until.DRAINED, "level by size"),
                        tuple(Stage.DRAIN, 300.0, 230.0, Until.NOTHING, "plastics flow only now"),
                        tuple(Stage.INVERSION, 300.0, 370.0, Until.DRY, "level by size"),
                        tuple(Stage.CARBON, 300.0, 480.0, Until.CHARS, "char burns with air, vent open"),
                        tuple(Stage.BURN_OUT, 300.0, 730.0, Until.BURNT, "core over 680 °C 2½ h: resin or plastic"),
                        tuple(Stage.DESCEND, 200.0, 620.0, Until.WITHIN, "rest before the pour"));
        holds(program, 94, 29, 17, 38, 70, 27);
        // air from the moment the way to 480 begins: 26 + 95, 16 + 30, 28 + 20 minutes
        assertThat(of(program, Duty.Kind.OPEN_VENT)).hasSize(1);
        assertThat(of(program, Duty.Kind.OPEN_VENT).get(0).minute())
                .isCloseTo(26 + 95 + 16 + 30 + 28 + 20, within(1e-6));
    }

    /** Steamed out it waits for nothing at 150 and drains into no tray. */
    @Test
    void steamFirst() {
        BurnoutProgram program = program(BurnoutSchool.STEAM_FIRST, 100, WAX);
        assertThat(program.segments().get(0).until()).isEqualTo(Until.NOTHING);
        assertThat(program.segments().get(0).ruledBy()).isEqualTo("level by size");
        assertThat(of(program, Duty.Kind.STEAM)).extracting(Duty::minute).containsExactly(-60.0);
        assertThat(of(program, Duty.Kind.DRAIN_TRAY)).isEmpty();
        assertThat(of(program, Duty.Kind.TURN_FLASK)).isEmpty();
    }

    /** Down to the hand and up again: 280, 200 at half the rate, 60, 200, 280, then up to the pour. */
    @Test
    void ashIsBlownOut() {
        BurnoutProgram program = program(BurnoutSchool.PLASTIC_ASH_OUT, 65, PLA);
        assertThat(program.segments())
                .extracting(Segment::stage, Segment::rate, Segment::target, Segment::until)
                .containsExactly(
                        tuple(Stage.DRY_OUT, 300.0, 150.0, Until.DRAINED),
                        tuple(Stage.DRAIN, 300.0, 230.0, Until.FLOWS),
                        tuple(Stage.INVERSION, 300.0, 370.0, Until.DRY),
                        tuple(Stage.CARBON, 300.0, 480.0, Until.CHARS),
                        tuple(Stage.BURN_OUT, 300.0, 730.0, Until.BURNT),
                        tuple(Stage.ASH_OUT, 200.0, 280.0, Until.NOTHING),
                        tuple(Stage.INVERSION, 150.0, 200.0, Until.NOTHING),
                        tuple(Stage.ASH_OUT, 200.0, 60.0, Until.COLD),
                        tuple(Stage.REHEAT, 300.0, 200.0, Until.NOTHING),
                        tuple(Stage.INVERSION, 150.0, 280.0, Until.NOTHING),
                        tuple(Stage.REHEAT, 300.0, 620.0, Until.WITHIN));
        List<Duty> blown = of(program, Duty.Kind.BLOW_ASH);
        assertThat(blown).hasSize(1);
        BurnoutProgram.Timed cold = program.timed().get(7);
        assertThat(blown.get(0).minute()).isEqualTo(cold.ends());
        // wax in it changes nothing of the levels but that air is opened all the same
        assertThat(of(program(BurnoutSchool.PLASTIC_ASH_OUT, 65, WAX), Duty.Kind.OPEN_VENT))
                .hasSize(1);
    }

    // ---- ramps

    @Test
    void dryFirstAndItsSlowInversion() {
        BurnoutProgram program = program(BurnoutSchool.DRY_FIRST, 100, WAX);
        assertThat(program.segments())
                .extracting(Segment::stage, Segment::rate, Segment::target, Segment::until, Segment::ruledBy)
                .containsExactly(
                        tuple(Stage.DRY_OUT, 200.0, 150.0, Until.DRY, "least hold, wax drains"),
                        tuple(Stage.INVERSION, 200.0, 200.0, Until.NOTHING, "ramp limit of the mold's size"),
                        tuple(
                                Stage.INVERSION,
                                100.0,
                                280.0,
                                Until.NOTHING,
                                "slowly through the cristobalite inversion"),
                        tuple(Stage.BURN_OUT, 200.0, 730.0, Until.BURNT, "core over 680 °C 1 h: wax"),
                        tuple(Stage.DESCEND, 200.0, 620.0, Until.WITHIN, "rest before the pour"));
        assertThat(program(BurnoutSchool.DRY_FIRST, 100, PLA).segments())
                .extracting(Segment::stage)
                .containsExactly(
                        Stage.DRY_OUT,
                        Stage.INVERSION,
                        Stage.DRAIN,
                        Stage.INVERSION,
                        Stage.CARBON,
                        Stage.BURN_OUT,
                        Stage.DESCEND);
        assertThat(program(BurnoutSchool.QUICK_SMALL, 65, WAX).segments())
                .extracting(Segment::ruledBy)
                .contains("in one ramp, at the limit of its size");
    }

    /** Someone looks at each hold of an unknown material on the way up, where it is reached. */
    @Test
    void anUnknownMaterialIsLookedAtAtEachHold() {
        BurnoutProgram program = program(BurnoutSchool.UNKNOWN_SLOW, 100, PLA);
        assertThat(program.segments())
                .extracting(Segment::stage, Segment::rate, Segment::target)
                .containsExactly(
                        tuple(Stage.DRY_OUT, 100.0, 150.0),
                        tuple(Stage.DRAIN, 100.0, 180.0),
                        tuple(Stage.INVERSION, 100.0, 200.0),
                        tuple(Stage.DRAIN, 50.0, 260.0),
                        tuple(Stage.INVERSION, 50.0, 280.0),
                        tuple(Stage.CARBON, 100.0, 400.0),
                        tuple(Stage.BURN_OUT, 100.0, 730.0),
                        tuple(Stage.DESCEND, 100.0, 620.0));
        List<Double> reached = program.timed().stream()
                .filter(t -> List.of(150.0, 180.0, 260.0, 400.0, 730.0)
                        .contains(t.segment().target()))
                .map(BurnoutProgram.Timed::reached)
                .toList();
        assertThat(of(program, Duty.Kind.LOOK)).extracting(Duty::minute).containsExactlyElementsOf(reached);
        assertThat(of(program, Duty.Kind.OPEN_VENT)).hasSize(1);
    }

    /** A block of its own: cured 12 h and more before the kiln, its mold as large as it is outside. */
    @Test
    void aBlock() {
        Figure density = Figure.given("d", "density", 2.5, Measure.GRAM_PER_CM3, Known.CHOSEN, 0);
        Figure water = Figure.given("W", "water", 60, Measure.PER_100, Known.CHOSEN, 0);
        Mix mix = new Mix("plaster and sand", density, water, 50, false);
        BlockPlan plan = new BlockPlanner(Factors.HANDBOOK)
                .plan(new BlockQuestion(
                        BlockQuestion.Shape.BOX,
                        100,
                        80,
                        200,
                        Figure.given("tree", "tree", 400, Measure.CUBIC_CENTIMETRE, Known.MEASURED, 0),
                        Figure.given("area", "area", 600, Measure.SQUARE_CENTIMETRE, Known.MEASURED, 0),
                        Optional.empty(),
                        OptionalDouble.of(40),
                        OptionalDouble.empty(),
                        Optional.empty(),
                        mix,
                        mix,
                        20,
                        50,
                        OptionalDouble.empty(),
                        BlockQuestion.Row.ONE));
        Figure pour = Figure.given("mold", "mold", 400, Measure.DEGREE_CELSIUS, Known.CHOSEN, 0);
        Subject block = Subject.of(new Subject.Tree("heron", Set.of(WAX), Alloy.SI_BRONZE, Optional.of(pour)), plan);
        assertThat(block.block()).isTrue();
        assertThat(block.system()).isEqualTo(InvestmentSystem.PLASTER_SILICA);
        assertThat(block.waterPer100().value()).isCloseTo(60, within(1e-9));
        assertThat(block.height()).isEqualTo(plan.outerHeight());
        assertThat(block.kilograms()).isCloseTo(plan.wet().value() / 1000, within(1e-9));
        assertThat(block.stand()).isCloseTo(plan.cure().value() * 60, within(1e-9));
        // 100 + 2 x 40 by 80 + 2 x 40 outside
        assertThat(plan.outerWidth()).isCloseTo(180, within(1e-6));
        assertThat(plan.outerDepth()).isCloseTo(160, within(1e-6));
        // pi2 (1/180^2 + 1/160^2) = (2 x 2.4048 / D)^2
        assertThat(block.diameter()).isCloseTo(183.08, within(0.01));
        assertThat(block.mold().across()).isCloseTo(0.18308, within(0.00001));
        BurnoutProgram program = bare.generate(new BurnoutQuestion(block, BurnoutSchool.SLOW_BLOCK, Optional.empty()));
        assertThat(program.segments())
                .extracting(Segment::stage, Segment::rate, Segment::target, Segment::until)
                .startsWith(
                        tuple(Stage.DRY_OUT, 30.0, 150.0, Until.DRAINED), tuple(Stage.DRY_OUT, 30.0, 250.0, Until.DRY));
        assertThat(program.segments()).extracting(Segment::stage).contains(Stage.CARBON);
    }

    @ParameterizedTest
    @CsvSource({
        "false, 65, 1, 300",
        "false, 100, 1, 200",
        "false, 150, 1, 120",
        "false, 151, 1, 60",
        "true, 65, 50, 30",
        "true, 65, 51, 18"
    })
    void fastestRamps(boolean block, double mm, double kilograms, double limit) {
        assertThat(ProgramGenerator.fastestRamp(block, mm, kilograms)).isEqualTo(limit);
    }

    // ---- a program that is given

    private BurnoutProgram given(BurnoutQuestion question, Segment... segments) {
        return bare.tried(question, Arrays.asList(segments), Optional.empty(), KilnRun.Detail.QUICK, false);
    }

    private static Segment line(Stage stage, double rate, double target, int hold, Until until) {
        Figure sum = Figure.given("hold", "hold", hold, Measure.MINUTE, Known.CHOSEN, 0);
        return new Segment(stage, rate, target, hold, until, sum, "typed");
    }

    /** Never so hot that the wax has run through: the tray comes out at the end of the draining hold, the pour at the end. */
    @Test
    void aProgramThatEndsTooEarly() {
        BurnoutProgram wax = given(
                asked(BurnoutSchool.STANDARD, 150, WAX),
                line(Stage.DRY_OUT, 130, 150, 10, Until.DRY),
                line(Stage.BURN_OUT, 600, 160, 0, Until.NOTHING));
        assertThat(of(wax, Duty.Kind.DRAIN_TRAY)).extracting(Duty::minute).containsExactly(70.0);
        assertThat(of(wax, Duty.Kind.TURN_FLASK)).extracting(Duty::minute).containsExactly(70.0);
        assertThat(of(wax, Duty.Kind.POUR)).extracting(Duty::minute).containsExactly(71.0);
        BurnoutProgram plastic = given(
                asked(BurnoutSchool.STANDARD, 150, PLA),
                line(Stage.DRY_OUT, 130, 150, 10, Until.DRY),
                line(Stage.DRAIN, 480, 230, 20, Until.FLOWS),
                line(Stage.BURN_OUT, 600, 240, 0, Until.NOTHING));
        assertThat(of(plastic, Duty.Kind.DRAIN_TRAY)).extracting(Duty::minute).containsExactly(100.0);
        // neither a draining hold nor anything that runs: no tray
        assertThat(of(
                        given(asked(BurnoutSchool.STANDARD, 150, WAX), line(Stage.CARBON, 600, 80, 0, Until.NOTHING)),
                        Duty.Kind.DRAIN_TRAY))
                .isEmpty();
    }

    /** Without a temperature of the pour the mold is as hot as the last line asks. */
    @Test
    void aGivenProgramWithoutAPour() {
        BurnoutQuestion question =
                new BurnoutQuestion(flask("reed", 65, Optional.empty(), WAX), BurnoutSchool.STANDARD, Optional.empty());
        BurnoutProgram program = given(
                question,
                line(Stage.BURN_OUT, 600, 700, 60, Until.BURNT),
                line(Stage.DESCEND, 600, 480, 0, Until.WITHIN));
        assertThat(program.mold().value()).isEqualTo(480);
        assertThat(program.total().value()).isCloseTo(68 + 60 + 22, within(1e-9));
        assertThat(given(asked(BurnoutSchool.STANDARD, 65, WAX), line(Stage.BURN_OUT, 600, 700, 60, Until.BURNT))
                        .mold()
                        .value())
                .isEqualTo(620);
    }

    // ---- what stands against it

    private static Optional<Finding> finding(BurnoutProgram program, String id) {
        return program.findings().all().stream().filter(f -> f.id().equals(id)).findFirst();
    }

    @Test
    void theQuickProgramIsForSmallFlasks() {
        assertThat(finding(program(BurnoutSchool.QUICK_SMALL, 65, WAX), "quick-large"))
                .isEmpty();
        assertThat(finding(program(BurnoutSchool.QUICK_SMALL, 66, WAX), "quick-large")
                        .orElseThrow()
                        .message())
                .isEqualTo("A quick program for a mold of 66 mm; it is for 65.");
        assertThat(finding(program(BurnoutSchool.STANDARD, 66, WAX), "quick-large"))
                .isEmpty();
    }

    @ParameterizedTest
    @CsvSource({"729, true", "730, false", "900, false"})
    void aKilnThatDoesNotComeToTheTop(double max, boolean stops) {
        BurnoutQuestion q = asked(BurnoutSchool.STANDARD, 65, WAX);
        BurnoutProgram program =
                bare.generate(new BurnoutQuestion(q.load(), q.school(), Optional.of(Temperature.celsius(max))));
        assertThat(finding(program, "kiln-too-cool").isPresent()).isEqualTo(stops);
        assertThat(finding(program, "kiln-too-cool").map(Finding::message).orElse("The kiln reaches 729 °C;"))
                .startsWith("The kiln reaches 729 °C;");
    }

    /** Power for 20 + 2000 / 4 = 520 C at most: the stop says so once, and what never comes says how far the kiln comes. */
    @Test
    void aKilnWithTooLittlePower() {
        Kiln weak = new Kiln(2000, 4, 60_000);
        BurnoutProgram program = new ProgramGenerator(Factors.HANDBOOK)
                .generate(asked(BurnoutSchool.STANDARD, 65, WAX), Optional.of(weak), KilnRun.Detail.QUICK);
        assertThat(finding(program, "kiln-too-cool").orElseThrow().message())
                .isEqualTo("The kiln reaches 520 °C empty; the program asks 730.");
        assertThat(program.findings().all().stream().filter(f -> f.id().equals("kiln-too-cool")))
                .hasSize(1);
        Finding never = finding(program, "never-burnt").orElseThrow();
        assertThat(never.severity()).isEqualTo(Severity.STOP);
        assertThat(never.message()).startsWith("However long it holds at 730 °C: not ");
        double reached = Double.parseDouble(never.message().replaceAll(".*comes to (\\d+) °C there.*", "$1"));
        assertThat(reached).isBetween(480.0, 520.0);
    }

    /** Alone a mold is "the mold"; of two each is named. */
    @Test
    void ofSeveralMoldsEachIsNamed() {
        Segment cold = line(Stage.DRY_OUT, 130, 90, 0, Until.NOTHING);
        assertThat(finding(given(asked(BurnoutSchool.STANDARD, 65, WAX), cold), "still-wet")
                        .orElseThrow()
                        .message())
                .isEqualTo("There is free water in the mold at the end.");
        BurnoutQuestion two = new BurnoutQuestion(
                List.of(flask("reed", 65, Optional.of(620.0), WAX), flask("tern", 65, Optional.of(500.0), WAX)),
                BurnoutSchool.STANDARD,
                Optional.empty());
        assertThat(given(two, cold).findings().all().stream()
                        .filter(f -> f.id().equals("still-wet"))
                        .map(Finding::message))
                .containsExactly(
                        "reed: there is free water in the mold at the end.",
                        "tern: there is free water in the mold at the end.");
        // hottest first, each with its rest; 620 and 500 are two pours
        assertThat(bare.generate(two).segments()).extracting(Segment::target).endsWith(620.0, 500.0);
        assertThat(of(bare.generate(two), Duty.Kind.POUR)).hasSize(2);
    }

    /** A face over 400 C with the middle wet stands against the standard steps; on a dry mold it does not. */
    @Test
    void theFaceClimbsOverItsLimitWet() {
        BurnoutProgram fast =
                given(asked(BurnoutSchool.STANDARD, 100, WAX), line(Stage.BURN_OUT, 2000, 600, 30, Until.NOTHING));
        assertThat(finding(fast, "climbs-wet").orElseThrow().message())
                .startsWith("The face of reed passes 400 °C with ")
                .contains("\"standard steps\" has it dry by then");
        BurnoutProgram below =
                given(asked(BurnoutSchool.STANDARD, 100, WAX), line(Stage.BURN_OUT, 2000, 400, 30, Until.NOTHING));
        assertThat(finding(below, "climbs-wet")).isEmpty();
        assertThat(finding(program(BurnoutSchool.DRY_FIRST, 65, WAX), "climbs-wet"))
                .isPresent();
    }

    @ParameterizedTest
    @EnumSource(
            value = InvestmentSystem.class,
            names = {"GYPSUM_JEWELRY", "PHOSPHATE"})
    void noGuessedProgram(InvestmentSystem system) {
        Subject s = flask("reed", 65, Optional.empty(), WAX);
        Subject asked = new Subject(
                s.name(),
                system,
                s.diameter(),
                s.height(),
                s.kilograms(),
                s.block(),
                s.waterPer100(),
                s.powderDensity(),
                s.stand(),
                s.mold(),
                s.patterns(),
                s.alloy(),
                s.pour());
        BurnoutProgram program = bare.generate(new BurnoutQuestion(asked, BurnoutSchool.STANDARD, Optional.empty()));
        assertThat(program.segments()).isEmpty();
        Finding stop = finding(program, "no-program").orElseThrow();
        boolean bySupplier = Double.isNaN(system.burnoutC());
        assertThat(stop.message())
                .isEqualTo(
                        bySupplier
                                ? "There is no program by rule for " + system.label() + "."
                                : "There is no usual mold temperature for " + Alloy.AG_925.label() + ".");
        assertThat(stop.remedy())
                .isEqualTo(
                        bySupplier
                                ? "Follow the supplier's sheet; plan the firing by it."
                                : "Type the mold temperature your supplier gives.");
    }

    /** Of two molds only the one that is in want is named. */
    @Test
    void theMoldWithoutAProgramIsNamed() {
        BurnoutQuestion two = new BurnoutQuestion(
                List.of(flask("reed", 65, Optional.of(620.0), WAX), flask("tern", 65, Optional.empty(), WAX)),
                BurnoutSchool.STANDARD,
                Optional.empty());
        assertThat(finding(bare.generate(two), "no-program")).isPresent();
        assertThat(bare.generate(two).mold().value()).isZero();
    }

    // ---- the line of a program

    /** 130 K in an hour, 10 min of hold; 100 K in half an hour, none: three corners after the start. */
    @Test
    void cornersOfTheLine() {
        BurnoutProgram program = given(
                asked(BurnoutSchool.STANDARD, 65, WAX),
                line(Stage.DRY_OUT, 130, 150, 10, Until.NOTHING),
                line(Stage.CARBON, 200, 250, 0, Until.NOTHING));
        assertThat(program.points())
                .extracting(BurnoutProgram.Point::minute, BurnoutProgram.Point::celsius)
                .containsExactly(tuple(0.0, 20.0), tuple(60.0, 150.0), tuple(70.0, 150.0), tuple(100.0, 250.0));
        assertThat(program.risesPast(85).orElseThrow()).isCloseTo(30, within(1e-9));
        assertThat(program.risesPast(150).orElseThrow()).isCloseTo(60, within(1e-9));
        assertThat(program.risesPast(200).orElseThrow()).isCloseTo(85, within(1e-9));
        assertThat(program.risesPast(250).orElseThrow()).isCloseTo(100, within(1e-9));
        assertThat(program.risesPast(251)).isEmpty();
        assertThat(program.risesPast(20)).isEmpty();
    }

    /** Growth beyond 0.9 % waits before and after the inversion, then halves its ramp; what is not at it stays. */
    @Test
    void tooMuchGrowthSlowsTheInversion() {
        HeldProgram.Fired load = HeldProgram.Fired.of(flask("reed", 150, Optional.of(620.0), WAX), Factors.HANDBOOK);
        List<Segment> rough = List.of(
                line(Stage.DRY_OUT, 600, 150, 600, Until.DRY),
                line(Stage.INVERSION, 2000, 280, 0, Until.NOTHING),
                line(Stage.CARBON, 2000, 480, 0, Until.NOTHING),
                line(Stage.BURN_OUT, 2000, 730, 60, Until.BURNT));
        HeldProgram held = HeldProgram.of(
                rough, new HeldProgram.Question(List.of(load), Optional.empty(), 20, KilnRun.Detail.QUICK, true));
        HeldProgram left = HeldProgram.of(
                rough, new HeldProgram.Question(List.of(load), Optional.empty(), 20, KilnRun.Detail.QUICK, false));
        assertThat(left.mismatch()).isGreaterThan(0.9);
        assertThat(left.segments()).extracting(Segment::rate).containsExactly(600.0, 2000.0, 2000.0, 2000.0);
        assertThat(held.mismatch()).isLessThan(left.mismatch());
        assertThat(held.segments())
                .extracting(Segment::until)
                .containsExactly(Until.DRY, Until.EVEN, Until.EVEN, Until.BURNT);
        double times = 2000 / held.segments().get(1).rate();
        assertThat(times).isIn(1.0, 2.0, 4.0, 8.0, 16.0);
        assertThat(held.segments().get(2).rate()).isEqualTo(2000 / times);
        assertThat(held.segments().get(0).rate()).isEqualTo(600);
        assertThat(held.segments().get(3).rate()).isEqualTo(2000);
    }
}
