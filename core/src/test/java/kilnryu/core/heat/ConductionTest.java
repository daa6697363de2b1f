package kilnryu.core.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class ConductionTest {
    private static final Medium WET = new Medium(1290, 900, 0.25, 440, 70, 1.0, 0.45, 0.10 / 600);
    private static final Face KILN = new Face(10, 0.9);

    /** Half a slab of 40 mm, one face held at 100 C: by its series at Fourier numbers of 0.1, 0.3 and 1. */
    @Test
    void aSlabByItsSeries() {
        double thick = 0.04;
        double diffusivity = 0.8 / 1.6e6;
        Conduction slab = new Conduction(
                Body.slab(thick, 60),
                Medium.constant(0.8, 1.6e6),
                new Conduction.Faces(Face.INSULATED, Face.INSULATED, new Face(1e7, 0)),
                0,
                new Conduction.Fineness(0.2, 10));
        for (double fourier : new double[] {0.1, 0.3, 1}) {
            slab.advance(fourier * thick * thick / diffusivity, s -> 100);
            double left = 0;
            for (int n = 0; n < 30; n++) {
                double wave = (2 * n + 1) * Math.PI / 2;
                left += (n % 2 == 0 ? 2 : -2) / wave * Math.exp(-wave * wave * fourier);
            }
            assertThat(slab.middleOfHalf()).as("Fo %.1f", fourier).isCloseTo(100 * (1 - left), within(0.3));
        }
    }

    /** Up, down and up again through the boiling of its water: what came in is what is in it. */
    @Test
    void heatIsNeitherMadeNorLost() {
        Conduction body = new Conduction(
                Body.cylinder(0.04, 0.06, 16, 16), WET, Conduction.Faces.all(KILN), 20, Conduction.Fineness.USUAL);
        double[] around = {180, 20, 400, 90, 730, 20};
        for (int i = 0; i < around.length; i++) {
            double there = around[i];
            body.advance((i + 1) * 3600.0, s -> there);
            assertThat(body.heatTaken()).isCloseTo(body.heatIn(), within(1e-9 * Math.abs(body.heatIn())));
        }
    }

    /** Water boils off once: the second time the middle is past 105 C much sooner. */
    @Test
    void evaporationHappensOnce() {
        Conduction body = new Conduction(
                Body.cylinder(0.04, 0.06, 16, 16), WET, Conduction.Faces.all(KILN), 20, Conduction.Fineness.USUAL);
        double first = past105(body, 200);
        body.advance(body.time() + 4 * 3600, s -> 200);
        body.advance(body.time() + 6 * 3600, s -> 20);
        assertThat(body.onAxis(8)).isCloseTo(20, within(2.0));
        double began = body.time();
        assertThat(past105(body, 200) - began).isLessThan(0.5 * first);
    }

    private static double past105(Conduction body, double around) {
        while (body.onAxis(8) < 105) {
            body.advance(body.time() + 30, s -> around);
        }
        return body.time();
    }

    @Test
    void nothingHappensWhereAllIsEquallyWarm() {
        Conduction body = new Conduction(
                Body.cylinder(0.04, 0.06, 8, 8), WET, Conduction.Faces.all(KILN), 50, Conduction.Fineness.USUAL);
        body.advance(36_000, s -> 50);
        assertThat(body.at(3, 3)).isCloseTo(50, within(1e-9));
        assertThat(body.heatIn()).isCloseTo(0, within(1e-6));
    }

    /** One end on a cold shelf that leads heat away: that end stays behind the other. */
    @Test
    void everyFaceMaySeeSomethingElse() {
        Conduction body = new Conduction(
                Body.cylinder(0.04, 0.06, 12, 12),
                WET,
                new Conduction.Faces(KILN, new Face(1, 0), KILN),
                20,
                Conduction.Fineness.USUAL);
        body.advance(1800, s -> 400);
        assertThat(body.at(0, 0)).isLessThan(body.at(0, 11));
    }

    /** Buried to its rim in sand of 20 C, heated from above alone: steady at the height where both series meet. */
    @Test
    void facesOfASlabBetweenTwoTemperatures() {
        Conduction slab = new Conduction(
                Body.slab(0.03, 30),
                Medium.constant(0.9, 1.4e6),
                new Conduction.Faces(Face.INSULATED, new Face(20, 0), new Face(50, 0)),
                20,
                Conduction.Fineness.USUAL);
        slab.advance(40 * 3600, new Conduction.Surroundings(s -> 0, s -> 20, s -> 500));
        // resistances 1/20 + 0.03/0.9 + 1/50 = 0.10333; flux 480 / 0.10333 = 4645; below 20 + 4645 / 20 = 252.3
        assertThat(slab.at(0, 0)).isCloseTo(252.3 + 4645 / 0.9 * 0.0005, within(0.5));
        assertThat(slab.at(0, 29)).isCloseTo(500 - 4645 / 50.0 - 4645 / 0.9 * 0.0005, within(0.5));
    }

    @Test
    void halfABodyIsAsTheWhole() {
        Conduction whole = new Conduction(
                Body.cylinder(0.04, 0.12, 16, 32), WET, Conduction.Faces.all(KILN), 20, Conduction.Fineness.USUAL);
        Conduction half = new Conduction(
                Body.cylinder(0.04, 0.06, 16, 16),
                WET,
                new Conduction.Faces(KILN, Face.INSULATED, KILN),
                20,
                Conduction.Fineness.USUAL);
        whole.advance(7200, s -> 300);
        half.advance(7200, s -> 300);
        assertThat(half.at(0, 0)).isCloseTo(whole.at(0, 16), within(0.5));
        assertThat(2 * half.heatIn()).isCloseTo(whole.heatIn(), within(0.002 * whole.heatIn()));
    }

    @Test
    void gridsThatCannotBeAreRefused() {
        assertThatThrownBy(() -> Body.cylinder(0, 1, 8, 8)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Body.cylinder(1, 1, 8, 1)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Body.cylinder(1, 1, 5000, 5000)).isInstanceOf(IllegalArgumentException.class);
    }
}
