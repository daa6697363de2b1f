package kilnryu.app.dipping;

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
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.Set;
import kilnryu.app.account.Account;
import kilnryu.app.record.Records;
import kilnryu.app.record.WorkRecord;
import kilnryu.core.shell.Air;
import kilnryu.core.shell.Coat;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Shells being built: their plan, their dips and what happened to them after. */
@Repository
class DipStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};
    private static final String RUN = """
            select r.id, r.tree_id, r.name, r.rack, r.begun_at, r.ended_at, r.ended_as, r.xmin::text as written,
                   coalesce((select string_agg(c.coat, ',' order by c.place) from shell_coat c where c.run_id = r.id),
                                 '') as coats
              from shell_run r where r.studio_id = :studio
            """;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    DipStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * A shell.
     *
     * @param plan the record of its start
     * @param written changes with everything that is written of it
     * @param coats planned, laid ones with them
     * @param endedAt null while it is worked on
     */
    record Run(
            long id,
            long treeId,
            String name,
            String written,
            String rack,
            Instant begunAt,
            Instant endedAt,
            String endedAs,
            List<Coat> coats) {}

    /** What was read at a dip; every reading may be missing. */
    record Readings(OptionalDouble flow, OptionalDouble density, OptionalDouble thickness, OptionalDouble mass) {}

    /** A dip as it is logged. */
    record Logged(Coat coat, Instant at, Air air, Readings readings, String changed, String note) {}

    /** A dip in the log. */
    record Dip(long id, Logged logged, Instant loggedAt, String by) {}

    record Weighing(Instant at, double grams) {}

    /** Something that happened to a shell: a crack, a patch, the dewax, a look. */
    record Event(long id, String kind, Map<String, String> fields, Instant at, String by) {}

    List<Run> open(long studio) {
        return jdbc.sql(RUN + " and r.ended_at is null order by r.rack, r.begun_at, r.id limit 200")
                .param("studio", studio)
                .query((rs, n) -> run(rs))
                .list();
    }

    List<Run> ended(long studio) {
        return jdbc.sql(RUN + " and r.ended_at is not null order by r.ended_at desc limit 12")
                .param("studio", studio)
                .query((rs, n) -> run(rs))
                .list();
    }

    Optional<Run> find(long studio, long id) {
        return jdbc.sql(RUN + " and r.id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> run(rs))
                .optional();
    }

    /** What was frozen of a shell when it was begun. */
    String plan(long id) {
        return jdbc.sql("select plan from shell_run where id = :id")
                .param("id", id)
                .query(String.class)
                .single();
    }

    /** One that nobody else changes until this transaction ends. */
    Optional<Run> locked(long studio, long id) {
        return jdbc.sql("select id from shell_run where studio_id = :studio and id = :id for no key update")
                .param("studio", studio)
                .param("id", id)
                .query(Long.class)
                .optional()
                .flatMap(run -> find(studio, run));
    }

    Optional<Run> last(long studio, long tree) {
        return jdbc.sql(RUN + " and r.tree_id = :tree order by r.begun_at desc, r.id desc limit 1")
                .param("studio", studio)
                .param("tree", tree)
                .query((rs, n) -> run(rs))
                .optional();
    }

    /** The last shell of a tree, of whichever studio it is. */
    Optional<Run> ofTree(long tree) {
        return jdbc.sql("select studio_id from tree where id = :tree")
                .param("tree", tree)
                .query(Long.class)
                .optional()
                .flatMap(studio -> last(studio, tree));
    }

    private static Run run(ResultSet rs) throws SQLException {
        String coats = rs.getString("coats");
        return new Run(
                rs.getLong("id"),
                rs.getLong("tree_id"),
                rs.getString("name"),
                rs.getString("written"),
                rs.getString("rack"),
                rs.getTimestamp("begun_at").toInstant(),
                rs.getTimestamp("ended_at") == null
                        ? null
                        : rs.getTimestamp("ended_at").toInstant(),
                rs.getString("ended_as"),
                coats.isEmpty()
                        ? List.of()
                        : List.of(coats.split(",")).stream()
                                .map(c -> Coat.named(c).orElseThrow())
                                .toList());
    }

    /** Begins a shell; empty when one of this tree is being built already. */
    @Transactional
    public OptionalLong begin(Account account, long tree, String name, WorkRecord plan, String rack, List<Coat> coats) {
        Optional<Long> id = jdbc.sql("""
                        insert into shell_run (studio_id, tree_id, name, plan, rack, begun_at, account_id)
                        values (:studio, :tree, :name, :plan::json, :rack, :now, :account)
                        on conflict (tree_id) where ended_at is null do nothing returning id
                        """)
                .param("studio", account.studioId())
                .param("tree", tree)
                .param("name", name)
                .param("plan", Records.write(plan))
                .param("rack", rack)
                .param("now", utc(clock.instant()))
                .param("account", account.id())
                .query(Long.class)
                .optional();
        id.ifPresent(run -> plan(run, coats));
        return id.isPresent() ? OptionalLong.of(id.get()) : OptionalLong.empty();
    }

    /** Writes the coats of a shell anew. */
    @Transactional
    public void plan(long run, List<Coat> coats) {
        jdbc.sql("delete from shell_coat where run_id = :run").param("run", run).update();
        for (int i = 0; i < coats.size(); i++) {
            jdbc.sql("insert into shell_coat (run_id, place, coat) values (:run, :place, :coat)")
                    .param("run", run)
                    .param("place", i + 1)
                    .param("coat", coats.get(i).key())
                    .update();
        }
    }

    void move(long studio, long run, String rack) {
        jdbc.sql("update shell_run set rack = :rack where studio_id = :studio and id = :run")
                .param("rack", rack)
                .param("studio", studio)
                .param("run", run)
                .update();
    }

    /** @return whether it was not ended before */
    boolean end(long studio, long run, String as) {
        return jdbc.sql("""
                        update shell_run set ended_at = :now, ended_as = :as
                         where studio_id = :studio and id = :run and ended_at is null
                        """)
                        .param("now", utc(clock.instant()))
                        .param("as", as)
                        .param("studio", studio)
                        .param("run", run)
                        .update()
                == 1;
    }

    long dip(Account account, long run, Logged dip) {
        return jdbc.sql("""
                        insert into dip (run_id, coat, at, logged_at, celsius, humidity, air, flow_s, density,
                                         thickness_mm, mass_g, changed, note, account_id)
                        values (:run, :coat, :at, :now, :celsius, :humidity, :air, :flow, :density,
                                :thickness, :mass, :changed, :note, :account)
                        returning id
                        """)
                .param("run", run)
                .param("coat", dip.coat.key())
                .param("at", utc(dip.at))
                .param("now", utc(clock.instant()))
                .param("celsius", dip.air.celsius())
                .param("humidity", dip.air.humidity())
                .param("air", dip.air.speed())
                .param("flow", boxed(dip.readings.flow))
                .param("density", boxed(dip.readings.density))
                .param("thickness", boxed(dip.readings.thickness))
                .param("mass", boxed(dip.readings.mass))
                .param("changed", dip.changed)
                .param("note", dip.note)
                .param("account", account.id())
                .query(Long.class)
                .single();
    }

    /** In order of their time, whenever they were logged. */
    List<Dip> dips(long run) {
        return jdbc.sql("""
                        select d.*, a.shown_name from dip d join account a on a.id = d.account_id
                         where d.run_id = :run and not d.removed order by d.at, d.id
                        """).param("run", run).query((rs, n) -> dip(rs)).list();
    }

    private static Dip dip(ResultSet rs) throws SQLException {
        return new Dip(
                rs.getLong("id"),
                new Logged(
                        Coat.named(rs.getString("coat")).orElseThrow(),
                        rs.getTimestamp("at").toInstant(),
                        new Air(rs.getDouble("celsius"), rs.getDouble("humidity"), rs.getDouble("air")),
                        new Readings(
                                number(rs, "flow_s"),
                                number(rs, "density"),
                                number(rs, "thickness_mm"),
                                number(rs, "mass_g")),
                        rs.getString("changed"),
                        rs.getString("note")),
                rs.getTimestamp("logged_at").toInstant(),
                rs.getString("shown_name"));
    }

    /** What was done to some shells. */
    record Done(Map<Long, List<Dip>> dips, Map<Long, List<Weighing>> weighings, Set<Long> wired) {}

    /** Of several shells in three questions, however many they are. */
    Done done(Collection<Long> runs) {
        Long[] ids = runs.toArray(Long[]::new);
        Map<Long, List<Dip>> dips = new HashMap<>();
        jdbc.sql("""
                        select d.*, a.shown_name from dip d join account a on a.id = d.account_id
                         where d.run_id = any(:runs) and not d.removed order by d.at, d.id
                        """).param("runs", ids).query(rs -> {
            dips.computeIfAbsent(rs.getLong("run_id"), r -> new ArrayList<>()).add(dip(rs));
        });
        Map<Long, List<Weighing>> weighings = new HashMap<>();
        jdbc.sql("select * from shell_weighing where run_id = any(:runs) order by at, id")
                .param("runs", ids)
                .query(rs -> {
                    weighings
                            .computeIfAbsent(rs.getLong("run_id"), r -> new ArrayList<>())
                            .add(new Weighing(rs.getTimestamp("at").toInstant(), rs.getDouble("mass_g")));
                });
        Set<Long> wired =
                new HashSet<>(jdbc.sql("""
                        select run_id from (select distinct on (run_id) run_id, kind from shell_event
                         where run_id = any(:runs) and kind in ('wire', 'wire off') order by run_id, at desc, id desc) w
                         where kind = 'wire'
                        """).param("runs", ids).query(Long.class).list());
        return new Done(dips, weighings, wired);
    }

    boolean removeDip(long run, long dip, boolean away) {
        return jdbc.sql("update dip set removed = :away where run_id = :run and id = :dip")
                        .param("away", away)
                        .param("run", run)
                        .param("dip", dip)
                        .update()
                == 1;
    }

    void weigh(Account account, long run, double grams) {
        jdbc.sql("insert into shell_weighing (run_id, at, mass_g, account_id) values (:run, :now, :grams, :account)")
                .param("run", run)
                .param("now", utc(clock.instant()))
                .param("grams", grams)
                .param("account", account.id())
                .update();
    }

    /** Noted once for each coat: the weighing that found it dry counts. */
    void dried(long run, ShellState.Dried dried) {
        jdbc.sql("""
                        insert into coat_dried (run_id, place, coat, planned_h, dried_h, tail, at)
                        values (:run, :place, :coat, :planned, :dried, :tail, :now)
                        on conflict (run_id, place) do nothing
                        """)
                .param("run", run)
                .param("place", dried.place())
                .param("coat", dried.coat().key())
                .param("planned", dried.planned())
                .param("dried", dried.dried())
                .param("tail", dried.tail())
                .param("now", utc(clock.instant()))
                .update();
    }

    List<Weighing> weighings(long run) {
        return jdbc.sql("select * from shell_weighing where run_id = :run order by at, id")
                .param("run", run)
                .query((rs, n) -> new Weighing(rs.getTimestamp("at").toInstant(), rs.getDouble("mass_g")))
                .list();
    }

    void event(Account account, long run, String kind, Map<String, String> fields) {
        jdbc.sql("""
                        insert into shell_event (run_id, kind, fields, at, account_id)
                        values (:run, :kind, :fields::json, :now, :account)
                        """)
                .param("run", run)
                .param("kind", kind)
                .param("fields", json.writeValueAsString(fields))
                .param("now", utc(clock.instant()))
                .param("account", account.id())
                .update();
    }

    /** Whether the wire was ticked and not taken back. */
    boolean wired(long run) {
        return jdbc.sql("""
                        select kind from shell_event where run_id = :run and kind in ('wire', 'wire off')
                         order by at desc, id desc limit 1
                        """)
                .param("run", run)
                .query(String.class)
                .optional()
                .filter("wire"::equals)
                .isPresent();
    }

    List<Event> events(long run) {
        return jdbc.sql("""
                        select e.*, a.shown_name from shell_event e join account a on a.id = e.account_id
                         where e.run_id = :run order by e.at, e.id
                        """)
                .param("run", run)
                .query((rs, n) -> new Event(
                        rs.getLong("id"),
                        rs.getString("kind"),
                        json.readValue(rs.getString("fields"), TEXTS),
                        rs.getTimestamp("at").toInstant(),
                        rs.getString("shown_name")))
                .list();
    }

    static OptionalDouble number(ResultSet rs, String column) throws SQLException {
        double value = rs.getDouble(column);
        return rs.wasNull() ? OptionalDouble.empty() : OptionalDouble.of(value);
    }

    static Double boxed(OptionalDouble value) {
        return value.isPresent() ? (Double) value.getAsDouble() : null;
    }

    static OffsetDateTime utc(Instant at) {
        return OffsetDateTime.ofInstant(at, ZoneOffset.UTC);
    }
}
