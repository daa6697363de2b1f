package kilnryu.core.solid;

import static kilnryu.core.solid.Block.any;
import static kilnryu.core.solid.Block.ball;
import static kilnryu.core.solid.Block.box;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import kilnryu.core.solid.Block.Shape;
import kilnryu.core.solid.Pools.Found;
import kilnryu.core.solid.Pools.Pool;
import org.junit.jupiter.api.Test;

/** What is left alone as it freezes, and where metal lacks. */
class PoolsTest {
    private static final double SHRINKS = 0.045;
    private static final double EDGE = 0.003;
    private static final int LONG = 100;
    private static final Shape NOTHING = (x, y, z) -> false;

    private static Found found(Block b, Shape air) {
        return Pools.of(b.grid, b.kind, frozen(b), b.in(air), SHRINKS);
    }

    private static Freezing.Frozen frozen(Block b) {
        return frozen(b, new boolean[0]);
    }

    private static Freezing.Frozen frozen(Block b, boolean[] sleeved) {
        return Freezing.of(
                new Freezing.Question(
                        b.grid,
                        b.kind,
                        Block.SI_BRONZE,
                        cell -> 1100,
                        Block.GYPSUM,
                        500,
                        1000,
                        1,
                        1,
                        1,
                        sleeved,
                        new Surroundings(20, 0, 500)),
                share -> true);
    }

    /** A feeder as thick as its plate freezes with it; in a sleeve it feeds it to the end. */
    @Test
    void aSleeveKeepsAThinFeederOpen() {
        Shape feeder = box(46, 53, 10, 13, 16, 27);
        Shape top = box(0, LONG - 1, 0, 23, 27, 27);
        Block b = plate(8, feeder);
        Found bare = Pools.of(b.grid, b.kind, frozen(b), b.in(top), SHRINKS);
        Found kept = Pools.of(b.grid, b.kind, frozen(b, b.in(feeder)), b.in(top), SHRINKS);
        Shape below = box(0, LONG - 1, 0, 23, 0, 15);
        int lacksBare = count(b, bare.hollow(), below) + count(b, bare.sunk(), below);
        int lacksKept = count(b, kept.hollow(), below) + count(b, kept.sunk(), below);
        assertThat(lacksKept).isZero();
        assertThat(lacksBare).isGreaterThanOrEqualTo(lacksKept);
        assertThat(count(b, kept.sunk(), feeder)).isGreaterThan((int) (0.8 * SHRINKS * 16 * 4 * 10));
        assertThat(frozen(b, b.in(feeder)).seconds()).isGreaterThan(frozen(b).seconds());
    }

    private static List<Pool> alone(Found f) {
        return f.pools().stream().filter(p -> !p.fed()).toList();
    }

    private static int count(Block b, boolean[] of, Shape in) {
        int count = 0;
        boolean[] there = b.in(in);
        for (int i = 0; i < of.length; i++) {
            count += of[i] && there[i] ? 1 : 0;
        }
        return count;
    }

    @Test
    void aBallAloneIsHollowInItsMiddle() {
        Block b = new Block(21, 21, 21, EDGE, ball(10, 10, 10, 6));
        Found f = found(b, NOTHING);
        int cells = b.cells((x, y, z) -> true).length;
        assertThat(f.pools()).hasSize(1);
        Pool pool = f.pools().get(0);
        assertThat(pool.liquid()).isCloseTo(cells * b.cell(), within(1e-9));
        assertThat(pool.shrinks()).isCloseTo(cells * b.cell() * SHRINKS, within(1e-10));
        assertThat(pool.shut()).isZero();
        assertThat(b.grid.place(2, pool.last())).isBetween(9, 11);
        assertThat(count(b, f.hollow(), ball(10, 10, 10, 4)))
                .isEqualTo((int) Math.round(cells * SHRINKS))
                .isEqualTo(count(b, f.hollow(), (x, y, z) -> true));
    }

    /** A plate on its edge, so many cells long to each side, its feeder on top of its middle. */
    private static Block plate(int side, Shape feeder) {
        return new Block(LONG, 24, 28, EDGE, any(box(LONG / 2 - side, LONG / 2 - 1 + side, 10, 13, 6, 15), feeder));
    }

    private static double lacks(int side, Found f) {
        return alone(f).stream().mapToDouble(Pool::shrinks).sum() / (2 * side * 4 * 10 * Math.pow(EDGE, 3));
    }

