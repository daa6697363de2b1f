package kilnryu.app.browser;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import org.junit.jupiter.api.Test;

/** Ceramic shells: schools compared, a plan, dips late and out of order, a change of the weather, a patch. */
class ShellsIT extends BrowserTest {

    /** A tree of 96 g of wax that is to be a shell, saved; gives its address. */
    private String planned(String name) {
        page.navigate(app.address() + "/trees/new");
        page.locator("[name=name]").fill(name);
        page.locator("[name=alloy]").selectOption("si-bronze");
        page.locator("[name='parts[p1].material']").selectOption("injection-wax");
        page.locator("[name='parts[p1].mass_g']").fill("96 g");
        press("Save");
        page.waitForURL("**/tree?saved");
        String tree = page.url().replaceAll("/tree\\?saved$", "");
        page.navigate(tree + "/mold");
        answered("**/mold/try", () -> page.locator("#mold-kind").selectOption("shell"));
        assertThat(page.locator("#answer")).containsText("Proposed: Few coats");
        assertThat(page.locator(".of-flask").first()).isHidden();
        press("Save");
        page.waitForURL("**/mold?saved");
        return tree;
    }

    private void begin(String tree) {
        page.navigate(tree + "/shell");
        press("Begin: the plan freezes");
        page.waitForURL("**/shells/*");
    }

    private Locator now() {
        return page.locator(".shell-now");
    }

    private void log(String coat, int hoursAgo) {
        page.getByText("Log a dip with its time and readings").click();
        page.locator("[name=coat]").selectOption(coat);
        page.locator("#at")
                .fill(LocalDateTime.ofInstant(
                                Instant.now().minus(hoursAgo, ChronoUnit.HOURS), ZoneId.of("Europe/Lisbon"))
                        .truncatedTo(ChronoUnit.MINUTES)
                        .toString());
        press("Log it");
        page.waitForURL("**?logged");
    }

    @Test
    void schoolsAreComparedAndOneIsTaken() {
        String tree = planned("Razor shell");
        accessible("mold, a shell");
        page.navigate(tree + "/shell");
        Locator rows = page.locator(".schools-of tbody tr");
        assertThat(rows.count()).isGreaterThanOrEqualTo(5);
        assertThat(page.locator(".schools-of tr.chosen")).containsText("few coats");
        accessible("schools of shells");
        rows.filter(new Locator.FilterOptions().setHasText("many coats"))
                .getByText("Take it")
                .click();
        assertThat(page.locator(".schools-of tr.chosen")).containsText("2 prime, 7 backup, seal");
        begin(tree);
        assertThat(now()).containsText("0 of 10 coats, next: prime");
        accessible("a shell");
        page.navigate(tree + "/shell");
        page.waitForURL("**/shells/*");
    }

    @Test
    void dipsAreTappedLoggedLateAndOutliveARestart() {
        String tree = planned("Tellin");
        begin(tree);
        String shell = page.url();
        log("prime", 9);
        log("plain-prime", 20);
        assertThat(page.locator(".coats-of tbody tr").nth(0)).containsText("plain prime");
        assertThat(page.locator(".coats-of tbody tr").nth(0)).containsText("logged after a later one");
        assertThat(now()).containsText("2 of 7 coats, next: backup");
        assertThat(now()).containsText("ready to dip");
        page.navigate(app.address() + "/shells");
        accessible("racks");
        Locator card = page.locator(".hung article").filter(new Locator.FilterOptions().setHasText("Tellin"));
        card.locator("button.tap").click();
        assertThat(page.locator(".notice.good")).containsText("Tellin: coat 3 is on.");
        app.restart();

        page.navigate(shell);
        assertThat(now()).containsText("3 of 7 coats");
        assertThat(now()).containsText("drying");
        assertThat(page.locator(".draw svg").first())
                .hasAttribute("aria-label", java.util.regex.Pattern.compile(".*3 of them on"));
    }

    @Test
    void theWeatherMovesTheCalendar() {
        String tree = planned("Piddock");
        begin(tree);
        page.navigate(app.address() + "/shells/room");
        accessible("drying room");
        String usual = page.locator("[name=day]").inputValue();
        page.navigate(app.address() + "/shells/calendar");
        accessible("calendar of dips");
        String dry = page.locator("main").innerText();
        assertThat(dry).contains("Piddock");
        page.navigate(app.address() + "/shells/room");
        page.locator("[name=day]").fill("0 12/92");
        press("Save");
        page.waitForURL("**/room?saved");
        page.navigate(app.address() + "/shells/calendar");
        String damp = page.locator("main").innerText();
        assertThat(damp).contains("Piddock").isNotEqualTo(dry);
        assertThat(page.locator(".dips tbody tr").count()).isPositive();
        page.navigate(app.address() + "/shells/room");
        page.locator("[name=day]").fill("0 12/100");
        press("Save");
        page.waitForURL("**/room?saved");
        page.navigate(app.address() + "/shells/calendar");
        assertThat(page.locator(".notice.bad")).containsText("Piddock: Coat 1 is not dry within three weeks");
        page.navigate(app.address() + "/shells/room");
        page.locator("[name=day]").fill(usual);
        press("Save");
        page.waitForURL("**/room?saved");
    }

    @Test
    void aCrackIsFoundPatchedAndTheShellFoundFit() {
        String tree = planned("Venus shell");
        begin(tree);
        log("plain-prime", 150);
        page.getByText("Change the coats to come").click();
        page.locator("[name=coming]").fill("none");
        page.locator("[name=why]").fill("a trial of one coat");
        press("Plan it so");
        page.waitForURL("**?planned");
        assertThat(now()).containsText("may be fired");
        page.getByText("Write down a crack or its patch").click();
        page.locator("[name=where]").fill("under the lip");
        page.locator("[name=depth_mm]").fill("40 mm");
        page.locator("[name=patched]").fill("slurry and fine stucco");
        page.locator("[name=dried_h]").fill("12 h");
        page.locator("[name=refired]").selectOption("yes");
        page.locator("form:has(input[value=flaw]) button").click();
        page.waitForURL("**?written#after");
        assertThat(page.locator("#after")).containsText("patched with slurry and fine stucco, dried 12 h, fired again");
        assertThat(page.locator("[value=fit]")).isDisabled();
        for (String seen : new String[] {"tap", "light", "ash", "cup"}) {
            page.locator("[name=" + seen + "]").check();
        }
        press("Seen so");
        assertThat(page.locator("[value=fit]")).isEnabled();
        page.locator("[value=fit]").click();
        assertThat(page.locator(".notice").first()).containsText("fit to pour");
    }

    @Test
    void aTankTellsWhatToTopUp() {
        String tree = planned("Cockle");
        begin(tree);
        page.navigate(app.address() + "/shells/tanks");
        accessible("tanks");
        page.locator("[name=name]").fill("blue bucket");
        page.locator("[name=holds]").selectOption("prime");
        page.locator("[name=diameter_mm]").fill("30 cm");
        page.locator("[name=depth_mm]").fill("40 cm");
        page.locator("[name=level_mm]").fill("2 in");
        press("Save");
        page.waitForURL("**/tanks/*?saved");
        assertThat(page.locator("main")).containsText("too low to cover it");
        page.locator("[name=flow_s]").fill("25 s");
        press("Write it down");
        page.waitForURL("**?read");
        assertThat(page.locator("main")).containsText("25 s");
        accessible("a tank");
    }
}
