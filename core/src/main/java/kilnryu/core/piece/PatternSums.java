package kilnryu.core.piece;

import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/** What one pattern is: volume and area from its mesh or its mass, the metal of its casting, layers to a wall. */
public final class PatternSums {
    private static final Formula SCALED_VOLUME = Formula.rule("file_volume * (unit * scale)^3 / 1000");
    private static final Formula SCALED_AREA = Formula.rule("file_area * (unit * scale)^2 / 100");
    private static final Formula BY_MASS = Formula.of("mass / density");
    private static final Formula COATED = Formula.of("bare + coated_area * coating / 10");
    private static final Formula SOLID = Formula.of("volume * alloy_density");
    private static final Formula HOLLOW = Formula.of("area * wall / 10 * alloy_density");
    private static final Formula LAYERS = Formula.of("done * aim / thinnest");

    private PatternSums() {}

    /**
     * Volume of a closed mesh, cm3.
     *
     * @param file volume in cubes of the file's unit
     * @param unit mm in one unit of the file
     * @param scale of the pattern over what the mesh shows
     */
    public static Figure scaledVolume(double file, double unit, Figure scale) {
        return Figure.computed("volume", "volume of one pattern", Measure.CUBIC_CENTIMETRE)
                .by(
                        SCALED_VOLUME,
                        measured("file_volume", "volume in the file's unit", file, Measure.TIMES),
                        Figure.given("unit", "mm in one unit of the file", unit, Measure.TIMES, Known.CHOSEN, 0),
                        scale);
    }

    /** Area of a mesh, cm2; the arguments as for its volume, in squares. */
    public static Figure scaledArea(double file, double unit, Figure scale) {
        return Figure.computed("area", "area of one pattern", Measure.SQUARE_CENTIMETRE)
                .by(
                        SCALED_AREA,
                        measured("file_area", "area in the file's unit", file, Measure.TIMES),
                        Figure.given("unit", "mm in one unit of the file", unit, Measure.TIMES, Known.CHOSEN, 0),
                        scale);
    }

    /** Volume of a solid pattern by its mass, g, and the density of its material. */
    public static Figure byMass(double grams, Figure density) {
        return Figure.computed("volume", "volume of one pattern, if solid", Measure.CUBIC_CENTIMETRE)
                .by(BY_MASS, measured("mass", "on the scale", grams, Measure.GRAM), density);
    }

    /**
     * With a coating of wax.
     *
     * @param area covered, cm2
     * @param millimetres thick
     */
    public static Figure coated(Figure bare, double area, double millimetres) {
        return Figure.computed("volume", "volume of one pattern with its wax coating", Measure.CUBIC_CENTIMETRE)
                .by(
                        COATED,
                        bare.as("bare"),
                        measured("coated_area", "area coated", area, Measure.SQUARE_CENTIMETRE),
                        measured("coating", "wax coating", millimetres, Measure.MILLIMETRE));
    }

    /** Metal of a casting that is solid, g. */
    public static Figure solidMetal(Figure volume, Figure alloyDensity) {
        return Figure.computed("metal", "metal of one", Measure.GRAM).by(SOLID, volume.as("volume"), alloyDensity);
    }

    /**
     * Metal of one that is hollow, g.
     *
     * @param wall mm
     */
    public static Figure hollowMetal(Figure area, double wall, Figure alloyDensity) {
        return Figure.computed("hollow_metal", "metal if hollow with that wall", Measure.GRAM)
                .by(
                        HOLLOW,
                        area,
                        Figure.given("wall", "wall aimed at", wall, Measure.MILLIMETRE, Known.CHOSEN, 0),
                        alloyDensity);
    }

    /**
     * Pours or layers to a wall, in proportion to what this mold has given so far.
     *
     * @param aim wall wanted, mm
     * @param thinnest measured after those that are done, mm
     */
    public static Figure layers(double aim, double thinnest, int done) {
        return Figure.computed("layers", "pours or layers to the wall aimed at", Measure.TIMES)
                .mark(Mark.M, "in proportion to what this mold has given so far")
                .by(
                        LAYERS,
                        Figure.given("aim", "wall aimed at", aim, Measure.MILLIMETRE, Known.CHOSEN, 0),
                        measured("thinnest", "thinnest point so far", thinnest, Measure.MILLIMETRE),
                        measured("done", "layers so far", done, Measure.TIMES));
    }

    private static Figure measured(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.MEASURED, 0);
    }
}
