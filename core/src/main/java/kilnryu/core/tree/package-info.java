/**
 * From pattern to metal (handbook 3). Answers volume, metal, charge and yield of a tree and what stands against it,
 * for the caster who weighs in a tree, from its parts and materials.
 */
@NullMarked
package kilnryu.core.tree;

import org.jspecify.annotations.NullMarked;
