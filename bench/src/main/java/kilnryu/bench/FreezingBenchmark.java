package kilnryu.bench;

import java.util.concurrent.TimeUnit;
import kilnryu.core.solid.Freezable;
import kilnryu.core.solid.Freezing;
import kilnryu.core.solid.Grid;
import kilnryu.core.solid.Inert;
import kilnryu.core.solid.Inflow;
import kilnryu.core.solid.Pools;
import kilnryu.core.solid.Substance;
import kilnryu.core.solid.Surroundings;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** A bird's body on its leg, of silicon bronze in 80 mm of gypsum mold, until the last of it is solid. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class FreezingBenchmark {
    private static final double WIDE_MM = 80;
    private static final double BODY_MM = 14;
    private static final double LEG_MM = 3;
    private static final double MARGIN_MM = 12;
    /** m3/s, by hand. */
    private static final double POURED = 3e-5;

    private static final double LEAK = 3e-9;
    private static final double SHRINKS = 0.045;
    private static final Freezable BRONZE = new Freezable(8360, 820, 970, 205e3, 420, 500, 45, 25);
    private static final Inert GYPSUM = new Inert(1290, 900, 0.25, 0.433, 0.10 / 600);

    private final Freezing.Question coarse = question(20_000);
    private final Freezing.Question fine = question(150_000);
    private final Freezing.Question finest = question(1_000_000);

    @Benchmark
    public Freezing.Frozen cells20000() {
        return Freezing.of(coarse, share -> true);
    }

    @Benchmark
    public Freezing.Frozen cells150000() {
        return Freezing.of(fine, share -> true);
    }

    @Benchmark
    public Freezing.Frozen cells1000000() {
        return Freezing.of(finest, share -> true);
    }

    /** As a tree is looked ahead at while it is dragged: filled from the body's top, frozen, fed. */
    @Benchmark
    public Pools.Found whole20000() {
        return whole(coarse);
    }

    @Benchmark
    public Pools.Found whole150000() {
        return whole(fine);
    }

    @Benchmark
    public Pools.Found whole1000000() {
        return whole(finest);
    }

    private static Pools.Found whole(Freezing.Question q) {
        boolean[] open = new boolean[q.kind().length];
        int top = q.kind().length - 1;
        while (q.kind()[top] != Freezing.BODY) {
            top--;
        }
        open[top] = true;
        Inflow.Filled filled = Inflow.of(
                new Inflow.Question(
                        q.grid(),
                        q.kind(),
                        new int[] {top},
                        open,
                        BRONZE,
                        1100,
                        GYPSUM,
                        540,
                        1000,
                        1,
                        height -> POURED,
                        LEAK,
                        height -> 0),
                share -> true);
        Freezing.Frozen frozen = Freezing.of(q, share -> true);
        if (filled.stopped()) {
            throw new IllegalStateException("nobody stopped it");
        }
        return Pools.of(q.grid(), q.kind(), frozen, open, SHRINKS);
    }

    /** The plain loop of the same grid, its step as long as the metal allows. */
    @Benchmark
    public double explicit20000() {
        return new PlainLoop(coarse).seconds();
    }

    private static Freezing.Question question(int cells) {
        int n = (int) Math.round(Math.cbrt(cells));
        double mm = WIDE_MM / n;
        Grid grid = new Grid(n, n, n, mm / 1000);
        byte[] kind = new byte[grid.cells()];
        for (int z = 0; z < n; z++) {
            for (int y = 0; y < n; y++) {
                for (int x = 0; x < n; x++) {
                    double dx = (x + 0.5) * mm - WIDE_MM / 2;
                    double dy = (y + 0.5) * mm - WIDE_MM / 2;
                    double dz = (z + 0.5) * mm - WIDE_MM * 0.65;
                    boolean body = dx * dx + dy * dy + dz * dz < BODY_MM * BODY_MM;
                    boolean leg = dz < 0 && z * mm > MARGIN_MM && dx * dx + dy * dy < LEG_MM * LEG_MM;
                    kind[grid.at(x, y, z)] = body || leg ? Freezing.BODY : Freezing.MOLD;
                }
            }
        }
        return new Freezing.Question(grid, kind, BRONZE, 1100, GYPSUM, 540, 1000, 1, 1, 1, Surroundings.INSULATED);
    }

    /** What anybody would write first: each cell takes from its neighbours what they have more. */
    private static final class PlainLoop {
        private final Freezing.Question q;
        private final double[] heat;
        private final double[] celsius;
        private final double[] conducts;

        PlainLoop(Freezing.Question q) {
            this.q = q;
            heat = new double[q.grid().cells()];
            celsius = new double[heat.length];
            conducts = new double[heat.length];
            for (int i = 0; i < heat.length; i++) {
                heat[i] = of(i).heat(q.kind()[i] == Freezing.BODY ? q.hot().applyAsDouble(i) : q.warm());
            }
        }

        private Substance of(int cell) {
            return q.kind()[cell] == Freezing.BODY ? q.body() : q.mold();
        }

        double seconds() {
            double edge = q.grid().edge();
            double step = edge
                    * edge
                    * q.body().density()
                    * q.body().solidHeat()
                    / q.body().solidConducts()
                    / 6.5;
            double time = 0;
            boolean liquid = true;
            while (liquid) {
                for (int i = 0; i < heat.length; i++) {
                    celsius[i] = of(i).celsius(heat[i]);
                    conducts[i] = of(i).conductivity(heat[i]);
                }
                for (int direction = 0; direction < 3; direction++) {
                    across(direction, step / edge);
                }
                time += step;
                liquid = false;
                for (int i = 0; i < heat.length && !liquid; i++) {
                    liquid = q.kind()[i] == Freezing.BODY && heat[i] > q.body().frozen();
                }
            }
            return time;
        }

        private void across(int direction, double perEdge) {
            int n = q.grid().nx();
            int stride = direction == 0 ? 1 : direction == 1 ? n : n * n;
            double half = q.grid().edge() / 2;
            for (int i = 0; i + stride < heat.length; i++) {
                if (i / stride % n < n - 1) {
                    double border = q.kind()[i] == q.kind()[i + stride] ? 0 : 1 / q.border();
                    double flows = perEdge
                            * (celsius[i] - celsius[i + stride])
                            / (half / conducts[i] + half / conducts[i + stride] + border);
                    heat[i] -= flows;
                    heat[i + stride] += flows;
                }
            }
        }
    }
}
