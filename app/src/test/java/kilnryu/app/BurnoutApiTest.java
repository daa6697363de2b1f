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
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** {@code POST /api/compute/burnout}: the contract, the fine-grid solutions with water, and what is refused. */
class BurnoutApiTest extends AppTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();
    private static final String FLASK =
            "\"mold\": {\"kind\": \"flask\", \"inner_diameter_mm\": 63, \"height_mm\": 75, \"system\": \"gypsum-jewelry\"}";
    private static final String PROGRAM = program("150:150:90 150:370:60 200:480:60 200:730:120 200:540:60");

    /** Segments as rate:target:hold. */
    private static String program(String segments) {
        List<String> all = new ArrayList<>();
        for (String s : segments.split(" ")) {
            String[] parts = s.split(":");
            all.add("{\"rate_K_h\": %s, \"target_C\": %s, \"hold_min\": %s}".formatted((Object[]) parts));
        }
        return "\"program\": [" + String.join(", ", all) + "]";
    }

    private MockHttpServletResponse ask(String body) throws Exception {
        return mvc.perform(post("/api/compute/burnout")
                        .with(httpBasic(owner.login(), Studio.PASSWORD))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
    }

    private JsonNode answer(String... fields) throws Exception {
        MockHttpServletResponse response = ask("{" + String.join(", ", fields) + "}");
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        return JSON.readTree(response.getContentAsString());
    }

    private static double figure(JsonNode answer, String name) {
        return answer.get("figures").get(name).asDouble();
    }

    /** Fine-grid solutions with water: every time within 3 %, peaks, ends and lags within 2 K. */
    @ParameterizedTest
    @CsvSource({
        "63, 75, 150:150:90 150:370:60 200:480:60 200:730:120 200:540:60, 235, 311, 454, 730.0, 540.0, 273.8",
        "100, 150, 120:150:180 120:370:60 150:480:60 150:730:180 150:540:90, 420, 461, 627, 730.0, 540.6, 280.0",
        "88, 120, 600:150:120 600:370:120 600:700:150 300:300:120, 247, 295, 341, 700.0, 300.2, 275.0"
    })
    void theFineGridSolutions(
            double diameter,
            double height,
            String segments,
            double dry,
            double past400,
            double past680,
            double most,
            double end,
            double lag)
            throws Exception {
        JsonNode answer = answer(
                "\"mold\": {\"kind\": \"flask\", \"inner_diameter_mm\": %s, \"height_mm\": %s, \"system\": \"gypsum-jewelry\"}"
                        .formatted(diameter, height),
                program(segments));
        assertThat(figure(answer, "core_past_105_min")).isCloseTo(dry, within(0.03 * dry));
        assertThat(figure(answer, "core_past_400_min")).isCloseTo(past400, within(0.03 * past400));
        assertThat(figure(answer, "core_past_680_min")).isCloseTo(past680, within(0.03 * past680));
        assertThat(figure(answer, "core_max_C")).isCloseTo(most, within(2.0));
        assertThat(figure(answer, "core_end_C")).isCloseTo(end, within(2.0));
        assertThat(figure(answer, "largest_lag_K")).isCloseTo(lag, within(2.0));
    }

    /** 52 + 90, 88 + 60, 33 + 60, 75 + 120, 57 + 60 = 695 minutes. */
    @Test
    void everyFigureHasItsSum() throws Exception {
        JsonNode answer = answer(FLASK, PROGRAM);
        assertThat(figure(answer, "program_min")).isCloseTo(695, within(1e-6));
        JsonNode program = sum(answer, "program");
        assertThat(program.get("value").asDouble()).isCloseTo(695, within(1e-6));
        assertThat(program.get("mark").asString()).isEqualTo("P");
        for (String simulated : List.of("past_105", "past_400", "past_680", "core_max", "core_end", "lag", "strain")) {
            assertThat(sum(answer, simulated).get("mark").asString()).isEqualTo("M");
            assertThat(sum(answer, simulated).get("formula").asString()).isNotBlank();
        }
        assertThat(sum(answer, "residue").get("formula").asString()).contains("E 140 kJ/mol");
        assertThat(answer.get("figures").has("energy_kWh")).isFalse();
    }

    private static JsonNode sum(JsonNode answer, String symbol) {
        for (JsonNode sum : answer.get("sums")) {
            if (sum.get("symbol").asString().equals(symbol)) {
                return sum;
            }
        }
        throw new AssertionError("no sum of " + symbol + " in " + answer.get("sums"));
    }

    /** From the start to the end, in order, never wetter than before, the program's own line exact. */
    @Test
    void theTraceOfAFiring() throws Exception {
        JsonNode trace = answer(FLASK, PROGRAM).get("trace");
        assertThat(trace.size()).isGreaterThan(50);
        assertThat(trace.get(0).get("min").asDouble()).isZero();
        assertThat(trace.get(0).get("free_water_pct").asDouble()).isEqualTo(100);
        double before = -1;
        double water = 100;
        for (JsonNode m : trace) {
            double min = m.get("min").asDouble();
            assertThat(min).isGreaterThan(before);
            assertThat(m.get("free_water_pct").asDouble()).isLessThanOrEqualTo(water + 1e-9);
            assertThat(m.get("kiln_C").asDouble()).isEqualTo(m.get("program_C").asDouble());
            if (min <= 52) {
                assertThat(m.get("program_C").asDouble()).isCloseTo(20 + 2.5 * min, within(0.01));
            }
            before = min;
            water = m.get("free_water_pct").asDouble();
        }
        assertThat(before).isCloseTo(695, within(1e-6));
        assertThat(water).isZero();
    }

    /** A middle that never comes there: null and no number. */
    @Test
    void whatNeverHappensIsNull() throws Exception {
        JsonNode figures = answer(FLASK, program("150:300:60")).get("figures");
        assertThat(figures.get("core_past_680_min").isNull()).isTrue();
        assertThat(figures.get("core_past_400_min").isNull()).isTrue();
        assertThat(figures.get("core_past_105_min").asDouble()).isPositive();
    }

    /** A kiln of 1 kW behind its program; what it draws is at most its power by the hours. */
    @Test
    void aWeakKilnLagsAndSaysWhatItDrew() throws Exception {
        String kiln = "\"kiln\": {\"power_kW\": 1.2, \"max_C\": 1000, \"empty_to_700_min\": 120}";
        JsonNode exact = answer(FLASK, PROGRAM);
        JsonNode weak = answer(FLASK, PROGRAM, kiln);
        assertThat(figure(weak, "core_past_680_min")).isGreaterThan(figure(exact, "core_past_680_min"));
        assertThat(figure(weak, "energy_kWh")).isBetween(1.0, 1.2 * 695 / 60);
        double parts = 0;
        for (String part : List.of("wall", "lining", "molds")) {
            parts += sum(weak, part).get("value").asDouble();
        }
        assertThat(parts).isCloseTo(figure(weak, "energy_kWh"), within(1e-9));
        // 1.15 x 1000 = 1150; 1200 / 1130 = 1.0619
        assertThat(sum(weak, "loss").get("value").asDouble()).isCloseTo(1.0619, within(1e-4));
    }

    /** More water takes longer; a material of the caster's own is taken as it is given; no char, none left. */
    @Test
    void whatMayBeLeftOutMayBeGiven() throws Exception {
        double usual = figure(answer(FLASK, PROGRAM), "core_past_105_min");
        String wetter = FLASK.replace("\"gypsum-jewelry\"}", "\"gypsum-jewelry\", \"water_per_100\": 42}");
        assertThat(figure(answer(wetter, PROGRAM), "core_past_105_min")).isGreaterThan(usual);
        String dry = "\"thermal\": {\"free_water\": 0, \"combined_water\": 0}";
        assertThat(figure(answer(FLASK, PROGRAM, dry), "core_past_105_min")).isLessThan(usual / 2);
        String slow = "\"thermal\": {\"h\": 2, \"emissivity\": 0.1}";
        assertThat(figure(answer(FLASK, PROGRAM, slow), "core_past_105_min")).isGreaterThan(usual);
        assertThat(figure(answer(FLASK, PROGRAM, "\"start_C\": 60"), "core_past_105_min"))
                .isLessThan(usual);
        double resin = figure(answer(FLASK, PROGRAM, "\"pattern\": \"castable-resin\""), "residue_pct");
        double wax = figure(answer(FLASK, PROGRAM, "\"pattern\": \"injection-wax\""), "residue_pct");
        // 2.5 and 0.2 % to begin with, the same share of it burnt
        assertThat(resin / wax).isCloseTo(2.5 / 0.2, within(1e-6));
    }

    @Test
    void tooHotAndTooFastAreSaid() throws Exception {
        JsonNode hot = answer(FLASK, program("150:150:300 200:790:60"));
        assertThat(hot.get("findings").toString()).contains("\"stop\"", "750");
        JsonNode fast = answer(FLASK.replace("63", "120").replace("75", "160"), program("2000:730:300"));
        assertThat(fast.get("findings").toString()).contains("growth");
        assertThat(figure(fast, "strain_mismatch_pct")).isGreaterThan(0.9);
    }

    /** Bars between fields: what is sent, and where it is said. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"inner_diameter_mm\": 63 | \"inner_diameter_mm\": -63 | mold.inner_diameter_mm",
                "\"inner_diameter_mm\": 63 | \"inner_diameter_mm\": \"wide\" | mold.inner_diameter_mm",
                "\"height_mm\": 75, | | mold.height_mm",
                "\"gypsum-jewelry\" | \"porridge\" | mold.system",
                "\"kind\": \"flask\" | \"kind\": \"bucket\" | mold.kind",
                "\"rate_K_h\": 150, \"target_C\": 370 | \"rate_K_h\": 0, \"target_C\": 370 | program[1].rate_K_h",
                "\"rate_K_h\": 150, \"target_C\": 370 | \"rate_K_h\": 150 | program[1].target_C",
                "\"rate_K_h\": 150, \"target_C\": 370 | \"rate_K_h\": 150, \"target_C\": 1401 | program[1].target_C",
                "\"hold_min\": 120 | \"hold_min\": -1 | program[3].hold_min",
                "\"hold_min\": 120 | \"hold_min\": 100000 | program",
                "\"mold\" | \"colour\": 1, \"mold\" | colour"
            })
    void whatCannotBeIsSaidAtItsField(String from, String to, String field) throws Exception {
        String body = "{" + FLASK + ", " + PROGRAM + "}";
        assertThat(body).contains(from);
        MockHttpServletResponse response =
                ask(body.replaceFirst(java.util.regex.Pattern.quote(from), to == null ? "" : to));
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(422);
        assertThat(response.getContentType()).contains("problem+json");
        JsonNode errors = JSON.readTree(response.getContentAsString()).get("errors");
        assertThat(errors.toString()).contains("\"field\":\"" + field);
    }

    @Test
    void twoHundredSegmentsAreTakenAndOneMoreIsNot() throws Exception {
        String one = "150:100:1 150:101:1 ";
        assertThat(answer(FLASK, program(one.repeat(100).strip()))
                        .get("figures")
                        .get("program_min")
                        .asDouble())
                .isGreaterThan(200);
        assertThat(ask("{" + FLASK + ", " + program((one.repeat(100) + "150:100:1").strip()) + "}")
                        .getStatus())
                .isEqualTo(422);
        assertThat(ask("{" + FLASK + ", \"program\": []}").getStatus()).isEqualTo(422);
        assertThat(ask("{" + FLASK).getStatus()).isEqualTo(400);
        String cold = "\"kiln\": {\"power_kW\": 1, \"max_C\": 500, \"empty_to_700_min\": 60}";
        assertThat(ask("{" + FLASK + ", " + PROGRAM + ", " + cold + "}").getContentAsString())
                .contains("does not come to 700");
    }
}
