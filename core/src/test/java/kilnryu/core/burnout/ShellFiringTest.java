package kilnryu.core.burnout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Dewax;
import kilnryu.core.shell.Drying.Openness;
import kilnryu.core.shell.ShellPlan;
import kilnryu.core.shell.ShellPlanner;
import kilnryu.core.shell.ShellQuestion;
import kilnryu.core.shell.ShellSchool;
import kilnryu.core.shell.Strength;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

/** Programs of shells: many coats, 9.2 mm, a fire of 60 + 10 * 3.2 = 92 min at 900 C. */
class ShellFiringTest {
    private static Figure given(String symbol, double value, Measure unit) {
        return Figure.given(symbol, symbol, value, unit, Known.MEASURED, 0);
    }

    private static ShellPlan shell(boolean bed) {
        return new ShellPlanner(Factors.HANDBOOK)
                .plan(new ShellQuestion(
                        given("area", 400, Measure.SQUARE_CENTIMETRE),
                        Optional.empty(),
                        ShellSchool.MANY_COATS.recipe(7, Factors.HANDBOOK),
                        OptionalDouble.empty(),
                        new Air(21, 50, 1),
                        Openness.OPEN,
                        false,
                        Optional.of(new ShellQuestion.Load(
                                List.of(new Strength.Place("foot", 200, 20, Strength.Curve.CYLINDER)),
                                new Strength.Held(
                                        given("d", 8.36, Measure.GRAM_PER_CM3), Optional.empty(), false, bed))),
                        Optional.empty()));
    }

    private static BurnoutProgram program(
            Dewax.Method method, Handling handling, Alloy alloy, boolean bed, double kiln) {
        Dewax dewax = Dewax.of(
                new Dewax.Question(method, given("wax", 500, Measure.GRAM), false, List.of(), OptionalDouble.empty()),
                Factors.HANDBOOK);
        return new ShellFiring(Factors.HANDBOOK)
                .generate(new ShellFiring.Question(
                        shell(bed),
                        dewax,
                        alloy,
                        Section.HEAVY,
                        handling,
                        Optional.empty(),
                        kiln > 0 ? Optional.of(Temperature.celsius(kiln)) : Optional.empty()));
    }

    private static List<Stage> stages(BurnoutProgram program) {
        return program.segments().stream().map(Segment::stage).toList();
    }

    /** Flash 20 min, fire 92 min rounded up to 95, cool, 8 h kept for a patch, an hour of fire, the 540 C of heavy bronze. */
    @Test
    void coldHandledIsFiredLookedAtAndPreheated() {
        BurnoutProgram program = program(Dewax.Method.FLASH, Handling.COLD, Alloy.SI_BRONZE, true, 0);
        assertThat(stages(program))
                .containsExactly(Stage.DRAIN, Stage.FIRE, Stage.COOL, Stage.PATCH, Stage.FIRE, Stage.DESCEND);
        assertThat(program.segments().get(3).hold()).isEqualTo(480);
        assertThat(program.segments().get(4).hold()).isEqualTo(60);
        assertThat(program.segments().get(0).rate()).isInfinite();
        assertThat(program.segments().get(0).hold()).isEqualTo(20);
        assertThat(program.segments().get(1).holdSum().value()).isCloseTo(92, within(1e-9));
        assertThat(program.segments().get(1).hold()).isEqualTo(95);
        assertThat(program.segments().get(5).target()).isCloseTo(540, within(1e-9));
        assertThat(program.duties())
                .extracting(Duty::kind)
                .containsExactly(Duty.Kind.CLOSE_KILN, Duty.Kind.DRAIN_TRAY, Duty.Kind.INSPECT, Duty.Kind.POUR);
    }

    /** 20 + 95 min at 900, down 360 K at 300 K/h in 72 min, half an hour there. */
    @Test
    void hotPouredGoesFromTheFireToThePour() {
        BurnoutProgram program = program(Dewax.Method.FLASH, Handling.HOT, Alloy.SI_BRONZE, true, 0);
        assertThat(stages(program)).containsExactly(Stage.DRAIN, Stage.FIRE, Stage.DESCEND);
        assertThat(program.minutes()).isCloseTo(20 + 95 + 72 + 30, within(1e-9));
    }

    @Test
    void steamedShellsAreDriedAndPlasticsMeltedOutFirst() {
        assertThat(stages(program(Dewax.Method.STEAM, Handling.COLD, Alloy.SI_BRONZE, true, 0)))
                .startsWith(Stage.DRY_OUT, Stage.FIRE);
        BurnoutProgram slow = program(Dewax.Method.SLOW_MELT, Handling.COLD, Alloy.SI_BRONZE, true, 0);
        assertThat(slow.segments().get(0).target()).isEqualTo(230);
        assertThat(slow.segments().get(0).rate()).isEqualTo(60);
    }

