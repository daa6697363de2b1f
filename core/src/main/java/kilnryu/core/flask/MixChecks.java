package kilnryu.core.flask;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Figure;

/** What stands against a mix, whatever the school. */
final class MixChecks {
    private static final double TWO_PEOPLE_G = 15_000;

    private MixChecks() {}

    static Findings check(Flask flask, Figure ratio, Figure filled) {
        List<Finding> found = new ArrayList<>();
        flask.system().waterPer100().ifPresent(usual -> ratio(usual, ratio, found));
        weight(filled, found);
        return new Findings(found);
    }

    private static void ratio(Constant usual, Figure ratio, List<Finding> found) {
        if (!usual.usual(ratio.value())) {
            boolean wet = ratio.value() > usual.high();
            found.add(Finding.warn(
                            "water-ratio",
                            "water_per_100",
                            say(
                                    "W/P %.0f is outside the usual %.0f to %.0f.",
                                    ratio.value(), usual.low(), usual.high()),
                            wet
                                    ? "Too much water: a weak mold that fins and a rough face."
                                    : "Too little water: it does not flow and traps bubbles.",
                            "Keep to the supplier's sheet; weigh both, never measure by cups.")
                    .from(ratio));
        }
    }

    private static void weight(Figure filled, List<Finding> found) {
        if (filled.value() > TWO_PEOPLE_G) {
            found.add(Finding.warn(
                            "lift",
                            "flask",
                            say("The filled flask is %.0f kg and the steel.", filled.value() / 1000),
                            "A wet or hot mold that slips hurts and is lost.",
                            "Two people or a hoist, path clear, place ready.")
                    .from(filled));
        }
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
