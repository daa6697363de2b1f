package kilnryu.app;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** Mesh files as casters bring them. */
public final class MeshFiles {
    private static final int[][] FACES = {
        {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
    };

    private MeshFiles() {}

    /** A box of these measures as binary STL, with so many of its twelve triangles. */
    public static byte[] box(double wide, double deep, double tall, int triangles) {
        ByteBuffer out = ByteBuffer.allocate(84 + 50 * triangles).order(ByteOrder.LITTLE_ENDIAN);
        out.putInt(80, triangles).position(84);
        for (int t = 0; t < triangles; t++) {
            int[] face = FACES[t / 2];
            int[] corners = t % 2 == 0 ? new int[] {face[0], face[1], face[2]} : new int[] {face[0], face[2], face[3]};
            out.position(out.position() + 12);
            for (int c : corners) {
                out.putFloat((float) ((c & 1) * wide));
                out.putFloat((float) ((c >> 1 & 1) * deep));
                out.putFloat((float) ((c >> 2) * tall));
            }
            out.putShort((short) 0);
        }
        return out.array();
    }

    /** Two boxes in one ASCII STL, each 10 mm, the second moved along x. */
    static byte[] twoBoxes(double moved) {
        StringBuilder out = new StringBuilder("solid two\n");
        for (double x : new double[] {0, moved}) {
            for (int t = 0; t < 12; t++) {
                int[] face = FACES[t / 2];
                int[] corners =
                        t % 2 == 0 ? new int[] {face[0], face[1], face[2]} : new int[] {face[0], face[2], face[3]};
                out.append("facet normal 0 0 0\nouter loop\n");
                for (int c : corners) {
                    out.append(String.format(
                            java.util.Locale.ROOT,
                            "vertex %f %f %f\n",
                            (c & 1) * 10 + x,
                            (c >> 1 & 1) * 10.0,
                            (c >> 2) * 10.0));
                }
                out.append("endloop\nendfacet\n");
            }
        }
        return out.append("endsolid two\n").toString().getBytes(java.nio.charset.StandardCharsets.US_ASCII);
    }
}
