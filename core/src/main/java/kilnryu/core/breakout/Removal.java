package kilnryu.core.breakout;

import java.util.ArrayList;
import java.util.List;
import kilnryu.core.material.Alloy;

/**
 * How castings are taken out of their mold (handbook 11, 18; needs 109, 112): in order, with what to mind and where the waste
 * goes.
 */
public record Removal(List<String> steps, List<String> cautions, String waste) {
    /** Metals a jet or a blast marks. */
    private static boolean soft(Alloy alloy) {
        return switch (alloy.family()) {
            case ALUMINIUM, TIN, SILVER, GOLD -> true;
            case ZINC_BEARING -> alloy.melting().liquidus() < 700;
            default -> false;
        };
    }

    /** @param wire whether wire or mesh is in the mold */
    public static Removal of(Quenching.Kind kind, boolean quenched, boolean wire, Alloy alloy) {
        List<String> steps = new ArrayList<>();
        List<String> cautions = new ArrayList<>();
        if (kind == Quenching.Kind.SHELL) {
            steps.add("Cold, in a tray: tap the cup and the gating, not the piece; the shell comes off in plates.");
            if (wire) {
                steps.add("Cut the wire at its ends first and unwind it: pulled, it bends thin limbs.");
            }
            steps.add(
                    soft(alloy)
                            ? "What sticks: soak, brush, a wooden pick. No chisel: this metal is soft."
                            : "What sticks in hollows: a blunt chisel along the metal, then blast.");
        } else {
            steps.add(
                    quenched
                            ? "Tongs, cup up, into the water until it stops boiling; stir it out under water."
                            : "Wet it first, then break it away from the outside, the casting last.");
            if (wire) {
                steps.add("Cut mesh and bands with shears before anything is pulled: wire end stands like a needle.");
            }
            steps.add(
                    soft(alloy)
                            ? "Rinse with a soft jet and a brush; a pressure washer and a chisel mark this metal."
                            : "Rinse with the water jet; a wooden or brass pick in corners.");
        }
        steps.add("Look at every casting and photograph it before it is blasted; then blast, and look again.");
        if (alloy.containsLead()) {
            cautions.add("Leaded metal: no dry brushing, gloves, and nothing for food.");
        }
        cautions.add(
                "Dust of the mold is silica: keep it wet, P100 or FFP3 when it is dry, blast in a closed cabinet.");
        if (quenched) {
            cautions.add(
                    "Steam and hot sludge at the quench: face shield, long gloves and tongs, nobody over the bucket.");
        }
        cautions.add("Metal stays hot long after it has lost its colour: mark it hot, hold thin limbs by nothing.");
        String waste = kind == Quenching.Kind.SHELL
                ? "Shell in a closed bin, wetted. No dry sweeping."
                : "Let the bucket settle overnight; pour off the clear water, never the sludge, into the drain;"
                        + " sludge dries in a lined box and goes to the tip as your town says.";
        return new Removal(List.copyOf(steps), List.copyOf(cautions), waste);
    }
}
