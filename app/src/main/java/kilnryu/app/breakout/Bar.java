package kilnryu.app.breakout;

import kilnryu.app.web.Svg;

/** Castings of a tree by their verdict, as a bar. */
final class Bar {
    private static final double WIDE = 200;
    private static final double HIGH = 10;

    private Bar() {}

    static String of(int good, int mend, int scrap, int unseen) {
        int all = good + mend + scrap + Math.max(0, unseen);
        if (all == 0) {
            return "";
        }
        Svg svg = new Svg(WIDE, HIGH, good + " of " + all + " good");
        double x = 0;
        int[] counts = {good, mend, scrap, Math.max(0, unseen)};
        String[] paint = {Svg.VERDIGRIS, Svg.OCHRE, Svg.OXIDE, Svg.RULE};
        for (int i = 0; i < counts.length; i++) {
            double wide = WIDE * counts[i] / all;
            if (counts[i] > 0) {
                svg.rect(x, 0, Math.max(1, wide - 2), HIGH, "fill=\"" + paint[i] + "\"");
            }
            x += wide;
        }
        return svg.done();
    }
}
