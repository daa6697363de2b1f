package kilnryu.core.solid;

import java.util.Arrays;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/**
 * A body that freezes in its mold on a grid of cells, by its heat.
 *
 * <p>Each step is implicit and split by directions, all three from the same beginning: the heat of each line is solved for
 * three times the step with the temperatures linear in the heat, and the mean of the three is taken. No step is too long to
 * be stable; what one cell gives off another takes up, so heat is kept to rounding; no direction comes before another, so
 * what is symmetric stays so. The error falls with the step: one ends before the body has given off {@value #STEP} of its
 * latent heat (the root of the mean square of its cells), or any cell {@value #FASTEST} times that. Nothing is allocated
 * while it runs but what the threads need to share it.
 */
public final class Freezing {
    public static final byte OUTSIDE = 0;
    public static final byte BODY = 1;
    public static final byte MOLD = 2;
    /** Under this liquid share nothing flows any more (handbook 23). */
    public static final double STIFF = 0.3;

    /** Of the border's heat that an insulating sleeve lets through. */
    public static final double SLEEVE = 0.05;

    static final double STEP = 0.015;
    /** A single cell may change so many times as much. */
    private static final double FASTEST = 4;

    /** How much of a step is implicit: over a half it is stable, one would be half as fine. */
    private static final double IMPLICIT = 0.6;

    private static final double LONGEST_S = 1e7;
    private static final int BLOCKS = 16;

    /**
     * @param kind of each cell: {@link #OUTSIDE}, {@link #BODY} or {@link #MOLD}
     * @param hot C of each cell of the body at first
     * @param warm C of the mold at first
     * @param border W/(m2 K) between body and mold
     * @param areaShare true area between body and mold, as a share of that of the cells' faces
     * @param outerShare true area between mold and outside, likewise
     * @param sleeved cells of the body whose border passes only {@value #SLEEVE} of the heat; empty where none is
     * @param volumeShare true volume of the body, as a share of that of its cells
     */
    public record Question(
            Grid grid,
            byte[] kind,
            Freezable body,
            IntToDoubleFunction hot,
            Inert mold,
            double warm,
            double border,
            double areaShare,
            double outerShare,
            double volumeShare,
            boolean[] sleeved,
            Surroundings outside) {
        /** @throws IllegalArgumentException where a cell has no kind, or nothing touches */
        public Question {
            if (kind.length != grid.cells()) {
                throw new IllegalArgumentException("each cell is of a kind");
            }
            if (!(border > 0 && areaShare > 0 && outerShare > 0 && volumeShare > 0)) {
                throw new IllegalArgumentException("body and mold touch");
            }
        }

        /** A body that is equally hot everywhere at first. */
        public Question(
                Grid grid,
                byte[] kind,
                Freezable body,
                double hot,
                Inert mold,
                double warm,
                double border,
                double areaShare,
                double outerShare,
                double volumeShare,
                Surroundings outside) {
            this(
                    grid,
                    kind,
                    body,
                    cell -> hot,
                    mold,
                    warm,
                    border,
                    areaShare,
                    outerShare,
                    volumeShare,
                    new boolean[0],
                    outside);
        }
    }

    /** Told how far it is; asked whether to go on. */
    @FunctionalInterface
    public interface Goes {
        /** @param frozen share of the body that is solid */
        boolean on(double frozen);
    }

    /**
     * @param freezesAt s until each cell of the body began to freeze; infinite for one that never does, and outside the body
     * @param stiffAt s until so little of it was liquid, {@value #STIFF}, that it does not flow, likewise
     * @param solidAt s until it was solid, likewise
     * @param feeds temperature gradient over the root of the rate of cooling as it stiffened, root of K s over mm: the
     *     smaller, the more fine holes stay; 0 outside the body
     * @param seconds until the last was solid; infinite where one never is
     * @param last the cell that was solid last, -1 for none
     * @param steps that were made
     * @param leftOver what is not accounted for of the heat that the body gave off, as a share of it
     * @param stopped whether it was told to stop
     */
    public record Frozen(
            float[] freezesAt,
            float[] stiffAt,
            float[] solidAt,
            float[] feeds,
            double seconds,
            int last,
            int steps,
            double leftOver,
            boolean stopped) {
        /** Liquid share of a cell of the body at a moment, between what is known of it. */
        double liquid(int cell, double at) {
            if (at <= freezesAt[cell]) {
                return 1;
            }
            if (at >= solidAt[cell]) {
                return 0;
            }
            return at < stiffAt[cell]
                    ? 1 - (1 - STIFF) * (at - freezesAt[cell]) / (stiffAt[cell] - freezesAt[cell])
                    : Float.isInfinite(solidAt[cell])
                            ? STIFF
                            : STIFF * (solidAt[cell] - at) / (solidAt[cell] - stiffAt[cell]);
        }
    }

