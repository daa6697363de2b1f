package kilnryu.app.device;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How the stand-in gauge of a studio stands, so that every node shows the same. */
@Repository
class GaugeStore {
    private final JdbcClient jdbc;

    GaugeStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param from what the gauge showed when something was last changed, kPa */
    record State(boolean pumpOn, boolean seals, boolean leaks, double from, Instant since) {}

    State of(long studio) {
        return jdbc.sql("select * from device_gauge where studio_id = :studio")
                .param("studio", studio)
                .query((rs, n) -> new State(
                        rs.getBoolean("pump_on"),
                        rs.getBoolean("seals"),
                        rs.getBoolean("leaks"),
                        rs.getDouble("from_kpa"),
                        rs.getTimestamp("since").toInstant()))
                .optional()
                .orElse(new State(false, true, false, 0, Instant.EPOCH));
    }

    void keep(long studio, State state) {
        jdbc.sql("""
                        insert into device_gauge (studio_id, pump_on, seals, leaks, from_kpa, since)
                        values (:studio, :pump, :seals, :leaks, :from, :since)
                        on conflict (studio_id) do update set pump_on = excluded.pump_on, seals = excluded.seals,
                               leaks = excluded.leaks, from_kpa = excluded.from_kpa, since = excluded.since
                        """)
                .param("studio", studio)
                .param("pump", state.pumpOn())
                .param("seals", state.seals())
                .param("leaks", state.leaks())
                .param("from", state.from())
                .param("since", OffsetDateTime.ofInstant(state.since(), ZoneOffset.UTC))
                .update();
    }
}
