package kilnryu.app.tree;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.format.DateTimeParseException;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import kilnryu.app.web.InRequest;
import kilnryu.app.web.ListPage;
import kilnryu.core.sum.Replacement;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The studio's trees as its list shows them; what was typed of them is in the sheets. */
@Repository
public class TreeStore {
    private static final TypeReference<Map<String, Double>> NUMBERS = new TypeReference<>() {};

    private static final String CARRIED = "factors of tree ";
    private static final String MADE = "what came with tree ";

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    TreeStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A line of the list. */
    public record Row(
            long id,
            String name,
            String alloy,
            Double cavityGrams,
            Double chargeGrams,
            String flask,
            Instant pourAt,
            Instant updatedAt,
            boolean archived,
            String face,
            String mark,
            Stand stand,
            String ahead,
            String foreseen) {
        /** The same with a face that was made just now. */
        public Row seen(String itsFace, String itsMark) {
            return new Row(
                    id,
                    name,
                    alloy,
                    cavityGrams,
                    chargeGrams,
                    flask,
                    pourAt,
                    updatedAt,
                    archived,
                    itsFace,
                    itsMark,
                    stand,
                    ahead,
                    foreseen);
        }
    }

    /**
     * Where a tree stands in the work.
     *
     * @param station the last of these that it has reached: 1 tree, 2 mold, 3 mixing or shell, 4 firing, 5 pour
     * @param words as in "in the kiln, load Dunlin"
     * @param address of the page on which it is seen, empty for the tree's own
     * @param pour hour of its load as written, with or without a zone; null where it stands in none
     */
    public record Stand(int station, String words, String address, String pour) {
        Stand(int station, String words, String address) {
            this(station, words, address, null);
        }

        /** When it is poured with its load. */
        public Optional<ZonedDateTime> poured(ZoneId zone) {
            if (pour == null || pour.isBlank()) {
                return Optional.empty();
            }
            try {
                return Optional.of(
                        pour.contains("[") || pour.endsWith("Z")
                                ? ZonedDateTime.parse(pour).withZoneSameInstant(zone)
                                : LocalDateTime.parse(pour).atZone(zone));
            } catch (DateTimeParseException e) {
                // typed otherwise: the load's own page reads it
                return Optional.empty();
            }
        }
    }

    /** What the list shows, kept with each save. */
    public record Summary(
            String name,
            String alloy,
            Double cavityGrams,
            Double chargeGrams,
            String flask,
            Instant pourAt,
            String face,
            String mark,
            String ahead,
            List<Long> pieces) {}

    /** Columns the list may be sorted by. */
    public enum Sort {
        UPDATED("updated_at desc"),
        NAME("lower(name)"),
        ALLOY("alloy nulls last, lower(name)"),
        METAL("cavity_g desc nulls last"),
        POUR("pour_at nulls last");

        private final String sql;

        Sort(String sql) {
            this.sql = sql;
        }
    }

    /** How metal came into a mold. */
    private static final Set<String> POURED = Set.of("full", "short", "leaked");

    /** A tree with what was last foreseen of it, before its mold was opened. */
    private static final String FORESEEN = """
            select tree.*,
                   (select json_build_object('state', s.state, 'told', s.told)::text from foresight s
                     where s.tree_id = tree.id
                       and s.made_at < coalesce((select begun_at from break_out b where b.tree_id = tree.id), 'infinity')
                     order by s.made_at desc, s.id desc limit 1) as foreseen
              from tree where id = :id and studio_id = :studio
            """;

