package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Slush and rubber of the second contract, by the handbook's check and by hand. */
class WaxApiTest extends ComputeTest {

    /** 0.1600 mm for root of a second; 3 mm in two layers: (1.5 / 0.16)^2 = 87.9 s and (9 - 2.25) / 0.0256 = 263.7 s. */
    @Test
    void aWallOfTwoLayers() throws Exception {
        JsonNode answer = ask(200, "slush", """
                {"mold": {"material": "silicone"}, "mold_C": 22, "target_mm": 3, "layers": 2, "area_cm2": 1200}
                """);
        JsonNode figures = answer.path("figures");
        assertThat(figures.path("coefficient_mm_per_root_s").asDouble()).isCloseTo(0.1600, within(5e-5));
        assertThat(figures.path("dwell_s")).hasSize(2);
        assertThat(figures.path("dwell_s").get(0).asDouble()).isCloseTo(87.9, within(0.1));
        assertThat(figures.path("dwell_s").get(1).asDouble()).isCloseTo(263.7, within(0.3));
        assertThat(figures.path("wall_mm").get(0).asDouble()).isEqualTo(1.5);
        assertThat(figures.path("wall_mm").get(1).asDouble()).isEqualTo(3);
        // 1200 cm2 by 0.3 cm by 0.9
        assertThat(figures.path("wax_g").asDouble()).isCloseTo(324, within(1e-6));
        assertThat(answer.path("sums").toString()).contains("coefficient", "dwell", "√");
    }

    /** Latent heat in kJ/kg or J/kg is the same wax; a mold by its own figures the same mold. */
    @Test
    void waxAndMoldMayBeTyped() throws Exception {
        String mold = "\"mold\": {\"k\": 0.22, \"rho\": 1150, \"c\": 1300}, \"mold_C\": 22, \"target_mm\": 3";
        double kilo = coefficient(
                "{\"wax\": {\"k\": 0.25, \"rho\": 900, \"c\": 2300, \"latent\": 170, \"melt_C\": 70}, " + mold + "}");
        double joule = coefficient("{\"wax\": {\"latent\": 170000}, " + mold + "}");
        assertThat(kilo).isCloseTo(0.1600, within(5e-5)).isEqualTo(joule);
        // poured at 90 C there is more to carry off
        assertThat(coefficient("{\"pour_C\": 90, " + mold + "}")).isLessThan(kilo);
    }

    private double coefficient(String body) throws Exception {
        return ask(200, "slush", body)
                .path("figures")
                .path("coefficient_mm_per_root_s")
                .asDouble();
    }

