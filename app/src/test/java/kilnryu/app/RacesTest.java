package kilnryu.app;

import static kilnryu.app.Typing.over;
import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;

/** Every tap, start and log with several fingers on it at once: counted once, and whoever came late is told. */
class RacesTest extends AppTest {
    @Autowired
    JdbcClient jdbc;

    private long tree;

    @BeforeEach
    void aTree() throws Exception {
        tree = tree(owner, WAX);
    }

    private long count(String what, Object... values) {
        var sql = jdbc.sql("select count(*) from " + what);
        for (Object value : values) {
            sql = sql.param(value);
        }
        return sql.query(Long.class).single();
    }

    private String shell() throws Exception {
        send(
                owner,
                "/trees/" + tree + "/mold",
                typed("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
        String at = send(owner, "/trees/" + tree + "/shell/begin", Map.of("rack", "rack A"))
                .getRedirectedUrl();
        assertThat(at).startsWith("/shells/");
        return at;
    }

    private static long number(String address) {
        return Long.parseLong(address.replaceAll("\\D+(\\d+).*", "$1"));
    }

    private List<MockHttpServletResponse> sentAtOnce(int times, String address, Map<String, String> form)
            throws Exception {
        List<MockHttpServletResponse> answers = AtOnce.times(times, () -> send(owner, address, form));
        assertThat(answers).allSatisfy(a -> assertThat(a.getStatus()).isLessThan(500));
        return answers;
    }

    @Test
    void eightTapsOnADipLogOne() throws Exception {
        String at = shell();
        sentAtOnce(8, at + "/dip", Map.of("on", "0"));
        assertThat(count("dip where run_id = ?", number(at))).isEqualTo(1);
        assertThat(page(owner, "/shells")).contains("<b>1</b> of <span>7</span> coats");
    }

    /** Whoever comes late is told by name what came between. */
    @Test
    void whoComesLateIsTold() throws Exception {
        String at = shell();
        send(owner, at + "/dip", Map.of("on", "0"));
        assertThat(fault(at + "/dip", Map.of("on", "0")))
                .isEqualTo("Nothing was logged: one coat is on by now, no coats were on when this page was shown."
                        + " Look who logged it, then log what is lacking.");
        send(owner, at + "/end", Map.of("as", "given up"));
        assertThat(fault(at + "/weigh", Map.of("weighs_g", "100")))
                .startsWith("Nothing was written: this shell is given up since");
        send(owner, "/trees/" + tree + "/mold", over(FLASK, "version", "1"));
        send(owner, "/trees/" + tree + "/bench/start", Map.of());
        send(owner, "/trees/" + tree + "/bench/next", Map.of("step", "0"));
        assertThat(fault("/trees/" + tree + "/bench/next", Map.of("step", "0")))
                .startsWith("Nothing was written, someone else was quicker: this is step 2 of ");
    }

    private String fault(String address, Map<String, String> form) throws Exception {
        var request = org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post(address)
                .with(Studio.as(owner))
                .with(
                        org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors
                                .csrf());
        form.forEach(request::param);
        return String.valueOf(mvc.perform(request).andReturn().getFlashMap().get("fault"));
    }

    @Test
    void twoWhoLogTheSameDipAreNotBothBelieved() throws Exception {
        String at = shell();
        Map<String, String> dip = typed("on", "0", "coat", "plain-prime", "note", "drained long");
        List<MockHttpServletResponse> answers = sentAtOnce(4, at + "/log", dip);
        assertThat(count("dip where run_id = ?", number(at))).isEqualTo(1);
        assertThat(answers.stream().filter(a -> a.getStatus() == 409))
                .hasSize(3)
                .allSatisfy(a -> assertThat(a.getContentAsString())
                        .contains("Nothing was logged: one coat is on by now", "drained long"));
    }

    /** Six who plan the coats at once: one list stays, whole. */
    @Test
    void theCoatsToComeAreWrittenWhole() throws Exception {
        String at = shell();
        List<Callable<MockHttpServletResponse>> six = new ArrayList<>();
        for (int i = 1; i <= 6; i++) {
            Map<String, String> coats =
                    Map.of("on", "0", "coming", "prime, " + i + " backup", "why", "as the bar says");
            six.add(() -> send(owner, at + "/coats", coats));
        }
        assertThat(AtOnce.all(six)).allSatisfy(a -> assertThat(a.getStatus()).isEqualTo(302));
        List<Integer> places = jdbc.sql("select place from shell_coat where run_id = ? order by place")
                .param(number(at))
                .query(Integer.class)
                .list();
        assertThat(places).hasSizeBetween(2, 7);
        for (int i = 0; i < places.size(); i++) {
            assertThat(places.get(i)).isEqualTo(i + 1);
        }
    }

    @Test
    void aShellEndsOnceAndTakesNothingAfter() throws Exception {
        String at = shell();
        sentAtOnce(4, at + "/end", Map.of("as", "given up"));
        for (String late :
                List.of("/dip?on=0", "/weigh?weighs_g=100", "/wire", "/event?kind=look&tap=yes", "/end?as=fit")) {
            MockHttpServletResponse answer = send(owner, at + late, Map.of());
            assertThat(answer.getStatus()).as(late).isEqualTo(302);
        }
        assertThat(count("dip where run_id = ?", number(at))).isZero();
        assertThat(count("shell_weighing where run_id = ?", number(at))).isZero();
        assertThat(count("shell_event where run_id = ?", number(at))).isZero();
        assertThat(page(owner, at)).contains("given up");
    }

    @Test
    void oneShellOfATreeIsBegun() throws Exception {
        send(
                owner,
                "/trees/" + tree + "/mold",
                typed("version", "0", "mold_kind", "shell", "tree_width_mm", "70", "tree_height_mm", "110"));
        sentAtOnce(5, "/trees/" + tree + "/shell/begin", Map.of("rack", "rack A"));
        assertThat(count("shell_run where tree_id = ?", tree)).isEqualTo(1);
    }

    @Test
    void aStepOfAMixingIsDoneOnce() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        sentAtOnce(4, "/trees/" + tree + "/bench/start", Map.of());
        assertThat(count("mix_session where tree_id = ?", tree)).isEqualTo(1);
        sentAtOnce(8, "/trees/" + tree + "/bench/next", Map.of("step", "0"));
        assertThat(count(
                        "mix_event e join mix_session m on m.id = e.mix_session_id where m.tree_id = ? and e.kind = 'done'",
                        tree))
                .isEqualTo(1);
        MockHttpServletResponse late = send(owner, "/trees/" + tree + "/bench/next", Map.of("step", "0"));
        assertThat(late.getRedirectedUrl()).isEqualTo("/trees/" + tree + "/bench");
        sentAtOnce(6, "/trees/" + tree + "/bench/back", Map.of("step", "1"));
        assertThat(count(
                        "mix_event e join mix_session m on m.id = e.mix_session_id where m.tree_id = ? and e.kind = 'back'",
                        tree))
                .isEqualTo(1);
    }

    @Test
    void aMixingIsGivenUpOnce() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        send(owner, "/trees/" + tree + "/bench/start", Map.of());
        sentAtOnce(4, "/trees/" + tree + "/bench/trouble", Map.of("what", "OTHER", "note", "lumped", "giveUp", "true"));
        assertThat(count(
                        "mix_event e join mix_session m on m.id = e.mix_session_id where m.tree_id = ? and e.kind = 'trouble'",
                        tree))
                .isEqualTo(1);
        assertThat(count("mix_session where tree_id = ? and given_up", tree)).isEqualTo(1);
    }

