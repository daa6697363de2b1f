package kilnryu.app.blend;

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
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The studio's blends and their trials. */
@Repository
public class BlendStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();
    private final RowMapper<Row> row = (rs, n) -> new Row(
            rs.getLong("id"),
            rs.getString("name"),
            texts(rs.getString("fields")),
            rs.getInt("version"),
            rs.getObject("archived_at") != null);

    BlendStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A blend as saved. */
    public record Row(long id, String name, Map<String, String> fields, int version, boolean archived) {}

    /** A trial of a blend as it was then. */
    public record Trial(
            long id, long blend, Map<String, String> blendFields, Map<String, String> fields, String by, Instant at) {}

    public List<Row> list(long studio) {
        return jdbc.sql("""
                        select * from blend where studio_id = :studio
                         order by archived_at is not null, lower(name), id
                        """).param("studio", studio).query(row).list();
    }

    /** What blocks of a studio can be made of. */
    public Mixes mixes(long studio, kilnryu.core.sum.Factors factors) {
        List<Row> rows = InRequest.once("blends " + studio, () -> list(studio));
        return Mixes.of(
                rows,
                rows.isEmpty() ? List.of() : InRequest.once("trials " + studio, () -> trials(studio, 0)),
                factors);
    }

    public Optional<Row> find(long studio, long id) {
        return jdbc.sql("select * from blend where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query(row)
                .optional();
    }

    public long create(long studio, String name, Map<String, String> fields) {
        return jdbc.sql("""
                        insert into blend (studio_id, name, fields, version, updated_at)
                        values (:studio, :name, :fields::json, 1, :now) returning id
                        """)
                .param("studio", studio)
                .param("name", name)
                .param("fields", json.writeValueAsString(fields))
                .param("now", now())
                .query(Long.class)
                .single();
    }

    /** @return the blend's number, empty when someone else saved in between */
    OptionalLong save(long studio, long id, int version, String name, Map<String, String> fields) {
        if (id == 0) {
            return OptionalLong.of(create(studio, name, fields));
        }
        int rows = jdbc.sql("""
                        update blend set name = :name, fields = :fields::json, version = version + 1, updated_at = :now
                         where studio_id = :studio and id = :id and version = :version
                        """)
                .param("studio", studio)
                .param("id", id)
                .param("version", version)
                .param("name", name)
                .param("fields", json.writeValueAsString(fields))
                .param("now", now())
                .update();
        return rows == 1 ? OptionalLong.of(id) : OptionalLong.empty();
    }

    void putAway(long studio, long id, boolean away) {
        jdbc.sql("update blend set archived_at = :at where studio_id = :studio and id = :id")
                .param("at", away ? now() : null)
                .param("studio", studio)
                .param("id", id)
                .update();
    }

    public long keepTrial(Account account, Row blend, Map<String, String> fields) {
        return jdbc.sql("""
                        insert into blend_trial (blend_id, studio_id, blend_fields, fields, account_id, at)
                        values (:blend, :studio, :blendFields::json, :fields::json, :account, :now) returning id
                        """)
                .param("blend", blend.id)
                .param("studio", account.studioId())
                .param("blendFields", json.writeValueAsString(blend.fields))
                .param("fields", json.writeValueAsString(fields))
                .param("account", account.id())
                .param("now", now())
                .query(Long.class)
                .single();
    }

    /** Newest first; of one blend, or of all with 0. */
    List<Trial> trials(long studio, long blend) {
        return jdbc.sql("""
                        select t.*, a.shown_name from blend_trial t join account a on a.id = t.account_id
                         where t.studio_id = :studio and (:blend = 0 or t.blend_id = :blend) and not t.removed
                         order by t.at desc, t.id desc limit 60
                        """)
                .param("studio", studio)
                .param("blend", blend)
                .query((rs, n) -> new Trial(
                        rs.getLong("id"),
                        rs.getLong("blend_id"),
                        texts(rs.getString("blend_fields")),
                        texts(rs.getString("fields")),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    boolean removeTrial(long studio, long id, boolean away) {
        return jdbc.sql("update blend_trial set removed = :away where studio_id = :studio and id = :id")
                        .param("away", away)
                        .param("studio", studio)
                        .param("id", id)
                        .update()
                == 1;
    }

    private Map<String, String> texts(String written) {
        return json.readValue(written, TEXTS);
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
