/**
 * A kiln with a mold in it: what the program asks, what the kiln can do, what the mold's surface and middle do, the water
 * and residue left. For casters who want to see a program tried before it is fired; from the mold's size and investment,
 * the kiln's power and the program, by the conduction of {@code heat} (handbook 8).
 */
@NullMarked
package kilnryu.core.kiln;

import org.jspecify.annotations.NullMarked;
