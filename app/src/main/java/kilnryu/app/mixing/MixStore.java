package kilnryu.app.mixing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.mixing.MixSteps.Step;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Mixings, where each stands and what happened. */
@Repository
class MixStore {
    private static final String OF_TREE =
            "where (tree_id = :id or id in (select mix_session_id from mix_session_tree where tree_id = :id))";
    private static final TypeReference<List<Step>> STEPS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    MixStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A mixing; {@code endedAt} and {@code powderInAt} may be null. */
    record Mix(
            long id,
            long treeId,
            String title,
            List<Step> steps,
            int step,
            Instant stepBeganAt,
            Instant startedAt,
            Instant powderInAt,
            Instant endedAt,
            boolean givenUp,
            double workingMinutes) {
        Step now() {
            return steps.get(step);
        }
    }

    /** Something that happened at a step. */
    record Event(int step, String kind, Double reading, String note, String by, Instant at) {}

    Optional<Mix> open(long tree) {
        return find(OF_TREE + " and ended_at is null limit 1", tree);
    }

    /** Trees of a studio that are being mixed, alone or in a session. */
    Set<Long> openTrees(long studio) {
        return new HashSet<>(
                jdbc.sql("""
                        select tree_id from mix_session where studio_id = :studio and ended_at is null and tree_id is not null
                        union
                        select t.tree_id from mix_session_tree t join mix_session s on s.id = t.mix_session_id
                         where s.studio_id = :studio and s.ended_at is null
                        """).param("studio", studio).query(Long.class).list());
    }

    Optional<Mix> last(long tree) {
        return InRequest.once("last mixing " + tree, () -> find(OF_TREE + " order by started_at desc limit 1", tree));
    }

    private Optional<Mix> find(String where, long id) {
        return jdbc.sql("select * from mix_session " + where)
                .param("id", id)
                .query((rs, n) -> mix(rs))
                .optional();
    }

