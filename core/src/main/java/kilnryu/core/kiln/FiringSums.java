package kilnryu.core.kiln;

import static kilnryu.core.quantity.Measure.DEGREE_CELSIUS;
import static kilnryu.core.quantity.Measure.KILOJOULE_PER_KELVIN;
import static kilnryu.core.quantity.Measure.KILOWATT;
import static kilnryu.core.quantity.Measure.KILOWATT_HOUR;
import static kilnryu.core.quantity.Measure.MINUTE;
import static kilnryu.core.quantity.Measure.PERCENT;
import static kilnryu.core.quantity.Measure.STEP_KELVIN;
import static kilnryu.core.quantity.Measure.TIMES;
import static kilnryu.core.quantity.Measure.WATT_PER_KELVIN;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Where the figures of a firing come from: what is arithmetic with its sum (handbook 8), what the simulation gives with what
 * it followed. Units as each figure says.
 */
public final class FiringSums {
    private static final String HANDBOOK = "handbook 8, from rated power, top temperature and one trial";
    private static final Formula COST = Formula.rule("energy * tariff");
    private static final Formula HOTTEST = Formula.of("1.15 * top");
    private static final Formula LOSS = Formula.rule("power * 1000 / (hottest - 20)");
    private static final Formula LINING =
            Formula.rule("loss * trial * 60 / ln((hottest - 20) / (hottest - 700)) / 1000");
    private static final Formula STEADY = Formula.rule("loss * (700 - 20) / 1000");

    private FiringSums() {}

    /** What a trial says of a kiln: where it would end empty at full power, what its wall lets out, what its lining takes. */
    public static List<Figure> of(double kilowatts, double maxC, double minutesTo700) {
        Figure hottest = Figure.computed("hottest", "where it would end, empty, at full power", DEGREE_CELSIUS)
                .mark(Mark.M, HANDBOOK)
                .by(HOTTEST, Figure.given("top", "top temperature", maxC, DEGREE_CELSIUS, Known.CHOSEN, 0));
        Figure loss = Figure.computed("loss", "through its wall", WATT_PER_KELVIN)
                .mark(Mark.M, HANDBOOK)
                .by(LOSS, Figure.given("power", "rated power", kilowatts, KILOWATT, Known.CHOSEN, 0), hottest);
        Figure lining = Figure.computed("lining", "what its lining takes", KILOJOULE_PER_KELVIN)
                .mark(Mark.M, HANDBOOK)
                .by(
                        LINING,
                        loss,
                        Figure.given("trial", "empty to 700 °C", minutesTo700, MINUTE, Known.MEASURED, 0),
                        hottest);
        Figure steady = Figure.computed("steady", "to hold 700 °C, empty", KILOWATT)
                .mark(Mark.M, HANDBOOK)
                .by(STEADY, loss);
        return List.of(hottest, loss, lining, steady);
    }

    /** What is foreseen of one mold. */
    public static List<Figure> of(Firing firing) {
        List<Figure> all = new ArrayList<>();
        double[] marks = {105, 400, 680};
        for (int i = 0; i < marks.length; i++) {
            OptionalDouble past = firing.past().get(i);
            String mark = String.valueOf(Math.round(marks[i]));
            if (past.isPresent()) {
                all.add(Figure.simulated(
                        "past_" + mark,
                        "slowest point past " + mark + " °C",
                        past.getAsDouble(),
                        MINUTE,
                        "conduction with boiling water through the mold, until its slowest point is past " + mark
                                + " °C"));
            }
        }
        all.add(Figure.simulated(
                "core_max", "slowest point at most", firing.most(), DEGREE_CELSIUS, "highest it comes to on the way"));
        all.add(Figure.simulated(
                "core_end", "slowest point at the end", firing.end(), DEGREE_CELSIUS, "when the program has finished"));
        all.add(Figure.simulated(
                "lag",
                "slowest point behind the kiln, at most",
                firing.lag(),
                STEP_KELVIN,
                "largest difference of kiln and slowest point at one time"));
        all.add(strain(firing.mismatch()));
        all.add(Figure.simulated(
                "residue",
                "char left",
                firing.residue(),
                PERCENT,
                "dX/dt = -A exp(-E / RT) X f at the slowest point, E 140 kJ/mol, 3 per hour at 700 °C"));
        firing.spent().ifPresent(s -> all.add(energy(s)));
        return all;
    }

    /** Largest difference of growth over a mold, %. */
    public static Figure strain(double percent) {
        return Figure.simulated(
                "strain",
                "largest difference of growth",
                percent,
                PERCENT,
                "growth of the investment at its hottest point less that at its coldest, at one time, by the curve of cristobalite");
    }

    /** Of the whole kiln, by where it went, kWh. */
    public static Figure energy(Firing.Spent spent) {
        return Figure.computed("energy", "energy of the firing", KILOWATT_HOUR)
                .mark(Mark.M, "simulated: the power drawn, summed over the firing, is what went here")
                .total(List.of(
                        Figure.simulated("wall", "through the wall", spent.wall(), KILOWATT_HOUR, "loss by time"),
                        Figure.simulated(
                                "lining", "kept in the lining at the end", spent.lining(), KILOWATT_HOUR, "as warmed"),
                        Figure.simulated(
                                "molds", "into molds and their water", spent.molds(), KILOWATT_HOUR, "as taken up")));
    }

    /**
     * What the energy of a firing costs, in the studio's money.
     *
     * @param tariff of a kWh
     * @param money its sign, empty where none is said
     */
    public static Figure cost(Figure energy, double tariff, String money) {
        return Figure.computed("cost", "cost of the firing" + (money.isEmpty() ? "" : ", " + money), TIMES)
                .mark(Mark.M, "energy by the simulation")
                .by(COST, energy, Figure.given("tariff", "a kWh costs", tariff, TIMES, Known.CHOSEN, 0));
    }
}
