package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Questions to the compute API. */
abstract class ComputeTest extends AppTest {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    JsonNode ask(int status, String path, String body) throws Exception {
        MockHttpServletResponse response = mvc.perform(post("/api/compute/" + path)
                        .with(httpBasic(owner.login(), Studio.PASSWORD))
                        .contentType(MediaType.APPLICATION_JSON)
                        .content(body))
                .andReturn()
                .getResponse();
        assertThat(response.getStatus()).as(response.getContentAsString()).isEqualTo(status);
        return JSON.readTree(response.getContentAsString());
    }

    static String field(JsonNode problem, String field) {
        for (JsonNode e : problem.path("errors")) {
            if (e.path("field").asString().equals(field)) {
                return e.path("message").asString();
            }
        }
        return "none at " + field + ": " + problem;
    }
}
