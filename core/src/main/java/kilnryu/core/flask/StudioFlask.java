package kilnryu.core.flask;

import java.util.Optional;

/**
 * A flask that a studio owns; all lengths in mm.
 *
 * @param inner diameter inside; of an oval the longer way
 * @param other diameter inside the shorter way, empty for a round flask
 * @param wall thickness of the steel
 * @param perforated whether its wall has holes, which want a sleeve or tape for the mix
 * @param count how many alike
 * @param dome volume of the base's dome inside, cm3
 */
public record StudioFlask(
        String key,
        String name,
        double inner,
        Optional<Double> other,
        double height,
        double wall,
        boolean perforated,
        int count,
        double dome) {
    private static final double STEEL = 7.85e-3;
    /** A perforated wall has lost about this share of its steel. */
    private static final double HOLES = 0.3;

    /** The shorter way across. */
    public double across() {
        return other.orElse(inner);
    }

    /** Widest outside. */
    public double outside() {
        return inner + 2 * wall;
    }

    /** Outside the shorter way. */
    double outsideAcross() {
        return across() + 2 * wall;
    }

    /** Inside, cm3. */
    public double volume() {
        return Math.PI / 4 * inner * across() * height / 1000;
    }

    /** Steel of the wall, g. */
    public double steel() {
        double ring = Math.PI / 4 * ((inner + 2 * wall) * (across() + 2 * wall) - inner * across());
        return ring * height * STEEL * (perforated ? 1 - HOLES : 1);
    }
}
