package kilnryu.core.diagnosis;

import java.util.OptionalInt;

/**
 * How many castings it takes to know whether a change helped: the chance to see at least so many good ones if nothing had changed
 * (binomial; handbook 20).
 */
public final class Series {
    /** Under this chance it is taken as more than luck. */
    public static final double LUCK = 0.05;

    private static final int LOOKED_AT = 400;

    private Series() {}

    /**
     * Chance of {@code k} or more good castings of {@code n}, each good with chance {@code p}.
     *
     * @throws IllegalArgumentException where k is not within 0 to n, or p not within 0 to 1
     */
    public static double atLeast(int k, int n, double p) {
        if (n < 0 || k < 0 || k > n || !(p >= 0 && p <= 1)) {
            throw new IllegalArgumentException("k good of n castings, each with a chance of 0 to 1");
        }
        double sum = 0;
        for (int good = k; good <= n; good++) {
            sum += exactly(good, n, p);
        }
        return Math.min(1, sum);
    }

    private static double exactly(int k, int n, double p) {
        if (p == 0 || p == 1) {
            return p == 0 ? (k == 0 ? 1 : 0) : k == n ? 1 : 0;
        }
        double log = k * Math.log(p) + (n - k) * Math.log1p(-p);
        for (int i = 1; i <= k; i++) {
            log += Math.log((double) (n - k + i) / i);
        }
        return Math.exp(log);
    }

    /** How many good ones in a row tell it from luck, with the share that came good before; empty where none do. */
    public static OptionalInt allGood(double before) {
        for (int n = 1; n <= LOOKED_AT; n++) {
            if (atLeast(n, n, before) < LUCK) {
                return OptionalInt.of(n);
            }
        }
        return OptionalInt.empty();
    }

    /**
     * How many have to be cast to have so many good ones with a wanted chance; empty where it would be over {@value #LOOKED_AT}.
     *
     * @param p chance that one comes good, 0 to 1
     * @param chance wanted, over 0, under 1
     */
    public static OptionalInt needed(int good, double p, double chance) {
        if (good < 1 || !(chance > 0 && chance < 1)) {
            throw new IllegalArgumentException("at least one good one, with a chance over 0 and under 1");
        }
        for (int n = good; n <= LOOKED_AT; n++) {
            if (atLeast(good, n, p) >= chance) {
                return OptionalInt.of(n);
            }
        }
        return OptionalInt.empty();
    }
}
