package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A caster's way from wax to bench card, in the browser, on a database of its own. */
class WayThroughIT extends BrowserTest {
    /** A tree of 96 g of wax, saved; gives its address. */
    private String savedTree(String name) {
        page.navigate(app.address() + "/trees/new");
        page.getByLabel("Name of the tree").fill(name);
        page.getByLabel("Alloy").selectOption("si-bronze");
        page.getByLabel("Material").selectOption("injection-wax");
        page.getByLabel("Mass of one").first().fill("96");
        assertThat(figure("metal in the cavity").locator("b").first()).hasText("836");
        press("Save");
        page.waitForURL(Pattern.compile(".*/trees/\\d+/tree\\?saved"));
        return page.url().replaceAll("/tree\\?saved", "");
    }

    private void mold(String tree) {
        page.navigate(tree + "/mold");
        page.getByLabel("Inner diameter").fill("4 in");
        page.getByLabel("Height", new Page.GetByLabelOptions().setExact(true)).fill("6 in");
        page.getByLabel("Investment").selectOption("gypsum-jewelry");
        page.getByLabel("Widest, by ruler").fill("70");
        page.getByLabel("Its height").fill("110");
        assertThat(page.locator("#note-inner-diameter-mm")).hasText("= 101.6 mm");
        // pi/4 x 101.6^2 x 152.4 / 1000 = 1235.55; - 100 = 1135.55; x 1.04 = 1180.98
        assertThat(figure("to fill").locator("b").first()).hasText("1181");
        press("Save");
        page.waitForURL("**/mold?saved");
    }

    @Test
    void aTreeIsTypedAndItsFiguresFollowWithoutReload() {
        page.navigate(app.address() + "/trees/new");
        page.evaluate("window.same = true");
        page.getByLabel("Name of the tree").fill("Heron's bill");
        page.getByLabel("Alloy").selectOption("ag-925");
        page.getByLabel("Material").selectOption("beeswax");
        page.getByLabel("Mass of one").first().fill("2 oz");
        assertThat(page.locator("#note-parts-p1-mass-g")).hasText("= 56.699 g");
        // 56.699 / 0.96 x 10.36 = 611.9 g
        assertThat(figure("metal in the cavity").locator("b").first()).hasText("612");
        assertThat((Boolean) page.evaluate("window.same === true")).isTrue();

        figure("metal in the cavity").locator("summary").first().click();
        assertThat(figure("metal in the cavity").locator(".formula").first()).containsText("tree × alloy density");
        accessible("tree with a sum open");
        page.getByLabel("Mass of one").first().fill("3 oz");
        assertThat(figure("metal in the cavity").locator("b").first()).hasText("918");
        assertThat(figure("metal in the cavity").locator(".formula").first()).isVisible();

        page.getByLabel("Mass of one").first().fill("lots");
        assertThat(page.locator("#note-parts-p1-mass-g")).containsText("is not a mass");
        assertThat(page.getByLabel("Mass of one").first()).hasValue("lots");
    }

    @Test
    void partsAreAddedTakenOffAndPutBack() {
        page.navigate(savedTree("Cockle dish") + "/tree");
        press("Add a sprue or gate");
        assertThat(page.locator(".part")).hasCount(2);
        Locator sprue = page.locator(".part").last();
        sprue.getByLabel("Diameter").fill("10");
        sprue.getByLabel("Length").nth(0).fill("100");
        // pi/4 x 1 x 10 = 7.854 cm3 more: 107.854 x 8.36 = 901.7
        assertThat(figure("metal in the cavity").locator("b").first()).hasText("902");
        sprue.locator("[data-remove]").click();
        assertThat(figure("metal in the cavity").locator("b").first()).hasText("836");
        sprue.locator("[data-undo]").click();
        assertThat(figure("metal in the cavity").locator("b").first()).hasText("902");
        page.reload();
        assertThat(page.getByText("Not saved yet")).isVisible();
        assertThat(page.locator(".part")).hasCount(2);
    }

