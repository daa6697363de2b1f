package kilnryu.app.learning;

import java.util.Locale;
import java.util.function.Predicate;
import kilnryu.app.web.Svg;
import kilnryu.core.learning.Learned;

/** The castings behind a factor on one line of actual over planned: as planned in the middle, those far off as rings. */
final class FactorChart {
    private static final double WIDE = 420;
    private static final double HIGH = 74;
    private static final double EDGE = 26;
    private static final int MOST = 300;

    private FactorChart() {}

    static String of(Learned l) {
        double far = l.pairs().stream()
                .mapToDouble(p -> Math.abs(p.ratio() - 1))
                .max()
                .orElse(0.05);
        double span = Math.max(0.02, Math.min(2, far * 1.1));
        Svg svg = new Svg(WIDE, HIGH, "actual over planned of " + l.count() + " castings");
        svg.line(EDGE, 40, WIDE - EDGE, 40, "stroke=\"" + Svg.RULE + "\" stroke-width=\"2\"");
        svg.line(
                WIDE / 2,
                8,
                WIDE / 2,
                56,
                "stroke=\"" + Svg.FAINT_INK + "\" stroke-width=\"1\" stroke-dasharray=\"3 3\"");
        if (l.half().isPresent()) {
            double from = x(Math.max(l.low(), 1 - span), span);
            double to = x(Math.min(l.high(), 1 + span), span);
            svg.rect(from, 34, Math.max(1, to - from), 12, "fill=\"#9dc3b8\"");
            svg.rect(x(l.value(), span) - 1.5, 30, 3, 20, "fill=\"" + Svg.VERDIGRIS + "\"");
        }
        Predicate<Learned.Pair> off = l.far();
        int i = 0;
        for (Learned.Pair p : l.pairs().stream().limit(MOST).toList()) {
            double y = 26 - (i++ % 4) * 5;
            svg.ellipse(
                    x(p.ratio(), span),
                    y,
                    3.2,
                    3.2,
                    off.test(p)
                            ? "fill=\"none\" stroke=\"" + Svg.OCHRE + "\" stroke-width=\"2\""
                            : "fill=\"" + Svg.INK + "\" fill-opacity=\"0.55\"");
        }
        words(svg, EDGE, String.format(Locale.ROOT, "%.0f %%", -span * 100), "start");
        words(svg, WIDE / 2, "as planned", "middle");
        words(svg, WIDE - EDGE, String.format(Locale.ROOT, "+%.0f %%", span * 100), "end");
        return svg.done();
    }

    private static void words(Svg svg, double x, String words, String anchor) {
        svg.text(x, 70, words, "font-size=\"12\" text-anchor=\"" + anchor + "\" fill=\"" + Svg.FAINT_INK + "\"");
    }

    private static double x(double ratio, double span) {
        double share = Math.max(-1, Math.min(1, (ratio - 1) / span));
        return WIDE / 2 + share * (WIDE / 2 - EDGE);
    }
}
