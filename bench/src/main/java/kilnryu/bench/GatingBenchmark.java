package kilnryu.bench;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.concurrent.TimeUnit;
import kilnryu.core.gating.Assembly;
import kilnryu.core.gating.Form;
import kilnryu.core.gating.GatingPlan;
import kilnryu.core.gating.GatingPlanner;
import kilnryu.core.gating.GatingQuestion;
import kilnryu.core.gating.GatingSchool;
import kilnryu.core.gating.Layout;
import kilnryu.core.gating.Member;
import kilnryu.core.gating.Use;
import kilnryu.core.material.Alloy;
import kilnryu.core.material.PatternMaterial;
import kilnryu.core.quantity.Measure;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Figure;
import kilnryu.core.sum.Known;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;

/** Placing and judging a tree of sixty pieces, as at each move of a handle. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
public class GatingBenchmark {
    private final List<Member> members = Layout.TIERED.propose(
            new Layout.Wish(leaf(), OptionalInt.empty(), OptionalDouble.empty(), OptionalDouble.empty()));

    private static Member leaf() {
        Form.Walls walls = new Form.Walls(1, 2, Form.Likeness.PLATE, List.of());
        return new Member(
                "leaf",
                "leaf",
                Use.PIECE,
                60,
                new Form.Body(22, 10, 3, Optional.of(walls), Optional.empty()),
                Figure.given("volume", "volume", 21, Measure.CUBIC_CENTIMETRE, Known.MEASURED, 0),
                Optional.empty(),
                "");
    }

    @Benchmark
    public GatingPlan placeAndJudgeSixtyPieces() {
        return GatingPlanner.plan(new GatingQuestion(
                Assembly.of(members),
                Alloy.AG_925,
                PatternMaterial.INJECTION_WAX,
                Optional.of(celsius(1030)),
                Optional.of(celsius(540)),
                Optional.empty(),
                GatingSchool.FREE_TREE,
                Factors.HANDBOOK));
    }

    private static Figure celsius(double value) {
        return Figure.given("t", "temperature", value, Measure.DEGREE_CELSIUS, Known.CHOSEN, 0);
    }
}
