package kilnryu.core.mesh;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Orients a mesh. Within each connected surface, faces are made to agree with their neighbours; then a surface is turned
 * outward, one that its file turns the other way than the one it lies in inward, so that it counts as a void. When edges are
 * open, corners nearer than a millionth of the diagonal are joined once more, and that mesh is kept if it has fewer.
 */
final class Mending {
    private static final double NEAR = 1e-6;
    /** More open edges than this are counted, but neither joined nor placed: it is no surface but loose triangles. */
    private static final int MOST_RIM = 200_000;
    /** More bodies than this are taken as lying beside each other. */
    private static final int MOST_NESTED = 400;
    /** A direction that lies in the plane of no ordinary face. */
    private static final Vec AWAY = new Vec(0.5377, 0.3119, 0.7833).unit();

    private final Watch watch;
    private Mesh mesh;
    private Seams seams;
    private int[] bodyOf = {};
    private boolean[] over = {};
    private boolean twisted;
    private int bodyCount;

    Mending(Mesh mesh, Watch watch) {
        this.mesh = mesh;
        this.watch = watch;
        watch.report(Watch.Step.JOIN, 0);
        seams = Seams.of(mesh);
    }

    Solid done() {
        if (seams.open() > 0 && seams.open() < MOST_RIM) {
            joinNear();
        }
        watch.report(Watch.Step.JOIN, 0.4);
        agree();
        joinCrowded();
        watch.report(Watch.Step.JOIN, 0.7);
        List<Solid.Body> bodies = turnOutward();
        int flipped = 0;
        for (boolean turned : over) {
            flipped += turned ? 1 : 0;
        }
        Mesh sound = mesh.turned(over);
        boolean closed = seams.open() == 0 && !twisted;
        Optional<Merged> merged = closed && (seams.crowded() > 0 || near(bodies))
                ? Optional.of(Merged.of(sound, AWAY, watch))
                : Optional.empty();
        watch.report(Watch.Step.JOIN, 1);
        return new Solid(sound, bodies, seams.open(), seams.crowded(), flipped, twisted, gaps(), merged);
    }

    private void joinNear() {
        double cell = Math.max(mesh.box().diagonal() * NEAR, Float.MIN_NORMAL);
        Map<List<Long>, Integer> first = new HashMap<>();
        int[] to = new int[mesh.cornerCount()];
        Arrays.setAll(to, i -> i);
        for (int t = 0; t < mesh.triangleCount(); t++) {
            for (int side = 0; side < 3; side++) {
                int s = 3 * t + side;
                if (seams.mate(s) == Seams.OPEN) {
                    nearest(Seams.from(mesh, s), cell, first, to);
                    nearest(Seams.to(mesh, s), cell, first, to);
                }
            }
        }
        Mesh joined = mesh.rejoined(to);
        Seams fewer = Seams.of(joined);
        if (joined.triangleCount() > 0 && fewer.open() < seams.open()) {
            mesh = joined;
            seams = fewer;
        }
    }

    /** Sends a corner to the first one met within a cell's width, looking into the cells around too. */
    private void nearest(int corner, double cell, Map<List<Long>, Integer> first, int[] to) {
        Vec at = mesh.at(corner);
        long i = (long) Math.floor(at.x() / cell);
        long j = (long) Math.floor(at.y() / cell);
        long k = (long) Math.floor(at.z() / cell);
        for (long a = i - 1; a <= i + 1; a++) {
            for (long b = j - 1; b <= j + 1; b++) {
                for (long c = k - 1; c <= k + 1; c++) {
                    Integer other = first.get(List.of(a, b, c));
                    if (other != null && mesh.at(other).minus(at).length() <= cell) {
                        to[corner] = other;
                        return;
                    }
                }
            }
        }
        first.put(List.of(i, j, k), corner);
    }

    /** Walks over each surface and turns the faces that disagree with the one the walk came from. */
    private void agree() {
        int count = mesh.triangleCount();
        bodyOf = new int[count];
        Arrays.fill(bodyOf, -1);
        over = new boolean[count];
        int[] waiting = new int[count];
        for (int start = 0; start < count; start++) {
            if (bodyOf[start] >= 0) {
                continue;
            }
            int body = bodyCount++;
            bodyOf[start] = body;
            int filled = 0;
            waiting[filled++] = start;
            while (filled > 0) {
                int t = waiting[--filled];
                for (int side = 3 * t; side < 3 * t + 3; side++) {
                    int mate = seams.mate(side);
                    if (mate < 0) {
                        continue;
                    }
                    boolean against = Seams.from(mesh, side) == Seams.to(mesh, mate);
                    boolean wanted = over[t] ? against : !against;
                    int other = mate / 3;
                    if (bodyOf[other] < 0) {
                        bodyOf[other] = body;
                        over[other] = wanted;
                        waiting[filled++] = other;
                    } else if (over[other] != wanted) {
                        twisted = true;
                    }
                }
            }
        }
    }

