package kilnryu.core.diagnosis;

import kilnryu.core.material.Alloy;

/** Walls under which an alloy wants more than usual heat and head to fill, mm; our own figures, to be calibrated [M]. */
final class ThinWall {
    private ThinWall() {}

    static double of(Alloy alloy) {
        return switch (alloy.family()) {
            case COPPER, REFRACTORY -> 2.5;
            case ZINC_BEARING -> 2;
            case ALUMINIUM -> 3;
            case SILVER, GOLD -> 0.8;
            case TIN -> 1;
        };
    }
}
