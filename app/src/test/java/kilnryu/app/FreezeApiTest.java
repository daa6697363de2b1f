package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** {@code POST /api/compute/freeze}: the contract, both references, and what is refused. */
class FreezeApiTest extends ComputeTest {
    private static String body(String more) {
        return """
                {"alloy": "si-bronze", "pour_C": 1100, "mold_C": 540, "shape": "plate", "half_thickness_mm": 2, %s}
                """.formatted(more);
    }

    /** Rows of reference/freeze.csv and reference/freeze-shell.csv. */
    @ParameterizedTest
    @CsvSource({
        "al-si7,720,200,cylinder,10,gypsum-jewelry,60,insulated,21.2,293.3,291.1",
        "ag-925,1010,540,plate,1,gypsum-jewelry,20,insulated,2.4,50.1,50.1",
        "si-bronze,1120,850,cylinder,10,shell-silica,8,air,70.6,339.3,333.3"
    })
    void asTheReferences(
            String alloy,
            double pour,
            double warm,
            String shape,
            double half,
            String system,
            double thick,
            String outside,
            double cooled,
            double centre,
            double face)
            throws Exception {
        JsonNode figures = ask(200, "freeze", """
                {"alloy": "%s", "pour_C": %s, "mold_C": %s, "shape": "%s", "half_thickness_mm": %s,
                 "mold": {"system": "%s", "thickness_mm": %s}, "outside": "%s"}
                """.formatted(alloy, pour, warm, shape, half, system, thick, outside))
                .path("figures");
        assertThat(figures.path("below_liquidus_s").asDouble()).isCloseTo(cooled, within(0.05 * cooled + 0.05));
        assertThat(figures.path("centre_solid_s").asDouble()).isCloseTo(centre, within(0.05 * centre));
        assertThat(figures.path("face_solid_s").asDouble()).isCloseTo(face, within(0.05 * face));
    }

    /** The constants of gypsum typed one by one are gypsum. */
    @Test
    void byItsOwnConstants() throws Exception {
        JsonNode system = ask(200, "freeze", body("""
                "mold": {"system": "gypsum-jewelry", "thickness_mm": 30}"""));
        JsonNode typed = ask(200, "freeze", body("""
                "mold": {"thermal": {"rho_dry": 1290, "cp0": 900, "cp1": 0.25, "k_dry": 0.45, "k_hot": 0.55},
                         "thickness_mm": 30}"""));
        assertThat(typed.path("figures").path("centre_solid_s").asDouble())
                .isCloseTo(system.path("figures").path("centre_solid_s").asDouble(), within(0.01));
        assertThat(system.path("sums").toString()).contains("handbook 23");
    }

    @Test
    void whatNeverFreezesIsNullAndSaid() throws Exception {
        JsonNode answer = ask(200, "freeze", body("""
                "mold": {"system": "gypsum-jewelry", "thickness_mm": 1}"""));
        assertThat(answer.path("figures").path("centre_solid_s").isNull()).isTrue();
        assertThat(answer.path("findings").toString()).contains("never-freezes", "stop");
    }

    @Test
    void whatCannotBeIsSaidAtItsField() throws Exception {
        JsonNode problem = ask(422, "freeze", """
                {"alloy": "steel", "pour_C": 900, "mold_C": 5, "shape": "cube", "half_thickness_mm": 0,
                 "mold": {"thickness_mm": 30}, "cells": 5}
                """);
        assertThat(problem.toString())
                .contains("is not tabled", "mold_C", "not known here", "half_thickness_mm", "mold.system", "cells");
        assertThat(ask(422, "freeze", body("""
                "mold": {"system": "gypsum-jewelry", "thickness_mm": 30}""").replace("1100", "900")).toString())
                .contains("not all liquid under 970");
    }
}
