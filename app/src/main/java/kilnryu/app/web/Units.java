package kilnryu.app.web;

import kilnryu.core.quantity.Kind;
import kilnryu.core.quantity.Measure;

/** The units a person is shown and that are taken when none is typed. */
public record Units(System system, boolean troy) {
    public static final Units METRIC = new Units(System.METRIC, false);

    /** Everyday units. */
    public enum System {
        METRIC,
        IMPERIAL
    }

    /** The unit taken for a number typed without one. */
    public Measure whenNoneTyped(Measure working) {
        if (system == System.METRIC) {
            return working;
        }
        return switch (working.kind()) {
            case MASS -> Measure.OUNCE;
            case LENGTH -> Measure.INCH;
            case VOLUME -> Measure.CUBIC_INCH;
            case AREA -> Measure.SQUARE_INCH;
            case TEMPERATURE -> Measure.DEGREE_FAHRENHEIT;
            default -> working;
        };
    }

    public String summary() {
        String everyday = system == System.METRIC ? "g · mm · °C" : "oz · in · °F";
        return troy ? everyday + " · troy" : everyday;
    }

    boolean imperial(Kind kind) {
        return system == System.IMPERIAL && kind != Kind.COEFFICIENT;
    }
}
