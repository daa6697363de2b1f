package kilnryu.app.pour;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import kilnryu.app.account.Account;
import kilnryu.app.web.InRequest;
import kilnryu.app.web.ListPage;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Pours, their molds in order, and what happened at them. */
@Repository
class PourStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    PourStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A pour as saved; instants may be null. */
    record Row(
            long id,
            long studio,
            String name,
            String state,
            Map<String, String> fields,
            int version,
            String record,
            Instant begunAt,
            Instant endedAt,
            Instant createdAt) {
        boolean planned() {
            return state.equals("planned");
        }

        boolean running() {
            return state.equals("running");
        }

        Row with(Map<String, String> others) {
            return new Row(id, studio, name, state, others, version, record, begunAt, endedAt, createdAt);
        }
    }

    /** A pour in a list. */
    record Line(long id, String name, String state, String pourAt, String alloy, int molds, Instant endedAt) {}

    /**
     * Something that happened.
     *
     * @param tap key of the tap, which counts once
     * @param tree null where it is of the whole pour
     */
    record Event(
            long id,
            String tap,
            Long tree,
            String kind,
            Map<String, String> fields,
            Instant tappedAt,
            Instant at,
            String by) {}

    List<Line> list(long studio, ListPage.Span span) {
        return jdbc.sql("""
                        select p.id, p.name, p.state, p.fields->>'pour_at' as pour_at, p.fields->>'alloy' as alloy, p.ended_at,
                               (select count(*) from pour_mold m where m.pour_id = p.id) as molds
                          from pour p where p.studio_id = :studio and p.state <> 'archived'
                         order by p.state = 'running' desc, p.state = 'planned' desc, p.created_at desc, p.id desc
                         limit :most offset :from
                        """)
                .param("studio", studio)
                .param("most", span.most())
                .param("from", span.from())
                .query((rs, n) -> new Line(
                        rs.getLong("id"),
                        rs.getString("name"),
                        rs.getString("state"),
                        rs.getString("pour_at"),
                        rs.getString("alloy"),
                        rs.getInt("molds"),
                        instant(rs.getTimestamp("ended_at"))))
                .list();
    }

    Optional<Row> find(long studio, long id) {
        return jdbc.sql("select * from pour where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> row(rs))
                .optional();
    }

    /** The pour a tree is in: one that runs or is planned before one that has ended. */
    Optional<Row> of(long studio, long tree) {
        return of(tree).filter(p -> p.studio() == studio);
    }

    /** The same, of a tree that is known to be the studio's. */
    Optional<Row> of(long tree) {
        return InRequest.once(
                "pour of tree " + tree,
                () -> jdbc.sql("""
                        select p.* from pour p join pour_mold m on m.pour_id = p.id and m.tree_id = :tree
                         where p.state <> 'archived' order by p.state = 'done', p.created_at desc limit 1
                        """)
                        .param("tree", tree)
                        .query((rs, n) -> row(rs))
                        .optional());
    }

    /** The last pour that was begun of this name, or in which a tree of this name was poured. */
    Optional<Row> named(long studio, String name) {
        return jdbc.sql("""
                        select p.* from pour p
                         where p.studio_id = :studio and p.record is not null
                           and (lower(p.name) = lower(:name) or exists (
                                select 1 from pour_mold m join tree t on t.id = m.tree_id
                                 where m.pour_id = p.id and lower(t.name) = lower(:name)))
                         order by p.begun_at desc limit 1
                        """)
                .param("studio", studio)
                .param("name", name)
                .query((rs, n) -> row(rs))
                .optional();
    }

    /** Pours that are planned or run. */
    List<Row> open(long studio) {
        return jdbc.sql("""
                        select * from pour where studio_id = :studio and state in ('planned', 'running')
                         order by created_at limit 60
                        """).param("studio", studio).query((rs, n) -> row(rs)).list();
    }

    /** Trees of a pour in the order in which they are poured. */
    List<Long> molds(long pour) {
        return molds(List.of(pour)).getOrDefault(pour, List.of());
    }

    /** The same of some pours in one question, by the pour. */
    Map<Long, List<Long>> molds(Collection<Long> pours) {
        Map<Long, List<Long>> all = new HashMap<>();
        jdbc.sql("select pour_id, tree_id from pour_mold where pour_id = any(:pours) order by place, tree_id")
                .param("pours", pours.toArray(Long[]::new))
                .query(rs -> {
                    all.computeIfAbsent(rs.getLong("pour_id"), p -> new ArrayList<>())
                            .add(rs.getLong("tree_id"));
                });
        return all;
    }

    /** Trees that could be poured: with a mold, not in another pour that is still open. */
    List<Long> candidates(long studio, long pour) {
        return jdbc.sql("""
                        select t.id from tree t
                         where t.studio_id = :studio and t.flask is not null and t.archived_at is null
                           and not exists (select 1 from pour_mold m join pour p on p.id = m.pour_id
                                            where m.tree_id = t.id and p.id <> :pour and p.state <> 'archived')
                           and not exists (select 1 from break_out b where b.tree_id = t.id)
                         order by t.updated_at desc, t.id limit 60
                        """)
                .param("studio", studio)
                .param("pour", pour)
                .query(Long.class)
                .list();
    }

    @Transactional
    public long create(Account account, String name, Map<String, String> fields, List<Long> trees) {
        long id = jdbc.sql("""
                        insert into pour (studio_id, name, fields, created_at) values (:studio, :name, :fields::json, :now)
                        returning id
                        """)
                .param("studio", account.studioId())
                .param("name", name)
                .param("fields", json.writeValueAsString(fields))
                .param("now", now())
                .query(Long.class)
                .single();
        placed(id, trees);
        return id;
    }

    private void placed(long pour, List<Long> trees) {
        jdbc.sql("delete from pour_mold where pour_id = :pour")
                .param("pour", pour)
                .update();
        for (int i = 0; i < trees.size(); i++) {
            jdbc.sql("insert into pour_mold (pour_id, tree_id, place) values (:pour, :tree, :place)")
                    .param("pour", pour)
                    .param("tree", trees.get(i))
                    .param("place", i)
                    .update();
        }
    }

    /** @return false when someone else saved or began it in between */
    @Transactional
    public boolean save(Row row, List<Long> trees) {
        int rows = jdbc.sql("""
                        update pour set name = :name, fields = :fields::json, crucible_id = :crucible, version = version + 1
                         where id = :id and studio_id = :studio and version = :version and state = 'planned'
                        """)
                .param("id", row.id)
                .param("studio", row.studio)
                .param("version", row.version)
                .param("name", row.name)
                .param("fields", json.writeValueAsString(row.fields))
                .param("crucible", number(row.fields.get("crucible")))
                .update();
        if (rows == 1) {
            placed(row.id, trees);
        }
        return rows == 1;
    }

    private static Long number(String text) {
        return text != null && text.matches("\\d{1,18}") ? Long.valueOf(text) : null;
    }

    /** Freezes the plan. @return false when someone else saved or began it in between */
    boolean begin(Row row, String record, OptionalLong crucible) {
        return jdbc.sql("""
                        update pour set state = 'running', record = :record::json, begun_at = :now, version = version + 1,
                               crucible_id = :crucible
                         where id = :id and version = :version and state = 'planned'
                        """)
                        .param("id", row.id)
                        .param("version", row.version)
                        .param("record", record)
                        .param("crucible", crucible.isPresent() ? crucible.getAsLong() : null)
                        .param("now", now())
                        .update()
                == 1;
    }

    /** @return false when it does not run any more */
    boolean end(long id) {
        return jdbc.sql("""
                        update pour set state = 'done', ended_at = :now, version = version + 1
                         where id = :id and state = 'running'
                        """).param("id", id).param("now", now()).update() == 1;
    }

    /** @return false when it runs or has ended */
    boolean archive(long studio, long id) {
        return jdbc.sql("""
                        update pour set state = 'archived', version = version + 1
                         where id = :id and studio_id = :studio and state = 'planned'
                        """).param("id", id).param("studio", studio).update() == 1;
    }

    /** Locks a pour, so that what is judged of its events stays so until the tap is written; false where it does not run. */
    boolean lock(long id) {
        return jdbc.sql("select state from pour where id = :id for update")
                .param("id", id)
                .query(String.class)
                .single()
                .equals("running");
    }

    /** What somebody tapped. */
    record Tap(String key, Long tree, String kind, Map<String, String> fields, Instant at) {}

    /** @return false when this very tap was written before */
    boolean tap(Account account, long pour, Tap tap) {
        return jdbc.sql("""
                        insert into pour_event (pour_id, tap, tree_id, kind, fields, tapped_at, at, account_id)
                        values (:pour, :tap, :tree, :kind, :fields::json, :tapped, :now, :account)
                        on conflict (pour_id, tap) do nothing
                        """)
                        .param("pour", pour)
                        .param("tap", tap.key)
                        .param("tree", tap.tree)
                        .param("kind", tap.kind)
                        .param("fields", json.writeValueAsString(tap.fields))
                        .param("tapped", OffsetDateTime.ofInstant(tap.at, ZoneOffset.UTC))
                        .param("now", now())
                        .param("account", account.id())
                        .update()
                == 1;
    }

    List<Event> events(long pour) {
        return jdbc.sql("""
                        select e.*, a.shown_name from pour_event e join account a on a.id = e.account_id
                         where e.pour_id = :pour order by e.tapped_at, e.id
                        """)
                .param("pour", pour)
                .query((rs, n) -> new Event(
                        rs.getLong("id"),
                        rs.getString("tap"),
                        rs.getObject("tree_id", Long.class),
                        rs.getString("kind"),
                        json.readValue(rs.getString("fields"), TEXTS),
                        rs.getTimestamp("tapped_at").toInstant(),
                        rs.getTimestamp("at").toInstant(),
                        rs.getString("shown_name")))
                .list();
    }

    /** Changes with everything that happens at a pour. */
    String mark(long pour) {
        return jdbc.sql("""
                        select p.version || '-' || coalesce(max(e.id), 0) from pour p left join pour_event e on e.pour_id = p.id
                         where p.id = :pour group by p.version
                        """).param("pour", pour).query(String.class).optional().orElse("gone");
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }

    private static Instant instant(Timestamp at) {
        return at == null ? null : at.toInstant();
    }

    private Row row(ResultSet rs) throws SQLException {
        return new Row(
                rs.getLong("id"),
                rs.getLong("studio_id"),
                rs.getString("name"),
                rs.getString("state"),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getInt("version"),
                rs.getString("record"),
                instant(rs.getTimestamp("begun_at")),
                instant(rs.getTimestamp("ended_at")),
                instant(rs.getTimestamp("created_at")));
    }
}
