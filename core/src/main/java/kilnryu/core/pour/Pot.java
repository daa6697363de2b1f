package kilnryu.core.pour;

import kilnryu.core.melt.PotCooling;

/**
 * A pot of metal.
 *
 * @param grams it brings at most
 * @param reserve what it brings over what the molds take, g
 * @param tap how hot it leaves the furnace, C
 * @param again seconds to bring it back to its tap and out once more; infinite where the furnace cannot
 */
public record Pot(double grams, double reserve, double tap, PotCooling cooling, double again) {
    public Pot {
        if (!(grams > 0)) {
            throw new IllegalArgumentException("an empty pot pours nothing");
        }
    }
}
