package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.deque.html.axecore.playwright.AxeBuilder;
import com.deque.html.axecore.results.Rule;
import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserContext;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.Response;
import com.microsoft.playwright.assertions.PlaywrightAssertions;
import com.microsoft.playwright.options.AriaRole;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CopyOnWriteArrayList;
import kilnryu.app.account.Account;
import kilnryu.app.account.AccountStore;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.TestInfo;
import org.springframework.security.crypto.password.PasswordEncoder;

/** A browser on the application as it is in the shop, on a database of its own; nothing may leave the machine. */
abstract class BrowserTest {
    static Running app;
    static Playwright playwright;
    static Browser browser;
    static Account owner;

    final List<String> elsewhere = new CopyOnWriteArrayList<>();
    final List<String> complaints = new CopyOnWriteArrayList<>();
    BrowserContext context;
    Page page;

    /** A class whose pages turn a mesh: WebGL in software, which makes every other page slower. */
    @Retention(RetentionPolicy.RUNTIME)
    @interface TurnsAMesh {}

    private static List<String> arguments(TestInfo test) {
        boolean turns = test.getTestClass().orElseThrow().isAnnotationPresent(TurnsAMesh.class);
        List<String> all = new ArrayList<>(List.of(
                "--no-sandbox",
                "--disable-quic",
                "--no-first-run",
                "--disable-background-networking",
                "--disable-component-update",
                "--disable-sync"));
        all.addAll(
                turns
                        ? List.of("--use-gl=angle", "--use-angle=swiftshader", "--enable-unsafe-swiftshader")
                        : List.of("--disable-gpu"));
        return all;
    }

    /** A busy machine answers late: a test fails by what stands there, not by how long it took. */
    private static final int PATIENCE = 120_000;

    @BeforeAll
    static void open(TestInfo test) {
        PlaywrightAssertions.setDefaultAssertionTimeout(PATIENCE);
        app = new Running();
        owner = app.bean(AccountStore.class)
                .createWithStudio(new AccountStore.NewOwner(
                        "Tidewrack Foundry",
                        "Europe/Lisbon",
                        "way" + System.nanoTime(),
                        app.bean(PasswordEncoder.class).encode("a long sentence"),
                        "Way",
                        false));
        playwright = Playwright.create(
                new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
        browser = playwright
                .chromium()
                .launch(new BrowserType.LaunchOptions()
                        .setExecutablePath(Path.of("/usr/bin/chromium"))
                        .setHeadless(true)
                        .setArgs(arguments(test)));
    }

    @AfterAll
    static void close() {
        browser.close();
        playwright.close();
        app.close();
    }

    @BeforeEach
    void newContext() {
        context = browser.newContext(new Browser.NewContextOptions().setViewportSize(1280, 800));
        context.addInitScript("window.settled = [];"
                + "addEventListener('htmx:afterSettle', e => window.settled.push(e.detail.xhr.responseURL), true)");
        context.setDefaultTimeout(PATIENCE);
        page = context.newPage();
        page.onRequest(r -> {
            if (!r.url().startsWith(app.address()) && !r.url().startsWith("data:")) {
                elsewhere.add(r.url());
            }
        });
        page.onConsoleMessage(m -> {
            // a form refused, a page asked for that is not there, an update overtaken by the next key stroke
            boolean expected = m.text()
                    .matches("(?s).*status of (404|422).*|htmx:(sendAbort|afterRequest),.*"
                            // the stream of a running firing while the application is down
                            + "|.*net::ERR_(CONNECTION_REFUSED|INCOMPLETE_CHUNKED_ENCODING).*");
            if (m.type().equals("error") && !expected || m.text().contains("Content Security Policy")) {
                complaints.add(m.text());
            }
        });
        page.onPageError(complaints::add);
        signIn();
    }

    @AfterEach
    void nothingLeftTheMachineAndNothingWasRefused() {
        context.close();
        assertThat(elsewhere).isEmpty();
        assertThat(complaints).isEmpty();
    }

    void signIn() {
        signIn(owner.login(), "a long sentence");
    }

    void signIn(String login, String password) {
        page.navigate(app.address() + "/login");
        page.getByLabel("Login").fill(login);
        page.getByLabel("Password").fill(password);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Sign in"))
                .click();
        page.waitForURL(app.address() + "/");
    }

    /** Does something and waits until what the server answers at an address stands in the page. */
    void answered(String address, Runnable action) {
        int before = (int) page.evaluate("window.settled.length");
        Response answer = page.waitForResponse(address, action);
        page.waitForFunction(
                "([before, url]) => window.settled.slice(before).includes(url)", List.of(before, answer.url()));
    }

    void press(String button) {
        page.getByRole(
                        AriaRole.BUTTON,
                        new Page.GetByRoleOptions().setName(button).setExact(true))
                .click();
    }

    Locator figure(String name) {
        return page.locator("#answer .fig")
                .filter(new Locator.FilterOptions()
                        .setHas(page.getByText(name, new Page.GetByTextOptions().setExact(true))))
                .first();
    }

    void accessible(String where) {
        List<Rule> violations = new AxeBuilder(page).analyze().getViolations();
        assertThat(violations)
                .as(where)
                .extracting(r -> r.getId() + ": " + r.getNodes().get(0).getHtml())
                .isEmpty();
    }
}
