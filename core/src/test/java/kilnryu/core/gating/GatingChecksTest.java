package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Severity;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.sum.Figure;
import org.junit.jupiter.api.Test;

/** Each check with one tree that fails it and one that just passes. */
class GatingChecksTest {

    @Test
    void theSoundTreeHasNothingAgainstItButItsCupsVolume() {
        assertThat(new TestTree().plan().findings().all())
                .filteredOn(f -> f.severity() != Severity.NOTE)
                .isEmpty();
        assertThat(TestTree.standing().found()).contains("high-point.statue", "low-pocket.statue");
    }

    /**
     * Leaf 4 mm as a plate: M 2.0; a gate of 8.8 mm has M 2.2, a tenth more, and 5 % under it, 8.36 mm, is let pass. Gate 9:
     * 2.25; sprue 9.9: 2.475, let pass from 9.41.
     */
    @Test
    void theModulusRisesByATenthFromPieceToSprue() {
        assertThat(new TestTree().form("gate", new Form.Round(8.3, 8.3, 10)).found())
                .contains("thick-thin-thick.gate.leaf");
        assertThat(new TestTree().form("gate", new Form.Round(8.4, 8.4, 10)).found())
                .noneMatch(id -> id.contains(".gate.leaf"));
        assertThat(new TestTree().form("sprue", new Form.Round(9.4, 9.4, 120)).found())
                .contains("thick-thin-thick.sprue.gate");
        assertThat(new TestTree().form("sprue", new Form.Round(9.42, 9.42, 120)).found())
                .noneMatch(id -> id.contains(".sprue.gate"));
    }

    /** Silicon bronze bears about 8 mm unfed; 5 % over it is let pass. */
    @Test
    void aThickWallBehindAThinGateIsUnfed() {
        assertThat(new TestTree().form("leaf", TestTree.leaf(3, 8.5)).found()).contains("unfed-wall.leaf");
        assertThat(new TestTree().form("leaf", TestTree.leaf(3, 8.3)).found()).doesNotContain("unfed-wall.leaf");
    }

    @Test
    void aFeederIsAFifthThickerAndHoldsEnough() {
        // leaf M 2.0, asks 2.4, from 2.28 let pass; d L / (4 L + d): 9.8 x 40 / 169.8 = 2.309, 9.6 x 40 / 169.6 = 2.264
        TestTree thin = fed(new Form.Round(9.6, 9.6, 40));
        TestTree thick = fed(new Form.Round(9.8, 9.8, 40));
        assertThat(thin.found()).contains("feeder-modulus.feeder");
        assertThat(thick.found()).doesNotContain("feeder-modulus.feeder");
        // eight leaves are 8 x 0.8796 = 7.04 cm3; 4.5 % over 17 % of it is 1.863 cm3, eight feeders hold 8 x 3.8
        assertThat(thick.found()).doesNotContain("feeder-volume.feeder");
        // one feeder of 1.86 cm3, from 1.770 let pass: d 11 L 18.62
        assertThat(fedOnce(18.5).found()).contains("feeder-volume.feeder");
        assertThat(fedOnce(18.8).found()).doesNotContain("feeder-volume.feeder");
    }

    private static TestTree fed(Form feeder) {
        return new TestTree()
                .add(
                        "feeder",
                        Use.FEEDER,
                        8,
                        feeder,
                        Joint.to("leaf", 15, 0, 90).filleted(1));
    }

    private static TestTree fedOnce(double length) {
        return new TestTree()
                .add(
                        "feeder",
                        Use.FEEDER,
                        1,
                        new Form.Round(11, 11, length),
                        Joint.to("leaf", 15, 0, 90).filleted(1));
    }

