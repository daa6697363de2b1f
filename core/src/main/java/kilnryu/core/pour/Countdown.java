package kilnryu.core.pour;

import java.util.ArrayList;
import java.util.List;

/**
 * What is done before the pour, counted back from the moment the first pot leaves the furnace (handbook 17). A step that is not
 * ticked holds the next; all of it is done cold, before a mold leaves its kiln.
 *
 * @param steps in their order
 */
public record Countdown(List<Step> steps) {

    /**
     * A step.
     *
     * @param minutes before the pot leaves the furnace
     * @param safety whether someone is hurt where it is not so: without it there is no pour
     */
    public record Step(String key, String words, String why, double minutes, boolean safety) {}

    /**
     * What a pour has to get ready.
     *
     * @param meltMinutes from the furnace switched on to the tap
     * @param vacuum whether a mold stands on a vacuum table
     * @param sand whether molds stand in sand
     * @param hotSand whether that is heated
     */
    public record Needs(double meltMinutes, boolean vacuum, boolean sand, boolean hotSand) {}

    public static Countdown of(Needs needs) {
        List<Step> steps = new ArrayList<>();
        steps.add(new Step(
                "charge-dry",
                "Charge weighed, clean and warm on the rim",
                "Damp metal throws the whole pot.",
                needs.meltMinutes + 30,
                true));
        steps.add(new Step(
                "melt-on",
                "Furnace on, crucible looked at",
                "Glaze whole, no crack; lining, nozzle, hose sound; hood or open air.",
                needs.meltMinutes,
                false));
        double before = Math.min(needs.meltMinutes, 45);
        steps.add(new Step(
                "tools-warm",
                "Tools and ingot mold warmed, dry",
                "A wet tool or ingot mold explodes under metal.",
                before * 0.9,
                true));
        if (needs.sand) {
            steps.add(new Step(
                    "sand-dry",
                    needs.hotSand ? "Sand dried, heated, in metal tubs" : "Sand bone dry, in metal tubs",
                    "Damp sand explodes; plastic tubs melt and spill.",
                    before * 0.8,
                    true));
        }
        if (needs.vacuum) {
            steps.add(new Step(
                    "pump-tried",
                    "Pump on, gauge reads, gasket seats under an empty flask",
                    "A seal that fails shows now, not with metal in the air.",
                    before * 0.7,
                    false));
        }
        people(before, steps);
        return new Countdown(List.copyOf(steps));
    }

    /** What the people who pour see to, last of all. */
    private static void people(double before, List<Step> steps) {
        steps.add(new Step(
                "path-walked",
                "Path walked with cold tongs, floor dry and clear, no bare concrete under the pour",
                "Concrete bursts under metal; what stands in the way is met in a hurry.",
                before * 0.55,
                true));
        steps.add(new Step(
                "places-told",
                "Everyone told their place, and what to do when it leaks",
                "Sand on, stand back: said before, not shouted then.",
                before * 0.4,
                true));
        steps.add(new Step(
                "dressed",
                "Face shields, leather, gaiters, cotton; hair and sleeves",
                "Metal finds the open boot.",
                before * 0.3,
                true));
        steps.add(new Step(
                "second-person",
                "Second person there, extinguisher for metal and dry sand at hand",
                "Nobody pours alone.",
                before * 0.2,
                true));
    }

    /** The first step that is not ticked; empty where all are. */
    public java.util.Optional<Step> next(java.util.Set<String> ticked) {
        return steps.stream().filter(s -> !ticked.contains(s.key)).findFirst();
    }
}
