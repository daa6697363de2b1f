package kilnryu.core.kiln;

import kilnryu.core.heat.Body;
import kilnryu.core.heat.Conduction;
import kilnryu.core.heat.Face;
import kilnryu.core.heat.Medium;

/**
 * What is fired, as the conduction sees it: a cylinder, or the wall of a shell.
 *
 * @param across diameter of a cylinder or thickness of a wall, m
 * @param along height of a cylinder, m; area of a wall, m2
 * @param wall whether it is a wall, heated from its outside alone
 * @param side what its side exchanges with the kiln, or a wall's outside
 * @param below what its lower face does; as its upper one where it stands on posts
 * @param top what its upper face does
 * @param grows whether cristobalite makes it grow by the handbook's curve
 */
public record Mold(
        double across, double along, boolean wall, Medium medium, Face side, Face below, Face top, boolean grows) {
    /** Air and radiation of handbook 8. */
    public static final Face KILN = new Face(10, 0.9);

    /** Solid shelf below: contact in places, thin air in others; our own figure. */
    static final Face SHELF = new Face(15, 0);

    /** Heat that the steel of a flask takes, for each m of its wall, J/(m3 K): handbook 8, 7850 kg/m3 and 490 J/(kg K). */
    private static final double STEEL = 7850 * 490;

    /** Usual wall of a flask, m (handbook 8). */
    static final double STEEL_WALL = 0.0016;

    /** First root of the Bessel function of order 0, doubled: what rules a long cylinder. */
    private static final double CYLINDER = 4.8097;

    public Mold {
        if (!(across > 0) || !(along > 0)) {
            throw new IllegalArgumentException("no mold has this size");
        }
    }

    /** What a flask holds, on posts, all faces free, without its steel; m. */
    public static Mold bare(double diameter, double height, Medium medium) {
        return new Mold(diameter, height, false, medium, KILN, KILN, KILN, true);
    }

    /** A flask of steel of the usual wall on posts, all faces free; m. */
    public static Mold flask(double diameter, double height, Medium medium) {
        return bare(diameter, height, medium).inSteel(STEEL_WALL);
    }

    /**
     * A block as the cylinder in which heat takes as long to the middle: of the same slowest mode of a long body,
     * {@code pi2 (1/a2 + 1/b2) = (2 x 2.4048 / D)2}. For a square of 100 mm that is 108 mm, for a slab 153.
     */
    public static Mold block(double width, double depth, double height, Medium medium) {
        return bare(cylinderOf(width, depth), height, medium);
    }

    /** Diameter of the cylinder that stands for a rectangle. */
    public static double cylinderOf(double width, double depth) {
        return CYLINDER / (Math.PI * Math.sqrt(1 / (width * width) + 1 / (depth * depth)));
    }

    /** Wall of a shell, m and m2: its inside leads nothing away. */
    public static Mold shell(double thickness, double area) {
        return new Mold(thickness, area, true, Setting.SHELL, KILN, Face.INSULATED, KILN, false);
    }

    /** With this outside at all faces, its steel as before. */
    public Mold in(Face outside) {
        Face around = new Face(outside.transfer(), outside.emissivity(), side.contact(), side.skin());
        return new Mold(across, along, wall, medium, around, wall ? below : outside, wall ? top : outside, grows);
    }

    /** On a solid shelf. */
    public Mold onShelf() {
        return wall ? this : new Mold(across, along, false, medium, side, SHELF, top, grows);
    }

    /** With so much of its side free, 0 to 1, of what stands near it. */
    public Mold beside(double free) {
        return new Mold(across, along, wall, medium, side.exposed(free), below, top, grows);
    }

    /**
     * In a flask of steel, closed or perforated: its holes let vapour out and lead no heat.
     *
     * @param thickness of the steel, m
     */
    public Mold inSteel(double thickness) {
        return wall ? this : new Mold(across, along, false, medium, side.within(STEEL * thickness), below, top, grows);
    }

    /** Its upper half where both ends are alike, else the whole. */
    Conduction body(int cells, double start, Conduction.Fineness fineness) {
        if (wall) {
            return new Conduction(
                    Body.slab(across, cells),
                    medium,
                    new Conduction.Faces(Face.INSULATED, Face.INSULATED, side),
                    start,
                    fineness);
        }
        boolean half = below.equals(top);
        return new Conduction(
                Body.cylinder(across / 2, half ? along / 2 : along, cells, half ? cells : 2 * cells),
                medium,
                new Conduction.Faces(side, half ? Face.INSULATED : below, top),
                start,
                fineness);
    }

    /** How many times the heat of its body it takes. */
    double times(Conduction body) {
        if (wall) {
            return along / Math.PI;
        }
        return body.layers() > body.rings() ? 1 : 2;
    }

    /** Free surface, m2. */
    public double surface() {
        return wall ? along : Math.PI * across * (across / 2 + along);
    }
}
