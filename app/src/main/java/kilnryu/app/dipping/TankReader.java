package kilnryu.app.dipping;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.quantity.Measure;
import kilnryu.core.shell.SlurryCare;
import kilnryu.core.shell.Tank;

/** Reads a tank from its fields. */
final class TankReader {
    private static final Range SLURRY = new Range(Measure.GRAM_PER_CM3, 1, 5);
    private static final Range SECONDS = new Range(Measure.SECONDS, 1, 600);
    private static final int LONGEST = 60;

    private TankReader() {}

    static Optional<Tank> read(Fields fields) {
        Optional<String> name = fields.text("name", LONGEST);
        if (name.isEmpty()) {
            fields.missing("name", "Give the tank a name.");
        }
        boolean prime = fields.choice("holds", TankReader::prime).orElse(false);
        OptionalDouble diameter = fields.required("diameter_mm", Range.LENGTH);
        OptionalDouble depth = fields.required("depth_mm", Range.LENGTH);
        OptionalDouble level = fields.required("level_mm", Range.LENGTH_OR_NONE);
        OptionalDouble density = fields.quantity("density", SLURRY);
        if (depth.isPresent() && level.isPresent() && level.getAsDouble() > depth.getAsDouble()) {
            fields.error("level_mm", "The slurry stands higher than the tank is deep.");
        }
        if (fields.hasErrors() || name.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Tank(
                name.get(),
                prime,
                diameter.getAsDouble(),
                depth.getAsDouble(),
                level.getAsDouble(),
                density.orElse(SlurryCare.density(prime).value())));
    }

    private static Optional<Boolean> prime(String key) {
        return key.equals("prime") || key.equals("backup") ? Optional.of(key.equals("prime")) : Optional.empty();
    }

    /** What was read of a tank: one of the four at least. */
    static Optional<TankStore.Entry> entry(Fields fields, java.time.Instant at) {
        OptionalDouble flow = fields.quantity("flow_s", SECONDS);
        OptionalDouble density = fields.quantity("read_density", SLURRY);
        OptionalDouble water = fields.quantity("water_g", Range.MASS);
        String note = fields.text("note", 400).orElse("");
        if (flow.isEmpty() && density.isEmpty() && water.isEmpty() && note.isEmpty()) {
            fields.missing("flow_s", "Type what was read, added or seen.");
        }
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new TankStore.Entry(at, flow, density, water, note, ""));
    }
}
