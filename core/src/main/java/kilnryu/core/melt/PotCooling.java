package kilnryu.core.melt;

import java.util.OptionalDouble;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Solids;

/**
 * Metal in a pot out of the furnace loses heat at its open face by radiation and through its wall to the air (handbook 16):
 * {@code m cp dT/dt = -(eps sigma A (T4 - T0 4) + h Aw (T - T0))}. One temperature throughout; above the liquidus only.
 *
 * @param face open face, m2
 * @param wall m2
 * @param covered with a cover of charcoal or flux, which radiates more than a clean skin
 * @param room C
 */
public record PotCooling(double face, double wall, boolean covered, double room) {
    /** Emissivity of a clean skin and of a cover (handbook 16). */
    public static final double CLEAN = 0.4;

    public static final double COVERED = 0.9;

    /** A pot is so many times as tall as its mouth is wide, where nothing is measured. */
    private static final double USUAL_HEIGHT = 1.3;

    private static final double USUAL_ROOM = 20;

    /** Wall to the air, W/(m2 K). */
    public static final double TRANSFER = 25;

    private static final double SIGMA = 5.670374419e-8;
    private static final double KELVIN = 273.15;
    /** Steps of the fourth-order Runge-Kutta rule are at most so long, s: errors under a thousandth of a kelvin. */
    private static final double STEP_S = 2;

    public PotCooling {
        if (!(face >= 0) || !(wall >= 0)) {
            throw new IllegalArgumentException("no pot is like this");
        }
    }

    /** W at a temperature, C. */
    public double watts(double celsius) {
        double t = celsius + KELVIN;
        double t0 = room + KELVIN;
        double radiated = (covered ? COVERED : CLEAN) * SIGMA * face * (t * t * t * t - t0 * t0 * t0 * t0);
        return radiated + TRANSFER * wall * (celsius - room);
    }

    /**
     * What so much metal has after some seconds.
     *
     * @param from C
     * @param grams over 0
     * @return C, not under the room's
     */
    public double after(double from, double grams, Alloy alloy, double seconds) {
        return Math.max(Math.min(room, from), integrated(from, grams, alloy, seconds));
    }

    /** How hot it has to leave the furnace so that after some seconds it has what is asked, C. */
    public double before(double asked, double grams, Alloy alloy, double seconds) {
        return integrated(asked, grams, alloy, -seconds);
    }

    private double integrated(double from, double grams, Alloy alloy, double seconds) {
        if (!(grams > 0)) {
            throw new IllegalArgumentException("an empty pot has no temperature");
        }
        double heat = grams / 1000 * alloy.melting().cpLiquid();
        int steps = (int) Math.max(1, Math.ceil(Math.abs(seconds) / STEP_S));
        double dt = seconds / steps;
        double t = from;
        for (int i = 0; i < steps; i++) {
            double k1 = -watts(t) / heat;
            double k2 = -watts(t + dt / 2 * k1) / heat;
            double k3 = -watts(t + dt / 2 * k2) / heat;
            double k4 = -watts(t + dt * k3) / heat;
            t += dt / 6 * (k1 + 2 * k2 + 2 * k3 + k4);
        }
        return t;
    }

    /** A cold ladle takes its own heat first: both end at one temperature, C. */
    static double inLadle(double celsius, double grams, Alloy alloy, Ladle ladle) {
        double metal = grams * alloy.melting().cpLiquid();
        double steel = ladle.grams * ladle.cp;
        return (celsius * metal + ladle.celsius * steel) / (metal + steel);
    }

    /**
     * @param cp heat capacity, J/(kg K)
     * @param celsius it is warmed to
     */
    public record Ladle(double grams, double cp, double celsius) {}

    /**
     * By what is known of a pot.
     *
     * @param cubicCentimetres it holds
     * @param mouth across, mm; else as wide as a usual pot of that size
     * @param wall outside, cm2; else that of a cylinder of usual height with its bottom
     */
    public static PotCooling of(double cubicCentimetres, OptionalDouble mouth, OptionalDouble wall, boolean covered) {
        double usual = Math.cbrt(cubicCentimetres * 4 / (Math.PI * USUAL_HEIGHT)) * 10;
        double d = mouth.orElse(usual) / 1000;
        double outside = wall.isPresent() ? wall.getAsDouble() / 1e4 : Math.PI * d * d * USUAL_HEIGHT + Solids.disc(d);
        return new PotCooling(Solids.disc(d), outside, covered, USUAL_ROOM);
    }
}
