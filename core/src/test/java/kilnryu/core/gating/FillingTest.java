package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import kilnryu.core.sum.Figure;
import org.junit.jupiter.api.Test;

/** Sums of handbook 10, done by hand. */
class FillingTest {

    /**
     * Silicon bronze at 1110 C into a mold of 540 C: 8360 x (205000 + 500 x 140) / 430 = 5.34651e6; squared 2.85852e13;
     * mold c = 1035, k = 0.52333: pi / (4 x 0.52333 x 1290 x 1035) = 1.12405e-6; B = 3.2131e7 s/m2. A 3 mm plate has M
     * 1.5 mm and freezes in 72.3 s.
     */
    @Test
    void freezingTimeOfAPlate() {
        GatingPlan plan = new TestTree().plan();
        Filling filling = filling(new TestTree());
        assertThat(filling.freezing().orElseThrow().value()).isCloseTo(3.2131e7, within(3e4));
        Figure plate = Modulus.thinnest(
                plan.assembly().named("leaf").orElseThrow(),
                ((Form.Body) plan.assembly().named("leaf").orElseThrow().form())
                        .walls()
                        .orElseThrow());
        assertThat(plate.value()).isEqualTo(1.5);
        assertThat(filling.freezes(plate, Form.Likeness.PLATE).orElseThrow().value())
                .isCloseTo(72.3, within(0.1));
    }

    /**
     * Choke is the sprue, 113.10 mm2. Gates leave it at 40 + 30, 50, 70, 90 under the rim, 100 in the mean, and drop 10
     * sin 20 = 3.42: head 103.42 mm; 0.8 x 113.10 x sqrt(2 x 9.81 x 0.10342) = 128.88 cm3/s. Below the cup: sprue
     * 13.57, gates 8 x 0.636, leaves 8 x 0.880: 25.70 cm3 in 0.1994 s.
     */
    @Test
    void timeToFillByTheChoke() {
        GatingPlan plan = new TestTree().pouredAt(1).plan();
        assertThat(value(plan, "flow")).isCloseTo(128.88, within(0.05));
        assertThat(value(plan, "fill")).isCloseTo(0.1994, within(0.0002));
    }

    /**
     * Half a kilogram is poured by hand, 0.25 kg/s: 250 / (0.9 x 8.36) = 33.2 cm3/s, less than the choke takes: 25.70 cm3 in
     * 0.773 s. Of aluminium a third of the mass: 83.3 / (0.9 x 2.68) = 34.5 cm3/s.
     */
    @Test
    void whatIsPouredRulesWhereNoRateIsTyped() {
        GatingPlan plan = new TestTree().plan();
        assertThat(value(plan, "flow")).isCloseTo(33.23, within(0.01));
        assertThat(value(plan, "fill")).isCloseTo(0.773, within(0.001));
        TestTree light = new TestTree()
                .of(kilnryu.core.material.Alloy.AL_SI7, kilnryu.core.material.PatternMaterial.SPRUE_WAX)
                .at(715, 250);
        assertThat(value(light.plan(), "flow")).isCloseTo(34.55, within(0.01));
    }

    /** In a block of 1078 kg/m3 a third more time than in 1290: B goes as one over the density. */
    @Test
    void eachMoldFreezesByItsOwnConstants() {
        double flask = filling(new TestTree()).freezing().orElseThrow().value();
        TestTree block = new TestTree();
        block.in = InMold.investment("block", 1078);
        assertThat(filling(block).freezing().orElseThrow().value()).isCloseTo(flask * 1290 / 1078, within(1e3));
    }

