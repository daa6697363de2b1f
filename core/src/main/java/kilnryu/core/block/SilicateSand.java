package kilnryu.core.block;

import static kilnryu.core.quantity.Measure.CUBIC_CENTIMETRE;
import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.MILLIMETRE;
import static kilnryu.core.quantity.Measure.PERCENT;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * Sand bound by sodium silicate, rammed round a pattern or into a core box: percent by mass to grams.
 *
 * @param volume to be filled, cm3
 * @param sand g
 * @param silicate solution, g
 * @param hardener g, empty where gas or warmth hardens it
 * @param packed mass of the mold as rammed, g
 * @param freeWater of the solution that has to leave, g
 */
public record SilicateSand(
        Figure volume,
        Figure sand,
        Figure silicate,
        Optional<Figure> hardener,
        Figure packed,
        Figure freeWater,
        Findings findings) {
    private static final String TRADE = "usual in sand work; the supplier's sheet wins";
    private static final Constant SHARE =
            new Constant("sand.silicate", "share", "silicate on the sand", 4, 3, 6, PERCENT, Mark.T, TRADE);
    private static final Constant DENSITY =
            new Constant("sand.packed", "d", "sand as rammed", 1.6, 1.45, 1.75, Measure.GRAM_PER_CM3, Mark.T, TRADE);
    private static final Constant ESTER =
            new Constant("sand.ester", "ester", "ester hardener on the silicate", 10, 8, 12, PERCENT, Mark.T, TRADE);
    private static final Constant WATER =
            new Constant("sand.water", "water", "water in the silicate solution", 56, 50, 65, PERCENT, Mark.T, TRADE);
    private static final Constant GAS_REACH = new Constant(
            "sand.gas-reach",
            "asked",
            "depth that gas hardens from a hole",
            50,
            30,
            80,
            MILLIMETRE,
            Mark.M,
            "our own estimate");

    private static final Formula VOLUME = Formula.of("(l * w * h / 1000 - pattern) * (1 + spare / 100)");
    private static final Formula SAND = Formula.of("volume * d / (1 + share / 100)");
    private static final Formula SILICATE = Formula.of("sand * share / 100");
    private static final Formula HARDENER = Formula.of("silicate * ester / 100");
    private static final Formula PACKED = Formula.of("volume * d");
    private static final Formula FREE = Formula.of("silicate * water / 100");

    /** How the bond is made. */
    public enum Hardening {
        GAS("gas", "carbon dioxide through it"),
        ESTER("ester", "ester mixed in"),
        WARM("warm", "warmth, 100 to 150 °C");

        private final String key;
        private final String label;

        Hardening(String key, String label) {
            this.key = key;
            this.label = label;
        }

        public static Optional<Hardening> named(String key) {
            return Arrays.stream(values()).filter(h -> h.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }
    }

    /**
     * What is to be rammed.
     *
     * @param length of the box inside, mm
     * @param width mm
     * @param height mm
     * @param pattern volume inside it that stays free, cm3
     * @param share silicate on the sand, %; empty for the usual
     * @param density as rammed, g/cm3; empty for the usual
     * @param spare more than the box holds, %
     * @param frozen whether the rammed mold is frozen before it is hardened
     */
    public record Question(
            double length,
            double width,
            double height,
            double pattern,
            OptionalDouble share,
            OptionalDouble density,
            double spare,
            Hardening hardening,
            boolean frozen) {
        double least() {
            return Math.min(length, Math.min(width, height));
        }
    }

    public static List<Constant> constants() {
        return List.of(SHARE, DENSITY, ESTER, WATER, GAS_REACH);
    }

    /** @throws ImpossibleBlock when the pattern is larger than the box */
    public static SilicateSand of(Question q, Factors factors) {
        if (q.pattern >= q.length * q.width * q.height / 1000) {
            throw new ImpossibleBlock("pattern_cm3", "The pattern is larger than the box.");
        }
        Figure share = chosen(q.share, SHARE, factors);
        Figure density = chosen(q.density, DENSITY, factors);
        Figure volume = Figure.computed("volume", "sand to be rammed", CUBIC_CENTIMETRE)
                .by(
                        VOLUME,
                        given("l", "box, long", q.length, MILLIMETRE),
                        given("w", "box, wide", q.width, MILLIMETRE),
                        given("h", "box, high", q.height, MILLIMETRE),
                        given("pattern", "pattern", q.pattern, CUBIC_CENTIMETRE),
                        given("spare", "spare", q.spare, PERCENT));
        Figure sand = Figure.computed("sand", "sand", GRAM).by(SAND, volume, density, share);
        Figure silicate = Figure.computed("silicate", "silicate solution", GRAM).by(SILICATE, sand, share);
        Optional<Figure> hardener = q.hardening == Hardening.ESTER
                ? Optional.of(Figure.computed("hardener", "ester", GRAM).by(HARDENER, silicate, factors.of(ESTER)))
                : Optional.empty();
        return new SilicateSand(
                volume,
                sand,
                silicate,
                hardener,
                Figure.computed("packed", "as rammed", GRAM).by(PACKED, volume, density),
                Figure.computed("free_water", "water that has to leave", GRAM).by(FREE, silicate, factors.of(WATER)),
                new Findings(findings(q, share, volume, factors)));
    }

    private static Figure chosen(OptionalDouble typed, Constant usual, Factors factors) {
        return typed.isPresent()
                ? Figure.given(usual.symbol(), usual.name(), typed.getAsDouble(), usual.unit(), Known.CHOSEN, 0)
                : factors.of(usual);
    }

    private static List<Finding> findings(Question q, Figure share, Figure volume, Factors factors) {
        List<Finding> found = new ArrayList<>();
        if (!SHARE.usual(share.value())) {
            boolean much = share.value() > SHARE.high();
            found.add(Finding.warn(
                            "silicate-share",
                            "silicate_pct",
                            say("%.1f %% silicate; 3 to 6 is usual.", share.value()),
                            much
                                    ? "Too much: it gives off steam, sticks to the metal and is hard to break out."
                                    : "Too little: edges crumble and grains wash into the metal.",
                            "4 % on dry, clean, rounded sand.")
                    .from(share));
        }
        double reach = factors.value(GAS_REACH);
        if (q.hardening == Hardening.GAS && q.least() > 2 * reach) {
            found.add(Finding.warn(
                            "gas-reach",
                            "harden",
                            say(
                                    "The box is %.0f mm through; gas hardens about %.0f mm round a hole.",
                                    q.least(), reach),
                            "The middle stays soft and collapses, or steams under the metal.",
                            say("Holes with a wire every %.0f mm, gas each until warm; or ester.", 2 * reach))
                    .from(volume));
        }
        if (q.frozen) {
            found.add(Finding.note(
                            "frozen",
                            "freeze_h",
                            "Frozen it only holds its shape: it is not set.",
                            "Ice bridges the grains while the pattern is drawn; thawed without the bond it slumps.",
                            "Harden as planned right after, then thaw and dry to constant weight before any heat.")
                    .from(volume));
        }
        return found;
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.MEASURED, 0);
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
