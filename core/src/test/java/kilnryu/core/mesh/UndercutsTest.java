package kilnryu.core.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.Assertions.withinPercentage;

import java.util.concurrent.atomic.AtomicInteger;
import kilnryu.core.mesh.Undercuts.Undercut;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Simple solids of which anyone sees how they come out of a mold. */
class UndercutsTest {
    private static final Vec X = new Vec(1, 0, 0);
    private static final Vec Y = new Vec(0, 1, 0);
    private static final Vec Z = new Vec(0, 0, 1);

    private static Undercuts of(Solids solids, Vec opening) {
        return Undercuts.of(Solid.of(solids.mesh(), Watch.NONE), opening, Watch.NONE);
    }

    /** A back with two arms: between them 20 x 10 x 10 mm are open. */
    private static Solids hook() {
        return Solids.box(0, 0, 0, 11, 10, 30)
                .and(Solids.box(0, 0, 0, 30, 10, 10))
                .and(Solids.box(0, 0, 20, 30, 10, 10));
    }

    /** A room 20 x 20 x 15 with walls all round, open above through a hole of 6 x 6. */
    private static Solids bottle() {
        return Solids.box(0, 0, 0, 30, 30, 5)
                .and(Solids.box(0, 0, 0, 5, 30, 25))
                .and(Solids.box(25, 0, 0, 5, 30, 25))
                .and(Solids.box(0, 0, 0, 30, 5, 25))
                .and(Solids.box(0, 25, 0, 30, 5, 25))
                .and(Solids.box(0, 0, 20, 12, 30, 5))
                .and(Solids.box(18, 0, 20, 12, 30, 5))
                .and(Solids.box(0, 0, 20, 30, 12, 5))
                .and(Solids.box(0, 18, 20, 30, 12, 5));
    }

    @ParameterizedTest
    @CsvSource({"0, 0, 1", "1, 0, 0", "1, 2, 3", "0, -1, 0"})
    void aBallComesOutOfTwoHalvesEveryWay(double x, double y, double z) {
        assertThat(of(Solids.sphere(20, 4), new Vec(x, y, z)).all()).isEmpty();
    }

    @Test
    void aHookComesOutAlongItsArmsAndLocksAcrossThem() {
        assertThat(of(hook(), X).all()).isEmpty();
        assertThat(of(hook(), Y).all()).isEmpty();
        Undercuts across = of(hook(), Z);
        assertThat(across.all()).hasSize(1);
        Undercut u = across.all().get(0);
        assertThat(u.depth()).isEqualTo(10, within(1e-6));
        // 19 x 10 x 10, good to a column of 30 / 160 at each side
        assertThat(u.volume()).isCloseTo(1900, withinPercentage(4));
        assertThat(u.at().z()).isEqualTo(15, within(0.01));
        assertThat(u.at().x()).isEqualTo(20.5, within(0.3));
        // a part of its own goes out to the open side, never into the back
        assertThat(u.locks()).isFalse();
        assertThat(u.frees()).hasSize(1);
        assertThat(u.frees().get(0).x()).isGreaterThan(-1e-9);
        assertThat(u.frees().get(0).z()).isEqualTo(0, within(1e-9));
    }

    /** The room less what lies under its mouth: (400 - 36) x 15. */
    @Test
    void aRoomWithANarrowMouthLocksWhicheverWay() {
        Undercuts room = of(bottle(), Z);
        assertThat(room.all()).hasSize(1);
        assertThat(room.all().get(0).volume()).isCloseTo(5460, withinPercentage(4));
        assertThat(room.all().get(0).locks()).isTrue();
        assertThat(of(bottle(), X).all()).hasSize(1);
    }

    /** Opened along its axis a ring has none; opened across it what is in the ring goes out along the axis, half to each side. */
    @Test
    void aRingIsFreedAlongItsAxis() {
        Solids ring = Solids.torus(20, 5, 48, 24);
        assertThat(of(ring, Z).all()).isEmpty();
        Undercuts across = of(ring, X);
        assertThat(across.all()).hasSize(1);
        assertThat(across.all().get(0).frees()).hasSize(2);
        for (Vec frees : across.all().get(0).frees()) {
            assertThat(Math.abs(frees.z())).isEqualTo(1, within(1e-9));
        }
        assertThat(across.all().get(0).at().length()).isLessThan(0.5);
    }

    /** Two hooks apart are two undercuts, the larger first. */
    @Test
    void eachPlaceIsNamedForItself() {
        Solids two = hook().and(hook().scaled(0.5).moved(60, 0, 0));
        Undercuts all = of(two, Z);
        assertThat(all.all()).hasSize(2);
        assertThat(all.all().get(0).volume()).isGreaterThan(all.all().get(1).volume());
        assertThat(all.all().get(1).at().x()).isGreaterThan(60);
    }

    /** A picture whose triangles share no corners shows the same. */
    @Test
    void aViewShowsTheSame() {
        Mesh mesh = hook().mesh();
        float[] apart = new float[mesh.triangleCount() * 9];
        int[] numbers = new int[mesh.triangleCount() * 3];
        for (int i = 0; i < numbers.length; i++) {
            Vec at = mesh.at(mesh.triangles()[i]);
            apart[3 * i] = (float) at.x();
            apart[3 * i + 1] = (float) at.y();
            apart[3 * i + 2] = (float) at.z();
            numbers[i] = i;
        }
        assertThat(Undercuts.ofView(Mesh.of(apart, numbers), Z, Watch.NONE)).isEqualTo(of(hook(), Z));
    }

    @Test
    void itSaysHowFarItIsAndCanBeStopped() {
        AtomicInteger said = new AtomicInteger();
        Solid solid = Solid.of(hook().mesh(), Watch.NONE);
        Undercuts.of(solid, Z, (step, share) -> said.incrementAndGet() > 0);
        assertThat(said.get()).isGreaterThanOrEqualTo(3);
        assertThatThrownBy(() -> Undercuts.of(solid, Z, (step, share) -> false)).isInstanceOf(Watch.Cancelled.class);
    }

    @Test
    void anOpenMeshAndNoDirectionAreRefused() {
        Solid solid = Solid.of(hook().mesh(), Watch.NONE);
        assertThatThrownBy(() -> Undercuts.of(solid, new Vec(0, 0, 0), Watch.NONE))
                .isInstanceOf(IllegalArgumentException.class);
        Solids open = new Solids().add(new double[] {0, 0, 0}, new double[] {9, 0, 0}, new double[] {0, 9, 0});
        assertThatThrownBy(() -> of(open, Z)).isInstanceOf(IllegalArgumentException.class);
    }
}