    /** Surfaces that meet at an edge of more than two faces are one body: each patch between such edges encloses nothing. */
    private void joinCrowded() {
        if (seams.crowded() == 0) {
            return;
        }
        asFiled();
        int[] group = new int[bodyCount];
        Arrays.setAll(group, i -> i);
        Map<Long, Integer> first = new HashMap<>();
        for (int side = 0; side < 3 * mesh.triangleCount(); side++) {
            if (seams.mate(side) == Seams.CROWDED) {
                int a = Seams.from(mesh, side);
                int b = Seams.to(mesh, side);
                long edge = (long) Math.min(a, b) << 32 | Math.max(a, b);
                int body = bodyOf[side / 3];
                Integer other = first.putIfAbsent(edge, body);
                if (other != null) {
                    group[top(group, body)] = top(group, other);
                }
            }
        }
        int[] number = new int[bodyCount];
        Arrays.fill(number, -1);
        int joined = 0;
        for (int t = 0; t < bodyOf.length; t++) {
            int body = top(group, bodyOf[t]);
            if (number[body] < 0) {
                number[body] = joined++;
            }
            bodyOf[t] = number[body];
        }
        bodyCount = joined;
    }

    private static int top(int[] group, int of) {
        int at = of;
        while (group[at] != at) {
            group[at] = group[group[at]];
            at = group[at];
        }
        return at;
    }

    /** Each surface as most of its faces were filed. */
    private void asFiled() {
        int[] turned = new int[bodyCount];
        int[] all = new int[bodyCount];
        for (int t = 0; t < over.length; t++) {
            all[bodyOf[t]]++;
            turned[bodyOf[t]] += over[t] ? 1 : 0;
        }
        for (int t = 0; t < over.length; t++) {
            over[t] ^= 2 * turned[bodyOf[t]] > all[bodyOf[t]];
        }
    }

    private List<Solid.Body> turnOutward() {
        if (seams.crowded() == 0) {
            asFiled();
        }
        double[] volume = new double[bodyCount];
        double[] area = new double[bodyCount];
        int[] triangles = new int[bodyCount];
        int[] example = new int[bodyCount];
        Box[] boxes = boxes();
        Vec origin = mesh.at(mesh.corner(0, 0));
        for (int t = mesh.triangleCount() - 1; t >= 0; t--) {
            int b = bodyOf[t];
            volume[b] += (over[t] ? -1 : 1) * tetrahedron(t, origin);
            area[b] += mesh.normal(t).length() / 2;
            triangles[b]++;
            example[b] = t;
        }
        Depths depths = depths(boxes, example);
        boolean[] crowded = crowdedBodies();
        boolean[] turn = new boolean[bodyCount];
        List<Solid.Body> bodies = new ArrayList<>();
        for (int b = 0; b < bodyCount; b++) {
            // one with edges of more than two faces stays as the file has it
            boolean wantsVoid = depths.isVoid(b, volume);
            boolean wantsPositive = !wantsVoid;
            turn[b] = !crowded[b] && (volume[b] > 0) != wantsPositive && volume[b] != 0;
            bodies.add(
                    new Solid.Body(triangles[b], turn[b] ? -volume[b] : volume[b], area[b], boxes[b], depths.count[b]));
        }
        for (int t = 0; t < over.length; t++) {
            over[t] ^= turn[bodyOf[t]];
        }
        bodies.sort(Comparator.comparingDouble((Solid.Body b) -> -Math.abs(b.volume())));
        return List.copyOf(bodies);
    }

    /** Whether two bodies may overlap: their boxes do. */
    private static boolean near(List<Solid.Body> bodies) {
        if (bodies.size() > MOST_NESTED) {
            return true;
        }
        for (int i = 0; i < bodies.size(); i++) {
            for (int j = i + 1; j < bodies.size(); j++) {
                if (bodies.get(i).box().meets(bodies.get(j).box())) {
                    return true;
                }
            }
        }
        return false;
    }

    private double tetrahedron(int t, Vec origin) {
        Vec a = mesh.at(mesh.corner(t, 0)).minus(origin);
        Vec b = mesh.at(mesh.corner(t, 1)).minus(origin);
        Vec c = mesh.at(mesh.corner(t, 2)).minus(origin);
        return a.dot(b.cross(c)) / 6;
    }

