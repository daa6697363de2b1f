package kilnryu.app.kiln;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The studio's own programs. */
@Repository
public class ProgramStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    ProgramStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** As typed. */
    public record Row(long id, Map<String, String> fields, int version) {
        public String name() {
            return fields.getOrDefault("name", "program");
        }
    }

    public List<Row> list(long studio) {
        return jdbc.sql("""
                        select * from own_program where studio_id = :studio and archived_at is null order by lower(name)
                        """).param("studio", studio).query((rs, n) -> row(rs)).list();
    }

    public Optional<Row> find(long studio, long id) {
        return jdbc.sql("select * from own_program where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> row(rs))
                .optional();
    }

    public long create(long studio, Map<String, String> fields) {
        return jdbc.sql("""
                        insert into own_program (studio_id, name, fields, version, updated_at)
                        values (:studio, :name, :fields::json, 1, :now) returning id
                        """)
                .param("studio", studio)
                .param("name", fields.getOrDefault("name", ""))
                .param("fields", json.writeValueAsString(fields))
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .query(Long.class)
                .single();
    }

    /** @return false when someone else saved in between */
    boolean save(long studio, long id, int version, Map<String, String> fields) {
        return jdbc.sql("""
                        update own_program
                           set fields = :fields::json, name = :name, version = version + 1, updated_at = :now
                         where studio_id = :studio and id = :id and version = :version
                        """)
                        .param("studio", studio)
                        .param("id", id)
                        .param("version", version)
                        .param("name", fields.getOrDefault("name", ""))
                        .param("fields", json.writeValueAsString(fields))
                        .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                        .update()
                == 1;
    }

    void putAway(long studio, long id) {
        jdbc.sql("update own_program set archived_at = :at where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .param("at", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }

    private Row row(java.sql.ResultSet rs) throws java.sql.SQLException {
        return new Row(rs.getLong("id"), json.readValue(rs.getString("fields"), TEXTS), rs.getInt("version"));
    }
}
