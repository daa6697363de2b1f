package kilnryu.app.kiln;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import kilnryu.app.web.Units;
import kilnryu.core.kiln.Chamber;
import org.junit.jupiter.api.Test;

/** Kilns from above and from the front at a fifth of a unit to the mm. */
class KilnDrawingTest {
    @Test
    void aRoundOneIsACircleFromAbove() {
        String svg = KilnDrawing.of(new Chamber(true, 460, 460, 450, List.of(0.0, 230.0)), Units.METRIC);
        assertThat(svg).contains("rx=\"46.0\"", "460 mm wide, 450 mm high", "height=\"90.0\"");
        assertThat(svg.split("<line").length - 1)
                .as("one floor above the ground")
                .isEqualTo(1);
    }

    @Test
    void aSquareOneIsAsDeepAsItIs() {
        String svg = KilnDrawing.of(new Chamber(false, 400, 500, 420, List.of()), Units.METRIC);
        assertThat(svg).contains("height=\"100.0\"", "height=\"84.0\"").doesNotContain("<ellipse", "<line");
    }

    @Test
    void itsSizeIsSaidInTheReadersUnits() {
        assertThat(KilnDrawing.of(new Chamber(true, 508, 508, 254, List.of()), new Units(Units.System.IMPERIAL, false)))
                .contains("20.000 in wide, 10.000 in high");
    }
}
