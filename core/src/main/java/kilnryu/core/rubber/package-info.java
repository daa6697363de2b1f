/** Molds of rubber for wax (handbook 27): what they take of rubber, hardener and jacket, when the next coat goes on, how they wear. */
@NullMarked
package kilnryu.core.rubber;

import org.jspecify.annotations.NullMarked;
