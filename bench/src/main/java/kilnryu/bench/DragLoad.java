package kilnryu.bench;

import com.microsoft.playwright.Browser;
import com.microsoft.playwright.BrowserType;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.Playwright;
import com.microsoft.playwright.options.BoundingBox;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;

/**
 * Drags a corner of a firing's program in a browser as a hand does, and reads how long it took from letting it go until the
 * new curve was painted. The browser shares the machine with the server.
 */
final class DragLoad {
    private static final int WARM_UP = 30;
    private static final int DRAGGED = 60;
    private static final String CLOCK = """
            () => {
              window.painted = [];
              let let_go = 0;
              document.addEventListener("pointerup", () => { let_go = performance.now(); }, true);
              document.addEventListener("drawn", () => {
                requestAnimationFrame(() => {
                  const after = new MessageChannel();
                  after.port1.onmessage = () => window.painted.push(performance.now() - let_go);
                  after.port2.postMessage(0);
                });
              });
            }
            """;

    private DragLoad() {}

    /** Milliseconds from letting go to the picture, drag by drag. */
    static List<Double> measure(String address, String firing) {
        try (Playwright playwright = Playwright.create(
                        new Playwright.CreateOptions().setEnv(Map.of("PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD", "1")));
                Browser browser = playwright
                        .chromium()
                        .launch(new BrowserType.LaunchOptions()
                                .setExecutablePath(Path.of("/usr/bin/chromium"))
                                .setHeadless(true)
                                .setArgs(List.of(
                                        "--no-sandbox",
                                        "--disable-gpu",
                                        "--disable-quic",
                                        "--no-first-run",
                                        "--disable-background-networking",
                                        "--disable-component-update",
                                        "--disable-sync")))) {
            Page page = browser.newPage(new Browser.NewPageOptions().setViewportSize(1280, 800));
            page.navigate(address + "/login");
            page.getByLabel("Login").fill("demo");
            page.getByLabel("Password").fill("estuary");
            page.locator("main button, form button").first().click();
            page.waitForURL(address + "/");
            page.navigate(address + firing);
            page.evaluate(CLOCK);
            for (int i = 0; i < WARM_UP + DRAGGED; i++) {
                drag(page, i % 2 == 0 ? -40 : 40);
            }
            @SuppressWarnings("unchecked")
            List<Number> painted = (List<Number>) page.evaluate("window.painted");
            return painted.stream().skip(WARM_UP).map(Number::doubleValue).toList();
        }
    }

    private static void drag(Page page, double pixels) {
        BoundingBox box = page.locator(".corner[data-what=hold]").first().boundingBox();
        double x = box.x + box.width / 2;
        double y = box.y + box.height / 2;
        page.mouse().move(x, y);
        page.mouse().down();
        for (int step = 1; step <= 8; step++) {
            page.mouse().move(x + pixels * step / 8, y);
            page.waitForTimeout(25);
        }
        page.waitForResponse("**/try", () -> page.mouse().up());
        page.waitForTimeout(300);
    }
}
