package kilnryu.core.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import kilnryu.core.mesh.Necks.Neck;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Solids of which anyone sees where they are narrow. */
class NecksTest {
    private static final Vec Z = new Vec(0, 0, 1);

    private static List<Neck> of(Solids solids, Vec opening) {
        return Necks.ofView(solids.mesh(), opening).all();
    }

    /** Two plates of 40 x 40 x 12 and between them a bar 20 mm long, so wide and 8 mm deep. */
    private static Solids barbell(double wide) {
        return Solids.box(0, 0, 0, 40, 40, 12)
                .and(Solids.box(39, 20 - wide / 2, 2, 22, wide, 8))
                .and(Solids.box(60, 0, 0, 40, 40, 12));
    }

    @ParameterizedTest
    @CsvSource({"6", "12", "18"})
    void aBarBetweenTwoPlatesIsANeck(double wide) {
        List<Neck> necks = of(barbell(wide), Z);
        assertThat(necks).hasSize(1);
        // 100 mm in 150 cells: a cell is 0.67 mm
        assertThat(necks.get(0).wide()).isCloseTo(wide, within(1.4));
        assertThat(necks.get(0).deep()).isCloseTo(8, within(1e-6));
        assertThat(necks.get(0).at().y()).isCloseTo(20, within(1.4));
        assertThat(necks.get(0).at().x()).isBetween(38.0, 62.0);
    }

    /** Of 40 mm wide bodies a bar over 20 mm is no neck; from the side both look alike. */
    @Test
    void aWideBarIsNone() {
        assertThat(of(barbell(24), Z)).isEmpty();
        assertThat(of(barbell(6), new Vec(0, 1, 0))).isEmpty();
    }

    @Test
    void ballsPlatesAndTapersHaveNone() {
        assertThat(of(Solids.sphere(20, 4), Z)).isEmpty();
        assertThat(of(Solids.box(0, 0, 0, 80, 20, 5), Z)).isEmpty();
        // a bar that ends in nothing wider
        assertThat(of(Solids.box(0, 0, 0, 40, 40, 12).and(Solids.box(39, 18, 0, 40, 4, 12)), Z))
                .isEmpty();
    }

    @Test
    void theNarrowestOfTwoComesFirst() {
        List<Neck> necks =
                of(barbell(12).and(Solids.box(99, 17, 0, 22, 6, 12)).and(Solids.box(120, 0, 0, 40, 40, 12)), Z);
        assertThat(necks).hasSize(2);
        assertThat(necks.get(0).wide()).isCloseTo(6, within(2.2));
        assertThat(necks.get(0).at().x()).isGreaterThan(98);
        assertThat(necks.get(1).wide()).isCloseTo(12, within(2.2));
    }

    /** Three by five dark cells: the middle is two cells from the nearest empty one, a corner one. */
    @Test
    void everyCellKnowsHowFarTheRimIs() {
        boolean[][] shadow = new boolean[3][5];
        for (boolean[] row : shadow) {
            java.util.Arrays.fill(row, true);
        }
        double[][] far = Necks.farFromRim(shadow);
        assertThat(far[1]).containsExactly(1, 2, 2, 2, 1);
        assertThat(far[0]).containsExactly(1, 1, 1, 1, 1);
        shadow[1][2] = false;
        assertThat(Necks.farFromRim(shadow)[1]).containsExactly(1, 1, 0, 1, 1);
        assertThat(Necks.farFromRim(shadow)[0][1]).isEqualTo(1);
    }

    @Test
    void anOpeningHasADirection() {
        assertThatThrownBy(() -> of(Solids.sphere(20, 2), new Vec(0, 0, 0)))
                .isInstanceOf(IllegalArgumentException.class);
    }
}
