/**
 * One piece before it is on a tree: how large its pattern has to be, whether its mass agrees with its shape, by which
 * kind of mold to cast it, in how many sections, for the caster who takes on a commission (handbook 2, 3, 5, 6).
 */
@NullMarked
package kilnryu.core.piece;

import org.jspecify.annotations.NullMarked;
