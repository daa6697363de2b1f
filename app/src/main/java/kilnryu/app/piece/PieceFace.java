package kilnryu.app.piece;

import java.util.Arrays;
import java.util.List;
import kilnryu.app.web.Svg;
import kilnryu.core.mesh.Profile;

/** The outline of a piece by which it is known in a list, in a square of {@value #SIDE} units. */
final class PieceFace {
    static final double SIDE = 48;
    private static final double EDGE = 2;

    private PieceFace() {}

    /**
     * Its broad side, standing as it hangs or lying across.
     *
     * @param size of the mesh, mm, in any order
     */
    static String path(Profile profile, double[] size) {
        double[] sorted = size.clone();
        Arrays.sort(sorted);
        double longest = Math.max(1e-6, sorted[2]);
        double broad = (SIDE - 2 * EDGE) * sorted[1] / longest;
        double tall = SIDE - 2 * EDGE;
        StringBuilder path = new StringBuilder();
        for (List<Profile.Place> rim : profile.wide()) {
            boolean first = true;
            for (Profile.Place p : rim) {
                double along = (p.along() - 0.5) * tall;
                double across = p.across() * broad;
                double x = SIDE / 2 + (profile.up() == 0 ? along : across);
                double y = SIDE / 2 + (profile.up() == 0 ? across : -profile.up() * along);
                path.append(Svg.point(first ? "M" : "L", x, y)).append(' ');
                first = false;
            }
            path.append("Z ");
        }
        return path.toString().stripTrailing();
    }

    static String drawn(String path) {
        Svg svg = new Svg(SIDE, SIDE, "outline of the piece");
        if (path == null) {
            svg.rect(12, 12, 24, 24, "fill=\"none\" stroke=\"#b8a78f\" stroke-dasharray=\"3 3\"");
        } else {
            svg.path(
                    path,
                    "fill=\"#f2dfb9\" fill-rule=\"evenodd\" stroke=\"" + Svg.INK
                            + "\" stroke-width=\"0.9\" stroke-linejoin=\"round\"");
        }
        return svg.done();
    }
}
