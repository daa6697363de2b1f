package kilnryu.core.diagnosis;

import kilnryu.core.material.Alloy;

/**
 * Walls under which an alloy wants more than usual heat and head to fill, mm, by the mold it is poured into; our own figures, to be
 * calibrated [M].
 */
final class ThinWall {
    private ThinWall() {}

    static double of(Alloy alloy, Case.Kind mold) {
        return switch (alloy.family()) {
            case COPPER, ZINC_BEARING, REFRACTORY -> by(mold, 1.5, 4, 2.5);
            case ALUMINIUM -> by(mold, 2, 4, 3);
            case SILVER, GOLD -> by(mold, 0.6, 2, 1);
            case TIN -> by(mold, 0.8, 1.5, 1);
        };
    }

    private static double by(Case.Kind mold, double flask, double block, double shell) {
        return switch (mold) {
            case FLASK -> flask;
            case BLOCK -> block;
            case SHELL -> shell;
        };
    }
}