    private final Question q;
    private final Grid grid;
    private final byte[] kind;
    private final double[] heat;
    private final double[] celsius;
    private final double[] rise;
    private final double[] resists;
    private final double[] gain;
    private final float[] freezesAt;
    private final float[] stiffAt;
    private final float[] solidAt;
    private final float[] feeds;
    private final double[][] upper = new double[BLOCKS][];
    private final double[][] solved = new double[BLOCKS][];
    private final double[] lost = new double[BLOCKS];
    private final double[] most = new double[BLOCKS];
    private final double[] squared = new double[BLOCKS];
    private final int[] liquid = new int[BLOCKS];
    private final double latent;

    private Freezing(Question q) {
        this.q = q;
        grid = q.grid;
        kind = q.kind;
        int n = grid.cells();
        heat = new double[n];
        celsius = new double[n];
        rise = new double[n];
        resists = new double[n];
        gain = new double[n];
        freezesAt = never(n);
        stiffAt = never(n);
        solidAt = never(n);
        feeds = new float[n];
        int longest = Math.max(grid.nx(), Math.max(grid.ny(), grid.nz()));
        for (int b = 0; b < BLOCKS; b++) {
            upper[b] = new double[longest];
            solved[b] = new double[longest];
        }
        latent = q.body.melted() - q.body.frozen();
    }

    private static float[] never(int n) {
        float[] never = new float[n];
        Arrays.fill(never, Float.POSITIVE_INFINITY);
        return never;
    }

    /** @param goes told after each step */
    public static Frozen of(Question q, Goes goes) {
        return new Freezing(q).run(goes);
    }

    private Frozen run(Goes goes) {
        int bodyCells = 0;
        for (int i = 0; i < heat.length; i++) {
            heat[i] = kind[i] == BODY ? q.body.heat(q.hot.applyAsDouble(i)) : kind[i] == MOLD ? q.mold.heat(q.warm) : 0;
            bodyCells += kind[i] == BODY ? 1 : 0;
        }
        double full = total(false);
        double inBody = total(true);
        double away = 0;
        double time = 0;
        double step =
                0.05 * grid.edge() * grid.edge() * q.body.density() * q.body.liquidHeat() / q.body.liquidConducts();
        int steps = 0;
        boolean stopped = false;
        int left = bodyCells;
        boolean can = freezes();
        while (left > 0 && can && time < LONGEST_S && !stopped) {
            away += step(time, step);
            double largest = 0;
            double squares = 0;
            left = 0;
            for (int b = 0; b < BLOCKS; b++) {
                largest = Math.max(largest, most[b]);
                squares += squared[b];
                left += liquid[b];
            }
            double change = Math.max(largest / FASTEST, Math.sqrt(squares / bodyCells));
            time += step;
            steps++;
            step *= Math.min(1.25, Math.max(0.4, STEP / Math.max(change / latent, 1e-9)));
            stopped = !goes.on(1 - left / (double) Math.max(1, bodyCells));
        }
        double given = Math.abs(inBody - total(true));
        double leftOver = Math.abs(full - total(false) - away);
        int last = last();
        double seconds = left > 0 || last < 0 ? Double.POSITIVE_INFINITY : solidAt[last];
        return new Frozen(
                freezesAt, stiffAt, solidAt, feeds, seconds, last, steps, given == 0 ? 0 : leftOver / given, stopped);
    }

    private int last() {
        int last = -1;
        for (int i = 0; i < solidAt.length; i++) {
            if (kind[i] == BODY && (last < 0 || solidAt[i] > solidAt[last])) {
                last = i;
            }
        }
        return last;
    }

    /** J. @param body whether of the body alone */
    private double total(boolean body) {
        double sum = 0;
        for (int i = 0; i < heat.length; i++) {
            if (kind[i] == BODY || !body && kind[i] == MOLD) {
                sum += heat[i] * capacity(i);
            }
        }
        double edge = grid.edge();
        return sum * edge * edge * edge;
    }

    private double capacity(int cell) {
        return kind[cell] == BODY ? q.volumeShare : 1;
    }

