package kilnryu.core.mesh;

import java.util.Arrays;
import java.util.function.IntPredicate;
import java.util.function.IntToDoubleFunction;

/** A solid as upright columns: in each, the stretches that lie inside. */
final class Columns {
    private final Turn turn;
    private final double left;
    private final double front;
    private final double cell;
    private final int wide;
    private final int deep;
    /** First stretch of each column, and one past the last column. */
    private final int[] first;

    private final double[] bottoms;
    private final double[] tops;

    private Columns(Turn turn, double[] frame, int[] grid, int[] first, double[][] ends) {
        this.turn = turn;
        left = frame[0];
        front = frame[1];
        cell = frame[2];
        wide = grid[0];
        deep = grid[1];
        this.first = first;
        bottoms = ends[0];
        tops = ends[1];
    }

    static Columns of(Mesh mesh, Turn turn, int across) {
        double[] low = {Double.MAX_VALUE, Double.MAX_VALUE};
        double[] high = {-Double.MAX_VALUE, -Double.MAX_VALUE};
        double[][] corners = new double[mesh.cornerCount()][];
        for (int c = 0; c < corners.length; c++) {
            Vec v = turn.turned(mesh.at(c));
            corners[c] = new double[] {v.x(), v.y(), v.z()};
            for (int axis = 0; axis < 2; axis++) {
                low[axis] = Math.min(low[axis], corners[c][axis]);
                high[axis] = Math.max(high[axis], corners[c][axis]);
            }
        }
        double cell = Math.max(Math.max(high[0] - low[0], high[1] - low[1]) / across, Float.MIN_NORMAL);
        int wide = Math.min(across, Math.max(1, (int) Math.ceil((high[0] - low[0]) / cell)));
        int deep = Math.min(across, Math.max(1, (int) Math.ceil((high[1] - low[1]) / cell)));
        // places off the middle, so that a column runs along no edge of an evenly built mesh
        double[] frame = {low[0] + cell * 0.4871, low[1] + cell * 0.5113, cell};
        return of(mesh, turn, corners, frame, new int[] {wide, deep});
    }

    /**
     * Columns at given places.
     *
     * @param frame the first column's place across and along, and how far it is from one to the next
     * @param grid columns across and along
     */
    static Columns of(Mesh mesh, Turn turn, double[] frame, int[] grid) {
        double[][] corners = new double[mesh.cornerCount()][];
        for (int c = 0; c < corners.length; c++) {
            Vec v = turn.turned(mesh.at(c));
            corners[c] = new double[] {v.x(), v.y(), v.z()};
        }
        return of(mesh, turn, corners, frame, grid);
    }

    private static Columns of(Mesh mesh, Turn turn, double[][] corners, double[] frame, int[] grid) {
        Hits hits = new Hits(grid[0], grid[1]);
        for (int t = 0; t < mesh.triangleCount(); t++) {
            hits.cut(
                    corners[mesh.corner(t, 0)],
                    corners[mesh.corner(t, 1)],
                    corners[mesh.corner(t, 2)],
                    frame[0],
                    frame[1],
                    frame[2]);
        }
        return hits.columns(turn, frame);
    }

    /** Told of places along a column. */
    interface Place {
        void at(int across, int along, int up);
    }

    /** Each place that lies inside, of places as far from each other as the columns. @param low height of the first */
    void inside(double low, int places, Place place) {
        for (int c = 0; c < wide * deep; c++) {
            for (int s = first[c]; s < first[c + 1]; s++) {
                int from = (int) Math.max(0, Math.ceil((bottoms[s] - low) / cell));
                int to = (int) Math.min(places - 1, Math.floor((tops[s] - low) / cell));
                for (int k = from; k <= to; k++) {
                    place.at(c % wide, c / wide, k);
                }
            }
        }
    }

    /** Heights at which the columns meet the surface, gathered as they come. */
    private static final class Hits {
        private final int wide;
        private final int deep;
        private int[] column = new int[1 << 14];
        private double[] height = new double[1 << 14];
        private byte[] sense = new byte[1 << 14];
        private int count;

        Hits(int wide, int deep) {
            this.wide = wide;
            this.deep = deep;
        }

