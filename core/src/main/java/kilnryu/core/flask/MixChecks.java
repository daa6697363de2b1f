package kilnryu.core.flask;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/** What stands against a mix. */
final class MixChecks {
    private static final double COOLEST_USUAL_C = 20;
    private static final double WARMEST_USUAL_C = 22;
    private static final double TWO_PEOPLE_G = 15_000;

    private MixChecks() {}

    static Findings check(Flask flask, Figure ratio, Figure working, Figure filled, Factors factors) {
        List<Finding> found = new ArrayList<>();
        flask.system().waterPer100().ifPresent(usual -> ratio(usual, ratio, found));
        double water = flask.water().map(t -> t.celsius()).orElse(FlaskPlanner.USUAL_WATER_C);
        working(water, working, factors, found);
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

    private static void working(double water, Figure working, Factors factors, List<Finding> found) {
        double needed = MixSchool.VACUUM.minutesToLastMove(factors);
        if (working.value() < needed) {
            found.add(Finding.stop(
                            "mix-too-short",
                            "water_C",
                            say(
                                    "At %.0f °C the mix can be worked %.1f min; mix, vacuum and pour take %.0f.",
                                    water, working.value(), needed),
                            "A mix moved after it begins to set breaks up and fins.",
                            "Use cooler water, 20 to 22 °C.")
                    .from(working));
        } else if (water < COOLEST_USUAL_C || water > WARMEST_USUAL_C) {
            found.add(Finding.warn(
                            "water-temperature",
                            "water_C",
                            say("The water is at %.0f °C; 20 to 22 is usual.", water),
                            water > WARMEST_USUAL_C
                                    ? "It sets sooner."
                                    : "It sets later; water may rise and leave streaks if moved too soon.",
                            "Bring the water to 21 °C, or watch the clock given here.")
                    .from(working));
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
