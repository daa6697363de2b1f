package kilnryu.core.material;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;
import org.jspecify.annotations.Nullable;

/**
 * Investments that fill a flask (handbook 2). Water to powder in parts per 100 by mass, true density of the powder in
 * g/cm3, highest temperature in C. A system whose ratio or density only its supplier or blend knows has none here, and
 * the plan asks for it.
 */
public enum InvestmentSystem {
    GYPSUM_JEWELRY("gypsum-jewelry", "gypsum-bonded jewelry investment", true, 750, 730, 30, 40, 38, 42, 2.65),
    GYPSUM_LARGE("gypsum-large", "gypsum-bonded investment for large flasks", true, 750, 730, 30, 38, 36, 42, 2.65),
    PLASTER_SILICA("plaster-silica", "plaster and silica 1:1, hand mixed", true, 750, 710, 50, 55, 45, 70, 2.63),
    SHOP_PLASTER("shop-plaster", "shop plaster with filler, own recipe", true, 700, 690, 50, 55, 45, 75, Double.NaN),
    PHOSPHATE(
            "phosphate",
            "phosphate-bonded, special liquid",
            false,
            1000,
            Double.NaN,
            0,
            Double.NaN,
            Double.NaN,
            Double.NaN,
            2.6);

    private final String key;
    private final String label;
    private final boolean gypsumBonded;
    private final double maxC;
    private final double burnoutC;
    private final double hemihydratePercent;
    private final @Nullable Constant waterPer100;
    private final @Nullable Constant density;

    InvestmentSystem(
            String key,
            String label,
            boolean gypsumBonded,
            double maxC,
            double burnoutC,
            double hemihydratePercent,
            double water,
            double waterLow,
            double waterHigh,
            double density) {
        this.key = key;
        this.label = label;
        this.gypsumBonded = gypsumBonded;
        this.maxC = maxC;
        this.burnoutC = burnoutC;
        this.hemihydratePercent = hemihydratePercent;
        this.waterPer100 = Double.isNaN(water)
                ? null
                : new Constant(
                        "system." + key + ".water",
                        "W",
                        "water per 100 powder, " + label,
                        water,
                        waterLow,
                        waterHigh,
                        Measure.PER_100,
                        Mark.T,
                        "handbook 2, investments");
        this.density = Double.isNaN(density)
                ? null
                : new Constant(
                        "system." + key + ".density",
                        "d",
                        "true density of the powder, " + label,
                        density,
                        density - 0.05,
                        density + 0.1,
                        Measure.GRAM_PER_CM3,
                        Mark.T,
                        "handbook 2, investments");
    }

    public static Optional<InvestmentSystem> named(String key) {
        return Arrays.stream(values()).filter(s -> s.key.equals(key)).findFirst();
    }

    public static List<Constant> constants() {
        return Arrays.stream(values())
                .flatMap(s -> Stream.of(s.waterPer100(), s.density()))
                .flatMap(Optional::stream)
                .toList();
    }

    public String key() {
        return key;
    }

    public String label() {
        return label;
    }

    /** Bound by gypsum or plaster, which decomposes: see {@link #maxC()} and the limits on metals. */
    public boolean gypsumBonded() {
        return gypsumBonded;
    }

    /** Highest temperature the mold may see, C. */
    public double maxC() {
        return maxC;
    }

    /** Usual burnout temperature, C; NaN where the supplier's sheet gives the program. */
    public double burnoutC() {
        return burnoutC;
    }

    /** Share of hemihydrate in the powder, % by mass; 0 where there is none. */
    public double hemihydratePercent() {
        return hemihydratePercent;
    }

    public Optional<Constant> waterPer100() {
        return Optional.ofNullable(waterPer100);
    }

    public Optional<Constant> density() {
        return Optional.ofNullable(density);
    }
}
