package kilnryu.core.solid;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.IntConsumer;

/**
 * Air that a rising liquid shuts in. Looked at backwards: cells are emptied again in turn, and those that touch, at a corner
 * too, are one body of air; before it meets the open air, it was a pocket. Cells of one height that were filled one after
 * another are emptied together, as a surface rises as a whole.
 */
final class ShutAir {
    private static final double GRAVITY = 9.81;
    private static final double AIR_PA = 101_325;
    private static final int NONE = Joined.NONE;
    private static final int NEVER = 40;
    private static final int PRESSED = 4;

    private final Inflow.Question q;
    private final Grid grid;
    private final int[] order;
    private final int filled;
    private final float[] arrives;
    private final float[] wall;
    private final double top;
    private final Joined bodies;
    private final int[] node;
    private final int out;
    private final List<Shut> splits = new ArrayList<>();
    private final List<Shut> closed = new ArrayList<>();
    private final double cell;

    /** Air of so many cells from one on, which came of two parts, or of none. @param cut the cell that parted it */
    private record Shut(int head, int cells, int node, int one, int other, int cut) {}

    ShutAir(Inflow.Question q, int[] order, int filled, float[] arrives, float[] wall, double top) {
        this.q = q;
        grid = q.grid();
        this.order = order;
        this.filled = filled;
        this.arrives = arrives;
        this.wall = wall;
        this.top = top;
        int n = grid.cells();
        out = n;
        // one more than cells: the open air
        bodies = new Joined(n + 1);
        bodies.begin(out);
        node = new int[n];
        cell = Math.pow(grid.edge(), 3);
    }

    List<Inflow.Pocket> pockets() {
        byte[] kind = q.kind();
        for (int i = 0; i < kind.length; i++) {
            if (kind[i] == Freezing.BODY && arrives[i] == Float.POSITIVE_INFINITY) {
                empty(i);
            }
        }
        for (int i = 0; i < kind.length; i++) {
            if (i != out && bodies.holds(i)) {
                join(i);
            }
        }
        int layer = grid.nx() * grid.ny();
        for (int end = filled; end > 0; ) {
            int begin = end - 1;
            while (begin > 0 && order[begin - 1] / layer == order[end - 1] / layer) {
                begin--;
            }
            for (int i = begin; i < end; i++) {
                empty(order[i]);
            }
            // first what touches the open air, through others of the run too: no pocket ends among them
            for (boolean more = true; more; ) {
                more = false;
                for (int i = begin; i < end; i++) {
                    if (root(order[i]) != out && touchesOut(order[i])) {
                        join(order[i]);
                        more = true;
                    }
                }
            }
            for (int i = begin; i < end; i++) {
                join(order[i]);
            }
            end = begin;
        }
        List<Inflow.Pocket> pockets = new ArrayList<>();
        for (Shut shut : closed) {
            press(shut, shut.cells * cell, arrives[shut.cut], pockets);
        }
        return pockets;
    }

    private void empty(int i) {
        bodies.begin(i);
        node[i] = NONE;
    }

    private int root(int i) {
        return bodies.root(i);
    }

    private boolean touchesOut(int i) {
        if (q.open()[i]) {
            return true;
        }
        boolean[] touches = new boolean[1];
        around(i, beside -> touches[0] |= bodies.holds(beside) && root(beside) == out);
        return touches[0];
    }

    private void join(int i) {
        if (q.open()[i] || touchesOut(i)) {
            unite(i, out, i);
        }
        around(i, beside -> {
            if (bodies.holds(beside)) {
                unite(i, beside, i);
            }
        });
    }

    private void around(int i, IntConsumer tells) {
        int x = grid.place(0, i);
        int y = grid.place(1, i);
        int z = grid.place(2, i);
        for (int dz = z > 0 ? -1 : 0; dz <= (z + 1 < grid.nz() ? 1 : 0); dz++) {
            for (int dy = y > 0 ? -1 : 0; dy <= (y + 1 < grid.ny() ? 1 : 0); dy++) {
                for (int dx = x > 0 ? -1 : 0; dx <= (x + 1 < grid.nx() ? 1 : 0); dx++) {
                    tells.accept(grid.at(x + dx, y + dy, z + dz));
                }
            }
        }
    }

