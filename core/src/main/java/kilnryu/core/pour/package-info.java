/**
 * The pour itself. Answers how long a mold out of its kiln stays hot enough, in what order molds are poured from a pot that
 * cools, when each is taken out, reached and full, and what is to be done before and when it goes wrong. For the crew, from the
 * heat of {@link kilnryu.core.kiln} and the pot of {@link kilnryu.core.melt}.
 */
@NullMarked
package kilnryu.core.pour;

import org.jspecify.annotations.NullMarked;
