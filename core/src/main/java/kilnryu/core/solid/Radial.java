package kilnryu.core.solid;

import java.util.OptionalDouble;

/**
 * A plate, rod or ball that freezes inside its mold, seen along the one way that its heat goes: from the middle outward.
 * Finite volumes of heat, implicit, each step solved by Newton until what is left over is 1e-10 of the latent heat; so heat
 * is kept to rounding and no step is too long to be stable, only to be fine: a step ends before any cell gives off more than
 * 1 % of its latent heat. In space the error falls with the square of the cells, in time with the step.
 */
public final class Radial {
    private static final int CELLS = 48;
    private static final double GROWTH = 1.12;
    /** The first cell around is at most this part of all that is around: heat goes in there first. */
    private static final double FINE = 100;

    private static final double STEP = 0.01;
    private static final double TOLERANCE = 1e-10;
    private static final int MOST_NEWTON = 40;
    private static final double LONGEST_S = 1e8;

    /** How its heat spreads. */
    public enum Shape {
        PLATE(0),
        CYLINDER(1),
        SPHERE(2);

        private final int power;

        Shape(int power) {
            this.power = power;
        }
    }

    /**
     * @param half from the middle to the face, m
     * @param hot C of the body at first
     * @param thickness of what is around it, m
     * @param warm C of what is around it at first
     * @param border W/(m2 K) between body and what is around it
     */
    public record Question(
            Shape shape,
            double half,
            Freezable body,
            double hot,
            Inert around,
            double thickness,
            double warm,
            double border,
            Surroundings outside) {
        /** @throws IllegalArgumentException for lengths that are not over zero */
        public Question {
            if (!(half > 0 && thickness > 0 && border > 0)) {
                throw new IllegalArgumentException("a body has a size, its mold a thickness, and they touch");
            }
        }
    }

    /**
     * Seconds; empty for what never happens: in a mold too warm or too small it does not freeze.
     *
     * @param cooled until the middle is under the liquidus
     * @param middle until the middle is solid
     * @param face until it is solid at its face
     * @param leftOver what is not accounted for of the heat that moved, as a share of it
     */
    public record Times(OptionalDouble cooled, OptionalDouble middle, OptionalDouble face, double leftOver) {}

    private final Question q;
    private final int bodyCells;
    private final int cells;
    private final double[] edge;
    private final double[] centre;
    private final double[] area;
    private final double[] volume;
    private final double[] heat;
    private final double[] before;
    private final double[] celsius;
    private final double[] rise;
    private final double[] conducts;
    private final double[] left;
    private final double[] upper;
    private final double[] change;

    private Radial(Question q, int bodyCells) {
        this.q = q;
        this.bodyCells = bodyCells;
        int around = aroundCells(Math.min(q.half / bodyCells, q.thickness / FINE), q.thickness);
        cells = bodyCells + around;
        edge = edges(around);
        centre = new double[cells];
        area = new double[cells + 1];
        volume = new double[cells];
        int p = q.shape.power;
        for (int i = 0; i <= cells; i++) {
            area[i] = Math.pow(edge[i], p);
        }
        for (int i = 0; i < cells; i++) {
            centre[i] = (edge[i] + edge[i + 1]) / 2;
            volume[i] = (Math.pow(edge[i + 1], p + 1) - Math.pow(edge[i], p + 1)) / (p + 1);
        }
        heat = new double[cells];
        before = new double[cells];
        celsius = new double[cells];
        rise = new double[cells];
        conducts = new double[cells + 1];
        left = new double[cells];
        upper = new double[cells];
        change = new double[cells];
    }

    public static Times of(Question q) {
        return of(q, CELLS);
    }

    /** @param bodyCells from the middle to the face, at least two */
    static Times of(Question q, int bodyCells) {
        return new Radial(q, Math.max(2, bodyCells)).times();
    }

    /** Cells around, each at most {@value #GROWTH} times as thick as the one inside it. */
    private static int aroundCells(double first, double thickness) {
        int n = 1;
        double sum = first;
        for (double w = first; sum < thickness && n < 400; n++) {
            w *= GROWTH;
            sum += w;
        }
        return Math.max(4, n);
    }

    private double[] edges(int around) {
        double[] edges = new double[bodyCells + around + 1];
        for (int i = 0; i <= bodyCells; i++) {
            edges[i] = q.half * i / bodyCells;
        }
        double sum = 0;
        double w = 1;
        double[] widths = new double[around];
        for (int i = 0; i < around; i++) {
            widths[i] = w;
            sum += w;
            w *= GROWTH;
        }
        for (int i = 0; i < around; i++) {
            edges[bodyCells + i + 1] = edges[bodyCells + i] + widths[i] / sum * q.thickness;
        }
        edges[bodyCells + around] = q.half + q.thickness;
        return edges;
    }

    private Substance of(int cell) {
        return cell < bodyCells ? q.body : q.around;
    }

