package kilnryu.core.heat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

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
    /** Bare metal with its skin of oxide, in still air. */
    private static final Face BARE = new Face(10, 0.6);

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
        Run run = new Run(melt, medium, new Around(outside, roomC, 1, 0), pourC, wallC);
        while (run.heat > 0) {
            if (run.time > LONGEST_S) {
                return Double.POSITIVE_INFINITY;
            }
            run.step(run.longest(), 0);
        }
        return run.time;
    }

    /**
     * What is around the wall.
     *
     * @param ends all of the body's free surface over that of its side: 1 where its ends lose nothing
     * @param bare free face of the melt over its volume, 1/m; 0 where the wall is all round it
     */
    public record Around(Face outside, double celsius, double ends, double bare) {}

    /** @param second since the metal came */
    public record Moment(double second, double metal, double outside) {}

    /**
     * Its temperatures from the pour on, until the metal is under a limit or for as long as is looked at.
     *
     * @param every so many seconds a moment is kept
     */
    public List<Moment> course(
            Melt melt,
            double pourC,
            double wallC,
            Medium medium,
            Around around,
            double limit,
            double longest,
            double every) {
        Run run = new Run(melt, medium, around, pourC, wallC);
        List<Moment> course = new ArrayList<>(List.of(new Moment(0, pourC, wallC)));
        double next = every;
        while (run.time < longest && run.metal() > limit) {
            run.step(Math.min(Math.min(run.longest(), run.longestOfMelt()), next - run.time), Double.NEGATIVE_INFINITY);
            if (run.time >= next - 1e-9) {
                course.add(new Moment(run.time, run.metal(), run.surface));
                next += every;
            }
        }
        return List.copyOf(course);
    }

    /** One melt in its wall, followed in time. */
    private final class Run {
        private final Melt melt;
        private final Medium medium;
        private final Around around;
        private final double dx = wall / CELLS;
        private final double[] t = new double[CELLS];
        private final double[] volume = new double[CELLS];
        private final double[] face = new double[CELLS + 1];
        private final double[] flux = new double[CELLS + 1];
        private final double mass;
        private double heat;
        private double surface;
        private double time;

        private Run(Melt melt, Medium medium, Around around, double pourC, double wallC) {
            this.melt = melt;
            this.medium = medium;
            this.around = around;
            Arrays.fill(t, wallC);
            for (int i = 0; i <= CELLS; i++) {
                face[i] = Math.pow(half + i * dx, shape) * (i == CELLS ? around.ends : 1);
            }
            for (int i = 0; i < CELLS; i++) {
                double in = half + i * dx;
                volume[i] = (Math.pow(in + dx, shape + 1) - Math.pow(in, shape + 1)) / (shape + 1);
            }
            mass = melt.density * Math.pow(half, shape + 1) / (shape + 1);
            heat = melt.heat(pourC);
            surface = wallC;
        }

        private double metal() {
            return melt.celsius(heat);
        }

        private double capacity(int i) {
            return medium.density() * (medium.cp0() + medium.cp1() * t[i]);
        }

        /** The longest step that is stable in the wall. */
        private double longest() {
            double step = Double.MAX_VALUE;
            for (int i = 1; i < CELLS; i++) {
                double k = medium.conductivity((t[i - 1] + t[i]) / 2, Medium.BOUND_TO);
                step = Math.min(step, SAFE * dx * dx * capacity(i) / k);
            }
            return step;
        }

        /** The same for the melt against its wall. */
        private double longestOfMelt() {
            double least = Math.min(melt.cpSolid, melt.cpLiquid);
            double open = around.bare == 0 ? 0 : mass / melt.density * around.bare * bareWhole(metal());
            return SAFE * mass * least / (face[0] * CONTACT + open);
        }

        private double bareWhole(double metal) {
            return BARE.whole(metal, around.celsius);
        }

        private void fluxes(double metal) {
            double first = 2 * medium.conductivity(t[0], Medium.BOUND_TO) / dx;
            flux[0] = face[0] * (metal - t[0]) * first * CONTACT / (first + CONTACT);
            for (int i = 1; i < CELLS; i++) {
                double k = medium.conductivity((t[i - 1] + t[i]) / 2, Medium.BOUND_TO);
                flux[i] = face[i] * (t[i - 1] - t[i]) * k / dx;
            }
            double last = t[CELLS - 1];
            double inside = 2 * medium.conductivity(last, Medium.BOUND_TO) / dx;
            double out = around.outside.whole(surface, around.celsius);
            double through = out == 0 ? 0 : out * inside / (out + inside);
            flux[CELLS] = face[CELLS] * (last - around.celsius) * through;
            surface = last - (last - around.celsius) * through / inside;
        }

        /** @param floor heat under which the melt is not followed, J/kg */
        private void step(double most, double floor) {
            double metal = metal();
            fluxes(metal);
            double open = around.bare == 0
                    ? 0
                    : mass / melt.density * around.bare * bareWhole(metal) * (metal - around.celsius);
            double lost = flux[0] + open;
            double left = lost > 0 ? (heat - floor) * mass / lost : Double.POSITIVE_INFINITY;
            double dt = Math.min(most, left);
            heat = dt == left ? floor : heat - lost * dt / mass;
            for (int i = 0; i < CELLS; i++) {
                t[i] += (flux[i] - flux[i + 1]) * dt / (capacity(i) * volume[i]);
            }
            time += dt;
        }
    }
}
