package kilnryu.core.kiln;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.heat.Body;
import kilnryu.core.heat.Conduction;
import kilnryu.core.heat.Face;
import kilnryu.core.heat.Medium;

/**
 * A firing as it is foreseen: a cylinder with its water in a kiln that follows a program as far as its power goes.
 *
 * @param past minutes until the middle is past 105, 400 and 680 C; empty when it never is
 * @param most highest temperature of the middle, C
 * @param end its temperature at the end, C
 * @param lag largest that the middle stays behind the kiln, K
 * @param mismatch largest difference of expansion over the mold at one time, %
 * @param residue char left in the cavity, % of the pattern
 * @param energy kWh; empty where no kiln was given
 * @param trace every few minutes
 */
public record Firing(
        double minutes,
        List<OptionalDouble> past,
        double most,
        double end,
        double lag,
        double mismatch,
        double residue,
        OptionalDouble energy,
        List<Moment> trace) {
    private static final double[] MARKS = {105, 400, 680};
    private static final int CELLS = 24;
    private static final double KILN_STEP_S = 30;
    private static final int MOST_MOMENTS = 600;

    /** @param water free water left, % */
    public record Moment(double minute, double program, double kiln, double surface, double core, double water) {}

    /**
     * What is fired.
     *
     * @param diameter m
     * @param height m
     * @param face what its surface exchanges with the kiln
     */
    public record Mold(double diameter, double height, Medium medium, Face face) {}

    /**
     * @param residue char that the pattern leaves to begin with, %
     * @param air 1 with air in the kiln, 0.3 closed
     */
    public record Question(Mold mold, FiringProgram program, Optional<Kiln> kiln, double residue, double air) {}

    public static Firing of(Question q) {
        return new Run(q).run();
    }

    private static final class Run {
        private final Question q;
        private final Conduction half;
        private final OptionalDouble[] past = {OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty()};
        private final List<Moment> trace = new ArrayList<>();
        private double kilnC;
        private double core;
        private double joules;
        private double most;
        private double lag;
        private double mismatch;
        private double residue;

        Run(Question q) {
            this.q = q;
            kilnC = q.program.start();
            most = kilnC;
            residue = q.residue;
            half = new Conduction(
                    Body.cylinder(q.mold.diameter / 2, q.mold.height / 2, CELLS, CELLS),
                    q.mold.medium,
                    new Conduction.Faces(q.mold.face, Face.INSULATED, q.mold.face),
                    q.program.start(),
                    Conduction.Fineness.FINE);
        }

        Firing run() {
            double end = q.program.seconds();
            double every = end / MOST_MOMENTS;
            double shown = 0;
            core = half.middleOfHalf();
            moment(0);
            while (half.time() < end - 1e-6) {
                double from = half.time();
                go(Math.min(end, q.program.corner(from)));
                double now = half.time();
                look(from, now);
                if (now >= shown + every - 1e-9 || now >= end - 1e-6) {
                    shown = now;
                    moment(now);
                }
            }
            return new Firing(
                    end / 60,
                    List.of(past),
                    most,
                    half.middleOfHalf(),
                    lag,
                    mismatch,
                    residue,
                    q.kiln.isPresent() ? OptionalDouble.of(joules / 3.6e6) : OptionalDouble.empty(),
                    List.copyOf(trace));
        }

        private void go(double to) {
            double from = half.time();
            if (q.kiln.isEmpty()) {
                half.step(to, q.program::at);
                kilnC = q.program.at(half.time());
                return;
            }
            Kiln kiln = q.kiln.get();
            double before = half.heatIn();
            double here = kilnC;
            half.step(Math.min(to, from + KILN_STEP_S), s -> here);
            double dt = half.time() - from;
            // of the half that is reckoned, the other takes as much
            double intoMold = 2 * (half.heatIn() - before) / dt;
            double lost = kiln.lossPerK() * (kilnC - Kiln.room());
            double asked = kiln.capacity() * (q.program.at(half.time()) - kilnC) / dt + lost + intoMold;
            double power = Math.max(0, Math.min(kiln.watts(), asked));
            kilnC += (power - lost - intoMold) * dt / kiln.capacity();
            joules += power * dt;
        }

        private void look(double from, double to) {
            double before = core;
            core = half.middleOfHalf();
            most = Math.max(most, core);
            lag = Math.max(lag, kilnC - core);
            for (int i = 0; i < MARKS.length; i++) {
                if (past[i].isEmpty() && core >= MARKS[i]) {
                    double share = core > before ? Math.max(0, (MARKS[i] - before) / (core - before)) : 1;
                    past[i] = OptionalDouble.of((from + share * (to - from)) / 60);
                }
            }
            double low = Double.MAX_VALUE;
            double high = -Double.MAX_VALUE;
            for (int j = 0; j < CELLS; j++) {
                for (int i = 0; i < CELLS; i++) {
                    double t = half.at(i, j);
                    low = Math.min(low, t);
                    high = Math.max(high, t);
                }
            }
            high = Math.max(high, Math.max(half.sideAtFirstEnd(), half.topOnAxis()));
            // growth never falls with temperature: hottest and coldest differ most
            mismatch = Math.max(mismatch, Expansion.percent(high) - Expansion.percent(low));
            residue *= Math.exp(-(Char.rate(before, q.air) + Char.rate(core, q.air)) / 2 * (to - from));
        }

        private void moment(double s) {
            trace.add(new Moment(
                    s / 60,
                    q.program.at(s),
                    kilnC,
                    half.sideAtFirstEnd(),
                    half.middleOfHalf(),
                    half.freeWaterLeft() * 100));
        }
    }
}