    private Times times() {
        for (int i = 0; i < cells; i++) {
            heat[i] = of(i).heat(i < bodyCells ? q.hot : q.warm);
        }
        double full = sum(0, cells);
        double inBody = sum(0, bodyCells);
        double latent = q.body.melted() - q.body.frozen();
        OptionalDouble cooled = heat[0] < q.body.melted() ? OptionalDouble.of(0) : OptionalDouble.empty();
        OptionalDouble middle = heat[0] <= q.body.frozen() ? OptionalDouble.of(0) : OptionalDouble.empty();
        OptionalDouble face = middle;
        double time = 0;
        double lost = 0;
        double step = 1e-3 * q.half * q.half / diffusivity();
        boolean ends = !freezes();
        while (!ends && (middle.isEmpty() || face.isEmpty() || cooled.isEmpty()) && time < LONGEST_S) {
            System.arraycopy(heat, 0, before, 0, cells);
            double out = step(step, latent);
            if (Double.isNaN(out)) {
                System.arraycopy(before, 0, heat, 0, cells);
                step /= 2;
                continue;
            }
            lost += out;
            cooled = passed(cooled, 0, q.body.melted(), time, step);
            middle = passed(middle, 0, q.body.frozen(), time, step);
            face = passed(face, bodyCells - 1, q.body.frozen(), time, step);
            time += step;
            step *= Math.min(1.2, Math.max(0.3, STEP / Math.max(largest(latent), 1e-12)));
        }
        double moved = Math.abs(inBody - sum(0, bodyCells));
        double leftOver = Math.abs(full - sum(0, cells) - lost);
        return new Times(cooled, middle, face, moved == 0 ? 0 : leftOver / moved);
    }

    private double diffusivity() {
        return q.body.liquidConducts() / (q.body.density() * q.body.liquidHeat());
    }

    /** Whether it is solid once all is as warm as everything else; where heat can leave, whether it is colder outside. */
    private boolean freezes() {
        if (q.outside.coefficient() > 0 || q.outside.emissivity() > 0) {
            return q.outside.celsius() < q.body.solidus();
        }
        double frozen = 0;
        for (int i = 0; i < cells; i++) {
            frozen += volume[i] * (i < bodyCells ? q.body.frozen() : q.around.heat(q.body.solidus()));
        }
        return sum(0, cells) < frozen;
    }

    private double sum(int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) {
            sum += volume[i] * heat[i];
        }
        return sum;
    }

    private double largest(double latent) {
        double most = 0;
        for (int i = 0; i < bodyCells; i++) {
            most = Math.max(most, Math.abs(heat[i] - before[i]));
        }
        return most / latent;
    }

    private OptionalDouble passed(OptionalDouble known, int cell, double under, double time, double step) {
        if (known.isPresent() || heat[cell] > under) {
            return known;
        }
        double share = (before[cell] - under) / Math.max(1e-300, before[cell] - heat[cell]);
        return OptionalDouble.of(time + step * Math.min(1, Math.max(0, share)));
    }

    /** @return heat that left it, NaN where no answer was found */
    private double step(double dt, double latent) {
        conductances();
        for (int n = 0; n < MOST_NEWTON; n++) {
            for (int i = 0; i < cells; i++) {
                celsius[i] = of(i).celsius(heat[i]);
                rise[i] = of(i).rise(heat[i]);
            }
            if (solve(dt, latent)) {
                return outside(dt);
            }
        }
        return Double.NaN;
    }

    /** Between each cell and the next, times its area; by the heat at the beginning of the step. */
    private void conductances() {
        for (int i = 0; i + 1 < cells; i++) {
            double resists = (edge[i + 1] - centre[i]) / of(i).conductivity(before[i])
                    + (centre[i + 1] - edge[i + 1]) / of(i + 1).conductivity(before[i + 1])
                    + (i + 1 == bodyCells ? 1 / q.border : 0);
            conducts[i] = area[i + 1] / resists;
        }
    }

    /** From the outermost cell to the outside, W/K for its area. */
    private double outward() {
        int last = cells - 1;
        double takes = q.outside.takes(celsius[last]);
        return takes == 0
                ? 0
                : area[cells] / (1 / takes + (edge[cells] - centre[last]) / of(last).conductivity(before[last]));
    }

    private double outside(double dt) {
        return dt * outward() * (celsius[cells - 1] - q.outside.celsius());
    }

    /** One step of Newton's. @return whether nothing worth naming was left to change */
    private boolean solve(double dt, double latent) {
        double most = 0;
        double pivot = 0;
        for (int i = 0; i < cells; i++) {
            double in = i == 0 ? 0 : dt * conducts[i - 1] / volume[i];
            double out = i == cells - 1 ? dt * outward() / volume[i] : dt * conducts[i] / volume[i];
            double beyond = i == cells - 1 ? q.outside.celsius() : celsius[i + 1];
            double fault = heat[i] - before[i] + out * (celsius[i] - beyond);
            double diagonal = 1 + (in + out) * rise[i];
            double lower = 0;
            if (i > 0) {
                fault -= in * (celsius[i - 1] - celsius[i]);
                lower = -in * rise[i - 1];
            }
            pivot = diagonal - (i == 0 ? 0 : lower * upper[i - 1]);
            upper[i] = i == cells - 1 ? 0 : -out * rise[i + 1] / pivot;
            left[i] = (-fault - (i == 0 ? 0 : lower * left[i - 1])) / pivot;
        }
        for (int i = cells - 1; i >= 0; i--) {
            change[i] = left[i] - (i == cells - 1 ? 0 : upper[i] * change[i + 1]);
            heat[i] += change[i];
            most = Math.max(most, Math.abs(change[i]));
        }
        return most <= TOLERANCE * latent;
    }
}
