package kilnryu.app;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;

/** What was frozen never vanishes: with its figures as they were shown, reckoned anew or shown as kept. */
class KeptPagesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    private long tree;

    @BeforeEach
    void aTree() throws Exception {
        tree = tree(owner, WAX);
    }

    private void shellOfTheTree() throws Exception {
        send(
                owner,
                "/trees/" + tree + "/mold",
                typed("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
    }

    private String begun() throws Exception {
        String at = send(owner, "/trees/" + tree + "/shell/begin", Map.of("rack", "rack A"))
                .getRedirectedUrl();
        assertThat(at).startsWith("/shells/");
        return at;
    }

    private static long number(String at) {
        return Long.parseLong(at.replaceAll("\\D+(\\d+).*", "$1"));
    }

    private void rewritten(String at, String from, String to) {
        int rows = jdbc.sql("update shell_run set plan = replace(plan::text, :from, :to)::json where id = :id")
                .param("from", from)
                .param("to", to)
                .param("id", number(at))
                .update();
        assertThat(rows).isEqualTo(1);
    }

    /** The factor that made a shell vanish: growth with each coat of nothing. */
    @ParameterizedTest
    @ValueSource(strings = {"shell.strength", "shell.drying.per-coat", "shell.prime.latest"})
    void aFactorAtItsEndsDoesNotTakeTheShellAway(String key) throws Exception {
        var constant = kilnryu.app.factor.Catalogue.named(key)
                .orElseGet(() -> kilnryu.app.factor.Catalogue.all()
                        .filter(c -> c.key().startsWith("shell"))
                        .findFirst()
                        .orElseThrow());
        for (double end : new double[] {constant.least(), constant.most()}) {
            MockHttpServletResponse taken = send(
                    owner,
                    "/factors/" + constant.key(),
                    Map.of("value", Double.toString(end), "reason", "our own trial"));
            assertThat(taken.getStatus()).isEqualTo(302);
            long other = tree(owner, over(WAX, "name", "Tern " + end));
            send(
                    owner,
                    "/trees/" + other + "/mold",
                    typed("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
            String at = send(
                            owner,
                            "/trees/" + other + "/shell/begin",
                            Map.of("rack", "rack A", "reason", "for the record"))
                    .getRedirectedUrl();
            assertThat(at).as("%s = %s", key, end).startsWith("/shells/");
            assertThat(page(owner, at)).contains("Tern " + end, "As it was begun");
            assertThat(page(owner, "/shells")).contains("Tern " + end);
        }
    }

    @Test
    void theFiguresAsTheyWereShown() throws Exception {
        shellOfTheTree();
        String at = begun();
        assertThat(page(owner, at)).contains("As it was begun", "100 cm³", "836 g", "with the constants of that day");
        // a change of the tree afterwards changes nothing of it
        send(owner, "/trees/" + tree + "/tree", over(WAX, "version", "1", "parts[a].mass_g", "192 g"));
        assertThat(page(owner, at)).contains("836 g").doesNotContain("1672 g");
    }

    /** A plan with a constant that is not possible any more: shown as kept, logged, ended, and the next one begun. */
    @Test
    void aShellThatCannotBeReckonedAnew() throws Exception {
        shellOfTheTree();
        String at = begun();
        rewritten(at, "\"shell.strength\":5.0", "\"shell.strength\":5000.0");
        assertThat(page(owner, "/shells"))
                .contains("Reed warbler", "is shown as kept, not reckoned anew", "shell.strength", "1 of 6 places")
                .doesNotContain("Planned, not begun");
        String page = page(owner, at);
        assertThat(page).contains("Shown as kept, not reckoned anew", "836 g", "not yet known");
        assertThat(send(owner, at + "/dip", Map.of("on", "0")).getRedirectedUrl())
                .isEqualTo("/shells");
        assertThat(page(owner, "/shells/calendar")).doesNotContain("Exception");
        assertThat(send(owner, at + "/log", Map.of("on", "0", "coat", "plain-prime", "note", "by hand"))
                        .getStatus())
                .isEqualTo(302);
        assertThat(page(owner, at)).contains("by hand", "plain prime");
        assertThat(send(owner, at + "/log", Map.of("on", "0", "coat", "prime")).getStatus())
                .isEqualTo(409);
        assertThat(send(owner, at + "/log", Map.of("coat", "mud")).getStatus()).isEqualTo(422);
        assertThat(send(owner, at + "/end", Map.of("as", "given up")).getStatus())
                .isEqualTo(302);
        assertThat(page(owner, at)).contains("given up");
        assertThat(begun()).isNotEqualTo(at);
    }

    /** Written by a newer version, or not readable at all: still there, with a word on why. */
    @Test
    void aShellOfANewerVersion() throws Exception {
        shellOfTheTree();
        String at = begun();
        rewritten(at, "\"version\":1,\"name\"", "\"version\":9,\"name\"");
        assertThat(page(owner, at)).contains("newer Kiln Ryu", "they stay in the database");
        assertThat(page(owner, "/shells")).contains("newer Kiln Ryu");
        jdbc.sql("update shell_run set plan = '[]' where id = :id")
                .param("id", number(at))
                .update();
        assertThat(page(owner, at)).contains("no document");
    }

    /** Frozen before there were records, by a bare plan document. */
    @Test
    void aShellOfTheFirstVersion() throws Exception {
        shellOfTheTree();
        String at = begun();
        jdbc.sql("update shell_run set plan = (plan->'plans'->0->'document') where id = :id")
                .param("id", number(at))
                .update();
        assertThat(page(owner, at)).contains("<b>0</b> of <span>7</span> coats", "As it was begun", "836 g");
        send(owner, at + "/dip", Map.of("on", "0"));
        assertThat(page(owner, at)).contains("<b>1</b> of <span>7</span> coats");
    }

    private String fired() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        Map<String, String> load = typed("version", "0", "name", "Ebb tide");
        load.put("molds[" + tree + "].in", "yes");
        String at = send(owner, "/firings/0/load", load).getRedirectedUrl();
        String firing = "/firings/" + number(at);
        assertThat(send(owner, firing + "/start", Map.of("ready", "on", "even_so", "on"))
                        .getRedirectedUrl())
                .isEqualTo(firing + "/run");
        return firing;
    }

    @Test
    void aFiringThatCannotBeReckonedAnew() throws Exception {
        String firing = fired();
        assertThat(page(owner, firing + "/log")).contains("As it was started", "836 g");
        jdbc.sql(
                        "update firing set frozen = replace(frozen::text, '\"burn-out\"', '\"levitate\"')::json where id = :id")
                .param("id", number(firing))
                .update();
        for (String page : new String[] {"/run", "/log"}) {
            assertThat(page(owner, firing + page))
                    .contains("Shown as kept, not reckoned anew", "levitate", "836 g", "dry out", "started");
        }
        assertThat(page(owner, "/firings")).contains("Ebb tide");
        assertThat(read(owner, firing + "/live").getStatus()).isEqualTo(409);
        send(owner, firing + "/note", Map.of("note", "smelt of wax"));
        assertThat(page(owner, firing + "/run")).contains("smelt of wax");
        assertThat(send(owner, firing + "/end", Map.of("as", "poured")).getStatus())
                .isEqualTo(302);
        assertThat(page(owner, firing + "/log")).contains("ended: poured");
        assertThat(page(owner, "/trees/" + tree + "/firing")).contains("Ebb tide");
    }

    @Test
    void aMixingKeepsItsFigures() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/trees/" + tree + "/bench/start", Map.of());
        send(owner, "/trees/" + tree + "/bench/trouble", Map.of("what", "OTHER", "note", "lumped", "giveUp", "true"));
        assertThat(page(owner, "/trees/" + tree + "/bench")).contains("As it was begun", "100 cm³", "lumped");
    }
}
