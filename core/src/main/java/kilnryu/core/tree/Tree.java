package kilnryu.core.tree;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Mass;

/**
 * One assembly of pieces and gating, as it goes into one mold.
 *
 * @param tare base, hook or handle that was on the scale with the first weighed part
 * @param meltLossPercent empty for the alloy's usual loss
 * @param reservePercent empty for the usual reserve
 * @param heel metal that stays in the crucible
 */
public record Tree(
        Alloy alloy,
        List<Part> parts,
        Optional<Mass> tare,
        OptionalDouble meltLossPercent,
        OptionalDouble reservePercent,
        Optional<Mass> heel) {
    public Tree {
        parts = List.copyOf(parts);
    }
}
