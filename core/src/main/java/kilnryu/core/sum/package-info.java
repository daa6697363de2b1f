/**
 * Figures that explain themselves. Answers where a number comes from: every {@link kilnryu.core.sum.Figure} is either
 * given, a {@link kilnryu.core.sum.Constant} of the trade (perhaps replaced by the studio), or computed by a
 * {@link kilnryu.core.sum.Formula} that is at once what is evaluated and what is shown.
 */
@NullMarked
package kilnryu.core.sum;

import org.jspecify.annotations.NullMarked;
