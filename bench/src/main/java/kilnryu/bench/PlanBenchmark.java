package kilnryu.bench;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import kilnryu.core.burnout.BurnoutProgram;
import kilnryu.core.burnout.BurnoutQuestion;
import kilnryu.core.burnout.BurnoutSchool;
import kilnryu.core.burnout.ProgramGenerator;
import kilnryu.core.burnout.Subject;
import kilnryu.core.flask.Flask;
import kilnryu.core.flask.FlaskPlan;
import kilnryu.core.flask.FlaskPlanner;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.InvestmentSystem;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.material.Section;
import kilnryu.core.quantity.Length;
import kilnryu.core.quantity.Mass;
import kilnryu.core.quantity.Volume;
import kilnryu.core.sum.Factors;
import kilnryu.core.tree.Amount;
import kilnryu.core.tree.Part;
import kilnryu.core.tree.Tree;
import kilnryu.core.tree.TreePlan;
import kilnryu.core.tree.TreePlanner;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** Tree, flask and program, as they are computed at each key stroke. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class PlanBenchmark {
    private final Tree small = tree(6);
    private final Tree large = tree(200);
    private final Flask flask = new Flask(
            Length.millimetres(76.2),
            Length.millimetres(152),
            Volume.cubicCentimetres(21.9),
            Optional.empty(),
            InvestmentSystem.GYPSUM_JEWELRY,
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            OptionalDouble.empty(),
            Optional.empty(),
            Optional.empty());

    private static Tree tree(int parts) {
        Part sprue = new Part(
                "sprue",
                Part.Role.GATING,
                PatternMaterial.SPRUE_WAX,
                1,
                new Amount.Rod(Length.millimetres(7), Length.millimetres(110)),
                Optional.empty());
        List<Part> all = Stream.concat(
                        Stream.of(sprue),
                        IntStream.range(1, parts)
                                .mapToObj(i -> new Part(
                                        "key " + i,
                                        Part.Role.PIECE,
                                        PatternMaterial.CASTABLE_RESIN,
                                        4,
                                        new Amount.Weighed(Mass.grams(0.6 + i * 0.01)),
                                        Optional.empty())))
                .toList();
        return new Tree(
                Alloy.AG_925, all, Optional.empty(), OptionalDouble.empty(), OptionalDouble.empty(), Optional.empty());
    }

    @Benchmark
    public TreePlan treeOf6Parts() {
        return new TreePlanner(Factors.HANDBOOK).plan(small);
    }

    @Benchmark
    public TreePlan treeOf200Parts() {
        return new TreePlanner(Factors.HANDBOOK).plan(large);
    }

    @Benchmark
    public FlaskPlan flask() {
        return new FlaskPlanner(Factors.HANDBOOK).plan(flask);
    }

    @Benchmark
    public FlaskPlan treeAndFlask() {
        TreePlan tree = new TreePlanner(Factors.HANDBOOK).plan(small);
        return new FlaskPlanner(Factors.HANDBOOK).plan(flask, tree.treeVolume());
    }

    /** A program whose holds are found by the simulation of its flask. */
    @Benchmark
    public BurnoutProgram programOfOneFlask() {
        FlaskPlan filled = new FlaskPlanner(Factors.HANDBOOK).plan(flask);
        Subject.Tree tree = new Subject.Tree(
                "tree",
                Set.of(PatternMaterial.CASTABLE_RESIN, PatternMaterial.SPRUE_WAX),
                Alloy.AG_925,
                Section.THIN.flaskTemperature(Alloy.AG_925));
        return new ProgramGenerator(Factors.HANDBOOK)
                .generate(new BurnoutQuestion(Subject.of(tree, filled), BurnoutSchool.DRY_FIRST, Optional.empty()));
    }
}
