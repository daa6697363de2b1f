package kilnryu.core.tree;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

/** The outline that parts alone suggest, by hand. */
class OutlineTest {
    /** A ball of 10 mm has pi / 6 cm3. */
    private static final double BALL_CM3 = Math.PI / 6;

    private static Length mm(double value) {
        return Length.millimetres(value);
    }

    private static Part piece(int count) {
        return new Part(
                "bead",
                Part.Role.PIECE,
                PatternMaterial.INJECTION_WAX,
                count,
                new Amount.Rod(mm(1), mm(1)),
                Optional.empty());
    }

    private static Part gating(Amount amount) {
        return new Part("gating", Part.Role.GATING, PatternMaterial.SPRUE_WAX, 1, amount, Optional.empty());
    }

    private static Outline of(double pieces, Part... parts) {
        List<Figure> volumes = Arrays.stream(parts)
                .map(p -> Figure.given(
                        "v",
                        "volume",
                        p.role() == Part.Role.PIECE ? pieces : 1,
                        Measure.CUBIC_CENTIMETRE,
                        Known.MEASURED,
                        0))
                .toList();
        return Outline.of(
                new Tree(
                        Alloy.SI_BRONZE,
                        List.of(parts),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        OptionalDouble.empty(),
                        Optional.empty()),
                volumes);
    }

    private static List<Outline.Shape> kind(Outline outline, Outline.Kind kind) {
        return outline.shapes().stream().filter(s -> s.kind() == kind).toList();
    }

    /** A cup of 15 on the base, a sprue of 40 on it, a ball of 10 on its end: 65 high, as wide as the cup. */
    @Test
    void onePieceStandsOnTheEnd() {
        Outline outline = of(
                BALL_CM3,
                gating(new Amount.Cone(mm(30), mm(10), mm(15))),
                gating(new Amount.Rod(mm(6), mm(40))),
                piece(1));
        assertThat(outline.height()).isCloseTo(65, within(1e-6));
        assertThat(outline.width()).isCloseTo(30, within(1e-9));
        assertThat(kind(outline, Outline.Kind.CONE).get(0))
                .isEqualTo(new Outline.Shape(Outline.Kind.CONE, 0, 0, 30, 10, 15));
        assertThat(kind(outline, Outline.Kind.ROD).get(0))
                .isEqualTo(new Outline.Shape(Outline.Kind.ROD, 0, 15, 6, 6, 40));
        Outline.Shape ball = kind(outline, Outline.Kind.PIECE).get(0);
        assertThat(ball.y()).isCloseTo(55, within(1e-9));
        assertThat(ball.width()).isCloseTo(10, within(1e-6));
    }

    @Test
    void withoutASprueItStandsOnTheBase() {
        Outline outline = of(BALL_CM3, piece(1));
        assertThat(outline.shapes()).hasSize(1);
        assertThat(outline.height()).isCloseTo(10, within(1e-6));
        assertThat(outline.width()).isCloseTo(10, within(1e-6));
    }

    /**
     * Two balls of 10 on stubs of 5 at a sprue of 6: centres at 3 + 5 + 5 = 13, so 36 across; 3 mm over the base; the sprue
     * as long as it is, 40.
     */
    @Test
    void twoStandAcrossFromEachOther() {
        Outline outline =
                of(2 * BALL_CM3, gating(new Amount.Rod(mm(6), mm(40))), gating(new Amount.Rod(mm(3), mm(5))), piece(2));
        assertThat(outline.width()).isCloseTo(36, within(1e-6));
        assertThat(outline.height()).isCloseTo(40, within(1e-6));
        List<Outline.Shape> balls = kind(outline, Outline.Kind.PIECE);
        assertThat(balls).extracting(Outline.Shape::x).containsExactly(13.0, -13.0);
        assertThat(balls).allMatch(b -> Math.abs(b.y() - 3) < 1e-9);
        List<Outline.Shape> stubs = kind(outline, Outline.Kind.STUB);
        assertThat(stubs).extracting(Outline.Shape::x).containsExactly(5.5, -5.5);
        assertThat(stubs).allMatch(s -> s.width() == 5 && Math.abs(s.y() - 8) < 1e-6);
    }

    /**
     * Round a centre line of 13 mm go 2 pi 13 / (10 + 3) = 6.28, six balls. Twelve take two rings: over a sprue of 60 they
     * spread by 60 - 3 - 10 = 47, from 3 to 50.
     */
    @Test
    void moreThanGoRoundTakeAnotherRing() {
        Part sprue = gating(new Amount.Rod(mm(6), mm(60)));
        Part stub = gating(new Amount.Rod(mm(3), mm(5)));
        List<Outline.Shape> six = kind(of(6 * BALL_CM3, sprue, stub, piece(6)), Outline.Kind.PIECE);
        assertThat(six).hasSize(2);
        List<Outline.Shape> twelve = kind(of(12 * BALL_CM3, sprue, stub, piece(12)), Outline.Kind.PIECE);
        assertThat(twelve).hasSize(4);
        assertThat(twelve.get(0).y()).isCloseTo(3, within(1e-6));
        assertThat(twelve.get(2).y()).isCloseTo(50, within(1e-6));
        // seven: the second ring has one alone
        assertThat(kind(of(7 * BALL_CM3, sprue, stub, piece(7)), Outline.Kind.PIECE))
                .hasSize(3);
    }

    /** On a sprue of 20 they do not spread: rings of 13 mm one over the other, and the sprue grows to 3 + 13 + 13 = 29. */
    @Test
    void aShortSprueGrowsWithItsRings() {
        Outline outline = of(
                12 * BALL_CM3, gating(new Amount.Rod(mm(6), mm(20))), gating(new Amount.Rod(mm(3), mm(5))), piece(12));
        List<Outline.Shape> balls = kind(outline, Outline.Kind.PIECE);
        assertThat(balls.get(2).y() - balls.get(0).y()).isCloseTo(13, within(1e-6));
        assertThat(kind(outline, Outline.Kind.ROD).get(0).height()).isCloseTo(29, within(1e-6));
        assertThat(outline.height()).isCloseTo(29, within(1e-6));
    }

    /** Stretched to what was measured: half as wide, twice as high; nothing measured leaves it. */
    @Test
    void stretchedToItsMeasures() {
        Outline outline = of(BALL_CM3, gating(new Amount.Rod(mm(6), mm(40))), piece(1));
        Outline stretched = outline.stretched(5, 100);
        assertThat(stretched.width()).isCloseTo(5, within(1e-9));
        assertThat(stretched.height()).isCloseTo(100, within(1e-9));
        Outline.Shape ball = kind(stretched, Outline.Kind.PIECE).get(0);
        assertThat(ball.width()).isCloseTo(5, within(1e-6));
        assertThat(ball.top()).isCloseTo(5, within(1e-6));
        assertThat(ball.y()).isCloseTo(80, within(1e-6));
        assertThat(ball.height()).isCloseTo(20, within(1e-6));
        assertThat(outline.stretched(0, 0)).isEqualTo(outline);
        assertThat(outline.stretched(0, 100).width()).isEqualTo(outline.width());
    }
}
