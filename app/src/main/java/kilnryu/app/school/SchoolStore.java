package kilnryu.app.school;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.SettingsStore;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The schools that studios made their own. */
@Repository
public class SchoolStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final SettingsStore settings;
    private final JsonMapper json = JsonMapper.builder().build();
    private final RowMapper<OwnSchool> school = (rs, n) -> new OwnSchool(
            rs.getLong("id"),
            Craft.named(rs.getString("craft")).orElseThrow(),
            rs.getString("name"),
            rs.getString("based_on"),
            json.readValue(rs.getString("fields"), TEXTS),
            rs.getInt("version"),
            rs.getObject("archived_at") != null);

    SchoolStore(JdbcClient jdbc, Clock clock, SettingsStore settings) {
        this.settings = settings;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public Schools of(long studio) {
        return settings.of(
                studio,
                "schools",
                () -> new Schools(
                        jdbc.sql("select * from school where studio_id = :studio order by craft, lower(name), id")
                                .param("studio", studio)
                                .query(school)
                                .list()));
    }

    Optional<OwnSchool> find(long studio, long id) {
        return jdbc.sql("select * from school where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query(school)
                .optional();
    }

    /** How many trees are planned by a school. */
    long trees(OwnSchool own) {
        return jdbc.sql("select count(distinct tree_id) from sheet where fields ->> :field = :key")
                .param("field", own.craft().field())
                .param("key", own.key())
                .query(Long.class)
                .single();
    }

    /** Makes a school of the studio's own; fields are its rules as typed, by the key of the constant. */
    public long copy(Account account, Craft craft, String name, String based, Map<String, String> fields) {
        return jdbc.sql("""
                        insert into school (studio_id, craft, name, based_on, fields, version, account_id, at)
                        values (:studio, :craft, :name, :based, :fields::json, 1, :account, :now)
                        returning id
                        """)
                .param("studio", account.studioId())
                .param("craft", craft.key())
                .param("name", name)
                .param("based", based)
                .param("fields", json.writeValueAsString(fields))
                .param("account", account.id())
                .param("now", now())
                .query(Long.class)
                .single();
    }

    /** @return false when someone else saved in between */
    boolean save(Account account, OwnSchool own) {
        return jdbc.sql("""
                        update school set name = :name, fields = :fields::json, version = version + 1,
                               account_id = :account, at = :now
                         where studio_id = :studio and id = :id and version = :version
                        """)
                        .param("studio", account.studioId())
                        .param("id", own.id())
                        .param("version", own.version())
                        .param("name", own.name())
                        .param("fields", json.writeValueAsString(own.fields()))
                        .param("account", account.id())
                        .param("now", now())
                        .update()
                == 1;
    }

    void putAway(long studio, long id, boolean away) {
        jdbc.sql("update school set archived_at = :at where studio_id = :studio and id = :id")
                .param("at", away ? now() : null)
                .param("studio", studio)
                .param("id", id)
                .update();
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