    @Test
    void thickThinThickInsideAPieceNeedsASecondWayToFeed() {
        TestTree bad = new TestTree().form("leaf", TestTree.leaf(2, 4, 4, 2, 3));
        TestTree onlyFalling = new TestTree().form("leaf", TestTree.leaf(2, 4, 4, 3, 2));
        TestTree justRising = new TestTree().form("leaf", TestTree.leaf(2, 4, 4, 2, 2.2));
        TestTree second = new TestTree()
                .form("leaf", TestTree.leaf(2, 4, 4, 2, 3))
                .add("second", Use.GATE, 8, new Form.Round(9, 9, 10), Joint.to("sprue", 60, 0, -20), "leaf");
        assertThat(bad.found()).contains("thick-thin-thick.leaf");
        assertThat(onlyFalling.found()).doesNotContain("thick-thin-thick.leaf");
        assertThat(justRising.found()).doesNotContain("thick-thin-thick.leaf");
        assertThat(second.found()).doesNotContain("thick-thin-thick.leaf");
    }

    /** Sprue 20: 314 mm2. Calm asks gates from 1.2 times: 377 mm2, from 358 let pass: 24 x 14.92. */
    @Test
    void gatesAndSprueStandInTheSchoolsRatio() {
        assertThat(calmGate(14.8).found()).contains("gate-ratio");
        assertThat(calmGate(15.1).found()).doesNotContain("gate-ratio");
        assertThat(new TestTree().found()).doesNotContain("gate-ratio");
        assertThat(new TestTree().school(GatingSchool.CHOKED).found()).contains("gate-ratio");
    }

    private static TestTree calmGate(double thick) {
        return TestTree.standing()
                .joint("statue", Joint.to("gate", 15, 0, 90))
                .add("gate", Use.GATE, 1, new Form.Bar(24, thick, 15), Joint.to("runner", 58, 0, 0));
    }

    @Test
    void aChannelMayNotNeckBeforeItOpens() {
        // runner 24 x 20 = 480 mm2 on sprues of 20 and 24 mm: 314 and 452 mm2
        assertThat(TestTree.standing().found()).contains("neck.runner");
        assertThat(TestTree.standing()
                        .form("sprue", new Form.Round(24, 24, 200))
                        .found())
                .doesNotContain("neck.runner");
    }

    @Test
    void aVentMayNotEndInTheMetalsOwnPath() {
        assertThat(vented(205, "sprue").found()).contains("vent-rejoins.vent");
        assertThat(vented(205, "").found()).doesNotContain("vent-rejoins.vent");
    }

    /** The statue's top lies at 120 over its gate; the vent on it has to reach the rim, which is 125 mm up. */
    @Test
    void aVentReachesTheRim() {
        double top = TestTree.standing().plan().placing().singles().stream()
                .filter(s -> s.member().key().equals("statue"))
                .findFirst()
                .orElseThrow()
                .top();
        // sprue 245 under the rim at the runner's middle, runner half of 20 up, statue 120: 245 - 10 - 120 = 115
        assertThat(top).isBetween(-115.01, -114.99);
        assertThat(vented(112, "").found()).contains("vent-short.vent");
        assertThat(vented(113.1, "").found()).doesNotContain("vent-short.vent");
    }

    @Test
    void aVentLeavesFromTheHighestPoint() {
        TestTree low = TestTree.standing()
                .add(
                        "vent",
                        Use.VENT,
                        1,
                        new Form.Round(6, 6, 170),
                        Joint.to("statue", 70, 0, 90).filleted(1));
        assertThat(low.found()).contains("vent-low.vent", "high-point.statue");
        assertThat(vented(115, "").found()).doesNotContain("vent-low.vent", "high-point.statue");
    }

    private static TestTree vented(double length, String endsAt) {
        return TestTree.standing()
                .add(
                        "vent",
                        Use.VENT,
                        1,
                        new Form.Round(6, 6, length),
                        Joint.to("statue", 120, 0, 90).filleted(1),
                        endsAt);
    }

    @Test
    void aBubbleStubIsEnoughAtAHighPoint() {
        TestTree stub = TestTree.standing()
                .add(
                        "stub",
                        Use.STUB,
                        1,
                        new Form.Round(6, 6, 12),
                        Joint.to("statue", 119, 0, 90).filleted(1));
        assertThat(stub.found()).doesNotContain("high-point.statue");
    }

