package kilnryu.core.mesh;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

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
 * @param merged what bodies that may overlap enclose together; empty where they lie apart
 */
public record Solid(
        Mesh mesh,
        List<Body> bodies,
        int openEdges,
        int crowdedEdges,
        int flipped,
        boolean twisted,
        List<Gap> gaps,
        Optional<Merged> merged) {
    static final int MOST_GAPS = 50;
    /** Lines through the mesh and the sum of its bodies agree within this: then the sum is exact. */
    private static final double ALIKE = 0.005;
    /** More lines than this that do not come out as they went in: what is enclosed cannot be told. */
    private static final double DOUBT = 0.01;

    /**
     * One connected surface.
     *
     * @param volume signed, in cubic units of the mesh: negative for a void
     * @param depth how many other bodies it lies in
     */
    public record Body(int triangles, double volume, double area, Box box, int depth) {
        public boolean isVoid() {
            return depth > 0 && volume < 0;
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

    /** Whether bodies overlap, repeat, share faces or overlap as solids: their sum is not what they enclose. */
    public boolean overlapping() {
        return merged.isPresent() && (doubtful() || Math.abs(merged.get().volume() - apart()) > ALIKE * apart());
    }

    /** Whether what the bodies enclose together cannot be told from the faces of the file. */
    public boolean doubtful() {
        return merged.map(m -> m.doubtful() > DOUBT).orElse(false);
    }

    /** Volume enclosed, voids taken off, what bodies share counted once, in cubic units; means little unless closed. */
    public double volume() {
        return overlapping() ? merged.orElseThrow().volume() : apart();
    }

    /** The sum of all bodies, voids taken off, as if they lay apart. */
    public double apart() {
        return bodies.stream().mapToDouble(Body::volume).sum();
    }

    /** Area of all surfaces, voids included, what lies inside another body left out, in square units of the mesh. */
    public double area() {
        return overlapping()
                ? merged.orElseThrow().area()
                : bodies.stream().mapToDouble(Body::area).sum();
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
