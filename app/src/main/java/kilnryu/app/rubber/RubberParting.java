package kilnryu.app.rubber;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.app.piece.OutlineFrame;
import kilnryu.app.piece.PieceOpenings;
import kilnryu.app.web.Svg;
import kilnryu.core.rubber.Parting;
import kilnryu.core.rubber.Parting.Point;

/**
 * Where a mold parts, on the outline of its piece as it is seen along its opening.
 *
 * @param drawing fills its box, so that a touch on it is a share of width and height
 */
record RubberParting(Parting parting, String drawing) {
    private static final double RUBBER = 1.15;

    static RubberParting of(RubberSheet sheet, PartingDrawn drawn, PieceOpenings.Seen seen) {
        PieceOpenings.Outline outline = seen.outline();
        List<List<Point>> lines = new ArrayList<>();
        if (drawn.outline()) {
            outline.rims().forEach(rim -> lines.add(closed(rim)));
        }
        drawn.lines()
                .forEach(l -> lines.add(l.stream().map(p -> point(p, outline)).toList()));
        Parting parting = Parting.of(new Parting.Question(
                lines,
                drawn.spout().map(p -> point(p, outline)),
                drawn.parts().stream().map(PartingDrawn.Named::name).toList(),
                sheet.flange(),
                sheet.thick(),
                sheet.question().map(q -> q.density().orElse(RUBBER)).orElse(RUBBER),
                Optional.of(least(seen))));
        return new RubberParting(parting, drawing(outline, seen, drawn, lines, parting.keyPlaces()));
    }

    /** Two, and what each place that is held asks on top. */
    private static int least(PieceOpenings.Seen seen) {
        return 2 + seen.locked().stream().mapToInt(l -> l.parts().size()).sum();
    }

    private static List<Point> closed(List<double[]> rim) {
        List<Point> points = new ArrayList<>();
        rim.forEach(p -> points.add(new Point(p[0], p[1])));
        if (!points.isEmpty()) {
            points.add(points.get(0));
        }
        return points;
    }

    private static Point point(OutlineFrame.Place place, PieceOpenings.Outline outline) {
        return new Point(place.x() * outline.width(), place.y() * outline.height());
    }

    private static String drawing(
            PieceOpenings.Outline outline,
            PieceOpenings.Seen seen,
            PartingDrawn drawn,
            List<List<Point>> lines,
            List<Point> keys) {
        OutlineFrame f = OutlineFrame.of(outline);
        Svg svg = f.svg("Where the mold parts: " + lines.size() + " lines, " + keys.size() + " keys, "
                + drawn.parts().size() + " parts named");
        for (List<Point> line : lines) {
            StringBuilder path = new StringBuilder();
            for (int i = 0; i < line.size(); i++) {
                path.append(Svg.point(
                                i == 0 ? "M" : "L",
                                f.x(line.get(i).x()),
                                f.y(line.get(i).y())))
                        .append(' ');
            }
            svg.path(path.toString(), "fill=\"none\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"3\"");
            if (line.size() == 1) {
                svg.ellipse(f.x(line.get(0).x()), f.y(line.get(0).y()), 4, 4, "fill=\"" + Svg.VERDIGRIS + "\"");
            }
        }
        for (Point k : keys) {
            svg.ellipse(
                    f.x(k.x()),
                    f.y(k.y()),
                    6,
                    6,
                    "fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.VERDIGRIS + "\" stroke-width=\"2\"");
        }
        drawn.spout().ifPresent(p -> spout(svg, f.x(p), f.y(p)));
        for (PartingDrawn.Named n : drawn.parts()) {
            svg.text(
                    f.x(n.at()),
                    f.y(n.at()),
                    n.name(),
                    "font-size=\"15\" font-weight=\"600\" text-anchor=\"middle\" fill=\"#2a2220\" stroke=\"#f2dfb9\""
                            + " stroke-width=\"3\" paint-order=\"stroke\"");
        }
        seen.necks()
                .forEach(n -> svg.ellipse(
                        f.x(n.x()),
                        f.y(n.y()),
                        9,
                        9,
                        "fill=\"none\" stroke=\"" + Svg.OXIDE + "\" stroke-width=\"2\" stroke-dasharray=\"3 2\""));
        return svg.done();
    }

    private static void spout(Svg svg, double x, double y) {
        svg.path(
                Svg.point("M", x - 12, y - 16) + " " + Svg.point("L", x, y) + " " + Svg.point("L", x + 12, y - 16)
                        + " Z",
                "fill=\"" + Svg.OCHRE + "\"");
        svg.text(x, y - 20, "spout", "font-size=\"13\" text-anchor=\"middle\" fill=\"" + Svg.OCHRE + "\"");
    }
}
