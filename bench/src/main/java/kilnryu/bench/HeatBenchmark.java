package kilnryu.bench;

import java.util.concurrent.TimeUnit;
import kilnryu.core.heat.Body;
import kilnryu.core.heat.Conduction;
import kilnryu.core.heat.Face;
import kilnryu.core.heat.Medium;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** One flask of 100 by 150 mm with its water through a program of so many hours, by grid. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class HeatBenchmark {
    private static final Medium GYPSUM = new Medium(1290, 900, 0.25, 440, 70, 1.0, 0.45, 0.10 / 600);
    private static final Face KILN = new Face(10, 0.9);

    @Param({"12", "24", "48"})
    public int cells;

    @Param({"12", "24"})
    public int hours;

    @Benchmark
    public double implicit() {
        Conduction half = new Conduction(
                Body.cylinder(0.05, 0.075, cells, cells),
                GYPSUM,
                new Conduction.Faces(KILN, Face.INSULATED, KILN),
                20,
                Conduction.Fineness.USUAL);
        half.advance(hours * 3600.0, t -> around(t, hours));
        return half.middleOfHalf();
    }

    /** Six flasks of a load, one after the other. */
    @Benchmark
    public double sixFlasks() {
        double sum = 0;
        for (int i = 0; i < 6; i++) {
            sum += implicit();
        }
        return sum;
    }

    /** Up to 150 and hold, up to 370, up to 730 and hold, down to 540: by parts of the whole time. */
    static double around(double s, int hours) {
        double x = s / (hours * 3600.0);
        if (x < 0.05) {
            return 20 + 130 * x / 0.05;
        }
        if (x < 0.3) {
            return 150;
        }
        if (x < 0.65) {
            return 150 + 580 * (x - 0.3) / 0.35;
        }
        if (x < 0.85) {
            return 730;
        }
        return x < 0.92 ? 730 - 190 * (x - 0.85) / 0.07 : 540;
    }
}
