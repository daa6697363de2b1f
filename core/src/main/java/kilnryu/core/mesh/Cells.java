package kilnryu.core.mesh;

/**
 * A mesh as cells of one edge, in its own unit. A cell is inside where two of three lines through its middle, one along each
 * axis, say so: a hole in the surface misleads the lines that run through it, seldom two at once. Overlapping bodies count
 * once.
 *
 * @param nx cells along x; the others likewise
 * @param edge of a cell
 * @param low the corner of the first cell
 * @param inside by {@code x + nx (y + ny z)}
 * @param doubtful cells of which the three lines did not say the same
 */
public record Cells(int nx, int ny, int nz, double edge, Vec low, boolean[] inside, int doubtful) {
    private static final long MOST = 16_000_000;
    /** So far off the middle of its cell, in edges: a line runs along no edge of an evenly built mesh. */
    private static final double OFF = 0.0129;

    private static final Vec X = new Vec(1, 0, 0);
    private static final Vec Y = new Vec(0, 1, 0);
    private static final Vec Z = Vec.UP;

    /**
     * @param edge over 0; at most 16 million cells come of it
     * @throws IllegalArgumentException where it is not, or too many come of it
     */
    public static Cells of(Mesh mesh, double edge, Watch watch) {
        Box box = mesh.box();
        Vec size = box.size();
        int nx = along(size.x(), edge);
        int ny = along(size.y(), edge);
        int nz = along(size.z(), edge);
        if (!(edge > 0) || (long) nx * ny * nz > MOST) {
            throw new IllegalArgumentException("cells have an edge, and are at most " + MOST);
        }
        // the mesh in the middle of its cells
        Vec low = new Vec(
                box.low().x() - (nx * edge - size.x()) / 2,
                box.low().y() - (ny * edge - size.y()) / 2,
                box.low().z() - (nz * edge - size.z()) / 2);
        return of(mesh, edge, low, new int[] {nx, ny, nz}, watch);
    }

    /**
     * In given cells, which hold all of it.
     *
     * @param low the corner of the first cell
     * @param along cells along x, y and z
     */
    public static Cells of(Mesh mesh, double edge, Vec low, int[] along, Watch watch) {
        int nx = along[0];
        int ny = along[1];
        int nz = along[2];
        byte[] votes = new byte[nx * ny * nz];
        double[] at = {middle(low.x(), edge), middle(low.y(), edge), middle(low.z(), edge)};
        watch.report(Watch.Step.JOIN, 0);
        Columns.of(mesh, new Turn(X, Y, Z), new double[] {at[0], at[1], edge}, new int[] {nx, ny})
                .inside(at[2], nz, (x, y, z) -> votes[x + nx * (y + ny * z)]++);
        watch.report(Watch.Step.JOIN, 1 / 3.0);
        Columns.of(mesh, new Turn(Y, Z, X), new double[] {at[1], at[2], edge}, new int[] {ny, nz})
                .inside(at[0], nx, (y, z, x) -> votes[x + nx * (y + ny * z)]++);
        watch.report(Watch.Step.JOIN, 2 / 3.0);
        Columns.of(mesh, new Turn(Z, X, Y), new double[] {at[2], at[0], edge}, new int[] {nz, nx})
                .inside(at[1], ny, (z, x, y) -> votes[x + nx * (y + ny * z)]++);
        boolean[] inside = new boolean[votes.length];
        int doubtful = 0;
        for (int i = 0; i < votes.length; i++) {
            inside[i] = votes[i] >= 2;
            doubtful += votes[i] == 1 || votes[i] == 2 ? 1 : 0;
        }
        return new Cells(nx, ny, nz, edge, low, inside, doubtful);
    }

    public boolean inside(int x, int y, int z) {
        return inside[x + nx * (y + ny * z)];
    }

    /** How many are inside. */
    public int count() {
        int count = 0;
        for (boolean in : inside) {
            count += in ? 1 : 0;
        }
        return count;
    }

    private static int along(double length, double edge) {
        return (int) Math.min(MOST, Math.max(1, Math.ceil(length / edge)));
    }

    private static double middle(double low, double edge) {
        return low + edge * (0.5 + OFF);
    }
}
