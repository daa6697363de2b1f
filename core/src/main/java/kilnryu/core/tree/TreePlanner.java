package kilnryu.core.tree;

import static kilnryu.core.quantity.Measure.CUBIC_CENTIMETRE;
import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.PERCENT;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Plans the metal of a tree by handbook 3: volumes from the parts, metal by volume beside the simple ratio rule, and
 * the charge with melt loss, reserve and heel.
 */
public final class TreePlanner {
    public static final Constant RESERVE = new Constant(
                    "reserve", "reserve_share", "spill reserve", 10, 5, 20, PERCENT, Mark.T, "handbook 3, charge")
            .asChoice();
    static final Constant LEAST_RESERVE = new Constant(
                    "reserve.least", "least", "least reserve", 15, 10, 30, GRAM, Mark.T, "handbook 3, charge")
            .asChoice();

    static final Constant LEAST_YIELD = new Constant(
                    "yield.least",
                    "asked",
                    "least share of the pieces in the metal",
                    35,
                    25,
                    60,
                    PERCENT,
                    Mark.T,
                    "handbook 10, feeding")
            .asChoice();

    private static final Formula METAL = Formula.of("tree * alloy_density");
    private static final Formula RATIO = Formula.of("pattern * alloy_density / density");
    private static final Formula RESERVE_MASS = Formula.of("max(reserve_share / 100 * cavity, least)");
    private static final Formula CHARGE = Formula.of("cavity / (1 - loss / 100) + reserve + heel");
    private static final Formula YIELD = Formula.of("pieces * alloy_density / cavity * 100");

    private final Factors factors;

    public TreePlanner(Factors factors) {
        this.factors = factors;
    }

    public static List<Constant> constants() {
        return List.of(RESERVE, LEAST_RESERVE, LEAST_YIELD, Crucible.FULL, Crucible.LOOSE);
    }

    /**
     * @throws ImpossiblePart when the parts contradict each other: tare over the first weighed part,
     *     wall heavier than its print, infill of nothing
     */
    public TreePlan plan(Tree tree) {
        List<PartSums> parts = partSums(tree);
        Figure volume = Figure.computed("tree", "volume of the tree", CUBIC_CENTIMETRE)
                .total(parts.stream().map(PartSums::volume).toList());
        Figure pattern = Figure.computed("pattern", "mass of the pattern", GRAM)
                .total(parts.stream().map(PartSums::mass).toList());
        Figure alloyDensity = factors.of(tree.alloy().density());
        Figure cavity = Figure.computed("cavity", "metal in the cavity", GRAM).by(METAL, volume, alloyDensity);
        Figure reserve = Figure.computed("reserve", "spill reserve", GRAM)
                .by(RESERVE_MASS, reserveShare(tree), cavity, factors.of(LEAST_RESERVE));
        Figure charge =
                Figure.computed("charge", "charge to melt", GRAM).by(CHARGE, cavity, loss(tree), reserve, heel(tree));
        Optional<Figure> ratio = ratioRule(tree, pattern, alloyDensity);
        Optional<Figure> share = yieldOf(parts, alloyDensity, cavity);
        Findings findings = TreeChecks.check(tree, charge, factors).and(TreeChecks.yield(share, factors));
        List<Figure> volumes = parts.stream().map(PartSums::volume).toList();
        return new TreePlan(tree, volumes, volume, pattern, cavity, ratio, reserve, charge, share, findings);
    }

    private List<PartSums> partSums(Tree tree) {
        int tared = taredPart(tree);
        List<PartSums> sums = new ArrayList<>();
        for (int i = 0; i < tree.parts().size(); i++) {
            Optional<Mass> tare = i == tared ? tree.tare() : Optional.empty();
            sums.add(PartSums.of(i, tree.parts().get(i), tare, factors));
        }
        return sums;
    }

    private static int taredPart(Tree tree) {
        if (tree.tare().isEmpty()) {
            return -1;
        }
        for (int i = 0; i < tree.parts().size(); i++) {
            if (tree.parts().get(i).amount() instanceof Amount.Weighed weighed) {
                if (tree.tare().get().compareTo(weighed.mass()) >= 0) {
                    throw new ImpossiblePart(
                            -1, "tare", "The tare is not less than the first weighed part it is taken off.");
                }
                return i;
            }
        }
        return -1;
    }

    private Figure loss(Tree tree) {
        Constant usual = tree.alloy().family().meltLoss();
        return tree.meltLossPercent().isPresent()
                ? chosen("loss", "melt loss", tree.meltLossPercent().getAsDouble(), PERCENT)
                : factors.of(usual);
    }

    private Figure reserveShare(Tree tree) {
        return tree.reservePercent().isPresent()
                ? chosen("reserve_share", "spill reserve", tree.reservePercent().getAsDouble(), PERCENT)
                : factors.of(RESERVE);
    }

    private static Figure heel(Tree tree) {
        return chosen(
                "heel",
                "heel left in the crucible",
                tree.heel().map(Mass::grams).orElse(0.0),
                GRAM);
    }

    private Optional<Figure> ratioRule(Tree tree, Figure pattern, Figure alloyDensity) {
        long materials = tree.parts().stream()
                .flatMap(p -> java.util.stream.Stream.concat(
                        java.util.stream.Stream.of(p.material()),
                        p.coat().stream().map(Coat::material)))
                .distinct()
                .count();
        if (materials != 1) {
            return Optional.empty();
        }
        Figure density = factors.of(tree.parts().get(0).material().density());
        return Optional.of(Figure.computed("ratio_rule", "metal by the simple ratio", GRAM)
                .mark(Mark.P, "pattern mass times the ratio of densities; right only for solid patterns")
                .by(RATIO, pattern, alloyDensity, density));
    }

    private static Optional<Figure> yieldOf(List<PartSums> parts, Figure alloyDensity, Figure cavity) {
        List<Figure> pieces = parts.stream()
                .filter(p -> p.part().role() == Part.Role.PIECE)
                .map(PartSums::volume)
                .toList();
        if (pieces.isEmpty()) {
            return Optional.empty();
        }
        Figure volume = Figure.computed("pieces", "volume of the pieces", CUBIC_CENTIMETRE)
                .total(pieces);
        return Optional.of(Figure.computed("yield", "yield", PERCENT).by(YIELD, volume, alloyDensity, cavity));
    }

    private static Figure chosen(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.CHOSEN, 0);
    }
}
