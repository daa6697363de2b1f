package kilnryu.app.tree;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.core.sum.Replacement;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The studio's trees as its list shows them; what was typed of them is in the sheets. */
@Repository
public class TreeStore {
    private static final TypeReference<Map<String, Double>> NUMBERS = new TypeReference<>() {};

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
            boolean archived) {}

    /** What the list shows, kept with each save. */
    public record Summary(
            String name, String alloy, Double cavityGrams, Double chargeGrams, String flask, Instant pourAt) {}

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

    public List<Row> list(long studio, boolean archived, String search, Sort sort, int most) {
        String order = sort.sql;
        return jdbc.sql("""
                        select * from tree
                         where studio_id = :studio and (archived_at is not null) = :archived
                           and (:search = '' or position(lower(:search) in lower(name)) > 0)
                         order by %s, id limit :most
                        """.formatted(order))
                .param("studio", studio)
                .param("archived", archived)
                .param("search", search)
                .param("most", most)
                .query(TreeStore::row)
                .list();
    }

    public long count(long studio, boolean archived) {
        return jdbc.sql("select count(*) from tree where studio_id = :studio and (archived_at is not null) = :archived")
                .param("studio", studio)
                .param("archived", archived)
                .query(Long.class)
                .single();
    }

    public Optional<Row> find(long studio, long id) {
        return jdbc.sql("select * from tree where id = :id and studio_id = :studio")
                .param("id", id)
                .param("studio", studio)
                .query(TreeStore::row)
                .optional();
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
                               flask = :flask, pour_at = :pour, updated_at = :now
                         where id = :id
                        """)
                .param("name", s.name)
                .param("alloy", s.alloy)
                .param("cavity", s.cavityGrams)
                .param("charge", s.chargeGrams)
                .param("flask", s.flask)
                .param("pour", s.pourAt == null ? null : OffsetDateTime.ofInstant(s.pourAt, ZoneOffset.UTC))
                .param("now", now())
                .param("id", id)
                .update();
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
        String text = jdbc.sql("select factors from tree where id = :id")
                .param("id", id)
                .query(String.class)
                .single();
        Map<String, Replacement> factors = new HashMap<>();
        json.readValue(text, NUMBERS)
                .forEach((key, value) -> factors.put(key, new Replacement(value, "from the imported plan")));
        return factors;
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
                rs.getTimestamp("archived_at") != null);
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
