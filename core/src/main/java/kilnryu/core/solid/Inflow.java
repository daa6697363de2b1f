package kilnryu.core.solid;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleUnaryOperator;

/**
 * How a liquid runs into a hollow body, cell by cell (handbook 23): it always takes the lowest empty cell that it can reach,
 * falls where nothing is under it, spreads where something is, and rises. Air leaves along empty cells to an opening; what
 * is shut off is pressed together and leaves through the wall only. The liquid loses heat to the wall on its way; where its
 * way is so far solid that it does not flow, it stops.
 *
 * <p>The heat of a cell is that of the warmest neighbour from which it can come, less what the wall beside that one takes
 * up in the time between: into a wall that is cold and deep, with the resistance of the border, by the exact solution for
 * a half space. The wall's share of a cell is that of the cells around it.
 */
public final class Inflow {
    /** Solid share over which a way is shut. */
    public static final double SHUT = 0.6;

    /** Pockets of fewer cells are the roughness of the cells themselves. */
    public static final int LEAST_CELLS = 8;

    private static final double GRAVITY = 9.81;
    private static final double SLOWEST_M_S = 0.1;
    /** Cells to each side that say how much wall is beside a cell. */
    private static final int AROUND = 3;

    private static final int NONE = -1;

    /**
     * @param kind of each cell, as of {@link Freezing.Question}
     * @param entry cells of the body where the liquid comes in
     * @param open cells of the body at which air leaves
     * @param hot C of the liquid as it comes in
     * @param warm C of the wall
     * @param border W/(m2 K) between liquid and wall
     * @param areaShare true area of the wall as a share of that of the cells' faces
     * @param flow m3/s by the height of the surface, m from the bottom of the grid
     * @param leak m/s of air through the wall for each Pa
     * @param drawn Pa under the air's pressure behind the wall, by the height, m from the bottom of the grid
     */
    public record Question(
            Grid grid,
            byte[] kind,
            int[] entry,
            boolean[] open,
            Freezable liquid,
            double hot,
            Inert wall,
            double warm,
            double border,
            double areaShare,
            DoubleUnaryOperator flow,
            double leak,
            DoubleUnaryOperator drawn) {
        /** @throws IllegalArgumentException where it comes in nowhere */
        public Question {
            if (kind.length != grid.cells() || open.length != grid.cells() || entry.length == 0) {
                throw new IllegalArgumentException("a liquid comes in somewhere");
            }
        }
    }

    /**
     * Air that was shut in.
     *
     * @param cells that it takes up at the end, the highest of those that were shut off
     * @param shut s after the first liquid
     * @param before m3 as it was shut off
     * @param volume m3 as the liquid has pressed it together, less what left through the wall
     * @param pressure Pa over that of the air, at the end
     */
    public record Pocket(int[] cells, double shut, double before, double volume, double pressure) {}

    /**
     * Where the liquid went no further.
     *
     * @param cell the last that it reached
     * @param missing cells that stayed empty behind it
     * @param celsius of it then
     */
    public record Stop(int cell, int missing, double celsius) {}

    /**
     * @param arrives s until the liquid is in each cell; infinite where it never is
     * @param celsius as it arrives; NaN where it never does
     * @param from the cell that it came from, -1 where it came in
     * @param seconds until the last cell is full
     */
    public record Filled(
            float[] arrives,
            float[] celsius,
            int[] from,
            double seconds,
            List<Pocket> pockets,
            List<Stop> stops,
            boolean stopped) {}

    private final Question q;
    private final Grid grid;
    private final byte[] kind;
    private final int layer;
    private final float[] arrives;
    private final float[] reached;
    private final float[] heat;
    private final int[] from;
    private final int[] order;
    private int filled;
    private final float[] wall;
    private final boolean[] queued;
    private final boolean[] blocked;
    private final List<ArrayDeque<Integer>> waiting = new ArrayList<>();
    private int lowest;
    private double time;
    private final double top;

    private Inflow(Question q) {
        this.q = q;
        grid = q.grid;
        kind = q.kind;
        layer = grid.nx() * grid.ny();
        int n = grid.cells();
        arrives = new float[n];
        reached = new float[n];
        heat = new float[n];
        from = new int[n];
        Arrays.fill(arrives, Float.POSITIVE_INFINITY);
        Arrays.fill(reached, Float.POSITIVE_INFINITY);
        Arrays.fill(from, NONE);
        int body = 0;
        for (byte k : kind) {
            body += k == Freezing.BODY ? 1 : 0;
        }
        order = new int[body];
        queued = new boolean[n];
        blocked = new boolean[n];
        wall = Nearby.wall(grid, kind, AROUND, q.areaShare);
        for (int z = 0; z < grid.nz(); z++) {
            waiting.add(new ArrayDeque<>());
        }
        lowest = grid.nz();
        int highest = 0;
        for (int cell : q.entry) {
            highest = Math.max(highest, cell / layer);
        }
        top = (highest + 1) * grid.edge();
    }

