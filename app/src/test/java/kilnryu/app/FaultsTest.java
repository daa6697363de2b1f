package kilnryu.app;

import static kilnryu.app.Studio.as;
import static kilnryu.app.Typing.over;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.http.MediaType;
import org.springframework.mock.web.MockHttpServletResponse;
import org.springframework.test.web.servlet.RequestBuilder;

/** What a robot or a broken line sends: a clear refusal, never a failure of ours. */
class FaultsTest extends AppTest {
    private static final String NUL = "\u0000";

    private int status(RequestBuilder request) throws Exception {
        MockHttpServletResponse answer = mvc.perform(request).andReturn().getResponse();
        return answer.getStatus();
    }

    @Test
    void aUserNameThatNoKeyboardMakes() throws Exception {
        assertThat(status(post("/login")
                        .param("username", "own" + NUL + "er")
                        .param("password", "x")
                        .with(csrf())))
                .isEqualTo(400);
        assertThat(status(get("/api/compute/tree").with(httpBasic("own" + NUL + "er", "x"))))
                .isEqualTo(401);
        assertThat(status(post("/first").param("login", NUL).with(csrf()))).isEqualTo(400);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"/trees?q=", "/pieces?q=", "/pieces/new?draft=", "/login?", "/trees/new?draft=", "/mixing?tree="
            })
    void searchesAndPages(String address) throws Exception {
        for (String bad : new String[] {"%00", "a%00b", "%07", "%1b"}) {
            assertThat(mvc.perform(get(java.net.URI.create(address + bad)).with(as(owner)))
                            .andReturn()
                            .getResponse()
                            .getStatus())
                    .as(address + bad)
                    .isEqualTo(400);
        }
    }

    @Test
    void fieldsOfAForm() throws Exception {
        assertThat(send(owner, "/trees/0/tree", over(WAX, "name", "a" + NUL)).getStatus())
                .isEqualTo(400);
        assertThat(send(owner, "/trees/0/tree", over(WAX, "na" + NUL, "b")).getStatus())
                .isEqualTo(400);
        assertThat(send(owner, "/trees/0/tree", over(WAX, "page", NUL)).getStatus())
                .isEqualTo(400);
        // lines and tabs are no harm
        assertThat(send(owner, "/trees/0/tree/try", over(WAX, "change_note", "a\n\tb"))
                        .getStatus())
                .isEqualTo(200);
    }

    /** A version that never was: what is typed stays, over what is saved. */
    @Test
    void aVersionThatNeverWas() throws Exception {
        long tree = tree(owner, WAX);
        MockHttpServletResponse answer =
                send(owner, "/trees/" + tree + "/tree", over(WAX, "version", "999", "name", "Reed bunting"));
        assertThat(answer.getStatus()).isEqualTo(409);
        assertThat(answer.getContentAsString()).contains("Reed bunting");
        assertThat(send(owner, "/trees/" + tree + "/mold", over(FLASK, "version", "999"))
                        .getStatus())
                .isEqualTo(409);
        String piece = send(owner, "/pieces/0", Map.of("version", "0", "name", "Cockle", "count", "1"))
                .getRedirectedUrl()
                .replaceAll("\\D+(\\d+).*", "$1");
        MockHttpServletResponse cockle =
                send(owner, "/pieces/" + piece, Map.of("version", "999", "name", "Whelk", "count", "2"));
        assertThat(cockle.getStatus()).isEqualTo(409);
        assertThat(cockle.getContentAsString()).contains("Whelk");
        assertThat(send(owner, "/pieces/" + piece, Map.of("version", "-5", "name", "Whelk"))
                        .getStatus())
                .isEqualTo(409);
    }

    @ParameterizedTest
    @ValueSource(strings = {"tree", "flask", "block", "shell", "burnout", "program", "plan", "mesh"})
    void multipartWithoutItsBoundary(String what) throws Exception {
        int status = status(post("/api/compute/" + what)
                .with(httpBasic(owner.login(), Studio.PASSWORD))
                .contentType(MediaType.MULTIPART_FORM_DATA)
                .content("--"));
        assertThat(status).isBetween(400, 422);
    }

    @Test
    void theErrorPageByHand() throws Exception {
        assertThat(status(get("/error").with(as(owner)))).isEqualTo(404);
        assertThat(status(get("/error"))).isEqualTo(404);
    }
}
