package kilnryu.core.piece;

import java.util.List;
import java.util.stream.IntStream;
import kilnryu.core.piece.Shrinkage.MoldKind;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * A piece cast whole, or in so many sections that are welded: what each asks of the equipment and of the bench.
 *
 * @param sections 1 for whole
 * @param each length of one along the longest side, mm, with its lap
 * @param over what one of them is too large for, empty when it goes in
 * @param melt of one of them with its gating, cm3; lost when it fails
 * @param seam length of all welds together, mm; a cut is taken as an ellipse of the two shorter sides
 * @param hours to fit, weld and chase the seams
 */
public record Split(int sections, double each, List<String> over, double melt, Figure seam, Figure hours) {
    private static final int SHOWN = 4;
    private static final Constant HOURS = new Constant(
            "seam.hours",
            "rate",
            "fit, weld and chase 100 mm of seam",
            1.5,
            0.5,
            4,
            Measure.HOUR,
            Mark.M,
            "our own estimate; your hours win");
    private static final Formula SEAM =
            Formula.of("(n - 1) * pi / 2 * (3 * (a + b) - sqrt((3 * a + b) * (a + 3 * b)))");
    private static final Formula WORK = Formula.of("seam / 100 * rate");

    /** The estimates a studio may replace. */
    public static List<Constant> constants() {
        return List.of(HOURS);
    }

    /** Whole, and in two, three and more sections, at least as many as the mold asks for. */
    public static List<Split> of(MoldKind kind, Commission piece, Equipment equipment, Factors factors) {
        int most = Math.max(SHOWN, Sections.of(kind, piece, equipment).number());
        return IntStream.rangeClosed(1, most)
                .mapToObj(n -> split(kind, piece, equipment, n, factors))
                .toList();
    }

    private static Split split(MoldKind kind, Commission piece, Equipment equipment, int n, Factors factors) {
        Figure seam = Figure.computed("seam", "all seams", Measure.MILLIMETRE)
                .mark(Mark.M, "each cut an ellipse of the two shorter sides")
                .by(
                        SEAM,
                        given("n", "sections", n, Measure.TIMES),
                        given("a", "middle side", piece.middle(), Measure.MILLIMETRE),
                        given("b", "shortest side", piece.shortest(), Measure.MILLIMETRE));
        Figure hours = Figure.computed("hours", "fit, weld and chase", Measure.HOUR)
                .mark(Mark.M, "by length of seam")
                .by(WORK, seam, factors.of(HOURS));
        return new Split(
                n,
                Sections.each(piece, n),
                Sections.over(kind, piece, equipment, n),
                Sections.melt(piece, n),
                seam,
                hours);
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.ESTIMATED, 0);
    }
}