        void cut(double[] a, double[] b, double[] c, double left, double front, double cell) {
            double area = (b[0] - a[0]) * (c[1] - a[1]) - (c[0] - a[0]) * (b[1] - a[1]);
            if (area == 0) {
                return;
            }
            int i0 = Math.max(0, (int) Math.ceil((min(a[0], b[0], c[0]) - left) / cell));
            int i1 = Math.min(wide - 1, (int) Math.floor((-min(-a[0], -b[0], -c[0]) - left) / cell));
            int j0 = Math.max(0, (int) Math.ceil((min(a[1], b[1], c[1]) - front) / cell));
            int j1 = Math.min(deep - 1, (int) Math.floor((-min(-a[1], -b[1], -c[1]) - front) / cell));
            for (int j = j0; j <= j1; j++) {
                double y = front + j * cell;
                for (int i = i0; i <= i1; i++) {
                    double x = left + i * cell;
                    double wa = ((b[0] - x) * (c[1] - y) - (c[0] - x) * (b[1] - y)) / area;
                    double wb = ((c[0] - x) * (a[1] - y) - (a[0] - x) * (c[1] - y)) / area;
                    double wc = 1 - wa - wb;
                    if (wa >= 0 && wb >= 0 && wc >= 0) {
                        add(j * wide + i, wa * a[2] + wb * b[2] + wc * c[2], area > 0);
                    }
                }
            }
        }

        private static double min(double a, double b, double c) {
            return Math.min(a, Math.min(b, c));
        }

        private void add(int at, double z, boolean upward) {
            if (count == column.length) {
                column = Arrays.copyOf(column, 2 * count);
                height = Arrays.copyOf(height, 2 * count);
                sense = Arrays.copyOf(sense, 2 * count);
            }
            column[count] = at;
            height[count] = z;
            sense[count++] = (byte) (upward ? 1 : -1);
        }

        Columns columns(Turn turn, double[] frame) {
            int[] from = new int[wide * deep + 1];
            for (int k = 0; k < count; k++) {
                from[column[k] + 1]++;
            }
            for (int c = 0; c < wide * deep; c++) {
                from[c + 1] += from[c];
            }
            int[] next = Arrays.copyOf(from, from.length);
            int[] sorted = new int[count];
            for (int k = 0; k < count; k++) {
                sorted[next[column[k]]++] = k;
            }
            int[] first = new int[wide * deep + 1];
            double[][] ends = {new double[count / 2 + 1], new double[count / 2 + 1]};
            int stretches = 0;
            for (int c = 0; c < wide * deep; c++) {
                first[c] = stretches;
                stretches = stretches(sorted, from[c], from[c + 1], ends, stretches);
            }
            first[wide * deep] = stretches;
            return new Columns(turn, frame, new int[] {wide, deep}, first, new double[][] {
                Arrays.copyOf(ends[0], stretches), Arrays.copyOf(ends[1], stretches)
            });
        }

        /** Inside where more faces looking down were passed than faces looking up, so that overlaps count once. */
        private int stretches(int[] sorted, int from, int to, double[][] ends, int already) {
            for (int a = from + 1; a < to; a++) {
                int moved = sorted[a];
                int b = a - 1;
                while (b >= from && height[sorted[b]] > height[moved]) {
                    sorted[b + 1] = sorted[b--];
                }
                sorted[b + 1] = moved;
            }
            int stretches = already;
            int depth = 0;
            double entered = 0;
            for (int k = from; k < to; k++) {
                int before = depth;
                depth -= sense[sorted[k]];
                if (before <= 0 && depth > 0) {
                    entered = height[sorted[k]];
                } else if (before > 0 && depth <= 0 && height[sorted[k]] > entered) {
                    ends[0][stretches] = entered;
                    ends[1][stretches++] = height[sorted[k]];
                }
            }
            return stretches;
        }
    }

    /** Which columns hold anything, by row from the front. */
    boolean[][] shadow() {
        boolean[][] shadow = new boolean[deep][wide];
        for (int c = 0; c < wide * deep; c++) {
            shadow[c / wide][c % wide] = first[c + 1] > first[c];
        }
        return shadow;
    }

    /** How much of a column is filled, in the unit of the mesh. */
    double filled(int i, int j) {
        double sum = 0;
        for (int k = first[j * wide + i]; k < first[j * wide + i + 1]; k++) {
            sum += tops[k] - bottoms[k];
        }
        return sum;
    }

    /** The middle of what is filled of a column, in the mesh's coordinates. */
    Vec middle(int i, int j) {
        double low = Double.MAX_VALUE;
        double high = -Double.MAX_VALUE;
        for (int k = first[j * wide + i]; k < first[j * wide + i + 1]; k++) {
            low = Math.min(low, bottoms[k]);
            high = Math.max(high, tops[k]);
        }
        return turn.back(new Vec(left + i * cell, front + j * cell, low > high ? 0 : (low + high) / 2));
    }

    /** The left front corner of the grid. */
    double[] corner() {
        return new double[] {left - 0.5 * cell, front - 0.5 * cell};
    }

    int count() {
        return tops.length;
    }

