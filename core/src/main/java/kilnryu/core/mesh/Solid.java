package kilnryu.core.mesh;

import java.util.ArrayList;
import java.util.List;

/**
 * A mesh made sound as far as it can be, with what was found on the way: faces that were turned over, shells inside
 * each other, edges left open.
 *
 * @param mesh faces turned outward, voids inward
 * @param bodies connected surfaces, largest first
 * @param openEdges edges that belong to one triangle only
 * @param crowdedEdges edges that belong to more than two
 * @param flipped triangles that were turned over
 * @param twisted whether a surface cannot be given an outside at all
 * @param gaps open rims, longest first, at most {@value #MOST_GAPS}
 */
public record Solid(
        Mesh mesh, List<Body> bodies, int openEdges, int crowdedEdges, int flipped, boolean twisted, List<Gap> gaps) {
    static final int MOST_GAPS = 50;

    /**
     * One connected surface.
     *
     * @param volume signed, in cubic units of the mesh: negative for a void
     * @param depth how many other bodies it lies in; odd for a void
     */
    public record Body(int triangles, double volume, double area, Box box, int depth) {
        public boolean isVoid() {
            return depth % 2 == 1;
        }
    }

    /** An open rim: where its middle is, how many edges, how long. */
    public record Gap(Vec middle, int edges, double length) {}

    /** Joins, orients and measures a mesh. */
    public static Solid of(Mesh mesh, Watch watch) {
        return new Mending(mesh, watch).done();
    }

    public boolean isClosed() {
        return openEdges == 0 && !twisted;
    }

    /** Volume enclosed, voids taken off, in cubic units of the mesh; means little unless closed. */
    public double volume() {
        return bodies.stream().mapToDouble(Body::volume).sum();
    }

    /** Area of all surfaces, voids included, in square units of the mesh. */
    public double area() {
        return bodies.stream().mapToDouble(Body::area).sum();
    }

    public Box box() {
        return mesh.box();
    }

    /** Size along the three axes, as list for pages. */
    public List<Double> sizes() {
        Vec size = box().size();
        List<Double> sizes = new ArrayList<>(List.of(size.x(), size.y(), size.z()));
        return List.copyOf(sizes);
    }
}
