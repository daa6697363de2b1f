package kilnryu.app.mixing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.mixing.MixSteps.Step;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Mixings, where each stands and what happened. */
@Repository
class MixStore {
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
        return find("where tree_id = :id and ended_at is null", tree);
    }

    Optional<Mix> last(long tree) {
        return find("where tree_id = :id order by started_at desc limit 1", tree);
    }

    private Optional<Mix> find(String where, long id) {
        return jdbc.sql("select * from mix_session " + where)
                .param("id", id)
                .query((rs, n) -> mix(rs))
                .optional();
    }

    /** Begins a mixing unless one is open for the tree already. */
    @Transactional
    void begin(long tree, long studio, Map<String, Object> plan, List<Step> steps, double workingMinutes) {
        jdbc.sql("""
                        insert into mix_session (tree_id, studio_id, plan, steps, working_min, step, step_began_at, started_at)
                        values (:tree, :studio, :plan::json, :steps::json, :working, 0, :now, :now)
                        on conflict (tree_id) where ended_at is null do nothing
                        """)
                .param("tree", tree)
                .param("studio", studio)
                .param("plan", json.writeValueAsString(plan))
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

    void note(Mix mix, int step, String kind, Double reading, String note, long account) {
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

    void giveUp(Mix mix) {
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
