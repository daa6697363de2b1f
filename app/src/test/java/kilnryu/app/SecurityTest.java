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

    /** A page that was opened is gone on to; a part that a page fetched for itself, a stream, a poll are not. */
    @Test
    void afterASignInComesAPageAndNotAPartOfOne() throws Exception {
        assertThat(mvc.perform(get("/trees?word=tern").header("Accept", "text/html,application/xhtml+xml,*/*;q=0.8"))
                        .andReturn()
                        .getResponse()
                        .getCookie("REDIRECT_URI"))
                .isNotNull();
        assertThat(mvc.perform(get("/today/inside")
                                .header("Accept", "text/html, */*")
                                .header("HX-Request", "true"))
                        .andReturn()
                        .getResponse()
                        .getCookie("REDIRECT_URI"))
                .isNull();
        assertThat(mvc.perform(get("/pours/1/events").header("Accept", "text/event-stream"))
                        .andReturn()
                        .getResponse()
                        .getCookie("REDIRECT_URI"))
                .isNull();
        assertThat(mvc.perform(get("/pours/1/day/live")
                                .header("X-Requested-With", "live")
                                .header("Accept", "text/html"))
                        .andReturn()
                        .getResponse()
                        .getCookie("REDIRECT_URI"))
                .isNull();
        // the cookie leads where it says, once
        String wanted = mvc.perform(get("/trees?word=tern").header("Accept", "text/html"))
                .andReturn()
                .getResponse()
                .getCookie("REDIRECT_URI")
                .getValue();
        assertThat(mvc.perform(post("/login")
                                .param("username", owner.login())
                                .param("password", Studio.PASSWORD)
                                .header("Accept", "text/html")
                                .cookie(new jakarta.servlet.http.Cookie("REDIRECT_URI", wanted))
                                .with(csrf()))
                        .andReturn()
                        .getResponse()
                        .getRedirectedUrl())
                .endsWith("/trees?word=tern");
    }
}