    /** The standing statue with so many crowns and hollows, and so many bubble stubs on it beside that on its top. */
    private static TestTree crowned(int highs, int lows, int stubs) {
        TestTree tree = TestTree.standing()
                .form(
                        "statue",
                        new Form.Body(120, 40, 40, Optional.empty(), Optional.empty(), new Form.Traps(highs, lows)));
        tree.add("top", Use.STUB, 1, new Form.Round(6, 6, 12), Joint.to("statue", 119, 0, 90));
        for (int i = 0; i < stubs; i++) {
            tree.add("stub" + i, Use.STUB, 1, new Form.Round(6, 6, 12), Joint.to("statue", 70, 90 * i, 0));
        }
        return tree;
    }

    @Test
    void everyCrownOfAMeshWantsItsOwnVent() {
        assertThat(severity(crowned(2, 0, 1), "high-further.statue")).isEqualTo(Severity.WARN);
        assertThat(crowned(2, 0, 2).found()).doesNotContain("high-further.statue");
        assertThat(crowned(0, 0, 0).found()).doesNotContain("high-further.statue", "low-further.statue");
        assertThat(severity(crowned(2, 0, 0).school(GatingSchool.FREE_TREE), "high-further.statue"))
                .isEqualTo(Severity.NOTE);
    }

    @Test
    void aLowPointKeepsItsWaxUntilItHasADrain() {
        TestTree hollow = crowned(0, 1, 0);
        assertThat(severity(hollow, "low-further.statue")).isEqualTo(Severity.NOTE);
        assertThat(severity(crowned(0, 1, 0).of(Alloy.SI_BRONZE, PatternMaterial.FILAMENT_PLA), "low-further.statue"))
                .isEqualTo(Severity.WARN);
        hollow.add("drain", Use.DRAIN, 1, new Form.Round(6, 6, 60), Joint.to("statue", 40, 0, 0));
        assertThat(hollow.found()).doesNotContain("low-further.statue");
    }

    @Test
    void underVacuumAHighPointIsOnlyNoted() {
        TestTree rising =
                new TestTree().joint("leaf", Joint.to("gate", 10, 0, 60).filleted(1));
        assertThat(severity(rising, "high-point.leaf")).isEqualTo(Severity.NOTE);
        assertThat(severity(rising.school(GatingSchool.CHOKED), "high-point.leaf"))
                .isEqualTo(Severity.WARN);
        assertThat(new TestTree().found()).doesNotContain("high-point.leaf");
    }

    @Test
    void aPlasticPatternNeedsADrainAtItsLowPocket() {
        TestTree pla = TestTree.standing().of(Alloy.SI_BRONZE, PatternMaterial.FILAMENT_PLA);
        assertThat(severity(pla, "low-pocket.statue")).isEqualTo(Severity.WARN);
        assertThat(drained(pla, 5.9).found()).contains("low-pocket.statue");
        assertThat(drained(TestTree.standing().of(Alloy.SI_BRONZE, PatternMaterial.FILAMENT_PLA), 6)
                        .found())
                .doesNotContain("low-pocket.statue");
    }

    private static TestTree drained(TestTree tree, double diameter) {
        return tree.add(
                "drain",
                Use.DRAIN,
                1,
                new Form.Round(diameter, diameter, 115),
                Joint.to("statue", 120, 0, 90).filleted(1));
    }

    @Test
    void aRunnerThatGoesOnPastItsLastJointEndsBlind() {
        TestTree on = TestTree.standing().form("runner", new Form.Bar(24, 20, 95));
        TestTree just = TestTree.standing().form("runner", new Form.Bar(24, 20, 94));
        TestTree stub = TestTree.standing()
                .form("runner", new Form.Bar(24, 20, 95))
                .add("stub", Use.STUB, 1, new Form.Round(8, 8, 15), Joint.to("runner", 90, 0, 90));
        assertThat(on.found()).contains("blind-end.runner");
        assertThat(just.found()).doesNotContain("blind-end.runner");
        assertThat(stub.found()).doesNotContain("blind-end.runner");
    }

