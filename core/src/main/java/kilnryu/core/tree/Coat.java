package kilnryu.core.tree;

import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Area;
import kilnryu.core.quantity.Length;

/** A skin of another pattern material over a part, usually wax over a print. */
public record Coat(PatternMaterial material, Length thickness, Area area) {}
