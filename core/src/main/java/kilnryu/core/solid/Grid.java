package kilnryu.core.solid;

/**
 * Cells of one edge, row by row.
 *
 * @param nx cells along x
 * @param ny cells along y
 * @param nz cells along z, upward
 * @param edge of a cell, m
 */
public record Grid(int nx, int ny, int nz, double edge) {
    private static final long MOST = 16_000_000;

    /** @throws IllegalArgumentException for a grid without cells or with more than 16 million */
    public Grid {
        if (nx < 1 || ny < 1 || nz < 1 || !(edge > 0)) {
            throw new IllegalArgumentException("a grid has cells");
        }
        if ((long) nx * ny * nz > MOST) {
            throw new IllegalArgumentException("a grid has at most " + MOST + " cells");
        }
    }

    public int cells() {
        return nx * ny * nz;
    }

    public int at(int x, int y, int z) {
        return x + nx * (y + ny * z);
    }

    /** Cells along a direction: 0 for x, 1 for y, 2 for z. */
    public int along(int direction) {
        return direction == 0 ? nx : direction == 1 ? ny : nz;
    }

    /** From a cell to the next along a direction. */
    public int stride(int direction) {
        return direction == 0 ? 1 : direction == 1 ? nx : nx * ny;
    }

    /** Of a cell along a direction, from 0. */
    public int place(int direction, int cell) {
        return cell / stride(direction) % along(direction);
    }

    /** The first cell of a line along a direction. @param line from 0 to cells / along */
    public int first(int direction, int line) {
        return switch (direction) {
            case 0 -> line * nx;
            case 1 -> line % nx + line / nx * nx * ny;
            default -> line;
        };
    }
}