    /** What is in work of a tree: its last load, shell and mixing, for the rows that are asked for only. */
    private static final String STANDS = """
            select t.*, f.id as load_id, f.name as load_name, f.state as load_state,
                   exists (select 1 from firing_event e
                            where e.firing_id = f.id and e.kind = 'duty' and e.subject like 'pour%%') as poured,
                   coalesce(f.ahead->>'pour', f.fields->>'pour_at') as load_pour,
                   r.id as run_id, r.ended_at is not null as run_ended, r.ended_as as run_as,
                   (select count(*) from dip d where d.run_id = r.id and not d.removed) as coats_on,
                   (select count(*) from shell_coat c where c.run_id = r.id) as coats,
                   x.id as mix_id, x.tree_id is null as mix_shared, x.ended_at is not null as mix_ended,
                   p.id as pour_id, p.name as pour_name, p.came, o.castings, o.good, o.unseen
              from (%s) t
              left join lateral (select f.* from firing_mold m join firing f on f.id = m.firing_id
                                  where m.tree_id = t.id and f.archived_at is null
                                  order by case f.state when 'running' then 0 when 'planned' then 1 else 2 end, f.id desc
                                  limit 1) f on true
              left join lateral (select r.* from shell_run r where r.tree_id = t.id order by r.begun_at desc limit 1) r
                     on true
              left join lateral (select x.* from mix_session x
                                  where not x.given_up
                                    and (x.tree_id = t.id
                                         or x.id in (select s.mix_session_id from mix_session_tree s where s.tree_id = t.id))
                                  order by x.started_at desc limit 1) x on true
              left join lateral (select p.id, p.name,
                                        (select e.kind from pour_event e
                                          where e.pour_id = p.id and e.tree_id = t.id
                                            and e.kind in ('full', 'short', 'leaked', 'putback', 'undo')
                                          order by e.tapped_at desc, e.id desc limit 1) as came
                                   from pour_mold m join pour p on p.id = m.pour_id
                                  where m.tree_id = t.id and p.state in ('running', 'done')
                                  order by p.begun_at desc limit 1) p on true
              left join lateral (select count(*) as castings, count(*) filter (where c.verdict = 'good') as good,
                                        count(*) filter (where c.verdict = 'unseen') as unseen
                                   from casting c join break_out b on b.id = c.break_out_id where b.tree_id = t.id) o on true
            """;

    /**
     * Which trees a list is of.
     *
     * @param also numbers of trees that are found by other words than their name
     * @param mark only those with this mark; empty for all
     */
    public record Wanted(
            long studio,
            boolean archived,
            String search,
            List<Long> also,
            String mark,
            Sort sort,
            ListPage.Span span) {}

    /** Trees with pieces whose name, commission or client hold these words. */
    public List<Long> ofPieces(long studio, String search) {
        return jdbc.sql("""
                        select tp.tree_id from piece p join tree_piece tp on tp.piece_id = p.id
                         where p.studio_id = :studio
                           and position(lower(:search) in
                                 lower(concat_ws(' ', p.name, p.fields->>'commission', p.fields->>'client'))) > 0
                         limit 500
                        """)
                .param("studio", studio)
                .param("search", search)
                .query(Long.class)
                .list();
    }

    /**
     * Trees in work that a piece hangs on.
     *
     * @param furthest of those that were changed lately, the one that has come furthest
     * @param mark the worst of all
     */
    public record OnTrees(Row furthest, int count, String mark) {}

    /** The worst mark of several trees {@code t}, as a number that {@link #worst} reads. */
    public static final String WORST =
            "max(case t.mark when 'stop' then 4 when 'warn' then 3 when 'note' then 2 when 'good' then 1 else 0 end)";

    public static String worst(int rank) {
        return List.of("", "good", "note", "warn", "stop").get(rank);
    }

