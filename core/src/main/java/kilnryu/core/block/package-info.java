/**
 * Free-standing investment molds (handbook 5): body, face coat, core and backup with their mixes, what holds the core
 * and the block, its masses from wet to poured, and when it is dry enough for heat. For casters who build a mold round
 * a piece that no flask takes; from the tree's size, its volume and the studio's blends.
 */
@NullMarked
package kilnryu.core.block;

import org.jspecify.annotations.NullMarked;
