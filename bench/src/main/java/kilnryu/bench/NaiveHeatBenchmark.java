package kilnryu.bench;

import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** The same flask by a plain explicit loop, for comparison with {@link HeatBenchmark}: 24 h. */
@State(Scope.Thread)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class NaiveHeatBenchmark {
    private static final int HOURS = 24;

    @Param({"12", "24"})
    public int cells;

    /** The plain loop: every cell from its neighbours, in steps as short as stability asks; heat by an effective capacity. */
    @Benchmark
    public double naiveExplicit() {
        int n = cells;
        double dr = 0.05 / n;
        double dz = 0.075 / n;
        double[][] t = new double[n][n];
        double[][] hottest = new double[n][n];
        for (int i = 0; i < n; i++) {
            java.util.Arrays.fill(t[i], 20);
            java.util.Arrays.fill(hottest[i], 20);
        }
        double dt = 0.2 * Math.min(dr, dz) * Math.min(dr, dz) / (1.0 / 1.3e6);
        for (double s = 0; s < HOURS * 3600.0; s += dt) {
            double kiln = HeatBenchmark.around(s, HOURS);
            double[][] next = new double[n][n];
            for (int i = 0; i < n; i++) {
                for (int j = 0; j < n; j++) {
                    next[i][j] = cell(t, hottest, i, j, new double[] {dr, dz, dt, kiln});
                    hottest[i][j] = Math.max(hottest[i][j], next[i][j]);
                }
            }
            t = next;
        }
        return t[0][0];
    }

    private static double cell(double[][] t, double[][] hottest, int i, int j, double[] of) {
        int n = t.length;
        double here = t[i][j];
        double k = k(here, hottest[i][j]);
        double in = i * of[0];
        double out = in + of[0];
        double volume = Math.PI * (out * out - in * in) * of[1];
        double ring = Math.PI * (out * out - in * in);
        double heat = i > 0 ? 2 * Math.PI * in * of[1] * k * (t[i - 1][j] - here) / of[0] : 0;
        heat += i < n - 1
                ? 2 * Math.PI * out * of[1] * k * (t[i + 1][j] - here) / of[0]
                : 2 * Math.PI * out * of[1] * face(here, of[3]);
        heat += j > 0 ? ring * k * (t[i][j - 1] - here) / of[1] : 0;
        heat += j < n - 1 ? ring * k * (t[i][j + 1] - here) / of[1] : ring * face(here, of[3]);
        boolean first = here >= hottest[i][j];
        double c = 1290 * (900 + 0.25 * here);
        c += here < 100 ? 440 * 4186 * Math.max(0, Math.min(1, (105 - hottest[i][j]) / 10)) : 0;
        c += first && here >= 95 && here < 105 ? 440 * 2.257e6 / 10 : 0;
        c += first && here >= 110 && here < 170 ? 70 * 3.1e6 / 60 : 0;
        return here + heat * of[2] / (c * volume);
    }

    private static double k(double t, double hottest) {
        double wet = Math.max(0, Math.min(1, (105 - hottest) / 10));
        return wet + (1 - wet) * (0.45 + 0.1 * (t - 100) / 600);
    }

    private static double face(double t, double kiln) {
        double a = kiln + 273.15;
        double b = t + 273.15;
        return 10 * (kiln - t) + 0.9 * 5.67e-8 * (a * a * a * a - b * b * b * b);
    }
}
