package kilnryu.core.mesh;

import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** OBJ: v and f lines; faces of more than three corners are cut into triangles, concave ones too; all else is passed over. */
final class ObjReader {
    private static final int MOST_CORNERS = 3 * MeshBuilder.MOST_TRIANGLES;

    private final Tokens tokens;
    private final long length;
    private final Watch watch;
    private final MeshBuilder builder = new MeshBuilder();
    private int[] corners = new int[1 << 12];
    private int count;
    private final List<Integer> polygon = new ArrayList<>();
    private long lines;

    private ObjReader(InputStream in, long length, Watch watch) {
        tokens = new Tokens(in);
        this.length = length;
        this.watch = watch;
    }

    static Mesh read(InputStream in, long length, Watch watch) throws IOException {
        return new ObjReader(in, length, watch).read();
    }

    private Mesh read() throws IOException {
        do {
            if (tokens.nextInLine()) {
                if (tokens.is("v")) {
                    vertex();
                } else if (tokens.is("f")) {
                    face();
                }
            }
            if ((++lines & 8191) == 0) {
                watch.report(Watch.Step.READ, length > 0 ? (double) tokens.bytesRead() / length : Double.NaN);
            }
        } while (tokens.nextLine());
        if (count == 0) {
            throw new UnreadableMesh("The file is named .obj but holds no vertices: it is no mesh.");
        }
        return builder.done();
    }

    private void vertex() throws IOException {
        if (count == MOST_CORNERS) {
            throw new UnreadableMesh("More than 15,000,000 vertices: reduce the mesh first.");
        }
        if (count == corners.length) {
            corners = Arrays.copyOf(corners, count * 2);
        }
        corners[count++] = builder.joined((float) number(), (float) number(), (float) number());
    }

    private double number() throws IOException {
        if (!tokens.nextInLine()) {
            throw new UnreadableMesh("Line " + tokens.line() + ": a vertex has three numbers.");
        }
        try {
            return tokens.decimal();
        } catch (NumberFormatException e) {
            throw new UnreadableMesh("Line " + tokens.line() + ": \"" + tokens.text() + "\" is not a number.", e);
        }
    }

    private void face() throws IOException {
        long line = tokens.line();
        polygon.clear();
        while (tokens.nextInLine()) {
            polygon.add(corner(line));
        }
        if (polygon.size() < 3) {
            throw new UnreadableMesh("Line " + line + ": a face has at least three corners.");
        }
        if (polygon.size() == 3) {
            builder.triangle(polygon.get(0), polygon.get(1), polygon.get(2));
        } else {
            Polygon.triangles(polygon, builder::at, builder::triangle);
        }
    }

    private int corner(long line) {
        String text = tokens.text();
        int slash = text.indexOf('/');
        try {
            int number = Integer.parseInt(slash < 0 ? text : text.substring(0, slash));
            int at = number < 0 ? count + number : number - 1;
            if (number != 0 && at >= 0 && at < count) {
                return corners[at];
            }
        } catch (NumberFormatException e) {
            throw new UnreadableMesh("Line " + line + ": \"" + text + "\" is no corner of a face.", e);
        }
        throw new UnreadableMesh("Line " + line + " names corner " + text + ", but only " + count + " are there.");
    }
}
