package kilnryu.app.rubber;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Types;
import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.UUID;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import kilnryu.app.account.Account;
import kilnryu.app.web.InRequest;
import kilnryu.app.web.OneLine;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Sheets with a version, and what is tapped of each, every tap once: molds of rubber, waxes. */
public class TappedStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();
    private final String table;
    private final String events;
    private final String key;
    private final Map<String, String> refers;

    /**
     * @param key column of an event that names its sheet
     * @param refers columns that repeat a field, so that sheets are found by it
     */
    protected TappedStore(
            JdbcClient jdbc, Clock clock, String table, String events, String key, Map<String, String> refers) {
        this.jdbc = jdbc;
        this.clock = clock;
        this.table = table;
        this.events = events;
        this.key = key;
        this.refers = Map.copyOf(refers);
    }

    /** As saved. @param version 0 for one that is not saved yet */
    public record Row(
            long id,
            long studio,
            String name,
            Map<String, String> fields,
            int version,
            boolean archived,
            Instant createdAt) {
        public Optional<Long> number(String field) {
            String text = fields.getOrDefault(field, "");
            return text.matches("\\d{1,18}") ? Optional.of(Long.parseLong(text)) : Optional.empty();
        }

        public String text(String field) {
            return fields.getOrDefault(field, "");
        }
    }

    /** Something that was tapped. @param at when, by the clock of whoever tapped */
    public record Event(long id, String kind, Map<String, String> fields, Instant at, String by) {
        /** A number that was tapped; 0 where none was. */
        public double number(String field) {
            String text = fields.getOrDefault(field, "");
            return text.matches("\\d+(\\.\\d+)?") ? Double.parseDouble(text) : 0;
        }
    }

    public List<Row> list(long studio, boolean archived, int most) {
        return jdbc.sql("select * from " + table
                        + " where studio_id = :studio and archived = :archived order by lower(name), id limit :most")
                .param("studio", studio)
                .param("archived", archived)
                .param("most", most)
                .query((rs, n) -> row(rs))
                .list();
    }

    public Optional<Row> find(long studio, long id) {
        return jdbc.sql("select * from " + table + " where studio_id = :studio and id = :id")
                .param("studio", studio)
                .param("id", id)
                .query((rs, n) -> row(rs))
                .optional();
    }

    /** Those whose sheet names another in one of its columns, such as all molds of a piece. */
    public List<Row> by(long studio, String column, long other) {
        return by("studio_id = :of", studio, column, other);
    }

    /** The same in the studio of a tree. */
    public List<Row> inStudioOf(long tree, String column, long other) {
        return InRequest.once(
                table + " " + column + " " + other + " beside tree " + tree,
                () -> by("studio_id = (select studio_id from tree where id = :of)", tree, column, other));
    }

    private List<Row> by(String where, long of, String column, long other) {
        if (!refers.containsKey(column)) {
            throw new IllegalArgumentException(column);
        }
        return jdbc.sql("select * from " + table + " where " + where + " and not archived and " + column
                        + " = :other order by id limit 200")
                .param("of", of)
                .param("other", other)
                .query((rs, n) -> row(rs))
                .list();
    }

    /** @return its number; empty when someone else saved in between */
    public OptionalLong save(long studio, long id, int version, String name, Map<String, String> fields) {
        String columns = each(c -> ", " + c);
        String values = each(c -> ", :" + c);
        String sets = each(c -> ", " + c + " = :" + c);
        JdbcClient.StatementSpec sql = id == 0
                ? jdbc.sql("insert into " + table + " (studio_id, name, fields, created_at, updated_at" + columns
                        + ") values (:studio, :name, :fields::json, :now, :now" + values + ") returning id")
                : jdbc.sql("update " + table + " set name = :name, fields = :fields::json, updated_at = :now" + sets
                                + ", version = version + 1 where studio_id = :studio and id = :id and version = :version"
                                + " returning id")
                        .param("id", id)
                        .param("version", version);
        sql = sql.param("studio", studio)
                .param("name", name)
                .param("fields", json.writeValueAsString(fields))
                .param("now", now());
        for (Map.Entry<String, String> r : refers.entrySet()) {
            String text = fields.getOrDefault(r.getValue(), "");
            sql = sql.param(r.getKey(), text.matches("\\d{1,18}") ? Long.valueOf(text) : null, Types.BIGINT);
        }
        return sql.query(Long.class).optional().map(OptionalLong::of).orElse(OptionalLong.empty());
    }

    private String each(UnaryOperator<String> column) {
        return refers.keySet().stream().map(column).collect(Collectors.joining());
    }

    public boolean archive(long studio, long id, boolean on) {
        return jdbc.sql("update " + table
                                + " set archived = :on, version = version + 1 where studio_id = :studio and id = :id")
                        .param("on", on)
                        .param("studio", studio)
                        .param("id", id)
                        .update()
                == 1;
    }

    public List<Event> events(long id) {
        return jdbc.sql("select e.*, a.shown_name from " + events + " e join account a on a.id = e.account_id where e."
                        + key + " = :id order by e.tapped_at, e.id")
                .param("id", id)
                .query((rs, n) -> event(rs))
                .list();
    }

    /** Of all sheets of a studio that are in use, or archived, in one question: by the number of the sheet. */
    public Map<Long, List<Event>> allEvents(long studio, boolean archived) {
        Map<Long, List<Event>> all = new HashMap<>();
        jdbc.sql("select e.*, a.shown_name from " + events + " e join account a on a.id = e.account_id join " + table
                        + " s on s.id = e." + key
                        + " where s.studio_id = :studio and s.archived = :archived order by e.tapped_at, e.id")
                .param("studio", studio)
                .param("archived", archived)
                .query(rs -> {
                    all.computeIfAbsent(rs.getLong(key), k -> new ArrayList<>()).add(event(rs));
                });
        return all;
    }

    private Event event(ResultSet rs) throws SQLException {
        return new Event(
                rs.getLong("id"),
                rs.getString("kind"),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getTimestamp("tapped_at").toInstant(),
                rs.getString("shown_name"));
    }

    /**
     * Keeps a tap while its sheet is locked.
     *
     * @param count how many taps the one who tapped had seen; below 0 where it does not matter
     * @param at when it was tapped
     * @return false where others tapped in between; a tap that is repeated is true and counts once
     */
    @Transactional
    public boolean tap(
            Account account, long id, String tap, String kind, Map<String, String> fields, int count, Instant at) {
        jdbc.sql("select id from " + table + " where id = :id for update")
                .param("id", id)
                .query(Long.class)
                .single();
        boolean known = jdbc.sql("select count(*) from " + events + " where " + key + " = :id and tap = :tap")
                        .param("id", id)
                        .param("tap", tap)
                        .query(Integer.class)
                        .single()
                > 0;
        if (known) {
            return true;
        }
        int there = jdbc.sql("select count(*) from " + events + " where " + key + " = :id")
                .param("id", id)
                .query(Integer.class)
                .single();
        if (count >= 0 && there != count) {
            return false;
        }
        jdbc.sql("insert into " + events + " (" + key
                        + ", tap, kind, fields, tapped_at, at, account_id) values (:id, :tap, :kind, :fields::json, :tapped, :now,"
                        + " :account)")
                .param("id", id)
                .param("tap", tap)
                .param("kind", kind)
                .param("fields", json.writeValueAsString(fields))
                .param("tapped", OffsetDateTime.ofInstant(at, ZoneOffset.UTC))
                .param("now", now())
                .param("account", account.id())
                .update();
        return true;
    }

    /** The key of a tap as a form sends it; a new one where it sends none. */
    public static String key(Map<String, String> form) {
        String key = OneLine.of(form.getOrDefault("key", ""));
        return key.isEmpty() ? UUID.randomUUID().toString() : key;
    }

    /** How many taps the page had seen, as its form says; -1 where it does not. */
    public static int count(Map<String, String> form) {
        String count = form.getOrDefault("count", "");
        return count.matches("\\d{1,6}") ? Integer.parseInt(count) : -1;
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }

    private Row row(ResultSet rs) throws SQLException {
        return new Row(
                rs.getLong("id"),
                rs.getLong("studio_id"),
                rs.getString("name"),
                json.readValue(rs.getString("fields"), TEXTS),
                rs.getInt("version"),
                rs.getBoolean("archived"),
                rs.getTimestamp("created_at").toInstant());
    }
}
