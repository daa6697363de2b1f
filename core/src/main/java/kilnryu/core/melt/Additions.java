package kilnryu.core.melt;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.material.Alloy;

/**
 * In what order a charge goes in and what is done to it (handbook 16): highest melting first, then what dissolves in it, last
 * and under the surface what boils or burns; returns with what they are most like.
 *
 * @param steps one after the other
 */
public record Additions(List<Step> steps) {
    /** How much a percent of something else lowers where a metal melts, K; roughly, only for the order. */
    private static final double PER_PERCENT_K = 8;

    /**
     * @param share empty where nothing is added
     * @param words what is done
     */
    public record Step(Optional<Charge.Share> share, String words) {}

    public static Additions of(Charge charge) {
        List<Step> steps = new ArrayList<>();
        List<Charge.Share> order = charge.shares().stream()
                .sorted(Comparator.comparing((Charge.Share s) -> late(charge, s))
                        .thenComparing(Comparator.comparingDouble((Charge.Share s) -> melts(charge, s))
                                .reversed()))
                .toList();
        for (Charge.Share s : order) {
            steps.add(new Step(Optional.of(s), words(charge, s, steps.isEmpty())));
        }
        closing(charge.question().alloy(), steps);
        return new Additions(steps);
    }

    private static boolean late(Charge charge, Charge.Share s) {
        return main(charge, s).fugitive() && charge.question().bands().main() != main(charge, s);
    }

    /** About where it melts, C: a pure metal at its point, an alloy lower the less of its main element it has. */
    private static double melts(Charge charge, Charge.Share s) {
        Element main = main(charge, s);
        double others = 100 - charge.question().takenFor(s.lot()).of(main);
        return main.melts() - PER_PERCENT_K * others;
    }

    private static Element main(Charge charge, Charge.Share s) {
        return charge.question().takenFor(s.lot()).percent().entrySet().stream()
                .max(Comparator.comparingDouble(Map.Entry::getValue))
                .orElseThrow()
                .getKey();
    }

    private static String words(Charge charge, Charge.Share s, boolean first) {
        if (late(charge, s)) {
            return "last, warmed, wrapped and held under the surface: it boils or burns off";
        }
        if (first) {
            return "first, warmed and dry, into the hot pot; wait until it is liquid";
        }
        return s.lot().comesBack()
                ? "warmed on the rim, clean of investment, then in"
                : "warmed on the rim, then in; wait until it has dissolved";
    }

    private static void closing(Alloy alloy, List<Step> steps) {
        if (alloy.family() == Alloy.Family.ALUMINIUM) {
            say(steps, "do not stir up the skin; degas with a tablet by its sheet, or let it stand");
            say(steps, "at most 15 min at 760 °C; skim just before the pour");
            return;
        }
        say(steps, "stir with a dry carbon or coated rod, to the bottom");
        if (alloy.is(Alloy.Trait.TAKES_PHOSPHORUS)) {
            say(steps, "phosphor copper for 0.02 to 0.05 % phosphorus, under the surface; stir; by its sheet");
        } else if (alloy.is(Alloy.Trait.NO_PHOSPHORUS)) {
            say(steps, "no phosphor copper: silicon takes the oxygen itself");
        }
        say(steps, "skim just before the pour");
    }

    private static void say(List<Step> steps, String words) {
        steps.add(new Step(Optional.empty(), words));
    }
}
