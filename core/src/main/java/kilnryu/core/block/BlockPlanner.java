package kilnryu.core.block;

import static kilnryu.core.quantity.Measure.CUBIC_CENTIMETRE;
import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.HOUR;
import static kilnryu.core.quantity.Measure.MEGAPASCAL;
import static kilnryu.core.quantity.Measure.MILLIMETRE;
import static kilnryu.core.quantity.Measure.PERCENT;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import kilnryu.core.block.BlockPlan.Partition;
import kilnryu.core.block.BlockPlan.Quantity;
import kilnryu.core.block.BlockPlan.Support;
import kilnryu.core.block.BlockQuestion.Mix;
import kilnryu.core.finding.Findings;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/** Plans a free-standing investment mold by handbook 5. */
public final class BlockPlanner {
    private static final String SOURCE = "handbook 5";
    private static final Constant LEAST_WALL =
            new Constant("block.wall.least", "least", "least wall of a block", 40, 30, 60, MILLIMETRE, Mark.T, SOURCE);
    private static final Constant WALL_SHARE = new Constant(
            "block.wall.share",
            "share",
            "wall of a block, of its largest side",
            0.15,
            0.1,
            0.25,
            Measure.FRACTION,
            Mark.T,
            SOURCE);
    private static final Constant FACE = new Constant(
                    "block.face", "t", "thickness of the face coat", 8, 6, 10, MILLIMETRE, Mark.T, SOURCE)
            .asChoice();
    private static final Constant CURE = new Constant(
                    "block.cure", "base", "cure before heat, small block", 24, 12, 24, HOUR, Mark.T, SOURCE)
            .asChoice();
    private static final Constant CURE_THICK = new Constant(
            "block.cure.thick",
            "small",
            "half thickness from which a block cures longer",
            75,
            50,
            100,
            MILLIMETRE,
            Mark.M,
            "our own estimate");
    static final Constant TALL = new Constant(
                    "block.tall",
                    "asked",
                    "height from which a block is reinforced",
                    300,
                    250,
                    400,
                    MILLIMETRE,
                    Mark.T,
                    SOURCE)
            .asChoice();
    static final Constant HEAVY = new Constant(
                    "block.heavy",
                    "asked",
                    "mass from which a block is reinforced",
                    25_000,
                    15_000,
                    40_000,
                    GRAM,
                    Mark.T,
                    SOURCE)
            .asChoice();

    private static final Constant LEAST_BETWEEN = new Constant(
                    "block.between.least",
                    "least",
                    "least wall between two cavities",
                    30,
                    20,
                    50,
                    MILLIMETRE,
                    Mark.M,
                    "our own estimate")
            .asChoice();
    private static final Constant BETWEEN_SHARE = new Constant(
            "block.between.share",
            "share",
            "wall between two cavities, of the largest side of one",
            0.1,
            0.08,
            0.2,
            Measure.FRACTION,
            Mark.M,
            "our own estimate");
    static final Constant STRENGTH = new Constant(
            "block.strength",
            "strength",
            "burnt-out plaster block in bending",
            0.3,
            0.1,
            0.6,
            MEGAPASCAL,
            Mark.M,
            "our own estimate");

    private static final Formula PARTITION =
            Formula.rule("0.5 * 0.90 * metal / tree * 1000 * 9.81 * h / 1000 * (span / between)^2 / 1000000");
    private static final Formula WALL = Formula.of("max(least, share * largest)");
    private static final Formula CYLINDER = Formula.of("pi / 4 * (max(w, b) + 2 * wall)^2 * (h + wall) / 1000");
    private static final Formula BOX = Formula.of("(w + 2 * wall) * (b + 2 * wall) * (h + wall) / 1000");
    private static final Formula WRAP = Formula.of("pi / 6 * (w + 2 * wall) * (b + 2 * wall) * (h + wall) / 1000");
    private static final Formula FINE = Formula.of("(area * t / 10 + core) * (1 + overfill / 100)");
    private static final Formula REST = Formula.of("(body - tree - core - area * t / 10) * (1 + overfill / 100)");
    private static final Formula POWDER = Formula.rule("volume / (100 / d + W) * 100");
    private static final Formula WATER = Formula.of("powder * W / 100");
    private static final Formula FREE =
            Formula.of("P1 * max(0, W1 - 0.186 * h1) / 100 + P2 * max(0, W2 - 0.186 * h2) / 100");
    private static final Formula WET = Formula.of("P1 + A1 + P2 + A2 + tree_density * tree");
    private static final Formula CURED = Formula.of("wet - free_water");
    private static final Formula BURNT = Formula.of("P1 * (1 - 0.062 * h1 / 100) + P2 * (1 - 0.062 * h2 / 100)");
    private static final Formula POURED = Formula.of("burnt + metal");
    private static final Formula CURE_HOURS =
            Formula.rule("base * max(1, thick / small) * (1 + max(0, RH - 50) / 100) * (1 + 0.03 * max(0, 20 - T))");

