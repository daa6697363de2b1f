package kilnryu.core.solid;

/**
 * A substance that stays as it is, its heat capacity and conductivity linear in its temperature.
 *
 * @param density kg/m3
 * @param capacity J/(kg K) at 0 C
 * @param capacityRise J/(kg K2), not negative
 * @param conducts W/(m K) at 0 C
 * @param conductsRise W/(m K2), not negative
 */
public record Inert(double density, double capacity, double capacityRise, double conducts, double conductsRise)
        implements Substance {
    /** @throws IllegalArgumentException for what is not over zero, or falls as it gets hotter */
    public Inert {
        if (!(density > 0 && capacity > 0 && conducts > 0 && capacityRise >= 0 && conductsRise >= 0)) {
            throw new IllegalArgumentException("density, capacity and conductivity are over zero and do not fall");
        }
    }

    @Override
    public double heat(double celsius) {
        return density * (capacity + capacityRise / 2 * celsius) * celsius;
    }

    @Override
    public double celsius(double heat) {
        double perKilo = heat / density;
        if (capacityRise == 0) {
            return perKilo / capacity;
        }
        // as a quotient, so that a small rise loses no digits
        return 2 * perKilo / (capacity + Math.sqrt(Math.max(0, capacity * capacity + 2 * capacityRise * perKilo)));
    }

    @Override
    public double rise(double heat) {
        return riseAt(celsius(heat));
    }

    @Override
    public double conductivity(double heat) {
        return conductsAt(celsius(heat));
    }

    @Override
    public double liquid(double heat) {
        return 0;
    }

    /** Temperature, its rise and conductivity at once, into a cell's places: the loop over cells asks for all three. */
    void into(int cell, double heat, double[] celsius, double[] rise, double[] conductivity) {
        double t = celsius(heat);
        celsius[cell] = t;
        rise[cell] = riseAt(t);
        conductivity[cell] = conductsAt(t);
    }

    private double riseAt(double celsius) {
        return 1 / (density * (capacity + capacityRise * celsius));
    }

    private double conductsAt(double celsius) {
        return Math.max(conducts / 10, conducts + conductsRise * celsius);
    }
}
