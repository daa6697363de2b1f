package kilnryu.core.heat;

/**
 * Size and grid of a body, m.
 *
 * @param radius of the cylinder; of a slab any, nothing leaves through its side
 * @param height between its ends, or thickness of a slab
 * @param rings cells from the axis to the side
 * @param layers cells from one end to the other
 */
public record Body(double radius, double height, int rings, int layers, boolean slab) {
    /** @throws IllegalArgumentException for no size, or a grid that is too coarse or absurdly fine */
    public Body {
        if (!(radius > 0) || !(height > 0) || rings < 1 || layers < 2 || (long) rings * layers > 4_000_000) {
            throw new IllegalArgumentException("no body has this size or grid");
        }
    }

    public static Body cylinder(double radius, double height, int rings, int layers) {
        return new Body(radius, height, rings, layers, false);
    }

    /** @param cells through its thickness */
    public static Body slab(double thickness, int cells) {
        return new Body(1, thickness, 1, cells, true);
    }
}
