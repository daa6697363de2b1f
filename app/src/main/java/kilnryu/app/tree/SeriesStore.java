package kilnryu.app.tree;

import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which trees are of one design. */
@Repository
public class SeriesStore {
    /** What freezes a tree's design: it was mixed or is being mixed, its shell was begun, or it went into the kiln. */
    private static final String BEGUN = """
            exists (select 1 from mix_session s where s.tree_id = t.id and not s.given_up)
            or exists (select 1 from mix_session_tree st join mix_session s on s.id = st.mix_session_id
                        where st.tree_id = t.id and not s.given_up)
            or exists (select 1 from shell_run r where r.tree_id = t.id and r.ended_as is distinct from 'given up')
            or exists (select 1 from firing_mold m join firing f on f.id = m.firing_id
                        where m.tree_id = t.id and f.state <> 'planned')
            """;

    private final JdbcClient jdbc;

    SeriesStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /**
     * A tree of a series.
     *
     * @param no from 1
     * @param begun whether it is mixed, dipped or fired already, so that its design is fixed
     */
    public record Member(long id, int no, String name, boolean begun) {}

    /** The tree the series began with; locks it against another change of the series. */
    public long lockRoot(long studio, long tree) {
        long root = root(studio, tree).orElse(tree);
        jdbc.sql("select id from tree where id = :id for update")
                .param("id", root)
                .query(Long.class)
                .single();
        return root;
    }

    private Optional<Long> root(long studio, long tree) {
        return jdbc.sql("select series_of from tree where id = :id and studio_id = :studio and series_of is not null")
                .param("id", tree)
                .param("studio", studio)
                .query(Long.class)
                .optional();
    }

    /** All trees of the series that this one is of, by number; empty where it is made once. */
    public List<Member> of(long studio, long tree) {
        return root(studio, tree).map(r -> members(studio, r)).orElse(List.of());
    }

    private List<Member> members(long studio, long root) {
        return jdbc.sql("""
                        select t.id, t.series_no, t.name, (%s) begun from tree t
                         where t.series_of = :root and t.studio_id = :studio and t.archived_at is null
                         order by t.series_no
                        """.formatted(BEGUN))
                .param("root", root)
                .param("studio", studio)
                .query((rs, n) -> new Member(
                        rs.getLong("id"), rs.getInt("series_no"), rs.getString("name"), rs.getBoolean("begun")))
                .list();
    }

    /** The highest number of the series, 0 where there is none yet. */
    public int last(long root) {
        return jdbc.sql("select coalesce(max(series_no), 0) from tree where series_of = :root")
                .param("root", root)
                .query(Integer.class)
                .single();
    }

    /** Makes a tree one of a series. */
    public void put(long tree, long root, int no) {
        jdbc.sql("update tree set series_of = :root, series_no = :no where id = :id")
                .param("root", root)
                .param("no", no)
                .param("id", tree)
                .update();
    }
}
