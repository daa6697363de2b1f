package kilnryu.core.heat;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What a grid costs in error, and that nothing is allocated on the way. */
class GridTest {
    private static final Medium WET = new Medium(1290, 900, 0.25, 440, 70, 1.0, 0.45, 0.10 / 600);
    private static final Face KILN = new Face(10, 0.9);

    /** sqrt(1.3 / 0.013) = 10, sqrt(1.3 / 0.0025) = 22.8. */
    @Test
    void aFinerGridForASmallerError() {
        assertThat(Body.cellsFor(0.013)).isEqualTo(10);
        assertThat(Body.cellsFor(0.0025)).isEqualTo(23);
        assertThat(Body.cellsFor(0.5)).isEqualTo(4);
        assertThatThrownBy(() -> Body.cellsFor(0)).isInstanceOf(IllegalArgumentException.class);
    }

    /** The upper half of a cylinder in a kiln of 150 C until its middle is past 105. */
    private static double dry(double diameter, double height, int cells) {
        Conduction body = new Conduction(
                Body.cylinder(diameter / 2, height / 2, cells, cells),
                WET,
                new Conduction.Faces(KILN, Face.INSULATED, KILN),
                20,
                new Conduction.Fineness(2, 60));
        while (body.middleOfHalf() < 105) {
            body.step(1e9, s -> 150);
        }
        return body.time();
    }

    @ParameterizedTest
    @CsvSource({"0.03, 0.045", "0.06, 0.09", "0.10, 0.15", "0.15, 0.25"})
    void theStatedErrorIsKept(double diameter, double height) {
        double fine = dry(diameter, height, 48);
        for (double error : new double[] {0.02, 0.0135, 0.006}) {
            double coarse = dry(diameter, height, Body.cellsFor(error));
            assertThat(Math.abs(coarse - fine) / fine)
                    .as("%d cells", Body.cellsFor(error))
                    .isLessThan(error);
        }
    }

    /** Ten hours through boiling and back: what is counted is what counting itself takes. */
    @Test
    void nothingIsAllocatedOnTheWay() {
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        Conduction body = new Conduction(
                Body.cylinder(0.04, 0.06, 12, 12), WET, Conduction.Faces.all(KILN), 20, Conduction.Fineness.USUAL);
        Conduction.Around there = s -> s < 30_000 ? 400 : 20;
        body.advance(600, there);
        long thread = Thread.currentThread().getId();
        long before = threads.getThreadAllocatedBytes(thread);
        body.advance(36_000, there);
        long taken = threads.getThreadAllocatedBytes(thread) - before;
        assertThat(body.steps()).isGreaterThan(100);
        // a single array of a line would be as much in one step
        assertThat(taken).isLessThan(2_000);
    }
}
