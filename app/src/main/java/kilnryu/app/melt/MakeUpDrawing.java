package kilnryu.app.melt;

import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import kilnryu.app.web.Svg;
import kilnryu.core.melt.Bands;
import kilnryu.core.melt.Charge;
import kilnryu.core.melt.Element;
import kilnryu.core.melt.MakeUp;

/** Make-ups as bars: of a lot in its shares, of a charge beside the bands it has to lie in. */
public final class MakeUpDrawing {
    private static final double WIDE = 168;
    private static final double HIGH = 18;
    private static final double ROW = 46;
    private static final double LEFT = 118;
    private static final double SCALE = 268;
    private static final double RIGHT = 112;
    private static final String LABEL = "font-size=\"13\" fill=\"" + Svg.INK + "\"";
    private static final String SMALL = "font-size=\"12\" fill=\"" + Svg.FAINT_INK + "\"";
    private static final List<String> TONES =
            List.of("#b5835a", "#d9c3a3", "#8f9aa3", "#5d6b64", "#c9a227", "#a8a29a", "#6f5a4a", "#9bb0a8");

    private MakeUpDrawing() {}

    /** A lot's shares side by side, the largest first. */
    static String of(MakeUp makeUp) {
        Svg svg = new Svg(WIDE, HIGH, makeUp.toString());
        double x = 0;
        List<Map.Entry<Element, Double>> shares = makeUp.percent().entrySet().stream()
                .sorted(Map.Entry.<Element, Double>comparingByValue(Comparator.reverseOrder()))
                .toList();
        for (Map.Entry<Element, Double> e : shares) {
            double wide = Math.max(2, e.getValue() / 100 * WIDE);
            svg.rect(
                    x,
                    0,
                    Math.min(wide, WIDE - x),
                    HIGH,
                    "fill=\"" + TONES.get(e.getKey().ordinal() % TONES.size()) + "\"");
            if (wide > 22) {
                svg.text(x + 4, 13, e.getKey().symbol(), "font-size=\"11\" fill=\"#1c1614\"");
            }
            x += wide;
        }
        svg.rect(0.5, 0.5, WIDE - 1, HIGH - 1, "fill=\"none\" stroke=\"" + Svg.FAINT_INK + "\"");
        return svg.done();
    }

    /** Each element's band with where the charge is before the melt, open, and after it, filled. */
    public static String beside(Bands bands, Charge charge) {
        Map<Element, Double> before = charge.before();
        List<Element> rows = rows(bands, before);
        Svg svg = new Svg(LEFT + SCALE + RIGHT, rows.size() * ROW + 24, "Make-up beside its bands");
        double y = 6;
        for (Element e : rows) {
            double after = charge.after().containsKey(e) ? charge.after().get(e).value() : 0;
            row(svg, y, new Shares(e, bands, before.getOrDefault(e, 0.0), after));
            y += ROW;
        }
        svg.ellipse(LEFT + 6, y + 8, 5, 5, "fill=\"none\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.5\"")
                .text(LEFT + 17, y + 12, "as charged", SMALL)
                .ellipse(LEFT + 106, y + 8, 5, 5, "fill=\"" + Svg.VERDIGRIS + "\"")
                .text(LEFT + 117, y + 12, "after the melt", SMALL)
                .rect(LEFT + 214, y + 1, 22, 13, "fill=\"#d7e5e0\" stroke=\"" + Svg.VERDIGRIS + "\"")
                .text(LEFT + 242, y + 12, "band", SMALL);
        return svg.done();
    }

    private static List<Element> rows(Bands bands, Map<Element, Double> before) {
        return java.util.stream.Stream.concat(
                        bands.named().stream().sorted(),
                        before.keySet().stream().filter(bands::trace))
                .distinct()
                .toList();
    }

    /** One element of a charge. */
    private record Shares(Element element, Bands bands, double before, double after) {
        double low() {
            return bands.bands().containsKey(element)
                    ? bands.bands().get(element).low()
                    : 0;
        }

        double high() {
            return bands.bands().containsKey(element)
                    ? bands.bands().get(element).high()
                    : bands.free().contains(element) ? 100 : element.poison() ? Bands.POISON : bands.traces();
        }

        /** The scale reaches a little beyond the band and both marks. */
        double from() {
            double width = Math.max(high() - low(), 0.02);
            return Math.max(0, Math.min(Math.min(before, after), low()) - width * 0.6);
        }

        double to() {
            double width = Math.max(high() - low(), 0.02);
            return Math.min(100, Math.max(Math.max(before, after), high()) + width * 0.6);
        }

        boolean holds() {
            return bands.free().contains(element) || after >= low() - 1e-4 && after <= high() + 1e-4;
        }
    }

    private static void row(Svg svg, double y, Shares s) {
        double per = SCALE / Math.max(1e-9, s.to() - s.from());
        double middle = y + 16;
        svg.text(0, middle + 4, s.element.symbol() + "  " + s.element.label(), LABEL)
                .line(LEFT, middle, LEFT + SCALE, middle, "stroke=\"" + Svg.RULE + "\" stroke-width=\"2\"");
        boolean banded = s.bands.bands().containsKey(s.element) || s.bands.trace(s.element);
        if (banded) {
            band(svg, middle, LEFT + (s.low() - s.from()) * per, LEFT + (s.high() - s.from()) * per, s);
        } else {
            svg.text(LEFT, middle + 22, "the rest", SMALL);
        }
        svg.ellipse(
                LEFT + (s.before - s.from()) * per,
                middle,
                6,
                6,
                "fill=\"" + Svg.PAPER + "\" stroke=\"" + Svg.INK + "\" stroke-width=\"1.5\"");
        String colour = s.holds() ? Svg.VERDIGRIS : Svg.OXIDE;
        double x = LEFT + (s.after - s.from()) * per;
        if (s.holds()) {
            svg.ellipse(x, middle, 6, 6, "fill=\"" + colour + "\"");
        } else {
            svg.rect(x - 6, middle - 6, 12, 12, "fill=\"" + colour + "\"");
        }
        svg.text(
                LEFT + SCALE + 12,
                middle + 5,
                percent(s.after) + (s.holds() ? "" : s.after < s.low() ? ", too little" : ", too much"),
                "font-size=\"14\" font-weight=\"700\" fill=\"" + (s.holds() ? Svg.INK : Svg.OXIDE) + "\"");
    }

    private static void band(Svg svg, double middle, double a, double b, Shares s) {
        svg.rect(a, middle - 9, b - a, 18, "fill=\"#d7e5e0\" stroke=\"" + Svg.VERDIGRIS + "\"");
        svg.text(
                a,
                middle + 23,
                percent(s.low()),
                SMALL + " text-anchor=\"" + (a < LEFT + 20 ? "start" : "middle") + "\"");
        svg.text(
                b,
                middle + 23,
                percent(s.high()),
                SMALL + " text-anchor=\"" + (b > LEFT + SCALE - 20 ? "end" : "middle") + "\"");
    }

    private static String percent(double value) {
        String text = String.format(Locale.ROOT, value < 0.1 ? "%.3f" : "%.2f", value);
        return (text.contains(".") ? text.replaceAll("0+$", "").replaceAll("\\.$", "") : text) + " %";
    }
}
