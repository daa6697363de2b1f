package kilnryu.core.stock;

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
import kilnryu.core.wax.Wax;

/**
 * How long a pressed rod lies in a cold place until it can be cut and handled. It counts as cold all through, which holds to
 * about 20 mm; air beside it carries 8 W/(m2 K), ours.
 *
 * @param chill s; empty where the cold place is not colder than what is wanted
 */
public record Chilling(Optional<Figure> chill, Findings findings) {
    private static final double AIR = 8;
    private static final Formula CHILL =
            Formula.of("rho * c * wide / 1000 / (4 * air) * ln((warm - cold) / (firm - cold))");
    private static final double SLENDER = 60;
    private static final double HARD_C = 18;

    /**
     * @param wideMm of the rod, over 0
     * @param lengthMm that is needed; empty where not said
     * @param warmC of the rod as it comes
     * @param coldC of the cold place
     * @param firmC at which it is firm: soft wax colder than hard
     */
    public record Question(Wax wax, double wideMm, OptionalDouble lengthMm, double warmC, double coldC, double firmC) {
        public Question {
            if (!(wideMm > 0)) {
                throw new IllegalArgumentException("a rod is thick");
            }
        }
    }

    public static Chilling of(Question q) {
        List<Finding> found = new ArrayList<>();
        if (q.lengthMm.isPresent() && q.lengthMm.getAsDouble() > SLENDER * q.wideMm) {
            found.add(Finding.note(
                    "rod-slender",
                    "length_mm",
                    String.format(
                            Locale.ROOT,
                            "%.0f mm of a rod of %.0f mm sag by their own weight.",
                            q.lengthMm.getAsDouble(),
                            q.wideMm),
                    "In one piece it is no longer where the plan has it.",
                    "Lay it on a flat cold plate, harder wax, or shorter pieces welded end to end."));
        }
        if (q.coldC >= q.firmC) {
            found.add(Finding.warn(
                    "place-warm",
                    "cold_C",
                    String.format(Locale.ROOT, "A place at %.0f °C never makes it %.0f °C.", q.coldC, q.firmC),
                    "It stays soft.",
                    "A colder place, or a harder wax."));
        } else if (q.coldC < 0 && q.firmC >= HARD_C) {
            found.add(Finding.note(
                    "place-cold",
                    "cold_C",
                    "Hard wax in a freezer cracks at its skin.",
                    "The crack opens as it is bent or welded.",
                    "A refrigerator or a cold plate is enough for hard wax; the freezer for soft."));
        }
        return new Chilling(chill(q), new Findings(found));
    }

    private static Optional<Figure> chill(Question q) {
        if (!(q.coldC < q.firmC && q.firmC < q.warmC)) {
            return Optional.empty();
        }
        return Optional.of(Figure.computed("chill", "in the cold until it is firm", Measure.SECONDS)
                .mark(Mark.M, "cooled by air all round, cold all through")
                .by(
                        CHILL,
                        given("rho", "density", q.wax.heat().rho(), Measure.KG_PER_M3),
                        given("c", "heat capacity", q.wax.heat().c(), Measure.JOULE_PER_KG_K),
                        given("wide", "rod", q.wideMm, Measure.MILLIMETRE),
                        given("air", "air on its face", AIR, Measure.WATT_PER_M2_K),
                        given("warm", "as it comes", q.warmC, Measure.DEGREE_CELSIUS),
                        given("cold", "cold place", q.coldC, Measure.DEGREE_CELSIUS),
                        given("firm", "firm at", q.firmC, Measure.DEGREE_CELSIUS)));
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.CHOSEN, 0);
    }
}
