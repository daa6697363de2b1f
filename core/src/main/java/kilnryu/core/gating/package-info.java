/**
 * The gating of a tree: where each rod, cone and piece stands, which way metal runs, what freezes first. Answers whether
 * a tree fills, feeds, vents and drains before it is cast, for the caster who builds it, from its members' measures,
 * the alloy, and the temperatures of metal and mold (handbook 10).
 */
@NullMarked
package kilnryu.core.gating;

import org.jspecify.annotations.NullMarked;
