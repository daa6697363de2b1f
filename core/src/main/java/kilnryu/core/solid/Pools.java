package kilnryu.core.solid;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What is still liquid in a freezing body, as pools that part (handbook 23). A pool that reaches a surface under air sinks
 * there by what it shrinks; one that is shut keeps what it lacks as a hollow, where it is last solid.
 *
 * <p>Looked at backwards: cells melt again in turn, those that touch by a face are one pool, and where two meet they had
 * parted. Shrinkage goes with the liquid that freezes.
 */
public final class Pools {
    /** A pool of fewer cells cannot be told from the cells' own roughness. */
    public static final int LEAST_CELLS = 8;

    private static final int NONE = Joined.NONE;
    private static final int SLICES = 64;
    /** Of what is liquid, a part that counts as a pool of its own. */
    private static final double PART = 0.05;

    /**
     * @param cells of the pool as it parted, in no order
     * @param shut s until it was left alone
     * @param liquid m3 of it that was liquid as it had parted from all others
     * @param shrinks m3 that it lacks in the end
     * @param last the cell of it that is solid last
     * @param highest the highest of its cells
     * @param neck the cell through which it was last fed, -1 for none
     * @param fed whether air reached a surface of it until the end
     */
    public record Pool(
            int[] cells, double shut, double liquid, double shrinks, int last, int highest, int neck, boolean fed) {}

    /**
     * @param pools the one that lacks most first; those that are fed after those that are not
     * @param hollow the cells where metal lacks inside, by pool
     * @param sunk cells that are empty at the end since a surface under air sank through them
     * @param scattered m3 that pools of too few cells lack together
     */
    public record Found(List<Pool> pools, boolean[] hollow, boolean[] sunk, double scattered) {}

    private final Grid grid;
    private final Freezing.Frozen frozen;
    private final boolean[] air;
    private final double shrinks;
    private final double cell;
    private final int[] order;
    private final Joined bodies;
    private final boolean[] airy;
    private final int[] node;
    private final List<Node> nodes = new ArrayList<>();
    private final List<Pool> pools = new ArrayList<>();
    private final boolean[] hollow;
    private final boolean[] sunk;
    private final double whole;
    private double scattered;

    /** Liquid of so many cells from one on, that parted by a cell at a moment into two nodes, or into none that counts. */
    private record Node(int head, int cells, boolean airy, int neck, double parts, int one, int other) {}

    private Pools(Grid grid, byte[] kind, Freezing.Frozen frozen, boolean[] air, double shrinks) {
        this.grid = grid;
        this.frozen = frozen;
        this.air = air;
        this.shrinks = shrinks;
        cell = Math.pow(grid.edge(), 3);
        int n = grid.cells();
        Integer[] all = new Integer[n];
        int body = 0;
        for (int i = 0; i < n; i++) {
            if (kind[i] == Freezing.BODY) {
                all[body++] = i;
            }
        }
        Arrays.sort(
                all,
                0,
                body,
                Comparator.comparingDouble((Integer i) -> frozen.stiffAt()[i]).reversed());
        order = new int[body];
        for (int i = 0; i < body; i++) {
            order[i] = all[i];
        }
        double latest = 1;
        for (int i : order) {
            latest = Float.isInfinite(frozen.solidAt()[i]) ? latest : Math.max(latest, frozen.solidAt()[i]);
        }
        whole = latest;
        bodies = new Joined(n);
        airy = new boolean[n];
        node = new int[n];
        hollow = new boolean[n];
        sunk = new boolean[n];
    }

    /**
     * @param kind of each cell, as of {@link Freezing.Question}
     * @param air cells at whose face air stands on the liquid
     * @param shrinks share of its volume that the liquid loses as it freezes
     */
    public static Found of(Grid grid, byte[] kind, Freezing.Frozen frozen, boolean[] air, double shrinks) {
        return new Pools(grid, kind, frozen, air, shrinks).found();
    }

    private Found found() {
        for (int i : order) {
            melt(i);
        }
        for (int i : order) {
            if (bodies.root(i) == i && (bodies.count(i) >= LEAST_CELLS || airy[i])) {
                whole(new Node(i, bodies.count(i), airy[i], NONE, 0, node[i], NONE));
            }
        }
        pools.sort(Comparator.comparing(Pool::fed)
                .thenComparing(Comparator.comparingDouble(Pool::shrinks).reversed()));
        return new Found(List.copyOf(pools), hollow, sunk, scattered);
    }

    private void melt(int i) {
        bodies.begin(i);
        airy[i] = air[i];
        node[i] = NONE;
        for (int face = 0; face < 6; face++) {
            int beside = Nearby.next(grid, i, face);
            if (beside >= 0 && bodies.holds(beside)) {
                unite(bodies.root(i), bodies.root(beside), i);
            }
        }
    }

    /** @param by the cell through which they met */
    private void unite(int a, int b, int by) {
        if (a == b) {
            return;
        }
        double at = frozen.stiffAt()[by];
        int one = bodies.count(a) >= bodies.count(b) ? a : b;
        int other = one == a ? b : a;
        if (bodies.count(other) < LEAST_CELLS && !airy[other] && other != by) {
            for (int c : bodies.cells(other, bodies.count(other))) {
                scattered += frozen.liquid(c, at) * cell * shrinks;
            }
        }
        int unaired = airy[one] ? other : one;
        boolean losesAir = airy[one] != airy[other] && bodies.count(unaired) >= LEAST_CELLS;
        if (bodies.count(other) >= LEAST_CELLS || losesAir) {
            nodes.add(new Node(one, bodies.count(one), airy[one], by, at, node[one], NONE));
            nodes.add(new Node(other, bodies.count(other), airy[other], by, at, node[other], NONE));
            nodes.add(new Node(
                    one,
                    bodies.count(one) + bodies.count(other),
                    airy[one] || airy[other],
                    by,
                    at,
                    nodes.size() - 2,
                    nodes.size() - 1));
            node[one] = nodes.size() - 1;
        }
        bodies.append(one, other);
        airy[one] |= airy[other];
    }

