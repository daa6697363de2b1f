package kilnryu.core.gating;

import java.util.List;
import java.util.stream.Stream;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Mark;

/** The limits a tree is judged by; a studio may replace each (handbook 3, 4, 5, 8, 10). */
final class GatingRules {
    static final Constant RISE =
            choice("rise", "rise", "modulus rises toward the feeder by", 10, 5, 25, Measure.PERCENT);
    static final Constant FEEDER = choice(
            "feeder.modulus", "feeder_rise", "feeder's modulus over what it feeds", 1.2, 1.1, 1.4, Measure.TIMES);
    static final Constant EFFICIENCY = typical(
            "feeder.efficiency", "efficiency", "share of a feeder that it can give", 17, 14, 20, Measure.PERCENT);
    static final Constant DISCHARGE =
            typical("discharge", "discharge", "discharge of a stream", 0.8, 0.6, 0.9, Measure.FRACTION);
    static final Constant HEAD =
            choice("head", "asked", "least metal head over the highest piece", 25, 15, 60, Measure.MILLIMETRE);
    static final Constant BUTTON = choice("button", "asked", "cup to the first piece", 10, 8, 20, Measure.MILLIMETRE);
    static final Constant GAP = choice("gap", "asked", "least gap between wax parts", 3, 3, 6, Measure.MILLIMETRE);
    static final Constant WEDGE =
            model("wedge", "asked", "sharpest angle of a joint, degrees", 35, 25, 45, Measure.TIMES);
    static final Constant DRAIN = typical("drain", "asked", "least drain for plastics", 6, 4, 10, Measure.MILLIMETRE);
    static final Constant TEAR = model("tear", "asked", "thick beside thin that tears", 3, 2.5, 4, Measure.TIMES);
    static final Constant TEAR_LENGTH =
            model("tear.length", "long", "length of a restrained thin wall, in thicknesses", 15, 10, 25, Measure.TIMES);
    static final Constant SLENDER =
            choice("core.slender", "asked", "core length in diameters without pins", 4, 3, 5, Measure.TIMES);
    static final Constant WAX_STRENGTH =
            model("wax.strength", "allowed", "pull that a wax joint bears", 0.15, 0.1, 0.3, Measure.MEGAPASCAL);
    static final Constant SHELL =
            model("shell.wet", "shell", "wet shell when it weighs most", 10, 7, 15, Measure.MILLIMETRE);
    static final Constant MOLD_DENSITY =
            model("mold.density", "mold_density", "dry investment", 1290, 1200, 1400, Measure.KG_PER_M3);

    static final Constant BY_HAND =
            typical("pour.hand", "usual", "poured by hand, small crucible", 0.25, 0.15, 0.4, Measure.KG_PER_SECOND);
    static final Constant BY_TONGS =
            typical("pour.tongs", "usual", "poured by hand, to 15 kg", 0.7, 0.4, 1, Measure.KG_PER_SECOND);
    static final Constant BY_LADLE =
            typical("pour.ladle", "usual", "poured by two people or ladle", 1.5, 1, 2, Measure.KG_PER_SECOND);
    static final Constant REACH =
            model("vacuum.reach", "reach", "vacuum is felt so far from the table", 150, 100, 200, Measure.MILLIMETRE);

    private static final Constant UNFED_COPPER = unfed("copper", 8, 6, 12);
    private static final Constant UNFED_ALUMINIUM = unfed("aluminium", 10, 6, 15);
    private static final Constant UNFED_PRECIOUS = unfed("precious", 4, 3, 6);
    private static final Constant UNFED_TIN = unfed("tin", 12, 8, 16);
    private static final Constant SHRINK_COPPER = shrink("copper alloys", 4.5);
    private static final Constant SHRINK_ALUMINIUM = shrink("aluminium", 6.5);
    private static final Constant SHRINK_SILVER = shrink("silver", 5);
    private static final Constant SHRINK_GOLD = shrink("gold", 5.5);
    private static final Constant SHRINK_TIN = shrink("tin", 2.8);
    private static final Constant SHRINK_ZINC = shrink("zinc", 4.7);

    private static final List<Constant> SHRINKS =
            List.of(SHRINK_COPPER, SHRINK_ALUMINIUM, SHRINK_SILVER, SHRINK_GOLD, SHRINK_TIN, SHRINK_ZINC);

    private GatingRules() {}

    static List<Constant> constants() {
        return Stream.concat(
                        GatingSchool.constants(),
                        Stream.of(
                                RISE,
                                FEEDER,
                                EFFICIENCY,
                                DISCHARGE,
                                HEAD,
                                BUTTON,
                                GAP,
                                WEDGE,
                                DRAIN,
                                TEAR,
                                TEAR_LENGTH,
                                SLENDER,
                                WAX_STRENGTH,
                                SHELL,
                                MOLD_DENSITY,
                                BY_HAND,
                                BY_TONGS,
                                BY_LADLE,
                                REACH,
                                UNFED_COPPER,
                                UNFED_ALUMINIUM,
                                UNFED_PRECIOUS,
                                UNFED_TIN,
                                SHRINK_COPPER,
                                SHRINK_ALUMINIUM,
                                SHRINK_SILVER,
                                SHRINK_GOLD,
                                SHRINK_TIN,
                                SHRINK_ZINC))
                .toList();
    }

    /** Thickest wall that casts sound without a feeder, mm. */
    static Constant unfed(Alloy alloy) {
        return switch (alloy.family()) {
            case ALUMINIUM -> UNFED_ALUMINIUM;
            case SILVER, GOLD -> UNFED_PRECIOUS;
            case TIN -> UNFED_TIN;
            default -> UNFED_COPPER;
        };
    }

    /** Shrinkage from liquid to solid, % by volume. */
    static Constant shrinkage(Alloy alloy) {
        return SHRINKS.stream()
                .filter(c -> c.value() == alloy.volumeShrinkage())
                .findFirst()
                .orElse(SHRINK_COPPER);
    }

    private static Constant unfed(String metal, double mm, double low, double high) {
        return model("unfed." + metal, "unfed", "thickest wall unfed, " + metal, mm, low, high, Measure.MILLIMETRE);
    }

    private static Constant shrink(String metal, double percent) {
        return new Constant(
                "shrink.volume." + metal.replace(' ', '-'),
                "shrinkage",
                "shrinkage from liquid to solid, " + metal,
                percent,
                percent * 0.8,
                percent * 1.2,
                Measure.PERCENT,
                Mark.T,
                "handbook 3, solidification shrinkage");
    }

    private static Constant choice(
            String key, String symbol, String name, double value, double low, double high, Measure unit) {
        return typical(key, symbol, name, value, low, high, unit).asChoice();
    }

    private static Constant typical(
            String key, String symbol, String name, double value, double low, double high, Measure unit) {
        return new Constant("gating." + key, symbol, name, value, low, high, unit, Mark.T, "handbook 4, 5 and 10");
    }

    private static Constant model(
            String key, String symbol, String name, double value, double low, double high, Measure unit) {
        return new Constant(
                "gating." + key, symbol, name, value, low, high, unit, Mark.M, "our own limit, handbook 10");
    }
}
