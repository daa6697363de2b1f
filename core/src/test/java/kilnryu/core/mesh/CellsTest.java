package kilnryu.core.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class CellsTest {
    private static Cells cells(Solids of, double edge) {
        return Cells.of(of.mesh(), edge, Watch.NONE);
    }

    /** By hand: 10 by 20 by 30 in cells of 2.5 is 4 x 8 x 12 of them, all inside. */
    @Test
    void aBoxIsItsCells() {
        Cells box = cells(Solids.box(1, 2, 3, 10, 20, 30), 2.5);
        assertThat(new int[] {box.nx(), box.ny(), box.nz()}).containsExactly(4, 8, 12);
        assertThat(box.count()).isEqualTo(384);
        assertThat(box.doubtful()).isZero();
        assertThat(box.low().x()).isCloseTo(1, within(1e-5));
        assertThat(box.low().z()).isCloseTo(3, within(1e-5));
    }

    /** 4/3 pi r^3, and 2 pi^2 R r^2 for the ring, to the fineness of the cells. */
    @Test
    void volumesOfRoundBodies() {
        Cells ball = cells(Solids.sphere(10, 5), 0.5);
        assertThat(ball.count() * 0.125).isCloseTo(4188.8, within(42.0));
        assertThat(ball.inside(20, 20, 20)).isTrue();
        assertThat(ball.inside(0, 0, 0)).isFalse();
        Cells ring = cells(Solids.torus(20, 5, 120, 60), 0.5);
        assertThat(ring.count() * 0.125).isCloseTo(9869.6, within(99.0));
        assertThat(ring.inside(ring.nx() / 2, ring.ny() / 2, ring.nz() / 2)).isFalse();
    }

    /** Without one of its twelve triangles a box is a box still: the lines that miss it are outvoted. */
    @Test
    void aHoleMisleadsFew() {
        for (int t = 0; t < 12; t++) {
            Cells open = cells(Solids.box(0, 0, 0, 10, 10, 10).without(t), 1);
            assertThat(open.count()).as("without %d", t).isEqualTo(1000);
            assertThat(open.doubtful()).isBetween(400, 600);
        }
    }

    /** By hand: two boxes of 1000, half of one in the other. */
    @Test
    void whatOverlapsCountsOnce() {
        Solids both = Solids.box(0, 0, 0, 10, 10, 10).and(Solids.box(5, 0, 0, 10, 10, 10));
        assertThat(cells(both, 1).count()).isEqualTo(1500);
    }

    @Test
    void whatIsTooFineIsRefusedAndWhatIsStoppedEnds() {
        Solids box = Solids.box(0, 0, 0, 10, 10, 10);
        assertThatThrownBy(() -> cells(box, 0.001)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> cells(box, 0)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Cells.of(box.mesh(), 1, (step, share) -> share < 0.5))
                .isInstanceOf(Watch.Cancelled.class);
    }
}