    /** By the piece; without those that hang on none. */
    public Map<Long, OnTrees> ofPieces(long studio, List<Long> pieces) {
        if (pieces.isEmpty()) {
            return Map.of();
        }
        String which = """
                select *, null::text as foreseen from tree
                 where studio_id = :studio and archived_at is null
                   and id in (select tree_id from tree_piece where piece_id in (:pieces))
                 order by updated_at desc limit 60
                """;
        Map<Long, Row> rows = new HashMap<>();
        jdbc.sql("select * from (" + STANDS.formatted(which) + ") s")
                .param("studio", studio)
                .param("pieces", pieces)
                .query(TreeStore::row)
                .list()
                .forEach(r -> rows.put(r.id, r));
        Map<Long, OnTrees> all = new HashMap<>();
        jdbc.sql("""
                        select tp.piece_id, count(*) as n, (array_agg(t.id order by t.updated_at desc)) as ids,
                               %s as worst
                          from tree_piece tp join tree t on t.id = tp.tree_id
                         where tp.piece_id in (:pieces) and t.studio_id = :studio and t.archived_at is null
                         group by tp.piece_id
                        """.formatted(WORST))
                .param("studio", studio)
                .param("pieces", pieces)
                .query((rs, n) -> {
                    Long[] ids = (Long[]) rs.getArray("ids").getArray();
                    Row furthest = Arrays.stream(ids)
                            .filter(rows::containsKey)
                            .map(rows::get)
                            .max(Comparator.comparingInt(r -> r.stand.station))
                            .orElseGet(() -> find(studio, ids[0]).orElseThrow());
                    return Map.entry(
                            rs.getLong("piece_id"), new OnTrees(furthest, rs.getInt("n"), worst(rs.getInt("worst"))));
                })
                .list()
                .forEach(e -> all.put(e.getKey(), e.getValue()));
        return all;
    }

    /** Writes down which of the studio's pieces hang on a tree now. */
    private void hangs(long id, List<Long> pieces) {
        jdbc.sql("delete from tree_piece where tree_id = :id").param("id", id).update();
        if (!pieces.isEmpty()) {
            jdbc.sql("""
                            insert into tree_piece (tree_id, piece_id)
                            select t.id, p.id from tree t join piece p on p.studio_id = t.studio_id
                             where t.id = :id and p.id in (:pieces)
                            """).param("id", id).param("pieces", pieces).update();
        }
    }

    public List<Row> list(long studio, boolean archived, String search, Sort sort, int most) {
        return list(new Wanted(studio, archived, search, List.of(), "", sort, new ListPage.Span(0, most)));
    }

    /** Those whose name holds the words, and those of them that are found otherwise, such as by their commission. */
    public List<Row> list(Wanted w) {
        String which = """
                select *, null::text as foreseen from tree
                 where studio_id = :studio and (archived_at is not null) = :archived
                   and (:search = '' or position(lower(:search) in lower(name)) > 0 or id in (:also))
                   and (:mark = '' or mark = :mark)
                 order by %s, id limit :most offset :from
                """.formatted(w.sort.sql);
        return jdbc.sql("select * from (" + STANDS.formatted(which) + ") s order by " + w.sort.sql + ", id")
                .param("studio", w.studio)
                .param("archived", w.archived)
                .param("search", w.search)
                .param("mark", w.mark)
                .param("also", w.also.isEmpty() ? List.of(-1L) : w.also)
                .param("most", w.span.most())
                .param("from", w.span.from())
                .query(TreeStore::row)
                .list();
    }

    /**
     * The trees that are worked on: in a load that is planned or runs, in shell, mixed or poured lately, or to be poured soon.
     *
     * @param from what ended or was to be poured before counts no more
     */
    public List<Row> inWork(long studio, Instant from, Instant until, int most) {
        String which = """
                select *, null::text as foreseen from tree
                 where studio_id = :studio and archived_at is null
                   and id not in (select b.tree_id from break_out b where b.studio_id = :studio and b.state = 'done')
                   and id in (
                   select m.tree_id from firing_mold m join firing f on f.id = m.firing_id
                    where f.studio_id = :studio and f.archived_at is null
                      and (f.state in ('planned', 'running') or f.ended_at > :from)
                   union select tree_id from shell_run where studio_id = :studio and (ended_at is null or ended_at > :from)
                   union select tree_id from mix_session
                          where studio_id = :studio and not given_up and started_at > :from and tree_id is not null
                   union select s.tree_id from mix_session_tree s join mix_session x on x.id = s.mix_session_id
                          where x.studio_id = :studio and not x.given_up and x.started_at > :from
                   union select m.tree_id from pour_mold m join pour p on p.id = m.pour_id
                          where p.studio_id = :studio and (p.state in ('planned', 'running') or p.ended_at > :from)
                   union (select id from tree where studio_id = :studio and archived_at is null
                          and pour_at between :from and :until order by pour_at, id limit :most))
                 order by pour_at nulls last, id limit :most
                """;
        return jdbc.sql("select * from (" + STANDS.formatted(which) + ") s order by pour_at nulls last, id")
                .param("studio", studio)
                .param("from", OffsetDateTime.ofInstant(from, ZoneOffset.UTC))
                .param("until", OffsetDateTime.ofInstant(until, ZoneOffset.UTC))
                .param("most", most)
                .query(TreeStore::row)
                .list();
    }

