package kilnryu.core.mesh;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.IntPredicate;

/**
 * What holds a piece back in a mold of two parts that open along one direction. The solid is cut into columns along it,
 * {@value #ACROSS} along its longer side; what is open between two stretches of a column is filled by a mold and comes out
 * neither way. Openings that touch are one undercut; where all of it can go out sideways without meeting the piece, a part of its
 * own frees it; where some of it goes one way and the rest the other, two parts do.
 *
 * <p>Error: places, depths and volumes are good to about a cell; what is narrower than a cell is not seen. That rubber stretches
 * is not reckoned with.
 *
 * @param all largest first
 * @param cell width of a column, in the unit of the mesh
 */
public record Undercuts(List<Undercut> all, double cell) {
    private static final int ACROSS = 160;
    private static final int MOST = 24;
    private static final int WAYS = 24;
    /** So many columns of an undercut are tried for a way out. */
    private static final int TRIED = 400;

    /** Fewer columns together are slivers between facets. */
    private static final int LEAST_COLUMNS = 9;

    /**
     * A place where rubber would be locked.
     *
     * @param at its middle, in the mesh's own coordinates
     * @param depth of the opening along the direction, at its deepest
     * @param volume of it, in cubic units of the mesh
     * @param frees which way a part of its own goes out, or two parts; empty where it goes out no way
     */
    public record Undercut(Vec at, double depth, double volume, List<Vec> frees) {
        public boolean locks() {
            return frees.isEmpty();
        }
    }

    /**
     * @param opening along which the two parts come apart, any length
     * @throws IllegalArgumentException for a mesh that is not closed, or an opening without direction
     */
    public static Undercuts of(Solid solid, Vec opening, Watch watch) {
        if (!solid.isClosed()) {
            throw new IllegalArgumentException("a mesh that is not closed has no inside");
        }
        return ofView(solid.mesh(), opening, watch);
    }

    /**
     * The same of a picture of a closed mesh, whose triangles need not share corners.
     *
     * @throws IllegalArgumentException for an opening without direction
     */
    public static Undercuts ofView(Mesh view, Vec opening, Watch watch) {
        if (!(opening.length() > 0)) {
            throw new IllegalArgumentException("an opening has a direction");
        }
        watch.report(Watch.Step.UNDERCUTS, 0);
        Columns columns = Columns.of(view, Turn.upright(opening), ACROSS);
        watch.report(Watch.Step.UNDERCUTS, 0.5);
        Columns gaps = columns.gaps();
        List<Undercut> found = new ArrayList<>();
        for (List<Integer> together : groups(gaps)) {
            undercut(columns, gaps, together).ifPresent(found::add);
        }
        watch.report(Watch.Step.UNDERCUTS, 1);
        found.sort(Comparator.comparingDouble((Undercut u) -> -u.volume));
        return new Undercuts(List.copyOf(found.subList(0, Math.min(MOST, found.size()))), columns.cell());
    }

    private static List<List<Integer>> groups(Columns gaps) {
        int[] parent = new int[gaps.count()];
        Arrays.setAll(parent, i -> i);
        for (long link : gaps.links()) {
            parent[root(parent, (int) (link >> 32))] = root(parent, (int) link);
        }
        List<List<Integer>> all = new ArrayList<>();
        int[] group = new int[gaps.count()];
        Arrays.fill(group, -1);
        for (int i = 0; i < gaps.count(); i++) {
            int root = root(parent, i);
            if (group[root] < 0) {
                group[root] = all.size();
                all.add(new ArrayList<>());
            }
            all.get(group[root]).add(i);
        }
        return all;
    }

    private static int root(int[] parent, int of) {
        int at = of;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    private static Optional<Undercut> undercut(Columns columns, Columns gaps, List<Integer> together) {
        double volume = 0;
        double depth = 0;
        Vec sum = new Vec(0, 0, 0);
        for (int g : together) {
            double open = gaps.top(g) - gaps.bottom(g);
            volume += open * gaps.cell() * gaps.cell();
            depth = Math.max(depth, open);
            sum = sum.plus(gaps.place(g, (gaps.top(g) + gaps.bottom(g)) / 2).times(open));
        }
        if (together.size() < LEAST_COLUMNS || depth < gaps.cell()) {
            return Optional.empty();
        }
        double opens = volume / (gaps.cell() * gaps.cell());
        return Optional.of(new Undercut(sum.times(1 / opens), depth, volume, frees(columns, gaps, together)));
    }

    /** The first of the ways round on which all of it goes out; else the first on which each place goes out forward or back. */
    private static List<Vec> frees(Columns columns, Columns gaps, List<Integer> together) {
        int every = Math.max(1, together.size() / TRIED);
        for (int i = 0; i < WAYS; i++) {
            double x = Math.cos(angle(i));
            double y = Math.sin(angle(i));
            if (all(together, every, g -> columns.letsOut(gaps, g, x, y))) {
                return List.of(gaps.across(x, y));
            }
        }
        for (int i = 0; i < WAYS; i++) {
            double x = Math.cos(angle(i));
            double y = Math.sin(angle(i));
            if (all(together, every, g -> columns.letsOut(gaps, g, x, y) || columns.letsOut(gaps, g, -x, -y))) {
                return List.of(gaps.across(x, y), gaps.across(-x, -y));
            }
        }
        return List.of();
    }

    /** Square ways first: a caster parts along them where it can be. */
    private static double angle(int i) {
        int quarter = WAYS / 4;
        int way = i < 4 ? i * quarter : i - 4 + (i - 4) / (quarter - 1) + 1;
        return 2 * Math.PI * way / WAYS;
    }

    private static boolean all(List<Integer> together, int every, IntPredicate out) {
        for (int i = 0; i < together.size(); i += every) {
            if (!out.test(together.get(i))) {
                return false;
            }
        }
        return true;
    }
}
