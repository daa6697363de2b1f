package kilnryu.app.piece;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import kilnryu.app.web.InRequest;
import kilnryu.app.web.KeptJson;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Mesh files in pieces of a megabyte, how far measuring them has come, and what was measured. */
@Repository
public class MeshStore {
    private static final int CHUNK = 1 << 20;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = KeptJson.mapper();

    MeshStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A mesh as its page shows it; share is below 0 when the end is not known. */
    public record Row(
            long id,
            long pieceId,
            String fileName,
            long bytes,
            String up,
            String state,
            String step,
            double share,
            String refusal,
            MeshSummary summary) {
        public boolean isAtWork() {
            return state.equals("waiting") || state.equals("measuring");
        }
    }

    /** A file as it was sent. */
    public record Upload(long studio, long piece, String name, long bytes, String up) {}

    @Transactional(rollbackFor = Exception.class)
    public long keep(Upload upload, InputStream file) throws IOException {
        long id = jdbc.sql("""
                        insert into mesh (studio_id, piece_id, file_name, bytes, up, state, created_at)
                        values (:studio, :piece, :name, :bytes, :up, 'waiting', :now) returning id
                        """)
                .param("studio", upload.studio)
                .param("piece", upload.piece)
                .param("name", upload.name)
                .param("bytes", upload.bytes)
                .param("up", upload.up)
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .query(Long.class)
                .single();
        chunks(id, "file", file);
        return id;
    }

    private void chunks(long id, String part, InputStream from) throws IOException {
        int n = 0;
        for (byte[] chunk = from.readNBytes(CHUNK); chunk.length > 0; chunk = from.readNBytes(CHUNK)) {
            jdbc.sql("insert into mesh_chunk (mesh_id, part, n, bytes) values (:id, :part, :n, :bytes)")
                    .param("id", id)
                    .param("part", part)
                    .param("n", n++)
                    .param("bytes", chunk)
                    .update();
        }
    }

    /** The file or the view again, a megabyte at a time. */
    public InputStream open(long id, String part) {
        return new java.io.SequenceInputStream(new java.util.Enumeration<>() {
            private int n;
            private Optional<byte[]> next = chunk(id, part, 0);

            @Override
            public boolean hasMoreElements() {
                return next.isPresent();
            }

            @Override
            public InputStream nextElement() {
                InputStream chunk = new ByteArrayInputStream(next.orElseThrow());
                next = chunk(id, part, ++n);
                return chunk;
            }
        });
    }

    private Optional<byte[]> chunk(long id, String part, int n) {
        return jdbc.sql("select bytes from mesh_chunk where mesh_id = :id and part = :part and n = :n")
                .param("id", id)
                .param("part", part)
                .param("n", n)
                .query((rs, row) -> rs.getBytes("bytes"))
                .optional();
    }

    /** The newest mesh of a piece that was not given up. */
    public Optional<Row> ofPiece(long studio, long piece) {
        return InRequest.once(
                "mesh of " + studio + " " + piece,
                () -> jdbc.sql("""
                        select * from mesh where piece_id = :piece and studio_id = :studio and state <> 'cancelled'
                         order by id desc limit 1
                        """)
                        .param("piece", piece)
                        .param("studio", studio)
                        .query(this::row)
                        .optional());
    }

    /** Asks for those of several pieces at once, so that a page has them. */
    void foresee(long studio, Collection<Long> pieces) {
        InRequest.foresee("mesh of " + studio + " ", pieces, Optional.empty(), asked -> {
            Map<Long, Optional<Row>> found = new HashMap<>();
            jdbc.sql("""
                        select distinct on (piece_id) * from mesh
                         where studio_id = :studio and piece_id = any(:pieces) and state <> 'cancelled'
                         order by piece_id, id desc
                        """)
                    .param("studio", studio)
                    .param("pieces", asked.toArray(Long[]::new))
                    .query((rs, n) -> found.put(rs.getLong("piece_id"), Optional.of(row(rs, n))))
                    .list();
            return found;
        });
    }

