package kilnryu.app.sheet;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.function.Supplier;
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/**
 * What a studio has set for itself (its factors, schools, blends, recipes, equipment) is read for every plan and changes
 * rarely: a page that only reads takes what is known of it as long as its stamp in the database stands, which every change of
 * those tables moves on. What writes asks anew each time.
 */
@Repository
public class SettingsStore {
    private static final long MOST_KEPT = 400;

    private final JdbcClient jdbc;
    private final Cache<String, Kept> kept =
            Caffeine.newBuilder().maximumSize(MOST_KEPT).build();

    SettingsStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    private record Kept(long stamp, Object answer) {}

    /**
     * An answer that follows from a studio's settings alone.
     *
     * @param what is asked; no two questions by one name
     * @param ask gives what is never changed afterwards
     */
    public <T> T of(long studio, String what, Supplier<T> ask) {
        String key = what + " " + studio;
        return InRequest.reading() ? InRequest.once(key, () -> kept(studio, key, ask)) : ask.get();
    }

    @SuppressWarnings("unchecked")
    private <T> T kept(long studio, String key, Supplier<T> ask) {
        // first the stamp, then the answer: one that changes in between is kept under the older stamp and asked again
        long stamp = InRequest.once("stamp " + studio, () -> stamp(studio));
        Kept known = kept.getIfPresent(key);
        if (known != null && known.stamp == stamp) {
            return (T) known.answer;
        }
        T answer = ask.get();
        kept.put(key, new Kept(stamp, answer));
        return answer;
    }

    private long stamp(long studio) {
        return jdbc.sql("select stamp from studio_stamp where studio_id = :studio")
                .param("studio", studio)
                .query(Long.class)
                .optional()
                .orElse(0L);
    }
}
