package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import org.junit.jupiter.api.Test;

/** Which flask, what it is mixed of, several molds in one session, and their tags. */
class MoldsIT extends BrowserTest {

    /** A tree of 96 g of wax, saved. */
    private String tree(String name) {
        page.navigate(app.address() + "/trees/new");
        page.locator("[name=name]").fill(name);
        page.locator("[name=alloy]").selectOption("si-bronze");
        page.locator("[name='parts[p1].material']").selectOption("injection-wax");
        page.locator("[name='parts[p1].mass_g']").fill("96 g");
        press("Save");
        page.waitForURL("**/tree?saved");
        return page.url().replaceAll("/tree\\?saved$", "");
    }

    private void equipment() {
        page.navigate(app.address() + "/equipment");
        if (page.locator("[name='flasks[k1].name']").inputValue().isEmpty()) {
            line("flasks[k1]", "small", "65 mm", "90 mm");
            line("flasks[k2]", "middle", "110 mm", "160 mm");
            page.locator("[name='flasks[k2].steel']").selectOption("perforated");
            page.locator("[name='bowls[k1].name']").fill("bucket");
            page.locator("[name='bowls[k1].volume_cm3']").fill("8 l");
            page.getByLabel("Flasks under it at once").fill("2");
            press("Save");
            page.waitForURL("**/equipment?saved");
        }
        accessible("equipment");
    }

    private void line(String at, String name, String inner, String high) {
        page.locator("[name='" + at + ".name']").fill(name);
        page.locator("[name='" + at + ".inner_mm']").fill(inner);
        page.locator("[name='" + at + ".height_mm']").fill(high);
    }

    private String molded(String name) {
        equipment();
        String tree = tree(name);
        page.navigate(tree + "/mold");
        answered("**/mold/try", () -> pick("middle").click());
        assertThat(pick("middle")).hasAttribute("aria-pressed", "true");
        page.locator("[name=system]").selectOption("gypsum-jewelry");
        answered("**/mold/try", () -> page.locator("[name=tree_width_mm]").fill("60 mm"));
        answered("**/mold/try", () -> page.locator("[name=tree_height_mm]").fill("100 mm"));
        press("Save");
        page.waitForURL("**/mold?saved");
        return tree;
    }

    private Locator pick(String name) {
        return page.locator(".mold-pick").filter(new Locator.FilterOptions().setHasText(name));
    }