    @Test
    void aThinWallMisrunsInAColdMold() {
        TestTree thin = new TestTree().form("leaf", TestTree.leaf(0.3, 3)).at(1050, 100);
        TestTree hot = new TestTree().form("leaf", TestTree.leaf(0.3, 3)).at(1150, 900);
        assertThat(severity(thin, "misrun.leaf")).isEqualTo(Severity.STOP);
        assertThat(hot.found()).doesNotContain("misrun.leaf");
    }

    @Test
    void theLeastWallIsTheOneWithAMarginOfTwo() {
        double least = new TestTree()
                .plan().figures().stream()
                        .filter(f -> f.symbol().equals("least_wall"))
                        .findFirst()
                        .orElseThrow()
                        .value();
        assertThat(new TestTree().form("leaf", TestTree.leaf(least * 0.99, 3)).found())
                .contains("misrun.leaf");
        assertThat(new TestTree().form("leaf", TestTree.leaf(least * 1.01, 3)).found())
                .doesNotContain("misrun.leaf");
    }

    /** Held by two gates, 2 mm beside 6 mm, 30 mm long: three times as thick, fifteen thicknesses long. */
    @Test
    void aLongRestrainedThinWallBesideAThickOneTears() {
        assertThat(held(2, 6).found()).contains("tear.leaf");
        assertThat(held(2, 5.9).found()).doesNotContain("tear.leaf");
        assertThat(new TestTree().form("leaf", TestTree.leaf(2, 6)).found()).doesNotContain("tear.leaf");
    }

    private static TestTree held(double thin, double thick) {
        return new TestTree()
                .form("leaf", TestTree.leaf(thin, thick))
                .add("second", Use.GATE, 8, new Form.Round(9, 9, 10), Joint.to("sprue", 60, 0, -20), "leaf");
    }

    @Test
    void aSharpJointTrapsInvestment() {
        assertThat(new TestTree()
                        .joint("gate", Joint.to("sprue", 30, 0, -56).inRings(4, 20))
                        .found())
                .contains("wedge.gate");
        assertThat(new TestTree()
                        .joint("gate", Joint.to("sprue", 30, 0, -54).inRings(4, 20))
                        .found())
                .doesNotContain("wedge.gate");
    }

    /** A sprue of 120: rings at 30, 60.1, 90.2 and 120.3 touch still, at 30, 60.2, 90.4 and 120.6 not. */
    @Test
    void aJointPastTheEndOfWhatItJoinsIsStopped() {
        assertThat(new TestTree()
                        .joint("gate", Joint.to("sprue", 30, 0, -20).inRings(4, 30.2))
                        .found())
                .contains("past-end.gate");
        assertThat(new TestTree()
                        .joint("gate", Joint.to("sprue", 30, 0, -20).inRings(4, 30.1))
                        .found())
                .doesNotContain("past-end.gate");
    }

    @Test
    void bareCornersAreNoted() {
        assertThat(new TestTree().found()).doesNotContain("bare-corners");
        assertThat(new TestTree()
                        .joint("gate", Joint.to("sprue", 30, 0, -20).inRings(4, 20))
                        .found())
                .contains("bare-corners");
    }

    /** Rods of 9 mm hanging side by side from a bar, one level each: 12 apart leaves 3, 11.9 leaves 2.9. */
    @Test
    void thinGapsBetweenPartsAreFound() {
        assertThat(comb(11.9).found()).anyMatch(id -> id.startsWith("gap.rod"));
        assertThat(comb(12.01).found()).noneMatch(id -> id.startsWith("gap.rod"));
    }

