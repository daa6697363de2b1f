package kilnryu.app.melt;

import java.util.Locale;
import kilnryu.app.firing.Incandescence;
import kilnryu.app.web.Svg;

/** Crucibles to one scale; furnaces glowing as hot as they get. */
final class MelterDrawing {
    private static final double BOX = 72;
    private static final double HIGH = 60;
    private static final double TALLER = 1.3;

    private MelterDrawing() {}

    /** @param cm3 to the brim; @param largest of the studio, which fills the picture */
    static String pot(double cm3, double largest) {
        double scale = (HIGH - 9) / (Math.cbrt(largest * 4 / (Math.PI * TALLER)) * TALLER);
        double mouth = Math.max(6, Math.cbrt(cm3 * 4 / (Math.PI * TALLER)) * scale);
        double high = mouth * TALLER;
        Svg svg = new Svg(BOX, HIGH, "");
        double left = (BOX - mouth) / 2;
        double top = HIGH - 2 - high;
        String path = String.format(
                Locale.ROOT,
                "M%.1f,%.1f C%.1f,%.1f %.1f,%.1f %.1f,%.1f L%.1f,%.1f C%.1f,%.1f %.1f,%.1f %.1f,%.1f Z",
                left,
                top,
                left,
                top + high * 0.7,
                left + mouth * 0.1,
                HIGH - 2,
                left + mouth * 0.25,
                HIGH - 2,
                left + mouth * 0.75,
                HIGH - 2,
                left + mouth * 0.9,
                HIGH - 2,
                left + mouth,
                top + high * 0.7,
                left + mouth,
                top);
        return svg.path(path, "fill=\"#e7dcc8\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.5\"")
                .ellipse(
                        BOX / 2,
                        top,
                        mouth / 2,
                        Math.max(1.5, mouth * 0.09),
                        "fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.INK + "\"")
                .done();
    }

    /** @param most C; 20 where not said */
    static String furnace(double most) {
        return new Svg(BOX, HIGH, "")
                .rect(
                        10,
                        8,
                        BOX - 20,
                        HIGH - 12,
                        "fill=\"#e7dcc8\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.5\" rx=\"4\"")
                .ellipse(
                        BOX / 2,
                        HIGH / 2 + 4,
                        15,
                        15,
                        "fill=\"" + Incandescence.at(most) + "\" stroke=\"" + Svg.INK + "\"")
                .done();
    }
}
