package kilnryu.app.injection;

import java.time.Clock;
import java.util.Map;
import kilnryu.app.rubber.TappedStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Rounds of injection molds. */
@Repository
class InjectionStore extends TappedStore {
    InjectionStore(JdbcClient jdbc, Clock clock) {
        super(jdbc, clock, "injection_round", "injection_event", "round_id", Map.of("piece_id", "piece"));
    }
}
