package kilnryu.core.kiln;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * A mold taken out of the kiln, evenly hot, in the still air of the room: by the same conduction, with the same air and
 * radiation at its faces.
 *
 * @param face minutes until its face is below the limit; empty when it is not within the time looked at
 * @param core the same of its middle
 * @param course every minute
 */
public record Cooling(OptionalDouble face, OptionalDouble core, List<Moment> course) {
    private static final double LOOKED_AT_MIN = 240;
    private static final double ROOM = 20;

    public record Moment(double minute, double face, double core) {}

    /**
     * @param from temperature it is taken out at, C
     * @param limit under which it is not to be poured, C
     */
    public static Cooling of(Mold mold, double from, double limit) {
        KilnRun run = new KilnRun(
                List.of(new KilnRun.Charge("mold", mold, 1, 0, 1)), Optional.empty(), from, KilnRun.Detail.QUICK);
        List<Moment> course = new ArrayList<>();
        OptionalDouble face = OptionalDouble.empty();
        OptionalDouble core = OptionalDouble.empty();
        Moment before = new Moment(0, from, from);
        for (int minute = 1; minute <= LOOKED_AT_MIN && core.isEmpty(); minute++) {
            run.go(minute * 60.0, t -> ROOM);
            Moment now = new Moment(minute, run.face(0), run.core(0));
            face = face.isPresent() ? face : crossed(before.face, now.face, limit, minute);
            core = crossed(before.core, now.core, limit, minute);
            course.add(now);
            before = now;
        }
        return new Cooling(face, core, List.copyOf(course));
    }

    private static OptionalDouble crossed(double before, double now, double limit, int minute) {
        return before >= limit && now < limit
                ? OptionalDouble.of(minute - 1 + (before - limit) / (before - now))
                : OptionalDouble.empty();
    }
}
