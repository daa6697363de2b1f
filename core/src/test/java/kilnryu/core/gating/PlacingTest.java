package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Random;
import kilnryu.core.mesh.Vec;
import org.junit.jupiter.api.Test;

/** Where members stand, worked out with ruler and square. */
class PlacingTest {

    private static Placing.Single first(TestTree tree, String key) {
        return tree.plan().placing().singles().stream()
                .filter(s -> s.member().key().equals(key))
                .findFirst()
                .orElseThrow();
    }

    private static void at(Vec is, double x, double y, double z) {
        assertThat(is.x()).isCloseTo(x, within(1e-6));
        assertThat(is.y()).isCloseTo(y, within(1e-6));
        assertThat(is.z()).isCloseTo(z, within(1e-6));
    }

    @Test
    void theRimIsTheLevelFromWhichAllIsMeasured() {
        at(first(new TestTree(), "cup").root(), 0, 0, 0);
        at(first(new TestTree(), "cup").tip(), 0, 0, -40);
        at(first(new TestTree(), "sprue").root(), 0, 0, -40);
        at(first(new TestTree(), "sprue").tip(), 0, 0, -160);
    }

    /** A gate leaves the face of a sprue of 12, 30 under its beginning, 20 degrees down: 10 mm of it. */
    @Test
    void aGateBeginsOnTheFaceOfTheSprue() {
        Placing.Single gate = first(new TestTree(), "gate");
        at(gate.root(), 6, 0, -70);
        at(gate.tip(), 6 + 10 * Math.cos(Math.toRadians(20)), 0, -70 - 10 * Math.sin(Math.toRadians(20)));
    }

    @Test
    void aPieceGoesOnFromTheEndOfItsGate() {
        Placing.Single gate = first(new TestTree(), "gate");
        Placing.Single leaf = first(new TestTree(), "leaf");
        at(leaf.root(), gate.tip().x(), 0, gate.tip().z());
        assertThat(leaf.tip().minus(leaf.root()).length()).isCloseTo(30, within(1e-9));
    }

    /** An ellipsoid of 30 x 14 x 10 level along x reaches 15, 7 and 5 from its middle. */
    @Test
    void aBodyReachesItsHalfMeasures() {
        TestTree tree = new TestTree().joint("leaf", Joint.to("gate", 10, 0, 0));
        Placing.Single leaf = first(tree, "leaf");
        assertThat(leaf.reach(new Vec(1, 0, 0))).isCloseTo(15, within(1e-9));
        assertThat(leaf.reach(new Vec(0, 1, 0))).isCloseTo(7, within(1e-9));
        assertThat(leaf.reach(Vec.UP)).isCloseTo(5, within(1e-9));
        assertThat(leaf.top() - leaf.bottom()).isCloseTo(10, within(1e-9));
    }

    @Test
    void aRodReachesItsLengthAndItsThickness() {
        Placing.Single sprue = first(new TestTree(), "sprue");
        assertThat(sprue.reach(Vec.UP)).isCloseTo(60, within(1e-9));
        assertThat(sprue.reach(new Vec(1, 0, 0))).isCloseTo(6, within(1e-9));
    }

    @Test
    void membersOnSeveralParentsAreSharedOutEvenly() {
        TestTree tree = new TestTree();
        tree.add("bud", Use.PIECE, 16, TestTree.leaf(2, 3), Joint.to("leaf", 15, 0, 0));
        Placing placing = tree.plan().placing();
        assertThat(placing.singles().stream().filter(s -> s.member().key().equals("bud")))
                .hasSize(16);
        Member bud = tree.plan().assembly().named("bud").orElseThrow();
        assertThat(placing.of(bud).stream().map(Placing.Single::number).distinct())
                .hasSize(16);
    }

    /** Two rods of 9 side by side, 12 apart, have 3 between them; crossed rods touch where they cross. */
    @Test
    void theGapBetweenRodsIsTheirDistanceLessTheirThickness() {
        TestTree tree = new TestTree();
        tree.members.removeIf(m -> m.key().equals("gate") || m.key().equals("leaf"));
        tree.add("left", Use.VENT, 1, new Form.Round(9, 9, 40), Joint.to("cup", 10, 0, 90));
        tree.add("right", Use.VENT, 1, new Form.Round(9, 9, 40), Joint.to("cup", 10, 0, 90));
        List<Placing.Single> singles = tree.plan().placing().singles();
        Placing.Single left = singles.get(singles.size() - 2);
        Placing.Single moved = moved(left, new Vec(12, 0, 0));
        assertThat(Gap.between(left, moved)).isCloseTo(3, within(1e-9));
        assertThat(Gap.between(moved, left)).isCloseTo(3, within(1e-9));
        assertThat(Gap.between(left, left)).isNegative();
    }

    @Test
    void movingApartNeverNarrowsTheGap() {
        Random chance = new Random(3);
        Placing.Single leaf = first(new TestTree(), "leaf");
        for (int i = 0; i < 200; i++) {
            Vec away = new Vec(chance.nextGaussian(), chance.nextGaussian(), chance.nextGaussian()).unit();
            double before = Double.NEGATIVE_INFINITY;
            for (double d = 40; d < 120; d += 20) {
                double gap = Gap.between(leaf, moved(leaf, away.times(d)));
                assertThat(gap).isGreaterThan(before);
                assertThat(gap).isLessThan(d);
                before = gap;
            }
        }
    }

    private static Placing.Single moved(Placing.Single s, Vec by) {
        return new Placing.Single(
                s.member(), s.number(), s.root().plus(by), s.tip().plus(by), s.way(), s.azimuth());
    }

    @Test
    void theWayUpLeadsToTheCup() {
        Assembly assembly = new TestTree().plan().assembly();
        assertThat(assembly.wayUp(assembly.named("leaf").orElseThrow()).stream().map(Member::key))
                .containsExactly("leaf", "gate", "sprue", "cup");
        assertThat(assembly.root().key()).isEqualTo("cup");
        assertThat(assembly.childrenOf(assembly.root(), Use.SPRUE)).hasSize(1);
        assertThat(assembly.parentOf(assembly.root())).isEqualTo(Optional.empty());
    }
}
