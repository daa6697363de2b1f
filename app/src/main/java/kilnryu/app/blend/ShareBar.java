package kilnryu.app.blend;

import java.util.List;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.core.material.Blend;

/** What a blend is made of as one bar that is full: each share as long as its part of the mass. */
final class ShareBar {
    private static final double WIDTH = 360;
    private static final double HIGH = 22;
    private static final List<String> FILLS =
            List.of("#f2dfb9", "#dbe8e2", "#dbe4ea", "#e6dac8", "#cfc3b2", "#f3ead9", "#d9cfbd", "#e3ebe4");

    private ShareBar() {}

    static String of(Blend blend) {
        StringBuilder said = new StringBuilder();
        blend.shares()
                .forEach(s -> said.append(said.isEmpty() ? "" : ", ")
                        .append(Show.exact(s.percent()))
                        .append(" % ")
                        .append(s.name()));
        Svg svg = new Svg(WIDTH, HIGH + 18, said.toString());
        double sum = blend.shares().stream().mapToDouble(s -> s.percent()).sum();
        double x = 0;
        int i = 0;
        for (var s : blend.shares()) {
            double wide = WIDTH * s.percent() / Math.max(1e-9, sum);
            svg.rect(
                    x,
                    0,
                    wide,
                    HIGH,
                    "fill=\"" + FILLS.get(i++ % FILLS.size()) + "\" stroke=\"" + Svg.INK + "\" stroke-width=\"0.8\"");
            String words = Show.exact(s.percent()) + " %";
            if (wide > 6.6 * words.length()) {
                svg.text(x + wide / 2, 15, words, "font-size=\"11.5\" text-anchor=\"middle\" fill=\"" + Svg.INK + "\"");
            }
            int fits = (int) (wide / 5.8);
            if (fits > 3) {
                String name = s.name().length() > fits ? s.name().substring(0, fits - 1) + "…" : s.name();
                svg.text(x + 2, HIGH + 13, name, "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\"");
            }
            x += wide;
        }
        return svg.done();
    }
}
