package kilnryu.core.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;

class WallsAndPocketsTest {

    @Test
    void aPlatesThinnestAndThickestWallAreItsThickness() {
        Walls walls = Walls.of(Solids.box(0, 0, 0, 60, 40, 3).solid(), Watch.NONE);
        assertThat(walls.thinnest()).isCloseTo(3, within(1e-4));
        assertThat(walls.thickest()).isCloseTo(3, within(1e-3));
        assertThat(walls.isEven()).isTrue();
    }

    /** A rod's long measure is not a thick wall: the widest ball inside is as wide as the rod. */
    @Test
    void aSquareRodIsAsThickAsItIsWide() {
        Walls walls = Walls.of(Solids.box(0, 0, 0, 100, 8, 8).solid(), Watch.NONE);
        assertThat(walls.thickest()).isCloseTo(8, within(0.01));
        assertThat(walls.thinnest()).isCloseTo(8, within(1e-4));
    }

    @Test
    void aTorusIsAsThickAsItsTube() {
        Walls walls = Walls.of(Solids.torus(20, 5, 120, 60).solid(), Watch.NONE);
        assertThat(walls.thinnest()).isCloseTo(10, within(0.05));
        assertThat(walls.thickest()).isCloseTo(10, within(0.05));
    }

    /** A plate 3 mm thick is 3 mm all over: no ball of it counts for less than its thinnest line, and it is said once. */
    @Test
    void theThickestIsNeverUnderTheThinnest() {
        for (double thick : new double[] {0.7, 3, 12}) {
            Walls walls = Walls.of(Solids.box(0, 0, 0, 60, 40, thick).solid(), Watch.NONE);
            assertThat(walls.thickest()).isGreaterThanOrEqualTo(walls.thinnest());
            assertThat(walls.isEven()).isTrue();
        }
        Walls ball = Walls.of(Solids.sphere(10, 4).solid(), Watch.NONE);
        assertThat(ball.thickest()).isGreaterThanOrEqualTo(ball.thinnest());
    }

    @Test
    void aHollowBoxHasItsWallAndNotItsWidth() {
        Solids hollow = Solids.box(0, 0, 0, 40, 40, 40)
                .and(Solids.box(4, 4, 5, 32, 32, 31).turnedOver(0, 12));
        Walls walls = Walls.of(hollow.solid(), Watch.NONE);
        assertThat(walls.thinnest()).isCloseTo(4, within(1e-3));
        // the widest ball sits in the corner between the 4, 4 and 5 mm walls, reaching the cavity's corner
        assertThat(walls.thickest()).isBetween(5.0, 8.0);
    }

    /** Two plates side by side, 2 and 9 thick: thin on one, thick on the other, each with its place. */
    @Test
    void thinAndThickPlacesAreNamedWhereTheyAre() {
        Solids step = Solids.box(0, 0, 0, 50, 30, 2).and(Solids.box(60, 0, 0, 40, 30, 9));
        Walls walls = Walls.of(step.solid(), Watch.NONE);
        assertThat(walls.thin().get(0).wall()).isCloseTo(2, within(1e-4));
        assertThat(walls.thin().get(0).at().x()).isLessThan(50.001);
        assertThat(walls.thick().get(0).wall()).isCloseTo(9, within(0.01));
        assertThat(walls.thick().get(0).at().x()).isGreaterThan(60);
    }

    /** A prism of 45 degrees runs out to nothing at its edges; its walls are those between faces that face each other. */
    @Test
    void aSharpEdgeIsNoThinWall() {
        double[][] front = {{0, 0, 0}, {20, 0, 0}, {0, 0, 20}};
        double[][] back = {{0, 9, 0}, {20, 9, 0}, {0, 9, 20}};
        Solids prism = new Solids().add(front[0], front[1], front[2]).add(back[0], back[2], back[1]);
        for (int i = 0; i < 3; i++) {
            int j = (i + 1) % 3;
            prism.add(front[j], front[i], back[i]).add(front[j], back[i], back[j]);
        }
        Walls walls = Walls.of(prism.solid(), Watch.NONE);
        assertThat(walls.thinnest()).isCloseTo(9, within(1e-4));
    }

    @Test
    void aTetrahedronStillHasItsLines() {
        double[][] c = {{0, 0, 0}, {9, 0, 0}, {0, 9, 0}, {0, 0, 9}};
        Solids corner = new Solids()
                .add(c[0], c[2], c[1])
                .add(c[0], c[1], c[3])
                .add(c[0], c[3], c[2])
                .add(c[1], c[2], c[3]);
        assertThat(Walls.of(corner.solid(), Watch.NONE).thinnest()).isPositive();
    }

