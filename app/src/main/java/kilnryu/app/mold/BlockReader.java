package kilnryu.app.mold;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.app.blend.Mixes;
import kilnryu.app.sheet.Fields;
import kilnryu.app.sheet.Range;
import kilnryu.core.block.BlockPlan;
import kilnryu.core.block.BlockPlanner;
import kilnryu.core.block.BlockQuestion;
import kilnryu.core.block.BlockQuestion.Core;
import kilnryu.core.block.BlockQuestion.Mix;
import kilnryu.core.block.BlockQuestion.Row;
import kilnryu.core.block.BlockQuestion.Shape;
import kilnryu.core.block.ImpossibleBlock;
import kilnryu.core.material.Blend;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** Reads a block from its fields; on the plan's page most of it follows from the tree, in the API all is asked. */
public final class BlockReader {
    private static final Range HUMIDITY = new Range(Measure.PERCENT, 0, 100);
    private static final Range ROOM = new Range(Measure.DEGREE_CELSIUS, 0, 45);
    private static final Range PLASTER = new Range(Measure.PERCENT, 0, 100);
    private static final Range CARRIED = new Range(Measure.KILO, 0.1, 5000);
    private static final int MOST_CAVITIES = 20;
    private static final double USUAL_ROOM = 20;
    private static final double USUAL_HUMIDITY = 50;

    private final Fields fields;
    private final String at;
    private final Mixes mixes;
    private final Factors factors;

    private BlockReader(Fields fields, String at, Mixes mixes, Factors factors) {
        this.fields = fields;
        this.at = at;
        this.mixes = mixes;
        this.factors = factors;
    }

    /**
     * What is known of the tree already.
     *
     * @param width across, mm
     * @param height mm
     */
    public record Tree(Figure volume, double width, double height, Optional<Figure> metal) {}

    /** The block of the API: everything is a field. */
    public static Optional<BlockPlan> read(Fields fields, Factors factors) {
        BlockReader reader = new BlockReader(fields, "", Mixes.NONE, factors);
        OptionalDouble width = fields.required("width_mm", Range.LENGTH);
        OptionalDouble height = fields.required("height_mm", Range.LENGTH);
        OptionalDouble tree = fields.required("tree_volume_cm3", Range.VOLUME);
        OptionalDouble metal = fields.quantity("metal_g", Range.MASS);
        Tree known = new Tree(
                given("tree", "volume of the tree", tree.orElse(1), Measure.CUBIC_CENTIMETRE),
                width.orElse(1),
                height.orElse(1),
                metal.isPresent()
                        ? Optional.of(given("metal", "metal", metal.getAsDouble(), Measure.GRAM))
                        : Optional.empty());
        return reader.plan(known);
    }

    /** The block of a plan, its fields under {@code block.}. */
    public static Optional<BlockPlan> read(Fields fields, Tree tree, Mixes mixes, Factors factors) {
        return new BlockReader(fields, "block.", mixes, factors).plan(tree);
    }

    private Optional<BlockPlan> plan(Tree tree) {
        Shape shape = fields.choice(at + "shape", Shape::named).orElse(Shape.CYLINDER);
        double width = fields.quantity(at + "width_mm", Range.LENGTH).orElse(tree.width);
        double depth = fields.quantity(at + "depth_mm", Range.LENGTH).orElse(width);
        double height = fields.quantity(at + "height_mm", Range.LENGTH).orElse(tree.height);
        Figure area = area(width, depth, height);
        OptionalDouble wall = fields.quantity(at + "wall_mm", Range.LENGTH);
        OptionalDouble face = fields.quantity(at + "face_mm", Range.LENGTH);
        Optional<Core> core = core();
        Optional<Mix> fine = mix("fine");
        Optional<Mix> backup = mix("backup").or(() -> fine);
        double room = fields.quantity(at + "temperature_C", ROOM).orElse(USUAL_ROOM);
        double humidity = fields.quantity(at + "humidity_pct", HUMIDITY).orElse(USUAL_HUMIDITY);
        OptionalDouble carried = fields.quantity(at + "lift_kg", CARRIED);
        Row row = new Row(
                fields.whole(at + "cavities", 1, MOST_CAVITIES).orElse(1),
                fields.quantity(at + "between_mm", Range.LENGTH));
        if (fields.hasErrors() || fine.isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(new BlockPlanner(factors)
                    .plan(new BlockQuestion(
                            shape,
                            width,
                            depth,
                            height,
                            tree.volume,
                            area,
                            tree.metal,
                            wall,
                            face,
                            core,
                            fine.get(),
                            backup.orElseThrow(),
                            room,
                            humidity,
                            carried,
                            row)));
        } catch (ImpossibleBlock e) {
            fields.error(at + e.field(), e.getMessage());
            return Optional.empty();
        }
    }

