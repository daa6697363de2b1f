package kilnryu.core.shell;

import static kilnryu.core.quantity.Measure.CENTIMETRE;
import static kilnryu.core.quantity.Measure.GRAM;
import static kilnryu.core.quantity.Measure.HOUR;
import static kilnryu.core.quantity.Measure.MILLIMETRE;
import static kilnryu.core.quantity.Measure.SQUARE_CENTIMETRE;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Function;
import kilnryu.core.finding.Findings;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/** Plans a ceramic shell by handbook 6: every coat on the area that the coats beneath it have grown to. */
public final class ShellPlanner {
    private static final Constant FIRED = new Constant(
            "shell.fired-density",
            "density",
            "fired shell",
            1.55,
            1.4,
            1.8,
            Measure.GRAM_PER_CM3,
            Mark.T,
            "handbook 6, strength");
    private static final Constant PITCH = new Constant(
                    "shell.wire.pitch",
                    "pitch",
                    "pitch of the wire",
                    20,
                    10,
                    40,
                    MILLIMETRE,
                    Mark.M,
                    "our own estimate")
            .asChoice();
    private static final Constant REMOVAL = new Constant(
                    "shell.wire.removal",
                    "each",
                    "minutes to cut off a metre of wire",
                    1.5,
                    0.5,
                    4,
                    Measure.MINUTE,
                    Mark.M,
                    "our own estimate")
            .asChoice();

    private static final Formula SPHERE_LIKE = Formula.of("2 * sqrt(4 * pi * A0)");
    private static final Formula AREA = Formula.of("A0 + S * x / 10");
    private static final Formula PICKUP = Formula.of("pickup * area / 10");
    private static final Formula AFTER = Formula.of("x + build");
    private static final Formula BODY = Formula.of("area * build / 10");
    private static final Formula FIRED_MASS = Formula.of("density * body");
    private static final Formula WET = Formula.of("wax + slurry * solids / 100 + stucco + last * (1 - solids / 100)");
    private static final Formula LIFT = Formula.of("fired + metal");
    private static final Formula LENGTH = Formula.of("(pi * (w + 2 * t) * h / pitch + 4 * h) / 1000");
    private static final Formula WIRE_MASS = Formula.rule("6.17 * length");
    private static final Formula OFF = Formula.rule("each * length");

    private final Factors factors;

    public ShellPlanner(Factors factors) {
        this.factors = factors;
    }

    public static List<Constant> constants() {
        return List.of(FIRED, PITCH, REMOVAL);
    }

    public ShellPlan plan(ShellQuestion q) {
        Figure solids = q.solids().isPresent()
                ? Figure.given(
                        "solids", "solids of the slurry", q.solids().getAsDouble(), Measure.PERCENT, Known.CHOSEN, 0)
                : Drying.solids(factors);
        Figure curvature = q.curvature()
                .map(s -> s.as("S"))
                .orElseGet(() -> Figure.computed("S", "growth of the area, like a ball", CENTIMETRE)
                        .mark(Mark.M, "sphere-like; a mesh or a measured curvature knows better")
                        .by(SPHERE_LIKE, q.area().as("A0")));
        List<ShellPlan.Layer> layers = layers(q, curvature, solids);
        Figure thickness = Figure.computed("thickness", "thickness of the shell", MILLIMETRE)
                .total(q.recipe().coats().stream()
                        .map(c -> factors.of(c.build()))
                        .toList());
        Figure slurry = total("slurry", "slurry picked up", GRAM, layers, ShellPlan.Layer::slurry);
        Figure stucco = total("stucco", "stucco picked up", GRAM, layers, ShellPlan.Layer::stucco);
        Figure fired = fired(layers);
        boolean dries = layers.stream().allMatch(l -> l.drying().isPresent());
        Optional<Figure> drying = dries
                ? Optional.of(total(
                        "drying",
                        "drying of all coats",
                        HOUR,
                        layers,
                        l -> l.drying().orElseThrow()))
                : Optional.empty();
        Optional<Figure> last = layers.get(layers.size() - 1).drying();
        Optional<Strength> strength = q.load()
                .filter(l -> !l.places().isEmpty())
                .map(l -> Strength.of(l.places(), thickness, l.held(), factors));
        ShellPlan bare = new ShellPlan(
                q,
                layers,
                thickness,
                slurry,
                stucco,
                solids,
                fired,
                q.body().map(b -> wet(b, slurry, stucco, layers, solids)),
                drying,
                dries ? last.map(l -> Drying.finalDry(l, factors)) : Optional.empty(),
                strength,
                q.load()
                        .flatMap(l -> l.held().metal())
                        .map(m -> Figure.computed("lift", "to lift, with metal", GRAM)
                                .by(LIFT, fired, m.as("metal"))),
                q.recipe().wired() ? q.body().map(b -> wire(q, b, layers)) : Optional.empty(),
                Findings.NONE);
        return bare.with(new ShellChecks(bare, factors).check());
    }

