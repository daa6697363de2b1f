/**
 * A body that freezes: grids, heat and phases. Knows nothing of casting. For whoever wants to know when each place of a hot
 * body in colder surroundings is solid; from its size, its substances by their heat content, and the air outside.
 */
@NullMarked
package kilnryu.core.solid;

import org.jspecify.annotations.NullMarked;
