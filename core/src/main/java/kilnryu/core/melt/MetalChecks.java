package kilnryu.core.melt;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;

/** What to beware of when metal comes into the store (handbook 14, 15). */
public final class MetalChecks {
    /** Less lead than this is a trace of any tap water brass, %. */
    private static final double LEADED = 0.1;

    private static final double ZINC = 1;

    private MetalChecks() {}

    /** @param makeUp empty where nobody knows it */
    public static Findings check(Stock.Type type, Optional<MakeUp> makeUp) {
        List<Finding> found = new ArrayList<>();
        makeUp.ifPresent(m -> elements(m, found));
        if (makeUp.isEmpty() || type == Stock.Type.UNKNOWN) {
            found.add(Finding.warn(
                    "unknown",
                    "make_up",
                    "Nobody knows what it is made of.",
                    "Scrap hides plating, paint, solder, lead, beryllium and cadmium: poisonous fume.",
                    "Have it assayed; until then at most a tenth of a charge, never of silver, gold, pewter or zinc."));
        }
        if (type == Stock.Type.RETURN || type == Stock.Type.UNKNOWN) {
            found.add(Finding.note(
                    "damp",
                    "kind",
                    "Gates and scrap hold investment, oil and water in pits and closed hollows.",
                    "Damp under metal explodes; investment in the melt gives sulphur and pits.",
                    "Blast it clean, cut hollows open, warm it dry on the rim before it goes in."));
        }
        return new Findings(found);
    }

    private static void elements(MakeUp makeUp, List<Finding> found) {
        for (Map.Entry<Element, Double> e : makeUp.percent().entrySet()) {
            if (e.getKey().poison() && e.getValue() > Bands.POISON) {
                found.add(Finding.safetyStop(
                        "poison." + e.getKey().symbol(),
                        "make_up",
                        String.format(
                                Locale.ROOT,
                                "It holds %.3g %% %s.",
                                e.getValue(),
                                e.getKey().label()),
                        "Its fume and dust poison at a breath; it is never melted here.",
                        "Keep it apart, marked; hand it to a dealer who can take it."));
            }
        }
        if (makeUp.of(Element.PB) > LEADED) {
            found.add(Finding.warn(
                    "lead",
                    "make_up",
                    String.format(Locale.ROOT, "It holds %.3g %% lead.", makeUp.of(Element.PB)),
                    "Lead fumes and dust poison slowly; what is cast of it is never for food, drink or children.",
                    "A crucible and rags of its own; hood, mask for metal fume, wash before you eat."));
        }
        if (makeUp.of(Element.ZN) > ZINC) {
            found.add(Finding.note(
                    "zinc",
                    "make_up",
                    String.format(Locale.ROOT, "It holds %.3g %% zinc.", makeUp.of(Element.ZN)),
                    "Zinc boils off above about 910 °C: white smoke, a fever the night after.",
                    "Hood or open air, mask for metal fume; no hotter than it has to be."));
        }
    }
}
