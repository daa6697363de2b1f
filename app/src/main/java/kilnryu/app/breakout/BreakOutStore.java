package kilnryu.app.breakout;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
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
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Break-outs, their castings, and what was tapped at them. */
@Repository
class BreakOutStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};
    private static final TypeReference<List<Tile>> TILES = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    BreakOutStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param closedAt null while it is open */
    record Row(
            long id,
            long studio,
            long tree,
            Long pour,
            String state,
            List<Tile> tiles,
            int version,
            String record,
            Instant begunAt,
            Instant closedAt) {
        boolean open() {
            return state.equals("open");
        }
    }

    /** Something that was tapped. @param casting null where it is of the whole tree */
    record Event(
            long id,
            String tap,
            Integer casting,
            String kind,
            Map<String, String> fields,
            Instant tappedAt,
            String by) {}

    /** A tree in the list of those broken out, or waiting for it. */
    record Line(
            long tree,
            String name,
            String alloy,
            String face,
            Long breakOut,
            String state,
            Instant poured,
            Instant begunAt,
            int castings,
            int good,
            int mend,
            int scrap) {
        int unseen() {
            return castings - good - mend - scrap;
        }
    }

    Optional<Row> of(long studio, long tree) {
        return standing(tree).row.filter(r -> r.studio() == studio);
    }

    /** Of several trees in one question, by the tree. */
    Map<Long, Row> of(long studio, Collection<Long> trees) {
        return jdbc
                .sql("select * from break_out where studio_id = :studio and tree_id = any(:trees)")
                .param("studio", studio)
                .param("trees", trees.toArray(Long[]::new))
                .query((rs, n) -> row(rs))
                .list()
                .stream()
                .collect(Collectors.toMap(Row::tree, r -> r));
    }

    /** Taps of several break-outs in one question, by the break-out. */
    Map<Long, List<Event>> events(Collection<Long> breakOuts) {
        Map<Long, List<Event>> all = new HashMap<>();
        jdbc.sql("""
                        select e.*, a.shown_name from break_out_event e join account a on a.id = e.account_id
                         where e.break_out_id = any(:all) order by e.id
                        """).param("all", breakOuts.toArray(Long[]::new)).query(rs -> {
            all.computeIfAbsent(rs.getLong("break_out_id"), b -> new ArrayList<>())
                    .add(event(rs));
        });
        return all;
    }

    private Event event(ResultSet rs) throws SQLException {
        return new Event(
                rs.getLong("id"),
                rs.getString("tap"),
                rs.getObject("casting", Integer.class),
                rs.getString("kind"),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getTimestamp("tapped_at").toInstant(),
                rs.getString("shown_name"));
    }

    /**
     * Those that are open or done, the open first, and trees that were poured and not yet opened.
     *
     * @param most of each
     */
    List<Line> list(long studio, int most) {
        return jdbc.sql("""
                        (select t.id, t.name, t.alloy, t.face, b.id as break_out, b.state, null::timestamptz as poured,
                                b.begun_at, n.castings, n.good, n.mend, n.scrap
                           from (select * from break_out where studio_id = :studio
                                  order by state = 'open' desc, begun_at desc limit :most) b
                           join tree t on t.id = b.tree_id
                           join lateral (select count(*) as castings,
                                                count(*) filter (where c.verdict = 'good') as good,
                                                count(*) filter (where c.verdict = 'mend') as mend,
                                                count(*) filter (where c.verdict = 'scrap') as scrap
                                           from casting c where c.break_out_id = b.id) n on true)
                        union all
                        (select t.id, t.name, t.alloy, t.face, null, 'waiting', max(e.tapped_at), null, 0, 0, 0, 0
                           from pour p join pour_mold m on m.pour_id = p.id join tree t on t.id = m.tree_id
                           join pour_event e on e.pour_id = p.id and e.tree_id = t.id and e.kind in ('full', 'short', 'leaked')
                          where p.studio_id = :studio and p.state in ('running', 'done')
                            and not exists (select 1 from break_out b where b.tree_id = t.id)
                          group by t.id order by max(e.tapped_at) desc limit :most)
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Line(
                        rs.getLong("id"),
                        rs.getString("name"),
                        rs.getString("alloy"),
                        rs.getString("face"),
                        rs.getObject("break_out", Long.class),
                        rs.getString("state"),
                        instant(rs.getTimestamp("poured")),
                        instant(rs.getTimestamp("begun_at")),
                        rs.getInt("castings"),
                        rs.getInt("good"),
                        rs.getInt("mend"),
                        rs.getInt("scrap")))
                .list();
    }

    /** How far a tree is. */
    record Stand(boolean poured, boolean opened, int castings, int good, int scrap, int unseen) {}

    Stand stand(long tree) {
        return standing(tree).stand;
    }

    private static Optional<TakenOut> takenOut(ResultSet rs) throws SQLException {
        return rs.getObject("how") == null
                ? Optional.empty()
                : Optional.of(new TakenOut(
                        rs.getString("how"),
                        rs.getObject("button_c", Double.class),
                        rs.getBoolean("early"),
                        rs.getTimestamp("out_at").toInstant(),
                        rs.getString("shown_name")));
    }

    private record Standing(Optional<Row> row, Stand stand, Optional<TakenOut> out) {}

    private Standing standing(long tree) {
        return InRequest.once(
                "break-out of " + tree,
                () -> jdbc.sql("""
                        select b.*, c.castings, c.good, c.scrap, c.unseen,
                               exists (select 1 from pour_event e where e.tree_id = :tree and e.kind in ('full', 'short', 'leaked'))
                                 as poured,
                               o.how, o.button_c, o.early, o.at as out_at, a.shown_name
                          from (select 1) one left join break_out b on b.tree_id = :tree
                          left join taken_out o on o.tree_id = :tree left join account a on a.id = o.account_id
                          left join lateral (select count(*) as castings, count(*) filter (where verdict = 'good') as good,
                                                    count(*) filter (where verdict = 'scrap') as scrap,
                                                    count(*) filter (where verdict = 'unseen') as unseen
                                               from casting where break_out_id = b.id) c on true
                        """)
                        .param("tree", tree)
                        .query((rs, n) -> {
                            boolean opened = rs.getObject("id") != null;
                            Stand stand = new Stand(
                                    rs.getBoolean("poured"),
                                    opened,
                                    rs.getInt("castings"),
                                    rs.getInt("good"),
                                    rs.getInt("scrap"),
                                    rs.getInt("unseen"));
                            return new Standing(opened ? Optional.of(row(rs)) : Optional.empty(), stand, takenOut(rs));
                        })
                        .single());
    }

    /** Plan and actual; either may be null. */
    record Both(Double planned, Double actual) {
        static final Both NONE = new Both(null, null);
    }

    /** What it was planned at and poured at, as far as it is known; any may be null. */
    record Began(
            Long pour,
            String alloy,
            String kind,
            String school,
            String by,
            Instant poured,
            Double planned,
            Both fill,
            Both stood,
            Both metal) {}

    /** @return empty where somebody began it meanwhile */
    OptionalLong begin(Account account, long tree, Began began, List<Tile> tiles) {
        Optional<Long> id = jdbc.sql("""
                        insert into break_out (studio_id, tree_id, pour_id, tiles, begun_at, account_id, alloy, mold_kind,
                               school, poured_by, poured_at, planned_g, fill_planned_s, fill_s, stood_planned_s, stood_s,
                               metal_planned_c, metal_c)
                        values (:studio, :tree, :pour, :tiles::json, :now, :account, :alloy, :kind, :school, :by, :poured,
                                :planned, :fillPlanned, :fill, :stoodPlanned, :stood, :metalPlanned, :metal)
                        on conflict (tree_id) do nothing returning id
                        """)
                .param("alloy", began.alloy, Types.VARCHAR)
                .param("kind", began.kind, Types.VARCHAR)
                .param("school", began.school, Types.VARCHAR)
                .param("by", began.by, Types.VARCHAR)
                .param(
                        "poured",
                        began.poured == null ? null : OffsetDateTime.ofInstant(began.poured, ZoneOffset.UTC),
                        Types.TIMESTAMP_WITH_TIMEZONE)
                .param("planned", began.planned, Types.DOUBLE)
                .param("fillPlanned", began.fill.planned, Types.DOUBLE)
                .param("fill", began.fill.actual, Types.DOUBLE)
                .param("stoodPlanned", began.stood.planned, Types.DOUBLE)
                .param("stood", began.stood.actual, Types.DOUBLE)
                .param("metalPlanned", began.metal.planned, Types.DOUBLE)
                .param("metal", began.metal.actual, Types.DOUBLE)
                .param("studio", account.studioId())
                .param("tree", tree)
                .param("pour", began.pour, Types.BIGINT)
                .param("tiles", json.writeValueAsString(tiles))
                .param("now", now())
                .param("account", account.id())
                .query(Long.class)
                .optional();
        id.ifPresent(b -> tiles.forEach(
                t -> jdbc.sql("insert into casting (break_out_id, number, name) values (:b, :number, :name)")
                        .param("b", b)
                        .param("number", t.number())
                        .param("name", t.name())
                        .update()));
        return id.map(OptionalLong::of).orElseGet(OptionalLong::empty);
    }

    /** Locks it, so that what is judged of its events stays so until the tap is written; false where it is closed. */
    boolean lock(long id) {
        return jdbc.sql("select state from break_out where id = :id for update")
                .param("id", id)
                .query(String.class)
                .single()
                .equals("open");
    }

    /** @param casting null where it is of the whole tree */
    record Tap(String key, Integer casting, String kind, Map<String, String> fields, Instant at) {}

    /** @return false when this very tap was written before */
    boolean tap(Account account, long breakOut, Tap tap) {
        boolean first = jdbc.sql("""
                        insert into break_out_event (break_out_id, tap, casting, kind, fields, tapped_at, at, account_id)
                        values (:breakOut, :tap, :casting, :kind, :fields::json, :tapped, :now, :account)
                        on conflict (break_out_id, tap) do nothing
                        """)
                        .param("breakOut", breakOut)
                        .param("tap", tap.key)
                        .param("casting", tap.casting, Types.INTEGER)
                        .param("kind", tap.kind)
                        .param("fields", json.writeValueAsString(tap.fields))
                        .param("tapped", OffsetDateTime.ofInstant(tap.at, ZoneOffset.UTC))
                        .param("now", now())
                        .param("account", account.id())
                        .update()
                == 1;
        if (first) {
            jdbc.sql("update break_out set version = version + 1 where id = :id")
                    .param("id", breakOut)
                    .update();
        }
        return first;
    }

    List<Event> events(long breakOut) {
        return jdbc.sql("""
                        select e.*, a.shown_name from break_out_event e join account a on a.id = e.account_id
                         where e.break_out_id = :b order by e.id
                        """).param("b", breakOut).query((rs, n) -> event(rs)).list();
    }

    /** What was weighed, for the log. */
    void weighed(long breakOut, BreakOutCourse course) {
        jdbc.sql("update break_out set cast_g = :cast, castings_g = :castings, gating_g = :gating where id = :b")
                .param("cast", orNull(course.mass("cast")), Types.DOUBLE)
                .param("castings", orNull(course.mass("castings")), Types.DOUBLE)
                .param("gating", orNull(course.mass("gating")), Types.DOUBLE)
                .param("b", breakOut)
                .update();
    }

    private static Double orNull(java.util.OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    /** What a casting is now, for lists and counts. */
    void judged(long breakOut, BreakOutCourse.Casting casting) {
        jdbc.sql("""
                        update casting set verdict = :verdict, first_verdict = :first, grams = :grams
                         where break_out_id = :b and number = :number
                        """)
                .param("verdict", casting.verdict().key())
                .param("first", casting.first().key())
                .param("grams", orNull(casting.grams()), Types.DOUBLE)
                .param("b", breakOut)
                .param("number", casting.tile().number())
                .update();
    }

    /** A defect of a casting of the same name in another tree. @param places as keys with commas */
    record Before(long breakOut, int casting, String kind, String places) {}

    List<Before> before(long studio, long but, List<String> names, int most) {
        return jdbc.sql("""
                        select e.break_out_id, e.casting, e.fields->>'defect' as kind, e.fields->>'places' as places
                          from casting c join break_out b on b.id = c.break_out_id
                          join break_out_event e on e.break_out_id = b.id and e.casting = c.number and e.kind = 'pin'
                         where b.studio_id = :studio and c.name in (:names)
                           and b.begun_at < (select begun_at from break_out where id = :but)
                           and not exists (select 1 from break_out_event u where u.break_out_id = b.id and u.kind = 'unpin'
                                              and u.fields->>'pin' = e.id::text)
                         order by e.id desc limit :most
                        """)
                .param("studio", studio)
                .param("but", but)
                .param("names", names)
                .param("most", most)
                .query((rs, n) -> new Before(
                        rs.getLong("break_out_id"), rs.getInt("casting"), rs.getString("kind"), rs.getString("places")))
                .list();
    }

    /** Whether castings of these names were broken out before. */
    boolean hasOthers(long studio, long but, List<String> names) {
        return jdbc.sql("""
                        select exists (select 1 from casting c join break_out b on b.id = c.break_out_id
                                        where b.studio_id = :studio and c.name in (:names) and c.verdict <> 'unseen'
                                          and b.begun_at < (select begun_at from break_out where id = :but))
                        """)
                .param("studio", studio)
                .param("but", but)
                .param("names", names)
                .query(Boolean.class)
                .single();
    }

    /** Puts all that is on record of a tree into the past, for what was done before it was written down here. */
    void backdate(long tree, Instant at) {
        OffsetDateTime then = OffsetDateTime.ofInstant(at, ZoneOffset.UTC);
        for (String sql : List.of(
                "update tree set created_at = :then where id = :tree",
                "update break_out set begun_at = :then, closed_at = case when closed_at is null then null else :then end"
                        + " where tree_id = :tree",
                "update break_out_event set tapped_at = :then, at = :then where break_out_id = (select id from break_out"
                        + " where tree_id = :tree)",
                "update forecast set at = :then where tree_id = :tree",
                "update cast_again set at = :then where tree_id = :tree")) {
            jdbc.sql(sql).param("then", then).param("tree", tree).update();
        }
    }

    /** Names of castings that were broken out, those with most defects first. */
    List<String> names(long studio, int most) {
        return jdbc.sql("""
                        select c.name from casting c join break_out b on b.id = c.break_out_id
                         where b.studio_id = :studio
                         group by c.name order by count(*) filter (where c.first_verdict <> 'good') desc, c.name limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query(String.class)
                .list();
    }

    int castings(long studio, String name) {
        return jdbc.sql("""
                        select count(*) from casting c join break_out b on b.id = c.break_out_id
                         where b.studio_id = :studio and c.name = :name and c.verdict <> 'unseen'
                        """)
                .param("studio", studio)
                .param("name", name)
                .query(Integer.class)
                .single();
    }

    /** A defect on the drawing of a casting. */
    record Pinned(long breakOut, int casting, String kind, double x, double y) {}

    List<Pinned> pins(long studio, String name, int most) {
        return jdbc.sql("""
                        select e.break_out_id, e.casting, e.fields->>'defect' as kind, (e.fields->>'x')::float8 as x,
                               (e.fields->>'y')::float8 as y
                          from casting c join break_out b on b.id = c.break_out_id
                          join break_out_event e on e.break_out_id = b.id and e.casting = c.number and e.kind = 'pin'
                         where b.studio_id = :studio and c.name = :name and e.fields->>'photo' is null
                           and not exists (select 1 from break_out_event u where u.break_out_id = b.id and u.kind = 'unpin'
                                              and u.fields->>'pin' = e.id::text)
                         order by e.id desc limit :most
                        """)
                .param("studio", studio)
                .param("name", name)
                .param("most", most)
                .query((rs, n) -> new Pinned(
                        rs.getLong("break_out_id"),
                        rs.getInt("casting"),
                        rs.getString("kind"),
                        rs.getDouble("x"),
                        rs.getDouble("y")))
                .list();
    }

    /** How a casting of this name was drawn last. */
    Optional<Tile> tile(long studio, String name) {
        return jdbc.sql("""
                        select b.* from break_out b join casting c on c.break_out_id = b.id
                         where b.studio_id = :studio and c.name = :name order by b.begun_at desc, b.id desc limit 1
                        """)
                .param("studio", studio)
                .param("name", name)
                .query((rs, n) -> row(rs))
                .optional()
                .flatMap(r ->
                        r.tiles().stream().filter(t -> t.name().equals(name)).findFirst());
    }

    /** A tree of which the caster found the cause. */
    record Solved(long tree, String cause) {}

    List<Solved> solved(long studio, int most) {
        return jdbc.sql("""
                        select b.tree_id, last.cause from break_out b
                          join lateral (select e.fields->>'cause' as cause from break_out_event e
                                         where e.break_out_id = b.id and e.kind = 'cause' order by e.id desc limit 1) last on true
                         where b.studio_id = :studio and last.cause <> '' order by b.begun_at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Solved(rs.getLong("tree_id"), rs.getString("cause")))
                .list();
    }

    Optional<Instant> lastOpened(long studio) {
        return jdbc.sql("select max(coalesce(poured_at, begun_at)) from break_out where studio_id = :studio")
                .param("studio", studio)
                .query((rs, n) -> Optional.ofNullable(instant(rs.getTimestamp(1))))
                .single();
    }

    /** Freezes it. @return false when it is closed already */
    boolean close(long id, String record) {
        return jdbc.sql("""
                        update break_out set state = 'done', record = :record::json, closed_at = :now, version = version + 1
                         where id = :id and state = 'open'
                        """)
                        .param("record", record)
                        .param("now", now())
                        .param("id", id)
                        .update()
                == 1;
    }

    /** How a mold was taken out. @param button C of its face as it was reckoned then; null where not known */
    record TakenOut(String how, Double button, boolean early, Instant at, String by) {}

    Optional<TakenOut> takenOut(long tree) {
        return standing(tree).out;
    }

    /** @return false where it was taken out before */
    boolean takeOut(Account account, long tree, String how, java.util.OptionalDouble button, boolean early) {
        return jdbc.sql("""
                        insert into taken_out (tree_id, how, button_c, early, account_id, at)
                        values (:tree, :how, :button, :early, :account, :now) on conflict (tree_id) do nothing
                        """)
                        .param("tree", tree)
                        .param("how", how)
                        .param("button", button.isPresent() ? button.getAsDouble() : null, Types.DOUBLE)
                        .param("early", early)
                        .param("account", account.id())
                        .param("now", now())
                        .update()
                == 1;
    }

    /** @param by shown name of who expected it */
    record Forecast(long account, String by, int good, int made, String why, Instant at) {}

    List<Forecast> forecasts(long tree) {
        return jdbc.sql("""
                        select f.*, a.shown_name from forecast f join account a on a.id = f.account_id
                         where f.tree_id = :tree order by f.at
                        """)
                .param("tree", tree)
                .query((rs, n) -> new Forecast(
                        rs.getLong("account_id"),
                        rs.getString("shown_name"),
                        rs.getInt("good"),
                        rs.getInt("made"),
                        rs.getString("why"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** Everyone one forecast of a tree, the last word counts. */
    void forecast(Account account, long tree, int good, int made, String why) {
        jdbc.sql("""
                        insert into forecast (tree_id, account_id, good, made, why, at)
                        values (:tree, :account, :good, :made, :why, :now)
                        on conflict (tree_id, account_id) do update
                        set good = excluded.good, made = excluded.made, why = excluded.why, at = excluded.at
                        """)
                .param("tree", tree)
                .param("account", account.id())
                .param("good", good)
                .param("made", made)
                .param("why", why)
                .param("now", now())
                .update();
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
                rs.getLong("tree_id"),
                rs.getObject("pour_id", Long.class),
                rs.getString("state"),
                json.readValue(rs.getString("tiles"), TILES),
                rs.getInt("version"),
                rs.getString("record"),
                instant(rs.getTimestamp("begun_at")),
                instant(rs.getTimestamp("closed_at")));
    }
}
