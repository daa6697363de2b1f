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
    /** Error of the time until a wet middle has boiled dry, times the square of the cells from middle to rim. */
    private static final double WET_ERROR = 1.3;

    private static final int FEWEST = 4;

    /** @throws IllegalArgumentException for no size, or a grid that is too coarse or absurdly fine */
    public Body {
        if (!(radius > 0) || !(height > 0) || rings < 1 || layers < 2 || (long) rings * layers > 4_000_000) {
            throw new IllegalArgumentException("no body has this size or grid");
        }
    }

    public static Body cylinder(double radius, double height, int rings, int layers) {
        return new Body(radius, height, rings, layers, false);
    }

    /**
     * Cells from the middle to the rim for a relative error of the time until a wet middle has boiled dry; all else comes out
     * closer. The error falls with the square of the cells: 1.3 / cells2 is the largest that was observed against 48 cells on
     * cylinders of 30 to 300 mm (GridTest), no guarantee beyond.
     *
     * @param error over 0, as 0.01 for a hundredth
     */
    public static int cellsFor(double error) {
        if (!(error > 0)) {
            throw new IllegalArgumentException("no grid is exact");
        }
        return Math.max(FEWEST, (int) Math.ceil(Math.sqrt(WET_ERROR / error)));
    }

    /** @param cells through its thickness */
    public static Body slab(double thickness, int cells) {
        return new Body(1, thickness, 1, cells, true);
    }
}
