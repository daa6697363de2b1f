package kilnryu.app.run;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import kilnryu.app.account.Account;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.tree.TreeStore;
import kilnryu.app.web.InRequest;
import kilnryu.app.web.ListPage;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Firings: what is planned, what was frozen, and what happened. */
@Repository
public class FiringStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private static final String LAST_SECOND = """
            (select last_second from firing_minute l where l.firing_id = f.id
              order by source desc, minute desc limit 1) as last_second""";
    private static final String LAST = "last firing ";
    private static final String HOURS = "hours of firing ";
    private static final String MARK = """
                        concat_ws(' ', f.version, k.version,
                                 (select max(t.updated_at) from firing_mold m join tree t on t.id = m.tree_id
                                   where m.firing_id = f.id),
                                 (select max(a.at) from studio_factor a where a.studio_id = f.studio_id),
                                 (select count(*) from studio_factor a where a.studio_id = f.studio_id),
                                 (select max(w.at) from mold_weighing w join firing_mold m on m.tree_id = w.tree_id
                                   where m.firing_id = f.id))""";

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = kilnryu.app.web.KeptJson.mapper();

    FiringStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A firing; state is planned, running, done. */
    public record Row(
            long id,
            long studio,
            String name,
            Map<String, String> fields,
            int version,
            String state,
            KeptPlan kept,
            Instant startedAt,
            Instant endedAt,
            String endedAs) {
        /** What it is held against; empty before the start, and where it cannot be reckoned anew. */
        public Optional<Frozen> frozen() {
            return kept.frozen;
        }

        public boolean planned() {
            return state.equals("planned");
        }

        public boolean running() {
            return state.equals("running");
        }
    }

    /**
     * What was frozen at the start.
     *
     * @param record as it was written, empty before the start
     * @param frozen what can be reckoned anew of it
     * @param why it cannot, empty where it can
     */
    public record KeptPlan(Optional<WorkRecord> record, Optional<Frozen> frozen, String why) {
        static final KeptPlan NONE = new KeptPlan(Optional.empty(), Optional.empty(), "");

        static KeptPlan of(String text) {
            if (text == null) {
                return NONE;
            }
            try {
                WorkRecord record = Records.read(Records.FIRING, text);
                try {
                    return new KeptPlan(Optional.of(record), Optional.of(Frozen.of(record.course())), "");
                } catch (IllegalArgumentException | NullPointerException e) {
                    return new KeptPlan(
                            Optional.of(record), Optional.empty(), "What it was held against: " + e.getMessage());
                }
            } catch (Records.Unreadable e) {
                return new KeptPlan(Optional.empty(), Optional.empty(), e.getMessage());
            }
        }
    }

    /** A line of the list. */
    public record Line(
            long id,
            String name,
            String state,
            String kiln,
            int molds,
            Instant startedAt,
            Instant endedAt,
            String endedAs,
            String pour,
            List<String> faces,
            String mark) {}

    /** @param state planned, running or done; empty for all; @param search in its name, its kiln's and its trees' */
    public record FiringFilter(String state, String search) {}

    /** Something that happened. */
    public record Event(
            long id, Instant at, double second, String kind, String subject, Map<String, String> data, String by) {}

    public List<Line> list(long studio, FiringFilter asked, ListPage.Span span) {
        return jdbc.sql("""
                        select f.id, f.name, f.state, f.started_at, f.ended_at, f.ended_as, k.name kiln,
                               coalesce(f.ahead->>'pour', f.fields->>'pour_at') as pour,
                               count(t.id) molds,
                               coalesce(array_agg(t.face order by t.id) filter (where t.face <> ''), '{}') faces,
                               %s worst
                          from (select * from firing
                                 where studio_id = :studio and archived_at is null and (:state = '' or state = :state)
                                   and (:search = '' or position(lower(:search) in lower(name)) > 0
                                        or exists (select 1 from kiln k2 where k2.id = kiln_id
                                                    and position(lower(:search) in lower(k2.name)) > 0)
                                        or exists (select 1 from firing_mold m2 join tree t2 on t2.id = m2.tree_id
                                                    where m2.firing_id = firing.id
                                                      and position(lower(:search) in lower(t2.name)) > 0))
                                 order by case state when 'running' then 0 when 'planned' then 1 else 2 end,
                                          updated_at desc, id desc limit :most offset :from) f
                          left join kiln k on k.id = f.kiln_id
                          left join firing_mold m on m.firing_id = f.id
                          left join tree t on t.id = m.tree_id
                         group by f.id, f.name, f.state, f.started_at, f.ended_at, f.ended_as, k.name, f.updated_at,
                                  f.ahead->>'pour', f.fields->>'pour_at'
                         order by case f.state when 'running' then 0 when 'planned' then 1 else 2 end, f.updated_at desc, f.id desc
                        """.formatted(TreeStore.WORST))
                .param("studio", studio)
                .param("state", asked.state)
                .param("search", asked.search)
                .param("most", span.most())
                .param("from", span.from())
                .query((rs, n) -> new Line(
                        rs.getLong("id"),
                        rs.getString("name"),
                        rs.getString("state"),
                        rs.getString("kiln"),
                        rs.getInt("molds"),
                        instant(rs.getTimestamp("started_at")),
                        instant(rs.getTimestamp("ended_at")),
                        rs.getString("ended_as"),
                        rs.getString("pour"),
                        List.of((String[]) rs.getArray("faces").getArray()),
                        TreeStore.worst(rs.getInt("worst"))))
                .list();
    }

    private static Instant instant(java.sql.Timestamp at) {
        return at == null ? null : at.toInstant();
    }

    Optional<Row> find(long studio, long id) {
        return jdbc.sql("select * from firing where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> row(rs))
                .optional();
    }

    /** One that nobody else changes until this transaction ends; its readings may still come in. */
    public Optional<Row> locked(long studio, long id) {
        return jdbc.sql("select * from firing where studio_id = :studio and id = :id for no key update")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> row(rs))
                .optional();
    }

    /** What this transaction asks may take as long as it takes: it says itself how far it is. */
    public void patient() {
        jdbc.sql("set local statement_timeout = 0").update();
    }

    /** The firing a tree stands in: the one that runs, else the one that is planned, else the last that has ended. */
    Optional<Row> lastOf(long studio, long tree) {
        return InRequest.once(
                LAST + studio + " " + tree, () -> lastOf(studio, Set.of(tree)).getOrDefault(tree, Optional.empty()));
    }

    /** Asks for some trees at once, where a page will ask for each of them. */
    void foreseeLast(long studio, Collection<Long> trees) {
        InRequest.foresee(LAST + studio + " ", trees, Optional.empty(), asked -> lastOf(studio, asked));
    }

    private Map<Long, Optional<Row>> lastOf(long studio, Collection<Long> trees) {
        Map<Long, Optional<Row>> all = new HashMap<>();
        jdbc.sql("""
                        select distinct on (m.tree_id) f.*, m.tree_id, %s
                          from firing f join firing_mold m on m.firing_id = f.id and m.tree_id = any(:trees)
                         where f.studio_id = :studio and f.archived_at is null
                         order by m.tree_id, case f.state when 'running' then 0 when 'planned' then 1 else 2 end,
                                  coalesce(f.ended_at, f.updated_at) desc, f.id desc
                        """.formatted(LAST_SECOND))
                .param("studio", studio)
                .param("trees", trees.toArray(Long[]::new))
                .query(rs -> {
                    all.put(rs.getLong("tree_id"), Optional.of(withLast(rs)));
                });
        return all;
    }

    private Row row(ResultSet rs) throws SQLException {
        return new Row(
                rs.getLong("id"),
                rs.getLong("studio_id"),
                rs.getString("name"),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getInt("version"),
                rs.getString("state"),
                KeptPlan.of(rs.getString("frozen")),
                instant(rs.getTimestamp("started_at")),
                instant(rs.getTimestamp("ended_at")),
                rs.getString("ended_as"));
    }

    /** What was last reckoned of the hours of a load. */
    Optional<String> ahead(long id) {
        return InRequest.once(
                HOURS + id,
                () -> jdbc.sql("select ahead::text from firing where id = :id and ahead is not null")
                        .param("id", id)
                        .query(String.class)
                        .optional());
    }

    void keepAhead(long id, String ahead) {
        jdbc.sql("update firing set ahead = :ahead::json where id = :id")
                .param("ahead", ahead)
                .param("id", id)
                .update();
        InRequest.renew(HOURS + id, Optional.of(ahead));
    }

    /** Changes whenever anything is changed that the hours of a load follow from. */
    String dependsOn(long id) {
        return InRequest.once(
                "mark " + id,
                () -> jdbc.sql("select " + MARK
                                + " from firing f left join kiln k on k.id = f.kiln_id where f.id = :id")
                        .param("id", id)
                        .query(String.class)
                        .single());
    }

    /** A mold of a load that is not ready for the kiln. */
    record Unready(long tree, String name, String how) {}

    /** Molds that are neither mixed to the end nor shells fit to be poured. */
    public List<Unready> unready(long id) {
        return unready(List.of(id)).getOrDefault(id, List.of());
    }

    /** The same of some loads in one question, by the load. */
    Map<Long, List<Unready>> unready(Collection<Long> firings) {
        Map<Long, List<Unready>> all = new HashMap<>();
        jdbc.sql("""
                        select m.firing_id, t.id, t.name,
                               case when t.flask = 'shell' then
                                      coalesce((select 'its shell is ' || coalesce(r.ended_as, 'being dipped')
                                                  from shell_run r where r.tree_id = t.id order by r.begun_at desc limit 1),
                                               'its shell is not begun')
                                    when exists (select 1 from mix_session x
                                                  where x.ended_at is null
                                                    and (x.tree_id = t.id or x.id in (select s.mix_session_id
                                                         from mix_session_tree s where s.tree_id = t.id)))
                                      then 'it is being mixed'
                                    else 'it is not mixed' end as how
                          from firing_mold m join tree t on t.id = m.tree_id
                         where m.firing_id = any(:firings)
                           and not exists (select 1 from shell_run r
                                            where r.tree_id = t.id and r.ended_as = 'fit to pour')
                           and not exists (select 1 from mix_session x
                                            where x.ended_at is not null and not x.given_up
                                              and (x.tree_id = t.id or x.id in (select s.mix_session_id
                                                   from mix_session_tree s where s.tree_id = t.id)))
                         order by t.id
                        """).param("firings", firings.toArray(Long[]::new)).query(rs -> {
            all.computeIfAbsent(rs.getLong("firing_id"), f -> new ArrayList<>())
                    .add(new Unready(rs.getLong("id"), rs.getString("name"), rs.getString("how")));
        });
        return all;
    }

    /** Loads of a studio that are planned or run. */
    List<Row> open(long studio) {
        return jdbc.sql("""
                        select f.*, f.ahead::text as hours, %s as mark, %s
                          from firing f left join kiln k on k.id = f.kiln_id
                         where f.studio_id = :studio and f.archived_at is null and f.state in ('planned', 'running')
                         order by f.state desc, f.updated_at desc limit 24
                        """.formatted(MARK, LAST_SECOND))
                .param("studio", studio)
                .query((rs, n) -> known(rs))
                .list();
    }

    /** A firing with what pages ask of each. */
    private Row known(ResultSet rs) throws SQLException {
        Row row = withLast(rs);
        InRequest.know(HOURS + row.id(), Optional.ofNullable(rs.getString("hours")));
        InRequest.know("mark " + row.id(), rs.getString("mark"));
        return row;
    }

    /** A firing with the last second of its log. */
    private Row withLast(ResultSet rs) throws SQLException {
        Row row = row(rs);
        Double last = rs.getObject("last_second", Double.class);
        FiringLogStore.knowLast(row.id(), last == null ? List.of() : List.of(last));
        return row;
    }

    /** Duties that were done, of some firings in one question. */
    Map<Long, Set<String>> done(Collection<Long> firings) {
        Map<Long, Set<String>> all = new HashMap<>();
        jdbc.sql("select firing_id, subject from firing_event where kind = 'duty' and firing_id = any(:firings)")
                .param("firings", firings.toArray(Long[]::new))
                .query(rs -> {
                    all.computeIfAbsent(rs.getLong("firing_id"), f -> new HashSet<>())
                            .add(rs.getString("subject"));
                });
        return all;
    }

    /** Names of the kilns that loads are meant for, by the number of the load. */
    Map<Long, String> kilns(long studio) {
        Map<Long, String> kilns = new java.util.HashMap<>();
        jdbc.sql("""
                        select f.id, k.name from firing f join kiln k on k.id = f.kiln_id
                         where f.studio_id = :studio and f.archived_at is null and f.state in ('planned', 'running')
                        """).param("studio", studio).query(rs -> {
            kilns.put(rs.getLong("id"), rs.getString("name"));
        });
        return kilns;
    }

    /** What runs, in all studios. */
    public List<Long> running() {
        return jdbc.sql("select id from firing where state = 'running'")
                .query(Long.class)
                .list();
    }

    public long create(long studio, Map<String, String> fields, Optional<Long> kiln, Collection<Long> trees) {
        long id = jdbc.sql("""
                        insert into firing (studio_id, kiln_id, name, fields, version, state, updated_at)
                        values (:studio, :kiln, :name, :fields::json, 1, 'planned', :now) returning id
                        """)
                .param("studio", studio)
                .param("kiln", kiln.orElse(null), java.sql.Types.BIGINT)
                .param("name", fields.getOrDefault("name", ""))
                .param("fields", json.writeValueAsString(fields))
                .param("now", now())
                .query(Long.class)
                .single();
        molds(id, trees);
        return id;
    }

    /** @return false when someone else saved in between, or it runs already */
    public boolean save(Row row, int version, Map<String, String> fields, Optional<Long> kiln, Collection<Long> trees) {
        boolean saved = jdbc.sql("""
                        update firing set fields = :fields::json, name = :name, kiln_id = :kiln,
                               version = version + 1, updated_at = :now
                         where id = :id and version = :version and state = 'planned'
                        """)
                        .param("id", row.id)
                        .param("version", version)
                        .param("kiln", kiln.orElse(null), java.sql.Types.BIGINT)
                        .param("name", fields.getOrDefault("name", ""))
                        .param("fields", json.writeValueAsString(fields))
                        .param("now", now())
                        .update()
                == 1;
        if (saved) {
            molds(row.id, trees);
        }
        return saved;
    }

    private void molds(long id, Collection<Long> trees) {
        jdbc.sql("delete from firing_mold where firing_id = :id")
                .param("id", id)
                .update();
        for (long tree : trees) {
            jdbc.sql("insert into firing_mold (firing_id, tree_id) values (:id, :tree) on conflict do nothing")
                    .param("id", id)
                    .param("tree", tree)
                    .update();
        }
    }

    public void putAway(Row row) {
        jdbc.sql("update firing set archived_at = :now where id = :id and state <> 'running'")
                .param("id", row.id)
                .param("now", now())
                .update();
    }

    /** @return false when it was started already */
    boolean start(Row row, WorkRecord frozen, String ahead, Instant at) {
        return jdbc.sql("""
                        update firing set state = 'running', frozen = :frozen::json, started_at = :at, updated_at = :at,
                               ahead = :ahead::json, version = version + 1
                         where id = :id and state = 'planned' and version = :version
                        """)
                        .param("id", row.id)
                        .param("version", row.version)
                        .param("frozen", Records.write(frozen))
                        .param("ahead", ahead)
                        .param("at", OffsetDateTime.ofInstant(at, ZoneOffset.UTC))
                        .update()
                == 1;
    }

    /** @return false when it had ended already */
    boolean end(Row row, String as) {
        return jdbc.sql("""
                        update firing set state = 'done', ended_at = :now, ended_as = :as, updated_at = :now
                         where id = :id and state = 'running'
                        """)
                        .param("id", row.id)
                        .param("as", as)
                        .param("now", now())
                        .update()
                == 1;
    }

    /** @return false when this duty was ticked already */
    public boolean event(Account by, long id, double second, String kind, String subject, Map<String, String> data) {
        return jdbc.sql("""
                        insert into firing_event (firing_id, at, second, kind, subject, data, account_id)
                        values (:id, :now, :second, :kind, :subject, :data::json, :account)
                        on conflict (firing_id, subject) where kind = 'duty' do nothing
                        """)
                        .param("id", id)
                        .param("now", now())
                        .param("second", second)
                        .param("kind", kind)
                        .param("subject", subject)
                        .param("data", json.writeValueAsString(data))
                        .param("account", by.id())
                        .update()
                == 1;
    }

    /** @return false when this duty was not ticked */
    boolean takeBack(long id, String duty) {
        return jdbc.sql("""
                        update firing_event set kind = 'ticked by mistake'
                         where firing_id = :id and kind = 'duty' and subject = :duty
                        """).param("id", id).param("duty", duty).update() == 1;
    }

    public List<Event> events(long id) {
        return jdbc.sql("""
                        select e.*, a.shown_name from firing_event e left join account a on a.id = e.account_id
                         where e.firing_id = :id order by e.id
                        """)
                .param("id", id)
                .query((rs, n) -> new Event(
                        rs.getLong("id"),
                        rs.getTimestamp("at").toInstant(),
                        rs.getDouble("second"),
                        rs.getString("kind"),
                        rs.getString("subject"),
                        json.readValue(rs.getString("data"), TEXTS),
                        rs.getString("shown_name")))
                .list();
    }

    /** What was found when a firing ended or a log was taken in. */
    record Held(long id, String name, double usual, double most, double late, boolean standIn) {}

    /** The last of each firing that has ended, the latest first. */
    List<Held> deviations(long studio) {
        return jdbc.sql("""
                        select distinct on (f.started_at, f.id) f.id, f.name, e.data
                          from firing f join firing_event e on e.firing_id = f.id and e.kind = 'deviation'
                         where f.studio_id = :studio and f.state = 'done' and f.archived_at is null
                         order by f.started_at desc, f.id, e.id desc
                        """)
                .param("studio", studio)
                .query((rs, n) -> {
                    Map<String, String> data = json.readValue(rs.getString("data"), TEXTS);
                    return new Held(
                            rs.getLong("id"),
                            rs.getString("name"),
                            Double.parseDouble(data.get("usual")),
                            Double.parseDouble(data.get("most")),
                            Double.parseDouble(data.get("late")),
                            Boolean.parseBoolean(data.get("standIn")));
                })
                .list();
    }

    /** A number that is another when anything was measured or happened since. */
    String mark(long id) {
        return jdbc.sql("""
                        select coalesce((select max(second) from firing_sample
                                          where firing_id = :id and source = 'controller'), 0)
                               || '-' || coalesce((select max(id) from firing_event where firing_id = :id), 0)
                               || '-' || (select state from firing where id = :id)
                        """).param("id", id).query(String.class).single();
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
