package kilnryu.app.kiln;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.app.kiln.StudioKiln.Control;
import kilnryu.app.sheet.Fields;
import kilnryu.core.kiln.Chamber;
import kilnryu.core.kiln.FiringSums;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.sum.Figure;

/** Reads a kiln of the studio from its fields. */
public final class KilnReader {
    private static final int MOST_SHELVES = 6;

    private KilnReader() {}

    /** Empty with remarks at the fields that cannot be used. */
    public static Optional<StudioKiln> read(Fields fields) {
        Optional<String> name = fields.named(KilnFields.NAME, "Give the kiln a name.");
        boolean round = !fields.choice(KilnFields.SQUARE).orElse(false);
        OptionalDouble width = fields.required(KilnFields.WIDTH);
        OptionalDouble depth = round ? width : fields.required(KilnFields.DEPTH);
        if (round) {
            fields.quantity(KilnFields.DEPTH);
        }
        OptionalDouble height = fields.required(KilnFields.HEIGHT);
        List<Double> shelves = shelves(fields, height.orElse(0));
        Control control = fields.choice(KilnFields.CONTROL).orElse(Control.RAMP);
        OptionalInt segments = fields.whole(KilnFields.SEGMENTS);
        OptionalDouble tariff = fields.quantity(KilnFields.TARIFF);
        String money = fields.text(KilnFields.MONEY).orElse("");
        OptionalDouble max = fields.required(KilnFields.MOST);
        Optional<Heat> heat = heat(fields, control, max);
        if (fields.hasErrors()) {
            return Optional.empty();
        }
        return Optional.of(new StudioKiln(
                name.orElseThrow(),
                new Chamber(round, width.getAsDouble(), depth.getAsDouble(), height.getAsDouble(), shelves),
                heat.map(Heat::kiln),
                heat.map(Heat::sums).orElse(List.of()),
                max.getAsDouble(),
                control,
                segments,
                tariff,
                money));
    }

    /** @return the kiln of a row that was read when it was saved */
    static Optional<StudioKiln> saved(Map<String, String> fields) {
        return read(Fields.typed(fields, kilnryu.app.web.Units.METRIC));
    }

    /** What plate and trial say, and how. */
    private record Heat(Kiln kiln, List<Figure> sums) {}

    private static Optional<Heat> heat(Fields fields, Control control, OptionalDouble max) {
        boolean burns = control == Control.FIRE;
        OptionalDouble power = burns ? fields.quantity(KilnFields.POWER) : fields.required(KilnFields.POWER);
        OptionalDouble trial = burns ? fields.quantity(KilnFields.TO_700) : fields.required(KilnFields.TO_700);
        if (power.isEmpty() || trial.isEmpty() || max.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Heat(
                Kiln.of(power.getAsDouble(), max.getAsDouble(), trial.getAsDouble()),
                FiringSums.of(power.getAsDouble(), max.getAsDouble(), trial.getAsDouble())));
    }

    private static List<Double> shelves(Fields fields, double height) {
        List<Double> shelves = new ArrayList<>();
        for (String part : fields.text(KilnFields.SHELVES).orElse("0").split("[,;]")) {
            try {
                double at = Double.parseDouble(part.replace("mm", "").strip());
                if (at < 0 || height > 0 && at >= height || shelves.size() >= MOST_SHELVES) {
                    fields.error(KilnFields.SHELVES, "Heights inside the kiln, at most " + MOST_SHELVES + ".");
                } else {
                    shelves.add(at);
                }
            } catch (NumberFormatException e) {
                fields.error(KilnFields.SHELVES, "Heights in mm from the bottom up, like 0, 220.");
            }
        }
        return shelves;
    }
}
