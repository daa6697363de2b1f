package kilnryu.app;

import static kilnryu.app.Typing.typed;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import jakarta.servlet.http.Cookie;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.mock.web.MockHttpServletResponse;

/** Who may sign in, how often they may fail, and who may shut whom out. */
class AccountsTest extends AppTest {
    private static final String BETTER = "eel ladle fog cobalt";

    @Autowired
    JdbcClient jdbc;

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

    private String address() {
        return "10.20." + owner.id() / 250 % 250 + "." + owner.id() % 250;
    }

    private int home(Cookie session) throws Exception {
        return mvc.perform(get("/trees").cookie(session))
                .andReturn()
                .getResponse()
                .getStatus();
    }

    /** Forty at once with wrong passwords: six are looked at, the others wait; not one slips through. */
    @Test
    void fortyAtOnceAreSix() throws Exception {
        List<String> led = AtOnce.times(
                40, () -> signIn(owner.login(), "wrong wrong wrong", address()).getRedirectedUrl());
        assertThat(led.stream().filter("/login?wrong"::equals)).hasSize(6);
        assertThat(led.stream().filter("/login?wait"::equals)).hasSize(34);
    }

    /** From elsewhere the house signs in while an attacker knocks, with one login and with many. */
    @Test
    void anAttackerShutsHimselfOut() throws Exception {
        assertThat(signIn(owner.login(), Studio.PASSWORD, "192.0.2.7").getRedirectedUrl())
                .isEqualTo("/");
        for (int i = 0; i < 45; i++) {
            signIn(owner.login(), "guess " + i, "198.51." + (owner.id() % 250) + "." + i);
        }
        // no address had six, but the login had its thirty: new addresses wait, the known one does not
        assertThat(signIn(owner.login(), Studio.PASSWORD, "203.0.113.9").getRedirectedUrl())
                .isEqualTo("/login?wait");
        assertThat(signIn(owner.login(), Studio.PASSWORD, "192.0.2.7").getRedirectedUrl())
                .isEqualTo("/");
        String many = "10.99." + owner.id() / 250 % 250 + "." + owner.id() % 250;
        for (int i = 0; i < 24; i++) {
            signIn("nobody" + owner.id() + "-" + i, "x", many);
        }
        assertThat(signIn("nobody" + owner.id() + "-99", "x", many).getRedirectedUrl())
                .isEqualTo("/login?wait");
    }

    /** The right one forgets the wrong ones of that place only. */
    @Test
    void theRightOneForgets() throws Exception {
        for (int round = 0; round < 3; round++) {
            for (int i = 0; i < 5; i++) {
                assertThat(signIn(owner.login(), "wrong", address()).getRedirectedUrl())
                        .isEqualTo("/login?wrong");
            }
            assertThat(signIn(owner.login(), Studio.PASSWORD, address()).getRedirectedUrl())
                    .isEqualTo("/");
        }
    }

    @Test
    void changeOfPassword() throws Exception {
        Cookie one = signIn(owner.login(), Studio.PASSWORD, address()).getCookie("SESSION");
        Cookie two = signIn(owner.login(), Studio.PASSWORD, address()).getCookie("SESSION");
        assertThat(home(one)).isEqualTo(200);
        MockHttpServletResponse wrong = mvc.perform(post("/account/password")
                        .cookie(one)
                        .with(csrf())
                        .param("now", "not it")
                        .param("next", "short"))
                .andReturn()
                .getResponse();
        assertThat(wrong.getStatus()).isEqualTo(422);
        assertThat(wrong.getContentAsString()).contains("not the password you have now", "12 to 72 letters");
        assertThat(mvc.perform(post("/account/password")
                                .cookie(one)
                                .with(csrf())
                                .param("now", Studio.PASSWORD)
                                .param("next", BETTER))
                        .andReturn()
                        .getResponse()
                        .getRedirectedUrl())
                .isEqualTo("/account?changed");
        // here still signed in, elsewhere not any more
        assertThat(home(one)).isEqualTo(200);
        assertThat(home(two)).isEqualTo(302);
        assertThat(signIn(owner.login(), Studio.PASSWORD, address()).getRedirectedUrl())
                .isEqualTo("/login?wrong");
        assertThat(signIn(owner.login(), BETTER, address()).getRedirectedUrl()).isEqualTo("/");
    }

