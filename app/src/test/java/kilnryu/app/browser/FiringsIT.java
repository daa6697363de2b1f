package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.options.BoundingBox;
import com.microsoft.playwright.options.FilePayload;
import com.microsoft.playwright.options.SelectOption;
import java.nio.charset.StandardCharsets;
import java.util.regex.Pattern;
import org.junit.jupiter.api.Test;

/** A kiln, a load that is placed, a program whose holds are dragged, a firing at speed through faults and a restart. */
class FiringsIT extends BrowserTest {

    private static boolean made;

    private void flask(String name, int diameter) {
        page.navigate(app.address() + "/trees/new");
        page.locator("[name=name]").fill(name);
        page.locator("[name=alloy]").selectOption("ag-925");
        page.locator("[name='parts[p1].material']").selectOption("injection-wax");
        page.locator("[name='parts[p1].mass_g']").fill("30 g");
        press("Save");
        page.waitForURL("**/tree?saved");
        page.navigate(page.url().replaceAll("/tree\\?saved$", "/mold"));
        page.locator("[name=system]").selectOption("gypsum-jewelry");
        page.locator("[name=inner_diameter_mm]").fill(diameter + " mm");
        page.locator("[name=height_mm]").fill(diameter * 3 / 2 + " mm");
        press("Save");
        page.waitForURL("**/mold?saved");
    }

    private void kiln(String name) {
        page.navigate(app.address() + "/kilns");
        page.locator("[name=name]").fill(name);
        page.locator("[name=width_mm]").fill("460 mm");
        page.locator("[name=height_mm]").fill("450 mm");
        page.locator("[name=power_kW]").fill("6");
        page.locator("[name=max_C]").fill("1150 °C");
        page.locator("[name=to_700_min]").fill("70 min");
        press("Save");
        page.waitForURL("**/kilns/*?saved");
    }

    /** One kiln and two flasks for all tests of this class. */
    private void studio() {
        if (!made) {
            kiln("round kiln");
            flask("Dunlin small", 30);
            flask("Dunlin large", 40);
            made = true;
        }
    }

    /** A firing of both flasks, saved; gives its address. */
    private String planned(String name) {
        studio();
        page.navigate(app.address() + "/firings/new");
        page.locator("[name=name]").fill(name);
        page.locator("[name=kiln]").selectOption(new SelectOption().setLabel("round kiln"));
        for (String mold : new String[] {"Dunlin small", "Dunlin large"}) {
            answered(
                    "**/load/try",
                    () -> page.locator(".ticks label")
                            .filter(new Locator.FilterOptions().setHasText(mold))
                            .locator("input")
                            .check());
        }
        press("Save and go to the program");
        page.waitForURL("**/firings/*?saved");
        return page.url().replaceAll("\\?saved$", "");
    }

    private String dry(String mold) {
        return page.locator("#answer tr:has(.no)")
                .filter(new Locator.FilterOptions().setHasText(mold))
                .first()
                .locator("td")
                .nth(1)
                .innerText();
    }

