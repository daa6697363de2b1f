/**
 * Wax in its mold (handbook 27): walls that freeze while it is slushed, patterns that are injected, and a round of molds that are
 * worked in turn. Knows nothing of pages or stores.
 */
@NullMarked
package kilnryu.core.wax;

import org.jspecify.annotations.NullMarked;
