package kilnryu.app.kiln;

import java.sql.ResultSet;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.ThingStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** The kilns of a studio, their care, and which columns of their loggers' files hold what. */
@Repository
public class KilnStore extends ThingStore<KilnStore.Row> {
    KilnStore(JdbcClient jdbc, Clock clock) {
        super(jdbc, clock, "kiln");
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

    @Override
    protected Row of(Thing thing, ResultSet rs) {
        return new Row(thing.id(), thing.fields(), thing.version());
    }

    void care(Account account, long kiln, String what, String note) {
        jdbc().sql("""
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
        return jdbc().sql("""
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
        return jdbc().sql("""
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
        return jdbc().sql("select mapping from kiln_columns where kiln_id = :kiln")
                .param("kiln", kiln)
                .query((rs, n) -> fields(rs.getString("mapping")))
                .optional()
                .orElse(Map.of());
    }

    public void keepColumns(long kiln, Map<String, String> mapping) {
        jdbc().sql("""
                        insert into kiln_columns (kiln_id, mapping) values (:kiln, :mapping::json)
                        on conflict (kiln_id) do update set mapping = excluded.mapping
                        """).param("kiln", kiln).param("mapping", text(mapping)).update();
    }
}
