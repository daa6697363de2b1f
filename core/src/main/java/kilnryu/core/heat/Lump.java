package kilnryu.core.heat;

/**
 * A small lump of melt in a wall: how long until it is solid. The lump is of one temperature, which is right to some percent
 * where it leads heat much better than the wall does; the wall is followed through its thickness by explicit finite volumes
 * (forward in time, step under half of the stability limit), the outside loses heat by air and radiation. Against the fine
 * solutions of plates, cylinders and balls in shells of 7 to 9 mm within 5 % (LumpTest).
 *
 * @param shape 0 for a plate cooled on both sides, 1 for a cylinder, 2 for a ball
 * @param half half thickness or radius, m
 * @param wall thickness around it, m
 */
public record Lump(int shape, double half, double wall) {
    private static final int CELLS = 12;
    private static final double CONTACT = 1000;
    private static final double SAFE = 0.4;
    private static final double LONGEST_S = 6 * 3600;

    /** @throws IllegalArgumentException for no size or no such shape */
    public Lump {
        if (shape < 0 || shape > 2 || !(half > 0) || !(wall > 0)) {
            throw new IllegalArgumentException("no lump has this shape or size");
        }
    }

    /**
     * A melt that freezes over a range, its latent heat given off evenly in it. SI, temperatures in C.
     *
     * @param density kg/m3
     * @param latent J/kg
     * @param cpSolid J/(kg K)
     * @param cpLiquid J/(kg K)
     */
    public record Melt(
            double density, double solidus, double liquidus, double latent, double cpSolid, double cpLiquid) {
        /** Heat from the solidus up, J/kg. */
        private double heat(double celsius) {
            if (celsius >= liquidus) {
                return latent + cpSolid * (liquidus - solidus) + cpLiquid * (celsius - liquidus);
            }
            return celsius <= solidus ? cpSolid * (celsius - solidus) : (celsius - solidus) * slope();
        }

        private double celsius(double heat) {
            double range = latent + cpSolid * (liquidus - solidus);
            if (heat >= range) {
                return liquidus + (heat - range) / cpLiquid;
            }
            return heat <= 0 ? solidus + heat / cpSolid : liquidus > solidus ? solidus + heat / slope() : liquidus;
        }

        private double slope() {
            return latent / (liquidus - solidus) + cpSolid;
        }
    }

    /**
     * Seconds until it is solid all through, infinite where it is not in six hours.
     *
     * @param medium of the wall; taken as dry
     * @param outside what its outer face loses
     */
    public double solid(Melt melt, double pourC, double wallC, Medium medium, Face outside, double roomC) {
        double dx = wall / CELLS;
        double[] t = new double[CELLS];
        java.util.Arrays.fill(t, wallC);
        double[] volume = new double[CELLS];
        double[] face = new double[CELLS + 1];
        for (int i = 0; i <= CELLS; i++) {
            face[i] = Math.pow(half + i * dx, shape);
        }
        for (int i = 0; i < CELLS; i++) {
            double in = half + i * dx;
            volume[i] = (Math.pow(in + dx, shape + 1) - Math.pow(in, shape + 1)) / (shape + 1);
        }
        double mass = melt.density * Math.pow(half, shape + 1) / (shape + 1);
        double heat = melt.heat(pourC);
        double surface = wallC;
        double time = 0;
        double[] flux = new double[CELLS + 1];
        while (heat > 0) {
            if (time > LONGEST_S) {
                return Double.POSITIVE_INFINITY;
            }
            double step = Double.MAX_VALUE;
            double metal = melt.celsius(heat);
            for (int i = 0; i <= CELLS; i++) {
                if (i == 0) {
                    double inside = 2 * medium.conductivity(t[0], Medium.BOUND_TO) / dx;
                    flux[0] = face[0] * (metal - t[0]) * inside * CONTACT / (inside + CONTACT);
                } else if (i < CELLS) {
                    double k = medium.conductivity((t[i - 1] + t[i]) / 2, Medium.BOUND_TO);
                    flux[i] = face[i] * (t[i - 1] - t[i]) * k / dx;
                    double capacity = medium.density() * (medium.cp0() + medium.cp1() * t[i]);
                    step = Math.min(step, SAFE * dx * dx * capacity / k);
                } else {
                    double inside = 2 * medium.conductivity(t[CELLS - 1], Medium.BOUND_TO) / dx;
                    double out = outside.whole(surface, roomC);
                    double through = out == 0 ? 0 : out * inside / (out + inside);
                    flux[CELLS] = face[CELLS] * (t[CELLS - 1] - roomC) * through;
                    surface = t[CELLS - 1] - (t[CELLS - 1] - roomC) * through / inside;
                }
            }
            double left = heat * mass / Math.max(1e-30, flux[0]);
            double dt = flux[0] > 0 ? Math.min(step, left) : step;
            heat -= flux[0] * dt / mass;
            for (int i = 0; i < CELLS; i++) {
                double capacity = medium.density() * (medium.cp0() + medium.cp1() * t[i]);
                t[i] += (flux[i] - flux[i + 1]) * dt / (capacity * volume[i]);
            }
            time += dt;
            heat = dt == left ? 0 : heat;
        }
        return time;
    }
}
