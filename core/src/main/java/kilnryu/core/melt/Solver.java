package kilnryu.core.melt;

import java.util.List;
import java.util.Optional;

/** Solves linear programs over masses that are not negative. */
interface Solver {
    /**
     * @param cost of each unknown; the least sum is looked for
     * @return the unknowns; empty where the rows cannot be met together
     */
    Optional<Solution> least(double[] cost, List<Row> rows);

    /** @param proved whether nothing can be better */
    record Solution(double[] masses, double cost, boolean proved) {}
}
