package kilnryu.core.mesh;

/**
 * What bodies that overlap, repeat, overlap or share faces enclose together. Straight lines through the mesh, in a
 * direction that lies in no ordinary face, count how often the surfaces are entered and left: inside is where that count is
 * over nothing, so that what two bodies share is taken once and a surface turned inward makes a void.
 *
 * <p>Error: lines through a grid of {@value #GRID} by {@value #GRID}; some 0.05 % of the volume of pieces without parts finer
 * than the grid. Cost is linear in the triangles and in the lines.
 *
 * @param volume in cubic units of the mesh
 * @param area of what is not inside another body, in square units
 * @param doubtful share of the lines that come out with another count than they went in: faces that are missing or turned over
 */
record Merged(double volume, double area, double doubtful) {
    private static final int GRID = 768;
    private static final int BAND = 64;
    private static final double SAME = 1e-7;

    /** @param away a direction that lies in the plane of no ordinary face */
    static Merged of(Mesh mesh, Vec away, Watch watch) {
        return new Lines(mesh, away).done(watch);
    }

    private static final class Lines {
        private final Mesh mesh;
        private final double[] u;
        private final double[] v;
        private final double[] w;
        private final double lowU;
        private final double lowV;
        private final double cell;
        private final int columns;
        private final int rows;
        private final double same;
        private final int[] hits;
        private final int[] edges;

        private double volume;
        private long lines;
        private long doubtful;

        private int[] head = new int[0];
        private int[] next = new int[1 << 16];
        private int[] of = new int[1 << 16];
        private double[] at = new double[1 << 16];
        private int filled;
        private double[] sortedAt = new double[64];
        private int[] sortedOf = new int[64];

        Lines(Mesh mesh, Vec away) {
            this.mesh = mesh;
            Vec side = away.cross(new Vec(0, 0, 1)).length() > 0.1
                    ? away.cross(new Vec(0, 0, 1)).unit()
                    : away.cross(new Vec(1, 0, 0)).unit();
            Vec other = away.cross(side);
            int corners = mesh.cornerCount();
            u = new double[corners];
            v = new double[corners];
            w = new double[corners];
            double[] low = {Double.MAX_VALUE, Double.MAX_VALUE};
            double[] high = {-Double.MAX_VALUE, -Double.MAX_VALUE};
            for (int c = 0; c < corners; c++) {
                Vec p = mesh.at(c);
                u[c] = p.dot(side);
                v[c] = p.dot(other);
                w[c] = p.dot(away);
                low[0] = Math.min(low[0], u[c]);
                high[0] = Math.max(high[0], u[c]);
                low[1] = Math.min(low[1], v[c]);
                high[1] = Math.max(high[1], v[c]);
            }
            cell = Math.max(1e-30, Math.max(high[0] - low[0], high[1] - low[1]) / GRID);
            lowU = low[0];
            lowV = low[1];
            columns = (int) Math.ceil((high[0] - low[0]) / cell) + 1;
            rows = (int) Math.ceil((high[1] - low[1]) / cell) + 1;
            same = mesh.box().diagonal() * SAME;
            hits = new int[mesh.triangleCount()];
            edges = new int[mesh.triangleCount()];
        }

        Merged done(Watch watch) {
            for (int from = 0; from < rows; from += BAND) {
                band(from, Math.min(rows, from + BAND));
                watch.report(Watch.Step.JOIN, 0.7 + 0.3 * from / rows);
            }
            double area = 0;
            for (int t = 0; t < hits.length; t++) {
                double share = hits[t] == 0 ? 1 : edges[t] / (double) hits[t];
                area += mesh.normal(t).length() / 2 * share;
            }
            return new Merged(volume, area, lines == 0 ? 1 : doubtful / (double) lines);
        }

        private void band(int from, int to) {
            int size = (to - from) * columns;
            if (head.length < size) {
                head = new int[size];
            }
            java.util.Arrays.fill(head, 0, size, -1);
            filled = 0;
            for (int t = 0; t < mesh.triangleCount(); t++) {
                strike(t, from, to);
            }
            for (int line = 0; line < size; line++) {
                if (head[line] >= 0) {
                    count(line);
                }
            }
        }

