package kilnryu.core.kiln;

import kilnryu.core.heat.Medium;

/** What handbook 8 says of set investments and shells. */
public final class Setting {
    /** Set gypsum-bonded investment at 40 parts of water to 100. */
    public static final Medium GYPSUM = new Medium(1290, 900, 0.25, 440, 70, 1.0, 0.45, 0.10 / 600);

    /** Fired ceramic shell: no water to drive out. */
    public static final Medium SHELL = new Medium(1550, 900, 0.25, 0, 0, 0.9, 0.9, 0);

    /** Residue where nothing is known of the pattern, % of its mass. */
    public static final double UNKNOWN_RESIDUE = 1;

    private static final double HEMIHYDRATE = 30;
    private static final double TAKEN_UP = 0.186;

    private Setting() {}

    /**
     * Gypsum investment at another ratio: its free water by what the hemihydrate leaves, solids and bound water by how
     * much powder is in a m3 of mix.
     *
     * @param water parts to 100 of powder, over what the hemihydrate takes up
     * @param density true density of the powder, g/cm3
     */
    public static Medium gypsum(double water, double density) {
        return gypsum(water, density, HEMIHYDRATE);
    }

    /**
     * The same for a powder with more or less hemihydrate, as plaster and silica in equal parts.
     *
     * @param hemihydrate % of the powder
     */
    public static Medium gypsum(double water, double density, double hemihydrate) {
        double mix = 100 / density + water;
        double usual = 100 / 2.65 + 40;
        double free = Math.max(0, water - TAKEN_UP * hemihydrate) / mix * 1000;
        double share = usual / mix;
        return new Medium(
                GYPSUM.density() * share,
                GYPSUM.cp0(),
                GYPSUM.cp1(),
                free,
                GYPSUM.boundWater() * share * hemihydrate / HEMIHYDRATE,
                GYPSUM.kWet(),
                GYPSUM.kDry(),
                GYPSUM.kSlope());
    }

    /** A mold that has dried to so much of its free water before the kiln, 0 to 1; it leads heat less well, too. */
    public static Medium dried(Medium fresh, double share) {
        return new Medium(
                fresh.density(),
                fresh.cp0(),
                fresh.cp1(),
                fresh.freeWater() * share,
                fresh.boundWater(),
                fresh.kDry() + share * (fresh.kWet() - fresh.kDry()),
                fresh.kDry(),
                fresh.kSlope());
    }
}
