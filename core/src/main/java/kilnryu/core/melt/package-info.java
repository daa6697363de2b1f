/**
 * From what is in store to metal at its tapping temperature. Answers what to weigh for a charge whose make-up lies in the
 * alloy's bands at the least cost, in what order it goes in, how long a furnace takes for it and how hot it has to leave the
 * furnace so that it is poured as asked. For the melter, from the alloys of {@link kilnryu.core.material} and the charge of
 * {@link kilnryu.core.tree}.
 */
@NullMarked
package kilnryu.core.melt;

import org.jspecify.annotations.NullMarked;
