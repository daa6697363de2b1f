package kilnryu.app.device;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;

/** How the stand-in of a pot stands, so that every node shows the same. */
@Repository
class WaxPotStore {
    private static final double KEPT = 75;
    private static final double STOOD = 100;

    private static final String POT = "pot ";
    private static final State NEVER_SET = new State(KEPT, KEPT, STOOD, Instant.EPOCH);

    private final JdbcClient jdbc;

    WaxPotStore(JdbcClient jdbc) {
        this.jdbc = jdbc;
    }

    /** @param fromC what it showed when something was last changed */
    record State(double setC, double fromC, double levelMm, Instant since) {}

    State of(long pot) {
        return InRequest.once(POT + pot, () -> of(List.of(pot)).getOrDefault(pot, NEVER_SET));
    }

    /** Asks for some pots at once, where a page will ask for each of them. */
    void foresee(Collection<Long> pots) {
        InRequest.foresee(POT, pots, NEVER_SET, this::of);
    }

    private Map<Long, State> of(Collection<Long> pots) {
        Map<Long, State> all = new HashMap<>();
        jdbc.sql("select * from device_pot where pot_id = any(:pots)")
                .param("pots", pots.toArray(Long[]::new))
                .query(rs -> {
                    all.put(
                            rs.getLong("pot_id"),
                            new State(
                                    rs.getDouble("set_c"),
                                    rs.getDouble("from_c"),
                                    rs.getDouble("level_mm"),
                                    rs.getTimestamp("since").toInstant()));
                });
        return all;
    }

    void keep(long pot, State state) {
        jdbc.sql("""
                        insert into device_pot (pot_id, set_c, from_c, level_mm, since)
                        values (:pot, :set, :from, :level, :since)
                        on conflict (pot_id) do update set set_c = excluded.set_c, from_c = excluded.from_c,
                               level_mm = excluded.level_mm, since = excluded.since
                        """)
                .param("pot", pot)
                .param("set", state.setC())
                .param("from", state.fromC())
                .param("level", state.levelMm())
                .param("since", OffsetDateTime.ofInstant(state.since(), ZoneOffset.UTC))
                .update();
    }
}
