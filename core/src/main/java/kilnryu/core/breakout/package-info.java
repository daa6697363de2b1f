/**
 * From the full mold to clean castings (handbook 18, 19): how it cools, when it may go into water or be shaken out, how it is
 * taken out, whether the masses add up, and whether the sizes are as asked. For the caster at the wash bench, from what was
 * planned and what the pour tapped.
 */
@NullMarked
package kilnryu.core.breakout;

import org.jspecify.annotations.NullMarked;
