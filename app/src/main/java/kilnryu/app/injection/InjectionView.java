package kilnryu.app.injection;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import kilnryu.app.web.Show;
import kilnryu.app.web.Svg;
import kilnryu.core.wax.InjectionRound;
import kilnryu.core.wax.InjectionRound.Kind;
import kilnryu.core.wax.InjectionRound.Move;

/**
 * A round as its bench shows it.
 *
 * @param says what hands do next
 * @param line the round foreseen, a line for each mold
 */
public record InjectionView(List<Tile> tiles, String says, String line, String foreseen, String shelf) {
    private static final double WIDE = 720;
    private static final double ROW = 30;
    private static final double LEFT = 110;
    private static final double MOST_S = 3600;

    /**
     * A mold.
     *
     * @param state open, sets, set or done
     * @param seconds until it is set; null elsewhere
     * @param next whether hands go there now
     */
    public record Tile(
            String key,
            String name,
            String state,
            Long seconds,
            boolean next,
            String count,
            String rejects,
            int faults) {}

    static InjectionView of(InjectionSheet sheet, InjectionCourse course, Instant now) {
        List<Tile> tiles = new ArrayList<>();
        int chosen = next(sheet, course, now);
        for (int i = 0; i < sheet.molds().size(); i++) {
            tiles.add(tile(sheet, course, i, i == chosen, now));
        }
        return new InjectionView(
                tiles, says(sheet, course, chosen, now), line(sheet), foreseen(sheet), shelf(sheet, course, now));
    }

    static Instant set(InjectionSheet sheet, InjectionCourse course, int mold) {
        return course.at(sheet.keys().get(mold))
                .injected()
                .orElseThrow()
                .plusMillis(Math.round(sheet.molds().get(mold).setting() * 1000));
    }

    private static boolean open(InjectionSheet sheet, InjectionCourse course, int mold) {
        return course.at(sheet.keys().get(mold)).injected().isEmpty();
    }

    private static boolean wants(InjectionSheet sheet, InjectionCourse course, int mold) {
        return course.at(sheet.keys().get(mold)).good().size()
                < sheet.molds().get(mold).wanted();
    }

    /** One that is set comes first, the longest set before others; then an open one that waited longest; else none. */
    private static int next(InjectionSheet sheet, InjectionCourse course, Instant now) {
        int best = -1;
        for (int i = 0; i < sheet.molds().size(); i++) {
            if (!open(sheet, course, i) && !set(sheet, course, i).isAfter(now)) {
                best = best < 0 || set(sheet, course, i).isBefore(set(sheet, course, best)) ? i : best;
            }
        }
        if (best >= 0) {
            return best;
        }
        for (int i = 0; i < sheet.molds().size(); i++) {
            if (open(sheet, course, i) && wants(sheet, course, i)) {
                best = best < 0 || last(sheet, course, i) < last(sheet, course, best) ? i : best;
            }
        }
        return best;
    }

    private static int last(InjectionSheet sheet, InjectionCourse course, int mold) {
        return course.at(sheet.keys().get(mold)).last();
    }

    private static Tile tile(InjectionSheet sheet, InjectionCourse course, int i, boolean next, Instant now) {
        InjectionCourse.Standing s = course.at(sheet.keys().get(i));
        InjectionRound.Mold m = sheet.molds().get(i);
        boolean set = s.injected().isPresent() && !set(sheet, course, i).isAfter(now);
        String state = s.injected().isEmpty() ? wants(sheet, course, i) ? "open" : "done" : set ? "set" : "sets";
        return new Tile(
                sheet.keys().get(i),
                m.name(),
                state,
                state.equals("sets")
                        ? Long.valueOf(Math.max(
                                1, Duration.between(now, set(sheet, course, i)).toSeconds()))
                        : null,
                next,
                s.good().size() + " of " + m.wanted() + " good",
                s.rejects().entrySet().stream()
                        .map(e -> e.getKey() + " " + e.getValue())
                        .collect(Collectors.joining(", ")),
                s.rejected());
    }

