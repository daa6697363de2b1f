package kilnryu.app.pot;

import java.time.Clock;
import java.util.List;
import java.util.Map;
import kilnryu.app.rubber.TappedStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Pots of wax of a studio. */
@Repository
public class PotStore extends TappedStore {
    private final JdbcClient jdbc;

    PotStore(JdbcClient jdbc, Clock clock) {
        super(jdbc, clock, "wax_pot", "wax_pot_event", "pot_id", Map.of());
        this.jdbc = jdbc;
    }

    /** Shells whose wax went into a pot already. */
    List<Long> runs(long studio) {
        return jdbc.sql("""
                        select e.fields ->> 'run' from wax_pot_event e join wax_pot p on p.id = e.pot_id
                         where p.studio_id = :studio and e.fields ->> 'run' <> ''
                        """).param("studio", studio).query(String.class).list().stream()
                .map(Long::parseLong)
                .toList();
    }
}
