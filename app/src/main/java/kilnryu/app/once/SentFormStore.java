package kilnryu.app.once;

import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Forms that were sent, and where each led. */
@Repository
class SentFormStore {
    private static final Duration KEPT = Duration.ofDays(2);

    private final JdbcClient jdbc;
    private final Clock clock;

    SentFormStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A form by whom, with its key, and what was in it. */
    record Sent(long account, String key, String digest) {}

    /**
     * Takes a form for its first sending; waits for another that is at work with the same.
     *
     * @return false when it was sent and done before
     */
    boolean first(Sent form) {
        return jdbc.sql("""
                        insert into sent_form (account_id, key, digest, at) values (:account, :key, :digest, :now)
                        on conflict do nothing
                        """)
                        .param("account", form.account)
                        .param("key", form.key)
                        .param("digest", form.digest)
                        .param("now", now())
                        .update()
                == 1;
    }

    /** Where it led when it was done. */
    Optional<String> led(Sent form) {
        return jdbc.sql("""
                        select location from sent_form
                         where account_id = :account and key = :key and digest = :digest and location is not null
                        """)
                .param("account", form.account)
                .param("key", form.key)
                .param("digest", form.digest)
                .query(String.class)
                .optional();
    }

    void done(Sent form, String location) {
        jdbc.sql("""
                        update sent_form set location = :location
                         where account_id = :account and key = :key and digest = :digest
                        """)
                .param("location", location)
                .param("account", form.account)
                .param("key", form.key)
                .param("digest", form.digest)
                .update();
    }

    /** It did nothing that may not be done again: remarked at a field, or refused. */
    void release(Sent form) {
        jdbc.sql("delete from sent_form where account_id = :account and key = :key and digest = :digest")
                .param("account", form.account)
                .param("key", form.key)
                .param("digest", form.digest)
                .update();
    }

    void forget() {
        jdbc.sql("delete from sent_form where at < :before")
                .param("before", now().minus(KEPT))
                .update();
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
