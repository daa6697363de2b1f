package kilnryu.core.melt;

import com.google.ortools.Loader;
import com.google.ortools.linearsolver.MPConstraint;
import com.google.ortools.linearsolver.MPSolver;
import com.google.ortools.linearsolver.MPVariable;
import java.util.List;
import java.util.Optional;

/**
 * Ingots that cannot be cut: a mixed-integer program, solved by branch and cut of the optimisation library. After
 * {@link #LONG_MS} the best that was found is given, and said not to be proved the cheapest.
 *
 * @param piece of each unknown, in parts of what is needed; 0 where it can be cut
 */
record Pieces(double[] piece) implements Solver {
    private static final long LONG_MS = 20_000;
    private static final double INFINITE = Double.POSITIVE_INFINITY;

    /** Loaded once, when the first whole ingot is asked for. */
    private static final class Native {
        static {
            Loader.loadNativeLibraries();
        }

        static MPSolver solver() {
            return MPSolver.createSolver("SCIP");
        }
    }

    @Override
    public Optional<Solution> least(double[] cost, List<Row> rows) {
        MPSolver solver = Native.solver();
        try {
            solver.setTimeLimit(LONG_MS);
            MPVariable[] unknown = unknowns(solver);
            rows.forEach(r -> add(solver, unknown, r));
            for (int i = 0; i < cost.length; i++) {
                solver.objective().setCoefficient(unknown[i], cost[i] * unit(i));
            }
            solver.objective().setMinimization();
            MPSolver.ResultStatus status = solver.solve();
            if (status != MPSolver.ResultStatus.OPTIMAL && status != MPSolver.ResultStatus.FEASIBLE) {
                return Optional.empty();
            }
            return Optional.of(solution(solver, unknown, status == MPSolver.ResultStatus.OPTIMAL));
        } finally {
            solver.delete();
        }
    }

    private MPVariable[] unknowns(MPSolver solver) {
        MPVariable[] unknown = new MPVariable[piece.length];
        for (int i = 0; i < piece.length; i++) {
            unknown[i] = solver.makeVar(0, INFINITE, piece[i] > 0, "x" + i);
        }
        return unknown;
    }

    private double unit(int i) {
        return piece[i] > 0 ? piece[i] : 1;
    }

    private void add(MPSolver solver, MPVariable[] unknown, Row row) {
        MPConstraint made = solver.makeConstraint(
                row.sense() == Row.Sense.MOST ? -INFINITE : row.value(),
                row.sense() == Row.Sense.LEAST ? INFINITE : row.value());
        for (int i = 0; i < unknown.length; i++) {
            made.setCoefficient(unknown[i], row.by()[i] * unit(i));
        }
    }

    private Solution solution(MPSolver solver, MPVariable[] unknown, boolean proved) {
        double[] masses = new double[unknown.length];
        for (int i = 0; i < masses.length; i++) {
            double value = unknown[i].solutionValue();
            masses[i] = piece[i] > 0 ? Math.rint(value) * piece[i] : value;
        }
        return new Solution(masses, solver.objective().value(), proved);
    }
}
