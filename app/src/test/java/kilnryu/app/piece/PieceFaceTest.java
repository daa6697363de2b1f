package kilnryu.app.piece;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import kilnryu.core.mesh.Profile;
import kilnryu.core.mesh.Profile.Place;
import org.junit.jupiter.api.Test;

/** A box of 80 by 40 by 10 in a square of 48: 44 units for its longest side, 22 for the next. */
class PieceFaceTest {
    private static final List<List<Place>> BOX =
            List.of(List.of(new Place(0, -0.5), new Place(1, -0.5), new Place(1, 0.5), new Place(0, 0.5)));

    private static String path(int up) {
        return PieceFace.path(new Profile(BOX, BOX, up), new double[] {40, 10, 80});
    }

    @Test
    void whatHangsStandsUpright() {
        assertThat(path(1)).isEqualTo("M13.0,46.0 L13.0,2.0 L35.0,2.0 L35.0,46.0 Z");
        assertThat(path(-1)).as("the other end is up").isEqualTo("M13.0,2.0 L13.0,46.0 L35.0,46.0 L35.0,2.0 Z");
    }

    @Test
    void whatLiesAcrossLies() {
        assertThat(path(0)).isEqualTo("M2.0,13.0 L46.0,13.0 L46.0,35.0 L2.0,35.0 Z");
    }

    @Test
    void withoutAMeshThereIsAHollowSquare() {
        assertThat(PieceFace.drawn(null)).contains("stroke-dasharray=\"3 3\"");
        assertThat(PieceFace.drawn(path(1))).contains("evenodd").doesNotContain("stroke-dasharray");
    }
}
