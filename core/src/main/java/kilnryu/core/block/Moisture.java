package kilnryu.core.block;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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
 * Dryness of a mold by its weight: what it has lost since it was filled against the water that was free to leave.
 *
 * @param left free water still inside, g
 * @param share of the free water, %
 * @param dry whether heat over 100 C may begin
 */
public record Moisture(Figure left, Figure share, boolean dry, Findings findings) {
    private static final Constant MOST = new Constant(
                    "moisture.most",
                    "asked",
                    "free water left before heat over 100 °C",
                    20,
                    5,
                    40,
                    Measure.PERCENT,
                    Mark.M,
                    "our own limit, handbook 5")
            .asChoice();
    private static final Formula LEFT = Formula.of("free_water - (filled - now)");
    private static final Formula SHARE = Formula.of("left / free_water * 100");
    /** A scale may show this much more than at first without the mold having drunk, g per kg. */
    private static final double SLACK = 2;

    private static final Formula FREE = Formula.of("powder * max(0, W - 0.186 * hemihydrate) / 100");

    /** Water of a mix that has to leave, g: what its plaster does not take up (handbook 8). */
    public static Figure freeWater(Figure powder, Figure waterPer100, double hemihydratePercent) {
        return Figure.computed("free_water", "water that has to leave", Measure.GRAM)
                .by(
                        FREE,
                        powder.as("powder"),
                        waterPer100.as("W"),
                        Figure.given(
                                "hemihydrate",
                                "plaster in the powder",
                                hemihydratePercent,
                                Measure.PERCENT,
                                Known.DEFAULT,
                                0));
    }

    /** The limit a studio may replace. */
    public static List<Constant> constants() {
        return List.of(MOST);
    }

    /**
     * @param freeWater planned, g
     * @param filled mass just after filling, g
     * @param now mass now, g
     */
    public static Moisture of(Figure freeWater, double filled, double now, Factors factors) {
        Figure left = Figure.computed("left", "free water still inside", Measure.GRAM)
                .by(LEFT, freeWater.as("free_water"), given("filled", "just filled", filled), given("now", "now", now));
        Figure share = Figure.computed("share", "of the free water", Measure.PERCENT)
                .by(SHARE, left, freeWater.as("free_water"));
        List<Finding> found = new ArrayList<>();
        double most = factors.value(MOST);
        boolean dry = share.value() <= most;
        if (now > filled * (1 + SLACK / 1000)) {
            found.add(Finding.warn(
                            "heavier",
                            "now_g",
                            say("It weighs %.0f g more than when it was filled.", now - filled),
                            "A mold does not gain weight: another mold, a board under it, or a wrong reading.",
                            "Weigh it again, bare, on the scale used at first.")
                    .from(left));
            dry = false;
        } else if (!dry) {
            found.add(Finding.stop(
                            "wet",
                            "now_g",
                            say("%.0f %% of the free water is still inside; at most %.0f.", share.value(), most),
                            "Heated while wet it cracks or spalls: the steam finds no way out.",
                            "Wait and weigh again; warm moving air under 60 °C helps.")
                    .from(share));
        }
        return new Moisture(left, share, dry, new Findings(found));
    }

    private static Figure given(String symbol, String name, double grams) {
        return Figure.given(symbol, name, grams, Measure.GRAM, Known.MEASURED, 0);
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
