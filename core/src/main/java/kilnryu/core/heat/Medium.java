package kilnryu.core.heat;

/**
 * A porous solid that holds free and bound water. All per m3 of body, SI; temperatures in C.
 *
 * <p>Capacity of the dry solid is {@code density (cp0 + cp1 T)}. Free water brings its own capacity up to 100 C, what of
 * it is left, and leaves from 95 to 105 C; bound water leaves from 110 to 170 C. Both leave once: a place that cools and
 * is heated again takes no latent heat for what has left. Conductivity falls with the free water from its wet value to
 * {@code kDry + kSlope (T - 100)}.
 *
 * @param density of the dry solid, kg/m3
 * @param cp0 J/(kg K) at 0 C
 * @param cp1 its growth, J/(kg K2)
 * @param freeWater kg/m3
 * @param boundWater kg/m3
 * @param kWet W/(m K)
 * @param kDry W/(m K) at 100 C
 * @param kSlope W/(m K2)
 */
public record Medium(
        double density,
        double cp0,
        double cp1,
        double freeWater,
        double boundWater,
        double kWet,
        double kDry,
        double kSlope) {
    static final double FREE_FROM = 95;
    static final double FREE_TO = 105;
    static final double LIQUID_TO = 100;
    static final double BOUND_FROM = 110;
    static final double BOUND_TO = 170;
    private static final double CP_WATER = 4186;
    private static final double LATENT_FREE = 2.257e6;
    private static final double LATENT_BOUND = 3.1e6;

    /** @throws IllegalArgumentException for what cannot be a solid */
    public Medium {
        boolean solid = density > 0 && cp0 > 0 && cp1 >= 0 && kWet > 0 && kDry > 0;
        if (!solid || freeWater < 0 || boundWater < 0) {
            throw new IllegalArgumentException("no solid has these properties");
        }
    }

    /** Constant properties, no water. */
    public static Medium constant(double conductivity, double volumetricCapacity) {
        return new Medium(1, volumetricCapacity, 0, 0, 0, conductivity, conductivity, 0);
    }

    /** Share of the free water left at a place that was as hot as this at most, 1 to 0. */
    static double freeLeft(double hottest) {
        return Math.max(0, Math.min(1, (FREE_TO - hottest) / (FREE_TO - FREE_FROM)));
    }

    double conductivity(double t, double hottest) {
        if (hottest >= FREE_TO) {
            return kDry + kSlope * (t - 100);
        }
        if (hottest <= FREE_FROM) {
            return kWet;
        }
        double wet = freeLeft(hottest);
        return wet * kWet + (1 - wet) * (kDry + kSlope * (t - 100));
    }

    /** What the free water adds to the capacity while it is liquid, J/(m3 K). */
    double liquidCapacity() {
        return freeWater * CP_WATER;
    }

    /** Heat from 0 C on first heating, J/m3. */
    double virgin(double t) {
        double solid = density * (cp0 * t + cp1 * t * t / 2);
        double liquid = freeWater * CP_WATER * liquid(t);
        double free = freeWater * LATENT_FREE * (1 - freeLeft(t));
        double bound = boundWater * LATENT_BOUND * Math.max(0, Math.min(1, (t - BOUND_FROM) / (BOUND_TO - BOUND_FROM)));
        return solid + liquid + free + bound;
    }

    /** Kelvins the free water has been warmed by, falling off as it leaves between 95 and 100 C. */
    private static double liquid(double t) {
        if (t <= FREE_FROM) {
            return t;
        }
        double to = Math.min(t, LIQUID_TO);
        double width = FREE_TO - FREE_FROM;
        double a = FREE_TO - FREE_FROM;
        double b = FREE_TO - to;
        return FREE_FROM + (a * a - b * b) / (2 * width);
    }

    /** Slope of {@link #virgin}, J/(m3 K). */
    double virginSlope(double t) {
        double slope = density * (cp0 + cp1 * t);
        if (t < LIQUID_TO) {
            slope += freeWater * freeLeft(t) * CP_WATER;
        }
        if (t >= FREE_FROM && t < FREE_TO) {
            slope += freeWater * LATENT_FREE / (FREE_TO - FREE_FROM);
        }
        if (t >= BOUND_FROM && t < BOUND_TO) {
            slope += boundWater * LATENT_BOUND / (BOUND_TO - BOUND_FROM);
        }
        return slope;
    }

    /** Heat from 0 C at a place whose water has gone as far as its hottest time took it, J/m3. */
    double below(double t, double hottest) {
        return density * (cp0 * t + cp1 * t * t / 2)
                + freeWater * freeLeft(hottest) * CP_WATER * Math.min(t, LIQUID_TO);
    }

    /** Heat taken up since it was at {@code start} with all its water, J/m3: a function of state. */
    double taken(double start, double t, double hottest) {
        return virgin(hottest) - virgin(start) - (below(hottest, hottest) - below(t, hottest));
    }
}
