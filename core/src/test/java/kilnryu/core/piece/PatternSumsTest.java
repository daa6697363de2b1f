package kilnryu.core.piece;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import kilnryu.core.learning.FaceHours;
import kilnryu.core.melt.PotCooling;
import kilnryu.core.quantity.Measure;
import kilnryu.core.quantity.Solids;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.junit.jupiter.api.Test;

/** What one pattern is, by sums by hand. */
class PatternSumsTest {
    private static final Figure LARGER = Figure.given("scale", "scale", 2, Measure.SCALE, Known.CHOSEN, 0);
    private static final Figure WAX = Figure.given("density", "wax", 0.95, Measure.GRAM_PER_CM3, Known.DEFAULT, 0);
    private static final Figure BRONZE =
            Figure.given("alloy_density", "bronze", 8.5, Measure.GRAM_PER_CM3, Known.DEFAULT, 0);

    /** A cube of 10 units of 2 mm, twice as large: 40 mm a side, 64 cm3 and 96 cm2. */
    @Test
    void aMeshIsScaled() {
        assertThat(PatternSums.scaledVolume(1000, 2, LARGER).value()).isCloseTo(64, within(1e-9));
        assertThat(PatternSums.scaledArea(600, 2, LARGER).value()).isCloseTo(96, within(1e-9));
    }

    /** 19 g of wax are 20 cm3; 0.5 mm over 40 cm2 are 2 more; in bronze 187 g. */
    @Test
    void byItsMassWithACoating() {
        Figure bare = PatternSums.byMass(19, WAX);
        Figure coated = PatternSums.coated(bare, 40, 0.5);
        assertThat(bare.value()).isCloseTo(20, within(1e-9));
        assertThat(coated.value()).isCloseTo(22, within(1e-9));
        assertThat(PatternSums.solidMetal(coated, BRONZE).value()).isCloseTo(187, within(1e-9));
    }

    /** 96 cm2 of 4 mm are 38.4 cm3 of metal; two layers gave 3 mm, 4.5 take three. */
    @Test
    void hollowAndInLayers() {
        Figure area = PatternSums.scaledArea(600, 2, LARGER);
        assertThat(PatternSums.hollowMetal(area, 4, BRONZE).value()).isCloseTo(326.4, within(1e-9));
        assertThat(PatternSums.layers(4.5, 3, 2).value()).isCloseTo(3, within(1e-9));
    }

    /** A ball of 20 mm: 4.1888 cm3, 12.566 cm2; a disc of 10 mm 78.54 mm2; a cylinder of 20 by 100 31.416 cm3. */
    @Test
    void roundBodies() {
        assertThat(Solids.ball(4.18879)).isCloseTo(20, within(1e-4));
        assertThat(Solids.ellipsoid(20, 20, 20)).isCloseTo(12.5664, within(1e-3));
        assertThat(Solids.disc(10)).isCloseTo(78.5398, within(1e-3));
        assertThat(Solids.cylinder(20, 100)).isCloseTo(31.4159, within(1e-3));
        assertThat(Solids.ballModulus(4.18879e-6)).isCloseTo(0.01 / 3, within(1e-6));
        assertThat(Solids.scale(400, 100)).isEqualTo(2);
    }

    /** A pot of a litre, 1.3 times as tall as wide: 99.3 mm across; of 80 mm its face is 50.27 cm2. */
    @Test
    void aPotByWhatIsKnownOfIt() {
        PotCooling usual = PotCooling.of(1000, OptionalDouble.empty(), OptionalDouble.empty(), true);
        assertThat(usual.face()).isCloseTo(Math.PI / 4 * 0.0993 * 0.0993, within(1e-5));
        assertThat(usual.wall()).isCloseTo(Math.PI * 0.0993 * 0.0993 * (1.3 + 0.25), within(1e-4));
        PotCooling measured = PotCooling.of(1000, OptionalDouble.of(80), OptionalDouble.of(300), false);
        assertThat(measured.face()).isCloseTo(0.0050265, within(1e-6));
        assertThat(measured.wall()).isCloseTo(0.03, within(1e-12));
    }

    /** Eight kilograms have four times the face of one. */
    @Test
    void hoursGrowWithTheFace() {
        assertThat(FaceHours.ofKilo(1.5, 8_000)).isCloseTo(6, within(1e-9));
        assertThat(FaceHours.face(1000)).isCloseTo(100, within(1e-9));
    }
}
