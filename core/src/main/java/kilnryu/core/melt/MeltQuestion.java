package kilnryu.core.melt;

import java.util.Optional;
import kilnryu.core.material.Alloy;
import kilnryu.core.tree.Crucible;

/**
 * @param grams of metal, over 0
 * @param start before it is charged, C
 * @param pour at the first mold, C
 * @param carry between furnace and mold; empty where it is poured out of the furnace
 */
public record MeltQuestion(
        Alloy alloy,
        double grams,
        double start,
        double pour,
        Furnace furnace,
        Crucible crucible,
        Optional<Carry> carry) {
    /** What metal has that was warmed beside the furnace, or not, C. */
    public static final double ROOM_C = 20;

    public MeltQuestion {
        if (!(grams > 0)) {
            throw new IllegalArgumentException("no metal is asked");
        }
    }

    /** @param seconds from the furnace to the first mold, skimming and all */
    public record Carry(double seconds, PotCooling pot) {}
}
