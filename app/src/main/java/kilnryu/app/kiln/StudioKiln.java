package kilnryu.app.kiln;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.core.kiln.Chamber;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.sum.Figure;

/**
 * A kiln as the studio has it.
 *
 * @param heat power and lining; empty for one that burns and has no plate
 * @param sums where what is known of its heat comes from
 * @param maxC highest it may be run at
 * @param segments its controller takes
 * @param tariff price of a kWh
 */
public record StudioKiln(
        String name,
        Chamber chamber,
        Optional<Kiln> heat,
        List<Figure> sums,
        double maxC,
        Control control,
        OptionalInt segments,
        OptionalDouble tariff,
        String money) {

    /** What leads it through a program. */
    public enum Control {
        RAMP("ramp", "ramp and hold", "Each segment is a rate, a temperature and a hold."),
        STEPS("steps", "steps", "Temperatures with a time each; it goes up as fast as it can."),
        SWITCH("switch", "a switch only", "Set by hand, step by step: someone is there at each."),
        FIRE(
                "fire",
                "a fire or burner",
                "Uncontrolled: no program is promised. Read a thermocouple or cones beside the mold, write it down.");

        private final String key;
        private final String label;
        private final String says;

        Control(String key, String label, String says) {
            this.key = key;
            this.label = label;
            this.says = says;
        }

        public static Optional<Control> named(String key) {
            return Arrays.stream(values()).filter(c -> c.key.equals(key)).findFirst();
        }

        public String key() {
            return key;
        }

        public String label() {
            return label;
        }

        public String says() {
            return says;
        }

        public boolean ramps() {
            return this == RAMP;
        }
    }

    /** Its floors in words, from the bottom up. */
    public List<String> floors() {
        return chamber.shelves().stream()
                .map(s -> s == 0 ? "floor" : "shelf at " + Math.round(s) + " mm")
                .toList();
    }
}