    /** The faces of trees with this piece are made anew: its mesh was measured, turned or taken off. */
    public void forgetFaces(long piece) {
        jdbc.sql("""
                        update tree set face = null
                         where studio_id = (select studio_id from piece where id = :piece)
                           and id in (select tree_id from tree_piece where piece_id = :piece)
                        """).param("piece", piece).update();
    }

    /** Keeps the face of a tree that was saved before faces were kept. */
    public void keepFace(long id, String face, String mark, String ahead) {
        jdbc.sql("update tree set face = :face, mark = :mark, ahead = :ahead::json where id = :id and face is null")
                .param("face", face)
                .param("ahead", ahead)
                .param("mark", mark)
                .param("id", id)
                .update();
    }

    /** Holds a tree until the transaction ends: what is summed up of it then is of its newest sheets. */
    public void hold(long studio, long id) {
        jdbc.sql("select id from tree where id = :id and studio_id = :studio for no key update")
                .param("id", id)
                .param("studio", studio)
                .query(Long.class)
                .optional();
    }

    /** Keeps how a tree stands, where its sheets are as they were. */
    public void keepMark(long id, String mark, String ahead) {
        jdbc.sql("update tree set mark = :mark, ahead = :ahead::json where id = :id")
                .param("ahead", ahead)
                .param("mark", mark)
                .param("id", id)
                .update();
    }

    public long count(long studio, boolean archived) {
        return jdbc.sql("select count(*) from tree where studio_id = :studio and (archived_at is not null) = :archived")
                .param("studio", studio)
                .param("archived", archived)
                .query(Long.class)
                .single();
    }

    public Optional<Row> find(long studio, long id) {
        return InRequest.once(
                "tree " + studio + " " + id,
                () -> jdbc.sql(STANDS.formatted(FORESEEN))
                        .param("id", id)
                        .param("studio", studio)
                        .query((rs, n) -> {
                            InRequest.know(CARRIED + id, carried(rs.getString("factors")));
                            InRequest.know(MADE + id, carriedOf(rs));
                            return row(rs, n);
                        })
                        .optional());
    }

    /** Those of some numbers that are there, in one question. */
    public Map<Long, Row> find(long studio, Collection<Long> ids) {
        Map<Long, Row> known = new HashMap<>();
        ids.forEach(id -> InRequest.<Optional<Row>>known("tree " + studio + " " + id)
                .flatMap(r -> r)
                .ifPresent(r -> known.put(id, r)));
        if (known.size() == Set.copyOf(ids).size()) {
            return known;
        }
        return jdbc
                .sql(STANDS.formatted(
                        "select *, null::text as foreseen from tree where id = any(:ids) and studio_id = :studio"))
                .param("ids", ids.toArray(Long[]::new))
                .param("studio", studio)
                .query((rs, n) -> {
                    InRequest.know(MADE + rs.getLong("id"), carriedOf(rs));
                    return row(rs, n);
                })
                .list()
                .stream()
                .collect(Collectors.toMap(Row::id, r -> r));
    }

    /** What came with a tree, and when it was made. */
    public record Carried(Map<String, Replacement> factors, Instant made) {}

