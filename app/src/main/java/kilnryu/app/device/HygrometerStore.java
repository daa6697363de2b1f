package kilnryu.app.device;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How the stand-in hygrometer of a studio is set, so that every node shows the same. */
@Repository
class HygrometerStore {
    private final JdbcClient jdbc;

    HygrometerStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    SimulatedHygrometer.Setting of(long studio) {
        return jdbc.sql("select * from device_hygrometer where studio_id = :studio")
                .param("studio", studio)
                .query((rs, n) -> new SimulatedHygrometer.Setting(
                        rs.getDouble("celsius"), rs.getDouble("humidity"), rs.getDouble("swing")))
                .optional()
                .orElse(new SimulatedHygrometer.Setting(20, 52, 1));
    }

    void keep(long studio, SimulatedHygrometer.Setting to, Instant now) {
        jdbc.sql("""
                        insert into device_hygrometer (studio_id, celsius, humidity, swing, since)
                        values (:studio, :celsius, :humidity, :swing, :now)
                        on conflict (studio_id) do update set celsius = excluded.celsius, humidity = excluded.humidity,
                               swing = excluded.swing, since = excluded.since
                        """)
                .param("studio", studio)
                .param("celsius", to.celsius())
                .param("humidity", to.humidity())
                .param("swing", to.swing())
                .param("now", OffsetDateTime.ofInstant(now, ZoneOffset.UTC))
                .update();
    }
}
