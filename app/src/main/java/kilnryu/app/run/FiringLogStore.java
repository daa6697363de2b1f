package kilnryu.app.run;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoubleConsumer;
import kilnryu.app.logger.KilnLog;
import kilnryu.app.web.InRequest;
import kilnryu.core.burnout.Progress.Sample;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** What was measured in a firing: as its controller reported it, and as a file of a logger has it. */
@Repository
public class FiringLogStore {
    private static final int CHUNK = 20_000;
    private static final long VERY_MANY = 20_000;

    private static final String LAST = "last second ";

    private final JdbcClient jdbc;
    private final Clock clock;

    FiringLogStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** What a controller reported, in any order; one at a time that is there takes its place. */
    void reported(long id, Map<Double, Double> samples) {
        jdbc.sql("""
                        insert into firing_sample (firing_id, source, second, celsius)
                        select :id, 'controller', s, c
                          from unnest(:seconds::double precision[], :celsius::double precision[]) as u(s, c)
                        on conflict (firing_id, source, second) do update set celsius = excluded.celsius
                        """)
                .param("id", id)
                .param("seconds", samples.keySet().toArray(Double[]::new))
                .param("celsius", samples.values().toArray(Double[]::new))
                .update();
        thin(id, Collections.min(samples.keySet()), Collections.max(samples.keySet()));
    }

    /** The minutes from one second to another anew. */
    private void thin(long id, double from, double to) {
        jdbc.sql("""
                        insert into firing_minute
                        select firing_id, source, floor(second / 60), min(second), max(second),
                               min(celsius), max(celsius), count(*)
                          from firing_sample
                         where firing_id = :id and source = 'controller' and second >= :from and second < :to
                         group by 1, 2, 3
                        on conflict (firing_id, source, minute) do update
                           set first_second = excluded.first_second, last_second = excluded.last_second,
                               low = excluded.low, high = excluded.high, readings = excluded.readings
                        """)
                .param("id", id)
                .param("from", Math.floor(from / 60) * 60)
                .param("to", Math.floor(to / 60) * 60 + 60)
                .update();
    }

    /** A log, in the place of an earlier one; told of the share that is stored. */
    public void logged(long id, KilnLog.Readings readings, DoubleConsumer told) {
        jdbc.sql("delete from firing_log where firing_id = :id").param("id", id).update();
        jdbc.sql("delete from firing_minute where firing_id = :id and source = 'log'")
                .param("id", id)
                .update();
        for (int from = 0; from < readings.size(); from += CHUNK) {
            int to = Math.min(readings.size(), from + CHUNK);
            jdbc.sql("""
                            insert into firing_log (firing_id, part, seconds, celsius)
                            values (:id, :part, :seconds, :celsius)
                            """)
                    .param("id", id)
                    .param("part", from / CHUNK)
                    .param("seconds", Arrays.copyOfRange(readings.seconds(), from, to))
                    .param("celsius", Arrays.copyOfRange(readings.celsius(), from, to))
                    .update();
            told.accept(to / (double) readings.size());
        }
        jdbc.sql("""
                        insert into firing_minute
                        select firing_id, 'log', floor(second / 60), min(second), max(second), min(c), max(c), count(*)
                          from firing_log, unnest(seconds, celsius) as u(second, c)
                         where firing_id = :id group by 1, 3
                        """).param("id", id).update();
    }

    /** How far a file is that is being taken in. */
    public record Intake(String words, double share) {}

    public void intake(long id, String words, double share) {
        jdbc.sql("""
                        insert into firing_intake (firing_id, words, share, at) values (:id, :words, :share, :now)
                        on conflict (firing_id) do update set words = :words, share = :share, at = :now
                        """)
                .param("id", id)
                .param("words", words)
                .param("share", share)
                .param("now", now())
                .update();
    }

    public void noIntake(long id) {
        jdbc.sql("delete from firing_intake where firing_id = :id")
                .param("id", id)
                .update();
    }

    public Optional<Intake> intake(long id) {
        return jdbc.sql("select words, share from firing_intake where firing_id = :id")
                .param("id", id)
                .query(Intake.class)
                .optional();
    }

    /**
     * What was measured, and how much of it.
     *
     * @param standIn whether a simulated controller reported it and nothing was measured
     */
    public record Measured(List<Sample> samples, long all, boolean standIn) {}

    /**
     * At most twice as many samples as parts: of each part the lowest and the highest, so that no peak is lost. The log is
     * taken where there is one, else what the controller reported. Of very many readings the thinned minutes are looked
     * through and not the readings.
     */
    Measured measured(long id, int parts) {
        Span span = jdbc.sql("""
                        select source, min(first_second) as first, max(last_second) as last, sum(readings) as readings
                          from firing_minute where firing_id = :id
                         group by source order by source desc limit 1
                        """).param("id", id).query(Span.class).optional().orElse(new Span("controller", 0, 0, 0));
        String thinned = """
                select min(first_second) first, max(last_second) last, min(low) low, max(high) high
                  from firing_minute
                 where firing_id = :id and source = :source
                 group by floor((first_second - :from) / :wide)
                 order by 1
                """;
        String log = """
                select min(second) first, max(second) last, min(c) low, max(c) high
                  from firing_log, unnest(seconds, celsius) as u(second, c)
                 where firing_id = :id
                 group by floor((second - :from) / :wide)
                 order by 1
                """;
        String reported = """
                select min(second) first, max(second) last, min(celsius) low, max(celsius) high
                  from firing_sample
                 where firing_id = :id and source = :source
                 group by floor((second - :from) / :wide)
                 order by 1
                """;
        List<Sample> samples = new ArrayList<>();
        double[] before = {Double.NaN};
        jdbc.sql(span.readings > VERY_MANY ? thinned : span.source.equals("log") ? log : reported)
                .param("id", id)
                .param("source", span.source)
                .param("from", span.first)
                .param("wide", Math.max(1e-3, (span.last - span.first) / parts))
                .query(rs -> {
                    part(
                            samples,
                            rs.getDouble("first"),
                            rs.getDouble("last"),
                            rs.getDouble("low"),
                            rs.getDouble("high"),
                            before);
                });
        return new Measured(samples, span.readings, span.source.equals("controller"));
    }

    /** What there is of a source; "log" before "controller". */
    record Span(String source, double first, double last, long readings) {}

    /** What was asked for with its firing. */
    static void knowLast(long id, List<Double> last) {
        InRequest.know(LAST + id, last);
    }

    /** When the last reading was; empty where there is none. */
    OptionalDouble lastSecond(long id) {
        List<Double> last = InRequest.once(
                LAST + id,
                () -> jdbc.sql("""
                        select last_second from firing_minute where firing_id = :id
                         order by source desc, minute desc limit 1
                        """).param("id", id).query(Double.class).list());
        return last.isEmpty() ? OptionalDouble.empty() : OptionalDouble.of(last.get(0));
    }

    /** Rising parts low first, falling ones high first. */
    private static void part(List<Sample> to, double first, double last, double low, double high, double[] before) {
        if (last <= first || high - low < 1e-9) {
            to.add(new Sample(last, high));
        } else {
            boolean falls = !Double.isNaN(before[0]) && (low + high) / 2 < before[0];
            to.add(new Sample(first, falls ? high : low));
            to.add(new Sample(last, falls ? low : high));
        }
        before[0] = (low + high) / 2;
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
