/**
 * What a studio's own castings teach (handbook 12, 21): factors of actual over planned with their interval, and how often a casting
 * comes good, each with the pairs behind it. Offered, never used by itself.
 */
@NullMarked
package kilnryu.core.learning;

import org.jspecify.annotations.NullMarked;
