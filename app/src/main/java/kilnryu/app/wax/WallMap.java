package kilnryu.app.wax;

import java.util.List;
import java.util.Locale;
import kilnryu.app.piece.OutlineFrame;
import kilnryu.app.piece.PieceOpenings;
import kilnryu.app.web.Svg;

/** Walls that were measured, where they were measured: red where thin, slate where thick, green as asked. */
final class WallMap {
    private static final double THIN = 0.75;
    private static final double THICK = 1.25;

    private WallMap() {}

    static String of(PieceOpenings.Outline outline, List<WaxCourse.Wall> walls, double target) {
        OutlineFrame f = OutlineFrame.of(outline);
        List<WaxCourse.Wall> placed =
                walls.stream().filter(w -> w.at().isPresent()).toList();
        Svg svg = f.svg(placed.size() + " walls measured on the piece");
        for (WaxCourse.Wall w : placed) {
            double x = f.x(w.at().get());
            double y = f.y(w.at().get());
            String colour = w.mm() < THIN * target ? Svg.OXIDE : w.mm() > THICK * target ? Svg.SLATE : Svg.VERDIGRIS;
            svg.ellipse(x, y, 6, 6, "fill=\"" + colour + "\" stroke=\"" + Svg.PAPER + "\" stroke-width=\"1.5\"");
            svg.text(
                    x,
                    y - 10,
                    String.format(Locale.ROOT, "%.1f", w.mm()),
                    "font-size=\"14\" font-weight=\"600\" text-anchor=\"middle\" fill=\"" + colour + "\"");
        }
        return svg.done();
    }
}