    @Test
    void anOpenMeshHasNoWalls() {
        Solid open = Solids.box(0, 0, 0, 1, 1, 1).without(0).solid();
        assertThatThrownBy(() -> Walls.of(open, Watch.NONE)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Pockets.of(open, Vec.UP, Watch.NONE)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void aBoxHasOneTopAndOneBottom() {
        Pockets pockets = Pockets.of(Solids.box(0, 0, 0, 10, 10, 20).solid(), Vec.UP, Watch.NONE);
        assertThat(pockets.high()).hasSize(1);
        assertThat(pockets.high().get(0).outermost()).isTrue();
        assertThat(pockets.high().get(0).at().z()).isCloseTo(20, within(1e-4));
        assertThat(pockets.low()).hasSize(1);
        assertThat(pockets.low().get(0).volume()).isCloseTo(2000, within(60.0));
    }

    /** A table upside down: a plate 40 x 40 x 5 with two posts 10 x 10, 20 and 12 high. The lower post is a pocket. */
    static Solids posts() {
        // one surface of three boxes that overlap; columns count what overlaps once
        return Solids.box(0, 0, 0, 40, 40, 5)
                .and(Solids.box(2, 2, 1, 10, 10, 24))
                .and(Solids.box(28, 28, 1, 10, 10, 16));
    }

    @Test
    void theLowerOfTwoPostsTrapsTheGasThatItHolds() {
        List<Pockets.Pocket> high =
                Pockets.of(posts().solid(), Vec.UP, Watch.NONE).high();
        assertThat(high).hasSize(2);
        assertThat(high.get(0).outermost()).isTrue();
        assertThat(high.get(0).at().z()).isCloseTo(25, within(1e-3));
        assertThat(high.get(1).at().z()).isCloseTo(17, within(1e-3));
        assertThat(high.get(1).depth()).isCloseTo(12, within(1e-3));
        // 10 x 10 x 12 above the plate, to a cell's width of the rim
        assertThat(high.get(1).volume()).isCloseTo(1200, within(1200 * 0.08));
        assertThat(high.get(1).at().x()).isBetween(28.0, 38.0);
    }

    @Test
    void turnedOverThePostsAreWhereWaxStays() {
        Pockets pockets = Pockets.of(posts().solid(), new Vec(0, 0, -1), Watch.NONE);
        assertThat(pockets.high()).hasSize(1);
        assertThat(pockets.low()).hasSize(2);
        assertThat(pockets.low().get(1).depth()).isCloseTo(12, within(1e-3));
    }

    @Test
    void aTorusStandingUprightHasOneTop() {
        Pockets lying = Pockets.of(Solids.torus(20, 5, 160, 80).solid(), Vec.UP, Watch.NONE);
        Pockets standing = Pockets.of(Solids.torus(20, 5, 160, 80).solid(), new Vec(1, 0, 0), Watch.NONE);
        assertThat(lying.high()).hasSize(1);
        assertThat(standing.high()).hasSize(1);
        assertThat(standing.high().get(0).at().x()).isCloseTo(25, within(0.05));
    }

    @Test
    void theShadowOfABoxIsItsSide() {
        Silhouette side = Silhouette.of(Solids.box(0, 0, 0, 30, 10, 15).mesh(), Vec.UP, new Vec(0, -1, 0));
        assertThat(side.rims()).hasSize(1);
        assertThat(side.width()).isCloseTo(30, within(0.3));
        assertThat(side.height()).isCloseTo(15, within(0.3));
        double[] corner = side.shown(new Vec(30, 5, 15));
        assertThat(corner[0]).isCloseTo(30, within(0.3));
        assertThat(corner[1]).isCloseTo(15, within(0.3));
    }

    @Test
    void theShadowOfARingHasTwoRims() {
        Silhouette above = Silhouette.of(Solids.torus(20, 5, 100, 50).mesh(), new Vec(0, 1, 0), Vec.UP);
        assertThat(above.rims()).hasSize(2);
    }

    @Test
    void aLargeMeshIsReducedForLookingAtAndKeepsItsSize() {
        Mesh large = Solids.torus(20, 5, 400, 160).mesh();
        assertThat(large.triangleCount()).isEqualTo(128_000);
        Mesh shown = Reduced.of(large);
        assertThat(shown.triangleCount()).isBetween(5_000, 60_000);
        assertThat(shown.box().diagonal()).isCloseTo(large.box().diagonal(), within(0.5));
        assertThat(Walls.ofEach(shown, Solid.of(large, Watch.NONE), 10, Watch.NONE))
                .hasSize(shown.triangleCount());
    }
}
