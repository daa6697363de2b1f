package kilnryu.app.learning;

import kilnryu.app.web.Svg;
import kilnryu.core.learning.Yield;

/** A chance with its interval, 0 to 100 %. */
final class YieldBar {
    private static final double WIDE = 220;
    private static final double HIGH = 18;

    private YieldBar() {}

    static String of(Yield y) {
        Svg svg = new Svg(WIDE, HIGH, Math.round(y.next() * 100) + " % good");
        svg.rect(0, 6, WIDE, 6, "fill=\"" + Svg.RULE + "\"");
        svg.rect(WIDE * y.low(), 4, WIDE * (y.high() - y.low()), 10, "fill=\"#9dc3b8\"");
        svg.rect(WIDE * y.next() - 1.5, 1, 3, 16, "fill=\"" + Svg.VERDIGRIS + "\"");
        return svg.done();
    }
}
