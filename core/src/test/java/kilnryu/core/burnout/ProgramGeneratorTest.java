package kilnryu.core.burnout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import kilnryu.core.finding.Finding;
import kilnryu.core.flask.Flask;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

class ProgramGeneratorTest {
    private static final ZoneId ZONE = ZoneId.of("Europe/Lisbon");
    private final ProgramGenerator generator = new ProgramGenerator(Factors.HANDBOOK);

    private static BurnoutQuestion question(
            double diameter, InvestmentSystem system, Alloy alloy, BurnoutSchool school, PatternMaterial... patterns) {
        Flask flask = new Flask(
                Length.millimetres(diameter),
                Length.millimetres(150),
                Volume.cubicCentimetres(20),
                Optional.empty(),
                system,
                system.waterPer100().isPresent() ? OptionalDouble.empty() : OptionalDouble.of(24),
                system.density().isPresent() ? OptionalDouble.empty() : OptionalDouble.of(2.68),
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty());
        return new BurnoutQuestion(
                new FlaskPlanner(Factors.HANDBOOK).plan(flask),
                Set.of(patterns),
                alloy,
                Section.THIN,
                school,
                Optional.empty(),
                Optional.empty());
    }

    private BurnoutProgram waxSilver(BurnoutSchool school) {
        return generator.generate(
                question(100, InvestmentSystem.GYPSUM_JEWELRY, Alloy.AG_925, school, PatternMaterial.INJECTION_WAX));
    }

    private static List<Duty.Kind> kinds(BurnoutProgram program) {
        return program.duties().stream().map(Duty::kind).toList();
    }

    @Test
    void waxDriesDrainsGoesSlowlyThroughTheInversionBurnsOutAndComesDown() {
        BurnoutProgram program = waxSilver(BurnoutSchool.DRY_FIRST);
        assertThat(program.segments())
                .extracting(Segment::stage, Segment::rate, Segment::target)
                .containsExactly(
                        org.assertj.core.groups.Tuple.tuple(Stage.DRY_OUT, 150.0, 150.0),
                        org.assertj.core.groups.Tuple.tuple(Stage.INVERSION, 150.0, 200.0),
                        org.assertj.core.groups.Tuple.tuple(Stage.INVERSION, 75.0, 280.0),
                        org.assertj.core.groups.Tuple.tuple(Stage.BURN_OUT, 150.0, 730.0),
                        org.assertj.core.groups.Tuple.tuple(Stage.DESCEND, 150.0, 620.0));
        // wax 60 + 60 x (100/100)^2
        assertThat(program.segments().get(3).hold()).isEqualTo(120);
        assertThat(program.segments().get(4).hold()).isEqualTo(90);
    }

    @Test
    void theDryingFrontByHand() {
        // free water (40 - 5.58) / (37.7358 + 40) = 0.442782 g/cm3; x 1000 x 2.257e6 / 50 = 1.998718e7 s/(m2/(W/mK))
        // across: 0.05^2/4/0.45 + 0.05/2/23.9 = 2.434914e-3 -> 48667.0 s = 811.12 min
        // along:  0.075^2/2/0.45 + 0.075/23.9 = 9.388075e-3 -> 187641 s = 3127.35 min; together 644.06 min
        Segment dry = waxSilver(BurnoutSchool.DRY_FIRST).segments().get(0);
        assertThat(dry.holdSum().value()).isCloseTo(644.06, within(0.05));
        assertThat(dry.hold()).isEqualTo(645);
    }

    @Test
    void theTotalIsAllRampsAndHolds() {
        // ramps: 130/150 + 50/150 + 80/75 + 450/150 + 110/150 h = 6.0 h; holds 645 + 120 + 90
        BurnoutProgram program = waxSilver(BurnoutSchool.DRY_FIRST);
        assertThat(program.total().value()).isCloseTo(360 + 855, within(1e-6));
        assertThat(program.minutes()).isCloseTo(program.total().value(), within(1e-6));
    }

    @Test
    void largerFlasksRampSlower() {
        double[] rates = List.of(60.0, 90.0, 140.0, 200.0).stream()
                .mapToDouble(d -> generator
                        .generate(question(
                                d,
                                InvestmentSystem.GYPSUM_JEWELRY,
                                Alloy.AG_925,
                                BurnoutSchool.DRY_FIRST,
                                PatternMaterial.BEESWAX))
                        .segments()
                        .get(0)
                        .rate())
                .toArray();
        assertThat(rates).containsExactly(200, 150, 100, 60);
    }

    @Test
    void plasticsDrainHotAndBurnTheirChar() {
        BurnoutProgram program = generator.generate(question(
                80,
                InvestmentSystem.GYPSUM_JEWELRY,
                Alloy.SI_BRONZE,
                BurnoutSchool.DRY_FIRST,
                PatternMaterial.FILAMENT_PLA));
        assertThat(program.segments()).extracting(Segment::stage).contains(Stage.DRAIN, Stage.CARBON);
        assertThat(program.segments().stream()
                        .filter(s -> s.stage() == Stage.DRAIN)
                        .findFirst()
                        .orElseThrow()
                        .target())
                .isBetween(200.0, 260.0);
        // 150 + 60 x 0.64 = 188.4, up to 190
        assertThat(program.segments().stream()
                        .filter(s -> s.stage() == Stage.BURN_OUT)
                        .findFirst()
                        .orElseThrow()
                        .hold())
                .isEqualTo(190);
        assertThat(program.findings().has("ash")).isTrue();
    }

