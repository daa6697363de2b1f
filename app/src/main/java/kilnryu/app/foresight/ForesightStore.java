package kilnryu.app.foresight;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import kilnryu.app.web.KeptJson;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.databind.json.JsonMapper;

/** Looks ahead that were taken of trees, each with the state of the sheets that it was reckoned from. */
@Repository
public class ForesightStore {
    private static final JsonMapper JSON = KeptJson.mapper();

    private final JdbcClient jdbc;
    private final Clock clock;

    ForesightStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /**
     * @param state of the sheets it was reckoned from
     * @param asked about how many cells
     */
    public record Row(long id, String state, int asked, Told told, Instant at) {}

    void keep(long studio, long tree, long account, String state, int asked, Outlook outlook) {
        jdbc.sql("""
                        insert into foresight (studio_id, tree_id, state, asked_cells, told, cells, made_by, made_at)
                        values (:studio, :tree, :state, :asked, :told::json, :cells, :account, :now)
                        on conflict (tree_id, state, asked_cells) do update
                           set told = excluded.told, cells = excluded.cells, made_by = excluded.made_by,
                               made_at = excluded.made_at
                        """)
                .param("studio", studio)
                .param("tree", tree)
                .param("state", state)
                .param("asked", asked)
                .param("told", JSON.writeValueAsString(outlook.told()))
                .param("cells", outlook.cells().packed())
                .param("account", account)
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }

    /** What a tree's row holds of it. */
    static Foretold.Held held(String foreseen) {
        return JSON.readValue(foreseen, Foretold.Held.class);
    }

    /** The newest of a tree. */
    public Optional<Row> newest(long studio, long tree) {
        return jdbc.sql("""
                        select id, state, asked_cells, told, made_at from foresight
                         where studio_id = :studio and tree_id = :tree order by made_at desc, id desc limit 1
                        """)
                .param("studio", studio)
                .param("tree", tree)
                .query((rs, n) -> new Row(
                        rs.getLong("id"),
                        rs.getString("state"),
                        rs.getInt("asked_cells"),
                        JSON.readValue(rs.getString("told"), Told.class),
                        rs.getObject("made_at", OffsetDateTime.class).toInstant()))
                .optional();
    }

    Optional<FrozenCells> cells(long studio, long id) {
        return jdbc.sql("select cells from foresight where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> rs.getBytes("cells"))
                .optional()
                .map(FrozenCells::unpacked);
    }

    /** The newest look ahead at each tree before its mold was opened, beside what was pinned on its castings; newest first. */
    public List<Foreseen.Opened> opened(long studio, int most) {
        return jdbc.sql("""
                        select t.id, t.name, f.told,
                               coalesce((select string_agg(distinct e.fields->>'defect', ' ') from break_out_event e
                                          where e.break_out_id = b.id and e.kind = 'pin'), '') as pinned,
                               not exists (select 1 from casting c where c.break_out_id = b.id and c.verdict = 'unseen')
                                 as seen
                          from break_out b join tree t on t.id = b.tree_id
                          join lateral (select told from foresight f
                                         where f.tree_id = t.id and f.made_at < b.begun_at
                                         order by f.made_at desc, f.id desc limit 1) f on true
                         where b.studio_id = :studio
                         order by b.begun_at desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query((rs, n) -> new Foreseen.Opened(
                        rs.getLong("id"),
                        rs.getString("name"),
                        JSON.readValue(rs.getString("told"), Told.class),
                        Set.of(rs.getString("pinned").split(" ")),
                        rs.getBoolean("seen")))
                .list();
    }
}
