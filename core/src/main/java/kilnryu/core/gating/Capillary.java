package kilnryu.core.gating;

import static kilnryu.core.gating.FeedChecks.words;
import static kilnryu.core.gating.GatingPlanner.place;

import java.util.List;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Mark;

/**
 * Whether melt enters a gap at all: against 2 sigma / t, without wetting; metal's head, and what the vacuum gives where it
 * reaches, have to be over it (handbook 2).
 */
final class Capillary {
    private static final Formula AGAINST = Formula.rule("2 * sigma / wall");
    private static final Formula BY_HEAD = Formula.rule("0.9 * alloy_density * 9.81 * head / 1000");
    private static final Formula WITH_VACUUM =
            Formula.rule("0.9 * alloy_density * 9.81 * head / 1000 + vacuum * max(0, 1 - away / reach)");
    /** Below the tree there is still so much mold, mm. */
    static final double BELOW = 15;

    private Capillary() {}

    static void check(GatingPlanner.Sight sight, Member piece, List<Finding> found) {
        GatingQuestion q = sight.question();
        boolean known = piece.form() instanceof Form.Body b && b.walls().isPresent();
        if (!known || Double.isNaN(q.alloy().surfaceTension())) {
            return;
        }
        double wall = ((Form.Body) piece.form()).walls().orElseThrow().thinnest();
        Figure against = Figure.computed("against", "pressure a wall of " + piece.name() + " asks", Measure.KILOPASCAL)
                .mark(Mark.P, "handbook 2, no wetting")
                .by(AGAINST, sigma(q), Modulus.mm("wall", "thinnest wall", wall));
        Placing.Single one = sight.placing().of(piece).get(0);
        Figure head = Modulus.mm(
                "head", "rim to the middle of " + piece.name(), Math.max(0, -(one.top() + one.bottom()) / 2));
        Figure density = q.factors().of(q.alloy().density());
        Optional<Figure> vacuum = q.vacuum();
        Figure has = vacuum.map(v -> Figure.computed("has", "head and vacuum", Measure.KILOPASCAL)
                        .mark(Mark.M, "handbook 2, the vacuum's reach is our own estimate")
                        .by(
                                WITH_VACUUM,
                                density,
                                head,
                                v.as("vacuum"),
                                Modulus.mm(
                                        "away",
                                        "from the table",
                                        one.bottom() + sight.placing().depth() + BELOW),
                                sight.of(GatingRules.REACH)))
                .orElseGet(
                        () -> Figure.computed("has", "head", Measure.KILOPASCAL).by(BY_HEAD, density, head));
        if (has.value() >= against.value()) {
            return;
        }
        boolean later = vacuum.isEmpty() && q.school().drawsGas();
        String message = later
                ? words(
                        "A wall of %.2f mm of %s is entered only against %.1f kPa; the metal's head gives %.1f. The vacuum has to give the rest: not yet judged.",
                        wall, piece.name(), against.value(), has.value())
                : words(
                        "A wall of %.2f mm of %s is entered only against %.1f kPa; head%s give %.1f.",
                        wall, piece.name(), against.value(), vacuum.isPresent() ? " and vacuum" : "", has.value());
        String reason = "The skin of the melt holds it back, however hot it is: the edge stays open.";
        String remedy = later
                ? words(
                        "Say the gauge of the table; at least %.0f kPa vacuum where the piece is.",
                        Math.ceil(against.value() - has.value()))
                : "A thicker edge, more head over it, or vacuum with the piece near the table.";
        found.add((later
                        ? Finding.note("capillary." + piece.key(), place(piece), message, reason, remedy)
                        : Finding.warn("capillary." + piece.key(), place(piece), message, reason, remedy))
                .from(against));
    }

    private static Figure sigma(GatingQuestion q) {
        Constant row = new Constant(
                "sigma",
                "sigma",
                "surface tension of " + q.alloy().label() + ", N/m",
                q.alloy().surfaceTension(),
                q.alloy().surfaceTension(),
                q.alloy().surfaceTension(),
                Measure.TIMES,
                Mark.T,
                "handbook 2, surface tension");
        return Figure.of(row);
    }
}
