package kilnryu.core.pour;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.kiln.KilnRun;
import kilnryu.core.kiln.Mold;

/**
 * How long a mold out of the kiln may wait: until the outermost face of its cavity is under the limit (handbook 10, 17). It
 * leaves evenly hot; an empty shell's cavity sees itself and loses nothing there.
 *
 * @param seconds until then; empty where it stays over the limit for as long as is looked at
 * @param course from the moment it leaves
 */
public record CarryWindow(OptionalDouble seconds, List<Moment> course) {
    /** Longest that is looked at, s. */
    public static final double LOOKED_AT_S = 4 * 3600;

    private static final double WALL_STEP_S = 1;
    private static final double BODY_STEP_S = 15;
    /** It is followed so much longer than its window, so that a mold that stood too long has its temperature. */
    private static final double BEYOND = 1.5;

    private static final double AT_LEAST_S = 120;

    /** @param second since it left the kiln */
    public record Moment(double second, double cavity, double outside) {}

    /**
     * @param radius of the outermost face of the cavity about the axis, m; a wall's is its inside
     * @param leaves the kiln at, C
     * @param limit under which it is not to be poured, C
     */
    public record Question(Mold mold, double radius, double leaves, double limit, Outside outside) {}

    public static CarryWindow of(Question q) {
        Mold mold = q.mold.in(q.outside.face());
        KilnRun run = new KilnRun(
                List.of(new KilnRun.Charge("mold", mold, 1, 0, 1)),
                Optional.empty(),
                q.leaves,
                mold.wall() ? KilnRun.Detail.FULL : KilnRun.Detail.QUICK);
        double step = mold.wall() ? WALL_STEP_S : BODY_STEP_S;
        List<Moment> course = new ArrayList<>(List.of(new Moment(0, q.leaves, q.leaves)));
        OptionalDouble crossed = q.leaves < q.limit ? OptionalDouble.of(0) : OptionalDouble.empty();
        double until = LOOKED_AT_S;
        for (double s = step; s <= until; s += step) {
            run.go(s, t -> q.outside.celsius());
            Moment before = course.get(course.size() - 1);
            Moment now = new Moment(s, run.within(0, q.radius), run.face(0));
            course.add(now);
            if (crossed.isEmpty() && now.cavity < q.limit) {
                crossed = OptionalDouble.of(
                        before.second + step * (before.cavity - q.limit) / (before.cavity - now.cavity));
            }
            if (crossed.isPresent()) {
                until = Math.min(LOOKED_AT_S, Math.max(AT_LEAST_S, crossed.getAsDouble() * BEYOND));
            }
        }
        return new CarryWindow(crossed, List.copyOf(course));
    }

    /** Temperature of the face of its cavity after so many seconds, C; the last known one beyond the course. */
    public double cavityAt(double second) {
        Moment before = course.get(0);
        for (Moment m : course) {
            if (m.second >= second) {
                double part = m.second == before.second ? 0 : (second - before.second) / (m.second - before.second);
                return before.cavity + Math.max(0, part) * (m.cavity - before.cavity);
            }
            before = m;
        }
        return before.cavity;
    }
}
