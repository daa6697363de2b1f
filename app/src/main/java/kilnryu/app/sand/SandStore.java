package kilnryu.app.sand;

import java.sql.ResultSet;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.ThingStore;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Molds of silicate sand and their logs. */
@Repository
class SandStore extends ThingStore<SandStore.Row> {
    private static final String LATEST = "and archived_at is null order by updated_at desc, id limit 100";

    SandStore(JdbcClient jdbc, Clock clock) {
        super(jdbc, clock, "sand_mold");
    }

    /** A mold as saved. */
    record Row(long id, String name, Map<String, String> fields, int version) {
        /** The same, typed over another version. */
        Row over(int now) {
            return new Row(id, name, fields, now);
        }
    }

    /** A line of the log. */
    record Entry(Map<String, String> fields, String by, Instant at) {}

    @Override
    protected Row of(Thing thing, ResultSet rs) {
        return new Row(thing.id(), thing.name(), thing.fields(), thing.version());
    }

    /** Those that were worked on last, first. */
    @Override
    public List<Row> list(long studio) {
        return list(studio, LATEST);
    }

    void log(Account account, long mold, Map<String, String> fields) {
        jdbc().sql("""
                        insert into sand_log (sand_mold_id, fields, account_id, at)
                        values (:mold, :fields::json, :account, :now)
                        """)
                .param("mold", mold)
                .param("fields", text(fields))
                .param("account", account.id())
                .param("now", now())
                .update();
    }

    List<Entry> entries(long mold) {
        return jdbc().sql("""
                        select l.*, a.shown_name from sand_log l join account a on a.id = l.account_id
                         where l.sand_mold_id = :mold order by l.at, l.id
                        """)
                .param("mold", mold)
                .query((rs, n) -> new Entry(
                        fields(rs.getString("fields")),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }
}
