package kilnryu.app.weighin;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Every weighing of a tree, newest first. */
@Repository
class WeighingStore {
    private final JdbcClient jdbc;
    private final Clock clock;

    WeighingStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** One weighing; shown is what stood on the display. */
    record Row(double grams, String shown, boolean confirmed, String by, Instant at) {}

    /** What is to be written down; confirmed when a doubt was answered. */
    record Weighing(long studio, long tree, double grams, String shown, double planned, boolean confirmed) {}

    void keep(Weighing w, long account) {
        jdbc.sql("""
                        insert into weighing (studio_id, tree_id, mass_g, shown, planned_g, confirmed, account_id, at)
                        values (:studio, :tree, :grams, :shown, :planned, :confirmed, :account, :now)
                        """)
                .param("studio", w.studio)
                .param("tree", w.tree)
                .param("grams", w.grams)
                .param("shown", w.shown)
                .param("planned", w.planned)
                .param("confirmed", w.confirmed)
                .param("account", account)
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }

    List<Row> of(long studio, long tree) {
        return jdbc.sql("""
                        select w.mass_g, w.shown, w.confirmed, w.at, a.shown_name
                          from weighing w join account a on a.id = w.account_id
                         where w.studio_id = :studio and w.tree_id = :tree order by w.at desc, w.id desc limit 20
                        """)
                .param("studio", studio)
                .param("tree", tree)
                .query((rs, n) -> new Row(
                        rs.getDouble("mass_g"),
                        rs.getString("shown"),
                        rs.getBoolean("confirmed"),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }
}