    /** @param goes told now and then */
    public static Filled of(Question q, Freezing.Goes goes) {
        return new Inflow(q).run(goes);
    }

    private Filled run(Freezing.Goes goes) {
        double first = q.liquid.heat(q.hot);
        for (int cell : q.entry) {
            if (kind[cell] == Freezing.BODY) {
                reach(cell, NONE, (float) first);
            }
        }
        boolean stopped = false;
        double cell = Math.pow(grid.edge(), 3);
        while (lowest < grid.nz() && !stopped) {
            ArrayDeque<Integer> level = waiting.get(lowest);
            if (level.isEmpty()) {
                lowest++;
                continue;
            }
            int next = level.poll();
            queued[next] = false;
            if (!empty(next)) {
                continue;
            }
            double flow = q.flow.applyAsDouble((next / layer + 0.5) * grid.edge());
            double takes = cell / flow;
            if (comes(next, time + takes)) {
                time += takes;
                arrives[next] = (float) time;
                order[filled++] = next;
                spread(next);
            }
            stopped = filled % 4096 == 0 && !goes.on(filled / (double) order.length);
        }
        List<Pocket> pockets = new ShutAir(q, order, filled, arrives, wall, top).pockets();
        float[] celsius = new float[heat.length];
        Arrays.fill(celsius, Float.NaN);
        for (int i = 0; i < filled; i++) {
            celsius[order[i]] = (float) q.liquid.celsius(heat[order[i]]);
        }
        List<Stop> stops = stops(celsius);
        for (Pocket p : pockets) {
            for (int c : p.cells) {
                arrives[c] = Float.POSITIVE_INFINITY;
                celsius[c] = Float.NaN;
            }
        }
        return new Filled(arrives, celsius, from, time, pockets, stops, stopped);
    }

    /** A cell that the liquid can run into: it falls on, or spreads over what is under it. */
    private void reach(int start, int came, float with) {
        ArrayDeque<Integer> stream = new ArrayDeque<>();
        touch(start, came, with, stream);
        flowOn(stream);
    }

    private void flowOn(ArrayDeque<Integer> stream) {
        while (!stream.isEmpty()) {
            int at = stream.poll();
            int z = at / layer;
            int below = at - layer;
            if (z > 0 && kind[below] == Freezing.BODY && empty(below)) {
                touch(below, at, passed(at, z), stream);
            } else {
                aside(at, z, stream);
            }
        }
    }

    private void aside(int at, int z, ArrayDeque<Integer> stream) {
        float goes = passed(at, z);
        for (int face = 0; face < 4; face++) {
            int next = Nearby.next(grid, at, face);
            if (next >= 0 && kind[next] == Freezing.BODY && empty(next)) {
                touch(next, at, goes, stream);
            }
        }
    }

    private void touch(int cell, int came, float with, ArrayDeque<Integer> stream) {
        if (reached[cell] != Float.POSITIVE_INFINITY || (cell / layer + 0.5) * grid.edge() > top) {
            return;
        }
        reached[cell] = (float) time;
        heat[cell] = with;
        from[cell] = came;
        put(cell);
        stream.add(cell);
    }

    private void put(int cell) {
        if (queued[cell]) {
            return;
        }
        int z = cell / layer;
        queued[cell] = true;
        waiting.get(z).add(cell);
        lowest = Math.min(lowest, z);
    }

    private boolean empty(int cell) {
        return arrives[cell] == Float.POSITIVE_INFINITY;
    }

    /** Heat of a stream that passes a cell without filling it. */
    private float passed(int cell, int z) {
        if (arrives[cell] != Float.POSITIVE_INFINITY) {
            return heat[cell];
        }
        double fallen = Math.max(0, top - (z + 0.5) * grid.edge());
        double speed = Math.max(SLOWEST_M_S, Math.sqrt(2 * GRAVITY * fallen));
        return after(cell, heat[cell], grid.edge() / speed);
    }

    /** Heat that is left of a cell's after some time beside its wall, J/m3. */
    private float after(int cell, double has, double seconds) {
        double over = q.liquid.celsius(has) - q.warm;
        return over <= 0 ? (float) has : (float) (has - wall[cell] * over * taken(seconds));
    }

    private double taken(double seconds) {
        return taken(q, seconds);
    }

