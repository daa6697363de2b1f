package kilnryu.core.gating;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import kilnryu.core.finding.Finding;
import kilnryu.core.finding.Findings;
import kilnryu.core.material.Alloy;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Constant;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Formula;
import kilnryu.core.sum.Known;

/** Judges a tree before it is cast: how it fills, feeds, vents, drains and holds together (handbook 10). */
public final class GatingPlanner {
    private static final Formula RATIO = Formula.of("gates / sprue");

    private GatingPlanner() {}

    public static List<Constant> constants() {
        return GatingRules.constants();
    }

    /** What says how fast metal runs: through a choke, and poured by a hand, by tongs, by a ladle. */
    public static List<Constant> flow() {
        return List.of(GatingRules.DISCHARGE, GatingRules.BY_HAND, GatingRules.BY_TONGS, GatingRules.BY_LADLE);
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
