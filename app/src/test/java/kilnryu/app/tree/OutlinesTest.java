package kilnryu.app.tree;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import kilnryu.app.web.Units;
import kilnryu.core.tree.Outline;
import kilnryu.core.tree.Outline.Kind;
import kilnryu.core.tree.Outline.Shape;
import org.junit.jupiter.api.Test;

/** A tree that is only a list of parts: in lists as one path, on its page with its measures. */
class OutlinesTest {
    /** A cup of 40 below and 20 above, 30 high; a rod of 10 over 60; a piece of 44 wide and 88 high beside it. */
    private static final Outline TREE = new Outline(
            List.of(
                    new Shape(Kind.CONE, 0, 0, 40, 20, 30),
                    new Shape(Kind.ROD, 0, 30, 10, 10, 60),
                    new Shape(Kind.STUB, 15, 50, 20, 0, 0),
                    new Shape(Kind.PIECE, 30, 0, 44, 44, 88)),
            88,
            88);

    /** 44 units for 88 mm: half a unit to the mm, the base at 46. */
    @Test
    void itsFaceIsAPathInASquareOf48() {
        String face = Face.of(Optional.empty(), Optional.of(TREE));
        assertThat(face).startsWith("M14.0,46.0 L19.0,31.0 L29.0,31.0 L34.0,46.0 Z");
        assertThat(face).contains("a11.0,22.0").doesNotContain("NaN");
        assertThat(Face.drawn(face)).contains("outline of the tree", face);
    }

    /** Points half a unit apart are one at this size; corners, arcs and what follows an arc stay. */
    @Test
    void pointsThatCannotBeToldApartAreLeftOut() {
        assertThat(Face.coarse("M1.0,1.0 L1.3,1.0 L1.5,1.0 L2.0,1.0 L2.0,9.0 Z"))
                .isEqualTo("M1.0,1.0 L2.0,1.0 L2.0,9.0 Z");
        assertThat(Face.coarse("M1.0,1.0 a3.0,3.0 0 1 0 6.0,0 L1.1,1.0 M1.1,1.1 L5.0,5.0"))
                .isEqualTo("M1.0,1.0 a3.0,3.0 0 1 0 6.0,0 L1.1,1.0 M1.1,1.1 L5.0,5.0");
        assertThat(Face.coarse("")).isEmpty();
    }

    @Test
    void withoutAnOutlineThereIsAHollowSquare() {
        assertThat(Face.of(Optional.empty(), Optional.empty())).isEmpty();
        assertThat(Face.of(Optional.empty(), Optional.of(new Outline(List.of(), 0, 0))))
                .isEmpty();
        assertThat(Face.drawn("")).contains("no outline yet", "stroke-dasharray");
        assertThat(Face.drawn(null)).contains("no outline yet");
    }

    @Test
    void onItsPageItIsMeasuredAndWhatIsGuessedIsDashed() {
        String svg = OutlineDrawing.of(TREE, Units.METRIC);
        assertThat(svg).contains("about 88 mm across", "about 88 mm<", "dashed is drawn as a ball of its volume");
        assertThat(svg.split("stroke-dasharray=\"5 4\"").length - 1)
                .as("the piece alone")
                .isEqualTo(1);
        assertThat(OutlineDrawing.of(TREE, new Units(Units.System.IMPERIAL, false)))
                .contains("about 3.465 in across");
        assertThat(OutlineDrawing.of(new Outline(List.of(), 0, 0), Units.METRIC))
                .isEmpty();
    }
}
