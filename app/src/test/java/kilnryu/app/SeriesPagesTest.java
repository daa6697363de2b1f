package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** One design made several times: trees of their own with one list of parts. */
class SeriesPagesTest extends AppTest {
    private long tree;

    @BeforeEach
    void aTreeInAFlask() throws Exception {
        tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
    }

    private List<Long> others() throws Exception {
        Matcher links = Pattern.compile("href=\"/trees/(\\d+)/tree\">Reed warbler, tree")
                .matcher(page(owner, "/trees/" + tree + "/tree"));
        List<Long> others = new ArrayList<>();
        while (links.find()) {
            others.add(Long.parseLong(links.group(1)));
        }
        return others;
    }

    private void design(long of, String version, String mass) throws Exception {
        Map<String, String> changed = new HashMap<>(WAX);
        changed.put("version", version);
        changed.put("parts[a].mass_g", mass);
        if (of != tree) {
            changed.put("name", "Reed warbler, tree 2");
        }
        assertThat(send(owner, "/trees/" + of + "/tree", changed).getStatus()).isEqualTo(302);
    }

    @Test
    void threeTreesOfOneDesignHaveTheirOwnMolds() throws Exception {
        send(owner, "/trees/" + tree + "/series", Map.of("times", "3"));
        List<Long> others = others();
        assertThat(others).hasSize(2);
        assertThat(page(owner, "/trees/" + tree + "/tree")).contains("One design, 3 trees", "this one");
        long second = others.get(0);
        Map<String, String> lower = new HashMap<>(FLASK);
        lower.put("version", "1");
        lower.put("height_mm", "160");
        assertThat(send(owner, "/trees/" + second + "/mold", lower).getStatus()).isEqualTo(302);
        assertThat(page(owner, "/trees/" + second + "/mold")).contains("value=\"160 mm\"");
        assertThat(page(owner, "/trees/" + tree + "/mold")).contains("value=\"150 mm\"");
    }

    /** A change reaches those that are not mixed; the one being mixed keeps its design, and both is said. */
    @Test
    void aChangeReachesThoseNotYetMixed() throws Exception {
        send(owner, "/trees/" + tree + "/series", Map.of("times", "3"));
        long second = others().get(0);
        long third = others().get(1);
        assertThat(send(owner, "/trees/" + third + "/bench/start", Map.of()).getStatus())
                .isEqualTo(302);
        design(tree, "1", "120 g");
        assertThat(page(owner, "/trees/" + second + "/tree")).contains("value=\"120 g\"", "Reed warbler, tree 2");
        assertThat(page(owner, "/trees/" + third + "/tree")).contains("value=\"96 g\"");
        assertThat(page(owner, "/trees/" + tree + "/tree"))
                .contains("begun: keeps its design", "another design", "Of another design than this one: tree 3.");
        // the other way round: the second tree's change reaches the first
        design(second, "2", "130 g");
        assertThat(page(owner, "/trees/" + tree + "/tree")).contains("value=\"130 g\"");
    }

    @Test
    void whatATreeWeighsStaysItsOwn() throws Exception {
        send(owner, "/trees/" + tree + "/series", Map.of("times", "2"));
        long second = others().get(0);
        Map<String, String> weighed = new HashMap<>(WAX);
        weighed.put("name", "Reed warbler, tree 2");
        weighed.put("version", "1");
        weighed.put("weighed_g", "101 g");
        send(owner, "/trees/" + second + "/tree", weighed);
        assertThat(page(owner, "/trees/" + tree + "/tree")).doesNotContain("101 g");
        design(tree, "1", "120 g");
        assertThat(page(owner, "/trees/" + second + "/tree")).contains("value=\"101 g\"", "value=\"120 g\"");
    }

    @Test
    void nonsenseIsSaidAtItsFieldAndStrangersSeeNothing() throws Exception {
        for (String times : List.of("1", "many", "9999", "")) {
            assertThat(send(owner, "/trees/" + tree + "/series", Map.of("times", times))
                            .getStatus())
                    .isEqualTo(302);
        }
        assertThat(others()).isEmpty();
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(send(stranger, "/trees/" + tree + "/series", Map.of("times", "3"))
                        .getStatus())
                .isEqualTo(404);
    }

    /** Two taps at once for five trees make five. */
    @Test
    void tappedTwiceAtOnceItIsMadeOnce() throws Exception {
        ExecutorService two = Executors.newFixedThreadPool(4);
        CountDownLatch go = new CountDownLatch(1);
        List<Future<Integer>> taps = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            taps.add(two.submit(() -> {
                go.await();
                return send(owner, "/trees/" + tree + "/series", Map.of("times", "5"))
                        .getStatus();
            }));
        }
        go.countDown();
        for (Future<Integer> tap : taps) {
            assertThat(tap.get()).isEqualTo(302);
        }
        two.shutdown();
        assertThat(others()).hasSize(4);
    }

    /** Fourteen wanted, six to a tree: three trees, four castings to spare. */
    @Test
    void wantedCastingsMakeTrees() throws Exception {
        String to = send(
                        owner,
                        "/pieces/0",
                        Map.of(
                                "version",
                                "0",
                                "name",
                                "Cockle",
                                "count",
                                "14",
                                "mass_g",
                                "5 g",
                                "material",
                                "injection-wax"))
                .getRedirectedUrl();
        String piece = to.replaceAll("\\D+(\\d+).*", "$1");
        Map<String, String> six = new HashMap<>(WAX);
        six.put("parts[a].piece", piece);
        six.put("parts[a].count", "6");
        six.put("parts[a].mass_g", "5 g");
        long of = tree(owner, six);
        assertThat(page(owner, "/trees/" + of + "/tree"))
                .contains("14 × Cockle are wanted; at 6 to a tree that is 3 trees, 4 to spare.", "value=\"3\"");
    }
}
