package kilnryu.core.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Random;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** The tree of boxes in a mesh: its order, lines through it and balls in it, against looking at every triangle. */
class HalvingTest {
    private static final int LEAF = 4;

    @Test
    void eachTriangleStandsInItOnce() {
        Mesh mesh = Solids.torus(30, 6, 40, 20).mesh();
        int[] order = Halving.order(mesh, 2048, LEAF);
        int[] sorted = order.clone();
        Arrays.sort(sorted);
        assertThat(sorted).isEqualTo(IntStream.range(0, 1600).toArray());
    }

    /** A long rod of boxes is halved across its length: the first 1024 of 1600 lie on one side of the others. */
    @Test
    void theFirstHalfLiesOnOneSide() {
        Mesh mesh = Solids.torus(30, 1, 40, 20).mesh();
        int[] order = Halving.order(mesh, 2048, LEAF);
        double[][] ends = new double[3][2];
        boolean parted = false;
        for (int axis = 0; axis < 3; axis++) {
            int k = axis;
            ends[k][0] = IntStream.range(0, 1024)
                    .mapToDouble(i -> at(mesh, order[i], k))
                    .max()
                    .orElseThrow();
            ends[k][1] = IntStream.range(1024, 1600)
                    .mapToDouble(i -> at(mesh, order[i], k))
                    .min()
                    .orElseThrow();
            parted |= ends[k][0] <= ends[k][1] + 1e-5;
        }
        assertThat(parted).isTrue();
    }

    private static double at(Mesh mesh, int triangle, int axis) {
        Vec middle = mesh.middle(triangle);
        return axis == 0 ? middle.x() : axis == 1 ? middle.y() : middle.z();
    }

    @Test
    void manyAtOnePlaceAreHalvedToo() {
        int count = 100;
        float[] corners = {0, 0, 0, 1, 0, 0, 0, 1, 0};
        int[] triangles = new int[3 * count];
        for (int t = 0; t < count; t++) {
            System.arraycopy(new int[] {0, 1, 2}, 0, triangles, 3 * t, 3);
        }
        int[] order = Halving.order(Mesh.of(corners, triangles), 128, LEAF);
        Arrays.sort(order);
        assertThat(order).isEqualTo(IntStream.range(0, count).toArray());
    }

    @Test
    void aLineLeavesWhereTheNearestFaceOfAllSays() {
        Mesh mesh = Solids.torus(30, 6, 60, 24).mesh();
        Bvh tree = new Bvh(mesh);
        Random chance = new Random(3);
        for (int n = 0; n < 300; n++) {
            double u = chance.nextDouble() * 2 * Math.PI;
            Vec from = new Vec(30 * Math.cos(u), 30 * Math.sin(u), 0);
            Vec along = n % 3 == 0
                    ? new Vec(0, 0, 1)
                    : new Vec(chance.nextDouble() - 0.5, chance.nextDouble() - 0.5, chance.nextDouble() - 0.5).unit();
            double nearest = IntStream.range(0, mesh.triangleCount())
                    .filter(t -> mesh.normal(t).dot(along) > 0)
                    .mapToDouble(t -> Line.meets(mesh, t, from, along))
                    .filter(d -> d > 1e-6)
                    .min()
                    .orElse(Double.POSITIVE_INFINITY);
            assertThat(tree.out(from, along, 1e-6).distance()).isEqualTo(nearest);
        }
    }

    /** Across the tube of a torus its own face is left squarely; along a box's corner it is not. */
    @Test
    void aLineThatLeavesAcrossAFaceSaysSo() {
        Bvh box = new Bvh(Solids.box(0, 0, 0, 10, 10, 10).mesh());
        Bvh.Exit straight = box.out(new Vec(5, 5, 5), new Vec(0, 0, 1), 1e-6);
        assertThat(straight.distance()).isCloseTo(5, within(1e-6));
        assertThat(straight.squarely()).isTrue();
        Bvh.Exit slanting = box.out(new Vec(5, 5, 5), new Vec(1, 0, 1.2).unit(), 1e-6);
        assertThat(slanting.distance()).isCloseTo(5 * Math.hypot(1, 1.2) / 1.2, within(1e-6));
        assertThat(slanting.squarely()).isFalse();
    }

    /** The widest ball at the middle of a face of a plate 4 thick is 4 wide; near its edge the edge bounds it. */
    @Test
    void aBallTouchesTheNearestWallOfAll() {
        Bvh plate = new Bvh(Solids.box(0, 0, 0, 60, 60, 4).mesh());
        Vec up = new Vec(0, 0, 1);
        assertThat(plate.ball(new Vec(31, 29, 4), up, 20, 0.004, 1e-6)).isCloseTo(2, within(0.01));
        // 1.2 from the edge: a ball of radius 1.2 touches it
        assertThat(plate.ball(new Vec(1.2, 29, 4), up, 20, 0.004, 1e-6)).isCloseTo(1.2, within(0.006));
    }
}
