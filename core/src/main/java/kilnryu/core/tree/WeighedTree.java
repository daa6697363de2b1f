package kilnryu.core.tree;

import static kilnryu.core.quantity.Measure.GRAM;

import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Mass;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * A finished tree on the scale. What it weighs over its plan is taken as wax of joints and fillets, of the gating's
 * material; with one material for all this is the same as the ratio of the masses.
 *
 * @param cavity g of metal in the cavity by the scale
 * @param charge g to melt by the scale
 */
public record WeighedTree(Figure cavity, Figure charge, Findings findings) {
    private static final double AGREES = 0.05;
    private static final Formula CAVITY = Formula.of("planned + (weighed - pattern) / density * alloy_density");
    private static final Formula CHARGE = Formula.of("planned_charge + (cavity - planned) / (1 - loss / 100)");

    /** A tree of a plan, weighed without base, hook or handle. */
    public static WeighedTree of(TreePlan plan, Mass weighed, Factors factors) {
        PatternMaterial wax = plan.tree().parts().stream()
                .filter(p -> p.role() == Part.Role.GATING)
                .map(Part::material)
                .findFirst()
                .orElse(plan.tree().parts().get(0).material());
        Figure onScale = Figure.given("weighed", "the finished tree", weighed.grams(), GRAM, Known.MEASURED, 0);
        Figure cavity = Figure.computed("cavity", "metal by the weighed tree", GRAM)
                .mark(Mark.P, "more or less than planned is wax of the gating")
                .by(
                        CAVITY,
                        plan.cavityMetal().as("planned"),
                        onScale,
                        plan.patternMass().as("pattern"),
                        factors.of(wax.density()),
                        factors.of(plan.tree().alloy().density()));
        Figure loss = plan.charge().inputs().stream()
                .filter(f -> f.symbol().equals("loss"))
                .findFirst()
                .orElseThrow();
        Figure charge = Figure.computed("charge", "charge by the weighed tree", GRAM)
                .by(
                        CHARGE,
                        plan.charge().as("planned_charge"),
                        cavity,
                        plan.cavityMetal().as("planned"),
                        loss);
        double off = weighed.grams() / plan.patternMass().value() - 1;
        Findings findings = Math.abs(off) <= AGREES
                ? Findings.NONE
                : new Findings(List.of(Finding.warn(
                                "weighed-off",
                                "weighed",
                                String.format(
                                        Locale.ROOT,
                                        "The finished tree weighs %.0f %% %s than planned.",
                                        Math.abs(off) * 100,
                                        off > 0 ? "more" : "less"),
                                off > 0
                                        ? "Thick joints, a base left on, or a part that is not in the list."
                                        : "A part is missing, thinner than listed, or the scale is off.",
                                "Look it over; the charge follows the scale.")
                        .from(cavity)));
        return new WeighedTree(cavity, charge, findings);
    }
}