    /** Of some trees in one question. */
    public Map<Long, Carried> carried(Collection<Long> ids) {
        Map<Long, Carried> all = new HashMap<>();
        Set<Long> asked = new HashSet<>();
        for (long id : ids) {
            InRequest.<Carried>known(MADE + id).ifPresentOrElse(c -> all.put(id, c), () -> asked.add(id));
        }
        if (!asked.isEmpty()) {
            jdbc.sql("select id, factors, created_at from tree where id = any(:ids)")
                    .param("ids", asked.toArray(Long[]::new))
                    .query(rs -> {
                        all.put(rs.getLong("id"), carriedOf(rs));
                    });
        }
        return all;
    }

    private Carried carriedOf(ResultSet rs) throws SQLException {
        return new Carried(
                carried(rs.getString("factors")), rs.getTimestamp("created_at").toInstant());
    }

    private Map<String, Replacement> carried(String text) {
        Map<String, Replacement> factors = new HashMap<>();
        json.readValue(text, NUMBERS)
                .forEach((key, value) -> factors.put(key, new Replacement(value, "from the imported plan")));
        return factors;
    }

    public long create(long studio, String name) {
        return jdbc.sql("""
                        insert into tree (studio_id, name, created_at, updated_at)
                        values (:studio, :name, :now, :now) returning id
                        """)
                .param("studio", studio)
                .param("name", name)
                .param("now", now())
                .query(Long.class)
                .single();
    }

    public void summarise(long id, Summary s) {
        jdbc.sql("""
                        update tree set name = :name, alloy = :alloy, cavity_g = :cavity, charge_g = :charge,
                               flask = :flask, pour_at = :pour, face = :face, mark = :mark,
                               ahead = :ahead::json, updated_at = :now
                         where id = :id
                        """)
                .param("name", s.name)
                .param("alloy", s.alloy)
                .param("cavity", s.cavityGrams)
                .param("charge", s.chargeGrams)
                .param("flask", s.flask)
                .param("face", s.face)
                .param("mark", s.mark)
                .param("ahead", s.ahead)
                .param("pour", s.pourAt == null ? null : OffsetDateTime.ofInstant(s.pourAt, ZoneOffset.UTC))
                .param("now", now())
                .param("id", id)
                .update();
        hangs(id, s.pieces);
    }

    /** Puts a tree away or brings it back; false when there is none of that number in the studio. */
    public boolean archive(long studio, long id, boolean away) {
        return jdbc.sql("update tree set archived_at = :at where id = :id and studio_id = :studio")
                        .param("at", away ? now() : null)
                        .param("id", id)
                        .param("studio", studio)
                        .update()
                == 1;
    }

    /** Constants that came with an imported plan and hold for this tree only. */
    public Map<String, Replacement> factors(long id) {
        return InRequest.once(
                CARRIED + id,
                () -> carried(jdbc.sql("select factors from tree where id = :id")
                        .param("id", id)
                        .query(String.class)
                        .single()));
    }

    public void keepFactors(long id, Map<String, Double> factors) {
        jdbc.sql("update tree set factors = :factors::jsonb where id = :id")
                .param("factors", json.writeValueAsString(factors))
                .param("id", id)
                .update();
    }

    private static Row row(ResultSet rs, int n) throws SQLException {
        return new Row(
                rs.getLong("id"),
                rs.getString("name"),
                rs.getString("alloy"),
                (Double) rs.getObject("cavity_g"),
                (Double) rs.getObject("charge_g"),
                rs.getString("flask"),
                instant(rs.getTimestamp("pour_at")),
                instant(rs.getTimestamp("updated_at")),
                rs.getTimestamp("archived_at") != null,
                rs.getString("face"),
                rs.getString("mark"),
                stand(rs),
                rs.getString("ahead"),
                rs.getString("foreseen"));
    }

