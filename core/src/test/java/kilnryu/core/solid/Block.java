package kilnryu.core.solid;

import java.util.Arrays;

/** A hollow in a block of mold, cell by cell, as tests draw it. */
final class Block {
    static final Inert GYPSUM = new Inert(1290, 900, 0.25, 0.45 - 0.10 * 100 / 600, 0.10 / 600);
    static final Freezable SI_BRONZE = new Freezable(8360, 820, 970, 205e3, 420, 500, 45, 25);

    /** Whether a cell is of it. */
    @FunctionalInterface
    interface Shape {
        boolean holds(int x, int y, int z);
    }

    final Grid grid;
    final byte[] kind;

    Block(int nx, int ny, int nz, double edge, Shape hollow) {
        grid = new Grid(nx, ny, nz, edge);
        kind = new byte[grid.cells()];
        for (int i = 0; i < kind.length; i++) {
            kind[i] = at(hollow, i) ? Freezing.BODY : Freezing.MOLD;
        }
    }

    private boolean at(Shape shape, int i) {
        return shape.holds(grid.place(0, i), grid.place(1, i), grid.place(2, i));
    }

    /** Cells of the body in a shape. */
    boolean[] in(Shape shape) {
        boolean[] in = new boolean[kind.length];
        for (int i = 0; i < kind.length; i++) {
            in[i] = kind[i] == Freezing.BODY && at(shape, i);
        }
        return in;
    }

    int[] cells(Shape shape) {
        boolean[] in = in(shape);
        int[] cells = new int[kind.length];
        int n = 0;
        for (int i = 0; i < in.length; i++) {
            if (in[i]) {
                cells[n++] = i;
            }
        }
        return Arrays.copyOf(cells, n);
    }

    double cell() {
        return Math.pow(grid.edge(), 3);
    }

    static Shape box(int x0, int x1, int y0, int y1, int z0, int z1) {
        return (x, y, z) -> x >= x0 && x <= x1 && y >= y0 && y <= y1 && z >= z0 && z <= z1;
    }

    static Shape ball(double x0, double y0, double z0, double r) {
        return (x, y, z) -> (x - x0) * (x - x0) + (y - y0) * (y - y0) + (z - z0) * (z - z0) < r * r;
    }

    static Shape any(Shape... of) {
        return (x, y, z) -> Arrays.stream(of).anyMatch(s -> s.holds(x, y, z));
    }
}
