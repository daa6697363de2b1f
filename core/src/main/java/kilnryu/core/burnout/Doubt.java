package kilnryu.core.burnout;

import static kilnryu.core.quantity.Measure.MINUTE;
import static kilnryu.core.quantity.Measure.TIMES;

import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Mark;

/**
 * How far a simulated time may be off, by what it was told of the mold. A drying or soaking front goes as its water over its
 * conductivity, so to first order a time is in proportion to water, to 1 / conductivity and to how true the kiln reads; each
 * is 1 with the spread of what is usual [M]: ratio of water 38 to 42, conductivity a fifth, a thermocouple some 10 K.
 */
final class Doubt {
    private static final Formula TIME = Formula.of("simulated * water / conductivity * kiln");
    private static final Figure WATER = share("water", "its water against the plan's", 0.06);
    private static final Figure CONDUCTIVITY = share("conductivity", "its conductivity against the model's", 0.2);
    private static final Figure KILN = share("kiln", "the kiln's heat against what it reads", 0.06);

    private Doubt() {}

    /** Minutes of the simulation, with the spread of its inputs. */
    static Figure of(String what, double minutes) {
        return Figure.computed("needed", what, MINUTE)
                .mark(Mark.M, "simulated; its spread to first order from water, conductivity and kiln")
                .by(
                        TIME,
                        Figure.simulated(
                                "simulated", what + ", as simulated", minutes, MINUTE, "handbook 8's conduction"),
                        WATER,
                        CONDUCTIVITY,
                        KILN);
    }

    private static Figure share(String symbol, String name, double half) {
        return Figure.of(new Constant(
                "doubt." + symbol,
                symbol,
                name,
                1,
                1 - half,
                1 + half,
                TIMES,
                Mark.M,
                "our own estimate, of the shop's usual"));
    }
}
