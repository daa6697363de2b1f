/**
 * Values with units: what a caster types ("7 lb 4 oz", "3/8 in", "1350 F") and what the sums work in. Answers what a
 * number means, for every other package and for the edge of the application, from the conversions of JSR 385 (Indriya).
 */
@NullMarked
package kilnryu.core.quantity;

import org.jspecify.annotations.NullMarked;
