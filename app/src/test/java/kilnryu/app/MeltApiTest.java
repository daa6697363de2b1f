package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Charge, melt and carry of the second contract. */
class MeltApiTest extends ComputeTest {
    @Test
    void aChargeOfTwoLots() throws Exception {
        JsonNode figures = ask(200, "charge", """
                {"alloy": "gunmetal", "needed_g": 1000, "stock": [
                  {"name": "bronze", "available_g": 5000, "price_per_kg": 10, "composition": {"Cu": 90, "Sn": 10}, "kind": "ingot"},
                  {"name": "brass", "available_g": 5000, "price_per_kg": 5, "composition": {"Cu": 60, "Zn": 40}, "kind": "ingot"}]}
                """).path("figures");
        // by hand in ChargingTest
        assertThat(figures.path("charge").get(0).path("name").asString()).isEqualTo("bronze");
        assertThat(figures.path("charge").get(0).path("mass_g").asDouble()).isCloseTo(928.0, within(0.01));
        assertThat(figures.path("charge").get(1).path("mass_g").asDouble()).isCloseTo(78.125, within(0.01));
        assertThat(figures.path("melt_g").asDouble()).isCloseTo(1000, within(0.001));
        assertThat(figures.path("composition_after").path("Zn").asDouble()).isCloseTo(3.0, within(0.001));
        assertThat(figures.path("cost").asDouble()).isCloseTo(9.6706, within(0.001));
        assertThat(figures.path("returns_pct").asDouble()).isZero();
    }

    @Test
    void noChargeNamesWhatCannotBeMetAndWhatToBuy() throws Exception {
        JsonNode problem = ask(422, "charge", """
                {"alloy": "sn-bronze-90-10", "needed_g": 1000, "stock": [
                  {"name": "copper", "available_g": 5000, "price_per_kg": 9, "composition": {"Cu": 100}, "kind": "element"},
                  {"name": "tin", "available_g": 50, "price_per_kg": 30, "composition": {"Sn": 100}, "kind": "element"}]}
                """);
        assertThat(problem.path("conflict").valueStream().map(JsonNode::asString))
                .containsExactlyInAnyOrder("Sn", "tin");
        assertThat(problem.path("buy")).hasSize(1);
        assertThat(problem.path("buy").get(0).path("element").asString()).isEqualTo("Sn");
        assertThat(problem.path("buy").get(0).path("mass_g").asDouble()).isCloseTo(40.452, within(0.01));
    }

    @Test
    void whatCannotBeIsSaidAtItsField() throws Exception {
        JsonNode problem = ask(422, "charge", """
                {"alloy": "si-bronze", "needed_g": 1000, "stock": [
                  {"name": "short", "available_g": 50, "composition": {"Cu": 93, "Si": 4}},
                  {"name": "long", "available_g": 50, "composition": {"Cu": 100, "Si": 4}},
                  {"name": "silent", "available_g": 50},
                  {"name": "odd", "available_g": -1, "composition": {"Cu": 99, "Xx": 1}}]}
                """);
        assertThat(field(problem, "stock[0].composition")).contains("97.0 %");
        assertThat(field(problem, "stock[1].composition")).contains("104.0 %");
        assertThat(field(problem, "stock[2].composition")).contains("only a return may be unknown");
        assertThat(field(problem, "stock[3].available_g")).isEqualTo("This cannot be negative.");
        assertThat(field(problem, "stock[3].composition.Xx")).isEqualTo("There is no such field.");
        assertThat(field(ask(422, "charge", "{\"alloy\": \"steel\", \"needed_g\": 1000, \"stock\": []}"), "alloy"))
                .isEqualTo("The make-up of stainless steel is not tabled: no charge is judged.");
    }

