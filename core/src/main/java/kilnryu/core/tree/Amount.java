package kilnryu.core.tree;

import kilnryu.core.quantity.Area;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Volume;

/** The one way in which a part's volume is known. */
public sealed interface Amount {

    /** Weighed on the scale: volume is mass over density. */
    record Weighed(Mass mass) implements Amount {}

    /** Volume known, from a mesh or by calculation. */
    record OfVolume(Volume volume) implements Amount {}

    /** Water lifted when the part is held under. */
    record Displaced(Mass water) implements Amount {}

    /** A round rod or sprue. */
    record Rod(Length diameter, Length length) implements Amount {}

    /** A cone or cup: frustum between two diameters, either of which may be zero. */
    record Cone(Length top, Length bottom, Length length) implements Amount {}

    /** A bar of rectangular section. */
    record Bar(Length width, Length thickness, Length length) implements Amount {}

    /** A print with walls and infill: the mold cavity is its outer volume. Infill in percent, over 0 to 100. */
    record Infilled(Mass mass, Area area, Length wall, double infillPercent) implements Amount {}
}
