package kilnryu.core.kiln;

/** How investments with cristobalite grow, % of length from 20 C (handbook 8). */
final class Expansion {
    private static final double[] CELSIUS = {20, 200, 280, 550, 600};
    private static final double[] PERCENT = {0, 0.05, 0.75, 0.95, 1.15};

    private Expansion() {}

    static double percent(double celsius) {
        if (celsius <= CELSIUS[0]) {
            return 0;
        }
        for (int i = 1; i < CELSIUS.length; i++) {
            if (celsius <= CELSIUS[i]) {
                double share = (celsius - CELSIUS[i - 1]) / (CELSIUS[i] - CELSIUS[i - 1]);
                return PERCENT[i - 1] + share * (PERCENT[i] - PERCENT[i - 1]);
            }
        }
        return PERCENT[PERCENT.length - 1];
    }
}
