package kilnryu.core.mesh;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * Boxes round groups of triangles, halved again and again along a space-filling curve (Morton order), so that a line
 * or a nearest place is found in about log n steps. Built in n log n; a million triangles take some 48 MB.
 */
final class Bvh {
    private static final int LEAF = 4;
    private static final double SQUARELY = Math.cos(Math.toRadians(30)) - 1e-9;

    private final Mesh mesh;
    private final int[] order;
    private final float[] boxes;
    private final int leaves;
    private int left = -1;
    private boolean squarely;

    Bvh(Mesh mesh) {
        this.mesh = mesh;
        order = ordered(mesh);
        int groups = (order.length + LEAF - 1) / LEAF;
        leaves = Integer.highestOneBit(Math.max(1, groups - 1)) << (groups > 1 ? 1 : 0);
        boxes = new float[6 * 2 * leaves];
        fill();
    }

    private static int[] ordered(Mesh mesh) {
        Box box = mesh.box();
        Vec size = box.size();
        double scale = 1023.999 / Math.max(Math.max(size.x(), size.y()), Math.max(size.z(), 1e-30));
        long[] keys = new long[mesh.triangleCount()];
        for (int t = 0; t < keys.length; t++) {
            Vec at = mesh.middle(t).minus(box.low()).times(scale);
            long code = spread((int) at.x()) | spread((int) at.y()) << 1 | spread((int) at.z()) << 2;
            keys[t] = code << 32 | t;
        }
        Arrays.parallelSort(keys);
        int[] order = new int[keys.length];
        for (int i = 0; i < order.length; i++) {
            order[i] = (int) keys[i];
        }
        return order;
    }

    private static long spread(int ten) {
        long x = ten & 0x3ff;
        x = (x | x << 16) & 0x30000ff;
        x = (x | x << 8) & 0x300f00f;
        x = (x | x << 4) & 0x30c30c3;
        return (x | x << 2) & 0x9249249;
    }

    private void fill() {
        for (int node = 2 * leaves - 1; node >= 1; node--) {
            int at = 6 * node;
            for (int k = 0; k < 3; k++) {
                boxes[at + k] = Float.POSITIVE_INFINITY;
                boxes[at + 3 + k] = Float.NEGATIVE_INFINITY;
            }
            if (node >= leaves) {
                leaf(node, at);
            } else {
                take(at, 12 * node);
                take(at, 12 * node + 6);
            }
        }
    }

    private void take(int at, int child) {
        for (int k = 0; k < 3; k++) {
            boxes[at + k] = Math.min(boxes[at + k], boxes[child + k]);
            boxes[at + 3 + k] = Math.max(boxes[at + 3 + k], boxes[child + 3 + k]);
        }
    }

    private void leaf(int node, int at) {
        for (int i = first(node); i < last(node); i++) {
            for (int k = 0; k < 3; k++) {
                int corner = mesh.corner(order[i], k);
                put(at, 0, (float) mesh.x(corner));
                put(at, 1, (float) mesh.y(corner));
                put(at, 2, (float) mesh.z(corner));
            }
        }
    }

    private void put(int at, int axis, float value) {
        boxes[at + axis] = Math.min(boxes[at + axis], value);
        boxes[at + 3 + axis] = Math.max(boxes[at + 3 + axis], value);
    }

    private int first(int node) {
        return Math.min(order.length, (node - leaves) * LEAF);
    }

    private int last(int node) {
        return Math.min(order.length, (node - leaves + 1) * LEAF);
    }

    /**
     * Distance from a place inside to the surface along a direction, leaving the solid there; infinite when it never
     * leaves. Faces looking the other way are passed, and so is what lies nearer than {@code least}.
     */
    double out(Vec from, Vec along, double least) {
        left = -1;
        double best = Double.POSITIVE_INFINITY;
        int[] stack = new int[64];
        int filled = 0;
        stack[filled++] = 1;
        while (filled > 0) {
            int node = stack[--filled];
            if (!enters(6 * node, from, along, best)) {
                continue;
            }
            if (node >= leaves) {
                for (int i = first(node); i < last(node); i++) {
                    best = nearer(order[i], from, along, least, best);
                }
            } else {
                stack[filled++] = 2 * node;
                stack[filled++] = 2 * node + 1;
            }
        }
        return best;
    }

    private double nearer(int t, Vec from, Vec along, double least, double best) {
        double distance = Line.meets(mesh, t, from, along);
        if (!(distance > least && distance < best) || mesh.normal(t).dot(along) <= 0) {
            return best;
        }
        left = t;
        squarely = mesh.normal(t).unit().dot(along) >= SQUARELY;
        return distance;
    }

    /** Whether the last line left by a face within 30 degrees of square to it. */
    boolean leftSquarely() {
        return left >= 0 && squarely;
    }

    private boolean enters(int at, Vec from, Vec along, double most) {
        double near = 0;
        double far = most;
        for (int axis = 0; axis < 3; axis++) {
            double start = axis == 0 ? from.x() : axis == 1 ? from.y() : from.z();
            double step = axis == 0 ? along.x() : axis == 1 ? along.y() : along.z();
            double low = (boxes[at + axis] - start) / step;
            double high = (boxes[at + 3 + axis] - start) / step;
            if (step == 0) {
                if (start < boxes[at + axis] || start > boxes[at + 3 + axis]) {
                    return false;
                }
                continue;
            }
            near = Math.max(near, Math.min(low, high));
            far = Math.min(far, Math.max(low, high));
        }
        return near <= far * (1 + 1e-12);
    }

    /** The place of the surface nearest to another, within {@code most}; null when there is none. */
    @Nullable
    Vec nearest(Vec to, double most) {
        Vec best = null;
        double within = most * most;
        int[] stack = new int[64];
        int filled = 0;
        stack[filled++] = 1;
        while (filled > 0) {
            int node = stack[--filled];
            if (away(6 * node, to) >= within) {
                continue;
            }
            if (node >= leaves) {
                for (int i = first(node); i < last(node); i++) {
                    Vec place = Nearest.on(mesh, order[i], to);
                    double distance = place.minus(to).dot(place.minus(to));
                    if (distance < within) {
                        within = distance;
                        best = place;
                    }
                }
            } else {
                boolean left = away(12 * node, to) < away(12 * node + 6, to);
                stack[filled++] = left ? 2 * node + 1 : 2 * node;
                stack[filled++] = left ? 2 * node : 2 * node + 1;
            }
        }
        return best;
    }

    private double away(int at, Vec to) {
        double dx = Math.max(0, Math.max(boxes[at] - to.x(), to.x() - boxes[at + 3]));
        double dy = Math.max(0, Math.max(boxes[at + 1] - to.y(), to.y() - boxes[at + 4]));
        double dz = Math.max(0, Math.max(boxes[at + 2] - to.z(), to.z() - boxes[at + 5]));
        return dx * dx + dy * dy + dz * dz;
    }
}
