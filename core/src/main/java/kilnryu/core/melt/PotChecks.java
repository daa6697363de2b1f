package kilnryu.core.melt;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;

/** Whether a crucible may hold this metal: it is kept for one family, and looked at before each heat (handbook 16). */
public final class PotChecks {
    private PotChecks() {}

    /**
     * A crucible as it is kept.
     *
     * @param keptFor the family of alloys; empty where that is not said
     * @param iron of iron or steel, not of clay and graphite
     * @param heldLead whether leaded metal was ever in it
     * @param uses heats so far
     */
    public record Pot(String name, Optional<Alloy.Family> keptFor, boolean iron, boolean heldLead, int uses) {}

    public static Findings check(Pot pot, Alloy alloy) {
        List<Finding> found = new ArrayList<>();
        boolean copper = alloy.family() == Alloy.Family.COPPER
                || alloy.family() == Alloy.Family.ZINC_BEARING
                        && alloy.melting().liquidus() > 700;
        boolean precious = alloy.family() == Alloy.Family.SILVER || alloy.family() == Alloy.Family.GOLD;
        if (pot.iron && (copper || precious)) {
            found.add(Finding.safetyStop(
                    "iron-pot",
                    "crucible",
                    String.format(Locale.ROOT, "%s is of iron; %s dissolves it.", pot.name, alloy.label()),
                    "The wall thins until it runs out over feet and floor.",
                    "A crucible of clay and graphite."));
        }
        if (pot.heldLead && precious) {
            found.add(Finding.safetyStop(
                    "leaded-pot",
                    "crucible",
                    String.format(Locale.ROOT, "%s held leaded metal.", pot.name),
                    "A trace of lead makes silver and gold crack, and they are worn on the skin.",
                    "A crucible that never saw lead."));
        }
        if (pot.keptFor.isPresent() && pot.keptFor.get() != alloy.family()) {
            found.add(Finding.warn(
                    "pot-family",
                    "crucible",
                    String.format(
                            Locale.ROOT,
                            "%s is kept for %s alloys.",
                            pot.name,
                            pot.keptFor.get().name().toLowerCase(Locale.ROOT).replace('_', ' ')),
                    "What has soaked into its wall comes out into the next metal.",
                    "A crucible of its own for each family."));
        }
        if (pot.uses == 0) {
            found.add(Finding.note(
                    "pot-new",
                    "crucible",
                    String.format(Locale.ROOT, "%s was not used before.", pot.name),
                    "Water in a new wall bursts it.",
                    "Dry it warm for a night, heat it slowly empty to red once, then glaze it as its sheet says."));
        }
        return new Findings(found);
    }
}
