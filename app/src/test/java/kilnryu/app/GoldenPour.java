package kilnryu.app;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.List;
import kilnryu.app.account.Account;
import org.springframework.jdbc.core.simple.JdbcClient;

/** The golden pour of three molds, with a tree of the test in the place of its flask, and taps as they may have come. */
final class GoldenPour {
    private final JdbcClient jdbc;
    private final Account account;
    private final long tree;
    private final long pour;
    private int taps;

    GoldenPour(JdbcClient jdbc, Account account, long tree) throws Exception {
        this.jdbc = jdbc;
        this.account = account;
        this.tree = tree;
        String record = Files.readString(Path.of("src/test/resources/records/pour-1.json"))
                .replace("\"tree\": 3, \"name\": \"Wading bird", "\"tree\": " + tree + ", \"name\": \"Wading bird");
        OffsetDateTime begun = OffsetDateTime.now().minusDays(3);
        pour = jdbc.sql("""
                        insert into pour (studio_id, name, state, fields, record, created_at, begun_at)
                        values (?, 'Tern and limpets', 'running', '{}', ?::json, ?, ?) returning id
                        """)
                .params(account.studioId(), record, begun, begun)
                .query(Long.class)
                .single();
        jdbc.sql("insert into pour_mold (pour_id, tree_id, place) values (?, ?, 1)")
                .params(pour, tree)
                .update();
    }

    long id() {
        return pour;
    }

    /** Something tapped at the tree's mold so long ago. @param fields as JSON */
    GoldenPour tap(String kind, Duration ago, String fields) {
        return tap(kind, tree, ago, fields);
    }

    /** Something tapped for the whole pour. */
    GoldenPour said(String kind, Duration ago, String fields) {
        return tap(kind, null, ago, fields);
    }

    private GoldenPour tap(String kind, Long of, Duration ago, String fields) {
        OffsetDateTime at = OffsetDateTime.now().minus(ago);
        jdbc.sql("""
                        insert into pour_event (pour_id, tap, tree_id, kind, fields, tapped_at, at, account_id)
                        values (:pour, :tap, :tree, :kind, :fields::json, :at, :at, :account)
                        """)
                .param("pour", pour)
                .param("tap", kind + taps++)
                .param("tree", of)
                .param("kind", kind)
                .param("fields", fields)
                .param("at", at)
                .param("account", account.id())
                .update();
        return this;
    }

    /** Metal stood in it so long ago. */
    GoldenPour full(Duration ago) {
        return tap("start", ago.plusSeconds(4), "{}").tap("full", ago, "{}");
    }

    /** As if it had never been. */
    void forget() {
        for (String table : List.of("pour_event", "pour_mold")) {
            jdbc.sql("delete from " + table + " where pour_id = ?").param(pour).update();
        }
    }
}
