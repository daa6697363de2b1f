package kilnryu.app.device;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import kilnryu.app.record.Fired;
import kilnryu.app.record.KilnJob;
import kilnryu.app.web.KeptJson;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** How the stand-in controllers stand, so that every node goes on where another stopped. */
@Repository
class ControllerStore {
    private static final TypeReference<List<SimulatedController.Fault>> FAULTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final JsonMapper json = KeptJson.mapper();

    ControllerStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * @param speed how much faster than the clock
     * @param anchor when it was at which second, by the clock
     * @param second it has reported up to
     */
    record State(
            KilnController.Job job,
            double speed,
            Instant anchor,
            double anchorSecond,
            double second,
            double into,
            List<SimulatedController.Fault> faults,
            String state) {}

    void begin(long firing, KilnController.Job job, Instant now) {
        jdbc.sql("""
                        insert into device_controller
                               (firing_id, job, speed, anchor_at, anchor_second, second, into_second, state, faults)
                        values (:firing, :job::json, 1, :now, 0, 0, 0, 'runs', '[]')
                        on conflict (firing_id) do nothing
                        """)
                .param("firing", firing)
                .param("job", written(job))
                .param("now", OffsetDateTime.ofInstant(now, ZoneOffset.UTC))
                .update();
    }

    private static String written(KilnController.Job job) {
        return KilnJob.of(
                        job.program().stream()
                                .map(s -> new KilnJob.Step(s.rate(), s.target(), s.hold()))
                                .toList(),
                        job.startC(),
                        Fired.Heat.of(job.kiln()),
                        job.load().stream().map(Fired.Charge::of).toList())
                .text();
    }

    private static KilnController.Job read(KilnJob job) {
        return new KilnController.Job(
                job.program().stream()
                        .map(s -> new KilnController.Step(s.ratePerH(), s.targetC(), s.holdMin()))
                        .toList(),
                job.startC(),
                job.heat().kiln(),
                job.load().stream().map(Fired.Charge::charge).toList());
    }

    Optional<State> find(long firing) {
        return read("select * from device_controller where firing_id = :firing", firing);
    }

    /** Its row, held until the transaction ends; empty while another node has it. */
    Optional<State> take(long firing) {
        return read("select * from device_controller where firing_id = :firing for update skip locked", firing);
    }

    private Optional<State> read(String sql, long firing) {
        return jdbc.sql(sql)
                .param("firing", firing)
                .query((rs, n) -> new State(
                        read(KilnJob.read(rs.getString("job"))),
                        rs.getDouble("speed"),
                        rs.getTimestamp("anchor_at").toInstant(),
                        rs.getDouble("anchor_second"),
                        rs.getDouble("second"),
                        rs.getDouble("into_second"),
                        json.readValue(rs.getString("faults"), FAULTS),
                        rs.getString("state")))
                .optional();
    }

    /**
     * How far it was taken on record.
     *
     * @return false where someone else took it further since
     */
    boolean taken(long firing, KilnController.Report report) {
        return jdbc.sql("""
                        update device_controller
                           set second = :second, into_second = :into,
                               anchor_at = coalesce(:set::timestamptz, anchor_at),
                               anchor_second = case when :set::timestamptz is null then anchor_second else :second end
                         where firing_id = :firing and second = :since and state <> 'stopped'
                        """)
                        .param("firing", firing)
                        .param("second", report.status().second())
                        .param("into", report.status().into())
                        .param(
                                "set",
                                report.setAt()
                                        .map(at -> OffsetDateTime.ofInstant(at, ZoneOffset.UTC))
                                        .orElse(null))
                        .param("since", report.since())
                        .update()
                == 1;
    }

    void keep(long firing, State s) {
        jdbc.sql("""
                        update device_controller
                           set speed = :speed, anchor_at = :anchor, anchor_second = :anchored, second = :second,
                               into_second = :into, faults = :faults::json, state = :state
                         where firing_id = :firing
                        """)
                .param("firing", firing)
                .param("speed", s.speed)
                .param("anchor", OffsetDateTime.ofInstant(s.anchor, ZoneOffset.UTC))
                .param("anchored", s.anchorSecond)
                .param("second", s.second)
                .param("into", s.into)
                .param("faults", json.writeValueAsString(s.faults))
                .param("state", s.state)
                .update();
    }
}
