package kilnryu.core.gating;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import kilnryu.core.material.Alloy;
import kilnryu.core.mesh.Vec;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;
import kilnryu.core.sum.Mark;

/**
 * How fast the mold fills and how fast its sections freeze (handbook 10).
 *
 * @param flow through the choke, or poured, the smaller, cm3/s
 * @param fill time to fill all below the cup, s
 * @param freezing coefficient B of freezing time, s/m2; empty when the alloy is not tabled
 * @param leastWall thinnest wall that fills with a margin of 2, mm; empty likewise
 * @param inShell the question where it freezes in a shell, which is followed through its wall; empty for investment
 */
record Filling(
        Optional<Figure> choke,
        Optional<Figure> sprueFlow,
        Optional<Figure> flow,
        Optional<Figure> fill,
        Optional<Figure> freezing,
        Optional<Figure> leastWall,
        Optional<GatingQuestion> inShell) {
    private static final Formula FLOW = Formula.rule("discharge * choke * sqrt(2 * 9.81 * head / 1000)");
    private static final Formula SLOWER = Formula.of("min(flow, rate * 1000 / (0.9 * alloy_density))");
    private static final Formula POURED = Formula.of("rate * 1000 / (0.9 * alloy_density)");
    private static final Formula THIRD = Formula.of("usual / 3");
    /** Metal of a small crucible, poured with one hand; our own limit. */
    private static final double SMALL_CRUCIBLE_KG = 5;

    private static final double BY_TONGS_KG = 15;
    private static final double NEARLY_LIQUID = 20;
    private static final Formula FILL = Formula.of("V / flow");
    private static final Formula HEAT_CAPACITY = Formula.rule("900 + 0.25 * mold");
    private static final Formula CONDUCTIVITY = Formula.rule("0.45 + 0.1 * (mold - 100) / 600");
    private static final Formula FREEZING = Formula.of(
            "(alloy_density * 1000 * (latent * 1000 + cp * (metal - liquidus)) / (liquidus - mold))^2 * pi / (4 * k * mold_density * c)");
    private static final Formula TIME = Formula.of("B * (M / 1000)^2");
    private static final Formula LEAST_WALL = Formula.of("2 * sqrt(2 * fill / B) * 1000");
    private static final Formula AREA = Formula.of("one * count");

    static Filling of(GatingQuestion q, Placing placing) {
        Optional<Figure> choke = channels(q.assembly()).stream().min(Comparator.comparingDouble(Figure::value));
        Optional<Figure> through = choke.map(c -> flow(q, placing, c));
        Optional<Figure> sprue = area(q.assembly(), Use.SPRUE).map(c -> flow(q, placing, c));
        Optional<Figure> flow = Optional.of(through.map(f -> slower(q, f)).orElseGet(() -> poured(q)));
        Optional<Figure> fill = flow.map(f -> Figure.computed("fill", "time to fill", Measure.SECONDS)
                .mark(Mark.M, "handbook 10: volume below the cup over the flow")
                .by(FILL, below(q.assembly()), f));
        boolean judged = q.metal().isPresent()
                && q.mold().isPresent()
                && q.alloy().isTabled()
                && q.mold().get().value() < q.alloy().melting().liquidus() - NEARLY_LIQUID;
        if (judged && q.in().shell().isPresent()) {
            Optional<Figure> least = fill.map(f -> leastInShell(q, f));
            return new Filling(choke, sprue, flow, fill, Optional.empty(), least, Optional.of(q));
        }
        Optional<Figure> freezing = judged ? Optional.of(coefficient(q)) : Optional.empty();
        Optional<Figure> least = fill.isPresent() && freezing.isPresent()
                ? Optional.of(Figure.computed("least_wall", "thinnest wall that fills", Measure.MILLIMETRE)
                        .mark(Mark.M, "handbook 10: freezes in twice the time to fill")
                        .by(LEAST_WALL, fill.get(), freezing.get()))
                : Optional.empty();
        return new Filling(choke, sprue, flow, fill, freezing, least, Optional.empty());
    }

    /** Only how fast sections freeze at the temperatures of the question, which are both there. */
    static Filling freezing(GatingQuestion q) {
        boolean shell = q.in().shell().isPresent();
        return new Filling(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                shell ? Optional.empty() : Optional.of(coefficient(q)),
                Optional.empty(),
                shell ? Optional.of(q) : Optional.empty());
    }

    /** By halving: the plate that is solid in twice the time to fill. */
    private static Figure leastInShell(GatingQuestion q, Figure fill) {
        double low = 0.05;
        double high = 60;
        for (int i = 0; i < 12; i++) {
            double middle = Math.sqrt(low * high);
            if (inShell(q, middle / 2, Form.Likeness.PLATE) < 2 * fill.value()) {
                low = middle;
            } else {
                high = middle;
            }
        }
        return Figure.simulated(
                "least_wall",
                "thinnest wall that fills",
                Math.sqrt(low * high),
                Measure.MILLIMETRE,
                "handbook 10 and 23: the plate that is solid in twice the time to fill, followed through the shell's wall");
    }

    private static double inShell(GatingQuestion q, double modulus, Form.Likeness like) {
        return q.in().solid(
                        q.alloy(),
                        q.metal().orElseThrow().value(),
                        q.mold().orElseThrow().value(),
                        modulus,
                        like);
    }

    /** What is poured in a second: as typed, or usual for so much metal. */
    static Figure rate(GatingQuestion q) {
        if (q.pourRate().isPresent()) {
            return q.pourRate().get();
        }
        double kilograms = q.assembly().fromRoot().stream()
                        .mapToDouble(m -> m.volume().value())
                        .sum()
                * q.factors().value(q.alloy().density())
                / 1000;
        Figure usual = q.factors()
                .of(
                        kilograms <= SMALL_CRUCIBLE_KG
                                ? GatingRules.BY_HAND
                                : kilograms <= BY_TONGS_KG ? GatingRules.BY_TONGS : GatingRules.BY_LADLE);
        return q.alloy().family() == Alloy.Family.ALUMINIUM
                ? Figure.computed("rate", "aluminium poured", Measure.KG_PER_SECOND)
                        .mark(Mark.T, "handbook 10: a third of what is poured of bronze")
                        .by(THIRD, usual)
                : usual;
    }

    static Figure poured(GatingQuestion q) {
        return Figure.computed("flow", "metal poured", Measure.CM3_PER_SECOND)
                .mark(Mark.T, "handbook 10: what is poured")
                .by(POURED, rate(q).as("rate"), q.factors().of(q.alloy().density()));
    }

    /** Total narrowest area of each kind of channel there is, mm2. */
    private static List<Figure> channels(Assembly assembly) {
        List<Figure> areas = new ArrayList<>();
        for (Use use : List.of(Use.SPRUE, Use.RUNNER, Use.GATE)) {
            area(assembly, use).ifPresent(areas::add);
        }
        return areas;
    }

    /** Sum over the members of a kind of narrowest section times count. */
    static Optional<Figure> area(Assembly assembly, Use use) {
        List<Figure> areas = assembly.of(use).stream()
                .filter(m -> Double.isFinite(m.narrowest()))
                .map(m -> Figure.computed("area", "section of " + m.name(), Measure.SQUARE_MILLIMETRE)
                        .by(
                                AREA,
                                Figure.given(
                                        "one",
                                        "narrowest section of one",
                                        m.narrowest(),
                                        Measure.SQUARE_MILLIMETRE,
                                        Known.MEASURED,
                                        0),
                                Figure.given("count", "how many", m.count(), Measure.TIMES, Known.MEASURED, 0)))
                .toList();
        return areas.isEmpty()
                ? Optional.empty()
                : Optional.of(Figure.computed("choke", "area of all " + use.label() + "s", Measure.SQUARE_MILLIMETRE)
                        .total(areas));
    }

    private static Figure flow(GatingQuestion q, Placing placing, Figure area) {
        double gates = placing.singles().stream()
                .filter(s -> s.member().use() == Use.PIECE)
                .map(Placing.Single::root)
                .mapToDouble(Vec::z)
                .average()
                .orElse(-placing.depth() / 2);
        return Figure.computed(
                        "flow", "metal through the " + area.name().replace("area of all ", ""), Measure.CM3_PER_SECOND)
                .mark(Mark.M, "handbook 10, discharge through a choke")
                .by(
                        FLOW,
                        q.factors().of(GatingRules.DISCHARGE),
                        area.as("choke"),
                        Modulus.mm("head", "rim to the gates, mean", Math.max(10, -gates)));
    }

    private static Figure slower(GatingQuestion q, Figure flow) {
        return Figure.computed("flow", "metal that comes in", Measure.CM3_PER_SECOND)
                .mark(Mark.M, "handbook 10: the choke or the pour, the smaller")
                .by(SLOWER, flow, rate(q).as("rate"), q.factors().of(q.alloy().density()));
    }

    private static Figure below(Assembly assembly) {
        return Figure.computed("V", "volume below the cup", Measure.CUBIC_CENTIMETRE)
                .total(assembly.fromRoot().stream()
                        .filter(m -> m.use() != Use.CUP)
                        .map(Member::volume)
                        .toList());
    }

    private static Figure coefficient(GatingQuestion q) {
        Alloy alloy = q.alloy();
        Figure mold = q.mold().orElseThrow().as("mold");
        Figure c = Figure.computed("c", "heat capacity of the mold", Measure.JOULE_PER_KG_K)
                .mark(Mark.M, "handbook 8")
                .by(HEAT_CAPACITY, mold);
        Figure k = Figure.computed("k", "conductivity of the mold", Measure.WATT_PER_M_K)
                .mark(Mark.M, "handbook 8")
                .by(CONDUCTIVITY, mold);
        return Figure.computed("B", "freezing coefficient in the " + q.in().name(), Measure.SECOND_PER_M2)
                .mark(Mark.M, "handbook 10, freezing time = B × modulus²")
                .by(
                        FREEZING,
                        q.factors().of(alloy.density()),
                        tabled("latent", "latent heat", alloy.melting().latent(), Measure.KILOJOULE_PER_KG),
                        tabled(
                                "cp",
                                "heat capacity of the melt",
                                alloy.melting().cpLiquid(),
                                Measure.JOULE_PER_KG_K),
                        q.metal().get().as("metal"),
                        tabled("liquidus", "liquidus", alloy.melting().liquidus(), Measure.DEGREE_CELSIUS),
                        mold,
                        k,
                        q.in().density(q.factors()),
                        c);
    }

    private static Figure tabled(String symbol, String name, double value, Measure unit) {
        return Figure.of(new Constant(symbol, symbol, name, value, value, value, unit, Mark.T, "handbook 2, alloys"));
    }

    /** Time until a section has frozen, s. */
    Optional<Figure> freezes(Figure modulus, Form.Likeness like) {
        String name = "freezing of " + modulus.name().replace("modulus of ", "");
        if (inShell.isPresent()) {
            return Optional.of(Figure.simulated(
                    "freeze",
                    name,
                    inShell(inShell.get(), modulus.value(), like),
                    Measure.SECONDS,
                    "handbook 10 and 23: until it is solid, followed through the wall of the shell into the air"));
        }
        return freezing.map(b -> Figure.computed("freeze", name, Measure.SECONDS)
                .mark(Mark.M, "handbook 10")
                .by(TIME, b, modulus.as("M")));
    }
}
