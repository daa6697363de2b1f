package kilnryu.app.pour;

import java.util.Optional;
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
        Optional<Berth> berth) {
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
