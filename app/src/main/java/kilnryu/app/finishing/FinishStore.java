package kilnryu.app.finishing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.sql.Types;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Work on castings, patina recipes, sign-offs. */
@Repository
class FinishStore {
    private static final int MOST_SECTIONS = 12;
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    FinishStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param casting null where it is of the whole tree; @param hours null while its clock runs */
    record Work(
            long id,
            long tree,
            Integer casting,
            String section,
            String stage,
            String who,
            Double grams,
            Instant startedAt,
            Instant endedAt,
            Double hours,
            Map<String, String> fields,
            int version,
            String by) {
        boolean running() {
            return startedAt != null && endedAt == null;
        }
    }

    List<Work> of(long tree) {
        return done(tree).work;
    }

    /** What was done at a tree after its break-out, and the castings it was done at. */
    private record Done(List<Work> work, List<Sign> signs, List<Casting> castings) {}

    private Done done(long tree) {
        return InRequest.once("done at " + tree, () -> {
            Done done = new Done(new ArrayList<>(), new ArrayList<>(), new ArrayList<>());
            jdbc.sql("""
                        select w.id, w.tree_id, w.casting, w.section, w.stage, w.who, w.grams, w.started_at, w.ended_at, w.hours,
                               w.fields::text as fields, w.version, a.shown_name, null as name, null as note,
                               null::bigint as photo_id, w.at, 'work' as kind
                          from finish_work w join account a on a.id = w.account_id where w.tree_id = :tree and not w.removed
                        union all
                        select s.id, s.tree_id, null, null, s.stage, null, null, null, null, null, null, null, null, s.name, s.note,
                               s.photo_id, s.at, 'sign'
                          from sign_off s where s.tree_id = :tree
                        union all
                        select c.number, b.tree_id, c.number, null, c.verdict, null, c.grams, null, null, null, null, null, null, c.name,
                               null, null, null, 'casting'
                          from casting c join break_out b on b.id = c.break_out_id where b.tree_id = :tree
                         order by at, id
                        """).param("tree", tree).query(rs -> {
                switch (rs.getString("kind")) {
                    case "sign" -> done.signs.add(sign(rs));
                    case "casting" ->
                        done.castings.add(new Casting(
                                rs.getInt("casting"),
                                rs.getString("name"),
                                rs.getString("stage"),
                                rs.getObject("grams", Double.class)));
                    default -> done.work.add(work(rs));
                }
            });
            return new Done(List.copyOf(done.work), List.copyOf(done.signs), List.copyOf(done.castings));
        });
    }

    private static Sign sign(ResultSet rs) throws SQLException {
        return new Sign(
                rs.getLong("id"),
                rs.getString("stage"),
                rs.getString("name"),
                rs.getString("note"),
                rs.getObject("photo_id", Long.class),
                rs.getTimestamp("at").toInstant());
    }

    /** @param hours null to let a clock run from now */
    void begin(
            Account account,
            long tree,
            Integer casting,
            String section,
            FinishStage stage,
            String who,
            Double grams,
            Double hours,
            Map<String, String> fields) {
        jdbc.sql("""
                        insert into finish_work (studio_id, tree_id, casting, section, stage, who, grams, started_at, hours, fields,
                               account_id, at)
                        values (:studio, :tree, :casting, :section, :stage, :who, :grams, :started, :hours, :fields::json,
                                :account, :now)
                        """)
                .param("studio", account.studioId())
                .param("tree", tree)
                .param("casting", casting, Types.INTEGER)
                .param("section", section)
                .param("stage", stage.key())
                .param("who", who)
                .param("grams", grams, Types.DOUBLE)
                .param("started", hours == null ? now() : null, Types.TIMESTAMP_WITH_TIMEZONE)
                .param("hours", hours, Types.DOUBLE)
                .param("fields", json.writeValueAsString(fields))
                .param("account", account.id())
                .param("now", now())
                .update();
    }

