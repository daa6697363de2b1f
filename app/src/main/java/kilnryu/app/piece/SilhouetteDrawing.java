package kilnryu.app.piece;

import java.io.DataInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.List;
import kilnryu.app.web.Svg;
import kilnryu.core.mesh.Mesh;
import kilnryu.core.mesh.Silhouette;
import kilnryu.core.mesh.Vec;

/** The outline of a piece from two sides with its marks, for print and where no turning view is to be had. */
final class SilhouetteDrawing {
    private static final double WIDTH = 430;
    private static final double HEIGHT = 300;
    private static final double EDGE = 26;

    private SilhouetteDrawing() {}

    static String of(InputStream view, Vec up, List<PiecePage.Mark> marks) throws IOException {
        Mesh mesh = mesh(view);
        Vec front = Math.abs(up.unit().z()) > 0.9 ? new Vec(0, -1, 0) : new Vec(0, 0, 1).cross(up);
        Silhouette[] sides = {Silhouette.of(mesh, up, front), Silhouette.of(mesh, up, up.cross(front))};
        double wide = sides[0].width() + sides[1].width();
        double high = Math.max(sides[0].height(), sides[1].height());
        double scale = Math.min((WIDTH - 3 * EDGE) / wide, (HEIGHT - 2 * EDGE) / high);
        Svg svg = new Svg(
                WIDTH,
                high * scale + 2 * EDGE,
                "Outline of the piece from the front and from the side, with its marks");
        double x = EDGE;
        for (int i = 0; i < 2; i++) {
            side(svg, sides[i], x, EDGE + high * scale, scale, marks);
            svg.text(
                    x + sides[i].width() * scale / 2,
                    EDGE + high * scale + 18,
                    i == 0 ? "front" : "side",
                    "font-size=\"12\" fill=\"" + Svg.FAINT_INK + "\" text-anchor=\"middle\"");
            x += sides[i].width() * scale + EDGE;
        }
        return svg.done();
    }

    private static void side(
            Svg svg, Silhouette side, double left, double base, double scale, List<PiecePage.Mark> marks) {
        StringBuilder path = new StringBuilder();
        for (List<double[]> rim : side.rims()) {
            for (int i = 0; i < rim.size(); i++) {
                path.append(Svg.point(i == 0 ? "M" : "L", left + rim.get(i)[0] * scale, base - rim.get(i)[1] * scale))
                        .append(' ');
            }
            path.append("Z ");
        }
        svg.path(
                path.toString(),
                "fill=\"#f2dfb9\" fill-rule=\"evenodd\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.2\"");
        for (PiecePage.Mark m : marks) {
            double[] at = side.shown(new Vec(m.x(), m.y(), m.z()));
            svg.ellipse(
                    left + at[0] * scale,
                    base - at[1] * scale,
                    4,
                    4,
                    "fill=\"" + colour(m.kind()) + "\" stroke=\"#fff\"");
        }
    }

    private static String colour(String kind) {
        return switch (kind) {
            case "thin" -> Svg.OXIDE;
            case "thick" -> Svg.SLATE;
            case "high" -> Svg.VERDIGRIS;
            default -> Svg.OCHRE;
        };
    }

    /** The triangles of the browser's view again. */
    static Mesh mesh(InputStream view) throws IOException {
        DataInputStream in = new DataInputStream(view);
        int count = Integer.reverseBytes(in.readInt());
        float[] corners = new float[count * 9];
        ByteBuffer.wrap(in.readNBytes(count * 36))
                .order(ByteOrder.LITTLE_ENDIAN)
                .asFloatBuffer()
                .get(corners);
        int[] triangles = new int[count * 3];
        java.util.Arrays.setAll(triangles, i -> i);
        return Mesh.of(corners, triangles);
    }
}