    private static TestTree comb(double apart) {
        TestTree tree = TestTree.standing();
        tree.members.removeIf(m -> m.key().equals("statue"));
        return tree.add(
                "rod",
                Use.GATE,
                3,
                new Form.Round(9, 9, 20),
                Joint.to("runner", 20, 0, -90).inRings(3, apart));
    }

    @Test
    void aCoreWantsThreePinsAndASlenderOneTwoLevels() {
        assertThat(cored(new Form.Core(80, 16, 2, 1)).found()).contains("core-pins.statue");
        assertThat(cored(new Form.Core(80, 16, 3, 1)).found()).contains("core-levels.statue");
        assertThat(cored(new Form.Core(80, 16, 3, 2)).found()).doesNotContain("core-pins.statue", "core-levels.statue");
        assertThat(cored(new Form.Core(48, 16, 3, 1)).found()).doesNotContain("core-levels.statue");
    }

    private static TestTree cored(Form.Core core) {
        return TestTree.standing().form("statue", TestTree.statue(core));
    }

    @Test
    void aSprueMayNotPourOnACore() {
        TestTree straight = cored(new Form.Core(48, 16, 3, 2)).joint("statue", Joint.to("sprue", 200, 0, -90));
        TestTree fromBelow = cored(new Form.Core(48, 16, 3, 2));
        assertThat(straight.found()).contains("pours-on-core.statue");
        assertThat(fromBelow.found()).doesNotContain("pours-on-core.statue");
    }

    /** Silicon bronze flows 2.9 kg/s as 385 cm3/s. */
    @Test
    void theCupHoldsWhatTheSprueDoesNotTake() {
        TestTree fast = new TestTree().form("cup", new Form.Round(24, 20, 15)).pouredAt(4);
        TestTree slow = new TestTree().form("cup", new Form.Round(24, 20, 15)).pouredAt(0.75);
        assertThat(fast.found()).contains("cup-small");
        assertThat(slow.found()).doesNotContain("cup-small");
        assertThat(new TestTree().pouredAt(0.2).found()).contains("sprue-not-full");
    }

    @Test
    void theHighestPieceHasMetalAboveIt() {
        double top = -head(new TestTree());
        assertThat(top).isLessThan(-25);
        TestTree flat = new TestTree()
                .form("cup", new Form.Round(50, 20, 8))
                .joint("sprue", Joint.to("cup", 8, 0, -90))
                .joint("gate", Joint.to("sprue", 12, 0, -20).inRings(4, 20));
        assertThat(flat.found()).contains("head");
        assertThat(new TestTree().found()).doesNotContain("head");
    }

    private static double head(TestTree tree) {
        return tree.plan().figures().stream()
                .filter(f -> f.symbol().equals("head"))
                .findFirst()
                .orElseThrow()
                .value();
    }

    @Test
    void theFirstRingKeepsItsDistanceFromTheCup() {
        TestTree near = new TestTree().joint("gate", Joint.to("sprue", 4, 0, 0).inRings(4, 20));
        assertThat(near.found()).contains("button.leaf");
        assertThat(new TestTree().found()).doesNotContain("button.leaf");
    }

    @Test
    void aThinSprueDoesNotCarryAGrowingShell() {
        TestTree thin = TestTree.standing().form("sprue", new Form.Round(4, 4, 200));
        assertThat(thin.found()).doesNotContain("joint-weak.sprue");
        thin.in = InMold.shell(8);
        assertThat(thin.found()).contains("joint-weak.sprue");
        TestTree thick = TestTree.standing();
        thick.in = InMold.shell(8);
        assertThat(thick.found()).doesNotContain("joint-weak.sprue");
    }

    /** A leaf 10 mm from side to side bears a gate to 10.5 mm. */
    @Test
    void aGateIsNoThickerThanItsPart() {
        assertThat(new TestTree().form("gate", new Form.Round(10.4, 10.4, 10)).found())
                .noneMatch(id -> id.startsWith("gate-thick"));
        assertThat(new TestTree().form("gate", new Form.Round(10.6, 10.6, 10)).found())
                .contains("gate-thick.gate");
        assertThat(new TestTree().form("gate", new Form.Bar(20, 10, 10)).found())
                .noneMatch(id -> id.startsWith("gate-thick"));
    }

