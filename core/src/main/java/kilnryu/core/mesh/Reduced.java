package kilnryu.core.mesh;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** A mesh with fewer triangles for looking at: corners that share a cell become one, at their mean. */
public final class Reduced {
    private static final int MOST = 60_000;

    private Reduced() {}

    /** At most about 60,000 triangles; the same mesh when it has no more. For looking at only, never for measuring. */
    public static Mesh of(Mesh mesh) {
        Mesh reduced = mesh;
        for (double cells = 220; reduced.triangleCount() > MOST && cells > 8; cells *= 0.8) {
            reduced = clustered(mesh, cells);
        }
        return reduced.triangleCount() == 0 ? mesh : reduced;
    }

    private static Mesh clustered(Mesh mesh, double cells) {
        Box box = mesh.box();
        Vec size = box.size();
        double cell = Math.max(size.x(), Math.max(size.y(), size.z())) / cells;
        Map<Long, Integer> numbers = new HashMap<>();
        int[] to = new int[mesh.cornerCount()];
        double[] sums = new double[4 * 1024];
        for (int c = 0; c < to.length; c++) {
            Vec at = mesh.at(c).minus(box.low()).times(1 / cell);
            long key = (long) at.x() << 42 | (long) at.y() << 21 | (long) at.z();
            int number = numbers.computeIfAbsent(key, k -> numbers.size());
            if (4 * number + 4 > sums.length) {
                sums = Arrays.copyOf(sums, 2 * sums.length);
            }
            to[c] = number;
            sums[4 * number] += mesh.x(c);
            sums[4 * number + 1] += mesh.y(c);
            sums[4 * number + 2] += mesh.z(c);
            sums[4 * number + 3]++;
        }
        MeshBuilder builder = new MeshBuilder();
        int[] made = new int[numbers.size()];
        for (int n = 0; n < made.length; n++) {
            double of = sums[4 * n + 3];
            made[n] = builder.joined(
                    (float) (sums[4 * n] / of), (float) (sums[4 * n + 1] / of), (float) (sums[4 * n + 2] / of));
        }
        for (int t = 0; t < mesh.triangleCount(); t++) {
            builder.triangle(made[to[mesh.corner(t, 0)]], made[to[mesh.corner(t, 1)]], made[to[mesh.corner(t, 2)]]);
        }
        return builder.done();
    }
}
