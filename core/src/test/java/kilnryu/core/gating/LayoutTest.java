package kilnryu.core.gating;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.stream.Stream;
import kilnryu.core.finding.Severity;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

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

    /** Pieces of a small studio: name, mm, walls, volume as a share of its box, how many to a tree; 0 walls for solid. */
    static Stream<Arguments> pieces() {
        return Stream.of(
                piece("reed leaf pendant", 30, 14, 3, 3, 3, 0.6, 14),
                piece("maple key", 32, 9, 2.5, 1, 2.5, 0.35, 24),
                piece("limpet cufflink", 18, 16, 8, 2, 4, 0.35, 10),
                piece("button, tide marks", 20, 20, 3, 3, 3, 0.75, 16),
                piece("hinge leaf", 60, 30, 4, 4, 4, 0.9, 8),
                piece("crab, small", 45, 38, 12, 3, 8, 0.4, 6),
                piece("sea pebble", 30, 24, 18, 18, 18, 0.52, 6),
                piece("mussel shell", 60, 28, 10, 2, 3, 0.15, 8),
                piece("spoon", 120, 30, 9, 2, 4, 0.15, 6),
                piece("net sinker", 40, 20, 20, 20, 20, 0.6, 6),
                piece("rope cleat", 110, 24, 28, 6, 14, 0.35, 4),
                piece("sandpiper", 90, 35, 40, 4, 20, 0.3, 2),
                piece("curlew leg", 160, 14, 14, 6, 12, 0.4, 6),
                piece("lantern fish, hollow", 140, 60, 70, 4, 5, 0.2, 1),
                piece("tern body, hollow", 180, 70, 60, 4, 5, 0.18, 1),
                piece("wading bird", 220, 60, 70, 5, 25, 0.22, 1),
                piece("bowl", 120, 120, 45, 4, 4, 0.16, 1),
                piece("plaque", 120, 90, 6, 6, 6, 0.95, 2),
                piece("oar bracket", 90, 50, 30, 7, 7, 0.3, 2),
                piece("tide gauge weight", 70, 40, 40, 40, 40, 0.75, 1));
    }

    private static Arguments piece(
            String name, double l, double w, double t, double thin, double thick, double share, int count) {
        Form.Walls walls = new Form.Walls(thin, thick, Form.Likeness.of(thick, l, w, t), List.of());
        Form.Body body = new Form.Body(l, w, t, Optional.of(walls), Optional.empty());
        return Arguments.of(name, body, l * w * t * share / 1000, count);
    }

    /** Every layout of every piece passes its own checks, a third of the metal is piece, and its gates and cup have sense. */
    @ParameterizedTest(name = "{0}")
    @MethodSource("pieces")
    void everyLayoutPassesItsOwnChecks(String name, Form.Body body, double cm3, int count) {
        List<String> against = new ArrayList<>();
        for (Layout layout : Layout.values()) {
            Member piece =
                    new Member("p", name, Use.PIECE, count, body, TestTree.volume(count * cm3), Optional.empty(), "");
            List<Member> members = layout.propose(
                    new Layout.Wish(piece, OptionalInt.empty(), OptionalDouble.empty(), OptionalDouble.empty()));
            TestTree tree = new TestTree();
            tree.members.clear();
            members.forEach(m -> tree.members.add(m.use() == Use.PIECE ? m : filled(m)));
            tree.plan().findings().all().stream()
                    .filter(f -> f.severity() != Severity.NOTE)
                    .forEach(f -> against.add(layout + ": " + f.message()));
            double pieces = tree.members.stream()
                    .filter(m -> m.use() == Use.PIECE)
                    .mapToDouble(m -> m.volume().value())
                    .sum();
            double all =
                    tree.members.stream().mapToDouble(m -> m.volume().value()).sum();
            // one small piece on a cup of its own, or lifted over a runner, is mostly sprue whatever is drawn
            boolean suits = layout == Layout.TIERED ? count > 1 : layout != Layout.RUNNER && pieces >= 80;
            if (suits && pieces / all < 0.35) {
                against.add(layout + ": yield " + Math.round(pieces / all * 100) + " of " + all);
            }
        }
        assertThat(against).isEmpty();
    }

    private static Member filled(Member m) {
        return new Member(
                m.key(),
                m.name(),
                m.use(),
                m.count(),
                m.form(),
                TestTree.volume(m.count() * TestTree.cm3(m.form())),
                m.joint(),
                m.endsAt());
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
