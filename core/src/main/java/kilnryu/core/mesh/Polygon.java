package kilnryu.core.mesh;

import earcut4j.Earcut;
import java.util.List;
import java.util.function.IntFunction;

/** Cuts a flat face of many corners into triangles by its ears, seen along its normal (M. Newell's sum over the edges). */
final class Polygon {
    private Polygon() {}

    /** Takes three corners. */
    @FunctionalInterface
    interface Triangle {
        void of(int a, int b, int c);
    }

    /**
     * @param corners at least four, in their order
     * @param at where a corner is
     */
    static void triangles(List<Integer> corners, IntFunction<Vec> at, Triangle each) {
        Vec normal = normal(corners, at);
        if (!(normal.length() > 0)) {
            fan(corners, each);
            return;
        }
        Vec n = normal.unit();
        Vec side = Math.abs(n.z()) < 0.9
                ? n.cross(new Vec(0, 0, 1)).unit()
                : n.cross(new Vec(1, 0, 0)).unit();
        Vec up = n.cross(side);
        double[] flat = new double[2 * corners.size()];
        for (int i = 0; i < corners.size(); i++) {
            Vec p = at.apply(corners.get(i));
            flat[2 * i] = p.dot(side);
            flat[2 * i + 1] = p.dot(up);
        }
        List<Integer> cut = Earcut.earcut(flat);
        if (cut.size() != 3 * (corners.size() - 2)) {
            // corners in one line leave fewer triangles than edges: the fan keeps every edge
            fan(corners, each);
            return;
        }
        for (int i = 0; i < cut.size(); i += 3) {
            int a = cut.get(i);
            int b = cut.get(i + 1);
            int c = cut.get(i + 2);
            double turn = (flat[2 * b] - flat[2 * a]) * (flat[2 * c + 1] - flat[2 * a + 1])
                    - (flat[2 * c] - flat[2 * a]) * (flat[2 * b + 1] - flat[2 * a + 1]);
            // looking along the normal a face goes round to the left
            each.of(corners.get(a), corners.get(turn >= 0 ? b : c), corners.get(turn >= 0 ? c : b));
        }
    }

    private static void fan(List<Integer> corners, Triangle each) {
        for (int i = 2; i < corners.size(); i++) {
            each.of(corners.get(0), corners.get(i - 1), corners.get(i));
        }
    }

    private static Vec normal(List<Integer> corners, IntFunction<Vec> at) {
        Vec sum = new Vec(0, 0, 0);
        Vec first = at.apply(corners.get(0));
        Vec before = at.apply(corners.get(corners.size() - 1)).minus(first);
        for (int corner : corners) {
            Vec here = at.apply(corner).minus(first);
            sum = sum.plus(before.cross(here));
            before = here;
        }
        return sum;
    }
}