    private static Stand stand(ResultSet rs) throws SQLException {
        long castings = rs.getLong("castings");
        if (castings > 0) {
            long unseen = rs.getLong("unseen");
            return new Stand(
                    5,
                    "opened, " + rs.getLong("good") + " of " + castings + " good"
                            + (unseen > 0 ? ", " + unseen + " not looked at" : ""),
                    "/breakout/" + rs.getLong("id"));
        }
        String came = rs.getString("came");
        if (came != null && POURED.contains(came)) {
            return new Stand(
                    5,
                    "poured, it came " + came + ", " + rs.getString("pour_name"),
                    "/pours/" + rs.getLong("pour_id") + "/day");
        }
        String load = rs.getString("load_state");
        String name = rs.getString("load_name");
        String at = "/firings/" + rs.getLong("load_id");
        if ("running".equals(load)) {
            return new Stand(4, "in the kiln, load " + name, at + "/run", rs.getString("load_pour"));
        }
        if ("done".equals(load)) {
            boolean poured = rs.getBoolean("poured");
            return new Stand(poured ? 5 : 4, (poured ? "poured" : "fired") + ", load " + name, at + "/log");
        }
        String waits = load == null ? "" : ", in load " + name;
        long run = rs.getLong("run_id");
        if (run > 0 && !rs.getBoolean("run_ended")) {
            long on = rs.getLong("coats_on");
            String coats = "shell, " + on + " of " + rs.getLong("coats") + " coats" + waits;
            return new Stand(3, coats, "/shells/" + run, rs.getString("load_pour"));
        }
        if (run > 0) {
            String words = "shell " + rs.getString("run_as") + waits;
            return new Stand(3, words, load == null ? "/shells/" + run : at, rs.getString("load_pour"));
        }
        long mix = rs.getLong("mix_id");
        if (mix > 0) {
            String bench = rs.getBoolean("mix_shared") ? "/mixing/" + mix : "/trees/" + rs.getLong("id") + "/bench";
            return rs.getBoolean("mix_ended")
                    ? new Stand(3, "mixed" + waits, load == null ? "" : at, rs.getString("load_pour"))
                    : new Stand(3, "being mixed", bench, rs.getString("load_pour"));
        }
        if (rs.getString("flask") != null) {
            boolean shell = rs.getString("flask").equals("shell");
            String words = (shell ? "shell not begun" : "to be mixed") + waits;
            return new Stand(2, words, load == null ? "" : at, rs.getString("load_pour"));
        }
        return new Stand(1, rs.getString("alloy") == null ? "begun" : "no mold yet", "");
    }

    private static Instant instant(Timestamp at) {
        return at == null ? null : at.toInstant();
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }

    /** Numbers of the trees whose mold is planned, changed last first. */
    /** Those whose mold is a shell, with their names. */
    public Map<Long, String> withShell(long studio, int most) {
        return names("flask = 'shell'", studio, most);
    }

    public Map<Long, String> withMold(long studio, int most) {
        return names("flask is not null", studio, most);
    }

    /** Trees whose mold is still to be filled with investment, changed last first: not mixed, fired, poured or opened. */
    public Map<Long, String> unmixed(long studio, int most) {
        return names("""
                        flask is not null and flask <> 'shell'
                        and id not in (select x.tree_id from mix_session x
                                        where x.studio_id = :studio and x.tree_id is not null
                                          and x.ended_at is not null and not x.given_up)
                        and id not in (select s.tree_id from mix_session_tree s join mix_session x on x.id = s.mix_session_id
                                        where x.studio_id = :studio and x.ended_at is not null and not x.given_up)
                        and id not in (select m.tree_id from firing_mold m join firing f on f.id = m.firing_id
                                        where f.studio_id = :studio and f.state in ('running', 'done')
                                          and f.archived_at is null)
                        and id not in (select b.tree_id from break_out b where b.studio_id = :studio)
                        """, studio, most);
    }

    private Map<Long, String> names(String which, long studio, int most) {
        Map<Long, String> names = new LinkedHashMap<>();
        jdbc.sql("select id, name from tree where studio_id = :studio and archived_at is null and " + which
                        + " order by updated_at desc, id limit :most")
                .param("studio", studio)
                .param("most", most)
                .query(row -> {
                    names.put(row.getLong("id"), row.getString("name"));
                });
        return names;
    }
}
