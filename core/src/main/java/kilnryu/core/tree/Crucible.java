package kilnryu.core.tree;

import static kilnryu.core.quantity.Measure.CUBIC_CENTIMETRE;
import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.PERCENT;
import static kilnryu.core.quantity.Measure.TIMES;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * The crucible of a studio and what it melts at once (handbook 8 and 10; part two, melt).
 *
 * @param capacity to the brim, cm3; empty where not said
 * @param rated mass it is made for, g; empty where not said
 */
public record Crucible(OptionalDouble capacity, OptionalDouble rated) {
    static final Constant FULL = new Constant(
                    "crucible.full",
                    "full",
                    "crucible filled with melt to",
                    85,
                    60,
                    95,
                    PERCENT,
                    Mark.T,
                    "handbook part two, crucible")
            .asChoice();
    static final Constant LOOSE = new Constant(
            "crucible.loose",
            "loose",
            "share of metal in a heap of cold pieces",
            50,
            35,
            70,
            PERCENT,
            Mark.M,
            "own estimate");

    private static final Formula MELT = Formula.of("charge / (alloy_density * (1 - shrinks / 100))");
    private static final Formula HEAP = Formula.of("charge / (alloy_density * loose / 100)");
    private static final Formula BY_VOLUME = Formula.of("melt / (capacity * full / 100)");
    private static final Formula BY_MASS = Formula.of("charge / rated");

    /** Whether anything is said of it. */
    public boolean known() {
        return capacity.isPresent() || rated.isPresent();
    }

    /** Volume of so much of the alloy when it is molten, cm3. */
    public static Figure melt(Alloy alloy, Figure charge, Factors factors) {
        double shrinks = Double.isNaN(alloy.volumeShrinkage()) ? 0 : alloy.volumeShrinkage();
        return Figure.computed("melt", "volume of the melt", CUBIC_CENTIMETRE)
                .by(
                        MELT,
                        charge.as("charge"),
                        factors.of(alloy.density()),
                        Figure.given("shrinks", "shrinkage as it freezes", shrinks, PERCENT, Known.DEFAULT, 0));
    }

    /** By what it is fullest, in crucibles: 1 is one melt that just goes in; empty where nothing is said of it. */
    public Optional<Figure> fill(Alloy alloy, Figure charge, Factors factors) {
        Optional<Figure> byVolume = capacity.isEmpty()
                ? Optional.empty()
                : Optional.of(Figure.computed("fill", "crucibles full, by volume", TIMES)
                        .by(
                                BY_VOLUME,
                                melt(alloy, charge, factors),
                                said("capacity", "crucible holds to the brim", capacity, CUBIC_CENTIMETRE),
                                factors.of(FULL)));
        Optional<Figure> byMass = rated.isEmpty()
                ? Optional.empty()
                : Optional.of(Figure.computed("fill", "crucibles full, by rated mass", TIMES)
                        .by(BY_MASS, charge.as("charge"), said("rated", "crucible is rated for", rated, GRAM)));
        return byVolume.isPresent()
                        && byMass.isPresent()
                        && byMass.get().value() > byVolume.get().value()
                ? byMass
                : byVolume.or(() -> byMass);
    }

    /** How many melts it takes at the least; a hair over is no second one. */
    public Optional<Integer> melts(Alloy alloy, Figure charge, Factors factors) {
        return fill(alloy, charge, factors).map(f -> (int) Math.max(1, Math.ceil(f.value() - 1e-9)));
    }

    /** What stands against melting the charge of one casting, which is poured in one go. */
    public Findings check(Alloy alloy, Figure charge, Factors factors) {
        List<Finding> found = new ArrayList<>();
        Optional<Figure> fill = fill(alloy, charge, factors);
        fill.filter(f -> f.value() > 1)
                .ifPresent(f -> found.add(Finding.stop(
                                "crucible",
                                "charge",
                                say(
                                        "The charge of %.1f kg is %.1f times what the crucible melts at once: %d melts.",
                                        charge.value() / 1000,
                                        f.value(),
                                        melts(alloy, charge, factors).orElseThrow()),
                                "A casting is filled in one pour; a second melt meets a skin and does not weld.",
                                "A larger crucible, two furnaces poured together, fewer pieces on the tree, or the piece in sections.")
                        .from(f)));
        Figure heap = Figure.computed("heap", "heap of the cold pieces", CUBIC_CENTIMETRE)
                .by(HEAP, charge.as("charge"), factors.of(alloy.density()), factors.of(LOOSE));
        if (found.isEmpty() && capacity.isPresent() && heap.value() > capacity.getAsDouble()) {
            found.add(Finding.note(
                            "crucible-heap",
                            "charge",
                            say(
                                    "Cold and loose the charge takes about %.0f cm³; the crucible holds %.0f.",
                                    heap.value(), capacity.getAsDouble()),
                            "Pieces that stand over the rim or wedge crack a crucible as they grow.",
                            "Charge it in turns as it melts, each warmed first; nothing damp goes into a melt.")
                    .from(heap));
        }
        return new Findings(found);
    }

    private static Figure said(String symbol, String name, OptionalDouble value, kilnryu.core.quantity.Measure unit) {
        return Figure.given(symbol, name, value.getAsDouble(), unit, Known.MEASURED, 0);
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
