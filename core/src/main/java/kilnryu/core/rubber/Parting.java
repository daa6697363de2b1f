package kilnryu.core.rubber;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Where the parts of a mold meet: flanges along its lines, keys in them, a spout, a name for each part (handbook 27).
 *
 * @param length of all lines, mm; empty before one is drawn
 * @param apart how far a key is from the next, mm; empty likewise
 * @param flange area of one side of all flanges, cm2; empty likewise
 * @param rubber for both sides of the flanges, g; empty where the rubber's thickness is not known
 * @param keyPlaces where keys stand, mm
 * @param unknown what was not judged, in words
 */
public record Parting(
        Optional<Figure> length,
        Optional<Figure> apart,
        Optional<Figure> flange,
        Optional<Figure> rubber,
        List<Point> keyPlaces,
        List<String> unknown,
        Findings findings) {
    private static final Formula APART = Formula.of("length / keys");
    private static final Formula FLANGE = Formula.of("length * wide / 100");
    private static final Formula RUBBER = Formula.of("2 * flange * thick / 10 * density");
    /** Between two keys, mm: 60 to 80 (handbook 27). */
    private static final double EVERY = 70;

    private static final double WIDE = 30;
    private static final double NARROW = 25;
    private static final double BROAD = 40;

    /** A place on the outline, mm from its left lower corner. */
    public record Point(double x, double y) {
        double to(Point other) {
            return Math.hypot(other.x - x, other.y - y);
        }
    }

    /**
     * @param lines each through its places in order
     * @param spout where wax goes in; empty where it is not drawn
     * @param parts their names
     * @param flangeMm empty for the usual
     * @param thickMm of the rubber; empty where not known
     * @param density of the rubber, g/cm3
     * @param least parts that its undercuts ask for; empty where they are not known
     */
    public record Question(
            List<List<Point>> lines,
            Optional<Point> spout,
            List<String> parts,
            OptionalDouble flangeMm,
            OptionalDouble thickMm,
            double density,
            Optional<Integer> least) {}

    public static Parting of(Question q) {
        List<String> unknown = new ArrayList<>();
        List<Finding> found = new ArrayList<>();
        double all = q.lines.stream().mapToDouble(Parting::along).sum();
        if (all <= 0) {
            unknown.add("where it parts");
        }
        if (q.spout.isEmpty()) {
            unknown.add("where its wax goes in");
        }
        parts(q, found, unknown);
        flanges(q, found);
        if (all <= 0) {
            return new Parting(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    List.of(),
                    List.copyOf(unknown),
                    new Findings(found));
        }
        Figure length = Figure.given("length", "parting lines", all, Measure.MILLIMETRE, Known.MEASURED, 0);
        List<Point> places = places(q.lines);
        Figure apart = Figure.computed("apart", "a key each", Measure.MILLIMETRE)
                .mark(Mark.T, "handbook 27: one each 60 to 80 mm")
                .by(APART, length, Figure.given("keys", "keys", places.size(), Measure.TIMES, Known.CHOSEN, 0));
        Figure flange = Figure.computed("flange", "flanges, one side", Measure.SQUARE_CENTIMETRE)
                .mark(Mark.P, "length by width")
                .by(
                        FLANGE,
                        length,
                        Figure.given("wide", "flange", q.flangeMm.orElse(WIDE), Measure.MILLIMETRE, Known.CHOSEN, 0));
        return new Parting(
                Optional.of(length),
                Optional.of(apart),
                Optional.of(flange),
                rubber(q, flange),
                places,
                List.copyOf(unknown),
                new Findings(found));
    }

    private static Optional<Figure> rubber(Question q, Figure flange) {
        return q.thickMm.isEmpty()
                ? Optional.empty()
                : Optional.of(Figure.computed("flange_rubber", "rubber on flanges, on top", Measure.GRAM)
                        .mark(Mark.P, "both sides of the parting")
                        .by(
                                RUBBER,
                                flange,
                                Figure.given(
                                        "thick",
                                        "all coats",
                                        q.thickMm.getAsDouble(),
                                        Measure.MILLIMETRE,
                                        Known.CHOSEN,
                                        0),
                                Figure.given("density", "density", q.density, Measure.GRAM_PER_CM3, Known.CHOSEN, 0)));
    }

    private static double along(List<Point> line) {
        double sum = 0;
        for (int i = 1; i < line.size(); i++) {
            sum += line.get(i - 1).to(line.get(i));
        }
        return sum;
    }

    /** Evenly along each line, half a distance from its ends. */
    private static List<Point> places(List<List<Point>> lines) {
        List<Point> places = new ArrayList<>();
        for (List<Point> line : lines) {
            double all = along(line);
            int keys = (int) Math.ceil(all / EVERY - 1e-9);
            for (int k = 0; k < keys; k++) {
                places.add(at(line, all * (k + 0.5) / keys));
            }
        }
        return List.copyOf(places);
    }

    private static Point at(List<Point> line, double along) {
        double left = along;
        for (int i = 1; i < line.size(); i++) {
            Point a = line.get(i - 1);
            Point b = line.get(i);
            double step = a.to(b);
            if (left <= step && step > 0) {
                return new Point(a.x + (b.x - a.x) * left / step, a.y + (b.y - a.y) * left / step);
            }
            left -= step;
        }
        return line.get(line.size() - 1);
    }

    private static void parts(Question q, List<Finding> found, List<String> unknown) {
        if (q.parts.isEmpty()) {
            unknown.add("how its parts are called");
        } else if (q.least.isPresent() && q.parts.size() < q.least.get()) {
            found.add(Finding.warn(
                    "parts-few",
                    "parting",
                    String.format(
                            Locale.ROOT,
                            "%d %s named; its undercuts ask for %d.",
                            q.parts.size(),
                            q.parts.size() == 1 ? "part is" : "parts are",
                            q.least.get()),
                    "What is locked tears, or has to be cut at the first pull.",
                    "A part of its own for each place that is held, or plug it and cast it apart."));
        }
    }

    private static void flanges(Question q, List<Finding> found) {
        if (q.flangeMm.isEmpty()) {
            return;
        }
        double mm = q.flangeMm.getAsDouble();
        if (mm < NARROW || mm > BROAD) {
            found.add(Finding.note(
                    mm < NARROW ? "flange-narrow" : "flange-broad",
                    "flange_mm",
                    String.format(Locale.ROOT, "Flanges of %.0f mm; 25 to 40 mm are usual.", mm),
                    mm < NARROW
                            ? "Keys and bolts find no room, and wax runs out between."
                            : "More rubber and a heavier jacket for nothing.",
                    "25 mm for small pieces, 40 mm for large ones."));
        }
    }
}
