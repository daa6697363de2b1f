package kilnryu.app.sand;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import kilnryu.app.account.Account;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Molds of silicate sand and their logs. */
@Repository
class SandStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    SandStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A mold as saved. */
    record Row(long id, String name, Map<String, String> fields, int version) {}

    /** A line of the log. */
    record Entry(Map<String, String> fields, String by, Instant at) {}

    List<Row> list(long studio) {
        return jdbc.sql("select * from sand_mold where studio_id = :studio order by updated_at desc, id limit 100")
                .param("studio", studio)
                .query((rs, n) -> row(rs))
                .list();
    }

    Optional<Row> find(long studio, long id) {
        return jdbc.sql("select * from sand_mold where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> row(rs))
                .optional();
    }

    /** @return its number, empty when someone else saved in between */
    OptionalLong save(long studio, Row row) {
        OffsetDateTime now = OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
        String fields = json.writeValueAsString(row.fields);
        if (row.id == 0) {
            return OptionalLong.of(jdbc.sql("""
                            insert into sand_mold (studio_id, name, fields, version, updated_at)
                            values (:studio, :name, :fields::json, 1, :now) returning id
                            """)
                    .param("studio", studio)
                    .param("name", row.name)
                    .param("fields", fields)
                    .param("now", now)
                    .query(Long.class)
                    .single());
        }
        int rows = jdbc.sql("""
                        update sand_mold
                           set name = :name, fields = :fields::json, version = version + 1, updated_at = :now
                         where studio_id = :studio and id = :id and version = :version
                        """)
                .param("studio", studio)
                .param("id", row.id)
                .param("version", row.version)
                .param("name", row.name)
                .param("fields", fields)
                .param("now", now)
                .update();
        return rows == 1 ? OptionalLong.of(row.id) : OptionalLong.empty();
    }

    void log(Account account, long mold, Map<String, String> fields) {
        jdbc.sql("""
                        insert into sand_log (sand_mold_id, fields, account_id, at)
                        values (:mold, :fields::json, :account, :now)
                        """)
                .param("mold", mold)
                .param("fields", json.writeValueAsString(fields))
                .param("account", account.id())
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }

    List<Entry> entries(long mold) {
        return jdbc.sql("""
                        select l.*, a.shown_name from sand_log l join account a on a.id = l.account_id
                         where l.sand_mold_id = :mold order by l.at, l.id
                        """)
                .param("mold", mold)
                .query((rs, n) -> new Entry(
                        texts(rs.getString("fields")),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    private Row row(ResultSet rs) throws SQLException {
        return new Row(rs.getLong("id"), rs.getString("name"), texts(rs.getString("fields")), rs.getInt("version"));
    }

    private Map<String, String> texts(String written) {
        return json.readValue(written, TEXTS);
    }
}
