package kilnryu.core.learning;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Predicate;
import org.hipparchus.distribution.continuous.TDistribution;

/**
 * A factor of what came over what was planned: regression through the origin, {@code k = sum(x y) / sum(x2)}, with the interval
 * in which it lies nine times in ten by Student's t with n - 1 degrees of freedom (handbook 12, 21).
 *
 * @param pairs behind it, all of them
 * @param value actual over planned; 1 without pairs
 * @param half half width of its interval; empty under two pairs
 */
public record Learned(List<Pair> pairs, double value, OptionalDouble half) {
    /** So many castings before a factor is offered. */
    public static final int LEAST = 5;

    private static final double NINE_IN_TEN = 0.95;
    /** Beyond these a unit was mistaken, or something else than a factor is at work. */
    private static final double LEAST_SENSE = 0.5;

    private static final double MOST_SENSE = 2;
    /** So many times the usual scatter off the others, by medians: marked, never dropped. */
    private static final double FAR = 3.5;

    private static final double MAD = 1.4826;

    /** @param of what it is from, such as a casting */
    public record Pair(String of, double planned, double actual) {
        public Pair {
            if (!(planned > 0) || !(actual > 0)) {
                throw new IllegalArgumentException("both are over 0");
            }
        }

        public double ratio() {
            return actual / planned;
        }
    }

    public static Learned of(List<Pair> pairs) {
        double xy = 0;
        double xx = 0;
        for (Pair p : pairs) {
            xy += p.planned * p.actual;
            xx += p.planned * p.planned;
        }
        double k = pairs.isEmpty() ? 1 : xy / xx;
        if (pairs.size() < 2) {
            return new Learned(List.copyOf(pairs), k, OptionalDouble.empty());
        }
        double squares = 0;
        for (Pair p : pairs) {
            double off = p.actual - k * p.planned;
            squares += off * off;
        }
        int free = pairs.size() - 1;
        double error = Math.sqrt(squares / free / xx);
        double t = new TDistribution(free).inverseCumulativeProbability(NINE_IN_TEN);
        return new Learned(List.copyOf(pairs), k, OptionalDouble.of(t * error));
    }

    public int count() {
        return pairs.size();
    }

    public double low() {
        return value - half.orElse(Double.POSITIVE_INFINITY);
    }

    public double high() {
        return value + half.orElse(Double.POSITIVE_INFINITY);
    }

    /** Enough castings, and a value that makes sense. */
    public boolean offered() {
        return count() >= LEAST && value >= LEAST_SENSE && value <= MOST_SENSE;
    }

    /** So far off that a unit was mistaken somewhere. */
    public boolean senseless() {
        return count() > 0 && (value < LEAST_SENSE || value > MOST_SENSE);
    }

    /** Whether what came differs from what was planned by more than chance. */
    public boolean differs() {
        return half.isPresent() && (low() > 1 || high() < 1);
    }

    /** Tells of each pair whether it lies far off the others; middle and scatter are found once for all of them. */
    public Predicate<Pair> far() {
        if (count() < LEAST) {
            return pair -> false;
        }
        double middle = median(pairs.stream().mapToDouble(Pair::ratio).toArray());
        double scatter = MAD
                * median(pairs.stream()
                        .mapToDouble(p -> Math.abs(p.ratio() - middle))
                        .toArray());
        double most = FAR * Math.max(scatter, 1e-3 * middle);
        return pair -> Math.abs(pair.ratio() - middle) > most;
    }

    private static double median(double[] of) {
        double[] sorted = of.clone();
        Arrays.sort(sorted);
        int n = sorted.length;
        return n % 2 == 1 ? sorted[n / 2] : (sorted[n / 2 - 1] + sorted[n / 2]) / 2;
    }
}
