package kilnryu.core.tree;

import java.util.List;
import java.util.Locale;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.sum.Figure;

/** What one person lifts here, held against what has to be lifted (handbook 10). */
public final class Lift {
    private Lift() {}

    /**
     * @param heavy mass, g
     * @param what as in "The filled flask"
     * @param kilos that one person lifts here
     */
    public static Findings check(Figure heavy, String what, String place, double kilos) {
        if (heavy.value() <= kilos * 1000) {
            return Findings.NONE;
        }
        return new Findings(List.of(Finding.warn(
                        "lift." + place,
                        place,
                        String.format(
                                Locale.ROOT,
                                "%s weighs %.1f kg; one person lifts %s kg here.",
                                what,
                                heavy.value() / 1000,
                                kilos == Math.rint(kilos) ? String.format(Locale.ROOT, "%.0f", kilos) : kilos),
                        "A wet mold that slips is lost; hot metal that slips burns whoever stands there.",
                        "Hoist, trolley or two people who have tried it cold; the path clear, dry and agreed.")
                .from(heavy)));
    }
}