    private void unite(int a, int b, int by) {
        int one = root(a);
        int other = root(b);
        if (one == other) {
            return;
        }
        if (one == out || other == out) {
            int shut = one == out ? other : one;
            if (bodies.count(shut) >= Inflow.LEAST_CELLS && arrives[by] != Float.POSITIVE_INFINITY) {
                closed.add(new Shut(shut, bodies.count(shut), node[shut], NONE, NONE, by));
            }
            bodies.append(out, shut);
            return;
        }
        if (bodies.count(one) < bodies.count(other)) {
            int swap = one;
            one = other;
            other = swap;
        }
        if (bodies.count(other) >= Inflow.LEAST_CELLS) {
            splits.add(new Shut(one, bodies.count(one), node[one], NONE, NONE, by));
            splits.add(new Shut(other, bodies.count(other), node[other], NONE, NONE, by));
            splits.add(new Shut(
                    one, bodies.count(one) + bodies.count(other), NONE, splits.size() - 2, splits.size() - 1, by));
            node[one] = splits.size() - 1;
        }
        bodies.append(one, other);
    }

    /** What is left of so much air, m3 as it was shut in, in each of the highest places of a pocket. */
    private void press(Shut shut, double air, double since, List<Inflow.Pocket> pockets) {
        if (shut.node != NONE) {
            Shut split = splits.get(shut.node);
            Shut one = splits.get(split.one);
            Shut other = splits.get(split.other);
            double parts = air * AIR_PA / (AIR_PA + over(height(split.cut)));
            if (parts < (one.cells + other.cells) * cell) {
                double share = one.cells / (double) (one.cells + other.cells);
                press(one, air * share, since, pockets);
                press(other, air * (1 - share), since, pockets);
                return;
            }
        }
        int[] cells = cells(shut);
        double left = Math.max(0, air - leaked(cells, over(height(cells[0])), height(cells[0])));
        int keeps = cells.length;
        double volume = left;
        double over = 0;
        for (int i = 0; i < PRESSED; i++) {
            // the liquid stands under the lowest of what is left
            over = over(height(cells[keeps - 1]));
            volume = left * AIR_PA / (AIR_PA + over);
            keeps = Math.max(1, Math.min(cells.length, (int) Math.round(volume / cell)));
        }
        if (volume > 0) {
            pockets.add(new Inflow.Pocket(Arrays.copyOf(cells, keeps), since, air, volume, over));
        }
    }

    private double height(int cell) {
        return (grid.place(2, cell) + 0.5) * grid.edge();
    }

    /** Pa of the liquid that stands over a height. */
    private double over(double height) {
        return Math.max(0, top - height) * q.liquid().density() * GRAVITY;
    }

    /** The cells of a pocket, the last filled first: it is highest. */
    private int[] cells(Shut shut) {
        Integer[] cells =
                Arrays.stream(bodies.cells(shut.head, shut.cells)).boxed().toArray(Integer[]::new);
        Arrays.sort(
                cells, Comparator.comparingInt((Integer c) -> -grid.place(2, c)).thenComparing(c -> -arrives[c]));
        return Arrays.stream(cells).mapToInt(c -> c).toArray();
    }

    /** m3 that leave through the wall until the liquid does not flow any more in the thinnest place. */
    private double leaked(int[] cells, double over, double high) {
        int faces = 0;
        double share = 0;
        for (int c : cells) {
            share = Math.max(share, wall[c]);
            for (int face = 0; face < 6; face++) {
                int beside = Nearby.next(grid, c, face);
                faces += beside >= 0 && q.kind()[beside] == Freezing.MOLD ? 1 : 0;
            }
        }
        double area = faces * q.areaShare() * grid.edge() * grid.edge();
        return q.leak() * area * (over + q.drawn().applyAsDouble(high)) * flows(share);
    }

    /** s until the liquid beside so much wall is shut, from as hot as it comes in. */
    private double flows(double share) {
        Freezable liquid = q.liquid();
        double shut = liquid.melted() - Inflow.SHUT * (liquid.melted() - liquid.frozen());
        double gives = liquid.heat(q.hot()) - shut;
        double over = (liquid.liquidus() + q.hot()) / 2 - q.warm();
        double low = 0;
        double high = 1e-3;
        for (int i = 0; i < NEVER && share * over * Inflow.taken(q, high) < gives; i++) {
            low = high;
            high *= 2;
        }
        for (int i = 0; i < 20; i++) {
            double middle = (low + high) / 2;
            if (share * over * Inflow.taken(q, middle) < gives) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return high;
    }
}
