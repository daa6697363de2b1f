package kilnryu.app.sheet;

import kilnryu.app.web.Show;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;

/** The unit a field is read in and the least and most it may be; generous, to catch slips and not to teach. */
public record Range(Measure unit, double least, double most) {
    public static final Range MASS = new Range(Measure.GRAM, 0.001, 1_000_000);
    public static final Range MASS_OR_NONE = new Range(Measure.GRAM, 0, 1_000_000);
    public static final Range LENGTH = new Range(Measure.MILLIMETRE, 0.01, 5_000);
    public static final Range LENGTH_OR_NONE = new Range(Measure.MILLIMETRE, 0, 5_000);
    public static final Range ROD = new Range(Measure.MILLIMETRE, 0.1, 1_000_000);
    public static final Range STICK = new Range(Measure.MILLIMETRE, 20, 5_000);
    public static final Range SET_TIME = new Range(Measure.MINUTE, 0.01, 10_000);
    public static final Range HOURS = new Range(Measure.HOUR, 0.01, 10_000);
    public static final Range PATTERN_TEMPERATURE = new Range(Measure.DEGREE_CELSIUS, 10, 400);
    public static final Range PRESSURE = new Range(Measure.BAR, 0.001, 200);
    public static final Range ANGLE = new Range(Measure.DEGREE, -360, 360);
    public static final Range TILT = new Range(Measure.DEGREE, -90, 90);
    public static final Range POUR_RATE = new Range(Measure.KG_PER_SECOND, 0.001, 100);
    public static final Range GAUGE = new Range(Measure.KILOPASCAL, 1, 105);
    public static final Range VOLUME = new Range(Measure.CUBIC_CENTIMETRE, 0.0001, 1_000_000);
    public static final Range VOLUME_OR_NONE = new Range(Measure.CUBIC_CENTIMETRE, 0, 1_000_000);
    public static final Range AREA = new Range(Measure.SQUARE_CENTIMETRE, 0.001, 1_000_000);
    public static final Range INFILL = new Range(Measure.PERCENT, 0.5, 100);
    public static final Range LOSS = new Range(Measure.PERCENT, 0, 50);
    public static final Range RESERVE = new Range(Measure.PERCENT, 0, 200);
    public static final Range OVERFILL = new Range(Measure.PERCENT, 0, 100);
    public static final Range WATER_RATIO = new Range(Measure.PER_100, 10, 150);
    public static final Range POWDER_DENSITY = new Range(Measure.GRAM_PER_CM3, 1, 8);
    public static final Range WATER_TEMPERATURE = new Range(Measure.DEGREE_CELSIUS, 1, 60);
    public static final Range MOLD_TEMPERATURE = new Range(Measure.DEGREE_CELSIUS, 20, 1_200);
    public static final Range METAL_TEMPERATURE = new Range(Measure.DEGREE_CELSIUS, 100, 1_800);
    public static final Range DRAIN_TEMPERATURE = new Range(Measure.DEGREE_CELSIUS, 180, 300);
    public static final Range SHARE = new Range(Measure.PERCENT, 0, 100);
    /** What a line of a program heats to, wherever it is typed, asked or dragged. */
    public static final Range PROGRAM = new Range(Measure.DEGREE_CELSIUS, 0, 1_400);

    public static final Range KILN_TEMPERATURE = new Range(Measure.DEGREE_CELSIUS, 100, 1_800);

    /** What a studio may put in a constant's place. */
    public static Range of(Constant constant) {
        return new Range(constant.unit(), constant.least(), constant.most());
    }

    /** What is wrong with a value, empty when nothing is. */
    String complaint(double value) {
        if (!Double.isFinite(value)) {
            return "This is not a number that can be used.";
        }
        if (least >= 0 && value < 0) {
            return "This cannot be negative.";
        }
        if (value == 0 && least > 0) {
            return "This cannot be zero.";
        }
        if (value < least) {
            return "This is too small; at least " + named(least) + ".";
        }
        return value > most ? "This is too large; at most " + named(most) + "." : "";
    }

    private String named(double value) {
        return (Show.exact(value) + " " + unit.symbol()).strip();
    }
}