        /** All lines of a band that go through a triangle. */
        private void strike(int t, int from, int to) {
            int a = mesh.corner(t, 0);
            int b = mesh.corner(t, 1);
            int c = mesh.corner(t, 2);
            double twice = (u[b] - u[a]) * (v[c] - v[a]) - (u[c] - u[a]) * (v[b] - v[a]);
            if (twice == 0) {
                return;
            }
            double top = Math.max(v[a], Math.max(v[b], v[c]));
            double bottom = Math.min(v[a], Math.min(v[b], v[c]));
            int first = Math.max(from, (int) Math.ceil((bottom - lowV) / cell - 0.5));
            int last = Math.min(to - 1, (int) Math.floor((top - lowV) / cell - 0.5));
            for (int row = first; row <= last; row++) {
                double y = lowV + (row + 0.5) * cell;
                double low = Double.POSITIVE_INFINITY;
                double high = Double.NEGATIVE_INFINITY;
                int[] corner = {a, b, c};
                for (int i = 0; i < 3; i++) {
                    int p = corner[i];
                    int q = corner[(i + 1) % 3];
                    if (v[p] > y != v[q] > y) {
                        double x = u[p] + (u[q] - u[p]) * (y - v[p]) / (v[q] - v[p]);
                        low = Math.min(low, x);
                        high = Math.max(high, x);
                    }
                }
                int begin = Math.max(0, (int) Math.ceil((low - lowU) / cell - 0.5));
                int end = Math.min(columns - 1, (int) Math.ceil((high - lowU) / cell - 0.5) - 1);
                for (int col = begin; col <= end; col++) {
                    double x = lowU + (col + 0.5) * cell;
                    double k = ((x - u[a]) * (v[c] - v[a]) - (u[c] - u[a]) * (y - v[a])) / twice;
                    double m = ((u[b] - u[a]) * (y - v[a]) - (x - u[a]) * (v[b] - v[a])) / twice;
                    note(
                            (row - from) * columns + col,
                            w[a] + k * (w[b] - w[a]) + m * (w[c] - w[a]),
                            twice > 0 ? ~t : t);
                }
            }
        }

        private void note(int line, double where, int triangle) {
            if (filled == next.length) {
                next = java.util.Arrays.copyOf(next, 2 * filled);
                of = java.util.Arrays.copyOf(of, 2 * filled);
                at = java.util.Arrays.copyOf(at, 2 * filled);
            }
            at[filled] = where;
            of[filled] = triangle;
            next[filled] = head[line];
            head[line] = filled++;
        }

        /** Goes along one line: a face is entered from outside or left, faces at one place together. */
        private void count(int line) {
            int n = 0;
            for (int i = head[line]; i >= 0; i = next[i]) {
                if (n == sortedAt.length) {
                    sortedAt = java.util.Arrays.copyOf(sortedAt, 2 * n);
                    sortedOf = java.util.Arrays.copyOf(sortedOf, 2 * n);
                }
                int j = n++;
                while (j > 0 && sortedAt[j - 1] > at[i]) {
                    sortedAt[j] = sortedAt[j - 1];
                    sortedOf[j] = sortedOf[j - 1];
                    j--;
                }
                sortedAt[j] = at[i];
                sortedOf[j] = of[i];
            }
            int deep = 0;
            double entered = 0;
            double inside = 0;
            for (int i = 0; i < n; ) {
                int together = i;
                int net = 0;
                while (together < n && sortedAt[together] - sortedAt[i] <= same) {
                    int triangle = sortedOf[together] < 0 ? ~sortedOf[together] : sortedOf[together];
                    hits[triangle]++;
                    net += sortedOf[together] < 0 ? -1 : 1;
                    together++;
                }
                boolean before = deep > 0;
                deep += net;
                if (deep > 0 != before) {
                    edges[sortedOf[i] < 0 ? ~sortedOf[i] : sortedOf[i]]++;
                    if (before) {
                        inside += sortedAt[i] - entered;
                    } else {
                        entered = sortedAt[i];
                    }
                }
                i = together;
            }
            lines++;
            if (deep != 0) {
                doubtful++;
                inside = sortedAt[n - 1] - sortedAt[0];
            }
            volume += inside * cell * cell;
        }
    }
}
