package kilnryu.core.solid;

import static kilnryu.core.solid.Block.any;
import static kilnryu.core.solid.Block.box;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.function.DoubleUnaryOperator;
import kilnryu.core.solid.Block.Shape;
import kilnryu.core.solid.Inflow.Filled;
import org.junit.jupiter.api.Test;

/** How cups, tubes, bells and fins fill. */
class InflowTest {
    private static final double EDGE = 0.002;
    private static final double FLOW = 1e-4;

    private static Filled filled(
            Block b, Shape entry, Shape open, double flow, double leak, DoubleUnaryOperator drawn) {
        return Inflow.of(
                new Inflow.Question(
                        b.grid,
                        b.kind,
                        b.cells(entry),
                        b.in(open),
                        Block.SI_BRONZE,
                        1120,
                        Block.GYPSUM,
                        520,
                        1000,
                        1,
                        z -> flow,
                        leak,
                        drawn),
                share -> true);
    }

    private static Filled filled(Block b, Shape entry, Shape open) {
        return filled(b, entry, open, FLOW, 0, z -> 0);
    }

    private static float at(Block b, Filled f, int x, int y, int z) {
        return f.arrives()[b.grid.at(x, y, z)];
    }

    @Test
    void bothLegsOfATubeRiseTogether() {
        Block tube = new Block(
                20, 8, 34, EDGE, any(box(2, 5, 2, 5, 2, 31), box(12, 15, 2, 5, 2, 31), box(2, 15, 2, 5, 2, 5)));
        Shape left = box(2, 5, 2, 5, 31, 31);
        Filled f = filled(tube, left, any(left, box(12, 15, 2, 5, 31, 31)));
        int cells = tube.cells((x, y, z) -> true).length;
        assertThat(f.seconds()).isCloseTo(cells * tube.cell() / FLOW, within(1e-6));
        double level = 32 * tube.cell() / FLOW;
        for (int z = 8; z < 30; z++) {
            assertThat(at(tube, f, 3, 3, z)).isCloseTo(at(tube, f, 14, 3, z), within((float) level));
            assertThat(at(tube, f, 3, 3, z + 1)).isGreaterThan(at(tube, f, 3, 3, z));
        }
        assertThat(f.pockets()).isEmpty();
        assertThat(f.stops()).isEmpty();
    }

    @Test
    void aSecondCupFillsWhenTheFirstRunsOver() {
        Shape first = box(2, 9, 2, 9, 2, 11);
        Shape second = box(11, 18, 2, 9, 2, 11);
        Shape over = box(2, 18, 2, 9, 12, 15);
        Block cups = new Block(21, 12, 18, EDGE, any(first, second, over));
        Filled f = filled(cups, box(3, 4, 3, 4, 15, 15), box(0, 20, 0, 11, 15, 15));
        double firstIsFull = 8 * 8 * 10 * cups.cell() / FLOW;
        assertThat(at(cups, f, 3, 3, 2)).isLessThan((float) (firstIsFull / 5));
        // a level is the least that cells can tell
        assertThat(at(cups, f, 12, 3, 2)).isGreaterThan((float) (0.9 * firstIsFull));
        assertThat(at(cups, f, 18, 9, 11)).isLessThan((float) (2.3 * firstIsFull));
    }

    private static final Shape SPRUE = box(2, 5, 2, 5, 2, 40);
    private static final Shape RIM = box(2, 5, 2, 5, 40, 40);
    private static final Shape FOOT = box(2, 14, 2, 5, 2, 5);
    private static final Shape BELL = box(12, 21, 2, 5, 2, 30);

    @Test
    void aBellKeepsItsAirPressedByTheMetalOverIt() {
        Block bell = new Block(24, 8, 43, EDGE, any(SPRUE, FOOT, BELL));
        Filled f = filled(bell, RIM, RIM);
        assertThat(f.pockets()).hasSize(1);
        Inflow.Pocket air = f.pockets().get(0);
        // shut when the foot is full, five cells high; the metal then stands 35 cells over the air's lower end
        double before = 10 * 4 * 25 * bell.cell();
        assertThat(air.before()).isCloseTo(before, within(0.01 * before));
        double over = (41 - 6.5) * EDGE * 8360 * 9.81;
        assertThat(air.pressure()).isCloseTo(over, within(0.05 * over));
        assertThat(air.volume()).isCloseTo(before * 101_325 / (101_325 + over), within(0.005 * before));
        assertThat(at(bell, f, 16, 3, 30)).isInfinite();
        assertThat(at(bell, f, 16, 3, 4)).isFinite();
    }

    @Test
    void aVentLetsItOut() {
        Shape vent = box(16, 17, 3, 4, 31, 41);
        Block bell = new Block(24, 8, 43, EDGE, any(SPRUE, FOOT, BELL, vent));
        Filled f = filled(bell, RIM, any(RIM, box(16, 17, 3, 4, 41, 41)));
        assertThat(f.pockets()).isEmpty();
        assertThat(at(bell, f, 16, 3, 30)).isFinite();
    }

