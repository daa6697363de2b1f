package kilnryu.core.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class SolidTest {

    @Test
    void aBoxHasItsVolumeAreaAndSizes() {
        Solid box = Solids.box(5, -3, 100, 10, 20, 30).solid();
        assertThat(box.volume()).isCloseTo(6000, within(1e-9));
        assertThat(box.area()).isCloseTo(2 * (200 + 300 + 600), within(1e-9));
        assertThat(box.sizes()).containsExactly(10.0, 20.0, 30.0);
        assertThat(box.isClosed()).isTrue();
        assertThat(box.openEdges()).isZero();
        assertThat(box.flipped()).isZero();
        assertThat(box.mesh().cornerCount()).isEqualTo(8);
    }

    @Test
    void farFromTheOriginTheVolumeStays() {
        assertThat(Solids.box(8192, 8192, 8192, 1, 2, 3).solid().volume()).isCloseTo(6, within(1e-9));
    }

    /**
     * An inscribed sphere of n triangles is too small; each division brings it about four times nearer. With six
     * divisions (32,768 triangles) it is within 0.1 % of the sphere and never over.
     */
    @Test
    void aSphereComesNearFromBelowFourTimesWithEachDivision() {
        double exact = 4.0 / 3 * Math.PI * 1000;
        double coarse = exact - Solids.sphere(10, 4).solid().volume();
        double fine = exact - Solids.sphere(10, 5).solid().volume();
        double finest = exact - Solids.sphere(10, 6).solid().volume();
        assertThat(finest).isPositive().isLessThan(exact * 0.001);
        assertThat(coarse / fine).isBetween(3.8, 4.2);
        assertThat(fine / finest).isBetween(3.8, 4.2);
    }

    /** The tube's section is a polygon of m corners, the ring one of n: volume = area of the polygon by Pappus' path. */
    @Test
    void aTorusNearsItsVolumeAndArea() {
        Solid torus = Solids.torus(20, 5, 400, 200).solid();
        assertThat(torus.volume()).isCloseTo(2 * Math.PI * Math.PI * 20 * 25, within(6.0));
        assertThat(torus.area()).isCloseTo(4 * Math.PI * Math.PI * 20 * 5, within(1.0));
        assertThat(torus.bodies()).hasSize(1);
    }

    /** Turned the other way than the one it lies in it is a void; turned alike it is more of the same metal. */
    @Test
    void aShellInsideIsAVoidWhereItsFileTurnsItInward() {
        Solids outer = Solids.box(0, 0, 0, 30, 30, 30);
        Solids inner = Solids.box(5, 5, 5, 20, 20, 20);
        Solid outward = Solids.box(0, 0, 0, 30, 30, 30).and(inner).solid();
        Solid inward = outer.and(inner.turnedOver(0, 12)).solid();
        assertThat(inward.volume()).isCloseTo(27000 - 8000, within(1e-6));
        assertThat(inward.overlapping()).isFalse();
        assertThat(inward.flipped()).isZero();
        assertThat(inward.area()).isCloseTo(5400 + 2400, within(1e-6));
        assertThat(inward.bodies().get(1).isVoid()).isTrue();
        assertThat(outward.volume()).isCloseTo(27000, within(30.0));
        assertThat(outward.overlapping()).isTrue();
        assertThat(outward.apart()).isCloseTo(27000 + 8000, within(1e-6));
        assertThat(outward.area()).isCloseTo(5400, within(30.0));
        // all of a file turned inside out is still a box with a void
        Solid reversed = Solids.box(0, 0, 0, 30, 30, 30)
                .turnedOver(0, 12)
                .and(Solids.box(5, 5, 5, 20, 20, 20))
                .solid();
        assertThat(reversed.volume()).isCloseTo(27000 - 8000, within(1e-6));
    }

    @Test
    void aBodyInsideAVoidIsSolidAgain() {
        Solid nested = Solids.box(0, 0, 0, 30, 30, 30)
                .and(Solids.box(5, 5, 5, 20, 20, 20).turnedOver(0, 12))
                .and(Solids.box(10, 10, 10, 10, 10, 10))
                .solid();
        assertThat(nested.volume()).isCloseTo(27000 - 8000 + 1000, within(1e-6));
        assertThat(nested.bodies().stream().map(Solid.Body::depth)).containsExactly(0, 1, 2);
    }

    /** Two boxes of 1000 that share 5 x 7 x 8. */
    @Test
    void whatTwoBodiesShareIsCountedOnce() {
        Solid two = Solids.box(0, 0, 0, 10, 10, 10)
                .and(Solids.box(5, 3, 2, 10, 10, 10))
                .solid();
        // shared: 5 x 7 x 8 = 280
        assertThat(two.volume()).isCloseTo(2000 - 280, within(3.0));
        assertThat(two.apart()).isCloseTo(2000, within(1e-9));
        assertThat(two.overlapping()).isTrue();
        assertThat(two.doubtful()).isFalse();
        // of each box's 600 the three faces in the other: 5 x 7 + 7 x 8 + 5 x 8 = 131
        assertThat(two.area()).isCloseTo(1200 - 2 * 131, within(6.0));
    }

    @Test
    void aBodyThatIsThereTwiceCountsOnce() {
        Solid twice = Solids.box(0, 0, 0, 10, 20, 30)
                .and(Solids.box(0, 0, 0, 10, 20, 30))
                .solid();
        assertThat(twice.volume()).isCloseTo(6000, within(10.0));
        assertThat(twice.overlapping()).isTrue();
        assertThat(twice.crowdedEdges()).isEqualTo(18);
        assertThat(twice.bodies()).hasSize(1);
    }

    /** Two boxes side by side on one shared square: its four edges have four faces each; 1000 and 2000 are 3000. */
    @Test
    void bodiesThatShareAFaceAddUp() {
        Solid joined = Solids.box(0, 0, 0, 10, 10, 10)
                .and(Solids.box(10, 0, 0, 20, 10, 10))
                .solid();
        assertThat(joined.crowdedEdges()).isEqualTo(5);
        assertThat(joined.bodies()).hasSize(1);
        assertThat(joined.volume()).isCloseTo(3000, within(5.0));
        assertThat(joined.isClosed()).isTrue();
        assertThat(joined.doubtful()).isFalse();
    }

    /** One wall between two rooms, a single face: nothing tells which side is metal, and both figures are to be shown. */
    @Test
    void aSingleFaceBetweenTwoRoomsIsDoubtful() {
        // the left box whole, of the right one all but the face they share
        Solid solid = Solids.box(0, 0, 0, 10, 10, 10)
                .and(Solids.box(10, 0, 0, 10, 10, 10).without(8).without(8))
                .solid();
        assertThat(solid.openEdges()).isZero();
        assertThat(solid.doubtful()).isTrue();
        assertThat(solid.overlapping()).isTrue();
        assertThat(solid.volume()).isCloseTo(2000, within(20.0));
    }

    /** Two spheres of 10 mm, 10 apart: the lens they share is pi (4 R + d)(2 R - d)^2 / 12 = 1309 mm3. */
    @Test
    void twoSpheresShareALens() {
        Solid two =
                Solids.sphere(10, 5).and(Solids.sphere(10, 5).moved(10, 0, 0)).solid();
        double one = Solids.sphere(10, 5).solid().volume();
        double lens = Math.PI * (4 * 10 + 10) * 100 / 12;
        assertThat(two.volume()).isCloseTo(2 * one - lens, within(15.0));
    }

    @Test
    void bodiesBesideEachOtherAddUp() {
        Solid two = Solids.box(0, 0, 0, 10, 10, 10)
                .and(Solids.box(20, 0, 0, 10, 10, 10))
                .solid();
        assertThat(two.volume()).isCloseTo(2000, within(1e-9));
        assertThat(two.bodies()).hasSize(2);
    }

    @Test
    void turnedFacesAreMendedAndCounted() {
        Solid mended = Solids.sphere(10, 3).turnedOver(10, 17).solid();
        assertThat(mended.flipped()).isEqualTo(7);
        assertThat(mended.volume()).isCloseTo(Solids.sphere(10, 3).solid().volume(), within(1e-9));
        assertThat(Solids.box(0, 0, 0, 1, 1, 1).turnedOver(0, 12).solid().volume())
                .isCloseTo(1, within(1e-12));
    }

    @Test
    void aMissingTriangleLeavesThreeOpenEdgesRoundItsPlace() {
        Solid open = Solids.box(0, 0, 0, 10, 10, 10).without(2).solid();
        assertThat(open.openEdges()).isEqualTo(3);
        assertThat(open.isClosed()).isFalse();
        assertThat(open.gaps()).hasSize(1);
        assertThat(open.gaps().get(0).edges()).isEqualTo(3);
        assertThat(open.gaps().get(0).length()).isCloseTo(20 + Math.sqrt(200), within(1e-6));
        assertThat(open.gaps().get(0).middle().z()).isCloseTo(10, within(1e-6));
    }

    @Test
    void cornersThatMissByAHairAreJoined() {
        Solids box = Solids.box(0, 0, 0, 10, 10, 10);
        Solids shaken = new Solids();
        double[] hair = {4e-6, -4e-6, 0};
        for (int i = 0; i < 12; i++) {
            shaken.and(Solids.box(0, 0, 0, 10, 10, 10).only(i).moved(hair[i % 3], hair[(i + 1) % 3], 0));
        }
        assertThat(shaken.solid().openEdges()).isZero();
        assertThat(shaken.solid().volume()).isCloseTo(box.solid().volume(), within(0.01));
    }

    @Test
    void aBandWithOneTwistHasNoOutside() {
        Solids band = new Solids();
        int n = 24;
        for (int i = 0; i < n; i++) {
            double[][] a = rung(i, n);
            double[][] b = rung(i + 1, n);
            band.add(a[0], b[0], b[1]).add(a[0], b[1], a[1]);
        }
        Solid twisted = band.solid();
        assertThat(twisted.twisted()).isTrue();
        assertThat(twisted.isClosed()).isFalse();
    }

    private static double[][] rung(int i, int n) {
        double u = 2 * Math.PI * (i % n) / n;
        double half = i >= n ? -1 : 1;
        double[][] rung = new double[2][];
        for (int k = 0; k < 2; k++) {
            double side = (k == 0 ? -1 : 1) * half;
            double r = 10 + side * Math.cos(u / 2);
            rung[k] = new double[] {r * Math.cos(u), r * Math.sin(u), side * Math.sin(u / 2)};
        }
        return rung;
    }
}
