package kilnryu.core.mesh;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/** Takes in corners and triangles as they are read; joins corners that are equal bit for bit. */
final class MeshBuilder {
    /** More than this is refused: it bounds memory at about 150 MB. */
    static final int MOST_TRIANGLES = 5_000_000;

    private float[] corners = new float[3 << 12];
    private int cornerCount;
    private int[] triangles = new int[3 << 12];
    private int triangleCount;
    private int dropped;
    private int[] table = new int[1 << 14];
    private @Nullable MeshUnit unit;

    void unit(MeshUnit stated) {
        unit = stated;
    }

    int triangleCount() {
        return triangleCount + dropped;
    }

    /** The number of a corner, an old one where it is equal. */
    int joined(float x, float y, float z) {
        if (!Float.isFinite(x) || !Float.isFinite(y) || !Float.isFinite(z)) {
            throw new UnreadableMesh("Triangle " + (triangleCount() + 1) + " has a coordinate that is not a number.");
        }
        // adding zero makes -0 and 0 one
        float px = x + 0f;
        float py = y + 0f;
        float pz = z + 0f;
        int mask = table.length - 1;
        int slot = hash(px, py, pz) & mask;
        while (table[slot] != 0) {
            int at = 3 * (table[slot] - 1);
            if (corners[at] == px && corners[at + 1] == py && corners[at + 2] == pz) {
                return table[slot] - 1;
            }
            slot = (slot + 1) & mask;
        }
        int number = added(px, py, pz);
        table[slot] = number + 1;
        if (2 * cornerCount > table.length) {
            rehash();
        }
        return number;
    }

    /** Where a corner is. */
    Vec at(int corner) {
        return new Vec(corners[3 * corner], corners[3 * corner + 1], corners[3 * corner + 2]);
    }

    private int added(float x, float y, float z) {
        if (3 * cornerCount + 3 > corners.length) {
            corners = Arrays.copyOf(corners, corners.length * 2);
        }
        corners[3 * cornerCount] = x;
        corners[3 * cornerCount + 1] = y;
        corners[3 * cornerCount + 2] = z;
        return cornerCount++;
    }

    void triangle(int a, int b, int c) {
        if (triangleCount() >= MOST_TRIANGLES) {
            throw new UnreadableMesh(
                    "More than 5,000,000 triangles: reduce the mesh in the program that made it, then try again.");
        }
        if (a == b || b == c || a == c) {
            dropped++;
            return;
        }
        if (3 * triangleCount + 3 > triangles.length) {
            triangles = Arrays.copyOf(triangles, triangles.length * 2);
        }
        triangles[3 * triangleCount] = a;
        triangles[3 * triangleCount + 1] = b;
        triangles[3 * triangleCount + 2] = c;
        triangleCount++;
    }

    Mesh done() {
        if (triangleCount == 0) {
            throw new UnreadableMesh(
                    dropped > 0 ? "All triangles of the file are without area." : "The file holds no triangles.");
        }
        return new Mesh(
                Arrays.copyOf(corners, 3 * cornerCount), Arrays.copyOf(triangles, 3 * triangleCount), unit, dropped);
    }

    private void rehash() {
        table = new int[table.length * 2];
        int mask = table.length - 1;
        for (int i = 0; i < cornerCount; i++) {
            int slot = hash(corners[3 * i], corners[3 * i + 1], corners[3 * i + 2]) & mask;
            while (table[slot] != 0) {
                slot = (slot + 1) & mask;
            }
            table[slot] = i + 1;
        }
    }

    private static int hash(float x, float y, float z) {
        int h = Float.floatToRawIntBits(x) * 0x9E3779B1;
        h = (h ^ (h >>> 15) ^ Float.floatToRawIntBits(y)) * 0x85EBCA77;
        h = (h ^ (h >>> 13) ^ Float.floatToRawIntBits(z)) * 0xC2B2AE3D;
        return h ^ (h >>> 16);
    }
}
