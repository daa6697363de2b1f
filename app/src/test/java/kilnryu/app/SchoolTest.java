package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;

/** A studio copies a school, changes its rules, and plans by it. */
class SchoolTest extends AppTest {
    private static final String MOST = "gating.ratio.most.choked";

    private String copied(Account account, String craft, String from) throws Exception {
        String to = send(account, "/schools/copy", Map.of("craft", craft, "from", from))
                .getRedirectedUrl();
        assertThat(to).startsWith("/schools/");
        return to.substring("/schools/".length());
    }

    private MockHttpServletResponse change(String id, Map<String, String> rules) throws Exception {
        Map<String, String> form = new HashMap<>(Map.of("version", "1", "name", "Leaves, our way"));
        form.putAll(rules);
        return send(owner, "/schools/" + id, form);
    }

    /** Two gates of 63.6 mm2 over a sprue of 113.1: 1.13 times. */
    private long leaves(String school) throws Exception {
        Map<String, String> fields = GatingPagesTest.built();
        fields.put("gating_school", school);
        return tree(owner, fields);
    }

    @Test
    void aTreeIsJudgedByTheStudiosOwnSchool() throws Exception {
        assertThat(page(owner, "/trees/" + leaves("choked") + "/gating")).contains("this school goes to 0.9");
        String id = copied(owner, "gating", "choked");
        assertThat(page(owner, "/schools/" + id)).contains("Our choked", "copied from choked");
        assertThat(change(id, Map.of(MOST, "1.2")).getRedirectedUrl()).endsWith("?saved");
        long tree = leaves("own-" + id);
        assertThat(page(owner, "/trees/" + tree + "/gating"))
                .contains("Leaves, our way (the studio&#39;s own)")
                .doesNotContain("this school goes to");
        change(id, Map.of("version", "2", MOST, "1"));
        assertThat(page(owner, "/trees/" + tree + "/gating")).contains("this school goes to 1.0");
        assertThat(page(owner, "/schools/" + id)).contains("One tree is planned by it");
    }

    @Test
    void aRuleNamesTheSchoolItComesFrom() throws Exception {
        String id = copied(owner, "gating", "free-tree");
        change(id, Map.of("gating.head", "200"));
        assertThat(page(owner, "/trees/" + leaves("own-" + id) + "/gating"))
                .contains("rim; 200 asked", "school of gating &quot;Leaves, our way&quot;");
    }

    @Test
    void badRulesKeepWhatWasTyped() throws Exception {
        String id = copied(owner, "gating", "choked");
        MockHttpServletResponse bad = change(id, Map.of(MOST, "9000", "gating.head", "tall", "name", ""));
        assertThat(bad.getStatus()).isEqualTo(422);
        assertThat(bad.getContentAsString()).contains("9000", "This is too large", "tall", "Give the school a name.");
        assertThat(page(owner, "/schools/" + id)).contains("Our choked").doesNotContain("9000");
    }

    @Test
    void twoWhoChangeASchoolAtOnceAreTold() throws Exception {
        String id = copied(owner, "gating", "choked");
        change(id, Map.of(MOST, "1.2"));
        MockHttpServletResponse late = change(id, Map.of(MOST, "1.4"));
        assertThat(late.getStatus()).isEqualTo(409);
        assertThat(late.getContentAsString()).contains("Someone saved in between", "value=\"1.4\"");
        assertThat(page(owner, "/schools")).contains("at most 1.2").doesNotContain("at most 1.4");
    }

    @Test
    void aSchoolPutAwayIsOfferedNoMoreButKept() throws Exception {
        String id = copied(owner, "gating", "choked");
        change(id, Map.of(MOST, "1.2"));
        long tree = leaves("own-" + id);
        send(owner, "/schools/" + id + "/away", Map.of());
        assertThat(page(owner, "/trees/new")).doesNotContain("own-" + id);
        assertThat(page(owner, "/trees/" + tree + "/gating"))
                .contains("value=\"own-" + id + "\" selected")
                .doesNotContain("this school goes to");
        send(owner, "/schools/" + id + "/back", Map.of());
        assertThat(page(owner, "/trees/" + leaves("choked") + "/gating")).contains("own-" + id);
    }

    @Test
    void anOwnSchoolOfMixingSetsTheClockOfTheBench() throws Exception {
        String id = copied(owner, "mixing", "vacuum");
        change(id, Map.of("mix.vacuum.mix", "2 min 30 s"));
        change(id, Map.of("mix.vacuum.mix", "2.5"));
        long tree = tree(owner, WAX);
        Map<String, String> mold = new HashMap<>(FLASK);
        mold.put("mix_school", "own-" + id);
        send(owner, "/trees/" + tree + "/mold", mold);
        assertThat(page(owner, "/trees/" + tree + "/card")).contains("Mix, 2.5 min");
    }

    @Test
    void anOwnSchoolOfBurnoutHoldsLonger() throws Exception {
        String id = copied(owner, "burnout", "dry-first");
        change(id, Map.of("hold.soak.wax", "100"));
        long tree = tree(owner, WAX);
        send(owner, "/trees/" + tree + "/mold", FLASK);
        Map<String, String> firing =
                new LinkedHashMap<>(Map.of("version", "0", "section", "medium", "school", "dry-first"));
        String usual = send(owner, "/trees/" + tree + "/firing/try", firing).getContentAsString();
        firing.put("school", "own-" + id);
        String own = send(owner, "/trees/" + tree + "/firing/try", firing).getContentAsString();
        // 60 min at heat at the least; then 100
        assertThat(usual).contains("max(60 min, ");
        assertThat(own).contains("max(100 min, ", "school of burnout &quot;Leaves, our way&quot;");
    }

    @Test
    void aPlanGoesOutWithTheRulesOfItsSchool() throws Exception {
        String id = copied(owner, "gating", "choked");
        change(id, Map.of(MOST, "1.2"));
        String document = page(owner, "/trees/" + leaves("own-" + id) + "/plan.json");
        assertThat(document).contains("\"" + MOST + "\" : 1.2").doesNotContain("own-" + id);
        Account stranger = Studio.owner(accounts, passwords);
        String to = mvc.perform(multipart("/trees/import")
                        .file(new MockMultipartFile(
                                "document", "plan.json", "application/json", document.getBytes(StandardCharsets.UTF_8)))
                        .with(as(stranger))
                        .with(csrf()))
                .andReturn()
                .getResponse()
                .getRedirectedUrl();
        assertThat(page(stranger, to.replace("/tree?imported", "/gating"))).doesNotContain("this school goes to");
    }

    @Test
    void schoolsOfOthersAreNotFound() throws Exception {
        String id = copied(owner, "gating", "choked");
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(read(stranger, "/schools/" + id).getStatus()).isEqualTo(404);
        assertThat(send(stranger, "/schools/" + id + "/away", Map.of()).getStatus())
                .isEqualTo(404);
        assertThat(send(stranger, "/schools/copy", Map.of("craft", "gating", "from", "own-" + id))
                        .getStatus())
                .isEqualTo(404);
        assertThat(send(owner, "/schools/copy", Map.of("craft", "weaving", "from", "choked"))
                        .getStatus())
                .isEqualTo(404);
        Map<String, String> fields = GatingPagesTest.built();
        fields.put("gating_school", "own-" + id);
        assertThat(send(stranger, "/trees/0/gating", fields).getStatus()).isEqualTo(422);
    }
}
