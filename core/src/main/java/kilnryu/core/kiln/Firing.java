package kilnryu.core.kiln;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A mold's firing as it is foreseen, with its water, in a kiln that follows a program as far as its power goes.
 *
 * @param past minutes until the slowest point is past 105, 400 and 680 C; empty when it never is
 * @param most highest temperature of that point, C
 * @param end its temperature at the end, C
 * @param lag largest that it stays behind the kiln, K
 * @param mismatch largest difference of growth over the mold at one time, %
 * @param residue char left in the cavity, % of the pattern
 * @param burnt minutes that point was at or over 680 C
 * @param hottest highest temperature of any point, C
 * @param spent energy of the whole kiln; empty where no kiln was given
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
        double burnt,
        double hottest,
        Optional<Spent> spent,
        List<Moment> trace) {
    private static final int MOST_MOMENTS = 600;

    /**
     * Where the energy of a firing went, kWh. Together they are what was drawn from the mains, to rounding.
     *
     * @param wall through the wall
     * @param lining what the lining holds at the end over what it held at the start
     * @param molds into the molds and their water; what they gave back is taken off
     */
    public record Spent(double wall, double lining, double molds) {
        public double whole() {
            return wall + lining + molds;
        }
    }

    /** Minutes until its slowest point is over a temperature, between two moments of its course; empty if it never is. */
    public OptionalDouble corePasses(double celsius) {
        Moment before = null;
        for (Moment m : trace) {
            if (m.core >= celsius) {
                return OptionalDouble.of(
                        before == null
                                ? m.minute
                                : before.minute
                                        + (m.minute - before.minute)
                                                * (celsius - before.core)
                                                / (m.core - before.core));
            }
            before = m;
        }
        return OptionalDouble.empty();
    }

    /** Of the whole kiln, kWh. */
    public OptionalDouble energy() {
        return spent.isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(spent.get().whole());
    }

    /**
     * @param water free water left, %
     * @param residue char left, % of the pattern
     */
    public record Moment(
            double minute, double program, double kiln, double surface, double core, double water, double residue) {}

    /**
     * @param residue char that the pattern leaves to begin with, %
     * @param air 1 with air in the kiln, 0.3 closed
     */
    public record Question(Mold mold, FiringProgram program, Optional<Kiln> kiln, double residue, double air) {}

    /** One mold alone. */
    public static Firing of(Question q) {
        FiringProgram program = q.program;
        KilnRun.Detail usual = KilnRun.Detail.FULL.moments(Math.max(1, program.seconds() / MOST_MOMENTS));
        KilnRun run = new KilnRun(
                List.of(new KilnRun.Charge("mold", q.mold, 1, q.residue, q.air)), q.kiln, program.start(), usual);
        run.go(program);
        return run.firing(0);
    }
}