    /** One mixing of a studio. */
    Optional<Mix> session(long studio, long id) {
        return jdbc.sql("select * from mix_session where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> mix(rs))
                .optional();
    }

    /** A mixing that is under way; tree is 0 for one of several molds. */
    record UnderWay(long id, long tree, String name, int step, boolean powderIn, Instant began) {}

    /** All that are under way. */
    List<UnderWay> underWay(long studio) {
        return jdbc.sql("""
                        select x.id, coalesce(x.tree_id, 0) as tree, coalesce(t.name, x.title) as name, x.step,
                               x.powder_in_at is not null and x.step < json_array_length(x.steps) - 1 as wet, x.started_at
                          from mix_session x left join tree t on t.id = x.tree_id
                         where x.studio_id = :studio and x.ended_at is null order by x.started_at desc limit 12
                        """)
                .param("studio", studio)
                .query((rs, n) -> new UnderWay(
                        rs.getLong("id"),
                        rs.getLong("tree"),
                        rs.getString("name"),
                        rs.getInt("step"),
                        rs.getBoolean("wet"),
                        rs.getTimestamp("started_at").toInstant()))
                .list();
    }

    /** Mixings of several molds that are not ended, and those ended last. */
    List<Mix> sessions(long studio) {
        return jdbc.sql("""
                        select * from mix_session where studio_id = :studio and tree_id is null
                         order by ended_at is not null, started_at desc limit 12
                        """).param("studio", studio).query((rs, n) -> mix(rs)).list();
    }

    /** Begins a mixing of several molds; each freezes its plan. Empty when one of them is being mixed already. */
    @Transactional
    OptionalLong beginSession(
            long studio, String title, Map<Long, WorkRecord> plans, List<Step> steps, double workingMinutes) {
        // The rows of the trees stay locked until both tables are written: two sessions cannot take one mold.
        jdbc.sql("select id from tree where id in (:trees) order by id for update")
                .param("trees", plans.keySet())
                .query(Long.class)
                .list();
        if (plans.keySet().stream().anyMatch(tree -> open(tree).isPresent())) {
            return OptionalLong.empty();
        }
        long id = jdbc.sql("""
                        insert into mix_session (studio_id, title, plan, steps, working_min, step, step_began_at, started_at)
                        values (:studio, :title, '{}', :steps::json, :working, 0, :now, :now) returning id
                        """)
                .param("studio", studio)
                .param("title", title)
                .param("steps", json.writeValueAsString(steps))
                .param("working", workingMinutes)
                .param("now", now())
                .query(Long.class)
                .single();
        plans.forEach((tree, plan) -> jdbc.sql("""
                        insert into mix_session_tree (mix_session_id, tree_id, plan) values (:id, :tree, :plan::json)
                        """)
                .param("id", id)
                .param("tree", tree)
                .param("plan", Records.write(plan))
                .update());
        return OptionalLong.of(id);
    }

    /** The plan of a tree as it was when a mixing of it began. */
    Optional<WorkRecord> frozen(Mix mix, long tree) {
        return jdbc.sql("""
                        select coalesce(t.plan, s.plan) as plan from mix_session s
                          left join mix_session_tree t on t.mix_session_id = s.id and t.tree_id = :tree
                         where s.id = :mix
                        """)
                .param("mix", mix.id)
                .param("tree", tree)
                .query(String.class)
                .optional()
                .flatMap(MixStore::record);
    }

    private static Optional<WorkRecord> record(String text) {
        try {
            return Optional.of(Records.read(Records.MIXING, text));
        } catch (Records.Unreadable e) {
            return Optional.empty();
        }
    }

    /** What was last read at a step that is done, g or kPa; empty where nothing was. */
    Map<Integer, Double> readings(Mix mix) {
        Map<Integer, Double> readings = new HashMap<>();
        for (Event e : events(mix)) {
            if (e.kind.equals("done") && e.reading != null) {
                readings.put(e.step, e.reading);
            } else if (e.kind.equals("back")) {
                readings.keySet().removeIf(step -> step >= e.step - 1);
            }
        }
        return readings;
    }

    /** How long each pour of the last mixings took, minutes. */
    List<Double> pours(long studio) {
        List<Mix> last =
                jdbc.sql("""
                        select * from mix_session where studio_id = :studio and ended_at is not null and not given_up
                         order by started_at desc limit 20
                        """).param("studio", studio).query((rs, n) -> mix(rs)).list();
        List<Double> minutes = new ArrayList<>();
        for (Mix mix : last) {
            Instant before = mix.startedAt;
            for (Event e : events(mix)) {
                if (e.kind.equals("done") && mix.steps.get(e.step).title().startsWith("Pour")) {
                    minutes.add(Duration.between(before, e.at).toMillis() / 60_000.0);
                }
                before = e.at;
            }
        }
        return minutes;
    }

    /** Begins a mixing unless one is open for the tree already. */
    @Transactional
    void begin(long tree, long studio, WorkRecord plan, List<Step> steps, double workingMinutes) {
        jdbc.sql("""
                        insert into mix_session (tree_id, studio_id, plan, steps, working_min, step, step_began_at, started_at)
                        values (:tree, :studio, :plan::json, :steps::json, :working, 0, :now, :now)
                        on conflict (tree_id) where ended_at is null do nothing
                        """)
                .param("tree", tree)
                .param("studio", studio)
                .param("plan", Records.write(plan))
                .param("steps", json.writeValueAsString(steps))
                .param("working", workingMinutes)
                .param("now", now())
                .update();
    }

    /**
     * Moves from one step to another.
     *
     * @return false when the mixing is not at {@code from} any more: someone else went on
     */
    @Transactional
    boolean move(Mix mix, int from, int to, long account, Double reading) {
        boolean powderIn = mix.steps().get(from).kind() == MixSteps.Kind.POWDER_IN && to > from;
        boolean powderBack = to < from && mix.steps().get(to).kind() == MixSteps.Kind.POWDER_IN;
        boolean last = to >= mix.steps().size();
        int rows = jdbc.sql("""
                        update mix_session
                           set step = :to, step_began_at = :now, ended_at = case when :last then :now end,
                               powder_in_at = case when :powderIn then :now when :powderBack then null
                                                   else powder_in_at end
                         where id = :id and step = :from and ended_at is null
                        """)
                .param("to", last ? from : to)
                .param("last", last)
                .param("powderIn", powderIn)
                .param("powderBack", powderBack)
                .param("now", now())
                .param("id", mix.id)
                .param("from", from)
                .update();
        if (rows == 1) {
            note(mix, from, to > from ? "done" : "back", reading, "", account);
        }
        return rows == 1;
    }

    /**
     * Writes down what went wrong, and gives the mixing up if that is what follows.
     *
     * @return false when it has ended meanwhile
     */
    @Transactional
    boolean trouble(Mix mix, String words, long account, boolean giveUp) {
        boolean open = jdbc.sql("select id from mix_session where id = :id and ended_at is null for no key update")
                .param("id", mix.id)
                .query(Long.class)
                .optional()
                .isPresent();
        if (open) {
            note(mix, mix.step, "trouble", null, words, account);
            if (giveUp) {
                giveUp(mix);
            }
        }
        return open;
    }

    private void note(Mix mix, int step, String kind, Double reading, String note, long account) {
        jdbc.sql("""
                        insert into mix_event (mix_session_id, step, kind, reading_g, note, account_id, at)
                        values (:mix, :step, :kind, :reading, :note, :account, :now)
                        """)
                .param("mix", mix.id)
                .param("step", step)
                .param("kind", kind)
                .param("reading", reading)
                .param("note", note)
                .param("account", account)
                .param("now", now())
                .update();
    }

    private void giveUp(Mix mix) {
        jdbc.sql("update mix_session set ended_at = :now, given_up = true where id = :id and ended_at is null")
                .param("now", now())
                .param("id", mix.id)
                .update();
    }

    List<Event> events(Mix mix) {
        return jdbc.sql("""
                        select e.*, a.shown_name from mix_event e join account a on a.id = e.account_id
                         where e.mix_session_id = :mix order by e.id
                        """)
                .param("mix", mix.id)
                .query((rs, n) -> new Event(
                        rs.getInt("step"),
                        rs.getString("kind"),
                        (Double) rs.getObject("reading_g"),
                        rs.getString("note"),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** Stops overruled for a tree with a written reason. */
    Set<String> overruled(long tree) {
        return jdbc
                .sql("select finding from overruling where tree_id = :tree")
                .param("tree", tree)
                .query(String.class)
                .list()
                .stream()
                .collect(Collectors.toSet());
    }

    void overrule(long tree, String finding, String reason, long account) {
        jdbc.sql("""
                        insert into overruling (tree_id, finding, reason, account_id, at)
                        values (:tree, :finding, :reason, :account, :now)
                        on conflict (tree_id, finding) do update set reason = excluded.reason, at = excluded.at
                        """)
                .param("tree", tree)
                .param("finding", finding)
                .param("reason", reason)
                .param("account", account)
                .param("now", now())
                .update();
    }

    private Mix mix(ResultSet rs) throws SQLException {
        return new Mix(
                rs.getLong("id"),
                rs.getLong("tree_id"),
                rs.getString("title"),
                json.readValue(rs.getString("steps"), STEPS),
                rs.getInt("step"),
                instant(rs.getTimestamp("step_began_at")),
                instant(rs.getTimestamp("started_at")),
                instant(rs.getTimestamp("powder_in_at")),
                instant(rs.getTimestamp("ended_at")),
                rs.getBoolean("given_up"),
                rs.getDouble("working_min"));
    }

    private static Instant instant(Timestamp at) {
        return at == null ? null : at.toInstant();
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
