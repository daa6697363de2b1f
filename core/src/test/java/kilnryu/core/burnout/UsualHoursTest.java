package kilnryu.core.burnout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.flask.Flask;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.kiln.Firing;
import kilnryu.core.kiln.Mold;
import kilnryu.core.kiln.Setting;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Spread;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What casters do (handbook 7): the hours of everyday programs, and each school's own criterion. */
class UsualHoursTest {
    private static final Factors FACTORS = Factors.HANDBOOK;

    static Subject flask(double diameter, double height, PatternMaterial pattern) {
        Flask flask = new Flask(
                Length.millimetres(diameter),
                Length.millimetres(height),
                Volume.cubicCentimetres(20),
                Optional.empty(),
                InvestmentSystem.GYPSUM_JEWELRY,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty());
        return Subject.of(
                new Subject.Tree(
                        "reed", Set.of(pattern), Alloy.SI_BRONZE, Section.MEDIUM.flaskTemperature(Alloy.SI_BRONZE)),
                new FlaskPlanner(FACTORS).plan(flask));
    }

    static Subject block(double width, double height, double kilograms) {
        return new Subject(
                "block",
                InvestmentSystem.PLASTER_SILICA,
                Mold.cylinderOf(width, width),
                height,
                kilograms,
                true,
                Figure.given("W", "W", 55, Measure.PER_100, Known.DEFAULT, 0),
                Figure.given("d", "d", 2.63, Measure.GRAM_PER_CM3, Known.DEFAULT, 0),
                0,
                Mold.block(width / 1000, width / 1000, height / 1000, Setting.gypsum(55, 2.63, 50)),
                Set.of(PatternMaterial.SCULPTURE_WAX),
                Alloy.SI_BRONZE,
                Section.MEDIUM.flaskTemperature(Alloy.SI_BRONZE));
    }

    static BurnoutProgram by(BurnoutSchool school, Subject mold) {
        return new ProgramGenerator(FACTORS).generate(new BurnoutQuestion(mold, school, Optional.empty()));
    }

    /** Within a quarter of the usual hours, nothing worse than a note, strain where everyday programs lie. */
    @ParameterizedTest
    @CsvSource({"65, 75, 5, 6", "80, 100, 8, 8", "100, 150, 12, 12", "150, 230, 18, 24"})
    void theStandardSchoolTakesTheUsualHours(double diameter, double height, double least, double most) {
        BurnoutProgram program = by(BurnoutSchool.STANDARD, flask(diameter, height, PatternMaterial.INJECTION_WAX));
        assertThat(program.minutes() / 60).isBetween(0.75 * least, 1.25 * most);
        assertThat(program.findings().all()).allMatch(f -> f.severity() == Severity.NOTE);
        assertThat(program.held().orElseThrow().mismatch()).isBetween(0.75, 0.87);
    }

    /** One class longer: what takes 8 h in wax takes 12 in resin or filament. */
    @ParameterizedTest
    @CsvSource({"65, 75, 8, 8", "80, 100, 12, 12", "100, 150, 18, 24"})
    void resinAndFilamentTakeTheNextClass(double diameter, double height, double least, double most) {
        for (PatternMaterial pattern : List.of(PatternMaterial.CASTABLE_RESIN, PatternMaterial.FILAMENT_PLA)) {
            assertThat(by(BurnoutSchool.STANDARD, flask(diameter, height, pattern))
                                    .minutes()
                            / 60)
                    .as(pattern.label())
                    .isBetween(0.75 * least, 1.25 * most);
        }
    }

    @ParameterizedTest
    @CsvSource({"200, 230, 16, 36, 72", "215, 190, 15.7, 36, 72", "440, 460, 150, 120, 192"})
    void blocksLandInTheUsualHours(double width, double height, double kilograms, double least, double most) {
        BurnoutProgram program = by(BurnoutSchool.SLOW_BLOCK, block(width, height, kilograms));
        assertThat(program.minutes() / 60).isBetween(least, most);
        assertThat(program.findings().stops()).isEmpty();
        assertThat(program.segments()).filteredOn(s -> s.rate() > 9).allMatch(s -> s.rate() <= 40);
    }

    /** Each school has its mold dry before its own limit at the face: 150, 250 or 400 C. */
    @ParameterizedTest
    @CsvSource({
        "standard, 400",
        "dry-first, 150",
        "overnight, 400",
        "steam-first, 400",
        "filament, 400",
        "unknown, 150",
        "switch, 400"
    })
    void noSchoolClimbsOnWithWater(String name, double limit) {
        BurnoutSchool school = BurnoutSchool.named(name).orElseThrow();
        Firing firing = by(school, flask(90, 120, PatternMaterial.INJECTION_WAX))
                .held()
                .orElseThrow()
                .run()
                .firing(0);
        double dry = firing.past().get(0).getAsDouble();
        assertThat(firing.trace()).filteredOn(m -> m.minute() < dry - 4).allMatch(m -> m.surface() < limit + 5);
        if (limit == 400) {
            assertThat(firing.trace()).filteredOn(m -> m.minute() < dry).anyMatch(m -> m.surface() > 300);
        }
    }

    @Test
    void aBlockIsDryBefore250() {
        Firing firing = by(BurnoutSchool.SLOW_BLOCK, block(200, 230, 16))
                .held()
                .orElseThrow()
                .run()
                .firing(0);
        double dry = firing.past().get(0).getAsDouble();
        assertThat(firing.trace()).filteredOn(m -> m.minute() < dry - 4).allMatch(m -> m.surface() < 255);
    }

