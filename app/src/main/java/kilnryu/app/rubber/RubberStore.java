package kilnryu.app.rubber;

import java.time.Clock;
import java.util.Map;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Molds of rubber of a studio. */
@Repository
public class RubberStore extends TappedStore {
    RubberStore(JdbcClient jdbc, Clock clock) {
        super(jdbc, clock, "rubber_mold", "rubber_event", "mold_id", Map.of("piece_id", "piece"));
    }
}
