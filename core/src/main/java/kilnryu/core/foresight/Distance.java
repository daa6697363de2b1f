package kilnryu.core.foresight;

import java.util.function.IntPredicate;
import kilnryu.core.solid.Grid;

/**
 * How far cells are from the nearest of some, exactly: squared, in edges. Direction by direction the lowest of parabolas
 * that stand on the cells of a line.
 */
final class Distance {
    private static final double FAR = 1e18;

    private Distance() {}

    static double[] squared(Grid grid, IntPredicate from) {
        double[] away = new double[grid.cells()];
        for (int i = 0; i < away.length; i++) {
            away[i] = from.test(i) ? 0 : FAR;
        }
        int longest = Math.max(grid.nx(), Math.max(grid.ny(), grid.nz()));
        double[] line = new double[longest];
        int[] stands = new int[longest];
        double[] ends = new double[longest + 1];
        for (int d = 0; d < 3; d++) {
            int along = grid.along(d);
            int stride = grid.stride(d);
            for (int l = 0; l < grid.cells() / along; l++) {
                int first = grid.first(d, l);
                for (int j = 0; j < along; j++) {
                    line[j] = away[first + j * stride];
                }
                lowest(line, along, stands, ends);
                int k = 0;
                for (int j = 0; j < along; j++) {
                    while (ends[k + 1] < j) {
                        k++;
                    }
                    int off = j - stands[k];
                    away[first + j * stride] = Math.min(FAR, line[stands[k]] + (double) off * off);
                }
            }
        }
        return away;
    }

    /** Which parabola is lowest from where on. */
    private static void lowest(double[] line, int along, int[] stands, double[] ends) {
        int k = 0;
        stands[0] = 0;
        ends[0] = Double.NEGATIVE_INFINITY;
        ends[1] = Double.POSITIVE_INFINITY;
        for (int q = 1; q < along; q++) {
            double cross = meet(line, stands[k], q);
            while (cross <= ends[k]) {
                k--;
                cross = meet(line, stands[k], q);
            }
            k++;
            stands[k] = q;
            ends[k] = cross;
            ends[k + 1] = Double.POSITIVE_INFINITY;
        }
    }

    private static double meet(double[] line, int p, int q) {
        return (line[q] + (double) q * q - line[p] - (double) p * p) / (2.0 * (q - p));
    }
}
