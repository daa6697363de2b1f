package kilnryu.core.solid;

import java.util.Arrays;
import java.util.function.IntToDoubleFunction;
import java.util.stream.IntStream;

/**
 * A body that freezes in its mold on a grid of cells, by its heat.
 *
 * <p>Each step is implicit and split by directions, all three from the same beginning: the heat of each line is solved for
 * three times the step with the temperatures linear in the heat, and the mean of the three is taken. What that is late by
 * is made up for by what each direction brought in the step before, {@value #KNOWN} of it: wholly would be of second order
 * and on the edge of stability, so much is stable at any step and in any three rates of conduction (the largest eigenvalue
 * over all of them is under one). What one cell gives off another takes up, so heat is kept to rounding; no direction comes
 * before another, so what is symmetric stays so. The error falls with the step: one ends before the body has given off
 * {@value #STEP} of its latent heat (the root of the mean square of its cells), or any cell {@value #FASTEST} times that:
 * times are within 0.5 % of those of far smaller steps where a body freezes in minutes, within 3 % where it is slow. By the
 * temperature's rise of freezing alone a cell that is nearly through would overshoot, come back, and hold the step down for
 * all: its rise is taken over the part of its heat that it may give off. What freezes over less than {@value #NARROWEST} K is
 * taken to freeze over so much about its middle, with the same heat. Nothing is allocated while it runs but what the threads
 * need to share it.
 *
 * <p>Cells that hold less than a round body also turn less face to the mold: of what its volume says the cells' heat takes
 * the share {@link #ROUNDED} less in the exponent where the faces are those of steps. Found by bars and balls of 4 to 14
 * cells across; a plate along the grid takes it whole.
 */
public final class Freezing {
    public static final byte OUTSIDE = 0;
    public static final byte BODY = 1;
    public static final byte MOLD = 2;
    /** Under this liquid share nothing flows any more (handbook 23). */
    public static final double STIFF = 0.3;

    /** Of the border's heat that an insulating sleeve lets through. */
    public static final double SLEEVE = 0.05;

    static final double STEP = 0.02;
    /** A single cell may change so many times as much. */
    private static final double FASTEST = 8;

    /** How much of a step is implicit: over a half it is stable, one would be half as fine. */
    private static final double IMPLICIT = 0.6;

    /** How much of what the splitting is late by is made up for. */
    private static final double KNOWN = 0.9;

    private static final double ROUNDED = 1 / 3.0;
    /** Of the faces of the steps of a bar is its true surface. */
    private static final double BAR = Math.PI / 4;

    /** Share of the latent heat under which a cell is nearly through with freezing. */
    private static final double NEARLY = 0.05;
    /** K over which anything freezes here at least. */
    private static final double NARROWEST = 10;

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
    private final double finest;
    private final Freezable body;
    private final Grid grid;
    private final byte[] kind;
    private final double[] heat;
    private final double[] celsius;
    private final double[] rise;
    private final double[] resists;
    /** What each direction brought a cell in the last step, and all of them together, J/m3. */
    private final float[][] brought = new float[3][];

    private final float[] gain;
    private final float[] freezesAt;
    private final float[] stiffAt;
    private final float[] solidAt;
    private final float[] feeds;
    private final double[][] upper = new double[BLOCKS][];
    private final double[][] solved = new double[BLOCKS][];
    private final double[][] seen = new double[BLOCKS][];
    private final double[] lost = new double[BLOCKS];
    private final double[] most = new double[BLOCKS];
    private final double[] squared = new double[BLOCKS];
    private final int[] liquid = new int[BLOCKS];
    private final double frozen;
    private final double latent;
    private final double holds;

    private Freezing(Question q, double finest) {
        this.q = q;
        this.finest = finest;
        grid = q.grid;
        kind = q.kind;
        int n = grid.cells();
        heat = new double[n];
        celsius = new double[n];
        rise = new double[n];
        resists = new double[n];
        gain = new float[n];
        for (int d = 0; d < 3; d++) {
            brought[d] = new float[n];
        }
        freezesAt = never(n);
        stiffAt = never(n);
        solidAt = never(n);
        feeds = new float[n];
        int longest = Math.max(grid.nx(), Math.max(grid.ny(), grid.nz()));
        for (int b = 0; b < BLOCKS; b++) {
            upper[b] = new double[longest];
            solved[b] = new double[longest];
            seen[b] = new double[longest];
        }
        body = wide(q.body);
        frozen = body.frozen();
        latent = body.melted() - frozen;
        double stairs = Math.min(1, Math.max(0, (1 - q.areaShare) / (1 - BAR)));
        holds = Math.pow(q.volumeShare, 1 - ROUNDED * stairs);
    }

