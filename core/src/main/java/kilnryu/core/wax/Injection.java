package kilnryu.core.wax;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * How long an injected pattern stays in its mold until the middle of its thickest place is set (handbook 27).
 *
 * @param setting s from the injection until it may be pulled
 * @param coefficient wall in the first second, mm for the root of a second
 */
public record Injection(Figure setting, Figure coefficient, Findings findings) {
    private static final Formula SETTING = Formula.of("1.3 * (thick / (2 * coefficient))^2");
    private static final double MOST_WARM = 10;

    /**
     * @param thickestMm of the pattern
     * @param pourC of the wax in the pot
     * @param moldC of the mold as it is injected
     */
    public record Question(Wax wax, double pourC, Heated mold, double moldC, double thickestMm) {
        public Question {
            if (!(thickestMm > 0)) {
                throw new IllegalArgumentException("a pattern is thick somewhere");
            }
        }
    }

    /**
     * @throws NeverFreezes in a mold as warm as the wax melts
     */
    public static Injection of(Question q, Factors factors) {
        Slush wall = Slush.of(
                new Slush.Question(
                        q.wax,
                        java.util.OptionalDouble.of(q.pourC),
                        q.mold,
                        q.moldC,
                        java.util.OptionalDouble.empty(),
                        q.thickestMm / 2,
                        1,
                        0,
                        java.util.OptionalDouble.empty(),
                        java.util.OptionalDouble.empty(),
                        java.util.OptionalDouble.empty()),
                factors);
        Figure coefficient = wall.coefficient().orElseThrow(() -> new NeverFreezes(wall.findings()));
        List<Finding> found = new ArrayList<>();
        wall.findings().all().stream().filter(f -> f.id().equals("wax-smokes")).forEach(found::add);
        if (q.pourC < q.wax.melts()) {
            found.add(Finding.stop(
                    "wax-cold",
                    "pour_C",
                    String.format(
                            Locale.ROOT, "Wax at %.0f °C is not liquid; it melts at %.0f °C.", q.pourC, q.wax.melts()),
                    "Nothing is injected.",
                    "Warm the pot to 2 to 8 K over its melting range."));
        } else if (q.pourC > q.wax.melts() + MOST_WARM && q.pourC <= Wax.SMOKES) {
            found.add(Finding.note(
                    "wax-hot",
                    "pour_C",
                    String.format(Locale.ROOT, "The wax is %.0f K over its melting.", q.pourC - q.wax.melts()),
                    "Hot wax shrinks more, sinks in thick places and flashes at the seam.",
                    "As cool as it still fills."));
        }
        return new Injection(
                Figure.computed("setting", "in the mold until it is set", Measure.SECONDS)
                        .mark(Mark.M, "handbook 27: half the thickest place, and 0.3 more")
                        .by(
                                SETTING,
                                Figure.given(
                                        "thick", "thickest place", q.thickestMm, Measure.MILLIMETRE, Known.CHOSEN, 0),
                                coefficient),
                coefficient,
                new Findings(found));
    }

    /** In this mold no wax freezes. */
    public static final class NeverFreezes extends RuntimeException {
        private static final long serialVersionUID = 1L;

        private final transient Findings findings;

        NeverFreezes(Findings findings) {
            super(findings.all().get(0).message());
            this.findings = findings;
        }

        public Findings findings() {
            return findings;
        }
    }
}
