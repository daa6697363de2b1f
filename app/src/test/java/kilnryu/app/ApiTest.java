package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.nio.charset.StandardCharsets;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class ApiTest extends AppTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private MockHttpServletResponse ask(String path, String body) throws Exception {
        return mvc.perform(post("/api/compute/" + path)
                        .with(httpBasic(owner.login(), Studio.PASSWORD))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
    }

    private JsonNode answer(String path, String body) throws Exception {
        MockHttpServletResponse response = ask(path, body);
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        return JSON.readTree(response.getContentAsString());
    }

    private static double figure(JsonNode answer, String name) {
        return answer.path("figures").path(name).asDouble();
    }

    @Test
    void theTreeOfTheContract() throws Exception {
        JsonNode answer = answer("tree", """
                {"alloy": "si-bronze", "tare_g": 14, "heel_g": 100, "parts": [
                  {"name": "bird", "material": "injection-wax", "mass_g": 110},
                  {"material": "sprue-wax", "count": 2, "rod": {"diameter_mm": 6, "length_mm": 100}}]}
                """);
        // (110 - 14) / 0.96 + 2 x 2.8274334 = 105.6548668 cm3
        assertThat(figure(answer, "tree_volume_cm3")).isCloseTo(105.6548668, within(1e-6));
        // 96 + 5.6548668 x 0.95 = 101.3721234
        assertThat(figure(answer, "pattern_mass_g")).isCloseTo(101.3721234, within(1e-6));
        assertThat(figure(answer, "cavity_metal_g")).isCloseTo(883.2746861, within(1e-5));
        assertThat(answer.path("figures").path("ratio_rule_metal_g").isNull()).isTrue();
        assertThat(figure(answer, "reserve_g")).isCloseTo(88.32746861, within(1e-6));
        // 883.2746861 / 0.98 + 88.32746861 + 100
        assertThat(figure(answer, "charge_g")).isCloseTo(1089.628169, within(1e-5));
        JsonNode sum = answer.path("sums").get(0);
        assertThat(sum.propertyNames())
                .containsExactlyInAnyOrder("symbol", "name", "value", "unit", "formula", "substituted", "mark");
        // 0.96 beside 0.95 g/cm3 is no mixture
        assertThat(answer.path("findings")).isEmpty();
        JsonNode leaded = answer("tree", """
                {"alloy": "red-brass", "parts": [{"material": "injection-wax", "mass_g": 110}]}
                """);
        JsonNode finding = leaded.path("findings").get(0);
        assertThat(finding.propertyNames()).containsExactlyInAnyOrder("id", "severity", "message", "remedy");
        assertThat(finding.path("id").asString()).isEqualTo("lead");
    }

    /** A tare that waits for the weigh-in is a note; one over its part is refused. */
    @Test
    void aTareBeforeTheWeighInIsANote() throws Exception {
        JsonNode answer = answer("tree", """
                {"alloy": "si-bronze", "tare_g": 14, "parts": [{"material": "injection-wax", "volume_cm3": 10}]}
                """);
        assertThat(figure(answer, "tree_volume_cm3")).isEqualTo(10);
        assertThat(answer.path("findings").get(0).path("id").asString()).isEqualTo("tare-later");
    }

    /** At 30 C: 9.5 - 9 * 0.4 = 5.9 min, under the 7 of mix, vacuum, pour and vacuum. */
    @Test
    void aMixThatSetsTooSoonIsAStop() throws Exception {
        JsonNode answer = answer(
                "flask",
                "{\"inner_diameter_mm\": 76.2, \"height_mm\": 76.2, \"tree_volume_cm3\": 0,"
                        + "\"system\": \"gypsum-jewelry\", \"water_C\": 30}");
        assertThat(answer.at("/findings/0/id").asString()).isEqualTo("school-too-long");
        assertThat(answer.at("/findings/0/severity").asString()).isEqualTo("stop");
        assertThat(answer.at("/findings").size()).isEqualTo(1);
    }

    @Test
    void theFlaskOfTheHandbook() throws Exception {
        JsonNode answer = answer("flask", """
                {"inner_diameter_mm": 76.2, "height_mm": 76.2, "tree_volume_cm3": 0, "system": "gypsum-jewelry",
                 "water_per_100": 40, "overfill_pct": 0, "water_C": 24}
                """);
        assertThat(figure(answer, "fill_volume_cm3")).isCloseTo(347.5, within(0.05));
        assertThat(figure(answer, "powder_g")).isCloseTo(447, within(0.5));
        assertThat(figure(answer, "water_g")).isCloseTo(179, within(0.5));
        assertThat(figure(answer, "working_time_min")).isCloseTo(9.5 * Math.exp(-0.043 * 3), within(1e-9));
        assertThat(figure(answer, "filled_mass_g")).isCloseTo(figure(answer, "slurry_g"), within(1e-9));
    }

    @ParameterizedTest(name = "{1}")
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"alloy\":\"si-bronze\",\"parts\":[]}|parts",
                "{\"parts\":[{\"material\":\"beeswax\",\"mass_g\":1}]}|alloy",
                "{\"alloy\":\"unobtainium\",\"parts\":[{\"material\":\"beeswax\",\"mass_g\":1}]}|alloy",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"beeswax\"}]}|parts[0]",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"beeswax\",\"mass_g\":1,\"volume_cm3\":1}]}|parts[0]",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"beeswax\",\"mass_g\":-1}]}|parts[0].mass_g",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"beeswax\",\"mass_g\":0}]}|parts[0].mass_g",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"beeswax\",\"mass_g\":1e30}]}|parts[0].mass_g",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"beeswax\",\"mass_g\":1e999}]}|parts[0].mass_g",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"beeswax\",\"mass_g\":\"12 oz\"}]}|parts[0].mass_g",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"beeswax\",\"mass_g\":1,\"count\":2.5}]}|parts[0].count",
                "{\"alloy\":\"copper\",\"tare_g\":9,\"parts\":[{\"material\":\"beeswax\",\"mass_g\":1}]}|tare_g",
                "{\"alloy\":\"copper\",\"tara_g\":9,\"parts\":[{\"material\":\"beeswax\",\"mass_g\":1}]}|tara_g",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"filament-pla\",\"infilled\":{\"mass_g\":31,\"area_cm2\":118,\"wall_mm\":0.8,\"infill_pct\":0}}]}|parts[0].infilled.infill_pct",
                "{\"alloy\":\"copper\",\"parts\":[{\"material\":\"filament-pla\",\"infilled\":{\"mass_g\":3,\"area_cm2\":118,\"wall_mm\":0.8,\"infill_pct\":9}}]}|parts[0].infilled.mass_g",
                "{\"alloy\":\"copper\",\"parts\":\"many\"}|parts",
                "[]|''"
            })
    void anImpossibleTreeIsAProblemAtItsField(String body, String field) throws Exception {
        MockHttpServletResponse response = ask("tree", body);
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentType()).startsWith("application/problem+json");
        assertThat(JSON.readTree(response.getContentAsString()).path("errors")).anySatisfy(e -> {
            assertThat(e.path("field").asString()).isEqualTo(field);
            assertThat(e.path("message").asString()).isNotBlank();
        });
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{\"inner_diameter_mm\":50,\"height_mm\":50,\"tree_volume_cm3\":99,\"system\":\"gypsum-jewelry\"}|tree_volume_cm3",
                "{\"inner_diameter_mm\":50,\"height_mm\":50,\"tree_volume_cm3\":9,\"system\":\"phosphate\"}|water_per_100",
                "{\"inner_diameter_mm\":50,\"height_mm\":50,\"tree_volume_cm3\":9,\"system\":\"shop-plaster\"}|powder_density",
                "{\"inner_diameter_mm\":50,\"height_mm\":50,\"tree_volume_cm3\":9,\"system\":\"shell-silica\"}|system",
                "{\"inner_diameter_mm\":50,\"height_mm\":50,\"system\":\"gypsum-jewelry\"}|tree_volume_cm3",
                "{\"inner_diameter_mm\":50,\"height_mm\":50,\"tree_volume_cm3\":9,\"system\":\"gypsum-jewelry\",\"water_per_100\":0.4}|water_per_100"
            })
    void anImpossibleFlaskIsAProblemAtItsField(String body, String field) throws Exception {
        MockHttpServletResponse response = ask("flask", body);
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(JSON.readTree(response.getContentAsString()).path("errors"))
                .anySatisfy(e -> assertThat(e.path("field").asString()).isEqualTo(field));
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "{", "{\"alloy\": NaN}", "{\"alloy\": copper}", "\u0000", "{\"a\":1}}{"})
    void brokenJsonIsFourHundred(String body) throws Exception {
        MockHttpServletResponse response = ask("tree", body);
        assertThat(response.getStatus()).isEqualTo(400);
        assertThat(response.getContentType()).startsWith("application/problem+json");
    }

    @Test
    void tenThousandPartsAndABodyWithoutEndAreRefused() throws Exception {
        String parts = IntStream.range(0, 10_000)
                .mapToObj(i -> "{\"material\":\"beeswax\",\"mass_g\":1}")
                .collect(Collectors.joining(","));
        assertThat(ask("tree", "{\"alloy\":\"copper\",\"parts\":[" + parts + "]}")
                        .getStatus())
                .isEqualTo(422);
        assertThat(ask("tree", "{\"alloy\":\"" + "x".repeat(3_000_000) + "\"}").getStatus())
                .isEqualTo(413);
        assertThat(ask("tree", "[".repeat(100_000)).getStatus()).isEqualTo(400);
    }

    @Test
    void aQuestionOfAnotherKindOrAddressIsAProblemToo() throws Exception {
        var basic = httpBasic(owner.login(), Studio.PASSWORD);
        for (var asked : java.util.Map.of(
                        404, get("/api/compute/nothing"),
                        405, get("/api/compute/tree"),
                        415,
                                post("/api/compute/tree")
                                        .contentType(MediaType.TEXT_PLAIN)
                                        .content("x"))
                .entrySet()) {
            MockHttpServletResponse response =
                    mvc.perform(asked.getValue().with(basic)).andReturn().getResponse();
            assertThat(response.getStatus()).isEqualTo(asked.getKey());
            assertThat(response.getContentType()).startsWith("application/problem+json");
        }
    }

    @Test
    void withoutAccountNothingIsAnswered() throws Exception {
        MockHttpServletResponse none = mvc.perform(post("/api/compute/tree")
                        .contentType(MediaType.APPLICATION_JSON)
                        .content("{}"))
                .andReturn()
                .getResponse();
        assertThat(none.getStatus()).isEqualTo(401);
        assertThat(none.getHeader("WWW-Authenticate")).startsWith("Basic");
        assertThat(mvc.perform(get("/api/openapi.json"))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(401);
    }

    @Test
    void theApiIsDescribedAndThePlanHasASchema() throws Exception {
        String openapi = mvc.perform(get("/api/openapi.json").with(httpBasic(owner.login(), Studio.PASSWORD)))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(openapi)
                .contains("/api/compute/tree")
                .contains("/api/compute/flask")
                .contains("/api/compute/block")
                .contains("BlendRequest")
                .contains("powder_density");
        String schema = mvc.perform(get("/api/plan-schema/1").with(httpBasic(owner.login(), Studio.PASSWORD)))
                .andReturn()
                .getResponse()
                .getContentAsString();
        assertThat(schema).contains("kiln-ryu-plan");
    }

    private MockHttpServletResponse importPlan(kilnryu.app.account.Account account, String text) throws Exception {
        return mvc.perform(multipart("/trees/import")
                        .file(new MockMultipartFile(
                                "document", "plan.json", "application/json", text.getBytes(StandardCharsets.UTF_8)))
                        .with(Studio.as(account))
                        .with(
                                org.springframework.security.test.web.servlet.request
                                        .SecurityMockMvcRequestPostProcessors.csrf()))
                .andReturn()
                .getResponse();
    }

    @Test
    void anExportedPlanGivesTheSameFiguresInAnotherStudio() throws Exception {
        send(owner, "/factors/material.injection-wax.density", java.util.Map.of("value", "0.93", "reason", "own"));
        java.util.Map<String, String> ounces = new java.util.HashMap<>(WAX);
        ounces.put("parts[a].mass_g", "3 1/2 oz");
        long id = tree(owner, ounces);
        send(owner, "/trees/" + id + "/mold", FLASK);
        send(owner, "/trees/" + id + "/firing", java.util.Map.of("version", "0", "pour_at", "2099-05-08T15:00"));
        String exported = page(owner, "/trees/" + id + "/plan.json");
        var stranger = Studio.owner(accounts, passwords);
        String to = importPlan(stranger, exported).getRedirectedUrl();
        assertThat(to).contains("imported");
        String there = page(stranger, to.replace("/tree?imported", "/plan.json"));
        assertThat(JSON.readTree(there).path("results").path("figures"))
                .isEqualTo(JSON.readTree(exported).path("results").path("figures"));
        assertThat(page(stranger, to)).contains("3 1/2 oz").contains("from the imported plan");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "not json|is not JSON",
                "{\"format\":\"other\"}|is not a plan document",
                "{\"format\":\"kiln-ryu-plan\",\"version\":2}|made by a newer Kiln Ryu",
                "{\"format\":\"kiln-ryu-plan\"}|does not say its version",
                "{\"format\":\"kiln-ryu-plan\",\"version\":1,\"name\":\"x\",\"tree\":{\"alloy\":\"copper\",\"parts\":[{\"material\":\"beeswax\",\"mass_g\":-1}]}}|cannot be negative",
                "{\"format\":\"kiln-ryu-plan\",\"version\":1,\"name\":\"x\",\"tree\":7}|is not an object"
            })
    void aPlanThatCannotBeTakenInSaysWhy(String text, String word) throws Exception {
        var result = mvc.perform(multipart("/trees/import")
                        .file(new MockMultipartFile(
                                "document", "plan.json", "application/json", text.getBytes(StandardCharsets.UTF_8)))
                        .with(Studio.as(owner))
                        .with(
                                org.springframework.security.test.web.servlet.request
                                        .SecurityMockMvcRequestPostProcessors.csrf()))
                .andReturn();
        assertThat(result.getResponse().getStatus()).isEqualTo(302);
        assertThat(String.valueOf(result.getFlashMap().get("importError"))).contains(word);
    }

    /** Half plaster, half silica flour: 100 / (50 / 2.73 + 50 / 2.65). */
    @Test
    void theBlendOfTheHandbook() throws Exception {
        JsonNode answer = answer(
                "blend",
                "{\"water_per_100\": 55, \"parts\": [{\"ingredient\": \"plaster\", \"share_pct\": 50},"
                        + "{\"ingredient\": \"silica-flour\", \"share_pct\": 50}]}");
        assertThat(answer.at("/figures/density").asDouble()).isCloseTo(2.6894, within(1e-4));
        assertThat(answer.at("/figures/yield_cm3").asDouble()).isCloseTo(921.83, within(0.01));
        assertThat(answer.at("/figures/price_kg").isNull()).isTrue();
        assertThat(ask("blend", "{\"parts\": [{\"ingredient\": \"plaster\", \"share_pct\": 99.4}]}")
                        .getContentAsString())
                .contains("\"field\":\"parts\"", "99.4 %");
        assertThat(ask("blend", "{}").getStatus()).isEqualTo(422);
    }

    private static final String SHELL =
            "{\"area_cm2\": 500, \"coats\": [\"plain-prime\", \"prime\", \"backup\", \"backup\","
                    + "\"backup\", \"backup\", \"seal\"], \"climate\": {\"temperature_C\": 21, \"humidity_pct\": 50,"
                    + "\"air_m_s\": 1}, \"openness\": \"open\"}";

    /** The shell of the core's hand sum; its last coat 0.128 kg/m2 of water, 1.9 times for six beneath: 2.41 h, so a day. */
    @Test
    void theShellOfTheHandSum() throws Exception {
        JsonNode answer = answer("shell", SHELL);
        assertThat(figure(answer, "thickness_mm")).isCloseTo(5.6, within(1e-9));
        assertThat(figure(answer, "slurry_g")).isCloseTo(222.418, within(0.001));
        assertThat(figure(answer, "stucco_g")).isCloseTo(289.690, within(0.001));
        assertThat(figure(answer, "shell_mass_g")).isCloseTo(465.92, within(0.01));
        assertThat(figure(answer, "final_dry_h")).isEqualTo(24);
        assertThat(answer.path("figures").has("stress_MPa")).isFalse();
        JsonNode coats = answer.path("coats");
        assertThat(coats.size()).isEqualTo(7);
        assertThat(coats.get(0).propertyNames())
                .containsExactlyInAnyOrder("key", "area_cm2", "slurry_g", "stucco_g", "drying_h", "thickness_mm");
        assertThat(coats.at("/6/key").asString()).isEqualTo("seal");
        assertThat(coats.at("/6/area_cm2").asDouble()).isCloseTo(584.022, within(0.001));
        // 0.22 kg/m2 dry in 2.18 h, so 0.144 in 1.427 on the bare wax
        assertThat(coats.at("/0/drying_h").asDouble()).isCloseTo(1.427, within(0.003));
        double sum = 0;
        for (JsonNode coat : coats) {
            sum += coat.path("drying_h").asDouble();
        }
        assertThat(figure(answer, "drying_h")).isCloseTo(sum, within(1e-9));
    }

    /** 22.143 kPa on a radius of 40 in 5.6 mm: 0.158 MPa of 1.667, with wire of 2.5. */
    @Test
    void whatTheShellBears() throws Exception {
        String loaded = SHELL.substring(0, SHELL.length() - 1)
                + ", \"alloy\": \"si-bronze\", \"head_mm\": 300, \"radius_mm\": 40, \"wire\": true, \"metal_g\": 4000}";
        JsonNode answer = answer("shell", loaded);
        assertThat(figure(answer, "pressure_kPa")).isCloseTo(22.143, within(0.001));
        assertThat(figure(answer, "stress_MPa")).isCloseTo(0.158166, within(1e-5));
        assertThat(figure(answer, "allowed_MPa")).isCloseTo(2.5, within(1e-9));
        assertThat(figure(answer, "lift_mass_g")).isCloseTo(4465.92, within(0.01));
        JsonNode without =
                answer("shell", loaded.replace(", \"metal_g\": 4000", "").replace("true", "false"));
        assertThat(figure(without, "allowed_MPa")).isCloseTo(5.0 / 3, within(1e-9));
        assertThat(without.at("/figures/lift_mass_g").isNull()).isTrue();
    }

    @Test
    void saturatedAirGivesNoHoursButAStop() throws Exception {
        JsonNode answer =
                answer("shell", SHELL.replace("50,", "100,").replace("\"area_cm2\": 500", "\"area_cm2\": 500"));
        assertThat(answer.at("/figures/drying_h").isNull()).isTrue();
        assertThat(answer.at("/coats/0/drying_h").isNull()).isTrue();
        assertThat(answer.at("/findings/0/id").asString()).isEqualTo("never-dries");
        assertThat(answer("shell", SHELL.replace("50,", "0,"))
                        .at("/figures/drying_h")
                        .asDouble())
                .isPositive();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"area_cm2\": 500 | \"area_cm2\": 0 | area_cm2",
                "\"area_cm2\": 500, | '' | area_cm2",
                "\"seal\" | \"glue\" | coats[6]",
                "\"seal\" | null | coats[6]",
                "\"humidity_pct\": 50 | \"humidity_pct\": 101 | climate.humidity_pct",
                "\"air_m_s\": 1 | \"air_m_s\": -1 | climate.air_m_s",
                "\"open\" | \"shut\" | openness",
                "\"area_cm2\": 500 | \"area_cm2\": 500, \"colour\": 1 | colour"
            })
    void anImpossibleShellIsAProblemAtItsField(String from, String to, String field) throws Exception {
        MockHttpServletResponse response = ask("shell", SHELL.replace(from, to));
        assertThat(response.getStatus()).isEqualTo(422);
        assertThat(response.getContentAsString()).contains("\"field\":\"" + field + "\"");
    }

    /** Three in a row with 30 between in a box: 360 long, so a wall of 54, 468 x 188 x 254 mm. */
    @Test
    void severalCavitiesInOneBlock() throws Exception {
        String three = "{\"shape\": \"box\", \"width_mm\": 100, \"depth_mm\": 80, \"height_mm\": 200,"
                + "\"tree_volume_cm3\": 400, \"area_cm2\": 600, \"cavities\": 3,"
                + "\"fine\": {\"density\": 2.65, \"water_per_100\": 50}}";
        assertThat(answer("block", three).at("/figures/body_cm3").asDouble()).isCloseTo(22347.936, within(0.01));
        assertThat(ask("block", three.replace(": 3,", ": 0,")).getStatus()).isEqualTo(422);
        assertThat(ask("block", three.replace(": 3,", ": 2.5,")).getStatus()).isEqualTo(422);
    }

    /** The block of the core's hand sum: a cylinder of 180 by 240 mm, 6107.26 cm3. */
    @Test
    void theBlockOfTheHandSum() throws Exception {
        JsonNode answer = answer(
                "block",
                "{\"width_mm\": 100, \"depth_mm\": 80, \"height_mm\": 200, \"tree_volume_cm3\": 400,"
                        + "\"area_cm2\": 600, \"metal_g\": 3000,"
                        + "\"core\": {\"length_mm\": 120, \"diameter_mm\": 60, \"volume_cm3\": 300, \"pins\": 3},"
                        + "\"fine\": {\"density\": 2.65, \"water_per_100\": 50},"
                        + "\"backup\": {\"density\": 2.5, \"water_per_100\": 60}}");
        assertThat(answer.at("/figures/body_cm3").asDouble()).isCloseTo(6107.26, within(0.01));
        assertThat(answer.at("/figures/backup_powder_g").asDouble()).isCloseTo(5124.35, within(0.01));
        assertThat(answer.at("/figures/poured_g").asDouble()).isCloseTo(8861.42, within(0.02));
        MockHttpServletResponse wrong =
                ask("block", "{\"width_mm\": -1, \"height_mm\": 200, \"tree_volume_cm3\": 4, \"colour\": 1}");
        assertThat(wrong.getStatus()).isEqualTo(422);
        assertThat(wrong.getContentAsString()).contains("width_mm", "fine.mix", "colour");
    }
}
