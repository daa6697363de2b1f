/**
 * Conduction in a body that dries once while it heats: axisymmetric or a slab, with properties that depend on temperature
 * and on how hot each place has been. Knows nothing of casting. For whoever wants to see the middle of a body in a kiln;
 * from its size, its material and the temperature around each face.
 */
@NullMarked
package kilnryu.core.heat;

import org.jspecify.annotations.NullMarked;
