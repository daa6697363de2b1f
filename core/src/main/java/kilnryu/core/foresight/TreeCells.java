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
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Watch;

/** Builds a tree member by member. */
final class TreeCells {
    /** A rod that ends so near the rim is open, mm. */
    private static final double AT_RIM = 6;

    private static final double LEAST_BRIDGE = 4;

    private final GatingPlan plan;
    private final Map<String, Mesh> meshes;
    private final Map<String, Vec> ups;
    private final CastCells.Size size;
    private final Watch watch;
    private final Raster raster;
    private final List<CastCells.Bridge> bridged = new ArrayList<>();

    TreeCells(GatingPlan plan, Map<String, Mesh> meshes, Map<String, Vec> ups, CastCells.Size size, Watch watch) {
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
        double band = size.band();
        Vec low = new Vec(box[0] - band, box[1] - band, box[2] - band);
        Vec high = new Vec(box[3] + band, box[4] + band, Math.max(0, box[5] > AT_RIM ? box[5] + band : 0));
        Vec span = high.minus(low);
        raster = Raster.of(low, high, Math.cbrt(span.x() * span.y() * span.z() / size.cells()));
    }

    CastCells build() {
        double area = 0;
        double volume = 0;
        for (Member member : plan.assembly().fromRoot()) {
            area += member.form().surface() * member.count();
            Mesh mesh = meshes.get(member.key());
            double one = mesh != null && member.form() instanceof Form.Body b ? volume(mesh, b) : member.oneVolume();
            volume += one * member.count() * 1000;
            for (Single s : plan.placing().of(member)) {
                watch.report(
                        Watch.Step.JOIN,
                        raster.parts.size() / (double) plan.placing().singles().size());
                CastCells.Part part = new CastCells.Part(
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
        raster.mold(size.band(), open);
        return raster.done(entry.stream().mapToInt(i -> i).toArray(), open, new Raster.Known(area, volume), bridged);
    }

    /** The highest cells of what all hangs on; of anything, where other parts took all of it. It is open. */
    private List<Integer> entry(boolean[] open) {
        List<Integer> entry = new ArrayList<>();
        for (int z = raster.top(); z >= 0 && entry.isEmpty(); z--) {
            for (int c : raster.layer(z)) {
                if (raster.part[c] == 0) {
                    entry.add(c);
                }
            }
        }
        if (entry.isEmpty()) {
            entry.addAll(raster.layer(raster.top()));
        }
        entry.forEach(c -> open[c] = true);
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
            highest =
                    raster.part[i] == part ? Math.max(highest, raster.middle(i).z()) : highest;
        }
        for (int i = 0; i < raster.part.length; i++) {
            double z = raster.middle(i).z();
            // where a rod stands out over the rim metal still stands at the rim, under the air that is in the rod
            boolean atRim = z <= 0 && z > -raster.edge;
            open[i] |= raster.part[i] == part && (z > highest - raster.edge / 2 || atRim);
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
                    int which = on.isEmpty() ? 0 : (int) ((long) s.number() * on.size() / Math.max(1, member.count()));
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
            CastCells.Part p = raster.parts.get(i);
            if (p.key().equals(key) && p.number() == number) {
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
        short as = raster.parts.get(one).use() == Use.PIECE ? other : one;
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
            bridged.add(new CastCells.Bridge(raster.parts.get(one).key(), gap));
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