    @Test
    void placesAreListedAndEnded() throws Exception {
        Cookie one = signIn(owner.login(), Studio.PASSWORD, "192.0.2.41").getCookie("SESSION");
        Cookie two = signIn(owner.login(), Studio.PASSWORD, "192.0.2.42").getCookie("SESSION");
        String page = mvc.perform(get("/account").cookie(one))
                .andReturn()
                .getResponse()
                .getContentAsString()
                .replaceAll("\\s+", " ");
        assertThat(page).contains("192.0.2.41", "192.0.2.42", ">here<", "End it", "End all but this one");
        assertThat(page).doesNotContain(new String(java.util.Base64.getDecoder().decode(two.getValue())));
        String key = page.replaceAll("(?s).*name=\"key\" value=\"([0-9a-f]+)\".*", "$1");
        mvc.perform(post("/account/sessions/end").cookie(one).with(csrf()).param("key", key));
        assertThat(home(two)).isEqualTo(302);
        assertThat(home(one)).isEqualTo(200);
    }

    /** Thirty days after it was begun a sign-in ends, however busy it is kept. */
    @Test
    void aSignInDoesNotLastForEver() throws Exception {
        Cookie one = signIn(owner.login(), Studio.PASSWORD, address()).getCookie("SESSION");
        assertThat(home(one)).isEqualTo(200);
        jdbc.sql(
                        "update spring_session set creation_time = creation_time - 31 * 86400000::bigint where principal_name = ?")
                .param(owner.login())
                .update();
        MockHttpServletResponse again =
                mvc.perform(get("/trees").cookie(one)).andReturn().getResponse();
        assertThat(again.getRedirectedUrl()).isEqualTo("/login?again");
        assertThat(home(one)).isEqualTo(302);
    }

    @Test
    void theOwnerAddsShutsOutAndResets() throws Exception {
        String login = "ladle" + owner.id();
        MockHttpServletResponse weak =
                send(owner, "/account/people", typed("login", login, "shown", "Ladle", "password", "passwordpassword"));
        assertThat(weak.getStatus()).isEqualTo(422);
        assertThat(weak.getContentAsString())
                .contains("first that are tried", "value=\"Ladle\"")
                .doesNotContain("passwordpassword");
        assertThat(send(owner, "/account/people", typed("login", login, "shown", "Ladle", "password", BETTER))
                        .getStatus())
                .isEqualTo(302);
        assertThat(send(owner, "/account/people", typed("login", login, "shown", "Other", "password", BETTER))
                        .getContentAsString())
                .contains("signs in with this already");
        Cookie session = signIn(login, BETTER, address()).getCookie("SESSION");
        assertThat(home(session)).isEqualTo(200);
        long id = jdbc.sql("select id from account where login = ?")
                .param(login)
                .query(Long.class)
                .single();
        // shut out: out at once, and not in again, by the form or by a program
        send(owner, "/account/people/" + id + "/disable", Map.of());
        assertThat(home(session)).isEqualTo(302);
        assertThat(signIn(login, BETTER, address()).getRedirectedUrl()).isEqualTo("/login?closed");
        assertThat(mvc.perform(get("/api/openapi.json").with(httpBasic(login, BETTER)))
                        .andReturn()
                        .getResponse()
                        .getStatus())
                .isEqualTo(401);
        send(owner, "/account/people/" + id + "/enable", Map.of());
        assertThat(signIn(login, BETTER, address()).getRedirectedUrl()).isEqualTo("/");
        send(owner, "/account/people/" + id + "/reset", Map.of("password", "short"));
        assertThat(signIn(login, BETTER, address()).getRedirectedUrl()).isEqualTo("/");
        send(owner, "/account/people/" + id + "/reset", Map.of("password", BETTER + " again"));
        assertThat(signIn(login, BETTER, address()).getRedirectedUrl()).isEqualTo("/login?wrong");
        assertThat(signIn(login, BETTER + " again", address()).getRedirectedUrl())
                .isEqualTo("/");
    }

    @Test
    void onlyTheOwnerAndOnlyInTheirStudio() throws Exception {
        Account colleague = Studio.colleague(accounts, passwords, owner);
        Account stranger = Studio.owner(accounts, passwords);
        assertThat(page(colleague, "/account")).doesNotContain("People of the studio");
        assertThat(page(owner, "/account")).contains("People of the studio", colleague.login());
        assertThat(send(colleague, "/account/people/" + owner.id() + "/disable", Map.of())
                        .getStatus())
                .isEqualTo(403);
        assertThat(send(colleague, "/account/people", typed("login", "x1", "shown", "X", "password", BETTER))
                        .getStatus())
                .isEqualTo(403);
        assertThat(send(stranger, "/account/people/" + colleague.id() + "/disable", Map.of())
                        .getStatus())
                .isEqualTo(404);
        assertThat(send(stranger, "/account/people/" + colleague.id() + "/reset", Map.of("password", BETTER))
                        .getStatus())
                .isEqualTo(404);
        assertThat(send(owner, "/account/people/" + owner.id() + "/disable", Map.of())
                        .getRedirectedUrl())
                .isEqualTo("/account");
        assertThat(signIn(owner.login(), Studio.PASSWORD, address()).getRedirectedUrl())
                .isEqualTo("/");
    }
}
