package kilnryu.app.wax;

import java.time.Clock;
import java.util.Map;
import kilnryu.app.rubber.TappedStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Waxes of a studio. */
@Repository
public class WaxStore extends TappedStore {
    WaxStore(JdbcClient jdbc, Clock clock) {
        super(jdbc, clock, "wax", "wax_event", "wax_id", Map.of("piece_id", "piece", "mold_id", "mold"));
    }
}
