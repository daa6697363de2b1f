/**
 * What will become of a tree before it is poured: it is filled and frozen cell by cell, and what goes wrong is said with
 * its place, its size and what would help.
 */
@NullMarked
package kilnryu.core.foresight;

import org.jspecify.annotations.NullMarked;
