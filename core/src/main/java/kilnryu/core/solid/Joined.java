package kilnryu.core.solid;

import java.util.Arrays;

/**
 * Cells that are joined to bodies one after another; each body knows its cells, in the order in which its parts came, so
 * that a part that was once a body stays a run of them.
 */
final class Joined {
    static final int NONE = -1;

    private final int[] parent;
    private final int[] next;
    private final int[] tail;
    private final int[] count;

    Joined(int cells) {
        parent = new int[cells];
        Arrays.fill(parent, NONE);
        next = new int[cells];
        tail = new int[cells];
        count = new int[cells];
    }

    /** A cell becomes a body by itself. */
    void begin(int cell) {
        parent[cell] = cell;
        next[cell] = NONE;
        tail[cell] = cell;
        count[cell] = 1;
    }

    boolean holds(int cell) {
        return parent[cell] != NONE;
    }

    /** The cell that a body is known by: the first of it. */
    int root(int cell) {
        int at = cell;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    /** How many cells a body has. @param root that it is known by */
    int count(int root) {
        return count[root];
    }

    /** The cells of another body come after those of one. Both are named by what they are known by. */
    void append(int one, int other) {
        next[tail[one]] = other;
        tail[one] = tail[other];
        count[one] += count[other];
        parent[other] = one;
    }

    /** So many cells of a body or a former one, from the first of it. */
    int[] cells(int first, int many) {
        int[] cells = new int[many];
        int at = first;
        for (int i = 0; i < many; i++) {
            cells[i] = at;
            at = next[at];
        }
        return cells;
    }
}
