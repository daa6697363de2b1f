package kilnryu.core.melt;

import java.util.List;
import java.util.Optional;
import org.hipparchus.exception.MathIllegalStateException;
import org.hipparchus.optim.LocalizedOptimFormats;
import org.hipparchus.optim.PointValuePair;
import org.hipparchus.optim.linear.LinearConstraint;
import org.hipparchus.optim.linear.LinearConstraintSet;
import org.hipparchus.optim.linear.LinearObjectiveFunction;
import org.hipparchus.optim.linear.NonNegativeConstraint;
import org.hipparchus.optim.linear.PivotSelectionRule;
import org.hipparchus.optim.linear.Relationship;
import org.hipparchus.optim.linear.SimplexSolver;
import org.hipparchus.optim.nonlinear.scalar.GoalType;

/** Masses that can be cut at will: the simplex method of the mathematics library, by Bland's rule, which never cycles. */
final class Simplex implements Solver {
    /** How far a condition may be off, in parts of what is needed. */
    private static final double EPSILON = 1e-9;

    @Override
    public Optional<Solution> least(double[] cost, List<Row> rows) {
        try {
            PointValuePair best = new SimplexSolver(EPSILON)
                    .optimize(
                            new LinearObjectiveFunction(cost, 0),
                            new LinearConstraintSet(
                                    rows.stream().map(Simplex::constraint).toList()),
                            GoalType.MINIMIZE,
                            new NonNegativeConstraint(true),
                            PivotSelectionRule.BLAND);
            return Optional.of(new Solution(best.getPoint(), best.getValue(), true));
        } catch (MathIllegalStateException e) {
            if (e.getSpecifier() == LocalizedOptimFormats.NO_FEASIBLE_SOLUTION) {
                return Optional.empty();
            }
            throw e;
        }
    }

    private static LinearConstraint constraint(Row row) {
        return new LinearConstraint(
                row.by(),
                switch (row.sense()) {
                    case LEAST -> Relationship.GEQ;
                    case MOST -> Relationship.LEQ;
                    case EQUAL -> Relationship.EQ;
                },
                row.value());
    }
}