    private List<ShellPlan.Layer> layers(ShellQuestion q, Figure curvature, Figure solids) {
        List<ShellPlan.Layer> layers = new ArrayList<>();
        Figure x = Figure.given("x", "thickness so far", 0, MILLIMETRE, Known.COMPUTED, 0);
        for (Coat coat : q.recipe().coats()) {
            int n = layers.size();
            Figure area = Figure.computed("area", "area under coat " + (n + 1), SQUARE_CENTIMETRE)
                    .by(AREA, q.area().as("A0"), curvature, x);
            Figure build = factors.of(coat.build());
            Figure after = Figure.computed("x", "thickness after coat " + (n + 1), MILLIMETRE)
                    .by(AFTER, Figure.given("x", "thickness so far", x.value(), MILLIMETRE, Known.COMPUTED, 0), build);
            layers.add(new ShellPlan.Layer(
                    n + 1,
                    coat,
                    area,
                    picked("slurry", coat, factors.of(coat.slurry()), area),
                    picked("stucco", coat, factors.of(coat.stucco()), area),
                    after,
                    Drying.hours(new Drying.Wet(coat, n, q.aired(), solids), q.air(), factors)));
            x = Figure.given("x", "thickness so far", after.value(), MILLIMETRE, Known.COMPUTED, 0);
        }
        return layers;
    }

    private static Figure picked(String what, Coat coat, Figure pickup, Figure area) {
        return Figure.computed(what, what + " of a " + coat.label() + " coat", GRAM)
                .by(PICKUP, pickup.as("pickup"), flat(area));
    }

    /** A figure without its sum, where the sum stands beside it already. */
    private static Figure flat(Figure figure) {
        return Figure.given(figure.symbol(), figure.name(), figure.value(), figure.unit(), Known.COMPUTED, 0);
    }

    private static Figure total(
            String symbol,
            String name,
            Measure unit,
            List<ShellPlan.Layer> layers,
            Function<ShellPlan.Layer, Figure> which) {
        return Figure.computed(symbol, name, unit)
                .total(layers.stream().map(which).toList());
    }

    private Figure fired(List<ShellPlan.Layer> layers) {
        Figure body = Figure.computed("body", "volume of the shell", Measure.CUBIC_CENTIMETRE)
                .total(layers.stream()
                        .map(l -> Figure.computed("v", "coat " + l.number(), Measure.CUBIC_CENTIMETRE)
                                .by(BODY, flat(l.area()), factors.of(l.coat().build())))
                        .toList());
        return Figure.computed("fired", "shell, fired", GRAM).by(FIRED_MASS, factors.of(FIRED), body);
    }

    private static Figure wet(
            ShellQuestion.Body body, Figure slurry, Figure stucco, List<ShellPlan.Layer> layers, Figure solids) {
        return Figure.computed("wet", "pattern and shell after the last dip", GRAM)
                .by(
                        WET,
                        body.wax().as("wax"),
                        slurry,
                        stucco,
                        layers.get(layers.size() - 1).slurry().as("last"),
                        solids.as("solids"));
    }

    private ShellPlan.Wire wire(ShellQuestion q, ShellQuestion.Body body, List<ShellPlan.Layer> layers) {
        int after = q.recipe().wireAfter();
        Figure pitch = factors.of(PITCH);
        Figure length = Figure.computed("length", "wire, round and four times lengthwise", Measure.METER)
                .mark(Mark.M, "our own estimate")
                .by(
                        LENGTH,
                        Figure.given("w", "width", body.width(), MILLIMETRE, Known.ESTIMATED, 0),
                        layers.get(after - 1).after().as("t"),
                        Figure.given("h", "height", body.height(), MILLIMETRE, Known.ESTIMATED, 0),
                        pitch);
        return new ShellPlan.Wire(
                after,
                pitch,
                length,
                Figure.computed("wire_mass", "of soft steel, 1 mm", GRAM).by(WIRE_MASS, length),
                Figure.computed("removal", "more at the break-out", Measure.MINUTE)
                        .mark(Mark.M, "our own estimate")
                        .by(OFF, factors.of(REMOVAL), length));
    }
}
