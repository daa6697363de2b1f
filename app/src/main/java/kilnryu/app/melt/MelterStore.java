package kilnryu.app.melt;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Furnaces and crucibles of a studio. */
@Repository
public class MelterStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    MelterStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * As saved.
     *
     * @param kind furnace or crucible
     * @param heats pours that were made with a crucible
     */
    public record Row(long id, String kind, String name, Map<String, String> fields, int version, int heats) {
        /** The same, typed over another version. */
        Row over(int now) {
            return new Row(id, kind, name, fields, now, heats);
        }
    }

    public List<Row> list(long studio, String kind) {
        return InRequest.once(
                "melters " + studio + " " + kind,
                () -> jdbc.sql("""
                        select m.*, (select count(*) from pour p where p.crucible_id = m.id and p.ended_at is not null) as heats
                          from melter m
                         where m.studio_id = :studio and m.kind = :kind and not m.archived order by m.name, m.id limit 200
                        """)
                        .param("studio", studio)
                        .param("kind", kind)
                        .query((rs, n) -> row(rs))
                        .list());
    }

    public Optional<Row> find(long studio, long id) {
        return jdbc.sql("""
                        select m.*, (select count(*) from pour p where p.crucible_id = m.id and p.ended_at is not null) as heats
                          from melter m where m.studio_id = :studio and m.id = :id
                        """)
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> row(rs))
                .optional();
    }

    /** @return its number; empty when someone else saved in between */
    public OptionalLong save(long studio, Row row) {
        OffsetDateTime now = OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
        String fields = json.writeValueAsString(row.fields);
        if (row.id == 0) {
            return OptionalLong.of(jdbc.sql("""
                            insert into melter (studio_id, kind, name, fields, updated_at)
                            values (:studio, :kind, :name, :fields::json, :now) returning id
                            """)
                    .param("studio", studio)
                    .param("kind", row.kind)
                    .param("name", row.name)
                    .param("fields", fields)
                    .param("now", now)
                    .query(Long.class)
                    .single());
        }
        int rows = jdbc.sql("""
                        update melter set name = :name, fields = :fields::json, version = version + 1, updated_at = :now
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

    void archive(long studio, long id, boolean archived) {
        jdbc.sql("update melter set archived = :archived, version = version + 1 where studio_id = :studio and id = :id")
                .param("archived", archived)
                .param("studio", studio)
                .param("id", id)
                .update();
    }

    private Row row(java.sql.ResultSet rs) throws java.sql.SQLException {
        return new Row(
                rs.getLong("id"),
                rs.getString("kind"),
                rs.getString("name"),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getInt("version"),
                rs.getInt("heats"));
    }
}