    /** The newest mesh of each of a studio's pieces, by the piece. */
    Map<Long, Row> newest(long studio) {
        return jdbc.sql("""
                        select distinct on (piece_id) * from mesh where studio_id = :studio and state <> 'cancelled'
                         order by piece_id, id desc
                        """).param("studio", studio).query(this::row).list().stream()
                .collect(Collectors.toMap(Row::pieceId, row -> row));
    }

    /** Outlines that are kept, by the mesh. */
    Map<Long, String> faces(long studio) {
        return jdbc
                .sql("select id, face from mesh where studio_id = :studio and face is not null and state = 'measured'")
                .param("studio", studio)
                .query((rs, n) -> Map.entry(rs.getLong(1), rs.getString(2)))
                .list()
                .stream()
                .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    void keepFace(long id, String face) {
        jdbc.sql("update mesh set face = :face where id = :id and state = 'measured'")
                .param("id", id)
                .param("face", face)
                .update();
    }

    public Optional<Row> find(long id) {
        return jdbc.sql("select * from mesh where id = :id")
                .param("id", id)
                .query(this::row)
                .optional();
    }

    /** @return false when it was cancelled meanwhile */
    boolean progress(long id, String step, double share) {
        return jdbc.sql("""
                        update mesh set state = 'measuring', step = :step, share = :share
                         where id = :id and state in ('waiting', 'measuring')
                        """)
                        .param("id", id)
                        .param("step", step)
                        .param("share", Double.isFinite(share) ? share : -1)
                        .update()
                == 1;
    }

    @Transactional(rollbackFor = Exception.class)
    public boolean measured(long id, MeshSummary summary, byte[] view) throws IOException {
        jdbc.sql("delete from mesh_chunk where mesh_id = :id and part = 'view'")
                .param("id", id)
                .update();
        chunks(id, "view", new ByteArrayInputStream(view));
        return jdbc.sql("""
                        update mesh set state = 'measured', step = '', share = 1, summary = :summary::json,
                               face = null
                         where id = :id and state = 'measuring'
                        """)
                        .param("id", id)
                        .param("summary", json.writeValueAsString(summary))
                        .update()
                == 1;
    }

    void refused(long id, String why) {
        jdbc.sql(
                        "update mesh set state = 'refused', refusal = :why where id = :id and state in ('waiting', 'measuring')")
                .param("id", id)
                .param("why", why)
                .update();
    }

    boolean cancel(long studio, long piece) {
        return jdbc.sql("""
                        update mesh set state = 'cancelled'
                         where piece_id = :piece and studio_id = :studio and state in ('waiting', 'measuring')
                        """).param("piece", piece).param("studio", studio).update() > 0;
    }

    /** Sends a measured mesh to be measured again with another side up. */
    boolean again(long id, String up) {
        return jdbc.sql("update mesh set up = :up, state = 'waiting', share = 0 where id = :id and state = 'measured'")
                        .param("id", id)
                        .param("up", up)
                        .update()
                == 1;
    }

    /** Takes the newest mesh off its piece; it stays in the database. */
    boolean takeOff(long studio, long piece) {
        return jdbc.sql("""
                        update mesh set state = 'cancelled' where studio_id = :studio and id =
                          (select max(id) from mesh where piece_id = :piece and state <> 'cancelled')
                        """).param("studio", studio).param("piece", piece).update() == 1;
    }

    private Row row(ResultSet rs, int n) throws SQLException {
        String summary = rs.getString("summary");
        return new Row(
                rs.getLong("id"),
                rs.getLong("piece_id"),
                rs.getString("file_name"),
                rs.getLong("bytes"),
                rs.getString("up"),
                rs.getString("state"),
                rs.getString("step"),
                rs.getDouble("share"),
                rs.getString("refusal"),
                summary == null ? null : json.readValue(summary, MeshSummary.class));
    }
}
