package kilnryu.core.foresight;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.Use;
import kilnryu.core.mesh.Box;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Watch;
import kilnryu.core.solid.Freezing;
import kilnryu.core.solid.Grid;

/**
 * A tree as cells of metal and mold, in mm, cup up, its rim at height 0.
 *
 * @param edge of a cell, mm
 * @param low the corner of the first cell, mm
 * @param kind of each cell, as of {@link Freezing.Question}
 * @param part of each cell of metal: its place in {@code parts}; -1 elsewhere
 * @param entry cells where the metal comes in
 * @param open cells at which air leaves, and at whose face it stands on the metal
 * @param areaShare true area of the metal, as a share of that of its cells' faces
 * @param volumeShare true volume of the metal, as a share of that of its cells
 * @param bridged parts that ended short of what they join, with the gap, mm: they were taken as joined
 */
public record CastCells(
        Grid grid,
        double edge,
        Vec low,
        byte[] kind,
        short[] part,
        List<Part> parts,
        int[] entry,
        boolean[] open,
        double areaShare,
        double volumeShare,
        List<Bridge> bridged) {
    /**
     * One of a member.
     *
     * @param shaped whether its true shape is known; a piece without a mesh is an egg of its measures
     * @param volume of it, cm3, by its mesh where it has one; NaN where it is not known
     * @param planned cm3 that the plan counts, by scale or measure; NaN where nothing is planned
     */
    public record Part(String key, String name, Use use, int number, boolean shaped, double volume, double planned) {}

    private static final double GATE = 16;

    /** What ended short of what it joins. */
    public record Bridge(String key, double gap) {}

    /** How large one tree is in cells. @param cells in all, about @param band of mold round the metal, mm */
    public record Size(int cells, double band) {
        /** @throws IllegalArgumentException for what cannot be reckoned */
        public Size {
            if (cells < 1000 || cells > 8_000_000 || !(band > 0)) {
                throw new IllegalArgumentException("between 1,000 and 8,000,000 cells");
            }
        }
    }

    /** Edge of cells when the same is raised in another number of them, mm. */
    public static double edge(double edge, int cells, int others) {
        return edge * Math.cbrt(cells / (double) others);
    }

    /**
     * A tree with its gating.
     *
     * @param meshes of pieces, by the member's key; its longest side lies along the piece
     * @param ups which way is up in a mesh as the piece hangs, by the member's key
     */
    public static CastCells of(
            GatingPlan plan, Map<String, Mesh> meshes, Map<String, Vec> ups, Size size, Watch watch) {
        return new TreeCells(plan, meshes, ups, size, watch).build();
    }

    /** Place of the middle of a cell, mm. */
    public Vec middle(int cell) {
        return new Vec(
                low.x() + (grid.place(0, cell) + 0.5) * edge,
                low.y() + (grid.place(1, cell) + 0.5) * edge,
                low.z() + (grid.place(2, cell) + 0.5) * edge);
    }

    public Part of(int cell) {
        return parts.get(part[cell]);
    }

    /** True volume of a cell of metal, cm3. */
    public double cell() {
        return edge * edge * edge / 1000 * volumeShare;
    }

    /** Cells of metal in each part. */
    public int[] counts() {
        int[] counts = new int[parts.size()];
        for (short p : part) {
            if (p >= 0) {
                counts[p]++;
            }
        }
        return counts;
    }

    /** A body as one mesh, as it is to be cast. */
    public static CastCells of(Mesh mesh, List<Hole> vents, Size size, Watch watch) {
        Box box = mesh.box();
        Vec margin = new Vec(size.band, size.band, size.band);
        Vec span = box.size().plus(new Vec(2 * size.band, 2 * size.band, size.band));
        double edge = Math.cbrt(span.x() * span.y() * span.z() / size.cells);
        Vec from = box.low().minus(margin);
        Raster raster = Raster.of(
                from,
                new Vec(
                        box.high().x() + size.band,
                        box.high().y() + size.band,
                        box.high().z()),
                edge);
        raster.parts.add(new Part("metal", "metal", Use.PIECE, 0, true, Double.NaN, Double.NaN));
        raster.mesh(mesh, (short) 0, watch);
        int top = raster.top();
        boolean[] open = new boolean[raster.grid.cells()];
        List<Integer> entry = new ArrayList<>();
        for (int c : raster.layer(top)) {
            entry.add(c);
            open[c] = true;
        }
        for (Hole h : vents) {
            raster.near(h.at, Math.max(edge, h.diameter / 2)).forEach(c -> open[c] = true);
        }
        raster.mold(size.band, open);
        return raster.done(entry.stream().mapToInt(i -> i).toArray(), open, Raster.Known.NOTHING, List.of());
    }

    /** The same as a shell of a wall's thickness, mm, round a core of mold. */
    public CastCells hollow(double wall) {
        double[] away = Distance.squared(grid, i -> kind[i] != Freezing.BODY);
        double deep = wall / edge + 0.5;
        return kept(i -> away[i] <= deep * deep);
    }

    /**
     * One of so many equal lengths of it, along its longest side; in the place of the rest is mold.
     *
     * @param number from 0
     */
    public CastCells section(int number, int of) {
        int[] least = {Integer.MAX_VALUE, Integer.MAX_VALUE, Integer.MAX_VALUE};
        int[] most = {-1, -1, -1};
        for (int i = 0; i < kind.length; i++) {
            for (int d = 0; d < 3 && kind[i] == Freezing.BODY; d++) {
                least[d] = Math.min(least[d], grid.place(d, i));
                most[d] = Math.max(most[d], grid.place(d, i));
            }
        }
        int longest = 0;
        for (int d = 1; d < 3; d++) {
            longest = most[d] - least[d] > most[longest] - least[longest] ? d : longest;
        }
        int along = longest;
        double each = (most[along] - least[along] + 1) / (double) of;
        return kept(i -> (int) Math.min(of - 1, (grid.place(along, i) - least[along]) / each) == number);
    }

    /** As it is, but poured through a gate of {@value #GATE} mm in the middle of its highest place. */
    public CastCells gated() {
        return kept(i -> true);
    }

    /** Metal only where it is kept, poured through a gate in the middle of the highest place of that. */
    private CastCells kept(IntPredicate keeps) {
        byte[] kinds = kind.clone();
        short[] partOf = part.clone();
        int top = -1;
        for (int i = 0; i < kinds.length; i++) {
            if (kinds[i] == Freezing.BODY && !keeps.test(i)) {
                kinds[i] = Freezing.MOLD;
                partOf[i] = -1;
            }
            top = kinds[i] == Freezing.BODY ? Math.max(top, grid.place(2, i)) : top;
        }
        int layer = grid.nx() * grid.ny();
        int[] highest = IntStream.range(Math.max(0, top) * layer, (top + 1) * layer)
                .filter(i -> kinds[i] == Freezing.BODY)
                .toArray();
        Vec sum = new Vec(0, 0, 0);
        for (int c : highest) {
            sum = sum.plus(middle(c));
        }
        Vec mean = sum.times(1.0 / Math.max(1, highest.length));
        Vec at = Arrays.stream(highest)
                .mapToObj(this::middle)
                .min(Comparator.comparingDouble(v -> v.minus(mean).length()))
                .orElse(mean);
        int[] gate = Arrays.stream(highest)
                .filter(c -> middle(c).minus(at).length() <= GATE / 2)
                .toArray();
        boolean[] air = new boolean[open.length];
        for (int c : gate) {
            air[c] = true;
        }
        return new CastCells(grid, edge, low, kinds, partOf, parts, gate, air, areaShare, volumeShare, bridged);
    }

    /** A vent to the open air. @param at mm */
    public record Hole(Vec at, double diameter) {}
}
