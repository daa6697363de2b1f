package kilnryu.core.flask;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Temperature;
import kilnryu.core.quantity.Volume;

/**
 * A round flask to be filled round a tree.
 *
 * @param innerDiameter inside the steel
 * @param height from base to rim
 * @param treeVolume of the tree inside the flask
 * @param baseVolume of the dome or button former that stands inside
 * @param waterPer100 parts of water to 100 of powder by mass; empty for the system's
 * @param powderDensity true density in g/cm3; empty for the system's
 * @param overfillPercent empty for the usual
 * @param collar tape or sleeve above the rim that is filled too
 * @param water temperature of the water, empty for 21 C
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
        Optional<Temperature> water) {}