    /** As typed, or that of an ellipsoid of the tree's measures. */
    private Figure area(double width, double depth, double height) {
        OptionalDouble typed = fields.quantity(at + "area_cm2", Range.AREA);
        if (typed.isPresent()) {
            return given("area", "outside of the pattern", typed.getAsDouble(), Measure.SQUARE_CENTIMETRE);
        }
        double a = width / 20;
        double b = depth / 20;
        double c = height / 20;
        double p = 1.6075;
        double mean = (Math.pow(a * b, p) + Math.pow(a * c, p) + Math.pow(b * c, p)) / 3;
        double ellipsoid = 4 * Math.PI * Math.pow(mean, 1 / p);
        return Figure.given(
                "area",
                "outside of the pattern, by an ellipsoid of its measures",
                ellipsoid,
                Measure.SQUARE_CENTIMETRE,
                Known.ESTIMATED,
                ellipsoid * 0.3);
    }

    private Optional<Core> core() {
        OptionalDouble length = fields.quantity(at + "core.length_mm", Range.LENGTH);
        OptionalDouble diameter = fields.quantity(at + "core.diameter_mm", Range.LENGTH);
        OptionalDouble volume = fields.quantity(at + "core.volume_cm3", Range.VOLUME);
        OptionalInt pins = fields.whole(at + "core.pins", 0, 500);
        if (length.isEmpty() && diameter.isEmpty() && volume.isEmpty()) {
            return Optional.empty();
        }
        if (length.isEmpty() || diameter.isEmpty()) {
            fields.missing(
                    at + (length.isEmpty() ? "core.length_mm" : "core.diameter_mm"),
                    "A core has a length and a diameter.");
            return Optional.empty();
        }
        double round = Math.PI / 4 * diameter.getAsDouble() * diameter.getAsDouble() * length.getAsDouble() / 1000;
        return Optional.of(new Core(length.getAsDouble(), diameter.getAsDouble(), volume.orElse(round), pins));
    }

    private Optional<Mix> mix(String which) {
        String path = at + which + ".";
        Optional<Mix> named = fields.choice(path + "mix", key -> mixes.named(key, factors));
        OptionalDouble density = fields.quantity(path + "density", Range.POWDER_DENSITY);
        OptionalDouble water = fields.quantity(path + "water_per_100", Range.WATER_RATIO);
        OptionalDouble plaster = fields.quantity(path + "plaster_pct", PLASTER);
        if (named.isPresent()) {
            return named.map(m -> water.isEmpty() ? m : watered(m, water.getAsDouble()));
        }
        if (density.isPresent() && water.isPresent()) {
            return Optional.of(new Mix(
                    which.equals("fine") ? "fine mix" : "backup mix",
                    Figure.given("d", "true density", density.getAsDouble(), Measure.GRAM_PER_CM3, Known.CHOSEN, 0),
                    Figure.given("W", "water per 100", water.getAsDouble(), Measure.PER_100, Known.CHOSEN, 0),
                    plaster.orElse(50),
                    false,
                    Blend.ofPlaster(plaster.orElse(50), factors)));
        }
        if (which.equals("fine")) {
            fields.missing(path + "mix", "Choose what it is mixed of, or give density and water of the mix.");
        }
        return Optional.empty();
    }

    private static Mix watered(Mix mix, double water) {
        return new Mix(
                mix.name(),
                mix.density(),
                Figure.given("W", "water per 100", water, Measure.PER_100, Known.CHOSEN, 0),
                mix.hemihydrate(),
                mix.smallOnly(),
                mix.against());
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.MEASURED, 0);
    }
}