    @Test
    void aMoldAsWarmAsTheWaxNeverFreezesIt() throws Exception {
        JsonNode answer = ask(200, "slush", """
                {"mold": {"material": "plaster"}, "mold_C": 70, "target_mm": 3, "area_cm2": 100}
                """);
        assertThat(answer.path("figures").path("coefficient_mm_per_root_s").asDouble())
                .isZero();
        assertThat(answer.path("figures").path("dwell_s")).isEmpty();
        assertThat(answer.path("findings").get(0).path("id").asString()).isEqualTo("never-freezes");
        assertThat(answer.path("findings").get(0).path("severity").asString()).isEqualTo("stop");
        assertThat(answer.path("figures").path("wax_g").isMissingNode()).isTrue();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "{} | mold.material | Say what the mold is of",
                "{'mold': {'material': 'glass'}, 'mold_C': 20, 'target_mm': 3} | mold.material | not known here",
                "{'mold': {'k': 1}, 'mold_C': 20, 'target_mm': 3} | mold.rho | ",
                "{'mold': {'material': 'silicone'}, 'mold_C': 20, 'target_mm': 0} | target_mm | cannot be zero",
                "{'mold': {'material': 'silicone'}, 'mold_C': 20, 'target_mm': 3, 'start_mm': 3} | start_mm | as thick already",
                "{'mold': {'material': 'silicone'}, 'mold_C': 20, 'target_mm': 3, 'pour_C': 60} | pour_C | not liquid under 70",
                "{'mold': {'material': 'silicone'}, 'mold_C': 20, 'target_mm': 3, 'layers': 0} | layers | ",
                "{'mold': {'material': 'silicone'}, 'mold_C': 20, 'target_mm': 3, 'tide': 1} | tide | no such field",
                "{'wax': {'melt_C': 'warm'}, 'mold': {'material': 'silicone'}, 'mold_C': 20, 'target_mm': 3} | wax.melt_C | "
            })
    void whatCannotBeIsSaidAtItsField(String body, String field, String word) throws Exception {
        JsonNode problem = ask(422, "slush", body.replace('\'', '"'));
        assertThat(field(problem, field)).contains(word == null ? "" : word).doesNotContain("none at");
    }

    /** 1200 cm2 in coats of 0.6, 1.8, 1.8, 1.8 mm: 6 mm by 1.15 by 1.1 = 910.8 g. */
    @Test
    void aBrushedMoldWithItsJacket() throws Exception {
        JsonNode figures = ask(200, "rubber", """
                {"area_cm2": 1200, "kind": "brushed", "coats": [0.6, 1.8, 1.8, 1.8], "hardener_per_100": 10, "room_C": 33,
                 "pot_life_min_23": 40, "cure_h_23": 16, "jacket": {"kind": "plaster", "thickness_mm": 20}}
                """).path("figures");
        assertThat(figures.path("rubber_g").asDouble()).isCloseTo(910.8, within(1e-6));
        assertThat(figures.path("base_g").asDouble()).isCloseTo(828, within(1e-6));
        assertThat(figures.path("hardener_g").asDouble()).isCloseTo(82.8, within(1e-6));
        assertThat(figures.path("coats")).hasSize(4);
        assertThat(figures.path("coats").get(0).path("base_g").asDouble()).isCloseTo(82.8, within(1e-6));
        assertThat(figures.path("coats").get(1).path("hardener_g").asDouble()).isCloseTo(24.84, within(1e-6));
        assertThat(figures.path("pot_life_min").asDouble()).isCloseTo(20, within(1e-9));
        assertThat(figures.path("cure_h").asDouble()).isCloseTo(8, within(1e-9));
        assertThat(figures.path("jacket_g").asDouble()).isCloseTo(4080, within(1e-6));
    }

    /** 120 x 100 x 80 mm less 210 cm3: 750 x 1.2 x 1.05 = 945 g. */
    @Test
    void aBlockByItsBox() throws Exception {
        JsonNode figures = ask(200, "rubber", """
                {"kind": "block", "density": 1.2, "loss_pct": 5, "hardener_per_100": 100, "room_C": 23,
                 "pot_life_min_23": 40, "cure_h_23": 16,
                 "box": {"width_mm": 120, "depth_mm": 100, "height_mm": 80, "model_cm3": 210}}
                """).path("figures");
        assertThat(figures.path("rubber_g").asDouble()).isCloseTo(945, within(1e-6));
        assertThat(figures.path("base_g").asDouble()).isCloseTo(472.5, within(1e-6));
        assertThat(figures.path("coats")).isEmpty();
        assertThat(figures.path("jacket_g").isMissingNode()).isTrue();
    }

    private static final String BRUSHED =
            "{'kind': 'brushed', 'area_cm2': 100, 'coats': [2, 2, 2], 'hardener_per_100': 10, 'room_C': 23, 'pot_life_min_23': 40, 'cure_h_23': 16}";

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            quoteCharacter = '`',
            value = {
                "'area_cm2': 100, | | area_cm2 | how much rubber",
                "'coats': [2, 2, 2], | | coats | how thick each coat",
                "[2, 2, 2] | [2, 0] | coats[1] | cannot be zero",
                "[2, 2, 2] | [2, -1] | coats[1] | negative",
                "'pot_life_min_23': 40 | 'pot_life_min_23': 0 | pot_life_min_23 | cannot be zero",
                "'hardener_per_100': 10, | | hardener_per_100 | ",
                "'brushed' | 'vulcanised' | kind | not known here",
                "'brushed' | 'block' | box.width_mm | A block asks the box",
                "16} | 16, 'jacket': {'kind': 'felt', 'thickness_mm': 4}} | jacket.kind | not known here",
                "16} | 16, 'box': {'width_mm': 10, 'depth_mm': 10, 'height_mm': 10, 'model_cm3': 1}} | box.model_cm3 | larger than its box"
            })
    void rubberThatCannotBeIsSaidAtItsField(String what, String instead, String field, String word) throws Exception {
        String body = BRUSHED.replace(what, instead == null ? "" : instead).replace('\'', '"');
        assertThat(field(ask(422, "rubber", body), field))
                .contains(word == null ? "" : word)
                .doesNotContain("none at");
    }

    @Test
    void hardenerOverBaseIsAStop() throws Exception {
        JsonNode answer = ask(
                200,
                "rubber",
                BRUSHED.replace("'hardener_per_100': 10", "'hardener_per_100': 120")
                        .replace('\'', '"'));
        assertThat(answer.path("findings").toString()).contains("hardener-over-base", "stop");
    }

    @Test
    void bothAreDescribed() throws Exception {
        assertThat(page(owner, "/api/openapi.json"))
                .contains("/api/compute/slush", "/api/compute/rubber", "pot_life_min_23", "model_cm3", "latent");
    }
}
