package kilnryu.app.pour;

import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.plan.Berth;
import kilnryu.app.plan.Plans;
import kilnryu.core.kiln.Mold;
import kilnryu.core.material.Alloy;
import kilnryu.core.sum.Figure;

/**
 * A mold of a pour with what its plan says of it.
 *
 * @param kind flask, block, shell
 * @param metal in its cavity, cup and all, g
 * @param reserve that its plan keeps, g
 * @param metalC of the metal at the pour; empty where the alloy's range is not tabled
 * @param moldC of the mold at the pour
 * @param body as the heat sees it; empty where there is no mold yet
 * @param radius of the outermost face of its cavity, m
 * @param vacuum whether it is poured on a vacuum table
 * @param heavy the mold with its metal, g; 0 where not known
 * @param lift kg that one person lifts here; empty where not said
 * @param sandKilos dry sand round a shell in its tub; 0 for others
 * @param berth the load it stands in
 */
record CastMold(
        Plans.Saved saved,
        String kind,
        Alloy alloy,
        Figure metal,
        Figure reserve,
        Optional<Figure> metalC,
        Optional<Figure> moldC,
        Optional<Mold> body,
        double radius,
        boolean vacuum,
        double heavy,
        OptionalDouble lift,
        double sandKilos,
        Optional<Berth> berth) {
    /** Who carries it: one, or two; 0 where masses or hands are not known. */
    int people() {
        return heavy <= 0 || lift.isEmpty() ? 0 : heavy / 1000 > lift.getAsDouble() ? 2 : 1;
    }

    long id() {
        return saved.row().id();
    }

    String key() {
        return Long.toString(id());
    }

    String name() {
        return saved.row().name();
    }
}
