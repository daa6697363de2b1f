package kilnryu.core.stock;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Rods cut from sticks of one length with the fewest sticks. Longest first into the stick it fits most closely gives a
 * list; a search over the sticks then tries to save one, with a bound on its effort. Lengths in mm.
 *
 * @param sticks each with the lengths cut from it, longest first
 * @param stick length of one
 * @param kerf lost at each cut
 * @param least fewest sticks that any list could need, by total length
 * @param proven whether no list with fewer sticks exists
 */
public record CuttingList(List<List<Double>> sticks, double stick, double kerf, int least, boolean proven) {
    private static final int MOST_TRIES = 200_000;
    private static final double HAIR = 1e-9;

    /**
     * @param lengths over 0, none over the stick
     * @throws IllegalArgumentException when a length does not fit any stick
     */
    public static CuttingList of(List<Double> lengths, double stick, double kerf) {
        List<Double> wanted = new ArrayList<>(lengths);
        wanted.sort(Collections.reverseOrder());
        if (!wanted.isEmpty() && (wanted.get(0) > stick + HAIR || wanted.get(wanted.size() - 1) <= 0)) {
            throw new IllegalArgumentException("a rod is longer than the stick, or has no length");
        }
        int least = least(wanted, stick, kerf);
        List<List<Double>> best = closest(wanted, stick, kerf);
        boolean exhausted = true;
        while (best.size() > least) {
            Search search = new Search(wanted, stick, kerf, best.size() - 1);
            List<List<Double>> fewer = search.find();
            if (fewer == null) {
                exhausted = search.tries < MOST_TRIES;
                break;
            }
            best = fewer;
        }
        return new CuttingList(best, stick, kerf, least, best.size() <= least || exhausted);
    }

    /** Each piece takes its own length and a cut, but the last cut of a stick may fall beyond its end. */
    private static int least(List<Double> wanted, double stick, double kerf) {
        double all = wanted.stream().mapToDouble(l -> l + kerf).sum();
        return (int) Math.ceil(all / (stick + kerf) - HAIR);
    }

    private static List<List<Double>> closest(List<Double> wanted, double stick, double kerf) {
        List<List<Double>> sticks = new ArrayList<>();
        List<Double> left = new ArrayList<>();
        for (double length : wanted) {
            int into = -1;
            for (int i = 0; i < left.size(); i++) {
                if (length <= left.get(i) + HAIR && (into < 0 || left.get(i) < left.get(into))) {
                    into = i;
                }
            }
            if (into < 0) {
                into = sticks.size();
                sticks.add(new ArrayList<>());
                left.add(stick);
            }
            sticks.get(into).add(length);
            left.set(into, left.get(into) - length - kerf);
        }
        return sticks;
    }

    /** Puts the lengths, longest first, into a given number of sticks, or finds that they do not go. */
    private static final class Search {
        private final List<Double> wanted;
        private final double kerf;
        private final double[] left;
        private final List<List<Double>> sticks = new ArrayList<>();
        private int tries;

        Search(List<Double> wanted, double stick, double kerf, int count) {
            this.wanted = wanted;
            this.kerf = kerf;
            left = new double[count];
            Arrays.fill(left, stick);
            for (int i = 0; i < count; i++) {
                sticks.add(new ArrayList<>());
            }
        }

        @Nullable
        List<List<Double>> find() {
            return left.length > 0 && fits(0) ? sticks : null;
        }

        private boolean fits(int from) {
            if (from == wanted.size()) {
                return true;
            }
            double length = wanted.get(from);
            for (int i = 0; i < left.length && tries < MOST_TRIES; i++) {
                if (length > left[i] + HAIR || likeAnEarlierOne(i)) {
                    continue;
                }
                tries++;
                left[i] -= length + kerf;
                sticks.get(i).add(length);
                if (fits(from + 1)) {
                    return true;
                }
                left[i] += length + kerf;
                sticks.get(i).remove(sticks.get(i).size() - 1);
            }
            return false;
        }

        private boolean likeAnEarlierOne(int i) {
            for (int k = 0; k < i; k++) {
                if (Math.abs(left[k] - left[i]) < HAIR) {
                    return true;
                }
            }
            return false;
        }
    }

    /** What is left over of all sticks together, cuts not counted as left. */
    public double waste() {
        double used = sticks.stream().flatMap(List::stream).mapToDouble(l -> l).sum();
        return sticks.size() * stick - used;
    }
}
