package kilnryu.app.kiln;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.app.kiln.StudioKiln.Control;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.sheet.SheetForm;
import kilnryu.core.kiln.Chamber;
import kilnryu.core.kiln.FiringSums;
import kilnryu.core.kiln.Kiln;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Figure;

/** Reads a kiln of the studio from its fields. */
public final class KilnReader {
    private static final Range INSIDE = new Range(Measure.MILLIMETRE, 80, 5_000);
    private static final Range POWER = new Range(Measure.TIMES, 0.2, 500);
    private static final Range TOP = new Range(Measure.DEGREE_CELSIUS, 620, 1_800);
    private static final Range TRIAL = new Range(Measure.MINUTE, 5, 2_880);
    private static final Range PRICE = new Range(Measure.TIMES, 0, 1_000);
    private static final int MOST_SHELVES = 6;

    private KilnReader() {}

    static List<SheetForm.Option> plans() {
        return List.of(new SheetForm.Option("round", "round"), new SheetForm.Option("square", "square"));
    }

    static List<SheetForm.Option> controls() {
        return java.util.Arrays.stream(Control.values())
                .map(c -> new SheetForm.Option(c.key(), c.label()))
                .toList();
    }

    /** Empty with remarks at the fields that cannot be used. */
    public static Optional<StudioKiln> read(Fields fields) {
        Optional<String> name = fields.text("name", 60);
        if (name.isEmpty()) {
            fields.missing("name", "Give the kiln a name.");
        }
        boolean round = fields.choice(
                        "plan", k -> k.equals("round") || k.equals("square") ? Optional.of(k) : Optional.empty())
                .orElse("round")
                .equals("round");
        OptionalDouble width = fields.required("width_mm", INSIDE);
        OptionalDouble depth = round ? width : fields.required("depth_mm", INSIDE);
        if (round) {
            fields.quantity("depth_mm", INSIDE);
        }
        OptionalDouble height = fields.required("height_mm", INSIDE);
        List<Double> shelves = shelves(fields, height.orElse(0));
        Control control = fields.choice("control", Control::named).orElse(Control.RAMP);
        OptionalInt segments = fields.whole("segments", 1, 200);
        OptionalDouble tariff = fields.quantity("tariff", PRICE);
        String money = fields.text("money", 8).orElse("");
        OptionalDouble max = fields.required("max_C", TOP);
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
        OptionalDouble power = burns ? fields.quantity("power_kW", POWER) : fields.required("power_kW", POWER);
        OptionalDouble trial = burns ? fields.quantity("to_700_min", TRIAL) : fields.required("to_700_min", TRIAL);
        if (power.isEmpty() || trial.isEmpty() || max.isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new Heat(
                Kiln.of(power.getAsDouble(), max.getAsDouble(), trial.getAsDouble()),
                FiringSums.of(power.getAsDouble(), max.getAsDouble(), trial.getAsDouble())));
    }

    private static List<Double> shelves(Fields fields, double height) {
        List<Double> shelves = new ArrayList<>();
        for (String part : fields.text("shelves_mm", 80).orElse("0").split("[,;]")) {
            try {
                double at = Double.parseDouble(part.replace("mm", "").strip());
                if (at < 0 || height > 0 && at >= height || shelves.size() >= MOST_SHELVES) {
                    fields.error("shelves_mm", "Heights inside the kiln, at most " + MOST_SHELVES + ".");
                } else {
                    shelves.add(at);
                }
            } catch (NumberFormatException e) {
                fields.error("shelves_mm", "Heights in mm from the bottom up, like 0, 220.");
            }
        }
        return shelves;
    }
}
