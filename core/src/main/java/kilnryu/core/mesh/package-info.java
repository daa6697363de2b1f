/**
 * The shape of a piece as a mesh of triangles. Answers what volume, area and size it encloses, whether it is closed,
 * how thick its walls are and where gas or pattern material would stay in it, for the caster who has a file and no
 * casting yet, from STL, OBJ and 3MF streams that may be damaged or hostile.
 */
@NullMarked
package kilnryu.core.mesh;

import org.jspecify.annotations.NullMarked;
