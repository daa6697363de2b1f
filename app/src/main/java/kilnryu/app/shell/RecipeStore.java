package kilnryu.app.shell;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import kilnryu.app.sheet.SettingsStore;
import org.springframework.jdbc.core.RowMapper;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The shell recipes that studios made their own. */
@Repository
public class RecipeStore {
    private final JdbcClient jdbc;
    private final Clock clock;
    private final SettingsStore settings;
    private final RowMapper<Recipes.Own> row = (rs, n) -> new Recipes.Own(
            rs.getLong("id"),
            rs.getString("name"),
            rs.getString("coats"),
            rs.getString("note"),
            rs.getInt("version"),
            rs.getObject("archived_at") != null);

    RecipeStore(JdbcClient jdbc, Clock clock, SettingsStore settings) {
        this.settings = settings;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    public Recipes of(long studio) {
        return settings.of(
                studio,
                "recipes",
                () -> new Recipes(
                        jdbc.sql("select * from shell_recipe where studio_id = :studio order by lower(name), id")
                                .param("studio", studio)
                                .query(row)
                                .list()));
    }

    Optional<Recipes.Own> find(long studio, long id) {
        return jdbc.sql("select * from shell_recipe where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query(row)
                .optional();
    }

    public long create(long studio, String name, String coats, String note) {
        return jdbc.sql("""
                        insert into shell_recipe (studio_id, name, coats, note, version, updated_at)
                        values (:studio, :name, :coats, :note, 1, :now) returning id
                        """)
                .param("studio", studio)
                .param("name", name)
                .param("coats", coats)
                .param("note", note)
                .param("now", now())
                .query(Long.class)
                .single();
    }

    /** @return whether nobody saved in between */
    boolean save(long studio, Recipes.Own own) {
        return jdbc.sql("""
                        update shell_recipe
                           set name = :name, coats = :coats, note = :note, version = version + 1, updated_at = :now
                         where studio_id = :studio and id = :id and version = :version
                        """)
                        .param("studio", studio)
                        .param("id", own.id())
                        .param("version", own.version())
                        .param("name", own.name())
                        .param("coats", own.coats())
                        .param("note", own.note())
                        .param("now", now())
                        .update()
                == 1;
    }

    void putAway(long studio, long id, boolean away) {
        jdbc.sql("update shell_recipe set archived_at = :at where studio_id = :studio and id = :id")
                .param("at", away ? now() : null)
                .param("studio", studio)
                .param("id", id)
                .update();
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
