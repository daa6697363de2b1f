package kilnryu.app.learning;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What the log of a studio holds, counted and paired. */
@Repository
class LearningStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    LearningStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Castings of a kind: good at the first look, and all that were looked at. */
    record Count(String of, int good, int made) {}

    /** What castings can be grouped by. */
    enum By {
        SCHOOL("school", "coalesce(b.school, 'no school chosen')"),
        ALLOY("alloy", "coalesce(b.alloy, 'unknown')"),
        PIECE("piece", "c.name"),
        MOLD("kind of mold", "coalesce(b.mold_kind, 'unknown')"),
        SEASON(
                "season",
                "(array['winter', 'winter', 'spring', 'spring', 'spring', 'summer', 'summer', 'summer', 'autumn', 'autumn',"
                        + " 'autumn', 'winter'])[extract(month from coalesce(b.poured_at, b.begun_at))::int]"),
        PERSON("person at the pot", "coalesce(b.poured_by, 'not on record')");

        private final String label;
        private final String sql;

        By(String label, String sql) {
            this.label = label;
            this.sql = sql;
        }

        String key() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }

        String label() {
            return label;
        }
    }

    List<Count> yields(long studio, By by, int most) {
        return jdbc.sql("select " + by.sql + """
                         as of_what, count(*) filter (where c.first_verdict = 'good') as good, count(*) as made
                          from casting c join break_out b on b.id = c.break_out_id
                         where b.studio_id = :studio and c.first_verdict <> 'unseen'
                         group by 1 order by made desc, 1 limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Count(rs.getString("of_what"), rs.getInt("good"), rs.getInt("made")))
                .list();
    }

    Count all(long studio) {
        return jdbc.sql("""
                        select count(*) filter (where c.first_verdict = 'good') as good, count(*) as made
                          from casting c join break_out b on b.id = c.break_out_id
                         where b.studio_id = :studio and c.first_verdict <> 'unseen'
                        """)
                .param("studio", studio)
                .query((rs, n) -> new Count("all", rs.getInt("good"), rs.getInt("made")))
                .single();
    }

    /** Plan and actual of one thing. @param group of those that share a factor; @param made when its tree was planned */
    record Paired(String group, String of, String address, double planned, double actual, Instant made) {}

    List<Paired> masses(long studio, int most) {
        return paired("b.alloy", "planned_g", "cast_g", studio, most);
    }

    List<Paired> fills(long studio, int most) {
        return paired("'fill'", "fill_planned_s", "fill_s", studio, most);
    }

    /** Those whose hands were not typed with the pour. */
    List<Paired> carries(long studio, int most) {
        return paired("'carry'", "stood_planned_s", "stood_s", studio, most, """
                and coalesce(p.fields->>'carry_s', '') = '' and coalesce(p.fields->>'seat_s', '') = ''
                and coalesce(p.fields->>'between_s', '') = ''
                """);
    }

    List<Paired> heats(long studio, int most) {
        return paired("b.alloy", "metal_planned_c", "metal_c", studio, most);
    }

    private List<Paired> paired(String group, String planned, String actual, long studio, int most) {
        return paired(group, planned, actual, studio, most, "");
    }

    private List<Paired> paired(String group, String planned, String actual, long studio, int most, String only) {
        return jdbc.sql("select " + group + " as of_group, t.name, t.id, b." + planned + " as planned, b." + actual
                        + " as actual, greatest(t.created_at, p.created_at) as made, coalesce(b.poured_at, b.begun_at) as at"
                        + " from break_out b join tree t on t.id = b.tree_id left join pour p on p.id = b.pour_id"
                        + " where b.studio_id = :studio and b." + planned + " > 0 and b." + actual + " > 0 and " + group
                        + " is not null " + only + " order by at desc limit :most")
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Paired(
                        rs.getString("of_group"),
                        rs.getString("name"),
                        "/breakout/" + rs.getLong("id"),
                        rs.getDouble("planned"),
                        rs.getDouble("actual"),
                        rs.getTimestamp("made").toInstant()))
                .list();
    }

    /** Hours that a coat took until its weight was dry; planned as the handbook's tail has it. */
    List<Paired> dryings(long studio, double tail, int most) {
        return jdbc.sql("""
                        select d.coat, d.place, d.planned_h * :tail / d.tail as planned, d.dried_h, d.at, r.id, r.name
                          from coat_dried d join shell_run r on r.id = d.run_id
                         where r.studio_id = :studio and d.dried_h > 0 and d.planned_h > 0 and d.tail > 0
                         order by d.at desc limit :most
                        """)
                .param("studio", studio)
                .param("tail", tail)
                .param("most", most)
                .query((rs, n) -> new Paired(
                        "coat",
                        rs.getString("name") + ", coat " + (rs.getInt("place") + 1),
                        "/shells/" + rs.getLong("id"),
                        rs.getDouble("planned"),
                        rs.getDouble("dried_h"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** Hours of each stage of finishing; planned is the face of what was worked, of 1 kg as one. */
    List<Paired> hours(long studio, int most) {
        return jdbc.sql("""
                        select w.stage, power(w.grams / 1000, 2.0 / 3) as face, w.hours, w.tree_id, t.name, w.at
                          from finish_work w join tree t on t.id = w.tree_id
                         where w.studio_id = :studio and not w.removed and w.hours > 0 and w.grams > 0
                         order by w.at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Paired(
                        rs.getString("stage"),
                        rs.getString("name"),
                        "/breakout/" + rs.getLong("tree_id") + "/finish",
                        rs.getDouble("face"),
                        rs.getDouble("hours"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** Sizes as they were measured cold: casting over what it was molded on. */
    record Sized(
            String alloy,
            String kind,
            String way,
            String of,
            String place,
            long tree,
            double before,
            double casting,
            Instant at) {}

    List<Sized> sizes(long studio, int most) {
        return jdbc.sql("""
                        select b.alloy, b.mold_kind, e.fields->>'way' as way, t.name, t.id, e.fields->>'place' as place, e.at,
                               coalesce(e.fields->>'print', e.fields->>'pattern')::float8 as was,
                               (e.fields->>'casting')::float8 as casting
                          from break_out_event e join break_out b on b.id = e.break_out_id join tree t on t.id = b.tree_id
                         where e.kind = 'size' and b.studio_id = :studio and b.alloy is not null
                           and coalesce(e.fields->>'hot', '') = '' and e.fields->>'casting' is not null
                           and coalesce(e.fields->>'print', e.fields->>'pattern') is not null
                           and not exists (select 1 from break_out_event u where u.break_out_id = b.id and u.kind = 'unsize'
                                              and u.fields->>'size' = e.id::text)
                         order by e.id desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Sized(
                        rs.getString("alloy"),
                        rs.getString("mold_kind"),
                        rs.getString("way"),
                        rs.getString("name"),
                        rs.getString("place"),
                        rs.getLong("id"),
                        rs.getDouble("was"),
                        rs.getDouble("casting"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** Hours of firings that were not given up: of the program, and as it ran. */
    List<Paired> firings(long studio, int most) {
        return jdbc.sql("""
                        select coalesce(k.id || ' ' || k.name, '0 no kiln') as of_group, f.name, f.id, f.ended_at,
                               f.planned_min / case when f.fields->>'lag.kiln' = f.kiln_id::text then (f.fields->>'lag.times')::float8
                                          else 1 end as planned,
                               extract(epoch from f.ended_at - f.started_at) / 60 as actual
                          from firing f left join kiln k on k.id = f.kiln_id
                         where f.studio_id = :studio and f.ended_at is not null and f.frozen is not null
                           and coalesce(f.ended_as, '') not like 'given up%'
                         order by f.ended_at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Paired(
                        rs.getString("of_group"),
                        rs.getString("name"),
                        "/firings/" + rs.getLong("id"),
                        rs.getDouble("planned"),
                        rs.getDouble("actual"),
                        rs.getTimestamp("ended_at").toInstant()))
                .list();
    }

    /** Minutes from the powder in the water until the mix was seen matt. */
    List<Paired> workingTimes(long studio, int most) {
        return jdbc.sql("""
                        select x.id, x.working_min as planned, t.name, t.id as tree, t.created_at as made,
                               extract(epoch from min(e.at) - x.powder_in_at) / 60 as actual
                          from mix_session x join mix_event e on e.mix_session_id = x.id join tree t on t.id = x.tree_id
                         where x.studio_id = :studio and not x.given_up and x.powder_in_at is not null and e.kind = 'done'
                           and (x.steps->e.step)->>'done' like 'Matt%' and e.at > x.powder_in_at
                         group by x.id, t.id order by x.started_at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Paired(
                        "mix",
                        rs.getString("name"),
                        "/trees/" + rs.getLong("tree") + "/bench",
                        rs.getDouble("planned"),
                        rs.getDouble("actual"),
                        rs.getTimestamp("made").toInstant()))
                .list();
    }

    /** Walls of wax as they were measured, beside what the model has for as long as they stood. */
    List<Paired> walls(long studio, int most) {
        return jdbc.sql("""
                        select (e.fields->>'model')::float8 as planned, (e.fields->>'mm')::float8 as actual, e.fields->>'where' as place,
                               w.name, w.id, e.at
                          from wax_event e join wax w on w.id = e.wax_id
                         where w.studio_id = :studio and e.kind = 'wall' and (e.fields->>'model')::float8 > 0
                           and (e.fields->>'mm')::float8 > 0
                         order by e.at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Paired(
                        "wall",
                        rs.getString("name") + (rs.getString("place").isEmpty() ? "" : ", " + rs.getString("place")),
                        "/waxes/" + rs.getLong("id") + "/bench",
                        rs.getDouble("planned"),
                        rs.getDouble("actual"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** What was weighed into a mix beside what was asked; of a step that was done again the last. */
    List<Paired> weighings(long studio, int most) {
        return jdbc.sql("""
                        select distinct on (x.started_at, x.id, e.step) x.steps->e.step->>'title' as title,
                               (x.steps->e.step->>'grams')::float8 as planned, e.reading_g, t.name, t.id, t.created_at as made
                          from mix_session x join mix_event e on e.mix_session_id = x.id join tree t on t.id = x.tree_id
                         where x.studio_id = :studio and not x.given_up and e.kind = 'done' and e.reading_g > 0
                           and (x.steps->e.step->>'grams')::float8 > 0
                         order by x.started_at desc, x.id, e.step, e.id desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Paired(
                        rs.getString("title").toLowerCase(java.util.Locale.ROOT).contains("water") ? "water" : "powder",
                        rs.getString("name"),
                        "/trees/" + rs.getLong("id") + "/bench",
                        rs.getDouble("planned"),
                        rs.getDouble("reading_g"),
                        rs.getTimestamp("made").toInstant()))
                .list();
    }

    /** Minutes from the furnace on until the pot left it. */
    List<Paired> melts(long studio, int most) {
        return jdbc
                .sql("""
                        select p.id, p.name, p.created_at as made,
                               case when coalesce(m.fields->>'efficiency_pct', '') = '' then m.fields->>'heating' end as heating,
                               coalesce(m.name, p.record->'poured'->>'furnace') as furnace,
                               (p.record->'poured'->>'meltMin')::float8 as planned,
                               extract(epoch from min(e.tapped_at) filter (where e.kind = 'potout')
                                                - min(e.tapped_at) filter (where e.kind = 'tick'
                                                                             and e.fields->>'step' = 'melt-on')) / 60 as actual
                          from pour p join pour_event e on e.pour_id = p.id
                          left join melter m on m.id::text = p.fields->>'furnace' and m.studio_id = p.studio_id
                         where p.studio_id = :studio and p.record is not null
                         group by p.id, m.id order by p.begun_at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Paired(
                        rs.getString("heating") != null ? "of " + rs.getString("heating") : rs.getString("furnace"),
                        rs.getString("name"),
                        "/pours/" + rs.getLong("id") + "/day",
                        rs.getDouble("planned"),
                        rs.getDouble("actual"),
                        rs.getTimestamp("made").toInstant()))
                .list()
                .stream()
                .filter(p -> p.planned() > 0 && p.actual() > 1 && p.group() != null)
                .toList();
    }

    /** A forecast of a tree that has been looked at whole. */
    record Foreseen(String by, String tree, long id, int expected, int came, int made, String why, Instant at) {}

    List<Foreseen> forecasts(long studio, int most) {
        return jdbc.sql("""
                        select a.shown_name, t.name, t.id, f.good, f.made, f.why, f.at,
                               count(c.id) filter (where c.verdict = 'good') as came
                          from forecast f join tree t on t.id = f.tree_id join account a on a.id = f.account_id
                          join break_out b on b.tree_id = t.id join casting c on c.break_out_id = b.id
                         where t.studio_id = :studio
                         group by f.id, a.shown_name, t.name, t.id
                        having bool_and(c.verdict <> 'unseen')
                         order by f.at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Foreseen(
                        rs.getString("shown_name"),
                        rs.getString("name"),
                        rs.getLong("id"),
                        rs.getInt("good"),
                        rs.getInt("came"),
                        rs.getInt("made"),
                        rs.getString("why"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** How often each kind of defect was pinned. */
    List<Count> defects(long studio, int most) {
        return jdbc.sql("""
                        select e.fields->>'defect' as kind, count(distinct (e.break_out_id, e.casting)) as castings,
                               count(distinct e.break_out_id) as trees
                          from break_out_event e join break_out b on b.id = e.break_out_id
                         where b.studio_id = :studio and e.kind = 'pin'
                         group by 1 order by 2 desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Count(rs.getString("kind"), rs.getInt("trees"), rs.getInt("castings")))
                .list();
    }

    /** A note from elsewhere. */
    record Note(long id, Map<String, String> fields, int version, boolean archived, String by, Instant at) {}

    List<Note> notes(long studio, boolean archived) {
        return jdbc.sql("""
                        select n.*, a.shown_name from note_elsewhere n join account a on a.id = n.account_id
                         where n.studio_id = :studio and n.archived = :archived order by n.at desc limit 200
                        """)
                .param("studio", studio)
                .param("archived", archived)
                .query((rs, n) -> new Note(
                        rs.getLong("id"),
                        json.readValue(rs.getString("fields"), TEXTS),
                        rs.getInt("version"),
                        rs.getBoolean("archived"),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** @param id 0 for a new one. @return false when someone else saved in between */
    boolean keep(Account account, long id, int version, Map<String, String> fields) {
        String text = json.writeValueAsString(fields);
        OffsetDateTime now = OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
        if (id == 0) {
            return jdbc.sql("""
                            insert into note_elsewhere (studio_id, fields, account_id, at)
                            values (:studio, :fields::json, :account, :now)
                            """)
                            .param("studio", account.studioId())
                            .param("fields", text)
                            .param("account", account.id())
                            .param("now", now)
                            .update()
                    == 1;
        }
        return jdbc.sql("""
                        update note_elsewhere set fields = :fields::json, version = version + 1
                         where id = :id and studio_id = :studio and version = :version
                        """)
                        .param("fields", text)
                        .param("id", id)
                        .param("studio", account.studioId())
                        .param("version", version)
                        .update()
                == 1;
    }

    boolean archive(long studio, long id, boolean away) {
        return jdbc.sql("""
                        update note_elsewhere set archived = :away, version = version + 1
                         where id = :id and studio_id = :studio
                        """)
                        .param("away", away)
                        .param("id", id)
                        .param("studio", studio)
                        .update()
                == 1;
    }
}
