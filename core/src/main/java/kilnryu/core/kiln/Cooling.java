package kilnryu.core.kiln;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A mold taken out of the kiln, evenly hot, into still air or whatever its faces see: by the same conduction, with the same air
 * and radiation at its outside. An empty shell's cavity sees itself and loses nothing there (handbook 8; part two, carry
 * window).
 *
 * @param cavity seconds until the outermost face of its cavity is below the limit, what counts at the pour; empty when it is
 *     not within the time looked at
 * @param face the same of its outside
 * @param core the same of its middle
 * @param course step by step
 */
public record Cooling(OptionalDouble cavity, OptionalDouble face, OptionalDouble core, List<Moment> course) {
    private static final double LOOKED_AT_S = 240 * 60.0;
    private static final double ROOM = 20;
    /** Looked at so often while a thin wall loses some degrees each second, then more seldom. */
    private static final double FINE_S = 1;

    private static final double FINE_FOR_S = 600;
    /** It is followed so much longer than its cavity holds: one that stood too long has its temperature, too. */
    private static final double BEYOND = 1.5;

    private static final double AT_LEAST_S = 120;

    /** @param second since it was taken out */
    public record Moment(double second, double cavity, double face, double core) {}

    /** How long it is followed, and how closely. */
    public enum Until {
        /** A while after its cavity is below the limit, every quarter of a minute. */
        CAVITY(15),
        /** Until its middle is below the limit, every minute. */
        CORE(60);

        private final double step;

        Until(double step) {
            this.step = step;
        }
    }

    /**
     * @param radius of the outermost face of the cavity about the axis, m; a wall's is its inside
     * @param leaves temperature it is taken out at, C
     * @param limit under which it is not to be poured, C
     * @param around it, C
     */
    public record Question(Mold mold, double radius, double leaves, double limit, double around, Until until) {}

    /** In the still air of the room, until its middle is below the limit. */
    public static Cooling of(Mold mold, double radius, double from, double limit) {
        return of(new Question(mold, radius, from, limit, ROOM, Until.CORE));
    }

    public static Cooling of(Question q) {
        KilnRun run = new KilnRun(
                List.of(new KilnRun.Charge("mold", q.mold, 1, 0, 1)),
                Optional.empty(),
                q.leaves,
                q.mold.wall() ? KilnRun.Detail.FULL : KilnRun.Detail.QUICK);
        List<Moment> course = new ArrayList<>();
        OptionalDouble[] below = {OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty()};
        double[] before = {q.leaves, q.leaves, q.leaves};
        double last = 0;
        while (last < LOOKED_AT_S && goesOn(q, below, last)) {
            double second = last + (q.mold.wall() && last < FINE_FOR_S ? FINE_S : q.until.step);
            run.go(second, t -> q.around);
            double[] now = {run.within(0, q.radius), run.face(0), run.core(0)};
            for (int i = 0; i < now.length; i++) {
                if (below[i].isEmpty()) {
                    below[i] = crossed(before[i], now[i], q.limit, last, second);
                }
            }
            course.add(new Moment(second, now[0], now[1], now[2]));
            before = now;
            last = second;
        }
        return new Cooling(below[0], below[1], below[2], List.copyOf(course));
    }

    private static boolean goesOn(Question q, OptionalDouble[] below, double last) {
        if (q.until == Until.CORE) {
            return below[2].isEmpty();
        }
        double holds = q.leaves < q.limit ? 0 : below[0].orElse(LOOKED_AT_S);
        return last < Math.max(AT_LEAST_S, holds * BEYOND);
    }

    private static OptionalDouble crossed(double before, double now, double limit, double from, double to) {
        return before >= limit && now < limit
                ? OptionalDouble.of(from + (to - from) * (before - limit) / (before - now))
                : OptionalDouble.empty();
    }
}
