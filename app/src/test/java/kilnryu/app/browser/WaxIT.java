package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.BoundingBox;
import java.util.Base64;
import java.util.List;
import java.util.regex.Pattern;
import kilnryu.app.MeshFiles;
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
            for (String address : List.of(
                    "/waxes", "/waxes/rounds", "/waxes/0", "/rubber/0", "/waxes/rounds/0", "/waxes/pots/0", "/stock")) {
                page.navigate(app.address() + address);
                fits(address + " at " + width);
            }
        }
    }

    private void tool(String words) {
        page.locator(".tools label", new Page.LocatorOptions().setHasText(words))
                .first()
                .click();
    }

    /** A touch on the outline, as shares of the picture. */
    private void touch(double x, double y) {
        Locator box = page.locator("[data-touch]");
        BoundingBox b = box.boundingBox();
        box.click(new Locator.ClickOptions().setPosition(x * b.width, y * b.height));
        page.waitForURL(Pattern.compile(".*tool=.*"));
    }

    /** A bar of 40 x 20 x 5 mm: its parting is drawn with a finger, a key stands on it, a spout, a part with its name. */
    @Test
    void aPartingIsDrawnWithAFinger() {
        page.setViewportSize(400, 900);
        page.navigate(app.address() + "/rubber/0");
        Object piece = page.evaluate("""
                async (stl) => {
                  const token = document.querySelector("[name=_csrf]").value;
                  const sheet = new URLSearchParams({ _csrf: token, version: "0", name: "Slate tile" });
                  const made = await fetch("/pieces/0", { method: "POST", body: sheet });
                  const id = made.url.match(/pieces\\/(\\d+)/)[1];
                  const bytes = Uint8Array.from(atob(stl), (c) => c.charCodeAt(0));
                  const form = new FormData();
                  form.append("_csrf", token);
                  form.append("mesh", new Blob([bytes]), "tile.stl");
                  await fetch(`/pieces/${id}/mesh`, { method: "POST", body: form });
                  for (;;) {
                    const state = await (await fetch(`/pieces/${id}/mesh/state`)).text();
                    if (state.includes("data-done")) return id;
                    await new Promise((done) => setTimeout(done, 200));
                  }
                }
                """, Base64.getEncoder().encodeToString(MeshFiles.box(40, 20, 5, 12)));
        page.navigate(app.address() + "/rubber/0?piece=" + piece);
        byName("name", "Slate tile");
        byName("hardener_per_100", "10");
        byName("pot_life_min_23", "40 min");
        byName("cure_h_23", "16 h");
        page.locator("[name=opening]").selectOption("top");
        button("Add the mold").click();
        assertThat(page.locator("#parting")).containsText("where it parts");
        touch(0.1, 0.5);
        touch(0.9, 0.5);
        assertThat(page.locator("#parting")).containsText("parting lines");
        tool("Spout");
        touch(0.5, 0.1);
        assertThat(page.locator("[data-touch] svg")).containsText("spout");
        tool("Part");
        page.locator("[data-named]").fill("upper");
        touch(0.5, 0.3);
        assertThat(page.locator("[data-touch] svg")).containsText("upper");
        fits("a parting on a phone");
        button("Undo the last").click();
        assertThat(page.locator("#parting")).containsText("how its parts are called");
    }

    @Test
    void aPrintIsWashedAndCuredByItsClock() {
        page.navigate(app.address() + "/waxes/0?made=printed");
        assertThat(page.locator("[name=layer_mm]")).isVisible();
        assertThat(page.locator("[name=target_mm]")).isHidden();
        page.locator("[name=made]").selectOption("slushed");
        assertThat(page.locator("[name=target_mm]")).isVisible();
        assertThat(page.locator("[name=layer_mm]")).isHidden();
        page.locator("[name=made]").selectOption("printed");
        byName("name", "Grebe, print");
        page.locator("[name=material]").selectOption("castable-resin");
        byName("layer_mm", "0.05 mm");
        byName("lean_deg", "60");
        byName("wash_min", "10 min");
        page.locator("[name=supports]").selectOption("back");
        button("Add the wax").click();
        assertThat(page.locator(".wax-draw svg")).isVisible();
        fits("a print");
        page.setViewportSize(400, 800);
        page.locator("a", new Page.LocatorOptions().setHasText("To the bench")).click();
        button("Into the wash").click();
        assertThat(page.locator(".count-down")).containsText(":");
        assertThat(page.locator(".bench-clock")).containsText("left in the wash");
        button("Out of the wash").click();
        button("Under the lamp").click();
        button("Cured through").click();
        assertThat(page.locator("#h-look")).isVisible();
        fits("the bench of a print");
    }

    @Test
    void aPotIsReadAndFilled() {
        page.setViewportSize(400, 900);
        page.navigate(app.address() + "/waxes/pots/0");
        byName("name", "Pot");
        byName("high_mm", "200 mm");
        button("Add the pot").click();
        fill("grams", "2 kg");
        button("New wax in").click();
        assertThat(page.locator("#h-log ~ ul")).containsText("2000 g new wax");
        fill("r-grams", "500 g");
        button("Into the pot").click();
        assertThat(page.locator("[role=alert]")).containsText("Strain it");
        page.locator(".tick input").check();
        fill("r-grams", "500 g");
        button("Into the pot").click();
        assertThat(page.locator("#h-log ~ ul")).containsText("500 g recovered wax");
        button("Stand-in: warmer").click();
        assertThat(page.locator(".pot-knob")).containsText("85 °C");
        fits("a pot of wax");
    }
}
