package kilnryu.core.mesh;

import java.util.concurrent.ForkJoinPool;
import java.util.concurrent.RecursiveAction;
import java.util.stream.IntStream;

/**
 * The order of a mesh's triangles in which each half, quarter and so on of a full binary tree lies on one side of its other
 * part, across the longest side of what they hold together.
 */
final class Halving extends RecursiveAction {
    private static final long serialVersionUID = 1L;
    /** Fewer are not worth another thread. */
    private static final int ALONE = 8192;
    /** So many of a part tell which of its sides is the longest. */
    private static final int LOOKED_AT = 256;

    private final transient float[] middles;
    private final transient int[] order;
    private final int from;
    private final int to;
    private final int room;
    private final int least;

    private Halving(float[] middles, int[] order, int from, int to, int room, int least) {
        this.middles = middles;
        this.order = order;
        this.from = from;
        this.to = to;
        this.room = room;
        this.least = least;
    }

    /**
     * @param room of the full tree, a power of two times {@code least}, no less than there are triangles
     * @param least so few are not halved any more
     */
    static int[] order(Mesh mesh, int room, int least) {
        int count = mesh.triangleCount();
        float[] middles = new float[3 * count];
        IntStream.range(0, count).parallel().forEach(t -> {
            Vec middle = mesh.middle(t);
            middles[3 * t] = (float) middle.x();
            middles[3 * t + 1] = (float) middle.y();
            middles[3 * t + 2] = (float) middle.z();
        });
        int[] order = IntStream.range(0, count).toArray();
        ForkJoinPool.commonPool().invoke(new Halving(middles, order, 0, count, room, least));
        return order;
    }

    @Override
    protected void compute() {
        if (to - from <= least) {
            return;
        }
        int half = room / 2;
        int between = Math.min(to, from + half);
        if (between < to) {
            select(longest(), between);
        }
        Halving first = new Halving(middles, order, from, between, half, least);
        Halving second = new Halving(middles, order, between, to, half, least);
        if (to - from > ALONE) {
            invokeAll(first, second);
        } else {
            first.compute();
            second.compute();
        }
    }

    private int longest() {
        float[] low = {Float.POSITIVE_INFINITY, Float.POSITIVE_INFINITY, Float.POSITIVE_INFINITY};
        float[] high = {Float.NEGATIVE_INFINITY, Float.NEGATIVE_INFINITY, Float.NEGATIVE_INFINITY};
        int step = Math.max(1, (to - from) / LOOKED_AT);
        for (int i = from; i < to; i += step) {
            for (int k = 0; k < 3; k++) {
                float at = middles[3 * order[i] + k];
                low[k] = Math.min(low[k], at);
                high[k] = Math.max(high[k], at);
            }
        }
        int axis = high[1] - low[1] > high[0] - low[0] ? 1 : 0;
        return high[2] - low[2] > high[axis] - low[axis] ? 2 : axis;
    }

    /** Puts what lies lowest along an axis before a place in the order (C. A. R. Hoare, 1961). */
    private void select(int axis, int place) {
        int low = from;
        int high = to - 1;
        while (low < high) {
            float pivot = at(axis, (low + high) >>> 1);
            int i = low;
            int j = high;
            while (i <= j) {
                while (at(axis, i) < pivot) {
                    i++;
                }
                while (at(axis, j) > pivot) {
                    j--;
                }
                if (i <= j) {
                    int held = order[i];
                    order[i++] = order[j];
                    order[j--] = held;
                }
            }
            if (place <= j) {
                high = j;
            } else if (place >= i) {
                low = i;
            } else {
                return;
            }
        }
    }

    private float at(int axis, int i) {
        return middles[3 * order[i] + axis];
    }
}
