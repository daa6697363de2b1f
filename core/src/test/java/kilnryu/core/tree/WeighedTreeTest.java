package kilnryu.core.tree;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.sum.Factors;
import org.junit.jupiter.api.Test;

class WeighedTreeTest {

    /** 96 g of injection wax are 100 cm3, 836 g of silicon bronze; the charge is 836 / 0.98 + 83.6 = 936.66 g. */
    private static TreePlan plan(Part... parts) {
        return new TreePlanner(Factors.HANDBOOK)
                .plan(new Tree(
                        Alloy.SI_BRONZE,
                        List.of(parts),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        Optional.empty()));
    }

    private static Part wax(double grams) {
        return new Part(
                "piece",
                Part.Role.PIECE,
                PatternMaterial.INJECTION_WAX,
                1,
                new Amount.Weighed(Mass.grams(grams)),
                Optional.empty());
    }

    @Test
    void ofOneMaterialTheMetalFollowsTheRatioOfTheMasses() {
        WeighedTree weighed = WeighedTree.of(plan(wax(96)), Mass.grams(98.4), Factors.HANDBOOK);
        assertThat(weighed.cavity().value()).isCloseTo(836 * 98.4 / 96, within(1e-9));
        // 20.9 g more in the mold, over 0.98
        assertThat(weighed.charge().value()).isCloseTo(936.6612 + 20.9 / 0.98, within(0.001));
        assertThat(weighed.findings().all()).isEmpty();
    }

    /** A resin piece of 56.5 g (50 cm3) on a sprue of 7.854 cm3 (7.461 g): 1.9 g too much is 2 cm3 of sprue wax. */
    @Test
    void ofTwoMaterialsTheDifferenceIsWaxOfTheGating() {
        Part resin = new Part(
                "piece",
                Part.Role.PIECE,
                PatternMaterial.CASTABLE_RESIN,
                1,
                new Amount.Weighed(Mass.grams(56.5)),
                Optional.empty());
        Part sprue = new Part(
                "sprue",
                Part.Role.GATING,
                PatternMaterial.SPRUE_WAX,
                1,
                new Amount.Rod(Length.millimetres(10), Length.millimetres(100)),
                Optional.empty());
        TreePlan plan = plan(resin, sprue);
        double planned = plan.patternMass().value();
        WeighedTree weighed = WeighedTree.of(plan, Mass.grams(planned + 1.9), Factors.HANDBOOK);
        assertThat(weighed.cavity().value() - plan.cavityMetal().value()).isCloseTo(2 * 8.36, within(1e-9));
    }

    @Test
    void aTreeFarOffItsPlanIsQuestionedEitherWay() {
        assertThat(WeighedTree.of(plan(wax(96)), Mass.grams(102), Factors.HANDBOOK)
                        .findings()
                        .all()
                        .get(0)
                        .message())
                .contains("6 % more");
        assertThat(WeighedTree.of(plan(wax(96)), Mass.grams(86.4), Factors.HANDBOOK)
                        .findings()
                        .all()
                        .get(0)
                        .message())
                .contains("10 % less");
        assertThat(WeighedTree.of(plan(wax(96)), Mass.grams(100.7), Factors.HANDBOOK)
                        .findings()
                        .all())
                .isEmpty();
    }

    @Test
    void aBarHasItsVolume() {
        Part bar = new Part(
                "runner",
                Part.Role.GATING,
                PatternMaterial.SPRUE_WAX,
                2,
                new Amount.Bar(Length.millimetres(20), Length.millimetres(10), Length.millimetres(50)),
                Optional.empty());
        assertThat(plan(bar).treeVolume().value()).isCloseTo(20, within(1e-9));
        assertThat(plan(bar).patternMass().value()).isCloseTo(19, within(1e-9));
    }
}
