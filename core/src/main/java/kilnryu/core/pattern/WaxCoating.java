package kilnryu.core.pattern;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * A coating of wax on a pattern, from its mass before and after: mean thickness, and how much a measure grows by it.
 *
 * @param thickness mean over the face, mm
 * @param grows a measure across the piece, mm: twice the thickness
 */
public record WaxCoating(Figure thickness, Figure grows, Findings findings) {
    private static final Formula THICKNESS = Formula.of("(after - before) / (area * density) * 10");
    private static final Formula GROWS = Formula.of("2 * thickness");
    /** A plastic print that swells in the mold wants so much wax around it to run out first, mm; ours. */
    private static final double LEAST_ROUND_PLASTIC = 0.3;
    /** Over this detail is lost, mm; ours. */
    private static final double LOSES_DETAIL = 1.0;

    /**
     * @param beforeG of the bare pattern
     * @param afterG with its wax
     * @param areaCm2 that was coated
     * @param density of the wax, g/cm3
     * @param swells whether what is under it swells before it runs or burns
     */
    public record Question(double beforeG, double afterG, double areaCm2, double density, boolean swells) {
        public Question {
            if (!(afterG >= beforeG) || !(beforeG > 0) || !(areaCm2 > 0) || !(density > 0)) {
                throw new IllegalArgumentException("a coating weighs something on some area");
            }
        }
    }

    public static WaxCoating of(Question q) {
        Figure thickness = Figure.computed("thickness", "wax coating, mean", Measure.MILLIMETRE)
                .mark(Mark.P, "mass over area and density")
                .by(
                        THICKNESS,
                        Figure.given("after", "with its wax", q.afterG, Measure.GRAM, Known.MEASURED, 0),
                        Figure.given("before", "bare", q.beforeG, Measure.GRAM, Known.MEASURED, 0),
                        Figure.given("area", "area", q.areaCm2, Measure.SQUARE_CENTIMETRE, Known.COMPUTED, 0),
                        Figure.given("density", "density of wax", q.density, Measure.GRAM_PER_CM3, Known.COMPUTED, 0));
        Figure grows = Figure.computed("grows", "a measure across grows by", Measure.MILLIMETRE)
                .mark(Mark.P, "wax on both sides")
                .by(GROWS, thickness);
        return new WaxCoating(thickness, grows, findings(q, thickness.value()));
    }

    private static Findings findings(Question q, double mm) {
        List<Finding> found = new ArrayList<>();
        if (q.swells && mm < LEAST_ROUND_PLASTIC) {
            found.add(Finding.warn(
                    "coating-thin",
                    "coated_g",
                    String.format(Locale.ROOT, "The wax around it is %.2f mm on average.", mm),
                    "A plastic print swells before it flows; with no wax that runs out first it cracks the mold.",
                    "Dip or brush it to 0.3 mm or more, and weigh it again."));
        }
        if (mm > LOSES_DETAIL) {
            found.add(Finding.note(
                    "coating-thick",
                    "coated_g",
                    String.format(Locale.ROOT, "The wax is %.1f mm on average.", mm),
                    "Fine lines fill, edges round, and it is that much larger on every side.",
                    "Scrape it back where detail counts, or print the piece smaller by twice the coating."));
        }
        return new Findings(found);
    }
}
