package kilnryu.core.gating;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleUnaryOperator;
import java.util.stream.Stream;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.solid.Freezable;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/** Judges a tree before it is cast: how it fills, feeds, vents, drains and holds together (handbook 10). */
public final class GatingPlanner {
    private static final Formula RATIO = Formula.of("gates / sprue");

    /** A stream is driven by this much at least, mm. */
    private static final double LEAST_HEAD = 10;

    private GatingPlanner() {}

    public static List<Constant> constants() {
        return GatingRules.constants();
    }

    /** What says how fast metal runs: through a choke, and poured by a hand, by tongs, by a ladle. */
    public static List<Constant> flow() {
        return List.of(GatingRules.DISCHARGE, GatingRules.BY_HAND, GatingRules.BY_TONGS, GatingRules.BY_LADLE);
    }

    /** What comes in, cm3/s, by how far the metal stands under the rim, mm: through the choke, but no more than is poured. */
    public static DoubleUnaryOperator inflow(GatingPlan plan) {
        GatingQuestion q = plan.question();
        double poured = Filling.poured(q).value();
        double discharge = q.factors().value(GatingRules.DISCHARGE);
        double choke = Stream.of(Use.SPRUE, Use.RUNNER, Use.GATE)
                .flatMap(use -> Filling.area(plan.assembly(), use).stream())
                .mapToDouble(Figure::value)
                .min()
                .orElse(Double.POSITIVE_INFINITY);
        return under -> Math.min(poured, discharge * choke * Math.sqrt(2 * 9.81 * Math.max(LEAST_HEAD, under) / 1000));
    }

    /**
     * The same where only the narrowest section is known, or nothing: then it is what a hand pours.
     *
     * @param choke mm2
     */
    public static DoubleUnaryOperator inflow(OptionalDouble choke, Alloy alloy, Factors factors) {
        double poured = factors.value(GatingRules.BY_TONGS) * 1000 / (0.9 * factors.value(alloy.density()));
        double discharge = factors.value(GatingRules.DISCHARGE);
        return choke.isEmpty()
                ? under -> poured
                : under -> discharge * choke.getAsDouble() * Math.sqrt(2 * 9.81 * Math.max(LEAST_HEAD, under) / 1000);
    }

    /** Volume that is lost from liquid to solid, a share. */
    public static double shrinks(Alloy alloy, Factors factors) {
        return factors.value(GatingRules.shrinkage(alloy)) / 100;
    }

    /** A metal that is tabled, by its heat. */
    public static Freezable metal(Alloy alloy, Factors factors) {
        return SectionFreezing.metal(alloy, factors);
    }

    /** Vacuum, Pa under the air, that is felt so far over the lowest metal, mm; the table is under that. */
    public static DoubleUnaryOperator felt(double kPa, Factors factors) {
        double reach = factors.value(GatingRules.REACH);
        return over -> 1000 * kPa * Math.max(0, 1 - (over + Capillary.BELOW) / reach);
    }

    /** Thickest wall, mm, that casts sound in an alloy without being fed. */
    public static Figure thickestUnfed(Alloy alloy, Factors factors) {
        return factors.of(GatingRules.unfed(alloy));
    }

    public static GatingPlan plan(GatingQuestion question) {
        Assembly assembly = question.assembly();
        Placing placing = Placing.of(assembly);
        Map<String, Figure> moduli = new LinkedHashMap<>();
        assembly.fromRoot().forEach(m -> moduli.put(m.key(), Modulus.of(m)));
        Filling filling = Filling.of(question, placing);
        List<Figure> figures = new ArrayList<>();
        filling.flow().ifPresent(figures::add);
        filling.fill().ifPresent(figures::add);
        filling.freezing().ifPresent(figures::add);
        filling.leastWall().ifPresent(figures::add);
        Optional<Figure> ratio = ratio(assembly);
        ratio.ifPresent(figures::add);
        Optional<Figure> head = head(placing);
        head.ifPresent(figures::add);
        Sight sight = new Sight(question, assembly, placing, moduli, filling);
        List<Finding> found = new ArrayList<>();
        FeedChecks.check(sight, found);
        FillChecks.check(sight, ratio, head, found);
        GasChecks.check(sight, found);
        ShapeChecks.check(sight, found);
        return new GatingPlan(
                question, assembly, placing, Map.copyOf(moduli), List.copyOf(figures), new Findings(found));
    }

    /** All that the checks look at. */
    record Sight(
            GatingQuestion question, Assembly assembly, Placing placing, Map<String, Figure> moduli, Filling filling) {
        Figure modulus(Member member) {
            return Objects.requireNonNull(moduli.get(member.key()), member.key());
        }

        Figure of(Constant constant) {
            return question.factors().of(constant);
        }

        double value(Constant constant) {
            return question.factors().value(constant);
        }

        /** Gates that hold a piece, the one it hangs on among them; a feeder that stands free holds nothing. */
        int heldBy(Member piece) {
            long ends = assembly.fromRoot().stream()
                    .filter(m -> m.endsAt().equals(piece.key()) && m.use() == Use.GATE)
                    .count();
            return 1 + (int) ends;
        }

        /** Gates and feeders that reach a piece, the one it hangs on among them. */
        int fedBy(Member piece) {
            return heldBy(piece) + assembly.childrenOf(piece, Use.FEEDER).size();
        }
    }

    static String place(Member member) {
        return "member." + member.key();
    }

    private static Optional<Figure> ratio(Assembly assembly) {
        Optional<Figure> gates = Filling.area(assembly, Use.GATE);
        Optional<Figure> sprue = Filling.area(assembly, Use.SPRUE);
        return gates.isPresent() && sprue.isPresent()
                ? Optional.of(Figure.computed("gate_ratio", "gates to sprue, by area", Measure.TIMES)
                        .by(RATIO, gates.get().as("gates"), sprue.get().as("sprue")))
                : Optional.empty();
    }

    private static Optional<Figure> head(Placing placing) {
        return placing.singles().stream()
                .filter(s -> s.member().use() == Use.PIECE)
                .mapToDouble(Placing.Single::top)
                .max()
                .stream()
                .mapToObj(top -> Figure.given(
                        "head", "metal head over the highest piece", -top, Measure.MILLIMETRE, Known.ESTIMATED, 0))
                .findFirst();
    }
}
