/**
 * Kiln programs by rule (handbook 7). Answers which ramps and holds take a flask from wet to ready for the pour, and
 * when someone has to be there, from the flask, its pattern materials, the metal and a school. Holds come from rules
 * and closed estimates, each with its sum; heat inside the mold is not simulated here.
 */
@NullMarked
package kilnryu.core.burnout;

import org.jspecify.annotations.NullMarked;