    @Test
    void aVentIntoAChannelThatFillsFirstIsNone() {
        Shape up = box(16, 17, 3, 4, 31, 34);
        Shape across = box(8, 17, 3, 4, 33, 34);
        Shape down = box(8, 9, 3, 4, 10, 34);
        Shape in = box(5, 9, 3, 4, 10, 11);
        Block bell = new Block(24, 8, 43, EDGE, any(SPRUE, FOOT, BELL, up, across, down, in));
        Filled f = filled(bell, RIM, RIM);
        assertThat(f.pockets()).hasSize(1);
        double over = 10 * 4 * (30 - 12) * bell.cell();
        assertThat(f.pockets().get(0).before()).isGreaterThan(over);
        assertThat(at(bell, f, 16, 3, 30)).isInfinite();
    }

    @Test
    void aPorousMoldLetsASmallPocketGoAndVacuumHelpsNearTheTable() {
        Shape low = box(12, 15, 2, 5, 2, 12);
        Shape arm = box(2, 14, 2, 5, 26, 28);
        Shape high = box(12, 15, 2, 5, 26, 36);
        Block bells = new Block(18, 8, 43, EDGE, any(SPRUE, FOOT, low, arm, high));
        Filled none = filled(bells, RIM, RIM);
        assertThat(none.pockets()).hasSize(2);
        Filled drawn = filled(bells, RIM, RIM, FLOW, 5e-9, z -> 60_000 * Math.max(0, 1 - z / 0.055));
        double lowAir = pocketUnder(drawn, bells, 15);
        double highAir = pocketOver(drawn, bells, 15);
        assertThat(lowAir).isLessThan(0.5 * pocketUnder(none, bells, 15));
        assertThat(highAir).isGreaterThan(0.5 * pocketOver(none, bells, 15));
        Filled open = filled(bells, RIM, RIM, FLOW, 1e-5, z -> 0);
        assertThat(open.pockets()).isEmpty();
    }

    private static double pocketUnder(Filled f, Block b, int z) {
        return f.pockets().stream()
                .filter(p -> b.grid.place(2, p.cells()[0]) < z)
                .mapToDouble(Inflow.Pocket::volume)
                .sum();
    }

    private static double pocketOver(Filled f, Block b, int z) {
        return f.pockets().stream()
                .filter(p -> b.grid.place(2, p.cells()[0]) >= z)
                .mapToDouble(Inflow.Pocket::volume)
                .sum();
    }

    private static final Shape TANK = box(2, 13, 2, 13, 2, 13);
    private static final Shape FIN = box(14, 44, 2, 13, 3, 3);
    private static final Shape POUR = box(6, 9, 6, 9, 14, 20);
    private static final Shape MOUTH = box(6, 9, 6, 9, 20, 20);

    @Test
    void aThinFinIsSolidBeforeItIsFull() {
        Block fin = new Block(47, 16, 22, 0.001, any(TANK, FIN, POUR));
        Shape open = any(MOUTH, box(44, 44, 2, 13, 3, 3));
        Filled slow = filled(fin, MOUTH, open, 5e-8, 0, z -> 0);
        assertThat(slow.stops()).hasSize(1);
        Inflow.Stop stop = slow.stops().get(0);
        assertThat(stop.missing()).isBetween(100, 31 * 12);
        assertThat(stop.celsius()).isBetween(820.0, 970.0);
        assertThat(fin.grid.place(0, stop.cell())).isBetween(13, 43);
        assertThat(at(fin, slow, 13, 13, 13)).isFinite();
        Filled fast = filled(fin, MOUTH, open, 5e-5, 0, z -> 0);
        assertThat(fast.stops()).isEmpty();
    }

    @Test
    void whatIsFedFromBelowIsColdOnTopAndFromAboveWarm() {
        Shape slab = box(12, 15, 2, 9, 2, 40);
        Block below = new Block(18, 12, 43, EDGE, any(SPRUE, FOOT, slab));
        Filled rises = filled(below, RIM, any(RIM, box(12, 15, 2, 9, 40, 40)), 2e-5, 0, z -> 0);
        Block above = new Block(18, 12, 43, EDGE, slab);
        Shape mouth = box(12, 15, 2, 9, 40, 40);
        Filled falls = filled(above, box(13, 14, 5, 6, 40, 40), mouth, 2e-5, 0, z -> 0);
        int top = below.grid.at(13, 5, 39);
        int bottom = below.grid.at(13, 5, 4);
        assertThat(rises.celsius()[top]).isLessThan(rises.celsius()[bottom] - 20);
        assertThat(falls.celsius()[top]).isGreaterThan(rises.celsius()[top] + 20);
    }

    @Test
    void itIsToldHowFarItIsAndStops() {
        Block big = new Block(30, 30, 30, EDGE, box(1, 28, 1, 28, 1, 28));
        Shape mouth = box(10, 10, 10, 10, 28, 28);
        Filled f = Inflow.of(
                new Inflow.Question(
                        big.grid,
                        big.kind,
                        big.cells(mouth),
                        big.in(mouth),
                        Block.SI_BRONZE,
                        1120,
                        Block.GYPSUM,
                        520,
                        1000,
                        1,
                        z -> FLOW,
                        0,
                        z -> 0),
                share -> share < 0.3);
        assertThat(f.stopped()).isTrue();
        assertThatThrownBy(() -> filled(big, box(40, 40, 0, 0, 0, 0), mouth))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
