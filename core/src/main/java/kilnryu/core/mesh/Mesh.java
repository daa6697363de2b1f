package kilnryu.core.mesh;

import java.util.Arrays;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Triangles over shared corners. Corner coordinates are single precision, three per corner, in the unit of the file;
 * a triangle is three corner numbers, turning left when seen from outside.
 */
public final class Mesh {
    private final float[] corners;
    private final int[] triangles;
    private final @Nullable MeshUnit unit;
    private final int dropped;

    Mesh(float[] corners, int[] triangles, @Nullable MeshUnit unit, int dropped) {
        this.corners = corners;
        this.triangles = triangles;
        this.unit = unit;
        this.dropped = dropped;
    }

    /**
     * A mesh from corner coordinates and corner numbers, such as one that was kept.
     *
     * @throws UnreadableMesh when a triangle names a corner that is not there or a coordinate is no number
     */
    public static Mesh of(float[] corners, int[] triangles) {
        for (float c : corners) {
            if (!Float.isFinite(c)) {
                throw new UnreadableMesh("a coordinate is not a number");
            }
        }
        for (int t : triangles) {
            if (t < 0 || t >= corners.length / 3) {
                throw new UnreadableMesh("a triangle names a corner that is not there");
            }
        }
        return new Mesh(corners.clone(), triangles.clone(), null, 0);
    }

    public int triangleCount() {
        return triangles.length / 3;
    }

    int cornerCount() {
        return corners.length / 3;
    }

    /** The unit the file states, if it does. */
    public Optional<MeshUnit> statedUnit() {
        return Optional.ofNullable(unit);
    }

    /** Triangles of the file without any area between distinct corners, left out. */
    public int dropped() {
        return dropped;
    }

    public float[] corners() {
        return corners.clone();
    }

    public int[] triangles() {
        return triangles.clone();
    }

    public int corner(int triangle, int which) {
        return triangles[3 * triangle + which];
    }

    public Vec at(int corner) {
        return new Vec(corners[3 * corner], corners[3 * corner + 1], corners[3 * corner + 2]);
    }

    double x(int corner) {
        return corners[3 * corner];
    }

    double y(int corner) {
        return corners[3 * corner + 1];
    }

    double z(int corner) {
        return corners[3 * corner + 2];
    }

    /** Twice the area as length, along the outside. */
    Vec normal(int triangle) {
        int a = corner(triangle, 0);
        int b = corner(triangle, 1);
        int c = corner(triangle, 2);
        double ux = x(b) - x(a);
        double uy = y(b) - y(a);
        double uz = z(b) - z(a);
        double vx = x(c) - x(a);
        double vy = y(c) - y(a);
        double vz = z(c) - z(a);
        return new Vec(uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx);
    }

    Vec middle(int triangle) {
        int a = corner(triangle, 0);
        int b = corner(triangle, 1);
        int c = corner(triangle, 2);
        return new Vec((x(a) + x(b) + x(c)) / 3, (y(a) + y(b) + y(c)) / 3, (z(a) + z(b) + z(c)) / 3);
    }

    public Box box() {
        double[] low = {Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY, Double.POSITIVE_INFINITY};
        double[] high = {Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY, Double.NEGATIVE_INFINITY};
        for (int corner : triangles) {
            for (int axis = 0; axis < 3; axis++) {
                float v = corners[3 * corner + axis];
                low[axis] = Math.min(low[axis], v);
                high[axis] = Math.max(high[axis], v);
            }
        }
        return new Box(new Vec(low[0], low[1], low[2]), new Vec(high[0], high[1], high[2]));
    }

    /** The same mesh with some triangles turned over. */
    Mesh turned(boolean[] over) {
        int[] turned = triangles.clone();
        for (int t = 0; t < over.length; t++) {
            if (over[t]) {
                turned[3 * t + 1] = triangles[3 * t + 2];
                turned[3 * t + 2] = triangles[3 * t + 1];
            }
        }
        return new Mesh(corners, turned, unit, dropped);
    }

    /** The same mesh with other corners for its triangles. */
    Mesh rejoined(int[] to) {
        int[] kept = new int[triangles.length];
        int n = 0;
        for (int t = 0; t < triangles.length; t += 3) {
            int a = to[triangles[t]];
            int b = to[triangles[t + 1]];
            int c = to[triangles[t + 2]];
            if (a != b && b != c && a != c) {
                kept[n++] = a;
                kept[n++] = b;
                kept[n++] = c;
            }
        }
        return new Mesh(corners, Arrays.copyOf(kept, n), unit, dropped + (triangles.length - n) / 3);
    }
}