    @Test
    void fromWaxToBenchCard() {
        String tree = savedTree("Wrack plate");
        mold(tree);
        assertThat(page.locator(".draw svg").first())
                .hasAttribute("aria-label", Pattern.compile("Section of the flask.*"));
        accessible("mold");

        page.navigate(tree + "/firing");
        page.getByLabel("Pour at").fill("2099-05-08T15:00");
        page.getByLabel("Sections").selectOption("thin");
        assertThat(page.locator(".curve svg")).isVisible();
        assertThat(page.locator("#ready")).containsText("drain tray out");
        assertThat(page.locator(".program tbody tr")).hasCount(5);
        accessible("firing");
        press("Save");
        page.waitForURL("**/firing?saved");

        page.navigate(tree + "/card");
        assertThat(page.locator(".card-sheet")).containsText("a qualified person");
        accessible("card");
        for (String paper : List.of("A4", "Letter")) {
            byte[] pdf = page.pdf(new Page.PdfOptions().setFormat(paper).setPreferCSSPageSize(false));
            assertThat(pages(pdf)).as(paper).isEqualTo(1);
        }
    }

    private static int pages(byte[] pdf) {
        try (var document = org.apache.pdfbox.Loader.loadPDF(pdf)) {
            return document.getNumberOfPages();
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    @Test
    void theBenchViewAndItsClockOutliveReloadAndRestart() {
        String tree = savedTree("Samphire spoon");
        mold(tree);
        page.setViewportSize(800, 1280);
        page.navigate(tree + "/bench");
        accessible("ready to mix");
        press("Start mixing");
        press("All ready");
        page.getByLabel("or type what another scale reads").fill("21.4");
        press("Water weighed");
        assertThat(page.getByRole(AriaRole.ALERT)).containsText("Is the scale on oz?");
        accessible("a scale questioned");
        page.getByLabel("or type what another scale reads").fill("21.43 oz");
        press("Water weighed");
        press("Powder weighed");
        assertThat(page.locator("h1")).hasText("Powder into the water");
        press("Poured in, start stirring");
        Locator clock = page.locator(".clock").filter(new Locator.FilterOptions().setHasText("gloss-off"));
        assertThat(clock).containsText("9:2");
        accessible("mixing");
        String ends = clock.locator("b").getAttribute("data-ends");
        page.reload();
        assertThat(clock.locator("b")).hasAttribute("data-ends", ends);
        app.restart();
        page.reload();
        assertThat(page.locator("h1")).hasText("Mix");
        assertThat(clock.locator("b")).hasAttribute("data-ends", ends);
        for (Locator target : page.locator(".bench button, .bench a.quiet").all()) {
            assertThat(target.boundingBox().height).isGreaterThanOrEqualTo(56);
        }
        page.getByText("Something is wrong").click();
        accessible("trouble");
    }

    @Test
    void listFactorsUnitsAndErrorsAreAccessible() {
        savedTree("Eelgrass hook");
        for (String path : List.of("/trees", "/trees/new", "/factors", "/account", "/trees?archived=true")) {
            page.navigate(app.address() + path);
            accessible(path);
        }
        page.navigate(app.address() + "/trees/new");
        press("Save");
        assertThat(page.getByText("Give the tree a name.")).isVisible();
        accessible("errors at their fields");
        assertThat(page.navigate(app.address() + "/trees/99999999").status()).isIn(200, 404);
        page.navigate(app.address() + "/nothing");
        assertThat(page.locator("h1")).hasText("There is nothing here");
        accessible("nothing here");
        complaints.clear();
        page.navigate("about:blank");
        page.context().clearCookies();
        page.navigate(app.address() + "/login");
        accessible("login");
    }

    @Test
    void aVisitToTheLoginFormMakesNoSessionAndTheSessionsCookieIsHidden() {
        // nothing of the page that was open answers late, with a session
        page.navigate("about:blank");
        context.clearCookies();
        page.navigate(app.address() + "/login");
        assertThat(context.cookies()).noneMatch(c -> c.name.equals("kiln_ryu"));
        signIn();
        assertThat(context.cookies()).anyMatch(c -> c.name.equals("kiln_ryu") && c.httpOnly);
    }

    @Test
    void keysFindSaveAndHelp() {
        page.navigate(app.address() + "/trees");
        page.keyboard().press("/");
        assertThat(page.getByLabel("Find a tree")).isFocused();
        page.getByLabel("Find a tree").blur();
        page.keyboard().press("?");
        assertThat(page.locator("#keys")).isVisible();
        page.keyboard().press("Escape");
        page.keyboard().press("n");
        page.waitForURL("**/trees/new");
    }
}