    private static Freezable wide(Freezable f) {
        double wider = NARROWEST - (f.liquidus() - f.solidus());
        // from all liquid at the true liquidus to all solid it gives off what it truly does
        double taken = wider * f.solidHeat() / 2;
        return wider <= 0 || taken >= f.latent()
                ? f
                : new Freezable(
                        f.density(),
                        f.solidus() - wider / 2,
                        f.liquidus() + wider / 2,
                        f.latent() - taken,
                        f.solidHeat(),
                        f.liquidHeat(),
                        f.solidConducts(),
                        f.liquidConducts());
    }

    private static float[] never(int n) {
        float[] never = new float[n];
        Arrays.fill(never, Float.POSITIVE_INFINITY);
        return never;
    }

    /** @param goes told after each step */
    public static Frozen of(Question q, Goes goes) {
        return of(q, STEP, goes);
    }

    /** @param finest share of its latent heat that the body gives off in a step */
    static Frozen of(Question q, double finest, Goes goes) {
        return new Freezing(q, finest).run(goes);
    }

    private Frozen run(Goes goes) {
        int bodyCells = 0;
        for (int i = 0; i < heat.length; i++) {
            heat[i] = kind[i] == BODY ? poured(q.hot.applyAsDouble(i)) : kind[i] == MOLD ? q.mold.heat(q.warm) : 0;
            bodyCells += kind[i] == BODY ? 1 : 0;
        }
        double full = total(false);
        double inBody = total(true);
        double away = 0;
        double time = 0;
        double longer = 1;
        double step = 0.05 * grid.edge() * grid.edge() * body.density() * body.liquidHeat() / body.liquidConducts();
        int steps = 0;
        boolean stopped = false;
        int left = bodyCells;
        boolean can = freezes();
        while (left > 0 && can && time < LONGEST_S && !stopped) {
            away += step(time, step, longer);
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
            longer = Math.min(1.25, Math.max(0.4, finest / Math.max(change / latent, 1e-9)));
            step *= longer;
            stopped = !goes.on(1 - left / (double) Math.max(1, bodyCells));
        }
        double given = Math.abs(inBody - total(true));
        double leftOver = Math.abs(full - total(false) - away);
        int last = last();
        double seconds = left > 0 || last < 0 ? Double.POSITIVE_INFINITY : solidAt[last];
        return new Frozen(
                freezesAt, stiffAt, solidAt, feeds, seconds, last, steps, given == 0 ? 0 : leftOver / given, stopped);
    }

    /** Heat of the body at a temperature at first: over its liquidus all of it is liquid, where its range was widened too. */
    private double poured(double celsius) {
        return celsius < q.body.liquidus()
                ? body.heat(celsius)
                : body.melted() + body.density() * body.liquidHeat() * (celsius - body.liquidus());
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
        return kind[cell] == BODY ? holds : 1;
    }

    /** Whether all of it is solid once everything is as warm as everything else. */
    private boolean freezes() {
        if (q.outside.coefficient() > 0 || q.outside.emissivity() > 0) {
            return q.outside.celsius() < body.solidus();
        }
        double solid = 0;
        for (int i = 0; i < heat.length; i++) {
            solid += kind[i] == BODY ? frozen * holds : kind[i] == MOLD ? q.mold.heat(body.solidus()) : 0;
        }
        double edge = grid.edge();
        return total(false) < solid * edge * edge * edge;
    }

