/**
 * Sprue stock: how long a rod a mass of wax makes, and how to cut the rods of a tree from sticks with the least waste,
 * for the caster at the wax bench, from diameters, lengths and the stick at hand (handbook 3).
 */
@NullMarked
package kilnryu.core.stock;

import org.jspecify.annotations.NullMarked;
