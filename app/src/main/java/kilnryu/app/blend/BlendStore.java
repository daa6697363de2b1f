package kilnryu.app.blend;

import java.sql.ResultSet;
import java.time.Clock;
import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.SettingsStore;
import kilnryu.app.sheet.ThingStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The studio's blends and their trials. */
@Repository
public class BlendStore extends ThingStore<BlendStore.Row> {
    private final SettingsStore settings;

    BlendStore(JdbcClient jdbc, Clock clock, SettingsStore settings) {
        super(jdbc, clock, "blend");
        this.settings = settings;
    }

    /** A blend as saved. */
    public record Row(long id, String name, Map<String, String> fields, int version, boolean archived) {
        public Row {
            fields = Collections.unmodifiableMap(fields);
        }
    }

    /** A trial of a blend as it was then. */
    public record Trial(
            long id, long blend, Map<String, String> blendFields, Map<String, String> fields, String by, Instant at) {}

    @Override
    protected Row of(Thing thing, ResultSet rs) {
        return new Row(thing.id(), thing.name(), thing.fields(), thing.version(), thing.archived());
    }

    /** What blocks of a studio can be made of. */
    public Mixes mixes(long studio, kilnryu.core.sum.Factors factors) {
        List<Row> rows = settings.of(studio, "blends", () -> List.copyOf(withArchived(studio)));
        return Mixes.of(
                rows,
                rows.isEmpty() ? List.of() : settings.of(studio, "trials", () -> List.copyOf(trials(studio, 0))),
                factors);
    }

    public long keepTrial(Account account, Row blend, Map<String, String> fields) {
        return jdbc().sql("""
                        insert into blend_trial (blend_id, studio_id, blend_fields, fields, account_id, at)
                        values (:blend, :studio, :blendFields::json, :fields::json, :account, :now) returning id
                        """)
                .param("blend", blend.id)
                .param("studio", account.studioId())
                .param("blendFields", text(blend.fields))
                .param("fields", text(fields))
                .param("account", account.id())
                .param("now", now())
                .query(Long.class)
                .single();
    }

    /** Newest first; of one blend, or of all with 0. */
    List<Trial> trials(long studio, long blend) {
        return jdbc().sql("""
                        select t.*, a.shown_name from blend_trial t join account a on a.id = t.account_id
                         where t.studio_id = :studio and (:blend = 0 or t.blend_id = :blend) and not t.removed
                         order by t.at desc, t.id desc limit 60
                        """)
                .param("studio", studio)
                .param("blend", blend)
                .query((rs, n) -> new Trial(
                        rs.getLong("id"),
                        rs.getLong("blend_id"),
                        fields(rs.getString("blend_fields")),
                        fields(rs.getString("fields")),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    boolean removeTrial(long studio, long id, boolean away) {
        return jdbc().sql("update blend_trial set removed = :away where studio_id = :studio and id = :id")
                        .param("away", away)
                        .param("studio", studio)
                        .param("id", id)
                        .update()
                == 1;
    }
}