    private Box[] boxes() {
        double[][] low = new double[bodyCount][];
        double[][] high = new double[bodyCount][];
        for (int b = 0; b < bodyCount; b++) {
            low[b] = new double[] {Double.MAX_VALUE, Double.MAX_VALUE, Double.MAX_VALUE};
            high[b] = new double[] {-Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
        }
        for (int t = 0; t < mesh.triangleCount(); t++) {
            for (int k = 0; k < 3; k++) {
                Vec at = mesh.at(mesh.corner(t, k));
                double[] place = {at.x(), at.y(), at.z()};
                for (int axis = 0; axis < 3; axis++) {
                    low[bodyOf[t]][axis] = Math.min(low[bodyOf[t]][axis], place[axis]);
                    high[bodyOf[t]][axis] = Math.max(high[bodyOf[t]][axis], place[axis]);
                }
            }
        }
        Box[] boxes = new Box[bodyCount];
        Arrays.setAll(
                boxes,
                b -> new Box(new Vec(low[b][0], low[b][1], low[b][2]), new Vec(high[b][0], high[b][1], high[b][2])));
        return boxes;
    }

    /** Bodies with an edge that more than two faces share. */
    private boolean[] crowdedBodies() {
        boolean[] crowded = new boolean[bodyCount];
        for (int side = 0; side < 3 * mesh.triangleCount(); side++) {
            if (seams.mate(side) == Seams.CROWDED) {
                crowded[bodyOf[side / 3]] = true;
            }
        }
        return crowded;
    }

    /**
     * How bodies overlap.
     *
     * @param count in how many others each lies
     * @param around the largest of those; -1 for none
     */
    private record Depths(int[] count, int[] around) {
        /** A surface is a void where its file turns it the other way than the outermost around it; alike it is solid. */
        boolean isVoid(int body, double[] filed) {
            return around[body] >= 0 && filed[body] > 0 != filed[around[body]] > 0;
        }
    }

    /** A line from a body's middle outward crosses each that it lies in an odd number of times. */
    private Depths depths(Box[] boxes, int[] example) {
        int[] depth = new int[bodyCount];
        int[] around = new int[bodyCount];
        Arrays.fill(around, -1);
        if (bodyCount == 1 || bodyCount > MOST_NESTED) {
            return new Depths(depth, around);
        }
        for (int b = 0; b < bodyCount; b++) {
            int[] crossed = new int[bodyCount];
            boolean any = false;
            for (int other = 0; other < bodyCount; other++) {
                any |= other != b && boxes[other].holds(boxes[b]);
            }
            if (!any) {
                continue;
            }
            Vec from = mesh.middle(example[b]);
            for (int t = 0; t < mesh.triangleCount(); t++) {
                int other = bodyOf[t];
                if (other != b && boxes[other].holds(boxes[b]) && Line.crosses(mesh, t, from, AWAY)) {
                    crossed[other]++;
                }
            }
            for (int other = 0; other < bodyCount; other++) {
                if (crossed[other] % 2 == 1) {
                    depth[b]++;
                    boolean further = around[b] < 0 || boxes[other].diagonal() > boxes[around[b]].diagonal();
                    around[b] = further ? other : around[b];
                }
            }
        }
        return new Depths(depth, around);
    }

    private List<Solid.Gap> gaps() {
        Map<Integer, Integer> rim = new HashMap<>();
        List<Integer> sides = new ArrayList<>();
        for (int s = 0; s < 3 * mesh.triangleCount() && sides.size() < MOST_RIM; s++) {
            if (seams.mate(s) == Seams.OPEN) {
                sides.add(s);
            }
        }
        for (int s : sides) {
            join(rim, Seams.from(mesh, s), Seams.to(mesh, s));
        }
        Map<Integer, double[]> sums = new HashMap<>();
        for (int s : sides) {
            Vec a = mesh.at(Seams.from(mesh, s));
            Vec b = mesh.at(Seams.to(mesh, s));
            double[] sum = sums.computeIfAbsent(root(rim, Seams.from(mesh, s)), r -> new double[5]);
            Vec middle = a.plus(b).times(0.5);
            sum[0] += middle.x();
            sum[1] += middle.y();
            sum[2] += middle.z();
            sum[3]++;
            sum[4] += b.minus(a).length();
        }
        return sums.values().stream()
                .map(s -> new Solid.Gap(new Vec(s[0] / s[3], s[1] / s[3], s[2] / s[3]), (int) s[3], s[4]))
                .sorted(Comparator.comparingDouble(Solid.Gap::length).reversed())
                .limit(Solid.MOST_GAPS)
                .toList();
    }

    private static void join(Map<Integer, Integer> rim, int a, int b) {
        rim.put(root(rim, a), root(rim, b));
    }

    private static int root(Map<Integer, Integer> rim, int corner) {
        int at = corner;
        rim.putIfAbsent(at, at);
        int up = rim.getOrDefault(at, at);
        while (up != at) {
            int further = rim.getOrDefault(up, up);
            rim.put(at, further);
            at = further;
            up = rim.getOrDefault(at, at);
        }
        return at;
    }
}