    /** J/m2 that the wall takes up for each K in so many seconds. */
    static double taken(Question q, double seconds) {
        double h = q.border;
        double at = q.wall.heat(q.warm);
        double conducts = q.wall.conductivity(at);
        double b2 = conducts / q.wall.rise(at);
        double x = h * Math.sqrt(seconds / b2);
        // for short times the difference of nearly equal terms is its own series
        double grows =
                x < 0.05 ? x * x * (1 - 4 * x / (3 * Math.sqrt(Math.PI))) : scaled(x) - 1 + 2 * x / Math.sqrt(Math.PI);
        return b2 / h * grows;
    }

    /** exp(x2) erfc(x), good to 2e-7, by a fit in 1 / (1 + x / 2). */
    private static double scaled(double x) {
        double t = 1 / (1 + 0.5 * x);
        double[] c = {
            -1.26551223,
            1.00002368,
            0.37409196,
            0.09678418,
            -0.18628806,
            0.27886807,
            -1.13520398,
            1.48851587,
            -0.82215223,
            0.17087277
        };
        double sum = 0;
        for (int i = c.length - 1; i >= 0; i--) {
            sum = sum * t + c[i];
        }
        return t * Math.exp(sum);
    }

    /** Whether liquid comes into a cell by a time, from the warmest way that is not shut. */
    private boolean comes(int cell, double by) {
        if (from[cell] == NONE) {
            return true;
        }
        double warmest = Double.NEGATIVE_INFINITY;
        int way = NONE;
        for (int face = 0; face < 6; face++) {
            int next = Nearby.next(grid, cell, face);
            if (next < 0 || kind[next] != Freezing.BODY) {
                continue;
            }
            double has = Double.NEGATIVE_INFINITY;
            if (!empty(next)) {
                has = after(next, heat[next], by - arrives[next]);
            } else if (from[cell] == next && !blocked[next]) {
                has = heat[cell];
            }
            if (has > warmest) {
                warmest = has;
                way = next;
            }
        }
        if (way == NONE || 1 - q.liquid.liquid(warmest) > SHUT) {
            // it may still be reached by another way: then it is put again
            blocked[cell] = true;
            return false;
        }
        blocked[cell] = false;
        heat[cell] = (float) warmest;
        from[cell] = way;
        return true;
    }

    /** What can be reached now that a cell is full. */
    private void spread(int cell) {
        int z = cell / layer;
        if (z + 1 < grid.nz()) {
            int above = cell + layer;
            if (kind[above] == Freezing.BODY && empty(above)) {
                if (reached[above] == Float.POSITIVE_INFINITY) {
                    reach(above, cell, heat[cell]);
                } else {
                    put(above);
                    ArrayDeque<Integer> stream = new ArrayDeque<>();
                    aside(above, z + 1, stream);
                    flowOn(stream);
                }
            }
        }
        ArrayDeque<Integer> stream = new ArrayDeque<>();
        again(cell);
        aside(cell, z, stream);
        flowOn(stream);
    }

    /** Neighbours that were reached by a way that is shut get another chance. */
    private void again(int cell) {
        for (int face = 0; face < 6; face++) {
            int next = Nearby.next(grid, cell, face);
            if (next >= 0 && kind[next] == Freezing.BODY && empty(next) && reached[next] != Float.POSITIVE_INFINITY) {
                put(next);
            }
        }
    }

    /** Each region that stayed empty, with the last cell that the liquid reached beside it. */
    private List<Stop> stops(float[] celsius) {
        List<Stop> stops = new ArrayList<>();
        boolean[] seen = new boolean[heat.length];
        int[] queue = new int[order.length];
        for (int start = 0; start < kind.length; start++) {
            if (kind[start] != Freezing.BODY || !empty(start) || seen[start]) {
                continue;
            }
            int count = 0;
            int head = 0;
            queue[count++] = start;
            seen[start] = true;
            int latest = NONE;
            while (head < count) {
                int at = queue[head++];
                for (int face = 0; face < 6; face++) {
                    int next = Nearby.next(grid, at, face);
                    if (next < 0 || kind[next] != Freezing.BODY) {
                        continue;
                    }
                    if (!empty(next)) {
                        latest = latest == NONE || arrives[next] > arrives[latest] ? next : latest;
                    } else if (!seen[next]) {
                        seen[next] = true;
                        queue[count++] = next;
                    }
                }
            }
            if (count >= LEAST_CELLS || latest == NONE) {
                stops.add(new Stop(
                        latest == NONE ? start : latest, count, latest == NONE ? Double.NaN : celsius[latest]));
            }
        }
        return stops;
    }
}
