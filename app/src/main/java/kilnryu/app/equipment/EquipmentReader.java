package kilnryu.app.equipment;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.stream.DoubleStream;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Show;
import kilnryu.app.web.Units;
import kilnryu.core.flask.Fit;
import kilnryu.core.flask.MixSession;
import kilnryu.core.flask.StudioFlask;
import kilnryu.core.piece.Equipment;
import kilnryu.core.tree.Crucible;

/** Reads a studio's equipment from its fields. */
public final class EquipmentReader {
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
        OptionalDouble opening = fields.quantity(EquipmentFields.BELL_WIDTH);
        OptionalDouble underBell = fields.quantity(EquipmentFields.BELL_HEIGHT);
        OptionalDouble kilnWide = fields.quantity(EquipmentFields.KILN_WIDTH);
        OptionalDouble kilnHigh = fields.quantity(EquipmentFields.KILN_HEIGHT);
        OptionalDouble lift = fields.quantity(EquipmentFields.LIFT);
        OptionalDouble capacity = fields.quantity(EquipmentFields.CRUCIBLE);
        OptionalDouble rated = fields.quantity(EquipmentFields.CRUCIBLE_RATED);
        OptionalInt places = fields.whole(EquipmentFields.BELL_PLACES);
        fields.quantity(EquipmentFields.SLURRY_PRICE);
        fields.quantity(EquipmentFields.STUCCO_PRICE);
        fields.text(EquipmentFields.MONEY);
        Fit.Table table = new Fit.Table(
                fields.quantity(EquipmentFields.TABLE_OPENING), fields.quantity(EquipmentFields.TABLE_REACH));
        Equipment equipment = new Equipment(
                largest(
                        fields.quantity(EquipmentFields.LARGEST_WIDTH),
                        flasks.stream().mapToDouble(StudioFlask::inner)),
                largest(
                        fields.quantity(EquipmentFields.LARGEST_HEIGHT),
                        flasks.stream().mapToDouble(StudioFlask::height)),
                underBell,
                kilnWide,
                kilnHigh,
                fields.quantity(EquipmentFields.TANK_WIDTH),
                fields.quantity(EquipmentFields.TANK_DEPTH),
                capacity,
                lift);
        return new Workshop(
                equipment,
                flasks,
                bowls,
                new Fit.Shop(opening, underBell, kilnWide, kilnHigh, lift, table),
                places.orElse(1),
                fields.quantity(EquipmentFields.SCALE_MOST),
                fields.quantity(EquipmentFields.SCALE_STEP),
                new Crucible(capacity, rated));
    }

    private static OptionalDouble largest(OptionalDouble typed, DoubleStream listed) {
        OptionalDouble most = listed.max();
        return most.isPresent() ? most : typed;
    }

    private List<StudioFlask> flasks() {
        List<StudioFlask> flasks = new ArrayList<>();
        for (String key : rows("flasks", fields)) {
            flask(key).ifPresent(flasks::add);
        }
        return flasks;
    }

    private Optional<StudioFlask> flask(String key) {
        OptionalDouble inner = fields.required(EquipmentFields.FLASK_INNER.in(key));
        OptionalDouble other = fields.quantity(EquipmentFields.FLASK_OTHER.in(key));
        OptionalDouble height = fields.required(EquipmentFields.FLASK_HEIGHT.in(key));
        OptionalDouble wall = fields.quantity(EquipmentFields.FLASK_WALL.in(key));
        int count = fields.whole(EquipmentFields.FLASK_COUNT.in(key)).orElse(1);
        boolean holes = fields.choice(EquipmentFields.FLASK_STEEL.in(key)).orElse(false);
        OptionalDouble dome = fields.quantity(EquipmentFields.FLASK_DOME.in(key));
        Optional<String> name = fields.text(EquipmentFields.FLASK_NAME.in(key));
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

    private List<MixSession.Bowl> bowls() {
        List<MixSession.Bowl> bowls = new ArrayList<>();
        for (String key : rows("bowls", fields)) {
            OptionalDouble volume = fields.required(EquipmentFields.BOWL_VOLUME.in(key));
            int count = fields.whole(EquipmentFields.BOWL_COUNT.in(key)).orElse(1);
            String name = fields.text(EquipmentFields.BOWL_NAME.in(key)).orElse("bowl");
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
        OptionalDouble slurry = fields.quantity(EquipmentFields.SLURRY_PRICE);
        OptionalDouble stucco = fields.quantity(EquipmentFields.STUCCO_PRICE);
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
