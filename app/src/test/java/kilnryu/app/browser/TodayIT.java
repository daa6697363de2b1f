package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.ColorScheme;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** The way through, in the demo studio: the day first, the drawing first, light and dark, wide and narrow, with and without a network. */
class TodayIT extends BrowserTest {
    private static final List<String> PAGES = List.of(
            "/",
            "/pieces",
            "/pieces/1",
            "/trees",
            "/trees/1/tree",
            "/trees/3/gating",
            "/trees/3/mold",
            "/trees/3/firing",
            "/mixing",
            "/shells",
            "/shells/1",
            "/firings",
            "/firings/2/run",
            "/firings/3",
            "/firings/3/load",
            "/firings/2/card",
            "/pours",
            "/pours/new",
            "/pours/1",
            "/pours/1/charge",
            "/pours/1/melt",
            "/pours/1/card",
            "/metal",
            "/furnaces",
            "/equipment",
            "/kilns",
            "/blends",
            "/factors",
            "/glossary",
            "/help/firing",
            "/account");

    @Override
    void signIn() {
        signIn("demo", "estuary");
    }

    @Test
    void everyPageCanBeReadInTheLightAndInTheDark() {
        for (ColorScheme scheme : List.of(ColorScheme.LIGHT, ColorScheme.DARK)) {
            page.emulateMedia(new Page.EmulateMediaOptions().setColorScheme(scheme));
            for (String address : PAGES) {
                page.navigate(app.address() + address);
                accessible(address + " " + scheme);
            }
        }
    }

    @Test
    void nothingStandsOutAtAPhone() {
        page.setViewportSize(400, 800);
        for (String address : PAGES) {
            page.navigate(app.address() + address);
            int wide = (int) page.evaluate("document.documentElement.scrollWidth");
            assertThat(wide).as(address).isLessThanOrEqualTo(400);
        }
    }

    @Test
    void statesAfterErrorsCanBeReadToo() {
        page.navigate(app.address() + "/trees/4/tree");
        page.locator(".listed > summary").first().click();
        page.locator(".listed[open] input.form-control:visible").nth(1).fill("many");
        press("Save");
        assertThat(page.locator(".note.wrong").first()).isVisible();
        accessible("a tree that cannot be saved");
        page.navigate(app.address() + "/trees/999999/tree");
        accessible("nothing here");
        page.navigate(app.address() + "/trees/4/tree");
        page.locator("form[action$='/discard'] button").click();
        // the answer stands here before the page is left: else it would come between
        assertThat(page.locator("form[action$='/discard']")).hasCount(0);
    }

    @Test
    void theDrawingIsLargeAndAPartThatIsTouchedOpens() {
        for (String address : List.of("/trees/3/tree", "/trees/3/gating", "/trees/3/mold", "/shells/1")) {
            page.navigate(app.address() + address);
            assertThat(page.locator(".draw.lead svg").first().boundingBox().height)
                    .as(address)
                    .isGreaterThanOrEqualTo(560);
        }
        page.navigate(app.address() + "/trees/3/tree");
        Locator part = page.locator("#answer .draw [data-of]").last();
        String key = part.getAttribute("data-of");
        part.click();
        assertThat(page.locator(".listed[data-key='" + key + "']")).hasAttribute("open", Pattern.compile(".*"));
        // a finger takes hold of 24 px and more
        page.navigate(app.address() + "/trees/3/gating");
        assertThat(page.locator(".halo").first().boundingBox().width).isGreaterThanOrEqualTo(24);
    }

    @Test
    void theDayLeadsToTheStep() {
        page.navigate(app.address() + "/");
        assertThat(page.locator(".strip svg")).isVisible();
        assertThat(page.locator(".card-now").first()).containsText("late");
        assertThat(page.locator(".in-work li")).hasCount(6);
        page.locator(".card-now a").first().click();
        page.waitForURL("**/run");
        assertThat(page).hasTitle(Pattern.compile("\\(\\d+\\) .* run · Kiln Ryu"));
        assertThat(page.locator(".btn.tall")).isVisible();
        // asked in the page, since what happens puts a new one in its place between two questions from outside
        Object height = page.evaluate("document.querySelector('.btn.tall').getBoundingClientRect().height");
        assertThat(((Number) height).doubleValue()).isGreaterThanOrEqualTo(72);
        // every line at an instant, by the keyboard
        Locator range = page.locator(".reads-at input");
        range.focus();
        String before = page.locator(".reads-at output").innerText();
        page.keyboard().press("Home");
        assertThat(page.locator(".reads-at output")).not().hasText(before);
        assertThat(page.locator(".reads-at output")).containsText("kiln asked");
    }

    @Test
    void withoutANetworkNothingTypedIsLost() {
        page.navigate(app.address() + "/trees/3/tree");
        page.locator("[name=name]").fill("Wading bird, garden bronze, left leg and base");
        context.setOffline(true);
        page.locator("[name=name]").fill("Wading bird, by the sluice");
        assertThat(page.locator(".away-bar")).containsText("Not connected");
        press("Save");
        assertThat(page.locator(".away-bar")).containsText("nothing was saved");
        assertThat(page.locator("[name=name]")).hasValue("Wading bird, by the sluice");
        context.setOffline(false);
        assertThat(page.locator(".away-bar")).containsText("Connected again");
        page.getByText("Save it now").click();
        page.waitForURL("**/tree?saved");
        assertThat(page.locator("h1")).hasText("Wading bird, by the sluice");
        complaints.removeIf(c -> c.contains("ERR_INTERNET_DISCONNECTED") || c.contains("htmx:sendError"));
    }

    @Test
    void termsLeadToTheirDrawingsAndKeysCanBeSwitchedOff() {
        page.navigate(app.address() + "/factors");
        Locator term = page.locator("a.term").first();
        assertThat(term).isVisible();
        String key = term.getAttribute("href").replaceAll(".*#", "");
        term.click();
        page.waitForURL("**/glossary#" + key);
        assertThat(page.locator("[id='" + key + "'] svg")).isVisible();
        page.keyboard().press("?");
        page.locator("[data-keys-on]").uncheck();
        page.keyboard().press("Escape");
        page.keyboard().press("n");
        page.waitForTimeout(300);
        assertThat(page.url()).contains("/glossary");
    }

    @Test
    void darkStaysChosen() {
        page.navigate(app.address() + "/trees");
        page.locator("[data-menu] > summary").click();
        page.locator("[data-theme-next]").click();
        page.navigate(app.address() + "/pieces");
        assertThat(page.locator("html")).hasAttribute("data-theme", "dark");
    }
}
