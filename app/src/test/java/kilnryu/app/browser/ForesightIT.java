package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.Media;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The leg of the demo studio's wading bird: filled and frozen ahead, its pool cured by a feeder, old after a change. */
@BrowserTest.TurnsAMesh
class ForesightIT extends BrowserTest {
    private static final String LEG = "Wading bird, garden bronze, left leg and base";

    @BeforeEach
    void atTheLeg() {
        context.clearCookies();
        signIn("demo", "estuary");
        page.navigate(app.address() + "/trees");
        page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName(LEG).setExact(true))
                .first()
                .click();
        page.waitForURL(Pattern.compile(".*/trees/\\d+/.*"));
        page.navigate(page.url().replaceAll("/trees/(\\d+).*", "/trees/$1/foresight"));
    }

    private void tryIt(String cells) {
        page.locator("#cells").first().selectOption(cells);
        page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(Pattern.compile("^Try it")))
                .first()
                .click();
    }

    @Test
    void aPoolIsForeseenMendedAndTheOldResultMarked() {
        tryIt("60000");
        Locator pool = page.locator(".trouble").first();
        assertThat(pool).containsText("Pool in leg");
        assertThat(page.locator(".cut-drawn svg")).isVisible();
        accessible("filled and frozen");
        String before = page.locator(".cut-drawn").innerHTML();
        page.locator("#step").fill("200");
        assertThat(page.locator(".moment-says")).containsText("after it is full");
        page.waitForCondition(() -> !page.locator(".cut-drawn").innerHTML().equals(before));

        pool.locator(".tries .btn-primary").click();
        assertThat(page.locator("#tried table")).containsText("hollow in castings");
        Locator hollow = page.locator("#tried tr").filter(new Locator.FilterOptions().setHasText("hollow in castings"));
        assertThat(hollow.locator("td").last()).hasText("none");
        press("Take it into the tree");
        page.waitForURL(Pattern.compile(".*\\?taken"));
        assertThat(page.locator("#verdict")).containsText("Old");
        tryIt("60000");
        assertThat(page.locator("#verdict")).not().containsText("Old");
        assertThat(page.locator(".trouble.stop").filter(new Locator.FilterOptions().setHasText("Pool in leg")))
                .hasCount(0);
        assertThat(page.locator(".trouble.warn").filter(new Locator.FilterOptions().setHasText("Pool in leg")))
                .hasCount(0);
    }

    @Test
    void whatTakesLongIsStopped() {
        tryIt("3000000");
        Locator bar = page.locator(".away-bar");
        assertThat(bar).containsText("Wading bird");
        press("Stop it");
        assertThat(bar).isHidden();
        assertThat(page.locator("#main")).isVisible();
        // what was known of before holds, and is not shown as if it were being computed
        assertThat(page.locator(".stale")).hasCount(0);
    }

    @Test
    void itIsTurnedAndPrinted() {
        if (page.locator(".cut-drawn svg").count() == 0) {
            tryIt("60000");
        }
        assertThat(page.locator(".cut-drawn svg")).isVisible();
        press("Turn in space");
        Locator canvas = page.locator(".turning canvas");
        assertThat(canvas).isVisible();
        byte[] seen = canvas.screenshot();
        page.evaluate("const off = document.getElementById('off'); off.value = off.max;"
                + "off.dispatchEvent(new Event('input', { bubbles: true }))");
        page.waitForCondition(() -> !java.util.Arrays.equals(canvas.screenshot(), seen));
        press("Back to the cut");
        page.emulateMedia(new Page.EmulateMediaOptions().setMedia(Media.PRINT));
        assertThat(page.locator(".cut-drawn svg")).isVisible();
        assertThat(page.locator(".tries").first()).isHidden();
        assertThat(page.pdf().length).isGreaterThan(10_000);
    }
}
