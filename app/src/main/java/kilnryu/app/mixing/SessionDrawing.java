package kilnryu.app.mixing;

import java.util.Locale;
import kilnryu.app.web.Svg;
import kilnryu.core.flask.MixSession;

/** All hand movements of a session on one clock, a line for each bowl, gloss-off marked on each. */
final class SessionDrawing {
    private static final double WIDTH = 860;
    private static final double LEFT = 70;
    private static final double RIGHT = 30;
    private static final double ROW = 54;
    private static final double TOP = 34;
    private static final String[] PAINTS = {"#dbe8e2", "#efe6d6", "#e4d5bd", "#cfdce6"};

    private SessionDrawing() {}

    static String of(MixSession session) {
        double end = session.batches().stream()
                .mapToDouble(b -> Math.max(b.ends(), b.deadline()))
                .max()
                .orElse(1);
        double scale = (WIDTH - LEFT - RIGHT) / end;
        double height = TOP + ROW * session.batches().size() + 10;
        Svg svg = new Svg(
                WIDTH,
                height,
                String.format(Locale.ROOT, "The session on one clock, %.0f minutes from the first powder", end));
        double step = end > 60 ? 10 : end > 20 ? 5 : 1;
        for (double at = 0; at <= end + 1e-9; at += step) {
            double x = LEFT + at * scale;
            svg.line(x, TOP - 8, x, height - 6, "stroke=\"" + Svg.RULE + "\"");
            svg.text(x, TOP - 14, String.format(Locale.ROOT, "%.0f", at), words("middle"));
        }
        svg.text(4, TOP - 14, "minutes", words("start"));
        int row = 0;
        for (MixSession.Batch batch : session.batches()) {
            bowl(svg, batch, row++, scale);
        }
        return svg.done();
    }

    private static void bowl(Svg svg, MixSession.Batch batch, int row, double scale) {
        double y = TOP + row * ROW;
        svg.text(4, y + 24, "bowl " + (row + 1), "font-size=\"13\" font-weight=\"600\" fill=\"" + Svg.INK + "\"");
        int number = 0;
        String before = "";
        for (MixSession.Moved m : batch.moves()) {
            if (!m.what().equals(before)) {
                number++;
                before = m.what();
                double until = batch.moves().stream()
                        .filter(o -> o.what().equals(m.what()))
                        .mapToDouble(MixSession.Moved::to)
                        .max()
                        .orElse(m.to());
                if ((until - m.from()) * scale > 36) {
                    svg.text(
                            LEFT + m.from() * scale + 3,
                            y + 44,
                            shortened(m.what(), (until - m.from()) * scale),
                            words("start"));
                }
            }
            svg.rect(
                    LEFT + m.from() * scale,
                    y + 8,
                    (m.to() - m.from()) * scale,
                    24,
                    "fill=\"" + PAINTS[(number - 1) % PAINTS.length] + "\" stroke=\"" + Svg.INK
                            + "\" stroke-width=\"0.8\"");
        }
        double gloss = LEFT + batch.deadline() * scale;
        String colour = batch.late() > 1e-9 ? Svg.OXIDE : Svg.VERDIGRIS;
        svg.line(gloss, y + 2, gloss, y + 38, "stroke=\"" + colour + "\" stroke-width=\"2.4\"");
    }

    private static String shortened(String words, double room) {
        int most = (int) (room / 5.6);
        return words.length() <= most ? words : words.substring(0, Math.max(1, most - 1)) + "…";
    }

    private static String words(String anchor) {
        return "font-size=\"11\" fill=\"" + Svg.FAINT_INK + "\" text-anchor=\"" + anchor + "\"";
    }
}
