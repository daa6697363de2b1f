package kilnryu.core.flask;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.quantity.Volume;

/**
 * A flask to be filled round a tree.
 *
 * @param innerDiameter inside the steel; of an oval the longer way
 * @param height from base to rim
 * @param treeVolume of the tree inside the flask
 * @param baseVolume of the dome or button former that stands inside
 * @param waterPer100 parts of water to 100 of powder by mass; empty for the system's
 * @param powderDensity true density in g/cm3; empty for the system's
 * @param overfillPercent empty for the usual
 * @param collar tape or sleeve above the rim that is filled too
 * @param water temperature of the water, empty for 21 C
 * @param otherDiameter inside the steel the shorter way, empty for a round flask
 */
public record Flask(
        Length innerDiameter,
        Length height,
        Volume treeVolume,
        Optional<Volume> baseVolume,
        InvestmentSystem system,
        OptionalDouble waterPer100,
        OptionalDouble powderDensity,
        OptionalDouble overfillPercent,
        Optional<Length> collar,
        Optional<Temperature> water,
        Optional<Length> otherDiameter) {
    /** A round flask. */
    public Flask(
            Length innerDiameter,
            Length height,
            Volume treeVolume,
            Optional<Volume> baseVolume,
            InvestmentSystem system,
            OptionalDouble waterPer100,
            OptionalDouble powderDensity,
            OptionalDouble overfillPercent,
            Optional<Length> collar,
            Optional<Temperature> water) {
        this(
                innerDiameter,
                height,
                treeVolume,
                baseVolume,
                system,
                waterPer100,
                powderDensity,
                overfillPercent,
                collar,
                water,
                Optional.empty());
    }

    /** The narrower way across: of a round flask its diameter. */
    public Length across() {
        return otherDiameter.orElse(innerDiameter);
    }
}
