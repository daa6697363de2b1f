package kilnryu.app.pour;

import java.util.Locale;
import java.util.Optional;
import kilnryu.app.plan.Plans;
import kilnryu.app.plan.Station;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Melt and pour of a tree's mold, on its stream. */
final class PourStations {
    private PourStations() {}

    /** The melt of the pour it is in. */
    @Component
    @Order(200)
    static class Melt implements Station.Source {
        private final PourStore store;

        Melt(PourStore store) {
            this.store = store;
        }

        @Override
        public boolean afterTheKiln() {
            return true;
        }

        @Override
        public Optional<Station> of(Plans.Saved saved, String open, String base) {
            Optional<PourStore.Row> row = store.of(saved.row().id());
            return Optional.of(row.map(r -> new Station(
                            "Melt",
                            r.state().equals("done") ? "melted" : "in " + r.name(),
                            "/pours/" + r.id() + "/melt",
                            r.state().equals("done") ? "done" : "next"))
                    .orElseGet(() -> new Station(
                            "Melt",
                            "no pour planned",
                            "/pours/new?tree=" + saved.row().id(),
                            "next")));
        }
    }

    /** The pour itself. */
    @Component
    @Order(210)
    static class Pour implements Station.Source {
        private final PourStore store;

        Pour(PourStore store) {
            this.store = store;
        }

        @Override
        public boolean afterTheKiln() {
            return true;
        }

        @Override
        public Optional<Station> of(Plans.Saved saved, String open, String base) {
            return store.of(saved.row().id()).map(r -> station(r, saved.row().id(), open));
        }

        /** Actual beside plan. */
        private static String stood(Optional<PourCourse.Cast> cast) {
            return cast.filter(c -> c.stood().isPresent())
                    .map(c -> String.format(
                            Locale.ROOT,
                            ", %.0f s out of the kiln, planned %.0f",
                            c.stood().getAsDouble(),
                            c.plan().startS() - c.plan().outS()))
                    .orElse("");
        }

        private Station station(PourStore.Row row, long tree, String open) {
            if (row.record() == null) {
                String at = row.fields().getOrDefault("pour_at", "");
                return new Station(
                        "Pour", at.isEmpty() ? "no hour yet" : at.replace('T', ' '), "/pours/" + row.id(), "next");
            }
            Optional<PourCourse.Cast> cast =
                    PourTaps.course(row, store.events(row.id())).flatMap(c -> c.cast(tree));
            PourCourse.State state = cast.map(PourCourse.Cast::state).orElse(PourCourse.State.WAITS);
            boolean bad = state == PourCourse.State.SHORT || state == PourCourse.State.LEAKED;
            return new Station(
                    "Pour",
                    state.ended() ? "it came " + state.label() + stood(cast) : state.label(),
                    "/pours/" + row.id() + "/day",
                    bad ? "stopped" : state == PourCourse.State.FULL ? "done" : "next");
        }
    }
}
