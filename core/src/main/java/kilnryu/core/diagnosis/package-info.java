/**
 * Why a casting came out as it did (handbook 13, 20): all causes of a table ranked by what is seen, where, and what is on record,
 * each with what speaks for and against it and what is not known. From facts that are handed in; knows no store and no clock.
 */
@NullMarked
package kilnryu.core.diagnosis;

import org.jspecify.annotations.NullMarked;
