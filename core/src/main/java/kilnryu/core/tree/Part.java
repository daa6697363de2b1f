package kilnryu.core.tree;

import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.material.PatternMaterial;

/**
 * One line of a tree: so many alike of one material, the volume of one known by its amount.
 *
 * @param count at least 1
 * @param area face of one, cm2, as its mesh has it; empty where nobody measured it
 */
public record Part(
        String name,
        Role role,
        PatternMaterial material,
        int count,
        Amount amount,
        Optional<Coat> coat,
        OptionalDouble area) {
    /** One whose face nobody measured. */
    public Part(String name, Role role, PatternMaterial material, int count, Amount amount, Optional<Coat> coat) {
        this(name, role, material, count, amount, coat, OptionalDouble.empty());
    }

    public Part {
        Objects.requireNonNull(amount);
        if (count < 1) {
            throw new IllegalArgumentException("a part is there at least once");
        }
    }

    /** Whether it is what is wanted or what brings the metal there; only pieces count for the yield. */
    public enum Role {
        PIECE,
        GATING
    }
}
