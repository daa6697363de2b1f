package kilnryu.app.kiln;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The kilns of a studio, their care, and which columns of their loggers' files hold what. */
@Repository
public class KilnStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    KilnStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** As typed. */
    public record Row(long id, Map<String, String> fields, int version) {
        public String name() {
            return fields.getOrDefault("name", "kiln");
        }

        /** Read again from what was typed. */
        public Optional<StudioKiln> kiln() {
            return KilnReader.saved(fields);
        }
    }

    /** Something done to a kiln. */
    public record Care(Instant at, String what, String note, String by) {}

    /** What its firings add up to. */
    public record Use(int firings, double hours) {}

    public List<Row> list(long studio) {
        return jdbc.sql("select * from kiln where studio_id = :studio and archived_at is null order by lower(name)")
                .param("studio", studio)
                .query((rs, n) -> row(rs))
                .list();
    }

    public Optional<Row> find(long studio, long id) {
        return jdbc.sql("select * from kiln where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> row(rs))
                .optional();
    }

    public long create(long studio, Map<String, String> fields) {
        return jdbc.sql("""
                        insert into kiln (studio_id, name, fields, version, updated_at)
                        values (:studio, :name, :fields::json, 1, :now) returning id
                        """)
                .param("studio", studio)
                .param("name", fields.getOrDefault("name", ""))
                .param("fields", json.writeValueAsString(fields))
                .param("now", now())
                .query(Long.class)
                .single();
    }

    /** @return false when someone else saved in between */
    boolean save(long studio, long id, int version, Map<String, String> fields) {
        return jdbc.sql("""
                        update kiln set fields = :fields::json, name = :name, version = version + 1, updated_at = :now
                         where studio_id = :studio and id = :id and version = :version
                        """)
                        .param("studio", studio)
                        .param("id", id)
                        .param("version", version)
                        .param("name", fields.getOrDefault("name", ""))
                        .param("fields", json.writeValueAsString(fields))
                        .param("now", now())
                        .update()
                == 1;
    }

    void putAway(long studio, long id, boolean away) {
        jdbc.sql("update kiln set archived_at = :at where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .param("at", away ? now() : null, java.sql.Types.TIMESTAMP_WITH_TIMEZONE)
                .update();
    }

    void care(Account account, long kiln, String what, String note) {
        jdbc.sql("""
                        insert into kiln_care (kiln_id, at, what, note, account_id)
                        values (:kiln, :now, :what, :note, :account)
                        """)
                .param("kiln", kiln)
                .param("now", now())
                .param("what", what)
                .param("note", note)
                .param("account", account.id())
                .update();
    }

    List<Care> cares(long kiln) {
        return jdbc.sql("""
                        select c.at, c.what, c.note, a.shown_name
                          from kiln_care c join account a on a.id = c.account_id
                         where c.kiln_id = :kiln order by c.at desc limit 100
                        """)
                .param("kiln", kiln)
                .query((rs, n) -> new Care(
                        rs.getTimestamp("at").toInstant(),
                        rs.getString("what"),
                        rs.getString("note"),
                        rs.getString("shown_name")))
                .list();
    }

    /** Firings and hours since the elements were last changed, or ever. */
    Use use(long kiln) {
        return jdbc.sql("""
                        select count(*) n, coalesce(sum(coalesce(
                                 (select max(last_second) from firing_minute m where m.firing_id = firing.id),
                                 extract(epoch from ended_at - started_at))) / 3600, 0) h
                          from firing
                         where kiln_id = :kiln and state = 'done'
                           and started_at > coalesce((select max(at) from kiln_care
                                                       where kiln_id = :kiln and what = 'new elements'), '-infinity')
                        """)
                .param("kiln", kiln)
                .query((rs, n) -> new Use(rs.getInt("n"), rs.getDouble("h")))
                .single();
    }

    /** Which columns hold what in the files of its logger; empty until someone said. */
    public Map<String, String> columns(long kiln) {
        return jdbc.sql("select mapping from kiln_columns where kiln_id = :kiln")
                .param("kiln", kiln)
                .query((rs, n) -> (Map<String, String>) json.readValue(rs.getString("mapping"), TEXTS))
                .optional()
                .orElse(Map.of());
    }

    public void keepColumns(long kiln, Map<String, String> mapping) {
        jdbc.sql("""
                        insert into kiln_columns (kiln_id, mapping) values (:kiln, :mapping::json)
                        on conflict (kiln_id) do update set mapping = excluded.mapping
                        """)
                .param("kiln", kiln)
                .param("mapping", json.writeValueAsString(mapping))
                .update();
    }

    private Row row(java.sql.ResultSet rs) throws java.sql.SQLException {
        return new Row(rs.getLong("id"), json.readValue(rs.getString("fields"), TEXTS), rs.getInt("version"));
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
