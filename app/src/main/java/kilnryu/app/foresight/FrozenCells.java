package kilnryu.app.foresight;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;
import kilnryu.core.foresight.CastCells;
import kilnryu.core.foresight.Foresight;
import kilnryu.core.gating.Use;
import kilnryu.core.solid.Freezing;
import kilnryu.core.solid.Grid;
import kilnryu.core.solid.Inflow;
import kilnryu.core.solid.Pools;

/**
 * What a drawing needs of a frozen tree's cells, small enough to be kept: times in 60,000 steps of their whole.
 *
 * @param part of each cell of metal, -1 elsewhere
 * @param arrives when metal is there, in steps of {@code fill}
 * @param stiff when it does not flow any more, in steps of {@code seconds}
 * @param solid when it is solid, likewise
 * @param alone since when it is left alone, likewise; {@link #NEVER} where it is not
 * @param marks what is in it, of {@link #MOLD}, {@link #HOLLOW}, {@link #SUNK}, {@link #AIR}, {@link #WEAKEST},
 *     {@link #WEAK}
 */
record FrozenCells(
        Grid grid,
        double edge,
        double[] low,
        double fill,
        double seconds,
        short[] part,
        char[] arrives,
        char[] stiff,
        char[] solid,
        char[] alone,
        byte[] marks) {
    static final char NEVER = 65_535;
    static final byte MOLD = 1;
    static final byte HOLLOW = 2;
    static final byte SUNK = 4;
    static final byte AIR = 8;
    /** Of a casting where metal is drawn in most weakly as it stiffens: the tenth of all castings' cells, */
    static final byte WEAKEST = 16;
    /** and the fifth above that. */
    static final byte WEAK = 32;

    private static final double TENTH = 0.1;
    private static final double THREE_TENTHS = 0.3;
    private static final int STEPS = 60_000;

    static FrozenCells of(Foresight f) {
        CastCells c = f.cells();
        int n = c.kind().length;
        double seconds = Double.isFinite(f.frozen().seconds())
                ? f.frozen().seconds()
                : longest(f.frozen().solidAt());
        double fill = Math.max(1e-6, f.filled().seconds());
        char[] alone = new char[n];
        Arrays.fill(alone, NEVER);
        byte[] marks = new byte[n];
        for (Pools.Pool p : f.pools().pools()) {
            for (int cell : p.cells()) {
                alone[cell] = p.fed() ? alone[cell] : step(p.shut(), seconds);
            }
        }
        for (Inflow.Pocket p : f.filled().pockets()) {
            for (int cell : p.cells()) {
                marks[cell] |= AIR;
            }
        }
        for (int i = 0; i < n; i++) {
            marks[i] |= (byte) ((c.kind()[i] == Freezing.MOLD ? MOLD : 0)
                    | (f.pools().hollow()[i] ? HOLLOW : 0)
                    | (f.pools().sunk()[i] ? SUNK : 0));
        }
        weak(c, f.frozen().feeds(), marks);
        return new FrozenCells(
                c.grid(),
                c.edge(),
                new double[] {c.low().x(), c.low().y(), c.low().z()},
                fill,
                seconds,
                c.part(),
                steps(f.filled().arrives(), fill),
                steps(f.frozen().stiffAt(), seconds),
                steps(f.frozen().solidAt(), seconds),
                alone,
                marks);
    }

    /** Marks where fine holes are likeliest to stay, by the rank of what draws metal in; 0 is not known and not ranked. */
    static void weak(CastCells c, float[] draws, byte[] marks) {
        IntPredicate ranked = i -> c.part()[i] >= 0 && c.of(i).use() == Use.PIECE && draws[i] > 0;
        double[] sorted = IntStream.range(0, draws.length)
                .filter(ranked)
                .mapToDouble(i -> draws[i])
                .sorted()
                .toArray();
        if (sorted.length == 0) {
            return;
        }
        double weakest = sorted[(int) (TENTH * sorted.length)];
        double weak = sorted[(int) (THREE_TENTHS * sorted.length)];
        for (int i = 0; i < draws.length; i++) {
            if (ranked.test(i) && draws[i] < weak) {
                marks[i] |= draws[i] < weakest ? WEAKEST : WEAK;
            }
        }
    }

    private static double longest(float[] times) {
        double longest = 1;
        for (float t : times) {
            longest = Float.isInfinite(t) ? longest : Math.max(longest, t);
        }
        return longest;
    }

    private static char step(double at, double whole) {
        return Double.isInfinite(at) ? NEVER : (char) Math.max(0, Math.min(STEPS, Math.round(at / whole * STEPS)));
    }

    private static char[] steps(float[] times, double whole) {
        char[] steps = new char[times.length];
        for (int i = 0; i < steps.length; i++) {
            steps[i] = step(times[i], whole);
        }
        return steps;
    }

    /** s of a step of the freezing. */
    double time(char step) {
        return step == NEVER ? Double.POSITIVE_INFINITY : step * seconds / STEPS;
    }

    /** The step of a moment of the freezing, s. */
    int at(double second) {
        return (int) Math.round(Math.max(0, Math.min(1, second / seconds)) * STEPS);
    }

    /** The step of a moment of the filling, s. */
    int filling(double second) {
        return (int) Math.round(Math.max(0, Math.min(1, second / fill)) * STEPS);
    }

    /** Since when the place of a mark is left alone. */
    char alone(Told.Mark mark) {
        double[] at = {mark.x(), mark.y(), mark.z()};
        int[] place = new int[3];
        for (int d = 0; d < 3; d++) {
            place[d] = Math.max(0, Math.min(grid.along(d) - 1, (int) Math.floor((at[d] - low[d]) / edge)));
        }
        return alone[grid.at(place[0], place[1], place[2])];
    }

    boolean metal(int cell) {
        return part[cell] >= 0;
    }

    byte[] packed() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (DataOutputStream out = new DataOutputStream(new DeflaterOutputStream(bytes))) {
            for (int size : new int[] {grid.nx(), grid.ny(), grid.nz()}) {
                out.writeInt(size);
            }
            for (double d : new double[] {grid.edge(), edge, low[0], low[1], low[2], fill, seconds}) {
                out.writeDouble(d);
            }
            for (short s : part) {
                out.writeShort(s);
            }
            for (char[] times : new char[][] {arrives, stiff, solid, alone}) {
                for (char t : times) {
                    out.writeChar(t);
                }
            }
            out.write(marks);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }

    static FrozenCells unpacked(byte[] bytes) {
        try (DataInputStream in = new DataInputStream(
                new java.io.BufferedInputStream(new InflaterInputStream(new ByteArrayInputStream(bytes)), 1 << 16))) {
            int[] size = {in.readInt(), in.readInt(), in.readInt()};
            Grid grid = new Grid(size[0], size[1], size[2], in.readDouble());
            double edge = in.readDouble();
            double[] low = {in.readDouble(), in.readDouble(), in.readDouble()};
            double fill = in.readDouble();
            double seconds = in.readDouble();
            short[] part = new short[grid.cells()];
            for (int i = 0; i < part.length; i++) {
                part[i] = in.readShort();
            }
            char[][] times = new char[4][grid.cells()];
            for (char[] of : times) {
                for (int i = 0; i < of.length; i++) {
                    of[i] = in.readChar();
                }
            }
            return new FrozenCells(
                    grid,
                    edge,
                    low,
                    fill,
                    seconds,
                    part,
                    times[0],
                    times[1],
                    times[2],
                    times[3],
                    in.readNBytes(grid.cells()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