    /** All of the liquid, and what becomes of it. */
    private void whole(Node all) {
        if (all.airy) {
            fed(all);
        } else {
            shut(all, 0, 0);
        }
    }

    /** A pool under air: it sinks from its top until it parts, and what then is shut is left alone. */
    private void fed(Node begins) {
        List<Node> under = new ArrayList<>(List.of(begins));
        while (!under.isEmpty()) {
            Node at = under.remove(under.size() - 1);
            Optional<Node> parts = split(at);
            int[] cells = cells(at);
            if (parts.isEmpty()) {
                sink(cells, at.parts, Double.POSITIVE_INFINITY);
                if (cells.length < LEAST_CELLS) {
                    continue;
                }
                pools.add(pool(cells, at, at.parts, 0));
                continue;
            }
            sink(cells, at.parts, parts.get().parts);
            for (int side : new int[] {parts.get().one, parts.get().other}) {
                Node child = nodes.get(side);
                if (child.airy) {
                    under.add(child);
                } else if (child.cells >= LEAST_CELLS) {
                    shut(child, child.parts, 0);
                }
            }
        }
    }

    /** The node at which it next parts, empty where it does not. */
    private Optional<Node> split(Node at) {
        return at.one == NONE ? Optional.empty() : Optional.of(nodes.get(at.one));
    }

    private int[] cells(Node of) {
        return bodies.cells(of.head, of.cells);
    }

    /**
     * A pool that is left alone: where it parts, what it lacks so far goes to its parts by their liquid; a part of little
     * liquid is none.
     *
     * @param since s at which the first of it was left alone
     * @param lacks m3 that it lacks of before
     */
    private void shut(Node begins, double since, double lacks) {
        int[] cells = cells(begins);
        double liquid = volume(cells, begins.parts);
        Node at = begins;
        for (Optional<Node> parts = split(at); parts.isPresent(); parts = split(at)) {
            Node one = nodes.get(parts.get().one);
            Node other = nodes.get(parts.get().other);
            double inOne = volume(cells(one), one.parts);
            double inOther = volume(cells(other), other.parts);
            double all = inOne + inOther;
            if (Math.min(inOne, inOther) >= PART * liquid) {
                double owes = lacks + shrinks * (liquid - all);
                shut(one, since, owes * inOne / all);
                shut(other, since, owes * inOther / all);
                return;
            }
            at = inOne >= inOther ? one : other;
        }
        Pool pool = pool(cells, begins, since, lacks);
        pools.add(pool);
        Integer[] last = Arrays.stream(cells).boxed().toArray(Integer[]::new);
        Arrays.sort(last, Comparator.comparingDouble((Integer c) -> -frozen.solidAt()[c]));
        double empty = pool.shrinks / cell;
        for (int i = 0; i < last.length && i < Math.max(1, Math.round(empty)); i++) {
            hollow[last[i]] = true;
        }
    }

    private double volume(int[] cells, double at) {
        double sum = 0;
        for (int c : cells) {
            sum += frozen.liquid(c, at);
        }
        return sum * cell;
    }

    private Pool pool(int[] cells, Node of, double since, double lacks) {
        double liquid = volume(cells, of.parts);
        int last = cells[0];
        int highest = cells[0];
        for (int c : cells) {
            last = frozen.solidAt()[c] > frozen.solidAt()[last] ? c : last;
            highest = grid.place(2, c) > grid.place(2, highest) ? c : highest;
        }
        return new Pool(cells, since, liquid, of.airy ? 0 : liquid * shrinks + lacks, last, highest, of.neck, of.airy);
    }

    /** What freezes of it between two moments is drawn off its highest places that still flow. */
    private void sink(int[] cells, double from, double to) {
        Integer[] high = Arrays.stream(cells).boxed().toArray(Integer[]::new);
        Arrays.sort(high, Comparator.comparingInt((Integer c) -> -grid.place(2, c)));
        double end = 0;
        for (int c : cells) {
            double until = frozen.solidAt()[c];
            end = Math.max(end, Double.isInfinite(until) ? from : until);
        }
        end = Math.min(end, to);
        double owed = 0;
        double before = liquid(cells, from);
        int slices = (int) Math.max(1, Math.ceil(SLICES * (end - from) / whole));
        for (int slice = 1; slice <= slices; slice++) {
            double at = from + (end - from) * slice / slices;
            double now = liquid(cells, at);
            owed += (before - now) * shrinks;
            before = now;
            for (int i = 0; i < high.length && owed >= 0.5; i++) {
                int c = high[i];
                if (!sunk[c] && frozen.stiffAt()[c] > at) {
                    sunk[c] = true;
                    before -= frozen.liquid(c, at);
                    owed--;
                }
            }
        }
    }

    /** Cells' worth of liquid in those that have not sunk. */
    private double liquid(int[] cells, double at) {
        double sum = 0;
        for (int c : cells) {
            sum += sunk[c] ? 0 : frozen.liquid(c, at);
        }
        return sum;
    }
}
