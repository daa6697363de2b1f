/**
 * What things are made of. Answers density, melting, residue and limits of pattern materials, alloys and investment
 * systems, for the sums of every later stage, from the tables of handbook 2. To add a material, add its row here.
 */
@NullMarked
package kilnryu.core.material;

import org.jspecify.annotations.NullMarked;