    @Test
    void anUnseenShellWithoutABedIsWarnedOf() {
        assertThat(found(program(Dewax.Method.FLASH, Handling.HOT, Alloy.SI_BRONZE, false, 0)))
                .containsExactly("hot-unseen", "simulated");
        assertThat(found(program(Dewax.Method.FLASH, Handling.COLD, Alloy.SI_BRONZE, false, 0)))
                .containsExactly("simulated");
    }

    @Test
    void aKilnThatIsTooCoolStops() {
        assertThat(found(program(Dewax.Method.FLASH, Handling.COLD, Alloy.SI_BRONZE, true, 800)))
                .contains("kiln-too-cool");
        assertThat(found(program(Dewax.Method.FLASH, Handling.COLD, Alloy.SI_BRONZE, true, 850)))
                .doesNotContain("kiln-too-cool");
    }

    @Test
    void withoutAUsualTemperatureThereIsNoProgram() {
        BurnoutProgram none = program(Dewax.Method.FLASH, Handling.COLD, Alloy.AU_14Y, true, 0);
        assertThat(none.segments()).isEmpty();
        assertThat(found(none)).containsExactly("no-program");
    }

    private static List<String> found(BurnoutProgram program) {
        return program.findings().all().stream().map(Finding::id).toList();
    }

    /** At 850 C a kiln just does; a degree less is a stop. */
    @Test
    void theLeastKiln() {
        assertThat(program(Dewax.Method.FLASH, Handling.COLD, Alloy.SI_BRONZE, true, 850)
                        .findings()
                        .all())
                .noneMatch(f -> f.id().equals("kiln-too-cool"));
        assertThat(program(Dewax.Method.FLASH, Handling.COLD, Alloy.SI_BRONZE, true, 849)
                        .findings()
                        .all())
                .anyMatch(f -> f.id().equals("kiln-too-cool") && f.message().contains("849 °C"));
    }

    /** Slow melt: 230 C at 60 K/h are 210 min and the time out; the tray at its end, the look where it is cool, then the pour. */
    @Test
    void whenSomeoneHasToBeThere() {
        BurnoutProgram program = program(Dewax.Method.SLOW_MELT, Handling.COLD, Alloy.SI_BRONZE, true, 0);
        BurnoutProgram.Timed out = program.timed().get(0);
        assertThat(out.reached()).isEqualTo(210);
        assertThat(program.duties())
                .extracting(Duty::kind, Duty::minute)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(Duty.Kind.CLOSE_KILN, 0.0),
                        org.assertj.core.groups.Tuple.tuple(Duty.Kind.DRAIN_TRAY, out.ends()),
                        org.assertj.core.groups.Tuple.tuple(
                                Duty.Kind.INSPECT, program.timed().get(2).reached()),
                        org.assertj.core.groups.Tuple.tuple(Duty.Kind.POUR, program.minutes()));
        assertThat(program.duties().get(0).caution()).doesNotContain("Kiln at heat first");
        assertThat(program(Dewax.Method.FLASH, Handling.COLD, Alloy.SI_BRONZE, true, 0)
                        .duties()
                        .get(0)
                        .caution())
                .startsWith("Kiln at heat first");
    }

    /** The studio that keeps no place for a patch fires once; the wall holds wax's 0.2 % and its own thickness. */
    @Test
    void withoutAPlaceForAPatch() {
        Factors none = Factors.HANDBOOK.under(
                java.util.Map.of("shell.patch", new kilnryu.core.sum.Replacement(0, "never patched here")));
        Dewax dewax = Dewax.of(
                new Dewax.Question(
                        Dewax.Method.FLASH, given("wax", 500, Measure.GRAM), false, List.of(), OptionalDouble.empty()),
                none);
        BurnoutProgram program = new ShellFiring(none)
                .generate(new ShellFiring.Question(
                        shell(true),
                        dewax,
                        Alloy.SI_BRONZE,
                        Section.HEAVY,
                        Handling.COLD,
                        Optional.of(Temperature.celsius(555)),
                        Optional.empty()));
        assertThat(stages(program)).containsExactly(Stage.DRAIN, Stage.FIRE, Stage.COOL, Stage.PREHEAT);
        assertThat(program.mold().value()).isEqualTo(555);
        assertThat(program.segments().get(3).target()).isEqualTo(555);
        HeldProgram.Fired fired = ShellFiring.fired("tern", shell(true));
        assertThat(fired.charge().name()).isEqualTo("tern");
        assertThat(fired.charge().mold().across())
                .isCloseTo(shell(true).thickness().value() / 1000, org.assertj.core.api.Assertions.within(1e-12));
        assertThat(ShellFiring.constants())
                .extracting(kilnryu.core.sum.Constant::key)
                .containsExactly("shell.fire.top", "shell.fire.hold", "shell.fire.per-mm", "shell.patch");
    }
}