    /** Two people with a ladle pour 1.5 kg a second, of aluminium 0.5: half as much again is not believed. */
    @Test
    void aPouringRateNobodyPoursIsSaid() {
        assertThat(new TestTree().pouredAt(2.2).found()).doesNotContain("pour-rate");
        assertThat(new TestTree().pouredAt(2.3).found()).contains("pour-rate");
        assertThat(new TestTree()
                        .of(Alloy.AL_SI7, PatternMaterial.SPRUE_WAX)
                        .at(715, 250)
                        .pouredAt(0.8)
                        .found())
                .contains("pour-rate");
    }

    /**
     * Bronze against a wall of 0.3 mm: 2 x 1.3 / 0.3 = 8.7 kPa. The head of 0.9 x 8.36 x 9.81 = 73.8 kPa a metre gives some 8 at
     * 110 mm. 60 kPa at the table help; without vacuum, by gravity, it is warned of, under vacuum that nobody stated it is open.
     */
    @Test
    void metalWithoutPressureDoesNotEnterAGap() {
        TestTree thin = new TestTree().form("leaf", TestTree.leaf(0.3, 4));
        assertThat(thin.found()).contains("capillary.leaf");
        assertThat(thin.plan().findings().all())
                .filteredOn(f -> f.id().equals("capillary.leaf"))
                .allMatch(f -> f.severity() == Severity.NOTE && f.message().contains("not yet judged"));
        assertThat(new TestTree()
                        .form("leaf", TestTree.leaf(0.3, 4))
                        .school(GatingSchool.GRAVITY)
                        .plan()
                        .findings()
                        .all())
                .filteredOn(f -> f.id().equals("capillary.leaf"))
                .extracting(f -> f.severity())
                .containsExactly(Severity.WARN);
        thin.vacuum = java.util.Optional.of(Figure.given(
                "vacuum", "gauge", 60, kilnryu.core.quantity.Measure.KILOPASCAL, kilnryu.core.sum.Known.CHOSEN, 0));
        assertThat(thin.found()).doesNotContain("capillary.leaf");
        assertThat(new TestTree().found()).doesNotContain("capillary.leaf");
    }

    @Test
    void everyFindingHasAPlaceInTheTreeAReasonAndARemedy() {
        List<Finding> all = TestTree.standing()
                .school(GatingSchool.CHOKED)
                .pouredAt(9)
                .plan()
                .findings()
                .all();
        assertThat(all).isNotEmpty().allSatisfy(f -> {
            assertThat(f.place()).startsWith("member.");
            assertThat(f.reason()).isNotBlank();
            assertThat(f.remedy()).isNotBlank();
        });
    }

    @Test
    void membersThatDoNotHangTogetherAreRefusedAtTheirField() {
        TestTree lost = new TestTree().joint("gate", Joint.to("nothing", 0, 0, 0));
        assertThatThrownBy(lost::plan)
                .isInstanceOf(ImpossibleAssembly.class)
                .extracting("member", "field")
                .containsExactly("gate", "joins");
        TestTree circle = new TestTree().joint("sprue", Joint.to("gate", 0, 0, 0));
        assertThatThrownBy(circle::plan).isInstanceOf(ImpossibleAssembly.class).hasMessageContaining("circle");
        TestTree two = new TestTree().add("other", Use.CUP, 1, new Form.Round(9, 9, 9), null);
        assertThatThrownBy(two::plan).isInstanceOf(ImpossibleAssembly.class).hasMessageContaining("stands alone");
    }

    private static Severity severity(TestTree tree, String id) {
        Optional<Finding> found = tree.plan().findings().all().stream()
                .filter(f -> f.id().equals(id))
                .findFirst();
        assertThat(found).as(id).isPresent();
        return found.get().severity();
    }
}
