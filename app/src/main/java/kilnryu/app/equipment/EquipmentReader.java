package kilnryu.app.equipment;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.DoubleStream;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.flask.Fit;
import kilnryu.core.flask.MixSession;
import kilnryu.core.flask.StudioFlask;
import kilnryu.core.piece.Equipment;
import kilnryu.core.quantity.Measure;
import kilnryu.core.tree.Crucible;

/** Reads a studio's equipment from its fields. */
public final class EquipmentReader {
    private static final Range LIFT = new Range(Measure.KILO, 0.1, 5000);
    private static final Range SCALE = new Range(Measure.GRAM, 1, 1_000_000);
    private static final Range STEP = new Range(Measure.GRAM, 0.0001, 1000);
    private static final Range WALL = new Range(Measure.MILLIMETRE, 0.3, 50);
    private static final Range PRICE = new Range(Measure.TIMES, 0, 100_000);
    private static final int LONGEST_NAME = 60;
    private static final int LONGEST_MONEY = 8;
    private static final int MOST_ROWS = 200;
    private static final double USUAL_WALL = 2;
    private static final List<String> LISTS = List.of("flasks", "bowls");

    private final Fields fields;

    private EquipmentReader(Fields fields) {
        this.fields = fields;
    }

    /**
     * All that a studio works with.
     *
     * @param places flasks that go under the bell at once
     * @param scaleMost what the scale bears, g
     * @param scaleStep its last digit, g
     * @param crucible what is melted at once
     */
    public record Workshop(
            Equipment equipment,
            List<StudioFlask> flasks,
            List<MixSession.Bowl> bowls,
            Fit.Shop shop,
            int places,
            OptionalDouble scaleMost,
            OptionalDouble scaleStep,
            Crucible crucible) {}

    public static Workshop workshop(Fields fields) {
        return new EquipmentReader(fields).workshop();
    }

    public static Equipment read(Fields fields) {
        return workshop(fields).equipment();
    }

    private Workshop workshop() {
        List<StudioFlask> flasks = flasks();
        List<MixSession.Bowl> bowls = bowls();
        OptionalDouble opening = fields.quantity("chamber_opening_mm", Range.LENGTH);
        OptionalDouble underBell = fields.quantity("chamber_height_mm", Range.LENGTH);
        OptionalDouble kilnWide = fields.quantity("kiln_width_mm", Range.LENGTH);
        OptionalDouble kilnHigh = fields.quantity("kiln_height_mm", Range.LENGTH);
        OptionalDouble lift = fields.quantity("lift_kg", LIFT);
        OptionalDouble capacity = fields.quantity("crucible_cm3", Range.VOLUME);
        OptionalDouble rated = fields.quantity("crucible_rated_g", Range.MASS);
        OptionalInt places = fields.whole("bell_places", 1, 50);
        fields.quantity("slurry_price", PRICE);
        fields.quantity("stucco_price", PRICE);
        fields.text("money", LONGEST_MONEY);
        Fit.Table table = new Fit.Table(
                fields.quantity("table_opening_mm", Range.LENGTH), fields.quantity("table_reach_mm", Range.LENGTH));
        Equipment equipment = new Equipment(
                largest(
                        fields.quantity("flask_diameter_mm", Range.LENGTH),
                        flasks.stream().mapToDouble(StudioFlask::inner)),
                largest(
                        fields.quantity("flask_height_mm", Range.LENGTH),
                        flasks.stream().mapToDouble(StudioFlask::height)),
                underBell,
                kilnWide,
                kilnHigh,
                fields.quantity("tank_diameter_mm", Range.LENGTH),
                fields.quantity("tank_depth_mm", Range.LENGTH),
                capacity,
                lift);
        return new Workshop(
                equipment,
                flasks,
                bowls,
                new Fit.Shop(opening, underBell, kilnWide, kilnHigh, lift, table),
                places.orElse(1),
                fields.quantity("scale_capacity_g", SCALE),
                fields.quantity("scale_step_g", STEP),
                new Crucible(capacity, rated));
    }

    private static OptionalDouble largest(OptionalDouble typed, DoubleStream listed) {
        OptionalDouble most = listed.max();
        return most.isPresent() ? most : typed;
    }

    private List<StudioFlask> flasks() {
        List<StudioFlask> flasks = new ArrayList<>();
        for (String key : rows("flasks", fields)) {
            flask(key, "flasks[" + key + "].").ifPresent(flasks::add);
        }
        return flasks;
    }

