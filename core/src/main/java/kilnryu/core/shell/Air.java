package kilnryu.core.shell;

import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * The air a shell dries in.
 *
 * @param celsius of a dry thermometer
 * @param humidity relative, %, 0 to 100
 * @param speed past the shell, m/s: 0.1 in a still room, 1 by a gentle fan, 3 by a strong one
 */
public record Air(double celsius, double humidity, double speed) {
    /** Below this the wet bulb is taken as no cooler than the air: nothing evaporates, K. */
    static final double LEAST_K = 0.05;

    /** Under it nothing is dipped: the binder gels badly and wax is brittle (handbook 6), C. */
    private static final double COLD_C = 10;

    /** Where the relation for the wet bulb was fitted, %. */
    static final double FITTED_FROM = 5;

    static final double FITTED_TO = 99;

    private static final Formula WET_BULB = Formula.rule("T * atan(0.151977 * sqrt(RH + 8.313659)) + atan(T + RH)"
            + " - atan(RH - 1.676331) + 0.00391838 * RH^1.5 * atan(0.023101 * RH) - 4.686035");
    private static final Formula TRANSFER = Formula.rule("6 + 10 * sqrt(v)");

    /**
     * Temperature of a wet thermometer, C, by the empirical relation of Stull (2011) in temperature and relative humidity
     * at sea level: good to 1 K between 5 and 99 % and -20 and 50 C. Saturated air has its own temperature.
     */
    Figure wetBulb() {
        Figure t = Figure.given("T", "air", celsius, Measure.DEGREE_CELSIUS, Known.MEASURED, 0);
        if (humidity > FITTED_TO) {
            return Figure.given(
                    "wet_bulb", "wet bulb, saturated air", celsius, Measure.DEGREE_CELSIUS, Known.COMPUTED, 0);
        }
        return Figure.computed("wet_bulb", "wet bulb", Measure.DEGREE_CELSIUS)
                .mark(Mark.P, "empirical relation of 2011, to 1 K")
                .by(WET_BULB, t, Figure.given("RH", "humidity", humidity, Measure.PERCENT, Known.MEASURED, 0));
    }

    /** Heat transfer to the shell, W/(m2 K) (handbook 6). */
    public Figure transfer() {
        return Figure.computed("transfer", "heat from the air", Measure.WATT_PER_M2_K)
                .mark(Mark.M, "handbook 6, drying")
                .by(TRANSFER, Figure.given("v", "air speed, m/s", speed, Measure.TIMES, Known.MEASURED, 0));
    }

    /** Water that leaves an open wet face, kg/(m2 h); 0 in saturated air. */
    public double flux() {
        double drop = celsius - wetBulb().value();
        return drop < LEAST_K ? 0 : transfer().value() * drop * 3600 / Drying.LATENT_J;
    }

    /** Whether it is too cold to dip in. */
    public boolean cold() {
        return celsius < COLD_C;
    }
}
