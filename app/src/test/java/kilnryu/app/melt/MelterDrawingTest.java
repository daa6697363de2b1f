package kilnryu.app.melt;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.firing.Incandescence;
import org.junit.jupiter.api.Test;

/** Pots of a studio beside each other in true proportion. */
class MelterDrawingTest {
    private static double mouth(String svg) {
        Matcher m = Pattern.compile("<ellipse cx=\"36.0\" cy=\"[-0-9.]+\" rx=\"([0-9.]+)\"")
                .matcher(svg);
        assertThat(m.find()).isTrue();
        return 2 * Double.parseDouble(m.group(1));
    }

    /** The largest is 51 high; a pot of an eighth of its volume is half as wide. */
    @Test
    void anEighthOfTheVolumeIsHalfAsWide() {
        double largest = mouth(MelterDrawing.pot(800, 800));
        assertThat(largest).isCloseTo(51 / 1.3, within(0.11));
        assertThat(mouth(MelterDrawing.pot(100, 800))).isCloseTo(largest / 2, within(0.11));
    }

    /** A thimble is still seen. */
    @Test
    void theSmallestIsStillSeen() {
        assertThat(mouth(MelterDrawing.pot(0.001, 9000))).isEqualTo(6);
    }

    @Test
    void aFurnaceGlowsAsHotAsItGets() {
        assertThat(MelterDrawing.furnace(1200)).contains(Incandescence.at(1200));
        assertThat(MelterDrawing.furnace(20)).contains(Incandescence.at(20)).doesNotContain(Incandescence.at(1200));
    }
}