    /** Whether all of it is solid once everything is as warm as everything else. */
    private boolean freezes() {
        if (q.outside.coefficient() > 0 || q.outside.emissivity() > 0) {
            return q.outside.celsius() < q.body.solidus();
        }
        double frozen = 0;
        for (int i = 0; i < heat.length; i++) {
            frozen += kind[i] == BODY
                    ? q.body.frozen() * q.volumeShare
                    : kind[i] == MOLD ? q.mold.heat(q.body.solidus()) : 0;
        }
        double edge = grid.edge();
        return total(false) < frozen * edge * edge * edge;
    }

    /** @return J that left */
    private double step(double time, double step) {
        IntStream.range(0, BLOCKS).parallel().forEach(this::state);
        Arrays.fill(lost, 0);
        // heat has not gone deeper into the mold than this, m: the half of a cell is too far at first
        double deep =
                Math.sqrt(Math.PI * time * q.mold.conductivity(q.mold.heat(q.warm)) * q.mold.rise(q.mold.heat(q.warm)));
        double near = Math.min(1, Math.max(0.02, deep / (grid.edge() / 2)));
        for (int d = 0; d < 3; d++) {
            int direction = d;
            IntStream.range(0, BLOCKS).parallel().forEach(b -> lines(direction, b, 3 * step, near));
        }
        IntStream.range(0, BLOCKS).parallel().forEach(b -> take(b, time, step));
        double away = 0;
        for (int b = 0; b < BLOCKS; b++) {
            away += lost[b];
        }
        return away;
    }

    private int from(int block, int of) {
        return (int) ((long) of * block / BLOCKS);
    }

    /** Temperature, its rise with the heat, and the resistance of half a cell, of each cell as the step begins. */
    private void state(int block) {
        double half = grid.edge() / 2;
        for (int i = from(block, heat.length); i < from(block + 1, heat.length); i++) {
            gain[i] = 0;
            if (kind[i] == MOLD) {
                q.mold.into(i, heat[i], celsius, rise, resists);
                resists[i] = half / resists[i];
            } else if (kind[i] == BODY) {
                celsius[i] = q.body.celsius(heat[i]);
                rise[i] = q.body.rise(heat[i]);
                resists[i] = half / q.body.conductivity(heat[i]);
            }
        }
    }

    private void lines(int direction, int block, double dt, double near) {
        int along = grid.along(direction);
        int all = grid.cells() / along;
        int stride = grid.stride(direction);
        for (int line = from(block, all); line < from(block + 1, all); line++) {
            line(grid.first(direction, line), stride, along, block, dt, near);
        }
    }

    /** W/(m2 K) across the border, from a cell to its neighbour of the other kind. */
    private double border(int cell, int next, double near) {
        boolean bodyFirst = kind[cell] == BODY;
        double inBody = bodyFirst ? resists[cell] : resists[next];
        double inMold = bodyFirst ? resists[next] : resists[cell];
        boolean sleeve = q.sleeved.length > 0 && q.sleeved[bodyFirst ? cell : next];
        double passes = q.border * q.areaShare * (sleeve ? SLEEVE : 1);
        return 1 / (inBody + 1 / passes + inMold * near);
    }

    /** W/(m2 K) from a cell of the mold to the outside, by each of its faces along a line; none through the grid's own end. */
    private double outward(int cell, int stride, int place, int along) {
        int faces = (place > 0 && kind[cell - stride] == OUTSIDE ? 1 : 0)
                + (place < along - 1 && kind[cell + stride] == OUTSIDE ? 1 : 0);
        double takes = faces > 0 && kind[cell] == MOLD ? q.outside.takes(celsius[cell]) * q.outerShare : 0;
        return takes == 0 ? 0 : faces / (1 / takes + resists[cell]);
    }

