package kilnryu.app.breakout;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.account.Account;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Which plan was copied from which casting, with the change that is tried. */
@Repository
class AgainStore {
    private final JdbcClient jdbc;
    private final Clock clock;

    AgainStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** @param from the tree it was copied from */
    record Row(long tree, long from, String cause, String change, String reason, String by, Instant at) {}

    void keep(Account account, long tree, long from, String cause, String change, String reason) {
        jdbc.sql("""
                        insert into cast_again (tree_id, from_tree_id, cause, change, reason, account_id, at)
                        values (:tree, :from, :cause, :change, :reason, :account, :now)
                        """)
                .param("tree", tree)
                .param("from", from)
                .param("cause", cause)
                .param("change", change)
                .param("reason", reason)
                .param("account", account.id())
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }

    Optional<Row> of(long tree) {
        return jdbc.sql("""
                        select g.*, a.shown_name from cast_again g join account a on a.id = g.account_id where g.tree_id = :tree
                        """).param("tree", tree).query((rs, n) -> row(rs)).optional();
    }

    /** All tries of a line, from its first tree on, in the order they were made; the first is not among them. */
    List<Row> line(long studio, long first) {
        return lines(studio, List.of(first)).getOrDefault(first, List.of());
    }

    /** Of some first trees in one question, by the first tree. */
    Map<Long, List<Row>> lines(long studio, Collection<Long> firsts) {
        Map<Long, List<Row>> all = new HashMap<>();
        jdbc.sql("""
                        with recursive line as (
                            select from_tree_id as first, tree_id from cast_again where from_tree_id = any(:firsts)
                            union select l.first, g.tree_id from cast_again g join line l on g.from_tree_id = l.tree_id),
                        numbered as (
                            select l.first, g.*, row_number() over (partition by l.first order by g.at, g.tree_id) as place
                              from cast_again g join line l on l.tree_id = g.tree_id join tree t on t.id = g.tree_id
                             where t.studio_id = :studio)
                        select n.*, a.shown_name from numbered n join account a on a.id = n.account_id
                         where n.place <= 60 order by n.at, n.tree_id
                        """)
                .param("firsts", firsts.toArray(Long[]::new))
                .param("studio", studio)
                .query(rs -> {
                    all.computeIfAbsent(rs.getLong("first"), f -> new ArrayList<>())
                            .add(row(rs));
                });
        return all;
    }

    /** Trees with which lines of tries began, the latest line first. */
    List<Long> firsts(long studio, int most) {
        return jdbc.sql("""
                        select g.from_tree_id from cast_again g join tree t on t.id = g.from_tree_id
                         where t.studio_id = :studio
                           and not exists (select 1 from cast_again b where b.tree_id = g.from_tree_id)
                         group by g.from_tree_id order by max(g.at) desc limit :most
                        """)
                .param("studio", studio)
                .param("most", most)
                .query(Long.class)
                .list();
    }

    private static Row row(ResultSet rs) throws SQLException {
        return new Row(
                rs.getLong("tree_id"),
                rs.getLong("from_tree_id"),
                rs.getString("cause"),
                rs.getString("change"),
                rs.getString("reason"),
                rs.getString("shown_name"),
                rs.getTimestamp("at").toInstant());
    }
}
