package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;

/** The wash bench of the demo studio: a photo with a pinned defect, a lost network, the pages of the log. */
class BreakOutIT extends BrowserTest {
    @Override
    void signIn() {
        signIn("demo", "estuary");
    }

    private void sanderling() {
        page.navigate(app.address() + "/breakout");
        page.locator(".out-list a", new Page.LocatorOptions().setHasText("Sanderling, asleep"))
                .click();
        assertThat(page.locator("h1")).containsText("Sanderling, asleep");
    }

    private static Path photo() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(new BufferedImage(400, 300, BufferedImage.TYPE_INT_RGB), "jpeg", out);
        return Files.write(Files.createTempFile("shot", ".jpg"), out.toByteArray());
    }

    @Test
    void aDefectIsPinnedOnAPhoto() throws IOException {
        page.setViewportSize(400, 800);
        sanderling();
        Path shot = photo();
        page.locator("#shot").setInputFiles(shot);
        page.waitForURL(Pattern.compile(".*casting=1&photo=\\d+.*"));
        Files.delete(shot);
        assertThat(page.locator(".point img")).isVisible();
        // the camera held high: near the upper edge, where on the drawing nothing would be
        page.locator("[data-point]").click(new Locator.ClickOptions().setPosition(30, 20));
        assertThat(page.locator(".ring")).isVisible();
        page.locator(".sign", new Page.LocatorOptions().setHasText("crack"))
                .last()
                .click();
        page.locator("#set-pin").click();
        assertThat(page.locator(".pins")).containsText("on the photo");
        assertThat(page.locator(".point .over circle")).hasCount(1);
        assertThat((int) page.evaluate("document.documentElement.scrollWidth")).isLessThanOrEqualTo(400);
        accessible("a defect on a photo");
        page.locator(".pins li", new Page.LocatorOptions().setHasText("on the photo"))
                .locator("button")
                .click();
        assertThat(page.locator(".pins")).not().containsText("on the photo");
    }

    @Test
    void aPointBesideTheCastingIsRefusedInWords() {
        sanderling();
        page.locator("[data-point]").click(new Locator.ClickOptions().setPosition(6, 6));
        page.locator(".sign", new Page.LocatorOptions().setHasText("beads")).click();
        page.locator("#set-pin").click();
        assertThat(page.locator("#tap-word")).containsText("That point is not on the casting.");
        complaints.removeIf(c -> c.contains("409"));
    }

    @Test
    void aTapWithoutANetworkIsKeptAndSentOnce() {
        sanderling();
        context.setOffline(true);
        page.locator("#own-mass").fill("412 g");
        page.locator("form:has(#own-mass) button").click();
        assertThat(page.locator("#tap-kept")).containsText("One tap is kept here");
        context.setOffline(false);
        assertThat(page.locator("#tap-kept")).isHidden();
        assertThat(page.locator("#own-mass")).hasAttribute("placeholder", "412 g");
        complaints.removeIf(c -> c.contains("ERR_INTERNET_DISCONNECTED") || c.contains("ERR_NETWORK"));
    }

    @Test
    void thePagesOfTheLogCanBeReadAndFitAPhone() {
        for (int width : new int[] {1280, 400}) {
            page.setViewportSize(width, 800);
            for (String address : List.of(
                    "/breakout",
                    "/log",
                    "/log/factors",
                    "/log/against",
                    "/log/series",
                    "/log/notes",
                    "/causes",
                    "/causes?edit=new",
                    "/patinas")) {
                page.navigate(app.address() + address);
                accessible(address + " at " + width);
                assertThat((int) page.evaluate("document.documentElement.scrollWidth"))
                        .as(address)
                        .isLessThanOrEqualTo(width);
            }
            sanderling();
            String klass = page.url().replaceAll("/breakout/(\\d+).*", "/trees/$1/class");
            page.navigate(klass);
            accessible("class at " + width);
            assertThat((int) page.evaluate("document.documentElement.scrollWidth"))
                    .isLessThanOrEqualTo(width);
            sanderling();
            for (String more : List.of("", "/cooling", "/finish", "/sheet")) {
                page.navigate(page.url().replaceAll("(/breakout/\\d+).*", "$1" + more));
                accessible(more + " at " + width);
                assertThat((int) page.evaluate("document.documentElement.scrollWidth"))
                        .as(more)
                        .isLessThanOrEqualTo(width);
            }
        }
    }

    @Test
    void byTheKeyboardAlone() {
        sanderling();
        page.locator("[data-point]").focus();
        page.keyboard().press("ArrowUp");
        page.keyboard().press("ArrowUp");
        assertThat(page.locator("#pin-y")).hasValue("0.4200");
        page.locator("#tile-1").focus();
        page.keyboard().press("Enter");
        assertThat(page.locator(".tile .lab")).containsText("scrap");
        page.locator("#tile-1").focus();
        page.keyboard().press("Enter");
        assertThat(page.locator(".tile .lab")).containsText("not looked at");
        page.keyboard().press("Enter");
        assertThat(page.locator(".tile .lab")).containsText("good");
        page.keyboard().press("Enter");
        assertThat(page.locator(".tile .lab")).containsText("to mend");
    }
}
