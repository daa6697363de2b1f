package kilnryu.app.piece;

import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.web.multipart.MultipartFile;

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

    /** What a photo shows, by the column that names it. */
    public enum Of {
        PIECE("piece_id"),
        /** What came of a blend's trial. */
        TRIAL("blend_trial_id"),
        /** A load as it stands in its kiln. */
        FIRING("firing_id"),
        /** Castings as they came out. */
        BREAK_OUT("break_out_id"),
        /** A tree's work that somebody signs off. */
        TREE("tree_id"),
        /** A swatch. */
        PATINA("patina_id"),
        RUBBER_MOLD("rubber_mold_id"),
        WAX("wax_id");

        private final String column;

        Of(String column) {
            this.column = column;
        }
    }

    /** @return its number */
    public long keep(Account account, Of of, long shown, Photo photo) {
        return keep(account, of, shown, "", photo);
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

    /** Keeps a photo as it was sent. @return why it cannot be kept, in words; empty where it is */
    public String take(Account account, Of of, long shown, MultipartFile sent) throws IOException {
        try {
            keep(account, of, shown, Photo.of(sent));
            return "";
        } catch (Photo.Unusable e) {
            return e.getMessage();
        }
    }

    long keep(Account account, Of of, long shown, String caption, Photo photo) {
        return jdbc.sql("insert into photo (studio_id, " + of.column + ", caption, jpeg, width, height, account_id, at)"
                        + " values (:studio, :shown, :caption, :jpeg, :width, :height, :account, :now) returning id")
                .param("studio", account.studioId())
                .param("shown", shown)
                .param("caption", caption)
                .param("jpeg", photo.jpeg())
                .param("width", photo.width())
                .param("height", photo.height())
                .param("account", account.id())
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .query(Long.class)
                .single();
    }

    /** Their numbers, the oldest first. */
    public List<Long> of(long studio, Of of, long shown) {
        return jdbc.sql("select id from photo where studio_id = :studio and " + of.column
                        + " = :shown and not removed order by at, id")
                .param("studio", studio)
                .param("shown", shown)
                .query(Long.class)
                .list();
    }

    /** Of several in one question, by what they show. */
    public Map<Long, List<Long>> of(long studio, Of of, Collection<Long> shown) {
        Map<Long, List<Long>> all = new HashMap<>();
        jdbc.sql("select id, " + of.column + " from photo where studio_id = :studio and " + of.column
                        + " = any(:shown) and not removed order by at, id")
                .param("studio", studio)
                .param("shown", shown.toArray(Long[]::new))
                .query(rs -> {
                    all.computeIfAbsent(rs.getLong(of.column), s -> new ArrayList<>())
                            .add(rs.getLong("id"));
                });
        return all;
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
