/** A casting made in a class: work in sessions, waiting between them. */
@NullMarked
package kilnryu.core.lesson;

import org.jspecify.annotations.NullMarked;
