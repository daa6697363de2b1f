package kilnryu.app.finishing;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.core.breakout.Mating;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** Parts that were tried together. */
@Repository
class MatingStore {
    private final JdbcClient jdbc;
    private final Clock clock;

    MatingStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    record Trial(String first, String second, Mating mating, String who, Instant at) {}

    void keep(Account account, long tree, Trial trial) {
        Mating m = trial.mating;
        jdbc.sql("""
                        insert into fit_trial (tree_id, joint, first_part, second_part, gap, step, pin, bore, rocks, hot, who,
                                               account_id, at)
                        values (:tree, :joint, :first, :second, :gap, :step, :pin, :bore, :rocks, :hot, :who, :account, :now)
                        """)
                .param("tree", tree)
                .param("joint", m.joint().key())
                .param("first", trial.first)
                .param("second", trial.second)
                .param("gap", orNull(m.gap()), Types.DOUBLE)
                .param("step", orNull(m.step()), Types.DOUBLE)
                .param("pin", orNull(m.inner()), Types.DOUBLE)
                .param("bore", orNull(m.outer()), Types.DOUBLE)
                .param("rocks", m.rocks().orElse(null), Types.BOOLEAN)
                .param("hot", m.hot())
                .param("who", trial.who)
                .param("account", account.id())
                .param("now", OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                .update();
    }

    /** The last one first. */
    List<Trial> of(long tree) {
        return jdbc.sql("select * from fit_trial where tree_id = :tree order by at desc, id desc limit 100")
                .param("tree", tree)
                .query((rs, n) -> new Trial(
                        rs.getString("first_part"),
                        rs.getString("second_part"),
                        new Mating(
                                Mating.Joint.named(rs.getString("joint")).orElseThrow(),
                                number(rs, "gap"),
                                number(rs, "step"),
                                number(rs, "pin"),
                                number(rs, "bore"),
                                Optional.ofNullable(rs.getObject("rocks", Boolean.class)),
                                rs.getBoolean("hot")),
                        rs.getString("who"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    private static Double orNull(OptionalDouble value) {
        return value.isPresent() ? value.getAsDouble() : null;
    }

    private static OptionalDouble number(ResultSet rs, String column) throws SQLException {
        Double value = rs.getObject(column, Double.class);
        return value == null ? OptionalDouble.empty() : OptionalDouble.of(value);
    }
}
