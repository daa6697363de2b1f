package kilnryu.app.piece;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.mesh.Box;
import kilnryu.core.mesh.Pockets;
import kilnryu.core.mesh.Solid;
import kilnryu.core.mesh.Vec;
import kilnryu.core.mesh.Walls;

/**
 * What was measured of a mesh, in the unit of the file, as it is kept.
 *
 * @param unit that the file states, empty when it states none
 * @param walls null when the mesh is not closed
 * @param sides gas and wax pockets by the side that is up, as "x y z"
 * @param apart sum of all bodies as if they lay apart; equal to the volume where they do
 * @param overlapping whether bodies overlap, repeat, share faces or overlap as solids
 * @param doubtful whether what they enclose together cannot be told from the faces
 */
public record MeshSummary(
        int triangles,
        int dropped,
        String unit,
        double volume,
        double area,
        Box box,
        boolean closed,
        int openEdges,
        int crowdedEdges,
        int flipped,
        boolean twisted,
        int bodies,
        int voids,
        List<Solid.Gap> gaps,
        Walls walls,
        Map<String, Pockets> sides,
        double apart,
        boolean overlapping,
        boolean doubtful) {

    static MeshSummary of(String unit, int dropped, Solid solid, Optional<Walls> walls, Map<String, Pockets> sides) {
        return new MeshSummary(
                solid.mesh().triangleCount(),
                dropped,
                unit,
                solid.volume(),
                solid.area(),
                solid.box(),
                solid.isClosed(),
                solid.openEdges(),
                solid.crowdedEdges(),
                solid.flipped(),
                solid.twisted(),
                (int) solid.bodies().stream().filter(b -> !b.isVoid()).count(),
                (int) solid.bodies().stream().filter(Solid.Body::isVoid).count(),
                solid.gaps(),
                walls.orElse(null),
                sides,
                solid.apart(),
                solid.overlapping(),
                solid.doubtful());
    }

    /** A direction as text and back; anything that is none is up. */
    static Vec side(String text) {
        String[] words = text.strip().split("\\s+");
        try {
            if (words.length == 3) {
                return new Vec(Double.parseDouble(words[0]), Double.parseDouble(words[1]), Double.parseDouble(words[2]))
                        .unit();
            }
        } catch (IllegalArgumentException e) {
            return Vec.UP;
        }
        return Vec.UP;
    }
}
