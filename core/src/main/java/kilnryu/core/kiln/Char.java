package kilnryu.core.kiln;

/** What burns away of the residue that a pattern leaves (handbook 8): first order, by Arrhenius, with air or without. */
final class Char {
    private static final double ENERGY = 140_000;
    private static final double GAS = 8.314462618;
    private static final double AT_700_PER_S = 3.0 / 3600;
    private static final double KELVIN_700 = 973.15;

    private Char() {}

    /** Rate, 1/s; {@code air} is 1 with air and 0.3 in a closed kiln. */
    static double rate(double celsius, double air) {
        double k = celsius + 273.15;
        return AT_700_PER_S * Math.exp(-ENERGY / GAS * (1 / k - 1 / KELVIN_700)) * air;
    }
}
