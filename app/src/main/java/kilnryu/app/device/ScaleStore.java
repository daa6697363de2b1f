package kilnryu.app.device;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import kilnryu.core.quantity.Measure;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How the stand-in scale of a studio stands, so that every node shows the same. */
@Repository
class ScaleStore {
    private final JdbcClient jdbc;

    ScaleStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** Load and tare in grams. */
    record State(Measure unit, double load, double tare, Instant placedAt) {
        State withLoad(double grams, Instant now) {
            return new State(unit, grams, tare, now);
        }

        State withTare(double grams) {
            return new State(unit, load, grams, placedAt);
        }

        State withUnit(Measure other) {
            return new State(other, load, tare, placedAt);
        }
    }

    State of(long studio) {
        return jdbc.sql("select * from device_scale where studio_id = :studio")
                .param("studio", studio)
                .query((rs, n) -> new State(
                        Measure.valueOf(rs.getString("unit")),
                        rs.getDouble("load_g"),
                        rs.getDouble("tare_g"),
                        rs.getTimestamp("placed_at").toInstant()))
                .optional()
                .orElse(new State(Measure.GRAM, 0, 0, Instant.EPOCH));
    }

    void keep(long studio, State state) {
        jdbc.sql("""
                        insert into device_scale (studio_id, unit, load_g, tare_g, placed_at)
                        values (:studio, :unit, :load, :tare, :at)
                        on conflict (studio_id) do update set unit = excluded.unit, load_g = excluded.load_g,
                               tare_g = excluded.tare_g, placed_at = excluded.placed_at
                        """)
                .param("studio", studio)
                .param("unit", state.unit().name())
                .param("load", state.load())
                .param("tare", state.tare())
                .param("at", OffsetDateTime.ofInstant(state.placedAt(), ZoneOffset.UTC))
                .update();
    }
}