    private final Factors factors;

    public BlockPlanner(Factors factors) {
        this.factors = factors;
    }

    /** The constants a studio may replace. */
    public static List<Constant> constants() {
        return List.of(
                LEAST_WALL, WALL_SHARE, FACE, CURE, CURE_THICK, TALL, HEAVY, LEAST_BETWEEN, BETWEEN_SHARE, STRENGTH);
    }

    /** @throws ImpossibleBlock when face coat, core and tree leave no room for the backup */
    public BlockPlan plan(BlockQuestion asked) {
        Figure between = between(asked);
        Optional<Partition> partition = asked.row().cavities() > 1
                ? Optional.of(new Partition(asked.row().cavities(), between, stress(asked, between)))
                : Optional.empty();
        BlockQuestion q = asked.together(between);
        Figure wall = wall(q);
        Figure body = body(q, wall);
        Figure face = q.face().isPresent()
                ? Figure.given("t", "face coat", q.face().getAsDouble(), MILLIMETRE, Known.CHOSEN, 0)
                : factors.of(FACE);
        Figure core = given(
                "core", "core inside the casting", q.core().map(c -> c.volume()).orElse(0.0), CUBIC_CENTIMETRE);
        Figure over = factors.of(FlaskPlanner.OVERFILL);
        Figure area = q.area().as("area");
        double rest = body.value() - q.tree().value() - core.value() - area.value() * face.value() / 10;
        if (rest <= 0) {
            throw new ImpossibleBlock(
                    core.value() > body.value() / 2 ? "core.volume_cm3" : "area_cm2",
                    "Tree, core and face coat fill the whole block: nothing is left for the backup.");
        }
        Quantity fine = quantity(
                "fine",
                q.fine(),
                Figure.computed("volume", "face coat and core", CUBIC_CENTIMETRE)
                        .by(FINE, area, face, core, over));
        Quantity backup = quantity(
                "backup",
                q.backup(),
                Figure.computed("volume", "backup", CUBIC_CENTIMETRE)
                        .by(REST, body, q.tree().as("tree"), core, area, face, over));
        return built(new Laid(asked, q, partition), wall, body, fine, backup);
    }

    /** One tree as asked, all of the row together, and what stands between them. */
    private record Laid(BlockQuestion one, BlockQuestion all, Optional<Partition> partition) {}

    private BlockPlan built(Laid laid, Figure wall, Figure body, Quantity fine, Quantity backup) {
        BlockQuestion q = laid.all;
        List<Figure> both = new ArrayList<>(List.of(
                fine.powder().as("P1"),
                backup.powder().as("P2"),
                fine.water().as("A1"),
                backup.water().as("A2"),
                q.fine().water().as("W1"),
                q.backup().water().as("W2"),
                given("h1", "plaster in " + q.fine().name(), q.fine().hemihydrate(), PERCENT),
                given("h2", "plaster in " + q.backup().name(), q.backup().hemihydrate(), PERCENT)));
        Figure free = Figure.computed("free_water", "water that has to leave", GRAM)
                .by(FREE, pick(both, "P1", "W1", "h1", "P2", "W2", "h2"));
        List<Figure> fresh = new ArrayList<>(pick(both, "P1", "A1", "P2", "A2"));
        fresh.add(factors.of(FlaskPlanner.TREE_IN_MOLD));
        fresh.add(q.tree().as("tree"));
        Figure wet = Figure.computed("wet", "wet, just filled", GRAM).by(WET, fresh);
        Figure cured = Figure.computed("cured", "dry, before heat", GRAM).by(CURED, wet, free);
        Figure burnt = Figure.computed("burnt", "burnt out", GRAM).by(BURNT, pick(both, "P1", "h1", "P2", "h2"));
        Optional<Figure> poured =
                q.metal().map(m -> Figure.computed("poured", "with metal", GRAM).by(POURED, burnt, m.as("metal")));
        double[] outer = outer(q, wall.value());
        Support support = support(q, wet, body, outer);
        Figure cure = cure(q, outer);
        Findings findings = new BlockChecks(laid.one, q.largest(), factors)
                .check(wet, support, poured, laid.partition)
                .and(q.fine().against())
                .and(
                        q.backup().name().equals(q.fine().name())
                                ? Findings.NONE
                                : q.backup().against());
        return new BlockPlan(
                wall,
                outer[0],
                outer[1],
                outer[2],
                body,
                fine,
                backup,
                free,
                wet,
                cured,
                burnt,
                poured,
                cure,
                support,
                laid.partition,
                findings);
    }

    private static List<Figure> pick(List<Figure> from, String... symbols) {
        return List.of(symbols).stream()
                .map(s -> from.stream()
                        .filter(f -> f.symbol().equals(s))
                        .findFirst()
                        .orElseThrow())
                .toList();
    }

    private Figure wall(BlockQuestion q) {
        if (q.wall().isPresent()) {
            return Figure.given("wall", "wall", q.wall().getAsDouble(), MILLIMETRE, Known.CHOSEN, 0);
        }
        return wallAsked(q.largest(), factors);
    }

