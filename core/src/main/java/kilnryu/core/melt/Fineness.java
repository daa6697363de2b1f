package kilnryu.core.melt;

import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.PERCENT;

import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/** The simple sums beside the program (handbook 16): raising and lowering fineness, an element for a bronze of x %. */
public final class Fineness {
    private static final Formula RAISE = Formula.of("m * (F - f) / (100 - F)");
    private static final Formula LOWER = Formula.of("m * (f - F) / F");
    private static final Formula SHARE = Formula.of("m * x / 100");
    private static final Formula REST = Formula.of("m - part");

    private Fineness() {}

    /**
     * Fine metal to add so that a mass becomes finer, g.
     *
     * @param mass g
     * @param has fineness it has, %
     * @param wanted fineness it shall have, over what it has and under 100, %
     * @throws IllegalArgumentException when it is not
     */
    public static Figure fineToAdd(double mass, double has, double wanted) {
        if (!(mass > 0 && has >= 0 && has <= wanted && wanted < 100)) {
            throw new IllegalArgumentException("Fine metal raises fineness, to less than 100 %.");
        }
        return Figure.computed("fine", "fine metal to add", GRAM)
                .by(RAISE, mass(mass), share("f", "fineness it has", has), share("F", "fineness wanted", wanted));
    }

    /**
     * Alloy metal to add so that a mass becomes less fine, g; ranges as {@link #fineToAdd}, the other way round.
     *
     * @throws IllegalArgumentException when it would have to become finer
     */
    public static Figure alloyToAdd(double mass, double has, double wanted) {
        if (!(mass > 0 && wanted > 0 && has >= wanted && has <= 100)) {
            throw new IllegalArgumentException("Alloy metal lowers fineness, to more than 0 %.");
        }
        return Figure.computed("alloy", "alloy metal to add", GRAM)
                .by(LOWER, mass(mass), share("f", "fineness it has", has), share("F", "fineness wanted", wanted));
    }

    /** The element of a bronze of x %, as tin of 10 %, g. */
    public static Figure part(double mass, double percent, String element) {
        if (!(mass > 0 && percent >= 0 && percent <= 100)) {
            throw new IllegalArgumentException("A share is between 0 and 100 %.");
        }
        return Figure.computed("part", element, GRAM).by(SHARE, mass(mass), share("x", "share of " + element, percent));
    }

    /** And the rest of it, as copper, g. */
    public static Figure rest(double mass, Figure part, String element) {
        return Figure.computed("rest", element, GRAM).by(REST, mass(mass), part);
    }

    private static Figure mass(double grams) {
        return Figure.given("m", "metal", grams, GRAM, Known.MEASURED, 0);
    }

    private static Figure share(String symbol, String name, double percent) {
        return Figure.given(symbol, name, percent, PERCENT, Known.CHOSEN, 0);
    }
}
