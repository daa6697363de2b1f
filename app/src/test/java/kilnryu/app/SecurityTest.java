package kilnryu.app;

import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.mock.web.MockHttpServletResponse;

class SecurityTest extends AppTest {
    private MockHttpServletResponse signIn(String login, String password, String from) throws Exception {
        return mvc.perform(post("/login")
                        .param("username", login)
                        .param("password", password)
                        .with(csrf())
                        .with(request -> {
                            request.setRemoteAddr(from);
                            return request;
                        }))
                .andReturn()
                .getResponse();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "/",
                "/trees",
                "/trees/new",
                "/trees/1/tree",
                "/factors",
                "/account",
                "/trees.csv",
                "/actuator/env"
            })
    void everyPageNeedsAnAccount(String path) throws Exception {
        MockHttpServletResponse response = mvc.perform(get(path)).andReturn().getResponse();
        assertThat(response.getStatus()).isEqualTo(302);
        assertThat(response.getRedirectedUrl()).contains("/login");
    }

    @Test
    void loginAssetsAndHealthAreOpen() throws Exception {
        for (String path :
                new String[] {"/login", "/css/theme.css", "/js/plan.js", "/actuator/health", "/favicon.svg"}) {
            assertThat(mvc.perform(get(path)).andReturn().getResponse().getStatus())
                    .as(path)
                    .isEqualTo(200);
        }
    }

    @Test
    void thePolicyAllowsNothingInline() throws Exception {
        MockHttpServletResponse response =
                mvc.perform(get("/login")).andReturn().getResponse();
        assertThat(response.getHeader("Content-Security-Policy"))
                .contains("default-src 'self'")
                .doesNotContain("unsafe");
        assertThat(response.getContentAsString())
                .doesNotContain("style=\"")
                .doesNotContainPattern("<script(?![^>]*src=)")
                .doesNotContainPattern(" on[a-z]+=\"");
    }

    @Test
    void aFormWithoutItsTokenIsRefused() throws Exception {
        assertThat(mvc.perform(post("/trees/0/tree").with(Studio.as(owner)))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(403);
    }

    @Test
    void tooManyFailuresHaveToWaitEvenWithTheRightPassword() throws Exception {
        String from = "10.7.0." + (owner.id() % 250);
        for (int i = 0; i < 6; i++) {
            assertThat(signIn(owner.login(), "wrong", from).getRedirectedUrl()).isEqualTo("/login?wrong");
        }
        assertThat(signIn(owner.login(), Studio.PASSWORD, from).getRedirectedUrl())
                .isEqualTo("/login?wait");
        // from elsewhere the owner is not locked out
        assertThat(signIn(owner.login(), Studio.PASSWORD, "10.8.0.1").getRedirectedUrl())
                .isEqualTo("/");
    }

    @Test
    void anExpiredSignInAsksAPartialRequestForAWholePage() throws Exception {
        MockHttpServletResponse response = mvc.perform(
                        post("/trees/0/tree/try").header("HX-Request", "true").with(csrf()))
                .andReturn()
                .getResponse();
        assertThat(response.getHeader("HX-Redirect")).isEqualTo("/login?again");
    }

    @Test
    void theFirstVisitsFormIsGoneOnceThereIsAnAccount() throws Exception {
        assertThat(mvc.perform(get("/first")).andReturn().getResponse().getStatus())
                .isEqualTo(404);
        // two at once: one made it, the other is told so
        assertThat(mvc.perform(post("/first").with(csrf()))
                        .andReturn()
                        .getResponse()
                        .getRedirectedUrl())
                .isEqualTo("/login?taken");
    }
}