    @Test
    void aMeltInAResistanceFurnace() throws Exception {
        JsonNode answer = ask(200, "melt", """
                {"alloy": "si-bronze", "charge_g": 1000, "pour_C": 1100,
                 "furnace": {"power_kW": 3, "kind": "resistance", "max_C": 1200}, "crucible": {"capacity_cm3": 200}}
                """);
        JsonNode figures = answer.path("figures");
        assertThat(figures.path("tap_C").asDouble()).isEqualTo(1100);
        assertThat(figures.path("heat_kJ").asDouble()).isCloseTo(669, within(1e-6));
        assertThat(figures.path("melt_min").asDouble()).isCloseTo(6.7576, within(1e-3));
        assertThat(figures.path("heats").asInt()).isEqualTo(1);
        assertThat(figures.path("melt_volume_cm3").asDouble()).isCloseTo(125.25, within(0.01));
        assertThat(figures.path("fill_pct").asDouble()).isCloseTo(62.63, within(0.01));
        assertThat(figures.path("energy_kWh").asDouble()).isCloseTo(0.33788, within(1e-4));
        assertThat(answer.path("findings")).isEmpty();
        JsonNode carried = ask(200, "melt", """
                {"alloy": "si-bronze", "charge_g": 1000, "pour_C": 1100,
                 "furnace": {"power_kW": 3, "kind": "gas", "max_C": 1110}, "crucible": {"capacity_cm3": 100},
                 "carry": {"seconds": 60, "mouth_diameter_mm": 60, "wall_area_cm2": 200, "covered": true}}
                """);
        assertThat(carried.path("figures").path("tap_C").asDouble()).isGreaterThan(1150);
        assertThat(carried.path("figures").path("heats").asInt()).isEqualTo(2);
        assertThat(carried.path("findings").findValuesAsString("id")).contains("furnace-too-weak", "heats", "fuel");
    }

    @Test
    void aMeltThatCannotBe() throws Exception {
        JsonNode problem = ask(422, "melt", """
                {"alloy": "si-bronze", "charge_g": 0, "pour_C": 900, "furnace": {"power_kW": "much", "kind": "steam"},
                 "carry": {"seconds": 60, "covered": "perhaps"}}
                """);
        assertThat(field(problem, "charge_g")).isEqualTo("This cannot be zero.");
        assertThat(field(problem, "pour_C")).isEqualTo("It is not all liquid under 970 °C.");
        assertThat(field(problem, "furnace.kind")).contains("not known here");
        assertThat(field(problem, "furnace.power_kW")).contains("number");
        assertThat(field(problem, "carry.covered")).contains("not known here");
        assertThat(field(problem, "carry.mouth_diameter_mm")).isEqualTo("Type a length.");
    }

    /** reference/carry.csv: to 3 % or 1 s. */
    @ParameterizedTest
    @CsvSource({
        "8,900,850,29.2",
        "8,900,700,79.0",
        "8,900,550,151.6",
        "6,900,800,28.4",
        "6,900,600,83.0",
        "12,870,800,71.1",
        "12,870,650,168.4"
    })
    void aShellOutOfTheKiln(double shell, double leaves, double below, double seconds) throws Exception {
        JsonNode figures =
                ask(200, "carry", """
                {"mold": {"kind": "shell", "thickness_mm": %s}, "leaves_C": %s, "limit_C": %s, "outside": "air"}
                """.formatted(shell, leaves, below)).path("figures");
        assertThat(figures.path("window_s").asDouble()).isCloseTo(seconds, within(Math.max(1, seconds * 0.03)));
        assertThat(figures.path("trace").get(0).path("cavity_C").asDouble()).isEqualTo(leaves);
        assertThat(figures.path("trace").get(1).propertyNames())
                .containsExactlyInAnyOrder("s", "cavity_C", "outside_C");
    }

    @Test
    void aFlaskInHotSandStandsLongerAndNonsenseIsSaid() throws Exception {
        String flask = """
                {"mold": {"kind": "flask", "inner_diameter_mm": 100, "height_mm": 150, "system": "gypsum-jewelry"},
                 "leaves_C": 600, "limit_C": 560, "outside": "%s", "sand_C": 500}
                """;
        double air = ask(200, "carry", flask.formatted("air"))
                .path("figures")
                .path("window_s")
                .asDouble();
        double sand = ask(200, "carry", flask.formatted("hot-sand"))
                .path("figures")
                .path("window_s")
                .asDouble();
        assertThat(sand).isGreaterThan(air);
        JsonNode problem = ask(422, "carry", """
                {"mold": {"kind": "shell"}, "leaves_C": 600, "limit_C": 700, "outside": "water"}
                """);
        assertThat(field(problem, "mold.thickness_mm")).isEqualTo("Type a length.");
        assertThat(field(problem, "limit_C")).isEqualTo("It leaves cooler than that: there is no window.");
        assertThat(field(problem, "outside")).contains("not known here");
    }
}