    /** Temperature gradient over root of cooling halfway between the feeder and the end. */
    private static double draws(int side, Shape feeder) {
        Block b = plate(side, feeder);
        int half = b.grid.at(LONG / 2 + (side + 4) / 2, 11, 10);
        return frozen(b).feeds()[half];
    }

    @Test
    void aFeederOnAPlateReachesWhatIsNear() {
        Shape thick = box(46, 53, 8, 15, 16, 27);
        Shape top = box(0, LONG - 1, 0, 23, 27, 27);
        double near = lacks(8, found(plate(8, thick), top));
        assertThat(near).isLessThan(0.005);
        // a long one is not cut off, but draws more weakly there, so that fine holes stay
        assertThat(draws(46, thick)).isLessThan(0.7 * draws(8, thick));
        Found fed = found(plate(8, thick), top);
        assertThat(count(plate(8, thick), fed.sunk(), thick)).isPositive();
        Shape thin = box(49, 50, 11, 12, 16, 27);
        assertThat(lacks(8, found(plate(8, thin), top))).isGreaterThan(0.02);
    }

    @Test
    void twoBallsOnAThinRodAreTwoPools() {
        Shape one = ball(14, 14, 14, 6);
        Shape other = ball(42, 14, 14, 6);
        Shape rod = box(14, 42, 13, 15, 13, 15);
        Block b = new Block(57, 29, 34, EDGE, any(one, other, rod));
        List<Pool> shut = alone(found(b, NOTHING));
        assertThat(shut).hasSize(2);
        assertThat(shut.get(0).shrinks())
                .isCloseTo(shut.get(1).shrinks(), within(0.1 * shut.get(0).shrinks()));
        Block fed = new Block(57, 29, 34, EDGE, any(one, other, rod, box(10, 18, 10, 18, 18, 33)));
        Found f = found(fed, box(0, 56, 0, 28, 33, 33));
        assertThat(fed.grid.place(0, alone(f).get(0).last())).isBetween(39, 45);
        assertThat(alone(f).stream().skip(1).mapToDouble(Pool::shrinks).sum())
                .isLessThan(0.2 * alone(f).get(0).shrinks());
        assertThat(alone(f).get(0).shut()).isPositive();
        assertThat(f.pools()).anyMatch(Pool::fed);
    }

    @Test
    void aWedgeThatThickensTowardTheAirIsSoundInside() {
        Shape wedge = (x, y, z) -> z >= 4 && z <= 30 && y >= 4 && y <= 13 && Math.abs(x - 12) <= (z - 4) / 4.0 + 1;
        Block b = new Block(25, 18, 31, EDGE, wedge);
        Found f = found(b, box(0, 24, 0, 17, 30, 30));
        assertThat(alone(f)).isEmpty();
        assertThat(count(b, f.sunk(), box(0, 24, 0, 17, 15, 30))).isEqualTo(count(b, f.sunk(), (x, y, z) -> true));
    }

    @Test
    void aThickPlaceWhereTwoWallsMeetIsAPool() {
        Shape stem = box(24, 27, 14, 37, 14, 32);
        Shape bar = box(14, 37, 14, 37, 33, 36);
        Block b = new Block(52, 52, 52, EDGE, any(stem, bar));
        List<Pool> shut = alone(found(b, NOTHING));
        assertThat(shut).hasSize(1);
        assertThat(b.grid.place(0, shut.get(0).last())).isBetween(23, 28);
        assertThat(b.grid.place(2, shut.get(0).last())).isBetween(31, 36);
    }

    @Test
    void aFeederSmallerThanItsPieceLeavesTheHollowInThePiece() {
        Shape piece = box(14, 25, 14, 25, 10, 21);
        Shape small = box(18, 21, 18, 21, 22, 34);
        Block b = new Block(40, 40, 35, EDGE, any(piece, small));
        Found f = found(b, box(0, 39, 0, 39, 34, 34));
        double cells = 12 * 12 * 12;
        assertThat(count(b, f.hollow(), piece) + count(b, f.sunk(), piece)).isGreaterThan((int) (0.02 * cells));
        Shape enough = box(12, 27, 12, 27, 22, 38);
        Block fed = new Block(40, 40, 39, EDGE, any(piece, enough));
        Found g = found(fed, box(0, 39, 0, 39, 38, 38));
        assertThat(count(fed, g.hollow(), piece) + count(fed, g.sunk(), piece)).isLessThan(5);
        assertThat(count(fed, g.sunk(), enough)).isGreaterThan((int) (0.9 * SHRINKS * cells));
    }
}