    private static String says(InjectionSheet sheet, InjectionCourse course, int next, Instant now) {
        if (sheet.molds().isEmpty()) {
            return "";
        }
        if (next >= 0) {
            String name = sheet.molds().get(next).name();
            return open(sheet, course, next) ? "Close and inject " + name + "." : "Open and pull " + name + ".";
        }
        boolean sets = false;
        for (int i = 0; i < sheet.molds().size(); i++) {
            sets |= !open(sheet, course, i);
        }
        return sets
                ? "Hands are free until the next one is set. None is pulled warm."
                : "All that was wanted is there.";
    }

    private static String foreseen(InjectionSheet sheet) {
        if (sheet.molds().isEmpty()) {
            return "";
        }
        InjectionRound round = InjectionRound.of(sheet.molds());
        int busy =
                sheet.molds().stream().mapToInt(InjectionRound::busyWith).max().orElse(1);
        return String.format(
                Locale.ROOT,
                "%s for all of them, hands idle %s; %.0f an hour. %s",
                Show.length(Duration.ofSeconds(Math.round(round.length()))),
                Show.length(Duration.ofSeconds(Math.round(round.idle()))),
                round.perHour(),
                busy > sheet.molds().size()
                        ? busy + " molds like the slowest would keep the hands busy."
                        : "So many molds keep the hands busy.");
    }

    private static String shelf(InjectionSheet sheet, InjectionCourse course, Instant now) {
        List<Instant> good = course.shelf();
        int wanted =
                sheet.molds().stream().mapToInt(InjectionRound.Mold::wanted).sum();
        if (good.isEmpty()) {
            return course.good() == 0
                    ? "No pattern on the shelf yet; " + wanted + " are wanted."
                    : "None on the shelf: " + course.good() + " of " + wanted + " wanted went to trees.";
        }
        long days = good.stream()
                .mapToLong(g -> Duration.between(g, now).toDays())
                .max()
                .orElse(0);
        String trees = course.used() > 0 ? ", " + course.used() + " on trees, of " : " of ";
        return good.size() + " on the shelf" + trees + wanted + " wanted, the oldest "
                + (days == 0 ? "of today" : days == 1 ? "1 day old" : days + " days old") + ".";
    }

    /** Each mold on a line of its own: hands at it, and how long it sets. */
    private static String line(InjectionSheet sheet) {
        if (sheet.molds().isEmpty()) {
            return "";
        }
        InjectionRound round = InjectionRound.of(sheet.molds());
        double all = Math.max(60, Math.min(MOST_S, round.length()));
        int rows = sheet.molds().size();
        Svg svg = new Svg(WIDE, rows * ROW + 30, "The round foreseen: hands at each mold, and how long each sets");
        for (int i = 0; i < rows; i++) {
            svg.text(0, i * ROW + 19, sheet.molds().get(i).name(), "font-size=\"13\" fill=\"" + Svg.INK + "\"");
            svg.line(LEFT, i * ROW + 14, WIDE, i * ROW + 14, "stroke=\"" + Svg.RULE + "\" stroke-width=\"1\"");
        }
        for (Move m : round.moves()) {
            if (m.at() > all) {
                continue;
            }
            double y = m.mold() * ROW + 6;
            if (m.kind() == Kind.INJECT) {
                double set =
                        Math.min(all, m.until() + sheet.molds().get(m.mold()).setting());
                svg.rect(x(m.until(), all), y + 4, x(set, all) - x(m.until(), all), 8, "fill=\"#9dc3b8\"");
            }
            svg.rect(
                    x(m.at(), all),
                    y,
                    Math.max(1.5, x(Math.min(all, m.until()), all) - x(m.at(), all)),
                    16,
                    "fill=\"" + (m.kind() == Kind.INJECT ? Svg.OCHRE : Svg.VERDIGRIS) + "\"");
        }
        svg.text(
                LEFT,
                rows * ROW + 22,
                "ochre: injected, green: pulled, pale: sets",
                "font-size=\"13\" fill=\"" + Svg.FAINT_INK + "\"");
        svg.text(
                WIDE,
                rows * ROW + 22,
                String.format(Locale.ROOT, "%.0f min", all / 60),
                "font-size=\"13\" text-anchor=\"end\" fill=\"" + Svg.FAINT_INK + "\"");
        return svg.done();
    }

    private static double x(double seconds, double all) {
        return LEFT + (WIDE - LEFT) * seconds / all;
    }
}