    @Test
    void dutiesFollowThePatternAndTheSchool() {
        assertThat(kinds(waxSilver(BurnoutSchool.DRY_FIRST)))
                .containsExactly(
                        Duty.Kind.MIX,
                        Duty.Kind.CLOSE_KILN,
                        Duty.Kind.DRAIN_TRAY,
                        Duty.Kind.TURN_FLASK,
                        Duty.Kind.CLOSE_VENT,
                        Duty.Kind.POUR);
        assertThat(kinds(waxSilver(BurnoutSchool.STEPPED_OVERNIGHT))).doesNotContain(Duty.Kind.TURN_FLASK);
        BurnoutProgram resin = generator.generate(question(
                76,
                InvestmentSystem.GYPSUM_JEWELRY,
                Alloy.AG_925,
                BurnoutSchool.DRY_FIRST,
                PatternMaterial.CASTABLE_RESIN));
        assertThat(kinds(resin)).doesNotContain(Duty.Kind.DRAIN_TRAY).contains(Duty.Kind.OPEN_VENT);
    }

    @Test
    void theVentShutsWhenTheProgramPasses550() {
        BurnoutProgram program = waxSilver(BurnoutSchool.DRY_FIRST);
        double vent = program.duties().stream()
                .filter(d -> d.kind() == Duty.Kind.CLOSE_VENT)
                .findFirst()
                .orElseThrow()
                .minute();
        // 52 + 645 + 20 + 64 + (550 - 280) / 150 x 60 = 889
        assertThat(vent).isCloseTo(889, within(1e-6));
    }

    @Test
    void aSwitchKilnGoesInStepsNoLargerThan75AndTakesAsLong() {
        BurnoutProgram steps = waxSilver(BurnoutSchool.SWITCH_KILN);
        double from = 20;
        for (Segment s : steps.segments()) {
            assertThat(Math.abs(s.target() - from)).isLessThanOrEqualTo(75);
            assertThat(s.rate()).isInfinite();
            from = s.target();
        }
        assertThat(steps.minutes())
                .isGreaterThanOrEqualTo(waxSilver(BurnoutSchool.DRY_FIRST).minutes() - 1e-6)
                .isLessThan(waxSilver(BurnoutSchool.DRY_FIRST).minutes() + 60);
    }

    @Test
    void noProgramIsMadeUpWhereOnlyTheSupplierKnows() {
        BurnoutProgram none = generator.generate(question(
                80, InvestmentSystem.PHOSPHATE, Alloy.PT_950, BurnoutSchool.DRY_FIRST, PatternMaterial.BEESWAX));
        assertThat(none.segments()).isEmpty();
        assertThat(none.findings().stops()).extracting(Finding::id).containsExactly("no-program");
    }

    @Test
    void noSegmentEverPassesTheSystemsLimit() {
        for (InvestmentSystem system : InvestmentSystem.values()) {
            for (BurnoutSchool school : BurnoutSchool.values()) {
                BurnoutProgram program =
                        generator.generate(question(120, system, Alloy.AL_SI7, school, PatternMaterial.FILAMENT_PLA));
                assertThat(program.segments()).allMatch(s -> s.target() < system.maxC());
            }
        }
    }

    @Test
    void aHoldTooShortToDryAndAKilnTooCoolAreSaid() {
        assertThat(waxSilver(BurnoutSchool.STEPPED_OVERNIGHT).findings().has("wet-after-hold"))
                .isTrue();
        BurnoutQuestion q = question(
                80, InvestmentSystem.GYPSUM_JEWELRY, Alloy.AG_925, BurnoutSchool.DRY_FIRST, PatternMaterial.BEESWAX);
        BurnoutQuestion cool = new BurnoutQuestion(
                q.flask(),
                q.patterns(),
                q.alloy(),
                q.section(),
                q.school(),
                Optional.of(Temperature.celsius(710)),
                Optional.of(Temperature.celsius(600)));
        assertThat(generator.generate(cool).findings().stops())
                .extracting(Finding::id)
                .containsExactlyInAnyOrder("kiln-too-cool", "mold-too-hot");
    }

    @Test
    void theClockRunsBackFromThePour() {
        BurnoutProgram program = waxSilver(BurnoutSchool.DRY_FIRST);
        ZonedDateTime pour = ZonedDateTime.of(2026, 5, 8, 15, 0, 0, 0, ZONE);
        BackPlan plan = BackPlan.of(program, pour);
        // 1215 min = 20 h 15 before 15:00
        assertThat(plan.at(0).toLocalDateTime()).isEqualTo("2026-05-07T18:45");
        assertThat(plan.duties().get(plan.duties().size() - 1).at()).isEqualTo(pour);
        // mix 3 h stand and 7 min before closing the kiln
        assertThat(plan.duties().get(0).at().toLocalTime()).isEqualTo(LocalTime.of(15, 38));
    }

    @Test
    void aChangeOfTheClockInTheNightMovesTheHandsNotTheMold() {
        BurnoutProgram program = waxSilver(BurnoutSchool.DRY_FIRST);
        ZonedDateTime pour = ZonedDateTime.of(2026, 3, 29, 15, 0, 0, 0, ZONE);
        assertThat(BackPlan.of(program, pour).at(0).toLocalDateTime()).isEqualTo("2026-03-28T17:45");
    }

    @Test
    void dutiesInTheNightAreSaidWithAnHourThatLetsOneSleep() {
        BurnoutProgram program = waxSilver(BurnoutSchool.DRY_FIRST);
        ZonedDateTime pour = ZonedDateTime.of(2026, 5, 8, 11, 0, 0, 0, ZONE);
        Finding night = BackPlan.of(program, pour).findings().all().get(0);
        assertThat(night.id()).isEqualTo("night-duty");
        assertThat(night.remedy()).contains("Pour at ");
    }
}
