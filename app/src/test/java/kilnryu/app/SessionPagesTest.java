package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;

/** Several molds mixed in one session, and tags for them. */
class SessionPagesTest extends AppTest {
    private long one;
    private long two;

    @BeforeEach
    void twoFlasksAndABucket() throws Exception {
        one = mold("40");
        two = mold("40");
        Map<String, String> shop = new LinkedHashMap<>(Map.of("version", "0"));
        shop.put("bowls[k1].name", "bucket");
        shop.put("bowls[k1].volume_cm3", "6 l");
        shop.put("bell_places", "2");
        send(owner, "/equipment", shop);
    }

    private long mold(String water) throws Exception {
        long id = tree(owner, WAX);
        Map<String, String> mold = new HashMap<>(FLASK);
        mold.put("water_per_100", water);
        send(owner, "/trees/" + id + "/mold", mold);
        return id;
    }

    private String both() {
        return "?tree=" + one + "&tree=" + two;
    }

    private String start() throws Exception {
        return send(owner, "/mixing" + both(), Map.of()).getRedirectedUrl();
    }

    /** 1442 g and 577 g each; 4.5 + 2 + 1.5 is 8 of 9.5 min: one bowl for both. */
    @Test
    void twoMoldsShareABowl() throws Exception {
        assertThat(page(owner, "/mixing" + both()))
                .contains("1 bowl", "2885", "1154", "No grouping needs fewer.", "1 min 30 s before gloss-off", "In all")
                .contains("The session on one clock");
    }

    /** Neither mold has an hour nor a crucible to be held against: the session alone is no reason to say that all is well. */
    @Test
    void aSessionIsNotFineWhileItsMoldsAreNotJudged() throws Exception {
        assertThat(page(owner, "/mixing" + both()))
                .contains("<b>Not yet judged</b>", "of Reed warbler: ")
                .doesNotContain("No problems found");
    }

    @Test
    void aMoldOfAnotherMixIsLeftOut() throws Exception {
        long other = mold("42");
        assertThat(page(owner, "/mixing" + both() + "&tree=" + other))
                .contains("is left out: ", "another mix than", "W/P 4");
        assertThat(page(owner, "/mixing" + both() + "&tree=987654321")).contains("Mold 987654321 is left out");
    }

    @Test
    void theSessionIsWorkedStepByStepAndEachMoldKeepsItsRecord() throws Exception {
        String bench = start();
        assertThat(bench).matches("/mixing/\\d+/bench");
        assertThat(page(owner, bench)).contains("Make ready");
        String base = bench.replace("/bench", "");
        send(owner, base + "/bench/next", Map.of("step", "0"));
        assertThat(page(owner, bench)).contains("Weigh the water, bowl 1 of 1", "1154");
        assertThat(page(owner, "/trees/" + one + "/bench")).contains("Weigh the water, bowl 1 of 1");
        for (int step = 1; step < 11; step++) {
            send(owner, base + "/bench/next", Map.of("step", "" + step, "reading", step == 5 || step == 8 ? "95" : ""));
        }
        assertThat(page(owner, "/mixing")).contains("2 molds", "done ");
        assertThat(page(owner, "/trees/" + two + "/bench")).contains("Last mixing", "95.0 kPa", "Is it dry?");
        assertThat(page(owner, "/trees/" + two + "/mold")).contains("mixed");
    }

    /** What is mixed to the end, fired or opened is not offered again; a mixing that was given up is. */
    @Test
    void onlyMoldsThatWaitAreOffered() throws Exception {
        String tick = "type=\"checkbox\" name=\"tree\" value=\"%d\"";
        assertThat(page(owner, "/mixing")).contains(tick.formatted(one), tick.formatted(two));
        String base =
                send(owner, "/mixing?tree=" + one, Map.of()).getRedirectedUrl().replace("/bench", "");
        send(owner, base + "/bench/trouble", Map.of("what", "LUMPY", "giveUp", "true"));
        assertThat(page(owner, "/mixing")).contains(tick.formatted(one));
        base = send(owner, "/mixing?tree=" + one, Map.of()).getRedirectedUrl().replace("/bench", "");
        for (int step = 0; step < 16; step++) {
            send(owner, base + "/bench/next", Map.of("step", "" + step, "reading", ""));
            // a step under vacuum asks for the gauge
            send(owner, base + "/bench/next", Map.of("step", "" + step, "reading", "95"));
        }
        assertThat(page(owner, "/mixing"))
                .contains("done ")
                .doesNotContain(tick.formatted(one))
                .contains(tick.formatted(two));
        // ticked by its address it is there all the same
        assertThat(page(owner, "/mixing?tree=" + one)).contains(tick.formatted(one));
    }

    @Test
    void aMoldIsNotMixedTwiceAtOnce() throws Exception {
        start();
        MockHttpServletResponse again = send(owner, "/mixing" + both(), Map.of());
        assertThat(again.getStatus()).isEqualTo(409);
        assertThat(again.getContentAsString()).contains("is being mixed already");
    }

    @Test
    void aSlowHandIsLateBeforeItHappens() throws Exception {
        assertThat(page(owner, "/mixing?tree=" + one + "&pour_min=6")).contains("after gloss-off", "disabled");
        MockHttpServletResponse refused = send(owner, "/mixing?tree=" + one + "&pour_min=6", Map.of());
        assertThat(refused.getStatus()).isEqualTo(409);
        assertThat(page(owner, "/mixing?tree=" + one + "&pour_min=quick")).contains("value=\"quick\"");
    }

    @Test
    void aStopOfAPlanHoldsTheSessionBack() throws Exception {
        Map<String, String> narrow = new HashMap<>(FLASK);
        narrow.put("version", "1");
        narrow.put("tree_width_mm", "130");
        send(owner, "/trees/" + one + "/mold", narrow);
        MockHttpServletResponse refused = send(owner, "/mixing" + both(), Map.of());
        assertThat(refused.getStatus()).isEqualTo(409);
        assertThat(refused.getContentAsString()).contains("The tree does not go in");
    }

    @Test
    void sessionsOfOthersAreNotFound() throws Exception {
        String bench = start();
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, bench).getStatus()).isEqualTo(404);
        assertThat(page(stranger, "/mixing" + both())).doesNotContain("Reed warbler");
        assertThat(send(stranger, bench + "/next", Map.of("step", "0")).getStatus())
                .isEqualTo(404);
        assertThat(send(owner, "/mixing", Map.of()).getStatus()).isEqualTo(409);
    }

    @Test
    void aTagNamesTheMoldAndItsMetal() throws Exception {
        String page = page(owner, "/labels?tree=" + one + "&each=3");
        assertThat(page)
                .contains("no. " + one, "100 × 150 mm", "silicon bronze", "Code for http://localhost/trees/" + one);
        assertThat(page.split("Code for").length - 1).isEqualTo(3);
        MockHttpServletResponse pdf = read(owner, "/trees/" + one + "/label.pdf");
        assertThat(pdf.getContentAsByteArray()).startsWith("%PDF".getBytes(java.nio.charset.StandardCharsets.US_ASCII));
        assertThat(read(owner, "/labels.pdf?tree=" + one + "&tree=" + two + "&each=5")
                        .getStatus())
                .isEqualTo(200);
        assertThat(read(Studio.owner(accounts, passwords), "/labels.pdf?tree=" + one)
                        .getStatus())
                .isEqualTo(404);
    }
}
