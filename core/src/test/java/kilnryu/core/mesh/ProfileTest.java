package kilnryu.core.mesh;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import kilnryu.core.mesh.Profile.Place;
import org.junit.jupiter.api.Test;

/** Shadows of boxes: their broad side over the middle measure, their narrow one over the shortest. */
class ProfileTest {
    /** 20 by 60 by 10, standing along y. */
    private static final Mesh BOX = Solids.read(Solids.box(0, 0, 0, 20, 60, 10).binaryStl(), "box.stl");

    private static double[] span(List<Place> rim) {
        return new double[] {
            rim.stream().mapToDouble(Place::along).min().orElseThrow(),
            rim.stream().mapToDouble(Place::along).max().orElseThrow(),
            rim.stream().mapToDouble(Place::across).min().orElseThrow(),
            rim.stream().mapToDouble(Place::across).max().orElseThrow()
        };
    }

    @Test
    void aBoxFillsItsMeasuresFromBothSides() {
        Profile profile = Profile.of(BOX, new Vec(0, 1, 0));
        for (List<List<Place>> side : List.of(profile.wide(), profile.thin())) {
            assertThat(side).isNotEmpty();
            double[] span = span(side.get(0));
            assertThat(span[0]).isCloseTo(0, within(0.03));
            assertThat(span[1]).isCloseTo(1, within(0.03));
            assertThat(span[2]).isCloseTo(-0.5, within(0.06));
            assertThat(span[3]).isCloseTo(0.5, within(0.06));
        }
    }

    @Test
    void whichEndIsUpFollowsFromTheSideThatIsUp() {
        assertThat(Profile.of(BOX, new Vec(0, 1, 0)).up()).isEqualTo(1);
        assertThat(Profile.of(BOX, new Vec(0, -1, 0)).up()).isEqualTo(-1);
        assertThat(Profile.of(BOX, new Vec(1, 0, 0)).up()).as("it hangs across").isZero();
    }
}
