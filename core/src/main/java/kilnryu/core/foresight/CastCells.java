package kilnryu.core.foresight;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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

    /** A vent to the open air. @param at mm */
    public record Hole(Vec at, double diameter) {}
}
