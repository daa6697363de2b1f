package kilnryu.app.piece;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import kilnryu.app.account.Account;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Photos of pieces, as they were made anew from what was sent. */
@Repository
public class PhotoStore {
    private final JdbcClient jdbc;
    private final Clock clock;

    PhotoStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A photo without its picture. */
    record Row(long id, String caption, int width, int height, Instant at) {}

    long keep(long studio, long piece, String caption, Photo photo, long account) {
        return jdbc.sql("""
                        insert into photo (studio_id, piece_id, caption, jpeg, width, height, account_id, at)
                        values (:studio, :piece, :caption, :jpeg, :width, :height, :account, :now) returning id
                        """)
                .param("studio", studio)
                .param("piece", piece)
                .param("caption", caption)
                .param("jpeg", photo.jpeg())
                .param("width", photo.width())
                .param("height", photo.height())
                .param("account", account)
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .query(Long.class)
                .single();
    }

    /** A photo of what came of a blend's trial. */
    public void keepOfTrial(Account account, long trial, Photo photo) {
        jdbc.sql("""
                        insert into photo (studio_id, blend_trial_id, caption, jpeg, width, height, account_id, at)
                        values (:studio, :trial, '', :jpeg, :width, :height, :account, :now)
                        """)
                .param("studio", account.studioId())
                .param("trial", trial)
                .param("jpeg", photo.jpeg())
                .param("width", photo.width())
                .param("height", photo.height())
                .param("account", account.id())
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }

    public List<Long> ofTrial(long studio, long trial) {
        return jdbc.sql("select id from photo where studio_id = :studio and blend_trial_id = :trial and not removed")
                .param("studio", studio)
                .param("trial", trial)
                .query(Long.class)
                .list();
    }

    List<Row> of(long studio, long piece) {
        return jdbc.sql("""
                        select id, caption, width, height, at from photo
                         where studio_id = :studio and piece_id = :piece and not removed order by at, id
                        """)
                .param("studio", studio)
                .param("piece", piece)
                .query((rs, n) -> new Row(
                        rs.getLong("id"),
                        rs.getString("caption"),
                        rs.getInt("width"),
                        rs.getInt("height"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    Optional<byte[]> jpeg(long studio, long id) {
        return jdbc.sql("select jpeg from photo where id = :id and studio_id = :studio")
                .param("id", id)
                .param("studio", studio)
                .query((rs, n) -> rs.getBytes("jpeg"))
                .optional();
    }

    boolean remove(long studio, long id, boolean away) {
        return jdbc.sql("update photo set removed = :away where id = :id and studio_id = :studio")
                        .param("away", away)
                        .param("id", id)
                        .param("studio", studio)
                        .update()
                == 1;
    }
}
