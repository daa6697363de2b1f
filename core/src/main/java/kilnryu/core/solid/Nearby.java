package kilnryu.core.solid;

/** Cells beside cells. */
final class Nearby {
    private Nearby() {}

    /** The neighbour through a face: 0 and 1 along x, 2 and 3 along y, 4 and 5 along z; -1 at the end of the grid. */
    static int next(Grid grid, int cell, int face) {
        int direction = face / 2;
        int place = grid.place(direction, cell);
        if (face % 2 == 0) {
            return place == 0 ? -1 : cell - grid.stride(direction);
        }
        return place + 1 == grid.along(direction) ? -1 : cell + grid.stride(direction);
    }

    /**
     * Area of wall for each volume of body around each cell, 1/m: of all cells to so many on each side, as a box.
     *
     * @param share true area, of that of the cells' faces
     */
    static float[] wall(Grid grid, byte[] kind, int around, double share) {
        int n = kind.length;
        int[] faces = new int[n];
        int[] body = new int[n];
        for (int i = 0; i < n; i++) {
            if (kind[i] != Freezing.BODY) {
                continue;
            }
            body[i] = 1;
            for (int f = 0; f < 6; f++) {
                int next = next(grid, i, f);
                faces[i] += next >= 0 && kind[next] != Freezing.BODY ? 1 : 0;
            }
        }
        for (int d = 0; d < 3; d++) {
            sum(grid, faces, d, around);
            sum(grid, body, d, around);
        }
        float[] wall = new float[n];
        for (int i = 0; i < n; i++) {
            wall[i] = kind[i] == Freezing.BODY ? (float) (share * faces[i] / (body[i] * grid.edge())) : 0;
        }
        return wall;
    }

    /** Sums along a direction over so many cells to each side, in place. */
    private static void sum(Grid grid, int[] of, int direction, int around) {
        int along = grid.along(direction);
        int stride = grid.stride(direction);
        int[] before = new int[along + 1];
        for (int line = 0; line < grid.cells() / along; line++) {
            int first = grid.first(direction, line);
            for (int j = 0; j < along; j++) {
                before[j + 1] = before[j] + of[first + j * stride];
            }
            for (int j = 0; j < along; j++) {
                of[first + j * stride] = before[Math.min(along, j + around + 1)] - before[Math.max(0, j - around)];
            }
        }
    }
}
