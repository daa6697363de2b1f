package kilnryu.core.flask;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.sum.Figure;

/** Whether a metal may be poured into a mold at all (handbook 2). */
public final class MoldChecks {
    private static final double GYPSUM_USUAL_TO_C = 1200;
    private static final double GYPSUM_NEVER_OVER_C = 1300;
    /** Shop plaster is for aluminium, zinc and pewter. */
    private static final double SHOP_PLASTER_TO_C = 850;

    private MoldChecks() {}

    /**
     * @param pour temperature of the metal, C; empty where the alloy's melting range is not tabled
     * @param moldC temperature of the mold at the pour, C, empty when not planned yet
     */
    public static Findings check(Alloy alloy, InvestmentSystem system, Optional<Figure> pour, Optional<Figure> moldC) {
        List<Finding> found = new ArrayList<>();
        if (system.gypsumBonded()) {
            gypsum(alloy, system, pour, found);
            moldC.filter(m -> m.value() > gypsumMoldLimit(system)).ifPresent(m -> found.add(tooHot(system, m)));
        }
        return new Findings(found);
    }

    /** The hottest a gypsum-bonded mold may be when metal enters, C. */
    static double gypsumMoldLimit(InvestmentSystem system) {
        return Math.min(700, system.maxC());
    }

    private static void gypsum(Alloy alloy, InvestmentSystem system, Optional<Figure> pour, List<Finding> found) {
        if (alloy.family() == Alloy.Family.REFRACTORY || pour.map(Figure::value).orElse(0.0) > GYPSUM_NEVER_OVER_C) {
            found.add(Finding.safetyStop(
                    "alloy-in-gypsum",
                    "system",
                    capital(alloy.label()) + " must never be poured into " + system.label() + ".",
                    "It melts far above what gypsum bears: the mold breaks down, gives off sulphur gas and can burst.",
                    "Use a phosphate-bonded investment by its supplier's sheet, or a refractory shell."));
            return;
        }
        pour.filter(p -> p.value() > GYPSUM_USUAL_TO_C)
                .ifPresent(p -> found.add(Finding.warn(
                                "hot-for-gypsum",
                                "system",
                                String.format(
                                        Locale.ROOT,
                                        "Metal at %.0f °C is over the usual 1200 °C for gypsum.",
                                        p.value()),
                                "Gypsum gives off sulphur gas and leaves a rough face.",
                                "Pour as cool as the sections bear, ventilate, or use a refractory shell.")
                        .from(p)));
        if (system == InvestmentSystem.SHOP_PLASTER
                && alloy.isTabled()
                && alloy.melting().liquidus() > SHOP_PLASTER_TO_C) {
            found.add(Finding.warn(
                    "hot-for-shop-plaster",
                    "system",
                    capital(alloy.label()) + " in a mix of your own recipe is at your own risk.",
                    "Such mixes are for aluminium, zinc and pewter; with hotter metal they crack and spall.",
                    "Use a gypsum-bonded investment made for it, or try a scrap pour behind a shield."));
        }
    }

    private static Finding tooHot(InvestmentSystem system, Figure mold) {
        return Finding.safetyStop(
                        "mold-too-hot",
                        "mold_C",
                        String.format(
                                Locale.ROOT,
                                "A %s mold may be at most %.0f °C when metal enters; %.0f °C is asked.",
                                system.label(),
                                gypsumMoldLimit(system),
                                mold.value()),
                        "Gypsum breaks down in contact with metal and gives off sulphur gas.",
                        "Let it come down further before the pour.")
                .from(mold);
    }

    private static String capital(String words) {
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }
}