    /** @param longer than the step before, a factor @return J that left */
    private double step(double time, double step, double longer) {
        IntStream.range(0, BLOCKS).parallel().forEach(this::state);
        Arrays.fill(lost, 0);
        // heat has not gone deeper into the mold than this, m: the half of a cell is too far at first
        double deep =
                Math.sqrt(Math.PI * time * q.mold.conductivity(q.mold.heat(q.warm)) * q.mold.rise(q.mold.heat(q.warm)));
        double near = Math.min(1, Math.max(0.02, deep / (grid.edge() / 2)));
        for (int d = 0; d < 3; d++) {
            int direction = d;
            IntStream.range(0, BLOCKS).parallel().forEach(b -> lines(direction, b, 3 * step, near, KNOWN * longer));
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
            if (kind[i] == MOLD) {
                q.mold.into(i, heat[i], celsius, rise, resists);
                resists[i] = half / resists[i];
            } else if (kind[i] == BODY) {
                celsius[i] = body.celsius(heat[i]);
                rise[i] = rise(heat[i]);
                resists[i] = half / body.conductivity(heat[i]);
            }
        }
    }

    /** K m3/J; of what is nearly through with freezing over the part of its heat that it may give off in a step. */
    private double rise(double at) {
        double through = NEARLY * latent;
        return at > frozen && at < frozen + through
                ? (body.celsius(at) - body.celsius(at - through)) / through
                : body.rise(at);
    }

    private void lines(int direction, int block, double dt, double near, double known) {
        int along = grid.along(direction);
        int all = grid.cells() / along;
        int stride = grid.stride(direction);
        for (int line = from(block, all); line < from(block + 1, all); line++) {
            int first = grid.first(direction, line);
            if (seen(first, stride, along, block, brought[direction], known)) {
                line(first, stride, along, block, dt, near);
                back(first, stride, along, block, dt, brought[direction]);
            }
        }
    }

    /**
     * Temperatures of a line as they are seen by its direction: less what they would change by as all directions go on as
     * in the step before, more what it itself is too much implicit by.
     *
     * @return whether anything of it is not outside
     */
    private boolean seen(int first, int stride, int along, int block, float[] mine, double known) {
        double[] t = seen[block];
        boolean any = false;
        for (int j = 0; j < along; j++) {
            int i = first + j * stride;
            if (kind[i] != OUTSIDE) {
                any = true;
                t[j] = celsius[i] - known * rise[i] * (3 * IMPLICIT * mine[i] - gain[i] / 2);
            }
        }
        return any;
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
        double[] seenAt = seen[block];
        double perEdge = dt / grid.edge();
        double bodyShare = 1 / holds;
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
                double t = seenAt[j];
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
                    fault += in * (seenAt[j - 1] - t);
                    pivot -= lower * up[j - 1];
                    done = lower * d[j - 1];
                }
                double per = 1 / pivot;
                if (next == OUTSIDE) {
                    up[j] = 0;
                } else {
                    fault += out * (seenAt[j + 1] - t);
                    up[j] = -scale * out * rise[i + stride] * per;
                }
                d[j] = (explicit * fault - done) * per;
                in = out;
            }
            before = here;
            here = next;
        }
    }

    private void back(int first, int stride, int along, int block, double dt, float[] mine) {
        double[] up = upper[block];
        double[] d = solved[block];
        double[] seenAt = seen[block];
        double face = grid.edge() * grid.edge() * dt / 3;
        double gained = 0;
        byte after = OUTSIDE;
        for (int j = along - 1; j >= 0; j--) {
            int i = first + j * stride;
            byte here = kind[i];
            gained = here == OUTSIDE ? 0 : d[j] - up[j] * gained;
            if (here != OUTSIDE) {
                mine[i] = (float) (gained / 3);
                if (after == OUTSIDE || j == 0 || kind[i - stride] == OUTSIDE) {
                    double air = outward(i, stride, j, along);
                    lost[block] += air * (seenAt[j] + IMPLICIT * rise[i] * gained - q.outside.celsius()) * face;
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
        double stiff = frozen + STIFF * latent;
        for (int i = from(block, heat.length); i < from(block + 1, heat.length); i++) {
            if (kind[i] == OUTSIDE) {
                continue;
            }
            double before = heat[i];
            double gained = (double) brought[0][i] + brought[1][i] + brought[2][i];
            heat[i] += gained;
            gain[i] = (float) gained;
            if (kind[i] == BODY) {
                change = Math.max(change, Math.abs(gained));
                squares += gained * gained;
                if (heat[i] > frozen) {
                    left++;
                }
                falls(freezesAt, i, before, body.melted(), time, step);
                if (falls(stiffAt, i, before, stiff, time, step)) {
                    feeds[i] = feeds(i, step);
                }
                falls(solidAt, i, before, frozen, time, step);
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
