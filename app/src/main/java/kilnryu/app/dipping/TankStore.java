package kilnryu.app.dipping;

import static kilnryu.app.dipping.DipStore.boxed;
import static kilnryu.app.dipping.DipStore.number;
import static kilnryu.app.dipping.DipStore.utc;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.ThingStore;
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** The slurry tanks of a studio and their diary. */
@Repository
class TankStore extends ThingStore<TankStore.Row> {
    TankStore(JdbcClient jdbc, Clock clock) {
        super(jdbc, clock, "slurry_tank");
    }

    record Row(long id, Map<String, String> fields, Instant madeAt, int version) {}

    record Entry(
            Instant at, OptionalDouble flow, OptionalDouble density, OptionalDouble water, String note, String by) {}

    @Override
    protected Row of(Thing thing, ResultSet rs) throws SQLException {
        return new Row(thing.id(), thing.fields(), rs.getTimestamp("made_at").toInstant(), thing.version());
    }

    @Override
    public List<Row> list(long studio) {
        return list(studio, "and archived_at is null order by lower(name), id limit 40");
    }

    @Override
    public Optional<Row> find(long studio, long id) {
        return InRequest.once("tank " + studio + " " + id, () -> super.find(studio, id));
    }

    @Transactional
    public long create(long studio, Map<String, String> fields, Instant made) {
        long id = create(studio, fields);
        made(id, made);
        return id;
    }

    /** @return whether nobody saved in between */
    @Transactional
    public boolean save(long studio, Row row) {
        boolean saved = save(studio, row.id, row.version, row.fields);
        if (saved) {
            made(row.id, row.madeAt);
        }
        return saved;
    }

    private void made(long id, Instant made) {
        jdbc().sql("update slurry_tank set made_at = :made where id = :id")
                .param("made", utc(made))
                .param("id", id)
                .update();
    }

    void read(Account account, long tank, Entry entry) {
        jdbc().sql("""
                        insert into slurry_reading (tank_id, at, flow_s, density, water_g, note, account_id)
                        values (:tank, :at, :flow, :density, :water, :note, :account)
                        """)
                .param("tank", tank)
                .param("at", utc(entry.at))
                .param("flow", boxed(entry.flow))
                .param("density", boxed(entry.density))
                .param("water", boxed(entry.water))
                .param("note", entry.note)
                .param("account", account.id())
                .update();
    }

    List<Entry> entries(long tank) {
        return entries(List.of(tank)).getOrDefault(tank, List.of());
    }

    /** Of several tanks in one question, by the tank. */
    Map<Long, List<Entry>> entries(Collection<Long> tanks) {
        Map<Long, List<Entry>> all = new HashMap<>();
        jdbc().sql("""
                        select s.*, a.shown_name from slurry_reading s join account a on a.id = s.account_id
                         where s.tank_id = any(:tanks) order by s.at, s.id
                        """).param("tanks", tanks.toArray(Long[]::new)).query(rs -> {
            all.computeIfAbsent(rs.getLong("tank_id"), t -> new ArrayList<>())
                    .add(new Entry(
                            rs.getTimestamp("at").toInstant(),
                            number(rs, "flow_s"),
                            number(rs, "density"),
                            number(rs, "water_g"),
                            rs.getString("note"),
                            rs.getString("shown_name")));
        });
        return all;
    }
}
