package kilnryu.core.rubber;

import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * How long rubber can be worked and how long it cures in a room: as its sheet says at 23 C, halved for each 10 K warmer
 * (handbook 27). The next coat goes on tacky: from when the last one no longer runs until it is cured.
 *
 * @param potLife min from the first drop of hardener
 * @param cured h until it may be pulled
 * @param earliest min after the mix at which the next coat may go on
 * @param latest min after the mix by which it has to
 */
public record Cure(Figure potLife, Figure cured, Figure earliest, Figure latest) {
    private static final Formula QUICKER = Formula.rule("at_23 * exp(ln(2) * (23 - room) / 10)");
    /** A coat no longer runs after twice its pot life, and is tacky until half of its cure is over; our own figures. */
    private static final Formula EARLIEST = Formula.of("2 * pot_life");

    private static final Formula LATEST = Formula.of("max(3 * pot_life, 30 * cured)");

    /**
     * @param potLifeMin its sheet's, at 23 C, over 0
     * @param cureH its sheet's, at 23 C, over 0
     */
    public static Cure of(double potLifeMin, double cureH, double roomC) {
        if (!(potLifeMin > 0) || !(cureH > 0)) {
            throw new IllegalArgumentException("rubber that has no time cannot be worked");
        }
        Figure pot = at("pot_life", "pot life", potLifeMin, Measure.MINUTE, roomC);
        Figure cured = at("cured", "cured after", cureH, Measure.HOUR, roomC);
        return new Cure(
                pot,
                cured,
                Figure.computed("earliest", "next coat from", Measure.MINUTE)
                        .mark(Mark.M, "ours: after twice the pot life it no longer runs")
                        .by(EARLIEST, pot),
                Figure.computed("latest", "next coat until", Measure.MINUTE)
                        .mark(Mark.M, "ours: tacky until half of its cure is over")
                        .by(LATEST, pot, cured));
    }

    private static Figure at(String symbol, String name, double value, Measure unit, double roomC) {
        return Figure.computed(symbol, name, unit)
                .mark(Mark.T, "handbook 27: halved for each 10 K warmer")
                .by(
                        QUICKER,
                        Figure.given("at_23", name + " at 23 °C", value, unit, Known.CHOSEN, 0),
                        Figure.given("room", "room", roomC, Measure.DEGREE_CELSIUS, Known.MEASURED, 0));
    }
}
