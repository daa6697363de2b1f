package kilnryu.core.pour;

import java.util.List;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Mark;

/**
 * How quick the hands are, s.
 *
 * @param carry from the kiln to the pouring place
 * @param seat until it stands, is on the vacuum or in its sand, and can be poured
 * @param between one mold full and the stream over the next
 * @param skim from the furnace switched off to the first metal
 * @param together whether all molds of a pot stand ready before the first is poured, else each is taken out when it is
 *     wanted
 */
public record PourCrew(double carry, double seat, double between, double skim, boolean together) {
    public static final Constant CARRY = hand("pour.carry", "carry", "kiln to pouring place", 20, 5, 60);
    public static final Constant SEAT = hand("pour.seat", "seat", "set down and ready for metal", 15, 5, 60);
    public static final Constant BETWEEN = hand("pour.between", "between", "from one mold to the next", 12, 5, 40);
    static final Constant SKIM = hand("pour.skim", "skim", "skim and carry the pot", 40, 15, 120);

    public static List<Constant> constants() {
        return List.of(CARRY, SEAT, BETWEEN, SKIM);
    }

    public static PourCrew usual(Factors factors) {
        return new PourCrew(
                factors.value(CARRY), factors.value(SEAT), factors.value(BETWEEN), factors.value(SKIM), false);
    }

    private static Constant hand(String key, String symbol, String name, double value, double low, double high) {
        return new Constant(key, symbol, name, value, low, high, Measure.SECONDS, Mark.M, "own estimate").asChoice();
    }
}
