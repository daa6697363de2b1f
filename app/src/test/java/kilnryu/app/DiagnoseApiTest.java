package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Diagnosis as the second contract has it. */
class DiagnoseApiTest extends AppTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final List<String> IDS = List.of(
            "mold-too-cold",
            "metal-too-cold",
            "section-too-thin",
            "gas-cannot-leave",
            "vacuum-failed",
            "head-too-low",
            "no-feed",
            "thin-between-heavy",
            "too-hot",
            "pattern-residue",
            "damp",
            "dissolved-gas",
            "bubbles-in-mix",
            "water-too-much",
            "heated-too-fast",
            "overfired",
            "shell-cracked",
            "shell-too-thin",
            "inclusions",
            "turbulent-fill",
            "quenched-hot",
            "mold-restrains",
            "shrinkage-factor",
            "pattern-wrong",
            "core-moved",
            "alloy-off",
            "pattern-handling");

    private JsonNode ask(int status, String body) throws Exception {
        MockHttpServletResponse response = mvc.perform(post("/api/compute/diagnose")
                        .with(httpBasic(owner.login(), Studio.PASSWORD))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(status);
        return JSON.readTree(response.getContentAsString());
    }

    private static String limpets(String facts, String defects) {
        return """
                {"alloy": "si-bronze", "mold": {"kind": "flask", "system": "gypsum-jewelry"},
                 "pattern": {"material": "injection-wax"}, "facts": {%s}, "defects": [%s]}
                """.formatted(facts, defects);
    }

    @Test
    void theMisrunsOfALowVacuum() throws Exception {
        JsonNode answer = ask(200, limpets("""
                "gauge_kPa": {"value": 58, "how": "measured"},
                "vents": {"value": "none", "how": "planned"},
                "carry_s": {"value": 39, "how": "measured"}, "carry_window_s": {"value": 165, "how": "planned"},
                "mold_C": {"value": 531, "how": "measured"}, "mold_planned_C": {"value": 500, "how": "planned"},
                "metal_C": {"value": 1144, "how": "measured"}, "metal_planned_C": {"value": 1130, "how": "planned"},
                "previous_same_place": {"value": 0, "how": "measured"}
                """, """
                {"kind": "misrun", "places": ["far-end", "top"], "extent": "medium", "repeats": true}
                """));
        JsonNode causes = answer.path("causes");

        assertThat(causes.valueStream().map(c -> c.path("id").asString())).containsExactlyInAnyOrderElementsOf(IDS);
        assertThat(causes.valueStream().map(c -> c.path("rank").asInt()))
                .startsWith(1, 2, 3)
                .endsWith(27);
        JsonNode first = causes.get(0);
        assertThat(first.path("id").asString()).isEqualTo("vacuum-failed");
        assertThat(first.path("word").asString()).isEqualTo("likely");
        assertThat(first.path("for").valueStream().map(JsonNode::asString))
                .contains("vacuum gauge 58 kPa vacuum, under 70 kPa vacuum");
        assertThat(first.path("unknown").valueStream().map(JsonNode::asString)).contains("gasket of the vacuum table");
        assertThat(first.path("change").asString()).startsWith("Try the pump cold");
        assertThat(first.path("look_at").asString()).contains("gasket");
        JsonNode cold = cause(causes, "mold-too-cold");
        assertThat(cold.path("word").asString()).isEqualTo("ruled-out");
        assertThat(cold.path("against").valueStream().map(JsonNode::asString))
                .contains("mold at the pour 531 °C, planned 500 °C");
        assertThat(cause(causes, "metal-too-cold").path("word").asString()).isEqualTo("ruled-out");
        assertThat(answer.path("figures").path("vacuum-failed").asDouble())
                .isEqualTo(first.path("score").asDouble());
        assertThat(answer.path("sums").isArray()).isTrue();
        assertThat(answer.path("findings").isArray()).isTrue();
        assertThat(answer.path("ask")).isNotEmpty();
    }

    private static JsonNode cause(JsonNode causes, String id) {
        return causes.valueStream()
                .filter(c -> c.path("id").asString().equals(id))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void nothingKnownRulesNothingOut() throws Exception {
        JsonNode causes = ask(200, """
                        {"alloy": "al-si7", "mold": {"kind": "shell"}, "pattern": {"material": "foam-eps"},
                         "defects": [{"kind": "inclusion", "places": []}]}
                        """).path("causes");
        assertThat(causes.valueStream()
                        .filter(c -> c.path("word").asString().equals("ruled-out"))
                        .map(c -> c.path("id").asString()))
                .as("a shell has no mix water")
                .containsExactly("water-too-much");
        assertThat(causes.valueStream().map(c -> c.path("word").asString())).doesNotContain("likely");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"colour\": {\"value\": 3, \"how\": \"measured\"} | facts.colour.value",
                "\"carry_s\": {\"value\": -4, \"how\": \"measured\"} | facts.carry_s.value",
                "\"carry_s\": {\"value\": \"long\", \"how\": \"measured\"} | facts.carry_s.value",
                "\"carry_s\": {\"value\": 40} | facts.carry_s.how",
                "\"carry_s\": {\"how\": \"measured\"} | facts.carry_s.value",
                "\"vents\": {\"value\": \"shut\", \"how\": \"measured\"} | facts.vents.value",
                "\"mold_kind\": {\"value\": \"shell\", \"how\": \"measured\"} | facts.mold_kind.value",
                "\"dry\": {\"value\": \"proved\", \"how\": \"guessed\"} | facts.dry.how"
            })
    void aFactThatCannotBeIsRefusedAtItsField(String facts, String field) throws Exception {
        JsonNode problem = ask(422, limpets(facts, "{\"kind\": \"misrun\", \"places\": [\"thin\"]}"));
        assertThat(problem.path("errors").valueStream().map(e -> e.path("field").asString()))
                .contains(field);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"kind\": \"ugly\", \"places\": []} | defects[0].kind",
                "{\"places\": [\"top\"]} | defects[0].kind",
                "{\"kind\": \"misrun\", \"places\": [\"left\"]} | defects[0].places[0]",
                "{\"kind\": \"misrun\", \"places\": [\"top\"], \"extent\": \"huge\"} | defects[0].extent",
                "'' | defects"
            })
    void aDefectThatCannotBeIsRefusedAtItsField(String defect, String field) throws Exception {
        JsonNode problem = ask(422, limpets("", defect));
        assertThat(problem.path("errors").valueStream().map(e -> e.path("field").asString()))
                .contains(field);
    }
}
