package kilnryu.app.mold;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import kilnryu.app.blend.Mixes;
import kilnryu.app.sheet.Fields;
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
import kilnryu.core.quantity.Solids;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;

/** Reads a block from its fields; on the plan's page most of it follows from the tree, in the API all is asked. */
public final class BlockReader {
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
        OptionalDouble width = fields.required(BlockFields.WIDTH);
        OptionalDouble height = fields.required(BlockFields.HEIGHT);
        OptionalDouble tree = fields.required(BlockFields.TREE_VOLUME);
        OptionalDouble metal = fields.quantity(BlockFields.METAL);
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
        Shape shape = fields.choice(BlockFields.SHAPE.under(at)).orElse(Shape.CYLINDER);
        double width = fields.quantity(BlockFields.WIDTH.under(at)).orElse(tree.width);
        double depth = fields.quantity(BlockFields.DEPTH.under(at)).orElse(width);
        double height = fields.quantity(BlockFields.HEIGHT.under(at)).orElse(tree.height);
        Figure area = area(width, depth, height);
        OptionalDouble wall = fields.quantity(BlockFields.WALL.under(at));
        OptionalDouble face = fields.quantity(BlockFields.FACE.under(at));
        Optional<Core> core = core();
        Optional<Mix> fine = mix(BlockFields.FINE, "fine mix", true);
        Optional<Mix> backup = mix(BlockFields.BACKUP, "backup mix", false).or(() -> fine);
        double room = fields.quantity(BlockFields.ROOM_C.under(at)).orElse(USUAL_ROOM);
        double humidity = fields.quantity(BlockFields.HUMIDITY.under(at)).orElse(USUAL_HUMIDITY);
        OptionalDouble carried = fields.quantity(BlockFields.LIFT.under(at));
        Row row = new Row(
                fields.whole(BlockFields.CAVITIES.under(at)).orElse(1), fields.quantity(BlockFields.BETWEEN.under(at)));
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
        OptionalDouble typed = fields.quantity(BlockFields.AREA.under(at));
        if (typed.isPresent()) {
            return given("area", "outside of the pattern", typed.getAsDouble(), Measure.SQUARE_CENTIMETRE);
        }
        double ellipsoid = Solids.ellipsoid(width, depth, height);
        return Figure.given(
                "area",
                "outside of the pattern, by an ellipsoid of its measures",
                ellipsoid,
                Measure.SQUARE_CENTIMETRE,
                Known.ESTIMATED,
                ellipsoid * 0.3);
    }

    private Optional<Core> core() {
        OptionalDouble length = fields.quantity(BlockFields.CORE_LENGTH.under(at));
        OptionalDouble diameter = fields.quantity(BlockFields.CORE_DIAMETER.under(at));
        OptionalDouble volume = fields.quantity(BlockFields.CORE_VOLUME.under(at));
        OptionalInt pins = fields.whole(BlockFields.CORE_PINS.under(at));
        if (length.isEmpty() && diameter.isEmpty() && volume.isEmpty()) {
            return Optional.empty();
        }
        if (length.isEmpty() || diameter.isEmpty()) {
            fields.missing(
                    (length.isEmpty() ? BlockFields.CORE_LENGTH : BlockFields.CORE_DIAMETER).under(at),
                    "A core has a length and a diameter.");
            return Optional.empty();
        }
        double round = Solids.cylinder(diameter.getAsDouble(), length.getAsDouble());
        return Optional.of(new Core(length.getAsDouble(), diameter.getAsDouble(), volume.orElse(round), pins));
    }

    private Optional<Mix> mix(BlockFields.MixFields of, String name, boolean needed) {
        Optional<Mix> named = fields.choice(of.mix().under(at), key -> mixes.named(key, factors));
        OptionalDouble density = fields.quantity(of.density().under(at));
        OptionalDouble water = fields.quantity(of.water().under(at));
        OptionalDouble plaster = fields.quantity(of.plaster().under(at));
        if (named.isPresent()) {
            return named.map(m -> water.isEmpty() ? m : watered(m, water.getAsDouble()));
        }
        if (density.isPresent() && water.isPresent()) {
            return Optional.of(new Mix(
                    name,
                    Figure.given("d", "true density", density.getAsDouble(), Measure.GRAM_PER_CM3, Known.CHOSEN, 0),
                    Figure.given("W", "water per 100", water.getAsDouble(), Measure.PER_100, Known.CHOSEN, 0),
                    plaster.orElse(50),
                    false,
                    Blend.ofPlaster(plaster.orElse(50), factors)));
        }
        if (needed) {
            fields.missing(of.mix().under(at), "Choose what it is mixed of, or give density and water of the mix.");
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