    @Test
    void theSmallestFlaskIsTappedAndTheTreeCanBeLeant() {
        String tree = molded("Wentletrap");
        page.navigate(tree + "/mold");
        assertThat(page.locator(".mold-pick.chosen")).containsText("middle");
        assertThat(pick("middle")).containsText("fits, the smallest");
        assertThat(page.locator(".mold-pick .tiny-mark.stop").first()).isVisible();
        accessible("mold with its choice of pictures");
        page.locator("#answer [data-opens='inner_diameter_mm'] rect").first().click();
        assertThat(page.locator("[name=inner_diameter_mm]")).isFocused();
        Locator grip = page.locator(".grip");
        grip.focus();
        answered("**/mold/try", () -> page.keyboard().press("Shift+ArrowRight"));
        assertThat(page.locator("[name=tilt_deg]").first()).hasValue("5°");
        assertThat(page.locator(".grip")).isFocused();
        answered("**/mold/try", () -> page.keyboard().press("ArrowUp"));
        assertThat(page.locator("[name=lift_mm]").first()).hasValue("1 mm");
        var box = page.locator(".grip").boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + 90, box.y);
        answered("**/mold/try", () -> page.mouse().up());
        assertThat(page.locator("#verdict")).containsText("wall");
        answered("**/mold/try", () -> page.locator("[name=tilt_deg]").first().fill("0"));
        press("Save");
        page.waitForURL("**/mold?saved");
        // the other flasks are a tap away, with what stands against each
        answered("**/fit/flasks**", () -> page.getByText("Compare all flasks").click());
        assertThat(page.locator("#compare")).containsText("middle");
    }

    @Test
    void aSessionWithATroubleInTheMiddleOutlivesARestart() {
        molded("Whelk lid");
        molded("Cockle dish");
        page.navigate(app.address() + "/mixing");
        page.getByLabel("Whelk lid").check();
        page.getByLabel("Cockle dish").check();
        press("Group them");
        assertThat(page.locator("h2").filter(new Locator.FilterOptions().setHasText("1 bowl")))
                .isVisible();
        assertThat(page.locator("#session svg")).isVisible();
        accessible("mixing several molds");
        press("Start this session");
        page.waitForURL("**/bench");
        page.setViewportSize(800, 1280);
        press("All ready");
        press("Scooped on");
        assertThat(page.locator("#display")).containsText("steady");
        accessible("a session at the bench");
        press("Take what the scale shows");
        assertThat(page.locator("h1")).containsText("Weigh the powder, bowl 1 of 1");
        assertThat(page.locator(".corrected")).containsText("true ratio");
        press("Powder weighed");
        press("Poured in, start stirring");
        press("Done, next");
        assertThat(page.locator("h1")).containsText("Vacuum on the bowl");
        press("Take what the gauge shows");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("draws few bubbles");
        page.getByText("What to look at, in order").click();
        page.getByLabel("Pump switched on, valve shut").check();
        accessible("the gauge does not rise");
        page.locator("details[open]")
                .getByRole(AriaRole.BUTTON, new Locator.GetByRoleOptions().setName("Write it down and go on"))
                .click();
        press("Pump switch");
        app.restart();
        page.reload();
        assertThat(page.locator("h1")).containsText("Vacuum on the bowl");
        // while the server was away the display could not be asked for
        complaints.removeIf(c -> c.startsWith("htmx:sendError") || c.contains("ERR_CONNECTION_REFUSED"));
        assertThat(page.locator("#display")).containsText("−9");
        press("Take what the gauge shows");
        assertThat(page.locator("h1")).containsText("Pour down the side: ");
        page.getByText("Something is wrong").click();
        page.locator("details[open]").getByLabel("This mix is lost: end it").check();
        page.locator("details[open]").getByText("Write it down and go on").click();
        page.waitForURL("**/mixing");
        assertThat(page.locator(".running")).containsText("given up");
    }

    @Test
    void aBlendIsDesignedTriedAndMadeABlockOf() {
        page.navigate(app.address() + "/blends/new");
        page.locator("[name=name]").fill("Marram mix");
        page.locator("[name='parts[k1].ingredient']").selectOption("plaster");
        page.locator("[name='parts[k1].share_pct']").fill("50");
        page.locator("[name='parts[k2].ingredient']").selectOption("grog");
        answered(
                "**/blends/0/try",
                () -> page.locator("[name='parts[k2].share_pct']").fill("49.4"));
        assertThat(page.locator("#blend-answer")).containsText("0.6 % is missing");
        answered(
                "**/blends/0/try",
                () -> page.locator("[name='parts[k2].share_pct']").fill("50"));
        assertThat(page.locator("#blend-answer")).containsText("in all");
        press("Save");
        page.waitForURL("**?saved");
        accessible("a blend");
        page.getByLabel("It", new Page.GetByLabelOptions().setExact(true)).selectOption("held");
        page.getByLabel("Cured").fill("30 h");
        press("Keep the trial");
        page.waitForURL("**?tried");
        assertThat(page.locator(".compared")).containsText("held");
        page.navigate(app.address() + "/blends");
        accessible("blends");

        String tree = tree("Lugworm bowl");
        page.navigate(tree + "/mold");
        page.locator("#mold-kind").selectOption("block");
        assertThat(page.locator("[name=inner_diameter_mm]")).isHidden();
        answered(
                "**/mold/try",
                () -> page.locator("[name='block.fine.mix']")
                        .selectOption(new com.microsoft.playwright.options.SelectOption()
                                .setLabel("Marram mix (the studio's own)")));
        assertThat(page.locator("#answer svg").first()).isVisible();
        assertThat(page.locator("#ready")).containsText("Backup powder");
        press("Save");
        page.waitForURL("**/mold?saved");
        accessible("a block");
    }

    @Test
    void tagsAreShownAndComeAsPdf() {
        String tree = molded("Goose barnacle");
        page.locator("#ready").getByText("Label").click();
        page.waitForURL("**/labels**");
        assertThat(page.locator(".tag")).hasCount(1);
        accessible("labels");
        page.getByLabel("Of each").fill("9");
        press("Show them");
        assertThat(page.locator(".tag")).hasCount(9);
        byte[] pdf = page.request()
                .get(page.locator("a")
                        .filter(new Locator.FilterOptions().setHasText("PDF, A4"))
                        .evaluate("a => a.href")
                        .toString())
                .body();
        assertThat(pages(pdf)).isEqualTo(2);
        assertThat(pages(page.request().get(tree + "/label.pdf").body())).isEqualTo(1);
    }

    private static int pages(byte[] pdf) {
        try (var document = org.apache.pdfbox.Loader.loadPDF(pdf)) {
            return document.getNumberOfPages();
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
