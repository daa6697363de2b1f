package kilnryu.app.sheet;

import java.time.Clock;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import kilnryu.app.web.InRequest;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Keeps what was typed for each stage of a tree, with every earlier version and the drafts not saved yet. */
@Repository
public class SheetStore {
    private static final TypeReference<LinkedHashMap<String, String>> TEXTS = new TypeReference<>() {};

    private final JdbcClient jdbc;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    SheetStore(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** A saved stage; version 0 with nothing typed when it was never saved. */
    public record Sheet(Map<String, String> fields, int version) {
        public static final Sheet EMPTY = new Sheet(Map.of(), 0);
    }

    /** One save: who and when. */
    public record Revision(int version, Map<String, String> fields, String by, Instant at) {}

    /** What someone typed and has not saved, and the version they began from. */
    public record Draft(Map<String, String> fields, int baseVersion, Instant at) {}

    /** Whose draft, of what, typed on which page view. */
    public record DraftOf(long account, long tree, String stage, String page) {
        /** What is not made yet has a draft for each page on which it is typed. */
        private String slot() {
            return tree == 0 ? page : "";
        }
    }

    /** Something new that was begun and not saved, on a page view of its own. */
    public record Unfinished(String page, String name, Instant at) {}

    public Sheet find(long tree, String stage) {
        return jdbc.sql("select fields, version from sheet where tree_id = :tree and stage = :stage")
                .param("tree", tree)
                .param("stage", stage)
                .query((rs, n) -> new Sheet(read(rs.getString("fields")), rs.getInt("version")))
                .optional()
                .orElse(Sheet.EMPTY);
    }

    public Map<String, Sheet> all(long tree) {
        return InRequest.once("sheets " + tree, () -> {
            Map<String, Sheet> sheets = new LinkedHashMap<>();
            jdbc.sql("select stage, fields, version from sheet where tree_id = :tree")
                    .param("tree", tree)
                    .query(rs -> {
                        sheets.put(
                                rs.getString("stage"), new Sheet(read(rs.getString("fields")), rs.getInt("version")));
                    });
            return sheets;
        });
    }

    /** Of some trees in one question; a tree of which nothing was saved is left out. */
    public Map<Long, Map<String, Sheet>> all(Collection<Long> trees) {
        if (trees.size() == 1) {
            long tree = trees.iterator().next();
            return Map.of(tree, all(tree));
        }
        Map<Long, Map<String, Sheet>> all = new HashMap<>();
        jdbc.sql("select tree_id, stage, fields, version from sheet where tree_id = any(:trees)")
                .param("trees", trees.toArray(Long[]::new))
                .query(rs -> {
                    all.computeIfAbsent(rs.getLong("tree_id"), t -> new LinkedHashMap<>())
                            .put(rs.getString("stage"), new Sheet(read(rs.getString("fields")), rs.getInt("version")));
                });
        return all;
    }

    /**
     * Saves over the version the writer began from.
     *
     * @return the new version, empty when someone else saved in between
     */
    public Optional<Integer> save(long tree, String stage, int baseVersion, Map<String, String> fields, long account) {
        String text = json.writeValueAsString(fields);
        int rows = baseVersion == 0 ? insert(tree, stage, text) : update(tree, stage, baseVersion, text);
        if (rows == 0) {
            return Optional.empty();
        }
        jdbc.sql("""
                        insert into sheet_revision (tree_id, stage, version, fields, account_id, at)
                        values (:tree, :stage, :version, :fields::json, :account, :now)
                        """)
                .param("tree", tree)
                .param("stage", stage)
                .param("version", baseVersion + 1)
                .param("fields", text)
                .param("account", account)
                .param("now", now())
                .update();
        return Optional.of(baseVersion + 1);
    }

    private int insert(long tree, String stage, String fields) {
        return jdbc.sql("""
                        insert into sheet (tree_id, stage, fields, version) values (:tree, :stage, :fields::json, 1)
                        on conflict do nothing
                        """)
                .param("tree", tree)
                .param("stage", stage)
                .param("fields", fields)
                .update();
    }

    private int update(long tree, String stage, int baseVersion, String fields) {
        return jdbc.sql("""
                        update sheet set fields = :fields::json, version = version + 1
                         where tree_id = :tree and stage = :stage and version = :version
                        """)
                .param("tree", tree)
                .param("stage", stage)
                .param("version", baseVersion)
                .param("fields", fields)
                .update();
    }

    /** Saves after a version, oldest first. */
    public List<Revision> since(long tree, String stage, int version) {
        return jdbc.sql("""
                        select r.version, r.fields, r.at, a.shown_name
                          from sheet_revision r join account a on a.id = r.account_id
                         where r.tree_id = :tree and r.stage = :stage and r.version >= :version
                         order by r.version
                        """)
                .param("tree", tree)
                .param("stage", stage)
                .param("version", version)
                .query((rs, n) -> new Revision(
                        rs.getInt("version"),
                        read(rs.getString("fields")),
                        rs.getString("shown_name"),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** The draft of a tree or piece that is there. */
    public Optional<Draft> draft(long account, long tree, String stage) {
        return draft(new DraftOf(account, tree, stage, ""));
    }

    /** The draft of something new is found by the page on which it was begun. */
    public Optional<Draft> draft(DraftOf of) {
        return jdbc.sql("""
                        select fields, base_version, at from draft
                         where account_id = :account and tree_id = :tree and stage = :stage and slot = :slot
                           and not closed
                        """)
                .param("account", of.account)
                .param("tree", of.tree)
                .param("stage", of.stage)
                .param("slot", of.slot())
                .query((rs, n) -> new Draft(
                        read(rs.getString("fields")),
                        rs.getInt("base_version"),
                        rs.getTimestamp("at").toInstant()))
                .optional();
    }

    /** New ones that were begun and never saved, the latest first. */
    public List<Unfinished> unfinished(long account, String stage) {
        return jdbc.sql("""
                        select slot, fields, at from draft
                         where account_id = :account and tree_id = 0 and stage = :stage and not closed
                         order by at desc limit 20
                        """)
                .param("account", account)
                .param("stage", stage)
                .query((rs, n) -> new Unfinished(
                        rs.getString("slot"),
                        read(rs.getString("fields")).getOrDefault("name", ""),
                        rs.getTimestamp("at").toInstant()))
                .list();
    }

    /** Keeps what is being typed, unless the page it comes from was saved or thrown away meanwhile. */
    public void keepDraft(DraftOf of, int baseVersion, Map<String, String> fields) {
        write(of, baseVersion, fields, false);
    }

    /** Ends the draft of a page that was saved or thrown away. */
    public void closeDraft(DraftOf of) {
        write(of, 0, Map.of(), true);
    }

    private void write(DraftOf of, int baseVersion, Map<String, String> fields, boolean closed) {
        jdbc.sql("""
                        insert into draft (account_id, tree_id, stage, slot, fields, base_version, at, page, closed)
                        values (:account, :tree, :stage, :slot, :fields::json, :version, :now, :page, :closed)
                        on conflict (account_id, tree_id, stage, slot)
                        do update set fields = excluded.fields, base_version = excluded.base_version,
                               at = excluded.at, page = excluded.page, closed = excluded.closed
                         where excluded.closed or not (draft.closed and draft.page = excluded.page)
                        """)
                .param("account", of.account)
                .param("tree", of.tree)
                .param("stage", of.stage)
                .param("slot", of.slot())
                .param("fields", json.writeValueAsString(fields))
                .param("version", baseVersion)
                .param("now", now())
                .param("page", of.page)
                .param("closed", closed)
                .update();
    }

    private Map<String, String> read(String text) {
        return json.readValue(text, TEXTS);
    }

    private OffsetDateTime now() {
        return OffsetDateTime.ofInstant(clock.instant(), ZoneOffset.UTC);
    }
}