    /** Stops its clock. @return false when it stands already, or is not the studio's */
    boolean stop(long studio, long id) {
        return jdbc.sql("""
                        update finish_work set ended_at = :now, version = version + 1,
                               hours = extract(epoch from :now - started_at) / 3600
                         where id = :id and studio_id = :studio and started_at is not null and ended_at is null and not removed
                        """)
                        .param("now", now(), Types.TIMESTAMP_WITH_TIMEZONE)
                        .param("id", id)
                        .param("studio", studio)
                        .update()
                == 1;
    }

    boolean remove(long studio, long id, boolean away) {
        return jdbc.sql("""
                        update finish_work set removed = :away, version = version + 1 where id = :id and studio_id = :studio
                        """)
                        .param("away", away)
                        .param("id", id)
                        .param("studio", studio)
                        .update()
                == 1;
    }

    /** Mass and hours of a stage as the studio worked them. */
    record Hours(String stage, double grams, double hours, long tree, String of) {}

    List<Hours> log(long studio, int most) {
        return jdbc.sql("""
                        select w.stage, w.grams, w.hours, w.tree_id, t.name from finish_work w join tree t on t.id = w.tree_id
                         where w.studio_id = :studio and not w.removed and w.hours > 0 and w.grams > 0
                         order by w.at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Hours(
                        rs.getString("stage"),
                        rs.getDouble("grams"),
                        rs.getDouble("hours"),
                        rs.getLong("tree_id"),
                        rs.getString("name")))
                .list();
    }

    /** How often mending spoiled a casting: those that were to mend at first and ended as scrap, of all to mend. */
    record Spoiled(int spoiled, int mended) {}

    /** What a studio's castings came to: what mending spoiled, how many were good at first, of all that were looked at. */
    record Came(Spoiled spoiled, int good, int made) {}

    Came came(long studio) {
        return jdbc.sql("""
                        select count(*) filter (where c.first_verdict = 'mend' and c.verdict = 'scrap') as spoiled,
                               count(*) filter (where c.first_verdict = 'mend') as mended,
                               count(*) filter (where c.first_verdict = 'good') as good,
                               count(*) filter (where c.first_verdict <> 'unseen') as made
                          from casting c join break_out b on b.id = c.break_out_id where b.studio_id = :studio
                        """)
                .param("studio", studio)
                .query((rs, n) -> new Came(
                        new Spoiled(rs.getInt("spoiled"), rs.getInt("mended")), rs.getInt("good"), rs.getInt("made")))
                .single();
    }

    /** Castings of a tree: number, name, verdict, g. */
    record Casting(int number, String name, String verdict, Double grams) {}

    List<Casting> castings(long tree) {
        return done(tree).castings;
    }

    record Sheet(Map<String, String> fields, int version) {
        static final Sheet EMPTY = new Sheet(Map.of(), 0);
    }

    Sheet sheet(long tree) {
        return InRequest.once(
                "finishing " + tree,
                () -> jdbc.sql("select fields, version from finishing where tree_id = :tree")
                        .param("tree", tree)
                        .query((rs, n) ->
                                new Sheet(json.readValue(rs.getString("fields"), TEXTS), rs.getInt("version")))
                        .optional()
                        .orElse(Sheet.EMPTY));
    }

    /** @return false when someone else saved in between */
    boolean save(Account account, long tree, Map<String, String> fields, int version) {
        return jdbc.sql("""
                        insert into finishing (tree_id, fields, account_id, at) values (:tree, :fields::json, :account, :now)
                        on conflict (tree_id) do update
                        set fields = excluded.fields, version = finishing.version + 1, account_id = excluded.account_id,
                            at = excluded.at
                        where finishing.version = :version
                        """)
                        .param("tree", tree)
                        .param("fields", json.writeValueAsString(fields))
                        .param("account", account.id())
                        .param("version", version)
                        .param("now", now())
                        .update()
                == 1;
    }

    /** @param photo null where none was taken */
    record Sign(long id, String stage, String name, String note, Long photo, Instant at) {}

    List<Sign> signs(long tree) {
        return done(tree).signs;
    }

    void sign(Account account, long tree, String stage, String name, String note, Long photo) {
        jdbc.sql("""
                        insert into sign_off (tree_id, stage, name, note, photo_id, account_id, at)
                        values (:tree, :stage, :name, :note, :photo, :account, :now)
                        """)
                .param("tree", tree)
                .param("stage", stage)
                .param("name", name)
                .param("note", note)
                .param("photo", photo, Types.BIGINT)
                .param("account", account.id())
                .param("now", now())
                .update();
    }

    record Patina(long id, Map<String, String> fields, int version, boolean archived, List<Long> photos) {}

    List<Patina> patinas(long studio, boolean archived) {
        return jdbc.sql("""
                        select p.*, array(select f.id from photo f where f.patina_id = p.id and not f.removed order by f.id) as shots
                          from patina p where p.studio_id = :studio and p.archived = :archived order by p.id
                        """)
                .param("studio", studio)
                .param("archived", archived)
                .query((rs, n) -> new Patina(
                        rs.getLong("id"),
                        json.readValue(rs.getString("fields"), TEXTS),
                        rs.getInt("version"),
                        rs.getBoolean("archived"),
                        List.of((Long[]) rs.getArray("shots").getArray())))
                .list();
    }

    Optional<Patina> patina(long studio, long id) {
        return java.util.stream.Stream.concat(patinas(studio, false).stream(), patinas(studio, true).stream())
                .filter(p -> p.id == id)
                .findFirst();
    }

    /** @param id 0 for a new one. @return false when someone else saved in between */
    boolean keepPatina(Account account, long id, int version, Map<String, String> fields) {
        String text = json.writeValueAsString(fields);
        return id == 0
                ? jdbc.sql("""
                                insert into patina (studio_id, fields, account_id, at)
                                values (:studio, :fields::json, :account, :now)
                                """)
                                .param("studio", account.studioId())
                                .param("fields", text)
                                .param("account", account.id())
                                .param("now", now())
                                .update()
                        == 1
                : jdbc.sql("""
                                update patina set fields = :fields::json, version = version + 1
                                 where id = :id and studio_id = :studio and version = :version
                                """)
                                .param("fields", text)
                                .param("id", id)
                                .param("studio", account.studioId())
                                .param("version", version)
                                .update()
                        == 1;
    }

    boolean archivePatina(long studio, long id, boolean away) {
        return jdbc.sql("""
                        update patina set archived = :away, version = version + 1 where id = :id and studio_id = :studio
                        """)
                        .param("away", away)
                        .param("id", id)
                        .param("studio", studio)
                        .update()
                == 1;
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }

    private static Instant instant(Timestamp at) {
        return at == null ? null : at.toInstant();
    }

    private Work work(ResultSet rs) throws SQLException {
        return new Work(
                rs.getLong("id"),
                rs.getLong("tree_id"),
                rs.getObject("casting", Integer.class),
                rs.getString("section"),
                rs.getString("stage"),
                rs.getString("who"),
                rs.getObject("grams", Double.class),
                instant(rs.getTimestamp("started_at")),
                instant(rs.getTimestamp("ended_at")),
                rs.getObject("hours", Double.class),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getInt("version"),
                rs.getString("shown_name"));
    }

    /** A tree with a section of a piece. */
    record Section(long tree, String name, String alloy) {}

    /** A tree first, then those in use that carry the same piece, the newest first. */
    List<Section> sections(long studio, long tree) {
        return jdbc.sql("""
                        select t.id, t.name, t.alloy from tree t
                         where t.studio_id = :studio
                           and (t.id = :tree or t.archived_at is null and t.id in (
                                select o.tree_id from tree_piece o join tree_piece p on p.piece_id = o.piece_id
                                 where p.tree_id = :tree))
                         order by t.id = :tree desc, t.id desc limit :most
                        """)
                .param("studio", studio)
                .param("tree", tree)
                .param("most", MOST_SECTIONS)
                .query((rs, n) -> new Section(rs.getLong("id"), rs.getString("name"), rs.getString("alloy")))
                .list();
    }
}
