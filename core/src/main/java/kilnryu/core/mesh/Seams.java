package kilnryu.core.mesh;

import java.util.Arrays;

/**
 * How triangles meet: for each side of each triangle the side it lies against. Cost is linear in the triangles: sides
 * are sorted by their lower corner and matched within the few that share it.
 */
final class Seams {
    /** Nothing lies against this side. */
    static final int OPEN = -1;
    /** More than two triangles share it. */
    static final int CROWDED = -2;

    private final int[] mates;
    private final int open;
    private final int crowded;

    private Seams(int[] mates, int open, int crowded) {
        this.mates = mates;
        this.open = open;
        this.crowded = crowded;
    }

    /** Sides are numbered 3 x triangle + place; a side goes from its corner to the next. */
    static Seams of(Mesh mesh) {
        int sides = 3 * mesh.triangleCount();
        int[] first = new int[mesh.cornerCount() + 1];
        for (int s = 0; s < sides; s++) {
            first[Math.min(from(mesh, s), to(mesh, s)) + 1]++;
        }
        for (int c = 0; c < mesh.cornerCount(); c++) {
            first[c + 1] += first[c];
        }
        int[] sorted = new int[sides];
        int[] next = Arrays.copyOf(first, first.length);
        for (int s = 0; s < sides; s++) {
            sorted[next[Math.min(from(mesh, s), to(mesh, s))]++] = s;
        }
        return matched(mesh, first, sorted);
    }

    private static Seams matched(Mesh mesh, int[] first, int[] sorted) {
        int[] mates = new int[sorted.length];
        Arrays.fill(mates, OPEN);
        int open = 0;
        int crowded = 0;
        boolean[] done = new boolean[sorted.length];
        for (int c = 0; c < mesh.cornerCount(); c++) {
            for (int i = first[c]; i < first[c + 1]; i++) {
                if (done[i]) {
                    continue;
                }
                int far = Math.max(from(mesh, sorted[i]), to(mesh, sorted[i]));
                int shared = 1;
                int mate = -1;
                for (int j = i + 1; j < first[c + 1]; j++) {
                    if (!done[j] && Math.max(from(mesh, sorted[j]), to(mesh, sorted[j])) == far) {
                        done[j] = true;
                        shared++;
                        mate = j;
                    }
                }
                if (shared == 1) {
                    open++;
                } else if (shared == 2) {
                    mates[sorted[i]] = sorted[mate];
                    mates[sorted[mate]] = sorted[i];
                } else {
                    crowded++;
                    crowd(mesh, sorted, first[c], first[c + 1], far, mates);
                }
            }
        }
        return new Seams(mates, open, crowded);
    }

    private static void crowd(Mesh mesh, int[] sorted, int from, int to, int far, int[] mates) {
        for (int j = from; j < to; j++) {
            if (Math.max(from(mesh, sorted[j]), to(mesh, sorted[j])) == far) {
                mates[sorted[j]] = CROWDED;
            }
        }
    }

    static int from(Mesh mesh, int side) {
        return mesh.corner(side / 3, side % 3);
    }

    static int to(Mesh mesh, int side) {
        return mesh.corner(side / 3, (side + 1) % 3);
    }

    /** The side against a side, or {@link #OPEN} or {@link #CROWDED}. */
    int mate(int side) {
        return mates[side];
    }

    /** Edges that belong to one triangle only. */
    int open() {
        return open;
    }

    /** Edges that belong to more than two triangles. */
    int crowded() {
        return crowded;
    }
}
