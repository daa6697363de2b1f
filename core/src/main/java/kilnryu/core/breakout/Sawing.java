package kilnryu.core.breakout;

import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/** What a saw turns to chips when castings are cut off their tree: cuts x section x blade x density. */
public final class Sawing {
    private static final Formula CHIPS = Formula.rule("cuts * section / 100 * blade / 10 * density");

    private Sawing() {}

    /**
     * @param cuts how many
     * @param section of one gate, mm2
     * @param blade its thickness, mm
     * @param density of the metal, g/cm3
     * @throws IllegalArgumentException where one of them is not over 0
     */
    public static Figure chips(int cuts, double section, double blade, double density) {
        if (cuts <= 0 || !(section > 0) || !(blade > 0) || !(density > 0)) {
            throw new IllegalArgumentException("cuts, section, blade and density are over 0");
        }
        return Figure.computed("chips", "lost to the saw", Measure.GRAM)
                .by(
                        CHIPS,
                        Figure.given("cuts", "cuts", cuts, Measure.TIMES, Known.COMPUTED, 0),
                        Figure.given("section", "section of a gate, mm²", section, Measure.TIMES, Known.COMPUTED, 0),
                        Figure.given("blade", "blade", blade, Measure.MILLIMETRE, Known.CHOSEN, 0),
                        Figure.given("density", "density", density, Measure.GRAM_PER_CM3, Known.DEFAULT, 0));
    }
}
