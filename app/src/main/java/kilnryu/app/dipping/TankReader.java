package kilnryu.app.dipping;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.sheet.Fields;
import kilnryu.core.shell.SlurryCare;
import kilnryu.core.shell.Tank;

/** Reads a tank from its fields. */
final class TankReader {
    private TankReader() {}

    static Optional<Tank> read(Fields fields) {
        Optional<String> name = fields.named(TankFields.NAME, "Give the tank a name.");
        boolean prime = fields.choice(TankFields.PRIME).orElse(false);
        OptionalDouble diameter = fields.required(TankFields.WIDTH);
        OptionalDouble depth = fields.required(TankFields.DEPTH);
        OptionalDouble level = fields.required(TankFields.LEVEL);
        OptionalDouble density = fields.quantity(TankFields.DENSITY);
        if (depth.isPresent() && level.isPresent() && level.getAsDouble() > depth.getAsDouble()) {
            fields.error(TankFields.LEVEL, "The slurry stands higher than the tank is deep.");
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

    /** What was read of a tank: one of the four at least. */
    static Optional<TankStore.Entry> entry(Fields fields, java.time.Instant at) {
        OptionalDouble flow = fields.quantity(TankFields.FLOW);
        OptionalDouble density = fields.quantity(TankFields.READ);
        OptionalDouble water = fields.quantity(TankFields.WATER);
        String note = fields.text(TankFields.NOTE).orElse("");
        if (flow.isEmpty() && density.isEmpty() && water.isEmpty() && note.isEmpty()) {
            fields.missing(TankFields.FLOW, "Type what was read, added or seen.");
        }
        return fields.hasErrors()
                ? Optional.empty()
                : Optional.of(new TankStore.Entry(at, flow, density, water, note, ""));
    }
}
