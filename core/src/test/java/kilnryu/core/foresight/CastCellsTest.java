package kilnryu.core.foresight;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Solids;
import kilnryu.core.mesh.Watch;
import org.junit.jupiter.api.Test;

/** One body cast otherwise: hollow, in sections, through a gate. By hand from a box of 40 x 30 x 60 mm. */
class CastCellsTest {
    private static CastCells box() {
        Mesh mesh = Solids.box(0, 0, 0, 40, 30, 60).mesh();
        return CastCells.of(mesh, List.of(), new CastCells.Size(120_000, 15), Watch.NONE);
    }

    private static double cm3(CastCells c) {
        return c.counts()[0] * Math.pow(c.edge(), 3) / 1000;
    }

    @Test
    void aHollowOneIsItsWallRoundACore() {
        CastCells whole = box();
        assertThat(cm3(whole)).isCloseTo(72, within(4.0));
        // less a core of 28 x 18 x 48
        assertThat(cm3(whole.hollow(6))).isCloseTo(72 - 24.2, within(5.0));
        assertThat(cm3(whole.hollow(20))).isEqualTo(cm3(whole));
        assertThat(whole.counts()[0]).as("what it was made of stays").isEqualTo(box().counts()[0]);
    }

    @Test
    void sectionsAreAllOfItAndOfOneLength() {
        CastCells whole = box();
        int[] counts = new int[3];
        for (int k = 0; k < 3; k++) {
            CastCells section = whole.section(k, 3);
            counts[k] = section.counts()[0];
            // across the longest side, 60 mm high
            int low = section.grid().nz();
            int high = -1;
            for (int i = 0; i < section.kind().length; i++) {
                if (section.part()[i] >= 0) {
                    low = Math.min(low, section.grid().place(2, i));
                    high = Math.max(high, section.grid().place(2, i));
                }
            }
            assertThat((high - low + 1) * section.edge()).isCloseTo(20, within(2 * section.edge()));
            assertThat(section.entry()).isNotEmpty();
            for (int c : section.entry()) {
                assertThat(section.part()[c]).isZero();
                assertThat(section.grid().place(2, c)).isEqualTo(high);
            }
        }
        assertThat(counts[0] + counts[1] + counts[2]).isEqualTo(whole.counts()[0]);
    }

    @Test
    void aGateIsInTheMiddleOfTheTop() {
        CastCells gated = box().gated();
        double high = gated.middle(gated.entry()[0]).z();
        assertThat(gated.entry().length * gated.edge() * gated.edge()).isCloseTo(Math.PI * 64, within(45.0));
        for (int c : gated.entry()) {
            assertThat(gated.middle(c).x()).isCloseTo(20, within(9.0));
            assertThat(gated.middle(c).y()).isCloseTo(15, within(9.0));
            assertThat(gated.middle(c).z()).isEqualTo(high);
            assertThat(gated.open()[c]).isTrue();
        }
    }
}
