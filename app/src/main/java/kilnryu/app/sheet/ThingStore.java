package kilnryu.app.sheet;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.jdbc.core.simple.JdbcClient;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Things of a studio that have a name, typed fields and a version, and are archived and brought back: a kiln, a program, a
 * blend, a recipe of shell, a tank, a mold of sand. Each has a table of its own with the same columns.
 *
 * @param <R> the thing as its store gives it
 */
public abstract class ThingStore<R> {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();
    private final String table;

    /** @param table its columns are id, studio_id, name, fields, version, updated_at, archived_at */
    protected ThingStore(JdbcClient jdbc, Clock clock, String table) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.table = table;
    }

    /** As it is stored. */
    protected record Thing(long id, String name, Map<String, String> fields, int version, boolean archived) {}

    /**
     * What its store makes of it.
     *
     * @param rs for columns that only its table has
     */
    protected abstract R of(Thing thing, ResultSet rs) throws SQLException;

    /** Those that are used, by name. */
    public List<R> list(long studio) {
        return list(studio, "and archived_at is null order by lower(name), id");
    }

    /** All of them, by name, those that were archived after the others. */
    public List<R> withArchived(long studio) {
        return list(studio, "order by archived_at is not null, lower(name), id");
    }

    /** Some of them. @param which the rest of the question, after the studio: never what anybody typed */
    protected final List<R> list(long studio, String which) {
        return jdbc.sql("select * from " + table + " where studio_id = :studio " + which)
                .param("studio", studio)
                .query((rs, n) -> row(rs))
                .list();
    }

    public Optional<R> find(long studio, long id) {
        return jdbc.sql("select * from " + table + " where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> row(rs))
                .optional();
    }

    public long create(long studio, String name, Map<String, String> fields) {
        return jdbc.sql("insert into " + table + """
                         (studio_id, name, fields, version, updated_at)
                        values (:studio, :name, :fields::json, 1, :now) returning id
                        """)
                .param("studio", studio)
                .param("name", name)
                .param("fields", text(fields))
                .param("now", now())
                .query(Long.class)
                .single();
    }

    /**
     * Saves over the version it was begun from; makes a new one where it has no number yet.
     *
     * @return its number, empty when someone else saved in between
     */
    public OptionalLong save(long studio, long id, int version, String name, Map<String, String> fields) {
        if (id == 0) {
            return OptionalLong.of(create(studio, name, fields));
        }
        int rows = jdbc.sql("update " + table + """
                           set name = :name, fields = :fields::json, version = version + 1, updated_at = :now
                         where studio_id = :studio and id = :id and version = :version
                        """)
                .param("studio", studio)
                .param("id", id)
                .param("version", version)
                .param("name", name)
                .param("fields", text(fields))
                .param("now", now())
                .update();
        return rows == 1 ? OptionalLong.of(id) : OptionalLong.empty();
    }

    /** By the name that is typed with it. */
    public long create(long studio, Map<String, String> fields) {
        return create(studio, fields.getOrDefault("name", ""), fields);
    }

    /** @return false when someone else saved in between */
    public boolean save(long studio, long id, int version, Map<String, String> fields) {
        return save(studio, id, version, fields.getOrDefault("name", ""), fields)
                .isPresent();
    }

    /** Archives it, or brings it back. */
    public void putAway(long studio, long id, boolean away) {
        jdbc.sql("update " + table + " set archived_at = :at where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .param("at", away ? now() : null, Types.TIMESTAMP_WITH_TIMEZONE)
                .update();
    }

    protected final JdbcClient jdbc() {
        return jdbc;
    }

    protected final OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }

    protected final String text(Map<String, String> fields) {
        return json.writeValueAsString(fields);
    }

    protected final Map<String, String> fields(String text) {
        return json.readValue(text, TEXTS);
    }

    private R row(ResultSet rs) throws SQLException {
        Thing thing = new Thing(
                rs.getLong("id"),
                rs.getString("name"),
                fields(rs.getString("fields")),
                rs.getInt("version"),
                rs.getObject("archived_at") != null);
        return of(thing, rs);
    }
}
