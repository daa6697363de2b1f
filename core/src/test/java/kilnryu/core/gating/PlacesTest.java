package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import kilnryu.core.shell.OfTree;
import kilnryu.core.shell.Strength.Curve;
import kilnryu.core.shell.Strength.Place;
import org.junit.jupiter.api.Test;

/** Where a shell round a built tree bears most: the deepest place of each member, by its shape. */
class PlacesTest {
    private static Place named(List<Place> places, String name) {
        return places.stream().filter(p -> p.name().equals(name)).findFirst().orElseThrow();
    }

    /** The cup ends 40 under the rim, the sprue of 12 mm 120 further down; the lowest of four rings of gates counts. */
    @Test
    void theDeepestPlaceOfEachMember() {
        List<Place> places = OfTree.places(new TestTree().plan());
        assertThat(places)
                .extracting(Place::name)
                .containsExactlyInAnyOrder("the cup", "the sprue", "the gate", "the leaf");
        Place sprue = named(places, "the sprue");
        assertThat(sprue.depth()).isCloseTo(160, within(7.0));
        assertThat(sprue.curve()).isEqualTo(Curve.CYLINDER);
        assertThat(sprue.size()).isCloseTo(6, within(1e-9));
        // its thickest end is the cup's rim of 50
        assertThat(named(places, "the cup").size()).isCloseTo(25, within(1e-9));
        Place gate = named(places, "the gate");
        assertThat(gate.depth()).isBetween(130.0, 145.0);
    }

    /** A body is round to a quarter of both its measures; a flat one over three times as wide as thick bears like a plate. */
    @Test
    void roundAndFlatBodies() {
        TestTree tree = new TestTree();
        Place leaf = named(OfTree.places(tree.plan()), "the leaf");
        assertThat(leaf.curve()).isEqualTo(Curve.CYLINDER);
        assertThat(leaf.size()).isCloseTo((14 + 10) / 4.0, within(1e-9));
        TestTree plate = new TestTree();
        plate.members.remove(plate.members.size() - 1);
        plate.add(
                "leaf",
                Use.PIECE,
                8,
                new Form.Body(30, 14, 4, java.util.Optional.empty(), java.util.Optional.empty()),
                Joint.to("gate", 10, 0, -45).filleted(1));
        Place flat = named(OfTree.places(plate.plan()), "the leaf");
        assertThat(flat.curve()).isEqualTo(Curve.FLAT);
        assertThat(flat.size()).isCloseTo(14, within(1e-9));
    }

    /** A runner of 10 by 8 is a plate of its wider side. */
    @Test
    void barsAreFlat() {
        TestTree tree = new TestTree();
        tree.add("runner", Use.RUNNER, 1, new Form.Bar(10, 8, 40), Joint.to("sprue", 110, 0, 0));
        Place runner = named(OfTree.places(tree.plan()), "the runner");
        assertThat(runner.curve()).isEqualTo(Curve.FLAT);
        assertThat(runner.size()).isCloseTo(10, within(1e-9));
    }
}
