package kilnryu.core.mesh;

import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/** STL, both kinds: 80 bytes, a count and 50 bytes for each triangle; or text with facets, loops and vertices. */
final class StlReader {
    private static final int HEADER = 84;
    private static final int RECORD = 50;
    private static final int BLOCK = 4096;

    private static final String NO_FACETS = "The file begins like an STL but holds no facets: it is text, not a mesh.";

    private StlReader() {}

    /** Whether count and length agree, which no text does but by chance. */
    static boolean isBinary(byte[] head, long length) {
        if (head.length < HEADER || length < 0) {
            return false;
        }
        long claimed = claimed(head);
        return claimed > 0 && HEADER + RECORD * claimed == length;
    }

    private static long claimed(byte[] head) {
        return ByteBuffer.wrap(head).order(ByteOrder.LITTLE_ENDIAN).getInt(80) & 0xffffffffL;
    }

    static Mesh readBinary(InputStream in, long length, Watch watch) throws IOException {
        byte[] head = in.readNBytes(HEADER);
        if (head.length < HEADER) {
            throw new UnreadableMesh("The file ends after " + head.length + " bytes; an STL file has at least 84.");
        }
        long claimed = claimed(head);
        if (claimed > MeshBuilder.MOST_TRIANGLES && length >= HEADER && (length - HEADER) / RECORD < claimed) {
            throw new UnreadableMesh("The header claims " + grouped(claimed) + " triangles, but the file has room for "
                    + grouped((length - HEADER) / RECORD) + ": it is damaged or no STL.");
        }
        MeshBuilder builder = new MeshBuilder();
        byte[] block = new byte[RECORD * BLOCK];
        ByteBuffer numbers = ByteBuffer.wrap(block).order(ByteOrder.LITTLE_ENDIAN);
        long read = 0;
        while (read < claimed) {
            int wanted = (int) Math.min(BLOCK, claimed - read);
            int got = in.readNBytes(block, 0, wanted * RECORD);
            for (int i = 0; i < got / RECORD; i++) {
                record(numbers, i * RECORD + 12, builder);
            }
            read += got / RECORD;
            if (got < wanted * RECORD) {
                throw new UnreadableMesh("The file is cut short: the header claims " + grouped(claimed) + " triangles, "
                        + grouped(read) + " are there. Copy or export it again.");
            }
            watch.report(Watch.Step.READ, (double) read / claimed);
        }
        return builder.done();
    }

    private static void record(ByteBuffer from, int at, MeshBuilder to) {
        int a = to.joined(from.getFloat(at), from.getFloat(at + 4), from.getFloat(at + 8));
        int b = to.joined(from.getFloat(at + 12), from.getFloat(at + 16), from.getFloat(at + 20));
        int c = to.joined(from.getFloat(at + 24), from.getFloat(at + 28), from.getFloat(at + 32));
        to.triangle(a, b, c);
    }

    static Mesh readText(InputStream in, long length, Watch watch) throws IOException {
        Tokens tokens = new Tokens(in);
        MeshBuilder builder = new MeshBuilder();
        int[] loop = new int[3];
        int corner = 0;
        boolean facets = false;
        boolean ended = false;
        tokens.nextLine();
        do {
            if (!tokens.nextInLine()) {
                continue;
            }
            if (tokens.is("vertex")) {
                if (corner == 3) {
                    throw new UnreadableMesh("Line " + tokens.line() + ": a facet with more than three vertices.");
                }
                loop[corner++] = builder.joined(decimal(tokens), decimal(tokens), decimal(tokens));
            } else if (tokens.is("facet") || tokens.is("outer")) {
                facets = true;
            } else if (tokens.is("endloop")) {
                if (corner != 3) {
                    throw new UnreadableMesh("Line " + tokens.line() + ": a facet with " + corner + " vertices.");
                }
                builder.triangle(loop[0], loop[1], loop[2]);
                corner = 0;
                progress(builder, tokens, length, watch);
            } else if (tokens.is("endsolid")) {
                ended = true;
            } else if (!tokens.is("endfacet") && !tokens.is("solid")) {
                throw tokens.nextLine() ? unknown(tokens, facets) : cut(builder, facets);
            }
        } while (tokens.nextLine());
        if (!ended || corner != 0) {
            throw cut(builder, facets);
        }
        return builder.done();
    }

    private static UnreadableMesh cut(MeshBuilder builder, boolean facets) {
        return new UnreadableMesh(
                facets
                        ? "The file ends in the middle, after " + grouped(builder.triangleCount())
                                + " triangles. Copy or export it again."
                        : NO_FACETS);
    }

    private static UnreadableMesh unknown(Tokens tokens, boolean facets) {
        return new UnreadableMesh(
                facets ? "Line " + tokens.line() + " is not understood: \"" + tokens.text() + "\"." : NO_FACETS);
    }

    private static float decimal(Tokens tokens) throws IOException {
        if (!tokens.nextInLine()) {
            throw new UnreadableMesh("Line " + tokens.line() + ": a vertex has three numbers.");
        }
        try {
            return (float) tokens.decimal();
        } catch (NumberFormatException e) {
            throw new UnreadableMesh("Line " + tokens.line() + ": \"" + tokens.text() + "\" is not a number.", e);
        }
    }

    private static void progress(MeshBuilder builder, Tokens tokens, long length, Watch watch) {
        if (builder.triangleCount() % 8192 == 0) {
            watch.report(Watch.Step.READ, length > 0 ? (double) tokens.bytesRead() / length : Double.NaN);
        }
    }

    static String grouped(long count) {
        return String.format(java.util.Locale.ROOT, "%,d", count);
    }
}
