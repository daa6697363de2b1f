package kilnryu.core.foresight;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Placing;
import kilnryu.core.gating.Placing.Single;
import kilnryu.core.gating.Use;
import kilnryu.core.mesh.Box;
import kilnryu.core.mesh.Cells;
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
    private static final int MOST = 16_000_000;
    private static final short NONE = -1;
    /** A cube's faces have so many times the area of a ball's of the same volume, on the mean of all turns of a face. */
    private static final double STAIRS = 1.5;

    private static final double AT_RIM = 6;

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
        return new Builder(plan, meshes, ups, size, watch).build();
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
        return raster.done(entry.stream().mapToInt(i -> i).toArray(), open, OptionalShare.NONE, List.of());
    }

    /** A vent to the open air. @param at mm */
    public record Hole(Vec at, double diameter) {}

    /** True area and volume where they are known, mm2 and mm3; NaN where not. */
    private record OptionalShare(double area, double volume) {
        static final OptionalShare NONE = new OptionalShare(Double.NaN, Double.NaN);
    }

    /** Cells being filled with what is cast. */
    private static final class Raster {
        final Grid grid;
        final double edge;
        final Vec low;
        final byte[] kind;
        final short[] part;
        final List<Part> parts = new ArrayList<>();

        private Raster(Grid grid, double edge, Vec low) {
            this.grid = grid;
            this.edge = edge;
            this.low = low;
            kind = new byte[grid.cells()];
            part = new short[grid.cells()];
            Arrays.fill(part, NONE);
        }

        /** The top of the last cells is at the top of the box: a rim stays level. */
        static Raster of(Vec low, Vec high, double edge) {
            Vec span = high.minus(low);
            int nx = (int) Math.ceil(span.x() / edge);
            int ny = (int) Math.ceil(span.y() / edge);
            int nz = (int) Math.ceil(span.z() / edge);
            if ((long) nx * ny * nz > MOST) {
                throw new IllegalArgumentException("too many cells");
            }
            Vec from = new Vec(
                    low.x() - (nx * edge - span.x()) / 2, low.y() - (ny * edge - span.y()) / 2, high.z() - nz * edge);
            return new Raster(new Grid(nx, ny, nz, edge / 1000), edge, from);
        }

        Vec middle(int x, int y, int z) {
            return new Vec(low.x() + (x + 0.5) * edge, low.y() + (y + 0.5) * edge, low.z() + (z + 0.5) * edge);
        }

        Vec middle(int cell) {
            return middle(grid.place(0, cell), grid.place(1, cell), grid.place(2, cell));
        }

        private int place(double at, double from, int most) {
            return Math.max(0, Math.min(most - 1, (int) Math.floor((at - from) / edge)));
        }

        int at(Vec v) {
            return grid.at(
                    place(v.x(), low.x(), grid.nx()),
                    place(v.y(), low.y(), grid.ny()),
                    place(v.z(), low.z(), grid.nz()));
        }

        /** Tells whether a place is in a shape. */
        interface Holds {
            boolean at(Vec place);
        }

        /** Cells whose middle is in a shape; a piece takes them from the gating, gating does not from a piece. */
        int fill(Vec from, Vec to, Holds shape, short as) {
            int set = 0;
            boolean piece = parts.get(as).use == Use.PIECE;
            int x1 = place(to.x(), low.x(), grid.nx());
            int y1 = place(to.y(), low.y(), grid.ny());
            int z1 = place(to.z(), low.z(), grid.nz());
            for (int z = place(from.z(), low.z(), grid.nz()); z <= z1; z++) {
                for (int y = place(from.y(), low.y(), grid.ny()); y <= y1; y++) {
                    for (int x = place(from.x(), low.x(), grid.nx()); x <= x1; x++) {
                        if (shape.at(middle(x, y, z))) {
                            take(grid.at(x, y, z), as, piece);
                            set++;
                        }
                    }
                }
            }
            return set;
        }

        private void take(int cell, short as, boolean piece) {
            kind[cell] = Freezing.BODY;
            if (part[cell] == NONE || piece) {
                part[cell] = as;
            }
        }

        void mesh(Mesh mesh, short as, Watch watch) {
            Box box = mesh.box();
            int x0 = place(box.low().x(), low.x(), grid.nx());
            int y0 = place(box.low().y(), low.y(), grid.ny());
            int z0 = place(box.low().z(), low.z(), grid.nz());
            int[] along = {
                place(box.high().x(), low.x(), grid.nx()) - x0 + 1,
                place(box.high().y(), low.y(), grid.ny()) - y0 + 1,
                place(box.high().z(), low.z(), grid.nz()) - z0 + 1
            };
            Vec corner = new Vec(low.x() + x0 * edge, low.y() + y0 * edge, low.z() + z0 * edge);
            Cells cells = Cells.of(mesh, edge, corner, along, watch);
            boolean piece = parts.get(as).use == Use.PIECE;
            for (int z = 0; z < along[2]; z++) {
                for (int y = 0; y < along[1]; y++) {
                    for (int x = 0; x < along[0]; x++) {
                        if (cells.inside(x, y, z)) {
                            take(grid.at(x0 + x, y0 + y, z0 + z), as, piece);
                        }
                    }
                }
            }
        }

        /** The highest level with metal. */
        int top() {
            int layer = grid.nx() * grid.ny();
            for (int i = kind.length - 1; i >= 0; i--) {
                if (kind[i] == Freezing.BODY) {
                    return i / layer;
                }
            }
            return -1;
        }

        List<Integer> layer(int z) {
            List<Integer> cells = new ArrayList<>();
            int layer = grid.nx() * grid.ny();
            for (int i = Math.max(0, z) * layer; z >= 0 && i < (z + 1) * layer; i++) {
                if (kind[i] == Freezing.BODY) {
                    cells.add(i);
                }
            }
            return cells;
        }

        /** Cells of metal near a place; the nearest one where none is so near. */
        List<Integer> near(Vec at, double mm) {
            List<Integer> near = new ArrayList<>();
            int nearest = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < kind.length; i++) {
                if (kind[i] == Freezing.BODY) {
                    double away = middle(i).minus(at).length();
                    if (away <= mm) {
                        near.add(i);
                    }
                    if (away < least) {
                        least = away;
                        nearest = i;
                    }
                }
            }
            if (near.isEmpty() && nearest >= 0 && least < 4 * mm) {
                near.add(nearest);
            }
            return near;
        }

        /** The band of mold round the metal; over what is open nothing stands. */
        void mold(double band, boolean[] open) {
            double[] away = Distance.squared(grid, i -> kind[i] == Freezing.BODY);
            double within = Math.pow(Math.max(1, band / edge), 2);
            for (int i = 0; i < kind.length; i++) {
                if (kind[i] != Freezing.BODY && away[i] <= within) {
                    kind[i] = Freezing.MOLD;
                }
            }
            int layer = grid.nx() * grid.ny();
            for (int i = 0; i < kind.length; i++) {
                for (int above = i + layer;
                        open[i] && above < kind.length && kind[above] == Freezing.MOLD;
                        above += layer) {
                    kind[above] = Freezing.OUTSIDE;
                }
            }
        }

        CastCells done(int[] entry, boolean[] open, OptionalShare known, List<Bridge> bridged) {
            int body = 0;
            long faces = 0;
            for (int i = 0; i < kind.length; i++) {
                if (kind[i] == Freezing.BODY) {
                    body++;
                    for (int d = 0; d < 3; d++) {
                        int place = grid.place(d, i);
                        faces += place > 0 && kind[i - grid.stride(d)] != Freezing.BODY ? 1 : 0;
                        faces += place + 1 < grid.along(d) && kind[i + grid.stride(d)] != Freezing.BODY ? 1 : 0;
                    }
                }
            }
            double area = known.area / Math.max(1, faces * edge * edge);
            double volume = known.volume / Math.max(1, body * Math.pow(edge, 3));
            return new CastCells(
                    grid,
                    edge,
                    low,
                    kind,
                    part,
                    List.copyOf(parts),
                    entry,
                    open,
                    Double.isNaN(area) ? 1 / STAIRS : Math.max(0.55, Math.min(1, area)),
                    Double.isNaN(volume) ? 1 : Math.max(0.7, Math.min(1.4, volume)),
                    bridged);
        }
    }

    /** Builds a tree member by member. */
    private static final class Builder {
        private static final double LEAST_BRIDGE = 4;

        private final GatingPlan plan;
        private final Map<String, Mesh> meshes;
        private final Map<String, Vec> ups;
        private final Size size;
        private final Watch watch;
        private final Raster raster;
        private final List<Bridge> bridged = new ArrayList<>();

        Builder(GatingPlan plan, Map<String, Mesh> meshes, Map<String, Vec> ups, Size size, Watch watch) {
            this.plan = plan;
            this.meshes = meshes;
            this.ups = ups;
            this.size = size;
            this.watch = watch;
            double[] box = {1e9, 1e9, 1e9, -1e9, -1e9, -1e9};
            Vec[] axes = {new Vec(1, 0, 0), new Vec(0, 1, 0), Vec.UP};
            for (Single s : plan.placing().singles()) {
                Vec m = s.middle();
                double[] at = {m.x(), m.y(), m.z()};
                for (int i = 0; i < 3; i++) {
                    double reach = i == 2 && s.member().joint().isEmpty()
                            ? s.member().form().length() / 2
                            : s.reach(axes[i]);
                    box[i] = Math.min(box[i], at[i] - reach);
                    box[i + 3] = Math.max(box[i + 3], at[i] + reach);
                }
            }
            double band = size.band;
            Vec low = new Vec(box[0] - band, box[1] - band, box[2] - band);
            Vec high = new Vec(box[3] + band, box[4] + band, Math.max(0, box[5] > AT_RIM ? box[5] + band : 0));
            Vec span = high.minus(low);
            raster = Raster.of(low, high, Math.cbrt(span.x() * span.y() * span.z() / size.cells));
        }

        CastCells build() {
            double area = 0;
            double volume = 0;
            for (Member member : plan.assembly().fromRoot()) {
                area += member.form().surface() * member.count();
                Mesh mesh = meshes.get(member.key());
                double one =
                        mesh != null && member.form() instanceof Form.Body b ? volume(mesh, b) : member.oneVolume();
                volume += one * member.count() * 1000;
                for (Single s : plan.placing().of(member)) {
                    watch.report(
                            Watch.Step.JOIN,
                            raster.parts.size()
                                    / (double) plan.placing().singles().size());
                    Part part = new Part(
                            member.key(),
                            member.name(),
                            member.use(),
                            s.number(),
                            member.use() != Use.PIECE || meshes.containsKey(member.key()),
                            one,
                            member.oneVolume());
                    raster.parts.add(part);
                    set(s, (short) (raster.parts.size() - 1));
                }
            }
            join();
            boolean[] open = new boolean[raster.grid.cells()];
            List<Integer> entry = entry(open);
            short at = 0;
            for (Member member : plan.assembly().fromRoot()) {
                for (Single s : plan.placing().of(member)) {
                    if (opens(member, s)) {
                        open(at, s.tip(), open);
                    }
                    at++;
                }
            }
            raster.mold(size.band, open);
            return raster.done(
                    entry.stream().mapToInt(i -> i).toArray(), open, new OptionalShare(area, volume), bridged);
        }

        /** The highest cells of what all hangs on: it is open. */
        private List<Integer> entry(boolean[] open) {
            List<Integer> entry = new ArrayList<>();
            for (int z = raster.top(); z >= 0 && entry.isEmpty(); z--) {
                for (int c : raster.layer(z)) {
                    if (raster.part[c] == 0) {
                        entry.add(c);
                        open[c] = true;
                    }
                }
            }
            return entry;
        }

        /** A vent leads to the open, unless it runs into something; a feeder where it reaches the rim. */
        private boolean opens(Member member, Single s) {
            boolean up = s.tip().z() >= s.root().z() && member.endsAt().isEmpty();
            return up
                    && (member.use() == Use.VENT
                            || member.use() == Use.FEEDER && s.tip().z() > -AT_RIM);
        }

        private void open(short part, Vec tip, boolean[] open) {
            double highest = Double.NEGATIVE_INFINITY;
            for (int i = 0; i < raster.part.length; i++) {
                highest = raster.part[i] == part
                        ? Math.max(highest, raster.middle(i).z())
                        : highest;
            }
            for (int i = 0; i < raster.part.length; i++) {
                open[i] |= raster.part[i] == part && raster.middle(i).z() > highest - raster.edge / 2;
            }
        }

        private void set(Single s, short as) {
            Form form = s.member().form();
            Optional<Mesh> mesh = Optional.ofNullable(meshes.get(s.member().key()));
            double half = s.member().form().length() / 2 + Placing.thickest(form);
            Vec reach = new Vec(half, half, half);
            int set;
            if (form instanceof Form.Body b && mesh.isPresent()) {
                raster.mesh(placed(mesh.get(), s, b), as, watch);
                return;
            }
            Vec level = Placing.across(s.way());
            Vec other = level.cross(s.way());
            double into = s.member().joint().isEmpty() ? 0 : Math.max(raster.edge, Placing.thickest(form) / 4);
            double on = s.member().endsAt().isEmpty() ? 0 : Math.max(raster.edge, Placing.thickest(form) / 4);
            double thin = raster.edge * 0.5;
            if (form instanceof Form.Round r) {
                set = raster.fill(
                        s.middle().minus(reach),
                        s.middle().plus(reach),
                        at -> {
                            Vec from = at.minus(s.root());
                            double along = from.dot(s.way());
                            double share = Math.max(0, Math.min(1, along / r.length()));
                            double radius = Math.max(thin, (r.root() + (r.tip() - r.root()) * share) / 2);
                            return along >= -into
                                    && along <= r.length() + on
                                    && from.minus(s.way().times(along)).length() <= radius;
                        },
                        as);
            } else if (form instanceof Form.Bar b) {
                set = raster.fill(
                        s.middle().minus(reach),
                        s.middle().plus(reach),
                        at -> {
                            Vec from = at.minus(s.root());
                            double along = from.dot(s.way());
                            return along >= -into
                                    && along <= b.length() + on
                                    && Math.abs(from.dot(level)) <= Math.max(thin, b.width() / 2)
                                    && Math.abs(from.dot(other)) <= Math.max(thin, b.thickness() / 2);
                        },
                        as);
            } else {
                Form.Body b = (Form.Body) form;
                // as long as it is, and as thick as makes up its volume
                double egg = Math.PI / 6 * b.length() * b.width() * b.thickness();
                double slim = Math.min(1, Math.sqrt(s.member().oneVolume() * 1000 / egg));
                set = raster.fill(
                        s.middle().minus(reach),
                        s.middle().plus(reach),
                        at -> {
                            Vec from = at.minus(s.middle());
                            double x = 2 * from.dot(s.way()) / b.length();
                            double y = 2 * from.dot(level) / Math.max(thin, b.width() * slim);
                            double z = 2 * from.dot(other) / Math.max(thin, b.thickness() * slim);
                            return x * x + y * y + z * z <= 1;
                        },
                        as);
            }
            if (set == 0) {
                raster.take(raster.at(s.middle()), as, s.member().use() == Use.PIECE);
            }
        }

        /** What a closed mesh holds, stretched to the measures of its piece, cm3: its tetrahedra from one corner, with their signs. */
        private static double volume(Mesh mesh, Form.Body b) {
            Vec from = mesh.box().low();
            Vec span = mesh.box().size();
            double six = 0;
            for (int t = 0; t < mesh.triangleCount(); t++) {
                Vec one = mesh.at(mesh.corner(t, 0)).minus(from);
                Vec two = mesh.at(mesh.corner(t, 1)).minus(from);
                Vec three = mesh.at(mesh.corner(t, 2)).minus(from);
                six += one.dot(two.cross(three));
            }
            double stretched = b.length() * b.width() * b.thickness() / Math.max(1e-12, span.x() * span.y() * span.z());
            return Math.abs(six) / 6 * stretched / 1000;
        }

        /** The mesh as the piece hangs: its longest side along it, the middle one along the broader, the end that is up up. */
        private Mesh placed(Mesh mesh, Single s, Form.Body b) {
            Vec span = mesh.box().size();
            Vec from = mesh.box().low();
            Vec[] axes = {new Vec(1, 0, 0), new Vec(0, 1, 0), Vec.UP};
            Integer[] by = {0, 1, 2};
            Arrays.sort(by, java.util.Comparator.comparingDouble(i -> -span.dot(axes[i])));
            Vec level = Placing.across(s.way());
            Vec other = level.cross(s.way());
            boolean wide = b.width() >= b.thickness();
            Vec along = s.way();
            Vec up = ups.getOrDefault(s.member().key(), Vec.UP);
            double upward = axes[by[0]].dot(up.unit());
            boolean turned = Math.abs(upward) > 0.5 && upward > 0 == s.way().z() < 0;
            Vec broad = wide ? level : other;
            Vec narrow = wide ? other : level;
            // a piece is turned, never mirrored
            boolean rightMesh = axes[by[0]].cross(axes[by[1]]).dot(axes[by[2]]) > 0;
            boolean rightHere = along.cross(broad).dot(narrow) > 0;
            boolean flip = rightMesh == rightHere == turned;
            double[] scale = {
                b.length() / Math.max(1e-9, span.dot(axes[by[0]])),
                Math.max(b.width(), b.thickness()) / Math.max(1e-9, span.dot(axes[by[1]])),
                Math.min(b.width(), b.thickness()) / Math.max(1e-9, span.dot(axes[by[2]]))
            };
            float[] corners = mesh.corners();
            for (int i = 0; i < corners.length; i += 3) {
                Vec v = new Vec(corners[i], corners[i + 1], corners[i + 2]).minus(from);
                double a = v.dot(axes[by[0]]) * scale[0];
                double c = (v.dot(axes[by[1]]) - span.dot(axes[by[1]]) / 2) * scale[1];
                double d = (v.dot(axes[by[2]]) - span.dot(axes[by[2]]) / 2) * scale[2];
                Vec at = s.root()
                        .plus(along.times(turned ? b.length() - a : a))
                        .plus(broad.times(c))
                        .plus(narrow.times(flip ? -d : d));
                corners[i] = (float) at.x();
                corners[i + 1] = (float) at.y();
                corners[i + 2] = (float) at.z();
            }
            return Mesh.of(corners, mesh.triangles());
        }

        /** What ends short of what it joins is led on to it, as thick as it is. */
        private void join() {
            short child = 0;
            for (Member member : plan.assembly().fromRoot()) {
                List<Single> own = plan.placing().of(member);
                for (Single s : own) {
                    Optional<Member> parent = plan.assembly().parentOf(member);
                    if (parent.isPresent()) {
                        List<Single> on = plan.placing().of(parent.get());
                        int which =
                                on.isEmpty() ? 0 : (int) ((long) s.number() * on.size() / Math.max(1, member.count()));
                        bridge(child, index(parent.get().key(), which), s.root(), s.member());
                    }
                    if (!member.endsAt().isEmpty()) {
                        bridge(child, index(member.endsAt(), 0), s.tip(), s.member());
                    }
                    child++;
                }
            }
        }

        private short index(String key, int number) {
            for (int i = 0; i < raster.parts.size(); i++) {
                Part p = raster.parts.get(i);
                if (p.key.equals(key) && p.number == number) {
                    return (short) i;
                }
            }
            return 0;
        }

        private void bridge(short one, short other, Vec at, Member member) {
            int from = nearest(one, at);
            int to = from < 0 ? -1 : nearest(other, raster.middle(from));
            from = to < 0 ? -1 : nearest(one, raster.middle(to));
            if (from < 0) {
                return;
            }
            Vec start = raster.middle(from);
            Vec way = raster.middle(to).minus(start);
            double gap = way.length();
            if (gap <= raster.edge * 1.01) {
                return;
            }
            Form form = member.form();
            double thick = form instanceof Form.Bar b
                    ? Math.min(b.width(), b.thickness())
                    : form instanceof Form.Round r ? Math.min(r.root(), r.tip()) : LEAST_BRIDGE;
            double radius = Math.max(raster.edge * 0.75, thick / 2);
            Vec unit = way.unit();
            Vec reach = new Vec(gap + radius, gap + radius, gap + radius);
            short as = raster.parts.get(one).use == Use.PIECE ? other : one;
            raster.fill(
                    start.minus(reach),
                    start.plus(reach),
                    v -> {
                        Vec off = v.minus(start);
                        double along = off.dot(unit);
                        return along >= 0
                                && along <= gap
                                && off.minus(unit.times(along)).length() <= radius;
                    },
                    as);
            if (gap > Math.max(LEAST_BRIDGE, 2 * raster.edge)) {
                bridged.add(new Bridge(raster.parts.get(one).key, gap));
            }
        }

        private int nearest(short part, Vec at) {
            int nearest = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < raster.part.length; i++) {
                if (raster.part[i] == part) {
                    double away = raster.middle(i).minus(at).length();
                    if (away < least) {
                        least = away;
                        nearest = i;
                    }
                }
            }
            return nearest;
        }
    }
}
