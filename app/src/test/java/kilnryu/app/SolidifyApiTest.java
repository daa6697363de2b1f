package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.delete;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.multipart;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import kilnryu.app.foresight.CellRoom;
import org.junit.jupiter.api.Test;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.mock.web.MockMultipartFile;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** {@code POST /api/compute/solidify}: a block filled and frozen, at once and as a job, and what is refused. */
class SolidifyApiTest extends ComputeTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private MockHttpServletResponse sent(byte[] mesh, String plan) throws Exception {
        return mvc.perform(multipart("/api/compute/solidify")
                        .file(new MockMultipartFile("metal", "block.stl", "application/octet-stream", mesh))
                        .param("plan", plan)
                        .with(httpBasic(owner.login(), Studio.PASSWORD)))
                .andReturn()
                .getResponse();
    }

    private static String plan(String more) {
        return """
                {"alloy": "si-bronze", "pour_C": 1100, "mold_C": 500,
                 "mold": {"system": "gypsum-jewelry", "outer": "flask", "margin_mm": 20}%s}
                """.formatted(more);
    }

    private static JsonNode json(MockHttpServletResponse response) throws Exception {
        return JSON.readTree(response.getContentAsString(StandardCharsets.UTF_8));
    }

    /** 30 x 30 x 40 mm: 36 cm3, open on top, solid last in its middle; no level sinks out of sight. */
    @Test
    void aBlockFillsAndFreezes() throws Exception {
        MockHttpServletResponse response = sent(MeshFiles.box(30, 30, 40, 12), plan(", \"cells\": 20000"));
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        JsonNode figures = json(response).path("figures");
        assertThat(figures.path("metal_cm3").asDouble()).isCloseTo(36, within(4.0));
        assertThat(figures.path("cells").asInt()).isBetween(18_000, 24_000);
        // 0.7 kg/s of 0.9 x 8.36 g/cm3: 93 cm3 in a second
        assertThat(figures.path("fill_s").asDouble()).isCloseTo(36 / 93.0, within(0.08));
        assertThat(figures.path("air_pockets").size()).isZero();
        assertThat(figures.path("cold_stops").size()).isZero();
        assertThat(figures.path("last_to_freeze").path("x").asDouble()).isBetween(10.0, 20.0);
        assertThat(figures.path("last_to_freeze").path("s").asDouble())
                .isCloseTo(figures.path("freeze_s").asDouble(), within(0.01));
        // a plate of the same half thickness freezes later, a ball sooner: 15 mm, handbook 23
        assertThat(figures.path("freeze_s").asDouble()).isBetween(460.0, 3000.0);
        assertThat(json(response).path("findings").toString()).contains("foresight.coarse");
        assertThat(json(response).path("sums").toString()).contains("handbook 23");
    }

    @Test
    void manyCellsAreAJobThatTellsHowFarItIsAndIsCancelled() throws Exception {
        MockHttpServletResponse response =
                sent(MeshFiles.box(60, 60, 90, 12), plan(", \"cells\": " + Math.min(3_000_000, CellRoom.most())));
        assertThat(response.getStatus()).isEqualTo(202);
        String where = response.getHeader("Location");
        assertThat(where).startsWith("/api/compute/jobs/");
        JsonNode running = json(mvc.perform(get(where).with(httpBasic(owner.login(), Studio.PASSWORD)))
                .andReturn()
                .getResponse());
        assertThat(running.path("state").asString()).isEqualTo("running");
        JsonNode cancelled = json(mvc.perform(delete(where).with(httpBasic(owner.login(), Studio.PASSWORD)))
                .andReturn()
                .getResponse());
        assertThat(cancelled.path("state").asString()).isEqualTo("cancelled");
        Instant until = Instant.now().plus(Duration.ofSeconds(120));
        while (!mvc.perform(get("/simulations").with(Studio.as(owner)))
                .andReturn()
                .getResponse()
                .getContentAsString()
                .equals("[]")) {
            assertThat(Instant.now()).isBefore(until);
            Thread.sleep(200);
        }
        String nobodys = "/api/compute/jobs/00000000-0000-0000-0000-000000000000";
        assertThat(mvc.perform(get(nobodys).with(httpBasic(owner.login(), Studio.PASSWORD)))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(404);
    }

    @Test
    void whatCannotBeIsSaidAtItsField() throws Exception {
        byte[] box = MeshFiles.box(30, 30, 40, 12);
        assertThat(sent(box, plan(", \"cells\": 12")).getContentAsString()).contains("cells");
        assertThat(sent(box, "nonsense").getStatus()).isEqualTo(422);
        assertThat(sent(box, plan(", \"colour\": 3")).getContentAsString()).contains("colour");
        MockHttpServletResponse hot = sent(box, plan("").replace("500", "900"));
        assertThat(hot.getStatus()).isEqualTo(422);
        assertThat(hot.getContentAsString()).contains("mold_C").contains("never freezes");
        assertThat(sent("solid nothing\nendsolid".getBytes(StandardCharsets.UTF_8), plan(""))
                        .getStatus())
                .isEqualTo(422);
        assertThat(sent(box, plan(", \"vents\": [{\"x\": 1}]")).getContentAsString())
                .contains("vents");
    }

    /** A box without one of its triangles is closed by two of three lines. */
    @Test
    void aHoleInTheMeshIsOutvoted() throws Exception {
        MockHttpServletResponse response = sent(MeshFiles.box(30, 30, 40, 11), plan(", \"cells\": 20000"));
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(200);
        assertThat(json(response).path("figures").path("metal_cm3").asDouble()).isCloseTo(36, within(5.0));
    }
}
