package kilnryu.core.mesh;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Where gas is trapped and where pattern material stays when a piece stands with one side up. The solid is cut into
 * upright columns, {@value #ACROSS} along its longer side; in each, the stretches inside the solid are known exactly to
 * the facets. Columns that touch are joined from the top down: each top that is joined to a higher one only further
 * down is a high point, and what lies above that saddle is its pocket. Bottoms likewise from below.
 *
 * <p>Error: heights are exact at the columns, volumes good to about a cell times the pocket's rim; what is narrower
 * than a cell, or rises less than one above its saddle, is not seen.
 *
 * @param high places where gas collects, highest first; the first is the top of the piece
 * @param low places where pattern material stays, lowest first; the first is the bottom
 * @param cell width of a column, in the unit of the mesh
 */
public record Pockets(List<Pocket> high, List<Pocket> low, double cell) {
    private static final int ACROSS = 128;
    private static final int MOST = 12;

    /**
     * One high or low place.
     *
     * @param at its top or bottom, in the mesh's own coordinates
     * @param depth how far it rises above, or reaches below, its saddle; for the very top or bottom the whole height
     * @param volume beyond the saddle, in cubic units of the mesh; for the very top or bottom that of the whole body
     * @param outermost whether nothing of its body lies higher, or lower
     */
    public record Pocket(Vec at, double depth, double volume, boolean outermost) {}

    /**
     * @param up the side that is up, any length
     * @throws IllegalArgumentException for a mesh that is not closed, or an up without direction
     */
    public static Pockets of(Solid solid, Vec up, Watch watch) {
        if (!solid.isClosed()) {
            throw new IllegalArgumentException("a mesh that is not closed has no inside");
        }
        watch.report(Watch.Step.POCKETS, 0);
        Columns columns = Columns.of(solid.mesh(), Turn.upright(up), ACROSS);
        watch.report(Watch.Step.POCKETS, 0.6);
        List<Pocket> high = new Sweep(columns, 1).pockets();
        List<Pocket> low = new Sweep(columns, -1).pockets();
        watch.report(Watch.Step.POCKETS, 1);
        return new Pockets(high, low, columns.cell());
    }

    /** Joins the columns' stretches from one end; {@code sign} is 1 from the top, -1 from the bottom. */
    private static final class Sweep {
        private final Columns columns;
        private final int sign;
        private final int[] parent;
        private final int[] best;
        private final List<Pocket> found = new ArrayList<>();

        Sweep(Columns columns, int sign) {
            this.columns = columns;
            this.sign = sign;
            parent = new int[columns.count()];
            best = new int[columns.count()];
            Arrays.setAll(parent, i -> i);
            Arrays.setAll(best, i -> i);
        }

        /** How far out the outer end of a stretch lies. */
        private double outer(int i) {
            return sign > 0 ? columns.top(i) : -columns.bottom(i);
        }

        private double inner(int i) {
            return sign > 0 ? columns.bottom(i) : -columns.top(i);
        }

        List<Pocket> pockets() {
            long[] links = columns.links();
            Integer[] order = new Integer[links.length];
            Arrays.setAll(order, i -> i);
            double[] level = new double[links.length];
            for (int i = 0; i < links.length; i++) {
                level[i] = Math.min(outer((int) (links[i] >> 32)), outer((int) links[i]));
            }
            Arrays.sort(order, Comparator.comparingDouble(i -> -level[i]));
            List<Saddle> saddles = new ArrayList<>();
            for (int i : order) {
                int a = root((int) (links[i] >> 32));
                int b = root((int) links[i]);
                if (a != b) {
                    join(a, b, level[i], saddles);
                }
            }
            measure(saddles);
            outermost();
            found.sort(Comparator.comparingDouble((Pocket p) -> -sign * columns.height(p.at)));
            return List.copyOf(found.subList(0, Math.min(MOST, found.size())));
        }

        private record Saddle(int top, double level) {}

        private void join(int a, int b, double level, List<Saddle> saddles) {
            int lower = outer(best[a]) < outer(best[b]) ? a : b;
            int higher = lower == a ? b : a;
            if (outer(best[lower]) - level > columns.cell()) {
                saddles.add(new Saddle(best[lower], level));
            }
            parent[lower] = higher;
        }

        /** The volume of each pocket: what hangs together with its top above its saddle. */
        private void measure(List<Saddle> saddles) {
            int[] seen = new int[columns.count()];
            int mark = 0;
            saddles.sort(Comparator.comparingDouble((Saddle s) -> s.level - outer(s.top)));
            for (Saddle saddle : saddles.subList(0, Math.min(4 * MOST, saddles.size()))) {
                double volume = columns.flood(
                        saddle.top,
                        seen,
                        ++mark,
                        i -> outer(i) > saddle.level,
                        i -> outer(i) - Math.max(inner(i), saddle.level));
                found.add(new Pocket(place(saddle.top), outer(saddle.top) - saddle.level, volume, false));
            }
        }

        private void outermost() {
            double[] deepest = new double[columns.count()];
            double[] volume = new double[columns.count()];
            Arrays.fill(deepest, Double.POSITIVE_INFINITY);
            for (int i = 0; i < columns.count(); i++) {
                int root = root(i);
                deepest[root] = Math.min(deepest[root], inner(i));
                volume[root] += (outer(i) - inner(i)) * columns.cell() * columns.cell();
            }
            for (int i = 0; i < columns.count(); i++) {
                if (root(i) == i && outer(best[i]) - deepest[i] > columns.cell()) {
                    found.add(new Pocket(place(best[i]), outer(best[i]) - deepest[i], volume[i], true));
                }
            }
        }

        private Vec place(int stretch) {
            return columns.place(stretch, sign > 0 ? columns.top(stretch) : columns.bottom(stretch));
        }

        private int root(int of) {
            int at = of;
            while (parent[at] != at) {
                parent[at] = parent[parent[at]];
                at = parent[at];
            }
            return at;
        }
    }
}
