package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import kilnryu.app.tree.TreeStore;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;

/** Lists of a studio that has worked for years: fifty at a time, the latest first, and nothing is out of reach. */
class LongListsTest extends AppTest {
    @Autowired
    TreeStore trees;

    @Autowired
    JdbcClient jdbc;

    @BeforeEach
    void aHundredAndTwenty() {
        for (int i = 1; i <= 120; i++) {
            long tree = trees.create(owner.studioId(), "tree no " + i + ".");
            jdbc.sql("update tree set updated_at = :at where id = :id")
                    .param(
                            "at",
                            java.sql.Timestamp.from(
                                    Instant.parse("2020-01-01T08:00:00Z").plusSeconds(i * 86_400L)))
                    .param("id", tree)
                    .update();
            jdbc.sql("""
                            insert into firing (studio_id, name, fields, version, state, started_at, ended_at, ended_as, updated_at)
                            values (:studio, :name, '{}', 1, 'done', :at, :at, 'poured', :at)
                            """)
                    .param("studio", owner.studioId())
                    .param("name", "firing no " + i + ".")
                    .param(
                            "at",
                            java.sql.Timestamp.from(
                                    Instant.parse("2020-01-01T08:00:00Z").plusSeconds(i * 86_400L)))
                    .update();
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"trees:tree", "firings:firing"})
    void fiftyAtATimeTheLatestFirst(String list) throws Exception {
        String address = "/" + list.split(":")[0];
        String what = list.split(":")[1];
        String first = page(owner, address);
        assertThat(first).contains(what + " no 120.", what + " no 71.").doesNotContain(what + " no 70.");
        assertThat(first).contains("1 to 50", address + "?page=2\"").doesNotContain("Earlier in the list");
        String second = page(owner, address + "?page=2");
        assertThat(second).contains(what + " no 70.", what + " no 21.").doesNotContain(what + " no 71.");
        String last = page(owner, address + "?page=3");
        assertThat(last)
                .contains(what + " no 20.", what + " no 1.", "101 to 120", "Earlier in the list")
                .doesNotContain("Further in the list");
    }

    @ParameterizedTest
    @ValueSource(strings = {"0", "-1", "two", "1e9", "99999999999999999999", "%00", ""})
    void aPageThatIsNoneIsTheFirst(String page) throws Exception {
        assertThat(read(owner, "/firings?page=" + page).getStatus()).isIn(200, 400);
        if (!page.equals("%00")) {
            assertThat(page(owner, "/firings?page=" + page)).contains("firing no 120.");
        }
    }

    @Test
    void beyondTheEndOneFindsTheWayBack() throws Exception {
        assertThat(page(owner, "/trees?page=9")).contains("Earlier in the list", "page=8");
    }

    @Test
    void aSearchKeepsItsWordsFromPageToPage() throws Exception {
        assertThat(page(owner, "/trees?q=tree&sort=name")).contains("q=tree&amp;sort=name&amp;page=2");
        assertThat(page(owner, "/trees?q=119")).contains("tree no 119.").doesNotContain("Further in the list");
        assertThat(page(owner, "/firings?q=17.&page=1"))
                .contains("firing no 17.")
                .doesNotContain("firing no 18.");
    }

    /** Another year than this one's is said, or nobody knows which January it was. */
    @Test
    void aDayOfLongAgoSaysItsYear() throws Exception {
        assertThat(page(owner, "/firings?page=3")).contains("ended Thu 2 Jan 2020, 08:00, poured");
    }

    @Test
    void theCsvHoldsAllOfThem() throws Exception {
        List<String> lines =
                read(owner, "/trees.csv").getContentAsString().lines().toList();
        assertThat(lines).hasSize(121);
        assertThat(lines.stream().filter(l -> l.contains("tree no 3."))).hasSize(1);
    }
}
