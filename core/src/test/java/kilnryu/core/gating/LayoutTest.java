package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.Stream;
import kilnryu.core.finding.Severity;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Every layout proposes a tree that its own checks have nothing grave against. */
class LayoutTest {

    @ParameterizedTest
    @EnumSource(Layout.class)
    void proposalsFeedAndHangTogether(Layout layout) {
        Random chance = new Random(5);
        for (int round = 0; round < 40; round++) {
            double thick = 1.5 + 8 * chance.nextDouble();
            Form.Body body = new Form.Body(
                    20 + 60 * chance.nextDouble(),
                    8 + 30 * chance.nextDouble(),
                    thick + 4 * chance.nextDouble(),
                    Optional.of(new Form.Walls(thick * 0.6, thick, Form.Likeness.PLATE, List.of())),
                    Optional.empty());
            int count = 1 + chance.nextInt(30);
            List<Member> members = layout.propose(wish(body, count));
            TestTree tree = new TestTree();
            tree.members.clear();
            tree.members.addAll(members);
            assertThat(tree.plan().findings().all())
                    .filteredOn(f -> f.severity() == Severity.STOP
                            || Stream.of("modulus.", "thick-thin", "past-end", "unfed", "button.", "head")
                                    .anyMatch(id -> f.id().startsWith(id) && f.severity() == Severity.WARN))
                    .as("%s of %d, %s", layout, count, body)
                    .isEmpty();
        }
    }

    @Test
    void aTreeOfAskedRingsHasThem() {
        Layout.Wish wish = new Layout.Wish(
                piece(TestTree.leaf(2, 3), 12), OptionalInt.of(3), OptionalDouble.of(30), OptionalDouble.of(-60));
        Member gate = Layout.TIERED.propose(wish).stream()
                .filter(m -> m.use() == Use.GATE)
                .findFirst()
                .orElseThrow();
        assertThat(gate.joint().orElseThrow().rings()).isEqualTo(3);
        assertThat(gate.joint().orElseThrow().spacing()).isEqualTo(30);
        assertThat(gate.joint().orElseThrow().tilt()).isEqualTo(-60);
    }

    /** A leaf 3 mm thick has M 1.5; gate at least 4 x 1.5 x 1.1 = 6.6 mm, sprue a tenth over that. */
    @Test
    void diametersRiseByTheRule() {
        List<Member> members = Layout.TIERED.propose(wish(TestTree.leaf(2, 3), 8));
        double gate = Placing.thickest(members.get(2).form());
        double sprue = Placing.thickest(members.get(1).form());
        assertThat(gate).isBetween(6.6, 7.5);
        assertThat(sprue).isGreaterThanOrEqualTo(gate * 1.1);
    }

    private static Layout.Wish wish(Form.Body body, int count) {
        return new Layout.Wish(piece(body, count), OptionalInt.empty(), OptionalDouble.empty(), OptionalDouble.empty());
    }

    private static Member piece(Form.Body body, int count) {
        double cm3 = Math.PI / 6 * body.length() * body.width() * body.thickness() / 1000;
        return new Member("p", "leaf", Use.PIECE, count, body, TestTree.volume(count * cm3), Optional.empty(), "");
    }
}
