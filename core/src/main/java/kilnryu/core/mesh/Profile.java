package kilnryu.core.mesh;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/**
 * The shadow of a piece from its two broad sides, without its size, for drawing it in a tree: along its longest measure 0 at
 * one end to 1 at the other, across from -0.5 to 0.5 of the middle or the shortest measure.
 *
 * @param wide rims of the shadow over the middle measure
 * @param thin rims of the shadow over the shortest measure
 * @param up 1 where the end at 1 is up as the piece hangs, -1 where that at 0 is, 0 where it lies across
 */
public record Profile(List<List<Place>> wide, List<List<Place>> thin, int up) {
    private static final int MOST_CORNERS = 120;
    private static final double ALONG = 0.5;

    /** A corner of a rim. */
    public record Place(double along, double across) {}

    /** @param up the side of the mesh that is up as it hangs */
    public static Profile of(Mesh mesh, Vec up) {
        double[] size = size(mesh);
        List<Integer> axes = Stream.of(0, 1, 2)
                .sorted(Comparator.comparingDouble((Integer i) -> -size[i]))
                .toList();
        Vec longest = axis(axes.get(0));
        double along = longest.dot(up.unit());
        return new Profile(
                shadow(mesh, longest, axis(axes.get(2))),
                shadow(mesh, longest, axis(axes.get(1))),
                along > ALONG ? 1 : along < -ALONG ? -1 : 0);
    }

    private static double[] size(Mesh mesh) {
        Vec size = mesh.box().size();
        return new double[] {size.x(), size.y(), size.z()};
    }

    private static Vec axis(int i) {
        return new Vec(i == 0 ? 1 : 0, i == 1 ? 1 : 0, i == 2 ? 1 : 0);
    }

    private static List<List<Place>> shadow(Mesh mesh, Vec along, Vec from) {
        Silhouette seen = Silhouette.of(mesh, along, from);
        List<List<Place>> rims = new ArrayList<>();
        for (List<double[]> rim : seen.rims()) {
            int step = Math.max(1, rim.size() / MOST_CORNERS);
            List<Place> places = new ArrayList<>();
            for (int i = 0; i < rim.size(); i += step) {
                places.add(new Place(rim.get(i)[1] / seen.height(), rim.get(i)[0] / seen.width() - 0.5));
            }
            rims.add(List.copyOf(places));
        }
        return List.copyOf(rims);
    }
}