    /** The wax has run long before the mold is dry: the tray is out while the middle still boils. */
    @Test
    void theTrayIsDrawnWhenTheWaxHasRunAndNotWhenItIsDry() {
        BurnoutProgram program = by(BurnoutSchool.DRY_FIRST, flask(100, 150, PatternMaterial.INJECTION_WAX));
        double tray = duty(program, Duty.Kind.DRAIN_TRAY);
        Firing firing = program.held().orElseThrow().run().firing(0);
        assertThat(tray).isLessThan(firing.past().get(0).getAsDouble() / 2);
        // 75 C and 10 K at the middle
        assertThat(firing.corePasses(85).getAsDouble()).isCloseTo(tray, within(1e-9));
        assertThat(duty(program, Duty.Kind.TURN_FLASK)).isEqualTo(tray);
    }

    private static double duty(BurnoutProgram program, Duty.Kind kind) {
        return program.duties().stream()
                .filter(d -> d.kind() == kind)
                .findFirst()
                .orElseThrow()
                .minute();
    }

    /** Weighed and found to hold a fifth of its water, it is fired hours shorter. */
    @Test
    void provedDrynessShortensTheHold() {
        Subject fresh = block(200, 230, 16);
        Subject dried = fresh.as(Mold.block(0.2, 0.2, 0.23, Setting.dried(Setting.gypsum(55, 2.63, 50), 0.2)));
        assertThat(by(BurnoutSchool.SLOW_BLOCK, dried).minutes())
                .isLessThan(by(BurnoutSchool.SLOW_BLOCK, fresh).minutes() - 300);
    }

    /** At 104 C at most in the kiln the last water never leaves: it stops there, and the program does not climb on. */
    @Test
    void aMoldThatNeverDriesStopsTheProgram() {
        Subject mold = flask(80, 100, PatternMaterial.INJECTION_WAX);
        List<Segment> cool = List.of(
                new Segment(
                                Stage.DRY_OUT,
                                100,
                                100,
                                60,
                                Figure.given("hold", "hold", 60, Measure.MINUTE, Known.CHOSEN, 0),
                                "")
                        .until(Until.DRY),
                new Segment(
                                Stage.BURN_OUT,
                                100,
                                700,
                                60,
                                Figure.given("hold", "hold", 60, Measure.MINUTE, Known.CHOSEN, 0),
                                "")
                        .until(Until.BURNT));
        HeldProgram held = HeldProgram.of(
                cool,
                new HeldProgram.Question(
                        List.of(HeldProgram.Fired.of(mold, FACTORS)),
                        Optional.empty(),
                        20,
                        kilnryu.core.kiln.KilnRun.Detail.QUICK,
                        true));
        assertThat(held.never()).containsExactly(0);
        assertThat(held.segments()).hasSize(1);
        assertThat(held.run().firing(0).hottest()).isLessThan(105);
    }

    /** Water to 3 %, conductivity to 10 %, kiln to 3 %: together some 11 % of what was simulated. */
    @Test
    void aSimulatedHoldCarriesTheSpreadOfItsInputs() {
        BurnoutProgram program = by(BurnoutSchool.DRY_FIRST, flask(100, 150, PatternMaterial.INJECTION_WAX));
        Segment dry = program.segments().get(0);
        assertThat(Spread.of(dry.holdSum()).deviation())
                .isCloseTo(dry.holdSum().value() * Math.sqrt(0.03 * 0.03 + 0.1 * 0.1 + 0.03 * 0.03), within(1.0));
        assertThat(Spread.of(program.total()).deviation())
                .isGreaterThan(Spread.of(dry.holdSum()).deviation());
        assertThat(program.total().value()).isCloseTo(program.minutes(), within(1e-6));
    }

    /** Organic matter leaves ash that no heat takes away; resin leaves char alone. */
    @Test
    void ashIsApartFromChar() {
        assertThat(by(BurnoutSchool.STANDARD, flask(80, 100, PatternMaterial.ORGANIC))
                        .findings()
                        .all())
                .filteredOn(f -> f.id().equals("ash"))
                .singleElement()
                .satisfies(f -> {
                    assertThat(f.severity()).isEqualTo(Severity.WARN);
                    assertThat(f.message()).contains("4.0 %");
                });
        assertThat(by(BurnoutSchool.PLASTIC_ASH_OUT, flask(80, 100, PatternMaterial.ORGANIC))
                        .findings()
                        .all())
                .filteredOn(f -> f.id().equals("ash"))
                .extracting(Finding::severity)
                .containsExactly(Severity.NOTE);
        assertThat(by(BurnoutSchool.STANDARD, flask(80, 100, PatternMaterial.CASTABLE_RESIN))
                        .findings()
                        .has("ash"))
                .isFalse();
    }

    /** A caster who drains plastics at 200 C gets 200. */
    @Test
    void theDrainIsTheCastersChoice() {
        BurnoutProgram program = new ProgramGenerator(FACTORS)
                .generate(new BurnoutQuestion(
                        List.of(flask(80, 100, PatternMaterial.FILAMENT_PLA)),
                        BurnoutSchool.STANDARD,
                        Optional.empty(),
                        Optional.of(200.0)));
        assertThat(program.segments())
                .filteredOn(s -> s.stage() == Stage.DRAIN)
                .extracting(Segment::target)
                .containsExactly(200.0);
    }
}
