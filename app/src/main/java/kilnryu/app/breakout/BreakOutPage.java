package kilnryu.app.breakout;

import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.web.FigureView;
import kilnryu.app.web.FindingView;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.app.web.Verdict;
import kilnryu.core.breakout.MassBalance;
import kilnryu.core.breakout.SizePair;
import kilnryu.core.diagnosis.DefectKind;
import kilnryu.core.diagnosis.Place;
import kilnryu.core.quantity.Measure;
import org.springframework.web.util.HtmlUtils;

/** What came out of a mold, as its page shows it. */
public record BreakOutPage(
        boolean open,
        String stage,
        String stageLabel,
        int looked,
        int all,
        int columns,
        List<Row> rows,
        Chosen chosen,
        List<Sign> signs,
        List<Choice> places,
        Masses masses,
        List<SizeRow> sizes,
        List<Picture> photos,
        Verdict verdict) {
    private static final int TWO_COLUMNS = 14;
    private static final int MOST_UNDONE = 3;

    /** Castings left and right of the sprue at one height. */
    public record Row(List<TileView> left, List<TileView> right, String height) {}

    /** A casting as a tile. */
    public record TileView(
            int number,
            String name,
            String verdict,
            String label,
            String mark,
            String next,
            String nextLabel,
            String kinds,
            boolean chosen,
            String drawing) {}

    /** A pin in the list. */
    public record PinView(
            long id, String kind, String label, String where, String extent, String stage, String by, boolean photo) {}

    /** The casting in hand. @param photo the photo that is pinned on; null for the drawing */
    public record Chosen(
            int number,
            String name,
            String label,
            String drawing,
            Long photo,
            List<PinView> pins,
            String grams,
            String pinnedOnPhoto) {}

    public record Sign(String key, String label, String seen, String drawing) {}

    public record Choice(String key, String label) {}

    /** Masses as they were weighed, and what does not add up. */
    public record Masses(
            String charged,
            String cast,
            String castings,
            String gating,
            boolean booked,
            FigureView missing,
            FigureView sawn,
            List<FindingView> findings) {}

    public record SizeRow(
            long id,
            String place,
            String casting,
            String way,
            String pattern,
            String print,
            String cast,
            String wanted,
            String judged,
            String mark,
            String off) {}

    public record Picture(long id, String of, String stage) {}

    /** What decides it besides what was tapped. */
    record OpenQuestion(
            Units units,
            boolean precious,
            Integer chosen,
            Long photo,
            OptionalDouble charged,
            double lossPercent,
            boolean open) {}

    static BreakOutPage of(BreakOutCourse course, OpenQuestion asked) {
        List<BreakOutCourse.Casting> all = course.castings();
        int columns = all.size() > TWO_COLUMNS ? 4 : 2;
        long seen = all.stream()
                .filter(c -> c.at(course.stage()) != BreakOutCourse.Verdict.UNSEEN)
                .count();
        Optional<BreakOutCourse.Casting> chosen = Optional.ofNullable(asked.chosen)
                .flatMap(course::casting)
                .or(() -> all.size() == 1 ? Optional.of(all.get(0)) : Optional.empty());
        return new BreakOutPage(
                asked.open,
                course.stage().key(),
                course.stage().label(),
                (int) seen,
                all.size(),
                columns,
                rows(course, columns, chosen),
                chosen.map(c -> chosen(course, c, asked)).orElse(null),
                Arrays.stream(DefectKind.values())
                        .map(k -> new Sign(k.key(), k.label(), k.seen(), Signs.of(k)))
                        .toList(),
                Arrays.stream(Place.values())
                        .map(p -> new Choice(p.key(), p.label()))
                        .toList(),
                masses(course, asked),
                course.sizes().stream().map(s -> size(s, asked.units)).toList(),
                course.photos().stream()
                        .map(p -> new Picture(
                                p.id(),
                                p.casting().map(n -> "casting " + n).orElse("the tree"),
                                p.stage().label()))
                        .toList(),
                verdict(course));
    }

    private static List<Row> rows(BreakOutCourse course, int columns, Optional<BreakOutCourse.Casting> chosen) {
        List<BreakOutCourse.Casting> all = course.castings();
        java.util.ArrayList<Row> rows = new java.util.ArrayList<>();
        for (int from = 0; from < all.size(); from += columns) {
            List<BreakOutCourse.Casting> some = all.subList(from, Math.min(all.size(), from + columns));
            Double height = some.get(0).tile().height();
            rows.add(new Row(
                    some.stream()
                            .filter(c -> c.tile().left())
                            .map(c -> tile(course, c, chosen))
                            .toList(),
                    some.stream()
                            .filter(c -> !c.tile().left())
                            .map(c -> tile(course, c, chosen))
                            .toList(),
                    height == null ? "" : Math.round(height) + " mm up"));
        }
        return rows;
    }

    private static TileView tile(
            BreakOutCourse course, BreakOutCourse.Casting c, Optional<BreakOutCourse.Casting> chosen) {
        BreakOutCourse.Verdict now = c.at(course.stage());
        BreakOutCourse.Verdict shown = now == BreakOutCourse.Verdict.UNSEEN ? c.verdict() : now;
        String before = now == BreakOutCourse.Verdict.UNSEEN && shown != BreakOutCourse.Verdict.UNSEEN
                ? shown.label() + " before"
                : shown.label();
        return new TileView(
                c.tile().number(),
                c.tile().name(),
                now.key(),
                before,
                now.mark(),
                now.next().key(),
                now.next().label(),
                kinds(c),
                chosen.filter(x -> x == c).isPresent(),
                drawing(c, false));
    }

    private static String kinds(BreakOutCourse.Casting c) {
        Set<String> kinds = new LinkedHashSet<>();
        c.pins().forEach(p -> kinds.add(p.kind().label()));
        return String.join(", ", kinds);
    }

    /** A casting by its own outline with its gate, its pins on it. */
    private static String drawing(BreakOutCourse.Casting c, boolean large) {
        Tile t = c.tile();
        StringBuilder svg = new StringBuilder(String.format(
                Locale.ROOT,
                "<svg viewBox=\"0 0 %.0f %.0f\" role=\"img\" aria-label=\"%s\" class=\"cast\">",
                Tile.WIDE,
                Tile.HIGH,
                HtmlUtils.htmlEscape("casting " + t.number() + ", " + t.name())));
        double x = t.gate().x() * Tile.WIDE;
        double y = t.gate().y() * Tile.HIGH;
        double edge = t.left() ? Tile.WIDE : 0;
        boolean above = t.gate().y() < 0.2;
        svg.append(String.format(
                Locale.ROOT,
                "<path class=\"gate\" d=\"M%.1f,%.1f L%.1f,%.1f\"/>",
                x,
                y,
                above ? x : edge,
                above ? 0 : y));
        svg.append("<path class=\"body\"")
                .append(t.guessed() ? " stroke-dasharray=\"5 4\"" : "")
                .append(" d=\"")
                .append(t.path())
                .append("\"/>");
        c.pins().stream()
                .filter(p -> p.photo().isEmpty())
                .forEach(p -> svg.append(String.format(
                        Locale.ROOT,
                        "<circle class=\"pin %s\" cx=\"%.1f\" cy=\"%.1f\" r=\"%s\"/>",
                        p.stage().key(),
                        p.at().x() * Tile.WIDE,
                        p.at().y() * Tile.HIGH,
                        large ? "4" : "6")));
        return svg.append("</svg>").toString();
    }

    private static Chosen chosen(BreakOutCourse course, BreakOutCourse.Casting c, OpenQuestion asked) {
        Optional<BreakOutCourse.Taken> photo = course.photos().stream()
                .filter(p -> asked.photo != null && p.id() == asked.photo)
                .findFirst();
        return new Chosen(
                c.tile().number(),
                c.tile().name(),
                c.verdict().label(),
                drawing(c, true),
                photo.map(BreakOutCourse.Taken::id).orElse(null),
                c.pins().stream().map(BreakOutPage::pin).toList(),
                c.grams().isPresent() ? mass(c.grams(), asked) : "",
                c.pins().stream()
                        .filter(p -> photo.isPresent()
                                && p.photo().equals(Optional.of(photo.get().id())))
                        .map(p -> String.format(
                                Locale.ROOT,
                                "<circle class=\"pin\" cx=\"%.2f%%\" cy=\"%.2f%%\" r=\"9\"/>",
                                p.at().x() * 100,
                                p.at().y() * 100))
                        .collect(Collectors.joining()));
    }

    private static PinView pin(BreakOutCourse.Pin p) {
        return new PinView(
                p.id(),
                p.kind().key(),
                p.kind().label(),
                p.places().stream().sorted().map(Place::label).collect(Collectors.joining(", ")),
                p.extent()
                        + p.bad()
                                .map(b -> (p.extent().isEmpty() ? "" : ", ") + b.key())
                                .orElse(""),
                p.stage().label(),
                p.by(),
                p.photo().isPresent());
    }

    private static String mass(OptionalDouble grams, OpenQuestion asked) {
        return grams.isEmpty()
                ? ""
                : Show.value(grams.getAsDouble(), Measure.GRAM, asked.units, asked.precious)
                        .toString();
    }

    private static Masses masses(BreakOutCourse course, OpenQuestion asked) {
        MassBalance balance = MassBalance.of(new MassBalance.Weighed(
                asked.charged,
                course.mass("cast"),
                course.mass("castings"),
                course.mass("gating"),
                OptionalDouble.empty(),
                asked.lossPercent));
        FigureView.Maker views = new FigureView.Maker(asked.units, asked.precious);
        return new Masses(
                mass(asked.charged, asked),
                mass(course.mass("cast"), asked),
                mass(course.mass("castings"), asked),
                mass(course.mass("gating"), asked),
                course.booked(),
                balance.missing().map(views::of).orElse(null),
                balance.sawn().map(views::of).orElse(null),
                balance.findings().all().stream()
                        .map(f -> FindingView.of(f, views, 0))
                        .toList());
    }

    private static SizeRow size(BreakOutCourse.Size s, Units units) {
        SizePair p = s.pair();
        String mark = switch (p.judged()) {
            case ACCEPT -> "good";
            case REWORK -> "warn";
            case SCRAP -> "stop";
            case NOT_YET -> "note";
        };
        String off = p.ratio().isPresent()
                ? String.format(
                        Locale.ROOT, "%+.2f %% of the pattern", (p.ratio().getAsDouble() - 1) * 100)
                : p.hot() ? "measured hot: wait until it is cold" : "";
        String print = p.printOff().isPresent()
                ? String.format(
                        Locale.ROOT, "; the print itself %+.2f %%", p.printOff().getAsDouble())
                : "";
        return new SizeRow(
                s.id(),
                s.place(),
                s.casting().map(n -> "casting " + n).orElse(""),
                p.way() == SizePair.Way.BORE ? "bore" : "outside",
                length(p.pattern(), units),
                length(p.print(), units),
                length(p.casting(), units),
                length(p.wanted(), units) + (p.tolerance().isPresent() ? " ± " + length(p.tolerance(), units) : ""),
                p.judged().label(),
                mark,
                off + print);
    }

    private static String length(OptionalDouble mm, Units units) {
        return mm.isEmpty()
                ? ""
                : Show.value(mm.getAsDouble(), Measure.MILLIMETRE, units, false).toString();
    }

    /** How the tree came out, in a sentence. */
    static Verdict verdict(BreakOutCourse course) {
        long unseen = course.count(BreakOutCourse.Verdict.UNSEEN);
        long scrap = course.count(BreakOutCourse.Verdict.SCRAP);
        long mend = course.count(BreakOutCourse.Verdict.MEND);
        long good = course.count(BreakOutCourse.Verdict.GOOD);
        String counted = good + " good" + (mend > 0 ? ", " + mend + " to mend" : "")
                + (scrap > 0 ? ", " + scrap + " scrap" : "");
        if (unseen > 0) {
            return new Verdict(
                    "note",
                    "Not yet judged",
                    unseen == course.castings().size()
                            ? "No casting has been looked at yet."
                            : counted + "; " + unseen + " not looked at.",
                    0,
                    List.of());
        }
        String together = together(course);
        return scrap + mend == 0
                ? new Verdict("good", "All good", counted + ".", 0, List.of())
                : new Verdict(
                        scrap > 0 ? "stop" : "warn",
                        scrap > 0 ? "Scrap" : "To mend",
                        counted + "." + together,
                        0,
                        List.of());
    }

    /** A kind of defect in several castings that hang together. */
    private static String together(BreakOutCourse course) {
        Map<DefectKind, List<Integer>> by = course.castings().stream()
                .flatMap(c ->
                        c.pins().stream().map(p -> Map.entry(p.kind(), c.tile().number())))
                .distinct()
                .collect(Collectors.groupingBy(
                        Map.Entry::getKey, Collectors.mapping(Map.Entry::getValue, Collectors.toList())));
        return by.entrySet().stream()
                .filter(e -> e.getValue().size() >= 2)
                .max(Comparator.comparingInt(e -> e.getValue().size()))
                .map(e -> " " + plural(e.getKey()) + " in " + e.getValue().size() + where(course, e.getValue())
                        + ": judged together.")
                .orElse("");
    }

    private static String plural(DefectKind kind) {
        String label = kind.label();
        return Character.toUpperCase(label.charAt(0)) + label.substring(1);
    }

    private static String where(BreakOutCourse course, List<Integer> numbers) {
        int n = course.castings().size();
        if (n < MOST_UNDONE || numbers.size() == n) {
            return "";
        }
        boolean top = numbers.stream().allMatch(i -> i <= (n + 1) / 2);
        boolean low = numbers.stream().allMatch(i -> i > n / 2);
        return top ? ", all in the upper half" : low ? ", all in the lower half" : "";
    }
}