    private Optional<StudioFlask> flask(String key, String at) {
        OptionalDouble inner = fields.required(at + "inner_mm", Range.LENGTH);
        OptionalDouble other = fields.quantity(at + "other_mm", Range.LENGTH);
        OptionalDouble height = fields.required(at + "height_mm", Range.LENGTH);
        OptionalDouble wall = fields.quantity(at + "wall_mm", WALL);
        int count = fields.whole(at + "count", 1, 500).orElse(1);
        boolean holes = fields.choice(at + "steel", EquipmentReader::holes).orElse(false);
        OptionalDouble dome = fields.quantity(at + "dome_cm3", Range.VOLUME_OR_NONE);
        Optional<String> name = fields.text(at + "name", LONGEST_NAME);
        if (inner.isEmpty() || height.isEmpty()) {
            return Optional.empty();
        }
        double long1 = Math.max(inner.getAsDouble(), other.orElse(0));
        double short1 = Math.min(inner.getAsDouble(), other.orElse(inner.getAsDouble()));
        boolean oval = short1 < long1;
        String size = "D " + Show.exact(long1) + (oval ? " / " + Show.exact(short1) : "") + " × "
                + Show.exact(height.getAsDouble());
        return Optional.of(new StudioFlask(
                key,
                name.orElse(size),
                long1,
                oval ? Optional.of(short1) : Optional.empty(),
                height.getAsDouble(),
                wall.orElse(USUAL_WALL),
                holes,
                count,
                dome.orElse(0)));
    }

    private static Optional<Boolean> holes(String key) {
        return switch (key) {
            case "solid" -> Optional.of(false);
            case "perforated" -> Optional.of(true);
            default -> Optional.empty();
        };
    }

    private List<MixSession.Bowl> bowls() {
        List<MixSession.Bowl> bowls = new ArrayList<>();
        for (String key : rows("bowls", fields)) {
            String at = "bowls[" + key + "].";
            OptionalDouble volume = fields.required(at + "volume_cm3", Range.VOLUME);
            int count = fields.whole(at + "count", 1, 100).orElse(1);
            String name = fields.text(at + "name", LONGEST_NAME).orElse("bowl");
            volume.ifPresent(v -> bowls.add(new MixSession.Bowl(name, v, count)));
        }
        return bowls;
    }

    /** Rows in which anything is typed; a list that is far too long is refused at its field. */
    private static List<String> rows(String list, Fields fields) {
        List<String> rows =
                fields.keys(list).stream().filter(k -> !blank(list, k, fields)).toList();
        if (rows.size() > MOST_ROWS) {
            fields.error(list, "At most " + MOST_ROWS + " lines.");
        }
        return rows.stream().limit(MOST_ROWS).toList();
    }

    /** A line whose fields are all empty; what is chosen from a list says nothing alone. */
    private static boolean blank(String list, String key, Fields fields) {
        String at = list + "[" + key + "].";
        return fields.written().entrySet().stream()
                .filter(e -> e.getKey().startsWith(at) && !e.getKey().endsWith(".steel"))
                .allMatch(e -> e.getValue().isBlank());
    }

    /** What is worth saving: empty lines and empty fields left out. */
    static Map<String, String> kept(Fields fields) {
        Map<String, String> kept = fields.kept();
        for (String list : LISTS) {
            for (String key : fields.keys(list)) {
                if (blank(list, key, fields)) {
                    kept.keySet().removeIf(path -> path.startsWith(list + "[" + key + "]."));
                }
            }
        }
        return kept;
    }

    /** Price of a kilogram of slurry and of stucco, in the studio's money; empty where one is not known. */
    public static Optional<Prices> prices(Map<String, String> saved) {
        Fields fields = Fields.typed(saved, Units.METRIC);
        OptionalDouble slurry = fields.quantity("slurry_price", PRICE);
        OptionalDouble stucco = fields.quantity("stucco_price", PRICE);
        return slurry.isPresent() && stucco.isPresent()
                ? Optional.of(new Prices(slurry.getAsDouble(), stucco.getAsDouble()))
                : Optional.empty();
    }

    /** The studio's money, empty where it is not said. */
    public static String money(Map<String, String> saved) {
        return saved.getOrDefault("money", "").strip();
    }

    /** Of a kilogram, in the studio's money. */
    public record Prices(double slurry, double stucco) {}

    /** What is saved, read in the units in which it was written out. */
    public static Equipment saved(Map<String, String> fields) {
        return read(Fields.typed(fields, Units.METRIC));
    }

    /** The same with all lists. */
    public static Workshop workshop(Map<String, String> saved) {
        return workshop(Fields.typed(saved, Units.METRIC));
    }

    /** Nothing known. */
    public static Equipment none() {
        OptionalDouble no = OptionalDouble.empty();
        return new Equipment(no, no, no, no, no, no, no, no, no);
    }
}
