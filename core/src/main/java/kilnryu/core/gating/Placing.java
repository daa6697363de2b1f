package kilnryu.core.gating;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kilnryu.core.mesh.Vec;

/**
 * Where every single member stands, in mm, cup up: the rim of the root at height 0, everything else below or beside it.
 * Members alike are set round in rings, evenly; every second ring is turned by half a step.
 */
public final class Placing {
    private final List<Single> singles = new ArrayList<>();
    private final Map<String, List<Single>> byKey = new HashMap<>();

    /**
     * One of a member.
     *
     * @param number from 0 among those alike
     * @param root where it begins, on the face of what it joins
     * @param tip its other end
     * @param way from root to tip, length 1
     * @param azimuth degrees round the upright axis
     */
    public record Single(Member member, int number, Vec root, Vec tip, Vec way, double azimuth) {
        Vec along(double mm) {
            return root.plus(way.times(mm));
        }

        public Vec middle() {
            return root.plus(tip).times(0.5);
        }

        /** Highest place of it, mm; bodies are taken as ellipsoids. */
        public double top() {
            return middle().z() + reach(Vec.UP);
        }

        public double bottom() {
            return middle().z() - reach(Vec.UP);
        }

        /** How far it reaches from its middle in a direction of length 1. */
        public double reach(Vec to) {
            double half = member.form().length() / 2;
            double along = half * way.dot(to);
            double side = Math.sqrt(Math.max(0, 1 - way.dot(to) * way.dot(to)));
            if (member.form() instanceof Form.Body b) {
                Vec across = across(way);
                double wide = b.width() / 2 * across.dot(to);
                double thick = b.thickness() / 2 * across.cross(way).dot(to);
                return Math.sqrt(along * along + wide * wide + thick * thick);
            }
            return Math.abs(along) + thickest(member.form()) / 2 * side;
        }
    }

    private Placing() {}

    public static Placing of(Assembly assembly) {
        Placing placing = new Placing();
        for (Member member : assembly.fromRoot()) {
            List<Single> own = assembly.parentOf(member).isEmpty()
                    ? List.of(rooted(member))
                    : placing.joined(
                            member, placing.of(assembly.parentOf(member).get()));
            placing.singles.addAll(own);
            placing.byKey.put(member.key(), own);
        }
        return placing;
    }

    private static Single rooted(Member member) {
        Vec down = new Vec(0, 0, -1);
        Vec top = new Vec(0, 0, 0);
        return new Single(member, 0, top, down.times(member.form().length()), down, 0);
    }

    private List<Single> joined(Member member, List<Single> parents) {
        Joint joint = member.joint().get();
        List<Single> made = new ArrayList<>();
        for (int p = 0; p < parents.size(); p++) {
            int from = p * member.count() / parents.size();
            int to = (p + 1) * member.count() / parents.size();
            int inRing = Math.max(1, (int) Math.ceil((to - from) / (double) joint.rings()));
            for (int i = 0; i < to - from; i++) {
                int ring = i / inRing;
                int here = Math.min(inRing, to - from - ring * inRing);
                double step = 360.0 / here;
                double turn = joint.angle() + i % inRing * step + (ring % 2 == 1 && here > 1 ? step / 2 : 0);
                double at = joint.at() + ring * joint.spacing();
                made.add(single(member, from + i, parents.get(p), at, turn));
            }
        }
        return made;
    }

    private static Single single(Member member, int number, Single parent, double at, double turn) {
        double azimuth = parent.azimuth + turn;
        double level = Math.toRadians(member.joint().get().tilt());
        double round = Math.toRadians(azimuth);
        Vec way = new Vec(Math.cos(level) * Math.cos(round), Math.cos(level) * Math.sin(round), Math.sin(level));
        Vec root = parent.along(at).plus(face(parent, at, way));
        return new Single(
                member, number, root, root.plus(way.times(member.form().length())), way, azimuth);
    }

    /** From a parent's axis to its face, towards where the joined one leaves; nothing on a gate's end or in line. */
    private static Vec face(Single parent, double at, Vec way) {
        double inLine = way.dot(parent.way);
        Vec aside = way.minus(parent.way.times(inLine));
        boolean onItsEnd =
                parent.member.use() == Use.GATE && at >= parent.member.form().length();
        if (onItsEnd || aside.length() < 0.05) {
            return new Vec(0, 0, 0);
        }
        return aside.unit().times(thicknessAt(parent, at, aside.unit()) / 2);
    }

    private static double thicknessAt(Single parent, double at, Vec aside) {
        Form form = parent.member.form();
        double share = Math.min(1, Math.max(0, at / form.length()));
        if (form instanceof Form.Round r) {
            return r.root() + (r.tip() - r.root()) * share;
        }
        if (form instanceof Form.Bar b) {
            return Math.min(b.width(), b.thickness());
        }
        Form.Body b = (Form.Body) form;
        Vec across = across(parent.way);
        double wide = b.width() * across.dot(aside);
        double thick = b.thickness() * across.cross(parent.way).dot(aside);
        double round = Math.sqrt(Math.max(0, 1 - (2 * share - 1) * (2 * share - 1)));
        return Math.hypot(wide, thick) * round;
    }

    /** Level and at right angles to a direction: the way a body's width lies. */
    public static Vec across(Vec way) {
        Vec level = Vec.UP.cross(way);
        return level.length() < 1e-6 ? new Vec(0, 1, 0) : level.unit();
    }

    /** Greatest measure across, mm. */
    public static double thickest(Form form) {
        if (form instanceof Form.Round r) {
            return Math.max(r.root(), r.tip());
        }
        if (form instanceof Form.Bar b) {
            return Math.max(b.width(), b.thickness());
        }
        Form.Body body = (Form.Body) form;
        return Math.max(body.width(), body.thickness());
    }

    public List<Single> singles() {
        return List.copyOf(singles);
    }

    public List<Single> of(Member member) {
        return byKey.getOrDefault(member.key(), List.of());
    }

    /** Depth of the lowest place under the rim, mm. */
    public double depth() {
        return -singles.stream().mapToDouble(Single::bottom).min().orElse(0);
    }

    /** Greatest width across the upright axis through the root, mm. */
    public double width() {
        return 2
                * singles.stream()
                        .mapToDouble(s -> {
                            Vec m = s.middle();
                            double out = Math.hypot(m.x(), m.y());
                            Vec to = out < 1e-9 ? new Vec(1, 0, 0) : new Vec(m.x() / out, m.y() / out, 0);
                            return out + s.reach(to);
                        })
                        .max()
                        .orElse(0);
    }
}
