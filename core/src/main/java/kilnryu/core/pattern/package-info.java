/** Patterns that come from no mold: printed, carved, found; their coating of wax, and what an unknown material does in fire. */
@NullMarked
package kilnryu.core.pattern;

import org.jspecify.annotations.NullMarked;
