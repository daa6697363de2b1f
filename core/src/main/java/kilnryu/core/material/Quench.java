package kilnryu.core.material;

/**
 * The temperatures of the button's face between which a casting goes into water (handbook 18). Hotter it bursts steam, and tears
 * where the alloy is hot short; colder the investment is dug out by hand.
 */
public enum Quench {
    /** Silver, and yellow gold of 14 to 22 kt. */
    PRECIOUS(400, 600),
    COPPER(300, 600),
    /** Hot short above about 400 C. */
    BRONZE(200, 400),
    BRASS(150, 350),
    ALUMINIUM(100, 250),
    /** Left in the air. */
    NEVER(Double.NaN, Double.NaN),
    /** Not tabled: its supplier's sheet says it. */
    UNTABLED(Double.NaN, Double.NaN);

    private final double low;
    private final double high;

    Quench(double low, double high) {
        this.low = low;
        this.high = high;
    }

    /** Whether there is a window. */
    public boolean isTabled() {
        return !Double.isNaN(low);
    }

    /** C of the button's face; NaN where there is no window. */
    public double low() {
        return low;
    }

    /** C of the button's face; NaN where there is no window. */
    public double high() {
        return high;
    }
}
