package kilnryu.app.mold;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.app.web.Svg;

/**
 * Which way up a mold stands at a stage, as a small drawing with its button marked.
 *
 * @param cupUp whether the cup looks up
 */
public record WayUp(String stage, boolean cupUp, String drawing) {
    private static final double SIZE = 64;

    /** @param turned whether the school turns it once it has drained */
    public static List<WayUp> of(boolean turned) {
        List<WayUp> ways = new ArrayList<>();
        ways.add(way("mix poured in", false));
        ways.add(way("into the kiln", false));
        if (turned) {
            ways.add(way("turned, once drained", true));
        }
        ways.add(way("metal poured", true));
        return ways;
    }

    /** A shell hangs by its cup, drains through it, and is poured into it. */
    public static List<WayUp> ofShell() {
        return List.of(
                way("dipped and dried", true), way("dewax", false), way("fire", false), way("metal poured", true));
    }

    public static WayUp way(String stage, boolean cupUp) {
        return new WayUp(stage, cupUp, draw(stage, cupUp));
    }

    private static String draw(String stage, boolean cupUp) {
        Svg svg = new Svg(SIZE, SIZE, stage + ", cup " + (cupUp ? "up" : "down"));
        svg.rect(16, 10, 32, 40, "fill=\"#efe6d6\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.6\"");
        double mouth = cupUp ? 10 : 50;
        double inward = cupUp ? 12 : -12;
        svg.path(
                String.format(
                        Locale.ROOT,
                        "M24,%.0f L40,%.0f L34,%.0f L30,%.0f Z",
                        mouth,
                        mouth,
                        mouth + inward,
                        mouth + inward),
                "fill=\"" + Svg.VERDIGRIS + "\"");
        svg.line(32, mouth + inward, 32, mouth + inward * 2.6, "stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"3\"");
        svg.line(8, 52, 56, 52, "stroke=\"" + Svg.INK + "\" stroke-width=\"2\"");
        svg.text(
                32,
                62,
                cupUp ? "cup up" : "cup down",
                "font-size=\"9\" text-anchor=\"middle\" fill=\"" + Svg.INK + "\"");
        return svg.done();
    }
}
