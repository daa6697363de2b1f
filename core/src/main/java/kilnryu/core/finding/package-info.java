/**
 * Checks and what they found. Answers what stands against a plan, where, why and what to do; used by every stage.
 */
@NullMarked
package kilnryu.core.finding;

import org.jspecify.annotations.NullMarked;