    /** 10 mm radius of bronze at 1120 C in 8 mm of shell at 850: the fine solution has it solid in 339 s. */
    @Test
    void aShellThatIsThinBesideTheMetalIsFollowedThroughItsWall() {
        TestTree shell = new TestTree().at(1120, 850);
        shell.in = InMold.shell(8);
        Filling filling = filling(shell);
        assertThat(filling.freezing()).isEmpty();
        Figure rod = Figure.given(
                "M", "modulus", 5, kilnryu.core.quantity.Measure.MILLIMETRE, kilnryu.core.sum.Known.CHOSEN, 0);
        assertThat(filling.freezes(rod, Form.Likeness.BAR).orElseThrow().value())
                .isCloseTo(339.3, within(17.0));
        // in a shell at 850 C nothing is solid for half a minute, however thin: what fills is asked at 600
        Filling cooler = filling(coolShell());
        double least = cooler.leastWall().orElseThrow().value();
        Figure plate = Figure.given(
                "M", "modulus", least / 2, kilnryu.core.quantity.Measure.MILLIMETRE, kilnryu.core.sum.Known.CHOSEN, 0);
        assertThat(cooler.freezes(plate, Form.Likeness.PLATE).orElseThrow().value())
                .isCloseTo(2 * cooler.fill().orElseThrow().value(), within(0.05));
    }

    /** Gates 8 x 63.62 = 508.9 over 113.1 is 4.5. */
    @Test
    void gatesToSprue() {
        assertThat(value(new TestTree().plan(), "gate_ratio")).isCloseTo(4.5, within(0.001));
    }

    /** 1 kg/s of melt at 0.9 x 8.36 g/cm3 is 132.9 cm3/s, more than the choke; 0.5 kg/s is 66.5, less. */
    @Test
    void aSlowPourRulesTheTime() {
        assertThat(value(new TestTree().pouredAt(1).plan(), "flow")).isCloseTo(128.88, within(0.05));
        assertThat(value(new TestTree().pouredAt(0.5).plan(), "flow")).isCloseTo(66.45, within(0.05));
    }

    private static TestTree coolShell() {
        TestTree shell = new TestTree().at(1120, 600);
        shell.in = InMold.shell(8);
        return shell;
    }

    @Test
    void moduliOfRodConeBarAndBall() {
        TestTree tree = TestTree.standing().form("sprue", new Form.Round(24, 16, 200));
        tree.form("statue", new Form.Body(40, 40, 40, java.util.Optional.empty(), java.util.Optional.empty()));
        GatingPlan plan = tree.plan();
        assertThat(plan.moduli().get("sprue").value()).isCloseTo(5, within(1e-9));
        assertThat(plan.moduli().get("runner").value()).isCloseTo(24.0 * 20 / 88, within(1e-9));
        assertThat(plan.moduli().get("statue").value()).isCloseTo(40 / 6.0, within(1e-3));
        // cup: mean 42, 50 long, one free end: 42 x 50 / 242
        assertThat(plan.moduli().get("cup").value()).isCloseTo(42.0 * 50 / 242, within(1e-9));
    }

    @Test
    void ringsStandEvenlyAndEverySecondIsTurned() {
        Placing placing = new TestTree().plan().placing();
        assertThat(placing.singles()).hasSize(18);
        assertThat(placing.singles().stream()
                        .filter(s -> s.member().key().equals("gate"))
                        .map(s -> Math.round(s.azimuth())))
                .containsExactly(0L, 180L, 90L, 270L, 0L, 180L, 90L, 270L);
        assertThat(placing.depth()).isCloseTo(160, within(1e-6));
        // 6 sprue + 10 cos 20 gate + 30 cos 45 leaf, on both sides, and the leaf's own thickness at its end
        assertThat(placing.width() / 2).isBetween(6 + 9.39 + 15.0, 6 + 9.39 + 23.5);
    }

    private static Filling filling(TestTree tree) {
        GatingPlan plan = tree.plan();
        return Filling.of(
                new GatingQuestion(
                        plan.assembly(),
                        tree.alloy,
                        tree.pattern,
                        java.util.Optional.of(temperature("pour", tree.metal)),
                        java.util.Optional.of(temperature("mold", tree.mold)),
                        java.util.Optional.empty(),
                        tree.school,
                        kilnryu.core.sum.Factors.HANDBOOK,
                        tree.in,
                        tree.vacuum),
                plan.placing());
    }

    private static Figure temperature(String symbol, double value) {
        return Figure.given(
                symbol, symbol, value, kilnryu.core.quantity.Measure.DEGREE_CELSIUS, kilnryu.core.sum.Known.CHOSEN, 0);
    }

    private static double value(GatingPlan plan, String symbol) {
        return plan.figures().stream()
                .filter(f -> f.symbol().equals(symbol))
                .findFirst()
                .orElseThrow()
                .value();
    }
}
