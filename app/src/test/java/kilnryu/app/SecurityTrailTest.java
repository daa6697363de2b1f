package kilnryu.app;

import static kilnryu.app.Studio.as;
import static org.assertj.core.api.Assertions.assertThat;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.csrf;
import static org.springframework.security.test.web.servlet.request.SecurityMockMvcRequestPostProcessors.httpBasic;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.post;

import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.util.List;
import java.util.Map;
import kilnryu.app.account.Account;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.slf4j.LoggerFactory;

/** Who signed in and failed to, what was taken out and what was refused, in a log of its own; no password is in it. */
class SecurityTrailTest extends AppTest {
    private final Logger log = (Logger) LoggerFactory.getLogger("security");
    private final ListAppender<ILoggingEvent> said = new ListAppender<>();

    @BeforeEach
    void listen() {
        said.start();
        log.addAppender(said);
    }

    @AfterEach
    void stop() {
        log.detachAppender(said);
    }

    private List<String> lines() {
        return said.list.stream().map(ILoggingEvent::getFormattedMessage).toList();
    }

    private void signIn(String login, String password) throws Exception {
        mvc.perform(post("/login")
                .param("username", login)
                .param("password", password)
                .with(csrf()));
    }

    @Test
    void signInsAndFailures() throws Exception {
        signIn(owner.login(), "not the password");
        signIn(owner.login(), Studio.PASSWORD);
        assertThat(lines())
                .contains(
                        "failed login=" + owner.login() + " from=127.0.0.1 ",
                        "signed in login=" + owner.login() + " from=127.0.0.1 ")
                .noneMatch(l -> l.contains("not the password") || l.contains(Studio.PASSWORD));
        for (int i = 0; i < 7; i++) {
            signIn("nobody" + owner.id(), "x");
        }
        assertThat(lines()).contains("throttled login=nobody" + owner.id() + " from=127.0.0.1 ");
    }

    @Test
    void exports() throws Exception {
        long tree = tree(owner, WAX);
        assertThat(read(owner, "/trees.csv").getStatus()).isEqualTo(200);
        assertThat(read(owner, "/trees/" + tree + "/card.pdf").getStatus()).isEqualTo(200);
        assertThat(lines())
                .contains("export login=" + owner.login() + " from=127.0.0.1 /trees.csv")
                .contains("export login=" + owner.login() + " from=127.0.0.1 /trees/" + tree + "/card.pdf");
        said.list.clear();
        page(owner, "/trees");
        assertThat(lines()).isEmpty();
    }

    @Test
    void refusals() throws Exception {
        mvc.perform(post("/trees/0/tree").with(as(owner)));
        mvc.perform(get("/api/compute/tree").with(httpBasic(owner.login(), "wrong")));
        mvc.perform(get("/trees").param("q", "a\u0000b").with(as(owner)));
        Account colleague = Studio.colleague(accounts, passwords, owner);
        send(colleague, "/account/people/" + owner.id() + "/disable", Map.of());
        assertThat(lines())
                .anyMatch(l -> l.startsWith("refused 403 POST") && l.endsWith(" /trees/0/tree"))
                .anyMatch(l -> l.startsWith("refused 401") && l.endsWith("/api/compute/tree"))
                .anyMatch(l -> l.startsWith("refused 400") && l.endsWith(" /trees"))
                .contains("refused 403 POST login=" + colleague.login() + " from=127.0.0.1 /account/people/"
                        + owner.id() + "/disable");
    }

    /** What is sent cannot write lines of its own. */
    @Test
    void oneLineWhateverIsSent() throws Exception {
        signIn("a\u2028b signed in login=owner", "x");
        assertThat(lines()).allSatisfy(l -> assertThat(l).doesNotContain("\n", "\u2028", "b signed in login=owner"));
    }

    @Test
    void peopleAddedAndShutOut() throws Exception {
        String login = "eider" + owner.id();
        send(owner, "/account/people", Map.of("login", login, "shown", "Eider", "password", "eel ladle fog cobalt"));
        Matcher id = new Matcher(page(owner, "/account"), login);
        send(owner, "/account/people/" + id.number() + "/disable", Map.of());
        assertThat(lines())
                .contains("account added login=" + owner.login() + " from=127.0.0.1 " + login)
                .contains("account disabled login=" + owner.login() + " from=127.0.0.1 " + login);
    }

    /** The number of a person by their row on the page. */
    private record Matcher(String page, String login) {
        String number() {
            return page.substring(page.indexOf("<td>" + login)).replaceAll("(?s).*?/account/people/(\\d+)/.*", "$1");
        }
    }
}
