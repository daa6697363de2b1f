package kilnryu.core.material;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;

/** Whether metal and mold are as hot as this alloy and its sections ask (handbook 2). */
public final class HeatChecks {
    private static final double HYDROGEN_C = 760;
    private static final double MUCH_HYDROGEN_C = 780;
    /** So far under the alloy's coolest mold is a finding, K. */
    private static final double FAR_K = 60;

    private HeatChecks() {}

    /** What is poured into what. */
    public record Pour(Alloy alloy, Section section, boolean shell, Optional<Figure> metal, Optional<Figure> mold) {}

    public static Findings check(Pour pour, Factors factors) {
        if (!pour.alloy.isTabled()) {
            return Findings.NONE;
        }
        List<Finding> found = new ArrayList<>();
        pour.metal.ifPresent(m -> metal(pour, m, factors, found));
        pour.mold.ifPresent(m -> mold(pour, m, found));
        return new Findings(found);
    }

    private static void metal(Pour pour, Figure metal, Factors factors, List<Finding> found) {
        Alloy alloy = pour.alloy;
        double c = metal.value();
        double liquidus = alloy.melting().liquidus();
        if (c <= liquidus) {
            found.add(Finding.stop(
                            "metal-not-molten",
                            "pour_C",
                            say("%.0f °C is under the liquidus of %s, %.0f °C.", c, alloy.label(), liquidus),
                            "It is not all liquid and does not run.",
                            usual(pour, factors))
                    .from(metal));
            return;
        }
        double least = liquidus + alloy.superheat().of(Section.HEAVY).low();
        if (c < least) {
            found.add(Finding.warn(
                            "metal-cold",
                            "pour_C",
                            say("%.0f K over the liquidus is little, even for heavy sections.", c - liquidus),
                            "It freezes on its way: misruns and cold shuts.",
                            usual(pour, factors))
                    .from(metal));
        }
        if (alloy.is(Alloy.Trait.TAKES_UP_HYDROGEN)) {
            hydrogen(metal, found);
        } else if (c > alloy.mostC()) {
            found.add(Finding.warn(
                            "metal-over-limit",
                            "pour_C",
                            say("%.0f °C is over what %s bears, %.0f °C.", c, alloy.label(), alloy.mostC()),
                            overheated(alloy),
                            usual(pour, factors))
                    .from(metal));
        }
    }

    private static String overheated(Alloy alloy) {
        if (alloy.is(Alloy.Trait.LEAD)) {
            return "Lead and zinc boil off: poisonous fume, and another alloy than planned.";
        }
        return alloy.is(Alloy.Trait.ZINC_BOILS)
                ? "Zinc boils off: fume fever, white smoke, and another alloy than planned."
                : "It takes up gas, attacks the mold and shrinks more: porous and rough.";
    }

    private static void hydrogen(Figure metal, List<Finding> found) {
        double c = metal.value();
        if (c <= HYDROGEN_C) {
            return;
        }
        found.add(Finding.warn(
                        "hydrogen",
                        "pour_C",
                        c > MUCH_HYDROGEN_C
                                ? say("Aluminium at %.0f °C takes up much hydrogen: well over 780 °C.", c)
                                : say("Aluminium at %.0f °C takes up hydrogen: over 760 °C.", c),
                        "It comes out as pinholes while it freezes.",
                        "Pour under 760 °C; dry tools and charge, no stirring, degas; warmer mold for thin walls.")
                .from(metal));
    }

    private static void mold(Pour pour, Figure mold, List<Finding> found) {
        Alloy.Preheat preheat = pour.alloy.preheat();
        double coolest = pour.shell ? preheat.shellHeavy() : preheat.flaskHeavy();
        double usual = pour.shell
                ? pour.section.shellTemperature(pour.alloy).map(Figure::value).orElse(Double.NaN)
                : pour.section.flaskTemperature(pour.alloy).map(Figure::value).orElse(Double.NaN);
        if (mold.value() < coolest - FAR_K) {
            found.add(Finding.warn(
                            "mold-far-too-cold",
                            "mold_C",
                            say(
                                    "A mold of %.0f °C is far under what %s is poured into, %.0f °C and up.",
                                    mold.value(), pour.alloy.label(), coolest),
                            "The metal freezes at the wall before the cavity is full.",
                            say("Pour into about %.0f °C for %s sections.", usual, pour.section.key()))
                    .from(mold));
        }
    }

    private static String usual(Pour pour, Factors factors) {
        return pour.section
                .pourTemperature(pour.alloy, factors)
                .map(p -> say("Usual for %s sections: %.0f °C.", pour.section.key(), p.value()))
                .orElse("Ask the supplier.");
    }

    private static String say(String words, Object... values) {
        return String.format(Locale.ROOT, words, values);
    }
}
