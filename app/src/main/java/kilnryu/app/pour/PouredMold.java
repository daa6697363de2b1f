package kilnryu.app.pour;

import java.time.Instant;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.record.Poured;

/**
 * A mold as it was poured, for those who come after.
 *
 * @param plan of the whole pour, as it was frozen
 * @param mold its own part of that plan
 * @param came how it ended, in words; as "full" or "short"
 * @param full whether metal flowed and it came full
 * @param out of the kiln
 * @param start of the metal
 * @param end of the metal, full or not
 * @param stood seconds out of the kiln until the metal came
 * @param metal C as it is reckoned for the moment it was poured from the last reading before; empty where none was read
 * @param metalHow how it was read
 * @param gauge kPa vacuum at it, else on trial
 * @param clean whether somebody tapped that cracks were patched and ash blown out
 * @param warm whether the charge was ticked as dry and warm
 * @param by who stood at the pot, else who tapped it full
 * @param charged its share of what was weighed in, less its share of what was poured back, g
 */
public record PouredMold(
        long pour,
        String name,
        boolean ended,
        Poured plan,
        Poured.Mold mold,
        String came,
        boolean full,
        Optional<Instant> out,
        Optional<Instant> start,
        Optional<Instant> end,
        OptionalDouble stood,
        OptionalDouble metal,
        String metalHow,
        OptionalDouble gauge,
        boolean hesitated,
        String noVacuum,
        boolean clean,
        boolean warm,
        String by,
        OptionalDouble charged) {

    /** When the metal stood in it; empty where none came. */
    public Optional<Instant> poured() {
        return end.filter(e -> start.isPresent());
    }

    /** Seconds from the first metal until it stood. */
    public OptionalDouble filled() {
        return start.isPresent() && end.isPresent()
                ? OptionalDouble.of(
                        java.time.Duration.between(start.get(), end.get()).toMillis() / 1000.0)
                : OptionalDouble.empty();
    }

    /** The face of its cavity as the metal came, by the plan's own cooling; empty where it was not tapped out of a kiln. */
    public OptionalDouble moldC() {
        return stood.isPresent() && !mold.course().isEmpty()
                ? OptionalDouble.of(mold.cavityAt(stood.getAsDouble()))
                : OptionalDouble.empty();
    }
}
