package kilnryu.app.piece;

import java.sql.Types;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
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

    /** What a photo shows: a piece, what came of a blend's trial, a load in its kiln, or castings as they came out; the others are null. */
    private record Shows(Long piece, Long trial, Long firing, Long breakOut, Long tree, Long patina) {}

    void keep(Account account, long piece, String caption, Photo photo) {
        keep(account, new Shows(piece, null, null, null, null, null), caption, photo);
    }

    /** A photo of what came of a blend's trial. */
    public void keepOfTrial(Account account, long trial, Photo photo) {
        keep(account, new Shows(null, trial, null, null, null, null), "", photo);
    }

    /** A photo of a load as it stands. */
    public void keepOfFiring(Account account, long firing, Photo photo) {
        keep(account, new Shows(null, null, firing, null, null, null), "", photo);
    }

    /** A photo of castings as they came out. @return its number */
    public long keepOfBreakOut(Account account, long breakOut, Photo photo) {
        return keep(account, new Shows(null, null, null, breakOut, null, null), "", photo);
    }

    /** A photo of a tree's work that somebody signs off. @return its number */
    public long keepOfTree(Account account, long tree, Photo photo) {
        return keep(account, new Shows(null, null, null, null, tree, null), "", photo);
    }

    /** A swatch of a patina. @return its number */
    public long keepOfPatina(Account account, long patina, Photo photo) {
        return keep(account, new Shows(null, null, null, null, null, patina), "", photo);
    }

    /** The first photo of each of a studio's pieces: the one it is known by. */
    Map<Long, Long> firstOfPieces(long studio) {
        return jdbc
                .sql("""
                        select distinct on (piece_id) piece_id, id from photo
                         where studio_id = :studio and piece_id is not null and not removed order by piece_id, at, id
                        """)
                .param("studio", studio)
                .query((rs, n) -> Map.entry(rs.getLong(1), rs.getLong(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private long keep(Account account, Shows shows, String caption, Photo photo) {
        return jdbc.sql("""
                        insert into photo (studio_id, piece_id, blend_trial_id, firing_id, break_out_id, tree_id, patina_id, caption, jpeg, width, height,
                               account_id, at)
                        values (:studio, :piece, :trial, :firing, :breakOut, :tree, :patina, :caption, :jpeg, :width, :height, :account, :now)
                        returning id
                        """)
                .param("studio", account.studioId())
                .param("piece", shows.piece, Types.BIGINT)
                .param("trial", shows.trial, Types.BIGINT)
                .param("firing", shows.firing, Types.BIGINT)
                .param("breakOut", shows.breakOut, Types.BIGINT)
                .param("tree", shows.tree, Types.BIGINT)
                .param("patina", shows.patina, Types.BIGINT)
                .param("caption", caption)
                .param("jpeg", photo.jpeg())
                .param("width", photo.width())
                .param("height", photo.height())
                .param("account", account.id())
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .query(Long.class)
                .single();
    }

    public List<Long> ofFiring(long studio, long firing) {
        return jdbc.sql(
                        "select id from photo where studio_id = :studio and firing_id = :firing and not removed order by at, id")
                .param("studio", studio)
                .param("firing", firing)
                .query(Long.class)
                .list();
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