    private long firing() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        Map<String, String> load = new LinkedHashMap<>();
        load.put("version", "0");
        load.put("name", "Ebb tide");
        load.put("molds[" + tree + "].in", "yes");
        return number(send(owner, "/firings/0/load", load).getRedirectedUrl());
    }

    @Test
    void aFiringIsStartedOnceAndEndedOnce() throws Exception {
        long id = firing();
        sentAtOnce(4, "/firings/" + id + "/start", Map.of("ready", "on", "even_so", "on"));
        assertThat(count("firing_event where firing_id = ? and kind = 'started'", id))
                .isEqualTo(1);
        assertThat(count("firing_event where firing_id = ? and kind = 'loaded'", id))
                .isEqualTo(1);
        Matcher duty = Pattern.compile("name=\"duty\" value=\"([a-z_]+-\\d+)\"")
                .matcher(page(owner, "/firings/" + id + "/run"));
        assertThat(duty.find()).isTrue();
        sentAtOnce(6, "/firings/" + id + "/duty", Map.of("duty", duty.group(1)));
        assertThat(count("firing_event where firing_id = ? and kind = 'duty'", id))
                .isEqualTo(1);
        sentAtOnce(4, "/firings/" + id + "/end", Map.of("as", "poured"));
        assertThat(count("firing_event where firing_id = ? and kind = 'ended'", id))
                .isEqualTo(1);
        assertThat(send(owner, "/firings/" + id + "/duty", Map.of("duty", duty.group(1)))
                        .getRedirectedUrl())
                .isEqualTo("/firings/" + id + "/run");
        assertThat(count("firing_event where firing_id = ? and kind = 'duty'", id))
                .isEqualTo(1);
    }

    /** Three logs at once: each is taken whole, one after another, and the last stays. */
    @Test
    void threeLogsAtOnce() throws Exception {
        long id = firing();
        send(owner, "/firings/" + id + "/start", Map.of("ready", "on", "even_so", "on"));
        StringBuilder csv = new StringBuilder("seconds,temperature\n");
        for (int i = 0; i < 45_000; i++) {
            csv.append(i).append(",20.5\n");
        }
        byte[] file = csv.toString().getBytes(java.nio.charset.StandardCharsets.UTF_8);
        List<Integer> answers = AtOnce.times(
                3,
                () -> mvc.perform(org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart(
                                        "/firings/" + id + "/log")
                                .file(new org.springframework.mock.web.MockMultipartFile(
                                        "file", "a.csv", "text/csv", file))
                                .with(Studio.as(owner))
                                .with(org.springframework.security.test.web.servlet.request
                                        .SecurityMockMvcRequestPostProcessors.csrf()))
                        .andReturn()
                        .getResponse()
                        .getStatus());
        assertThat(answers).containsOnly(302);
        assertThat(count("firing_log where firing_id = ?", id)).isEqualTo(3);
        assertThat(count("firing_event where firing_id = ? and kind = 'log'", id))
                .isEqualTo(3);
    }

    private long trees() {
        return count("tree where studio_id = ?", owner.studioId());
    }

    /** The key that a page's form carries: sent again it makes nothing more, and leads to the same page. */
    @Test
    void aNewTreeSentTwiceIsOne() throws Exception {
        long before = trees();
        List<MockHttpServletResponse> answers = sentAtOnce(4, "/trees/0/tree", over(WAX, "_once", "k1"));
        assertThat(trees()).isEqualTo(before + 1);
        assertThat(answers)
                .extracting(MockHttpServletResponse::getRedirectedUrl)
                .containsOnly(answers.get(0).getRedirectedUrl());
        // gone back and corrected it is another
        send(owner, "/trees/0/tree", over(WAX, "_once", "k1", "name", "Reed bunting"));
        assertThat(trees()).isEqualTo(before + 2);
        // another form with the same words is another
        send(owner, "/trees/0/tree", over(WAX, "_once", "k2"));
        assertThat(trees()).isEqualTo(before + 3);
    }

    @Test
    void aNewFiringAndAWeighingSentTwiceAreOne() throws Exception {
        send(owner, "/trees/" + tree + "/mold", FLASK);
        Map<String, String> load = typed("version", "0", "name", "Flood tide", "_once", "f");
        load.put("molds[" + tree + "].in", "yes");
        sentAtOnce(3, "/firings/0/load", load);
        assertThat(count("firing where studio_id = ?", owner.studioId())).isEqualTo(1);
        sentAtOnce(3, "/trees/" + tree + "/weigh", typed("mass", "101 g", "_once", "w"));
        assertThat(count("weighing where tree_id = ?", tree)).isLessThanOrEqualTo(1);
    }

    /** What was remarked at a field may be sent again, corrected or not. */
    @Test
    void aRemarkDoesNotUseTheKeyUp() throws Exception {
        Map<String, String> wrong = over(WAX, "_once", "r", "parts[a].mass_g", "heavy");
        assertThat(send(owner, "/trees/0/tree", wrong).getStatus()).isEqualTo(422);
        assertThat(send(owner, "/trees/0/tree", wrong).getStatus()).isEqualTo(422);
        assertThat(send(owner, "/trees/0/tree", over(WAX, "_once", "r")).getStatus())
                .isEqualTo(302);
        assertThat(count("sent_form where account_id = ? and location is null", owner.id()))
                .isZero();
    }

    /** Two accounts, one key: each has its own. */
    @Test
    void aKeyIsItsAccountsOwn() throws Exception {
        var colleague = Studio.colleague(accounts, passwords, owner);
        long before = trees();
        send(owner, "/trees/0/tree", over(WAX, "_once", "shared"));
        send(colleague, "/trees/0/tree", over(WAX, "_once", "shared"));
        assertThat(trees()).isEqualTo(before + 2);
    }

    /** Each form of a page carries a key of its own, and no handler sees it. */
    @Test
    void formsCarryTheirKey() throws Exception {
        String page = page(owner, "/trees/" + tree + "/tree");
        Matcher keys =
                Pattern.compile("name=\"_once\" value=\"([0-9a-f-]{36})\"").matcher(page);
        List<String> all = new ArrayList<>();
        while (keys.find()) {
            all.add(keys.group(1));
        }
        assertThat(all).isNotEmpty().doesNotHaveDuplicates();
        send(owner, "/trees/" + tree + "/tree", over(WAX, "version", "1", "_once", all.get(0)));
        assertThat(jdbc.sql("select fields::text from sheet where tree_id = ? and stage = 'tree'")
                        .param(tree)
                        .query(String.class)
                        .single())
                .doesNotContain("_once");
    }

    /** A form with a file carries its key too, and is taken in. */
    @Test
    void aFormWithAFileIsTakenIn() throws Exception {
        String piece = send(owner, "/pieces/0", typed("version", "0", "name", "Cockle", "count", "1"))
                .getRedirectedUrl();
        java.io.ByteArrayOutputStream png = new java.io.ByteArrayOutputStream();
        javax.imageio.ImageIO.write(new java.awt.image.BufferedImage(20, 20, 1), "png", png);
        var sent = mvc.perform(
                        org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart(
                                        "/pieces/" + number(piece) + "/photos")
                                .file(new org.springframework.mock.web.MockMultipartFile(
                                        "photo", "a.png", "image/png", png.toByteArray()))
                                .param("shows", "the foot")
                                .param("_once", "p1")
                                .with(Studio.as(owner))
                                .with(org.springframework.security.test.web.servlet.request
                                        .SecurityMockMvcRequestPostProcessors.csrf()))
                .andReturn()
                .getResponse();
        assertThat(sent.getStatus()).isLessThan(400);
    }

    /** Whatever points elsewhere can be looked up from there. */
    @Test
    void everyForeignKeyHasAnIndex() {
        List<String> bare = jdbc.sql("""
                        select c.conrelid::regclass::text || ' (' || string_agg(a.attname, ', ' order by k.ord) || ')'
                          from pg_constraint c
                         cross join lateral unnest(c.conkey) with ordinality as k(attnum, ord)
                          join pg_attribute a on a.attrelid = c.conrelid and a.attnum = k.attnum
                         where c.contype = 'f' and c.connamespace = 'public'::regnamespace
                           and not exists (select 1 from pg_index i where i.indrelid = c.conrelid and i.indpred is null
                                and (i.indkey::int2[])[0:cardinality(c.conkey)-1] @> c.conkey
                                and (i.indkey::int2[])[0:cardinality(c.conkey)-1] <@ c.conkey)
                         group by c.oid, c.conrelid
                        """).query(String.class).list();
        assertThat(bare).isEmpty();
    }
}
