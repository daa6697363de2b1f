package kilnryu.app.factor;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Replacement;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

@Repository
public class FactorStore {
    private final JdbcClient jdbc;
    private final Clock clock;

    FactorStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** One replaced constant. */
    record Row(String key, double value, String reason, String by) {}

    List<Row> rows(long studio) {
        return jdbc.sql("""
                        select f.key, f.value, f.reason, a.shown_name
                          from studio_factor f join account a on a.id = f.account_id
                         where f.studio_id = :studio
                        """)
                .param("studio", studio)
                .query((rs, n) -> new Row(
                        rs.getString("key"), rs.getDouble("value"), rs.getString("reason"), rs.getString("shown_name")))
                .list();
    }

    public Factors of(long studio) {
        Map<String, Replacement> replaced = new HashMap<>();
        rows(studio).forEach(r -> replaced.put(r.key, new Replacement(r.value, r.reason)));
        return new Factors(replaced);
    }

    void replace(long studio, String key, Replacement own, long account) {
        jdbc.sql("""
                        insert into studio_factor (studio_id, key, value, reason, account_id, at)
                        values (:studio, :key, :value, :reason, :account, :now)
                        on conflict (studio_id, key) do update
                        set value = excluded.value, reason = excluded.reason,
                            account_id = excluded.account_id, at = excluded.at
                        """)
                .param("studio", studio)
                .param("key", key)
                .param("value", own.value())
                .param("reason", own.reason())
                .param("account", account)
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }

    void restore(long studio, String key) {
        jdbc.sql("delete from studio_factor where studio_id = :studio and key = :key")
                .param("studio", studio)
                .param("key", key)
                .update();
    }
}
