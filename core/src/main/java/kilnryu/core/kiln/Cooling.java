package kilnryu.core.kiln;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A mold taken out of the kiln, evenly hot, in the still air of the room: by the same conduction, with the same air and
 * radiation at its outside. An empty shell's cavity sees itself and loses nothing there (handbook 8; part two, carry
 * window).
 *
 * @param cavity seconds until the outermost face of its cavity is below the limit, what counts at the pour; empty when it is
 *     not within the time looked at
 * @param face the same of its outside
 * @param core the same of its middle
 * @param course every minute
 */
public record Cooling(OptionalDouble cavity, OptionalDouble face, OptionalDouble core, List<Moment> course) {
    private static final double LOOKED_AT_S = 240 * 60.0;
    private static final double ROOM = 20;
    /** Looked at so often while a thin wall loses some degrees each second, then every minute. */
    private static final double FINE_S = 1;

    private static final double FINE_FOR_S = 600;

    public record Moment(double minute, double cavity, double face, double core) {}

    /**
     * @param radius of the outermost face of the cavity about the axis, m; a wall's is its inside
     * @param from temperature it is taken out at, C
     * @param limit under which it is not to be poured, C
     */
    public static Cooling of(Mold mold, double radius, double from, double limit) {
        KilnRun run = new KilnRun(
                List.of(new KilnRun.Charge("mold", mold, 1, 0, 1)),
                Optional.empty(),
                from,
                mold.wall() ? KilnRun.Detail.FULL : KilnRun.Detail.QUICK);
        List<Moment> course = new ArrayList<>();
        OptionalDouble[] below = {OptionalDouble.empty(), OptionalDouble.empty(), OptionalDouble.empty()};
        double[] before = {from, from, from};
        double last = 0;
        while (last < LOOKED_AT_S && below[2].isEmpty()) {
            double second = last + (mold.wall() && last < FINE_FOR_S ? FINE_S : 60);
            run.go(second, t -> ROOM);
            double[] now = {run.within(0, radius), run.face(0), run.core(0)};
            for (int i = 0; i < now.length; i++) {
                if (below[i].isEmpty()) {
                    below[i] = crossed(before[i], now[i], limit, last, second);
                }
            }
            if (second % 60 == 0) {
                course.add(new Moment(second / 60, now[0], now[1], now[2]));
            }
            before = now;
            last = second;
        }
        return new Cooling(below[0], below[1], below[2], List.copyOf(course));
    }

    private static OptionalDouble crossed(double before, double now, double limit, double from, double to) {
        return before >= limit && now < limit
                ? OptionalDouble.of(from + (to - from) * (before - limit) / (before - now))
                : OptionalDouble.empty();
    }
}
