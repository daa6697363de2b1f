package kilnryu.core.flask;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

class FlaskPlannerTest {
    private final FlaskPlanner planner = new FlaskPlanner(Factors.HANDBOOK);

    private static Flask flask(double diameter, double height, double tree, InvestmentSystem system) {
        return new Flask(
                Length.millimetres(diameter),
                Length.millimetres(height),
                Volume.cubicCentimetres(tree),
                Optional.empty(),
                system,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private static Flask with(Flask f, OptionalDouble ratio, OptionalDouble overfill, Optional<Double> waterC) {
        return new Flask(
                f.innerDiameter(),
                f.height(),
                f.treeVolume(),
                f.baseVolume(),
                f.system(),
                ratio,
                f.powderDensity(),
                overfill,
                f.collar(),
                waterC.map(Temperature::celsius));
    }

    private static Flask atWater(double celsius) {
        return with(
                flask(76.2, 76.2, 10, InvestmentSystem.GYPSUM_JEWELRY),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.of(celsius));
    }

    @Test
    void theHandbooksCheckFlask() {
        FlaskPlan plan = planner.plan(with(
                flask(76.2, 76.2, 0, InvestmentSystem.GYPSUM_JEWELRY),
                OptionalDouble.of(40),
                OptionalDouble.of(0),
                Optional.empty()));
        assertThat(plan.fill().value()).isCloseTo(347.5, within(0.05));
        assertThat(plan.powder().value()).isCloseTo(447, within(0.5));
        assertThat(plan.water().value()).isCloseTo(179, within(0.5));
    }

    @Test
    void treeBaseCollarAndOverfillByHand() {
        // pi / 4 x 10^2 x (15 + 2) = 1335.177; - 50 - 20 = 1265.177; x 1.04 = 1315.784
        // powder 1315.784 / (100 / 2.65 + 40) x 100 = 1692.635; water 677.054; filled with 0.95 x 50
        Flask flask = new Flask(
                Length.millimetres(100),
                Length.millimetres(150),
                Volume.cubicCentimetres(50),
                Optional.of(Volume.cubicCentimetres(20)),
                InvestmentSystem.GYPSUM_JEWELRY,
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                OptionalDouble.empty(),
                Optional.of(Length.millimetres(20)),
                Optional.empty());
        FlaskPlan plan = planner.plan(flask);
        assertThat(plan.fill().value()).isCloseTo(1315.784, within(0.001));
        assertThat(plan.powder().value()).isCloseTo(1692.635, within(0.001));
        assertThat(plan.water().value()).isCloseTo(677.054, within(0.001));
        assertThat(plan.slurry().value()).isCloseTo(2369.689, within(0.002));
        assertThat(plan.filledMass().value()).isCloseTo(2417.189, within(0.002));
        assertThat(plan.stand().value()).isEqualTo(180);
    }

    @Test
    void powderAndWaterTakeTheFillExactly() {
        for (double ratio = 36; ratio <= 70; ratio += 3.5) {
            FlaskPlan plan = planner.plan(with(
                    flask(80, 120, 33, InvestmentSystem.GYPSUM_JEWELRY),
                    OptionalDouble.of(ratio),
                    OptionalDouble.empty(),
                    Optional.empty()));
            double taken = plan.powder().value() / 2.65 + plan.water().value();
            assertThat(taken).isCloseTo(plan.fill().value(), within(1e-9 * taken));
        }
    }

    @Test
    void warmWaterShortensTheWorkingTime() {
        assertThat(planner.plan(atWater(21)).workingTime().value()).isEqualTo(9.5);
        assertThat(planner.plan(atWater(24)).workingTime().value()).isCloseTo(8.350, within(0.001));
        assertThat(planner.plan(atWater(18)).workingTime().value()).isCloseTo(10.808, within(0.001));
        assertThat(planner.plan(atWater(21)).findings().all()).isEmpty();
    }

    /** 9.5 exp(-0.043 x 9) = 6.451 at 30 C; 50 to 100 where 40 is usual: (1.25)^0.7 = 1.169 times as long. */
    @Test
    void warmWaterSetsSoonerAndMoreWaterLater() {
        assertThat(planner.plan(atWater(30)).workingTime().value()).isCloseTo(6.451, within(0.001));
        Figure usual = ratio(40);
        assertThat(FlaskPlanner.workingTime(celsius(21), ratio(50), usual, Factors.HANDBOOK)
                        .value())
                .isCloseTo(9.5 * 1.1691, within(0.001));
        assertThat(FlaskPlanner.workingTime(celsius(5), usual, usual, Factors.HANDBOOK)
                        .value())
                .isCloseTo(9.5 * 1.9898, within(0.01));
    }

    private static Figure ratio(double w) {
        return Figure.given("W", "ratio", w, kilnryu.core.quantity.Measure.PER_100, kilnryu.core.sum.Known.CHOSEN, 0);
    }

    private static Figure celsius(double c) {
        return Figure.given(
                "T", "water", c, kilnryu.core.quantity.Measure.DEGREE_CELSIUS, kilnryu.core.sum.Known.CHOSEN, 0);
    }

    @Test
    void aRatioOutsideTheRangeIsWarnedOf() {
        Flask wet = with(
                flask(76, 100, 20, InvestmentSystem.GYPSUM_JEWELRY),
                OptionalDouble.of(45),
                OptionalDouble.empty(),
                Optional.empty());
        assertThat(planner.plan(wet).findings().has("water-ratio")).isTrue();
    }

    @Test
    void aTreeAsLargeAsItsFlaskIsRefused() {
        assertThatThrownBy(() -> planner.plan(flask(50, 50, 98.2, InvestmentSystem.GYPSUM_JEWELRY)))
                .isInstanceOfSatisfying(
                        ImpossibleFlask.class, e -> assertThat(e.field()).isEqualTo("tree_volume"));
    }

    @Test
    void whatOnlyTheSupplierKnowsIsAskedFor() {
        assertThatThrownBy(() -> planner.plan(flask(76, 100, 20, InvestmentSystem.PHOSPHATE)))
                .isInstanceOfSatisfying(
                        ImpossibleFlask.class, e -> assertThat(e.field()).isEqualTo("water_per_100"));
        assertThatThrownBy(() -> planner.plan(flask(76, 100, 20, InvestmentSystem.SHOP_PLASTER)))
                .isInstanceOfSatisfying(
                        ImpossibleFlask.class, e -> assertThat(e.field()).isEqualTo("powder_density"));
    }

    private static Clearances clearances(double diameter, double width, Known known) {
        return Clearances.of(
                flask(diameter, 120, 20, InvestmentSystem.GYPSUM_JEWELRY),
                new Clearances.Envelope(Length.millimetres(width), Length.millimetres(100), known, known),
                Factors.HANDBOOK);
    }

    @Test
    void theWallAskedGrowsWithTheFlask() {
        assertThat(clearances(60, 48, Known.MEASURED).findings().all()).isEmpty();
        assertThat(clearances(60, 49, Known.MEASURED).findings().all())
                .extracting(Finding::id)
                .containsExactly("wall-clearance");
        assertThat(clearances(65, 48, Known.MEASURED).findings().has("wall-clearance"))
                .isTrue();
        assertThat(clearances(100, 80, Known.MEASURED).findings().all()).isEmpty();
        assertThat(clearances(101, 80, Known.MEASURED).findings().has("wall-clearance"))
                .isTrue();
        assertThat(clearances(101, 80, Known.MEASURED).endAsked().value()).isEqualTo(25);
    }

    @Test
    void aTreeWiderThanItsFlaskStopsHoweverItIsKnown() {
        assertThat(clearances(60, 62, Known.MEASURED).findings().stops()).hasSize(1);
        assertThat(clearances(60, 62, Known.ESTIMATED).findings().stops()).hasSize(1);
        assertThat(clearances(60, 59, Known.ESTIMATED).findings().stops()).isEmpty();
    }

    private static java.util.List<Finding> inMold(Alloy alloy, InvestmentSystem system) {
        return MoldChecks.check(
                        alloy, system, Section.MEDIUM.pourTemperature(alloy, Factors.HANDBOOK), Optional.empty())
                .all();
    }

    @Test
    void steelPlatinumAndIronNeverGoIntoGypsum() {
        for (Alloy alloy : new Alloy[] {Alloy.PT_950, Alloy.STEEL, Alloy.IRON}) {
            assertThat(inMold(alloy, InvestmentSystem.GYPSUM_JEWELRY))
                    .singleElement()
                    .satisfies(f -> {
                        assertThat(f.id()).isEqualTo("alloy-in-gypsum");
                        assertThat(f.safety()).isTrue();
                    });
            assertThat(inMold(alloy, InvestmentSystem.PHOSPHATE)).isEmpty();
        }
    }

    @Test
    void copperIsHotForGypsumAndBronzeAtOwnRiskInShopPlaster() {
        // copper 1085 + 140 = 1225 C
        assertThat(inMold(Alloy.COPPER, InvestmentSystem.GYPSUM_JEWELRY))
                .extracting(Finding::id)
                .containsExactly("hot-for-gypsum");
        assertThat(inMold(Alloy.SI_BRONZE, InvestmentSystem.SHOP_PLASTER))
                .extracting(Finding::id)
                .containsExactly("hot-for-shop-plaster");
        assertThat(inMold(Alloy.PEWTER, InvestmentSystem.SHOP_PLASTER)).isEmpty();
    }

    @Test
    void aGypsumMoldOver700AtThePourIsASafetyStop() {
        Figure hot = Figure.given("mold", "mold", 705, Measure.DEGREE_CELSIUS, Known.CHOSEN, 0);
        assertThat(MoldChecks.check(Alloy.AG_925, InvestmentSystem.GYPSUM_JEWELRY, Optional.empty(), Optional.of(hot))
                        .stops())
                .singleElement()
                .matches(Finding::safety);
    }

    @Test
    void aScaleOnAnotherUnitIsQuestioned() {
        assertThat(UnitGuard.suspect(24.76, 702)).contains(Measure.OUNCE);
        assertThat(UnitGuard.suspect(22.57, 702)).contains(Measure.TROY_OUNCE);
        assertThat(UnitGuard.suspect(451.4, 702)).contains(Measure.PENNYWEIGHT);
        assertThat(UnitGuard.suspect(1.55, 702)).contains(Measure.POUND);
        assertThat(UnitGuard.suspect(700, 702)).isEmpty();
        assertThat(UnitGuard.suspect(600, 702)).isEmpty();
    }

    @Test
    void bothSchoolsAreDoneInSevenMinutes() {
        assertThat(MixSchool.VACUUM.minutesToLastMove(Factors.HANDBOOK)).isEqualTo(7);
        assertThat(MixSchool.BRUSH.minutesToLastMove(Factors.HANDBOOK)).isEqualTo(7);
    }
}