    /** What is open between two stretches of a column, as stretches of their own. */
    Columns gaps() {
        int[] begins = new int[first.length];
        double[] low = new double[count()];
        double[] high = new double[count()];
        int n = 0;
        for (int c = 0; c < wide * deep; c++) {
            begins[c] = n;
            for (int a = first[c]; a + 1 < first[c + 1]; a++) {
                if (bottoms[a + 1] > tops[a]) {
                    low[n] = tops[a];
                    high[n++] = bottoms[a + 1];
                }
            }
        }
        begins[wide * deep] = n;
        return new Columns(turn, new double[] {left, front, cell}, new int[] {wide, deep}, begins, new double[][] {
            Arrays.copyOf(low, n), Arrays.copyOf(high, n)
        });
    }

    /** Whether something that stands here as a stretch of another set of columns goes out sideways without meeting these. */
    boolean letsOut(Columns other, int stretch, double alongX, double alongY) {
        int column = other.columnOf(stretch);
        double low = other.bottoms[stretch] + cell;
        double high = other.tops[stretch] - cell;
        double middle = (other.bottoms[stretch] + other.tops[stretch]) / 2;
        for (int step = 1; ; step++) {
            long i = Math.round(column % wide + step * alongX);
            long j = Math.round((double) (column / wide) + step * alongY);
            if (i < 0 || j < 0 || i >= wide || j >= deep) {
                return true;
            }
            int at = (int) (j * wide + i);
            for (int b = first[at]; b < first[at + 1]; b++) {
                if (bottoms[b] < Math.max(high, middle) && tops[b] > Math.min(low, middle)) {
                    return false;
                }
            }
        }
    }

    /** A direction across the columns, in the mesh's coordinates. */
    Vec across(double alongX, double alongY) {
        return turn.back(new Vec(alongX, alongY, 0)).unit();
    }

    double top(int stretch) {
        return tops[stretch];
    }

    double bottom(int stretch) {
        return bottoms[stretch];
    }

    double cell() {
        return cell;
    }

    double height(Vec place) {
        return place.dot(turn.up());
    }

    /** Where in the mesh's coordinates a stretch has a height. */
    Vec place(int stretch, double height) {
        int column = columnOf(stretch);
        return turn.back(new Vec(left + column % wide * cell, front + column / wide * cell, height));
    }

    private int columnOf(int stretch) {
        int at = Arrays.binarySearch(first, stretch);
        if (at < 0) {
            return -at - 2;
        }
        while (first[at + 1] == stretch) {
            at++;
        }
        return at;
    }

    /** Pairs of stretches that touch, one number in the upper and one in the lower half; corners touch too. */
    long[] links() {
        long[] links = new long[4 * count() + 16];
        int n = 0;
        int[][] beside = {{1, 0}, {0, 1}, {1, 1}, {-1, 1}};
        for (int j = 0; j < deep; j++) {
            for (int i = 0; i < wide; i++) {
                for (int[] step : beside) {
                    int oi = i + step[0];
                    int oj = j + step[1];
                    if (oi < 0 || oi >= wide || oj >= deep) {
                        continue;
                    }
                    for (int a = first[j * wide + i]; a < first[j * wide + i + 1]; a++) {
                        for (int b = first[oj * wide + oi]; b < first[oj * wide + oi + 1]; b++) {
                            if (bottoms[a] < tops[b] && bottoms[b] < tops[a]) {
                                if (n == links.length) {
                                    links = Arrays.copyOf(links, 2 * n);
                                }
                                links[n++] = (long) a << 32 | b;
                            }
                        }
                    }
                }
            }
        }
        return Arrays.copyOf(links, n);
    }

    /** Volume of what hangs together with a stretch among those that are let in, each counted by its length. */
    double flood(int from, int[] seen, int mark, IntPredicate letIn, IntToDoubleFunction length) {
        int[] waiting = new int[count()];
        int filled = 0;
        waiting[filled++] = from;
        seen[from] = mark;
        double volume = 0;
        while (filled > 0) {
            int at = waiting[--filled];
            volume += length.applyAsDouble(at) * cell * cell;
            int column = columnOf(at);
            for (int dj = -1; dj <= 1; dj++) {
                for (int di = -1; di <= 1; di++) {
                    int i = column % wide + di;
                    int j = column / wide + dj;
                    if (i < 0 || j < 0 || i >= wide || j >= deep) {
                        continue;
                    }
                    for (int b = first[j * wide + i]; b < first[j * wide + i + 1]; b++) {
                        if (seen[b] != mark && letIn.test(b) && bottoms[at] < tops[b] && bottoms[b] < tops[at]) {
                            seen[b] = mark;
                            waiting[filled++] = b;
                        }
                    }
                }
            }
        }
        return volume;
    }
}
