package kilnryu.app.piece;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.web.InRequest;
import kilnryu.app.web.ListPage;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The studio's pieces as they were typed, with every earlier version. */
@Repository
public class PieceStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    PieceStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A piece as saved. */
    public record Row(
            long id, String name, Map<String, String> fields, int version, Instant updatedAt, boolean archived) {}

    /** One save: who and when. */
    public record Revision(int version, Map<String, String> fields, String by, Instant at) {}

    public List<Row> list(long studio, boolean archived, String search, ListPage.Span span) {
        return jdbc.sql("""
                        select * from piece
                         where studio_id = :studio and (archived_at is not null) = :archived
                           and (:search = '' or position(lower(:search) in
                                 lower(concat_ws(' ', name, fields->>'commission', fields->>'client'))) > 0)
                         order by updated_at desc, id limit :most offset :from
                        """)
                .param("studio", studio)
                .param("archived", archived)
                .param("search", search)
                .param("most", span.most())
                .param("from", span.from())
                .query(this::row)
                .list();
    }

    public Optional<Row> find(long studio, long id) {
        return InRequest.once(
                "piece " + studio + " " + id,
                () -> jdbc.sql("select * from piece where id = :id and studio_id = :studio")
                        .param("id", id)
                        .param("studio", studio)
                        .query(this::row)
                        .optional());
    }

    /** Asks for several at once, so that a page has them. */
    void foresee(long studio, Collection<Long> ids) {
        InRequest.foresee("piece " + studio + " ", ids, Optional.empty(), asked -> {
            Map<Long, Optional<Row>> found = new HashMap<>();
            jdbc.sql("select * from piece where studio_id = :studio and id = any(:ids)")
                    .param("studio", studio)
                    .param("ids", asked.toArray(Long[]::new))
                    .query(this::row)
                    .list()
                    .forEach(r -> found.put(r.id(), Optional.of(r)));
            return found;
        });
    }

    /** @param id 0 for a piece that is not there yet. @return its number, empty when someone saved in between */
    @Transactional
    public Optional<Long> save(long studio, long id, int baseVersion, Map<String, String> fields, long account) {
        String text = json.writeValueAsString(fields);
        String name = fields.getOrDefault("name", "");
        Optional<Long> saved =
                id == 0 ? Optional.of(insert(studio, name, text)) : update(studio, id, baseVersion, name, text);
        saved.ifPresent(number -> jdbc.sql("""
                        insert into piece_revision (piece_id, version, fields, account_id, at)
                        values (:piece, :version, :fields::json, :account, :now)
                        """)
                .param("piece", number)
                .param("version", id == 0 ? 1 : baseVersion + 1)
                .param("fields", text)
                .param("account", account)
                .param("now", now())
                .update());
        return saved;
    }

    private long insert(long studio, String name, String fields) {
        return jdbc.sql("""
                        insert into piece (studio_id, name, fields, version, created_at, updated_at)
                        values (:studio, :name, :fields::json, 1, :now, :now) returning id
                        """)
                .param("studio", studio)
                .param("name", name)
                .param("fields", fields)
                .param("now", now())
                .query(Long.class)
                .single();
    }

    private Optional<Long> update(long studio, long id, int baseVersion, String name, String fields) {
        return jdbc.sql("""
                        update piece set name = :name, fields = :fields::json, version = version + 1, updated_at = :now
                         where id = :id and studio_id = :studio and version = :version returning id
                        """)
                .param("id", id)
                .param("studio", studio)
                .param("version", baseVersion)
                .param("name", name)
                .param("fields", fields)
                .param("now", now())
                .query(Long.class)
                .optional();
    }

    /** Saves from a version on, oldest first. */
    public List<Revision> since(long id, int version) {
        return jdbc.sql("""
                        select r.version, r.fields, r.at, a.shown_name
                          from piece_revision r join account a on a.id = r.account_id
                         where r.piece_id = :id and r.version >= :version order by r.version
                        """)
                .param("id", id)
                .param("version", version)
                .query((rs, n) -> new Revision(
                        rs.getInt("version"),
                        json.readValue(rs.getString("fields"), TEXTS),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    public boolean archive(long studio, long id, boolean away) {
        return jdbc.sql("update piece set archived_at = :at where id = :id and studio_id = :studio")
                        .param("at", away ? now() : null, java.sql.Types.TIMESTAMP_WITH_TIMEZONE)
                        .param("id", id)
                        .param("studio", studio)
                        .update()
                == 1;
    }

    private Row row(ResultSet rs, int n) throws SQLException {
        return new Row(
                rs.getLong("id"),
                rs.getString("name"),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getInt("version"),
                rs.getTimestamp("updated_at").toInstant(),
                rs.getTimestamp("archived_at") != null);
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
