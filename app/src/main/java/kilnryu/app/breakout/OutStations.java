package kilnryu.app.breakout;

import java.util.Optional;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Station;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Cooling and break-out of a tree's mold, on its stream. */
final class OutStations {
    private OutStations() {}

    private static String state(boolean now, String state) {
        return now ? "now" : state;
    }

    /** How the full mold cools. */
    @Component
    @Order(220)
    static class Cooling implements Station.Source {
        private final BreakOutStore store;

        Cooling(BreakOutStore store) {
            this.store = store;
        }

        @Override
        public boolean afterTheKiln() {
            return true;
        }

        @Override
        public Optional<Station> of(Plans.Saved saved, String open, String base) {
            BreakOutStore.Stand stand = store.stand(saved.row().id());
            return Optional.of(new Station(
                    "Cooling",
                    stand.opened() ? "opened" : stand.poured() ? "cooling" : "when it is poured",
                    "/breakout/" + saved.row().id() + "/cooling",
                    state(open.equals("cooling"), stand.opened() ? "done" : "next")));
        }
    }

    /** What came out. */
    @Component
    @Order(230)
    static class BreakOut implements Station.Source {
        private final BreakOutStore store;

        BreakOut(BreakOutStore store) {
            this.store = store;
        }

        @Override
        public boolean afterTheKiln() {
            return true;
        }

        @Override
        public Optional<Station> of(Plans.Saved saved, String open, String base) {
            BreakOutStore.Stand stand = store.stand(saved.row().id());
            String status = !stand.opened()
                    ? "not opened"
                    : stand.unseen() > 0
                            ? stand.unseen() + " not looked at"
                            : stand.good() + " of " + stand.castings() + " good";
            String seen = stand.unseen() > 0 ? "next" : stand.scrap() > 0 ? "stopped" : "done";
            return Optional.of(new Station(
                    "Break-out",
                    status,
                    "/breakout/" + saved.row().id(),
                    state(open.equals("breakout"), stand.opened() ? seen : "next")));
        }
    }
}
