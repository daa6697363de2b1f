package kilnryu.app.melt;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import kilnryu.app.account.Account;
import kilnryu.app.sheet.Declared;
import kilnryu.app.sheet.Fields;
import kilnryu.app.web.Units;
import kilnryu.core.melt.MakeUp;
import kilnryu.core.melt.Stock;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Lots of metal. What is there changes only by lines that say who, when and why, and is never negative. */
@Repository
public class MetalStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};
    private static final TypeReference<LinkedHashMap<String, Double>> SHARES = new TypeReference<>() {};

    /** Note of the weighing with which a lot is complete. */
    public static final String ALL = "all of it";

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    MetalStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A lot as saved. */
    public record Lot(
            long id,
            String name,
            Stock.Type type,
            Optional<MakeUp> makeUp,
            double remaining,
            Map<String, String> fields,
            int version,
            boolean archived) {
        public OptionalDouble price() {
            return number(MeltFields.COSTS);
        }

        public OptionalDouble piece() {
            return number(MeltFields.PIECE);
        }

        private OptionalDouble number(Declared.Quantity field) {
            return Fields.typed(fields, Units.METRIC).quantity(field);
        }

        /** As the charge's program sees it. */
        public Stock stock(OptionalDouble fixed) {
            return new Stock(name, remaining, price(), makeUp, type, piece(), fixed);
        }
    }

    /** A use or a return. */
    public record Move(double grams, String why, String note, long pour, String by, Instant at) {}

    public List<Lot> list(long studio, boolean archived) {
        return jdbc.sql("""
                        select * from metal_lot where studio_id = :studio and archived = :archived
                         order by remaining_g = 0, name, id limit 500
                        """)
                .param("studio", studio)
                .param("archived", archived)
                .query((rs, n) -> lot(rs))
                .list();
    }

    public Optional<Lot> find(long studio, long id) {
        return jdbc.sql("select * from metal_lot where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> lot(rs))
                .optional();
    }

    /** A new lot, with its first line. */
    @Transactional
    public long create(Account account, MetalLotDraft draft) {
        long id = jdbc.sql("""
                        insert into metal_lot (studio_id, name, kind, fields, make_up, remaining_g, updated_at)
                        values (:studio, :name, :kind, :fields::json, :makeUp::json, :grams, :now) returning id
                        """)
                .param("studio", account.studioId())
                .param("name", draft.name())
                .param("kind", draft.type().key())
                .param("fields", json.writeValueAsString(draft.fields()))
                .param("makeUp", written(draft.makeUp()))
                .param("grams", draft.grams())
                .param("now", now())
                .query(Long.class)
                .single();
        line(account, id, OptionalLong.empty(), draft.grams(), "came in", draft.note());
        return id;
    }

    /** What a new lot is. */
    public record MetalLotDraft(
            String name,
            Stock.Type type,
            Optional<MakeUp> makeUp,
            double grams,
            Map<String, String> fields,
            String note) {}

    /** @return false when someone else saved in between */
    boolean save(long studio, Lot lot) {
        return jdbc.sql("""
                        update metal_lot
                           set name = :name, kind = :kind, fields = :fields::json, make_up = :makeUp::json,
                               version = version + 1, updated_at = :now
                         where studio_id = :studio and id = :id and version = :version
                        """)
                        .param("studio", studio)
                        .param("id", lot.id)
                        .param("version", lot.version)
                        .param("name", lot.name)
                        .param("kind", lot.type.key())
                        .param("fields", json.writeValueAsString(lot.fields))
                        .param("makeUp", written(lot.makeUp))
                        .param("now", now())
                        .update()
                == 1;
    }

    void archive(long studio, long id, boolean archived) {
        jdbc.sql(
                        "update metal_lot set archived = :archived, version = version + 1 where studio_id = :studio and id = :id")
                .param("archived", archived)
                .param("studio", studio)
                .param("id", id)
                .update();
    }

    /**
     * Takes from a lot or puts back, by what there is when the row is locked.
     *
     * @param change of what there is, given how much it is
     * @return what there is now; empty, with nothing written, where it would be negative
     */
    @Transactional
    public OptionalDouble move(
            Account account, long lot, OptionalLong pour, java.util.function.DoubleUnaryOperator change, Why why) {
        double had = jdbc.sql("select remaining_g from metal_lot where studio_id = :studio and id = :id for update")
                .param("studio", account.studioId())
                .param("id", lot)
                .query(Double.class)
                .single();
        double by = change.applyAsDouble(had);
        double left = had + by;
        if (left < -1e-6) {
            return OptionalDouble.empty();
        }
        jdbc.sql("update metal_lot set remaining_g = :left, updated_at = :now where id = :id")
                .param("left", Math.max(0, left))
                .param("now", now())
                .param("id", lot)
                .update();
        line(account, lot, pour, by, why.words, why.note);
        return OptionalDouble.of(Math.max(0, left));
    }

    /** Why it changed. */
    public record Why(String words, String note) {}

    private void line(Account account, long lot, OptionalLong pour, double grams, String why, String note) {
        jdbc.sql("""
                        insert into metal_move (metal_lot_id, pour_id, grams, why, note, account_id, at)
                        values (:lot, :pour, :grams, :why, :note, :account, :now)
                        """)
                .param("lot", lot)
                .param("pour", pour.isPresent() ? pour.getAsLong() : null)
                .param("grams", grams)
                .param("why", why)
                .param("note", note)
                .param("account", account.id())
                .param("now", now())
                .update();
    }

    List<Move> moves(long lot) {
        return jdbc.sql("""
                        select m.*, a.shown_name from metal_move m join account a on a.id = m.account_id
                         where m.metal_lot_id = :lot order by m.at desc, m.id desc limit 200
                        """)
                .param("lot", lot)
                .query((rs, n) -> new Move(
                        rs.getDouble("grams"),
                        rs.getString("why"),
                        rs.getString("note"),
                        rs.getLong("pour_id"),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /**
     * What a pour took of a lot.
     *
     * @param grams over 0
     * @param weighings how often it was on the scale
     * @param all whether nothing more of it is to be weighed
     */
    public record Taken(double grams, int weighings, boolean all) {}

    /** What a pour took, by lot. */
    public Map<Long, Taken> taken(long pour) {
        return taken(List.of(pour)).getOrDefault(pour, Map.of());
    }

    /** What some pours took, in one question, by the pour and by lot. */
    public Map<Long, Map<Long, Taken>> taken(Collection<Long> pours) {
        Map<Long, Map<Long, Taken>> all = new LinkedHashMap<>();
        jdbc.sql("""
                        select pour_id, metal_lot_id, -sum(grams) as taken, count(*) filter (where grams < 0) as times,
                               bool_or(note = :all) as complete
                          from metal_move
                         where pour_id = any(:pours) and why = 'charged'
                           and id > coalesce((select max(b.id) from metal_move b
                                               where b.metal_lot_id = metal_move.metal_lot_id
                                                 and b.pour_id = metal_move.pour_id and b.why = 'charged' and b.grams > 0), 0)
                         group by pour_id, metal_lot_id order by min(id)
                        """)
                .param("pours", pours.toArray(Long[]::new))
                .param("all", ALL)
                .query(rs -> {
                    all.computeIfAbsent(rs.getLong("pour_id"), p -> new LinkedHashMap<>())
                            .put(
                                    rs.getLong("metal_lot_id"),
                                    new Taken(rs.getDouble("taken"), rs.getInt("times"), rs.getBoolean("complete")));
                });
        return all;
    }

    private String written(Optional<MakeUp> makeUp) {
        return makeUp.map(m -> json.writeValueAsString(MakeUps.kept(m))).orElse(null);
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }

    private Lot lot(ResultSet rs) throws SQLException {
        String makeUp = rs.getString("make_up");
        return new Lot(
                rs.getLong("id"),
                rs.getString("name"),
                Stock.Type.named(rs.getString("kind")).orElse(Stock.Type.UNKNOWN),
                makeUp == null ? Optional.empty() : Optional.of(MakeUps.of(json.readValue(makeUp, SHARES))),
                rs.getDouble("remaining_g"),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getInt("version"),
                rs.getBoolean("archived"));
    }
}
