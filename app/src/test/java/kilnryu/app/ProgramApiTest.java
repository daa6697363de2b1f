package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** {@code POST /api/compute/program}: the usual hours, what is chosen, and that {@code /burnout} says the same of it. */
class ProgramApiTest extends AppTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String MEDIUM = flask(80, 100, "");

    private static String flask(double diameter, double height, String more) {
        return "\"mold\": {\"kind\": \"flask\", \"inner_diameter_mm\": %s, \"height_mm\": %s, \"system\": \"gypsum-jewelry\"%s}"
                .formatted(diameter, height, more);
    }

    private static String what(String pattern, String alloy, String sections) {
        return "\"pattern\": \"%s\", \"alloy\": \"%s\", \"sections\": \"%s\"".formatted(pattern, alloy, sections);
    }

    private MockHttpServletResponse ask(String address, String... fields) throws Exception {
        return mvc.perform(post("/api/compute/" + address)
                        .with(httpBasic(owner.login(), Studio.PASSWORD))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{" + String.join(", ", fields) + "}"))
                .andReturn()
                .getResponse();
    }

    private JsonNode answer(String address, String... fields) throws Exception {
        MockHttpServletResponse response = ask(address, fields);
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        return JSON.readTree(response.getContentAsString());
    }

    private static double figure(JsonNode answer, String name) {
        return answer.get("figures").get(name).asDouble();
    }

    private static List<String> found(JsonNode answer) {
        List<String> ids = new ArrayList<>();
        answer.get("findings").forEach(f -> ids.add(f.get("id").asString()));
        return ids;
    }

    /** Handbook 7: hours of everyday programs, to a quarter. */
    @ParameterizedTest
    @CsvSource({"65, 75, 5, 6", "80, 100, 8, 8", "100, 150, 12, 12", "150, 230, 18, 24"})
    void theUsualHours(double diameter, double height, double least, double most) throws Exception {
        JsonNode answer = answer("program", flask(diameter, height, ""), what("injection-wax", "si-bronze", "medium"));
        assertThat(figure(answer, "program_min") / 60).isBetween(0.75 * least, 1.25 * most);
        assertThat(figure(answer, "strain_mismatch_pct")).isBetween(0.75, 0.87);
        assertThat(found(answer)).containsExactly("simulated");
    }

    /** Its segments go into /burnout as they are and mean the same there, with a kiln, with a drier mold, with steel. */
    @ParameterizedTest
    @ValueSource(
            strings = {
                "\"pattern\": \"injection-wax\"",
                "\"pattern\": \"castable-resin\"",
                "\"pattern\": \"injection-wax\", \"kiln\": {\"power_kW\": 3, \"max_C\": 1100, \"empty_to_700_min\": 60}"
            })
    void burnoutSaysTheSame(String how) throws Exception {
        for (String mold : List.of(MEDIUM, flask(80, 100, ", \"free_water_pct\": 40, \"wall_mm\": 1.6"))) {
            JsonNode program = answer("program", mold, how, "\"alloy\": \"ag-925\", \"sections\": \"thin\"");
            JsonNode burnout = answer(
                    "burnout",
                    mold,
                    how,
                    "\"program\": " + program.get("figures").get("segments"));
            for (String[] same : new String[][] {
                {"program_min", "program_min"},
                {"dry_min", "core_past_105_min"},
                {"past_680_min", "core_past_680_min"},
                {"strain_mismatch_pct", "strain_mismatch_pct"},
                {"residue_char_pct", "residue_pct"}
            }) {
                assertThat(figure(burnout, same[1])).as(same[0]).isCloseTo(figure(program, same[0]), within(1e-9));
            }
            if (how.contains("kiln")) {
                assertThat(figure(burnout, "energy_kWh")).isCloseTo(figure(program, "energy_kWh"), within(1e-9));
            }
        }
    }

    /** Silver in thin sections: 893 + 135 C into 620; typed ones hold. */
    @Test
    void metalAndMoldAtThePour() throws Exception {
        JsonNode usual = answer("program", MEDIUM, what("injection-wax", "ag-925", "thin"));
        assertThat(figure(usual, "pour_C")).isEqualTo(1028);
        assertThat(figure(usual, "mold_C")).isEqualTo(620);
        JsonNode own = answer(
                "program", MEDIUM, what("injection-wax", "ag-925", "thin"), "\"pour_C\": 1075", "\"mold_C\": 350");
        assertThat(figure(own, "pour_C")).isEqualTo(1075);
        assertThat(own.get("figures").get("segments").get(4).get("target_C").asDouble())
                .isEqualTo(350);
        assertThat(found(own)).contains("metal-over-limit", "mold-far-too-cold");
    }

    /** The wax is out long before the mold is dry; nobody turns a flask where nothing drains. */
    @Test
    void trayAndTurn() throws Exception {
        JsonNode wax = answer("program", MEDIUM, what("injection-wax", "si-bronze", "medium"));
        assertThat(figure(wax, "tray_out_min")).isBetween(40.0, figure(wax, "dry_min") / 2);
        assertThat(figure(wax, "turn_min")).isEqualTo(figure(wax, "tray_out_min"));
        JsonNode resin = answer("program", MEDIUM, what("castable-resin", "si-bronze", "medium"));
        assertThat(resin.get("figures").get("tray_out_min").isNull()).isTrue();
        assertThat(resin.get("figures").get("turn_min").isNull()).isTrue();
        assertThat(figure(resin, "residue_ash_pct")).isZero();
        JsonNode plants = answer("program", MEDIUM, what("organic", "si-bronze", "medium"));
        assertThat(figure(plants, "residue_ash_pct")).isEqualTo(4);
        assertThat(found(plants)).contains("ash");
    }

    @ParameterizedTest
    @ValueSource(strings = {"standard", "dry-first", "overnight", "steam-first", "filament", "unknown", "switch"})
    void everySchoolHasItsName(String school) throws Exception {
        JsonNode answer = answer(
                "program", MEDIUM, what("filament-pla", "si-bronze", "medium"), "\"school\": \"" + school + "\"");
        assertThat(figure(answer, "dry_min")).isPositive();
        assertThat(figure(answer, "program_min")).isGreaterThan(figure(answer, "past_680_min"));
    }

    /** To 16 kg in 36 to 72 h, and drier ones sooner; the drain is the caster's. */
    @Test
    void blocksDrynessAndDrain() throws Exception {
        String block =
                "\"mold\": {\"kind\": \"block\", \"width_mm\": 200, \"height_mm\": 230, \"system\": \"plaster-silica\"%s}";
        String how = what("sculpture-wax", "si-bronze", "heavy");
        JsonNode fresh = answer("program", block.formatted(""), how);
        assertThat(figure(fresh, "program_min") / 60).isBetween(36.0, 72.0);
        JsonNode dried = answer("program", block.formatted(", \"free_water_pct\": 20"), how);
        assertThat(figure(dried, "dry_min")).isLessThan(figure(fresh, "dry_min") - 200);
        JsonNode drained = answer("program", MEDIUM, what("filament-pla", "si-bronze", "medium"), "\"drain_C\": 200");
        assertThat(drained.get("figures").get("segments").get(1).get("target_C").asDouble())
                .isEqualTo(200);
    }

    /** 600 K/h onto a wet mold: what the pages say of steam, the API says. */
    @Test
    void steamIsSaidOfATypedProgram() throws Exception {
        JsonNode answer = answer(
                "burnout",
                MEDIUM,
                "\"program\": [{\"rate_K_h\": 900, \"target_C\": 730, \"hold_min\": 300}, {\"rate_K_h\": 200, \"target_C\": 540, \"hold_min\": 90}]");
        assertThat(found(answer)).contains("steam");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"pattern\": \"injection-wax\" | alloy",
                "\"pattern\": \"soap\", \"alloy\": \"ag-925\", \"sections\": \"thin\" | pattern",
                "\"pattern\": \"beeswax\", \"alloy\": \"ag-925\", \"sections\": \"thick\" | sections",
                "\"pattern\": \"beeswax\", \"alloy\": \"ag-925\", \"sections\": \"thin\", \"school\": \"zen\" | school",
                "\"pattern\": \"beeswax\", \"alloy\": \"ag-925\", \"sections\": \"thin\", \"drain_C\": 20 | drain_C",
                "\"pattern\": \"beeswax\", \"alloy\": \"ag-925\", \"sections\": \"thin\", \"glaze\": 1 | glaze"
            })
    void whatCannotBeIsNamedAtItsField(String rest, String field) throws Exception {
        MockHttpServletResponse response = ask("program", MEDIUM, rest);
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("\"field\":\"" + field + "\"");
    }

    /** A metal without a usual mold, an investment of which only the supplier knows: a stop and no made-up program. */
    @Test
    void noProgramWhereNoRuleKnows() throws Exception {
        JsonNode answer = answer("program", MEDIUM, what("beeswax", "pt-950", "thin"));
        assertThat(found(answer)).contains("no-program");
        assertThat(answer.get("figures").get("segments")).isEmpty();
        assertThat(answer.get("figures").get("program_min").isNull()).isTrue();
    }
}