    /** Wall asked round what is inside, mm. */
    static Figure wallAsked(double largest, Factors factors) {
        return Figure.computed("wall", "wall", MILLIMETRE)
                .mark(Mark.T, SOURCE)
                .by(
                        WALL,
                        factors.of(LEAST_WALL),
                        factors.of(WALL_SHARE),
                        given("largest", "largest side of what is inside", largest, MILLIMETRE));
    }

    private Figure between(BlockQuestion q) {
        if (q.row().between().isPresent()) {
            return Figure.given(
                    "between", "wall between cavities", q.row().between().getAsDouble(), MILLIMETRE, Known.CHOSEN, 0);
        }
        return betweenAsked(q, factors);
    }

    static Figure betweenAsked(BlockQuestion q, Factors factors) {
        return Figure.computed("between", "wall between cavities", MILLIMETRE)
                .mark(Mark.M, "our own estimate")
                .by(
                        WALL,
                        factors.of(LEAST_BETWEEN),
                        factors.of(BETWEEN_SHARE),
                        given("largest", "largest side of one", q.largest(), MILLIMETRE));
    }

    /** One cavity full, its neighbour still empty: a flat wall held at its edges (handbook 6). */
    private static Optional<Figure> stress(BlockQuestion q, Figure between) {
        return q.metal()
                .map(m -> Figure.computed("stress", "bending of the wall between", MEGAPASCAL)
                        .mark(Mark.P, "handbook 6, flat face")
                        .by(
                                PARTITION,
                                m.as("metal"),
                                q.tree().as("tree"),
                                given("h", "head of metal", q.height(), MILLIMETRE),
                                given("span", "span of the wall", Math.min(q.depth(), q.height()), MILLIMETRE),
                                between.as("between")));
    }

    private static Figure body(BlockQuestion q, Figure wall) {
        Formula formula = switch (q.shape()) {
            case CYLINDER -> CYLINDER;
            case BOX -> BOX;
            case WRAP -> WRAP;
        };
        Mark mark = q.shape() == BlockQuestion.Shape.WRAP ? Mark.M : Mark.P;
        return Figure.computed("body", "block to its outer faces", CUBIC_CENTIMETRE)
                .mark(mark, mark == Mark.M ? "a close wrap follows the tree like an ellipsoid" : "")
                .by(
                        formula,
                        given("w", "width of the tree", q.width(), MILLIMETRE),
                        given("b", "depth of the tree", q.depth(), MILLIMETRE),
                        given("h", "height of the tree", q.height(), MILLIMETRE),
                        wall);
    }

    private static double[] outer(BlockQuestion q, double wall) {
        boolean round = q.shape() == BlockQuestion.Shape.CYLINDER;
        double widest = Math.max(q.width(), q.depth());
        return new double[] {
            (round ? widest : q.width()) + 2 * wall, (round ? widest : q.depth()) + 2 * wall, q.height() + wall
        };
    }

    private static Quantity quantity(String which, Mix mix, Figure volume) {
        Figure powder = Figure.computed("powder", which + " powder", GRAM)
                .by(POWDER, volume, mix.density().as("d"), mix.water().as("W"));
        Figure water = Figure.computed("water", which + " water", GRAM)
                .by(WATER, powder, mix.water().as("W"));
        return new Quantity(mix.name(), volume, powder, water);
    }

    private Figure cure(BlockQuestion q, double[] outer) {
        double half = Math.min(outer[0], Math.min(outer[1], outer[2])) / 2;
        return Figure.computed("cure", "cure before heat, at the earliest", HOUR)
                .mark(Mark.M, "by thickness and climate; the scale knows better")
                .by(
                        CURE_HOURS,
                        factors.of(CURE),
                        given("thick", "half of its least side", half, MILLIMETRE),
                        factors.of(CURE_THICK),
                        given("RH", "humidity of the room", q.humidity(), PERCENT),
                        given("T", "temperature of the room", q.roomC(), Measure.DEGREE_CELSIUS));
    }

    private Support support(BlockQuestion q, Figure wet, Figure body, double[] outer) {
        int levels = q.core()
                .map(c -> Math.max(1, (int) Math.ceil(c.length() / (3 * c.diameter()) - 1e-9)))
                .orElse(0);
        boolean strong = outer[2] > factors.value(TALL) || wet.value() > factors.value(HEAVY);
        int bands = strong ? Math.max(2, (int) Math.ceil(outer[2] / 150)) : 0;
        double box = (outer[0] + 100) * (outer[1] + 100) * outer[2] / 1000;
        double sand = strong ? (box - body.value()) * 1.6 / 1000 : 0;
        return new Support(levels, 3 * levels * q.row().cavities(), bands, sand);
    }

    private static Figure given(String symbol, String name, double value, Measure unit) {
        return Figure.given(symbol, name, value, unit, Known.MEASURED, 0);
    }
}
