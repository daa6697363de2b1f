package kilnryu.core.pour;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.kiln.Cooling;
import kilnryu.core.kiln.Mold;

/**
 * How long a mold out of the kiln may wait: until the outermost face of its cavity is under the limit (handbook 10, 17). It
 * leaves evenly hot; an empty shell's cavity sees itself and loses nothing there.
 *
 * @param seconds until then; empty where it stays over the limit for as long as is looked at
 * @param course from the moment it leaves
 */
public record CarryWindow(OptionalDouble seconds, List<Moment> course) {
    /** @param second since it left the kiln */
    public record Moment(double second, double cavity, double outside) {}

    /**
     * @param radius of the outermost face of the cavity about the axis, m; a wall's is its inside
     * @param leaves the kiln at, C
     * @param limit under which it is not to be poured, C
     */
    public record Question(Mold mold, double radius, double leaves, double limit, Outside outside) {}

    public static CarryWindow of(Question q) {
        Cooling cooling = Cooling.of(new Cooling.Question(
                q.mold.in(q.outside.face()), q.radius, q.leaves, q.limit, q.outside.celsius(), Cooling.Until.CAVITY));
        List<Moment> course = new ArrayList<>(List.of(new Moment(0, q.leaves, q.leaves)));
        cooling.course().forEach(m -> course.add(new Moment(m.second(), m.cavity(), m.face())));
        return new CarryWindow(q.leaves < q.limit ? OptionalDouble.of(0) : cooling.cavity(), List.copyOf(course));
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
