package kilnryu.core.diagnosis;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * One defect of a casting.
 *
 * @param places where it sits; empty where nobody said
 * @param extent empty where nobody said
 * @param repeats whether it sits at the same place in other castings, of this tree or of one before
 */
public record Defect(DefectKind kind, Set<Place> places, Optional<Extent> extent, boolean repeats) {
    /** How bad it is. */
    public enum Extent {
        SLIGHT,
        MEDIUM,
        BAD;

        public static Optional<Extent> named(String key) {
            return Arrays.stream(values()).filter(e -> e.key().equals(key)).findFirst();
        }

        public String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    public Defect {
        places = places.isEmpty() ? Set.of() : Set.copyOf(EnumSet.copyOf(places));
    }

    /** Of a kind, at places, nothing more known. */
    public static Defect of(DefectKind kind, Place... places) {
        return new Defect(kind, Set.of(places), Optional.empty(), false);
    }
}
