package kilnryu.app.dipping;

import static kilnryu.app.dipping.DipStore.boxed;
import static kilnryu.app.dipping.DipStore.number;
import static kilnryu.app.dipping.DipStore.utc;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The slurry tanks of a studio and their diary. */
@Repository
class TankStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    TankStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Row(long id, Map<String, String> fields, Instant madeAt, int version) {}

    record Entry(
            Instant at, OptionalDouble flow, OptionalDouble density, OptionalDouble water, String note, String by) {}

    List<Row> list(long studio) {
        return jdbc.sql("""
                        select * from slurry_tank where studio_id = :studio and archived_at is null
                         order by lower(name), id limit 40
                        """).param("studio", studio).query((rs, n) -> row(rs)).list();
    }

    Optional<Row> find(long studio, long id) {
        return InRequest.once(
                "tank " + studio + " " + id,
                () -> jdbc.sql("select * from slurry_tank where studio_id = :studio and id = :id")
                        .param("studio", studio)
                        .param("id", id)
                        .query((rs, n) -> row(rs))
                        .optional());
    }

    private Row row(ResultSet rs) throws SQLException {
        return new Row(
                rs.getLong("id"),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getTimestamp("made_at").toInstant(),
                rs.getInt("version"));
    }

    long create(long studio, Map<String, String> fields, Instant made) {
        return jdbc.sql("""
                        insert into slurry_tank (studio_id, name, fields, made_at, version)
                        values (:studio, :name, :fields::json, :made, 1) returning id
                        """)
                .param("studio", studio)
                .param("name", fields.getOrDefault("name", ""))
                .param("fields", json.writeValueAsString(fields))
                .param("made", utc(made))
                .query(Long.class)
                .single();
    }

    /** @return whether nobody saved in between */
    boolean save(long studio, Row row) {
        return jdbc.sql("""
                        update slurry_tank set name = :name, fields = :fields::json, made_at = :made, version = version + 1
                         where studio_id = :studio and id = :id and version = :version
                        """)
                        .param("studio", studio)
                        .param("id", row.id)
                        .param("version", row.version)
                        .param("name", row.fields.getOrDefault("name", ""))
                        .param("fields", json.writeValueAsString(row.fields))
                        .param("made", utc(row.madeAt))
                        .update()
                == 1;
    }

    void putAway(long studio, long id) {
        jdbc.sql("update slurry_tank set archived_at = :now where studio_id = :studio and id = :id")
                .param("now", utc(clock.instant()))
                .param("studio", studio)
                .param("id", id)
                .update();
    }

    void read(Account account, long tank, Entry entry) {
        jdbc.sql("""
                        insert into slurry_reading (tank_id, at, flow_s, density, water_g, note, account_id)
                        values (:tank, :at, :flow, :density, :water, :note, :account)
                        """)
                .param("tank", tank)
                .param("at", utc(entry.at))
                .param("flow", boxed(entry.flow))
                .param("density", boxed(entry.density))
                .param("water", boxed(entry.water))
                .param("note", entry.note)
                .param("account", account.id())
                .update();
    }

    List<Entry> entries(long tank) {
        return entries(List.of(tank)).getOrDefault(tank, List.of());
    }

    /** Of several tanks in one question, by the tank. */
    Map<Long, List<Entry>> entries(Collection<Long> tanks) {
        Map<Long, List<Entry>> all = new HashMap<>();
        jdbc.sql("""
                        select s.*, a.shown_name from slurry_reading s join account a on a.id = s.account_id
                         where s.tank_id = any(:tanks) order by s.at, s.id
                        """).param("tanks", tanks.toArray(Long[]::new)).query(rs -> {
            all.computeIfAbsent(rs.getLong("tank_id"), t -> new ArrayList<>())
                    .add(new Entry(
                            rs.getTimestamp("at").toInstant(),
                            number(rs, "flow_s"),
                            number(rs, "density"),
                            number(rs, "water_g"),
                            rs.getString("note"),
                            rs.getString("shown_name")));
        });
        return all;
    }
}
