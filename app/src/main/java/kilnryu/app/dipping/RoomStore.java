package kilnryu.app.dipping;

import static kilnryu.app.dipping.DipStore.boxed;
import static kilnryu.app.dipping.DipStore.utc;

import java.time.Instant;
import java.time.ZoneId;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import kilnryu.app.web.InRequest;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Climate;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The drying room of a studio, and what was read of its air. */
@Repository
class RoomStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final JsonMapper json = JsonMapper.builder().build();

    RoomStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** As typed, with its version; 0 when nothing is saved. */
    record Saved(Map<String, String> fields, int version) {}

    /** @param air m/s, empty where the logger does not know */
    record Reading(Instant at, double celsius, double humidity, OptionalDouble air) {}

    Saved of(long studio) {
        return InRequest.once(
                "room " + studio,
                () -> jdbc.sql("select * from dip_room where studio_id = :studio")
                        .param("studio", studio)
                        .query((rs, n) ->
                                new Saved(json.readValue(rs.getString("fields"), TEXTS), rs.getInt("version")))
                        .optional()
                        .orElse(new Saved(Room.USUAL, 0)));
    }

    /** @return whether nobody saved in between */
    boolean save(long studio, int version, Map<String, String> fields) {
        return jdbc.sql("""
                        insert into dip_room (studio_id, fields, version) values (:studio, :fields::json, 1)
                        on conflict (studio_id) do update
                           set fields = excluded.fields, version = dip_room.version + 1
                         where dip_room.version = :version
                        """)
                        .param("studio", studio)
                        .param("fields", json.writeValueAsString(fields))
                        .param("version", version)
                        .update()
                == 1;
    }

    /** Readings of a logger, in one go; one at the same time takes the place of an earlier one. */
    void keep(long studio, List<Reading> readings, String source) {
        Map<String, Map<String, Object>> rows = new LinkedHashMap<>();
        for (Reading r : readings) {
            Map<String, Object> row = new LinkedHashMap<>();
            row.put("at", r.at.toString());
            row.put("celsius", r.celsius);
            row.put("humidity", r.humidity);
            row.put("air", boxed(r.air));
            rows.put(r.at.toString(), row);
        }
        jdbc.sql("""
                        insert into climate_reading (studio_id, at, celsius, humidity, air, source)
                        select :studio, r.at, r.celsius, r.humidity, r.air, :source
                          from json_to_recordset(:rows::json)
                               as r(at timestamptz, celsius double precision, humidity double precision,
                                    air double precision)
                        on conflict (studio_id, at) do update
                           set celsius = excluded.celsius, humidity = excluded.humidity, air = excluded.air,
                               source = excluded.source
                        """)
                .param("studio", studio)
                .param("source", source)
                .param("rows", json.writeValueAsString(rows.values()))
                .update();
    }

    List<Reading> readings(long studio, Instant from) {
        return jdbc.sql("select * from climate_reading where studio_id = :studio and at >= :from order by at")
                .param("studio", studio)
                .param("from", utc(from))
                .query((rs, n) -> {
                    double air = rs.getDouble("air");
                    return new Reading(
                            rs.getTimestamp("at").toInstant(),
                            rs.getDouble("celsius"),
                            rs.getDouble("humidity"),
                            rs.wasNull() ? OptionalDouble.empty() : OptionalDouble.of(air));
                })
                .list();
    }

    /** The air through time: what was read, and the room's usual day for the rest. */
    Climate climate(long studio, Room room, Instant from, ZoneId zone) {
        Map<Instant, Air> read = new LinkedHashMap<>();
        double usual = room.day().get(0).speed();
        readings(studio, from).forEach(r -> read.put(r.at, new Air(r.celsius, r.humidity, r.air.orElse(usual))));
        return Climate.of(room.day(), read, zone);
    }
}
