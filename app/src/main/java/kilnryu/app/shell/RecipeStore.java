package kilnryu.app.shell;

import java.sql.ResultSet;
import java.time.Clock;
import java.util.Map;
import kilnryu.app.sheet.SettingsStore;
import kilnryu.app.sheet.ThingStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The shell recipes that studios made their own. */
@Repository
public class RecipeStore extends ThingStore<Recipes.Own> {
    private final SettingsStore settings;

    RecipeStore(JdbcClient jdbc, Clock clock, SettingsStore settings) {
        super(jdbc, clock, "shell_recipe");
        this.settings = settings;
    }

    @Override
    protected Recipes.Own of(Thing thing, ResultSet rs) {
        return new Recipes.Own(
                thing.id(),
                thing.name(),
                thing.fields().getOrDefault("coats", ""),
                thing.fields().getOrDefault("note", ""),
                thing.version(),
                thing.archived());
    }

    public Recipes of(long studio) {
        return settings.of(studio, "recipes", () -> new Recipes(list(studio, "order by lower(name), id")));
    }

    public long create(long studio, String name, String coats, String note) {
        return create(studio, name, Map.of("coats", coats, "note", note));
    }

    /** @return whether nobody saved in between */
    boolean save(long studio, Recipes.Own own) {
        return save(studio, own.id(), own.version(), own.name(), Map.of("coats", own.coats(), "note", own.note()))
                .isPresent();
    }
}
