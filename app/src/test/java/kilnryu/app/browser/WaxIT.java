package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import java.util.List;
import org.junit.jupiter.api.Test;

/** At the bench of rubber and wax: coats with a clock, layers with theirs, an injection round on a phone. */
class WaxIT extends BrowserTest {
    private void fill(String id, String text) {
        page.locator("[id='" + id + "']").fill(text);
    }

    private void byName(String name, String text) {
        page.locator("[name='" + name + "']").fill(text);
    }

    private Locator button(String words) {
        return page.locator("main button", new Page.LocatorOptions().setHasText(words))
                .first();
    }

    private void fits(String what) {
        assertThat((int) page.evaluate("document.documentElement.scrollWidth"))
                .as(what)
                .isLessThanOrEqualTo(page.viewportSize().width);
        accessible(what);
    }

    private void mold() {
        page.navigate(app.address() + "/rubber/0");
        byName("name", "Curlew, head");
        byName("area_cm2", "1200 cm2");
        byName("hardener_per_100", "10");
        byName("pot_life_min_23", "40 min");
        byName("cure_h_23", "16 h");
        byName("room_C", "23 C");
        button("Add the mold").click();
        assertThat(page.locator("h1")).containsText("Curlew, head");
    }

    @Test
    void aBrushedMoldIsLaidCoatByCoat() {
        mold();
        assertThat(page.locator(".wax-coats")).containsText("82.8 g");
        fits("a mold of rubber");
        page.setViewportSize(400, 800);
        page.locator("a", new Page.LocatorOptions().setHasText("To the bench")).click();
        assertThat(page.locator("h2").first()).containsText("Coat 1");
        fill("base", "82.8 g");
        fill("hardener", "12 g");
        button("Mixed").click();
        assertThat(page.locator("[role=alert]")).containsText("too much");
        assertThat(page.locator("#base")).hasValue("82.8 g");
        fill("hardener", "8.3 g");
        button("Mixed").click();
        // a clock that runs down
        assertThat(page.locator(".count-down")).containsText(":");
        assertThat(page.locator(".bench-clock")).containsText("the cup can be worked");
        assertThat(page.locator("h2").first()).containsText("Coat 2");
        fits("the bench of a mold");
    }

    @Test
    void waxStandsByItsClockAndIsTurnedOut() {
        mold();
        page.locator("a", new Page.LocatorOptions().setHasText("A wax in it")).click();
        byName("target_mm", "0.4 mm");
        byName("layers", "1");
        byName("thinnest_mm", "12 mm");
        button("Add the wax").click();
        assertThat(page.locator(".wax-draw svg")).isVisible();
        fits("a wax");
        page.setViewportSize(400, 800);
        page.locator("a", new Page.LocatorOptions().setHasText("To the bench")).click();
        button("Poured").click();
        assertThat(page.locator(".bench-clock")).containsText("until it is turned out");
        // some seconds: the page asks again when its clock is down
        assertThat(page.locator(".bench-clock"))
                .containsText(
                        "Turn it out now",
                        new com.microsoft.playwright.assertions.LocatorAssertions.ContainsTextOptions()
                                .setTimeout(60_000));
        button("Turned out").click();
        button("Pulled from its mold").click();
        button("Sound").click();
        assertThat(page.locator(".tick-list li").first()).containsText("sound");
        fill("grams", "40 g");
        button("Keep it").click();
        assertThat(page.locator("main")).containsText("on average");
        fits("the bench of a wax");
    }

    @Test
    void aRoundOfMoldsOnAPhone() {
        page.setViewportSize(400, 800);
        page.navigate(app.address() + "/waxes/rounds/0");
        byName("name", "Limpets");
        for (int i = 1; i <= 2; i++) {
            byName("molds[k" + i + "].name", "limpet " + i);
            byName("molds[k" + i + "].thickest_mm", "0.6 mm");
            byName("molds[k" + i + "].wanted", "1");
        }
        button("Add the round").click();
        assertThat(page.locator(".wax-draw svg")).isVisible();
        page.locator("a", new Page.LocatorOptions().setHasText("To the bench")).click();
        assertThat(page.locator(".bench-clock")).containsText("Close and inject limpet 1.");
        fits("a round");
        page.locator(".round-tile.next button").first().click();
        assertThat(page.locator(".round-tile.sets .count-down")).isVisible();
        page.locator(".round-tile.next button").first().click();
        Locator set = page.locator(".round-tile.set button", new Page.LocatorOptions().setHasText("Good"));
        set.first().waitFor(new Locator.WaitForOptions().setTimeout(60_000));
        set.first().click();
        assertThat(page.locator("main")).containsText("1 on the shelf of 2 wanted");
        page.locator(".round-tile.set button", new Page.LocatorOptions().setHasText("short"))
                .first()
                .click(new Locator.ClickOptions().setTimeout(60_000));
        assertThat(page.locator("main")).containsText("short 1");
    }

    @Test
    void theListsFitAndCanBeRead() {
        for (int width : List.of(1280, 400)) {
            page.setViewportSize(width, 800);
            for (String address : List.of("/waxes", "/waxes/rounds", "/waxes/0", "/rubber/0", "/waxes/rounds/0")) {
                page.navigate(app.address() + address);
                fits(address + " at " + width);
            }
        }
    }
}
