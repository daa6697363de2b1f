package kilnryu.core.learning;

import org.hipparchus.distribution.continuous.BetaDistribution;

/**
 * How often castings of a kind come good the first time: beta-binomial, with the studio's own rate as prior, counted as so many
 * castings (handbook 21).
 *
 * @param good of them at the first try
 * @param made all of them
 * @param prior share that comes good in the studio as a whole, 0 to 1
 */
public record Yield(int good, int made, double prior) {
    /** As much as so many castings the studio's own rate counts. */
    static final double PRIOR_COUNTS = 4;

    private static final double LOW = 0.05;
    private static final double HIGH = 0.95;

    public Yield {
        if (good < 0 || made < good || !(prior >= 0 && prior <= 1)) {
            throw new IllegalArgumentException("good ones are among those made, and a share is 0 to 1");
        }
    }

    /** A rate of the studio as a whole: one good and one spoiled casting are taken to have been before the first. */
    public static double overall(int good, int made) {
        return (good + 1.0) / (made + 2.0);
    }

    private double alpha() {
        return good + Math.max(0.05, PRIOR_COUNTS * prior);
    }

    private double beta() {
        return made - good + Math.max(0.05, PRIOR_COUNTS * (1 - prior));
    }

    /** Chance that the next one comes good. */
    public double next() {
        return alpha() / (alpha() + beta());
    }

    /** In nine of ten such kinds the chance is over this. */
    public double low() {
        return new BetaDistribution(alpha(), beta()).inverseCumulativeProbability(LOW);
    }

    public double high() {
        return new BetaDistribution(alpha(), beta()).inverseCumulativeProbability(HIGH);
    }
}
