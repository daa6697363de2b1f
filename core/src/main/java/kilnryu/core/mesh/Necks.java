package kilnryu.core.mesh;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * Where a piece, seen along the opening of its mold, is narrow between two wider bodies: there rubber folds and tears, wax breaks
 * as it is pulled, and a part of its own is wanted (handbook 27). In its shadow, of {@value #ACROSS} cells along the longer side,
 * every cell knows how far the rim is; the narrowest place on the widest way from one body to another is a neck, where it is no
 * wider than half of either.
 *
 * <p>Error: widths are good to about a cell; a taper without a body at its end is no neck.
 *
 * @param all the narrowest first
 * @param cell in the unit of the mesh
 */
public record Necks(List<Neck> all, double cell) {
    private static final int ACROSS = 150;
    private static final int MOST = 12;
    private static final double HALF = 2;
    /** A body under this share of the shadow is a tip, %. */
    private static final double LEAST = 0.5;

    /**
     * A narrow place.
     *
     * @param at its middle, in the mesh's own coordinates
     * @param wide across the shadow
     * @param deep along the opening
     */
    public record Neck(Vec at, double wide, double deep) {}

    /** @throws IllegalArgumentException for an opening without direction */
    public static Necks ofView(Mesh view, Vec opening) {
        if (!(opening.length() > 0)) {
            throw new IllegalArgumentException("an opening has a direction");
        }
        Columns columns = Columns.of(view, Turn.upright(opening), ACROSS);
        boolean[][] shadow = columns.shadow();
        return new Necks(new Bodies(shadow, columns).necks(), columns.cell());
    }

    /** Cells to the middle of the nearest empty one; out of the picture all is empty. */
    static double[][] farFromRim(boolean[][] shadow) {
        int deep = shadow.length;
        int wide = shadow[0].length;
        int[][] inRow = new int[deep][wide];
        for (int j = 0; j < deep; j++) {
            int last = -1;
            for (int i = 0; i < wide; i++) {
                last = shadow[j][i] ? last : i;
                inRow[j][i] = i - last;
            }
            last = wide;
            for (int i = wide - 1; i >= 0; i--) {
                last = shadow[j][i] ? last : i;
                inRow[j][i] = Math.min(inRow[j][i], last - i);
            }
        }
        double[][] far = new double[deep][wide];
        for (int j = 0; j < deep; j++) {
            for (int i = 0; i < wide; i++) {
                double least = Math.min(sq(j + 1), sq(deep - j));
                for (int k = 0; k < deep; k++) {
                    least = Math.min(least, sq(k - j) + sq(inRow[k][i]));
                }
                far[j][i] = Math.sqrt(least);
            }
        }
        return far;
    }

    private static double sq(double d) {
        return d * d;
    }

    /** Bodies that grow together from their widest places outward. */
    private static final class Bodies {
        private final Columns columns;
        private final int wide;
        private final int deep;
        private final double[] far;
        private final int[] parent;
        private final double[] peak;
        private final int[] size;
        private final List<Neck> found = new ArrayList<>();
        private final double least;

        Bodies(boolean[][] shadow, Columns columns) {
            this.columns = columns;
            deep = shadow.length;
            wide = shadow[0].length;
            double[][] rows = farFromRim(shadow);
            far = new double[wide * deep];
            int dark = 0;
            for (int c = 0; c < far.length; c++) {
                far[c] = rows[c / wide][c % wide];
                dark += shadow[c / wide][c % wide] ? 1 : 0;
            }
            least = Math.max(4, dark * LEAST / 100);
            parent = new int[far.length];
            peak = new double[far.length];
            size = new int[far.length];
            java.util.Arrays.fill(parent, -1);
        }

        List<Neck> necks() {
            IntStream.range(0, far.length)
                    .filter(c -> far[c] > 0)
                    .boxed()
                    .sorted(Comparator.comparingDouble(c -> -far[c]))
                    .forEach(this::add);
            found.sort(Comparator.comparingDouble(Neck::wide));
            return List.copyOf(found.subList(0, Math.min(MOST, found.size())));
        }

        private void add(int c) {
            parent[c] = c;
            peak[c] = far[c];
            size[c] = 1;
            for (int dj = -1; dj <= 1; dj++) {
                for (int di = -1; di <= 1; di++) {
                    int i = c % wide + di;
                    int j = c / wide + dj;
                    if (i >= 0 && j >= 0 && i < wide && j < deep && parent[j * wide + i] >= 0) {
                        join(root(c), root(j * wide + i), c);
                    }
                }
            }
        }

        private void join(int a, int b, int at) {
            if (a == b) {
                return;
            }
            double lower = Math.min(peak[a], peak[b]);
            if (lower >= HALF * far[at] && Math.min(size[a], size[b]) >= least) {
                found.add(new Neck(
                        columns.middle(at % wide, at / wide),
                        Math.max(1, 2 * far[at] - 1) * columns.cell(),
                        columns.filled(at % wide, at / wide)));
            }
            parent[b] = a;
            peak[a] = Math.max(peak[a], peak[b]);
            size[a] += size[b];
        }

        private int root(int c) {
            int at = c;
            while (parent[at] != at) {
                parent[at] = parent[parent[at]];
                at = parent[at];
            }
            return at;
        }
    }
}
