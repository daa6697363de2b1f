package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import kilnryu.core.mesh.Vec;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/** Room between two parts, by ruler: middle line to middle line less what each is thick that way. */
class GapTest {
    private static final Offset<Double> CLOSE = within(1e-9);

    private static Placing.Single single(Form form, Vec from, Vec to) {
        Member member =
                new Member("m", "m", Use.PIECE, 1, form, TestTree.volume(TestTree.cm3(form)), Optional.empty(), "");
        return new Placing.Single(member, 0, from, to, to.minus(from).unit(), 0);
    }

    private static Placing.Single rod(double d, Vec from, Vec to) {
        return single(new Form.Round(d, d, to.minus(from).length()), from, to);
    }

    private static Vec at(double x, double y, double z) {
        return new Vec(x, y, z);
    }

    private static void apart(Placing.Single a, Placing.Single b, double mm) {
        assertThat(Gap.between(a, b)).isCloseTo(mm, CLOSE);
        assertThat(Gap.between(b, a)).isCloseTo(mm, CLOSE);
    }

    /** A cone of 20 to 10 is 15 on the mean: 30 apart less 7.5 and 3. */
    @Test
    void sideBySide() {
        Placing.Single cone = single(new Form.Round(20, 10, 50), at(0, 0, 0), at(0, 0, -50));
        apart(cone, rod(6, at(30, 0, 0), at(30, 0, -50)), 19.5);
    }

    /** Ten millimetres from end to end, however thick. */
    @Test
    void endOnEnd() {
        apart(rod(10, at(0, 0, 0), at(0, 0, -50)), rod(6, at(0, 0, -60), at(0, 0, -90)), 10);
    }

    /** One along x, one along y 20 above: 20 less 5 and 3, wherever they cross. */
    @Test
    void crossing() {
        Placing.Single along = rod(10, at(-50, 0, 0), at(50, 0, 0));
        apart(along, rod(6, at(0, -50, 20), at(0, 50, 20)), 12);
        apart(along, rod(6, at(-30, -10, 20), at(-30, 90, 20)), 12);
    }

    /** The other ends 30 before it would cross: sqrt(30^2 + 20^2) = 36.06 from its end, seen at 20 / 36.06 of its side. */
    @Test
    void endingBeforeItCrosses() {
        Placing.Single along = rod(10, at(-50, 0, 0), at(50, 0, 0));
        double far = Math.hypot(30, 20);
        apart(along, rod(6, at(0, 30, 20), at(0, 80, 20)), far - 5 - 3 * 20 / far);
        apart(along, rod(6, at(0, 80, 20), at(0, 30, 20)), far - 5 - 3 * 20 / far);
    }

    /** 30 past its end and 40 aside: 50 away; it shows 0.8 of its half to there, the other 0.6. */
    @Test
    void pastTheEnd() {
        Placing.Single along = rod(10, at(0, 0, 0), at(100, 0, 0));
        apart(along, rod(6, at(130, 40, 0), at(130, 100, 0)), 50 - 5 * 0.8 - 3 * 0.6);
        apart(along, rod(6, at(-30, 40, 0), at(-30, 100, 0)), 50 - 5 * 0.8 - 3 * 0.6);
    }

    /** A slanting one begins 10 over the middle of the other: nearest right below its beginning, not where lines would cross. */
    @Test
    void nearestToItsBeginning() {
        Placing.Single along = rod(10, at(0, 0, 0), at(100, 0, 0));
        double half = Math.sqrt(0.5);
        apart(along, rod(6, at(60, 10, 0), at(160, 110, 0)), 10 - 5 - 3 * half);
        apart(along, rod(6, at(160, 110, 0), at(60, 10, 0)), 10 - 5 - 3 * half);
        // not level with each other: 6 aside and 8 up from (60, 0, 0)
        apart(along, rod(6, at(60, 6, 8), at(60, 66, 8)), 10 - 5 - 3 * 0.8);
    }

    /** Parallel but shifted along: the middles of what faces each other. */
    @Test
    void parallelOfUnequalLength() {
        apart(rod(10, at(0, 0, 0), at(100, 0, 0)), rod(6, at(20, 25, 0), at(40, 25, 0)), 25 - 5 - 3);
    }

    /** Balls of 20 and 10: 50 from middle to middle are 35 between them, in every square direction. */
    @Test
    void balls() {
        Form twenty = new Form.Body(20, 20, 20, Optional.empty(), Optional.empty());
        Form ten = new Form.Body(10, 10, 10, Optional.empty(), Optional.empty());
        Placing.Single ball = single(twenty, at(0, 0, 0), at(0, 0, -20));
        apart(ball, single(ten, at(50, 0, -5), at(50, 0, -15)), 35);
        apart(ball, single(ten, at(0, 0, -55), at(0, 0, -65)), 35);
        // beside a rod of 6: its middle lies 30 away
        apart(ball, rod(6, at(30, -40, -10), at(30, 40, -10)), 17);
        apart(ball, rod(6, at(30, 0, -10), at(80, 0, -10)), 20);
    }

    /** A flat piece of 30 x 14 x 4 lying along x: 7 reach aside, 2 up, 15 along. */
    @Test
    void aFlatPiece() {
        Form leaf = new Form.Body(30, 14, 4, Optional.empty(), Optional.empty());
        Placing.Single lying = single(leaf, at(0, 0, 0), at(30, 0, 0));
        apart(lying, rod(6, at(15, 20, -30), at(15, 20, 30)), 20 - 7 - 3);
        apart(lying, rod(6, at(15, -30, 20), at(15, 30, 20)), 20 - 2 - 3);
        // its line ends 2 before its tip, and it is rounded by 2 there
        apart(lying, rod(6, at(50, -30, 0), at(50, 30, 0)), 20 - 3);
    }

    /** A bar of 10 wide, 8 thick: 5 aside, 4 up. */
    @Test
    void aBar() {
        Placing.Single bar = single(new Form.Bar(10, 8, 60), at(0, 0, 0), at(60, 0, 0));
        apart(bar, rod(6, at(30, 20, -30), at(30, 20, 30)), 20 - 5 - 3);
        apart(bar, rod(6, at(30, -30, 20), at(30, 30, 20)), 20 - 4 - 3);
    }

    /** On the same line they overlap by half of the thinner one. */
    @Test
    void onOneLine() {
        apart(rod(10, at(0, 0, 0), at(0, 0, -50)), rod(6, at(0, 0, -20), at(0, 0, -90)), -3);
        apart(rod(10, at(-50, 0, 0), at(50, 0, 0)), rod(6, at(0, -50, 0), at(0, 50, 0)), -3);
    }
}
