package kilnryu.core.mesh;

import java.util.ArrayList;
import java.util.List;

/**
 * The outline of a piece seen from one side, for print and where no turning view is to be had: the rims of its shadow
 * on a grid of {@value #ACROSS} cells along the longer side.
 *
 * @param rims closed lines of places, in the unit of the mesh: x to the right, y up
 * @param width of the shadow
 * @param height of the shadow
 */
public record Silhouette(List<List<double[]>> rims, double width, double height, Vec right, Vec up, double[] origin) {
    private static final int ACROSS = 150;

    /** @param up the side that is up; @param from the side the eye is on, not along {@code up} */
    public static Silhouette of(Mesh mesh, Vec up, Vec from) {
        Vec u = up.unit();
        Vec right = u.cross(from).unit();
        // columns along the eye's line: a cell is dark where any stretch lies
        Turn turn = new Turn(right, u, right.cross(u));
        Columns columns = Columns.of(mesh, turn, ACROSS);
        return new Tracing(columns.shadow(), columns).done(right, u);
    }

    /** Where a place of the mesh lies in the picture. */
    public double[] shown(Vec place) {
        return new double[] {place.dot(right) - origin[0], place.dot(up) - origin[1]};
    }

    /** Follows the rims of the dark cells, dark on the left. */
    private static final class Tracing {
        private static final int[][] STEPS = {{1, 0}, {0, 1}, {-1, 0}, {0, -1}};
        private final boolean[][] dark;
        private final Columns columns;
        private final boolean[][] done;

        Tracing(boolean[][] dark, Columns columns) {
            this.dark = dark;
            this.columns = columns;
            done = new boolean[dark.length + 1][dark[0].length + 1];
        }

        Silhouette done(Vec right, Vec up) {
            List<List<double[]>> rims = new ArrayList<>();
            for (int j = 0; j < dark.length; j++) {
                for (int i = 0; i < dark[0].length; i++) {
                    if (at(i, j) && !at(i, j - 1) && !done[j][i]) {
                        rims.add(follow(i, j));
                    }
                }
            }
            double cell = columns.cell();
            double[] origin = columns.corner();
            return new Silhouette(List.copyOf(rims), dark[0].length * cell, dark.length * cell, right, up, origin);
        }

        private boolean at(int i, int j) {
            return j >= 0 && i >= 0 && j < dark.length && i < dark[0].length && dark[j][i];
        }

        private List<double[]> follow(int fromI, int fromJ) {
            List<double[]> rim = new ArrayList<>();
            int i = fromI;
            int j = fromJ;
            int way = 0;
            do {
                if (way == 0) {
                    done[j][i] = true;
                }
                i += STEPS[way][0];
                j += STEPS[way][1];
                int before = way;
                way = turned(i, j, way);
                if (way != before) {
                    rim.add(new double[] {i * columns.cell(), j * columns.cell()});
                }
            } while (i != fromI || j != fromJ || way != 0);
            return smooth(rim);
        }

        /** The next way at a crossing of grid lines: the one that keeps the dark on its left. */
        private int turned(int i, int j, int way) {
            boolean aheadLeft = switch (way) {
                case 0 -> at(i, j);
                case 1 -> at(i - 1, j);
                case 2 -> at(i - 1, j - 1);
                default -> at(i, j - 1);
            };
            boolean aheadRight = switch (way) {
                case 0 -> at(i, j - 1);
                case 1 -> at(i, j);
                case 2 -> at(i - 1, j);
                default -> at(i - 1, j - 1);
            };
            if (aheadRight) {
                return (way + 3) % 4;
            }
            return aheadLeft ? way : (way + 1) % 4;
        }

        /** The middles of the stairs' sides, so that a slope is drawn as a slope. */
        private static List<double[]> smooth(List<double[]> rim) {
            List<double[]> smooth = new ArrayList<>();
            for (int k = 0; k < rim.size(); k++) {
                double[] a = rim.get(k);
                double[] b = rim.get((k + 1) % rim.size());
                smooth.add(new double[] {(a[0] + b[0]) / 2, (a[1] + b[1]) / 2});
            }
            return rim.size() <= 4 ? rim : List.copyOf(smooth);
        }
    }
}
