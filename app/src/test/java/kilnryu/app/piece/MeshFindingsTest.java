package kilnryu.app.piece;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.mesh.Box;
import kilnryu.core.mesh.Solid;
import kilnryu.core.mesh.Vec;
import org.junit.jupiter.api.Test;

class MeshFindingsTest {

    private static MeshSummary mesh(double longest, int open, int crowded, int flipped, boolean twisted) {
        return new MeshSummary(
                12,
                0,
                "",
                100,
                60,
                new Box(new Vec(0, 0, 0), new Vec(longest, longest / 2, longest / 3)),
                open == 0 && !twisted,
                open,
                crowded,
                flipped,
                twisted,
                1,
                0,
                open == 0 ? List.of() : List.of(new Solid.Gap(new Vec(1, 2, 3), open, 9)),
                null,
                Map.of(),
                100,
                false,
                false);
    }

    private static List<String> found(MeshSummary mesh, double unit, boolean unitKnown) {
        List<Finding> found = new ArrayList<>();
        MeshFindings.of(Optional.of(mesh), unit, unitKnown, found);
        return found.stream().map(f -> f.id() + ": " + f.message()).toList();
    }

    @Test
    void aSoundMeshOfAnOrdinarySizeHasNothingAgainstIt() {
        assertThat(found(mesh(80, 0, 0, 0, false), 1, false)).isEmpty();
    }

    @Test
    void openEdgesAreCountedAndPlaced() {
        assertThat(found(mesh(80, 4, 0, 0, false), 1, false))
                .singleElement()
                .asString()
                .contains("4 open edges", "near 1.0, 2.0, 3.0");
        assertThat(found(mesh(80, 0, 0, 0, true), 1, false))
                .singleElement()
                .asString()
                .contains("twisted");
    }

    @Test
    void turnedFacesAreSaid() {
        assertThat(found(mesh(80, 0, 0, 3, false), 1, false))
                .singleElement()
                .asString()
                .contains("3 faces looked inward");
        assertThat(found(mesh(80, 0, 0, 12, false), 1, false))
                .singleElement()
                .asString()
                .contains("All faces looked inward");
        assertThat(found(mesh(80, 0, 2, 0, false), 1, false))
                .singleElement()
                .asString()
                .contains("2 edges belong");
    }

    /** 2.5 long is tiny in millimetres and a hand's breadth in inches; once the unit is said nothing is asked. */
    @Test
    void anOddSizeAsksForTheUnitUntilItIsSaid() {
        assertThat(found(mesh(2.5, 0, 0, 0, false), 1, false))
                .singleElement()
                .asString()
                .contains("2.500 mm long");
        assertThat(found(mesh(2500, 0, 0, 0, false), 1, false))
                .singleElement()
                .asString()
                .contains("2500 mm long");
        assertThat(found(mesh(2.5, 0, 0, 0, false), 25.4, true)).isEmpty();
    }

    @Test
    void aSideThatIsNoDirectionIsUp() {
        assertThat(MeshSummary.side("0 0 2")).isEqualTo(Vec.UP);
        assertThat(MeshSummary.side("0 0 0")).isEqualTo(Vec.UP);
        assertThat(MeshSummary.side("1 2")).isEqualTo(Vec.UP);
        assertThat(MeshSummary.side("a b c")).isEqualTo(Vec.UP);
        assertThat(MeshSummary.side("NaN 0 1")).isEqualTo(Vec.UP);
        assertThat(MeshSummary.side("-3 0 0")).isEqualTo(new Vec(-1, 0, 0));
    }

    /** Two figures where bodies overlap: 80 cm3 together, 100 one by one, of a file in centimetres. */
    @Test
    void overlappingBodiesAreSaidWithBothFigures() {
        MeshSummary two = new MeshSummary(
                24,
                0,
                "cm",
                80,
                60,
                new Box(new Vec(0, 0, 0), new Vec(9, 9, 9)),
                true,
                0,
                4,
                0,
                false,
                2,
                0,
                List.of(),
                null,
                Map.of(),
                100,
                true,
                false);
        assertThat(found(two, 10, true))
                .singleElement()
                .asString()
                .startsWith("mesh-overlap")
                .contains("together 80.00 cm³", "one by one 100.0 cm³");
    }
}
