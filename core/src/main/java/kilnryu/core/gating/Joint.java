package kilnryu.core.gating;

/**
 * Where a member joins another, as the mold stands at the pour, cup up.
 *
 * @param to key of the other
 * @param at mm along the other, from the end at which that one joins
 * @param angle degrees round the upright axis, from the other's own direction
 * @param tilt degrees over the level; -90 hangs straight down
 * @param rings over how many levels the members are spread, at least 1
 * @param spacing mm between the levels
 * @param fillet radius mm in the corner of the joint; 0 for a bare corner
 */
public record Joint(String to, double at, double angle, double tilt, int rings, double spacing, double fillet) {
    public Joint {
        if (rings < 1) {
            throw new IllegalArgumentException("a joint is on at least one level");
        }
    }

    public static Joint to(String other, double at, double angle, double tilt) {
        return new Joint(other, at, angle, tilt, 1, 0, 0);
    }

    public Joint inRings(int number, double apart) {
        return new Joint(to, at, angle, tilt, number, apart, fillet);
    }

    Joint filleted(double radius) {
        return new Joint(to, at, angle, tilt, rings, spacing, radius);
    }
}