    @Test
    void aLoadIsPlacedByHandAndByKeys() {
        String firing = planned("Sandpiper");
        page.navigate(firing + "/load");
        assertThat(page.locator(".floors .mold")).hasCount(2);
        accessible("load");
        Locator x = page.locator("input[data-x]").first();
        String was = x.inputValue();
        Locator mold = page.locator(".floors .mold").first();
        mold.focus();
        answered("**/load/try", () -> page.keyboard().press("ArrowRight"));
        assertThat(x).not().hasValue(was);
        // dragged far to the right it stands in the wall, and that is said
        BoundingBox box = page.locator(".floors .mold").first().boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 + 400, box.y + box.height / 2);
        answered("**/load/try", () -> page.mouse().up());
        assertThat(page.locator("#answer")).containsText("stands in the wall");
        press("Propose places");
        assertThat(page.locator("#answer")).not().containsText("stands in the wall");
    }

    @Test
    void aHoldIsDraggedAndTheMiddleAnswers() {
        String firing = planned("Dunlin");
        page.navigate(firing);
        accessible("program");
        // its first hold is the long one
        page.locator("#school").selectOption("dry-first");
        press("Make it");
        assertThat(page.locator("#school")).hasValue("dry-first");
        String dry = dry("Dunlin large");
        String held = page.locator("#hold-1").inputValue();
        assertThat(page.locator("#answer")).not().containsText("ends before this is so");
        Locator corner = page.locator(".corner[data-line='0'][data-what=hold]");
        BoundingBox box = corner.boundingBox();
        page.mouse().move(box.x + box.width / 2, box.y + box.height / 2);
        page.mouse().down();
        page.mouse().move(box.x + box.width / 2 - 220, box.y + box.height / 2);
        page.mouse().move(box.x + box.width / 2 - 219, box.y + box.height / 2);
        assertThat(corner.locator(".said")).containsText("hold ");
        // in the hand still, and the middles answer
        assertThat(page.locator("#curve clipPath")).hasCount(1);
        assertThat(page.locator("#hold-1")).hasValue(held);
        assertThat(corner).hasClass("corner held");
        Locator curve = page.locator("#curve svg");
        page.waitForResponse(
                "**/try",
                () -> page.waitForResponse("**/curve", () -> page.mouse().up()));
        assertThat(curve).hasCount(1);
        assertThat(page.locator("#curve clipPath")).hasCount(0);
        assertThat(corner).isFocused();
        assertThat(page.locator("#answer")).containsText("The hold at 150 °C ends before this is so in Dunlin large");
        assertThat(dry("Dunlin large")).isNotEqualTo(dry);
        String hold = page.locator("#hold-1").inputValue();
        page.locator(".corner[data-line='0'][data-what=hold]").focus();
        answered("**/try", () -> page.keyboard().press("ArrowRight"));
        assertThat(page.locator("#hold-1")).not().hasValue(hold);
        press("Lengthen holds to suit the load");
        assertThat(page.locator("#answer")).not().containsText("ends before this is so");
        page.locator("#what").selectOption("half-0");
        press("Try it");
        assertThat(page.locator("#whatif")).containsText("the hold at 150 °C were half as long");
        page.locator("#scrub-load").click();
        assertThat(page.locator("#scrub-says")).containsText("middle");
        String says = page.locator("#scrub-says").innerText();
        page.locator("#scrub-time").focus();
        page.keyboard().press("End");
        assertThat(page.locator("#scrub-says")).not().hasText(says);
        assertThat(page.locator("#scrub-says")).containsText("no free water left");
        press("Save");
        page.waitForURL("**?saved");
    }

    @Test
    void aFiringRunsAtSpeedThroughAFaultAndARestart() {
        String firing = planned("Godwit");
        page.navigate(firing);
        page.locator("[name=ready]").check();
        page.locator("[name=even_so]").check();
        press("Start the firing");
        page.waitForURL("**/run");
        accessible("run");
        page.locator(".ask .btn").click();
        page.waitForURL("**/run");
        assertThat(page.locator("#live")).containsText("done at");
        page.locator(".stand-in-box > summary").click();
        press("600 ×");
        page.waitForURL("**/run");
        // without reload: the stream says that something was measured, and water leaves
        assertThat(page.locator("#live")).containsText(Pattern.compile("[1-9][0-9]{2,} readings"));
        page.locator(".stand-in-box > summary").click();
        press("no power");
        page.waitForURL("**/run");
        assertThat(page.locator("#live")).containsText("The controller shows: no power");
        assertThat(page.locator("#live")).containsText("Nothing was heard of the kiln");
        String before = page.locator("#live").innerText().replaceAll("(?s).*?(\\d+) readings.*", "$1");
        app.restart();
        signIn();
        page.navigate(firing + "/run");
        assertThat(page.locator("#live")).containsText("done at");
        String after = page.locator("#live").innerText().replaceAll("(?s).*?(\\d+) readings.*", "$1");
        assertThat(Integer.parseInt(after)).isGreaterThanOrEqualTo(Integer.parseInt(before));
        page.locator(".stand-in-box > summary").click();
        page.getByText("mend: no power").click();
        page.waitForURL("**/run");
        assertThat(page.locator("#live")).containsText("Program finished");
        page.locator("#as-ended").fill("poured late");
        press("End the firing");
        page.waitForURL("**/log");
        assertThat(page.locator("main")).containsText("furthest from the plan");
    }

    @Test
    void aLogIsTakenIn() {
        String firing = planned("Whimbrel");
        page.navigate(firing);
        page.locator("[name=ready]").check();
        page.locator("[name=even_so]").check();
        press("Start the firing");
        page.waitForURL("**/run");
        page.navigate(firing + "/log");
        accessible("log");
        StringBuilder csv = new StringBuilder("time;temp °C\n");
        for (int minute = 0; minute <= 600; minute += 5) {
            csv.append(minute * 60)
                    .append(';')
                    .append(Math.min(150, 20 + minute))
                    .append(",5\n");
        }
        page.locator("#log-file")
                .setInputFiles(
                        new FilePayload("night.csv", "text/csv", csv.toString().getBytes(StandardCharsets.UTF_8)));
        press("Take it in");
        assertThat(page.locator("main")).containsText("121 readings taken in");
        assertThat(page.locator(".measured")).hasCount(1);
        page.navigate(firing + "/card");
        assertThat(page.locator("main")).containsText("Planned end");
        accessible("card of a program");
    }
}