    private void line(int first, int stride, int along, int block, double dt, double near) {
        double[] up = upper[block];
        double[] d = solved[block];
        double perEdge = dt / grid.edge();
        double bodyShare = 1 / q.volumeShare;
        double in = 0;
        byte before = OUTSIDE;
        byte here = kind[first];
        for (int j = 0; j < along; j++) {
            int i = first + j * stride;
            byte next = j + 1 < along ? kind[i + stride] : OUTSIDE;
            if (here == OUTSIDE) {
                up[j] = 0;
                d[j] = 0;
                in = 0;
            } else {
                double t = celsius[i];
                double explicit = here == BODY ? perEdge * bodyShare : perEdge;
                double scale = IMPLICIT * explicit;
                double out = next == OUTSIDE
                        ? 0
                        : here == next ? 1 / (resists[i] + resists[i + stride]) : border(i, i + stride, near);
                double air = before == OUTSIDE || next == OUTSIDE ? outward(i, stride, j, along) : 0;
                double fault = air == 0 ? 0 : air * (q.outside.celsius() - t);
                double pivot = 1 + scale * (in + out + air) * rise[i];
                double done = 0;
                if (before != OUTSIDE) {
                    double lower = -scale * in * rise[i - stride];
                    fault += in * (celsius[i - stride] - t);
                    pivot -= lower * up[j - 1];
                    done = lower * d[j - 1];
                }
                double per = 1 / pivot;
                if (next == OUTSIDE) {
                    up[j] = 0;
                } else {
                    fault += out * (celsius[i + stride] - t);
                    up[j] = -scale * out * rise[i + stride] * per;
                }
                d[j] = (explicit * fault - done) * per;
                in = out;
            }
            before = here;
            here = next;
        }
        back(first, stride, along, block, dt);
    }

    private void back(int first, int stride, int along, int block, double dt) {
        double[] up = upper[block];
        double[] d = solved[block];
        double face = grid.edge() * grid.edge() * dt / 3;
        double gained = 0;
        byte after = OUTSIDE;
        for (int j = along - 1; j >= 0; j--) {
            int i = first + j * stride;
            byte here = kind[i];
            gained = here == OUTSIDE ? 0 : d[j] - up[j] * gained;
            if (here != OUTSIDE) {
                gain[i] += gained / 3;
                if (after == OUTSIDE || j == 0 || kind[i - stride] == OUTSIDE) {
                    double air = outward(i, stride, j, along);
                    lost[block] += air * (celsius[i] + IMPLICIT * rise[i] * gained - q.outside.celsius()) * face;
                }
            }
            after = here;
        }
    }

    /** Each cell takes what it gained; what is solid by now is noted. */
    private void take(int block, double time, double step) {
        double change = 0;
        double squares = 0;
        int left = 0;
        double frozen = q.body.frozen();
        double stiff = frozen + STIFF * latent;
        for (int i = from(block, heat.length); i < from(block + 1, heat.length); i++) {
            if (kind[i] == BODY) {
                double before = heat[i];
                heat[i] += gain[i];
                change = Math.max(change, Math.abs(gain[i]));
                squares += gain[i] * gain[i];
                if (heat[i] > frozen) {
                    left++;
                }
                falls(freezesAt, i, before, q.body.melted(), time, step);
                if (falls(stiffAt, i, before, stiff, time, step)) {
                    feeds[i] = feeds(i, step);
                }
                falls(solidAt, i, before, frozen, time, step);
            } else if (kind[i] == MOLD) {
                heat[i] += gain[i];
            }
        }
        most[block] = change;
        squared[block] = squares;
        liquid[block] = left;
    }

    /** Notes when the heat of a cell fell to a mark; one that is warmed over it again is not there. @return whether now */
    private boolean falls(float[] at, int cell, double before, double mark, double time, double step) {
        if (heat[cell] > mark) {
            at[cell] = Float.POSITIVE_INFINITY;
            return false;
        }
        if (at[cell] != Float.POSITIVE_INFINITY) {
            return false;
        }
        double share = before > mark ? (before - mark) / (before - heat[cell]) : 0;
        at[cell] = (float) (time + step * share);
        return true;
    }

    /** By the temperatures at the beginning of the step. */
    private float feeds(int cell, double step) {
        double squares = 0;
        for (int d = 0; d < 3; d++) {
            int stride = grid.stride(d);
            int place = grid.place(d, cell);
            boolean lower = place > 0 && kind[cell - stride] == BODY;
            boolean upper = place < grid.along(d) - 1 && kind[cell + stride] == BODY;
            double from = celsius[lower ? cell - stride : cell];
            double to = celsius[upper ? cell + stride : cell];
            double cells = (lower ? 1 : 0) + (upper ? 1 : 0);
            double slope = cells == 0 ? 0 : (to - from) / (cells * grid.edge() * 1000);
            squares += slope * slope;
        }
        double cooling = -gain[cell] * rise[cell] / step;
        return (float) (cooling > 0 ? Math.sqrt(squares / cooling) : 0);
    }
}
