/**
 * A tree in a flask (handbook 4). Answers how much powder and water, how long the mix can be worked, what stands
 * against the metal in this mold and whether the tree clears the wall, for the caster at the mixing bench, from the
 * flask's measures, the investment and the tree's volume and outline.
 */
@NullMarked
package kilnryu.core.flask;

import org.jspecify.annotations.NullMarked;
