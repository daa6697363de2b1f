package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import kilnryu.app.plan.DocumentController;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.core.io.ClassPathResource;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** {@code POST /api/compute/plan}: what the pages say of a plan, asked by a program. */
class PlanApiTest extends AppTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    /** One cylinder of sprue wax, 10 by 40 mm: 3.142 cm3. */
    private static final String BARE = """
            {"format": "kiln-ryu-plan", "version": 1, "name": "One rod", "tree": {"alloy": "ag-925", "parts": [
              {"name": "rod", "role": "piece", "material": "sprue-wax", "rod": {"diameter_mm": 10, "length_mm": 40}}]}%s}
            """;

    @Autowired
    private DocumentController documents;

    private MockHttpServletResponse ask(String document) throws Exception {
        return mvc.perform(post("/api/compute/plan")
                        .with(httpBasic(owner.login(), Studio.PASSWORD))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(document))
                .andReturn()
                .getResponse();
    }

    private JsonNode answer(String document) throws Exception {
        MockHttpServletResponse response = ask(document);
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        return JSON.readTree(response.getContentAsString());
    }

    private static List<String> texts(JsonNode list) {
        List<String> texts = new ArrayList<>();
        list.forEach(t -> texts.add(t.asString()));
        return texts;
    }

    private static List<String> found(JsonNode answer, String stage) {
        List<String> ids = new ArrayList<>();
        answer.get("findings").forEach(f -> {
            assertThat(f.get("place").asString()).isNotBlank();
            assertThat(f.get("reason").asString()).isNotBlank();
            if (f.get("stage").asString().equals(stage)) {
                ids.add(f.get("id").asString());
            }
        });
        return ids;
    }

    private static String demo(String name) throws Exception {
        return new ClassPathResource("demo/" + name + ".json")
                .getContentAsString(StandardCharsets.UTF_8)
                .replaceAll("\\{in \\d days}", "2030-06-03");
    }

    /** pi / 4 * 1^2 * 4 = 3.1416 cm3 of wax, 32.36 g of sterling at 10.3 to 10.4; all else is not known. */
    @Test
    void whatIsMissingIsNamed() throws Exception {
        JsonNode answer = answer(BARE.formatted(""));
        assertThat(answer.get("figures").get("tree_volume_cm3").asDouble()).isCloseTo(3.1416, within(0.0001));
        JsonNode judged = answer.get("judged");
        assertThat(judged.get("gating").asString()).isEqualTo("no");
        assertThat(judged.get("mold").asString()).isEqualTo("no");
        assertThat(judged.get("firing").asString()).isEqualTo("no");
        assertThat(texts(judged.get("missing")))
                .contains("the mold", "the program of the kiln")
                .anyMatch(m -> m.startsWith("how the parts stand on each other"))
                .anyMatch(m -> m.startsWith("crucible"));
    }

    /** With an hour, sections, sizes, gating and equipment all is judged; a crucible of 1 kg is then too small for 1.2. */
    @Test
    void aWholePlanIsJudgedWhole() throws Exception {
        Map<String, String> equipment = Map.of("version", "0", "crucible_cm3", "500 cm³", "lift_kg", "25 kg");
        send(owner, "/equipment", equipment);
        JsonNode answer = answer(demo("maple-keys"));
        assertThat(texts(answer.get("judged").get("missing"))).isEmpty();
        for (String stage : List.of("tree", "gating", "mold", "firing")) {
            assertThat(answer.get("judged").get(stage).asString()).isEqualTo("yes");
        }
        assertThat(found(answer, "tree")).doesNotContain("crucible");
        assertThat(answer.get("figures").propertyNames())
                .contains("charge_g", "powder_g", "program_min", "pour_C", "mold.wall_mm");
        send(
                owner,
                "/equipment",
                Map.of("version", "1", "crucible_cm3", "500 cm³", "crucible_rated_g", "100 g", "lift_kg", "25 kg"));
        assertThat(found(answer(demo("maple-keys")), "tree")).contains("crucible");
    }

    /** The same findings as the pages of the same document, taken in. */
    @ParameterizedTest
    @ValueSource(strings = {"maple-keys", "wading-bird", "lantern-fish", "tern-body", "curlew-leg", "limpet-cufflinks"})
    void itSaysWhatThePagesSay(String name) throws Exception {
        String document = demo(name);
        JsonNode answer = answer(document);
        long id = documents.take(owner, document);
        String gating = text(page(owner, "/trees/" + id + "/gating"));
        String mold = text(page(owner, "/trees/" + id + "/mold"));
        answer.get("findings").forEach(f -> {
            String message = f.get("message").asString();
            String where = f.get("stage").asString().equals("gating") ? gating : mold;
            assertThat(where).contains(message.replace("\"", "&quot;"));
        });
    }

    private static String text(String page) {
        return page.replace("&#39;", "'");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "{}",
                "[]",
                "no json",
                "{\"format\": \"kiln-ryu-plan\", \"version\": 99}",
                "{\"format\": \"other\"}"
            })
    void whatIsNoPlanIsSaidSo(String document) throws Exception {
        MockHttpServletResponse response = ask(document);
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("plan");
    }

    @Test
    void aFieldThatCannotBeIsNamed() throws Exception {
        assertThat(ask(BARE.formatted("").replace("\"length_mm\": 40", "\"length_mm\": -40"))
                        .getContentAsString())
                .contains("length_mm");
    }
}
