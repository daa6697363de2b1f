package kilnryu.app.factor;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import kilnryu.app.sheet.SettingsStore;
import kilnryu.core.sum.Factors;
import kilnryu.core.sum.Replacement;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

@Repository
public class FactorStore {
    private final JdbcClient jdbc;
    private final Clock clock;
    private final SettingsStore settings;

    FactorStore(JdbcClient jdbc, Clock clock, SettingsStore settings) {
        this.settings = settings;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** One replaced constant. */
    record Row(String key, double value, String reason, String by, Instant learned) {}

    List<Row> rows(long studio) {
        return settings.of(
                studio,
                "factors",
                () -> jdbc.sql("""
                        select f.key, f.value, f.reason, a.shown_name, f.learned_at
                          from studio_factor f join account a on a.id = f.account_id
                         where f.studio_id = :studio
                        """)
                        .param("studio", studio)
                        .query((rs, n) -> new Row(
                                rs.getString("key"),
                                rs.getDouble("value"),
                                rs.getString("reason"),
                                rs.getString("shown_name"),
                                rs.getTimestamp("learned_at") == null
                                        ? null
                                        : rs.getTimestamp("learned_at").toInstant()))
                        .list());
    }

    public Factors of(long studio) {
        return byMoment(studio).apply(Instant.MAX);
    }

    /**
     * As a tree is reckoned by: what was learned from castings holds only for trees that were made after it was taken.
     *
     * @param tree 0 for one that is not saved yet
     */
    public Factors of(long studio, long tree) {
        if (tree == 0 || rows(studio).stream().allMatch(r -> r.learned == null)) {
            return of(studio);
        }
        return of(
                studio,
                jdbc.sql("select created_at from tree where id = :tree")
                        .param("tree", tree)
                        .query((rs, n) -> rs.getTimestamp(1).toInstant())
                        .optional()
                        .orElse(Instant.MAX));
    }

    /** As something is reckoned by that was planned at a moment. */
    public Factors of(long studio, Instant made) {
        return byMoment(studio).apply(made);
    }

    /** The factors of any moment, asked of the database once: what was learned by then holds. */
    public Function<Instant, Factors> byMoment(long studio) {
        List<Row> rows = rows(studio);
        boolean learned = rows.stream().anyMatch(r -> r.learned != null);
        Map<String, Replacement> before = learned ? before(studio) : Map.of();
        return made -> {
            Map<String, Replacement> replaced = new HashMap<>();
            for (Row r : rows) {
                if (r.learned == null || made.isAfter(r.learned)) {
                    replaced.put(r.key, new Replacement(r.value, r.reason));
                } else if (before.containsKey(r.key)) {
                    replaced.put(r.key, before.get(r.key));
                }
            }
            return new Factors(replaced);
        };
    }

    private Map<String, Replacement> before(long studio) {
        Map<String, Replacement> before = new HashMap<>();
        jdbc.sql("select key, before_value, before_reason from studio_factor where studio_id = :studio"
                        + " and before_value is not null")
                .param("studio", studio)
                .query(rs -> {
                    before.put(rs.getString(1), new Replacement(rs.getDouble(2), rs.getString(3)));
                });
        return before;
    }

    /** What a studio typed, without what it took from its own castings. */
    public Factors typed(long studio) {
        return byMoment(studio).apply(Instant.MIN);
    }

    /** What a studio took from its own castings: its value, its reason, from when on. */
    public record Learned(double value, String reason, Instant since) {}

    public Map<String, Learned> learned(long studio) {
        Map<String, Learned> all = new HashMap<>();
        rows(studio).stream()
                .filter(r -> r.learned != null)
                .forEach(r -> all.put(r.key, new Learned(r.value, r.reason, r.learned)));
        return all;
    }

    /** Takes what was learned, all of it or nothing; what stood there before comes back when it is given back. */
    @Transactional
    public void learn(long studio, Map<String, Replacement> own, long account) {
        own.forEach((key, value) -> learn(studio, key, value, account));
    }

    private void learn(long studio, String key, Replacement own, long account) {
        jdbc.sql("""
                        insert into studio_factor (studio_id, key, value, reason, account_id, at, learned_at)
                        values (:studio, :key, :value, :reason, :account, :now, :now)
                        on conflict (studio_id, key) do update
                        set before_value = case when studio_factor.learned_at is null then studio_factor.value
                                                else studio_factor.before_value end,
                            before_reason = case when studio_factor.learned_at is null then studio_factor.reason
                                                 else studio_factor.before_reason end,
                            value = excluded.value, reason = excluded.reason, account_id = excluded.account_id,
                            at = excluded.at, learned_at = excluded.learned_at
                        """)
                .param("studio", studio)
                .param("key", key)
                .param("value", own.value())
                .param("reason", own.reason())
                .param("account", account)
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }

    /** Gives back what was learned. */
    @Transactional
    public void giveBack(long studio, List<String> keys) {
        keys.forEach(key -> giveBack(studio, key));
    }

    private void giveBack(long studio, String key) {
        jdbc.sql("""
                        update studio_factor set value = before_value, reason = before_reason, learned_at = null,
                               before_value = null, before_reason = null
                         where studio_id = :studio and key = :key and learned_at is not null and before_value is not null
                        """).param("studio", studio).param("key", key).update();
        jdbc.sql("delete from studio_factor where studio_id = :studio and key = :key and learned_at is not null")
                .param("studio", studio)
                .param("key", key)
                .update();
    }

    void replace(long studio, String key, Replacement own, long account) {
        jdbc.sql("""
                        insert into studio_factor (studio_id, key, value, reason, account_id, at)
                        values (:studio, :key, :value, :reason, :account, :now)
                        on conflict (studio_id, key) do update
                        set value = excluded.value, reason = excluded.reason,
                            account_id = excluded.account_id, at = excluded.at,
                            learned_at = null, before_value = null, before_reason = null
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
