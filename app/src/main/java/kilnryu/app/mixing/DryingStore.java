package kilnryu.app.mixing;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Molds weighed when they were filled, and again while they dry. */
@Repository
class DryingStore {
    private final JdbcClient jdbc;
    private final Clock clock;

    DryingStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param filled whether it was weighed just after filling */
    record Weighing(double grams, boolean filled, String by, Instant at) {}

    List<Weighing> of(long tree, Instant since) {
        return jdbc.sql("""
                        select w.*, a.shown_name from mold_weighing w join account a on a.id = w.account_id
                         where w.tree_id = :tree and w.at >= :since order by w.at, w.id
                        """)
                .param("tree", tree)
                .param("since", OffsetDateTime.ofInstant(since, ZoneOffset.UTC))
                .query((rs, n) -> new Weighing(
                        rs.getDouble("mass_g"),
                        rs.getBoolean("filled"),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    void keep(long studio, long tree, double grams, boolean filled, long account) {
        jdbc.sql("""
                        insert into mold_weighing (tree_id, studio_id, mass_g, filled, account_id, at)
                        values (:tree, :studio, :grams, :filled, :account, :now)
                        """)
                .param("tree", tree)
                .param("studio", studio)
                .param("grams", grams)
                .param("filled", filled)
                .param("account", account)
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }
}
