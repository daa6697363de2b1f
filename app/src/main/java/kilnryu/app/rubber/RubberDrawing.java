package kilnryu.app.rubber;

import java.util.List;
import java.util.Locale;
import kilnryu.app.web.Svg;
import kilnryu.core.rubber.RubberMold;

/** A section through the wall of a mold: the original, each coat that is on or to come, its jacket. */
final class RubberDrawing {
    private static final double WIDE = 520;
    private static final double HIGH = 170;
    private static final double LEFT = 70;
    private static final double BASE = 130;

    private RubberDrawing() {}

    /** Empty where no coats are planned. */
    static String of(RubberMolds.Mold mold) {
        List<RubberMold.Coat> coats = mold.sheet().plan().map(RubberMold::coats).orElse(List.of());
        if (coats.isEmpty()) {
            return "";
        }
        double rubber = coats.stream().mapToDouble(RubberMold.Coat::mm).sum();
        double jacket = mold.sheet()
                .question()
                .flatMap(RubberMold.Question::jacket)
                .map(RubberMold.Jacket::mm)
                .orElse(0.0);
        // the jacket is drawn no thicker than the rubber, so that coats stay in sight
        double shown = Math.min(jacket, rubber);
        double scale = (WIDE - LEFT - 20) / (rubber + shown);
        int on = mold.course().laid().size();
        Svg svg = new Svg(
                WIDE,
                HIGH,
                String.format(
                        Locale.ROOT,
                        "Section through the wall: %d of %d coats on, %.1f mm of rubber",
                        Math.min(on, coats.size()),
                        coats.size(),
                        rubber));
        svg.rect(0, 20, LEFT, BASE - 20, "fill=\"#f2dfb9\"");
        svg.text(LEFT / 2, 80, "original", "font-size=\"13\" text-anchor=\"middle\" fill=\"" + Svg.INK + "\"");
        double x = LEFT;
        for (int i = 0; i < coats.size(); i++) {
            double w = coats.get(i).mm() * scale;
            boolean laid = i < on;
            boolean late = laid && mold.course().laid().get(i).late();
            svg.rect(
                    x,
                    20,
                    w,
                    BASE - 20,
                    (laid ? "fill=\"#9dc3b8\"" : "fill=\"none\" stroke-dasharray=\"4 3\"") + " stroke=\""
                            + (late ? Svg.OXIDE : Svg.VERDIGRIS) + "\" stroke-width=\"" + (late ? 3 : 1.2) + "\"");
            svg.text(
                    x + w / 2,
                    BASE + 18,
                    String.format(Locale.ROOT, "%.1f", coats.get(i).mm()),
                    "font-size=\"13\" text-anchor=\"middle\" fill=\"" + Svg.FAINT_INK + "\"");
            x += w;
        }
        if (shown > 0) {
            boolean made = mold.course().jacketed().isPresent();
            svg.rect(
                    x,
                    20,
                    shown * scale,
                    BASE - 20,
                    (made ? "fill=\"" + Svg.RULE + "\"" : "fill=\"none\" stroke-dasharray=\"4 3\"") + " stroke=\""
                            + Svg.FAINT_INK + "\"");
            svg.text(
                    x + shown * scale / 2,
                    BASE + 18,
                    String.format(Locale.ROOT, "jacket %.0f", jacket),
                    "font-size=\"13\" text-anchor=\"middle\" fill=\"" + Svg.FAINT_INK + "\"");
        }
        svg.text(LEFT, HIGH - 4, "coats, mm", "font-size=\"13\" fill=\"" + Svg.FAINT_INK + "\"");
        return svg.done();
    }
}
