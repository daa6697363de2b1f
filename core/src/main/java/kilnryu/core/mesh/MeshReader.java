package kilnryu.core.mesh;

import java.io.BufferedInputStream;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.zip.ZipException;

/**
 * Reads a mesh from a stream in one pass. Memory follows what is really in the stream, never what a header claims, and
 * ends at 5,000,000 triangles. The kind of file is told by its first bytes, by its name only where those do not say.
 */
public final class MeshReader {
    private static final int LOOK = 512;

    private MeshReader() {}

    /**
     * @param name of the file, for telling OBJ from text that is no mesh
     * @param length of the stream in bytes, negative when not known
     * @throws UnreadableMesh when it is no mesh, with a word to its owner
     * @throws Watch.Cancelled when the watch ends it
     * @throws IOException when the stream itself fails
     */
    public static Mesh read(InputStream stream, String name, long length, Watch watch) throws IOException {
        InputStream in = new BufferedInputStream(stream, 1 << 16);
        in.mark(LOOK + 1);
        byte[] head = in.readNBytes(LOOK);
        in.reset();
        if (head.length == 0) {
            throw new UnreadableMesh("The file is empty: 0 bytes. Export the mesh again.");
        }
        String ending = ending(name);
        try {
            if (head.length > 3 && head[0] == 'P' && head[1] == 'K' && head[2] <= 8) {
                return ThreeMfReader.read(in, length, watch);
            }
            if (StlReader.isBinary(head, length)) {
                return StlReader.readBinary(in, length, watch);
            }
            if (startsWith(head, "solid") && isText(head)) {
                return StlReader.readText(in, length, watch);
            }
            if (ending.equals("obj") && isText(head)) {
                return ObjReader.read(in, length, watch);
            }
            return refused(in, head, ending, length, watch);
        } catch (EOFException | ZipException e) {
            throw new UnreadableMesh("The file ends in the middle or is damaged. Export or copy it again.", e);
        }
    }

    private static Mesh refused(InputStream in, byte[] head, String ending, long length, Watch watch)
            throws IOException {
        if (ending.equals("stl") && isText(head)) {
            throw new UnreadableMesh(
                    "The file is named .stl but holds plain text that is no mesh. Export the mesh again.");
        }
        if (ending.equals("stl")) {
            return StlReader.readBinary(in, length, watch);
        }
        if (ending.equals("3mf")) {
            throw new UnreadableMesh("The file is named .3mf but is not a zip package, as 3MF has to be.");
        }
        throw new UnreadableMesh("This is no STL, OBJ or 3MF file. Export the mesh as one of those.");
    }

    private static String ending(String name) {
        int dot = name.lastIndexOf('.');
        return dot < 0 ? "" : name.substring(dot + 1).toLowerCase(Locale.ROOT);
    }

    private static boolean startsWith(byte[] head, String word) {
        String start = new String(head, 0, Math.min(head.length, 80), StandardCharsets.ISO_8859_1);
        return start.stripLeading().toLowerCase(Locale.ROOT).startsWith(word);
    }

    private static boolean isText(byte[] head) {
        for (byte b : head) {
            if (b >= 0 && b < ' ' && b != '\n' && b != '\r' && b != '\t' && b != '\f') {
                return false;
            }
        }
        return true;
    }
}
