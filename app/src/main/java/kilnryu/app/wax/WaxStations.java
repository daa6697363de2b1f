package kilnryu.app.wax;

import java.util.List;
import java.util.Optional;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Station;
import kilnryu.app.rubber.RubberStore;
import kilnryu.app.rubber.TappedStore;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Where a tree's pieces come from: the mold of rubber and the wax, at the head of its stream. */
class WaxStations {
    private WaxStations() {}

    @Component
    @Order(1)
    static class Rubber implements Station.Source {
        private final RubberStore store;

        Rubber(RubberStore store) {
            this.store = store;
        }

        @Override
        public boolean beforeTheTree() {
            return true;
        }

        @Override
        public Optional<Station> of(Plans.Saved saved, String open, String base) {
            return WaxFound.pieces(saved).stream()
                    .flatMap(p -> store.inStudioOf(saved.row().id(), "piece_id", p).stream())
                    .findFirst()
                    .map(m -> {
                        long coats = store.events(m.id()).stream()
                                .filter(e -> e.kind().equals("coat"))
                                .count();
                        return new Station(
                                "Mold of rubber",
                                coats == 0 ? "not begun" : coats == 1 ? "1 coat on" : coats + " coats on",
                                "/rubber/" + m.id() + "/bench",
                                coats == 0 ? "next" : "done");
                    });
        }
    }

    @Component
    @Order(2)
    static class Wax implements Station.Source {
        private final WaxStore store;

        Wax(WaxStore store) {
            this.store = store;
        }

        @Override
        public boolean beforeTheTree() {
            return true;
        }

        @Override
        public Optional<Station> of(Plans.Saved saved, String open, String base) {
            List<TappedStore.Row> waxes = WaxFound.pieces(saved).stream()
                    .flatMap(p -> store.inStudioOf(saved.row().id(), "piece_id", p).stream())
                    .toList();
            if (waxes.isEmpty()) {
                return Optional.empty();
            }
            long signed = waxes.stream()
                    .filter(w -> WaxCourse.of(store.events(w.id())).signed().isPresent())
                    .count();
            return Optional.of(new Station(
                    "Wax",
                    signed + " of " + waxes.size() + " signed off",
                    "/waxes/" + waxes.get(waxes.size() - 1).id() + "/bench",
                    signed > 0 ? "done" : "next"));
        }
    }
}
