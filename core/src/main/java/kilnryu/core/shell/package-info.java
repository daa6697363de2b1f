/**
 * Ceramic shells (handbook 6): the coats of a school laid on a growing area, their slurry and stucco, drying by the
 * climate, strength under the head of metal, tanks, the calendar of dips, dewax and what is left inside. For casters who
 * dip; from the pattern's area, the metal and the room.
 */
@NullMarked
package kilnryu.core.shell;

import org.jspecify.annotations.NullMarked;
