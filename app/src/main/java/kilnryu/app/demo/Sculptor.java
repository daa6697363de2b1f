package kilnryu.app.demo;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.List;

/**
 * Models the demo's pieces: a skin drawn over oval sections along a curve, closed at both ends, written as binary STL in
 * millimetres. Made up, and modelled nowhere else.
 */
final class Sculptor {
    private static final int AROUND = 36;
    private static final int BETWEEN = 7;

    private Sculptor() {}

    /**
     * An oval section of the body.
     *
     * @param x along, mm; @param z upward, mm
     * @param high half its height in the plane of the curve, mm
     * @param wide half its width across that plane, mm
     */
    record Section(double x, double z, double high, double wide) {}

    /** A leg of a wading bird from the thigh down to the foot on its stone, 166 mm long. */
    static byte[] leg() {
        return skin(List.of(
                new Section(2, 166, 12, 12),
                new Section(1, 158, 17, 16),
                new Section(0, 140, 16, 15),
                new Section(-3, 118, 9, 9),
                new Section(-7, 98, 5.5, 5.5),
                new Section(-8, 88, 7.5, 7.5),
                new Section(-5, 78, 5, 5),
                new Section(-2, 52, 4, 4),
                new Section(1, 26, 4.2, 4.5),
                new Section(2, 17, 6, 7),
                new Section(2, 12, 15, 15),
                new Section(2, 7, 18, 18.5),
                new Section(2, 1, 18.5, 19),
                new Section(2, 0, 17, 17.5)));
    }

    /** A tern at rest: bill, cap, breast, folded wings, long tail; 191 mm. */
    static byte[] tern() {
        return skin(List.of(
                new Section(0, 17, 0.8, 0.8),
                new Section(12, 18, 2.4, 2.2),
                new Section(22, 19, 4, 3.6),
                new Section(30, 21, 9, 8.5),
                new Section(42, 22, 11, 10.5),
                new Section(54, 19, 10, 11),
                new Section(74, 16, 17, 19),
                new Section(98, 17, 19, 21.5),
                new Section(122, 20, 14, 17),
                new Section(146, 24, 8, 11),
                new Section(168, 28, 4, 7),
                new Section(182, 30, 2, 4),
                new Section(191, 31, 0.8, 1.2)));
    }

    /** A lantern fish with its large head and a fan of a tail; 92 mm. */
    static byte[] fish() {
        return skin(List.of(
                new Section(0, 26, 4, 3),
                new Section(4, 26, 11, 9),
                new Section(14, 27, 20, 17),
                new Section(28, 28, 26, 20),
                new Section(42, 28, 27, 18),
                new Section(56, 28, 19, 12),
                new Section(68, 28, 9, 6.5),
                new Section(74, 28, 6.5, 4.5),
                new Section(80, 28, 13, 3),
                new Section(88, 28, 21, 2),
                new Section(92, 28, 22, 1.2)));
    }

    /** A maple key: the seed and its wing, 30 mm. */
    static byte[] key() {
        return skin(List.of(
                new Section(0, 4, 0.6, 0.5),
                new Section(2, 4, 2.4, 1.1),
                new Section(5, 4, 3.2, 1.2),
                new Section(8, 3.8, 2.2, 1),
                new Section(10, 4, 1.9, 0.7),
                new Section(15, 5, 3.4, 0.5),
                new Section(21, 6, 4.9, 0.45),
                new Section(26, 6.4, 5, 0.42),
                new Section(29, 6.2, 3.2, 0.4),
                new Section(30, 6, 1, 0.35)));
    }

    /** Triangles go round as seen from outside. */
    private static byte[] skin(List<Section> rough) {
        List<Section> sections = smooth(rough);
        List<double[][]> rings = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            rings.add(ring(sections, i));
        }
        List<double[][]> triangles = new ArrayList<>();
        for (int i = 0; i + 1 < rings.size(); i++) {
            for (int k = 0; k < AROUND; k++) {
                double[] a = rings.get(i)[k];
                double[] b = rings.get(i)[(k + 1) % AROUND];
                double[] c = rings.get(i + 1)[(k + 1) % AROUND];
                double[] d = rings.get(i + 1)[k];
                triangles.add(new double[][] {a, c, b});
                triangles.add(new double[][] {a, d, c});
            }
        }
        cap(rings.get(0), middle(sections.get(0)), true, triangles);
        cap(rings.get(rings.size() - 1), middle(sections.get(sections.size() - 1)), false, triangles);
        return stl(triangles);
    }

    private static double[] middle(Section s) {
        return new double[] {s.x, 0, s.z};
    }

    private static void cap(double[][] ring, double[] middle, boolean first, List<double[][]> triangles) {
        for (int k = 0; k < AROUND; k++) {
            double[] a = ring[k];
            double[] b = ring[(k + 1) % AROUND];
            triangles.add(first ? new double[][] {a, b, middle} : new double[][] {b, a, middle});
        }
    }

    /** Across the way of the curve at this section. */
    private static double[][] ring(List<Section> sections, int i) {
        Section before = sections.get(Math.max(0, i - 1));
        Section after = sections.get(Math.min(sections.size() - 1, i + 1));
        double dx = after.x - before.x;
        double dz = after.z - before.z;
        double length = Math.hypot(dx, dz);
        Section s = sections.get(i);
        double[][] ring = new double[AROUND][];
        for (int k = 0; k < AROUND; k++) {
            double turn = 2 * Math.PI * k / AROUND;
            double up = s.high * Math.cos(turn);
            ring[k] = new double[] {s.x - dz / length * up, s.wide * Math.sin(turn), s.z + dx / length * up};
        }
        return ring;
    }

    /** Catmull and Rom's spline through the sections. */
    private static List<Section> smooth(List<Section> rough) {
        List<Section> smooth = new ArrayList<>();
        for (int i = 0; i + 1 < rough.size(); i++) {
            Section[] four = {
                rough.get(Math.max(0, i - 1)),
                rough.get(i),
                rough.get(i + 1),
                rough.get(Math.min(rough.size() - 1, i + 2))
            };
            for (int k = 0; k < BETWEEN; k++) {
                double t = (double) k / BETWEEN;
                smooth.add(new Section(
                        spline(t, four[0].x, four[1].x, four[2].x, four[3].x),
                        spline(t, four[0].z, four[1].z, four[2].z, four[3].z),
                        Math.max(0.3, spline(t, four[0].high, four[1].high, four[2].high, four[3].high)),
                        Math.max(0.3, spline(t, four[0].wide, four[1].wide, four[2].wide, four[3].wide))));
            }
        }
        smooth.add(rough.get(rough.size() - 1));
        return smooth;
    }

    private static double spline(double t, double a, double b, double c, double d) {
        return 0.5 * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t * t + (3 * b - a - 3 * c + d) * t * t * t);
    }

    private static byte[] stl(List<double[][]> triangles) {
        ByteBuffer out = ByteBuffer.allocate(84 + 50 * triangles.size()).order(ByteOrder.LITTLE_ENDIAN);
        out.position(80);
        out.putInt(triangles.size());
        for (double[][] triangle : triangles) {
            out.putFloat(0).putFloat(0).putFloat(0);
            for (double[] corner : triangle) {
                out.putFloat((float) corner[0]).putFloat((float) corner[1]).putFloat((float) corner[2]);
            }
            out.putShort((short) 0);
        }
        return out.array();
    }
}
