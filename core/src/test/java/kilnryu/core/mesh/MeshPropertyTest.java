package kilnryu.core.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Random;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What must hold of any mesh, tried on a row of solids. */
class MeshPropertyTest {

    static Stream<Solids> solids() {
        return Stream.of(
                Solids.box(0, 0, 0, 12, 7, 31),
                Solids.sphere(9, 3),
                Solids.torus(15, 4, 48, 24),
                Solids.box(0, 0, 0, 30, 30, 30).and(Solids.box(5, 5, 5, 20, 20, 20)),
                WallsAndPocketsTest.posts());
    }

    @ParameterizedTest
    @MethodSource("solids")
    void movingChangesNothing(Solids solid) {
        Solid there = solid.solid();
        Solid moved = solid.moved(100, -250, 60).solid();
        assertThat(moved.volume()).isCloseTo(there.volume(), within(Math.abs(there.volume()) * 1e-4));
        assertThat(moved.area()).isCloseTo(there.area(), within(there.area() * 1e-4));
        assertThat(moved.openEdges()).isEqualTo(there.openEdges());
    }

    @ParameterizedTest
    @MethodSource("solids")
    void scalingGoesWithTheCubeAndTheSquare(Solids solid) {
        Solid there = solid.solid();
        Solid twice = solid.scaled(2).solid();
        assertThat(twice.volume()).isCloseTo(8 * there.volume(), within(Math.abs(there.volume()) * 1e-4));
        assertThat(twice.area()).isCloseTo(4 * there.area(), within(there.area() * 1e-4));
    }

    @ParameterizedTest
    @MethodSource("solids")
    void turnedFacesNeverChangeTheVolume(Solids solid) {
        Random chance = new Random(17);
        double there = solid.solid().volume();
        for (int i = 0; i < 6; i++) {
            // fewer than half of the faces of any body: which way most of them look is what the file says
            int from = chance.nextInt(solid.count() - 5);
            Solid mended = solid.turnedOver(from, from + 1 + chance.nextInt(5)).solid();
            assertThat(mended.volume()).isCloseTo(there, within(Math.abs(there) * 1e-6));
        }
    }

    @ParameterizedTest
    @MethodSource("solids")
    void wallsLieBetweenNothingAndTheDiagonal(Solids solid) {
        Solid there = solid.solid();
        Walls walls = Walls.of(there, Watch.NONE);
        assertThat(walls.thinnest())
                .isPositive()
                .isLessThanOrEqualTo(there.box().diagonal());
        assertThat(walls.thickest())
                .isPositive()
                .isLessThanOrEqualTo(there.box().diagonal());
        assertThat(walls.thin()).allSatisfy(s -> assertThat(s.wall()).isGreaterThanOrEqualTo(walls.thinnest()));
    }

    @ParameterizedTest
    @MethodSource("solids")
    void turningUpsideDownTurnsHighIntoLow(Solids solid) {
        Solid there = solid.solid();
        Pockets up = Pockets.of(there, Vec.UP, Watch.NONE);
        Pockets down = Pockets.of(there, new Vec(0, 0, -1), Watch.NONE);
        assertThat(down.low()).hasSameSizeAs(up.high());
        assertThat(down.high()).hasSameSizeAs(up.low());
        double whole = up.high().stream()
                .filter(Pockets.Pocket::outermost)
                .mapToDouble(Pockets.Pocket::volume)
                .sum();
        assertThat(up.high()).allSatisfy(p -> assertThat(p.volume()).isBetween(0.0, whole * 1.0001));
    }

    @ParameterizedTest
    @MethodSource("solids")
    void aKeptMeshIsTheSameMesh(Solids solid) {
        Mesh mesh = solid.mesh();
        Mesh again = Mesh.of(mesh.corners(), mesh.triangles());
        assertThat(Solid.of(again, Watch.NONE).volume())
                .isEqualTo(Solid.of(mesh, Watch.NONE).volume());
    }

    @Test
    void aKeptMeshThatIsDamagedIsRefused() {
        assertThatThrownBy(() -> Mesh.of(new float[] {0, 0, 0}, new int[] {0, 0, 7}))
                .isInstanceOf(UnreadableMesh.class);
        assertThatThrownBy(() -> Mesh.of(new float[] {0, Float.NaN, 0}, new int[] {0, 0, 0}))
                .isInstanceOf(UnreadableMesh.class);
    }

    @Test
    void everyLongStepCanBeEnded() {
        Solid solid = Solids.torus(15, 4, 200, 100).solid();
        for (Watch.Step step : Watch.Step.values()) {
            if (step != Watch.Step.READ) {
                assertThatThrownBy(() -> all(solid, (at, share) -> at != step))
                        .as(step.name())
                        .isInstanceOf(Watch.Cancelled.class);
            }
        }
    }

    private static void all(Solid solid, Watch watch) {
        Solid again = Solid.of(solid.mesh(), watch);
        Walls.of(again, watch);
        Pockets.of(again, Vec.UP, watch);
        Undercuts.of(again, Vec.UP, watch);
    }

    @Test
    void twoBodiesThatShareAnEdgeAreCountedEach() {
        // edge from (10,0,0) to (10,0,10) belongs to both: four faces meet there
        Solid touching = Solids.box(0, 0, 0, 10, 10, 10)
                .and(Solids.box(10, -10, 0, 10, 10, 10))
                .solid();
        assertThat(touching.crowdedEdges()).isEqualTo(1);
        assertThat(touching.volume()).isCloseTo(2000, within(1e-6));
    }

    @Test
    void looseTrianglesInGreatNumberTakeBoundedTime() {
        Solids loose = new Solids();
        Random chance = new Random(1);
        for (int i = 0; i < 90_000; i++) {
            double x = chance.nextDouble() * 100;
            double y = chance.nextDouble() * 100;
            loose.add(new double[] {x, y, i}, new double[] {x + 1, y, i}, new double[] {x, y + 1, i});
        }
        Solid solid = loose.solid();
        assertThat(solid.openEdges()).isEqualTo(270_000);
        assertThat(solid.isClosed()).isFalse();
        assertThat(solid.gaps()).hasSizeLessThanOrEqualTo(50);
    }
}
