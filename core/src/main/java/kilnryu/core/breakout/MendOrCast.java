package kilnryu.core.breakout;

import java.util.OptionalDouble;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * To mend a casting, or to cast it again (handbook 22): what each costs, in the studio's money, with the risk of each.
 *
 * @param mend hours x rate + filler + risk of spoiling it x what it is worth so far
 * @param again a further mold over the chance that it comes good
 * @param breakEven hours of mending at which both cost the same; under 0 where casting again is cheaper than the risk alone
 */
public record MendOrCast(Figure mend, Figure again, Figure breakEven) {
    private static final Formula MEND = Formula.rule("hours * rate + filler + risk / 100 * worth");
    private static final Formula AGAIN = Formula.rule("(cast + hours_cast * rate) / (good / 100)");
    private static final Formula EVEN = Formula.rule("(again - filler - risk / 100 * worth) / rate");
    private static final double LEAST_GOOD = 5;

    /**
     * @param hours of mending
     * @param rate money for an hour, over 0
     * @param filler money for rod, gas, solder
     * @param risk that mending spoils it, %
     * @param worth what has gone into the casting so far, money
     * @param cast what one more mold costs without hands: metal lost, investment, firing; money
     * @param castHours hands of one more mold
     * @param good chance that it comes good, %
     */
    public record Question(
            double hours,
            double rate,
            double filler,
            double risk,
            double worth,
            double cast,
            double castHours,
            double good) {
        public Question {
            if (!(rate > 0) || hours < 0 || risk < 0 || risk > 100 || good < 0 || good > 100) {
                throw new IllegalArgumentException(
                        "hours and shares are not under 0, shares not over 100, an hour costs");
            }
        }
    }

    public static MendOrCast of(Question q) {
        Figure rate = money("rate", "an hour of work", q.rate);
        Figure filler = money("filler", "filler, gas", q.filler);
        Figure worth = money("worth", "what went into it so far", q.worth);
        Figure risk = Figure.given("risk", "risk that mending spoils it", q.risk, Measure.PERCENT, Known.ESTIMATED, 0);
        Figure mend = Figure.computed("mend", "mending", Measure.TIMES)
                .mark(Mark.P, "handbook 22")
                .by(MEND, hours("hours", "hours of mending", q.hours), rate, filler, risk, worth);
        Figure again = Figure.computed("again", "casting again", Measure.TIMES)
                .mark(Mark.P, "handbook 22, 25: expected castings for a good one")
                .by(
                        AGAIN,
                        money("cast", "one more mold, without hands", q.cast),
                        hours("hours_cast", "hands of one more mold", q.castHours),
                        rate,
                        Figure.given(
                                "good",
                                "chance that it comes good",
                                Math.max(LEAST_GOOD, q.good),
                                Measure.PERCENT,
                                Known.COMPUTED,
                                0));
        Figure even = Figure.computed("even", "hours of mending at which both cost the same", Measure.HOUR)
                .by(EVEN, again, filler, risk, worth, rate);
        return new MendOrCast(mend, again, even);
    }

    private static Figure money(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, Measure.TIMES, Known.ESTIMATED, 0);
    }

    private static Figure hours(String symbol, String name, double value) {
        return Figure.given(symbol, name, value, Measure.HOUR, Known.ESTIMATED, 0);
    }

    public boolean mendingIsCheaper() {
        return mend.value() <= again.value();
    }

    /**
     * Days of each against a date, the longest of what is asked; empty where no date is set.
     *
     * @param days left until it is due
     * @param needed days that it takes
     */
    public static OptionalDouble late(OptionalDouble days, double needed) {
        return days.isEmpty() ? days : OptionalDouble.of(Math.max(0, needed - days.getAsDouble()));
    }
}
